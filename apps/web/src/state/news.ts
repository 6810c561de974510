/** What a lead has changed while this device was open: rules, rooms, department and own entries are followed. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Versions } from './api';

/** @property mine the next change was made on this device: who made it needs no telling */
export type NewsState = { seen: Versions | null; text: string | null; mine: boolean };

const CHANGES = [
  'putDepartment',
  'changeRoom',
  'importRoom',
  'importChart',
  'putRules',
  'putOwn',
  'deleteOwn',
  'importOwn',
];
type Answered = { type: string; payload: unknown; meta: { arg: { endpointName: string } } };
/** An answer of the server, to a question or to a change. */
const answered = (action: { type: string }): action is Answered => /^api\/execute\w+\/fulfilled$/.test(action.type);

const by = (name: string | null): string => (name === null ? '' : ` by ${name}`);
const differs = (a: Record<string, number>, b: Record<string, number>): boolean =>
  Object.keys({ ...a, ...b }).some((id) => a[id] !== b[id]);

/** In words, what is another version now; empty for nothing. */
export function changesOf(before: Versions, now: Versions): string {
  const said = [
    ...(now.rules !== before.rules ? [`the house rules were changed${by(now.changedBy.rules)}`] : []),
    ...(now.department !== before.department ? [`the department was changed${by(now.changedBy.department)}`] : []),
    ...(differs(before.rooms, now.rooms) ? ['a room or its technique chart was changed'] : []),
    ...(now.own !== before.own ? ['own projections were changed'] : []),
  ];
  if (said.length === 0) return '';
  const text = `${said.join('; ')}: all numbers follow.`;
  return text.charAt(0).toUpperCase() + text.slice(1);
}

export const news = createSlice({
  name: 'news',
  initialState: (): NewsState => ({ seen: null, text: null, mine: false }),
  reducers: {
    versionsSeen: (state, { payload }: PayloadAction<Versions>) => {
      const said = state.seen === null || state.mine ? '' : changesOf(state.seen, payload);
      state.seen = payload;
      state.mine = false;
      if (said !== '') state.text = said;
    },
    newsRead: (state) => {
      state.text = null;
    },
  },
  extraReducers: (build) =>
    build.addMatcher(answered, (state, { meta, payload }) => {
      const { endpointName } = meta.arg;
      if (CHANGES.includes(endpointName)) state.mine = true;
      // Saved as it was: the next change is somebody else's.
      else if (endpointName === 'versions' && JSON.stringify(payload) === JSON.stringify(state.seen))
        state.mine = false;
    }),
});
export const { versionsSeen, newsRead } = news.actions;
