/** Holder and grid: by the thickness of the part and by what the room has. */
import type { Grid, Holder, Room } from '../../room/room';
import type { Overrides } from '../request';
import { problem, type Problem } from '../problem';

const isFixedGrid = ({ grid, gridRemovable }: Holder): boolean => grid !== null && !gridRemovable;

/** @param part its thickness, and from which on this patient gets a grid, mm */
export function chooseHolder(
  wish: 'yes' | 'no' | 'by-thickness',
  holders: readonly Holder[],
  room: Room,
  { thicknessMm, fromMm }: { thicknessMm: number; fromMm: number },
  overrides: Overrides,
): { holder: Holder; grid: Grid | null; gridWanted: boolean; problems: Problem[] } {
  const gridWanted = overrides.grid ?? (wish === 'yes' || (wish === 'by-thickness' && thicknessMm >= fromMm));
  const own = holders.length > 0 ? holders : room.holders;
  // A grid that cannot be taken out does not decide for a small child: a loose receptor does.
  const loose = wish === 'no' && own.every(isFixedGrid) && own.some(({ kind }) => kind === 'wall');
  const known = loose ? [...own, ...room.holders.filter(({ kind }) => kind === 'stand')] : own;
  const holder =
    known.find((each) => (gridWanted ? each.grid !== null : each.grid === null || each.gridRemovable)) ?? known[0];
  const problems: Problem[] = [];
  let grid: Grid | null = null;
  if (gridWanted) {
    grid = holder.grid;
    if (!grid) problems.push(problem('no-grid', { fromMm, holder: holder.kind, room: room.name }));
  } else if (holder.grid && !holder.gridRemovable) {
    grid = holder.grid;
    problems.push(problem('grid-stays', { holder: holder.kind }));
  }
  return { holder, grid, gridWanted, problems };
}
