export { ExposurePlace as default } from '../../places/record/ExposurePlace';
