/** A picture as it hangs: windowed, the patient's right on the left where that is the custom, with its caption. */
import { burnCaption } from './caption';
import { toGrey, type Window } from './display';
import type { Radiograph } from './simulateRadiograph';

export type ViewedPicture = {
  columns: number;
  rows: number;
  pixelMm: number;
  mirrored: boolean;
  grey: Uint8ClampedArray;
};

export function orientForViewing(
  {
    signal,
    where,
    columns,
    rows,
    pixelMm,
    mirrored,
    window,
  }: Pick<Radiograph, 'signal' | 'where' | 'columns' | 'rows' | 'pixelMm' | 'mirrored' | 'window'>,
  by: Window = window,
): ViewedPicture {
  const grey = toGrey(signal, where, by);
  if (mirrored) for (let y = 0; y < rows; y += 1) grey.subarray(y * columns, (y + 1) * columns).reverse();
  burnCaption(grey, columns, rows);
  return { columns, rows, pixelMm, mirrored, grey };
}
