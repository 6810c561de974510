export { MeasureScreen as default } from '../screens/measure/MeasureScreen';
