export { RehearsePlace as default } from '../places/rehearse/RehearsePlace';
