export { AftercarePlace as default } from '../places/exam/AftercarePlace';
