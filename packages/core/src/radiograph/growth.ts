/**
 * Children's bones: what is still cartilage, and the growth plates that cross the rest. Cartilage is hardly seen on a
 * picture, so a plate is a dark line and a bone that has not begun to turn into bone is not there.
 * Source: usual ages of teaching, girls about a year or two ahead of boys; the single child may be off by two years [C].
 */
import type { Sex } from '../body/anthropometry';
import type { Primitive } from '../body/primitive';
import { posedLandmark, type PosedBody } from '../body/posed';
import type { Solid } from '../body/surface';
import { addScaled, cross, distance, normalize, scale, subtract, type Vec3 } from '../geometry/vector';

/** Age in years from which a bone is seen: boys; girls are ahead by `AHEAD`. */
const SEEN_FROM: readonly (readonly [RegExp, number])[] = [
  [/^(capitate|hamate)_/, 0.3],
  [/^triquetrum_/, 2.5],
  [/^lunate_/, 4],
  [/^(scaphoid|trapezium|trapezoid)_/, 5.5],
  [/^pisiform_/, 10],
  [/^patella_/, 4],
  [/^femoral_head_/, 0.4],
  [/^(greater_trochanter)_/, 4],
  [/^lesser_trochanter_/, 11],
  [/^capitulum_/, 1],
  [/^radius_head_/, 5],
  [/^medial_epicondyle_/, 6],
  [/^trochlea_/, 9],
  [/^lateral_epicondyle_/, 11],
  [/^(navicular)_/, 3],
  [/^cuneiform_/, 2],
  [/^sesamoid_/, 10],
  [/^medial_malleolus_/, 1],
  [/^ulna_styloid_/, 6],
  [/^tibial_tuberosity_/, 9],
];
const AHEAD = 0.8;

/** A plate lies `mm` (on the adult) from the first landmark toward the second, square to the line between them. */
type Plate = {
  segment: string;
  from: string;
  toward: string;
  mm: number;
  radius: number;
  closes: readonly [girls: number, boys: number];
};
const PLATES: readonly Plate[] = [
  { segment: 'thigh', from: 'knee_centre', toward: 'hip_centre', mm: 26, radius: 46, closes: [15, 17] },
  { segment: 'shank', from: 'knee_centre', toward: 'ankle_centre', mm: 26, radius: 44, closes: [15, 17] },
  { segment: 'shank', from: 'ankle_centre', toward: 'knee_centre', mm: 18, radius: 26, closes: [14, 16] },
  { segment: 'thigh', from: 'hip_centre', toward: 'femoral_neck_mid', mm: 15, radius: 20, closes: [14, 16] },
  { segment: 'upperarm', from: 'glenohumeral_centre', toward: 'elbow_centre', mm: 26, radius: 26, closes: [16, 18] },
];
/** Plates near an end of one bone: share of its length from the end. */
const SHORT: readonly { bones: RegExp; end: 'first' | 'last'; closes: readonly [number, number]; at?: number }[] = [
  { bones: /^(radius|ulna)_[LR]$/, end: 'last', closes: [16, 18], at: 0.055 },
  { bones: /^(mc1|p_(proximal|middle|distal)_\d)_/, end: 'first', closes: [14.5, 16.5] },
  { bones: /^mc[2-5]_/, end: 'last', closes: [14.5, 16.5] },
  { bones: /^(mt1|toe_(proximal|middle|distal)_\d)_/, end: 'first', closes: [14, 16] },
  { bones: /^mt[2-5]_/, end: 'last', closes: [14, 16] },
];
const SHORT_AT = 0.16;
/** As wide as the bone and a little more; never thicker than this share of its length. */
const WIDER = 1.15;
const THIN = 0.03;
/** Half the thickness of a plate, and over all other bone. */
const HALF_MM = 1.1;
const PRIORITY = 90;
/** Lengths above are those of this stature. */
const REFERENCE_MM = 1750;

const isBoy = (sex: Sex | undefined): boolean => sex !== 'female';

/** Whether a piece of the skeleton has turned into bone at this age. */
export function isOssified(id: string, ageYears: number, sex?: Sex): boolean {
  const found = SEEN_FROM.find(([bones]) => bones.test(id));
  return !found || ageYears + (isBoy(sex) ? 0 : AHEAD) >= found[1];
}

const isOpen = (closes: readonly [number, number], ageYears: number, sex?: Sex): boolean =>
  ageYears < closes[isBoy(sex) ? 1 : 0];

/** A flat disc across an axis. */
function disc(c: Vec3, axis: Vec3, radius: number, half: number): Solid {
  const any: Vec3 = Math.abs(axis[2]) < 0.8 ? [0, 0, 1] : [1, 0, 0];
  const a = normalize(cross(axis, any));
  const b = cross(axis, a);
  return {
    shape: { kind: 'cylinder', c, axes: [scale(a, radius), scale(b, radius), scale(axis, half)] },
    material: 'cartilage',
    priority: PRIORITY,
  };
}

/** Open growth plates of the large joints, on both sides. */
export function growthPlates(posed: PosedBody): { segment: string; solid: Solid }[] {
  const { ageYears, sex, statureMm } = posed.body.patient;
  const size = statureMm / REFERENCE_MM;
  return PLATES.filter(({ closes }) => isOpen(closes, ageYears, sex)).flatMap(({ segment, from, toward, mm, radius }) =>
    ['_L', '_R'].map((side) => {
      const [a, b] = [posedLandmark(posed, from + side).p, posedLandmark(posed, toward + side).p];
      const axis = normalize(subtract(b, a));
      return { segment: segment + side, solid: disc(addScaled(a, axis, mm * size), axis, radius * size, HALF_MM) };
    }),
  );
}

/** Open growth plate of a single bone. */
export function shortBonePlate({ id }: Primitive, [wall]: readonly Solid[], { body }: PosedBody): Solid[] {
  const { ageYears, sex } = body.patient;
  const found = SHORT.find(({ bones }) => bones.test(id));
  if (!found || !isOpen(found.closes, ageYears, sex) || wall.shape.kind !== 'tube') return [];
  const { pts, r } = wall.shape;
  const [first, last] = [pts[0], pts[pts.length - 1]];
  const [end, other] = found.end === 'first' ? [first, last] : [last, first];
  const long = distance(first, last);
  const axis = normalize(subtract(other, end));
  const at = long * (found.at ?? SHORT_AT);
  return [disc(addScaled(end, axis, at), axis, Math.max(...r) * WIDER, Math.min(HALF_MM, long * THIN))];
}
