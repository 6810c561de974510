/** How many posterior ribs a frontal picture shows above the diaphragm: how deep the breath was. */
import { extremes, posedStructure } from '../body/posed';
import { applyToDirection, applyToPoint, inverse } from '../geometry/frame';
import { throughPoint } from '../geometry/projection';
import { dot, normalize, subtract, type Vec3 } from '../geometry/vector';
import { standingOf } from '../radiograph/bodySolids';
import type { Setup } from '../setup/setup';
import { markIn, planeIn } from './measure';

const RIBS = Array.from({ length: 12 }, (_, i) => i + 1);
/** Nearer than this to the way from front to back a picture is frontal, cosine. */
const FRONTAL = 0.85;

type OnPicture = { u: number; v: number };

/** A polyline's height where it first comes to a place across the picture; null where it does not. */
function heightAt(line: readonly OnPicture[], u: number): number | null {
  for (let i = 1; i < line.length; i += 1) {
    const [a, b] = [line[i - 1], line[i]];
    if ((a.u - u) * (b.u - u) <= 0 && a.u !== b.u) return a.v + ((b.v - a.v) * (u - a.u)) / (b.u - a.u);
  }
  return null;
}

/** The dome of either side with the ribs above it; the right one, which stands higher, where both are shown. */
const DOMES = [
  { dome: 'liver', side: 'R' },
  { dome: 'left_hemidiaphragm', side: 'L' },
] as const;

/**
 * @returns posterior ribs above the top of the dome, with the share of the space to the next; null for a picture that
 * is not frontal, that shows no dome, or on which no rib crosses above it
 * @example ribsAboveDome(computeSetup({ projectionId: 'chest-pa' })) // 10.1
 */
export function ribsAboveDome(setup: Setup): number | null {
  const { scene } = setup;
  const depth = normalize(subtract(markIn(setup, 'T9'), markIn(setup, 'xiphoid_tip')));
  if (Math.abs(dot(depth, scene.beam)) < FRONTAL) return null;
  for (const { dome, side } of DOMES) {
    const ribs = ribsAbove(setup, dome, side);
    if (ribs !== null) return ribs;
  }
  return null;
}

function ribsAbove(setup: Setup, domeId: string, side: 'L' | 'R'): number | null {
  const { scene } = setup;
  const plane = planeIn(setup);
  const posed = standingOf(setup);
  const onPicture = (p: Vec3): OnPicture => throughPoint(scene.focal, plane, applyToPoint(scene.place, p));
  const upward = applyToDirection(inverse(scene.place), scene.toHead);
  const dome = onPicture(extremes(posedStructure(posed, domeId).shape, [upward])[0]);
  if (!scene.fields.some((field) => isWithin(setup, field, dome))) return null;
  const heights = RIBS.map((n) => {
    const { shape } = posedStructure(posed, `rib${n}_${side}`);
    return shape.kind === 'tube' ? heightAt(posterior(shape.pts).map(onPicture), dome.u) : null;
  });
  const first = heights.findIndex((v) => v !== null);
  const below = heights.findIndex((v, i) => i > first && v !== null && v < dome.v);
  if (below < 1) return null;
  const [above, next] = [heights[below - 1], heights[below]];
  return above === null || next === null ? null : below + (above - dome.v) / (above - next);
}

/** From the spine to where a rib is furthest to the side. */
function posterior(pts: readonly Vec3[]): readonly Vec3[] {
  const far = pts.reduce((best, p, i) => (Math.abs(p[0]) > Math.abs(pts[best][0]) ? i : best), 0);
  return pts.slice(0, far + 1);
}

function isWithin(setup: Setup, field: readonly Vec3[], { u, v }: OnPicture): boolean {
  const { scene } = setup;
  const corners = field.map((corner) => {
    const off = subtract(corner, scene.hit);
    return [dot(off, scene.receptor.u), dot(off, scene.receptor.v)] as const;
  });
  const [us, vs] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  return u > Math.min(...us) && u < Math.max(...us) && v > Math.min(...vs) && v < Math.max(...vs);
}
