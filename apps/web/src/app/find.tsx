export { FindScreen as default } from '../screens/find/FindScreen';
