/** Says where a joint stopped the pose. */
import { movementOf, specOf, type HeldJoint } from '../body/joints';
import { formatAngle } from '../quantity/angle';
import { capitalize } from '../quantity/text';

/** "On the left the knee bends only to 20°; the view wants 90°." */
export function heldWords({ motion, wantedDeg, heldDeg }: HeldJoint): string {
  const side = motion.endsWith('_L') ? 'on the left ' : motion.endsWith('_R') ? 'on the right ' : '';
  return capitalize(
    `${side}${specOf(movementOf(motion)).says} to ${formatAngle(heldDeg)} only; the view wants ${formatAngle(wantedDeg)}.`,
  );
}
