/** Starts the server. Settings come from the environment; the defaults suit one machine. */
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { loggable } from './api/problem';
import { createApp } from './app';
import { DamagedError, openStore } from './db/database';
import { firstStart } from './seed/firstStart';
import { seedDemo } from './seed/seedDemo';
import { seedHistory } from './seed/seedHistory';
import { seedPractice } from './seed/seedPractice';
import { takeFhir } from './services/intake';
import { listOrders } from './services/orders';
import { orderBundle } from './standins/orderSystem';

const here = path.dirname(fileURLToPath(import.meta.url));
const dataFolder = path.resolve(process.env.TAKTIK_DATA ?? path.join(here, '../../../.data'));
const port = Number(process.env.PORT ?? 4173);
const host = process.env.HOST ?? '127.0.0.1';
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

mkdirSync(dataFolder, { recursive: true });
const url = process.env.TAKTIK_DATABASE_URL ?? `file:${path.join(dataFolder, 'taktik.db')}`;
const store = await openStore(url, process.env.TAKTIK_MIGRATIONS ?? path.join(here, 'db/migrations')).catch(
  (error: unknown) => {
    if (!(error instanceof DamagedError)) throw error;
    process.stderr.write(
      `The database ${url} is damaged: ${error.message}\nNothing was changed in it. Put a backup in its place and start again.\n`,
    );
    process.exit(1);
  },
);
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

/** Seconds between two orders of the stand-in for the order system; 0 sends none. */
const orderSeconds = Number(process.env.TAKTIK_ORDER_SECONDS ?? (demo ? 180 : 0));
/** It stops sending while this many wait. */
const MOST_WAITING = 40;
let ordersSent = 0;
async function sendOrder(): Promise<void> {
  if ((await listOrders(store, 'waiting')).length >= MOST_WAITING) return;
  // Numbers that were sent before a restart are known and taken once only: go on to the next.
  for (let tries = 0; tries < 200; tries += 1) {
    const { taken } = await takeFhir(store, orderBundle(ordersSent, Date.now()), 'order system', Date.now());
    ordersSent += 1;
    if (taken > 0) return;
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
  server.close(() => void store.close().finally(() => process.exit(0)));
  server.closeIdleConnections();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
