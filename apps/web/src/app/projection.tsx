export { ProjectionScreen as default } from '../screens/projection/ProjectionScreen';
