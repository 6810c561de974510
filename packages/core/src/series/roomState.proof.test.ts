/** What is moved in the room adds up, stays within what table and tray can do, and leaves the patient on the table. */
import fc from 'fast-check';
import { buildBody, landmarkOf } from '../body/body';
import { projections } from '../projections/catalogue';
import { demoRooms } from '../room/demoRooms';
import { tableOf } from '../room/room';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import { changesBetween } from './changesBetween';
import { arrange, roomStateSchema, type RoomState } from './roomState';

const fixed = demoRooms.filter(({ kind }) => kind === 'fixed');
const bodies = [
  {},
  { ageYears: 4 },
  { ageYears: 40, statureMm: 2000, massKg: 120 },
  { ageYears: 40, statureMm: 1500, massKg: 45 },
  { ageYears: 50, statureMm: 1750, massKg: 150 },
];
const walk = fc.record({
  room: fc.constantFrom(...fixed.map(({ id }) => id)),
  patient: fc.constantFrom(...bodies),
  views: fc.array(
    fc.tuple(
      fc.constantFrom(...projections.map(({ id, sided }) => ({ id, sided }))),
      fc.constantFrom('left' as const, 'right' as const),
    ),
    {
      minLength: 2,
      maxLength: 5,
    },
  ),
});
const walkOf = ({ room: roomId, patient, views }: typeof walk extends fc.Arbitrary<infer T> ? T : never) => {
  const room = fixed.find(({ id }) => id === roomId)!;
  const setups = views.map(([{ id, sided }, side]) =>
    computeSetup({ projectionId: id, side: sided === 'each' ? side : undefined, patient, room }),
  );
  return { room, patient, setups };
};
type Walk = ReturnType<typeof walkOf>;

const WALKS = 150;
let walked: { each: Walk; states: RoomState[] }[];
beforeAll(() => {
  walked = fc.sample(walk, WALKS).map((asked) => {
    const each = walkOf(asked);
    const states: RoomState[] = [];
    for (const setup of each.setups) states.push(arrange(states.at(-1) ?? null, setup, each.room).state);
    return { each, states };
  });
});

/** @param least steps that must really have been tried */
function along(test: (walk: Walk, states: RoomState[], at: number) => boolean, least: number): void {
  let tried = 0;
  for (const { each, states } of walked)
    each.setups.forEach((setup, at) => {
      const said = `${each.room.id}, ${JSON.stringify(each.patient)}, ${each.setups.map(({ name }) => name).join(' → ')}`;
      try {
        if (test(each, states, at)) tried += 1;
      } catch (error) {
        throw new Error(`${said}, at ${setup.name}: ${(error as Error).message}`, { cause: error });
      }
    });
  expect(tried).toBeGreaterThanOrEqual(least);
}
const headOf = ({ onTop }: RoomState): number => (onTop?.head === 'foot end' ? -1 : 1);
const aimFromPelvis = ({ scene }: Setup): number => scene.entry[0] - scene.place[12];

test('the aim is where tube and tray are in line, and the receptor under it as far as the set-up says', () =>
  along(({ setups }, states, at) => {
    const [setup, state] = [setups[at]!, states[at]!];
    if (setup.receptor.holder !== 'table-tray' || !state.onTop) return false;
    const onTop = state.onTop.alongMm + headOf(state) * aimFromPelvis(setup);
    expect(state.topAlongMm + onTop).toBeCloseTo(state.columnMm, 6);
    const shift = setup.scene.receptor.centre[0] - setup.scene.entry[0];
    expect(state.trayMm - state.columnMm).toBeCloseTo(headOf(state) * shift, 6);
    return true;
  }, 60));

test('top and tray go no further than they can', () =>
  along(({ room, setups }, states, at) => {
    const table = tableOf(room)!;
    const [setup, state] = [setups[at]!, states[at]!];
    expect(roomStateSchema.parse(state)).toEqual(state);
    expect(Math.abs(state.topAlongMm)).toBeLessThanOrEqual(table.topAlongMm + 1e-6);
    expect(Math.abs(state.topAcrossMm)).toBeLessThanOrEqual(table.topAcrossMm + 1e-6);
    const { outOfReach } = arrange(states[at - 1] ?? null, setup, room);
    if (!outOfReach) expect(Math.abs(state.trayMm)).toBeLessThanOrEqual(table.trayMm + 1);
    return true;
  }, 200));

test('every part of every body is reached', () => {
  let tried = 0;
  for (const room of fixed)
    for (const patient of bodies)
      for (const { id, sided } of projections) {
        const setup = computeSetup({ projectionId: id, side: sided === 'each' ? 'left' : undefined, patient, room });
        if (setup.receptor.holder !== 'table-tray') continue;
        tried += 1;
        expect([id, room.id, patient, arrange(null, setup, room).outOfReach]).toEqual([id, room.id, patient, false]);
      }
  expect(tried).toBeGreaterThan(500);
});

test('the head stays on the table, and no more than the feet hang over', () =>
  along(({ room, patient }, states, at) => {
    const { onTop } = states[at]!;
    if (!onTop) return false;
    const body = buildBody(patient);
    const [half, head] = [tableOf(room)!.lengthMm / 2, headOf(states[at]!)];
    const vertex = landmarkOf(body, 'vertex').p[2];
    const fits = body.patient.statureMm + 100 <= 2 * half;
    const [top, sole] = [onTop.alongMm * head + vertex, onTop.alongMm * head - (body.patient.statureMm - vertex)];
    expect(top).toBeLessThanOrEqual(half + 1e-6);
    if (fits) expect(sole).toBeGreaterThanOrEqual(-half - 250 - 1e-6);
    return true;
  }, 100));

const NUMBERS = {
  'change-top': (s: RoomState) => s.topAlongMm,
  'change-column': (s: RoomState) => s.columnMm,
  'change-wall-height': (s: RoomState) => s.wallMm ?? 0,
} as const;
test('what is told is what lies between the two states, in amount and direction', () =>
  along(({ room, setups }, states, at) => {
    if (at === 0) return false;
    const [was, is] = [states[at - 1]!, states[at]!];
    const changes = changesBetween(setups[at - 1]!, setups[at]!, 'in', { room, state: was });
    for (const [code, numberOf] of Object.entries(NUMBERS)) {
      if (code === 'change-wall-height' && was.wallMm === null) continue;
      const by = numberOf(is) - numberOf(was);
      const found = changes.find((each) => each.code === code);
      const { alongMm, mm, end } = (found?.values ?? {}) as { alongMm?: number; mm?: number; end?: string };
      const saidMm = alongMm ?? mm ?? 0;
      expect([code, Math.abs(saidMm)]).toEqual([code, Math.abs(by) >= 10 ? expect.closeTo(Math.abs(by), 6) : 0]);
      if (end && saidMm !== 0) expect([code, end]).toEqual([code, by > 0 ? 'head end' : 'foot end']);
    }
    return true;
  }, 100));

test('there and back again, everything is where it was', () =>
  along(({ room, setups }, states, at) => {
    if (at === 0) return false;
    const back = arrange(states[at]!, setups[at - 1]!, room);
    const was = states[at - 1]!;
    if ([at, at - 1].some((i) => setups[i]!.receptor.holder !== 'table-tray')) return false;
    // Who got up, was slid or turned end for end lies where the last view laid them.
    if (!was.onTop || JSON.stringify(states[at]!.onTop) !== JSON.stringify(was.onTop)) return false;
    if (states[at]!.columnMm !== was.columnMm) return false;
    expect(back.state.topAlongMm).toBeCloseTo(was.topAlongMm, 6);
    expect(back.state.columnMm).toBeCloseTo(was.columnMm, 6);
    return true;
  }, 10));

test('nothing is moved from a set-up to itself', () =>
  along(({ room, setups }, states, at) => {
    expect(changesBetween(setups[at]!, setups[at]!, 'in', { room, state: states[at]! })).toEqual([]);
    return true;
  }, 200));
