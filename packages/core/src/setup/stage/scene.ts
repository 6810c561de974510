/** The set-up as it stands in the room: what is drawn, dragged and simulated. */
import { isLandmark } from '../../body/body';
import { shortLandmark } from '../../body/landmarkName';
import { surfacePoint } from '../../body/surface';
import { add, addScaled, scale, type InRoom, type Vec3 } from '../../geometry/vector';
import type { Projection } from '../../projections/schema';
import { cellCorners, cellsOf } from '../../room/aecCells';
import type { Holder } from '../../room/room';
import type { CoverPoints } from '../collimation/cover';
import { fieldCorners, type CollimatedField } from '../collimation/collimatedField';
import type { AimedRay, PlacedBody } from '../placing/place';
import type { ReceptorPlane } from '../ray/receptorPlane';
import type { Scene, Setup } from '../setup';

export const centroid = (points: readonly Vec3[]): Vec3 =>
  scale(
    points.reduce((sum, p) => add(sum, p)),
    1 / points.length,
  );

type SceneParts = {
  projection: Projection;
  placed: PlacedBody;
  aimed: AimedRay;
  /** Way by which the patient was carried to where the room has them. */
  shift: Vec3<InRoom>;
  plane: ReceptorPlane;
  focal: Vec3<InRoom>;
  lightField: CollimatedField;
  rotationDeg: number;
  holder: Holder;
  aec: Setup['exposure']['aec'];
  surfaceHeightMm: number;
  /** Marks that are felt for this set-up. */
  touched: readonly string[];
  cover: readonly CoverPoints[];
};

export function sceneOf({
  projection,
  placed,
  aimed,
  shift,
  plane,
  focal,
  lightField,
  rotationDeg,
  holder,
  aec,
  surfaceHeightMm,
  touched,
  cover,
}: SceneParts): Scene {
  const { placement } = placed;
  const { origin: hit, u, v, n, straight } = plane;
  return {
    adapt: placed.adapt,
    pose: placed.pose,
    surfaces: placed.surfaces.map(({ kind, profile, plane: lies }) => ({
      kind,
      profile: profile.map((p) => add(p, shift)),
      plane: { ...lies, point: add(lies.point, shift) },
    })),
    place: placed.posed.place,
    focal,
    entry: aimed.crossing.entry,
    exit: aimed.crossing.exit,
    hit,
    beam: aimed.direction,
    straight,
    toHead: v,
    zero: { beam: placement.beam, up: placement.toHead },
    receptor: {
      centre: hit,
      u,
      v,
      n,
      widthMm: lightField.across,
      heightMm: lightField.along,
      tiltDeg: lightField.tiltDeg - rotationDeg * (lightField.fit.outcome === 'diagonal' ? 1 : 0),
    },
    fields: lightField.shiftsMm.map((each) => fieldCorners(plane, lightField.field, rotationDeg, each)),
    cells: cellsOf(holder.cells, aec).map((cell) =>
      cellCorners(cell).map(([x, y]) => addScaled(addScaled(hit, u, x), v, y)),
    ),
    surfaceHeightMm,
    touch: [...new Set(touched)]
      .filter(isLandmark)
      .map((id) => ({ name: shortLandmark(id), p: surfacePoint(placed.posed, id).skin })),
    mustShow: cover.map(({ name, axis, points }) => ({ name, p: centroid(points), points, axis })),
    brightBones: projection.brightBones,
    oneSided: projection.sided === 'each',
  };
}
