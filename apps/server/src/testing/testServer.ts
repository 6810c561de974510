/** A server on a free port with a database of its own, for tests. */
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { createApp } from '../app';
import { openStore, type Store } from '../db/database';
import { seedDemo } from '../seed/seedDemo';

export type TestServer = {
  url: string;
  store: Store;
  call: (method: string, path: string, body?: unknown) => Promise<Answer>;
  stop: () => Promise<void>;
  folder: string;
};
export type Answer = { status: number; type: string; body: any };

export const CLOCK = 1_780_000_000_000;

export async function startTestServer(
  folder = mkdtempSync(path.join(tmpdir(), 'taktik-server-')),
): Promise<TestServer> {
  const store = await openStore(`file:${path.join(folder, 'test.db')}`, path.resolve(__dirname, '../db/migrations'));
  await seedDemo(store, CLOCK);
  const server = createApp({ store, clock: () => CLOCK, logger: pino({ level: 'silent' }) }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    url,
    store,
    folder,
    async call(method, route, body) {
      const raw = typeof body === 'string';
      const response = await fetch(url + route, {
        method,
        headers: { 'content-type': 'application/json' },
        body: body === undefined ? undefined : raw ? body : JSON.stringify(body),
      });
      const type = response.headers.get('content-type') ?? '';
      return {
        status: response.status,
        type,
        body: type.includes('json') ? await response.json() : await response.text(),
      };
    },
    stop: () =>
      new Promise((resolve) => {
        server.close(() => {
          store.close();
          resolve();
        });
        server.closeAllConnections();
      }),
  };
}

export const discard = (folder: string): void => rmSync(folder, { recursive: true, force: true });
