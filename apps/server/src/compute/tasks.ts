/** What is computed off the thread that answers: named, from data to data. */
import {
  computeSetup,
  judge,
  planSeries,
  ROOM_ONE,
  waysAnswer,
  type SeriesRequest,
  type Setup,
  type SetupRequest,
  type WayPrices,
} from '@taktik/core';
import { readOrders } from '../services/readOrders';
import { readDetector } from '../standins/detector';

export type Exposed = { setup: Setup; reading: ReturnType<typeof readDetector> };

export const tasks = {
  setup: (request: SetupRequest) => computeSetup(request),
  verdict: (request: SetupRequest) => judge(request),
  ways: ({ prices, ...request }: SetupRequest & { prices?: Partial<WayPrices> }) => waysAnswer(request, prices),
  plan: (request: SeriesRequest) => planSeries(request),
  /** Orders read and planned, as many as a message holds. */
  orders: readOrders,
  /** The set-up that was asked for, and what the detector reads of it. */
  exposure: ({ id, request }: { id: string; request: SetupRequest }): Exposed => {
    const setup = computeSetup(request);
    return { setup, reading: readDetector(id, setup, request.room ?? ROOM_ONE) };
  },
} as const;

export type TaskName = keyof typeof tasks;
export type AskedOf<N extends TaskName> = Parameters<(typeof tasks)[N]>[0];
export type DoneOf<N extends TaskName> = ReturnType<(typeof tasks)[N]>;

/** One task as it goes over to a thread. `as: 'text'` brings the answer back as JSON, written there. */
export type Job = { task: TaskName; asked: unknown; as: 'value' | 'text' };

/** @throws RangeError what the task refuses */
export function perform({ task, asked, as }: Job): unknown {
  const answer = (tasks[task] as (asked: unknown) => unknown)(asked);
  return as === 'text' ? JSON.stringify(answer) : answer;
}
