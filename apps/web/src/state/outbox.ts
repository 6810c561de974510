/**
 * Writes on their way to the server. Each is kept on the device until the server has it on disk; the ids are made
 * here, so sending one twice is harmless. What belongs to one exam goes in the order in which it was done; what does
 * not depend on it is not held up by it.
 */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { load, names, save } from './storage';

export type Outgoing = {
  id: string;
  madeAt: number;
  path: string;
  body: unknown;
  what: string;
  /** Order of doing on this device: a counter, since its clock may be set back. */
  seq?: number;
  /** Who did it: it goes when they, or a lead, are signed in. */
  by?: string | null;
};
export type Refused = Outgoing & { why: string };
export type OutboxState = {
  waiting: Outgoing[];
  refused: Refused[];
  online: boolean;
  /** Ids that the device could not keep: they are gone with this page. */
  unkept: string[];
  /** Why an item that the server has in hand does not go through, by its id. */
  trouble: Record<string, string>;
};

const KEY = 'outbox.';
const REFUSED = 'refused.';
const inOrder = (a: Outgoing, b: Outgoing): number =>
  (a.seq ?? 0) - (b.seq ?? 0) || a.madeAt - b.madeAt || a.id.localeCompare(b.id);
const stored = <T extends Outgoing>(key: string): T[] =>
  names(key)
    .flatMap((name) => load<T>(name) ?? [])
    .sort(inOrder);

const without = (record: Record<string, string>, id: string): Record<string, string> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => key !== id));

export const outbox = createSlice({
  name: 'outbox',
  initialState: (): OutboxState => ({
    waiting: stored(KEY),
    refused: stored<Refused>(REFUSED),
    online: true,
    unkept: [],
    trouble: {},
  }),
  reducers: {
    queued: (state, { payload }: PayloadAction<{ item: Outgoing; kept: boolean }>) => {
      state.waiting.push(payload.item);
      if (!payload.kept) state.unkept.push(payload.item.id);
    },
    sent: (state, { payload: id }: PayloadAction<string>) => {
      state.waiting = state.waiting.filter((each) => each.id !== id);
      state.unkept = state.unkept.filter((each) => each !== id);
      state.trouble = without(state.trouble, id);
      state.online = true;
    },
    refused: (state, action: PayloadAction<{ id: string; why: string }>) => {
      const { id, why } = action.payload;
      const item = state.waiting.find((each) => each.id === id);
      state.waiting = state.waiting.filter((each) => each.id !== id);
      state.trouble = without(state.trouble, id);
      if (item) state.refused.push({ ...item, why });
    },
    /** The server has it and cannot take it now; the others go on. */
    troubled: (state, { payload }: PayloadAction<{ id: string; why: string }>) => {
      state.trouble[payload.id] = payload.why;
      state.online = true;
    },
    unreachable: (state) => {
      state.online = false;
    },
    /** What was refused goes on its way once more. */
    retried: (state, { payload: id }: PayloadAction<string>) => {
      const item = state.refused.find((each) => each.id === id);
      state.refused = state.refused.filter((each) => each.id !== id);
      if (!item) return;
      const { why: _, ...again } = item;
      state.waiting = [...state.waiting, again].sort(inOrder);
    },
    dismissed: (state, action: PayloadAction<string>) => {
      state.refused = state.refused.filter(({ id }) => id !== action.payload);
    },
  },
});
export const { queued, sent, refused, troubled, unreachable, retried, dismissed } = outbox.actions;

/** What must arrive one after another: all of one exam, or a thing of its own. */
export function groupOf({ id, path, body }: Outgoing, all: readonly Outgoing[]): string {
  const sent = body as { examId?: string; id?: string } | null;
  if (path === '/exams') return `exam ${sent?.id ?? id}`;
  const exam = /^\/exams\/([^/]+)\//.exec(path);
  if (exam) return `exam ${exam[1]}`;
  if (path === '/exposures') return `exam ${sent?.examId ?? id}`;
  const exposure = /^\/exposures\/([^/]+)\//.exec(path);
  if (!exposure) return `alone ${id}`;
  const made = all.find((each) => each.path === '/exposures' && each.id === exposure[1]);
  return made ? groupOf(made, all) : `exposure ${exposure[1]}`;
}

const SEQ = 'outboxSeq';
/** The next number of this device; shared by its tabs. */
export function nextSeq(): number {
  const known = stored(KEY).reduce((most, { seq }) => Math.max(most, seq ?? 0), load<number>(SEQ) ?? 0);
  save(SEQ, known + 1);
  return known + 1;
}

/**
 * One local-store entry for each item, so that two tabs never overwrite each other's queue.
 * @returns whether it is kept: a full or closed store keeps nothing
 */
export const keep = (item: Outgoing): boolean => save(KEY + item.id, item);
export const drop = (id: string): boolean => save(KEY + id, undefined);
/** What the server would not take stays on the device until somebody has read it. */
export const keepRefused = (item: Refused): boolean => save(REFUSED + item.id, item);
export const dropRefused = (id: string): boolean => save(REFUSED + id, undefined);
