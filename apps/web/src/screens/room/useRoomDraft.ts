/** Changes of a room that are not kept yet: on this device until a lead keeps or drops them. */
import type { Generator, Room, RoomChange } from '@taktik/core';
import { useState } from 'react';
import { useChangeRoomMutation } from '../../state/api';
import { load, save } from '../../state/storage';

export type GeneratorChange = NonNullable<RoomChange['generator']>;
type Draft = { generator: GeneratorChange; holders?: Room['holders'] };
export type RoomDraft = {
  /** The generator with the changes in it. */
  generator: Generator;
  holders: Room['holders'];
  changes: number;
  change: (change: GeneratorChange) => void;
  changeHolders: (holders: Room['holders']) => void;
  keep: () => Promise<void>;
  drop: () => void;
  busy: boolean;
  error: unknown;
};

const KEY = 'room-draft.';
const EMPTY: Draft = { generator: {} };

export function useRoomDraft(room: Room): RoomDraft {
  const [draft, setDraft] = useState<Draft>(() => load<Draft>(KEY + room.id) ?? EMPTY);
  const [put, { isLoading, error }] = useChangeRoomMutation();
  const write = (next: Draft) => {
    setDraft(next);
    save(KEY + room.id, next === EMPTY ? undefined : next);
  };
  const merged = Object.entries({ ...room.generator, ...draft.generator }).filter(([, value]) => value != null);
  return {
    generator: Object.fromEntries(merged) as unknown as Generator,
    holders: draft.holders ?? room.holders,
    changes: Object.keys(draft.generator).length + (draft.holders ? 1 : 0),
    change: (change) => write({ ...draft, generator: { ...draft.generator, ...change } }),
    changeHolders: (holders) => write({ ...draft, holders }),
    keep: async () => {
      const { generator, holders } = draft;
      const answer = await put({ id: room.id, change: { generator, ...(holders ? { holders } : {}) } });
      if (!answer.error) write(EMPTY);
    },
    drop: () => write(EMPTY),
    busy: isLoading,
    error,
  };
}
