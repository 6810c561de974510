/** How a position is asked for: with what sets the head, or without it where head and neck must stay. */
import type { Body } from '../../body/body';
import { posesNamed } from '../../body/poses';
import type { Projection } from '../../projections/schema';
import type { PoseName } from '../../projections/vocabulary';
import { capitalize } from '../../quantity/text';
import { chinUpDeg } from './place';
import { lineName, SQUARE_DEG } from './headLine';

/** A tube makes up for no more than this: further off its line the head gives another view [typical]. */
const MOST_ON_TUBE_DEG = 15;
const OF_NECK = /^(neck|head)/;

/**
 * The tube angle of a view whose head must stay as it lies: what its line is off goes on the tube.
 * @param pose names of the poses that are asked for besides
 * @returns degrees, toward the head above 0; null where no tube makes up for it, or the head would have to be turned too
 */
export function tubeForHead(projection: Projection, body: Body, pose: readonly PoseName[]): number | null {
  const { ray, joints } = projection;
  const chin = chinUpDeg(projection, body);
  if (chin === null || Math.abs(chin) > MOST_ON_TUBE_DEG || (ray.view !== 'AP' && ray.view !== 'PA')) return null;
  const turned = [...Object.keys(posesNamed(pose)), ...Object.keys(joints)].some((motion) => OF_NECK.test(motion));
  if (turned) return null;
  const own = ray.toward === 'feet' ? -ray.angleDeg : ray.angleDeg;
  // Of a chin that stays up the face looks toward the head: a ray from in front comes from there too.
  return Math.round(own + (ray.view === 'AP' ? chin : -chin));
}

export const AS_IT_LIES = 'head and neck as they lie';

type Asked = { say: string; head?: string };

/**
 * @param keeps head and neck stay: what was to be square goes on the tube
 * @example askFor({ say: 'Supine', head: 'chin up' }, {}, true) // "Supine, head and neck as they lie"
 */
export function askFor({ say, head }: Asked, { headLine }: Pick<Projection, 'headLine'>, keeps: boolean): string {
  if (!head) return say;
  const square = headLine?.toReceptorDeg === SQUARE_DEG;
  const instead = square
    ? `${AS_IT_LIES}: what the ${lineName(headLine.line)} is off the perpendicular goes on the tube`
    : AS_IT_LIES;
  return capitalize([say, keeps ? instead : head].filter((part) => part !== '').join(', '));
}
