/** Suggestions for the note to the reader of a picture: how it was taken otherwise than it usually is, from facts alone. */
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import type { LengthUnit } from '../quantity/length';
import type { Setup } from '../setup/setup';
import type { Values } from '../words/fact';
import type { NOTE_WORDS } from '../words/noteWords';
import { say } from '../words/say';
import type { Timings } from './clocks';

type NoteCode = keyof typeof NOTE_WORDS;
export type NoteLine = { code: NoteCode; values: Values; text: string };

/** Labels that a picture may carry besides its marker. */
export const READER_LABELS = [
  'upright',
  'supine',
  'prone',
  'semi-erect',
  'mobile',
  'weight-bearing',
  'inspiration',
  'expiration',
  'stress',
  'comparison side',
  'after reduction',
  'post-evacuation',
] as const;

/** Shorter than this the SID is worth a word: the heart looks larger. */
const SID_SHARE = 0.9;
const SECONDS = 60;
/** A tube angle that lies outside the taught range by less is nothing to the reader. */
const ANGLE_DEG = 3;

/**
 * @param of the entry, or its id where it is one of the catalogue
 * @param timings how it was timed, where a clock bore on it
 * @returns one line for each fact, what bears most on the reading first
 * @example readerNote('chest-pa', setup, 'in').map(({ text }) => text) // ["Taken supine, not upright", …]
 */
export function readerNote(
  of: string | Projection,
  setup: Setup,
  unit: LengthUnit,
  { settle, contrast }: Timings = {},
): NoteLine[] {
  const entry = typeof of === 'string' ? projectionOf(of) : of;
  const { situation, tube, position, field, image, problems, showsLevels } = setup;
  const [usual] = entry.positions;
  const lines: NoteLine[] = [];
  const put = (code: NoteCode, values: Values = {}): void => {
    lines.push({ code, values, text: say({ code, values }, { unit }) });
  };
  if (contrast) put('note-contrast', { minutes: Math.round(contrast.seconds / SECONDS) });
  if (settle && settle.seconds < settle.plannedMinutes * SECONDS) put('note-settle', settle);
  if (field.clipped.length > 0) put('note-clipped', { shown: field.clipped });
  if (position.body !== usual.body) put('note-position', { body: position.body, usual: usual.body });
  if (showsLevels && tube.beam === 'vertical') put('note-no-levels');
  const [least, most] = tube.angleRangeDeg;
  const otherSense = tube.angleDeg > ANGLE_DEG && most > 0 && tube.angleToward !== entry.ray.toward;
  const beyond = tube.angleDeg > most + ANGLE_DEG || tube.angleDeg < least - ANGLE_DEG || otherSense;
  if (!entry.ray.angleBy && tube.angleSays !== null && beyond)
    put('note-angle', { deg: tube.angleDeg, says: tube.angleSays });
  if (tube.sidMm < tube.sidWantedMm * SID_SHARE)
    put('note-sid', { sidMm: tube.sidMm, wantedMm: tube.sidWantedMm, enlargedShare: image.magnification - 1 });
  for (const problem of problems) if (problem.code === 'joint-limit') put('note-joint', problem.values);
  if (situation.fractureSuspected && setup.way?.asItLies) put('note-injured');
  if (!situation.holdsBreath && setup.breathing.phase !== 'none') put('note-breath');
  if (!situation.holdsStill) put('note-moved');
  if (situation.cast !== 'none') put('note-cast', { cast: situation.cast });
  if (situation.worn.length > 0) put('note-worn', { worn: situation.worn });
  if (situation.holder === 'someone' && !situation.holdsStill) put('note-held');
  return lines;
}
