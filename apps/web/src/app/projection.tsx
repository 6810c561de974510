export { ProjectionPlace as default } from '../places/projection/ProjectionPlace';
