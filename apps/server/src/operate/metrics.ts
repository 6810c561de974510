/**
 * Figures for whoever watches the server, in the text form that collectors read: how long answers take, what waits, whether
 * the process is well. They stand on a port of their own, which is off unless it is asked for, and say nothing of a patient.
 */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { count, eq, isNull } from 'drizzle-orm';
import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { damageOf, type Store } from '../db/database';
import { orders, outgoing } from '../db/schema';

export type Metrics = {
  /** Times every answer; stands before all routes. */
  timed: RequestHandler;
  /** All figures as they are now. */
  text: () => Promise<string>;
  type: string;
};

/** Seconds; the aims of the server lie among them. */
const BUCKETS = [0.005, 0.015, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 5, 20];
const MOST_STEPS = 3;
/** Names of what is asked for without what is asked: an id is of a record. @example routeOf('/api/orders/a1b2') // '/api/orders' */
export function routeOf(path: string, known: ReadonlySet<string>): string {
  if (!path.startsWith('/api/')) return 'page';
  const steps = path.split('/').slice(2, 2 + MOST_STEPS);
  const named = steps.filter((step) => known.has(step));
  return named.length === 0 ? '/api/other' : `/api/${named.join('/')}`;
}

/** @param paths of the routes, by which names are told from ids */
export function metricsOf(store: Store, paths: readonly string[]): Metrics {
  const registry = new Registry();
  const registers = [registry];
  collectDefaultMetrics({ register: registry, prefix: 'taktik_' });
  const known = new Set(paths.flatMap((path) => path.split('/')).filter((step) => /^[a-z.-]+$/.test(step)));
  const answers = new Histogram({
    name: 'taktik_answer_seconds',
    help: 'Seconds from a question to the end of its answer',
    labelNames: ['method', 'route', 'status'],
    buckets: BUCKETS,
    registers,
  });
  const counted = (name: string, help: string, figure: () => Promise<number>): void =>
    void new Gauge({
      ...{ name, help, registers },
      async collect() {
        this.set(await figure());
      },
    });
  counted('taktik_orders_waiting', 'Orders that nobody has begun', async () => {
    const [row] = await store.db.select({ found: count() }).from(orders).where(eq(orders.state, 'waiting'));
    return row!.found;
  });
  counted('taktik_outgoing_waiting', 'What other systems have not taken yet', async () => {
    const [row] = await store.db.select({ found: count() }).from(outgoing).where(isNull(outgoing.sentAt));
    return row!.found;
  });
  counted('taktik_database_whole', '1 while the database can be read', async () =>
    (await damageOf(store)) === null ? 1 : 0,
  );
  return {
    timed: (request, response, next) => {
      const done = answers.startTimer({ method: request.method });
      const route = routeOf(request.path, known);
      response.once('close', () => done({ route, status: String(response.statusCode) }));
      next();
    },
    text: () => registry.metrics(),
    type: registry.contentType,
  };
}

/** @returns the server, and its port */
export async function serveMetrics(
  metrics: Pick<Metrics, 'text' | 'type'>,
  { port, host }: { port: number; host: string },
): Promise<{ server: Server; port: number }> {
  const server = createServer((request, response) => {
    if (request.method !== 'GET' || request.url !== '/metrics') {
      response.writeHead(404, { 'Content-Type': 'text/plain' }).end('Not found: /metrics is here\n');
      return;
    }
    metrics.text().then(
      (text) => response.writeHead(200, { 'Content-Type': metrics.type }).end(text),
      () => response.writeHead(503, { 'Content-Type': 'text/plain' }).end('The figures cannot be read\n'),
    );
  });
  await new Promise<void>((resolve, reject) => server.once('error', reject).listen(port, host, resolve));
  return { server, port: (server.address() as AddressInfo).port };
}
