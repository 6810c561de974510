/** For any two set-ups of the same patient, what is said to change is what differs - no more and no less. */
import fc from 'fast-check';
import { projections } from '../projections/catalogue';
import { demoRooms } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import { CHANGE_KINDS, changesBetween, type ChangeKind } from './changesBetween';

const pair = fc
  .record({
    ageYears: fc.integer({ min: 0, max: 80 }),
    room: fc.constantFrom(...demoRooms),
    first: fc.constantFrom(...projections),
    second: fc.constantFrom(...projections),
    sides: fc.tuple(
      fc.constantFrom('left' as const, 'right' as const),
      fc.constantFrom('left' as const, 'right' as const),
    ),
  })
  .map(({ ageYears, room, first, second, sides }): [Setup, Setup] => [
    computeSetup({
      projectionId: first.id,
      side: first.sided === 'each' ? sides[0] : undefined,
      patient: { ageYears },
      room,
    }),
    computeSetup({
      projectionId: second.id,
      side: second.sided === 'each' ? sides[1] : undefined,
      patient: { ageYears },
      room,
    }),
  ]);
/** What a pair says that was no case for the test. */
const NO_CASE = false;
/** @param least pairs that must really have been tried: a test that passes over all of them fails */
function check(test: (before: Setup, after: Setup) => void | typeof NO_CASE, least = 150): void {
  let tried = 0;
  fc.assert(
    fc.property(pair, ([before, after]) => {
      if (test(before, after) !== NO_CASE) tried += 1;
    }),
    { numRuns: 150 },
  );
  expect(tried).toBeGreaterThanOrEqual(least);
}
const kindsOf = (before: Setup, after: Setup): ChangeKind[] => changesBetween(before, after).map(({ kind }) => kind);

test('changes come in the order of the hands', () => {
  check((before, after) => {
    const found = kindsOf(before, after).map((kind) => CHANGE_KINDS.indexOf(kind));
    expect([...found].sort((a, b) => a - b)).toEqual(found);
  });
});

test('nothing changes from a set-up to itself', () =>
  check((before) => expect(changesBetween(before, before)).toEqual([])));

test('an angle that was on and is not wanted is always taken off, and said to be an undoing', () => {
  check((before, after) => {
    const [was, is] = [before.tube, after.tube];
    const same =
      Math.abs(was.angleDeg - is.angleDeg) < 0.5 &&
      was.angleToward === is.angleToward &&
      was.acrossDeg === is.acrossDeg &&
      was.acrossSays === is.acrossSays;
    const tilted = ({ angleDeg, acrossDeg }: Setup['tube']) => angleDeg > 0 || acrossDeg > 0;
    const off = changesBetween(before, after).filter(({ code }) => code === 'change-angle-off');
    expect(off).toHaveLength(tilted(was) && !same ? 1 : 0);
    for (const change of off) expect(change.undo).toBe(true);
    const on = changesBetween(before, after).filter(({ code }) => code === 'change-angle');
    expect(on).toHaveLength(tilted(is) && !same ? 1 : 0);
  });
});

test('another SID is never left unsaid', () => {
  check((before, after) => {
    const said = changesBetween(before, after).find(({ kind }) => kind === 'sid');
    expect(said !== undefined).toBe(Math.abs(before.tube.sidMm - after.tube.sidMm) >= 6);
    if (said) expect(said).toMatchObject({ readout: 'sid', was: expect.stringMatching(/ in$/) });
  });
});

test('another receptor, holder or way up is never left unsaid', () => {
  check((before, after) => {
    const differs =
      before.receptor.size.id !== after.receptor.size.id ||
      before.receptor.holder !== after.receptor.holder ||
      (!after.receptor.size.fixed && before.receptor.orientation !== after.receptor.orientation);
    if (differs) expect(kindsOf(before, after)).toContain('receptor');
  });
});

test('a marker is never left over from the other side', () => {
  check((before, after) => {
    const [was, is] = [before, after].map(({ marker }) => marker.letters.join(' and '));
    if (was === is) return NO_CASE;
    const said = changesBetween(before, after).find(({ kind }) => kind === 'marker');
    expect(said).toMatchObject({ undo: true, text: `Marker: ${was} off, ${is} on` });
    return undefined;
  }, 20);
});

test('after a turn the patient is placed anew and the marker moved', () => {
  check((before, after) => {
    if (before.position.body === after.position.body && before.position.facing === after.position.facing)
      return NO_CASE;
    const [first] = changesBetween(before, after);
    expect(first.kind).toBe('position');
    expect(first.text).toContain(after.position.say);
    expect(kindsOf(before, after)).toContain('marker');
    return undefined;
  }, 60);
});

test('technique and breath follow', () => {
  check((before, after) => {
    const kinds = kindsOf(before, after);
    expect(kinds.includes('technique')).toBe(
      (['kVp', 'mAs', 'aec', 'focalSpot'] as const).some((key) => before.exposure[key] !== after.exposure[key]),
    );
    expect(kinds.includes('breathing')).toBe(before.breathing.words !== after.breathing.words);
  });
});

test('every change is a plain sentence without a missing number', () => {
  check((before, after) => {
    for (const { text } of changesBetween(before, after)) {
      expect(text).not.toMatch(/undefined|null|NaN|!/);
      expect(text.length).toBeGreaterThan(5);
    }
  });
});

test('the receptor goes back exactly as it went, in the words of the part that was under it', () => {
  const sideOf = (sided: string) => (sided === 'each' ? ('left' as const) : undefined);
  const setups = projections.map(({ id, sided }) => computeSetup({ projectionId: id, side: sideOf(sided) }));
  let [same, other] = [0, 0];
  for (const before of setups) {
    const { receptorShiftMm: mm, receptorShiftSays: went, ways } = before.tube;
    if (mm < 6) continue;
    for (const after of setups) {
      if (after.region !== before.region || after === before || after.tube.receptorShiftMm > 0) continue;
      const back = changesBetween(before, after).filter(({ code }) => code === 'change-recentre');
      if (back.length === 0) continue;
      expect([before.name, after.name, back.length]).toEqual([before.name, after.name, 1]);
      const { toward, mm: backMm } = back[0]!.values as { toward: string; mm: number };
      expect([before.name, after.name, toward]).toEqual([before.name, after.name, ways.find((way) => way !== went)]);
      expect(backMm).toBeCloseTo(mm, 6);
      if (ways.join() === after.tube.ways.join()) same += 1;
      else other += 1;
    }
  }
  expect(same).toBeGreaterThan(50);
  expect(other).toBeGreaterThan(5);
});
