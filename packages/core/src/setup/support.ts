/** What lifts or lowers the patient, where the tube does not reach: a block to stand on, or a stool. */
import { formatLength, type LengthUnit } from '../quantity/length';

export type Support = { kind: 'block' | 'stool'; mm: number };

/** @example supportWords({ kind: 'block', mm: 254 }, 'in') // "On a block 10 in high: the tube does not go lower" */
export const supportWords = ({ kind, mm }: Support, unit: LengthUnit): string =>
  kind === 'block'
    ? `On a block ${formatLength(mm, unit)} high: the tube does not go lower`
    : `Seated, ${formatLength(mm, unit)} lower than standing: the tube does not go higher`;
