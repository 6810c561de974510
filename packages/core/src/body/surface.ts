/**
 * What a ray meets in a posed body: tissue by tissue, and how far structures lie from a receptor.
 */
import { addScaled, dot, subtract, type Vec3 } from '../geometry/vector';
import { presentPieces, primitiveOf } from './body';
import { merged, rayIntervals, shrunk } from './intervals';
import { mannequin } from './mannequin';
import type { Primitive } from './primitive';
import { crossSkin, posedLandmark, posedStructure, segmentFrame, type PosedBody } from './posed';
import { moveShape, supportPoint, type Interval, type Shape } from './shape';

/** One solid piece where it stands, with the material it is of; the higher priority wins where pieces overlap. */
export type Solid = {
  shape: Shape;
  material: string;
  priority: number;
  /** Only what lies on this side of a plane: where the coordinate along `normal` is at most `mm`. */
  under?: { normal: Vec3; mm: number };
};

/** One piece of the mannequin as solids, its cavity after its wall. */
export function solidOf(posed: PosedBody, reference: Primitive): Solid[] {
  const own = primitiveOf(posed.body, reference);
  const shape = moveShape(own.shape, segmentFrame(posed, reference.segment));
  const wall: Solid = { shape, material: reference.material, priority: reference.priority };
  if (!reference.inner) return [wall];
  const { material, t } = reference.inner;
  const cavities = shrunk(shape, t).map((inner) => ({ shape: inner, material, priority: reference.priority + 0.5 }));
  return [wall, ...cavities];
}

/** All of a body as solids, cavities after their walls. About 1000 pieces: make it once for many rays. */
export const solidsOf = (posed: PosedBody): Solid[] =>
  presentPieces(posed.body).flatMap((reference) => solidOf(posed, reference));

/** The part of an interval that lies under a plane; null where none does. */
function underPlane(
  [near, far]: Interval,
  { normal, mm }: NonNullable<Solid['under']>,
  from: Vec3,
  d: Vec3,
): Interval | null {
  const speed = dot(normal, d);
  const gap = mm - dot(normal, from);
  if (Math.abs(speed) < 1e-12) return gap >= 0 ? [near, far] : null;
  const cut: Interval = speed > 0 ? [near, Math.min(far, gap / speed)] : [Math.max(near, gap / speed), far];
  return cut[0] < cut[1] ? cut : null;
}

export const TISSUES = ['bone', 'soft', 'fat', 'lung', 'air'] as const;
export type Tissue = (typeof TISSUES)[number];

const TISSUE_OF: Readonly<Record<string, Tissue>> = {
  cortical: 'bone',
  cancellous: 'bone',
  marrow: 'bone',
  tooth: 'bone',
  pneumatised: 'bone',
  lung: 'lung',
  air: 'air',
  fat: 'fat',
};
export const tissueOf = (material: string): Tissue => TISSUE_OF[material] ?? 'soft';

export type TissueSpan = { material: string; from: number; to: number };
export type TissuePath = {
  /** In order along the ray; mm from the point that the line was given by. Gaps are outside the body. */
  spans: TissueSpan[];
  mm: Record<Tissue, number>;
  totalMm: number;
};

/**
 * Materials along a line, the one of highest priority at every point; ties go to the later piece.
 * @param through a point of the line; @param d unit direction
 */
export function tissuesAlong(solids: readonly Solid[], through: Vec3, d: Vec3): TissuePath {
  const pieces: { interval: Interval; solid: Solid; order: number }[] = [];
  solids.forEach((solid, order) => {
    for (const whole of rayIntervals(solid.shape, through, d)) {
      const interval = solid.under ? underPlane(whole, solid.under, through, d) : whole;
      if (interval) pieces.push({ interval, solid, order });
    }
  });
  const cuts = [...new Set(pieces.flatMap(({ interval }) => [interval[0], interval[1]]))].sort((a, b) => a - b);
  const spans: TissueSpan[] = [];
  for (let i = 1; i < cuts.length; i += 1) {
    const middle = (cuts[i - 1] + cuts[i]) / 2;
    let best: (typeof pieces)[number] | undefined;
    for (const piece of pieces) {
      if (piece.interval[0] > middle || piece.interval[1] < middle) continue;
      if (
        !best ||
        piece.solid.priority > best.solid.priority ||
        (piece.solid.priority === best.solid.priority && piece.order > best.order)
      )
        best = piece;
    }
    if (!best) continue;
    const last = spans[spans.length - 1];
    if (last && last.material === best.solid.material && last.to === cuts[i - 1]) last.to = cuts[i];
    else spans.push({ material: best.solid.material, from: cuts[i - 1], to: cuts[i] });
  }
  const mm: Record<Tissue, number> = { bone: 0, soft: 0, fat: 0, lung: 0, air: 0 };
  for (const { material, from, to } of spans) mm[tissueOf(material)] += to - from;
  return { spans, mm, totalMm: spans.reduce((sum, { from, to }) => sum + to - from, 0) };
}

/** A landmark on bone or joint and the skin over it. */
export type SurfacePoint = { bone: Vec3; skin: Vec3; depthMm: number };

/** Skin that lies over a segment: its own and that of the segment it hangs on; the chin does not cover the neck. */
const overSegment = (posed: PosedBody, segment: string): readonly Shape[] => {
  const { parent } = posed.body.segments[segment];
  return posed.skin.filter((piece) => piece.segment === segment || piece.segment === parent).map(({ shape }) => shape);
};

/**
 * The skin over a landmark: along its outward direction, where the skin of its part of the body ends.
 * A skin landmark is its own skin point.
 */
export function surfacePoint(posed: PosedBody, id: string): SurfacePoint {
  const mark = posedLandmark(posed, id);
  if (mark.kind === 'skin') return { bone: mark.p, skin: mark.p, depthMm: 0 };
  const from = subtract(mark.p, posed.slide);
  const ahead = merged(overSegment(posed, mark.segment).flatMap((shape) => rayIntervals(shape, from, mark.dir)));
  const around = ahead.find(([near, far]) => near <= 0 && far >= 0);
  const depthMm = around ? around[1] : 0;
  return { bone: mark.p, skin: addScaled(mark.p, mark.dir, depthMm), depthMm };
}

export type ReceptorDistance = { nearMm: number; middleMm: number; farMm: number };

/**
 * Object-to-receptor distance of a landmark or a structure: its nearest and furthest point, and its middle.
 * @param plane any point of the receptor and its unit normal toward the tube
 * @throws RangeError for an unknown name
 */
export function receptorDistance(posed: PosedBody, id: string, plane: { point: Vec3; normal: Vec3 }): ReceptorDistance {
  const height = (p: Vec3) => dot(subtract(p, plane.point), plane.normal);
  if (mannequin.landmarks.some((landmark) => landmark.id === id)) {
    const mm = height(posedLandmark(posed, id).p);
    return { nearMm: mm, middleMm: mm, farMm: mm };
  }
  const { shape } = posedStructure(posed, id);
  const farMm = height(supportPoint(shape, plane.normal));
  const nearMm = height(supportPoint(shape, [-plane.normal[0], -plane.normal[1], -plane.normal[2]]));
  return { nearMm, middleMm: (nearMm + farMm) / 2, farMm };
}

/** Thickness of the body along a ray and where it enters and leaves, with what it passes through. */
export function rayThrough(
  posed: PosedBody,
  through: Vec3,
  d: Vec3,
): { entry: Vec3; exit: Vec3; thicknessMm: number; tissues: TissuePath } | null {
  const crossing = crossSkin(posed, through, d);
  return crossing && { ...crossing, tissues: tissuesAlong(solidsOf(posed), through, d) };
}
