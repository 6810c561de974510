import type { IndexScale } from '@taktik/core';
import { useRoom } from './useRoom';

/** What the console of a room shows; the standard index where it does not say. */
export function useScale(roomId: string | undefined): IndexScale | undefined {
  const { rooms } = useRoom();
  return rooms.find(({ id }) => id === roomId)?.generator.scale;
}
