/** What is moved in the room between two exposures, as facts: by how far, toward what, and whether it takes something back. */
import { applyToDirection } from '../geometry/frame';
import { dot, type InPatient, type InRoom, type Vec3 } from '../geometry/vector';
import type { Room } from '../room/room';
import type { Setup } from '../setup/setup';
import type { Values } from '../words/fact';
import { arrange, type Arranged, type RoomState } from './roomState';

type Kind = 'slide' | 'height' | 'top';
type Code =
  | 'change-end-for-end'
  | 'change-slide'
  | 'change-slide-across'
  | 'change-out-of-reach'
  | 'change-top'
  | 'change-column'
  | 'change-level'
  | 'change-upright-ray'
  | 'change-tube-height'
  | 'change-wall-height';
export type RoomMove = { kind: Kind; code: Code; values: Values; undo: boolean };
export type RoomMoves = {
  patient: RoomMove[];
  stand: RoomMove[];
  table: RoomMove[];
};

const END = { 1: 'head end', [-1]: 'foot end' } as const;
export const endOf = (mm: number): string => (mm > 0 ? END[1] : END[-1]);
/** A top that floats is set to the line of the light: less than this is no move of its own. */
const FROM_MM = 10;
export const far = (mm: number): boolean => Math.abs(mm) >= FROM_MM;

const SIDES: readonly [Vec3<InPatient>, string, string][] = [
  [[1, 0, 0], 'patient’s left', 'patient’s right'],
  [[0, -1, 0], 'patient’s front', 'patient’s back'],
];
const ACROSS: Vec3<InRoom> = [0, 1, 0];
/** What of the patient lies across the table in this direction; a set-up is computed for a head at the head end. */
export function acrossSays({ scene }: Setup, mm: number, { onTop }: Pick<RoomState, 'onTop'>): string {
  const turned = onTop?.head === 'foot end' ? -1 : 1;
  const along = SIDES.map(([axis, plus, minus]) => ({
    share: dot(applyToDirection(scene.place, axis), ACROSS),
    plus,
    minus,
  }));
  const most = along.reduce((a, b) => (Math.abs(b.share) > Math.abs(a.share) ? b : a));
  return most.share * turned * mm > 0 ? most.plus : most.minus;
}

/** Moves of who lies on the table. */
function patientMoves(before: RoomState, { state, ...said }: Arranged, after: Setup): RoomMove[] {
  const moves: RoomMove[] = [];
  const put = (code: Code, values: Values, undo = false) => moves.push({ kind: 'slide', code, values, undo });
  const head = state.onTop?.head ?? null;
  if (said.endForEnd && head) put('change-end-for-end', { head }, head === 'head end');
  if (before.onTop && far(said.slidMm))
    put('change-slide', { mm: Math.abs(said.slidMm), end: endOf(state.onTop!.alongMm - before.onTop.alongMm) });
  if (far(said.slidAcrossMm))
    put('change-slide-across', {
      mm: Math.abs(said.slidAcrossMm),
      to: acrossSays(after, said.slidAcrossMm, state),
      // Toward the edge that is near now, not away from it.
      edgeMm: state.onTop!.acrossMm * said.slidAcrossMm > 0 ? Math.round(said.toEdgeMm ?? 0) : null,
    });
  if (said.outOfReach) put('change-out-of-reach', {});
  return moves;
}

/** Moves of tube and wall stand up and down. */
function standMoves(before: RoomState, state: RoomState): RoomMove[] {
  const moves: RoomMove[] = [];
  const put = (code: Code, values: Values, undo = false) => moves.push({ kind: 'height', code, values, undo });
  const wall = (state.wallMm ?? 0) - (before.wallMm ?? state.wallMm ?? 0);
  if (far(wall)) put('change-wall-height', { mm: wall, heightMm: state.wallMm! });
  const { tube } = state;
  if (tube.level && !before.tube.level) put('change-level', { heightMm: tube.heightMm });
  else if (!tube.level && before.tube.level) put('change-upright-ray', {}, true);
  else if (tube.level && far(tube.heightMm - before.tube.heightMm))
    put('change-tube-height', { mm: tube.heightMm - before.tube.heightMm, heightMm: tube.heightMm });
  return moves;
}

/** Moves of top, tube and tray along and across the table. */
function tableMoves(before: RoomState, { state, heavy }: Arranged, after: Setup): RoomMove[] {
  const moves: RoomMove[] = [];
  const put = (code: Code, values: Values) => moves.push({ kind: 'top', code, values, undo: false });
  const along = state.topAlongMm - before.topAlongMm;
  const across = state.topAcrossMm - before.topAcrossMm;
  if (far(along) || far(across)) {
    put('change-top', {
      alongMm: far(along) ? Math.abs(along) : 0,
      end: endOf(along),
      acrossMm: far(across) ? Math.abs(across) : 0,
      to: acrossSays(after, across, state),
    });
  }
  const column = state.columnMm - before.columnMm;
  if (far(column))
    put('change-column', {
      mm: Math.abs(column),
      end: endOf(column),
      heavy,
      atEnd: Math.abs(state.columnMm) > Math.abs(before.columnMm),
    });
  return moves;
}

/**
 * @param before the exposure that was made, @param after the one that is set now
 * @param where the room of both, and where everything stood after the first; null as if that had been the first of all
 */
export function roomMoves(
  before: Setup,
  after: Setup,
  { room, state = null }: { room: Room; state?: RoomState | null },
): RoomMoves {
  const was = state ?? arrange(null, before, room).state;
  const now = arrange(was, after, room);
  return {
    patient: patientMoves(was, now, after),
    stand: standMoves(was, now.state),
    table: tableMoves(was, now, after),
  };
}
