/** One verdict for everybody: over the catalogue and what a patient may not do, it is that of set-up, plan and ways. */
import { findOtherWays, whyForbidden } from '../adapt/findOtherWays';
import { projectionOf, projections } from '../projections/catalogue';
import { planSeries } from '../series/planSeries';
import { computeSetup } from './computeSetup';
import { judge } from './judge';
import type { SetupRequest, Situation } from './request';

const SITUATIONS: [string, Partial<Situation>][] = [
  ['nothing', {}],
  ['a fracture', { fractureSuspected: true }],
  ['a dislocation in a splint', { suspected: ['dislocation'], worn: ['splint'] }],
  ['a spine on the board', { spineNotCleared: true, worn: ['board', 'collar'], canStand: false, canSit: false }],
  ['a kept leg', { keepStill: ['left leg'], canStand: false }],
  ['one who turns to the left only', { canStand: false, canSit: false, canTurn: 'left', canProne: false }],
];

describe.each(SITUATIONS)('%s', (_, situation) => {
  const requests = projections.map(({ id, sided }): SetupRequest => ({
    projectionId: id,
    side: sided === 'each' ? 'left' : undefined,
    patient: { ageYears: 40, sex: 'female' },
    situation,
  }));
  const verdicts = requests.map((request) => judge(request));

  test('set-up and plan say the same, and nothing of what is barred is told as a thing to do', () => {
    for (const [i, request] of requests.entries()) {
      const { allowed, feasible, problems } = verdicts[i];
      const setup = computeSetup(request);
      expect([request.projectionId, setup.feasible]).toEqual([request.projectionId, feasible]);
      expect(feasible).toBe(problems.length === 0);
      const { projectionId, side } = request;
      const plan = planSeries({ items: [{ projectionId, side }], patient: request.patient, situation });
      expect(plan.barred).toHaveLength(feasible ? 0 : 1);
      if (allowed) continue;
      expect([setup.steps, setup.prepare, setup.aids, setup.position.part, setup.position.supports]).toEqual([
        [],
        [],
        [],
        [],
        [],
      ]);
    }
  });

  test('what serves instead can be done, and is named only where the view is barred', () => {
    for (const { allowed, instead } of verdicts) {
      if (allowed) expect(instead).toEqual([]);
      for (const { projectionId, name, loses, asUsual } of instead) {
        const { sided } = projectionOf(projectionId);
        const side = sided === 'each' ? ('left' as const) : undefined;
        expect(name).toBe(projectionOf(projectionId).name);
        expect(loses.length).toBeGreaterThan(3);
        const other: SetupRequest = { projectionId, side, patient: { ageYears: 40, sex: 'female' }, situation };
        expect([projectionId, whyForbidden(other)]).toEqual([projectionId, null]);
        expect(judge(other).feasible).toBe(asUsual);
      }
    }
  });

  test('what is forbidden outright is found by no other way of its own', () => {
    const outright = requests.filter((request) => whyForbidden(request) !== null);
    for (const request of outright) {
      expect(judge(request).problems.map(({ code }) => code)).toContain('forbidden');
      expect(findOtherWays(request).map(({ request: way }) => way.projectionId)).not.toContain(request.projectionId);
    }
    if (situation.fractureSuspected || situation.spineNotCleared) expect(outright.length).toBeGreaterThan(5);
  });
});

test('there is something barred, and something that serves instead', () => {
  const verdict = judge({
    projectionId: 'acromioclavicular-ap-weights',
    situation: { fractureSuspected: true },
  });
  expect(verdict).toMatchObject({ allowed: false, feasible: false });
  expect(verdict.problems[0]).toMatchObject({ code: 'forbidden', values: { reason: 'no-weights-where-broken' } });
  // The entry is of both sides: nothing of a side is asked.
  expect(verdict.instead.map(({ projectionId }) => projectionId)).toContain('acromioclavicular-ap');
  // Each view that a fracture forbids outright names what serves in its place, but for the whole leg under load.
  const silent = projections.filter(
    ({ id, sided, instead }) =>
      instead.length === 0 &&
      whyForbidden({
        projectionId: id,
        side: sided === 'each' ? 'left' : undefined,
        situation: { fractureSuspected: true },
      }),
  );
  expect(silent.map(({ id }) => id)).toEqual(['hips-to-ankles']);
});
