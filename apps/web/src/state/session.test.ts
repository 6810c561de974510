import {
  placeOf,
  acceptedPicture,
  adopted,
  answered,
  begun,
  checkedOff,
  ended,
  exposed,
  exposedElsewhere,
  freshSession,
  patientChanged,
  repeated,
  replanned,
  session,
  ticked,
  unknownHere,
  whole,
  type Session,
} from './session';

const exam: Session = {
  ...freshSession,
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
  expect(after(begun(exam), exposed({ index: 0, exposureId: 'x', request, state: null }))).toMatchObject({
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

const request = { projectionId: 'sacrum-ap-axial', patient: {} };

test('another order of the plan takes ticks and exposures along; what is dropped loses them', () => {
  const planned = after(
    begun(exam),
    ticked({ index: 0, stepId: 'a' }),
    exposed({ index: 1, exposureId: 'x', request, state: null }),
    replanned({
      plan: [{ projectionId: 'coccyx-ap-axial' }, { projectionId: 'pelvis-ap' }, { projectionId: 'sacrum-ap-axial' }],
      version: 2,
    }),
  );
  expect(planned).toMatchObject({ ticks: { 2: ['a'] }, exposed: { 0: 'x' }, planVersion: 2 });
  const dropped = after(
    begun(exam),
    exposed({ index: 1, exposureId: 'x', request, state: null }),
    replanned({ plan: [{ projectionId: 'sacrum-ap-axial' }], version: 2 }),
  );
  expect(dropped?.exposed).toEqual({});
});

test('the same projection planned twice keeps its turns apart', () => {
  const twice = { ...exam, plan: [...exam.plan, exam.plan[0]] };
  const planned = after(
    begun(twice),
    exposed({ index: 2, exposureId: 'second', request, state: null }),
    replanned({ plan: [twice.plan[1], twice.plan[0], twice.plan[2]], version: 2 }),
  );
  expect(planned?.exposed).toEqual({ 2: 'second' });
});

test('a repeat frees the place, starts its steps anew, and what was exposed stays known', () => {
  const state = after(
    begun(exam),
    ticked({ index: 0, stepId: 'a' }),
    exposed({ index: 0, exposureId: 'x', request, state: null }),
    repeated({ index: 0, exposureId: 'x', cause: 'Rotated' }),
  )!;
  expect(state).toMatchObject({
    exposed: {},
    ticks: { 0: [] },
    repeats: { 0: [{ exposureId: 'x', cause: 'Rotated' }] },
  });
  const row = { id: 'x', projectionId: 'sacrum-ap-axial', side: null, digit: null, verdict: null };
  expect(unknownHere(state, [row])).toEqual({});
});

test('exposures of another device fill their own places, repeats of it do not, and none is taken twice', () => {
  const rows = [
    { id: 'a', projectionId: 'sacrum-ap-axial', side: null, digit: null, verdict: 'repeat' },
    { id: 'b', projectionId: 'sacrum-ap-axial', side: null, digit: null, verdict: null },
    { id: 'c', projectionId: 'sacrum-ap-axial', side: null, digit: null, verdict: null },
  ];
  expect(unknownHere(exam, rows)).toEqual({ 0: 'b' });
  const state = after(
    begun(exam),
    exposed({ index: 0, exposureId: 'mine', request, state: null }),
    exposedElsewhere({ 0: 'b', 1: 'd' }),
  );
  expect(state?.exposed).toEqual({ 0: 'mine', 1: 'd' });
});

test('an exposure of another device goes to the row of its digit', () => {
  const plan = [4, 5].map((digit) => ({ projectionId: 'toes-lateral', side: 'left' as const, way: `digit${digit}` }));
  const rows = [{ id: 'e', projectionId: 'toes-lateral', side: 'left' as const, digit: 5, verdict: null }];
  expect(unknownHere({ ...exam, plan }, rows)).toEqual({ 1: 'e' });
});

test('answers, decisions, checks and accepted pictures are kept', () => {
  const state = after(
    begun(exam),
    answered({ id: 'pregnancy', answer: 'yes' }),
    answered({ id: 'pregnancy', decision: 'Dr Vale: go on' }),
    checkedOff('room-sid'),
    checkedOff('room-tube'),
    checkedOff('room-sid'),
    acceptedPicture('x'),
    acceptedPicture('x'),
  );
  expect(state).toMatchObject({
    answers: { given: { pregnancy: 'yes' }, decisions: { pregnancy: 'Dr Vale: go on' } },
    checked: ['room-tube'],
    accepted: ['x'],
  });
});

test('a session that an older version kept is made whole', () => {
  const { answers: _, checked: __, ...old } = exam;
  expect(whole(old as Session)).toEqual(exam);
  expect(whole(null)).toBeNull();
});

test('a projection is found in the plan by the way it is done, else in any', () => {
  const plan = [
    { projectionId: 'elbow-ap', side: 'left' as const, way: 'upper' },
    { projectionId: 'elbow-ap', side: 'left' as const, way: 'lower' },
    { projectionId: 'chest-pa' },
  ];
  expect(placeOf(plan, { projectionId: 'elbow-ap', side: 'left', way: 'lower' })).toBe(1);
  expect(placeOf(plan, { projectionId: 'elbow-ap', side: 'left' })).toBe(0);
  expect(placeOf(plan, { projectionId: 'elbow-ap', side: 'right', way: 'lower' })).toBe(-1);
  expect(placeOf(plan, { projectionId: 'chest-pa', side: undefined, way: 'supine' })).toBe(2);
});

test('a view that is planned twice has two places, each reached by its own', () => {
  const plan = [
    { projectionId: 'nasal-bones-lateral' },
    { projectionId: 'nasal-bones-lateral' },
    { projectionId: 'skull-pa' },
  ];
  const ask = (place?: number) => placeOf(plan, { projectionId: 'nasal-bones-lateral', place });
  expect([ask(), ask(0), ask(1)]).toEqual([0, 0, 1]);
  // A place that holds another projection, as after the plan was changed, is not taken for it.
  expect([ask(2), ask(9)]).toEqual([0, 0]);
  const sides = [
    { projectionId: 'hand-pa', side: 'left' as const },
    { projectionId: 'hand-pa', side: 'right' as const },
  ];
  expect(placeOf(sides, { projectionId: 'hand-pa', side: 'right', place: 0 })).toBe(1);
});
