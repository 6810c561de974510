/**
 * Nothing hangs on wording: with every sentence of the renderer replaced by its code, the same plans, changes, prices,
 * verdicts, other ways, exercises and scores come out as in English.
 */
import type * as Core from '../index';
import type * as Exercises from '../exercise/index';
import { expectSame } from '../testing/same';
import type { Fact } from './fact';

type Loaded = { core: typeof Core; exercises: typeof Exercises };

/** The whole core, loaded anew, with or without words. */
function loaded(words: 'english' | 'codes'): Loaded {
  let found: Loaded | undefined;
  jest.isolateModules(() => {
    if (words === 'codes')
      jest.doMock('./say', () => ({ say: ({ code, values }: Fact) => `§${code}${JSON.stringify(values)}` }));
    else jest.dontMock('./say');
    found = {
      core: jest.requireActual<typeof Core>('../index'),
      exercises: jest.requireActual<typeof Exercises>('../exercise/index'),
    };
  });
  return found!;
}

const PATIENT = { ageYears: 46, sex: 'female', massKg: 74 } as const;
const SITUATIONS = [
  {},
  { fractureSuspected: true, worn: ['splint'] },
  { spineNotCleared: true, worn: ['collar', 'board'], canStand: false },
  { canStand: false, canTurn: 'left', proppedDeg: 30 },
  { holdsBreath: false, holdsStill: false, keepStill: ['left leg'] },
] as const;

/** What is decided, without what it is called. */
function decided({ core, exercises }: Loaded) {
  const { projections, computeSetup, findOtherWays, planSeries, whyForbidden } = core;
  const sideOf = (sided: string) => (sided === 'each' ? ('left' as const) : undefined);
  const setups = SITUATIONS.flatMap((situation) =>
    projections.map(({ id, sided }) => {
      const request = { projectionId: id, side: sideOf(sided), patient: PATIENT, situation: situation as never };
      const setup = computeSetup(request);
      return {
        id,
        feasible: setup.feasible,
        problems: setup.problems.map(({ code, values }) => ({ code, values })),
        steps: setup.steps.map(({ code, values, group }) => ({ code, values, group })),
        cautions: setup.cautions.map(({ code, grave, group }) => ({ code, grave, group })),
        breath: core.breathSequence(setup),
        forbidden: whyForbidden(request)?.reason ?? null,
      };
    }),
  );
  const groups = projections.flatMap((_, i) => (i % 5 === 0 ? [projections.slice(i, i + 5)] : []));
  const plans = SITUATIONS.slice(0, 2).flatMap((situation) =>
    groups.map((entries) => {
      const items = entries.map(({ id, sided }) => ({ projectionId: id, side: sideOf(sided) }));
      const plan = planSeries({ items, patient: PATIENT, situation: situation as never });
      return {
        ...{ order: plan.order, effort: plan.effort, asGiven: plan.asGiven, least: plan.least },
        constraints: plan.constraints.map(({ before, after }) => [before, after]),
        barred: plan.barred.map(({ item }) => item),
        steps: plan.steps.map(({ item, points, turn, priced, changes }) => ({
          ...{ item, points, turn },
          priced: priced.map(({ id, points: each }) => [id, each]),
          changes: changes.map(({ kind, code, values, undo, readout }) => ({ kind, code, values, undo, readout })),
        })),
        bring: core.summarizeSeries(plan.steps.map(({ setup }) => setup)).bring,
      };
    }),
  );
  const ways = SITUATIONS.slice(1).flatMap((situation) =>
    projections
      .filter((_, i) => i % 9 === 0)
      .map(({ id, sided }) =>
        findOtherWays({ projectionId: id, side: sideOf(sided), patient: PATIENT, situation: situation as never }).map(
          ({ request, points, costs, offDeg, keeps, tell }) => ({
            ...{ request, points, offDeg },
            told: [...keeps, ...tell].map(({ code, values }) => ({ code, values })),
            costs: costs.map(({ id: cost, code, values, points: each }) => ({ cost, code, values, points: each })),
          }),
        ),
      ),
  );
  const scores = exercises.scenarios.flatMap((scenario) => {
    if (scenario.kind !== 'set it up') return [];
    const { share, items } = exercises.scoreExercise(
      scenario,
      exercises.leftBehind(scenario, core.ROOM_ONE),
      core.ROOM_ONE,
    );
    return [{ id: scenario.id, share, items: items.map(({ id, share: each, grave }) => [id, each, grave ?? false]) }];
  });
  return { setups, plans, ways, scores };
}

test('the same is decided in English and in codes', () => {
  const english = decided(loaded('english'));
  const without = loaded('codes');
  // The words are gone indeed.
  expect(without.core.computeSetup({ projectionId: 'chest-pa' }).steps[0].text).toMatch(/^§step-receptor\{/);
  const codes = decided(without);
  expect(english.setups.length).toBeGreaterThan(1000);
  expect(english.ways.flat().length).toBeGreaterThan(150);
  expect(english.scores.length).toBeGreaterThan(10);
  expect(english.plans.flatMap(({ steps }) => steps.flatMap(({ changes }) => changes)).length).toBeGreaterThan(500);
  expectSame(codes.setups, english.setups);
  expectSame(codes.plans, english.plans);
  expectSame(codes.ways, english.ways);
  expectSame(codes.scores, english.scores);
});
