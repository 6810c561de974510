export { BookScreen as default } from '../screens/projection/BookScreen';
