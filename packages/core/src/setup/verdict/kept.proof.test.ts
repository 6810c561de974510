/** A limb that is to be kept: no view of it asks to move it, over the whole catalogue. */
import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import type { Situation } from '../request';
import { whyForbidden } from '../../adapt/findOtherWays';

const SIDE = 'left';
/** A motion of the limb that is asked for; of the other one, or said not to be made, it may stand. */
const MOVES =
  /\b(rotate|flex|bend|extend|raise|abduct|supinate|pronate)[a-z]*\b|\b(rotated|flexed|abducted|elevated|extended)\b/i;
const MAY_STAND =
  /as (it|they) lies?|nothing is|not rotated|palm flat|left hanging|as it hangs|arm hanging|by palpation|epicondyles|on a sponge|until the scapula|clavicle against it|the head|other (leg|arm|thigh|knee|foot)|opposite|no rotation|body rotated|patient rotated|trunk/i;

const LIMBS = [
  { keepStill: [`${SIDE} leg`], regions: ['foot and ankle', 'leg and knee', 'femur, hip, pelvis'] },
  { keepStill: [`${SIDE} arm`], regions: ['hand and wrist', 'forearm, elbow, humerus', 'shoulder'] },
] as const;

test.each(LIMBS)('$keepStill', ({ keepStill, regions }) => {
  const asked: string[] = [];
  let checked = 0;
  for (const entry of projections.filter(({ region }) => (regions as readonly string[]).includes(region))) {
    const situation: Partial<Situation> = { keepStill: [...keepStill] };
    const setup = computeSetup({
      projectionId: entry.id,
      ...(entry.sided === 'each' && { side: SIDE }),
      situation,
    });
    checked += 1;
    if (!setup.feasible) continue;
    for (const { group, text } of setup.steps)
      if (group === 'position' && MOVES.test(text) && !MAY_STAND.test(text)) asked.push(`${entry.id}: ${text}`);
  }
  expect(asked).toEqual([]);
  expect(checked).toBeGreaterThan(30);
});

test('what stresses or loads a limb is not done with it kept, and is with the other', () => {
  let checked = 0;
  for (const { id, demands, sided, region } of projections) {
    const loads = demands.some((each) => each === 'stress' || each === 'weights' || each === 'weight-bearing');
    if (!loads || region === 'spine') continue;
    const limb = region === 'shoulder' || region === 'hand and wrist' ? ('arm' as const) : ('leg' as const);
    const with_ = (kept: 'left' | 'right') =>
      whyForbidden({
        projectionId: id,
        ...(sided === 'each' && { side: SIDE }),
        situation: { keepStill: [`${kept} ${limb}`] },
      });
    expect([id, with_('left')?.reason]).toEqual([id, 'kept-limb-not-loaded']);
    if (sided === 'each') expect([id, with_('right')]).toEqual([id, null]);
    checked += 1;
  }
  expect(checked).toBeGreaterThan(12);
});

const SPARING: readonly [Partial<Situation>, string][] = [
  [{ keepStill: ['right leg'] }, 'kept-leg-not-spread'],
  [{ keepStill: ['hip'] }, 'kept-leg-not-spread'],
  [{ worn: ['traction'] }, 'kept-leg-not-spread'],
  [{ fractureSuspected: true }, 'leg-not-spread'],
];
test('a view that is both thighs spread is not done with one of them kept, nor with one that may be broken', () => {
  for (const projectionId of ['pelvis-frog', 'hips-flexed-abducted-bilateral'])
    for (const [situation, reason] of SPARING)
      expect(whyForbidden({ projectionId, situation })).toMatchObject({ reason, ask: 'the radiologist' });
});
