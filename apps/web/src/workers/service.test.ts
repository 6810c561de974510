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
    state: null,
    before: { ...request, projectionId: 'sacrum-ap-axial' },
    aspects: { side: 1.1 },
  });
  if (!answer.ok) throw new Error('not computed');
  expect(answer.setup.tube.angleDeg).toBe(10);
  expect(answer.changes.map(({ text }) => text)).toContain('Take the 15° off');
  expect(Object.keys(answer.drawings)).toEqual(['side']);
});

test('a mannequin that depends on nothing that changed is not drawn again', () => {
  const first = computeService.compute({ request, before: null, state: null, aspects: { side: 1.3 } });
  const again = computeService.compute({
    request: { ...request, overrides: { kVp: 70 } },
    before: null,
    state: null,
    aspects: { side: 1.3 },
  });
  if (!first.ok || !again.ok) throw new Error('not computed');
  const drawn = computeService.mannequin(first.setup, 'side', first.drawings.side!.box);
  expect(drawn.skin).toMatch(/^M/);
  expect(computeService.mannequin(again.setup, 'side', again.drawings.side!.box)).toBe(drawn);
});

test('bad input answers with the field and the range', () => {
  expect(
    computeService.compute({
      request: { ...request, patient: { statureMm: 200 } },
      before: null,
      state: null,
      aspects: {},
    }),
  ).toEqual({ ok: false, errors: [{ field: 'patient.statureMm', message: 'Height must be 42 to 220 cm' }] });
  const outside = computeService.compute({
    request: { ...request, patient: { ageYears: 3, statureMm: 2000 } },
    before: null,
    state: null,
    aspects: {},
  });
  expect(outside).toMatchObject({ ok: false, errors: [{ message: expect.stringMatching(/outside the model/) }] });
});

test('a row answers for the patient in hand; one outside the model says so', () => {
  const row = computeService.row('coccyx-ap-axial', { patient: request.patient, room: ROOM_TWO, side: 'right' });
  expect(row).toMatchObject({ projectionId: 'coccyx-ap-axial', error: '' });
  expect(row.setup?.receptor.size.name).toBe('8×10');
  expect(computeService.row('knee-ap', {}).setup?.side).toBe('right');
  expect(computeService.row('coccyx-ap-axial', { patient: { ageYears: 3, statureMm: 2000 } })).toMatchObject({
    setup: null,
    error: expect.stringMatching(/outside the model/),
  });
});

test('a page has both looks, a comparison its lines, the schools their numbers; none of them guesses', () => {
  expect(computeService.page(request, 1)).toMatchObject({
    looks: { side: { drawing: { look: 'side' } }, ray: { drawing: { look: 'ray' } } },
  });
  const wrong = { ...request, patient: { ageYears: 3, statureMm: 2000 } };
  expect(computeService.page(wrong, 1)).toMatchObject({ error: expect.stringMatching(/outside the model/) });
  const [one, other] = computeService.lines([request, wrong]);
  expect(one).toMatchObject({ lines: expect.arrayContaining([expect.objectContaining({ name: 'SID' })]) });
  expect(other).toMatchObject({ error: expect.stringMatching(/outside the model/) });
  expect(computeService.schools({ projectionId: 'foot-ap', side: 'left' })[0].choices).toHaveLength(3);
  expect(computeService.schools({ ...wrong, projectionId: 'chest-pa' })).toEqual([]);
});

test('sums up series, and says null where there is no model', () => {
  expect(computeService.summarize([[request], [{ ...request, patient: { ageYears: 3, statureMm: 2000 } }]])).toEqual([
    expect.objectContaining({ exposures: 1 }),
    null,
  ]);
});
