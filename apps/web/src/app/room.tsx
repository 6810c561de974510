export { RoomPlace as default } from '../places/room/RoomPlace';
