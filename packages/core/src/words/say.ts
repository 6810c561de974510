/**
 * The one renderer: a fact, which is a code and its values, becomes a sentence. Nothing reads a sentence back; what is
 * decided is decided by codes and values.
 */
import type { Fact, Speech, Table } from './fact';
import { CENTRE_WORDS } from './centreWords';
import { CHANGE_WORDS } from './changeWords';
import { POSITION_WORDS } from './positionWords';
import { PROBLEM_WORDS } from './problemWords';
import { CAUTION_WORDS, STEP_WORDS } from './stepWords';
import { NOTE_WORDS } from './noteWords';
import { ROOM_WORDS } from './roomWords';
import { TOUCH_WORDS } from './touchWords';
import { COST_WORDS, KEEP_WORDS, TELL_WORDS } from './wayWords';

const WORDS: Table = {
  ...CENTRE_WORDS,
  ...POSITION_WORDS,
  ...PROBLEM_WORDS,
  ...CHANGE_WORDS,
  ...NOTE_WORDS,
  ...ROOM_WORDS,
  ...STEP_WORDS,
  ...TOUCH_WORDS,
  ...CAUTION_WORDS,
  ...COST_WORDS,
  ...KEEP_WORDS,
  ...TELL_WORDS,
};

/**
 * @throws RangeError for a fact that has no sentence
 * @example say({ code: 'angle-limit', values: { room: 'Room 1', mostDeg: 30, wantedDeg: 45 } }, { unit: 'in' })
 */
export function say({ code, values }: Fact, speech: Speech): string {
  const sentence = WORDS[code] as ((values: Fact['values'], speech: Speech) => string) | undefined;
  if (!sentence) throw new RangeError(`there is no sentence for "${code}"`);
  return sentence(values, speech);
}
