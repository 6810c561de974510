/**
 * Where the server computes: in threads of its own, so that a long question holds up nobody who asks a short one. What
 * waits is bounded, and so is how long one may take.
 */
import pLimit from 'p-limit';
import { Piscina } from 'piscina';
import { Refusal } from '../services/refusal';
import { perform, type AskedOf, type DoneOf, type Job, type TaskName } from './tasks';

export type Computing = {
  /** @throws RangeError what the task refuses, Refusal while too much waits */
  run: <N extends TaskName>(task: N, asked: AskedOf<N>) => Promise<DoneOf<N>>;
  /** The answer as JSON, written where it was computed. */
  text: (task: TaskName, asked: unknown) => Promise<string>;
  close: () => Promise<void>;
};

/** In this very thread: for tools and tests, where nobody waits beside it. */
export const computingHere: Computing = {
  run: async (task, asked) => perform({ task, asked, as: 'value' }) as DoneOf<typeof task>,
  text: async (task, asked) => perform({ task, asked, as: 'text' }) as string,
  close: () => Promise.resolve(),
};

/** No question takes this long; what does has gone astray, and its thread is given up. */
const LONGEST_MS = 20_000;
/** Questions in hand and waiting, for each thread, before more are turned away. */
const WAITING_PER_THREAD = 200;
const MEMORY_MB = 512;

const RETRY_SECONDS = 2;
const busy = (why: string): Refusal =>
  new Refusal('busy', 'Busy', `${why} Ask again in a moment; nothing was changed.`, [], RETRY_SECONDS);

/**
 * @param file the built thread
 * @param threads how many of them
 * @example const computing = computingInThreads('/app/dist/thread.mjs', { threads: 2 });
 */
export function computingInThreads(
  file: string,
  {
    threads,
    longestMs = LONGEST_MS,
    mostWaiting = threads * WAITING_PER_THREAD,
  }: { threads: number; longestMs?: number; mostWaiting?: number },
): Computing {
  const pool = new Piscina<Job, unknown>({
    filename: file,
    minThreads: threads,
    maxThreads: threads,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  });
  // The pool's own queue answers the last first where a job can be given up: it is handed no more than it has threads.
  const inTurn = pLimit(threads);
  const compute = async (job: Job): Promise<unknown> => {
    const signal = AbortSignal.timeout(longestMs);
    try {
      return await pool.run(job, { signal });
    } catch (error) {
      if (signal.aborted) throw busy('This took too long and was given up.');
      throw error;
    }
  };
  const ask = async (job: Job): Promise<unknown> => {
    if (inTurn.pendingCount >= mostWaiting) throw busy('Too much is asked of the server at once.');
    return inTurn(compute, job);
  };
  return {
    run: async (task, asked) => (await ask({ task, asked, as: 'value' })) as DoneOf<typeof task>,
    text: async (task, asked) => (await ask({ task, asked, as: 'text' })) as string,
    close: () => pool.destroy(),
  };
}
