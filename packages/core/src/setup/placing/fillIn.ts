/** Sentences of an entry take their figures from its data: a figure stands once. */
import type { PositionWay, Projection } from '../../projections/schema';

/** What of the position is known only once patient and room are. */
export type Stood = {
  /** Erect, seated, or either as the patient can. */
  erect: string;
  /** RAO, LAO, RPO or LPO: what of the body lies nearest the receptor. */
  oblique: string;
};

/**
 * Replaces `{erect}` and `{oblique}` by how the patient is placed, `{turn}`, `{turn2}` by the turns of the view, `{rest}` by what is left of the first to 90°, `{angle}` by the
 * angle of the tube and `{kneeFlexion_L}` by that angle of the pose.
 * @throws RangeError for a name that the entry does not hold
 */
export function fillIn(
  text: string,
  { ray, joints }: Pick<Projection, 'ray' | 'joints'>,
  way: PositionWay,
  stood: Stood,
): string {
  return text.replace(/\{([A-Za-z_0-9]+)\}/g, (_, name: string) => {
    if (name === 'erect' || name === 'oblique') return stood[name];
    const value =
      name === 'turn'
        ? ray.swing[0]?.degrees
        : name === 'rest'
          ? ray.swing[0] && 90 - ray.swing[0].degrees
          : name === 'turn2'
            ? ray.swing[1]?.degrees
            : name === 'angle'
              ? ray.angleDeg
              : (way.joints[name] ?? joints[name]);
    if (value === undefined) throw new RangeError(`"{${name}}" is no figure of this projection`);
    return `${Math.round(Math.abs(value))}°`;
  });
}
