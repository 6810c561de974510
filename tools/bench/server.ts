/** The server under the questions of many. */
import { connect } from 'node:net';
import type { DemoServer } from '../../e2e/demoServer';
import { DEMO } from '../../e2e/signIn';
import { put, quantile, ROUNDS } from './figures';

/**
 * Fifty keep-alive connections, each asking again as soon as it is answered. A bare socket client: the usual load
 * tools take more of the two cores than the server that they measure.
 */
function load(
  port: number,
  bodies: readonly string[],
  amount: number,
  route = 'setups',
): Promise<{ times: number[]; seconds: number; refused: number }> {
  const times: number[] = [];
  let asked = 0;
  let refused = 0;
  const start = performance.now();
  const client = () =>
    new Promise<void>((resolve, reject) => {
      const socket = connect(port, '127.0.0.1');
      socket.setNoDelay(true);
      let sentAt = 0;
      let text = '';
      const ask = () => {
        if (asked >= amount) {
          socket.end();
          resolve();
          return;
        }
        const body = bodies[asked % bodies.length];
        asked += 1;
        text = '';
        sentAt = performance.now();
        socket.write(
          `POST /api/${route} HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: ${Buffer.byteLength(body)}\r\n\r\n${body}`,
        );
      };
      socket.setEncoding('latin1');
      socket.on('connect', ask);
      socket.on('error', reject);
      socket.on('data', (chunk: string) => {
        text += chunk;
        const head = text.indexOf('\r\n\r\n');
        if (head < 0) return;
        const length = /content-length: (\d+)/i.exec(text);
        const complete = length ? text.length >= head + 4 + Number(length[1]) : text.endsWith('0\r\n\r\n');
        if (!complete) return;
        times.push(performance.now() - sentAt);
        if (!text.startsWith('HTTP/1.1 200')) refused += 1;
        ask();
      });
    });
  return Promise.all(Array.from({ length: 50 }, client)).then(() => ({
    times,
    seconds: (performance.now() - start) / 1000,
    refused,
  }));
}

/** Fifty people at work: each asks about a patient of their own; and the worst case, where nothing was asked before. */
export async function benchServer(server: DemoServer): Promise<void> {
  const bodyFor = (i: number) =>
    JSON.stringify({
      projectionId: 'sacrum-ap-axial',
      patient: { ageYears: 20 + (i % 700) / 10, statureMm: 1600 + (i % 300), massKg: 60 + (i % 37) },
    });
  const bodies = (from: number, count: number) => Array.from({ length: count }, (_, i) => bodyFor(from + i));
  await load(server.port, bodies(5000, 50), 5000);
  const best = async (name: string, bodiesOf: (round: number) => string[], amount: number) => {
    const rounds = [];
    for (let round = 0; round < ROUNDS; round += 1) rounds.push(await load(server.port, bodiesOf(round), amount));
    const least = rounds.reduce((a, b) => (quantile(a.times, 0.5) <= quantile(b.times, 0.5) ? a : b));
    put(
      name,
      quantile(least.times, 0.5),
      'ms',
      15,
      `${Math.round(least.times.length / least.seconds)} requests/s, ${rounds.reduce((sum, { refused }) => sum + refused, 0)} refused`,
    );
  };
  await best('server answers a set-up, 50 clients with 50 questions, median', () => bodies(0, 50), 800);
  await besideOthers(server.port);
  await besideOrders(server.url);
  await best('the same when no question was asked before, median', (round) => bodies(100 + round * 400, 400), 400);
}

/** How long the shortest answer takes, again and again while it goes on. */
async function probes(url: string, going: (asked: number) => boolean): Promise<number[]> {
  const times: number[] = [];
  while (going(times.length)) {
    const start = performance.now();
    await (await fetch(`${url}/api/people`)).text();
    times.push(performance.now() - start);
  }
  return times;
}

const ORDERS = 500;
const EXAMS = ['Ankle 3 views left', 'Chest PA and lateral', 'Right shoulder Y view', 'Lumbar spine complete'];
/** A night's orders in one table, and how long the shortest answer takes beside it. */
async function besideOrders(url: string): Promise<void> {
  const session = await fetch(`${url}/api/sessions`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(DEMO.lead),
  });
  const cookie = session.headers
    .getSetCookie()
    .map((each) => each.split(';')[0]!)
    .join('; ');
  const row = (i: number) => `BENCH-${i},AB,40,${EXAMS[i % EXAMS.length]},fall,A1`;
  const body = [
    'reference,initials,age_years,exam,reason,ward',
    ...Array.from({ length: ORDERS }, (_, i) => row(i)),
  ].join('\n');
  let over = false;
  const start = performance.now();
  const taken = fetch(`${url}/api/orders/import`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv', cookie },
    body,
  }).then(async (answer) => {
    over = true;
    return { count: ((await answer.json()) as { taken?: number }).taken, ms: performance.now() - start };
  });
  const beside = await probes(url, () => !over);
  const { count, ms } = await taken;
  if (count !== ORDERS) throw new Error(`${count} of ${ORDERS} orders were taken in`);
  put(`${ORDERS} orders read, planned and kept`, ms, 'ms', 1000);
  put('a list of the server beside them, slowest', Math.max(...beside), 'ms', 100, `${beside.length} lists`);
}

const PROBES = 300;
/** How long the shortest answer takes while fifty ask for other ways, each for a patient of their own. */
async function besideOthers(port: number): Promise<void> {
  const bodies = Array.from({ length: 1500 }, (_, i) =>
    JSON.stringify({ projectionId: 'knee-lateral', side: 'left', patient: { ageYears: 20 + i / 30 } }),
  );
  const others = load(port, bodies, bodies.length, 'ways');
  const times = await probes(`http://127.0.0.1:${port}`, (asked) => asked < PROBES);
  const { refused } = await others;
  put(
    'a list of the server beside 50 who ask for other ways, 99 of 100',
    quantile(times, 0.99),
    'ms',
    100,
    `${refused} refused`,
  );
}
