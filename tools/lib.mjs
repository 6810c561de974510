/** Helpers of the entry points. Node built-ins only: they run before anything is installed. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
export const at = (...parts) => path.join(root, ...parts);

/** Expo must neither ask nor phone. */
export const expoEnv = { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' };

export const say = (text) => process.stdout.write(`\n▸ ${text}\n`);

/** Runs a command with its output on the screen; resolves to its exit code. */
export function run(command, args, { cwd = root, env = {} } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd, stdio: 'inherit', env: { ...process.env, ...env } });
    child.on('error', (error) => {
      process.stderr.write(`${command}: ${error.message}\n`);
      resolve(127);
    });
    child.on('close', (code) => resolve(code ?? 1));
  });
}

/** Runs and ends the whole process when it fails. */
export async function must(command, args, options) {
  const code = await run(command, args, options);
  if (code !== 0) {
    process.stderr.write(`\n${command} ${args.join(' ')} failed with code ${code}.\n`);
    process.exit(code);
  }
}

function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 19)) return;
  process.stderr.write(`Taktik needs Node 20.19 or newer; this is ${process.versions.node}.\n`);
  process.exit(1);
}

const stamp = at('node_modules', '.taktik-installed');
const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(at('package-lock.json')))
    .digest('hex');

/** Installs the packages when they are missing or the lock file changed. */
export async function ensureInstalled() {
  requireNode();
  const wanted = lockHash();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Installing packages; the first time this takes about two minutes');
  await must('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error', '--progress=true']);
  mkdirSync(path.dirname(stamp), { recursive: true });
  writeFileSync(stamp, wanted);
}

export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** Chromium from Debian's packages, when it is missing and this user may install; otherwise says what to do. */
export async function ensureChromium() {
  if (existsSync(CHROMIUM)) return true;
  const mayInstall = process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
  if (!mayInstall) {
    process.stderr.write(
      `\nThe browser tests need Chromium at ${CHROMIUM}. Install it with\n  sudo apt-get update && sudo apt-get install -y chromium\nor name another one in the variable CHROMIUM.\n`,
    );
    return false;
  }
  say('Installing Chromium from Debian’s packages');
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  if ((await run('apt-get', ['update', '-qq'], { env })) !== 0) return false;
  return (await run('apt-get', ['install', '-y', '-qq', 'chromium'], { env })) === 0 && existsSync(CHROMIUM);
}

/** Peers from Debian’s packages that tests speak to where they are there; without them those tests are left out, and it is said. */
export async function ensurePeers() {
  const missing = [
    ['dcmtk', 'wlmscpfs'],
    ['dicom3tools', 'dciodvfy'],
  ].filter(([, binary]) => spawnSync('which', [binary]).status !== 0);
  if (missing.length === 0) return;
  const packages = missing.map(([name]) => name);
  if (process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0) {
    say(`Installing what tests hold DICOM against from Debian’s packages: ${packages.join(', ')}`);
    const env = { DEBIAN_FRONTEND: 'noninteractive' };
    if ((await run('apt-get', ['update', '-qq'], { env })) === 0)
      if ((await run('apt-get', ['install', '-y', '-qq', ...packages], { env })) === 0) return;
  }
  say(`Without ${packages.join(' and ')} the tests against them are left out`);
}

/** Newest change under the given files and folders, as one hash of names, sizes and times. */
export function fingerprint(paths) {
  const hash = createHash('sha256');
  const visit = (file) => {
    if (!existsSync(file)) return;
    const info = statSync(file);
    if (info.isDirectory()) {
      for (const name of readdirSync(file).sort())
        if (!/^(node_modules|dist|jest|\.expo|\.data)$|\.test\.tsx?$/.test(name)) visit(path.join(file, name));
    } else
      hash.update(`${path.relative(root, file)}:${createHash('sha256').update(readFileSync(file)).digest('hex')}\n`);
  };
  paths.forEach((each) => visit(at(each)));
  return hash.digest('hex');
}
