/** Every exercise can be begun, answered right for full marks and wrong for fewer; what was weak comes back sooner. */
import { measureCriteria } from '../critique/criteria';
import { REGIONS } from '../projections/vocabulary';
import { projectionOf } from '../projections/catalogue';
import { misplace, NO_POSITIONING_ERROR } from '../radiograph/positioningError';
import { ROOM_ONE, ROOM_TWO } from '../room/demoRooms';
import { planSeries } from '../series/planSeries';
import { answerSchema, type ExerciseAnswer } from './answer';
import { inTurn, levelFor, remember, type Practised } from './memory';
import { EXERCISE_KINDS, LEVELS, PATIENT_TYPES, patientTypeOf, type Scenario } from './scenario';
import { scenarioOf, scenarios } from './scenarios';
import { PASSED_FROM, scoreExercise } from './score';
import { solutionOf } from './solution';
import { faultyOf, leftBehind, receptorsFor, setupOf, viewChoices } from './start';

const room = ROOM_ONE;

const rightAnswer = (scenario: Scenario): ExerciseAnswer => solutionOf(scenario, room);

test('sixty or more, each once, over all regions, levels and kinds, with children, trauma and mobile ones', () => {
  expect(scenarios.length).toBeGreaterThanOrEqual(60);
  expect(new Set(scenarios.map(({ id }) => id)).size).toBe(scenarios.length);
  const seen = <T>(of: (each: Scenario) => T) => new Set(scenarios.map(of));
  expect([...seen(({ of }) => projectionOf(of.projectionId).region)].sort()).toEqual([...REGIONS].sort());
  expect([...seen(({ kind }) => kind)].sort()).toEqual([...EXERCISE_KINDS].sort());
  expect([...seen(({ level }) => level)].sort()).toEqual([...LEVELS]);
  for (const type of PATIENT_TYPES)
    expect(scenarios.filter(({ of }) => patientTypeOf(of) === type).length).toBeGreaterThanOrEqual(3);
});

test.each(scenarios.map((each) => [each.id, each] as const))('%s: right is full marks', (_, scenario) => {
  const answer = rightAnswer(scenario);
  expect(answerSchema.safeParse(answer).success).toBe(true);
  const score = scoreExercise(scenario, answer, room);
  expect(score.items.filter(({ share }) => share < 1)).toEqual([]);
  expect(score).toMatchObject({ share: 1, next: '' });
});

const only = <K extends Scenario['kind']>(kind: K) =>
  scenarios.filter((each): each is Extract<Scenario, { kind: K }> => each.kind === kind);

test('a room as it was left does not pass, and what is missing says what is right', () => {
  for (const scenario of only('set it up')) {
    const start = leftBehind(scenario, room);
    expect(answerSchema.safeParse(start).success).toBe(true);
    expect(receptorsFor(room, setupOf(scenario.of, room)).map(({ id }) => id)).toContain(start.receptorId);
    const score = scoreExercise(scenario, start, room);
    expect(score.share).toBeLessThan(PASSED_FROM);
    expect(score.next).not.toBe('');
  }
});

test('near counts half, a marker of the wrong side nothing', () => {
  const scenario = scenarioOf('set-14') as Extract<Scenario, { kind: 'set it up' }>;
  const right = rightAnswer(scenario) as Extract<ExerciseAnswer, { kind: 'set it up' }>;
  const share = (change: Partial<typeof right>, id: string) =>
    scoreExercise(scenario, { ...right, ...change }, room).items.find((item) => item.id === id)!.share;
  expect(share({ angleDeg: right.angleDeg + 5 }, 'angle')).toBe(0.5);
  expect(share({ angleDeg: right.angleDeg - 15 }, 'angle')).toBe(0);
  expect(share({ marker: right.marker === 'R' ? 'L' : 'R' }, 'marker')).toBe(0);
  expect(share({ positioningError: { ...NO_POSITIONING_ERROR, alongMm: 20 } }, 'centre')).toBe(0.5);
  expect(share({ positioningError: { ...NO_POSITIONING_ERROR, rollDeg: 20 } }, 'rotation')).toBe(0);
  expect(share({ fieldMm: [40, 40] }, 'field')).toBe(0);
  expect(share({ fieldMm: [right.fieldMm[0] * 1.2, right.fieldMm[1] * 1.2] }, 'field')).toBe(0.5);
});

test('a faulty picture fails the criterion that it was made for', () => {
  for (const scenario of only('spot the fault')) {
    const { ideal, actual, fault } = faultyOf(scenario, room);
    expect(Math.abs(fault.measure(actual) - fault.target)).toBeGreaterThan(fault.tolerance);
    expect(misplace(ideal, NO_POSITIONING_ERROR)).toBe(ideal);
    const failed = measureCriteria(ideal, actual).filter(({ passes }) => !passes);
    if (fault.about.endsWith('Deg')) expect(failed.map(({ id }) => id)).toContain(fault.id);
    const wrong = scoreExercise(
      scenario,
      { kind: 'spot the fault', faultId: 'none', direction: 'more', amount: 1 },
      room,
    );
    expect(wrong.share).toBe(0);
    expect(wrong.items[2].right).toMatch(/^(Rotate|Tilt|Align|Move)/);
  }
});

test('the right view is among four, always in the same places', () => {
  for (const scenario of only('which view')) {
    const choices = viewChoices(scenario);
    expect(choices.map(({ id }) => id)).toContain(scenario.of.projectionId);
    expect(new Set(choices.map(({ id }) => id)).size).toBe(4);
    expect(viewChoices(scenario)).toEqual(choices);
  }
});

test('more turns than needed cost; an order that leaves one out is refused', () => {
  const scenario = only('fewest turns').find(({ id }) => id === 'turns-1')!;
  const { patient, situation } = scenario.of;
  const worst = [
    [0, 1, 2],
    [1, 0, 2],
    [0, 2, 1],
  ]
    .map((order) => ({
      order,
      at: planSeries({ patient, situation, room, items: scenario.items, order }).effort.points,
    }))
    .sort((a, b) => b.at - a.at)[0];
  expect(scoreExercise(scenario, { kind: 'fewest turns', order: worst.order }, room).share).toBeLessThan(1);
  expect(() => scoreExercise(scenario, { kind: 'fewest turns', order: [0, 0, 1] }, room)).toThrow(/3 projections once/);
  expect(() => scoreExercise(scenario, { kind: 'which view', projectionId: 'knee-ap' }, room)).toThrow(
    /does not belong/,
  );
  expect(() => scenarioOf('set-0')).toThrow(/no exercise/);
});

test('the same exercise in another room is scored by that room', () => {
  const scenario = scenarioOf('set-1');
  const here = rightAnswer(scenario);
  const there = scoreExercise(scenario, here, ROOM_TWO);
  expect(there.items).toHaveLength(7);
});

describe('what comes next', () => {
  const now = Date.UTC(2026, 0, 10);
  const DAY = 86_400_000;
  const practised = (scenarioId: string, share: number, at: number): Practised => ({
    scenarioId,
    share,
    memory: remember(null, share, at),
  });
  test('weak ones come back sooner than strong ones, and again later when they go well', () => {
    const weak = remember(null, 0.2, now);
    const strong = remember(null, 1, now);
    expect(weak.due).toBeLessThan(strong.due);
    const again = remember(strong, 1, strong.due);
    expect(again.due - strong.due).toBeGreaterThan(strong.due - now);
    expect(JSON.parse(JSON.stringify(again))).toEqual(again);
  });
  test('due ones first, then new ones, those not due last', () => {
    const order = inTurn(scenarios, [practised('set-3', 0.2, now - DAY), practised('set-1', 1, now)], now, {
      kind: 'set it up',
    });
    expect(order[0].id).toBe('set-3');
    expect(order[order.length - 1].id).toBe('set-1');
    expect(inTurn(scenarios, [], now, { level: 3 }).every(({ level }) => level === 3)).toBe(true);
  });
  test('the level rises when most of it is passed', () => {
    expect(levelFor(scenarios, [])).toBe(1);
    const first = scenarios.filter(({ level }) => level === 1).map(({ id }) => practised(id, 1, now));
    expect(levelFor(scenarios, first)).toBe(2);
    const all = scenarios.map(({ id }) => practised(id, 1, now));
    expect(levelFor(scenarios, all)).toBe(3);
  });
});

test('a patient type is that of the age first, then of the place, then of what is hurt', () => {
  expect(patientTypeOf({ patient: { ageYears: 6 }, situation: { place: 'bedside' } })).toBe('child');
  expect(patientTypeOf({ patient: { ageYears: 60 }, situation: { place: 'bedside', spineNotCleared: true } })).toBe(
    'mobile',
  );
  expect(patientTypeOf({ patient: {}, situation: { keepStill: ['left arm'] } })).toBe('trauma');
  expect(patientTypeOf({ patient: {}, situation: {} })).toBe('adult');
});

test('nothing is practised that must not be done', () => {
  for (const scenario of scenarios)
    expect([
      scenario.id,
      setupOf(scenario.of, ROOM_ONE).problems.filter(({ code }) => /forbidden|barred|kept/.test(code)),
    ]).toEqual([scenario.id, []]);
});

describe('grave errors', () => {
  const setUps = scenarios.filter((each) => each.kind === 'set it up');
  test.each(setUps.map((scenario) => [scenario.id, scenario] as const))(
    '%s: none of them passes, alone',
    (_, scenario) => {
      const right = solutionOf(scenario, ROOM_ONE);
      if (right.kind !== 'set it up' || scenario.kind !== 'set it up') throw new Error('not a set-up');
      const setup = setupOf(scenario.of, ROOM_ONE);
      const passes = (change: Partial<typeof right>) =>
        scoreExercise(scenario, { ...right, ...change }, ROOM_ONE).share >= PASSED_FROM;
      expect(passes({})).toBe(true);
      if (setup.marker.letters.length === 1) expect(passes({ marker: right.marker === 'R' ? 'L' : 'R' })).toBe(false);
      if (Math.abs(right.angleDeg) >= 5) expect(passes({ angleDeg: -right.angleDeg })).toBe(false);
      expect(passes({ fieldMm: [40, 40] })).toBe(false);
      const { width, height } = setup.field.neededMm;
      if (430 * 430 > 2.05 * width * height) expect(passes({ fieldMm: [430, 430] })).toBe(false);
      const other = right.sidMm > 1400 ? 1016 : 1830;
      const [low, high] = setup.tube.sidRangeMm;
      if (other < low || other > high) expect(passes({ sidMm: other })).toBe(false);
    },
  );
});

describe('spot the fault: one right answer, and names that hold', () => {
  const spots = scenarios.filter((each) => each.kind === 'spot the fault');
  test.each(spots.map((scenario) => [scenario.id, scenario] as const))('%s', (_, scenario) => {
    if (scenario.kind !== 'spot the fault') throw new Error('not a spot');
    const { ideal, actual, faults, fault, amount } = faultyOf(scenario, ROOM_ONE);
    for (const each of faults) {
      const real = Math.abs(each.measure(actual) - each.target) > each.tolerance;
      const direction = each.measure(actual) > each.target ? ('more' as const) : ('less' as const);
      const { share } = scoreExercise(
        scenario,
        { kind: 'spot the fault', faultId: each.id, direction, amount },
        ROOM_ONE,
      );
      // Every true answer that is offered counts in full, every false one not at all.
      expect([each.id, share]).toEqual([each.id, real ? 1 : 0]);
      if (/over each other/.test(each.name))
        expect([each.name, Math.abs(each.measure(ideal)) <= each.tolerance]).toEqual([each.name, true]);
    }
    expect(faults).toContain(fault);
  });
});
