/**
 * What this patient and situation bar, whatever the numbers: one answer for Set up, plan, exam, other ways, page and
 * API, since `computeSetup` asks here and everybody else asks `computeSetup`.
 */
import { amputationAt } from '../../body/amputation';
import { markOnMannequin, otherSide } from '../../body/mannequin';
import { eachSide, type Motion, type Pose } from '../../body/joints';
import type { Amputation } from '../../body/patient';
import { coverMarks } from '../../projections/coverMarks';
import type { Projection } from '../../projections/schema';
import type { BodyPosition, PoseName } from '../../projections/vocabulary';
import { ASKED_WORDS, reasonWords, type Asked, type Reason, type ReasonCode } from '../../words/reasonWords';
import { problem, type Problem } from '../problem';
import type { Situation } from '../request';
import { ARM_OR_LEG_WORN, isBroken, isInjured, neckStays, partStays } from './kept';
import { immobilizedFor } from './immobilized';

/** Why it must not be done and who is asked, as codes and as they are said. */
export type Forbidden = { reason: ReasonCode; asked: Asked; part?: string; why: string; ask: string };

const forbid = (reason: ReasonCode, asked: Asked, part?: string): Forbidden => ({
  reason,
  asked,
  ...(part && { part }),
  why: reasonWords({ code: reason, part }),
  ask: ASKED_WORDS[asked],
});

const poses = (projection: Projection): Set<PoseName> =>
  new Set([...projection.pose, ...projection.positions.flatMap(({ pose }) => pose)]);
const asksAny = (projection: Projection, names: readonly PoseName[]): boolean => {
  const asked = poses(projection);
  return names.some((name) => asked.has(name));
};
/** The segment that is aimed at, on its side; of a view of both legs the pelvis that bears them. */
function examined({ aim, sided }: Projection, { view }: Pick<Subject, 'view'>): string {
  const { segment } = markOnMannequin(view.name('between' in aim ? aim.between[0] : aim.landmark));
  return sided === 'none' && /^(thigh|shank|talus|foot)_/.test(segment) ? 'pelvis' : segment;
}

/** Stress and load on a limb that is to be kept; weights hang from both wrists. */
function loadsKeptLimb(projection: Projection, situation: Situation, subject: Subject): boolean {
  const { demands } = projection;
  if (demands.includes('weights') && situation.keepStill.some((each) => each.endsWith(' arm'))) return true;
  const loads = demands.includes('stress') || demands.includes('weight-bearing');
  return loads && partStays(examined(projection, subject), situation);
}

/** Both thighs are posed for the picture, which is what it shows: nothing of it is left with a leg as it lies. */
const spreadsBothLegs = (projection: Projection): boolean =>
  asksAny(projection, ['frog-legs']) ||
  projection.positions.every(({ joints }) => 'hipAbduction_L' in joints && 'hipAbduction_R' in joints);
const BENDS_NECK: readonly PoseName[] = ['neck-bent-forward', 'neck-bent-back'];
const BENDS_TRUNK: readonly PoseName[] = ['bent-forward', 'bent-back', 'bent-left', 'turned-left'];

const STANDS: ReadonlySet<BodyPosition> = new Set<BodyPosition>(['upright', 'kneeling']);

/** Of whom a view is asked, and of which side. */
export type Subject = { amputated: readonly Amputation[]; view: { name: (id: string) => string } };

/** The amputation that has taken something the view must show; null where all of it is there. */
function amputatedPart({ cover, sided }: Projection, { amputated, view }: Subject): Amputation | null {
  if (amputated.length === 0) return null;
  // Of both limbs in one picture only one need be named.
  const sides = sided === 'none' ? [view.name, otherSide] : [view.name];
  for (const item of cover) {
    for (const id of coverMarks(item).flatMap((each) => sides.map((onSide) => onSide(each)))) {
      const taken = amputationAt(markOnMannequin(id), amputated);
      if (taken) return taken;
    }
  }
  return null;
}

/** @returns why none of its ways may be done, and who is asked; null where it may */
export function forbiddenView(projection: Projection, situation: Situation, subject: Subject): Forbidden | null {
  const amputated = amputatedPart(projection, subject);
  if (amputated) return forbid('amputated', 'radiologist', amputated);
  const asks = (demand: Projection['demands'][number]) => projection.demands.includes(demand);
  const broken = isBroken(situation);
  const hurt = isInjured(situation);
  if (neckStays(situation) && (asks('bent-neck') || asksAny(projection, BENDS_NECK)))
    return forbid('neck-not-bent', 'physician-once-neck-cleared');
  if (situation.spineNotCleared && (asks('bent-trunk') || asksAny(projection, BENDS_TRUNK)))
    return forbid('spine-not-bent', 'physician-once-spine-cleared');
  if (broken && (asks('bent-neck') || asks('bent-trunk'))) return forbid('no-bending-where-broken', 'physician');
  if (broken && asks('rotated-arm')) return forbid('no-rotation-where-broken', 'radiologist');
  if (hurt && asks('weights'))
    return forbid(broken ? 'no-weights-where-broken' : 'no-weights-while-spine', 'radiologist');
  if (hurt && asks('stress')) return forbid(broken ? 'no-stress-where-broken' : 'no-stress-while-spine', 'physician');
  if (loadsKeptLimb(projection, situation, subject)) return forbid('kept-limb-not-loaded', 'physician');
  if (broken && asks('weight-bearing')) return forbid('no-weight-on-broken', 'physician');
  // One who sits still carries head and trunk: a spine is loaded so, a leg is not.
  const seatedLoads = projection.region === 'spine' && situation.canSit && !asks('weights');
  const stands = !seatedLoads && projection.positions.every(({ body, seatable }) => STANDS.has(body) && !seatable);
  if (stands && (asks('weight-bearing') || asks('weights')) && !situation.canStand)
    return forbid('load-is-the-view', 'radiologist');
  if (spreadsBothLegs(projection)) {
    if (broken) return forbid('leg-not-spread', 'radiologist');
    if (partStays('pelvis', situation)) return forbid('kept-leg-not-spread', 'radiologist');
  }
  if (ARM_OR_LEG_WORN.some((worn) => situation.worn.includes(worn)) && asks('stress'))
    return forbid('limb-is-fixed', 'physician');
  return null;
}

/** A found way in which what the view shows could not come about: a load wants one who is upright. */
export function loadLost(projection: Projection, body: BodyPosition, part: string): Problem[] {
  const { demands } = projection;
  const leg = projection.region !== 'spine' && /^(thigh|patella|shank|talus|foot|toes|pelvis)/.test(part);
  const loaded = demands.includes('weights') || demands.includes('weight-bearing');
  const upright = body === 'upright' || (body === 'seated' && !leg && !demands.includes('weights'));
  return loaded && !upright ? [problem('load-lost', { name: projection.name })] : [];
}

/** The same as a problem that blocks. */
export const forbiddenProblem = ({ reason, asked, part }: Forbidden): Problem =>
  problem('forbidden', { reason, ask: asked, ...(part && { part }) });

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
  const worst = new Map<string, { why: Reason; motion: Motion; degrees: number; over: number }>();
  for (const { limits, why } of immobilizedFor(situation, part))
    for (const [motion, [low, high]] of Object.entries(limits) as [Motion, [number, number]][]) {
      // What no pose asks of a joint, nobody moves.
      const degrees = angles.get(motion);
      if (degrees === undefined) continue;
      const over = Math.max(low - degrees, degrees - high);
      if (over > slackOf(motion) && over > (worst.get(keyOf(why))?.over ?? 0))
        worst.set(keyOf(why), { why, motion, degrees, over });
    }
  return [...worst.values()].map(({ why: { code, ...why }, motion, degrees }) =>
    problem('kept-part', { reason: code, ...why, motion, degrees: Math.round(degrees) }),
  );
}
const keyOf = ({ code, side }: Reason): string => `${code} ${side ?? ''}`;
