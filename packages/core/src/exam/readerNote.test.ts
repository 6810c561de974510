import { computeSetup } from '../setup/computeSetup';
import { projections } from '../projections/catalogue';
import { demoRooms } from '../room/demoRooms';
import { readerNote } from './readerNote';

const codes = (...[request]: Parameters<typeof computeSetup>) =>
  readerNote(request.projectionId, computeSetup(request), 'in').map(({ code }) => code);

test('what is taken as it always is needs no word', () => {
  let checked = 0;
  for (const { id, sided } of projections) {
    const request = { projectionId: id, side: sided === 'each' ? ('left' as const) : undefined };
    const setup = computeSetup(request);
    if (!setup.feasible) continue;
    // That no level shows is to be known even where it is always taken so.
    const otherwise = readerNote(id, setup, 'in').filter(({ code }) => code !== 'note-no-levels');
    expect([id, otherwise]).toEqual([id, []]);
    checked += 1;
  }
  expect(checked).toBeGreaterThan(200);
});

test('what is taken otherwise is told, each from its own fact', () => {
  expect(codes({ projectionId: 'chest-pa', situation: { holdsBreath: false, worn: ['lines'] } })).toEqual(
    expect.arrayContaining(['note-breath', 'note-worn']),
  );
  expect(codes({ projectionId: 'wrist-pa', side: 'left', situation: { cast: 'wet plaster' } })).toEqual(['note-cast']);
  expect(codes({ projectionId: 'knee-lateral', side: 'left', overrides: { angleDeg: 20 } })).toContain('note-angle');
  expect(codes({ projectionId: 'chest-pa', overrides: { fieldMm: [200, 200] } })).toContain('note-clipped');
  expect(
    codes({ projectionId: 'knee-lateral', side: 'left', situation: { joints: { kneeFlexion_L: [0, 5] } } }),
  ).toContain('note-joint');
});

test('minutes since the contrast stand there, and a wait that was cut short', () => {
  const setup = computeSetup({ projectionId: 'small-bowel-pa' });
  const said = (timings: Parameters<typeof readerNote>[3]) =>
    readerNote('small-bowel-pa', setup, 'in', timings).map(({ text }) => text);
  expect(said({ contrast: { plannedMinutes: 15, seconds: 970 } })).toContain('16 minutes after the contrast');
  expect(said({ settle: { plannedMinutes: 5, seconds: 130 } })).toContain(
    'In the position for 2 min 10 s, of 5 minutes',
  );
  expect(said({ settle: { plannedMinutes: 5, seconds: 300 } })).toEqual([]);
});

test('a chest that is taken with a vertical beam shows no levels', () => {
  const setup = computeSetup({ projectionId: 'chest-ap', room: demoRooms[0] });
  const of = readerNote('chest-ap', { ...setup, showsLevels: true }, 'in').map(({ text }) => text);
  expect(of).toContain('Vertical beam: no fluid levels, no free air to be seen');
});
