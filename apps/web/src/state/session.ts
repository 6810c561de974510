/** The exam in hand: its plan, what was ticked, what was exposed. Kept across reloads; shared by the tabs of a device. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import {
  askedWay,
  NO_CLOCKS,
  noAnswers,
  type Answer,
  type Answers,
  type Begun,
  type HouseRules,
  type Overrides,
  type PatientInput,
  type Planned,
  type RoomState,
  type SetupRequest,
  type Situation,
  type Timings,
} from '@taktik/core';
import { load } from './storage';

export type { Planned };
export type NoteDraft = { note: string; labels: string[] };
export const NO_NOTE: NoteDraft = { note: '', labels: [] };
/** A picture that is taken again: why, and what is done and set otherwise. */
export type RepeatOf = { exposureId: string; cause: string; correction?: string; overrides?: Overrides };
export type Session = {
  orderId: string;
  examId: string;
  /** Who began or took up the exam on this device: an exposure after the session has ended is theirs. */
  by: string;
  exam: string;
  initials: string;
  plan: Planned[];
  patient: PatientInput;
  situation: Partial<Situation>;
  roomId: string;
  /** Rules of the house that are another choice for this exam. */
  rules: Partial<HouseRules>;
  /** Ids of ticked steps by position in the plan. */
  ticks: Record<number, string[]>;
  /** Exposure ids by position in the plan. */
  exposed: Record<number, string>;
  /** What was asked for at the last exposure, to tell what changes. */
  last: SetupRequest | null;
  /** Where everything stood in the room after it; null where that is not known. */
  state: RoomState | null;
  /** Version of the order's plan that this one is. */
  planVersion: number;
  answers: Answers;
  /** Ticked lines of the room check, of what must come off, and of the finish. */
  checked: string[];
  /** Pictures that are repeated, by position in the plan. */
  repeats: Record<number, RepeatOf[]>;
  /** Clocks that run, each as the moment at which it began. */
  clocks: Begun;
  /** Those that have rung. */
  rung: string[];
  /** How pictures were timed, by exposure id. */
  timings: Record<string, Timings>;
  /** Notes for the reader as they are being written, by exposure id. */
  notes: Record<string, NoteDraft>;
  /** Pictures that were looked at and accepted, by exposure id. */
  accepted: string[];
};

/** What an exam that has just begun has not yet. */
export const freshSession = {
  by: 'not signed in',
  ticks: {},
  exposed: {},
  last: null,
  state: null,
  planVersion: 1,
  answers: noAnswers,
  checked: [],
  rules: {},
  repeats: {},
  clocks: NO_CLOCKS,
  rung: [],
  timings: {},
  notes: {},
  accepted: [],
} satisfies Partial<Session>;

/** A session as an older version of the app kept it, made whole. */
export const whole = (kept: Session | null | undefined): Session | null => (kept ? { ...freshSession, ...kept } : null);

const samePlanned = (a: Planned, b: Planned): boolean =>
  a.projectionId === b.projectionId && a.side === b.side && a.way === b.way;

/** Where each place of the old plan is in the new one; a projection that is planned twice keeps its turn. */
function positionsIn(before: readonly Planned[], after: readonly Planned[]): (number | undefined)[] {
  const taken = new Set<number>();
  return before.map((planned) => {
    const place = after.findIndex((each, i) => !taken.has(i) && samePlanned(each, planned));
    if (place < 0) return undefined;
    taken.add(place);
    return place;
  });
}

function moved<T>(record: Record<number, T>, positions: readonly (number | undefined)[]): Record<number, T> {
  return Object.fromEntries(
    Object.entries(record).flatMap(([from, value]): [number, T][] => {
      const to = positions[Number(from)];
      return to === undefined ? [] : [[to, value]];
    }),
  );
}

export const session = createSlice({
  name: 'session',
  initialState: (): { current: Session | null } => ({ current: whole(load<Session>('session')) }),
  reducers: {
    begun: (state, action: PayloadAction<Session>) => {
      state.current = action.payload;
    },
    /** Another tab of this device went on with the exam. */
    adopted: (state, action: PayloadAction<Session | null>) => {
      state.current = whole(action.payload);
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
    exposed: (
      { current },
      action: PayloadAction<{
        index: number;
        exposureId: string;
        request: SetupRequest;
        state: RoomState | null;
        timings?: Timings;
      }>,
    ) => {
      if (!current) return;
      current.exposed[action.payload.index] = action.payload.exposureId;
      if (action.payload.timings) current.timings[action.payload.exposureId] = action.payload.timings;
      current.last = action.payload.request;
      current.state = action.payload.state;
    },
    /** Another order of the plan, or other projections: ticks and exposures go with theirs. */
    replanned: ({ current }, action: PayloadAction<{ plan: Planned[]; version: number }>) => {
      if (!current) return;
      const { plan, version } = action.payload;
      const positions = positionsIn(current.plan, plan);
      current.ticks = moved(current.ticks, positions);
      current.exposed = moved(current.exposed, positions);
      current.repeats = moved(current.repeats, positions);
      current.clocks = { ...current.clocks, settle: moved({ ...current.clocks.settle }, positions) };
      current.plan = plan;
      current.planVersion = version;
    },
    answered: ({ current }, { payload }: PayloadAction<{ id: string; answer?: Answer; decision?: string }>) => {
      if (!current) return;
      if (payload.answer) current.answers.given[payload.id] = payload.answer;
      if (payload.decision !== undefined) current.answers.decisions[payload.id] = payload.decision;
    },
    checkedOff: ({ current }, { payload: id }: PayloadAction<string>) => {
      if (current)
        current.checked = current.checked.includes(id)
          ? current.checked.filter((each) => each !== id)
          : [...current.checked, id];
    },
    acceptedPicture: ({ current }, { payload: exposureId }: PayloadAction<string>) => {
      if (current && !current.accepted.includes(exposureId)) current.accepted.push(exposureId);
    },
    /** The picture is taken again: what was exposed stays in the record. */
    repeated: ({ current }, { payload }: PayloadAction<{ index: number } & RepeatOf>) => {
      if (!current) return;
      const { index, ...repeat } = payload;
      current.repeats[index] = [...(current.repeats[index] ?? []), repeat];
      if (current.exposed[index] === repeat.exposureId) delete current.exposed[index];
      current.ticks[index] = [];
    },
    /** A wait in the position begins. */
    settling: {
      prepare: (index: number) => ({ payload: { index, at: Date.now() } }),
      reducer: ({ current }, { payload: { index, at } }: PayloadAction<{ index: number; at: number }>) => {
        if (!current) return;
        current.clocks = { ...current.clocks, settle: { ...current.clocks.settle, [index]: at } };
        current.rung = current.rung.filter((key) => key !== `settle-${index}`);
      },
    },
    /** The wait of a position is taken back. */
    stopped: ({ current }, { payload: index }: PayloadAction<number>) => {
      if (!current) return;
      const { [index]: _, ...others } = current.clocks.settle;
      current.clocks = { ...current.clocks, settle: others };
    },
    contrastBegun: {
      prepare: () => ({ payload: Date.now() }),
      reducer: ({ current }, { payload: at }: PayloadAction<number>) => {
        if (!current) return;
        current.clocks = { ...current.clocks, contrastAt: at };
        current.rung = current.rung.filter((key) => !key.startsWith('contrast'));
      },
    },
    clockRang: ({ current }, { payload: key }: PayloadAction<string>) => {
      if (current && !current.rung.includes(key)) current.rung.push(key);
    },
    /** A rule of the house is another choice for this exam, or again that of the house. */
    ruledOtherwise: ({ current }, { payload }: PayloadAction<Partial<HouseRules>>) => {
      if (current) current.rules = payload;
    },
    /** What is written for the reader is kept letter by letter. */
    noted: ({ current }, { payload }: PayloadAction<{ exposureId: string } & NoteDraft>) => {
      const { exposureId, ...draft } = payload;
      if (current) current.notes[exposureId] = draft;
    },
    /** Exposures of this exam that another device made. */
    exposedElsewhere: ({ current }, { payload }: PayloadAction<Record<number, string>>) => {
      if (!current) return;
      for (const [index, exposureId] of Object.entries(payload))
        if (current.exposed[Number(index)] === undefined) current.exposed[Number(index)] = exposureId;
    },
    ended: (state) => {
      state.current = null;
    },
  },
});
export const {
  begun,
  adopted,
  ticked,
  patientChanged,
  exposed,
  replanned,
  answered,
  checkedOff,
  acceptedPicture,
  repeated,
  noted,
  settling,
  stopped,
  contrastBegun,
  clockRang,
  ruledOtherwise,
  exposedElsewhere,
  ended,
} = session.actions;

/**
 * The place in the plan of what is asked: the one that it names where that fits, else done in the same way, else in any
 * other. A view that is planned twice has two places.
 */
export function placeOf(plan: readonly Planned[], asked: Planned & { place?: number }): number {
  const fits = (planned: Planned | undefined) =>
    planned !== undefined &&
    planned.projectionId === asked.projectionId &&
    (planned.side === undefined || planned.side === asked.side);
  if (asked.place !== undefined && fits(plan[asked.place])) return asked.place;
  const exact = plan.findIndex((planned) => fits(planned) && planned.way === asked.way);
  return exact >= 0 ? exact : plan.findIndex(fits);
}

/** Exposures on the server that this device does not know, by the place of their projection in the plan. */
export function unknownHere(
  session: Pick<Session, 'plan' | 'exposed' | 'repeats'>,
  rows: readonly {
    id: string;
    projectionId: string;
    side: 'left' | 'right' | null;
    digit: number | null;
    verdict: string | null;
  }[],
): Record<number, string> {
  const known = new Set([
    ...Object.values(session.exposed),
    ...Object.values(session.repeats).flatMap((list) => list.map(({ exposureId }) => exposureId)),
  ]);
  const found: Record<number, string> = {};
  for (const row of rows) {
    if (known.has(row.id) || row.verdict === 'repeat') continue;
    const place = session.plan.findIndex(
      ({ projectionId, side, way }, i) =>
        session.exposed[i] === undefined &&
        found[i] === undefined &&
        projectionId === row.projectionId &&
        [undefined, row.digit].includes(askedWay(way).digit) &&
        (side === undefined || side === row.side),
    );
    if (place >= 0) found[place] = row.id;
  }
  return found;
}
