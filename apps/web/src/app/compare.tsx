export { ComparePlace as default } from '../places/projection/ComparePlace';
