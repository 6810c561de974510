/** The exam in hand: its plan, what was ticked, what was exposed. Kept across reloads; shared by the tabs of a device. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { PatientInput, SetupRequest, Situation } from '@taktik/core';
import { load } from '../../state/storage';

export type Planned = { projectionId: string; side?: 'left' | 'right' };
export type Session = {
  orderId: string;
  examId: string;
  exam: string;
  initials: string;
  plan: Planned[];
  patient: PatientInput;
  situation: Partial<Situation>;
  roomId: string;
  /** Ids of ticked steps by position in the plan. */
  ticks: Record<number, string[]>;
  /** Exposure ids by position in the plan. */
  exposed: Record<number, string>;
  /** What was asked for at the last exposure, to tell what changes. */
  last: SetupRequest | null;
};

export const session = createSlice({
  name: 'session',
  initialState: (): { current: Session | null } => ({ current: load<Session>('session') ?? null }),
  reducers: {
    begun: (state, action: PayloadAction<Session>) => {
      state.current = action.payload;
    },
    /** Another tab of this device went on with the exam. */
    adopted: (state, action: PayloadAction<Session | null>) => {
      state.current = action.payload;
    },
    ticked: ({ current }, action: PayloadAction<{ index: number; stepId: string }>) => {
      if (!current) return;
      const { index, stepId } = action.payload;
      const ticks = current.ticks[index] ?? [];
      current.ticks[index] = ticks.includes(stepId) ? ticks.filter((id) => id !== stepId) : [...ticks, stepId];
    },
    patientChanged: (
      { current },
      action: PayloadAction<{ patient: PatientInput; situation: Partial<Situation>; roomId: string }>,
    ) => {
      if (current) Object.assign(current, action.payload);
    },
    exposed: ({ current }, action: PayloadAction<{ index: number; exposureId: string; request: SetupRequest }>) => {
      if (!current) return;
      current.exposed[action.payload.index] = action.payload.exposureId;
      current.last = action.payload.request;
    },
    ended: (state) => {
      state.current = null;
    },
  },
});
export const { begun, adopted, ticked, patientChanged, exposed, ended } = session.actions;
