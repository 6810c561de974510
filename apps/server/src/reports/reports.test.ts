/** What other systems are told of an exam: over the wire to stand-ins that keep it, and as files. */
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { createServer, type AddressInfo, type Server } from 'node:net';
import path from 'node:path';
import dcmjs from 'dcmjs';
import { hl7Segments, ROOM_TWO, type Hl7Segment } from '@taktik/core';
import { worklistAddress } from '../dicom/worklist';
import { OUTGOING_KINDS } from '../db/schema';
import { framed, Frames } from '../mllp/frames';
import { startStepServer, type Steps } from '../standins/stepServer';
import { takeOrders } from '../services/intake';
import { CLOCK, discard, freePort, startTestServer, type TestServer } from '../testing/testServer';
import { sendDue, waitingOutgoing } from './outgoing';
import { endedExamOf, performedOf } from './performed';
import { stepUid } from './performedStep';
import { hl7Address, sendersFor, sendsFor, type Peers } from './senders';
import { dicomTime, dicomZone, uidOf } from './uid';

type Elements = Record<string, any>;

let server: TestServer;
let steps: Steps;
let stopSteps: () => void;
let results: Server;
let heard: Hl7Segment[][];
/** What the stand-in for the department's system answers. */
let answers: string;
let peers: Peers;
beforeEach(async () => {
  server = await startTestServer(undefined, { sends: new Set(OUTGOING_KINDS) });
  const port = await freePort();
  ({ steps, stop: stopSteps } = startStepServer(port));
  heard = [];
  answers = 'AA';
  results = createServer((socket) => {
    const frames = new Frames(100_000);
    socket.on('error', () => undefined);
    socket.on('data', (chunk) => {
      for (const bytes of frames.add(Buffer.from(chunk))) {
        const segments = hl7Segments(bytes.toString('utf8'))!;
        heard.push(segments);
        socket.write(
          framed(`MSH|^~\\&|RIS||TAKTIK||||ACK^R01|1|P|2.5.1\rMSA|${answers}|${segments[0]!.at(10)}|busy\r`),
        );
      }
    });
  });
  await new Promise<void>((done) => results.listen(0, '127.0.0.1', () => done()));
  peers = {
    steps: worklistAddress(`RIS@127.0.0.1:${port}`, 'TAKTIK'),
    results: { host: '127.0.0.1', port: (results.address() as AddressInfo).port },
  };
});
afterEach(async () => {
  stopSteps();
  await new Promise((done) => results.close(done));
  await server.stop();
  discard(server.folder);
});

const ORDER = 'demo-sacrum-coccyx';
const start = (orderId = ORDER) =>
  server.call('POST', '/api/exams', { id: 'x1', orderId, performedBy: 'Ines Oakfield', startedAt: CLOCK });
const expose = (id: string, more: object = {}) =>
  server.call('POST', '/api/exposures', {
    id,
    examId: 'x1',
    request: { projectionId: 'sacrum-ap-axial', patient: { ageYears: 58 }, room: ROOM_TWO, ...more },
    performedBy: 'Ines Oakfield',
    exposedAt: CLOCK + 60_000,
  });
const finish = (reason?: string) =>
  server.call('POST', '/api/exams/x1/finish', { finishedAt: CLOCK + 120_000, ...(reason ? { reason } : {}) });
const tell = (now = CLOCK + 200_000, to: Peers = peers) =>
  sendDue(
    server.store,
    sendersFor(to, () => now),
    now,
  );
const find = (segments: readonly Hl7Segment[], name: string) => segments.filter((each) => each.name === name);

test('an exam is told when it begins and when it ends, with its dose, once', async () => {
  await start();
  expect(await tell()).toEqual({ sent: 1, failed: [] });
  const begun: Elements = steps.get(stepUid('x1'))!;
  expect(begun).toMatchObject({ PerformedProcedureStepStatus: 'IN PROGRESS', Modality: 'DX' });
  await expose('a');
  await expose('b', { overrides: { mAs: 8 } });
  await server.call('POST', '/api/exposures/a/verdict', { verdict: 'repeat', cause: 'Rotated' });
  await server.call('POST', '/api/exposures/b/note', { note: 'Held by a person', labels: ['supine'] });
  await finish();
  expect(await tell()).toEqual({ sent: 2, failed: [] });
  expect(await tell(CLOCK + 400_000)).toEqual({ sent: 0, failed: [] });
  const done = await endedExamOf(server.store, ORDER);
  const total = done.shots.reduce((sum, { kapGyCm2 }) => sum + kapGyCm2, 0);
  expect(total).toBeGreaterThan(0.05);

  const ended: Elements = steps.get(stepUid('x1'))!;
  expect(ended.PerformedProcedureStepStatus).toBe('COMPLETED');
  expect(ended.PerformedSeriesSequence).toHaveLength(2);
  expect(Number(ended.ImageAndFluoroscopyAreaDoseProduct)).toBeCloseTo(total * 10, 3);
  expect(Number(ended.TotalNumberOfExposures)).toBe(2);

  expect(heard).toHaveLength(1);
  const [message] = heard;
  expect([message![0]!.at(9, 1), find(message!, 'OBR')[0]!.at(25)]).toEqual(['ORU', 'F']);
  const doses = find(message!, 'OBX').map(({ at }) => [at(3, 1), Number(at(5)), at(6, 1)]);
  expect(doses.map(([code]) => code)).toEqual(['122130', '122130', '113722']);
  expect(doses[2]![1]).toBeCloseTo(total, 5);
  expect(find(message!, 'NTE').map(({ at }) => at(3))).toContainEqual(expect.stringMatching(/repeated: Rotated/));
  expect(find(message!, 'NTE').map(({ at }) => at(3))).toContain('supine: Held by a person');
  // The same as a file of text.
  const file = await server.call('GET', `/api/orders/${ORDER}/hl7`);
  expect([file.status, file.type]).toEqual([200, expect.stringMatching(/^application\/hl7-v2/)]);
  expect(find(hl7Segments(file.body)!, 'OBX').map(({ at }) => at(5))).toEqual(
    doses.map(([, dose]) => dose!.toString() && expect.any(String)),
  );
});

test('what a worklist asked for is told by its own numbers', async () => {
  const entries = [
    {
      ...{ AccessionNumber: 'WL-9', RequestedProcedureID: 'R9', StudyInstanceUID: '1.2.3.9', PatientID: 'P9' },
      ...{ PatientName: 'Zeller^Quin', PatientBirthDate: '19810312', PatientSex: 'F' },
      ...{ RequestedProcedureDescription: 'Sacrum AP', RequestingPhysician: 'Lind^Mara' },
      ScheduledProcedureStepSequence: [{ Modality: 'DX', ScheduledProcedureStepID: 'S9' }],
    },
  ];
  await takeOrders(server.intake, { kind: 'worklist', entries }, 'test', CLOCK);
  const all = (await server.call('GET', '/api/orders')).body as Elements[];
  const order = all.find(({ reference }) => reference === 'WL-9')!;
  expect(order).toMatchObject({ requester: 'Mara Lind', patient: { number: 'P9' } });
  await start(order.id);
  await finish('Patient called away');
  await tell();
  const step: Elements = steps.get(stepUid('x1'))!;
  expect(step.ScheduledStepAttributesSequence[0]).toMatchObject({
    StudyInstanceUID: '1.2.3.9',
    AccessionNumber: 'WL-9',
    RequestedProcedureID: 'R9',
    ScheduledProcedureStepID: 'S9',
  });
  expect(step).toMatchObject({ PatientID: 'P9', PerformedProcedureStepStatus: 'DISCONTINUED' });
  expect(step.PerformedProcedureStepDiscontinuationReasonCodeSequence[0].CodeValue).toBe('110513');
  expect(find(heard[0]!, 'OBR')[0]!.at(25)).toBe('X');
  expect(find(heard[0]!, 'NTE')[0]!.at(3)).toBe('Ended early: Patient called away');
});

test('a system that is away, or says no, is told later; the end never before the beginning; others go on', async () => {
  await start();
  await expose('a');
  await finish();
  const away: Peers = { ...peers, steps: worklistAddress(`RIS@127.0.0.1:${await freePort()}`, 'TAKTIK') };
  answers = 'AE';
  const first = await tell(CLOCK + 200_000, away);
  expect(first.sent).toBe(0);
  expect(first.failed).toEqual([
    expect.stringMatching(/RIS at .* cannot be reached/),
    expect.stringMatching(/does not take the result: AE busy/),
  ]);
  expect((await waitingOutgoing(server.store)).map(({ kind, tries }) => [kind, tries])).toEqual([
    ['step started', 1],
    ['step ended', 0],
    ['result', 1],
  ]);
  const listed = await server.call('GET', '/api/outgoing');
  expect(listed.body).toHaveLength(3);
  expect((await server.call('GET', '/api/outgoing', undefined, 'demo-ines')).status).toBe(403);
  // Not before its time, and then in order.
  answers = 'AA';
  expect((await tell(CLOCK + 201_000)).sent).toBe(0);
  expect((await tell(CLOCK + 300_000)).sent).toBe(3);
  expect(steps.get(stepUid('x1'))).toMatchObject({ PerformedProcedureStepStatus: 'COMPLETED' });
  expect(await waitingOutgoing(server.store)).toEqual([]);
});

test('an exposure that comes late is in the result that is told again', async () => {
  await start();
  await finish();
  await tell();
  expect(find(heard[0]!, 'OBX')).toHaveLength(0);
  await expose('late');
  await tell(CLOCK + 300_000);
  expect(find(heard[1]!, 'OBX')).toHaveLength(2);
});

test('nothing is noted for systems that are not there', async () => {
  const alone = await startTestServer();
  await alone.call('POST', '/api/exams', { id: 'x1', orderId: ORDER, performedBy: 'Ines Oakfield', startedAt: CLOCK });
  expect(await waitingOutgoing(alone.store)).toEqual([]);
  await alone.stop();
  discard(alone.folder);
  expect([...sendsFor({ steps: null, results: null })]).toEqual([]);
  expect([...sendsFor({ ...peers, steps: null })]).toEqual(['result']);
});

describe('the dose report', () => {
  const { DicomMessage, DicomMetaDictionary } = dcmjs.data;
  type Item = { ValueType: string; ConceptNameCodeSequence: { CodeValue: string }[]; [field: string]: any };
  const named = (items: readonly Item[], code: string): Item[] =>
    items.filter(({ ConceptNameCodeSequence: [name] }) => name?.CodeValue === code);
  const numberIn = ({ MeasuredValueSequence: [value] }: Item): number => Number(value.NumericValue);
  const fetched = async (): Promise<Uint8Array> => {
    const response = await fetch(`${server.url}/api/orders/${ORDER}/dose`, {
      headers: { authorization: `Bearer ${await server.tokenOf('demo-ines')}` },
    });
    expect([response.status, response.headers.get('content-type')]).toEqual([200, 'application/dicom']);
    return new Uint8Array(await response.arrayBuffer());
  };
  test('holds every exposure and their sum, and says that it is computed', async () => {
    expect((await server.call('GET', `/api/orders/${ORDER}/dose`)).status).toBe(409);
    await start();
    await expose('a');
    await expose('b', { overrides: { mAs: 8 } });
    await finish();
    const bytes = await fetched();
    const read = DicomMetaDictionary.naturalizeDataset(DicomMessage.readFile(bytes.slice().buffer as ArrayBuffer).dict);
    const items = read.ContentSequence as Item[];
    const events = named(items, '113706');
    const done = await endedExamOf(server.store, ORDER);
    expect(events).toHaveLength(done.shots.length);
    events.forEach(({ ContentSequence: values }, i) => {
      const shot = done.shots[i]!;
      expect(numberIn(named(values, '122130')[0]!) * 1e4).toBeCloseTo(shot.kapGyCm2, 6);
      expect(numberIn(named(values, '113733')[0]!)).toBe(shot.kVp);
      expect(named(values, '121106')[0]!.TextValue).toMatch(/computed from the exposure factors/);
    });
    const [sum] = named(items, '113702');
    const total = done.shots.reduce((all, { kapGyCm2 }) => all + kapGyCm2, 0);
    expect(numberIn(named(sum!.ContentSequence, '113722')[0]!) * 1e4).toBeCloseTo(total, 6);
    expect(named(items, '113854')[0]!.ConceptCodeSequence[0].CodeMeaning).toMatch(/Computed/);
    // Told twice it is the same report.
    expect(Buffer.from(await fetched()).equals(Buffer.from(bytes))).toBe(true);
  });
  const peer = spawnSync('which', ['dsrdump']).status === 0;
  (peer ? test : test.skip)('is read without an error by a reader that is not ours', async () => {
    await start();
    await expose('a');
    await finish();
    const file = path.join(server.folder, 'dose.dcm');
    writeFileSync(file, await fetched());
    const { status, stdout, stderr } = spawnSync('dsrdump', [file], {
      encoding: 'utf8',
    });
    expect([status, stderr.split('\n').filter((line) => /^[EF]:/.test(line))]).toEqual([0, []]);
    expect(stdout).toMatch(/X-Ray Radiation Dose SR/);
    expect(stdout).toMatch(/Dose Area Product Total/);
  });
});

test.each([
  ['10.0.0.4:2575', { host: '10.0.0.4', port: 2575 }],
  ['ris.local', null],
  ['ris.local:0', null],
])('the address %s', (text, address) => expect(hl7Address(text)).toEqual(address));

test('names of DICOM are the same for the same thing, and no longer than they may be', () => {
  expect(uidOf('exam', 'a')).toBe(uidOf('exam', 'a'));
  expect(new Set([uidOf('exam', 'a'), uidOf('exa', 'ma'), uidOf('exam', 'b')]).size).toBe(3);
  expect(uidOf('exam', 'a')).toMatch(/^2\.25\.[1-9]\d{0,38}$/);
  expect(dicomTime(CLOCK)).toEqual({ date: expect.stringMatching(/^\d{8}$/), time: expect.stringMatching(/^\d{6}$/) });
  expect(dicomZone(CLOCK)).toMatch(/^[+-]\d{4}$/);
});

test('an exam that nobody knows is told as such', () =>
  expect(performedOf(server.store, 'nobody')).rejects.toMatchObject({ kind: 'missing' }));
