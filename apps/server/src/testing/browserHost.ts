/**
 * One address for a whole run of browser tests, with another department behind it for each: the browser keeps the app it
 * has read and compiled, and no test waits for a server to start.
 */
import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { pino } from 'pino';
import { createApp } from '../app';
import { openStore, type Store } from '../db/database';
import { secretIn } from '../operate/secret';

export type BrowserHost = {
  url: string;
  /** Serves the database of this folder from now on; that of the test before is closed. */
  serve: (folder: string) => Promise<void>;
  close: () => Promise<void>;
};

/**
 * @param webFolder the built app
 * @param migrations folder of the generated migrations
 */
export async function openBrowserHost(webFolder: string, migrations: string): Promise<BrowserHost> {
  let app: RequestListener = (_request, response) => response.writeHead(503).end();
  let store: Store | null = null;
  const server = createServer((request, response) => app(request, response));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    async serve(folder) {
      const former = store;
      // The PINs of the demo were hashed with the secret of the server that made it.
      const secret = secretIn(path.join(folder, 'secret.key'));
      store = await openStore(`file:${path.join(folder, 'taktik.db')}`, migrations, { secret });
      app = createApp({ store, webFolder, logger: pino({ level: 'silent' }), requestsPerMinute: 1_000_000 });
      await former?.close();
    },
    async close() {
      server.close();
      server.closeAllConnections();
      await store?.close();
    },
  };
}
