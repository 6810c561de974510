/** The mannequin to touch: a figure, and which projections belong to the place that was touched. */
import { buildBody, markOf, type Body } from '../../body/body';
import { bonePaths } from '../../body/drawing/bones';
import { drawFigure, type Figure } from '../../body/drawing/figure';
import { toDrawing, type DrawingBox, type DrawingPlane } from '../../body/drawing/plane';
import { poseBody } from '../../body/pose';
import { placeBody, posedBones } from '../../body/posed';
import { IDENTITY } from '../../geometry/frame';
import { midpoint, type Vec2, type Vec3 } from '../../geometry/vector';
import { projectionOf, projections } from '../../projections/catalogue';
import { placeInExams } from '../../projections/exams';
import type { Projection } from '../../projections/schema';
import { otherSide } from '../../body/mannequin';

export const TOUCH_VIEWS = ['front', 'back', 'hand', 'foot'] as const;
export type TouchView = (typeof TOUCH_VIEWS)[number];

type ViewSpec = {
  plane: DrawingPlane;
  /** Marks that the box is put round, and the room round them. */
  around: readonly string[];
  roomMm: number;
  shown: (segment: string) => boolean;
  /** Names of places, nearest wins. */
  palpable: readonly (readonly [string, string])[];
  of: (projection: Projection) => boolean;
  /** A touch reaches this far. */
  reachMm: number;
};

const LIMBS: readonly (readonly [string, string])[] = [
  ['humeral_head_L', 'shoulder'],
  ['humerus_shaft_L', 'upper arm'],
  ['elbow_centre_L', 'elbow'],
  ['radius_L', 'forearm'],
  ['wrist_centre_L', 'wrist'],
  ['mc3_L', 'hand'],
  ['hip_centre_L', 'hip'],
  ['femur_shaft_L', 'thigh'],
  ['knee_centre_L', 'knee'],
  ['tibia_shaft_L', 'leg'],
  ['ankle_centre_L', 'ankle'],
  ['toe_proximal_3_L', 'foot'],
];
const FINGERS = ['index finger', 'middle finger', 'ring finger', 'little finger'];
const TOES = ['great toe', 'second toe', 'third toe', 'fourth toe', 'little toe'];
const everything = () => true;
const trunkReachMm = 75;

const VIEWS: Record<TouchView, ViewSpec> = {
  front: {
    plane: { right: [1, 0, 0], up: [0, 0, 1] },
    around: ['vertex', 'toe_distal_1_L', 'dactylion_L', 'dactylion_R', 'calcaneus_L'],
    roomMm: 40,
    shown: everything,
    palpable: [
      ['cranium', 'skull'],
      ['orbit_rim_L', 'orbit'],
      ['nasal_bones', 'nose'],
      ['maxillary_sinus_L', 'face'],
      ['menton', 'jaw'],
      ['thyroid_notch', 'neck'],
      ['clavicle_mid_L', 'clavicle'],
      ['sternal_body', 'breastbone'],
      ['lung_L', 'chest'],
      ['umbilicus', 'abdomen'],
      ['stomach', 'stomach'],
      ['S3_body', 'pelvis'],
      ['bladder', 'bladder'],
      ['patella_centre_L', 'patella'],
      ...LIMBS,
    ],
    of: everything,
    reachMm: trunkReachMm,
  },
  back: {
    plane: { right: [-1, 0, 0], up: [0, 0, 1] },
    around: ['vertex', 'calcaneus_L', 'dactylion_L', 'dactylion_R'],
    roomMm: 40,
    shown: everything,
    palpable: [
      ['inion', 'back of the head'],
      ['C4_sp', 'cervical spine'],
      ['T7_sp', 'thoracic spine'],
      ['L3_sp', 'lumbar spine'],
      ['sacral_crest', 'sacrum'],
      ['coccyx', 'coccyx'],
      ['scapula_body_L', 'scapula'],
      ['rib9_L', 'ribs'],
      ['kidney_L', 'kidney'],
      ['S1_ala_L', 'sacroiliac joint'],
      ['calcaneus_L', 'heel'],
      ...LIMBS,
    ],
    of: everything,
    reachMm: trunkReachMm,
  },
  hand: {
    plane: { right: [1, 0, 0], up: [0, 0, -1] },
    around: ['dactylion_L', 'wrist_centre_L', 'p_distal_1_L', 'p_distal_5_L', 'radius_styloid_L'],
    roomMm: 22,
    shown: (segment) => /^(hand|finger\d|radius|forearm)_L$/.test(segment),
    palpable: [
      ['p_proximal_1_L', 'thumb'],
      ['mc1_L', 'base of the thumb'],
      ...FINGERS.map((name, i) => [`p_middle_${i + 2}_L`, name] as const),
      ['mc3_L', 'palm'],
      ['scaphoid_L', 'scaphoid'],
      ['pisiform_L', 'pisiform'],
      ['capitate_L', 'carpals'],
      ['wrist_centre_L', 'wrist'],
    ],
    of: ({ region }) => region === 'hand and wrist',
    reachMm: 24,
  },
  foot: {
    plane: { right: [-1, 0, 0], up: [0, -1, 0] },
    around: ['toe_distal_1_L', 'toe_distal_5_L', 'calcaneus_post_L', 'med_malleolus_L', 'lat_malleolus_L'],
    roomMm: 18,
    shown: (segment) => /^(foot|toes|talus)_L$/.test(segment),
    palpable: [
      ...TOES.map((name, i) => [`toe_proximal_${i + 1}_L`, name] as const),
      ['sesamoid_med_L', 'ball of the great toe'],
      ['mt3_L', 'metatarsals'],
      ['navicular_L', 'middle of the foot'],
      ['ankle_centre_L', 'ankle'],
      ['calcaneus_L', 'heel'],
    ],
    of: ({ region }) => region === 'foot and ankle',
    reachMm: 30,
  },
};

/** A projection and a point of it on the drawing. */
type Spot = { id: string; at: Vec2 };
export type TouchMap = {
  /** Bones, faint: they tell fingers and toes apart. */
  bones: string;
  view: TouchView;
  box: DrawingBox;
  figure: Figure;
  spots: Spot[];
  palpable: { name: string; at: Vec2 }[];
};

const CELLS = 150;

/** Where a projection aims on a standing body; fingers and toes once for each of them. */
function aimsOf(projection: Projection, body: Body): Vec3[] {
  const at = (id: string) => markOf(body, id).p;
  if (projection.part === 'finger') return FINGERS.map((_, i) => at(`p_middle_${i + 2}_L`));
  if (projection.part === 'toes') return TOES.map((_, i) => at(`toe_proximal_${i + 1}_L`));
  const { aim } = projection;
  const middle = (name: (id: string) => string): Vec3 =>
    'between' in aim ? midpoint(at(name(aim.between[0])), at(name(aim.between[1]))) : at(name(aim.landmark));
  const own = middle((id) => id);
  return projection.sided === 'each' ? [own, middle(otherSide)] : [own];
}

export function touchMap(view: TouchView): TouchMap {
  const { plane, around, roomMm, shown, palpable, of } = VIEWS[view];
  const body = buildBody({});
  const posed = placeBody(body, poseBody(body, {}), IDENTITY);
  const to = (p: Vec3) => toDrawing(plane, p);
  const corners = around.map((id) => to(markOf(body, id).p));
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const box: DrawingBox = {
    x: Math.min(...xs) - roomMm,
    y: Math.min(...ys) - roomMm,
    width: Math.max(...xs) - Math.min(...xs) + 2 * roomMm,
    height: Math.max(...ys) - Math.min(...ys) + 2 * roomMm,
  };
  const bothSides = (id: string) =>
    /_L$/.test(id) && (view === 'front' || view === 'back') ? [id, otherSide(id)] : [id];
  return {
    view,
    box,
    figure: drawFigure(posed, plane, box, { cells: CELLS, fine: true, shown }),
    bones: bonePaths(
      posedBones(posed, ({ segment }) => shown(segment)).map(({ shape }) => shape),
      plane,
      box,
    ),
    spots: projections.filter(of).flatMap((each) => aimsOf(each, body).map((p) => ({ id: each.id, at: to(p) }))),
    palpable: palpable.flatMap(([id, name]) => bothSides(id).map((mark) => ({ name, at: to(markOf(body, mark).p) }))),
  };
}

/** At least so many, however far the touch is from them. */
const LEAST = 3;

/** What was touched: its name, and the projections that aim there, nearest first; the routine ones before the rest. */
export function touchAt({ view, spots, palpable }: TouchMap, [x, y]: Vec2): { name: string; ids: string[] } {
  const far = ([a, b]: Vec2) => Math.hypot(a - x, b - y);
  const nearest = new Map<string, number>();
  for (const { id, at } of spots) nearest.set(id, Math.min(far(at), nearest.get(id) ?? Infinity));
  const sorted = [...nearest].sort((a, b) => a[1] - b[1]);
  const reach = Math.max(VIEWS[view].reachMm, sorted[LEAST - 1]?.[1] ?? 0);
  const rank = (id: string) => placeInExams(projectionOf(id)) ?? 9;
  const ids = sorted.filter(([, mm]) => mm <= reach).sort((a, b) => rank(a[0]) - rank(b[0]) || a[1] - b[1]);
  const place = palpable.reduce((best, each) => (far(each.at) < far(best.at) ? each : best));
  return { name: place.name, ids: ids.map(([id]) => id) };
}
