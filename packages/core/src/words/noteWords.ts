/** What the reader of a picture must know of how it was taken, as suggestions for the note: one sentence a code. */
import { formatAngle } from '../quantity/angle';
import { formatLength } from '../quantity/length';
import { listWords } from '../quantity/text';
import { positionName } from '../room/position';
import type { BodyPosition } from '../projections/vocabulary';
import { CASTS, type Cast } from '../exposure/multipliers';
import { angledTo } from './names';
import type { Speech } from './fact';
import { PROBLEM_WORDS } from './problemWords';

export const NOTE_WORDS = {
  'note-position': ({ body, usual }: { body: string; usual: string }) =>
    `Taken ${positionName(body as BodyPosition)}, not ${positionName(usual as BodyPosition)}`,
  'note-angle': ({ deg, says }: { deg: number; says: string }) =>
    `CR angled ${formatAngle(deg)} ${angledTo(says)}, otherwise than usual`,
  'note-sid': (
    { sidMm, wantedMm, enlargedShare }: { sidMm: number; wantedMm: number; enlargedShare: number },
    { unit }: Speech,
  ) =>
    `SID ${formatLength(sidMm, unit)} instead of ${formatLength(wantedMm, unit)}: enlarged ${Math.round(enlargedShare * 100)} %`,
  'note-no-levels': () => 'Vertical beam: no fluid levels, no free air to be seen',
  'note-breath': () => 'Could not hold the breath',
  'note-moved': () => 'Could not keep still',
  'note-worn': ({ worn }: { worn: readonly string[] }) => `With ${listWords(worn)} on`,
  'note-cast': ({ cast }: { cast: string }) => `In ${CASTS[cast as Cast].name}`,
  'note-clipped': ({ shown }: { shown: readonly string[] }) => `Not shown: ${listWords(shown)}`,
  'note-joint': (limit: Parameters<(typeof PROBLEM_WORDS)['joint-limit']>[0]) =>
    PROBLEM_WORDS['joint-limit'](limit).replace(/\.$/, ''),
  'note-injured': () => 'Part left as it lay: a fracture was suspected',
  'note-contrast': ({ minutes }: { minutes: number }) =>
    `${minutes} ${minutes === 1 ? 'minute' : 'minutes'} after the contrast`,
  'note-settle': ({ seconds, plannedMinutes }: { seconds: number; plannedMinutes: number }) =>
    `In the position for ${Math.floor(seconds / 60)} min ${seconds % 60} s, of ${plannedMinutes} minutes`,
  'note-held': () => 'Held by a person: hands may be in the picture',
} as const;
