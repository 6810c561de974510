/** How a part is posed, in the words of the trade: "knee flexed 42°", "leg rotated 15° medially". */
import type { Movement } from '../body/joints';
import { formatAngle } from '../quantity/angle';

const either = (deg: number, above: string, below: string): string => (deg >= 0 ? above : below);
const turned = (what: string) => (deg: number) =>
  `${what} rotated ${formatAngle(Math.abs(deg))} ${either(deg, 'medially', 'laterally')}`;
const moved = (what: string, above: string, below: string) => (deg: number) =>
  `${what} ${either(deg, above, below)} ${formatAngle(Math.abs(deg))}`;

/** From fully supinated to fully pronated, the radial side up between them. */
function forearm(deg: number): string {
  if (deg < 30) return 'forearm supinated';
  if (deg > 130) return 'forearm pronated';
  return Math.abs(deg - 85) <= 20 ? 'radial side up' : `forearm pronated ${formatAngle(deg)}`;
}

const SAID: Readonly<Partial<Record<Movement, (deg: number) => string>>> = {
  kneeFlexion: moved('knee', 'flexed', 'hyperextended'),
  elbowFlexion: moved('elbow', 'flexed', 'hyperextended'),
  hipAbduction: moved('leg', 'abducted', 'adducted'),
  hipMedialRotation: turned('leg'),
  anklePlantarFlexion: (deg) =>
    Math.abs(deg) < 5 ? 'foot at a right angle to the leg' : moved('foot', 'plantar flexed', 'dorsiflexed')(deg),
  shoulderAbduction: moved('arm', 'abducted', 'adducted'),
  shoulderMedialRotation: (deg) => (Math.abs(deg) < 5 ? 'palm forward' : turned('arm')(deg)),
  forearmPronation: forearm,
  wristFlexion: moved('wrist', 'flexed', 'extended'),
  wristUlnarDeviation: (deg) => `wrist in ${formatAngle(Math.abs(deg))} of ${either(deg, 'ulnar', 'radial')} deviation`,
};

/** @param degrees as the pose counts them, one for each. @example posedWords(['kneeFlexion'], [42]) // ['knee flexed 42°'] */
export const posedWords = (movements: readonly Movement[], degrees: readonly number[]): string[] =>
  movements.flatMap((movement, i) => SAID[movement]?.(degrees[i]!) ?? []);
