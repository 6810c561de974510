import { MOBILE_UNIT, ROOM_TWO } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import type { SetupRequest } from '../setup/request';
import { summarizeSeries } from './bringList';
import { changesBetween } from './changesBetween';

const patient = { ageYears: 58, sex: 'female' as const, statureMm: 1680, massKg: 74 };
const setup = (projectionId: string, rest: Partial<SetupRequest> = {}) =>
  computeSetup({ projectionId, patient, room: ROOM_TWO, ...rest });
const texts = (before: string, after: string) => changesBetween(setup(before), setup(after)).map(({ text }) => text);

test('the first of a series changes nothing', () => expect(changesBetween(null, setup('chest-pa'))).toEqual([]));
test('the same again changes nothing', () =>
  expect(changesBetween(setup('sacrum-ap-axial'), setup('sacrum-ap-axial'))).toEqual([]));

test('sacrum to coccyx: the angle comes off, the other goes on, the receptor comes back under the ray', () => {
  const changes = changesBetween(setup('sacrum-ap-axial'), setup('coccyx-ap-axial'));
  const kinds = changes.map(({ kind }) => kind);
  expect(changes[kinds.indexOf('angle')]).toMatchObject({
    text: 'Take the 15° off',
    undo: true,
    readout: 'tube',
    was: '15° to the head',
  });
  expect(changes.filter(({ kind }) => kind === 'angle')[1].text).toBe('Tube 10° to the feet');
  expect(changes.find(({ kind }) => kind === 'recentre')).toMatchObject({ undo: true });
  expect(changes.find(({ kind }) => kind === 'recentre')?.text).toMatch(/toward the feet, back under the ray/);
  expect(kinds).not.toContain('centre');
  expect(kinds).not.toContain('sid');
  expect(kinds.indexOf('angle')).toBeLessThan(kinds.indexOf('recentre'));
});

test('PA to lateral chest: turn first, marker moved from R to L, technique follows', () => {
  const changes = changesBetween(setup('chest-pa'), setup('chest-lateral'));
  expect(changes[0]).toMatchObject({ kind: 'position' });
  expect(changes[0].text).toMatch(/left side on the receptor/);
  expect(changes.find(({ kind }) => kind === 'marker')).toMatchObject({ text: 'Marker: R off, L on', undo: true });
  expect(changes.some(({ kind }) => kind === 'technique')).toBe(true);
});

test('thoracic lateral to cervicothoracic: out of the table, other SID, breath changes', () => {
  const list = texts('thoracic-lateral', 'cervicothoracic-lateral');
  expect(list.some((text) => /out of the table tray/.test(text))).toBe(true);
  expect(list.some((text) => /^SID 40 in → 60 in$/.test(text))).toBe(true);
  expect(list.some((text) => /^Breath:/.test(text))).toBe(true);
});

test('an angle that goes off leaves a receptor to bring back', () => {
  const list = texts('sacrum-ap-axial', 'pelvis-ap');
  expect(list).toContain('Take the 15° off');
  expect(list.some((text) => /back under the ray/.test(text))).toBe(true);
});

test('words follow the leading unit', () => {
  const [inInches, inCm] = (['in', 'cm'] as const).map(
    (unit) =>
      changesBetween(setup('thoracic-lateral'), setup('cervicothoracic-lateral'), unit).find(
        ({ kind }) => kind === 'sid',
      )?.text,
  );
  expect(inInches).toMatch(/in → /);
  expect(inCm).toMatch(/cm → /);
});

test('what to bring to the ward comes from the set-up', () => {
  const ward = computeSetup({
    projectionId: 'pelvis-ap',
    patient,
    room: MOBILE_UNIT,
    situation: { place: 'bedside', canStand: false },
  });
  const summary = summarizeSeries([ward]);
  expect(summary).toMatchObject({ exposures: 1, turns: 0, blocked: [] });
  expect(summary.bring).toEqual(expect.arrayContaining(['receptor 14×17', 'grid 6:1', 'tape measure', 'marker R']));
  expect(summarizeSeries([setup('thoracic-ap'), setup('thoracic-lateral'), setup('thoracic-lateral')]).turns).toBe(1);
});
