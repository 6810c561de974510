/** Who is signed in on this device. The session itself is a cookie that no script reads; this is the name to it. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Person, Role } from '@taktik/contracts';
import { load } from './storage';

export type { Person, Role };
export type WhoState = {
  person: Person | null;
  /** Why nobody is signed in any more, for the sign-in screen. */
  ended: string;
};

export const who = createSlice({
  name: 'who',
  initialState: (): WhoState => ({ person: load<Person>('who') ?? null, ended: '' }),
  reducers: {
    signedIn: (_, action: PayloadAction<Person>): WhoState => ({ person: action.payload, ended: '' }),
    signedOut: (state, action: PayloadAction<string>): WhoState =>
      state.person === null ? state : { person: null, ended: action.payload },
  },
});
export const { signedIn, signedOut } = who.actions;
