/** Cover: what must be shown, projected onto the receptor, and the field that takes it. */
import { extremes, posedMark, posedStructure } from '../../body/posed';
import { throughPoint, type PlaneFrame } from '../../geometry/projection';
import { negate, type InRoom, type Vec3 } from '../../geometry/vector';
import type { CoverItem, Projection } from '../../projections/schema';
import { locate, type PlacedBody } from '../placing/place';
import type { SideView } from '../placing/side';

export type CoverPoints = { name: string; axis: CoverItem['axis']; marginMm: number; points: Vec3<InRoom>[] };

/** Every item of the entry as points on this body, before anything is known of tube or receptor. */
export function coverPoints(
  projection: Projection,
  placed: PlacedBody,
  view: SideView,
  u: Vec3<InRoom>,
  v: Vec3<InRoom>,
): CoverPoints[] {
  return projection.cover.map((item) => {
    const points =
      'structure' in item
        ? extremes(posedStructure(placed.posed, view.name(item.structure)).shape, [u, negate(u), v, negate(v)])
        : [locate(item, placed, view).p];
    const sided = projection.sided === 'none' && view.mirrored ? swapWords(item.name) : item.name;
    return { name: sided, axis: item.axis, marginMm: item.marginMm, points };
  });
}

const swapWords = (name: string): string =>
  name.replace(/\b(left|right)\b/, (word) => (word === 'left' ? 'right' : 'left'));

export type Shadow = {
  name: string;
  axis: CoverItem['axis'];
  u: number;
  v: number;
  marginMm: number;
  magnification: number;
};

/**
 * Projects the points from the focal spot; margins are added in the object and grow with it. Turned by `rotationDeg`. A
 * point that is told from another, along a very thin limb, may lie a little behind the receptor.
 */
export function shadowsOf(
  cover: readonly CoverPoints[],
  focal: Vec3<InRoom>,
  plane: PlaneFrame,
  rotationDeg: number,
): Shadow[] {
  const t = (rotationDeg * Math.PI) / 180;
  return cover.flatMap(({ name, axis, marginMm, points }) =>
    points.map((p) => {
      const { u, v, magnification } = throughPoint(focal, plane, p);
      return {
        name,
        axis,
        marginMm: marginMm * magnification,
        magnification,
        u: u * Math.cos(t) + v * Math.sin(t),
        v: -u * Math.sin(t) + v * Math.cos(t),
      };
    }),
  );
}

/** Fields are opened in steps that a collimator dial shows. */
const FIELD_STEP_MM = 5;
const openTo = (mm: number): number => Math.max(0, Math.ceil(mm / FIELD_STEP_MM - 1e-9)) * FIELD_STEP_MM;

/** The field, symmetric about the central ray, that takes every shadow. */
export function neededField(shadows: readonly Shadow[]): { width: number; height: number } {
  let half = { u: 0, v: 0 };
  for (const s of shadows) {
    if (s.axis !== 'along') half = { ...half, u: Math.max(half.u, Math.abs(s.u) + s.marginMm) };
    if (s.axis !== 'across') half = { ...half, v: Math.max(half.v, Math.abs(s.v) + s.marginMm) };
  }
  return { width: openTo(2 * half.u), height: openTo(2 * half.v) };
}

/** Names of what the field cuts: its own points count, not the margin round them. */
export function clippedBy(shadows: readonly Shadow[], field: { width: number; height: number }): string[] {
  const cut = shadows.filter(
    (s) =>
      (s.axis !== 'along' && Math.abs(s.u) > field.width / 2 + 0.5) ||
      (s.axis !== 'across' && Math.abs(s.v) > field.height / 2 + 0.5),
  );
  return [...new Set(cut.map((s) => s.name))];
}

/** Angle from the receptor's long axis to the projected bone, degrees; 0 when the entry names none. */
export function boneRotation(
  projection: Projection,
  placed: PlacedBody,
  view: SideView,
  focal: Vec3<InRoom>,
  plane: PlaneFrame,
): number {
  if (!projection.alongBone) return 0;
  const [from, to] = projection.alongBone.map((id) =>
    throughPoint(focal, plane, posedMark(placed.posed, view.name(id)).p),
  );
  return (-Math.atan2(to.u - from.u, to.v - from.v) * 180) / Math.PI;
}
