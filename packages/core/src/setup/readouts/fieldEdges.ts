/** Where the edges of the light lie on this body: how far past the skin, or from a landmark that is felt. */
import { LANDMARK_IDS, landmarkOf, markOf } from '../../body/body';
import { spokenLandmark } from '../../body/landmarkName';
import { skinSpans, type PosedBody } from '../../body/posed';
import { posedIn } from '../../body/posedIn';
import { surfacePoint } from '../../body/surface';
import { throughPoint, type PlaneFrame } from '../../geometry/projection';
import { addScaled, dot, length, midpoint, normalize, subtract, type InRoom, type Vec3 } from '../../geometry/vector';
import type { LengthUnit } from '../../quantity/length';
import { ROOM_DOWN } from '../../room/position';
import type { Direction } from '../../words/centreWords';
import type { Values } from '../../words/fact';
import { say } from '../../words/say';
import { bars } from '../problem';
import type { Setup } from '../setup';
import { bearingsFrom, LEVEL_MM } from './bearing';
import { isWithinTouch } from './withinTouch';

export type EdgeLine = {
  code: 'edge-beyond' | 'edge-from' | 'edge-level';
  values: Values;
  text: string;
};

/** Felt through the skin, and found by whoever looks for the edge of the light. */
const FELT =
  /^(vertex|inion|glabella|nasion|acanthion|menton|gonion|EAM|mastoid_tip|outer_canthus|infraorbital_margin|C7_sp|jugular_notch|sternal_angle|xiphoid_tip|AC_joint|acromion|scapula_inf_angle|costal_margin|iliac_crest|ASIS|PSIS|symphysis_sup|greater_trochanter_lat|coccyx_tip|greater_tubercle|(med|lat)_epicondyle_(hum|fem)|olecranon|(radial|ulnar)_styloid|pisiform|MC[2-5]_head|MCP1|patella_(base|apex)|tibial_tuberosity|fibular_head|(med|lat)_malleolus|navicular_tub|mt5_base|mt[15]_head)(_[LR])?$/;
const FELT_IDS = LANDMARK_IDS.filter((id) => FELT.test(id));
/** Farther from the edge a landmark tells nothing of it. */
const NEAR_MM = 90;
/** Nor does one so far nearer to the tube, or farther from it, than where the CR enters. */
const DEPTH_MM = 220;
const CLEAR_OF_TUBE_MM = 100;
/** A tape does not show less. */
const JUST_MM = 4;

/** What the skin past which the light runs is called, by segment. */
const SKIN_OF: readonly (readonly [RegExp, string])[] = [
  [/^(head|mandible)/, 'head'],
  [/^neck/, 'neck'],
  [/^thorax/, 'trunk'],
  [/^lumbar/, 'trunk'],
  [/^pelvis/, 'trunk'],
  [/^(scapula|clavicle)/, 'shoulder'],
  [/^upperarm/, 'upper arm'],
  [/^(forearm|radius)/, 'forearm'],
  [/^hand/, 'hand'],
  [/^finger1/, 'thumb'],
  [/^finger/, 'fingers'],
  [/^thigh/, 'thigh'],
  [/^patella/, 'knee'],
  [/^shank/, 'leg'],
  [/^toes/, 'toes'],
  [/^(foot|talus)/, 'foot'],
];
const skinOf = (segment: string): string => SKIN_OF.find(([pattern]) => pattern.test(segment))?.[1] ?? 'body';

/** Corners of the light on the receptor, across and along: both ends of a part that is taken in several exposures. */
function cornersOf({ fields }: Setup['scene']): [Vec3<InRoom>, Vec3<InRoom>, Vec3<InRoom>, Vec3<InRoom>] {
  const [[, , headRight, headLeft], last] = [fields[0]!, fields.at(-1)!];
  return [last[0]!, last[1]!, headRight!, headLeft!];
}

/** @property share of its length that counts */
type Edge = { from: Vec3<InRoom>; to: Vec3<InRoom>; outward: Vec3<InRoom>; deepMm: number; share: number };
function edgesOf(setup: Setup): Edge[] {
  const corners = cornersOf(setup.scene);
  const middle = midpoint(corners[0], corners[2]);
  return corners.map((from, i) => {
    const to = corners[(i + 1) % corners.length]!;
    const out = subtract(midpoint(from, to), middle);
    return {
      ...{ from, to, outward: normalize(out), deepMm: length(out) },
      share: i % 2 === 0 ? MIDDLE.across : MIDDLE.alongside,
    };
  });
}

/** Rays along an edge stand closer than a finger is wide; at the ends of those aside stands what else of the body is there. */
const APART_MM = 8;
const MIDDLE = { alongside: 0.6, across: 1 };
const STEP_MM = 8;
type Graze = { insetMm: number; magnification: number; segment: string };

/** How far inside an edge the body begins that the light falls on; 0 where the edge lies on it, null where nothing is lit. */
function grazed(
  posed: PosedBody<InRoom>,
  focal: Vec3<InRoom>,
  { from, to, outward, deepMm, share }: Edge,
): Graze | null {
  const at = (along: number, insetMm: number) =>
    addScaled(addScaled(from, subtract(to, from), along), outward, -insetMm);
  const rays = Math.ceil((share * length(subtract(to, from))) / APART_MM);
  const hit = (insetMm: number) => {
    for (let i = 0; i < rays; i += 1) {
      const p = at(0.5 + ((i + 0.5) / rays - 0.5) * share, insetMm);
      const far = length(subtract(p, focal));
      const ray = normalize(subtract(p, focal));
      const [span] = skinSpans(posed, focal, ray);
      if (span && span[0] < far) return { nearMm: span[0], far, ray };
    }
    return null;
  };
  for (let insetMm = 0; insetMm < deepMm; insetMm += STEP_MM) {
    const met = hit(insetMm);
    if (!met) continue;
    if (insetMm === 0) return { insetMm: 0, magnification: met.far / met.nearMm, segment: '' };
    let [outside, inside] = [insetMm - STEP_MM, insetMm];
    while (inside - outside > 1) {
      const half = (inside + outside) / 2;
      if (hit(half)) inside = half;
      else outside = half;
    }
    const { nearMm, far, ray } = hit(inside) ?? met;
    const segment = segmentAt(posed, addScaled(focal, ray, nearMm), ray);
    return { insetMm: inside, magnification: far / nearMm, segment };
  }
  return null;
}

/** Segment of the skin that a ray meets first. */
function segmentAt(posed: PosedBody<InRoom>, p: Vec3<InRoom>, ray: Vec3<InRoom>): string {
  const segments = [...new Set(posed.skin.map(({ segment }) => segment))];
  return segments.find((each) => skinSpans(posed, p, ray, [each]).some(([near]) => Math.abs(near) < 1)) ?? '';
}

/** An ankle is described along the leg, as its malleoli are. */
const landmarkFor = (landmark: string): string => landmark.replace(/^(ankle_centre|talus_dome)/, 'med_malleolus');

/** The way out over an edge, as it is called at the part that is aimed at. */
function nameOf(posed: PosedBody<InRoom>, { centre, scene, side }: Setup, { outward }: Edge): Direction {
  const far = addScaled(scene.entry, outward, NEAR_MM);
  const from = { p: scene.entry, midline: side === null };
  return mostOf(bearingsFrom(posed, landmarkFor(centre.landmark), far, from));
}
/** Halfway between two axes an edge is called after the first, on both sides of the body. */
const CLEARLY = 1.05;
const mostOf = (bearings: ReturnType<typeof bearingsFrom>): Direction =>
  bearings.reduce((one, other) => (other.mm > CLEARLY * one.mm ? other : one)).toward;

const PAIRS: readonly (readonly [Direction, Direction])[] = [
  ['superior', 'inferior'],
  ['anterior', 'posterior'],
  ['medial', 'lateral'],
  ['proximal', 'distal'],
  ['left', 'right'],
];
/** @param foot whose sole lies opposite its dorsum, where a hand has its palm */
function oppositeOf(toward: Direction, foot: boolean): Direction {
  if (toward === 'dorsal') return foot ? 'plantar' : 'palmar';
  if (toward === 'plantar' || toward === 'palmar') return 'dorsal';
  const pair = PAIRS.find((each) => each.includes(toward))!;
  return pair[0] === toward ? pair[1] : pair[0];
}

const HEAD = /^(head|mandible)/;
const NECK = /^neck/;
const ARM = /^(upperarm|forearm|radius|hand|finger\d)_/;
const GIRDLE = /^(scapula|clavicle)_/;
const LEG = /^(thigh|shank|patella|foot|talus|toes)_/;
/** Whether a landmark is of the part that is aimed at: of its limb, or of the trunk, or of the head. */
function isOfPart(of: string, part: string): boolean {
  if (ARM.test(part)) return ARM.test(of) || GIRDLE.test(of);
  if (LEG.test(part)) return LEG.test(of) || (of === 'pelvis' && part.startsWith('thigh'));
  if (GIRDLE.test(part)) return !HEAD.test(of) && !LEG.test(of);
  if (NECK.test(part)) return !ARM.test(of) && !LEG.test(of);
  if (HEAD.test(part)) return HEAD.test(of) || NECK.test(of);
  return !HEAD.test(of) && !ARM.test(of) && (!LEG.test(of) || (part === 'pelvis' && of.startsWith('thigh')));
}

const SIDES = { left: 'L', right: 'R' } as const;
/** On the other side of the body nobody feels for an edge of this one. */
function isOnSide(id: string, side: Setup['side'], edge: Direction): boolean {
  const own = side ?? (edge === 'left' || edge === 'right' ? edge : null);
  return own === null || !/_[LR]$/.test(id) || id.endsWith(SIDES[own]);
}

/** Which way an edge lies from a landmark, as the edge itself is called; from the midline nothing is medial. */
function towardFrom(
  posed: PosedBody<InRoom>,
  near: { id: string; skin: Vec3<InRoom>; mm: number },
  own: Direction,
  { part, outward }: { part: string; outward: Vec3<InRoom> },
): Direction {
  const paired = /_[LR]$/.test(near.id);
  if ((own === 'medial' || own === 'lateral') && !paired)
    return mostOf(
      bearingsFrom(posed, near.id, addScaled(near.skin, outward, near.mm), { p: near.skin, midline: true }),
    );
  const named = (own === 'left' || own === 'right') && paired ? 'lateral' : own;
  return near.mm > 0 ? named : oppositeOf(named, LEG.test(part));
}

/** The landmark that is felt nearest an edge, and how the edge lies from it. */
function fromLandmark(
  posed: PosedBody<InRoom>,
  setup: Setup,
  plane: PlaneFrame,
  { edge, notFelt }: { edge: Edge; notFelt: readonly string[] },
): { code: 'edge-from' | 'edge-level'; values: Values } | null {
  const { scene } = setup;
  const { from, to, outward } = edge;
  const part = markOf(posed.body, setup.centre.landmark).segment;
  const own = nameOf(posed, setup, edge);
  const covered = [scene.beam, ...(scene.surfaceHeightMm > 0 ? [ROOM_DOWN] : [])];
  const wide = length(subtract(to, from)) / 2;
  const middle = midpoint(from, to);
  const along = normalize(subtract(to, from));
  const near = FELT_IDS.map((id) => ({ id, of: landmarkOf(posed.body, id).segment }))
    .filter(({ of }) => !posed.body.gone.has(of) && isOfPart(of, part))
    .map(({ id }) => id)
    .filter((id) => isOnSide(id, setup.side, own) && !notFelt.includes(id))
    .filter((id) => isWithinTouch(posed, id, covered))
    .map((id) => ({ id, skin: surfacePoint(posed, id).skin }))
    // What lies level with the tube is in no light.
    .filter(
      ({ skin }) =>
        dot(plane.n, subtract(scene.focal, skin)) > CLEAR_OF_TUBE_MM &&
        Math.abs(dot(scene.beam, subtract(skin, scene.entry))) < DEPTH_MM,
    )
    .map(({ id, skin }) => {
      const { u, v, magnification } = throughPoint(scene.focal, plane, skin);
      const shadow = addScaled(addScaled(plane.origin, plane.u, u), plane.v, v);
      const off = subtract(shadow, middle);
      return { id, skin, aside: Math.abs(dot(off, along)), mm: -dot(off, outward) / magnification };
    })
    .filter(({ aside, mm }) => aside <= wide && Math.abs(mm) <= NEAR_MM)
    .sort((a, b) => Math.abs(a.mm) - Math.abs(b.mm))[0];
  if (!near) return null;
  const name = spokenLandmark(near.id);
  if (Math.abs(near.mm) < LEVEL_MM) return { code: 'edge-level', values: { name } };
  const toward = towardFrom(posed, near, own, { part, outward });
  return { code: 'edge-from', values: { name, toward, mm: Math.abs(near.mm) } };
}

type Found = { edges: Direction[]; code: EdgeLine['code']; values: Values };
const opposite = (one: Direction, other: Direction): boolean =>
  [true, false].some((foot) => oppositeOf(one, foot) === other);
const sayEdges = ({ edges, code, values }: Found, unit: LengthUnit): string =>
  say({ code, values: { ...values, edges } }, { unit });

/** Two edges that lie opposite each other and alike are one line. */
function paired(found: readonly Found[], unit: LengthUnit): Found[] {
  const alike = (one: Found, other: Found) =>
    one.edges.length === 1 &&
    opposite(one.edges[0]!, other.edges[0]!) &&
    sayEdges({ ...one, edges: [] }, unit) === sayEdges({ ...other, edges: [] }, unit);
  return found.reduce<Found[]>((lines, edge) => {
    const twin = lines.find((each) => alike(each, edge));
    return twin
      ? lines.map((each) => (each === twin ? { ...twin, edges: [...twin.edges, ...edge.edges] } : each))
      : [...lines, edge];
  }, []);
}

/**
 * The edges of the light against this body: what the eye checks before the exposure.
 * @param notFelt landmarks that are not felt in this patient: nothing is measured from them
 * @returns nothing of an edge that runs over the body far from any landmark, nor of a set-up that is barred
 * @example fieldEdges(computeSetup({ projectionId: 'hand-pa', side: 'left' })).map(({ text }) => text) // "Lateral edge: ½ in (1.3 cm) beyond the skin of the thumb", …
 */
export function fieldEdges(setup: Setup, unit: LengthUnit = 'in', notFelt: readonly string[] = []): EdgeLine[] {
  // What must not be done in this way is not told how.
  if (setup.problems.some(bars)) return [];
  const posed = posedIn(setup);
  const { focal, receptor } = setup.scene;
  const plane: PlaneFrame = { origin: receptor.centre, u: receptor.u, v: receptor.v, n: receptor.n };
  const found = edgesOf(setup).flatMap((edge): Found[] => {
    const graze = grazed(posed, focal, edge);
    if (!graze) return [];
    const mm = graze.insetMm / graze.magnification;
    const line =
      mm >= JUST_MM
        ? { code: 'edge-beyond' as const, values: { mm, part: skinOf(graze.segment) } }
        : fromLandmark(posed, setup, plane, { edge, notFelt });
    return line ? [{ edges: [nameOf(posed, setup, edge)], ...line }] : [];
  });
  return paired(found, unit).map((each) => ({
    code: each.code,
    values: { ...each.values, edges: each.edges },
    text: sayEdges(each, unit),
  }));
}
