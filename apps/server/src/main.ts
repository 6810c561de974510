/** Starts the server. Settings come from the environment; the defaults suit one machine. */
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { loggable } from './api/problem';
import { createApp } from './app';
import { worklistAddress } from './dicom/worklist';
import { DamagedError, openStore } from './db/database';
import { firstStart } from './seed/firstStart';
import { seedDemo } from './seed/seedDemo';
import { seedHistory } from './seed/seedHistory';
import { seedPractice } from './seed/seedPractice';
import { takeFhir } from './services/intake';
import { listOrders } from './services/orders';
import { listenForHl7 } from './mllp/listener';
import { sendDue } from './reports/outgoing';
import { hl7Address, sendersFor, sendsFor, type Peers } from './reports/senders';
import { orderBundle, orderMessage } from './standins/orderSystem';
import { sendHl7 } from './mllp/sender';

const here = path.dirname(fileURLToPath(import.meta.url));
const dataFolder = path.resolve(process.env.TAKTIK_DATA ?? path.join(here, '../../../.data'));
const port = Number(process.env.PORT ?? 4173);
const host = process.env.HOST ?? '127.0.0.1';
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

mkdirSync(dataFolder, { recursive: true });
const url = process.env.TAKTIK_DATABASE_URL ?? `file:${path.join(dataFolder, 'taktik.db')}`;
/** A setting that names a system of the hospital; what cannot be read as one ends the start with words. */
function peer<T>(name: string, text: string | undefined, like: string, read: (text: string) => T | null): T | null {
  if (text === undefined || text === '') return null;
  const address = read(text);
  if (address !== null) return address;
  process.stderr.write(`${name} must be like ${like}, not “${text}”\n`);
  process.exit(1);
}
const callingAe = process.env.TAKTIK_AE_TITLE ?? 'TAKTIK';
const worklist = peer('TAKTIK_WORKLIST', process.env.TAKTIK_WORKLIST, 'WORKLIST@host:104', (text) =>
  worklistAddress(text, callingAe),
);
const peers: Peers = {
  steps: peer('TAKTIK_MPPS', process.env.TAKTIK_MPPS, 'MPPS@host:104', (text) => worklistAddress(text, callingAe)),
  results: peer('TAKTIK_HL7_RESULTS', process.env.TAKTIK_HL7_RESULTS, 'host:2575', hl7Address),
};

const store = await openStore(
  url,
  process.env.TAKTIK_MIGRATIONS ?? path.join(here, 'db/migrations'),
  sendsFor(peers),
).catch((error: unknown) => {
  if (!(error instanceof DamagedError)) throw error;
  process.stderr.write(
    `The database ${url} is damaged: ${error.message}\nNothing was changed in it. Put a backup in its place and start again.\n`,
  );
  process.exit(1);
});
/** The demo is asked for by name, never taken for granted: its PINs are known to everybody. */
const demo = process.env.TAKTIK_SEED === 'demo';
if (demo) {
  await seedDemo(store, Date.now());
  await seedHistory(store, Date.now());
  await seedPractice(store, Date.now());
} else {
  const first = await firstStart(store, Date.now());
  if (first)
    process.stdout.write(
      `First start: there was nobody yet. ${first.name} is the first lead, with the PIN ${first.pin}. It is told this once: change it after signing in.\n`,
    );
}

/** Off unless it is asked for: whoever reaches this port can place orders. */
const hl7Port = Number(process.env.TAKTIK_HL7_PORT ?? 0);
const hl7Host = process.env.TAKTIK_HL7_HOST ?? '127.0.0.1';
const mllp =
  hl7Port > 0
    ? await listenForHl7({ store, port: hl7Port, host: hl7Host, log: logger }).catch((error: Error) => {
        process.stderr.write(
          `Taktik cannot listen for orders on port ${hl7Port} of ${hl7Host}: ${error.message}. Set TAKTIK_HL7_PORT to a free one.\n`,
        );
        process.exit(1);
      })
    : null;
if (mllp) process.stdout.write(`Orders as HL7 v2 over MLLP: port ${mllp.port} of ${hl7Host}\n`);

/** What other systems are told of exams is tried so often. */
const TELL_MS = 5000;
const senders = sendersFor(peers);
let telling = false;
async function tellOthers(): Promise<void> {
  if (telling) return;
  telling = true;
  try {
    const { failed } = await sendDue(store, senders, Date.now());
    for (const why of failed) logger.warn(why);
  } catch (error) {
    logger.error(loggable(error), 'nothing was told to other systems');
  } finally {
    telling = false;
  }
}
if (store.sends.size > 0) setInterval(() => void tellOthers(), TELL_MS).unref();

/** Seconds between two orders of the stand-in for the order system; 0 sends none. */
const orderSeconds = Number(process.env.TAKTIK_ORDER_SECONDS ?? (demo ? 180 : 0));
/** It stops sending while this many wait. */
const MOST_WAITING = 40;
let ordersSent = 0;
async function sendOrder(): Promise<void> {
  if ((await listOrders(store, 'waiting')).length >= MOST_WAITING) return;
  // Numbers that were sent before a restart are known and taken once only: go on to the next.
  for (let tries = 0; tries < 200; tries += 1) {
    // Where the port is open it sends as an order system does.
    const taken = mllp
      ? /\rMSA\|AA\|[^|]*\|[1-9]/.test(await sendHl7(mllp.port, hl7Host, orderMessage(ordersSent, Date.now())))
      : (await takeFhir(store, orderBundle(ordersSent, Date.now()), 'order system', Date.now())).taken.taken > 0;
    ordersSent += 1;
    if (taken) return;
  }
}
if (orderSeconds > 0) {
  const tick = () => void sendOrder().catch((error: unknown) => logger.error(loggable(error), 'no order was sent'));
  setInterval(tick, orderSeconds * 1000).unref();
}

const server = createApp({
  store,
  webFolder: path.resolve(process.env.TAKTIK_WEB ?? path.join(here, '../../web/dist')),
  logger,
  worklist,
  requestsPerMinute: Number(process.env.TAKTIK_REQUESTS_PER_MINUTE ?? 6000),
}).listen(port, host, (error?: Error) => {
  if (error) {
    process.stderr.write(`Taktik cannot listen on port ${port}: ${error.message}. Set PORT to a free one.\n`);
    process.exit(1);
  }
  process.stdout.write(`Taktik is ready: http://localhost:${port}\n`);
});

/** Lets requests in flight end, then closes the database. */
function stop(): void {
  const done = () => void store.close().finally(() => process.exit(0));
  server.close(() => void Promise.resolve(mllp?.close()).finally(done));
  server.closeIdleConnections();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
