/** Where everything stands in the room, as it is told: one sentence a code. */
import { formatLength } from '../quantity/length';
import type { Speech } from './fact';

export const ROOM_WORDS = {
  'room-head': ({ head, fromEndMm }: { head: string; fromEndMm: number }, { unit }: Speech) =>
    `Patient: head to the ${head} of the table, ${formatLength(fromEndMm, unit)} from its edge`,
  'room-edge': ({ edgeMm, to }: { edgeMm: number; to: string | null }, { unit }: Speech) =>
    `${formatLength(edgeMm, unit)} from ${to === null ? 'either long edge: rails up or somebody on both sides' : `the long edge on the side of the ${to}: a rail up or somebody there`}`,
  'room-top-middle': () => 'Table top: in its middle',
  'room-top': (
    { alongMm, end, acrossMm, to }: { alongMm: number; end: string; acrossMm: number; to: string },
    { unit }: Speech,
  ) =>
    `Table top: ${[
      ...(alongMm > 0 ? [`${formatLength(alongMm, unit)} toward its ${end}`] : []),
      ...(acrossMm > 0 ? [`${formatLength(acrossMm, unit)} across toward the ${to}`] : []),
    ].join(', ')}`,
  'room-tray': (
    { mm, end, fromCrMm, crEnd }: { mm: number; end: string; fromCrMm: number; crEnd: string },
    { unit }: Speech,
  ) =>
    `Tray: ${mm > 0 ? `${formatLength(mm, unit)} from its middle toward the table’s ${end}` : 'in its middle'}${fromCrMm > 0 ? `; ${formatLength(fromCrMm, unit)} from the aim toward the table’s ${crEnd}` : ', under the tube'}`,
  'room-tube': ({ heightMm, level }: { heightMm: number; level: boolean }, { unit }: Speech) =>
    `Tube: ${level ? 'level, ' : ''}focal spot ${formatLength(heightMm, unit)} above the floor`,
  'room-wall': ({ heightMm }: { heightMm: number }, { unit }: Speech) =>
    `Wall stand: centre ${formatLength(heightMm, unit)} above the floor`,
} as const;
