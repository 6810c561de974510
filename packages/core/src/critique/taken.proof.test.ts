/** A picture judged by how it was taken: over the catalogue right as computed, and each fault seen by its own criterion. */
import { projections } from '../projections/catalogue';
import { breathe } from '../radiograph/positioningError';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import { ribsAboveDome } from './diaphragm';
import { takenCriteria } from './taken';
import { usualSetup } from './correctFault';

const failing = (ideal: Setup, actual: Setup, motionMm?: number): string[] =>
  takenCriteria(ideal, actual, motionMm)
    .filter(({ passes }) => !passes)
    .map(({ id }) => id);
const remedyOf = (id: string, ideal: Setup, actual: Setup): string =>
  takenCriteria(ideal, actual).find((each) => each.id === id)?.remedy ?? '';

test('as it is computed nothing of it fails, whatever the view', () => {
  // A grid that loses much at its edge is told in the set-up too.
  const known = (setup: Setup) => setup.problems.some(({ code }) => code === 'grid-cut-off');
  const wrong = projections.flatMap(({ id }) => {
    const setup = usualSetup(id);
    return failing(setup, setup)
      .filter((each) => !(each.startsWith('grid') && known(setup)))
      .map((each) => `${id}: ${each}`);
  });
  expect(wrong).toEqual([]);
});

test('a wrong breath fails a criterion in every view that is taken full or empty and shows a dome', () => {
  const seen: string[] = [];
  for (const { id, breathing } of projections) {
    if (!/^(second in|in|slowly in|out|in and out)$/.test(breathing.phase)) continue;
    const ideal = usualSetup(id);
    if (ribsAboveDome(ideal) === null) continue;
    const full = ribsAboveDome(breathe(ideal, 'in'))! > ribsAboveDome(ideal)! + 0.1 ? 'in' : 'out';
    const wrongly = breathe(ideal, full);
    const besides = failing(ideal, ideal);
    expect([id, failing(ideal, wrongly).filter((each) => !besides.includes(each))]).toEqual([id, ['diaphragm']]);
    expect(remedyOf('diaphragm', ideal, wrongly)).toContain(ideal.breathing.words);
    seen.push(id);
  }
  expect(seen).toEqual(expect.arrayContaining(['chest-pa', 'chest-ap', 'ribs-ap-upper', 'abdomen-ap-upright']));
  expect(seen.length).toBeGreaterThanOrEqual(10);
});

test('full lungs of a man and of a woman reach the tenth posterior rib, empty ones the eighth or ninth', () => {
  for (const sex of ['male', 'female'] as const) {
    const chest = computeSetup({ projectionId: 'chest-pa', patient: { ageYears: 40, sex } });
    expect(ribsAboveDome(chest)).toBeGreaterThanOrEqual(9.9);
    expect(ribsAboveDome(chest)).toBeLessThan(11);
    expect(ribsAboveDome(breathe(chest, 'out'))).toBeLessThan(9);
  }
});

test('nobody counts ribs on a lateral, nor where no dome is in the field', () => {
  for (const projectionId of ['chest-lateral', 'pelvis-ap', 'skull-pa'])
    expect([projectionId, ribsAboveDome(computeSetup({ projectionId }))]).toEqual([projectionId, null]);
});

test('motion, too little and too much, a grid out of its range, and the wrong letter are each seen by themselves', () => {
  const request = { projectionId: 'abdomen-ap-supine', room: ROOM_ONE };
  const ideal = computeSetup(request);
  expect(failing(ideal, ideal, 0.4)).toEqual([]);
  expect(failing(ideal, ideal, 2)).toEqual(['motion']);

  const { mAs } = ideal.exposure;
  for (const [times, says] of [
    [0.5, 'noise'],
    [2.5, 'Never repeat for this alone'],
  ] as const) {
    const actual = computeSetup({ ...request, overrides: { mAs: mAs * times, aecCells: 'none' } });
    expect(failing(ideal, actual)).toEqual(['receptor-exposure']);
    const remedy = remedyOf('receptor-exposure', ideal, actual);
    expect(remedy).toContain(says);
    const right = Number(/: ([\d.]+) mAs instead/.exec(remedy)![1]);
    const again = computeSetup({ ...request, overrides: { mAs: right, aecCells: 'none' } });
    expect(failing(ideal, again)).toEqual([]);
  }

  const offLevel = computeSetup({ ...request, overrides: { gridLevelDeg: 6 } });
  expect(failing(ideal, offLevel)).toContain('grid-centre');
  expect(remedyOf('grid-centre', ideal, offLevel)).toBe(
    offLevel.problems.find(({ code }) => code === 'grid-cut-off')!.text,
  );

  const other = { ...ideal, marker: { ...ideal.marker, letters: ['L' as const] } };
  expect(failing(ideal, other)).toEqual(['marker']);
  expect(takenCriteria(ideal, other).find(({ id }) => id === 'marker')?.says).toBe('L, should be R');
});

test('the receptor exposure is judged by the bands of the department, and the remedy follows them', () => {
  const setup = computeSetup({ projectionId: 'chest-pa' });
  const off = {
    ...setup,
    exposure: { ...setup.exposure, expected: { index: setup.exposure.targetIndex * 1.4, deviation: 1.5 } },
  };
  const judged = (bands?: Parameters<typeof takenCriteria>[3]) =>
    takenCriteria(setup, off, 0, bands).find(({ id }) => id === 'receptor-exposure')!;
  expect(judged()).toMatchObject({ passes: false, tolerance: 1 });
  expect(judged({ target: 0.5, acceptable: 2, far: 4 })).toMatchObject({ passes: true, tolerance: 2 });
  expect(judged({ target: 0.2, acceptable: 0.4, far: 1 }).remedy).not.toBe(judged().remedy);
});
