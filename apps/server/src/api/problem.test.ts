/** Every error leaves as one format, with its own status, and never with what must not be told. */
import express, { type Express } from 'express';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { Writable } from 'node:stream';
import { pino } from 'pino';
import { z } from 'zod';
import { invalid, notFound, Refusal, type RefusalKind } from '../services/refusal';
import { loggable, parse, parseJson, Problem, problemHandler, unknownRoute } from './problem';

let failure: unknown;
let logged = '';
let damaged = 0;
let server: Server;
let url: string;

const app: Express = express();
app.use(express.json({ limit: '1kb' }));
app.all('/fails', () => {
  throw failure;
});
app.use(unknownRoute);
app.use(
  problemHandler(
    pino(new Writable({ write: (chunk, _encoding, done) => ((logged += String(chunk)), done()) })),
    () => void (damaged += 1),
  ),
);

beforeAll(async () => {
  server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => void server.close(resolve)));
beforeEach(() => {
  logged = '';
  damaged = 0;
});

async function answerTo(error: unknown): Promise<{ status: number; type: string; body: Record<string, unknown> }> {
  failure = error;
  const response = await fetch(`${url}/fails`);
  return {
    status: response.status,
    type: response.headers.get('content-type') ?? '',
    body: (await response.json()) as Record<string, unknown>,
  };
}

test.each<[RefusalKind, number]>([
  ['not signed in', 401],
  ['not allowed', 403],
  ['missing', 404],
  ['conflict', 409],
  ['not accepted', 422],
  ['too often', 429],
])('a refusal of the kind “%s” is sent as %d', async (kind, status) => {
  const { body, type, status: sent } = await answerTo(new Refusal(kind, 'Title', 'Why it is so.'));
  expect(sent).toBe(status);
  expect(type).toMatch(/^application\/problem\+json/);
  expect(body).toEqual({ type: 'about:blank', status, title: 'Title', detail: 'Why it is so.' });
  expect(logged).toBe('');
});

test('what there is not is named, and cut where it is long', () => {
  expect(notFound('order', 'x').detail).toBe('There is no order "x".');
  expect(notFound('order', 'x'.repeat(500)).detail.length).toBeLessThan(110);
});

test('input that does not fit names each field, at most twenty, in a text that can be read', async () => {
  const schema = z.object({ height: z.number({ error: 'Height must be a number' }) });
  const { body } = await answerTo(invalid(schema.safeParse({ height: 'tall' }).error!));
  expect(body).toMatchObject({
    status: 422,
    detail: 'height: Height must be a number',
    fields: [{ field: 'height', message: 'Height must be a number' }],
  });
  const many = z.record(z.string(), z.number());
  const wrong = Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`field${i}`, 'no']));
  const refusal = invalid(many.safeParse(wrong).error!);
  expect(refusal.fields).toHaveLength(20);
  expect(refusal.detail.length).toBeLessThanOrEqual(1000);
});

test('a value that fits is given back as it was read', () => {
  expect(parse(z.object({ n: z.coerce.number() }), { n: '4' })).toEqual({ n: 4 });
  expect(() => parse(z.number(), 'four')).toThrow(Refusal);
  expect(parseJson('[1]')).toEqual([1]);
  expect(() => parseJson('{')).toThrow(Problem);
});

test('outside the range of a formula: in the words of the formula', async () => {
  const { body } = await answerTo(new RangeError('SID must be 400 to 3000 mm, got 12'));
  expect(body).toMatchObject({
    status: 422,
    title: 'Outside the range',
    detail: 'SID must be 400 to 3000 mm, got 12',
  });
});

test('a body that is no JSON, one that is too large, and a place that there is not', async () => {
  const send = (text: string, route = '/fails') =>
    fetch(url + route, { method: 'POST', headers: { 'content-type': 'application/json' }, body: text });
  failure = null;
  expect((await send('{')).status).toBe(400);
  const large = await send(JSON.stringify('x'.repeat(4000)));
  expect([large.status, ((await large.json()) as { detail: string }).detail]).toEqual([
    413,
    'The body is larger than 1 kB; nothing was changed.',
  ]);
  const lost = await send('{}', `/nowhere/${'x'.repeat(300)}`);
  expect(lost.status).toBe(404);
  expect(((await lost.json()) as { detail: string }).detail.length).toBeLessThan(160);
});

const coded = (code: string, cause?: Error) => Object.assign(new Error(`failed: 'Anna', '1975'`, { cause }), { code });

test.each(['SQLITE_FULL', 'SQLITE_IOERR_WRITE', 'ENOSPC', 'EFBIG', 'EDQUOT'])(
  'a disk that takes no more is said, however deep it lies: %s',
  async (code) => {
    const { status, body } = await answerTo(new Error('outer', { cause: coded(code) }));
    expect([status, body.title]).toEqual([507, 'Disk full']);
    expect(body.detail).toMatch(/device keeps it/);
    expect(damaged).toBe(0);
  },
);

test('a damaged file is told to who looks after health', async () => {
  const { status, body } = await answerTo(new Error('outer', { cause: coded('SQLITE_CORRUPT') }));
  expect([status, body.title, damaged]).toEqual([503, 'Database damaged', 1]);
});

test('anything else is a failure of ours: no word of it leaves, and no value of it stands in the log', async () => {
  const { status, body } = await answerTo(coded('SQLITE_CONSTRAINT', new Error('values: Anna, 1975')));
  expect(status).toBe(500);
  expect(JSON.stringify(body)).not.toMatch(/Anna|1975|SQLITE/);
  expect(logged).toContain('SQLITE_CONSTRAINT');
  expect(logged).toContain('"method":"GET"');
  expect(logged).not.toMatch(/Anna|1975/);
});

test('an error as it may stand in a log: name, code, places, causes; never its message', () => {
  const entry = loggable(coded('E1', coded('E2')));
  expect(entry).toMatchObject({ name: 'Error', code: 'E1', cause: { code: 'E2' } });
  expect(JSON.stringify(entry)).not.toMatch(/Anna|1975/);
  expect(loggable('text with a name')).toEqual({ error: 'string' });
  expect(loggable(undefined)).toEqual({ error: 'undefined' });
});
