/** Views that must not be done in any way in this situation, because what they ask of the patient is the view itself. */
import { ARM_OR_LEG_WORN, neckStays } from './still';
import type { Projection } from '../projections/schema';
import type { PoseName } from '../projections/vocabulary';
import type { Situation } from '../setup/request';
import { isBroken, isHipHurt } from '../setup/way';

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

/** @returns why none of its ways may be done, and who is asked; null where it may */
export function forbiddenView(projection: Projection, situation: Situation): Forbidden | null {
  const { id, positions } = projection;
  const hurt = isBroken(situation);
  if (neckStays(situation) && asksAny(projection, BENDS_NECK))
    return { why: 'the neck is not cleared and must not be bent', ask: `${PHYSICIAN}, once the neck is cleared` };
  if (situation.spineNotCleared && (asksAny(projection, BENDS_TRUNK) || /^lumbar-(flexion|extension|bending)/.test(id)))
    return { why: 'the spine is not cleared and must not be bent', ask: `${PHYSICIAN}, once the spine is cleared` };
  if (hurt && /-weights$/.test(id))
    return { why: 'no weights where a fracture or dislocation is suspected', ask: RADIOLOGIST };
  if (hurt && /-stress-|-stress$/.test(id))
    return { why: 'no stress where a fracture or dislocation is suspected', ask: PHYSICIAN };
  const stands = positions.every(({ body, seatable }) => body === 'upright' && !seatable);
  if (stands && /weight-bearing|hips-to-ankles|scoliosis|false-profile/.test(id) && !situation.canStand)
    return { why: 'the patient cannot stand, and the weight on the part is what it shows', ask: RADIOLOGIST };
  if (isHipHurt(situation) && asksAny(projection, ['frog-legs']))
    return { why: 'a leg with a suspected hip fracture is not turned or spread', ask: RADIOLOGIST };
  if (ARM_OR_LEG_WORN.some((worn) => situation.worn.includes(worn)) && /-stress/.test(id))
    return { why: 'the limb is splinted or in traction', ask: PHYSICIAN };
  return null;
}
