/** Steps 2 and 3 again, for one who may sit, where the tube does not go high enough for one who stands. */
import { aimAndHold, type Aimed } from './aimed';
import { poseAndPlace } from './posed';
import { setDown } from './stood';

/** Nobody sits down for less than this, mm. */
const LEAST_MM = 1;

/** The view is done sitting too, and the patient is one who sits. */
const maySit = ({ adapted, positioning, problems, situation }: Aimed): boolean =>
  !adapted &&
  positioning.body === 'upright' &&
  positioning.seatable &&
  !positioning.sitsOn &&
  situation.canSit &&
  problems.every(({ code }) => code !== 'position-barred');

/**
 * The patient as the tube asks for it: standing, and seated where it does not go high enough. Then pose, stool, knees and
 * heights are those of one who sits.
 */
export function standOrSit(standing: Aimed): Aimed {
  if (!maySit(standing)) return standing;
  const { shift, tooHighMm } = setDown(standing);
  if (tooHighMm < LEAST_MM) return standing;
  // All that was asked goes along, the SID for the grid too.
  return aimAndHold(poseAndPlace({ ...standing, seatedFromMm: standing.aimed.through[2] + shift[2] }));
}
