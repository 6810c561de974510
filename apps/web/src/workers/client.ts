/** The workers of the app, made when they are first asked: one for numbers, a few more for pictures. */
import { wrap, type Remote } from 'comlink';
import type { Developed, RehearsalInput, Refused, Slice } from './rehearsal';
import type { ComputeService } from './service';

const start = (): Remote<ComputeService> =>
  wrap<ComputeService>(new Worker(new URL('./compute.worker.ts', import.meta.url)));

let remote: Remote<ComputeService> | undefined;

export function compute(): Remote<ComputeService> {
  remote ??= start();
  return remote;
}

/** A device may not say how many cores it has. */
const device: { navigator?: { hardwareConcurrency?: number } } = globalThis;

/** Pictures have workers of their own, so that numbers never wait behind one. */
const MOST_PICTURE_WORKERS = 4;
let pictureWorkers: Remote<ComputeService>[] = [];

function forPictures(): Remote<ComputeService>[] {
  if (pictureWorkers.length === 0) {
    const cores = device.navigator?.hardwareConcurrency ?? 2;
    pictureWorkers = Array.from({ length: Math.max(1, Math.min(MOST_PICTURE_WORKERS, cores)) }, start);
  }
  return pictureWorkers;
}

/** Below this many pixels along a side the picture is not worth dividing. */
const DIVIDE_FROM = 128;

/** A picture, its rows cast by all workers at once. */
export async function simulate(input: RehearsalInput): Promise<Developed | Refused> {
  const workers = forPictures().slice(0, input.pixels < DIVIDE_FROM ? 1 : undefined);
  const slices = await Promise.all(workers.map((worker, i) => worker.castSlice(input, i, workers.length)));
  const refused = slices.find((slice): slice is Refused => 'error' in slice);
  return refused ?? workers[0].develop(input, slices as Slice[]);
}
