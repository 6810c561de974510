import { ROOM_TWO } from '@taktik/core';
import { computeService } from './service';

const request = {
  projectionId: 'coccyx-ap-axial',
  patient: { ageYears: 58, statureMm: 1680, massKg: 74 },
  room: ROOM_TWO,
};

test('one call gives set-up, changes and the drawings asked for', () => {
  const answer = computeService.compute({
    request,
    before: { ...request, projectionId: 'sacrum-ap-axial' },
    aspects: { side: 1.1 },
  });
  if (!answer.ok) throw new Error('not computed');
  expect(answer.setup.tube.angleDeg).toBe(10);
  expect(answer.changes.map(({ text }) => text)).toContain('Take the 15° off');
  expect(Object.keys(answer.drawings)).toEqual(['side']);
});

test('a mannequin that depends on nothing that changed is not drawn again', () => {
  const first = computeService.compute({ request, before: null, aspects: { side: 1.3 } });
  const again = computeService.compute({
    request: { ...request, overrides: { kVp: 70 } },
    before: null,
    aspects: { side: 1.3 },
  });
  if (!first.ok || !again.ok) throw new Error('not computed');
  const drawn = computeService.mannequin(first.setup, 'side', first.drawings.side!.box);
  expect(drawn.skin).toMatch(/^M/);
  expect(computeService.mannequin(again.setup, 'side', again.drawings.side!.box)).toBe(drawn);
});

test('bad input answers with the field and the range', () => {
  expect(
    computeService.compute({ request: { ...request, patient: { statureMm: 200 } }, before: null, aspects: {} }),
  ).toEqual({ ok: false, errors: [{ field: 'patient.statureMm', message: 'Height must be 42 to 220 cm' }] });
  const outside = computeService.compute({
    request: { ...request, patient: { ageYears: 3, statureMm: 2000 } },
    before: null,
    aspects: {},
  });
  expect(outside).toMatchObject({ ok: false, errors: [{ message: expect.stringMatching(/outside the model/) }] });
});

test('hits answer for the patient in hand; one outside the model says so in its row', () => {
  const rows = computeService.find('coccyx', { patient: request.patient, room: ROOM_TWO, side: 'right' });
  expect(rows[0]).toMatchObject({ projectionId: 'coccyx-ap-axial', error: '' });
  expect(rows[0].setup?.receptor.size.name).toBe('8×10');
  expect(computeService.find('coccyx', { patient: { ageYears: 3, statureMm: 2000 } })[0]).toMatchObject({
    setup: null,
    error: expect.stringMatching(/outside the model/),
  });
});

test('sums up series, and says null where there is no model', () => {
  expect(computeService.summarize([[request], [{ ...request, patient: { ageYears: 3, statureMm: 2000 } }]])).toEqual([
    expect.objectContaining({ exposures: 1 }),
    null,
  ]);
});
