/** Why a set-up cannot or must not be done so, or what it lacks: a code and its values, and the sentence for them. */
import type { LengthUnit } from '../quantity/length';
import type { Values, ValuesOf } from '../words/fact';
import type { PROBLEM_WORDS } from '../words/problemWords';
import { say } from '../words/say';

/** Patient and situation bar it: nothing of it is told as a step. */
const BARRED_CODES = ['forbidden', 'position-barred', 'load-lost', 'kept-part'] as const;
/** It cannot be done so, by room, tube, receptor or model. */
const IMPOSSIBLE_CODES = [
  'position-unknown',
  'no-holder',
  'table-load',
  'clipped',
  'angle-limit',
  'in-the-way',
  'tube-load',
  'tube-low',
  'outside-model',
] as const;
/** Said, and worked with. */
const SAID_CODES = [
  'aec-cover',
  'ask-side',
  'chart-row-odd',
  'dose-high',
  'grid-cut-off',
  'grid-stays',
  'joint-limit',
  'margin',
  'mas-limit',
  'no-grid',
  'own-aim',
  'receptor-unknown',
  'sid-reduced',
  'sid-too-short',
  'skin-near',
  'technique-unchecked',
  'thickness-odd',
  'wrong-side-down',
] as const;
export const PROBLEM_CODES = [...BARRED_CODES, ...IMPOSSIBLE_CODES, ...SAID_CODES] as const;
export type ProblemCode = (typeof PROBLEM_CODES)[number];

export type Problem = { code: ProblemCode; values: Values; text: string };

/** @example problem('mas-limit', { wantedMas: 700, mostMas: 500 }, 'in').text // "The model asks for 700 mAs; …" */
export const problem = <C extends ProblemCode>(
  code: C,
  values: ValuesOf<typeof PROBLEM_WORDS, C> & Values,
  unit: LengthUnit = 'in',
): Problem => ({ code, values, text: say({ code, values }, { unit }) });

const BARS: ReadonlySet<ProblemCode> = new Set(BARRED_CODES);
const BLOCKS: ReadonlySet<ProblemCode> = new Set([...BARRED_CODES, ...IMPOSSIBLE_CODES]);
/** Whether patient and situation bar it. */
export const bars = ({ code }: Problem): boolean => BARS.has(code);
/** Whether it cannot or must not be done so. */
export const blocks = ({ code }: Problem): boolean => BLOCKS.has(code);
