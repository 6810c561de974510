/** What the patient is told to do afterwards, and the last steps of the exam. */
import type { Situation } from '../setup/request';
import type { Projection, Study } from '../projections/schema';
import type { CheckStep } from './roomCheck';

export type Aftercare = { title: string; lines: string[] };

const BARIUM: Aftercare = {
  title: 'After barium',
  lines: [
    'Drink much more than usual for the next two to three days, unless a doctor has told you to drink little.',
    'Stools are white or pale for some days. That is the barium.',
    'Barium can make stools hard. Ask whether you may take something against it.',
    'If no stool comes for two days, or the belly hurts or swells: call the department or your doctor.',
    'Eat as usual, unless you were told otherwise.',
  ],
};
const ENEMA: Aftercare = {
  title: 'After the enema',
  lines: ['Some cramps and wind are normal for a day.', 'Bleeding, fever or growing pain are not: get help at once.'],
};
const IODINE: Aftercare = {
  title: 'After contrast in a vein',
  lines: [
    'Drink more than usual today, unless a doctor has told you to drink little.',
    'Rash, hoarseness, swelling or trouble breathing in the next hours: get help at once.',
  ],
};
const STRESS: Aftercare = {
  title: 'After the stress views',
  lines: ['Soreness may last a day. Growing pain or swelling: call whoever ordered it.'],
};

/**
 * Instructions for the patient, none where the exam needs none. General teaching; the department's own sheet goes first.
 * @param entries of the exam, those of the department's own among them
 */
export function aftercareFor(entries: readonly Projection[]): Aftercare[] {
  const studies = (...of: readonly Study['of'][]): boolean =>
    entries.some(({ study }) => study && of.includes(study.of));
  return [
    ...(studies('oesophagus', 'stomach', 'small bowel', 'large bowel') ? [BARIUM] : []),
    ...(studies('large bowel') ? [ENEMA] : []),
    ...(studies('urinary tract') ? [IODINE] : []),
    ...(entries.some((entry) => entry.demands.includes('stress')) ? [STRESS] : []),
  ];
}

const INCUBATOR_CLOSED: CheckStep = {
  id: 'incubator',
  text: 'Tray empty, portholes and side closed; infant warm, lines and probe as they were',
};

/** Rails, bed, everything that was brought: the last steps, which the next patient pays for when they are forgotten. */
export function finishStepsFor(
  entries: readonly Projection[],
  place: Situation['place'],
  brought: readonly string[],
): CheckStep[] {
  const lying = place === 'bedside' || place === 'resuscitation bay';
  const contrast = entries.some(({ study }) => study);
  return [
    { id: 'told', text: 'Patient told what comes next' },
    ...(contrast ? [{ id: 'sheet', text: 'Instructions given on paper' }] : []),
    { id: 'freed', text: 'Feet, straps and sponges freed; lines and tubes as they were' },
    ...(place === 'incubator' ? [INCUBATOR_CLOSED] : []),
    ...(lying
      ? [
          { id: 'bed', text: 'Bed lowered, both rails up, bell within reach' },
          { id: 'collected', text: `Collected: ${brought.length > 0 ? brought.join(', ') : 'receptor and markers'}` },
        ]
      : place === 'incubator'
        ? []
        : [{ id: 'table', text: 'Table lowered before the patient gets up; step in place' }]),
    { id: 'clean', text: 'Receptor and table wiped; tube parked' },
  ];
}
