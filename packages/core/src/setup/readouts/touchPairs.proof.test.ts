/** What is felt and what a level reads agree with how the set-up lies, for every entry. */
import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import { gaugeTargets, touchPairs } from './touchPairs';

const setups = projections.map(({ id, sided }) =>
  computeSetup({ projectionId: id, side: sided === 'each' ? 'left' : undefined }),
);
const turned = new Set(projections.filter(({ ray }) => ray.swing.length > 0).map(({ id }) => id));
const of = (id: string) => setups.find(({ projectionId }) => projectionId === id)!;

test('most entries have two points to feel for, felt with a number that is one', () => {
  const felt = setups.filter((setup) => touchPairs(setup).length > 0);
  expect(felt.length).toBeGreaterThan(0.85 * setups.length);
  for (const setup of felt)
    for (const { text } of touchPairs(setup))
      expect([setup.name, text]).toEqual([setup.name, expect.not.stringMatching(/undefined|NaN|null/)]);
});

test('a straight AP of the trunk is even, and so is its level', () => {
  let tried = 0;
  for (const setup of setups) {
    const straight =
      setup.position.body === 'supine' && setup.position.facing === 'AP' && !turned.has(setup.projectionId);
    const trunk = setup.inPart.some(({ segment }) => /^(pelvis|lumbar)/.test(segment));
    if (!straight || !trunk || setup.tube.beam !== 'vertical') continue;
    tried += 1;
    expect([setup.name, touchPairs(setup).map(({ code }) => code)]).toEqual([setup.name, ['touch-even']]);
    expect(gaugeTargets(setup).find(({ of: what }) => what === 'trunk')!.deg).toBeLessThan(2);
  }
  expect(tried).toBeGreaterThan(5);
});

test('an oblique of 45° is felt at 45° and read so', () => {
  const oblique = of('lumbar-oblique-posterior');
  expect(gaugeTargets(oblique).find(({ of: what }) => what === 'trunk')!.deg).toBeCloseTo(45, 0);
  const [pair] = touchPairs(oblique);
  expect(pair).toMatchObject({
    code: 'touch-farther',
    text: expect.stringMatching(/^(Left|Right) anterior superior iliac spine|^(Left|Right) ASIS/),
  });
  expect((pair!.values as { deg: number }).deg).toBeCloseTo(45, -1);
});

test('the tube’s own angle is what lies on its collimator', () => {
  let tried = 0;
  for (const setup of setups) {
    const { tube, receptor, scene } = setup;
    if (tube.beam !== 'vertical' || tube.acrossDeg !== 0 || Math.abs(scene.zero.beam[2]) < 0.999) continue;
    tried += 1;
    const { deg } = gaugeTargets(setup)[0]!;
    expect([setup.name, deg]).toEqual([setup.name, expect.closeTo(tube.angleDeg, 0)]);
    if (receptor.tiltDeg === 0) expect(gaugeTargets(setup)[1]!.deg).toBeLessThan(90.5);
  }
  expect(tried).toBeGreaterThan(80);
});

test('a mortise is felt by its malleoli, a lateral wrist by its styloids one above the other', () => {
  const mortise = touchPairs(of('ankle-mortise')).map(({ code }) => code);
  expect(mortise).toEqual([expect.stringMatching(/touch-even|touch-farther/)]);
  expect(touchPairs(of('wrist-pa')).map(({ code }) => code)).toEqual([
    expect.stringMatching(/touch-even|touch-farther/),
  ]);
});

describe('where nothing may be turned nothing is felt for', () => {
  test.each([
    ['knee-lateral', { fractureSuspected: true }],
    ['knee-lateral', { keepStill: ['left leg'] }],
    ['knee-lateral', { worn: ['traction'] }],
    ['hand-pa', { keepStill: ['left arm'] }],
    ['hand-pa', { worn: ['splint'] }],
    ['lumbar-ap', { spineNotCleared: true }],
    ['lumbar-ap', { worn: ['board'] }],
    ['pelvis-ap', { keepStill: ['pelvis'] }],
    ['skull-ap-axial', { worn: ['collar'] }],
    ['skull-ap-axial', { keepStill: ['neck'] }],
  ] as const)('%s, %o', (projectionId, situation) => {
    const asked = { projectionId, side: 'left', situation } as unknown as Parameters<typeof computeSetup>[0];
    const setup = computeSetup(asked);
    expect(touchPairs(setup)).toEqual([]);
    expect(gaugeTargets(setup).map(({ of: what }) => what)).not.toContain('trunk');
    expect(touchPairs(computeSetup({ ...asked, situation: {} }))).not.toEqual([]);
  });
});
