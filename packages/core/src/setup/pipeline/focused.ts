/** Steps 4 and 5 where the grid has a say: at a distance for which it is not made it cuts off the edges of the field. */
import { toInches, toCentimetres, centimetres, inches } from '../../quantity/length';
import { EDGE_SHARE, gridAt } from '../technique/gridCheck';
import type { Aimed } from './aimed';
import { openCollimator, type Collimated } from './collimated';
import { standOrSit } from './seated';
import { standInRoom, type Stood } from './stood';

/** An SID is set in such steps. */
const STEP = { in: 2, cm: 5 } as const;

/**
 * The SID within the range of the view at which the grid bears the field, to a whole step.
 * @returns null where the grid bears it already, where it was set by hand, or where no longer SID is taught
 */
function sidForGrid(lit: Collimated): number | null {
  const { overrides, projection, sidMm, unit } = lit;
  if (overrides.sidMm !== undefined) return null;
  const check = gridAt(lit);
  if (!check || check.worseEdge < EDGE_SHARE) return null;
  const [nearMm] = check.tolerance.distanceMm;
  if (check.distanceMm >= nearMm) return null;
  const neededMm = (nearMm * sidMm) / check.distanceMm;
  const stepped =
    unit === 'in'
      ? inches(Math.ceil(toInches(neededMm) / STEP.in) * STEP.in)
      : centimetres(Math.ceil(toCentimetres(neededMm) / STEP.cm) * STEP.cm);
  const longerMm = Math.min(stepped, projection.sid.rangeMm[1]);
  return longerMm > sidMm ? longerMm : null;
}

/** Patient, tube and receptor in the room and the field opened: farther away where the grid asks for it. */
export function standForGrid(stood: Stood, aimed: Aimed): Collimated {
  const lit = openCollimator(stood);
  const sidForGridMm = sidForGrid(lit);
  if (sidForGridMm === null || !lit.grid) return lit;
  const farther = openCollimator(standInRoom(standOrSit({ ...aimed, sidForGridMm })));
  return farther.sidMm > lit.sidMm ? farther : lit;
}
