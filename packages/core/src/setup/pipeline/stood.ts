/** Step 4: all of it where it stands in the room: the patient, the plane of the receptor, the focal spot. */
import { slideBody } from '../../body/posed';
import { add, distance, type InRoom, type Vec3 } from '../../geometry/vector';
import { beyondAimMm, type AimedRay } from '../placing/place';
import { standingLift } from '../placing/stand';
import { FOOT_REST_MM } from '../../room/rest';
import type { Support } from '../placing/support';
import { receptorPlane, type ReceptorPlane } from '../ray/receptorPlane';
import { spotProblems } from '../ray/spot';
import { focalSpotAt, isHorizontal, reachableSid } from '../ray/tube';
import { tableOf } from '../../room/room';
import { problem, type Problem } from '../problem';
import type { Aimed } from './aimed';

export type Stood = Aimed & {
  horizontal: boolean;
  /** What the patient rests on, where that is not the floor before a wall stand. */
  surfaceMm: number;
  onSurface: boolean;
  supports: Support[];
  /** Way by which the patient was carried there. */
  shift: Vec3<InRoom>;
  /** The receptor stands square to a ray that leans. */
  square: boolean;
  plane: ReceptorPlane;
  sidWantedMm: number;
  sidMm: number;
  focal: Vec3<InRoom>;
  focusToSkinMm: number;
};

/** Who lies on the table of the room, and is more than it carries. */
function loadProblems(lies: boolean, { body, room, situation, unit }: Aimed): Problem[] {
  const table = tableOf(room);
  const { massKg } = body.patient;
  if (!lies || situation.place !== 'room' || !table || massKg <= table.mostKg) return [];
  return [problem('table-load', { room: room.name, mostKg: table.mostKg, massKg }, unit)];
}

/** Where the patient is set down in the room, for the ray and the SID that are wanted. */
export function setDown({ adapted, aimed, holder, overrides, placed, positioning, projection, room, ...asked }: Aimed) {
  const horizontal = isHorizontal(placed.placement.beam);
  // The stool before a wheelchair stands on the floor as the chair does.
  const surfaceMm = holder.kind === 'floor' || adapted?.onStool ? 0 : room.surfaceHeightMm;
  const sidWantedMm = overrides.sidMm ?? asked.sidForGridMm ?? projection.sid.wantedMm;
  const ray = { through: aimed.through, direction: aimed.direction, sidMm: sidWantedMm };
  const liftMm = positioning.sitsOn === 'chair' ? FOOT_REST_MM : 0;
  return { horizontal, surfaceMm, sidWantedMm, ...standingLift(placed, ray, horizontal, room, surfaceMm, liftMm) };
}

export function standInRoom(asked: Aimed): Stood {
  const { angle, adapted, holder, problems, projection, room, unit, positioning, seatedFromMm } = asked;
  const { placement } = asked.placed;
  const { horizontal, surfaceMm, sidWantedMm, shift, blockMm } = setDown(asked);
  const placed = { ...asked.placed, posed: slideBody(asked.placed.posed, shift) };
  const carried = ({ crossing, target, through, direction }: AimedRay): AimedRay => ({
    direction,
    through: add(through, shift),
    target: { ...target, p: add(target.p, shift) },
    crossing: { ...crossing, entry: add(crossing.entry, shift), exit: add(crossing.exit, shift) },
  });
  const aimed = carried(asked.aimed);
  const contactPoint: Vec3<InRoom> = placement.touches
    ? add(placement.touches, shift)
    : [0, 0, horizontal ? 0 : surfaceMm];
  const square = projection.ray.receptorSquare && angle.leans;
  const plane = receptorPlane(placed, aimed, {
    ...{ square, contactPoint, gapMm: holder.gapMm, angleDeg: angle.angleDeg },
    propped: !adapted && holder.kind === 'stand',
    beyondMm: beyondAimMm(projection, placed),
  });
  const level = !horizontal ? 'no' : placement.lies || holder.kind === 'stand' ? 'free' : 'wall';
  const reach = reachableSid(sidWantedMm, projection.sid.rangeMm, room, plane.origin, aimed.direction, level, unit);
  const { sidMm } = reach;
  const focal = focalSpotAt(plane.origin, aimed.direction, sidMm);
  const mustReach = horizontal && (adapted !== null || positioning.sitsOn !== undefined);
  return {
    ...asked,
    ...(asked.usual && { usual: carried(asked.usual) }),
    ...{ placed, aimed, horizontal, surfaceMm, shift, square, plane, sidWantedMm, sidMm, focal },
    onSurface: placement.lies || !horizontal,
    supports: [
      ...(blockMm > 0 ? [{ kind: 'block' as const, mm: blockMm }] : []),
      ...(seatedFromMm === undefined ? [] : [{ kind: 'stool' as const, mm: seatedFromMm - aimed.through[2] }]),
    ],
    focusToSkinMm: distance(focal, aimed.crossing.entry),
    problems: [
      ...problems,
      // As far as the room goes will do: the view itself is taught nearer.
      ...(asked.sidForGridMm === undefined ? reach.problems : []),
      ...spotProblems(focal, aimed, { sidMm, mustReach }, room, unit),
      ...loadProblems(placement.lies, asked),
    ],
  };
}
