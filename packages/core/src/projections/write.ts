/** Short words in which the regions are written down. Each returns plain data of the schema. */
import { inches } from '../quantity/length';
import type { CoverSource, ProjectionSource, StepGroup, Toward, PositioningSource } from './schema';
import type { Region, View } from './vocabulary';

export const SOURCE = 'general teaching of radiographic positioning';

type Offsets = readonly (readonly [Toward, number])[];
const offsets = (from: Offsets) => from.map(([toward, mm]) => ({ toward, mm }));

/** Course of the ray; without an angle it falls straight. */
export const ray = (
  view: View,
  angleDeg = 0,
  toward: 'head' | 'feet' = 'head',
  rangeDeg: [number, number] = [angleDeg, angleDeg],
): ProjectionSource['ray'] => ({ view, angleDeg, toward, rangeDeg });

/** The same, the part turned so that the far end of the ray swings toward a side. */
export const swung = (base: ProjectionSource['ray'], ...swing: [Toward, number][]): ProjectionSource['ray'] => ({
  ...base,
  swing: swing.map(([toward, degrees]) => ({ toward, degrees })),
});

type AimOptions = {
  from?: Offsets;
  point?: 'enter' | 'through' | 'exit';
  checkBy?: string[];
  reaches?: string;
  withinMm?: number;
  /** As it is taught for an adult, in the words of a tape. */
  taught?: string;
  /** The same as a place on the skin, to be held against where the ray enters. */
  taughtAt?: [string | [string, string], [Toward, number][]];
  /** Only the level of it counts: the part is turned, or the ray goes through a depth. */
  level?: boolean;
  /** Why the two may lie apart. */
  settled?: string;
};
const aimRest = (
  { from = [], point = 'enter', checkBy = [], reaches, withinMm = 20, taught, taughtAt, level, settled }: AimOptions,
  line: string,
) => ({
  offset: offsets(from),
  point,
  line,
  checkBy,
  ...(reaches && { reaches: { structure: reaches, withinMm } }),
  ...(taught && { taught }),
  ...(taughtAt && {
    taughtAt: {
      marks: [taughtAt[0]].flat(),
      offset: offsets(taughtAt[1]),
      ...(level && { level }),
      ...(settled && { settled }),
    },
  }),
});
/** Aim at a landmark, or the middle of a structure. */
export const at = (landmark: string, line: string, options: AimOptions = {}): ProjectionSource['aim'] => ({
  landmark,
  ...aimRest(options, line),
});
/** Aim between two of them. */
export const amid = (a: string, b: string, line: string, options: AimOptions = {}): ProjectionSource['aim'] => ({
  between: [a, b],
  ...aimRest(options, line),
});

type Axis = 'along' | 'across' | 'both';
/** A landmark that must be in the picture. */
export const point = (
  landmark: string,
  name: string,
  marginMm = 10,
  axis: Axis = 'both',
  from: Offsets = [],
): CoverSource => ({ landmark, name, marginMm, axis, offset: offsets(from) });
/** All of a structure that must be in the picture. */
export const all = (structure: string, name: string, marginMm = 10, axis: Axis = 'both'): CoverSource => ({
  structure,
  name,
  marginMm,
  axis,
});
/** A structure of both sides. */
export const pair = (structure: string, name: string, marginMm = 10, axis: Axis = 'both'): CoverSource[] => [
  all(`${structure}_L`, `left ${name}`, marginMm, axis),
  all(`${structure}_R`, `right ${name}`, marginMm, axis),
];
export const positioning = (
  body: PositioningSource['body'],
  holders: PositioningSource['holders'],
  contact: string[],
  say: string,
  more: Partial<PositioningSource> = {},
): PositioningSource => ({ body, holders, contact, say, ...more });

export const usual = (
  size: string,
  orientation: 'lengthwise' | 'crosswise' = 'lengthwise',
  more: { note?: string; differs?: string } = {},
): ProjectionSource['receptor'] => ({ usual: size, orientation, ...more });

type Technique = {
  /** Ratio of the grid that the chart's mAs is for; 0 without. */
  grid?: number;
  sid?: number;
  without?: number;
  thin?: number;
  range?: number;
  composition?: number;
  cells?: ProjectionSource['exposure']['aecCells'];
  focus?: 'small' | 'large';
  long?: boolean;
};
/** @param sid inches; @param range kVp either way */
export const technique = (
  kVp: number,
  mAs: number,
  thicknessMm: number,
  fieldMm: [number, number],
  {
    grid = 0,
    sid = 40,
    without = kVp,
    thin = Math.min(without, 66),
    range = 6,
    composition = 1.1,
    cells = grid > 0 ? 'centre' : 'none',
    focus = grid > 0 && thicknessMm > 160 ? 'large' : 'small',
    long = false,
  }: Technique = {},
): ProjectionSource['exposure'] => ({
  kVp,
  kVpRange: [Math.max(40, kVp - range), Math.min(150, kVp + range)],
  kVpNoGrid: without,
  kVpThin: thin,
  chart: { mAs, thicknessMm, sidMm: inches(sid), gridRatio: grid, kVp, fieldMm },
  composition,
  aecCells: cells,
  focalSpot: focus,
  longExposure: long,
});

/** @param standard inches; without a range it may be a fifth longer */
export const sid = (standard: number, low = standard, high = Math.round(standard * 1.2)): ProjectionSource['sid'] => ({
  wantedMm: inches(standard),
  rangeMm: [inches(low), inches(high)],
});

export const steps = (group: StepGroup, ...texts: string[]): ProjectionSource['steps'] =>
  texts.map((text) => ({ group, text }));
/** How a position is asked for: the base, and what is peculiar to the view where there is something. */
export const asked = (base: string, say: string): string => (say === '' ? base : `${base}, ${say}`);

/** Steps that set the head: left out where the neck must stay. */
export const ofTheHead = (...texts: string[]): ProjectionSource['steps'] =>
  texts.map((text) => ({ group: 'position' as const, text, setsHead: true }));
/** Steps that would hurt a broken part. */
export const careful = (...texts: string[]): ProjectionSource['steps'] =>
  texts.map((text) => ({ group: 'position' as const, text, unlessInjured: true }));

export const fault = (
  id: string,
  sign: string,
  cause: string,
  correction: string,
  measuredBy?: ProjectionSource['faults'][number]['measuredBy'],
): ProjectionSource['faults'][number] => ({ id, sign, cause, correction, ...(measuredBy && { measuredBy }) });

type Protection = ProjectionSource['protection'][number];
/** Lead that is worn or laid on. */
export const lead = (text: string): Protection => ({ text, lead: true });
/** The same where the local code asks for it. */
export const leadIfAsked = (text: string): Protection => ({ text, lead: true, ifAsked: true });
/** Protection by keeping out of the light. */
export const away = (text: string): Protection => ({ text });

export const lost = (projection: string, loses: string) => ({ projection, loses });
/** The same of a view from the side where one from in front is asked, or the other way about. */
export const lostAspect = (projection: string, loses: string) => ({ projection, loses, atRightAngle: true });

const grave = (
  when: 'spineNotCleared' | 'fractureSuspected' | 'pregnancyPossible',
  text: string,
  group: StepGroup = 'position',
) => ({ text, grave: true, when, group });
export const neverMove = grave('spineNotCleared', 'Spine not cleared: nobody rolls or lifts this patient.');
export const neverForce = grave(
  'fractureSuspected',
  'A limb with a suspected fracture is not rotated, flexed or pulled straight.',
);
/** Of hand and foot, which are laid by the patient. */
export const laidByPatient = grave(
  'fractureSuspected',
  'With a suspected fracture the patient places the part unaided, as far as it goes; tube and receptor do the rest.',
);
export const hipStays = grave('fractureSuspected', 'A leg with a suspected hip fracture is not rotated.');
export const askFirst = grave('pregnancyPossible', 'Pregnancy possible: stop and follow local policy.', 'patient');

type Defaulted = 'sided' | 'grid' | 'sid' | 'breathing' | 'marker' | 'protection' | 'remove' | 'prepare' | 'steps';
type Defaults = Pick<ProjectionSource, Defaulted | 'cautions'>;
type Written = Omit<ProjectionSource, Defaulted | 'region' | 'confidence' | 'sources' | 'faults'> &
  Partial<Pick<ProjectionSource, Defaulted | 'confidence' | 'faults'>>;

/** An author for one region: what all its entries share is said once; cautions of an entry add to the shared ones. */
export const author =
  (region: Region, shared: Defaults) =>
  (own: Written): ProjectionSource => ({
    confidence: 'taught',
    sources: [SOURCE],
    faults: [],
    ...shared,
    region,
    ...own,
    cautions: [...(own.cautions ?? []), ...(shared.cautions ?? [])],
  });
