/**
 * An order and what became of it as HL7 FHIR R4, for the system that sent it: ServiceRequest, Procedure, and an Observation
 * of the dose of every exposure and of all of them. Of the patient no more than the record holds. Source: FHIR R4 (v4.0.1);
 * codes of dose: DICOM PS3.16, table D-1.
 */
import { readerWords, type Exposure, type OrderDetail } from '@taktik/contracts';

const PRIORITY = { now: 'stat', today: 'urgent', routine: 'routine' } as const;
const STATUS = { waiting: 'active', started: 'active', finished: 'completed', cancelled: 'revoked' } as const;
const DICOM = 'http://dicom.nema.org/resources/ontology/DCM';
const DOSE = { code: '122130', display: 'Dose Area Product' };
const DOSE_OF_ALL = { code: '113722', display: 'Dose Area Product Total' };
const SIDES = { left: '7771000', right: '24028007' } as const;

const instant = (at: number): string => new Date(at).toISOString();
const dose = (gyCm2: number) => ({
  value: Math.round(gyCm2 * 1e6) / 1e6,
  unit: 'Gy·cm²',
  system: 'http://unitsofmeasure.org',
  code: 'Gy.cm2',
});

/** What the exposure was, and why it was repeated. */
const saidOf = ({ name, side, cause, verdict }: Exposure): string =>
  `${name}${side ? `, ${side}` : ''}${verdict === 'repeat' ? `; repeated: ${cause ?? 'no cause given'}` : ''}`;

/** @returns a Bundle of type collection */
export function orderAsFhir({ order, exam, exposures }: OrderDetail): object {
  const [patient, request, procedure] = [`patient-${order.patient.id}`, `order-${order.id}`, `exam-${exam?.id ?? ''}`];
  const subject = { reference: `Patient/${patient}` };
  const basedOn = [{ reference: `ServiceRequest/${request}` }];
  const { sex } = order.patient.body;
  const ended = exam?.finishedAt ?? null;
  const observation = (id: string, code: typeof DOSE, gyCm2: number, at: number, texts: readonly string[]) => ({
    resourceType: 'Observation',
    id,
    basedOn,
    partOf: [{ reference: `Procedure/${procedure}` }],
    status: 'final',
    code: { coding: [{ system: DICOM, ...code }], text: code.display },
    subject,
    effectiveDateTime: instant(at),
    valueQuantity: dose(gyCm2),
    note: texts.filter((text) => text !== '').map((text) => ({ text })),
  });
  const resources: object[] = [
    { resourceType: 'Patient', id: patient, name: [{ text: order.patient.initials }], ...(sex && { gender: sex }) },
    {
      resourceType: 'ServiceRequest',
      id: request,
      ...(order.reference !== null && { identifier: [{ value: order.reference }] }),
      status: order.unusual.some(({ code }) => code === 'order-on-hold') ? 'on-hold' : STATUS[order.state],
      intent: 'order',
      priority: PRIORITY[order.urgency],
      code: { text: order.exam },
      subject,
      authoredOn: instant(order.orderedAt),
      reasonCode: [{ text: order.reason }],
      locationReference: [{ display: order.ward }],
      ...(order.side && {
        bodySite: [{ coding: [{ system: 'http://snomed.info/sct', code: SIDES[order.side] }], text: order.side }],
      }),
    },
  ];
  if (exam) {
    resources.push({
      resourceType: 'Procedure',
      id: procedure,
      basedOn,
      status: ended === null ? 'in-progress' : exam.endReason === null ? 'completed' : 'stopped',
      ...(exam.endReason !== null && { statusReason: { text: exam.endReason } }),
      code: { text: order.exam },
      subject,
      performedPeriod: { start: instant(exam.startedAt), ...(ended !== null && { end: instant(ended) }) },
      performer: [{ actor: { display: exam.performedBy } }],
    });
    for (const each of exposures)
      resources.push(
        observation(`dose-${each.id}`, DOSE, each.kapGyCm2, each.exposedAt, [saidOf(each), readerWords(each)]),
      );
    if (exposures.length > 0) {
      const all = exposures.reduce((sum, { kapGyCm2 }) => sum + kapGyCm2, 0);
      const last = Math.max(...exposures.map(({ exposedAt }) => exposedAt));
      const views = `${exposures.length} ${exposures.length === 1 ? 'exposure' : 'exposures'}, repeats among them`;
      resources.push(observation(`dose-of-${exam.id}`, DOSE_OF_ALL, all, last, [views]));
    }
  }
  return {
    resourceType: 'Bundle',
    type: 'collection',
    entry: resources.map((resource) => ({ resource })),
  };
}
