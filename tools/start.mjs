/** `npm start`: the server for production; with a command behind it (backup, backups, restore, lead, verify) that instead. */
import { spawn } from 'node:child_process';
import { at, ensureInstalled } from './lib.mjs';

const asked = process.argv.slice(2);
await ensureInstalled();
const { buildAll, buildServerAlone, serverArgs, serverEnv } = await import('./build.mjs');
await (asked.length > 0 ? buildServerAlone() : buildAll());
const server = spawn(process.execPath, [...serverArgs, ...asked], {
  stdio: 'inherit',
  env: { ...serverEnv, TAKTIK_DATA: at('.data'), ...process.env },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('close', (code) => process.exit(code ?? 0));
