/** A message that two numbers are of one patient. Source: HL7 v2.5.1, chapter 3, event A40. */
import type { Hl7Segment } from './hl7Text';
import type { IncomingFault, PatientNumber } from './incomingOrder';
import { numberAt } from './orderHl7';

export type Merge = { gone: PatientNumber; stays: PatientNumber };

/** Events that bring one. Source: HL7 table 0003; A18, A30 and A34 are the older forms. */
const MERGES: ReadonlySet<string> = new Set(['ADT^A40', 'ADT^A18', 'ADT^A30', 'ADT^A34']);

export const isMerge = ([header]: readonly Hl7Segment[]): boolean =>
  header !== undefined && MERGES.has(`${header.at(9, 1)}^${header.at(9, 2)}`);

/**
 * Every pair of a patient that stays and a number that is gone.
 * @param segments of one message, MSH first
 * Lines of faults are places of segments in the message, from 1.
 */
export function mergesFromHl7(segments: readonly Hl7Segment[]): { merges: Merge[]; faults: IncomingFault[] } {
  const merges: Merge[] = [];
  const faults: IncomingFault[] = [];
  let stays: PatientNumber | null = null;
  segments.forEach((segment, i) => {
    const put = (field: string, message: string) => faults.push({ line: i + 1, field, message });
    if (segment.name === 'PID') {
      stays = numberAt(segment, 3);
      if (!stays) put('PID-3', 'The patient who stays has no number');
    }
    if (segment.name !== 'MRG') return;
    const gone = numberAt(segment, 1);
    if (!gone) put('MRG-1', 'The number that is gone is missing');
    else if (stays) merges.push({ gone, stays });
  });
  if (merges.length === 0 && faults.length === 0)
    faults.push({ line: 1, field: 'MRG', message: 'There is no MRG segment: nothing is merged' });
  return { merges, faults };
}
