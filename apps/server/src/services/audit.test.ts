/** The trail shows whatever is done to it behind the server's back. */
import { createClient, type Client } from '@libsql/client';
import path from 'node:path';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';
import { anchorFrom, anchorText, sealTrail, verifyTrail } from './audit';

let server: TestServer;
let file: Client;
beforeEach(async () => {
  server = await startTestServer();
  for (let i = 0; i < 6; i += 1) await server.call('PUT', '/api/rules', { kneeLateralAngle: i % 2 ? '5' : '7' });
  file = createClient({ url: `file:${path.join(server.folder, 'test.db')}` });
});
afterEach(async () => {
  file.close();
  await server.stop();
  discard(server.folder);
});
const verify = (known?: Parameters<typeof verifyTrail>[1]) => verifyTrail(server.store, known);
/** As somebody with the file and its tools may: without the triggers. */
async function forge(sql: string): Promise<void> {
  await file.execute('DROP TRIGGER audit_stays');
  await file.execute('DROP TRIGGER audit_unchanged');
  await file.execute(sql);
}
const lastOf = async (): Promise<number> => (await verify()).anchor.lines;

test('a trail that nobody touched holds', async () => {
  const { broken, anchor } = await verify();
  expect(broken).toBeNull();
  expect(anchor.lines).toBeGreaterThan(6);
  expect(anchorFrom(anchorText(anchor))).toEqual(anchor);
  await server.call('PUT', '/api/department', { idleMinutes: 30 });
  // It goes on from there, and through it.
  expect((await verify(anchor)).broken).toBeNull();
});

test('the database itself refuses to change or take out a line', async () => {
  await expect(file.execute("UPDATE audit SET person = 'Somebody' WHERE id = 3")).rejects.toThrow(/only added to/);
  await expect(file.execute('DELETE FROM audit WHERE id = 3')).rejects.toThrow(/only added to/);
});

test.each([
  ['a person', "UPDATE audit SET person = 'Somebody' WHERE id = 4", 4],
  ['a time', 'UPDATE audit SET at = at + 1 WHERE id = 4', 4],
  ['what was done', `UPDATE audit SET detail = '{"kneeLateralAngle":"0"}' WHERE id = 4`, 4],
  ['a line that is gone', 'DELETE FROM audit WHERE id = 4', 4],
])('%s that is changed is found', async (_, sql, line) => {
  await forge(sql);
  expect((await verify()).broken).toMatchObject({ line });
});

test('a line that is put in is found', async () => {
  const at = await lastOf();
  await file.execute(
    `INSERT INTO audit (at, person, action, subject, detail) VALUES (${CLOCK}, 'Nobody', 'signed in', 'person:x', '{}')`,
  );
  expect((await verify()).broken).toEqual({ line: at + 1, why: 'it was put in without a seal' });
  // Starting again does not seal it.
  await sealTrail(server.store);
  expect((await verify()).broken).not.toBeNull();
});

test('what is missing at the end is found by an anchor that was kept, and so is another trail', async () => {
  const { anchor } = await verify();
  await forge('DELETE FROM audit WHERE id > 5');
  expect((await verify()).broken).toBeNull();
  expect((await verify(anchor)).broken?.why).toMatch(/missing at the end: the kept anchor names \d+/);
  expect((await verify({ lines: 3, hash: anchor.hash })).broken).toMatchObject({ line: 3 });
});

test('lines of an earlier version are sealed once', async () => {
  await forge("UPDATE audit SET hash = ''");
  const before = await file.execute('SELECT count(*) AS all_lines FROM audit');
  expect(await sealTrail(server.store)).toBe(Number(before.rows[0]!.all_lines));
  expect((await verify()).broken).toBeNull();
  expect(await sealTrail(server.store)).toBe(0);
});

test('a lead sees whether it holds; others do not', async () => {
  expect((await server.call('GET', '/api/audit/state')).body).toMatchObject({
    broken: null,
    anchor: expect.any(String),
  });
  expect((await server.call('GET', '/api/audit/state', undefined, 'demo-ines')).status).toBe(403);
  await forge("UPDATE audit SET person = 'Somebody' WHERE id = 2");
  expect((await server.call('GET', '/api/audit/state')).body.broken).toMatchObject({ line: 2 });
});

test.each(['', '12', 'x:y', `12:${'a'.repeat(42)}`])('"%s" is no anchor', (text) =>
  expect(anchorFrom(text)).toBeNull(),
);
