/**
 * Where the organs lie: lungs and diaphragm, stomach, gallbladder, colon and kidneys move with the build, with lying
 * and standing and with the breath. All in coordinates of the reference mannequin, before the patient's stretch.
 * Source: teaching figures of body habitus and of the mobility of the abdominal organs [C].
 */
import { addScaled, type Vec3 } from '../geometry/vector';
import type { Habitus, Patient } from './patient';
import data from './data/organs.json';
import type { Primitive } from './primitive';
import { stretchShape, type Shape, type Tube } from './shape';

/** Whether the trunk stands, and how deep the breath is held. */
export type BodyState = { rest: 'standing' | 'lying'; breath: 'in' | 'out' };
export const STANDING: BodyState = { rest: 'standing', breath: 'in' };

/** Thorax by build: breadth, depth and length of the lungs against the sthenic [C, teaching figures]. */
const THORAX: Record<Habitus, Vec3> = {
  hypersthenic: [1.1, 1.06, 0.94],
  sthenic: [1, 1, 1],
  hyposthenic: [0.97, 0.97, 1.03],
  asthenic: [0.92, 0.93, 1.07],
};
/** Breadth and depth of the rib cage by build, its length unchanged. */
export const thoraxOf = (habitus: Habitus): Vec3 => [THORAX[habitus][0], THORAX[habitus][1], 1];

/** Breadth and height of the heart: it lies across in a broad chest and hangs in a narrow one. */
const HEART: Record<Habitus, Vec3> = {
  hypersthenic: [1.1, 1, 0.93],
  sthenic: [1, 1, 1],
  hyposthenic: [0.95, 1, 1.04],
  asthenic: [0.86, 1, 1.1],
};
/** Kidneys against the sthenic, mm toward the head. */
const KIDNEYS_MM: Record<Habitus, number> = { hypersthenic: 12, sthenic: 0, hyposthenic: -12, asthenic: -25 };

const LUNG_APEX_MM = 540;
const LUNG_LENGTH_MM = 332;
/** Taught: organs stand 2.5 to 5 cm lower upright than on the back; the dome 3 to 5 cm lower at a deep breath. */
const STANDING_DROP_MM = 35;
const BREATH_MM = 40;
const LYING_DOME_MM = 25;
/** Apices of small children stand high over the clavicles [C]; none left at this age. */
const APEX_MM = 14;
const APEX_UNTIL_YEARS = 6;

type Build = Record<'stomach' | 'duodenal_bulb' | 'gallbladder' | 'colon', { pts: Vec3[]; r: number[] }>;
const builds = data.builds as unknown as Record<Habitus, Build>;
const isHollow = (id: string): id is keyof Build => id in builds.sthenic;

/** The hollow organs of the belly as pieces of the reference mannequin. */
export const hollowOrgans: Primitive[] = Object.entries(builds.sthenic).map(([id, { pts, r }]) => ({
  id,
  organ: id.replace('_', ' '),
  tissue: 'soft',
  skin: false,
  segment: 'lumbar',
  detail: 2,
  material: 'muscle',
  priority: 49,
  shape: { kind: 'tube', pts, r },
}));

/** How far the domes of the diaphragm stand toward the head of the reference, mm. */
function domeRiseMm({ habitus }: Patient, { rest, breath }: BodyState): number {
  return (
    (1 - THORAX[habitus][2]) * LUNG_LENGTH_MM +
    (rest === 'lying' ? LYING_DOME_MM : 0) +
    (breath === 'out' ? BREATH_MM : 0)
  );
}

/** How far the organs under the diaphragm stand toward the head of where they lie on the back, mm. */
const bellyRiseMm = ({ rest, breath }: BodyState): number =>
  (rest === 'standing' ? -STANDING_DROP_MM : 0) + (breath === 'out' ? BREATH_MM / 2 : 0);

const raised = (shape: Shape, mm: number): Shape => {
  const up = (p: Vec3): Vec3 => addScaled(p, [0, 0, 1], mm);
  return shape.kind === 'tube' || shape.kind === 'plate'
    ? { ...shape, pts: shape.pts.map(up) }
    : { ...shape, c: up(shape.c) };
};

const BELLY = /^(kidney|retroperitoneal_fat|spleen|gas_(transverse|ascending|descending|smallbowel))/;
const UNDER_DOME = /^(liver|left_hemidiaphragm|stomach_gas)/;

/** Shape of a piece of the reference mannequin for this build, state and age. */
export function organShape(patient: Patient, state: BodyState, { id, shape, tissue }: Primitive): Shape {
  if (tissue === 'bone') return shape;
  const { habitus, ageYears } = patient;
  if (isHollow(id)) return raised({ kind: 'tube', ...builds[habitus][id] } satisfies Tube, bellyRiseMm(state));
  if (id.startsWith('lung_')) {
    const apex = APEX_MM * Math.max(0, 1 - ageYears / APEX_UNTIL_YEARS);
    const z = (LUNG_LENGTH_MM + apex - domeRiseMm(patient, state)) / LUNG_LENGTH_MM;
    const middle: Vec3 = [0, shape.kind === 'ellipsoid' ? shape.c[1] : 0, LUNG_APEX_MM];
    return raised(stretchShape(shape, [1, 1, z], middle, middle), apex);
  }
  if (id === 'heart') {
    const c = (shape as Extract<Shape, { c: Vec3 }>).c;
    return raised(stretchShape(shape, HEART[habitus], c, c), domeRiseMm(patient, state) / 2);
  }
  if (UNDER_DOME.test(id)) return raised(shape, domeRiseMm(patient, state));
  if (BELLY.test(id)) return raised(shape, bellyRiseMm(state) + (id.startsWith('kidney') ? KIDNEYS_MM[habitus] : 0));
  return shape;
}

/** Landmarks that ride on an organ: the lower corners of the lungs follow the diaphragm. */
export function organPoint(patient: Patient, state: BodyState, id: string, p: Vec3): Vec3 {
  if (!id.startsWith('costophrenic')) return p;
  return [p[0], p[1], p[2] + domeRiseMm(patient, state)];
}
