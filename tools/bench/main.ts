/** Measures; asserts nothing. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { DemoServer } from '../../e2e/demoServer';
import { benchCore } from './core';
import { counters, figures, ROUNDS, stolenSince } from './figures';
import { benchDrag, benchPictures } from './pictures';
import { benchScreen, benchSize } from './screen';
import { benchServer } from './server';

/** `--pictures`: only those, for when they are worked on. */
const ONLY_PICTURES = process.argv.includes('--pictures');

async function main(): Promise<void> {
  const began = counters();
  if (!ONLY_PICTURES) benchCore();
  await benchPictures();
  if (!ONLY_PICTURES) benchSize();
  const server = await DemoServer.start();
  try {
    await benchDrag(server);
    if (!ONLY_PICTURES) {
      await benchScreen(server);
      await benchServer(server);
    }
  } finally {
    await server.remove();
  }
  const stolen = stolenSince(began);
  const width = Math.max(...figures.map(({ name }) => name.length));
  for (const { name, value, unit, aim, met, note } of figures) {
    process.stdout.write(
      `${name.padEnd(width)}  ${String(value).padStart(8)} ${unit.padEnd(3)} ${aim.padStart(6)}  ${met ? 'met' : 'NOT MET'}${note ? `  (${note})` : ''}\n`,
    );
  }
  process.stdout.write(
    `Best of ${ROUNDS} rounds for core and server.${stolen === null ? '' : ` ${stolen} % of the processor time went to others on this host.`}\n`,
  );
  mkdirSync('bench-results', { recursive: true });
  writeFileSync(
    'bench-results/bench.json',
    `${JSON.stringify({ node: process.version, stolenPercent: stolen, figures }, null, 2)}\n`,
  );
}

void main();
