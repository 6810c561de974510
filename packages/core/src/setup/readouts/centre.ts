/** The centring line and the checks by touch, measured from where the light falls on the skin. */
import { isLandmark, markOf } from '../../body/body';
import { interspace, spokenLandmark } from '../../body/landmarkName';
import { crossSkin, posedMark } from '../../body/posed';
import { applyToDirection } from '../../geometry/frame';
import { dot, midpoint, subtract, type InRoom, type Vec3 } from '../../geometry/vector';
import type { Projection, Toward } from '../../projections/schema';
import type { LengthUnit } from '../../quantity/length';
import { relationWords, type Bearing, type CentreFact, type TouchFacts } from '../../words/centreWords';
import { say } from '../../words/say';
import type { AimedRay, PlacedBody } from '../placing/place';
import type { SideView } from '../placing/side';
import type { Setup } from '../setup';
import { bearingsFrom, depthOf, LEVEL_MM, onTheSkin } from './bearing';

/** A tape does not show less. */
const JUST_MM = 4;

type Centre = Setup['centre'];
/** What is told of the centring, and the fact from which it is said. */
export type CentreLine = {
  line: Pick<Centre, 'landmark' | 'offsetMm' | 'relation' | 'line' | 'text'>;
  fact: CentreFact;
};
export type TouchMark = { mark: Centre['checkBy'][number]; bearings: readonly Bearing[]; name: string };
/** The ray where it meets the skin, and what of the body lies up the receptor. */
export type OnSkin = {
  aimed: AimedRay;
  up: Vec3<InRoom>;
  /** Which way the skin faces where the ray enters. */
  skin: () => Vec3<InRoom>;
  view: SideView;
  /** The entry is of one side. */
  sided: boolean;
  unit: LengthUnit;
};

const lineOf = (
  line: Pick<Centre, 'landmark' | 'offsetMm' | 'relation' | 'line'>,
  fact: CentreFact,
  unit: LengthUnit,
): CentreLine => {
  const { centre: code, ...values } = fact;
  return { line: { ...line, text: say({ code, values }, { unit }) }, fact };
};

const asValues = (bearings: readonly Bearing[], name: string) => ({
  toward: bearings.map(({ toward }) => toward),
  mm: bearings.map(({ mm }) => mm),
  name,
});

/** Axis of the body along which each direction of an entry runs: x, y, z. */
const AXIS: Readonly<Record<Toward, 0 | 1 | 2>> = { left: 0, right: 0, front: 1, back: 1, head: 2, feet: 2 };

/** What the aim is measured from: a landmark, the same on both sides, or what lies between two that differ. */
function spokenAim(aim: Projection['aim']): string {
  if (!('between' in aim)) return spokenLandmark(aim.landmark);
  const [one, other] = aim.between.map(spokenLandmark);
  return one === other ? one : (interspace(...aim.between) ?? `the middle between ${one} and ${other}`);
}

/** The place of the aim before any distance is gone from it, and the landmark for whose part directions are called. */
function baseOf({ aim }: Projection, { posed }: PlacedBody, { name }: SideView) {
  const ids = ('between' in aim ? aim.between : [aim.landmark]).map(name);
  const [first, second] = ids.map((id) => posedMark(posed, id).p);
  // Between the two of a pair lies the midline, which is neither medial nor lateral.
  const paired = second !== undefined && ids[0].slice(0, -2) === ids[1].slice(0, -2) && ids[0] !== ids[1];
  return { of: ids[0], midline: paired, p: second ? midpoint(first, second) : first };
}

/** The centring line: from the landmark, or for a lateral of the trunk its level and how far behind the midcoronal plane. */
export function describeCentre(projection: Projection, placed: PlacedBody, on: OnSkin): CentreLine {
  const { line, point } = projection.aim;
  const { aimed, unit } = on;
  const base = baseOf(projection, placed, on.view);
  const landmark = base.of;
  const exits = point === 'exit';
  const trunk = projection.sided === 'none' && projection.ray.view === 'lateral';
  if (trunk && markOf(placed.posed.body, landmark).segment !== 'head') return throughTheTrunk(projection, placed, on);
  const at = exits ? aimed.crossing.exit : aimed.crossing.entry;
  const bearings = bearingsFrom(placed.posed, base.of, at, base);
  const taught = [
    ...new Set(aimed.target.offsets.filter(({ mm }) => mm >= JUST_MM).map(({ toward }) => bearings[AXIS[toward]])),
  ];
  const depth = depthOf(bearings, aimed.direction, on.skin, taught);
  const steps = taught.filter((each) => each !== depth);
  const name = spokenAim(projection.aim);
  // Nobody measures from what nobody feels: then the place is named, and the checks by touch lead there.
  if (steps.length === 0 || steps.length < taught.length || !isPalpable(projection.aim)) {
    if (point === 'through')
      return lineOf({ landmark, offsetMm: 0, relation: line, line }, { centre: 'centre-through', line }, unit);
    const own = 'between' in projection.aim || taught.length > 0 ? null : name;
    const at = own === null ? line : `at ${own}`;
    return lineOf({ landmark, offsetMm: 0, relation: at, line }, { centre: 'centre-at', exits, name: own, line }, unit);
  }
  const offsets = steps.filter(({ mm }) => mm >= JUST_MM);
  const relation = offsets.length === 0 ? `level with ${name}` : relationWords(offsets, name, unit);
  return lineOf(
    { landmark, offsetMm: offsets[0]?.mm ?? 0, relation, line },
    { centre: 'centre-from', exits, line, ...asValues(offsets, name) },
    unit,
  );
}

/** The way from the usual aim to one's own as it can be laid off on the skin. */
export function ownBearings(
  { posed }: PlacedBody,
  of: string,
  usual: AimedRay,
  { aimed, skin }: Pick<OnSkin, 'aimed' | 'skin'>,
): Bearing[] {
  // Between the two of a pair, and from the midline, nothing is medial or lateral.
  const bearings = bearingsFrom(posed, of, aimed.crossing.entry, { p: usual.crossing.entry, midline: false });
  const depth = depthOf(bearings, aimed.direction, skin);
  const flat = bearings.filter((each) => each !== depth && each.mm >= JUST_MM);
  // A ray along the limb's own axis: what is left is the way there is.
  const [most] = [...bearings].sort((a, b) => b.mm - a.mm);
  return (flat.length > 0 || !most || most.mm < JUST_MM ? flat : [most]).map(({ toward, mm }) => ({ toward, mm }));
}

/** The centring line of an aim of one's own: the usual one, and so far on from there. */
export function ownCentre(
  { line: said, fact: { centre: code, ...values } }: CentreLine,
  placed: PlacedBody,
  { usual, on }: { usual: AimedRay; on: OnSkin },
): CentreLine {
  const bearings = ownBearings(placed, said.landmark, usual, on);
  const [first] = bearings;
  if (!first) return { line: said, fact: { centre: code, ...values } };
  return lineOf(
    { ...said, offsetMm: first.mm, relation: relationWords(bearings, 'the usual centring point', on.unit) },
    {
      ...values,
      centre: 'centre-own',
      usual: code,
      ownToward: bearings.map(({ toward }) => toward),
      ownMm: bearings.map(({ mm }) => mm),
    },
    on.unit,
  );
}

/** Deep: inside a joint, or the body of a vertebra. */
const DEEP = /^(hip_centre|glenohumeral_centre|femoral_neck_mid|[CTLS]\d+_(body|arch))/;
/** Whether a distance can be measured from what is aimed at: a landmark, or what lies between two. */
const isPalpable = (aim: Projection['aim']): boolean =>
  ('between' in aim ? aim.between : [aim.landmark]).every((id) => isLandmark(id) && !DEEP.test(id));

/** Level along the trunk, where the ray enters, and how far behind or in front of the midcoronal plane. */
function throughTheTrunk(projection: Projection, placed: PlacedBody, { aimed, unit, view }: OnSkin): CentreLine {
  const { line } = projection.aim;
  const base = baseOf(projection, placed, view);
  const [, , up] = bearingsFrom(placed.posed, base.of, aimed.crossing.entry, base);
  const levels = up.mm < JUST_MM ? [] : [up];
  const name = spokenAim(projection.aim);
  const measured = behindMidcoronal(placed, aimed.through);
  const behindMm = Math.abs(measured) < LEVEL_MM ? 0 : measured;
  const where =
    behindMm === 0 ? 'on the midcoronal plane' : `${behindMm > 0 ? 'posterior' : 'anterior'} to the midcoronal plane`;
  // On the plane the level is what is measured; off it, how far.
  const relation =
    behindMm !== 0
      ? where
      : `${levels.length === 0 ? `level with ${name}` : relationWords(levels, name, unit)}, ${where}`;
  return lineOf(
    { landmark: base.of, offsetMm: behindMm === 0 ? (levels[0]?.mm ?? 0) : Math.abs(behindMm), relation, line },
    { centre: 'centre-level', behindMm, ...asValues(levels, name) },
    unit,
  );
}

/** Signed distance behind the midcoronal plane, which halves the trunk between chest and back at that level. */
function behindMidcoronal(placed: PlacedBody, p: Vec3<InRoom>): number {
  const back = applyToDirection(placed.posed.place, [0, 1, 0]);
  const trunk = crossSkin(placed.posed, p, back, ['thorax', 'lumbar', 'pelvis', 'neck']);
  if (!trunk) return 0;
  return dot(subtract(p, midpoint(trunk.entry, trunk.exit)), back);
}

/** The one of a pair that is felt where the other is not. */
export type OtherSide = 'side up' | 'side nearest the tube';
/** So much higher than its pair a landmark is on the side up. */
const UP_MM = 50;
export const otherSideOf = ({ posed }: PlacedBody, hidden: string, felt: string): OtherSide =>
  posedMark(posed, felt).p[2] - posedMark(posed, hidden).p[2] > UP_MM ? 'side up' : 'side nearest the tube';

/**
 * How the light lies from a landmark that is palpated, along the receptor.
 * @param across across the receptor too, where neither midline nor midcoronal plane leads the eye
 */
export function touchFrom(
  { posed }: PlacedBody,
  id: string,
  on: OnSkin,
  across: boolean,
  pair: OtherSide | null,
): TouchMark {
  const { aimed, up, unit } = on;
  const bearings = bearingsFrom(posed, id, aimed.crossing.entry);
  const taught = aimed.target.offsets.map(({ toward }) => bearings[AXIS[toward]]);
  const [first, second] = onTheSkin(bearings, depthOf(bearings, aimed.direction, on.skin, taught), up);
  const own = on.sided ? (on.view.mirrored ? 'right' : 'left') : null;
  const offsets = [first, ...(across ? [second] : [])]
    .filter(({ mm }) => mm >= LEVEL_MM)
    // From the midline toward the side that the entry is of.
    .map((each) => (each.toward === own ? { ...each, toward: 'lateral' as const } : each));
  const name = `${spokenLandmark(id)}${pair ? ` of the ${pair}` : ''}`;
  const mark = {
    landmark: id,
    mm: first.signedMm * Math.sign(dot(first.axis, up)),
    relation: offsets.length === 0 ? 'level with' : relationWords(offsets, '', unit).trim(),
    text: say({ code: 'touch-from', values: asValues(offsets, name) }, { unit }),
  };
  return { mark, bearings: offsets, name };
}

/** The centring line from a mark that is felt here, instead of the taught one. */
export const centreBy = ({ mark, bearings, name }: TouchMark, { aim }: Projection, unit: LengthUnit): CentreLine =>
  lineOf(
    {
      landmark: mark.landmark,
      offsetMm: bearings[0]?.mm ?? 0,
      relation: bearings.length === 0 ? `level with ${name}` : relationWords(bearings, name, unit),
      line: aim.line,
    },
    { centre: 'centre-from', exits: false, line: aim.line, ...asValues(bearings, name) },
    unit,
  );

/** Several marks as one fact. */
export const touchFacts = (marks: readonly TouchMark[]): TouchFacts => ({
  names: marks.map(({ name }) => name),
  counts: marks.map(({ bearings }) => bearings.length),
  toward: marks.flatMap(({ bearings }) => bearings.map(({ toward }) => toward)),
  mm: marks.flatMap(({ bearings }) => bearings.map(({ mm }) => mm)),
});
