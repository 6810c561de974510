/** The compute worker: set-ups, drawings, changes and search, off the screen's thread. */
import { expose, transfer } from 'comlink';
import type { StageLook } from '@taktik/core';
import { loadedBones } from './bones';
import { drawBones, type Refused } from './rehearsal';
import { computeService, type ComputeInput, type ComputeOutput } from './service';

/** Answers the numbers, and draws the mannequins while the screen lays the numbers out: they will be asked for next. */
function compute(input: ComputeInput): ComputeOutput {
  const output = computeService.compute(input);
  if (output.ok) {
    setTimeout(() => {
      for (const look of Object.keys(output.drawings) as StageLook[])
        computeService.mannequin(output.setup, look, output.drawings[look]!.box);
    }, 0);
  }
  return output;
}

type Service = typeof computeService;

/** Pictures are drawn with the true bones: nothing is cast before they are here. */
async function withBones<T>(work: () => T): Promise<T | Refused> {
  try {
    drawBones(await loadedBones());
  } catch {
    return { error: 'The bones of the picture could not be loaded. Once connected, they stay on this device.' };
  }
  return work();
}

type Promised<F extends (...asked: never[]) => unknown> = (...asked: Parameters<F>) => Promise<ReturnType<F> | Refused>;
/** Pixels are handed over, not copied. */
const castSlice: Promised<Service['castSlice']> = (...asked) =>
  withBones(() => {
    const slice = computeService.castSlice(...asked);
    return 'error' in slice ? slice : transfer(slice, [slice.through.buffer]);
  });
const develop: Promised<Service['develop']> = (...asked) =>
  withBones(() => {
    const picture = computeService.develop(...asked);
    // The edges of light and plate are kept for the next picture of the same place.
    return 'error' in picture ? picture : transfer(picture, [picture.signal.buffer]);
  });
const smallPicture: Promised<Service['smallPicture']> = (...asked) =>
  withBones(() => computeService.smallPicture(...asked));

expose({ ...computeService, compute, castSlice, develop, smallPicture });
