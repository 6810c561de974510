/** The renderer: every code has its sentence, with its values in it; a fact without one is an error that names it. */
import { PROBLEM_CODES, problem } from '../setup/problem';
import { CHANGE_WORDS } from './changeWords';
import { PROBLEM_WORDS } from './problemWords';
import { ASKED_WORDS, REASON_WORDS, reasonWords, type ReasonCode } from './reasonWords';
import { say } from './say';
import { CAUTION_WORDS, STEP_WORDS } from './stepWords';
import { COST_WORDS } from './wayWords';

test('each problem has one sentence, and each sentence of a problem a problem', () => {
  expect(Object.keys(PROBLEM_WORDS).sort()).toEqual([...PROBLEM_CODES].sort());
});

test('no code stands in two tables', () => {
  const codes = [PROBLEM_WORDS, CHANGE_WORDS, STEP_WORDS, CAUTION_WORDS, COST_WORDS].flatMap(Object.keys);
  expect(codes.length).toBeGreaterThan(100);
  expect(new Set(codes).size).toBe(codes.length);
});

test('a fact without a sentence is named', () => {
  expect(() => say({ code: 'no-such', values: {} }, { unit: 'in' })).toThrow('there is no sentence for "no-such"');
});

test('lengths in the unit that is asked for, plural and sides as they are', () => {
  const sid = { code: 'change-sid', values: { fromMm: 1016, toMm: 1829 } };
  expect(say(sid, { unit: 'in' })).toBe('SID 40 in → 72 in');
  expect(say(sid, { unit: 'cm' })).toBe('SID 101.5 cm → 183 cm');
  expect(say({ code: 'cost-holders', values: { count: 1 } }, { unit: 'in' })).toBe('1 person to hold');
  expect(say({ code: 'cost-holders', values: { count: 2 } }, { unit: 'in' })).toBe('2 people to hold');
  expect(problem('joint-limit', { motion: 'kneeFlexion_L', neededDeg: 90, limitedDeg: 20 }).text).toMatch(
    /^Left knee flexion 20° only; the view wants 90°\.$/,
  );
  const exposures = {
    code: 'step-exposures',
    values: { overlapMm: 51, shiftsMm: [350, 0, -350], up: 'head', down: 'feet' },
  };
  expect(say(exposures, { unit: 'cm' })).toBe(
    '3 exposures, overlapping 5 cm; centred, from the CR of the whole: 35 cm (14 in) cephalad, on it and 35 cm (14 in) caudad',
  );
});

test('what is barred says why and whom to ask, or what turns', () => {
  expect(problem('forbidden', { reason: 'no-weights-where-broken', ask: 'radiologist' }).text).toBe(
    'Not to be done: no weights where a fracture or dislocation is suspected. Ask the radiologist.',
  );
  const barred = problem('position-barred', { name: 'Knee', body: 'prone', reason: 'turns-only-to', side: 'left' });
  expect(barred.text).toBe('Knee (prone) is barred: the patient turns only to the left side.');
  expect(problem('position-barred', { name: 'Knee', body: null, reason: 'board', turns: true }).text).toBe(
    'Knee like this is barred: the patient stays on the board, and the view rolls the patient.',
  );
  // Each reason reads on after a colon: it begins small and ends without a stop.
  for (const code of Object.keys(REASON_WORDS) as ReasonCode[])
    expect(reasonWords({ code, side: 'left', to: 'right', deg: 30, part: 'left leg below the knee' })).toMatch(
      /^[a-z].*[a-z0-9°]$/,
    );
  expect(Object.values(ASKED_WORDS).every((who) => who.startsWith('the '))).toBe(true);
});

test('the grid says what is wrong with how it stands', () => {
  const lost = { centre: 0.05, edge: 0.51, focusMm: 1016, nearMm: 800, farMm: null } as const;
  expect(problem('grid-cut-off', { ...lost, by: 'distance' }, 'cm').text).toContain('bears 80 cm and more');
  expect(problem('grid-cut-off', { ...lost, by: 'placing' }).text).toMatch(/perpendicular to the CR and centre it\.$/);
  expect(problem('grid-cut-off', { ...lost, by: 'lean' }).text).toContain('angled across its strips');
});
