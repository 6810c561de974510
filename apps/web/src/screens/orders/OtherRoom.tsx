/** An order that is planned for another room than this device is in: whose numbers stand here. */
import { Words } from '../../ui/Words';
import { useRoom } from '../room/useRoom';

export function OtherRoom({ roomId }: { roomId: string }) {
  const { room, rooms } = useRoom();
  const planned = rooms.find(({ id }) => id === roomId);
  if (!room || !planned || planned.id === room.id) return null;
  return (
    <Words kind="small" tone="mauve" role="note">
      {`● Planned for ${planned.name}, and its numbers stand here; this device is in ${room.name}`}
    </Words>
  );
}
