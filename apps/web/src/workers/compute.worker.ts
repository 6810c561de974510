/** The compute worker: set-ups, drawings, changes and search, off the screen's thread. */
import { expose, transfer } from 'comlink';
import type { StageLook } from '@taktik/core';
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
/** Pixels are handed over, not copied. */
const castSlice: Service['castSlice'] = (...asked) => {
  const slice = computeService.castSlice(...asked);
  return 'error' in slice ? slice : transfer(slice, [slice.through.buffer]);
};
const develop: Service['develop'] = (...asked) => {
  const picture = computeService.develop(...asked);
  // The edges of light and plate are kept for the next picture of the same place.
  return 'error' in picture ? picture : transfer(picture, [picture.signal.buffer]);
};

expose({ ...computeService, compute, castSlice, develop });
