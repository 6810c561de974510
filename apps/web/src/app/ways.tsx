export { WaysScreen as default } from '../screens/ways/WaysScreen';
