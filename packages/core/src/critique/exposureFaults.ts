/** Faults of exposure, field, grid, motion and artefact of this very set-up, with its numbers: besides those of the entry. */
import { bandOf, defaultBands, type BandEdges } from '../exposure/actionBands';
import { techniqueForIndex } from '../exposure/deviation';
import type { LengthUnit } from '../quantity/length';
import type { Setup } from '../setup/setup';
import { exposureFaultWords as words, type ExposureFaultWords } from '../words/exposureFaultWords';

export type ExposureFault = ExposureFaultWords & {
  id: 'under' | 'over' | 'clipped' | 'grid' | 'motion' | 'artefact' | 'double';
};

/**
 * @returns a fault each, in the order in which a picture is looked at; without a grid none of it, without the sum known no mAs
 * @example exposureFaults(computeSetup({ projectionId: 'chest-pa' }), 'in').map(({ id }) => id)
 */
export function exposureFaults(setup: Setup, unit: LengthUnit, bands: BandEdges = defaultBands): ExposureFault[] {
  const { exposure, field, image, receptor, remove } = setup;
  const by = exposure.aec === 'none' ? 'hand' : 'aec';
  /** At the deviation from which a picture is far off: the mAs that puts it right, and what follows from the band beyond. */
  const dose = (sense: 1 | -1) => {
    const deviation = sense * bands.far;
    const { mAs, targetIndex } = exposure;
    const rightMas = techniqueForIndex(mAs, targetIndex * 10 ** (deviation / 10), targetIndex);
    return { by, mAs, rightMas, deviation, action: bandOf(deviation + sense, bands).action } as const;
  };
  const { width: widthMm, height: heightMm } = field.atReceptorMm;
  const grid = image.grid && {
    ...image.grid.tolerance,
    nearMm: image.grid.tolerance.distanceMm[0],
    farMm: image.grid.tolerance.distanceMm[1],
  };
  return [
    ...(exposure.masKnown
      ? [
          { id: 'under' as const, ...words.under(dose(-1)) },
          { id: 'over' as const, ...words.over(dose(1)) },
        ]
      : []),
    { id: 'clipped', ...words.clipped({ shown: field.mustShow, widthMm, heightMm }, unit) },
    ...(grid ? [{ id: 'grid' as const, ...words.grid(grid, unit) }] : []),
    { id: 'motion', ...words.motion(exposure) },
    { id: 'artefact', ...words.artefact({ remove }) },
    ...(receptor.size.fixed ? [] : [{ id: 'double' as const, ...words.double() }]),
  ];
}
