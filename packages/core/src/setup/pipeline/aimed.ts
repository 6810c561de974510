/** Step 3: how the tube leans and where the ray runs; from the thickness on its way follow holder and grid. */
import { isChild } from '../../body/patient';
import { gridFromMm } from '../../exposure/gridNeed';
import { GRID_BEARS_DEG } from '../../exposure/gridCutoff';
import type { Projection } from '../../projections/schema';
import type { Grid, Holder } from '../../room/room';
import type { AdaptedWay } from '../placing/adaptedWay';
import { aimRay, type AimedRay } from '../placing/place';
import { chooseHolder } from '../ray/holder';
import { angleProblems, tubeAngle, type TubeAngle } from '../ray/tubeAngle';
import { alongRay, proportionalThickness } from '../technique/thickness';
import type { Posed } from './posed';

export type Aimed = Posed & {
  angle: TubeAngle;
  aimed: AimedRay;
  /** The usual aim, where it is another than the one that is taken. */
  usual?: AimedRay;
  thicknessMm: number;
  /** Range of kVp for one who is small, where the entry has one. */
  smallChildKvp: readonly [number, number] | undefined;
  holder: Holder;
  grid: Grid | null;
  gridWanted: boolean;
  /** SID that the grid asks for, where the usual one is not for it. */
  sidForGridMm?: number;
};

/** Until about here a chest is taken as a small child's: no grid, low kVp, by hand [taught]. */
const SMALL_CHILD_YEARS = 7;

/** A receptor that lies flat under a tube leaning across its lines is better without them; a child by its thickness. */
function gridWish({ grid }: Projection, adapted: AdaptedWay | null, child: boolean): 'yes' | 'no' | 'by-thickness' {
  if (adapted && adapted.holder !== 'stand' && Math.abs(adapted.acrossDeg) > GRID_BEARS_DEG) return 'no';
  if (grid === 'always') return 'yes';
  return grid === 'yes' && child ? 'by-thickness' : grid;
}

/** Through what the exposure must come: as it was measured, along the ray, or as the entry has it taken. */
function thicknessOf(
  { factor, part, placed, projection, segments, squareMm, view }: Posed,
  { angleDeg, acrossDeg }: TubeAngle,
  { crossing, direction }: AimedRay,
): number {
  if (factor !== null) return squareMm;
  const alongRayMm = alongRay(squareMm, crossing.thicknessMm, Math.max(angleDeg, Math.abs(acrossDeg)));
  return projection.exposure.thicknessBy === 'ray'
    ? alongRayMm
    : proportionalThickness(projection, placed, direction, view, { segments, part, alongRayMm });
}

export function aimAndHold(posed: Posed): Aimed {
  const { body, adapted, holders, overrides, placed, problems, projection, room, segments, straightRay, view } = posed;
  const angle = tubeAngle(projection, adapted, overrides, placed, posed.positioning.tubeDeg);
  const moved = overrides.aimMm;
  const along = (by?: typeof moved) => aimRay(projection, placed, view, angle.signedDeg, segments, angle.acrossDeg, by);
  const usual = angle.leans ? along() : straightRay;
  const aimed = moved ? along(moved) : usual;
  const thicknessMm = thicknessOf(posed, angle, aimed);
  const smallChildKvp = body.patient.ageYears < SMALL_CHILD_YEARS ? projection.exposure.smallChild?.kVp : undefined;
  const wish = smallChildKvp ? 'no' : gridWish(projection, adapted, isChild(body.patient));
  const { problems: ofGrid, ...chosen } = chooseHolder(
    wish,
    holders,
    room,
    { thicknessMm, fromMm: gridFromMm(body.patient) },
    overrides,
  );
  return {
    ...posed,
    ...chosen,
    ...{ angle, aimed, thicknessMm, smallChildKvp },
    ...(moved && { usual }),
    problems: [...problems, ...angleProblems(angle, room), ...ofGrid],
  };
}
