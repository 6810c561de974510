export { RoomScreen as default } from '../screens/room/RoomScreen';
