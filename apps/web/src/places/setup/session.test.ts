import { adopted, begun, ended, exposed, patientChanged, session, ticked, type Session } from './session';

const exam: Session = {
  orderId: 'o',
  examId: 'e',
  exam: 'Sacrum and coccyx',
  initials: 'HK',
  plan: [{ projectionId: 'sacrum-ap-axial' }, { projectionId: 'coccyx-ap-axial' }],
  patient: { ageYears: 58 },
  situation: {},
  roomId: 'room-2',
  ticks: {},
  exposed: {},
  last: null,
};
const after = (...actions: Parameters<typeof session.reducer>[1][]) =>
  actions.reduce(session.reducer, { current: null } as ReturnType<typeof session.reducer>).current;

test('steps are ticked and unticked, each projection for itself', () => {
  expect(
    after(
      begun(exam),
      ticked({ index: 0, stepId: 'a' }),
      ticked({ index: 1, stepId: 'a' }),
      ticked({ index: 0, stepId: 'b' }),
      ticked({ index: 0, stepId: 'a' }),
    )?.ticks,
  ).toEqual({ 0: ['b'], 1: ['a'] });
});

test('an exposure is remembered with what was asked, for the changes to the next', () => {
  const request = { projectionId: 'sacrum-ap-axial' };
  expect(after(begun(exam), exposed({ index: 0, exposureId: 'x', request }))).toMatchObject({
    exposed: { 0: 'x' },
    last: request,
  });
});

test('a changed patient holds for the whole exam', () => {
  expect(
    after(begun(exam), patientChanged({ patient: { ageYears: 60 }, situation: { canStand: false }, roomId: 'room-1' })),
  ).toMatchObject({
    patient: { ageYears: 60 },
    situation: { canStand: false },
    roomId: 'room-1',
    exam: 'Sacrum and coccyx',
  });
});

test('without an exam nothing is ticked; another tab may hand one over; the end clears it', () => {
  expect(after(ticked({ index: 0, stepId: 'a' }))).toBeNull();
  expect(after(adopted(exam))).toEqual(exam);
  expect(after(begun(exam), ended())).toBeNull();
});
