/** Orders over MLLP, from the wire to the disk and back. */
import { connect } from 'node:net';
import { hl7Segments, type Hl7Segment } from '@taktik/core';
import { orders } from '../db/schema';
import { orderBundle, orderMessage } from '../standins/orderSystem';
import { sendHl7 } from './sender';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';
import { decoded, framed, Frames, FrameTooLong } from './frames';
import { listenForHl7, type Listening } from './listener';

let server: TestServer;
let mllp: Listening;
const logged: object[] = [];
beforeAll(async () => {
  server = await startTestServer();
  mllp = await listenForHl7({
    ...server.intake,
    port: 0,
    host: '127.0.0.1',
    clock: () => CLOCK,
    log: { error: (detail) => void logged.push(detail) },
  });
});
afterAll(async () => {
  await mllp.close();
  await server.stop();
  discard(server.folder);
});

const send = async (text: string): Promise<Hl7Segment[]> =>
  hl7Segments(await sendHl7(mllp.port, '127.0.0.1', text)) ?? [];
const find = (answer: readonly Hl7Segment[], name: string) => answer.filter((each) => each.name === name);
const said = (answer: readonly Hl7Segment[]) => find(answer, 'MSA').map(({ at }) => [at(1), at(2), at(3)]);
const listed = async (reference: string) =>
  ((await server.call('GET', '/api/orders')).body as Record<string, unknown>[]).find(
    (order) => order.reference === reference,
  );

test('an order is taken once, corrected and called off, and each time answered as the standard has it', async () => {
  const first = await send(orderMessage(0, CLOCK));
  expect(said(first)).toEqual([['AA', 'SIM-0001-NW', '1 taken, 0 corrected, 0 called off, 0 known before']]);
  expect([first[0]!.at(9, 1), first[0]!.at(9, 2), first[0]!.at(3), first[0]!.at(5)]).toEqual([
    'ORR',
    'O02',
    'TAKTIK',
    'ORDERS',
  ]);
  expect(find(first, 'ORC').map(({ at }) => [at(1), at(2, 1)])).toEqual([['OK', 'SIM-0001']]);
  expect(await listed('SIM-0001')).toMatchObject({ exam: 'Ankle', side: 'right', state: 'waiting', urgency: 'today' });
  expect(said(await send(orderMessage(0, CLOCK)))[0]![2]).toMatch(/^0 taken.*1 known/);
  expect(said(await send(orderMessage(0, CLOCK, 'HD')))[0]![2]).toMatch(/1 corrected/);
  expect(said(await send(orderMessage(0, CLOCK, 'CA')))[0]![2]).toMatch(/1 called off/);
});

test('FHIR and HL7 of the same order are one order', async () => {
  const document = JSON.stringify(orderBundle(3, CLOCK));
  const taken = await server.call('POST', '/api/fhir', document, 'demo-ines', 'application/fhir+json');
  expect(taken.body).toMatchObject({ taken: 1 });
  expect(said(await send(orderMessage(3, CLOCK)))[0]![2]).toMatch(/^0 taken, 0 corrected.*1 known/);
});

test('what is not taken says why, in segments of its own, and nothing is stored', async () => {
  const before = (await server.store.db.select().from(orders)).length;
  const wrong = await send(orderMessage(1, CLOCK).replace('Chest, two views', 'CT chest'));
  expect(said(wrong)[0]![0]).toBe('AE');
  expect(find(wrong, 'ERR').map(({ at }) => at(8))).toEqual([expect.stringMatching(/asks for CT, not for an x-ray/)]);
  expect(find(wrong, 'ORC').map(({ at }) => at(1))).toEqual(['UA']);
  const foreign = await send(orderMessage(1, CLOCK).replace('ORM^O01^ORM_O01', 'ADT^A01'));
  expect(said(foreign)[0]![0]).toBe('AR');
  expect([foreign[0]!.at(9, 1), foreign[0]!.at(9, 2)]).toEqual(['ACK', 'A01']);
  expect(said(await send('hello'))[0]![0]).toBe('AR');
  expect((await server.store.db.select().from(orders)).length).toBe(before);
  expect(logged).toEqual([]);
});

test('several messages in one piece, and one in many, are answered in their order', async () => {
  const all = Buffer.concat([2, 4, 5].map((number) => framed(orderMessage(number, CLOCK))));
  const answers = await new Promise<string[]>((resolve, reject) => {
    const frames = new Frames(100_000);
    const found: string[] = [];
    const socket = connect(mllp.port, '127.0.0.1', () => {
      socket.write(all.subarray(0, 700));
      setImmediate(() => socket.write(all.subarray(700)));
    });
    socket.on('error', reject);
    socket.on('data', (chunk) => {
      found.push(...frames.add(Buffer.from(chunk)).map(String));
      if (found.length === 3) {
        socket.destroy();
        resolve(found);
      }
    });
  });
  expect(answers.map((text) => said(hl7Segments(text)!)[0]!.slice(0, 2))).toEqual([
    ['AA', 'SIM-0003-NW'],
    ['AA', 'SIM-0005-NW'],
    ['AA', 'SIM-0006-NW'],
  ]);
});

test('a store that takes nothing is no fault of the sender: it is told to send it again', async () => {
  const run = jest.spyOn(server.store.writes, 'run').mockRejectedValueOnce(new Error('no room'));
  expect(said(await send(orderMessage(6, CLOCK)))[0]).toEqual([
    'AE',
    'SIM-0007-NW',
    expect.stringMatching(/send it again/),
  ]);
  expect(logged.splice(0)).toHaveLength(1);
  run.mockRestore();
  expect(said(await send(orderMessage(6, CLOCK)))[0]![0]).toBe('AA');
});

describe('frames', () => {
  test('noise between messages is passed over; a message without an end is not waited for for ever', () => {
    const frames = new Frames(50);
    expect(frames.add(Buffer.from('noise'))).toEqual([]);
    expect(
      frames.add(Buffer.concat([Buffer.from('x'), framed('a'), Buffer.from('\r\n'), framed('b')])).map(String),
    ).toEqual(['a', 'b']);
    expect(() => frames.add(Buffer.concat([Buffer.from([0x0b]), Buffer.alloc(60, 65)]))).toThrow(FrameTooLong);
  });
  test('characters are those of the header; others are refused, not guessed', () => {
    const message = (name: string, encoding: BufferEncoding) =>
      Buffer.from(`MSH|^~\\&|${'|'.repeat(14)}|${name}\rPID|é`, encoding);
    expect(decoded(message('UNICODE UTF-8', 'utf8'))).toMatch(/é$/);
    expect(decoded(message('8859/1', 'latin1'))).toMatch(/é$/);
    expect(decoded(message('', 'latin1'))).toBeNull();
    expect(decoded(message('ISO IR87', 'utf8'))).toBeNull();
  });
});
