/** The room in hand and the rules in force, from the server with the shipped ones as fallback. */
import { demoRooms, withDefaults, type HouseRules, type Room } from '@taktik/core';
import { useRoomsQuery, useRulesQuery } from '../../state/api';
import { useAppSelector } from '../../state/hooks';

export type RoomInHand = {
  room: Room | undefined;
  rooms: readonly Room[];
  rules: HouseRules;
  /** Shipped rooms stand in for those of the department, which cannot be read. */
  shipped: boolean;
};

/** @param forExam rules that are another choice for the exam in hand */
export function useRoom(roomId?: string, forExam?: Partial<HouseRules>): RoomInHand {
  const { data, isError } = useRoomsQuery();
  const rooms = data ?? demoRooms;
  const { data: house } = useRulesQuery();
  const { roomId: preferred, unit } = useAppSelector((state) => state.preferences);
  const room = rooms.find(({ id }) => id === (roomId ?? preferred)) ?? rooms[0];
  return { room, rooms, rules: withDefaults({ ...house, unit, ...forExam }), shipped: data === undefined && isError };
}
