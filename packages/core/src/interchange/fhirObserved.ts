/**
 * What was observed of a patient in a FHIR message: height, weight and pregnancy by their codes, the latest of each by its
 * date; of anything else the words. Source: HL7 FHIR R4 (v4.0.1), Observation.
 */
import { z } from 'zod';
import { HEIGHT, LENGTH_TO_MM, MASS_TO_KG, PREGNANCY, PREGNANCY_ANSWERS, WEIGHT } from './measuredCodes';
import type { IncomingFault } from './incomingOrder';

const concept = z.looseObject({
  text: z.string().optional(),
  coding: z.array(z.looseObject({ code: z.string().optional(), display: z.string().optional() })).optional(),
});
export const observation = z.looseObject({
  code: concept.optional(),
  status: z.string().optional(),
  subject: z.looseObject({ reference: z.string().optional() }).optional(),
  effectiveDateTime: z.string().optional(),
  issued: z.string().optional(),
  valueString: z.string().optional(),
  valueQuantity: z.looseObject({ value: z.number().optional(), unit: z.string().optional() }).optional(),
  valueCodeableConcept: concept.optional(),
});
type Observation = z.infer<typeof observation>;
export type Seen = { line: number; data: Observation };

/** What was withdrawn was never so. Source: FHIR R4, observation-status. */
const WITHDRAWN: ReadonlySet<string> = new Set(['entered-in-error', 'cancelled']);
const KNOWN: ReadonlySet<string> = new Set([HEIGHT, WEIGHT, PREGNANCY]);

const hasCode = ({ code }: Observation, wanted: string): boolean =>
  code?.coding?.some((each) => each.code === wanted) ?? false;
const dayOf = ({ data }: Seen): string => data.effectiveDateTime ?? data.issued ?? '';
const wordsOf = (value: z.infer<typeof concept> | undefined): string =>
  value?.text ?? value?.coding?.find(({ display }) => display)?.display ?? '';

export type Observed = {
  statureMm: number | undefined;
  massKg: number | undefined;
  pregnancy: 'possible' | 'no' | undefined;
  /** What else was seen, in words: how the patient walks, what risks there are. */
  words: string[];
  faults: IncomingFault[];
};

/** @param all that was observed of one patient */
export function observed(all: readonly Seen[]): Observed {
  // The latest counts; what bears no date, as it stands in the message.
  const standing = all
    .filter(({ data }) => !WITHDRAWN.has(data.status ?? ''))
    .map((seen, at) => ({ seen, at }))
    .sort((a, b) => dayOf(b.seen).localeCompare(dayOf(a.seen)) || a.at - b.at)
    .map(({ seen }) => seen);
  const faults: IncomingFault[] = [];
  const measured = (code: string, units: Readonly<Record<string, number>>, what: string): number | undefined => {
    const latest = standing.find(({ data }) => hasCode(data, code));
    if (!latest) return undefined;
    const { value, unit = '' } = latest.data.valueQuantity ?? {};
    const per = units[unit];
    if (value !== undefined && per !== undefined) return Math.round(value * per * 1000) / 1000;
    faults.push({
      line: latest.line,
      field: what,
      message: `${what} needs a value in ${Object.keys(units).join(' or ')}`,
    });
    return undefined;
  };
  // Known to be pregnant counts as possible: what follows from it is the same.
  const [pregnancy] = standing
    .filter(({ data }) => hasCode(data, PREGNANCY))
    .flatMap(({ data }) =>
      (data.valueCodeableConcept?.coding ?? []).flatMap(({ code }) => PREGNANCY_ANSWERS[code ?? ''] ?? []),
    );
  const words = standing
    .filter(({ data }) => !data.code?.coding?.some(({ code }) => KNOWN.has(code ?? '')))
    .flatMap(({ data }) => {
      const value = data.valueString ?? wordsOf(data.valueCodeableConcept);
      return value === '' ? [] : [[wordsOf(data.code), value].filter((each) => each !== '').join(': ')];
    });
  return {
    statureMm: measured(HEIGHT, LENGTH_TO_MM, 'Height'),
    massKg: measured(WEIGHT, MASS_TO_KG, 'Weight'),
    pregnancy,
    words,
    faults,
  };
}
