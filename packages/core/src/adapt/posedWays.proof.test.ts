/** Whoever is told to do a view in another way is told how the limb is posed: nobody can see it in the numbers. */
import { eachSide, type Motion } from '../body/joints';
import { projections } from '../projections/catalogue';
import { MOBILE_UNIT } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import type { Situation } from '../setup/request';
import { findOtherWays } from './findOtherWays';

const LIES: Partial<Situation> = { canStand: false, canSit: false, canTurn: 'none', canProne: false };
const PROPPED: Partial<Situation> = {
  place: 'bedside',
  canStand: false,
  canLieFlat: false,
  proppedDeg: 45,
  canTurn: 'none',
  canProne: false,
};
const CHAIR: Partial<Situation> = {
  place: 'chair',
  canStand: false,
  canTurn: 'none',
  canLieFlat: false,
  canProne: false,
};
const LEG = new Set(['foot and ankle', 'leg and knee', 'femur, hip, pelvis']);

const limbs = projections.filter(
  ({ sided, region }) => sided === 'each' && (LEG.has(region) || /elbow|hand/.test(region)),
);
const posed = (situation: Partial<Situation>, room?: typeof MOBILE_UNIT) =>
  limbs.flatMap(({ id: projectionId, region }) =>
    findOtherWays({ projectionId, side: 'right', situation, room })
      .flatMap(({ setup, second }) => (second ? [setup, second] : [setup]))
      .filter(({ way, inPart }) => way && !way.asItLies && /_[LR]$/.test(inPart[0]!.segment))
      .map((setup) => ({ region, setup })),
  );

test.each([
  ['lies', LIES, undefined],
  ['is propped in bed', PROPPED, MOBILE_UNIT],
  ['sits in a wheelchair', CHAIR, undefined],
] as const)('who %s: the bend of knee or elbow is said in degrees', (_, situation, room) => {
  const found = posed(situation, room);
  expect(found.length).toBeGreaterThan(20);
  for (const { region, setup } of found) {
    const joint: Motion = LEG.has(region) ? 'kneeFlexion_R' : 'elbowFlexion_R';
    const deg = Math.round(eachSide(setup.scene.pose).get(joint) ?? 0);
    // A wrist or a hand is shown whatever the elbow does.
    if (deg < 15 || region === 'hand and wrist') continue;
    expect([setup.name, setup.position.say]).toEqual([setup.name, expect.stringContaining(`flexed ${deg}°`)]);
    expect(setup.position.say).not.toMatch(/leg extended/);
  }
});

test('nobody who sits bends the knee behind the seat', () => {
  for (const { region, setup } of posed(CHAIR))
    if (LEG.has(region))
      expect([setup.name, (eachSide(setup.scene.pose).get('kneeFlexion_R') ?? 0) <= 110]).toEqual([setup.name, true]);
});

describe('who is propped at 45°', () => {
  const first = (projectionId: string) =>
    findOtherWays({ projectionId, side: 'right', situation: PROPPED, room: MOBILE_UNIT })[0]!;
  test('a tangential patella is taken with the receptor on the thigh, its joint open', () => {
    const { setup, offDeg } = first('patella-tangential-supine');
    expect(setup.position.say).toMatch(/^Semi-erect.*knee flexed 42°.*receptor upright on the thigh/);
    expect([setup.feasible, offDeg < 5, setup.image.magnification < 1.2]).toEqual([true, true, true]);
  });
  test('the foot is rotated outward with the other leg out of its way', () => {
    const { setup, offDeg } = first('foot-oblique-lateral');
    expect(setup.position.say).toMatch(/^Semi-erect.*leg rotated \d+° laterally.*the other leg out to the side/);
    expect(offDeg).toBeLessThan(3);
  });
});

test('a ray along a limb is neither AP nor PA', () => {
  const asked = { projectionId: 'patella-tangential-prone', side: 'right' as const };
  const found = findOtherWays({ ...asked, situation: CHAIR }).filter(({ setup }) => setup.way?.reversed);
  expect(found.length).toBeGreaterThan(0);
  for (const { name, setup } of found) {
    expect(name).not.toMatch(/taken/);
    expect(setup.marker.extra).not.toContain('AP');
  }
  expect(computeSetup({ ...asked }).name).toBe('Patella, tangential, prone, right');
});
