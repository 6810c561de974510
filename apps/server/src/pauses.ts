/** Long work in slices: between them the one thread of the server answers whoever else asks. */
import { setImmediate } from 'node:timers/promises';

/** A slice is about so long, ms: less than a touch is felt by. */
const SLICE_MS = 8;

/** @returns a pause that lets others go on, where a slice has passed since the last one */
export function pauses(sliceMs: number = SLICE_MS): () => Promise<void> {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < sliceMs) return;
    await setImmediate();
    since = performance.now();
  };
}
