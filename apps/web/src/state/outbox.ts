/**
 * Writes on their way to the server. Each is kept on the device until the server has it on disk; the ids are made
 * here, so sending one twice is harmless. They go strictly in order: an exposure needs its exam.
 */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { load, names, save } from './storage';

export type Outgoing = { id: string; madeAt: number; path: string; body: unknown; what: string };
export type OutboxState = { waiting: Outgoing[]; refused: Refused[]; online: boolean };

const KEY = 'outbox.';
const REFUSED = 'refused.';
export type Refused = Outgoing & { why: string };
const stored = <T extends Outgoing>(key: string): T[] =>
  names(key)
    .flatMap((name) => load<T>(name) ?? [])
    .sort((a, b) => a.madeAt - b.madeAt || a.id.localeCompare(b.id));

export const outbox = createSlice({
  name: 'outbox',
  initialState: (): OutboxState => ({ waiting: stored(KEY), refused: stored<Refused>(REFUSED), online: true }),
  reducers: {
    queued: (state, action: PayloadAction<Outgoing>) => {
      state.waiting.push(action.payload);
    },
    sent: (state, action: PayloadAction<string>) => {
      state.waiting = state.waiting.filter(({ id }) => id !== action.payload);
      state.online = true;
    },
    refused: (state, action: PayloadAction<{ id: string; why: string }>) => {
      const item = state.waiting.find(({ id }) => id === action.payload.id);
      state.waiting = state.waiting.filter(({ id }) => id !== action.payload.id);
      if (item) state.refused.push({ ...item, why: action.payload.why });
    },
    unreachable: (state) => {
      state.online = false;
    },
    dismissed: (state, action: PayloadAction<string>) => {
      state.refused = state.refused.filter(({ id }) => id !== action.payload);
    },
  },
});
export const { queued, sent, refused, unreachable, dismissed } = outbox.actions;

/** One local-store entry for each item, so that two tabs never overwrite each other's queue. */
export const keep = (item: Outgoing): void => save(KEY + item.id, item);
export const drop = (id: string): void => save(KEY + id, undefined);
/** What the server would not take stays on the device until somebody has read it. */
export const keepRefused = (item: Refused): void => save(REFUSED + item.id, item);
export const dropRefused = (id: string): void => save(REFUSED + id, undefined);
