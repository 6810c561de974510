/** What is typed at the table changes the numbers that it is about, and nothing where it was not understood. */
import { dot, subtract } from '../geometry/vector';
import { throughPoint } from '../geometry/projection';
import { markIn, planeIn } from './measure';
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
  ['cannot kneel long', { projectionId: 'fossa-kneeling', side: 'left' }, { situation: { canKneel: false } }],
  ['this shoulder stays high', { projectionId: 'cervicothoracic-lateral' }, { overrides: { angleDeg: -5 } }],
  ['the far shoulder won’t come down', { projectionId: 'cervicothoracic-lateral' }, { overrides: { angleDeg: -5 } }],
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

describe('an injury near a joint', () => {
  const LONG: readonly (readonly [string, string, string])[] = [
    ['leg-ap', 'ankle', 'ankle joint'],
    ['leg-lateral', 'knee', 'knee joint'],
    ['forearm-ap', 'wrist', 'wrist joint'],
    ['forearm-lateral', 'elbow', 'elbow joint'],
    ['humerus-ap', 'shoulder', 'humeral head'],
    ['humerus-lateral', 'elbow', 'elbow joint'],
    ['femur-ap-distal', 'knee', 'knee joint'],
    ['femur-ap-proximal', 'hip', 'hip joint'],
  ];
  test.each(LONG)('%s, near the %s: the joint stands well inside the light', (projectionId, joint, shown) => {
    let checked = 0;
    for (const patient of [{}, { ageYears: 4 }, { statureMm: 1950, massKg: 110 }]) {
      const request: SetupRequest = { projectionId, side: 'left', patient };
      const said = read(`injury near the ${joint}`, request);
      expect(said.clauses[0]!.says).toMatch(/inside the light|more than one exposure/);
      const setup = again(`injury near the ${joint}`, request);
      const { p } = setup.scene.mustShow.find(({ name, axis }) => name === shown && axis !== 'across')!;
      if (/more than one/.test(said.clauses[0]!.says)) continue;
      const { v } = throughPoint(setup.scene.focal, planeIn(setup), p);
      expect(setup.field.atReceptorMm.height / 2 - Math.abs(v)).toBeGreaterThan(20);
      checked += 1;
    }
    expect(checked).toBeGreaterThan(0);
  });
  test('a light that leaves it out is brought over it; a fracture spares the limb besides', () => {
    const request: SetupRequest = { projectionId: 'forearm-ap', side: 'left', overrides: { fieldMm: [110, 250] } };
    const { clauses, change } = read('fracture near the elbow', request);
    expect(clauses[0]!.says).toMatch(/your own centring.*a fracture is suspected/);
    expect(change.situation).toEqual({ fractureSuspected: true });
    const setup = again('fracture near the elbow', request);
    const { p } = setup.scene.mustShow.find(({ name }) => name === 'elbow joint')!;
    expect(
      setup.field.atReceptorMm.height / 2 - Math.abs(throughPoint(setup.scene.focal, planeIn(setup), p).v),
    ).toBeGreaterThan(20);
  });
  test.each([
    ['no pain near the ankle', 'leg-ap'],
    ['denies injury at the wrist', 'forearm-ap'],
    ['the shoulder is not high', 'cervicothoracic-lateral'],
    ['this shoulder does not stay high', 'cervicothoracic-lateral'],
  ])('%s: nothing changes', (words, projectionId) => {
    const side = projectionId === 'cervicothoracic-lateral' ? {} : { side: 'left' as const };
    expect(read(words, { projectionId, ...side }).change).toEqual({});
  });
  test('of a joint’s own picture it says nothing that was not said', () => {
    expect(read('pain at the knee', { projectionId: 'knee-ap', side: 'left' }).clauses[0]!.change).toBeNull();
  });
});
