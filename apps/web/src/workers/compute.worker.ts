/** The compute worker: set-ups, drawings, changes and search, off the screen's thread. */
import { expose } from 'comlink';
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

expose({ ...computeService, compute });
