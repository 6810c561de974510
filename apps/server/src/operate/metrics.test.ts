/** Figures of the server: every answer is timed under a name that is of no record. */
import type { AddressInfo } from 'node:net';
import { questions, routes } from '../api/routes';
import { createApp } from '../app';
import { addOrder } from '../services/orders';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';
import { metricsOf, routeOf, serveMetrics } from './metrics';

let server: TestServer;
beforeAll(async () => void (server = await startTestServer()));
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});
const PATHS = [...routes, ...questions].map(({ path }) => path);
/** Figures by name and labels. */
const read = (text: string): Map<string, number> =>
  new Map(
    text
      .split('\n')
      .filter((line) => line !== '' && !line.startsWith('#'))
      .map((line) => [line.slice(0, line.lastIndexOf(' ')), Number(line.slice(line.lastIndexOf(' ') + 1))]),
  );

test('answers are timed by route and status, what waits is counted', async () => {
  const metrics = metricsOf(server.store, PATHS);
  const app = createApp({ store: server.store, timed: metrics.timed }).listen(0, '127.0.0.1');
  await new Promise((resolve) => app.once('listening', resolve));
  const { server: figures, port } = await serveMetrics(metrics, { port: 0, host: '127.0.0.1' });
  const base = `http://127.0.0.1:${(app.address() as AddressInfo).port}`;
  const figuresNow = async () => read(await (await fetch(`http://127.0.0.1:${port}/metrics`)).text());

  const before = (await figuresNow()).get('taktik_orders_waiting')!;
  await addOrder(
    server.store,
    {
      initials: 'QQ',
      patient: {},
      roomId: 'room-1',
      exam: 'Knee',
      side: 'left',
      reason: 'pain',
      urgency: 'routine',
      ward: 'ED',
      projections: [],
      situation: {},
      reference: null,
      system: '',
      requester: '',
      note: '',
    } as never,
    'a test',
    CLOCK,
    'secret-order-id',
  );
  for (const path of ['/api/health', '/api/health', '/api/orders/secret-order-id', '/api/nothing-like-it', '/'])
    await (await fetch(base + path)).text();
  const now = await figuresNow();
  expect(now.get('taktik_orders_waiting')).toBe(before + 1);
  expect(now.get('taktik_database_whole')).toBe(1);
  expect(now.get('taktik_outgoing_waiting')).toBe(0);
  expect(now.get('taktik_answer_seconds_count{method="GET",route="/api/health",status="200"}')).toBe(2);
  const names = [...now.keys()].join('\n');
  expect(names).toMatch(/route="\/api\/orders",status="401"/);
  expect(names).toMatch(/route="\/api\/other",status="404"/);
  expect(names).not.toMatch(/secret-order-id|nothing-like-it/);
  expect(names).toMatch(/taktik_nodejs_eventloop_lag_seconds/);
  expect((await fetch(`http://127.0.0.1:${port}/`)).status).toBe(404);
  for (const each of [app, figures]) await new Promise((resolve) => each.close(resolve));
});
test('no route has a name of its own for each record', () => {
  const known = new Set(PATHS.flatMap((path) => path.split('/')).filter((step) => /^[a-z.-]+$/.test(step)));
  expect(PATHS.length).toBeGreaterThan(40);
  for (const path of PATHS) {
    const asked = `/api${path.replace(/:\w+/g, 'A1_b2-C3')}`;
    expect(routeOf(asked, known)).not.toContain('A1_b2-C3');
  }
});
