import { ROOM_TWO } from '@taktik/core';
import { exposures } from '../db/schema';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(async () => {
  await server.stop();
  discard(server.folder);
});
const call: TestServer['call'] = (...args) => server.call(...args);
const start = (id: string, performedBy = 'Ines Oakfield', orderId = 'demo-sacrum-coccyx') =>
  call('POST', '/api/exams', { id, orderId, performedBy, startedAt: CLOCK });
const expose = (id: string, examId: string, more: object = {}) =>
  call('POST', '/api/exposures', {
    id,
    examId,
    request: { projectionId: 'sacrum-ap-axial', patient: { ageYears: 58 }, room: ROOM_TWO },
    performedBy: 'Ines Oakfield',
    exposedAt: CLOCK,
    ...more,
  });
const detail = async (orderId = 'demo-sacrum-coccyx') => (await call('GET', `/api/orders/${orderId}/exam`)).body;
const plan = (version: number, projections: object[], as = 'demo-ines') =>
  call('POST', '/api/orders/demo-sacrum-coccyx/plan', { version, projections }, as);

describe('two devices on one exam', () => {
  test('the second joins the first: no exposure lost, none doubled', async () => {
    await start('mine');
    expect((await start('theirs', 'Tomas Reedham')).body).toMatchObject({ id: 'theirs', joins: 'mine' });
    await Promise.all([expose('a', 'mine'), expose('b', 'theirs'), expose('a', 'mine'), expose('b', 'theirs')]);
    const { exam, exposures: list } = await detail();
    expect(exam.id).toBe('mine');
    expect(list.map(({ id }: { id: string }) => id).sort()).toEqual(['a', 'b']);
    // Either may end it, once.
    expect((await call('POST', '/api/exams/theirs/finish', { finishedAt: CLOCK + 5 })).body).toMatchObject({
      id: 'mine',
      finishedAt: CLOCK + 5,
    });
    expect((await call('POST', '/api/exams/mine/finish', { finishedAt: CLOCK + 9 })).body.finishedAt).toBe(CLOCK + 5);
    // What was still on its way from the other device is kept all the same.
    expect((await expose('late', 'theirs')).status).toBe(201);
    expect((await detail()).exposures).toHaveLength(3);
  });
  test('a device that starts offline what another has already ended loses nothing', async () => {
    await start('mine');
    await call('POST', '/api/exams/mine/finish', { finishedAt: CLOCK + 5 });
    expect((await start('offline')).body.joins).toBe('mine');
    expect((await expose('x', 'offline')).status).toBe(201);
    expect((await call('GET', '/api/orders/demo-sacrum-coccyx')).body.state).toBe('finished');
  });
  test('a plan changed on the other device is not overwritten, and who did it is said', async () => {
    const three = [
      { projectionId: 'sacrum-ap-axial' },
      { projectionId: 'coccyx-ap-axial' },
      { projectionId: 'sacrum-lateral' },
    ];
    expect((await plan(1, three, 'demo-tomas')).body).toMatchObject({ planVersion: 2, planBy: 'Tomas Reedham' });
    const late = await plan(1, [{ projectionId: 'sacrum-ap-axial' }]);
    expect([late.status, late.body.detail]).toEqual([
      409,
      expect.stringMatching(/^Tomas Reedham has changed the plan of Sacrum and coccyx/),
    ]);
    expect((await detail()).order.projections).toEqual(three);
    // The same change sent twice, as after a lost reply, is one change.
    expect((await plan(1, three, 'demo-tomas')).body.planVersion).toBe(2);
  });
  test('answers given on two devices come together', async () => {
    await start('mine');
    await start('theirs', 'Tomas Reedham');
    await call('POST', '/api/exams/mine/answers', { given: { pregnancy: 'no' }, decisions: {} });
    await call('POST', '/api/exams/theirs/answers', {
      given: { 'identity-name': 'yes' },
      decisions: { latex: 'none used' },
    });
    expect((await detail()).exam.answers).toEqual({
      given: { pregnancy: 'no', 'identity-name': 'yes' },
      decisions: { latex: 'none used' },
    });
  });
});

describe('the life of an exam', () => {
  test('is resumed with what was exposed, handed to a colleague, ended with a reason', async () => {
    await start('mine');
    await expose('a', 'mine');
    expect(
      (await call('GET', '/api/orders')).body.find(({ id }: { id: string }) => id === 'demo-sacrum-coccyx'),
    ).toMatchObject({
      state: 'started',
      heldBy: 'Ines Oakfield',
    });
    expect((await call('POST', '/api/exams/mine/hand-over', { to: 'Tomas Reedham' })).body.performedBy).toBe(
      'Tomas Reedham',
    );
    expect((await detail()).order.heldBy).toBe('Tomas Reedham');
    expect((await call('POST', '/api/exams/mine/hand-over', { to: 'Nobody Here' })).status).toBe(422);
    const ended = await call('POST', '/api/exams/mine/finish', { finishedAt: CLOCK, reason: 'Patient refused' });
    expect(ended.body).toMatchObject({ endReason: 'Patient refused' });
    expect((await call('POST', '/api/exams/mine/hand-over', { to: 'Ines Oakfield' })).status).toBe(409);
    expect((await plan(1, [{ projectionId: 'pelvis-ap' }])).status).toBe(409);
  });
  test('a picture is accepted, or repeated with a cause', async () => {
    await start('mine');
    await expose('a', 'mine');
    expect((await detail()).exposures[0].verdict).toBeNull();
    expect((await call('POST', '/api/exposures/a/verdict', { verdict: 'repeat' })).body.detail).toMatch(
      /A repeat needs its cause/,
    );
    expect(
      (await call('POST', '/api/exposures/a/verdict', { verdict: 'repeat', cause: 'Rotated' })).body,
    ).toMatchObject({
      verdict: 'repeat',
      cause: 'Rotated',
    });
    expect((await call('POST', '/api/exposures/a/verdict', { verdict: 'accepted' })).body).toMatchObject({
      verdict: 'accepted',
      cause: null,
    });
    expect((await call('POST', '/api/exposures/none/verdict', { verdict: 'accepted' })).status).toBe(404);
  });
  test('a repeat keeps its correction; accepted after all, it has none', async () => {
    await start('mine');
    await expose('a', 'mine');
    const correction = 'Rotate the part 7°: left side toward the receptor';
    const repeat = { verdict: 'repeat', cause: 'Rotated', correction };
    expect((await call('POST', '/api/exposures/a/verdict', repeat)).body).toMatchObject({ correction });
    expect((await call('POST', '/api/exposures/a/verdict', { verdict: 'accepted' })).body.correction).toBeNull();
  });
  test('how an exposure was timed is recorded, as planned and as it was', async () => {
    await start('mine');
    const timings = { settle: { plannedMinutes: 5, seconds: 250 } };
    expect((await expose('a', 'mine', { timings })).body).toMatchObject({ timings });
    expect((await expose('b', 'mine')).body.timings).toBeNull();
    const odd = await expose('c', 'mine', { timings: { settle: { plannedMinutes: 5, seconds: -3 } } });
    expect(odd.status).toBe(422);
  });
  test('measures stay with their picture, with calibration and name; the later list stands', async () => {
    await start('mine');
    expect((await expose('a', 'mine')).body.measured).toBeNull();
    const calibration = { by: 'magnification', magnification: 1.2, sidMm: 1016 };
    const measures = [
      {
        id: 'm1',
        name: 'Opening',
        kind: 'distance',
        points: [
          [0, 0],
          [3, 4],
        ],
      },
    ];
    const list = { calibration, measures, measuredAt: CLOCK - 1000 };
    const kept = { calibration, measures, by: 'Priya Windlow' };
    expect((await call('POST', '/api/exposures/a/measures', list)).body.measured).toEqual(kept);
    const earlier = { calibration, measures: [], measuredAt: CLOCK - 9000 };
    expect((await call('POST', '/api/exposures/a/measures', earlier)).body.measured).toEqual(kept);
    const half = { calibration, measures: [{ id: 'm2', name: 'Angle', kind: 'angle', points: [[0, 0]] }] };
    const refused = await call('POST', '/api/exposures/a/measures', half);
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringMatching(/needs all its points/)]);
  });
  test('a note for the reader stays with its picture; of two the later stands, whichever arrives first', async () => {
    await start('mine');
    expect((await expose('a', 'mine')).body).toMatchObject({ note: '', labels: [], notedBy: null });
    const later = { note: 'Could not hold the breath', labels: ['supine'], writtenAt: CLOCK - 1000 };
    expect((await call('POST', '/api/exposures/a/note', later)).body).toMatchObject({
      ...{ note: later.note, labels: ['supine'], notedBy: 'Priya Windlow' },
    });
    const earlier = { note: 'Half a senten', labels: [], writtenAt: CLOCK - 5000 };
    expect((await call('POST', '/api/exposures/a/note', earlier)).body.note).toBe(later.note);
    expect((await detail()).exposures[0]).toMatchObject({ note: later.note, labels: ['supine'] });
    const long = await call('POST', '/api/exposures/a/note', { note: 'x'.repeat(601), labels: [] });
    expect([long.status, long.body.detail]).toEqual([422, expect.stringMatching(/600 characters at most/)]);
    expect((await call('POST', '/api/exposures/none/note', later)).status).toBe(404);
  });
});

describe('faults', () => {
  const DAY = 24 * 3600_000;
  test('a device clock that is wrong by a day is noticed and corrected; what it said is kept', async () => {
    await start('mine');
    const slow = (await expose('slow', 'mine', { exposedAt: CLOCK - DAY - 60_000, sentAt: CLOCK - DAY })).body;
    expect(slow).toMatchObject({ exposedAt: CLOCK - 60_000, deviceAt: CLOCK - DAY - 60_000 });
    const fast = (await expose('fast', 'mine', { exposedAt: CLOCK + DAY - 60_000, sentAt: CLOCK + DAY })).body;
    expect(fast).toMatchObject({ exposedAt: CLOCK - 60_000, deviceAt: CLOCK + DAY - 60_000 });
    const right = (await expose('right', 'mine', { exposedAt: CLOCK - 5 * DAY, sentAt: CLOCK + 1000 })).body;
    expect(right).toMatchObject({ exposedAt: CLOCK - 5 * DAY, deviceAt: null });
  });
  test('the reply is lost after the write: sent again, it is the same exposure', async () => {
    await start('mine');
    const [first, ...again] = [await expose('a', 'mine'), await expose('a', 'mine'), await expose('a', 'mine')];
    expect(first.status).toBe(201);
    for (const answer of again) expect(answer).toMatchObject({ status: 200, body: first.body });
    expect(await server.store.db.select().from(exposures)).toHaveLength(1);
  });
  test('a full disk is said as one, and nothing is half-written', async () => {
    await start('mine');
    const full = Object.assign(new Error('database or disk is full'), { code: 'SQLITE_FULL' });
    const broken = jest
      .spyOn(server.store.db, 'transaction')
      .mockRejectedValue(new Error('query failed', { cause: full }));
    const refused = await expose('a', 'mine');
    expect([refused.status, refused.body.title]).toEqual([507, 'Disk full']);
    expect(refused.body.detail).toMatch(/nothing was stored here.*Your device keeps it/);
    broken.mockRestore();
    expect((await expose('a', 'mine')).status).toBe(201);
  });
});

test('who is named in the record is one of the department, or nothing is written', async () => {
  const stranger = await start('mine', 'Nobody Known');
  expect(stranger.status).toBe(422);
  expect(stranger.body.fields).toEqual([{ field: 'performedBy', message: 'unknown person' }]);
  await start('mine');
  expect((await expose('a', 'mine', { performedBy: 'Nobody Known' })).status).toBe(422);
  expect((await detail()).exposures).toEqual([]);
  expect((await expose('a', 'mine')).status).toBe(201);
});

test('a plan holds another way by its short text, and no other text', async () => {
  const way = 'prone~down~table-tray~on-front~reversed~along-15';
  const refused = await plan(1, [{ projectionId: 'sacrum-ap-axial', way: 'standing on the head' }]);
  expect(refused.status).toBe(422);
  expect(refused.body.fields[0]).toMatchObject({ field: 'projections.0.way' });
  expect((await plan(1, [{ projectionId: 'sacrum-ap-axial', way }])).status).toBe(200);
  expect((await detail()).order.projections).toEqual([{ projectionId: 'sacrum-ap-axial', way }]);
});

describe('a student’s exam', () => {
  const begin = (id: string, more: object = {}, as = 'demo-tomas') =>
    call(
      'POST',
      '/api/exams',
      { id, orderId: 'demo-knee', performedBy: 'Tomas Reedham', startedAt: CLOCK, ...more },
      as,
    );
  const trailOf = async (id: string) =>
    ((await call('GET', `/api/audit?subject=exam:${id}`)).body as { action: string; detail: object }[]).find(
      ({ action }) => action === 'exam started',
    )?.detail;

  test('keeps who looks on, in the exam and in the trail', async () => {
    expect((await begin('s1', { supervisedBy: 'Ines Oakfield' })).body).toMatchObject({
      supervisedBy: 'Ines Oakfield',
    });
    expect((await detail('demo-knee')).exam).toMatchObject({
      performedBy: 'Tomas Reedham',
      supervisedBy: 'Ines Oakfield',
    });
    expect(await trailOf('s1')).toEqual({ supervisedBy: 'Ines Oakfield' });
  });
  test('without a name it is kept all the same; where the department wants one, the trail says so', async () => {
    expect((await begin('s2')).body).toMatchObject({ supervisedBy: null });
    expect(await trailOf('s2')).toEqual({});
    expect((await call('PUT', '/api/department', { supervision: 'named' })).status).toBe(200);
    expect((await begin('s3', { orderId: 'demo-sacrum-coccyx' })).status).toBe(201);
    expect(await trailOf('s3')).toEqual({ supervisedBy: 'nobody named' });
  });
  test.each(['Tomas Reedham', 'Nobody Here'])('%s cannot supervise it: nothing is kept', async (supervisedBy) => {
    const answer = await begin('s4', { supervisedBy });
    expect([answer.status, JSON.stringify(answer.body)]).toEqual([422, expect.stringMatching(/"supervisedBy"/)]);
    expect((await detail('demo-knee')).exam).toBeNull();
  });
  test('the department chooses between two, and no third', async () => {
    const answer = await call('PUT', '/api/department', { supervision: 'sometimes' });
    expect([answer.status, JSON.stringify(answer.body)]).toEqual([
      422,
      expect.stringMatching(/Supervision must be none or named/),
    ]);
  });
});
