export { SetupPlace as default } from '../places/setup/SetupPlace';
