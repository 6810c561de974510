/** What was weak comes back sooner: a card for each exercise of a person, scheduled by a spaced-repetition library. */
import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import { LEVELS, type ExerciseKind, type Level, type Scenario } from './scenario';
import { PASSED_FROM } from './score';

/* eslint-disable no-restricted-globals -- the library counts in dates: made from a given time, never from the clock */

/** A card as plain data, times in ms. */
export type Memory = Omit<Card, 'due' | 'last_review'> & { due: number; last_review?: number };

const scheduler = fsrs({ enable_fuzz: false });

const toCard = ({ due, last_review, ...rest }: Memory): Card => ({
  ...rest,
  due: new Date(due),
  ...(last_review !== undefined && { last_review: new Date(last_review) }),
});
const toMemory = ({ due, last_review, ...rest }: Card): Memory => ({
  ...rest,
  due: due.getTime(),
  ...(last_review && { last_review: last_review.getTime() }),
});

/** How well a score says that it is known. */
function gradeOf(share: number): Grade {
  if (share < 0.5) return Rating.Again;
  if (share < PASSED_FROM) return Rating.Hard;
  return share < 1 ? Rating.Good : Rating.Easy;
}

/** @param before null for the first time; @param now ms */
export function remember(before: Memory | null, share: number, now: number): Memory {
  // A try that waited on a device comes after one that was done later: it counts as done right after that.
  const at = new Date(Math.max(now, before?.last_review ?? now));
  const card = before ? toCard(before) : createEmptyCard(at);
  return toMemory(scheduler.next(card, at, gradeOf(share)).card);
}

export type Practised = { scenarioId: string; share: number; memory: Memory };

/**
 * Exercises in the order in which they should come: those that are due, the longest overdue first; then new ones of the
 * level; then those that are not due yet.
 */
export function inTurn(
  all: readonly Scenario[],
  practised: readonly Practised[],
  now: number,
  filter: { kind?: ExerciseKind; level?: Level } = {},
): Scenario[] {
  const known = new Map(practised.map((each) => [each.scenarioId, each.memory]));
  const rank = ({ id, level }: Scenario): [number, number] => {
    const memory = known.get(id);
    if (!memory) return [1, level];
    return memory.due <= now ? [0, memory.due] : [2, memory.due];
  };
  return all
    .filter(({ kind, level }) => (!filter.kind || kind === filter.kind) && (!filter.level || level === filter.level))
    .map((scenario, i) => ({ scenario, i, at: rank(scenario) }))
    .sort((a, b) => a.at[0] - b.at[0] || a.at[1] - b.at[1] || a.i - b.i)
    .map(({ scenario }) => scenario);
}

/** Share of a level that must be passed before the next one is advised. */
const ADVANCE_FROM = 0.6;

/** The level to practise: the first of which too few exercises are passed. */
export function levelFor(all: readonly Scenario[], practised: readonly Practised[]): Level {
  const passed = new Set(practised.filter(({ share }) => share >= PASSED_FROM).map(({ scenarioId }) => scenarioId));
  const weak = LEVELS.find((level) => {
    const own = all.filter((each) => each.level === level);
    return own.filter(({ id }) => passed.has(id)).length < own.length * ADVANCE_FROM;
  });
  return weak ?? LEVELS[LEVELS.length - 1];
}
