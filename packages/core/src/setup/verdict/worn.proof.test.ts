/** What a patient wears that stays on: a halo holds the neck as a collar does, a fixator a limb as a splint does. */
import { findOtherWays } from '../../adapt/findOtherWays';
import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import type { SetupRequest, Worn } from '../request';
import { hurtLimb, limitsFor } from './immobilized';
import { situationFor } from '../request';

const requestOf = (entry: (typeof projections)[number], worn: Worn): SetupRequest => ({
  projectionId: entry.id,
  side: entry.sided === 'each' ? 'left' : undefined,
  patient: { ageYears: 40, sex: 'male' },
  situation: { worn: [worn] },
});
/** What is decided, without why. */
const decided = (request: SetupRequest) => {
  const { feasible, problems, scene, position } = computeSetup(request);
  return { feasible, codes: problems.map(({ code }) => code), pose: scene.pose, body: position.body };
};

test.each([
  ['halo', 'collar'],
  ['external fixator', 'splint'],
] as const)('%s: every view is barred, posed and judged as with a %s', (worn, like) => {
  let changed = 0;
  for (const entry of projections) {
    expect([entry.id, decided(requestOf(entry, worn))]).toEqual([entry.id, decided(requestOf(entry, like))]);
    const { situation: _, ...well } = requestOf(entry, worn);
    if (JSON.stringify(decided(well)) !== JSON.stringify(decided(requestOf(entry, worn)))) changed += 1;
  }
  expect(changed).toBeGreaterThan(10);
});

test('each says a caution of its own, and why a limb is not moved', () => {
  const texts = (worn: Worn) =>
    computeSetup({ projectionId: 'forearm-ap', side: 'left', situation: { worn: [worn] } }).cautions.map(
      ({ text }) => text,
    );
  expect(texts('halo').join()).toMatch(/halo stays/i);
  expect(texts('external fixator').join()).toMatch(/limb is supported, not the fixator/i);
  const pinned = situationFor(40, { worn: ['external fixator'] });
  expect(hurtLimb(pinned, 'forearm_L').map(({ why }) => why.code)).toEqual(['limb-in-fixator']);
  expect(limitsFor(pinned, 'forearm_L')).toEqual(limitsFor(situationFor(40, { worn: ['splint'] }), 'forearm_L'));
});

test('of one in a halo no found way turns the head or turns the patient over', () => {
  let found = 0;
  for (const entry of projections.filter(({ region }) => region === 'skull and face' || region === 'spine'))
    for (const { id, setup } of findOtherWays(requestOf(entry, 'halo'))) {
      found += 1;
      expect([id, setup.position.body]).toEqual([id, expect.not.stringMatching(/prone|lateral-recumbent|sims|kneel/)]);
      for (const motion of ['neckRotation', 'headRotation', 'neckExtension', 'headExtension'] as const)
        expect([id, motion, Math.abs(setup.scene.pose[motion] ?? 0) <= 5.001]).toEqual([id, motion, true]);
    }
  expect(found).toBeGreaterThan(60);
});
