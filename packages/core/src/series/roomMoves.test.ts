import { MOBILE_UNIT, ROOM_ONE, ROOM_TWO } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import type { SetupRequest } from '../setup/request';
import { summarizeSeries } from './bringList';
import { changesBetween } from './changesBetween';
import { planSeries } from './planSeries';
import { roomLines } from './roomLines';
import { arrange } from './roomState';

const setup = (projectionId: string, rest: Partial<SetupRequest> = {}) =>
  computeSetup({ projectionId, room: ROOM_ONE, ...rest });
const left = { side: 'left' as const };
const tall = { patient: { ageYears: 40, statureMm: 2000, massKg: 120 } };
const said = (
  before: ReturnType<typeof setup>,
  after: ReturnType<typeof setup>,
  state = arrange(null, before, ROOM_ONE).state,
) => changesBetween(before, after, 'in', { room: ROOM_ONE, state });

test('down the leg: the top runs toward the head end, and at its end tube and tray go on together', () => {
  const changes = said(setup('pelvis-ap', tall), setup('knee-ap', { ...tall, ...left }));
  const texts = changes.map(({ text }) => text).join('\n');
  expect(texts).toMatch(
    /^Table top \d.* toward its head end and .* across toward the patient’s right, tube and tray stay in line$/m,
  );
  expect(texts).toMatch(/^Tube and tray together .* toward the table’s foot end: the top is at its end$/m);
});

test('back up again the top comes all the way, toward the other end', () => {
  const [pelvis, knee] = [setup('pelvis-ap', tall), setup('knee-ap', { ...tall, ...left })];
  const { state } = arrange(arrange(null, pelvis, ROOM_ONE).state, knee, ROOM_ONE);
  const back = said(knee, pelvis, state).find(({ code }) => code === 'change-top');
  expect(back?.text).toMatch(/^Table top \d.* toward its foot end and .* across toward the patient’s left/);
});

test('wall stand and tube go up by how much, and where they are then', () => {
  const texts = said(setup('chest-pa'), setup('cervical-lateral')).map(({ text }) => text);
  expect(texts).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/^Wall stand \d.* in higher, its centre \d.* in above the floor$/),
      expect.stringMatching(/^Tube \d.* in higher, focal spot \d.* in above the floor$/),
    ]),
  );
});

test('from the wall to the table the tube is turned down, and level again on the way back', () => {
  expect(
    said(setup('chest-pa'), setup('abdomen-ap-supine')).find(({ code }) => code === 'change-upright-ray'),
  ).toMatchObject({
    undo: true,
  });
  expect(said(setup('abdomen-ap-supine'), setup('chest-pa')).some(({ code }) => code === 'change-level')).toBe(true);
});

test('a tall patient is turned end for end where top and tray reach no further', () => {
  const [skull, foot] = [setup('skull-ap-axial', tall), setup('knee-ap', { ...tall, ...left })];
  const found = arrange(arrange(null, skull, ROOM_TWO).state, foot, ROOM_TWO);
  expect(found.outOfReach).toBe(false);
  expect(Math.abs(found.state.trayMm)).toBeLessThanOrEqual(321);
});

test('a heavy patient is not run out to the end of the top', () => {
  const heavy = { patient: { ageYears: 40, statureMm: 1750, massKg: 190 } };
  const changes = said(setup('pelvis-ap', heavy), setup('knee-ap', { ...heavy, ...left }));
  expect(changes.map(({ text }) => text).join('\n')).toMatch(/further out the top does not carry this patient/);
  expect(arrange(null, setup('knee-ap', { ...heavy, ...left }), ROOM_ONE).state.topAlongMm).toBeLessThanOrEqual(225);
});

test('whom the table does not carry is not laid on it', () => {
  const heavy = { patient: { ageYears: 40, statureMm: 1800, massKg: 200 } };
  const on = (room = ROOM_TWO) => computeSetup({ projectionId: 'abdomen-ap-supine', ...heavy, room });
  expect(on().feasible).toBe(false);
  expect(on().problems.map(({ text }) => text)).toContain(
    'The table of Room 2 carries 180 kg; this patient weighs 200 kg.',
  );
  expect(on(ROOM_ONE).problems.map(({ code }) => code)).not.toContain('table-load');
  expect(
    computeSetup({ projectionId: 'chest-pa', ...heavy, room: ROOM_TWO }).problems.map(({ code }) => code),
  ).not.toContain('table-load');
});

test('a mobile unit has no table to move', () => {
  const ward = { room: MOBILE_UNIT, situation: { place: 'bedside' as const } };
  const [chest, pelvis] = [setup('chest-ap', ward), setup('pelvis-ap', ward)];
  const codes = changesBetween(chest, pelvis, 'in', { room: MOBILE_UNIT }).map(({ code }) => code);
  expect(codes).not.toEqual(expect.arrayContaining([expect.stringMatching(/top|column|slide|end-for-end/)]));
});

test('in a series every step is told from where the last one left the room', () => {
  const { steps } = planSeries({
    items: [{ projectionId: 'lumbar-ap' }, { projectionId: 'pelvis-ap' }, { projectionId: 'knee-ap', ...left }],
    room: ROOM_ONE,
    order: [0, 1, 2],
  });
  const tops = steps.map(
    ({ changes }) => changes.find(({ code }) => code === 'change-top')?.values as { alongMm: number } | undefined,
  );
  const first = arrange(null, steps[0]!.setup, ROOM_ONE).state;
  const knee = steps.slice(1).reduce((state, { setup: each }) => arrange(state, each, ROOM_ONE).state, first);
  expect(tops[0]).toBeUndefined();
  expect(tops[1]!.alongMm + tops[2]!.alongMm).toBeCloseTo(knee.topAlongMm - first.topAlongMm, 0);
});

test('where everything stands is told in lines, with the room and the patient in mind', () => {
  const knee = setup('knee-ap', { ...tall, ...left });
  const lines = roomLines(arrange(null, knee, ROOM_ONE), knee, ROOM_ONE).map(({ text }) => text);
  expect(lines).toEqual([
    expect.stringMatching(/^Patient: head to the head end of the table, \d.* in from its edge$/),
    expect.stringMatching(/^Table top: \d.* in toward its head end, \d.* across toward the patient’s right$/),
    expect.stringMatching(/^Tray: .*/),
    expect.stringMatching(/^Tube: focal spot \d.* in above the floor$/),
  ]);
  const chest = setup('chest-pa');
  expect(roomLines(arrange(null, chest, ROOM_ONE), chest, ROOM_ONE, 'cm').map(({ text }) => text)).toEqual([
    expect.stringMatching(/^Tube: level, focal spot \d.* cm above the floor$/),
    expect.stringMatching(/^Wall stand: centre \d.* cm above the floor$/),
  ]);
});

test('with the head at the foot end left and right are on the other side of the table', () => {
  const [right, other] = [setup('knee-ap', { ...tall, side: 'right' }), setup('knee-ap', { ...tall, ...left })];
  const across = (head: 'head end' | 'foot end') => {
    const lain = arrange(null, right, ROOM_ONE).state;
    const { alongMm } = lain.onTop!;
    const turned = head === 'head end' ? lain : { ...lain, onTop: { head, alongMm: -alongMm, acrossMm: 0 } };
    const state = arrange(turned, right, ROOM_ONE).state;
    const top = said(right, other, state).find(({ code }) => code === 'change-top')!;
    return { to: (top.values as { to: string }).to, mm: arrange(state, other, ROOM_ONE).state.topAcrossMm };
  };
  const [usual, reversed] = [across('head end'), across('foot end')];
  // The other knee is brought under the tube either way: toward the same side of the patient, the other of the table.
  expect(reversed.to).toBe(usual.to);
  expect(Math.sign(reversed.mm)).toBe(-Math.sign(usual.mm));
});

test('a side that is set in software is no marker that comes off and on, nor one to bring', () => {
  const rules = { marker: 'software' as const };
  const [one, two] = [setup('hand-pa', { side: 'right', rules }), setup('hand-pa', { ...left, rules })];
  const changes = said(one, two).filter(({ kind }) => kind === 'marker');
  expect(changes.map(({ text }) => text)).toEqual(['Side at the console: L instead of R']);
  const ward = (marker: 'software' | 'receptor') =>
    summarizeSeries([
      setup('pelvis-ap', { room: MOBILE_UNIT, situation: { place: 'bedside' }, rules: { marker } }),
    ]).bring.filter((each) => /marker/.test(each));
  expect([ward('receptor'), ward('software')]).toEqual([['marker R'], []]);
});
