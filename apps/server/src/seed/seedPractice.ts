/** What the demo's student has practised in the last weeks, some of it well; one line is signed. */
import { ROOM_ONE } from '@taktik/core';
import { leftBehind, scenarios, solutionOf, type ExerciseAnswer, type Scenario } from '@taktik/core/exercise';
import type { Store } from '../db/database';
import { practised, recordPractice, signOff } from '../services/practice';
import { DEMO_PEOPLE } from './scenario';

const DAY_MS = 86_400_000;
/** Of every so many exercises one is tried, and of those one goes wrong. */
const TRIED_EVERY = 3;
const WRONG_EVERY = 4;
const SECONDS = 95;

/** An answer as somebody gives it who does not know. */
function guess(scenario: Scenario): ExerciseAnswer {
  if (scenario.kind === 'set it up') return leftBehind(scenario, ROOM_ONE);
  if (scenario.kind === 'fewest turns') return { kind: 'fewest turns', order: scenario.items.map((_, i) => i) };
  if (scenario.kind === 'which view') return { kind: 'which view', projectionId: 'chest-pa' };
  return { kind: 'spot the fault', faultId: 'crooked', direction: 'more', amount: 3 };
}

export async function seedPractice(store: Store, now: number): Promise<void> {
  const student = DEMO_PEOPLE.find(({ role }) => role === 'student')!;
  const lead = DEMO_PEOPLE.find(({ role }) => role === 'lead')!;
  if ((await practised(store, student.id)).length > 0) return;
  const tried = scenarios.filter((_, i) => i % TRIED_EVERY === 0);
  for (const [i, scenario] of tried.entries())
    await recordPractice(
      store,
      { ...student, demoPin: null },
      {
        id: `past-practice-${i}`,
        personId: student.id,
        scenarioId: scenario.id,
        answer: i % WRONG_EVERY === 1 ? guess(scenario) : solutionOf(scenario, ROOM_ONE),
        seconds: SECONDS + i,
        at: now - (tried.length - i) * DAY_MS,
      },
      now,
    );
  await signOff(
    store,
    student.id,
    { projectionId: 'chest-pa', patientType: 'adult', signed: true },
    { ...lead, demoPin: null },
    now - DAY_MS,
  );
}
