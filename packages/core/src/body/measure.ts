/**
 * The body measured as an anthropometrist does it, on bones and skin. The same tape is laid on the reference
 * mannequin, from which every stretch is taken, and on the finished body, where it shows what came of it.
 */
import { distance, subtract, type Vec3 } from '../geometry/vector';
import type { Medians } from './anthropometry';
import { rayInterval, supportPoint, type Shape } from './shape';

/** What the tape needs of a body in anatomical position. */
export type Form = {
  landmark: (id: string) => Vec3;
  bone: (id: string) => Shape;
  /** All skin, or that of the named segments. */
  skin: (segments?: readonly string[]) => readonly Shape[];
};

export type Measures = Omit<Medians, 'massKg'>;

/** Flesh between the ischial tuberosity and the seat, as a share of the hip breadth [typical]. */
const SEAT_FLESH_SHARE = 0.04;

const TRUNK = ['pelvis', 'lumbar', 'thorax'];
const FOOT = ['foot_L', 'talus_L', 'toes_L'];

const reach = (shapes: readonly Shape[], axis: 0 | 1 | 2, sign: 1 | -1): number => {
  const d: Vec3 = [axis === 0 ? sign : 0, axis === 1 ? sign : 0, axis === 2 ? sign : 0];
  return Math.max(...shapes.map((shape) => sign * supportPoint(shape, d)[axis])) * sign;
};
const extent = (shapes: readonly Shape[], axis: 0 | 1 | 2): number => reach(shapes, axis, 1) - reach(shapes, axis, -1);

/**
 * Cartilage of both growth ends together, as a share of the knee breadth: what a radiograph of a small child does not
 * show of the bone. Shares fitted once to the whole table [C]; series of older children count the bony ends.
 */
const GROWTH_ENDS = { femurMm: 0.45, tibiaMm: 0.36, humerusMm: 0.34, radiusMm: 0.28 } as const;
const GROWTH_ENDS_UNTIL_YEARS = 9;

/** The long bones as a radiographic series of this age would measure them. */
export function asRadiographed(measures: Measures, ageYears: number): Measures {
  if (ageYears >= GROWTH_ENDS_UNTIL_YEARS) return measures;
  const shafts = Object.entries(GROWTH_ENDS).map(([bone, share]) => [
    bone,
    measures[bone as keyof typeof GROWTH_ENDS] - share * measures.kneeBreadthMm,
  ]);
  return { ...measures, ...Object.fromEntries(shafts) };
}

/** From the first entry to the last exit of a line along an axis. */
function across(shapes: readonly Shape[], through: Vec3, axis: 0 | 1): number {
  const d: Vec3 = axis === 0 ? [1, 0, 0] : [0, 1, 0];
  const spans = shapes.flatMap((shape) => rayInterval(shape, through, d) ?? []);
  return Math.max(...spans) - Math.min(...spans);
}

/** Perimeter of an ellipse to a few parts in a million. Source: Ramanujan's second approximation, textbook. */
export function ellipsePerimeter(a: number, b: number): number {
  const h = ((a - b) / (a + b)) ** 2;
  return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
}

/**
 * All dimensions of the anthropometric table, mm. Bones by their whole length, growth ends included; trunk depths in
 * the midline at the xiphisternal joint and the umbilicus; hip breadth at the trochanters; skin to skin otherwise.
 */
export function measureForm(form: Form): Measures {
  const all = form.skin();
  const trunk = form.skin(TRUNK);
  const thorax = form.skin(['thorax']);
  const cranium = form.skin(['head']).slice(0, 1);
  const legs = form.skin(['thigh_L', 'thigh_R']);
  const chestFront = form.landmark('xiphisternal');
  const chestAPMm = across(thorax, chestFront, 1);
  const chestLevel: Vec3 = [0, chestFront[1] + chestAPMm / 2, chestFront[2]];
  const trochanter = form.landmark('greater_trochanter_lat_L');
  const condyle = form.landmark('lat_epicondyle_fem_L');
  const vertex = reach(all, 2, 1);
  const hipBreadthMm = across(legs, [0, trochanter[1], trochanter[2]], 0);
  const seat = form.landmark('ischial_tuberosity_L')[2] - SEAT_FLESH_SHARE * hipBreadthMm;
  const headLengthMm = extent(cranium, 1);
  const headBreadthMm = extent(cranium, 0);
  const long = (first: string, last: string): number =>
    supportPoint(form.bone(first), [0, 0, 1])[2] - supportPoint(form.bone(last), [0, 0, -1])[2];
  const left = form.skin(['thigh_L']);
  return {
    statureMm: vertex - reach(form.skin(FOOT), 2, -1),
    sittingMm: vertex - seat,
    headLengthMm,
    headBreadthMm,
    headCircMm: ellipsePerimeter(headLengthMm / 2, headBreadthMm / 2),
    chestAPMm,
    chestBreadthMm: across(thorax, chestLevel, 0),
    abdomenAPMm: across(trunk, [0, 0, form.landmark('umbilicus')[2]], 1),
    kneeBreadthMm: across(left, condyle, 0),
    handMm: distance(form.landmark('wrist_centre_L'), form.landmark('dactylion_L')),
    footMm: subtract(form.landmark('heel_back_L'), form.landmark('hallux_tip_L'))[1],
    humerusMm: long('humeral_head_L', 'trochlea_L'),
    radiusMm: long('radius_head_L', 'radius_styloid_L'),
    femurMm: long('femoral_head_L', 'femoral_condyle_med_L'),
    tibiaMm: long('tibial_plateau_med_L', 'medial_malleolus_L'),
    biacromialMm: subtract(form.landmark('acromion_L'), form.landmark('acromion_R'))[0],
    hipBreadthMm,
  };
}
