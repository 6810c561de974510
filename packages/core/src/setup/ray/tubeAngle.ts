/** How the tube leans: by the entry, by the patient's own pelvis, by a way that was found, or by hand. */
import type { Projection } from '../../projections/schema';
import type { Room } from '../../room/room';
import { kneeAngleByPelvis, pelvisThicknessMm, type PlacedBody } from '../placing/place';
import type { Overrides } from '../request';
import { problem, type Problem } from '../problem';
import type { Along } from '../setup';
import type { AdaptedWay } from '../placing/adaptedWay';

export type TubeAngle = {
  /** Along the part, above 0 toward its head end; and across it. */
  signedDeg: number;
  acrossDeg: number;
  /** The first without its sign, and where it points. */
  angleDeg: number;
  toward: Along | null;
  leans: boolean;
  /** What it was taken from, where it was; else 0. */
  pelvisMm: number;
};

export function tubeAngle(
  { ray }: Projection,
  adapted: AdaptedWay | null,
  { angleDeg }: Overrides,
  placed: PlacedBody,
  tubeDeg?: number,
): TubeAngle {
  const pelvisMm = ray.angleBy && !adapted ? pelvisThicknessMm(placed) : 0;
  const own = adapted
    ? adapted.alongDeg
    : ray.angleBy
      ? kneeAngleByPelvis(pelvisMm)
      : (tubeDeg ?? ray.angleDeg * (ray.toward === 'feet' ? -1 : 1));
  const signedDeg = angleDeg ?? own;
  const acrossDeg = adapted?.acrossDeg ?? 0;
  return {
    signedDeg,
    acrossDeg,
    angleDeg: Math.abs(signedDeg),
    toward: signedDeg === 0 ? null : signedDeg > 0 ? 'head' : 'feet',
    leans: signedDeg !== 0 || acrossDeg !== 0,
    pelvisMm,
  };
}

export const angleProblems = ({ angleDeg, acrossDeg }: TubeAngle, { name, tube }: Room): Problem[] =>
  [...new Set([angleDeg, Math.abs(acrossDeg)])]
    .filter((tilt) => tilt > tube.maxAngleDeg)
    .map((neededDeg) => problem('angle-limit', { room: name, mostDeg: tube.maxAngleDeg, neededDeg }));
