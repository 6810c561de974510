import { formatLength } from '../quantity/length';
import { MOBILE_UNIT, ROOM_TWO } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { wayFromText } from '../setup/placing/adaptedWay';
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
    text: 'Take the 20° off',
    undo: true,
    readout: 'tube',
    was: '20° cephalad',
  });
  expect(changes.filter(({ kind }) => kind === 'angle')[1].text).toBe('Tube 10° caudad');
  expect(changes.find(({ kind }) => kind === 'recentre')).toMatchObject({ undo: true });
  expect(changes.find(({ kind }) => kind === 'recentre')?.text).toMatch(/caudad, back under the CR/);
  expect(kinds).not.toContain('centre');
  expect(kinds).not.toContain('sid');
  expect(kinds.indexOf('angle')).toBeLessThan(kinds.indexOf('recentre'));
});

test('PA to lateral chest: turn first, marker moved from R to L, technique follows', () => {
  const changes = changesBetween(setup('chest-pa'), setup('chest-lateral'));
  expect(changes[0]).toMatchObject({ kind: 'position' });
  expect(changes[0].text).toMatch(/left side against the receptor/);
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
  expect(list).toContain('Take the 20° off');
  expect(list.some((text) => /back under the CR/.test(text))).toBe(true);
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

/** Each way of forgetting an undo that costs a repeat; the words must name it, as an undoing. */
describe('what is forgotten between two views', () => {
  const undone = (before: string, after: string, rest: Partial<SetupRequest> = {}) =>
    changesBetween(setup(before, rest), setup(after, rest)).filter(({ undo }) => undo);
  const undoneTexts = (...args: Parameters<typeof undone>) => undone(...args).map(({ text }) => text);

  test('the angle left on', () => expect(undoneTexts('sacrum-ap-axial', 'pelvis-ap')).toContain('Take the 20° off'));
  test('the angle taken off, the tray left under the slanted ray', () =>
    expect(undoneTexts('sacrum-ap-axial', 'pelvis-ap').join()).toMatch(/Tray.* back under the CR/));
  test('the table top moved where the tray should have been, and the reverse', () => {
    expect(undoneTexts('sacrum-ap-axial', 'coccyx-ap-axial').join()).toMatch(/^.*Tray, not the table top, .* caudad/);
    const changes = changesBetween(setup('thoracic-ap'), setup('lumbar-ap'), 'in', { room: ROOM_TWO });
    expect(changes.find(({ code }) => code === 'change-top')?.text).toMatch(
      /^Table top \d.* toward its head end, tube and tray stay in line$/,
    );
  });
  test('out of detent after a view off the tray', () => {
    const changes = changesBetween(setup('pelvis-ap'), setup('hand-pa', { side: 'left' }));
    expect(changes.find(({ kind }) => kind === 'detent')).toMatchObject({ undo: true });
    expect(
      changesBetween(setup('hand-pa', { side: 'left' }), setup('pelvis-ap')).find(({ kind }) => kind === 'detent'),
    ).toMatchObject({ text: 'Tube into its detent over the table tray', undo: false });
  });
  test('40 in left set for 72 in', () => {
    const said = changesBetween(setup('pelvis-ap'), setup('chest-pa')).find(({ kind }) => kind === 'sid');
    expect(said).toMatchObject({
      was: '40 in',
      text: `SID 40 in → ${formatLength(setup('chest-pa').tube.sidMm, 'in')}`,
    });
  });
  test('a tabletop view shot in the tray, and the reverse', () => {
    const hand = { side: 'left' as const };
    expect(
      changesBetween(setup('pelvis-ap'), setup('hand-pa', hand))
        .map(({ text }) => text)
        .join(),
    ).toMatch(/Receptor out of the table tray; .*table top/);
    expect(
      changesBetween(setup('hand-pa', hand), setup('pelvis-ap'))
        .map(({ text }) => text)
        .join(),
    ).toMatch(/Receptor out of the table top; .*table tray/);
  });
  test('the organ on the other side after turning over', () => {
    const changes = undone('stomach-ap', 'stomach-pa');
    expect(changes.find(({ kind }) => kind === 'side')?.text).toMatch(
      /^Left and right have changed places on the table/,
    );
    expect(undone('sacrum-ap-axial', 'coccyx-ap-axial').some(({ kind }) => kind === 'side')).toBe(false);
  });
  test('the marker left from the last view, and the sign that was only for it', () => {
    expect(undoneTexts('chest-pa', 'chest-lateral')).toContain('Marker: R off, L on');
    expect(undoneTexts('acromioclavicular-ap-weights', 'acromioclavicular-ap')).toContain('Sign off: with weights');
  });
  test('the weights left on', () =>
    expect(undoneTexts('acromioclavicular-ap-weights', 'clavicle-ap', { side: 'left' }).join()).toMatch(
      /Away: two equal weights/,
    ));
  test('the shield left where it was when the patient turned', () =>
    expect(undoneTexts('sacrum-lateral', 'sacrum-ap-axial').join()).toMatch(/Shield moved round with the patient/));
  test('the pad under the waist left in', () =>
    expect(undoneTexts('lumbar-lateral', 'lumbar-ap').join()).toMatch(/Away: pad/));
  test('the grid left in for a thin part', () =>
    expect(undoneTexts('pelvis-ap', 'hand-pa', { side: 'left' })).toContain('Grid removed'));
  test('the collimator left turned along a bone', () => {
    const small = { patient: { ageYears: 45, statureMm: 1950 }, side: 'left' as const };
    const leg = setup('leg-lateral', small);
    const turned = { ...leg, field: { ...leg.field, rotationDeg: 12 } };
    expect(changesBetween(turned, setup('ankle-lateral', small)).map(({ text }) => text)).toContain(
      'Collimator rotated back to 0°',
    );
    expect(changesBetween(setup('ankle-lateral', small), turned).map(({ text }) => text)).toContain(
      'Collimator rotated 12° along the bone',
    );
  });
  test('the block left under', () => {
    const low = setup('foot-ap-weight-bearing', { side: 'left' });
    const raised = {
      ...low,
      position: { ...low.position, supports: [{ kind: 'block' as const, mm: 102 }] },
    };
    expect(
      changesBetween(raised, setup('foot-ap', { side: 'left' }))
        .filter(({ undo }) => undo)
        .map(({ text }) => text),
    ).toContain('Block away');
  });
  test('to the other limb is not called a turn of the patient', () => {
    const changes = changesBetween(
      setup('knee-stress-varus', { side: 'left' }),
      setup('knee-stress-varus', { side: 'right' }),
    );
    expect(changes[0].text).toMatch(/^Over to the right side\. /);
  });
});

test('a tube that leaned across is straightened, and one that will lean is told so', () => {
  const base = { patient: { ageYears: 40 }, situation: { canStand: false, spineNotCleared: true } };
  const ap = computeSetup({ ...base, projectionId: 'cervical-ap-axial' });
  const oblique = computeSetup({
    ...base,
    projectionId: 'cervical-oblique-posterior',
    side: 'left',
    way: wayFromText('supine~down~table-top~on-back~lies~along15~across-45')!,
  });
  const there = changesBetween(ap, oblique).filter(({ kind }) => kind === 'angle');
  expect(there.map(({ text }) => text).join()).toMatch(
    /Tube 15° cephalad and 45° across to the patient’s (left|right)/,
  );
  const back = changesBetween(oblique, ap).filter(({ kind }) => kind === 'angle');
  expect(back[0]).toMatchObject({
    undo: true,
    text: expect.stringMatching(/^Take the 15° cephalad and 45° across .* off$/),
  });
  expect(changesBetween(oblique, oblique)).toEqual([]);
});
