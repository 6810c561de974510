export { BookPlace as default } from '../places/projection/BookPlace';
