export { CompareScreen as default } from '../screens/projection/CompareScreen';
