/** Faults of exposure, field, grid, motion and artefact of this very set-up, with its numbers: besides those of the entry. */
import type { LengthUnit } from '../quantity/length';
import type { Setup } from '../setup/setup';
import { exposureFaultWords as words, type ExposureFaultWords } from '../words/exposureFaultWords';

export type ExposureFault = ExposureFaultWords & {
  id: 'under' | 'over' | 'clipped' | 'grid' | 'motion' | 'artefact' | 'double';
};

/** The deviation at which departments look at a picture twice; the receptor has got half or twice what it should [typical]. */
const WORTH_A_LOOK = 3;

/**
 * @returns a fault each, in the order in which a picture is looked at; without a grid none of it, without the sum known no mAs
 * @example exposureFaults(computeSetup({ projectionId: 'chest-pa' }), 'in').map(({ id }) => id)
 */
export function exposureFaults(setup: Setup, unit: LengthUnit): ExposureFault[] {
  const { exposure, field, image, receptor, remove } = setup;
  const by = exposure.aec === 'none' ? 'hand' : 'aec';
  const dose = { by, mAs: exposure.mAs, times: Math.round(10 ** (WORTH_A_LOOK / 10)) } as const;
  const { width: widthMm, height: heightMm } = field.atReceptorMm;
  const grid = image.grid && {
    ...image.grid.tolerance,
    nearMm: image.grid.tolerance.distanceMm[0],
    farMm: image.grid.tolerance.distanceMm[1],
  };
  return [
    ...(exposure.masKnown
      ? [
          { id: 'under' as const, ...words.under({ ...dose, deviation: -WORTH_A_LOOK }) },
          { id: 'over' as const, ...words.over({ ...dose, deviation: WORTH_A_LOOK }) },
        ]
      : []),
    { id: 'clipped', ...words.clipped({ shown: field.mustShow, widthMm, heightMm }, unit) },
    ...(grid ? [{ id: 'grid' as const, ...words.grid(grid, unit) }] : []),
    { id: 'motion', ...words.motion(exposure) },
    { id: 'artefact', ...words.artefact({ remove }) },
    ...(receptor.size.fixed ? [] : [{ id: 'double' as const, ...words.double() }]),
  ];
}
