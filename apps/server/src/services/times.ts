/** Times that a device sends: corrected by its own clock where that is off, and refused where they cannot be true. */
import { Refusal } from './refusal';

/** A device clock further off than this is corrected by the server's. */
const CLOCK_OFF_MS = 2 * 60_000;
const DAY_MS = 86_400_000;
/** What waited on a device longer than this is not from this work [house]. */
const MOST_PAST_MS = 400 * DAY_MS;
/** Clocks are never quite alike. */
const MOST_AHEAD_MS = CLOCK_OFF_MS;

/**
 * @param at what the device says; @param sentAt its clock at the sending, where it told it
 * @returns the time by the server's clock, and what the device said where that was another
 * @throws Refusal 422 for a time in the future, or further back than a device keeps anything
 */
export function trueTime(
  at: number,
  sentAt: number | undefined,
  now: number,
  field: string,
): { at: number; deviceAt: number | null; offMs: number } {
  const offMs = now - (sentAt ?? now);
  const wrong = Math.abs(offMs) > CLOCK_OFF_MS;
  const corrected = wrong ? at + offMs : at;
  if (corrected > now + MOST_AHEAD_MS || corrected < now - MOST_PAST_MS)
    throw new Refusal(
      'not accepted',
      'A time that cannot be',
      `${field} lies ${corrected > now ? 'in the future' : 'more than a year back'}: check the clock of the device. Nothing was stored.`,
      [{ field, message: 'outside what can be true' }],
    );
  return { at: corrected, deviceAt: wrong ? at : null, offMs: wrong ? offMs : 0 };
}

/** The day where this server stands, as an ISO date: a worklist and an age count by the hospital's days, not by Greenwich's. */
export function localDay(at: number): string {
  const date = new Date(at);
  const two = (part: number): string => String(part).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}
