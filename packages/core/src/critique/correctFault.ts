/**
 * From a fault that is seen to its correction: the size measured on the picture gives the amount, and the same rays that
 * make the picture prove it. Source: rotation from superimposition error, solved exactly in perspective.
 */
import { markNames } from '../body/landmarkName';
import { dot, negate, subtract } from '../geometry/vector';
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import type { SignId } from '../projections/vocabulary';
import { toDegrees } from '../quantity/angle';
import { formatLength, type LengthUnit } from '../quantity/length';
import { signed } from '../quantity/signed';
import { POSITIONING_ERROR_RANGES, type PositioningError } from '../radiograph/positioningError';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import { sideView } from '../setup/placing/side';
import { isInjured, neckStays, partStays } from '../setup/verdict/kept';
import { movedTo } from '../words/names';
import { inPart, movedToSide, sideToward } from './directions';
import { centringOf, leverOf, magnificationIn, markIn, measureSign, perDegree, withMotion } from './measure';
import { signOf, type Sign } from './signs';

export type MeasuredFault = {
  id: string;
  /** As a criterion is called. */
  name: string;
  unit: 'mm' | '°';
  about: keyof PositioningError;
  /** What is seen when the measure is above, and when it is below what it should be. */
  more: string;
  less: string;
  /** The measure of a picture of the part as it should lie; on the receptor. */
  target: number;
  /** It passes within this of it. */
  tolerance: number;
  measure: (setup: Setup) => number;
};

/** A sign that moves less than this for a degree is not worth measuring. */
const LEAST_PER_DEGREE = 0.2;
/** Taught centring holds within a finger's breadth; a part crooked by less than this is not repeated for it. */
const CENTRE_MM = 15;
const CROOKED_DEG = 4;
/** Furthest that a motion is sought. */
const FURTHEST: Readonly<Record<keyof PositioningError, number>> = {
  rollDeg: 30,
  tiltDeg: 30,
  turnDeg: 30,
  alongMm: POSITIONING_ERROR_RANGES.alongMm[1],
  acrossMm: POSITIONING_ERROR_RANGES.acrossMm[1],
};

/** Ends of the way around zero in which a measure grows or falls all along. */
function monotone(
  ideal: Setup,
  { about, measure }: Pick<MeasuredFault, 'about' | 'measure'>,
): readonly [number, number] {
  const STEPS = 10;
  const most = FURTHEST[about];
  const rising = Math.sign(
    measure(withMotion(ideal, about, most / 100)) - measure(withMotion(ideal, about, -most / 100)),
  );
  const end = (sense: 1 | -1): number => {
    let last = measure(ideal);
    for (let i = 1; i <= STEPS; i += 1) {
      const now = measure(withMotion(ideal, about, (sense * most * i) / STEPS));
      if ((now - last) * rising * sense <= 0) return (sense * most * (i - 1)) / STEPS;
      last = now;
    }
    return sense * most;
  };
  return [end(-1), end(1)];
}

/** How far a measure goes within the range of its motion. */
export function rangeOf(ideal: Setup, fault: MeasuredFault): readonly [number, number] {
  const ends = monotone(ideal, fault).map((amount) => fault.measure(withMotion(ideal, fault.about, amount)));
  return [Math.min(...ends), Math.max(...ends)];
}

const capital = (text: string): string => text[0].toUpperCase() + text.slice(1);

function ofSign(ideal: Setup, sign: Sign): MeasuredFault | null {
  const slope = Math.abs(perDegree(ideal, sign));
  if (slope < LEAST_PER_DEGREE) return null;
  const d = ideal.scene.receptor[sign.axis];
  const toward = sideToward(ideal, d);
  const away = sideToward(ideal, negate(d));
  const [a, b, middle] = markNames(sign.marks.map(sideView(ideal.side).name));
  const says = (direction: string, first: string, second: string) =>
    middle
      ? `The ${first} lies further from the ${middle} than the ${second}`
      : `The ${first} lies too far toward the ${direction}`;
  const target = measureSign(ideal, sign);
  const tolerance = slope * sign.allowDeg;
  return {
    id: sign.id,
    name: nameFor(sign.name, target, tolerance),
    unit: 'mm',
    about: sign.about,
    ...sidesOf(ideal, sign, says, { toward, away, a, b }),
    target,
    tolerance,
    measure: (setup) => measureSign(setup, sign),
  };
}

/** A name that says that two marks meet, where on a good picture of this body they do not: they lie apart as they belong. */
const nameFor = (name: string, target: number, tolerance: number): string =>
  Math.abs(target) > tolerance
    ? name.replace(/\bsuperimposed\b/, `as far apart as usual (${Math.abs(Math.round(target))} mm)`)
    : name;

type Says = (direction: string, first: string, second: string) => string;
/** Which of two marks on either side is the further one depends on which lies toward the growing side. */
function sidesOf(
  ideal: Setup,
  { marks, axis }: Sign,
  says: Says,
  { toward, away, a, b }: { toward: string; away: string; a: string; b: string },
): Pick<MeasuredFault, 'more' | 'less'> {
  if (marks.length === 2) return { more: says(toward, a, b), less: says(away, a, b) };
  const onTop = dot(subtract(markIn(ideal, marks[0]), markIn(ideal, marks[1])), ideal.scene.receptor[axis]) > 0;
  return onTop ? { more: says('', a, b), less: says('', b, a) } : { more: says('', b, a), less: says('', a, b) };
}

const PLACING = {
  'centre-along': 'Part centred along the field',
  'centre-across': 'Part centred across the field',
  crooked: 'Part aligned with the field',
} as const;

/** What an entry's fault is measured by, as its criterion is called. */
export const measureName = (id: NonNullable<Projection['faults'][number]['measuredBy']>): string =>
  id in PLACING ? PLACING[id as keyof typeof PLACING] : signOf(id as SignId).name;

/** The middle of the part against the light, and the part crooked in it: every entry has these. */
function placing(ideal: Setup): MeasuredFault[] {
  const { u, v } = ideal.scene.receptor;
  const m = magnificationIn(ideal);
  const where = centringOf(ideal);
  const ways = (d: typeof u) => [sideToward(ideal, d), sideToward(ideal, negate(d))] as const;
  const [up, down] = ways(v);
  const [right, left] = ways(u);
  const centred = (id: 'along' | 'across', [more, less]: readonly [string, string]): MeasuredFault => ({
    id: `centre-${id}`,
    name: PLACING[`centre-${id}`],
    unit: 'mm',
    about: id === 'along' ? 'alongMm' : 'acrossMm',
    more: `The part lies too far toward the ${more} of the field`,
    less: `The part lies too far toward the ${less} of the field`,
    target: where[id],
    tolerance: CENTRE_MM * m,
    measure: (setup) => centringOf(setup)[id],
  });
  return [
    centred('along', [`edge at the ${up}`, `edge at the ${down}`]),
    centred('across', [`edge at the ${right}`, `edge at the ${left}`]),
    {
      id: 'crooked',
      name: PLACING.crooked,
      unit: '°',
      about: 'turnDeg',
      more: `Not aligned with the field, its ${up} toward the ${left}`,
      less: `Not aligned with the field, its ${up} toward the ${right}`,
      target: 0,
      tolerance: CROOKED_DEG,
      measure: (setup) => crookedIn(ideal, setup),
    },
  ];
}

/** Angle on the receptor by which the part lies crooked against how it should; degrees. */
function crookedIn(ideal: Setup, setup: Setup): number {
  const { u, v } = ideal.scene.receptor;
  const before = inPart(ideal, v).d;
  const now = { up: inPart(setup, v).d, across: inPart(setup, u).d };
  return toDegrees(Math.atan2(-dot(before, now.across), dot(before, now.up)));
}

/** The set-up that an entry asks of a median adult. */
export function usualSetup(of: string | Projection): Setup {
  const own = typeof of === 'string' ? undefined : of;
  const { id, sided } = own ?? projectionOf(of as string);
  return computeSetup({ projectionId: id, own, side: sided === 'each' ? 'right' : undefined, room: ROOM_ONE });
}

/** All faults of an entry that can be measured, on this body. @param ideal the part as it should lie */
export const measuredFaults = (ideal: Setup): MeasuredFault[] => [
  ...ideal.signs.flatMap((id) => ofSign(ideal, signOf(id)) ?? []),
  ...placing(ideal),
];

/** The measured fault that an entry's own fault is, where there is one. */
export function faultFor(
  faults: readonly MeasuredFault[],
  { faults: named }: Pick<Projection, 'faults'>,
  faultId: string,
): MeasuredFault | undefined {
  const by = named.find(({ id }) => id === faultId)?.measuredBy ?? faultId;
  return faults.find(({ id }) => id === by);
}

export type Correction = {
  fault: Pick<MeasuredFault, 'id' | 'name' | 'unit' | 'target' | 'tolerance'>;
  measured: number;
  /** What the part did. */
  cause: string;
  /** What to do, with its amount. */
  text: string;
  about: keyof PositioningError;
  /** To be added to how the part lies; degrees or mm. */
  amount: number;
  formula: string;
  /** The measure before and after the correction, by the rays. */
  proof: { before: number; after: number; passes: boolean };
};

const NAMES: Readonly<Record<keyof PositioningError, string>> = {
  rollDeg: 'rotated',
  tiltDeg: 'tilted',
  turnDeg: 'not aligned',
  alongMm: 'off centre along the receptor',
  acrossMm: 'off centre across the receptor',
};

/** A head says it in its own words: the chin goes up or down. */
function chinWords(setup: Setup, about: keyof PositioningError, amount: number): string {
  const axis = about === 'rollDeg' ? setup.scene.receptor.v : about === 'tiltDeg' ? setup.scene.receptor.u : null;
  if (!axis) return '';
  const { segment, d } = inPart(setup, axis);
  if (segment !== 'head' || Math.abs(d[0]) < 0.8) return '';
  return `, chin ${amount * d[0] > 0 ? 'down' : 'up'}`;
}

const OF_HEAD = /^(head|mandible|neck)$/;
/** The part of this patient is not moved for a picture, whatever is seen on it. */
export function staysAsItLies(setup: Setup): boolean {
  const { situation } = setup;
  const segment = setup.inPart[0]?.segment ?? '';
  return isInjured(situation) || partStays(segment, situation) || (neckStays(situation) && OF_HEAD.test(segment));
}

/** The same where the part must not be moved: tube or collimator follow it, or it is done in another way. */
function keptWords(setup: Setup, about: 'rollDeg' | 'tiltDeg' | 'turnDeg', amount: number, size: string): string {
  const stays = 'The part stays as it lies';
  switch (about) {
    case 'rollDeg':
      return `${stays}, rotated by ${size}: another way, for a CR that follows it`;
    case 'tiltDeg':
      // The ray leans with the part instead of the part against the ray.
      return `${stays}: angle the tube ${size} ${movedTo(setup.tube.ways[amount < 0 ? 0 : 1])} instead`;
    case 'turnDeg':
      return `${stays}: rotate collimator and receptor ${size} to it`;
  }
}

/** What to do, in words of the body; where the part must stay, what is done in place of moving it. */
export function motionWords(
  setup: Setup,
  about: keyof PositioningError,
  amount: number,
  unit: LengthUnit = 'cm',
): string {
  const { u, v } = setup.scene.receptor;
  const at = (d: typeof u, sense: number) => sideToward(setup, sense > 0 ? d : negate(d));
  const size = about.endsWith('Mm') ? formatLength(Math.abs(amount), unit) : `${Math.abs(Math.round(amount * 2) / 2)}°`;
  if (!(about === 'alongMm' || about === 'acrossMm') && staysAsItLies(setup))
    return keptWords(setup, about, amount, size);
  const orPart = staysAsItLies(setup) ? '' : ', or the part as much the other way';
  switch (about) {
    case 'rollDeg':
      return `Rotate the part ${size}: ${at(u, amount)} toward the receptor${chinWords(setup, about, amount)}`;
    case 'tiltDeg':
      return `Tilt the part ${size}: ${at(v, -amount)} toward the receptor${chinWords(setup, about, amount)}`;
    case 'turnDeg':
      return `Align the part, ${size}: ${at(v, 1)} toward the ${at(u, -amount)}`;
    case 'alongMm':
      return `Move the field ${size} ${movedToSide(at(v, -amount))}${orPart}`;
    case 'acrossMm':
      return `Move the field ${size} ${movedToSide(at(u, -amount))}${orPart}`;
  }
}

/** The amount of a motion at which the part gives this measure, by halving. */
function amountFor(ideal: Setup, fault: MeasuredFault, value: number): number {
  let [low, high] = monotone(ideal, fault);
  const rising =
    fault.measure(withMotion(ideal, fault.about, high)) > fault.measure(withMotion(ideal, fault.about, low));
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    const above = fault.measure(withMotion(ideal, fault.about, middle)) > value;
    if (above === rising) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

function formulaFor(ideal: Setup, fault: MeasuredFault, value: number, amount: number): string {
  const m = magnificationIn(ideal);
  const off = value - fault.target;
  if (fault.about.endsWith('Mm')) return `shift = e / M = ${signed(off)} mm / ${m.toFixed(2)} = ${signed(off / m)} mm`;
  if (fault.unit === '°') return `turn = ${signed(off)}°, as measured`;
  const sign = signOf(fault.id as SignId);
  const lever = leverOf(ideal, sign);
  const exact = `exactly, in perspective: ${Math.abs(amount).toFixed(1)}°`;
  // Marks at one depth move apart along the light instead: the distance between them is the lever.
  if (fault.about === 'turnDeg' || m * lever < Math.abs(off))
    return `e = ${signed(off)} mm from what it should be; ${exact}`;
  const simple = toDegrees(Math.asin(Math.abs(off) / (m * lever)));
  return `angle = asin(e / (M·s)) = asin(${Math.abs(off).toFixed(1)} / (${m.toFixed(2)} · ${lever.toFixed(0)})) = ${simple.toFixed(1)}°; ${exact}`;
}

/**
 * @param of the projection, or its id where it is one of the catalogue
 * @param faultId of an entry's fault that can be measured, or of a measure
 * @param value as measured on the picture: mm on the receptor, or degrees
 * @param ideal the set-up with the part as it should lie; a median adult when left out
 * @param unit of lengths in words
 * @throws RangeError for a fault that cannot be measured, or a value that this fault alone cannot give
 */
export function correctFault(
  of: string | Projection,
  faultId: string,
  value: number,
  ideal: Setup = usualSetup(of),
  unit: LengthUnit = 'cm',
): Correction {
  const faults = measuredFaults(ideal);
  const entry = typeof of === 'string' ? projectionOf(of) : of;
  const fault = faultFor(faults, entry, faultId);
  if (!fault)
    throw new RangeError(
      `"${faultId}" of ${entry.name} cannot be measured; these can: ${faults.map(({ id }) => id).join(', ')}`,
    );
  return correctionFor(ideal, fault, value, unit);
}

/**
 * The same for a measure that is at hand.
 * @param fault one of `measuredFaults(ideal)`
 * @throws RangeError for a value that this fault alone cannot give
 */
export function correctionFor(ideal: Setup, fault: MeasuredFault, value: number, unit: LengthUnit = 'cm'): Correction {
  const [low, high] = rangeOf(ideal, fault);
  if (!(value >= low && value <= high))
    throw new RangeError(
      `${fault.name}: ${low.toFixed(0)} to ${high.toFixed(0)} ${fault.unit} can come of it alone, got ${value}`,
    );
  const lay = amountFor(ideal, fault, value);
  const rounded = Math.round(lay * 2) / 2;
  const faulty = withMotion(ideal, fault.about, lay);
  const after = fault.measure(withMotion(ideal, fault.about, lay - rounded));
  const { id, name, target, tolerance } = fault;
  return {
    fault: { id, name, unit: fault.unit, target, tolerance },
    measured: value,
    cause: `${capital(NAMES[fault.about])}: ${value > target ? fault.more : fault.less}`,
    text: Math.abs(rounded) < 0.5 ? 'Nothing to correct' : motionWords(ideal, fault.about, -rounded, unit),
    about: fault.about,
    amount: -rounded,
    formula: formulaFor(ideal, fault, value, lay),
    proof: { before: fault.measure(faulty), after, passes: Math.abs(after - target) <= tolerance },
  };
}

/** Faults that an entry names and that can be measured, for choosing. */
export function namedFaults(entry: Pick<Projection, 'faults'>, faults: readonly MeasuredFault[]) {
  return entry.faults.flatMap((each) => {
    const measured = each.measuredBy && faultFor(faults, entry, each.id);
    return measured ? [{ ...each, measured }] : [];
  });
}
