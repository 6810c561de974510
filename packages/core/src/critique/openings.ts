/** Joints that a picture shows open: how wide a gap the rays find between the two bones, computed on the posed joint. */
import { plateNormal } from '../body/intervals';
import { mannequin } from '../body/mannequin';
import { moveShape, shapeCentre } from '../body/shape';
import { solidOf } from '../body/surface';
import { throughPoint } from '../geometry/projection';
import { addScaled, cross, dot, normalize, subtract, type Vec3 } from '../geometry/vector';
import type { OpenedJoints } from '../projections/vocabulary';
import { standingOf } from '../radiograph/bodySolids';
import type { Setup } from '../setup/setup';
import { planeIn } from './measure';

const VERTEBRAE = ['C', 'T', 'L', 'S'].flatMap((region) =>
  Array.from({ length: { C: 7, T: 12, L: 5, S: 1 }[region]! }, (_, i) => `${region}${i + 1}`),
);
const arches = (from: string, to: string): string[] =>
  VERTEBRAE.slice(VERTEBRAE.indexOf(from), VERTEBRAE.indexOf(to) + 1).map((level) => `${level}_facet`);

/** Of both sides, for the ray decides which it opens. */
const JOINTS: Readonly<Record<OpenedJoints, readonly string[]>> = {
  'cervical facet joints': arches('C3', 'C6'),
  'thoracic facet joints': arches('T3', 'T11'),
  'lumbar facet joints': arches('L1', 'L5'),
  'sacroiliac joints': ['sacroiliac_joint'],
};

export type Opening = {
  id: string;
  name: string;
  /** Clear width on the receptor, mm; 0 where bone covers the gap. */
  mm: number;
  /** What it is when the ray runs along the joint. */
  widestMm: number;
};

function nameOf(joint: string, side: 'L' | 'R'): string {
  const whose = side === 'L' ? 'left' : 'right';
  const [level, kind] = joint.split('_');
  if (kind !== 'facet') return `Sacroiliac joint, ${whose}, open`;
  return `Joint ${level}-${VERTEBRAE[VERTEBRAE.indexOf(level) + 1]}, ${whose}, open`;
}

/** Length of the line through a point of a flat convex polygon. */
function chord(pts: readonly Vec3[], through: Vec3, along: Vec3, n: Vec3): number {
  let [back, front] = [-Infinity, Infinity];
  pts.forEach((p, i) => {
    const outward = cross(subtract(pts[(i + 1) % pts.length], p), n);
    const speed = dot(along, outward);
    const reached = dot(subtract(p, through), outward) / speed;
    // A side is met ahead or behind, whichever way round its corners are given.
    if (reached > 0) front = Math.min(front, reached);
    else if (reached < 0) back = Math.max(back, reached);
  });
  return front - back;
}

/** Of a flat gap: what is left of its width when its depth leans across the ray. */
function openingIn(setup: Setup, joint: string, side: 'L' | 'R'): Opening {
  const { scene } = setup;
  const id = `${joint}_${side}`;
  const primitive = mannequin.primitives.find((each) => each.id === id);
  const shape = primitive && moveShape(solidOf(standingOf(setup), primitive)[0].shape, scene.place);
  if (shape?.kind !== 'plate') throw new RangeError(`there is no flat joint "${id}"`);
  const middle = shapeCentre(shape);
  const ray = normalize(subtract(middle, scene.focal));
  const n = plateNormal(shape.pts);
  const lean = Math.abs(dot(ray, n));
  const along = normalize(addScaled(ray, n, -dot(ray, n)));
  const clear = shape.t * Math.sqrt(1 - lean * lean) - chord(shape.pts, middle, along, n) * lean;
  const { magnification } = throughPoint(scene.focal, planeIn(setup), middle);
  return {
    id: `open ${id}`,
    name: nameOf(joint, side),
    mm: Math.max(0, clear) * magnification,
    widestMm: shape.t * magnification,
  };
}

/** All joints that the view is made to open, open or not. Source: geometry of a slit. */
export const openingsOf = (setup: Setup): Opening[] =>
  (setup.opens ? JOINTS[setup.opens] : []).flatMap((joint) =>
    (['L', 'R'] as const).map((side) => openingIn(setup, joint, side)),
  );

/** A joint counts as open where at least this share of its width is clear. */
export const OPEN_SHARE = 0.5;
