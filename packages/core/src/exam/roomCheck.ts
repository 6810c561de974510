/** The room made ready before the patient comes in, from the first planned set-up. */
import { formatLength, formatRectangle, type LengthUnit } from '../quantity/length';
import type { Setup } from '../setup/setup';
import { atHolder, HOLDER_WORDS } from '../words/names';
import { techniqueWords } from '../setup/readouts/words';

export type CheckStep = { id: string; text: string };

export function roomCheckFor(setup: Setup, unit: LengthUnit = 'in'): CheckStep[] {
  const { receptor, tube, field, exposure } = setup;
  const holder = HOLDER_WORDS[receptor.holder];
  const detent = receptor.holder === 'table-tray' || receptor.holder === 'wall';
  const height = `focal spot ${formatLength(tube.heightMm, unit)} above the ${tube.heightOver}`;
  const steps: [string, string][] = [
    [
      'receptor',
      `Receptor ${receptor.size.name}${receptor.size.fixed ? '' : ` ${receptor.orientation}`} ${atHolder(receptor.holder)}`,
    ],
    ['tube', `${detent ? `Tube in its detent over the ${holder}` : 'Tube free, out of its detent'}; ${height}`],
    ['sid', `SID ${formatLength(tube.sidMm, unit)}`],
    ['collimator', `Collimate to ${formatRectangle(field.atReceptorMm.width, field.atReceptorMm.height, unit)}`],
    ['grid', receptor.grid ? `Grid ${receptor.grid.ratio}:1` : 'No grid'],
    ['technique', `Technique ${techniqueWords(exposure)}, ${exposure.focalSpot} focal spot`],
    ...[...setup.prepare, ...setup.aids].map((item, i): [string, string] => [
      `prepare-${i}`,
      `${item.charAt(0).toUpperCase()}${item.slice(1)}`,
    ]),
    ...(tube.heightOver === 'table'
      ? [['table', 'Table top centred on its base, so that neither end is overloaded'] as [string, string]]
      : []),
  ];
  return steps.map(([id, text]) => ({ id, text }));
}
