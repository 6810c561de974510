/** Faults that every picture can have, over the whole catalogue: with this set-up's own numbers, and nothing left empty. */
import { projections } from '../projections/catalogue';
import { computeSetup } from '../setup/computeSetup';
import { usualSetup } from './correctFault';
import { exposureFaults } from './exposureFaults';

test('each view has its own, in whole words', () => {
  let grids = 0;
  for (const { id, faults } of projections) {
    const setup = usualSetup(id);
    const found = exposureFaults(setup, 'in');
    const ids = found.map((each) => each.id);
    expect([id, ids.filter((each) => each !== 'grid' && each !== 'double')]).toEqual([
      id,
      ['under', 'over', 'clipped', 'motion', 'artefact'],
    ]);
    expect([id, ids.includes('grid')]).toEqual([id, setup.receptor.grid !== null]);
    expect([id, ids.includes('double')]).toEqual([id, !setup.receptor.size.fixed]);
    const texts = found.flatMap(({ sign, cause, correction }) => [sign, cause, correction]);
    expect(texts.filter((text) => /NaN|undefined|Infinity|null|^\s*$/.test(text))).toEqual([]);
    const signs = [...found, ...faults].map(({ sign }) => sign);
    expect([id, new Set(signs).size]).toEqual([id, signs.length]);
    for (const name of setup.field.mustShow) expect(found.find((each) => each.id === 'clipped')!.sign).toContain(name);
    if (setup.receptor.grid) grids += 1;
  }
  expect(grids).toBeGreaterThan(100);
});

test('the mAs that it tells puts the index right, both ways', () => {
  const request = { projectionId: 'pelvis-ap' } as const;
  const right = computeSetup(request);
  for (const [id, times] of [
    ['under', 0.5],
    ['over', 2],
  ] as const) {
    const wrong = computeSetup({ ...request, overrides: { mAs: right.exposure.mAs * times, aecCells: 'none' } });
    const { correction } = exposureFaults(wrong, 'in').find((each) => each.id === id)!;
    const putRight = Number(/([\d.]+) instead of/.exec(correction)![1]);
    const again = computeSetup({ ...request, overrides: { mAs: putRight, aecCells: 'none' } });
    expect(Math.abs(again.exposure.expected!.deviation)).toBeLessThan(0.6);
  }
});
