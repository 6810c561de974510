/** A server on a free port with a database of its own, for tests. */
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { createApp } from '../app';
import { computingHere } from '../compute/computing';
import { openStore, type Store } from '../db/database';
import { DEMO_PEOPLE } from '../seed/scenario';
import { seedDemo } from '../seed/seedDemo';
import type { Intake } from '../services/intake';
import { signIn } from '../services/people';

export type TestServer = {
  url: string;
  store: Store;
  /** Where its orders are kept and read. */
  intake: Intake;
  /** As the demo's lead, unless it is called as somebody else, or as nobody. */
  call: (method: string, path: string, body?: unknown, as?: string | null, type?: string) => Promise<Answer>;
  tokenOf: (personId: string) => Promise<string>;
  setClock: (now: number) => void;
  stop: () => Promise<void>;
  folder: string;
};
export type Answer = { status: number; type: string; body: any };

export const CLOCK = 1_780_000_000_000;

export async function startTestServer(
  folder = mkdtempSync(path.join(tmpdir(), 'taktik-server-')),
  options: Parameters<typeof openStore>[2] = {},
): Promise<TestServer> {
  const store = await openStore(
    `file:${path.join(folder, 'test.db')}`,
    path.resolve(__dirname, '../db/migrations'),
    options,
  );
  await seedDemo(store, CLOCK);
  let now = CLOCK;
  const server = createApp({ store, clock: () => now, logger: pino({ level: 'silent' }) }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  let stopping: Promise<void> | null = null;
  const tokens = new Map<string, string>();
  const tokenOf = async (personId: string): Promise<string> => {
    const known = tokens.get(personId);
    if (known) return known;
    const { pin } = DEMO_PEOPLE.find(({ id }) => id === personId)!;
    const { token } = await signIn(store, { personId, pin }, now);
    tokens.set(personId, token);
    return token;
  };
  return {
    url,
    intake: { store, computing: computingHere },
    store,
    folder,
    tokenOf,
    setClock: (to) => (now = to),
    async call(method, route, body, as = 'demo-priya', type = 'application/json') {
      const raw = typeof body === 'string';
      const token = as === null ? null : await tokenOf(as);
      const response = await fetch(url + route, {
        method,
        headers: { 'content-type': type, ...(token ? { authorization: `Bearer ${token}` } : {}) },
        body: body === undefined ? undefined : raw ? body : JSON.stringify(body),
      });
      const answered = response.headers.get('content-type') ?? '';
      return {
        status: response.status,
        type: answered,
        body: answered.includes('json') ? await response.json() : await response.text(),
      };
    },
    // Stopped twice it is stopped.
    stop: () =>
      (stopping ??= new Promise<void>((resolve, reject) => {
        server.close(() => void store.close().then(resolve, reject));
        server.closeAllConnections();
      })),
  };
}

/** A port on which nobody listens yet. */
export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

export const discard = (folder: string): void => rmSync(folder, { recursive: true, force: true });
