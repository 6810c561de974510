export { AftercareScreen as default } from '../screens/exam/AftercareScreen';
