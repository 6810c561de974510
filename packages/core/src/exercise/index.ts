/** Exercises: apart from the rest of the core, loaded only where somebody practises. */
export { answerSchema, type AnswerTo, type ExerciseAnswer } from './answer';
export { inTurn, levelFor, remember, type Memory, type Practised } from './memory';
export {
  EXERCISE_KINDS,
  LEVELS,
  PATIENT_TYPES,
  patientTypeOf,
  type ExerciseKind,
  type Level,
  type PatientType,
  type Scenario,
} from './scenario';
export { scenarioOf, scenarios } from './scenarios';
export { PASSED_FROM, scoreExercise, setUpAs, type Score, type ScoreItem } from './score';
export { faultyOf, leftBehind, receptorsFor, setupOf, viewChoices } from './start';
export { solutionOf } from './solution';
