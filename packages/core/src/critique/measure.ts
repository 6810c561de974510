/** What a picture shows of how the part lay: distances on the receptor, computed where the rays put the marks. */
import { posedMark } from '../body/posed';
import { throughPoint, type PlaneFrame } from '../geometry/projection';
import { subtract, dot, distance, type Vec3 } from '../geometry/vector';
import { standingOf } from '../radiograph/bodySolids';
import { misplace, NO_POSITIONING_ERROR, pivotOf, type PositioningError } from '../radiograph/positioningError';
import { applyToPoint } from '../geometry/frame';
import { sideView } from '../setup/placing/side';
import type { Setup } from '../setup/setup';
import type { Sign } from './signs';

export const planeIn = ({ scene }: Setup): PlaneFrame => ({
  origin: scene.hit,
  u: scene.receptor.u,
  v: scene.receptor.v,
  n: scene.receptor.n,
});

/** Where a mark of the body stands in the room. @throws RangeError for an unknown name */
export function markIn(setup: Setup, id: string): Vec3 {
  const name = sideView(setup.side).name(id);
  return applyToPoint(setup.scene.place, posedMark(standingOf(setup), name).p);
}

/**
 * A sign measured on the picture of a set-up.
 * @returns mm on the receptor, with its sign along the direction of the sign
 */
export function measureSign(setup: Setup, { marks, axis }: Sign): number {
  const plane = planeIn(setup);
  const [a, b, c] = marks.map((id) => throughPoint(setup.scene.focal, plane, markIn(setup, id))[axis]);
  return marks.length === 2 ? a - b : a - c + (b - c);
}

/** Distance of the marks along the ray at the part: the lever by which a turn moves them apart. */
export function leverOf(setup: Setup, { marks }: Sign): number {
  const { beam } = setup.scene;
  const [a, b, c] = marks.map((id) => dot(markIn(setup, id), beam));
  return Math.abs(marks.length === 2 ? a - b : a - c + (b - c));
}

/** Magnification of the middle of the part. */
export const magnificationIn = (setup: Setup): number =>
  throughPoint(setup.scene.focal, planeIn(setup), pivotOf(setup)).magnification;

/** Where the middle of the part lies against the middle of the light, mm on the receptor, up it and across it. */
export function centringOf(setup: Setup): { along: number; across: number } {
  const { u, v } = throughPoint(setup.scene.focal, planeIn(setup), pivotOf(setup));
  return { along: v, across: u };
}

/** A set-up with one motion of the part more. */
export const withMotion = (setup: Setup, key: keyof PositioningError, amount: number): Setup =>
  misplace(setup, { ...NO_POSITIONING_ERROR, [key]: amount });

/** How much the measure changes for a degree, near how it should be; mm on the receptor. */
export const perDegree = (ideal: Setup, sign: Sign): number =>
  (measureSign(withMotion(ideal, sign.about, 1), sign) - measureSign(withMotion(ideal, sign.about, -1), sign)) / 2;

export type EdgeReading = { name: string; insideMm: number };

/** Signed distances of a point from the sides of a convex outline, inside above 0, with the direction of each side. */
function fromSides(outline: readonly Vec3[], middle: Vec3, p: Vec3): { mm: number; outward: Vec3 }[] {
  return outline.map((a, i) => {
    const b = outline[(i + 1) % outline.length];
    const side = subtract(b, a);
    const size = distance(a, b) || 1;
    const along = dot(subtract(middle, a), side) / size ** 2;
    const foot: Vec3 = [a[0] + side[0] * along, a[1] + side[1] * along, a[2] + side[2] * along];
    const reach = distance(middle, foot) || 1;
    const outward: Vec3 = [(foot[0] - middle[0]) / reach, (foot[1] - middle[1]) / reach, (foot[2] - middle[2]) / reach];
    return { mm: dot(subtract(foot, p), outward), outward };
  });
}

/**
 * How far each thing that must be shown lies inside the light, at the part; below 0 where it is cut.
 * Where there are several exposures the best of them counts.
 */
export function edgesOf(setup: Setup): EdgeReading[] {
  const { scene } = setup;
  const plane = planeIn(setup);
  return scene.mustShow.map(({ name, points, axis }) => {
    const shadows = points.map((p) => {
      const { u, v, magnification } = throughPoint(scene.focal, plane, p);
      const q: Vec3 = [0, 1, 2].map((k) => plane.origin[k] + plane.u[k] * u + plane.v[k] * v) as unknown as Vec3;
      return { q, magnification };
    });
    const inside = scene.fields.map((field) => {
      const middle = [0, 1, 2].map((k) => field.reduce((sum, p) => sum + p[k], 0) / field.length) as unknown as Vec3;
      return Math.min(
        ...shadows.flatMap(({ q, magnification }) =>
          fromSides(field, middle, q)
            .filter(({ outward }) => {
              const alongV = Math.abs(dot(outward, plane.v)) > Math.SQRT1_2;
              return axis === 'both' || (axis === 'along') === alongV;
            })
            .map(({ mm }) => mm / magnification),
        ),
      );
    });
    return { name, insideMm: Math.max(...inside) };
  });
}
