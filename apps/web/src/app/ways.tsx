export { WaysPlace as default } from '../places/ways/WaysPlace';
