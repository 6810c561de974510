/** One of the threads that share a picture, as the workers of the app do. */
import { parentPort } from 'node:worker_threads';
import { castSlice, develop, type RehearsalInput, type Slice } from '../../apps/web/src/workers/rehearsal';

export type PictureQuestion =
  { input: RehearsalInput; slice: number; slices: number } | { input: RehearsalInput; develop: Slice[] };

parentPort!.on('message', (question: PictureQuestion) => {
  if ('develop' in question) {
    const picture = develop(question.input, question.develop);
    if ('error' in picture) throw new RangeError(picture.error);
    parentPort!.postMessage(picture, [picture.signal.buffer, picture.where.buffer] as ArrayBuffer[]);
    return;
  }
  const slice = castSlice(question.input, question.slice, question.slices);
  if ('error' in slice) throw new RangeError(slice.error);
  parentPort!.postMessage(slice, [slice.through.buffer] as ArrayBuffer[]);
});
