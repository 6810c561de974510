/** Sentences of an entry take their figures from its data: a figure stands once. */
import { applyToDirection } from '../../geometry/frame';
import { dot, type InRoom, type Vec3 } from '../../geometry/vector';
import { capitalize, listWords } from '../../quantity/text';
import { ROOM_DOWN } from '../../room/position';
import type { Side } from '../setup';
import type { PlacedBody } from './place';
import type { Positioning, Projection } from '../../projections/schema';

/** What of the position is known only once patient and room are. */
export type Stood = {
  /** Erect, seated, or either as the patient can. */
  erect: string;
  /** RAO, LAO, RPO or LPO: what of the body lies nearest the receptor. */
  oblique: string;
  /** Side of the patient that is nearest the receptor, and the side that is down. */
  near: Side;
  down: Side;
};

/** @returns what `near` and `down` are for a patient in the room */
export function sidesOf({ posed, placement }: Pick<PlacedBody, 'posed' | 'placement'>): Pick<Stood, 'near' | 'down'> {
  const left = applyToDirection(posed.place, [1, 0, 0]);
  const on = (direction: Vec3<InRoom>): Side => (dot(left, direction) >= 0 ? 'left' : 'right');
  return { near: on(placement.beam), down: on(ROOM_DOWN) };
}

type Figures = Pick<Projection, 'ray' | 'joints' | 'settleMinutes' | 'contrastMinutes'>;

/** @example contrastWords({ at: [15, 30], thenEvery: 30 }) // '15 and 30 minutes, then every 30 minutes' */
const contrastWords = ({ at, thenEvery }: NonNullable<Projection['contrastMinutes']>): string =>
  `${listWords(at.map(String))} minutes${thenEvery === undefined ? '' : `, then every ${thenEvery} minutes`}`;

/**
 * Replaces `{erect}`, `{oblique}`, `{near}` and `{down}` by how the patient is placed, `{turn}`, `{turn2}` by the turns of the view, `{rest}` by what is left of the first to 90°, `{angle}` by the
 * angle of the tube, `{kneeFlexion_L}` by that angle of the pose, `{settle}` by the minutes in the position and `{contrast}`
 * by those after the contrast.
 * @throws RangeError for a name that the entry does not hold
 */
export function fillIn(
  text: string,
  { ray, joints, settleMinutes, contrastMinutes }: Figures,
  positioning: Positioning,
  stood: Stood,
): string {
  return text.replace(/\{([A-Za-z_0-9]+)\}/g, (_, name: string, at: number) => {
    if (name === 'erect' || name === 'oblique' || name === 'near' || name === 'down')
      return at === 0 ? capitalize(stood[name]) : stood[name];
    if (name === 'settle' && settleMinutes !== undefined) return `${settleMinutes} minutes`;
    if (name === 'contrast' && contrastMinutes) return contrastWords(contrastMinutes);
    const value =
      name === 'turn'
        ? ray.swing[0]?.degrees
        : name === 'rest'
          ? ray.swing[0] && 90 - ray.swing[0].degrees
          : name === 'turn2'
            ? ray.swing[1]?.degrees
            : name === 'angle'
              ? ray.angleDeg
              : (positioning.joints[name] ?? joints[name]);
    if (value === undefined) throw new RangeError(`"{${name}}" is no figure of this projection`);
    return `${Math.round(Math.abs(value))}°`;
  });
}
