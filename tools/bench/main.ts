/** Measures, and fails where something has become slower than in the run before on this machine. */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { emptyFolder } from '../../e2e/demoFolder';
import { DemoServer } from '../../e2e/demoServer';
import { ratiosTo, slower, thisMachine, type Kept } from './compare';
import { benchCore } from './core';
import { counters, figures, measuring, ROUNDS, stolenSince } from './figures';
import { benchDrag, benchPictures } from './pictures';
import { benchScreen, benchSize } from './screen';
import { benchServer } from './server';

/** `--core`, `--pictures`, `--screen`, `--server`: only those, for when they are worked on. */
const PARTS = ['core', 'pictures', 'screen', 'server'] as const;
type Part = (typeof PARTS)[number];
const ONLY = PARTS.filter((part) => process.argv.includes(`--${part}`));
const measured = (part: Part): boolean => ONLY.length === 0 || ONLY.includes(part);
/** `--accept`: what is slower is so on purpose, and what the next run is held against. */
const ACCEPT = process.argv.includes('--accept');
const LAST = 'bench-results/bench.json';

const readLast = (): Kept | null => {
  try {
    return JSON.parse(readFileSync(LAST, 'utf8')) as Kept;
  } catch {
    return null;
  }
};

async function main(): Promise<void> {
  const began = counters();
  measuring('core');
  if (measured('core')) benchCore();
  if (measured('pictures')) await benchPictures();
  measuring('screen');
  if (measured('screen')) benchSize();
  const server = await DemoServer.start(emptyFolder());
  try {
    if (measured('pictures')) await benchDrag(server);
    if (measured('screen')) await benchScreen(server);
    measuring('server');
    if (measured('server')) await benchServer(server);
  } finally {
    await server.remove();
  }
  const stolen = stolenSince(began);
  const machine = thisMachine();
  const ratios = ratiosTo(readLast(), machine, figures);
  const width = Math.max(...figures.map(({ name }) => name.length));
  for (const { of, name, value, unit, aim, met, note } of figures) {
    const ratio = ratios.get(name);
    process.stdout.write(
      `${of.padEnd(6)}  ${name.padEnd(width)}  ${String(value).padStart(8)} ${unit.padEnd(3)} ${(ratio ? `×${ratio.toFixed(2)}` : '').padStart(6)} ${aim.padStart(6)}  ${met ? 'met' : 'NOT MET'}${note ? `  (${note})` : ''}\n`,
    );
  }
  process.stdout.write(
    `Best of ${ROUNDS} rounds for core and server; × is against the run before on this machine.${stolen === null ? '' : ` ${stolen} % of the processor time went to others on this host.`}\n`,
  );
  const grown = slower(ratios);
  if (grown.length > 0 && !ACCEPT) {
    process.stdout.write(`\nSlower by more than a fifth: ${grown.join('; ')}. On purpose: npm run bench -- --accept\n`);
    process.exitCode = 1;
    return;
  }
  // A part alone is not what the next whole run is held against.
  if (ONLY.length > 0) return;
  mkdirSync('bench-results', { recursive: true });
  writeFileSync(LAST, `${JSON.stringify({ machine, stolenPercent: stolen, figures }, null, 2)}\n`);
}

void main();
