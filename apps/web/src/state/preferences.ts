/** What this person prefers on this device. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { load } from './storage';

export type Preferences = {
  theme: 'dim' | 'day' | null;
  unit: 'in' | 'cm';
  person: string;
  roomId: string;
  look: 'side' | 'ray';
};

const initial: Preferences = { theme: null, unit: 'in', person: 'Ines Oakfield', roomId: 'room-1', look: 'side' };

export const preferences = createSlice({
  name: 'preferences',
  initialState: (): Preferences => ({ ...initial, ...load<Partial<Preferences>>('preferences') }),
  reducers: {
    preferred: (state, action: PayloadAction<Partial<Preferences>>) => ({ ...state, ...action.payload }),
  },
});
export const { preferred } = preferences.actions;

/** Who is recorded: the name, or that there was none. */
export const personOf = ({ person }: Preferences): string => person.trim() || 'not named';
