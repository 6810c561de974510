/** The room in hand and the rules in force, from the server with the shipped ones as fallback. */
import { demoRooms, withDefaults, type HouseRules, type Room } from '@taktik/core';
import { useRoomsQuery, useRulesQuery } from '../../state/api';
import { useAppSelector } from '../../state/hooks';

export function useRoom(roomId?: string): { room: Room | undefined; rooms: readonly Room[]; rules: HouseRules } {
  const { data: rooms = demoRooms } = useRoomsQuery();
  const { data: house } = useRulesQuery();
  const { roomId: preferred, unit } = useAppSelector((state) => state.preferences);
  const room = rooms.find(({ id }) => id === (roomId ?? preferred)) ?? rooms[0];
  return { room, rooms, rules: withDefaults({ ...house, unit }) };
}
