export { SetupScreen as default } from '../screens/setup/SetupScreen';
