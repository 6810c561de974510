/** Where everything stands for one exposure, in lines for a person. */
import { buildBody, landmarkOf } from '../body/body';
import type { LengthUnit } from '../quantity/length';
import { tableOf, type Room } from '../room/room';
import type { Setup } from '../setup/setup';
import type { Values, ValuesOf } from '../words/fact';
import type { ROOM_WORDS } from '../words/roomWords';
import { say } from '../words/say';
import { acrossSays, endOf, far } from './roomMoves';
import type { Arranged } from './roomState';

export type RoomLine = { code: keyof typeof ROOM_WORDS; values: Values; text: string };

/** Nearer to the long edge than this is said. */
const NEAR_EDGE_MM = 100;

/**
 * @param arranged where this set-up leaves the room
 * @example roomLines(arrange(null, setup, ROOM_ONE), setup, ROOM_ONE)[0].text // "Patient: head to the head end of the table, …"
 */
export function roomLines(
  { state, toEdgeMm }: Arranged,
  setup: Setup,
  room: Room,
  unit: LengthUnit = 'in',
): RoomLine[] {
  const lines: RoomLine[] = [];
  const put = <C extends keyof typeof ROOM_WORDS>(code: C, values: ValuesOf<typeof ROOM_WORDS, C> & Values) =>
    lines.push({ code, values, text: say({ code, values }, { unit }) });
  const table = tableOf(room);
  const size = (mm: number): number => (far(mm) ? Math.abs(mm) : 0);
  const { onTop, topAlongMm, topAcrossMm, trayMm, columnMm, tube, wallMm } = state;
  if (onTop && table) {
    const head = onTop.head === 'head end' ? 1 : -1;
    const vertex = landmarkOf(buildBody(setup.patient), 'vertex').p[2];
    put('room-head', { head: onTop.head, fromEndMm: table.lengthMm / 2 - head * onTop.alongMm - vertex });
    if (toEdgeMm !== null && toEdgeMm < NEAR_EDGE_MM)
      put('room-edge', {
        edgeMm: Math.max(0, toEdgeMm),
        to: far(onTop.acrossMm) ? acrossSays(setup, onTop.acrossMm, state) : null,
      });
    const top = {
      ...{ alongMm: size(topAlongMm), end: endOf(topAlongMm) },
      ...{ acrossMm: size(topAcrossMm), to: acrossSays(setup, topAcrossMm, state) },
    };
    if (top.alongMm > 0 || top.acrossMm > 0) put('room-top', top);
    else put('room-top-middle', {});
    if (setup.receptor.holder === 'table-tray')
      put('room-tray', {
        ...{ mm: size(trayMm), end: endOf(trayMm) },
        ...{ fromCrMm: size(trayMm - columnMm), crEnd: endOf(trayMm - columnMm) },
      });
  }
  put('room-tube', { heightMm: tube.heightMm, level: tube.level });
  if (setup.receptor.holder === 'wall' && wallMm !== null) put('room-wall', { heightMm: wallMm });
  return lines;
}
