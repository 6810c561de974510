/**
 * What this patient and situation bar, whatever the numbers: one answer for Set up, plan, exam, other ways, page and
 * API, since `computeSetup` asks here and everybody else asks `computeSetup`.
 */
import { eachSide, movementOf, specOf, type Motion, type Pose } from '../body/joints';
import type { Projection } from '../projections/schema';
import type { BodyPosition, PoseName } from '../projections/vocabulary';
import { formatAngle } from '../quantity/angle';
import { capitalize } from '../quantity/text';
import type { Problem } from './problem';
import type { Situation } from './request';
import { isBroken, isInjured, neckStays } from './kept';
import { ARM_OR_LEG_WORN } from './still';
import { stillFor } from './stillJoints';

export type Forbidden = { why: string; ask: string };

const PHYSICIAN = 'the physician in charge of the patient';
const RADIOLOGIST = 'the radiologist';

const poses = (projection: Projection): Set<PoseName> =>
  new Set([...projection.pose, ...projection.positions.flatMap(({ pose }) => pose)]);
const asksAny = (projection: Projection, names: readonly PoseName[]): boolean => {
  const asked = poses(projection);
  return names.some((name) => asked.has(name));
};
const BENDS_NECK: readonly PoseName[] = ['neck-bent-forward', 'neck-bent-back'];
const BENDS_TRUNK: readonly PoseName[] = ['bent-forward', 'bent-back', 'bent-left', 'turned-left'];

const STANDS: ReadonlySet<BodyPosition> = new Set<BodyPosition>(['upright', 'kneeling']);

/** @returns why none of its ways may be done, and who is asked; null where it may */
export function forbiddenView(projection: Projection, situation: Situation): Forbidden | null {
  const asks = (demand: Projection['demands'][number]) => projection.demands.includes(demand);
  const broken = isBroken(situation);
  const hurt = isInjured(situation);
  if (neckStays(situation) && (asks('bent-neck') || asksAny(projection, BENDS_NECK)))
    return { why: 'the neck is not cleared and must not be bent', ask: `${PHYSICIAN}, once the neck is cleared` };
  if (situation.spineNotCleared && (asks('bent-trunk') || asksAny(projection, BENDS_TRUNK)))
    return { why: 'the spine is not cleared and must not be bent', ask: `${PHYSICIAN}, once the spine is cleared` };
  if (broken && (asks('bent-neck') || asks('bent-trunk')))
    return { why: 'no bending where a fracture or dislocation is suspected', ask: PHYSICIAN };
  if (hurt && asks('weights'))
    return {
      why: broken
        ? 'no weights where a fracture or dislocation is suspected'
        : 'no weights while the spine is not cleared',
      ask: RADIOLOGIST,
    };
  if (hurt && asks('stress'))
    return {
      why: broken
        ? 'no stress where a fracture or dislocation is suspected'
        : 'no stress while the spine is not cleared',
      ask: PHYSICIAN,
    };
  if (broken && asks('weight-bearing')) return { why: 'no weight on what may be broken or dislocated', ask: PHYSICIAN };
  const stands = projection.positions.every(({ body, seatable }) => STANDS.has(body) && !seatable);
  if (stands && (asks('weight-bearing') || asks('weights')) && !situation.canStand)
    return { why: 'the patient cannot stand, and the weight on the part is what it shows', ask: RADIOLOGIST };
  if (broken && asksAny(projection, ['frog-legs']))
    return { why: 'a leg with a suspected fracture is not turned or spread', ask: RADIOLOGIST };
  if (ARM_OR_LEG_WORN.some((worn) => situation.worn.includes(worn)) && asks('stress'))
    return { why: 'the limb is splinted or in traction', ask: PHYSICIAN };
  return null;
}

/** A found way in which what the view shows could not come about: a load wants one who is upright. */
export function loadLost(projection: Projection, body: BodyPosition, part: string): Problem[] {
  const { demands } = projection;
  const leg = /^(thigh|patella|shank|talus|foot|toes|pelvis)/.test(part);
  const loaded = demands.includes('weights') || demands.includes('weight-bearing');
  const upright = body === 'upright' || (body === 'seated' && !leg && !demands.includes('weights'));
  return loaded && !upright
    ? [
        {
          code: 'position-barred',
          text: `${projection.name} is barred like this: the load on the part is what it shows.`,
        },
      ]
    : [];
}

/** The same as a problem that blocks. */
export const forbiddenProblem = ({ why, ask }: Forbidden): Problem => ({
  code: 'forbidden',
  text: `Not to be done: ${why}. Ask ${ask}.`,
});

/** Further than this from how it lies, a part that must stay has been moved: within the model's own slack. */
const MOVED_DEG = 10;
const NECK_MOVED_DEG = 5;
const slackOf = (motion: Motion): number => (/^(neck|head)/.test(motion) ? NECK_MOVED_DEG : MOVED_DEG);

/**
 * Joints of parts that must stay which the set-up would bend or turn.
 * @param part segment that the projection is of, on its own side
 */
export function keptMoved(pose: Pose, part: string, situation: Situation): Problem[] {
  const angles = eachSide(pose);
  const worst = new Map<string, { motion: Motion; degrees: number; over: number }>();
  for (const { limits, says } of stillFor(situation, part))
    for (const [motion, [low, high]] of Object.entries(limits) as [Motion, [number, number]][]) {
      const degrees = angles.get(motion) ?? 0;
      const over = Math.max(low - degrees, degrees - high);
      if (over > slackOf(motion) && over > (worst.get(says)?.over ?? 0)) worst.set(says, { motion, degrees, over });
    }
  return [...worst].map(([says, { motion, degrees }]) => ({
    code: 'kept-part',
    text: `${capitalize(says)}; here ${specOf(movementOf(motion)).says} to ${formatAngle(Math.round(degrees))}.`,
  }));
}
