export { FindPlace as default } from '../places/find/FindPlace';
