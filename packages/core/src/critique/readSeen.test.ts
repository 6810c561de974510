/** What is typed at the table changes the numbers that it is about, and nothing where it was not understood. */
import { dot, subtract } from '../geometry/vector';
import { markIn } from './measure';
import { projectionOf } from '../projections/catalogue';
import { computeSetup } from '../setup/computeSetup';
import type { Overrides, SetupRequest } from '../setup/request';
import { readSeen } from './readSeen';

function read(text: string, request: SetupRequest) {
  const setup = computeSetup(request);
  const pulled: Overrides = request.overrides ?? {};
  return readSeen(text, {
    setup,
    entry: projectionOf(request.projectionId),
    patient: request.patient ?? {},
    pulled,
    unit: 'in',
  });
}
const again = (text: string, request: SetupRequest) => {
  const { change } = read(text, request);
  return computeSetup({
    ...request,
    patient: { ...request.patient, ...change.patient },
    situation: { ...request.situation, ...change.situation },
    overrides: { ...request.overrides, ...change.overrides },
  });
};

test('an aim of one’s own, from a landmark: the CR enters there, and it is judged', () => {
  const request: SetupRequest = { projectionId: 'chest-ap' };
  const now = again('7 in below the notch', request);
  const level = (setup: typeof now) =>
    -dot(subtract(setup.scene.entry, markIn(setup, 'jugular_notch')), setup.scene.receptor.v) / 25.4;
  expect(level(computeSetup(request))).toBeLessThan(6.5);
  expect(level(now)).toBeCloseTo(7, 0);
  expect(now.problems.map(({ code }) => code)).toContain('own-aim');
});

test('the same aim said again moves nothing on', () => {
  const once = read('7 in below the notch', { projectionId: 'chest-ap' }).change.overrides!.aimMm!;
  const twice = read('7 in below the notch', { projectionId: 'chest-ap', overrides: { aimMm: once } }).change.overrides!
    .aimMm!;
  expect(Math.abs(twice[0] - once[0])).toBeLessThan(6);
});

test('mid-shaft is the middle of what must be shown', () => {
  const { change, clauses } = read('mid-shaft', { projectionId: 'humerus-ap', side: 'left' });
  expect(clauses[0]!.says).toMatch(/^your own centring, /);
  expect(change.overrides!.aimMm![1]).toBe(0);
});

test.each<[string, SetupRequest, object]>([
  ['SID 36 in is what I can reach', { projectionId: 'chest-ap' }, { overrides: { sidMm: 914 } }],
  ['the spine sags', { projectionId: 'lumbar-lateral' }, { overrides: { angleDeg: -5 } }],
  ['spine sags 8°', { projectionId: 'lumbar-lateral' }, { overrides: { angleDeg: -8 } }],
  ['her spine sags', { projectionId: 'thoracic-lateral' }, { overrides: { angleDeg: 10 } }],
  ['ASIS to table 22 cm', { projectionId: 'knee-ap', side: 'left' }, { overrides: { angleDeg: 0 } }],
  ['asis to table 17 cm', { projectionId: 'knee-ap', side: 'left' }, { overrides: { angleDeg: -4 } }],
  ['chest 29 cm', { projectionId: 'chest-pa' }, { patient: { measured: { chestAPMm: 290 } } }],
  ['22,5 cm', { projectionId: 'lumbar-ap' }, { patient: { partThicknessMm: 225 } }],
  [
    'knee bends only to 40',
    { projectionId: 'knee-lateral', side: 'right' },
    { situation: { joints: { kneeFlexion_R: [-5, 40] } } },
  ],
  [
    'cannot straighten the elbow beyond 25°',
    { projectionId: 'elbow-ap', side: 'left' },
    { situation: { joints: { elbowFlexion_L: [25, 150] } } },
  ],
  ['patella fracture', { projectionId: 'knee-lateral', side: 'left' }, { situation: { fractureSuspected: true } }],
  ['cannot hold his breath', { projectionId: 'chest-pa' }, { situation: { holdsBreath: false } }],
  ['in a collar', { projectionId: 'chest-ap' }, { situation: { worn: ['collar'], spineNotCleared: true } }],
  ['C7 not felt', { projectionId: 'chest-pa' }, { overrides: { notFelt: ['C7_sp'] } }],
  [
    'I can’t feel the iliac crest',
    { projectionId: 'lumbar-ap' },
    { overrides: { notFelt: ['iliac_crest_L', 'iliac_crest_R'] } },
  ],
])('“%s”', (text, request, change) => {
  const { clauses, change: found } = read(text, request);
  expect(clauses.map(({ says }) => says !== '')).toEqual([true]);
  expect(found).toMatchObject(change);
});

test('what cannot be felt is told from what can', () => {
  const usual = computeSetup({ projectionId: 'chest-pa' });
  expect(usual.centre.text).toMatch(/vertebra prominens/);
  const now = again('c7 cannot be felt', { projectionId: 'chest-pa' });
  expect(now.centre.text).not.toMatch(/vertebra prominens/);
  expect(now.centre.checkBy.map(({ text }) => text).join()).not.toMatch(/vertebra prominens/);
  expect(now.scene.entry).toEqual(usual.scene.entry);
  const knee: SetupRequest = { projectionId: 'knee-ap', side: 'right' };
  expect(computeSetup(knee).centre.text).toMatch(/apex of the patella/);
  expect(again('patella not felt', knee).centre.text).not.toMatch(/apex of the patella/);
});

test('a spine that does not sag turns no tube', () => {
  for (const words of ['spine does not sag', 'no sagging', 'spine sags 2 cm'])
    expect([words, read(words, { projectionId: 'lumbar-lateral' }).change]).toEqual([words, {}]);
});

test('several at once, each by itself; what is not understood is given back and changes nothing', () => {
  const { clauses, change } = read('Chest 29 cm, the wallpaper is ugly; cannot stand', { projectionId: 'chest-pa' });
  expect(clauses.map(({ says }) => says)).toEqual([expect.stringMatching(/^Chest, front to back/), '', 'cannot stand']);
  expect(change).toEqual({
    patient: { measured: { chestAPMm: 290 } },
    situation: { canStand: false },
    overrides: {},
  });
  for (const odd of ['', '...', 'SID 9 in', 'chest 900 cm', '3 in below the moon', 'knee', 'not felt'])
    for (const { change: none } of read(odd, { projectionId: 'chest-pa' }).clauses)
      expect([odd, none]).toEqual([odd, null]);
});
