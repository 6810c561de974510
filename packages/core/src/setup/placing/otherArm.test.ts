/** Who does not raise the other arm: the tube makes up for it where the entry knows how. */
import { findOtherWays } from '../../adapt/findOtherWays';
import { posedMark } from '../../body/posed';
import { posedIn } from '../../body/posedIn';
import { projectPoint } from '../../geometry/projection';
import { projectionOf, projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import type { Situation } from '../request';
import type { Setup, Side } from '../setup';

const ID = 'humerus-transthoracic-lateral';
const OTHER: Record<Side, Side> = { left: 'right', right: 'left' };
const LETTER: Record<Side, 'L' | 'R'> = { left: 'L', right: 'R' };
/** Every way in which the arm opposite to a side may stay. */
const staying = (side: Side): Partial<Situation>[] => [
  { canRaiseArm: side },
  { canRaiseArm: 'none' },
  { keepStill: [`${OTHER[side]} arm`] },
  { joints: { [`shoulderFlexion_${LETTER[OTHER[side]]}`]: [0, 60] } },
];
/** How high a landmark is thrown up the receptor, mm from the CR. */
const thrown = (setup: Setup, landmark: string): number => {
  const { receptor, focal } = setup.scene;
  const plane = { origin: receptor.centre, u: receptor.u, v: receptor.v, n: receptor.n };
  return projectPoint(focal, plane, posedMark(posedIn(setup), landmark).p).v;
};

test.each(['left', 'right'] as const)(
  'transthoracic of the %s arm: 10 to 15° cephalad, and the arm is not raised',
  (side) => {
    for (const lying of [{}, { canStand: false, canSit: false }])
      for (const stays of staying(side)) {
        const setup = computeSetup({ projectionId: ID, side, situation: { ...lying, ...stays } });
        expect([stays, setup.feasible, setup.problems]).toEqual([stays, true, []]);
        expect(setup.tube.angleDeg).toBeGreaterThanOrEqual(10);
        expect(setup.tube.angleDeg).toBeLessThanOrEqual(15);
        expect(setup.tube.angleSays).toBe('head');
        expect(setup.position.say).not.toMatch(/on the head|over the head/);
        expect(setup.steps.map(({ text }) => text).join()).toMatch(/CR 12° cephalad/);
        // What that angle is for: the other shoulder is thrown above the one that is shown.
        const near = thrown(setup, `humeral_head_${LETTER[side]}`);
        const far = thrown(setup, `humeral_head_${LETTER[OTHER[side]]}`);
        expect(far - near).toBeGreaterThan(60);
      }
  },
);

test('who raises it is set up as ever, without an angle', () => {
  for (const situation of [{}, { canRaiseArm: 'right' as const }, { keepStill: ['left arm' as const] }]) {
    const { tube, position } = computeSetup({ projectionId: ID, side: 'left', situation });
    expect([tube.angleDeg, /on the head/.test(position.say)]).toEqual([0, true]);
  }
});

test('erect and supine are both offered, and none asks for the arm', () => {
  for (const stays of staying('left')) {
    const found = findOtherWays({ projectionId: ID, side: 'left', situation: stays });
    expect(found.map(({ setup }) => setup.position.body)).toEqual(expect.arrayContaining(['upright', 'supine']));
    for (const { says } of found) expect(says).not.toMatch(/on the head|over the head/);
  }
});

test('an entry that has such a position names an angle in the range of its own tube', () => {
  const having = projections.filter(({ positions }) => positions.some(({ ifOtherArmStays }) => ifOtherArmStays));
  expect(having.map(({ id }) => id)).toContain(ID);
  for (const { id, positions, ray, sided } of having) {
    expect([id, sided]).toEqual([id, 'each']);
    for (const { ifOtherArmStays } of positions) {
      if (!ifOtherArmStays) continue;
      const along = ifOtherArmStays.tubeDeg * (ray.toward === 'head' ? 1 : -1);
      expect([id, along >= ray.rangeDeg[0] && along <= ray.rangeDeg[1]]).toEqual([id, true]);
    }
  }
  expect(projectionOf(ID).ray.angleDeg).toBe(0);
});
