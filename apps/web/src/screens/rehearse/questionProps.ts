/** What every kind of question is given. */
import type { Room } from '@taktik/core';
import type { ExerciseAnswer, Scenario } from '@taktik/core/exercise';
import type { ExerciseCore } from '../../workers/onDemand';

export type QuestionProps<K extends Scenario['kind']> = {
  scenario: Extract<Scenario, { kind: K }>;
  core: ExerciseCore;
  room: Room;
  /** Of the picture. */
  size: number;
  /** Answered already: nothing more to change. */
  done: boolean;
  onAnswer: (answer: ExerciseAnswer) => void;
};
