/** Exercises over the wire: scored by the server, once each, and the competence that a student has signed. */
import { ROOM_ONE } from '@taktik/core';
import { leftBehind, scenarioOf, solutionOf, type Scenario } from '@taktik/core/exercise';
import { seedHistory } from '../seed/seedHistory';
import { seedPractice } from '../seed/seedPractice';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});

const scenario = scenarioOf('set-7') as Extract<Scenario, { kind: 'set it up' }>;
const tried = (id: string, answer: object, at = CLOCK) => ({
  id,
  scenarioId: scenario.id,
  personId: 'demo-tomas',
  roomId: 'room-1',
  answer,
  seconds: 40,
  at,
});
const right = solutionOf(scenario, ROOM_ONE);
/** Long enough ago that what was shown then is not before one's eyes any more. */
const YESTERDAY = CLOCK - 24 * 3_600_000;

describe('an exercise', () => {
  it('is scored item by item and comes back when it is due', async () => {
    const answer = await server.call('POST', '/api/practice', tried('a', right, YESTERDAY), 'demo-tomas');
    expect(answer.status).toBe(201);
    expect(answer.body).toMatchObject({ id: 'a', share: 1, next: '' });
    const mine = await server.call('GET', '/api/practice', undefined, 'demo-tomas');
    expect(mine.body).toEqual([expect.objectContaining({ scenarioId: 'set-7', share: 1, tries: 1 })]);
    expect(mine.body[0].memory.due).toBeGreaterThan(CLOCK);
    expect((await server.call('GET', '/api/practice')).body).toEqual([]);
  });
  it('sent twice counts once; the id of another person is refused', async () => {
    await server.call('POST', '/api/practice', tried('b', leftBehind(scenario, ROOM_ONE)), 'demo-tomas');
    await server.call('POST', '/api/practice', tried('b', right), 'demo-tomas');
    const mine = await server.call('GET', '/api/practice', undefined, 'demo-tomas');
    expect(mine.body[0].tries).toBe(2);
    expect(mine.body[0].share).toBeLessThan(0.8);
    const other = { ...tried('b', right), personId: 'demo-priya' };
    expect((await server.call('POST', '/api/practice', other)).status).toBe(409);
    const notMine = await server.call('POST', '/api/practice', tried('e', right));
    expect(notMine.status).toBe(403);
    expect(notMine.body.detail).toMatch(/done by somebody else/);
  });
  it('done again with the right answers before one is kept and not counted', async () => {
    const { body: before } = await server.call('GET', '/api/practice', undefined, 'demo-tomas');
    await server.call('POST', '/api/practice', tried('again', right), 'demo-tomas');
    const { body: after } = await server.call('GET', '/api/practice', undefined, 'demo-tomas');
    expect(after).toEqual([{ ...before[0], tries: 3 }]);
  });
  it.each([
    [{ scenarioId: 'set-0' }, /There is no exercise/],
    [{ answer: { kind: 'which view', projectionId: 'knee-ap' } }, /does not belong/],
    [{ answer: { ...right, sidMm: 20 } }, /answer/],
    [{ seconds: -1 }, /seconds/],
  ])('refuses %j', async (change, says) => {
    const answer = await server.call('POST', '/api/practice', { ...tried('c', right), ...change }, 'demo-tomas');
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toMatch(says);
  });
  it('needs somebody who is signed in', async () =>
    expect((await server.call('POST', '/api/practice', tried('d', right), null)).status).toBe(401));
});

describe('competence', () => {
  const path = '/api/people/demo-tomas/competence';
  const line = { projectionId: 'hand-pa', patientType: 'adult' };
  const mine = async () =>
    (await server.call('GET', path, undefined, 'demo-tomas')).body.find(
      (each: typeof line) => each.projectionId === 'hand-pa' && each.patientType === 'adult',
    );
  it('counts exercises, and accepted exposures', async () => {
    expect(await mine()).toMatchObject({ tried: 1, passed: 0, exposures: 0, signedBy: null });
    await seedHistory(server.store, CLOCK);
    const all = (await server.call('GET', path)).body as { exposures: number }[];
    expect(all.reduce((sum, { exposures }) => sum + exposures, 0)).toBeGreaterThan(5);
  });
  it('is signed by a technologist or lead, never by a student, and can be taken back', async () => {
    const sign = (signed: boolean, as: string) => server.call('POST', path, { ...line, signed }, as);
    expect((await sign(true, 'demo-tomas')).status).toBe(403);
    expect((await sign(true, 'demo-ines')).status).toBe(200);
    expect(await mine()).toMatchObject({ signedBy: 'Ines Oakfield', signedAt: CLOCK });
    expect((await sign(true, 'demo-priya')).status).toBe(200);
    expect(await mine()).toMatchObject({ signedBy: 'Priya Windlow' });
    await sign(false, 'demo-ines');
    expect(await mine()).toMatchObject({ signedBy: null });
    const trail = await server.call('GET', '/api/audit?subject=person:demo-tomas');
    expect(trail.body.map(({ action }: { action: string }) => action)).toContain('signature taken back');
  });
  it('of others is not for students, of those who are none there is nothing to sign', async () => {
    expect((await server.call('GET', '/api/people/demo-ines/competence', undefined, 'demo-tomas')).status).toBe(403);
    const none = await server.call('POST', '/api/people/demo-ines/competence', { ...line, signed: true });
    expect(none.status).toBe(422);
    expect(none.body.detail).toMatch(/is no student/);
    expect((await server.call('GET', '/api/people/nobody/competence')).status).toBe(404);
  });
  it('goes out as a table', async () => {
    const table = await server.call('GET', `${path}/table`);
    expect(table.type).toMatch(/text\/csv/);
    const [head, ...rows] = String(table.body).trim().split(/\r?\n/);
    expect(head).toBe(
      'person,region,projection,patient,exercises passed,exercises tried,exposures accepted,last,signed by,signed',
    );
    expect(rows.length).toBe((await server.call('GET', path)).body.length);
    expect(rows[0]).toMatch(/^Tomas Reedham,/);
  });
});

test('the demo’s student has practised, well and badly, and one line is signed', async () => {
  const own = await startTestServer();
  await seedPractice(own.store, CLOCK);
  const mine = (await own.call('GET', '/api/practice', undefined, 'demo-tomas')).body as { share: number }[];
  expect(mine.length).toBeGreaterThan(15);
  expect(mine.filter(({ share }) => share === 1).length).toBeGreaterThan(10);
  expect(mine.filter(({ share }) => share < 0.8).length).toBeGreaterThan(3);
  const lines = (await own.call('GET', '/api/people/demo-tomas/competence')).body as { signedBy: string | null }[];
  expect(lines.filter(({ signedBy }) => signedBy !== null)).toHaveLength(1);
  await own.stop();
  discard(own.folder);
});
