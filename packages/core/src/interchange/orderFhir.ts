/**
 * Orders as HL7 FHIR R4: a Bundle of ServiceRequest, Patient and Observation (height 8302-2, weight 29463-7), with what
 * belongs to them (Task, Appointment, Condition, Practitioner, Location, BodyStructure), or one ServiceRequest with its
 * Patient contained. Source: HL7 FHIR R4 (v4.0.1), resources of those names.
 */
import { z } from 'zod';
import { nameOf, ordersMeant, saidBeside, structureWords } from './fhirBeside';
import { observation, observed, type Seen } from './fhirObserved';
import { yearsBetween } from './yearsBetween';
import { takeIncoming, type Incoming, type IncomingFault } from './incomingOrder';
import { notXray, readSides, sidesOfTexts, sidesIn, type BodySide } from './orderGuard';

const concept = z.looseObject({
  text: z.string().optional(),
  coding: z
    .array(
      z.looseObject({ system: z.string().optional(), code: z.string().optional(), display: z.string().optional() }),
    )
    .optional(),
});
const reference = z.looseObject({ reference: z.string().optional(), display: z.string().optional() });
const identifiers = z.array(z.looseObject({ system: z.string().optional(), value: z.string().optional() })).optional();
const resource = z.looseObject({
  resourceType: z.string(),
  id: z.string().optional(),
  modifierExtension: z.unknown().optional(),
});
const patientResource = resource.extend({
  identifier: identifiers,
  name: z.array(z.looseObject({ given: z.array(z.string()).optional(), family: z.string().optional() })).optional(),
  gender: z.string().optional(),
  birthDate: z.string().optional(),
});
const serviceRequest = resource.extend({
  identifier: identifiers,
  status: z.string().optional(),
  intent: z.string().optional(),
  doNotPerform: z.boolean().optional(),
  priority: z.string().optional(),
  code: concept.optional(),
  bodySite: z.array(concept).optional(),
  subject: reference.optional(),
  reasonCode: z.array(concept).optional(),
  reasonReference: z.array(reference).optional(),
  requester: reference.optional(),
  note: z.array(z.looseObject({ text: z.string().optional() })).optional(),
  extension: z.array(z.looseObject({ url: z.string().optional(), valueReference: reference.optional() })).optional(),
  locationReference: z.array(reference).optional(),
  contained: z.array(resource).optional(),
});
const bundle = resource.extend({ entry: z.array(z.looseObject({ fullUrl: z.string().optional(), resource })) });

/** Where the structure of the body stands. Source: HL7 FHIR R4, extension of that address. */
const BODY_STRUCTURE = 'http://hl7.org/fhir/StructureDefinition/bodySite';
const LONGEST = 500;
const LONGEST_NAME = 80;

const URGENCY: Record<string, string> = { stat: 'now', asap: 'today', urgent: 'today', routine: 'routine' };
const wordsOf = (value: z.infer<typeof concept> | undefined): string =>
  (value?.text ?? value?.coding?.[0]?.display ?? '').trim();

/** What a status makes of an order; others are no orders to be done. Source: FHIR R4, request-status. */
const STANDING_OF: Readonly<Record<string, 'ordered' | 'cancelled' | 'on hold' | undefined>> = {
  active: 'ordered',
  revoked: 'cancelled',
  'entered-in-error': 'cancelled',
  'on-hold': 'on hold',
};

/** Text and every code of a concept: a code that says more than the text is not passed over. */
const textsOf = (value: z.infer<typeof concept> | undefined): string[] =>
  [value?.text, ...(value?.coding ?? []).map(({ display }) => display)].flatMap((words) => (words ? [words] : []));
const allWordsOf = (value: z.infer<typeof concept> | undefined): string => textsOf(value).join('; ');
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
export function ordersFromFhir(document: unknown, today: string): Incoming {
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
  return takeIncoming(requests.map((each) => draftOf(each, message, today)));
}

type Resource = z.infer<typeof resource>;
type Message = {
  byName: ReadonlyMap<string, Resource>;
  seenOf: ReadonlyMap<string, readonly Seen[]>;
  /** Tasks and appointments by the order that they are for. */
  besideOf: ReadonlyMap<string, readonly Resource[]>;
};

/** By the names by which they are referred to, what was observed by its subject: each is looked for once. */
function indexed(all: readonly Found[]): Message {
  const byName = new Map<string, Resource>();
  const seenOf = new Map<string, Seen[]>();
  const besideOf = new Map<string, Resource[]>();
  for (const { resource: each, url, line } of all) {
    for (const name of [url, `${each.resourceType}/${each.id}`])
      if (name !== undefined && !byName.has(name)) byName.set(name, each);
    for (const order of ordersMeant(each)) besideOf.set(order, [...(besideOf.get(order) ?? []), each]);
    if (each.resourceType !== 'Observation') continue;
    const { data } = observation.safeParse(each);
    const subject = data?.subject?.reference;
    if (data && subject !== undefined) seenOf.set(subject, [...(seenOf.get(subject) ?? []), { line, data }]);
  }
  return { byName, seenOf, besideOf };
}

function draftOf(
  { resource: raw, line, url }: Found,
  { byName, seenOf, besideOf }: Message,
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
  const own = [url, `ServiceRequest/${request.id}`];
  const besides = own.flatMap((name) => besideOf.get(name ?? '') ?? []);
  const beside = saidBeside(besides);
  // What a task calls off is called off, whatever the order itself still says.
  const ofOrder = STANDING_OF[request.status ?? 'active'];
  const standing = ofOrder && ofOrder !== 'cancelled' ? (beside.standing ?? ofOrder) : ofOrder;
  if (standing === undefined)
    put('status', `Only active orders are taken; this one is ${request.status!.slice(0, 40)}`);
  if (request.doNotPerform === true)
    put('doNotPerform', 'This order asks that the exam is NOT done; it is not taken as one to do');
  const target = request.subject?.reference ?? '';
  const find = (to: string | undefined): Resource | undefined =>
    to?.startsWith('#') ? request.contained?.find(({ id }) => `#${id}` === to) : byName.get(to ?? '');
  const subject = find(target);
  const seen = observed(seenOf.get(target) ?? []);
  faults.push(...seen.faults);
  const person = patientResource.safeParse(subject);
  // What changes the meaning of the rest, and is not known here, must not be passed over. Source: FHIR R4, 2.5.2.
  for (const each of [request, person.success ? person.data : null, ...besides])
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
  const ageYears = patient?.birthDate ? yearsBetween(patient.birthDate, today) : undefined;
  if (patient?.birthDate && ageYears === undefined)
    put('patient.ageYears', `birthDate “${patient.birthDate.slice(0, 40)}” is not a date`);
  const name = patient?.name?.[0];
  const initials = [...(name?.given ?? []).slice(0, 1), name?.family ?? ''].map((part) => part.charAt(0)).join('');
  const structures = (request.extension ?? []).flatMap(({ url: name, valueReference }) =>
    name === BODY_STRUCTURE ? (find(valueReference?.reference) ?? []) : [],
  );
  const sidesRead = readSides([
    ...sidesOfTexts(textsOf(request.code)),
    { from: 'the body site', sides: new Set((request.bodySite ?? []).flatMap((site) => [...sideOfSite(site)])) },
    { from: 'the structure of the body', sides: sidesIn(structures.map(structureWords).join('; ')) },
  ]);
  if (sidesRead.contradiction) put('side', sidesRead.contradiction);
  const sex = patient?.gender === 'female' || patient?.gender === 'male' ? patient.gender : undefined;
  const body = {
    ageYears,
    sex,
    statureMm: seen.statureMm,
    massKg: seen.massKg,
  };
  const coded = notXray(allWordsOf(request.code));
  if (coded !== null && notXray(wordsOf(request.code)) === null && standing === 'ordered')
    put(
      'exam',
      `A code of this order asks for ${coded}, not for an x-ray: “${allWordsOf(request.code).slice(0, 120)}”`,
    );
  const priority = request.priority ?? beside.priority ?? 'routine';
  const urgency = URGENCY[priority];
  if (urgency === undefined)
    put('urgency', `priority must be routine, urgent, asap or stat, not “${priority.slice(0, 40)}”`);
  const conditions = (request.reasonReference ?? []).map(
    (each) => nameOf(find(each.reference)) || (each.display ?? ''),
  );
  const reasons = [...(request.reasonCode ?? []).map(wordsOf), ...conditions].filter((each) => each !== '');
  const [number] = request.identifier ?? [];
  const known = patient?.identifier?.find(({ value }) => value !== undefined && value !== '');
  const { requester, locationReference = [] } = request;
  const notes = [...(request.note ?? []).flatMap(({ text }) => text ?? []), ...beside.notes, ...seen.words];
  return {
    line,
    faults,
    order: {
      reference: number?.value ?? request.id ?? '',
      system: number?.system ?? '',
      patientNumber: known ? { value: known.value, issuer: known.system ?? '' } : null,
      initials: initials.toUpperCase() || (calledOff ? '–' : ''),
      patient: Object.fromEntries(Object.entries(body).filter(([, value]) => value !== undefined)),
      exam: wordsOf(request.code) || (calledOff ? 'called off' : ''),
      side: sidesRead.side,
      bothSides: sidesRead.bothSides,
      standing: standing ?? 'ordered',
      reason: reasons.join('; ').slice(0, LONGEST) || (calledOff ? 'called off' : ''),
      urgency,
      ward: (locationReference[0]?.display ?? nameOf(find(locationReference[0]?.reference))) || (calledOff ? '–' : ''),
      requester: (requester?.display ?? nameOf(find(requester?.reference))).slice(0, LONGEST_NAME),
      note: notes.join('; ').slice(0, LONGEST),
      situation: seen.pregnancy === undefined ? {} : { pregnancy: seen.pregnancy },
    },
  };
}
