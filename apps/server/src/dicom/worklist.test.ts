/** The worklist over the wire: asked, answered by the stand-in, taken in. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { WorklistEntry } from '@taktik/core';
import { startWorklist } from '../standins/worklistServer';
import { takeOrders } from '../services/intake';
import { localDay } from '../services/times';
import { CLOCK, discard, freePort, startTestServer, type TestServer } from '../testing/testServer';
import { askWorklist, NoWorklist, worklistAddress } from './worklist';

const DAY = localDay(CLOCK);
const entry = (change: WorklistEntry = {}, step: WorklistEntry = {}): WorklistEntry => ({
  AccessionNumber: 'WL-1',
  PatientName: 'Zeller^Quin',
  PatientBirthDate: '19810312',
  PatientSex: 'F',
  PatientSize: '1.68',
  PatientWeight: '64',
  RequestedProcedureDescription: 'Ankle 2 views right',
  RequestedProcedurePriority: 'STAT',
  ReasonForTheRequestedProcedure: 'Twisted',
  CurrentPatientLocation: 'ED',
  ScheduledProcedureStepSequence: [
    { Modality: 'DX', ScheduledProcedureStepStartDate: DAY.replaceAll('-', ''), ...step },
  ],
  ...change,
});

let server: TestServer;
let port: number;
let entries: WorklistEntry[] = [];
let stop: () => void;
const address = () => worklistAddress(`RIS@127.0.0.1:${port}`, 'TAKTIK')!;
const taken = async (entries: Awaited<ReturnType<typeof askWorklist>>) =>
  (await takeOrders(server.intake, { kind: 'worklist', entries }, 'test', CLOCK)).taken;

beforeAll(async () => {
  server = await startTestServer();
  port = await freePort();
  stop = startWorklist(port, () => entries);
});
afterAll(async () => {
  stop();
  await server.stop();
  discard(server.folder);
});

test('what is for x-rays is taken in, and wrong entries are told by their place', async () => {
  entries = [
    entry(),
    entry({ AccessionNumber: 'WL-2', RequestedProcedureDescription: 'MRI knee' }, { Modality: 'MR' }),
    entry({ AccessionNumber: 'WL-3', RequestedProcedureDescription: 'CT head' }),
    entry({
      AccessionNumber: 'WL-4',
      RequestedProcedureDescription: 'Chest',
      PatientTransportArrangements: 'PORTABLE',
      PregnancyStatus: 2,
    }),
  ];
  const found = await askWorklist(address(), DAY);
  expect(found).toHaveLength(4);
  const outcome = await taken(found);
  expect(outcome).toMatchObject({
    taken: 2,
    known: 0,
    refused: [{ line: 2, message: expect.stringMatching(/asks for CT/) }],
  });
  expect(await taken(found)).toMatchObject({ taken: 0, known: 2 });
  const orders = (await server.call('GET', '/api/orders')).body as Record<string, unknown>[];
  expect(orders.find(({ reference }) => reference === 'WL-1')).toMatchObject({
    exam: 'Ankle 2 views right',
    side: 'right',
    urgency: 'now',
    ward: 'ED',
    reason: 'Twisted',
    patient: { initials: 'QZ', body: { ageYears: expect.any(Number), sex: 'female', statureMm: 1680, massKg: 64 } },
  });
  expect(orders.find(({ reference }) => reference === 'WL-4')).toMatchObject({
    situation: { place: 'bedside', pregnancy: 'possible' },
    roomId: 'mobile-1',
  });
  expect(JSON.stringify(orders)).not.toMatch(/Zeller/);
});

test('today is the day of the place, whatever day it is in Greenwich', () => {
  const evening = new Date(2026, 4, 28, 23, 50).getTime();
  expect([localDay(evening), localDay(evening + 20 * 60_000)]).toEqual(['2026-05-28', '2026-05-29']);
  expect(localDay(new Date(2026, 0, 3, 0, 5).getTime())).toBe('2026-01-03');
});

test('an empty worklist is no fault', async () => {
  entries = [];
  const found = await askWorklist(address(), DAY);
  expect(await taken(found)).toMatchObject({ taken: 0, refused: [] });
});

test('nobody there, and a station that is not known, are said as such', async () => {
  await expect(askWorklist({ ...address(), port: await freePort() }, DAY)).rejects.toThrow(
    /RIS at 127.0.0.1:\d+ cannot be reached/,
  );
  await expect(askWorklist({ ...address(), callingAe: 'OTHER' }, DAY)).rejects.toThrow(
    /does not know this station as OTHER/,
  );
  await expect(askWorklist({ ...address(), callingAe: 'OTHER' }, DAY)).rejects.toBeInstanceOf(NoWorklist);
});

test('a server without a worklist says so', async () => {
  expect((await server.call('GET', '/api/orders/worklist')).body).toEqual({ name: null });
  expect(await server.call('POST', '/api/orders/worklist', '{}', 'demo-ines')).toMatchObject({
    status: 409,
    body: { detail: expect.stringMatching(/TAKTIK_WORKLIST/) },
  });
});

test.each([
  ['RIS@10.0.0.4:104', { host: '10.0.0.4', port: 104, calledAe: 'RIS', callingAe: 'TAKTIK' }],
  ['ris.local:11112', { host: 'ris.local', port: 11112, calledAe: 'WORKLIST', callingAe: 'TAKTIK' }],
  ['ris.local', null],
  ['ris.local:0', null],
  ['ris.local:99999', null],
  ['A TITLE THAT IS TOO LONG@ris:104', null],
])('the address %s', (text, address) => expect(worklistAddress(text, 'TAKTIK')).toEqual(address));

const PEER = ['wlmscpfs', 'dump2dcm'];
const hasPeer = PEER.every((name) => spawnSync('which', [name]).status === 0);
/** The worklist server of Debian's dcmtk, where it is installed: another's understanding of the standard. */
(hasPeer ? describe : describe.skip)('a worklist that is not ours', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'taktik-worklist-'));
  let peer: ChildProcess;
  let at: number;
  beforeAll(async () => {
    mkdirSync(path.join(folder, 'RIS'));
    writeFileSync(path.join(folder, 'RIS/lockfile'), '');
    const dump = [
      '(0008,0005) CS [ISO_IR 100]',
      '(0008,0050) SH [WL-77]',
      '(0010,0010) PN [Zéller^Änne]',
      '(0010,0020) LO [P77]',
      '(0010,0030) DA [19810312]',
      '(0010,0040) CS [F]',
      '(0010,1030) DS [64]',
      '(0020,000d) UI [1.2.276.0.7230010.3.2.77]',
      '(0032,1060) LO [Ankle 2 views right]',
      '(0040,0100) SQ',
      '(fffe,e000) na',
      '(0008,0060) CS [DX]',
      '(0040,0001) AE [ROOM1]',
      `(0040,0002) DA [${DAY.replaceAll('-', '')}]`,
      '(0040,0003) TM [100000]',
      '(0040,0007) LO [Ankle]',
      '(0040,0009) SH [S77]',
      '(fffe,e00d) na',
      '(fffe,e0dd) na',
      '(0040,1001) SH [R77]',
      '(0040,1003) SH [HIGH]',
    ];
    writeFileSync(path.join(folder, 'entry.dump'), dump.join('\n'), 'latin1');
    const made = spawnSync('dump2dcm', [path.join(folder, 'entry.dump'), path.join(folder, 'RIS/entry.wl')]);
    expect(made.status).toBe(0);
    at = await freePort();
    peer = spawn('wlmscpfs', ['-dfp', folder, String(at)], { stdio: 'ignore' });
  });
  afterAll(() => {
    peer.kill('SIGKILL');
    discard(folder);
  });
  const ask = (day: string) => askWorklist({ ...address(), port: at }, day);
  /** It needs a moment until it listens. */
  const askWhenUp = async (day: string): Promise<WorklistEntry[]> => {
    for (;;) {
      try {
        return await ask(day);
      } catch (error) {
        if (!/cannot be reached/.test(String(error))) throw error;
        await new Promise((later) => setTimeout(later, 100));
      }
    }
  };
  test('answers for the day that is asked for, and is read, letters of its own with it', async () => {
    const found = await askWhenUp(DAY);
    expect(await taken(found)).toMatchObject({ taken: 1, refused: [] });
    const orders = (await server.call('GET', '/api/orders')).body as Record<string, unknown>[];
    expect(orders.find(({ reference }) => reference === 'WL-77')).toMatchObject({
      exam: 'Ankle 2 views right',
      side: 'right',
      urgency: 'today',
      patient: { initials: 'ÄZ', body: { massKg: 64 } },
    });
    expect(await ask('2020-01-01')).toEqual([]);
  });
});
