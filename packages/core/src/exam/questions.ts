/** What is asked before the exposure, by exam; what an answer stops; and what must come off, by region. */
import { ADULT_AGE_YEARS } from '../body/anthropometry';
import type { PatientInput } from '../body/patient';
import type { Projection, Study } from '../projections/schema';
import type { Setup } from '../setup/setup';
import { asksPregnancy } from '../setup/readouts/caution';

export type Answer = 'yes' | 'no';
export type Question = {
  id: string;
  text: string;
  why: string;
  /** The answer that stops the exam; none stops where it is null. */
  stopsOn: Answer | null;
  /** What to do then. */
  then: string;
  /** A line of text is asked for with it, and the stop ends once it is given. */
  decision: boolean;
};
/** Answers by question, and the decisions that were written down. */
export type Answers = { given: Record<string, Answer>; decisions: Record<string, string> };
export const noAnswers: Answers = { given: {}, decisions: {} };

const question = (
  id: string,
  text: string,
  why: string,
  stop: { on: Answer; then: string; decision?: boolean } | null = null,
): Question => ({
  id,
  text,
  why,
  stopsOn: stop?.on ?? null,
  then: stop?.then ?? '',
  decision: stop?.decision ?? false,
});

/** @param entries of the exam, those of the department's own among them */
export function questionsFor(entries: readonly Projection[], patient: PatientInput): Question[] {
  const studies = (...of: readonly Study['of'][]): boolean =>
    entries.some(({ study }) => study && of.includes(study.of));
  const list = [
    question('identity-name', 'The name said by the patient agrees with the band', 'first identifier', {
      on: 'no',
      then: 'Stop: find out who this is before anything else.',
    }),
    question('identity-second', 'Date of birth or number agrees with the band', 'second identifier', {
      on: 'no',
      then: 'Stop: find out who this is before anything else.',
    }),
    question(
      'order-side',
      'What was asked, and the side, agree with what the patient says',
      'the wrong side is exposed',
      {
        on: 'no',
        then: 'Stop: ask whoever ordered it.',
      },
    ),
  ];
  if (
    entries.some((entry) => asksPregnancy({ ageYears: patient.ageYears ?? ADULT_AGE_YEARS, sex: patient.sex }, entry))
  )
    list.push(
      question('pregnancy', 'Pregnancy possible', 'the field or its scatter may reach it', {
        on: 'yes',
        then: 'Stop and follow local policy. Write down who decided, and what.',
        decision: true,
      }),
    );
  if (entries.some(({ study }) => study))
    list.push(
      question('contrast-allergy', 'Reacted to contrast before, or severe allergies', 'the contrast may harm', {
        on: 'yes',
        then: 'Stop: ask the radiologist. Write down who decided, and what.',
        decision: true,
      }),
    );
  if (studies('large bowel'))
    list.push(
      question('latex', 'Latex allergy', 'gloves, balloon and tubing', {
        on: 'yes',
        then: 'Nothing with latex in the room. Write down what is used instead.',
        decision: true,
      }),
      question('recent-biopsy', 'Colonoscopy with biopsy in the last days', 'a thinned wall may give way', {
        on: 'yes',
        then: 'Stop: ask the radiologist how long to wait. Write down who decided, and what.',
        decision: true,
      }),
      question('appendix', 'The appendix is in place', 'the colon is full when it or the end of the small bowel fills'),
    );
  if (studies('stomach', 'small bowel'))
    list.push(
      question('fasted', 'Nothing eaten or drunk as the department asks', 'food looks like disease', {
        on: 'no',
        then: 'Ask the radiologist whether to go on. Write down who decided, and what.',
        decision: true,
      }),
    );
  return list;
}

export type Readiness = {
  ready: boolean;
  open: Question[];
  stops: Question[];
};

/** What is still open, and what stops. A stop with a decision ends when the decision is written. */
export function readinessOf(questions: readonly Question[], { given, decisions }: Answers): Readiness {
  const open = questions.filter(({ id }) => given[id] === undefined);
  const stops = questions.filter(
    ({ id, stopsOn, decision }) =>
      stopsOn !== null && given[id] === stopsOn && !(decision && (decisions[id] ?? '').trim() !== ''),
  );
  return { ready: open.length === 0 && stops.length === 0, open, stops };
}

export type TakeOff = { region: string; items: string[] };
/** What must come off for the whole series, by region, nothing named twice. */
export function takeOffFor(setups: readonly Pick<Setup, 'region' | 'remove'>[]): TakeOff[] {
  const named = new Set<string>();
  const byRegion = new Map<string, string[]>();
  for (const { region: of, remove } of setups) {
    const region = of ?? 'other';
    for (const item of remove) {
      if (named.has(item)) continue;
      named.add(item);
      byRegion.set(region, [...(byRegion.get(region) ?? []), item]);
    }
  }
  return [...byRegion].map(([region, items]) => ({ region, items }));
}
