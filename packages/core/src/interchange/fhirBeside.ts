/**
 * What stands beside an order in a FHIR message and changes it: the task that asks for it to be done, the appointment, the
 * structure of the body, the condition behind it. Source: HL7 FHIR R4 (v4.0.1), resources of those names.
 */
import { z } from 'zod';

const reference = z.looseObject({ reference: z.string().optional(), display: z.string().optional() });
const concept = z.looseObject({
  text: z.string().optional(),
  coding: z.array(z.looseObject({ code: z.string().optional(), display: z.string().optional() })).optional(),
});
const taskResource = z.looseObject({
  status: z.string().optional(),
  priority: z.string().optional(),
  focus: reference.optional(),
  basedOn: z.array(reference).optional(),
  statusReason: concept.optional(),
});
const appointmentResource = z.looseObject({
  status: z.string().optional(),
  basedOn: z.array(reference).optional(),
  start: z.string().optional(),
  comment: z.string().optional(),
  patientInstruction: z.string().optional(),
});
const structureResource = z.looseObject({
  location: concept.optional(),
  locationQualifier: z.array(concept).optional(),
  description: z.string().optional(),
});
const namedResource = z.looseObject({
  code: concept.optional(),
  name: z.unknown().optional(),
});

type Resource = { resourceType: string; [field: string]: unknown };
export type Standing = 'ordered' | 'cancelled' | 'on hold';

/** What a task makes of the order that it asks for; others leave it as it is. Source: FHIR R4, task-status. */
const OF_TASK: Readonly<Record<string, Standing | undefined>> = {
  cancelled: 'cancelled',
  'entered-in-error': 'cancelled',
  rejected: 'cancelled',
  'on-hold': 'on hold',
};
/** Who does not come is waited for; the order stays. Source: FHIR R4, appointmentstatus. */
const NOT_COMING: ReadonlySet<string> = new Set(['cancelled', 'noshow']);

export type SaidBeside = {
  standing: Standing | null;
  /** As FHIR calls it: routine, urgent, asap, stat. */
  priority: string | null;
  notes: string[];
};

const wordsOf = (value: z.infer<typeof concept> | undefined): string =>
  value?.text ?? value?.coding?.find(({ display }) => display)?.display ?? '';

/** The heavier of two: what is called off is not on hold. */
const heavier = (a: Standing | null, b: Standing | null): Standing | null =>
  a === 'cancelled' || b === 'cancelled' ? 'cancelled' : (a ?? b);

/** "2026-12-01 10:30" of an instant; as it came where it is none. */
const timeWords = (instant: string): string =>
  /^\d{4}-\d\d-\d\dT\d\d:\d\d/.exec(instant)?.[0].replace('T', ' ') ?? instant;

/** Names of the orders that a task or an appointment is for; none for other resources. */
export function ordersMeant(resource: Resource): string[] {
  const named =
    resource.resourceType === 'Task'
      ? [taskResource.safeParse(resource).data?.focus, ...(taskResource.safeParse(resource).data?.basedOn ?? [])]
      : resource.resourceType === 'Appointment'
        ? (appointmentResource.safeParse(resource).data?.basedOn ?? [])
        : [];
  return named.flatMap((each) => each?.reference ?? []);
}

/** @param all tasks and appointments of one order. @returns what they say of it */
export function saidBeside(all: readonly Resource[]): SaidBeside {
  const said: SaidBeside = { standing: null, priority: null, notes: [] };
  for (const resource of all) {
    if (resource.resourceType === 'Task') {
      const task = taskResource.safeParse(resource).data;
      if (!task) continue;
      said.standing = heavier(said.standing, OF_TASK[task.status ?? ''] ?? null);
      said.priority ??= task.priority ?? null;
      if (wordsOf(task.statusReason) !== '') said.notes.push(wordsOf(task.statusReason));
    }
    if (resource.resourceType === 'Appointment') {
      const appointment = appointmentResource.safeParse(resource).data;
      if (!appointment) continue;
      const { status = '', start, comment, patientInstruction } = appointment;
      if (NOT_COMING.has(status)) said.standing = heavier(said.standing, 'on hold');
      else if (status === 'entered-in-error') continue;
      if (start !== undefined)
        said.notes.push(`appointment ${timeWords(start)}${NOT_COMING.has(status) ? ` ${status}` : ''}`);
      said.notes.push(...[comment, patientInstruction].flatMap((text) => text ?? []));
    }
  }
  return said;
}

/** Words of a structure of the body, the side among them. */
export function structureWords(resource: unknown): string {
  const structure = structureResource.safeParse(resource).data;
  if (!structure) return '';
  const concepts = [structure.location, ...(structure.locationQualifier ?? [])];
  return [structure.description ?? '', ...concepts.map(wordsOf)].filter((each) => each !== '').join('; ');
}

const personName = z.array(
  z.looseObject({ text: z.string().optional(), family: z.string().optional(), given: z.array(z.string()).optional() }),
);
/** How a person, a place or a condition is called. */
export function nameOf(resource: unknown): string {
  const found = namedResource.safeParse(resource).data;
  if (!found) return '';
  if (typeof found.name === 'string') return found.name;
  const [person] = personName.safeParse(found.name).data ?? [];
  if (person) return person.text ?? [...(person.given ?? []), person.family ?? ''].join(' ').trim();
  return wordsOf(found.code);
}
