/** What a FHIR client is answered: what became of each entry, what was wrong, what this server can do. Source: FHIR R4 (v4.0.1). */
import type { FieldProblem } from './refusal';
import type { Outcome } from './intake';

const FHIR = 'application/fhir+json';
/** Whether a client asks for answers in FHIR's own form. */
export const wantsFhir = (accept: string | undefined): boolean => (accept ?? '').includes(FHIR);

const USED = 'Read for the order; not kept as a resource of its own';
const SAID: Readonly<Record<Outcome['what'], string>> = {
  taken: 'Taken in',
  known: 'Known before, just so',
  corrected: 'Corrected',
  cancelled: 'Called off',
};

const information = (diagnostics: string) => ({
  resourceType: 'OperationOutcome',
  issue: [{ severity: 'information', code: 'informational', diagnostics }],
});

type Entry = { resource?: { resourceType?: string } };
const entriesOf = (document: unknown): Entry[] => {
  const { entry } = (document ?? {}) as { entry?: unknown };
  return Array.isArray(entry) ? (entry as Entry[]) : [{ resource: document as Entry['resource'] }];
};

/**
 * @param document as it came, taken whole
 * @param outcomes of its orders, by their places in it
 * @returns a Bundle with an answer for every entry
 */
export function transactionResponse(document: unknown, outcomes: readonly Outcome[]): object {
  const byLine = new Map(outcomes.map((outcome) => [outcome.line, outcome]));
  const { type } = (document ?? {}) as { type?: string };
  return {
    resourceType: 'Bundle',
    type: type === 'batch' ? 'batch-response' : 'transaction-response',
    entry: entriesOf(document).map((_, i) => {
      const outcome = byLine.get(i + 1);
      return {
        response: outcome
          ? {
              status: outcome.what === 'taken' ? '201 Created' : '200 OK',
              ...(outcome.id === null ? {} : { location: `ServiceRequest/order-${outcome.id}` }),
              outcome: information(SAID[outcome.what]),
            }
          : { status: '200 OK', outcome: information(USED) },
      };
    }),
  };
}

/** Source: FHIR R4, issue-type. */
const ISSUE: Readonly<Record<number, string>> = {
  400: 'structure',
  401: 'login',
  403: 'forbidden',
  404: 'not-found',
  409: 'conflict',
  413: 'too-long',
  422: 'processing',
  429: 'throttled',
};
export function operationOutcome(status: number, detail: string, fields: readonly FieldProblem[]): object {
  const code = ISSUE[status] ?? (status >= 500 ? 'exception' : 'invalid');
  const said = fields.length > 0 ? fields.map(({ field, message }) => `${field}: ${message}`) : [detail];
  return {
    resourceType: 'OperationOutcome',
    issue: said.map((diagnostics) => ({ severity: 'error', code, diagnostics })),
  };
}

/** What is read beside an order. */
const READ = [
  'Patient',
  'Observation',
  'Task',
  'Appointment',
  'Condition',
  'Practitioner',
  'Location',
  'BodyStructure',
] as const;

/** @param now ISO date */
export const capabilityStatement = (now: string): object => ({
  resourceType: 'CapabilityStatement',
  status: 'active',
  date: now,
  kind: 'instance',
  software: { name: 'Taktik' },
  implementation: { description: 'Orders of plain x-rays come in, and what became of them goes out' },
  fhirVersion: '4.0.1',
  format: ['json'],
  rest: [
    {
      mode: 'server',
      documentation: `POST a Bundle, or a ServiceRequest with its Patient contained, to this address. Read with an order: ${READ.join(', ')}.`,
      interaction: [{ code: 'transaction' }],
      resource: [
        { type: 'ServiceRequest', interaction: [{ code: 'create' }] },
        ...READ.map((type) => ({ type, documentation: USED })),
      ],
    },
  ],
});
