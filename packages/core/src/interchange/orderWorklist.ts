/**
 * Orders as entries of a DICOM modality worklist, each attribute under its keyword. Source: DICOM PS3.4 annex K, PS3.3
 * C.4.10 to C.4.12 and C.2.
 */
import { z } from 'zod';
import { sortIncoming, type Draft, type IncomingFault, type SortedOrders } from './incomingOrder';
import { notXray, readSides, sideMentions } from './orderGuard';
import { saidOfPatient } from './saidOfPatient';
import { isoDate, yearsBetween } from './yearsBetween';

/** An entry as it comes: values by keyword. */
export type WorklistEntry = Readonly<Record<string, unknown>>;

/** Modalities whose work is done here. Source: DICOM PS3.3 C.7.3.1.1.1. */
const OURS: ReadonlySet<string> = new Set(['CR', 'DX', 'RG']);

/** Source: DICOM PS3.3 C.4.11, requested procedure priority; empty counts as routine. */
const URGENCY: Readonly<Record<string, 'now' | 'today' | 'routine' | undefined>> = {
  '': 'routine',
  STAT: 'now',
  HIGH: 'today',
  ROUTINE: 'routine',
  MEDIUM: 'routine',
  LOW: 'routine',
};
/** Source: DICOM PS3.3 C.2.3, pregnancy status: not, possibly, definitely; 4 is unknown. */
const PREGNANCY: Readonly<Record<string, 'no' | 'possible' | undefined>> = { 1: 'no', 2: 'possible', 3: 'possible' };
const SEX: Readonly<Record<string, 'female' | 'male' | undefined>> = { F: 'female', M: 'male' };
const METRE_MM = 1000;

/** One value, whichever way the reader gives it: text, number, the first of several, a name by its letters. */
const value = z
  .unknown()
  .transform((given): string => {
    const one: unknown = Array.isArray(given) ? given[0] : given;
    if (typeof one === 'number') return String(one);
    if (typeof one === 'string') return one.trim();
    const letters = one !== null && typeof one === 'object' && 'Alphabetic' in one ? one.Alphabetic : undefined;
    return typeof letters === 'string' ? letters.trim() : '';
  })
  .catch('');
const items = <T extends z.ZodType>(item: T) =>
  z.preprocess((given) => (Array.isArray(given) ? given : given === undefined ? [] : [given]), z.array(item)).catch([]);
const codes = items(z.looseObject({ CodeMeaning: value }));
const entrySchema = z.looseObject({
  AccessionNumber: value,
  RequestedProcedureID: value,
  StudyInstanceUID: value,
  PatientID: value,
  IssuerOfPatientID: value,
  RequestingPhysician: value,
  PatientName: value,
  PatientBirthDate: value,
  PatientSex: value,
  PatientSize: value,
  PatientWeight: value,
  PregnancyStatus: value,
  PatientState: value,
  SpecialNeeds: value,
  PatientTransportArrangements: value,
  CurrentPatientLocation: value,
  RequestedProcedureDescription: value,
  RequestedProcedureCodeSequence: codes,
  RequestedProcedurePriority: value,
  ReasonForTheRequestedProcedure: value,
  RequestedProcedureComments: value,
  ScheduledProcedureStepSequence: items(
    z.looseObject({
      Modality: value,
      ScheduledProcedureStepID: value,
      ScheduledProcedureStepDescription: value,
      ScheduledProcedureStepLocation: value,
      ScheduledProtocolCodeSequence: codes,
    }),
  ),
});

/** Whether an entry is for plain x-rays: a worklist holds the work of every modality. */
export const isForXray = (entry: WorklistEntry): boolean =>
  entrySchema.parse(entry).ScheduledProcedureStepSequence.some(({ Modality }) => OURS.has(Modality.toUpperCase()));

const firstOf = (...values: readonly string[]): string => values.find((each) => each !== '') ?? '';

function draftOf(given: WorklistEntry, line: number, today: string): Draft {
  const faults: IncomingFault[] = [];
  const put = (field: string, message: string) => faults.push({ line, field, message });
  const entry = entrySchema.parse(given);
  const step = entry.ScheduledProcedureStepSequence.find(({ Modality }) => OURS.has(Modality.toUpperCase()));
  const meanings = [...entry.RequestedProcedureCodeSequence, ...(step?.ScheduledProtocolCodeSequence ?? [])].map(
    ({ CodeMeaning }) => CodeMeaning,
  );
  const words = [entry.RequestedProcedureDescription, step?.ScheduledProcedureStepDescription ?? '', ...meanings];
  const exam = firstOf(...words);
  const said = words.join('; ');
  // A code that says more than the words is not passed over.
  const other = notXray(said);
  if (other !== null && notXray(exam) === null)
    put('exam', `A code of this entry asks for ${other}, not for an x-ray: “${said.slice(0, 120)}”`);
  const sides = readSides(words.flatMap((each) => sideMentions(each, `“${each.slice(0, 60)}”`)));
  if (sides.contradiction) put('side', sides.contradiction);
  const priority = entry.RequestedProcedurePriority.toUpperCase();
  if (URGENCY[priority] === undefined)
    put('urgency', `Priority must be STAT, HIGH, ROUTINE, MEDIUM or LOW, not “${priority.slice(0, 20)}”`);
  const born = isoDate(entry.PatientBirthDate);
  const ageYears = born === null ? undefined : yearsBetween(born, today);
  if (entry.PatientBirthDate !== '' && ageYears === undefined)
    put('patient.ageYears', `Birth date “${entry.PatientBirthDate.slice(0, 40)}” is not a date`);
  const measured = (text: string, name: string, per: number): number | undefined => {
    if (text === '') return undefined;
    const number = Number(text);
    // Zero is what some systems send for a measure that nobody took.
    if (number === 0) return undefined;
    if (Number.isFinite(number)) return Math.round(number * per * 1000) / 1000;
    put(name, `${name} must be a number, not “${text.slice(0, 40)}”`);
    return undefined;
  };
  const [family = '', given1 = ''] = entry.PatientName.split('^');
  const body = {
    ageYears,
    sex: SEX[entry.PatientSex],
    statureMm: measured(entry.PatientSize, 'PatientSize', METRE_MM),
    massKg: measured(entry.PatientWeight, 'PatientWeight', 1),
  };
  const pregnancy = PREGNANCY[entry.PregnancyStatus];
  return {
    line,
    faults,
    order: {
      reference: firstOf(entry.AccessionNumber, entry.RequestedProcedureID),
      patientNumber: entry.PatientID === '' ? null : { value: entry.PatientID, issuer: entry.IssuerOfPatientID },
      scheduled: {
        studyUid: entry.StudyInstanceUID,
        stepId: step?.ScheduledProcedureStepID ?? '',
        procedureId: entry.RequestedProcedureID,
      },
      requester: entry.RequestingPhysician.split('^').slice(0, 2).reverse().join(' ').trim(),
      initials: (given1.charAt(0) + family.charAt(0)).toUpperCase(),
      patient: Object.fromEntries(Object.entries(body).filter(([, known]) => known !== undefined)),
      exam,
      side: sides.side,
      bothSides: sides.bothSides,
      // A worklist need not say why.
      reason: firstOf(entry.ReasonForTheRequestedProcedure, entry.RequestedProcedureComments, 'not said'),
      urgency: URGENCY[priority] ?? 'routine',
      ward: firstOf(entry.CurrentPatientLocation, step?.ScheduledProcedureStepLocation ?? '', 'not said'),
      situation: {
        ...saidOfPatient([entry.PatientTransportArrangements, entry.PatientState, entry.SpecialNeeds].join('; ')),
        ...(pregnancy === undefined ? {} : { pregnancy }),
      },
    },
  };
}

/**
 * Each entry for itself, as far as it is for plain x-rays.
 * @param today ISO date on which the age counts
 * Lines of faults are places of entries among those that are, from 1.
 */
export function ordersFromWorklist(entries: readonly WorklistEntry[], today: string): SortedOrders {
  return sortIncoming(entries.filter(isForXray).map((entry, i) => draftOf(entry, i + 1, today)));
}
