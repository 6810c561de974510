/** `npm run demo`: installs, builds, makes the demo database and serves it all at one address. */
import { spawn } from 'node:child_process';
import { at, ensureInstalled, say } from './lib.mjs';

await ensureInstalled();
const { buildAll, serverArgs, serverEnv } = await import('./build.mjs');
await buildAll();
say('Starting. The record is kept in .data; delete that folder to begin anew. Ctrl-C stops.');
const server = spawn(process.execPath, serverArgs, {
  stdio: 'inherit',
  env: { ...process.env, ...serverEnv, TAKTIK_SEED: 'demo', TAKTIK_DATA: process.env.TAKTIK_DATA ?? at('.data') },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('close', (code) => process.exit(code ?? 0));
