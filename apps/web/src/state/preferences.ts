/** What this person prefers on this device. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { load } from './storage';

export type Preferences = {
  theme: 'dim' | 'day' | null;
  unit: 'in' | 'cm';
  roomId: string;
  look: 'side' | 'ray';
  /** Language of the breathing words. */
  language: string;
  /** Projections kept at the top of Find. */
  pinned: string[];
  /** Opened last, newest first. */
  recent: string[];
  /** Terms of the glossary that were looked at: a student sees the others underlined. */
  termsRead: string[];
};

const MAX_RECENT = 8;

const initial: Preferences = {
  theme: null,
  unit: 'in',
  roomId: 'room-1',
  look: 'side',
  language: 'en',
  pinned: [],
  recent: [],
  termsRead: [],
};

export const preferences = createSlice({
  name: 'preferences',
  initialState: (): Preferences => ({ ...initial, ...load<Partial<Preferences>>('preferences') }),
  reducers: {
    preferred: (state, action: PayloadAction<Partial<Preferences>>) => ({ ...state, ...action.payload }),
    pinToggled: (state, { payload: id }: PayloadAction<string>) => {
      const pinned = state.pinned.includes(id) ? state.pinned.filter((each) => each !== id) : [...state.pinned, id];
      return { ...state, pinned };
    },
    termsRead: (state, { payload: ids }: PayloadAction<readonly string[]>) =>
      ids.every((id) => state.termsRead.includes(id))
        ? state
        : { ...state, termsRead: [...new Set([...state.termsRead, ...ids])] },
    opened: (state, { payload: id }: PayloadAction<string>) => ({
      ...state,
      recent: [id, ...state.recent.filter((each) => each !== id)].slice(0, MAX_RECENT),
    }),
  },
});
export const { preferred, pinToggled, opened, termsRead } = preferences.actions;
