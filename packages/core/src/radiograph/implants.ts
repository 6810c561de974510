/** Metal that stays in the body: it is seen, hides what lies behind it, and rides on its bone. */
import type { Primitive } from '../body/primitive';
import type { PosedBody } from '../body/posed';
import type { Shape } from '../body/shape';
import { solidOf, type Solid } from '../body/surface';
import type { Vec3 } from '../geometry/vector';
import { moveSolid, standingOf } from './bodySolids';
import type { Setup } from '../setup/setup';

export const IMPLANTS = ['none', 'left hip', 'right hip'] as const;
export type Implant = (typeof IMPLANTS)[number];

/** Over all bone. */
const PRIORITY = 92;
/** A hip replacement of usual shape, on the left of the reference mannequin, mm. */
const STEM: { pts: readonly Vec3[]; r: readonly number[] } = {
  pts: [
    [92, 1, -3],
    [122, 7, -25],
    [124, 4, -65],
    [114, -6, -185],
  ],
  r: [7, 8, 8, 5],
};
const HEAD: { c: Vec3; r: number } = { c: [88, 0, 0], r: 16 };

const onThigh = (side: 'L' | 'R', shape: Shape, material: string): Primitive => ({
  id: `implant_${side}`,
  organ: 'hip replacement',
  tissue: 'bone',
  skin: false,
  segment: `thigh_${side}`,
  detail: 1,
  shape,
  material,
  priority: PRIORITY,
});

function hipOf(posed: PosedBody, side: 'L' | 'R'): Solid[] {
  const at = ([x, y, z]: Vec3): Vec3 => [side === 'L' ? x : -x, y, z];
  const stem: Shape = { kind: 'tube', pts: STEM.pts.map(at), r: STEM.r };
  const head: Shape = {
    kind: 'ellipsoid',
    c: at(HEAD.c),
    axes: [
      [HEAD.r, 0, 0],
      [0, HEAD.r, 0],
      [0, 0, HEAD.r],
    ],
  };
  return [...solidOf(posed, onThigh(side, stem, 'titanium')), ...solidOf(posed, onThigh(side, head, 'cocr'))];
}

/** An implant where it stands in the room, to be simulated with the body. */
export function implantIn(setup: Setup, implant: Implant): Solid[] {
  if (implant === 'none') return [];
  return hipOf(standingOf(setup), implant === 'left hip' ? 'L' : 'R').map((solid) =>
    moveSolid(solid, setup.scene.place),
  );
}
