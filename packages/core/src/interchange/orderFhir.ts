/**
 * Orders as HL7 FHIR R4: a Bundle of ServiceRequest, Patient and Observation (height 8302-2, weight 29463-7), or one
 * ServiceRequest with its Patient contained. Source: HL7 FHIR R4 (v4.0.1), resources of those names.
 */
import { z } from 'zod';
import { HEIGHT, LENGTH_TO_MM, MASS_TO_KG, PREGNANCY, PREGNANCY_ANSWERS, WEIGHT } from './measuredCodes';
import { yearsBetween } from './yearsBetween';
import { eachOf, finished, takeIncoming, type Incoming, type IncomingFault, type Reading } from './incomingOrder';
import { notXray, readSides, sidesIn, type BodySide } from './orderGuard';

const concept = z.looseObject({
  text: z.string().optional(),
  coding: z
    .array(
      z.looseObject({ system: z.string().optional(), code: z.string().optional(), display: z.string().optional() }),
    )
    .optional(),
});
const reference = z.looseObject({ reference: z.string().optional(), display: z.string().optional() });
const resource = z.looseObject({
  resourceType: z.string(),
  id: z.string().optional(),
  modifierExtension: z.unknown().optional(),
});
const patientResource = resource.extend({
  name: z.array(z.looseObject({ given: z.array(z.string()).optional(), family: z.string().optional() })).optional(),
  gender: z.string().optional(),
  birthDate: z.string().optional(),
});
const observation = resource.extend({
  code: concept.optional(),
  subject: reference.optional(),
  valueQuantity: z.looseObject({ value: z.number().optional(), unit: z.string().optional() }).optional(),
  valueCodeableConcept: concept.optional(),
});
const serviceRequest = resource.extend({
  identifier: z.array(z.looseObject({ value: z.string().optional() })).optional(),
  status: z.string().optional(),
  intent: z.string().optional(),
  doNotPerform: z.boolean().optional(),
  priority: z.string().optional(),
  code: concept.optional(),
  bodySite: z.array(concept).optional(),
  subject: reference.optional(),
  reasonCode: z.array(concept).optional(),
  locationReference: z.array(reference).optional(),
  contained: z.array(resource).optional(),
});
const bundle = resource.extend({ entry: z.array(z.looseObject({ fullUrl: z.string().optional(), resource })) });

const URGENCY: Record<string, string> = { stat: 'now', asap: 'today', urgent: 'today', routine: 'routine' };
const wordsOf = (value: z.infer<typeof concept> | undefined): string =>
  (value?.text ?? value?.coding?.[0]?.display ?? '').trim();
const hasCode = (value: z.infer<typeof concept> | undefined, code: string): boolean =>
  value?.coding?.some((each) => each.code === code) ?? false;

/** What a status makes of an order; others are no orders to be done. Source: FHIR R4, request-status. */
const STANDING_OF: Readonly<Record<string, 'ordered' | 'cancelled' | 'on hold' | undefined>> = {
  active: 'ordered',
  revoked: 'cancelled',
  'entered-in-error': 'cancelled',
  'on-hold': 'on hold',
};

/** Text and every code of a concept: a code that says more than the text is not passed over. */
const allWordsOf = (value: z.infer<typeof concept> | undefined): string =>
  [value?.text, ...(value?.coding ?? []).map(({ display }) => display)].filter(Boolean).join('; ');
/** Source: SNOMED CT, qualifiers of laterality. */
const SITE_SIDES: Readonly<Record<string, readonly BodySide[]>> = {
  '7771000': ['left'],
  '24028007': ['right'],
  '51440002': ['left', 'right'],
};
const sideOfSite = (site: z.infer<typeof concept>): ReadonlySet<BodySide> => {
  const coded = (site.coding ?? []).flatMap(({ code }) => SITE_SIDES[code ?? ''] ?? []);
  return new Set([...coded, ...sidesIn(allWordsOf(site))]);
};

/** Extensions by their addresses. */
const modifierNames = (extensions: unknown): string =>
  [extensions]
    .flat()
    .map((each) => String((each as { url?: unknown } | null)?.url ?? 'without an address'))
    .join(', ')
    .slice(0, 200);

type Found = { resource: z.infer<typeof resource>; line: number; url?: string };

/**
 * @param document parsed JSON
 * @param today ISO date on which the age counts
 * Lines of faults are places in the bundle, from 1.
 */
export function* readFhir(document: unknown, today: string): Reading<Incoming> {
  const whole = resource.safeParse(document);
  if (!whole.success)
    return { faults: [{ line: 1, field: 'resourceType', message: 'Not a FHIR resource: resourceType is missing' }] };
  let found: Found[];
  if (whole.data.resourceType === 'Bundle') {
    const parsed = bundle.safeParse(document);
    if (!parsed.success)
      return {
        faults: parsed.error.issues.map((issue) => ({ line: 1, field: issue.path.join('.'), message: issue.message })),
      };
    found = parsed.data.entry.map(({ resource: each, fullUrl }, i) => ({ resource: each, line: i + 1, url: fullUrl }));
  } else found = [{ resource: whole.data, line: 1 }];

  const requests = found.filter((each) => each.resource.resourceType === 'ServiceRequest');
  if (requests.length === 0)
    return { faults: [{ line: 1, field: 'resourceType', message: 'There is no ServiceRequest in it' }] };
  const message = indexed(found);
  return yield* takeIncoming(eachOf(requests, (each) => draftOf(each, message, today)));
}

/** The same at once. */
export const ordersFromFhir = (document: unknown, today: string): Incoming => finished(readFhir(document, today));

type Seen = { line: number; data: z.infer<typeof observation> };
type Message = { byName: ReadonlyMap<string, z.infer<typeof resource>>; seenOf: ReadonlyMap<string, readonly Seen[]> };

/** By the names by which they are referred to, and what was observed by its subject: each is looked for once. */
function indexed(all: readonly Found[]): Message {
  const byName = new Map<string, z.infer<typeof resource>>();
  const seenOf = new Map<string, Seen[]>();
  for (const { resource: each, url, line } of all) {
    for (const name of [url, `${each.resourceType}/${each.id}`])
      if (name !== undefined && !byName.has(name)) byName.set(name, each);
    if (each.resourceType !== 'Observation') continue;
    const { data } = observation.safeParse(each);
    const subject = data?.subject?.reference;
    if (data && subject !== undefined) seenOf.set(subject, [...(seenOf.get(subject) ?? []), { line, data }]);
  }
  return { byName, seenOf };
}

function draftOf(
  { resource: raw, line }: Found,
  { byName, seenOf }: Message,
  today: string,
): { line: number; order: unknown; faults: IncomingFault[] } {
  const faults: IncomingFault[] = [];
  const put = (field: string, message: string) => faults.push({ line, field, message });
  const parsed = serviceRequest.safeParse(raw);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) put(issue.path.join('.'), issue.message);
    return { line, order: {}, faults };
  }
  const request = parsed.data;
  const standing = STANDING_OF[request.status ?? 'active'];
  if (standing === undefined)
    put('status', `Only active orders are taken; this one is ${request.status!.slice(0, 40)}`);
  if (request.doNotPerform === true)
    put('doNotPerform', 'This order asks that the exam is NOT done; it is not taken as one to do');
  const target = request.subject?.reference ?? '';
  const subject = target.startsWith('#')
    ? request.contained?.find(({ id }) => `#${id}` === target)
    : byName.get(target);
  const observed = seenOf.get(target) ?? [];
  const person = patientResource.safeParse(subject);
  // What changes the meaning of the rest, and is not known here, must not be passed over. Source: FHIR R4, 2.5.2.
  for (const each of [request, person.success ? person.data : null])
    if (each?.modifierExtension !== undefined)
      put(
        'modifierExtension',
        `${each.resourceType} has a modifier that is not known here and may change what it asks for: ${modifierNames(each.modifierExtension)}`,
      );
  // What is called off is known by its number: nothing else of it is needed.
  const calledOff = standing === 'cancelled';
  if (!calledOff && (!person.success || person.data.resourceType !== 'Patient'))
    put('initials', `subject.reference: the Patient “${target.slice(0, 60)}” is not in the message`);
  const patient = person.success ? person.data : undefined;
  const measured = (code: string, units: Record<string, number>, what: string): number | undefined => {
    for (const each of observed) {
      if (!hasCode(each.data.code, code)) continue;
      const { value, unit = '' } = each.data.valueQuantity ?? {};
      if (value === undefined || units[unit] === undefined) {
        faults.push({
          line: each.line,
          field: what,
          message: `${what} needs a value in ${Object.keys(units).join(' or ')}`,
        });
        return undefined;
      }
      return Math.round(value * units[unit] * 1000) / 1000;
    }
    return undefined;
  };
  /** Known to be pregnant counts as possible: what follows from it is the same. */
  const pregnancy = (): 'possible' | 'no' | undefined => {
    for (const each of observed) {
      if (!hasCode(each.data.code, PREGNANCY)) continue;
      const answer = (each.data.valueCodeableConcept?.coding ?? []).flatMap(
        ({ code }) => PREGNANCY_ANSWERS[code ?? ''] ?? [],
      );
      if (answer.length > 0) return answer[0];
    }
    return undefined;
  };
  const expects = pregnancy();
  const ageYears = patient?.birthDate ? yearsBetween(patient.birthDate, today) : undefined;
  if (patient?.birthDate && ageYears === undefined)
    put('patient.ageYears', `birthDate “${patient.birthDate.slice(0, 40)}” is not a date`);
  const name = patient?.name?.[0];
  const initials = [...(name?.given ?? []).slice(0, 1), name?.family ?? ''].map((part) => part.charAt(0)).join('');
  const sidesRead = readSides([
    { from: 'the exam', sides: sidesIn(allWordsOf(request.code)) },
    { from: 'the body site', sides: new Set((request.bodySite ?? []).flatMap((site) => [...sideOfSite(site)])) },
  ]);
  if (sidesRead.contradiction) put('side', sidesRead.contradiction);
  const sex = patient?.gender === 'female' || patient?.gender === 'male' ? patient.gender : undefined;
  const body = {
    ageYears,
    sex,
    statureMm: measured(HEIGHT, LENGTH_TO_MM, 'Height'),
    massKg: measured(WEIGHT, MASS_TO_KG, 'Weight'),
  };
  const coded = notXray(allWordsOf(request.code));
  if (coded !== null && notXray(wordsOf(request.code)) === null && standing === 'ordered')
    put(
      'exam',
      `A code of this order asks for ${coded}, not for an x-ray: “${allWordsOf(request.code).slice(0, 120)}”`,
    );
  const urgency = request.priority === undefined ? 'routine' : URGENCY[request.priority];
  if (urgency === undefined)
    put('urgency', `priority must be routine, urgent, asap or stat, not “${request.priority!.slice(0, 40)}”`);
  return {
    line,
    faults,
    order: {
      reference: request.identifier?.[0]?.value ?? request.id ?? '',
      initials: initials.toUpperCase() || (calledOff ? '–' : ''),
      patient: Object.fromEntries(Object.entries(body).filter(([, value]) => value !== undefined)),
      exam: wordsOf(request.code) || (calledOff ? 'called off' : ''),
      side: sidesRead.side,
      bothSides: sidesRead.bothSides,
      standing: standing ?? 'ordered',
      reason: wordsOf(request.reasonCode?.[0]) || (calledOff ? 'called off' : ''),
      urgency,
      ward: request.locationReference?.[0]?.display ?? (calledOff ? '–' : ''),
      situation: expects === undefined ? {} : { pregnancy: expects },
    },
  };
}
