/** Starts the server, or does to its database what the command line asks. Settings come from the environment. */
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { loggable } from './api/problem';
import { questions, routes } from './api/routes';
import { createApp } from './app';
import { computingInThreads } from './compute/computing';
import { DamagedError, openStore, type Store } from './db/database';
import { listenForHl7 } from './mllp/listener';
import { sendHl7 } from './mllp/sender';
import { command } from './operate/command';
import { damagedLines, serveDamaged } from './operate/damagedPage';
import { metricsOf, serveMetrics, type Metrics } from './operate/metrics';
import { present } from './operate/presence';
import { secretIn } from './operate/secret';
import { settingsFrom, WrongSettings, type Settings } from './operate/settings';
import { sendDue } from './reports/outgoing';
import { sendersFor, sendsFor } from './reports/senders';
import { firstStart } from './seed/firstStart';
import { seedDemo } from './seed/seedDemo';
import { seedHistory } from './seed/seedHistory';
import { seedPractice } from './seed/seedPractice';
import { sealTrail } from './services/audit';
import { takeOrders, type Intake } from './services/intake';
import type { OrderMessage } from './services/readOrders';
import { listOrders } from './services/orders';
import { orderBundle, orderMessage } from './standins/orderSystem';

// What is written here is nobody else's on this machine: the record, its backups, the secret beside the PINs.
process.umask(0o077);

function settingsOrEnd(): Settings {
  try {
    return settingsFrom(process.env, path.dirname(fileURLToPath(import.meta.url)));
  } catch (error) {
    if (!(error instanceof WrongSettings)) throw error;
    process.stderr.write(`These settings cannot be read:\n${error.message}\n`);
    process.exit(1);
  }
}
const settings = settingsOrEnd();
const logger = pino({ level: settings.logLevel });
const { dataFolder, databaseUrl, demo, port, host } = settings;
mkdirSync(dataFolder, { recursive: true });

const asked = process.argv.slice(2);
if (asked.length > 0) {
  const { code, lines } = await command(asked, settings, Date.now());
  (code === 0 ? process.stdout : process.stderr).write(`${lines.join('\n')}\n`);
  process.exit(code);
}

async function seed(into: Store): Promise<void> {
  if (demo) {
    await seedDemo(into, Date.now());
    await seedHistory(into, Date.now());
    await seedPractice(into, Date.now());
    return;
  }
  const first = await firstStart(into, Date.now());
  if (first)
    process.stdout.write(
      `First start: there was nobody yet. ${first.name} is the first lead, with the PIN ${first.pin}. It is told this once: change it after signing in.\n`,
    );
}

type Mllp = Awaited<ReturnType<typeof listenForHl7>> | null;
/** Off unless it is asked for: whoever reaches this port can place orders. */
async function listenForOrders(intake: Intake): Promise<Mllp> {
  if (!settings.hl7) return null;
  const { port: hl7Port, host: hl7Host } = settings.hl7;
  const mllp = await listenForHl7({ ...intake, port: hl7Port, host: hl7Host, log: logger }).catch((error: Error) => {
    process.stderr.write(
      `Taktik cannot listen for orders on port ${hl7Port} of ${hl7Host}: ${error.message}. Set TAKTIK_HL7_PORT to a free one.\n`,
    );
    process.exit(1);
  });
  process.stdout.write(`Orders as HL7 v2 over MLLP: port ${mllp.port} of ${hl7Host}\n`);
  return mllp;
}

/** The stand-in stops sending while this many wait. */
const MOST_WAITING = 40;
const messageOf = (sent: number): OrderMessage => ({ kind: 'fhir', document: orderBundle(sent, Date.now()) });
/** An order of the stand-in now and then; where the port is open it sends as an order system does. */
function sendOrders(intake: Intake, mllp: Mllp): void {
  let sent = 0;
  const one = async (): Promise<void> => {
    if ((await listOrders(intake.store, 'waiting')).length >= MOST_WAITING) return;
    // Numbers that were sent before a restart are known and taken once only: go on to the next.
    for (let tries = 0; tries < 200; tries += 1) {
      const taken =
        mllp && settings.hl7
          ? /\rMSA\|AA\|[^|]*\|[1-9]/.test(await sendHl7(mllp.port, settings.hl7.host, orderMessage(sent, Date.now())))
          : (await takeOrders(intake, messageOf(sent), 'order system', Date.now())).taken.taken > 0;
      sent += 1;
      if (taken) return;
    }
  };
  every(settings.orderSeconds * 1000, 'no order was sent', one);
}

/** Again and again, one at a time; what goes wrong is in the log. */
function every(ms: number, wrong: string, work: () => Promise<void>): void {
  if (!(ms > 0)) return;
  let busy = false;
  const tick = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    await work().catch((error: unknown) => logger.error(loggable(error), wrong));
    busy = false;
  };
  setInterval(() => void tick(), ms).unref();
}

/** What other systems are told of exams is tried so often. */
const TELL_MS = 5000;
function tellOthers(from: Store): void {
  if (from.sends.size === 0) return;
  const senders = sendersFor(settings.peers);
  every(TELL_MS, 'nothing was told to other systems', async () => {
    for (const why of (await sendDue(from, senders, Date.now())).failed) logger.warn(why);
  });
}

const HOUR_MS = 3_600_000;
/** In a process of its own: copying and reading over holds up nobody here. */
function backUpNowAndThen(): void {
  if (settings.databaseFile === null) return;
  every(
    settings.backupHours * HOUR_MS,
    'no backup was made',
    () =>
      new Promise((resolve, reject) => {
        const child = spawn(process.execPath, [process.argv[1]!, 'backup'], { stdio: ['ignore', 'ignore', 'pipe'] });
        let wrong = '';
        child.stderr.on('data', (chunk: Buffer) => (wrong += chunk.toString()));
        child.on('error', reject);
        child.on('close', (code) => (code === 0 ? resolve() : reject(new Error(wrong))));
      }),
  );
}

/** Off unless it is asked for. */
async function watch(from: Store): Promise<Metrics | null> {
  if (!settings.metrics) return null;
  const { port: at, host: on } = settings.metrics;
  const metrics = metricsOf(
    from,
    [...routes, ...questions].map(({ path: each }) => each),
  );
  await serveMetrics(metrics, settings.metrics).catch((error: Error) => {
    process.stderr.write(
      `Taktik cannot show its figures on port ${at} of ${on}: ${error.message}. Set TAKTIK_METRICS_PORT to a free one.\n`,
    );
    process.exit(1);
  });
  process.stdout.write(`Figures: http://${on}:${at}/metrics\n`);
  return metrics;
}

/** What is under way may take so long to end. */
const STOP_MS = 5000;

async function serve(here: Store): Promise<void> {
  await sealTrail(here);
  await seed(here);
  const computing = computingInThreads(settings.computingFile, { threads: settings.computingThreads });
  const mllp = await listenForOrders({ store: here, computing });
  sendOrders({ store: here, computing }, mllp);
  tellOthers(here);
  backUpNowAndThen();
  const absent = present(dataFolder);
  const metrics = await watch(here);
  const server = createApp({
    store: here,
    computing,
    webFolder: settings.web,
    logger,
    worklist: settings.worklist,
    requestsPerMinute: settings.requestsPerMinute,
    trustedProxies: settings.trustedProxies,
    timed: metrics?.timed ?? null,
  }).listen(port, host, (error?: Error) => {
    if (error) {
      process.stderr.write(`Taktik cannot listen on port ${port}: ${error.message}. Set PORT to a free one.\n`);
      process.exit(1);
    }
    process.stdout.write(`Taktik is ready: http://localhost:${port}\n`);
  });
  /** Lets requests in flight end, then closes the database. */
  const stop = (): void => {
    const end = () => {
      absent();
      process.exit(0);
    };
    const done = () => void Promise.allSettled([computing.close(), here.close()]).finally(end);
    setTimeout(() => server.closeAllConnections(), STOP_MS).unref();
    server.close(() => void Promise.resolve(mllp?.close()).finally(done));
    server.closeIdleConnections();
  };
  process.on('exit', absent);
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

// Last of all: what stands above is made by then.
const store = await openStore(databaseUrl, settings.migrations, {
  sends: sendsFor(settings.peers),
  secret: secretIn(settings.secretFile),
}).catch((error: unknown) => {
  if (!(error instanceof DamagedError)) throw error;
  const lines = damagedLines(error.message, databaseUrl, settings.backups);
  process.stderr.write(`${lines.join('\n')}\n`);
  serveDamaged(lines, port, host);
  return null;
});
if (store) await serve(store);
