export { RehearseScreen as default } from '../screens/rehearse/RehearseScreen';
