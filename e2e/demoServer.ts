/** The built server on a port and a database of its own, which a test may stop and start again. */
import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import path from 'node:path';
import { discard, freshFolder } from './demoFolder';

/** Tests and bench run from the root of the project. */
const root = process.cwd();

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

export class DemoServer {
  private child: ChildProcess | undefined;
  private constructor(
    readonly port: number,
    readonly folder: string,
  ) {}

  /** @param folder where its data are; fresh demo data when none is named */
  static async start(folder = freshFolder()): Promise<DemoServer> {
    const server = new DemoServer(await freePort(), folder);
    await server.up();
    return server;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** @param fileLimitKb no file may grow beyond it: a disk that is full */
  async up({ fileLimitKb }: { fileLimitKb?: number } = {}): Promise<void> {
    const main = path.join(root, 'apps/server/dist/main.mjs');
    const [command, args] = fileLimitKb
      ? ['bash', ['-c', `ulimit -f ${fileLimitKb}; exec "$0" "$1"`, process.execPath, main]]
      : [process.execPath, [main]];
    this.child = spawn(command, args, {
      env: {
        ...process.env,
        PORT: String(this.port),
        TAKTIK_REQUESTS_PER_MINUTE: '1000000',
        TAKTIK_DATA: this.folder,
        TAKTIK_SEED: 'demo',
        TAKTIK_ORDER_SECONDS: '0',
        TAKTIK_MIGRATIONS: path.join(root, 'apps/server/dist/migrations'),
        TAKTIK_WEB: path.join(root, 'apps/web/dist'),
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await new Promise<void>((resolve, reject) => {
      this.child?.stdout?.on('data', (text: Buffer) => text.toString().includes('ready') && resolve());
      this.child?.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    });
  }

  async down(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGTERM');
    // A browser may hold its connection open; the server's own data is flushed at every commit.
    const force = setTimeout(() => child.kill('SIGKILL'), 1500);
    await gone;
    clearTimeout(force);
  }

  /** As a power cut does: nothing is flushed or said good-bye to. Settles when it is gone. */
  async kill(): Promise<void> {
    const { child } = this;
    if (!child) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await gone;
  }

  async remove(): Promise<void> {
    await this.down();
    discard(this.folder);
  }
}
