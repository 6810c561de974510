/** What a change of technique does before it is done: one set-up against another, in the figures that are weighed. */
import { boneContrast } from '../exposure/contrast';
import { kermaOfIndex, STANDARD_SCALE } from '../room/indexScale';
import { formatLength, type LengthUnit } from '../quantity/length';
import { signed } from '../quantity/signed';
import { withDefaults } from '../room/houseRules';
import { computeSetup } from './computeSetup';
import { entryOf, type Overrides, type SetupRequest } from './request';
import type { Setup } from './setup';
import { techniqueWords } from './readouts/words';

export type WhatIfLine = {
  name: string;
  before: string;
  after: string;
  /** After over before, less 1; null where it is not a share or not known. */
  change: number | null;
};

const figure = (value: number, unit: string): string =>
  `${value >= 100 ? Math.round(value) : Number(value.toPrecision(2))} ${unit}`;
function contrastOf(setup: Setup, composition: number): number {
  const { exposure, field, receptor } = setup;
  return boneContrast(
    exposure.kVp,
    exposure.thicknessMm * composition,
    [field.atReceptorMm.width, field.atReceptorMm.height],
    receptor.grid?.ratio ?? 0,
  );
}

/** The two set-ups in lines. Figures that lie outside the model are left empty, never guessed. */
function compareTechniques(before: Setup, after: Setup, composition: number, unit: LengthUnit): WhatIfLine[] {
  const share = (a: number, b: number): number | null => (a > 0 ? b / a - 1 : null);
  const line = (name: string, read: (setup: Setup) => number | null, print: (value: number) => string): WhatIfLine => {
    const [a, b] = [read(before), read(after)];
    return {
      name,
      before: a === null ? 'outside the model' : print(a),
      after: b === null ? 'outside the model' : print(b),
      change: a === null || b === null ? null : share(a, b),
    };
  };
  const plain = (name: string, read: (setup: Setup) => string): WhatIfLine => ({
    name,
    before: read(before),
    after: read(after),
    change: null,
  });
  return [
    plain('Technique', ({ exposure }) => techniqueWords(exposure)),
    plain('SID', ({ tube }) => formatLength(tube.sidMm, unit)),
    plain('Grid', ({ receptor }) => (receptor.grid ? `${receptor.grid.ratio}:1` : 'none')),
    line(
      'Time',
      ({ exposure }) => exposure.timeMs,
      (value) => figure(value, 'ms'),
    ),
    line(
      'Expected index',
      ({ exposure }) => exposure.expected?.index ?? null,
      (value) => String(Math.round(value)),
    ),
    plain('Expected deviation', ({ exposure }) =>
      exposure.expected ? signed(exposure.expected.deviation) : 'outside the model',
    ),
    line(
      'Kerma at the receptor',
      ({ exposure }) => (exposure.expected ? kermaOfIndex(exposure.expected.index, STANDARD_SCALE) : null),
      (value) => figure(value, 'µGy'),
    ),
    line(
      'Bone contrast, of before',
      (setup) => contrastOf(setup, composition) / contrastOf(before, composition),
      (value) => `${Math.round(value * 100)} %`,
    ),
    line(
      'Blur of the focal spot',
      ({ image }) => image.blurMm,
      (value) => figure(value, 'mm'),
    ),
    line(
      'Skin dose',
      ({ dose }) => dose.entranceKermaMgy,
      (value) => figure(value, 'mGy'),
    ),
    line(
      'Dose-area product',
      ({ dose }) => dose.kapGyCm2,
      (value) => figure(value, 'Gy·cm²'),
    ),
  ];
}

/**
 * What a change pulled by hand would do. The mAs follows the change unless the change sets it.
 * @throws RangeError as `computeSetup`
 */
export function whatIf(request: SetupRequest, change: Overrides): WhatIfLine[] {
  const { unit } = withDefaults(request.rules);
  const entry = entryOf(request);
  const after = { ...request, overrides: { ...request.overrides, ...change } };
  return compareTechniques(computeSetup(request), computeSetup(after), entry.exposure.composition, unit);
}
