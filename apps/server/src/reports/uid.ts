/** Names for DICOM that are the same for the same thing, so that what is told twice is one. Source: DICOM PS3.5 B.2. */
import { createHash } from 'node:crypto';

/** A root that anyone may use, followed by a number of 128 bits. */
const ANYONE = '2.25.';

/** @param parts what it is the name of: "exam", its id. @returns at most 44 characters */
export function uidOf(...parts: readonly string[]): string {
  const bytes = createHash('sha256').update(parts.join('\0')).digest().subarray(0, 16);
  return ANYONE + BigInt(`0x${bytes.toString('hex')}`).toString();
}

/** Date and time of day as DICOM writes them, of the clock of this place. */
export function dicomTime(at: number): { date: string; time: string } {
  const local = new Date(at - new Date(at).getTimezoneOffset() * 60_000).toISOString();
  return { date: local.slice(0, 10).replaceAll('-', ''), time: local.slice(11, 19).replaceAll(':', '') };
}
/** How far the clock of this place is from Greenwich, said once for all times of a file. */
export function dicomZone(at: number): string {
  const minutes = -new Date(at).getTimezoneOffset();
  const two = (value: number) => String(Math.floor(value)).padStart(2, '0');
  return `${minutes < 0 ? '-' : '+'}${two(Math.abs(minutes) / 60)}${two(Math.abs(minutes) % 60)}`;
}
/** Date and time of day as one value. */
export function dicomMoment(at: number): string {
  const { date, time } = dicomTime(at);
  return date + time;
}
