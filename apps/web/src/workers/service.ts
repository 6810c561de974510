/** What the worker offers. Plain functions round the core, so that tests call them directly. */
import {
  aecCoverOf,
  ROOM_ONE,
  techniqueCurveOf,
  type AecCover,
  type TechniqueCurve,
  arrange,
  changesBetween,
  computeSetup,
  judge as verdictOn,
  drawMannequin,
  drawStage,
  mannequinKey,
  planSeries,
  readSeen,
  projectionOf,
  roomCheckFor,
  setupRequestSchema,
  schoolsOf,
  summarizeSeries,
  summaryOf,
  takeOffFor,
  thickThinOf,
  touchMap,
  askedText,
  entryOf,
  whatIf,
  askedWay,
  formOf,
  uprightWay,
  wayOfForm,
  waysAnswer,
  withDefaults,
  type Change,
  type CheckStep,
  type DrawingBox,
  type Forbidden,
  type NoWay,
  type Instead,
  type LengthUnit,
  roomLines,
  type RoomState,
  type SeriesEffort,
  type SeriesRequest,
  type Mannequin2d,
  type OtherWay,
  type Planned,
  type SeriesSummary,
  type Setup,
  type SetupRequest,
  type StageDrawing,
  type SchoolsOfRule,
  type DrawnLook,
  type StageLook,
  type SummaryLine,
  type TakeOff,
  type ThickThin,
  type WhatIfLine,
  type WayPrices,
} from '@taktik/core';
import { castSlice, correction, develop, faultChoices, judge, repeat, repeatChoices, smallPicture } from './rehearsal';

export type StageView = { drawing: StageDrawing; mannequin: Mannequin2d };
export type ComputeInput = {
  request: SetupRequest;
  before: SetupRequest | null;
  /** Where everything stood in the room after the last exposure. */
  state: RoomState | null;
  aspects: Partial<Record<StageLook, number>>;
};
export type FieldError = { field: string; message: string };
export type ComputeOutput =
  | {
      ok: true;
      setup: Setup;
      /** Patient and situation do not bar it; where they do, what serves in its place. */
      allowed: boolean;
      instead: Instead[];
      changes: Change[];
      /** Where this set-up leaves everything in the room, and that in words. */
      state: RoomState;
      stands: string[];
      drawings: Partial<Record<StageLook, StageDrawing>>;
      unit: LengthUnit;
    }
  | { ok: false; errors: FieldError[] };
export type FindRow = {
  projectionId: string;
  name: string;
  region: string;
  shows: string;
  setup: Setup | null;
  stage: StageView | null;
  error: string;
};

/** Drawings are kept by what they depend on; this many of them. */
const CACHE_SIZE = 80;
const cache = new Map<string, Mannequin2d>();

/** Drawn apart from the numbers, which never wait for it. */
function mannequin(setup: Setup, look: DrawnLook, box: DrawingBox, small = false): Mannequin2d {
  const key = mannequinKey(setup, look, box) + String(small);
  const known = cache.get(key);
  if (known) {
    cache.delete(key);
    cache.set(key, known);
    return known;
  }
  const drawn = drawMannequin(setup, look, box, small);
  cache.set(key, drawn);
  if (cache.size > CACHE_SIZE) cache.delete(cache.keys().next().value as string);
  return drawn;
}

const THUMB_ASPECT = 0.9;

/** A thumb-size stage from the side. */
function thumbOf(setup: Setup): StageView {
  const drawing = drawStage(setup, 'side', THUMB_ASPECT);
  return { drawing, mannequin: mannequin(setup, 'side', drawing.box, true) };
}

/** Of a card that is about so wide as high: the patient fills it. */
const CARD_ASPECT = 1.9;
function cardOf(setup: Setup): StageView {
  const drawing = drawStage(setup, 'card', CARD_ASPECT);
  return { drawing, mannequin: mannequin(setup, 'card', drawing.box, true) };
}

function errorsOf(error: unknown): FieldError[] {
  if (error instanceof RangeError) return [{ field: '', message: error.message }];
  throw error;
}

function verdictView(request: SetupRequest, setup: Setup): { allowed: boolean; instead: Instead[] } {
  const { allowed, instead } = verdictOn(request, setup);
  return { allowed, instead };
}

function compute({ request, before, state, aspects }: ComputeInput): ComputeOutput {
  const parsed = setupRequestSchema.safeParse(request);
  if (!parsed.success)
    return {
      ok: false,
      errors: parsed.error.issues.map((issue) => ({ field: issue.path.join('.'), message: issue.message })),
    };
  try {
    const setup = computeSetup(parsed.data);
    const { unit } = withDefaults(parsed.data.rules);
    const room = parsed.data.room ?? ROOM_ONE;
    const arranged = arrange(state, setup, room);
    const drawings: Partial<Record<StageLook, StageDrawing>> = {};
    for (const look of Object.keys(aspects) as StageLook[])
      drawings[look] = drawStage(setup, look, aspects[look] as number);
    return {
      ok: true,
      setup,
      ...verdictView(parsed.data, setup),
      changes: changesBetween(before ? computeSetup(before) : null, setup, unit, { room, state }),
      state: arranged.state,
      stands: roomLines(arranged, setup, room, unit).map(({ text }) => text),
      drawings,
      unit,
    };
  } catch (error) {
    return { ok: false, errors: errorsOf(error) };
  }
}

/** One projection with its set-up for the patient in hand, for lists. Sided ones are shown for the side given, else the right. */
function row(projectionId: string, base: Omit<SetupRequest, 'projectionId'>): FindRow {
  const projection = base.own ?? projectionOf(projectionId);
  const { name, region, shows } = projection;
  const found = { projectionId, name, region, shows };
  try {
    const setup = computeSetup({
      ...base,
      projectionId,
      side: projection.sided === 'each' ? (base.side ?? 'right') : undefined,
    });
    return { ...found, setup, stage: thumbOf(setup), error: '' };
  } catch (error) {
    return { ...found, setup: null, stage: null, error: errorsOf(error)[0].message };
  }
}

/** Set-up and both looks of one projection, for pages and for print; null where the patient is outside the model. */
function page(
  request: SetupRequest,
  aspect: number,
): { setup: Setup; looks: Record<StageLook, StageView> } | { error: string } {
  try {
    const setup = computeSetup(request);
    const look = (name: StageLook): StageView => {
      const drawing = drawStage(setup, name, aspect);
      return { drawing, mannequin: mannequin(setup, name, drawing.box) };
    };
    return { setup, looks: { side: look('side'), ray: look('ray') } };
  } catch (error) {
    return { error: errorsOf(error)[0].message };
  }
}

export type PlannedStep = {
  item: number;
  name: string;
  /** How the patient is positioned for it. */
  position: string;
  points: number;
  turn: boolean;
  /** Pictures of it, and what they cost in dose. */
  exposures: number;
  dose: Setup['dose'];
  /** What costs the points, in words. */
  costs: string[];
  changes: string[];
};
export type PlanView =
  | { error: string }
  | {
      order: number[];
      steps: PlannedStep[];
      effort: SeriesEffort;
      asGiven: SeriesEffort;
      says: string;
      least: boolean;
      /** What wishes cost, and which could not be met; null without wishes. */
      wished: { points: number; turns: number; refused: string[] } | null;
      broken: string[];
      constraints: string[];
      barred: { item: number; why: string }[];
      bring: string[];
      roomCheck: CheckStep[];
      takeOff: TakeOff[];
    };

/** A planned series without its set-ups, which the screen does not need. */
function plan(request: SeriesRequest): PlanView {
  try {
    const { steps, constraints, ...rest } = planSeries(request);
    const setups = steps.map(({ setup }) => setup);
    const { unit } = withDefaults(request.rules);
    return {
      ...rest,
      steps: steps.map(({ item, setup, points, turn, priced, changes }) => ({
        item,
        name: setup.name,
        position: setup.position.say,
        exposures: setup.receptor.exposures,
        dose: setup.dose,
        points,
        turn,
        costs: priced.map(({ title, points: each }) => `${title}: ${each}`),
        changes: changes.map(({ text }) => text),
      })),
      constraints: [...new Set(constraints.map(({ why }) => why))],
      bring: summarizeSeries(setups).bring,
      roomCheck: setups.length > 0 ? roomCheckFor(setups[0], unit) : [],
      takeOff: takeOffFor(setups),
    };
  } catch (error) {
    return { error: errorsOf(error)[0].message };
  }
}

export type WayView = Omit<OtherWay, 'second' | 'request' | 'secondRequest'> & {
  /** What it puts into a plan: one projection, or both halves of a joint. */
  planned: Planned[];
  stage: StageView;
};
export type WaysView = { ways: WayView[]; forbidden: Forbidden | null; noWay: NoWay | null } | { error: string };

const plannedAs = ({ projectionId, side, digit, way, overrides }: OtherWay['request']): Planned => {
  const text = askedText({ digit, way, overrides: overrides?.position && { position: overrides.position } });
  return { projectionId, ...(side ? { side } : {}), ...(text ? { way: text } : {}) };
};

/** What a named form puts into a plan for this patient; null where there is no such way. */
function form(id: string, request: Omit<SetupRequest, 'projectionId'>): Planned | null {
  const asked = formOf(id);
  const found = asked && wayOfForm(asked, request);
  return found ? plannedAs(found.request) : null;
}

/** A row of a plan done upright: what it becomes, null where it stays, and why. */
export type UprightRow = { planned: Planned | null; says: string };

/** Each view of a plan upright, where this patient and this room let it be. */
function upright(plan: readonly Planned[], request: Omit<SetupRequest, 'projectionId'>): UprightRow[] {
  return plan.map(({ projectionId, side, way }) => {
    const { digit, ...asked } = askedWay(way);
    try {
      const found = uprightWay({ ...request, projectionId, side, ...(digit === undefined ? {} : { digit }), ...asked });
      if (found.as === 'is') return { planned: null, says: 'upright as it is' };
      if (found.as === 'none')
        return { planned: null, says: 'no way upright for this patient in this room: it stays as it is' };
      const costs = found.way.costs.map(({ text }) => text);
      const { position, situation } = found.way.setup;
      // A stand serves who sits before it, too.
      const how = situation.canStand ? position.body : 'seated';
      const { side: _of, ...done } = plannedAs({ ...found.way.request, digit });
      return {
        planned: { ...done, ...(side ? { side } : {}) },
        says: `${how}${costs.length > 0 ? `: ${costs.join('; ')}` : ', at no cost'}`,
      };
    } catch (error) {
      return { planned: null, says: errorsOf(error)[0]!.message };
    }
  });
}

/** The page of a named form in this room, for the patient of whom it is asked. */
function formPage(id: string, request: Omit<SetupRequest, 'projectionId'>, aspect: number): ReturnType<typeof page> {
  const asked = formOf(id);
  const found = asked && wayOfForm(asked, request);
  if (!asked || !found) return { error: 'This room has no such way' };
  return page({ ...request, ...found.request, situation: { ...request.situation, ...asked.situation } }, aspect);
}

/** The other ways, each with its drawing. */
function ways(request: SetupRequest, prices?: Partial<WayPrices>): WaysView {
  try {
    const answer = waysAnswer(request, prices);
    return {
      ...answer,
      ways: answer.ways.map(({ second, request: asked, secondRequest, ...way }) => ({
        ...way,
        planned: [asked, ...(secondRequest ? [secondRequest] : [])].map(plannedAs),
        stage: cardOf(way.setup),
      })),
    };
  } catch (error) {
    return { error: errorsOf(error)[0].message };
  }
}

export type TechniqueView = {
  /** What was pulled by hand against the set-up without it; none where nothing was. */
  lines: WhatIfLine[];
  ends: ThickThin | null;
  cover: AecCover | null;
  curve: TechniqueCurve | null;
};

/** What the changes by hand do to the technique, and how far the ends of the part lie apart. */
function technique(request: SetupRequest): TechniqueView {
  const { position, ...pulled } = request.overrides ?? {};
  const asComputed = { ...request, overrides: position ? { position } : undefined };
  const setup = computeSetup(request);
  const room = request.room ?? ROOM_ONE;
  return {
    lines: Object.keys(pulled).length > 0 ? whatIf(asComputed, pulled) : [],
    ends: thickThinOf(setup, withDefaults(request.rules).unit, request.own),
    cover: aecCoverOf(setup, room, request.own),
    curve: techniqueCurveOf(setup, entryOf(request), room.generator),
  };
}

/** Sums up planned series, one for each list of requests; null where the patient is outside the model. */
function summarize(series: readonly SetupRequest[][]): (SeriesSummary | null)[] {
  return series.map((requests) => {
    try {
      return summarizeSeries(requests.map((request) => computeSetup(request)));
    } catch (error) {
      errorsOf(error);
      return null;
    }
  });
}

/** Both set-ups of a comparison, in lines; with what is wrong instead where one cannot be computed. */
function lines(requests: readonly SetupRequest[]): ({ name: string; lines: SummaryLine[] } | { error: string })[] {
  return requests.map((request) => {
    try {
      const setup = computeSetup(request);
      return { name: setup.name, lines: summaryOf(setup, withDefaults(request.rules).unit) };
    } catch (error) {
      return { error: errorsOf(error)[0].message };
    }
  });
}

/** The schools with their numbers; none where the patient is outside the model. */
function schools(request: SetupRequest): SchoolsOfRule[] {
  try {
    return schoolsOf(request);
  } catch (error) {
    errorsOf(error);
    return [];
  }
}

/** What was typed of what is seen, against the set-up as it stands; nothing where that cannot be computed. */
function seen(request: SetupRequest, text: string): ReturnType<typeof readSeen> | null {
  try {
    const { unit } = withDefaults(request.rules);
    const setup = computeSetup(request);
    const at = {
      setup,
      entry: entryOf(request),
      patient: request.patient ?? {},
      pulled: request.overrides ?? {},
      unit,
    };
    return readSeen(text, at);
  } catch (error) {
    errorsOf(error);
    return null;
  }
}

export const computeService = {
  compute,
  mannequin,
  row,
  page,
  lines,
  schools,
  plan,
  ways,
  form,
  upright,
  formPage,
  technique,
  summarize,
  touchMap,
  seen,
  castSlice,
  develop,
  judge,
  faultChoices,
  correction,
  repeatChoices,
  repeat,
  smallPicture,
};
export type ComputeService = typeof computeService;
