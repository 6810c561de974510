/** Terms of DICOM for every entry, and a file of each before a checker that is not ours. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { projections } from '../projections/catalogue';
import { seeded } from '../radiograph/noise';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import { toDicom } from './dicom';
import { lateralityOf, orientationOf, shownOf, viewPositionOf, viewTermOf } from './dicomTerms';

const ALL: { id: string; setup: Setup }[] = projections.map(({ id, sided }) => ({
  id,
  setup: computeSetup({ projectionId: id, side: sided === 'each' ? 'left' : undefined }),
}));
const of = (id: string, side?: 'left' | 'right') => computeSetup({ projectionId: id, side });

test('every entry has a region, a laterality that fits it, and an orientation of two directions', () => {
  for (const { id, setup } of ALL) {
    expect([id, shownOf(setup)?.term.CodeMeaning]).toEqual([id, expect.any(String)]);
    const [rows, columns] = orientationOf(setup, false);
    expect([id, rows, columns]).toEqual([
      id,
      expect.stringMatching(/^[LRAPHF]{1,3}$/),
      expect.stringMatching(/^[LRAPHF]{1,3}$/),
    ]);
    // They run across each other.
    expect([id, rows[0]]).not.toEqual([id, columns[0]]);
    if (shownOf(setup)?.paired === false) expect([id, lateralityOf(setup)]).toEqual([id, 'U']);
  }
});

test.each([
  ['chest-pa', undefined, 'PA', 'postero-anterior', 'U'],
  ['chest-lateral', undefined, 'LL', 'left lateral', 'U'],
  ['chest-lateral', 'right', 'RL', 'right lateral', 'U'],
  ['knee-lateral', 'left', '', 'medio-lateral', 'L'],
  ['knee-ap', 'right', 'AP', 'antero-posterior', 'R'],
  ['abdomen-decubitus-left-lateral', undefined, 'LLD', 'antero-posterior', 'U'],
  ['chest-decubitus-ap', 'right', 'RLD', undefined, 'U'],
] as const)('%s %s', (id, side, position, view, laterality) => {
  const setup = of(id, side);
  expect([viewPositionOf(setup), lateralityOf(setup)]).toEqual([position, laterality]);
  if (view) expect(viewTermOf(setup)?.CodeMeaning).toBe(view);
});

test('rows of a hung chest run to the patient’s left, columns to the feet', () => {
  expect(orientationOf(of('chest-pa'), true)).toEqual(['L', 'F']);
  expect(orientationOf(of('abdomen-ap-supine'), false)).toEqual(['L', 'F']);
  expect(orientationOf(of('chest-lateral'), false)).toEqual(['A', 'F']);
});

const hasChecker = spawnSync('which', ['dciodvfy']).status === 0;
(hasChecker ? test : test.skip)('a checker that is not ours finds no error in a file of any entry', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'taktik-dicom-'));
  const SIDE = 16;
  const where = new Uint8Array(SIDE * SIDE);
  for (let y = 3; y < 12; y += 1) where.fill(2, y * SIDE + 2, y * SIDE + 14);
  const shown = {
    ...{ signal: new Float32Array(SIDE * SIDE).fill(500), where, columns: SIDE, rows: SIDE, pixelMm: 0.2 },
    ...{ mirrored: false, window: { level: 2, width: 2 }, index: 300, deviation: 0.2 },
  };
  const random = seeded(1);
  const files = ALL.map(({ id, setup }) => {
    const file = path.join(folder, `${id}.dcm`);
    writeFileSync(file, toDicom(shown, setup, { at: new Date(Date.UTC(2026, 2, 4)), random }));
    return { id, file };
  });
  for (const { id, file } of files) {
    const { stdout, stderr } = spawnSync('dciodvfy', [file], { encoding: 'utf8' });
    const said = `${stdout}${stderr}`.split('\n');
    expect([id, said.filter((line) => line.startsWith('Error'))]).toEqual([id, []]);
    // It was read as what it is.
    expect([id, said.some((line) => line.includes('DXImageForPresentation'))]).toEqual([id, true]);
  }
  rmSync(folder, { recursive: true });
});
