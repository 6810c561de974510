/**
 * Writes on their way to the server, as the screen knows them. Each is kept on the device until the server has it on disk;
 * the ids are made here, so sending one twice is harmless. What belongs to one exam goes in the order in which it was
 * done; what does not depend on it is not held up by it.
 */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Outgoing, Row } from './outboxDb';

export type { Outgoing, Row };
export type Refused = Outgoing & Pick<Row, 'why' | 'aside' | 'saved'> & { why: string };
export type OutboxState = {
  waiting: Outgoing[];
  refused: Refused[];
  online: boolean;
  /** Ids that are being written on this device. */
  writing: string[];
  /** Ids that the device could not keep: they are gone with this page. */
  unkept: string[];
  /** Those of them that somebody has written down on paper. */
  onPaper: string[];
  /** Why an item that the server has in hand does not go through, by its id. */
  trouble: Record<string, string>;
};

const without = (record: Record<string, string>, id: string): Record<string, string> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => key !== id));
const but = (ids: readonly string[], id: string): string[] => ids.filter((each) => each !== id);
const isRefused = (row: Row): row is Row & { why: string } => row.why !== undefined;

/** What is kept, and what only this page knows behind what was done before it. */
function withThose<T extends Outgoing>(rows: readonly T[], known: readonly T[], onlyHere: (item: T) => boolean): T[] {
  const all = [...rows];
  known.forEach((item, i) => {
    if (!onlyHere(item)) return;
    const before = known.slice(0, i).map(({ id }) => id);
    all.splice(all.findLastIndex(({ id }) => before.includes(id)) + 1, 0, item);
  });
  return all;
}

export const outbox = createSlice({
  name: 'outbox',
  initialState: {
    waiting: [],
    refused: [],
    online: true,
    writing: [],
    unkept: [],
    onPaper: [],
    trouble: {},
  } as OutboxState,
  reducers: {
    queued: (state, { payload }: PayloadAction<Outgoing>) => {
      state.waiting.push(payload);
      state.writing.push(payload.id);
    },
    kept: (state, { payload: id }: PayloadAction<string>) => {
      state.writing = but(state.writing, id);
    },
    notKept: (state, { payload: id }: PayloadAction<string>) => {
      state.writing = but(state.writing, id);
      state.unkept.push(id);
    },
    notedOnPaper: (state) => {
      state.onPaper = [...state.unkept];
    },
    /** What is in the database now, of all tabs; what it could not take is known here alone. */
    restored: (state, { payload: rows }: PayloadAction<Row[]>) => {
      const there = new Set(rows.map(({ id }) => id));
      const onlyHere = ({ id }: Outgoing) =>
        !there.has(id) && (state.writing.includes(id) || state.unkept.includes(id));
      state.waiting = withThose(
        rows.filter((row) => !isRefused(row)),
        state.waiting,
        onlyHere,
      );
      state.refused = withThose(rows.filter(isRefused), state.refused, onlyHere);
      state.unkept = state.unkept.filter((id) => !there.has(id));
    },
    sent: (state, { payload: id }: PayloadAction<string>) => {
      state.waiting = state.waiting.filter((each) => each.id !== id);
      state.unkept = but(state.unkept, id);
      state.trouble = without(state.trouble, id);
      state.online = true;
    },
    refused: (state, action: PayloadAction<{ id: string; why: string }>) => {
      const { id, why } = action.payload;
      const item = state.waiting.find((each) => each.id === id);
      state.waiting = state.waiting.filter((each) => each.id !== id);
      state.trouble = without(state.trouble, id);
      state.online = true;
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
      const { why: _, aside: __, saved: ___, ...again } = item;
      state.waiting.push(again);
    },
    /** Read, put aside, saved as a file. */
    refusedChanged: (state, { payload }: PayloadAction<{ id: string; to: Pick<Refused, 'aside' | 'saved'> }>) => {
      state.refused = state.refused.map((each) => (each.id === payload.id ? { ...each, ...payload.to } : each));
    },
    removed: (state, { payload: id }: PayloadAction<string>) => {
      state.refused = state.refused.filter((each) => each.id !== id);
      state.unkept = but(state.unkept, id);
    },
  },
});
export const {
  queued,
  kept,
  notKept,
  notedOnPaper,
  restored,
  sent,
  refused,
  troubled,
  unreachable,
  retried,
  refusedChanged,
  removed,
} = outbox.actions;

/** Whether the next exposure waits: the last is being written, or could not be and nobody has written it down. */
export const mustNote = ({ unkept, onPaper }: OutboxState): boolean => unkept.some((id) => !onPaper.includes(id));

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
