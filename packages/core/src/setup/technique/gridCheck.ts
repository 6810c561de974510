/** How the grid of a set-up stands to its ray: what it cuts off, what it bears, and how far the tube may lean. */
import { gridLoss, gridTolerance, type GridLoss } from '../../exposure/gridCutoff';
import { cosDeg, toDegrees } from '../../quantity/angle';
import type { LengthUnit } from '../../quantity/length';
import type { Grid, Room } from '../../room/room';
import type { Overrides } from '../request';
import { problem, type Problem } from '../problem';

export type GridCheck = GridLoss & {
  ratio: number;
  focusMm: number;
  /** Focal spot to grid, square to it. */
  distanceMm: number;
  /** Strips run up the receptor, or across it. */
  strips: 'up' | 'across';
  /** Half of the field across the strips. */
  edgeMm: number;
  /** Tilt across the strips and place of the focal spot across them, as they are. */
  tiltDeg: number;
  offCentreMm: number;
  /** What may be off before the centre loses `CENTRE_SHARE`, and the distances before the edge loses `EDGE_SHARE`; null: however far. */
  tolerance: { tiltDeg: number; offCentreMm: number; distanceMm: readonly [number, number | null] };
  /** Tube angle up or down the receptor that the grid bears at this SID; 0 where it bears none. */
  angleUpToDeg: number;
};

/** Losses that are still borne: of the centre, and of the edge by a wrong distance. Source: application limits of grids. */
export const CENTRE_SHARE = 0.2;
export const EDGE_SHARE = 0.4;

function checkGrid(
  grid: Grid,
  at: {
    sidMm: number;
    /** Tilt of the ray against the grid, up the receptor and across it. */
    alongDeg: number;
    acrossDeg: number;
    fieldMm: { width: number; height: number };
    crosswise: boolean;
    maxAngleDeg: number;
  },
  { gridLevelDeg = 0, gridCentreMm = 0 }: Overrides,
): GridCheck {
  const strips = grid.strips === 'plate' && at.crosswise ? 'across' : 'up';
  const edgeMm = (strips === 'up' ? at.fieldMm.width : at.fieldMm.height) / 2;
  const tiltDeg = (strips === 'up' ? at.acrossDeg : at.alongDeg) + gridLevelDeg;
  const distanceMm = at.sidMm * cosDeg(at.alongDeg) * cosDeg(at.acrossDeg);
  const { ratio, focusMm } = grid;
  const { tiltDeg: bearsDeg, offCentreMm: bearsMm } = gridTolerance(ratio, focusMm, edgeMm, CENTRE_SHARE);
  const range = gridTolerance(ratio, focusMm, edgeMm, EDGE_SHARE).distanceMm;
  const lowest = Math.min(1, range[0] / at.sidMm);
  return {
    ...gridLoss({ ratio, focusMm, distanceMm, offCentreMm: gridCentreMm, tiltDeg, edgeMm }),
    ratio,
    focusMm,
    distanceMm,
    strips,
    edgeMm,
    tiltDeg,
    offCentreMm: gridCentreMm,
    tolerance: { tiltDeg: bearsDeg, offCentreMm: bearsMm, distanceMm: range },
    angleUpToDeg:
      strips === 'across' ? bearsDeg : Math.min(at.maxAngleDeg, lowest >= 1 ? 0 : toDegrees(Math.acos(lowest))),
  };
}

/** What decides how the grid of a set-up stands to its ray. */
type GridOfSetup = {
  grid: Grid | null;
  angle: { signedDeg: number; acrossDeg: number };
  lightField: { field: { width: number; height: number }; orientation: 'lengthwise' | 'crosswise' };
  overrides: Overrides;
  room: Room;
  sidMm: number;
  square: boolean;
};

/** The grid of a set-up that has its field; null where there is none. */
export function gridAt({ angle, grid, lightField, overrides, room, sidMm, square }: GridOfSetup): GridCheck | null {
  if (!grid) return null;
  const at = {
    sidMm,
    alongDeg: square ? 0 : angle.signedDeg,
    acrossDeg: square ? 0 : angle.acrossDeg,
    fieldMm: lightField.field,
    crosswise: lightField.orientation === 'crosswise',
    maxAngleDeg: room.tube.maxAngleDeg,
  };
  return checkGrid(grid, at, overrides);
}

/** What the grid cuts off as it stands: by what was told to be off, by its distance, or by a tube that leans across it. */
export function gridWarnings(
  check: GridCheck,
  { gridLevelDeg = 0, gridCentreMm = 0 }: Overrides,
  unit: LengthUnit,
): Problem[] {
  if (check.centre < CENTRE_SHARE && check.worseEdge < EDGE_SHARE) return [];
  const known = gridLevelDeg !== 0 || gridCentreMm !== 0;
  const [nearMm, farMm] = check.tolerance.distanceMm;
  const distant = check.distanceMm < nearMm || (farMm !== null && check.distanceMm > farMm);
  return [
    problem(
      'grid-cut-off',
      {
        centre: check.centre,
        edge: check.worseEdge,
        by: known ? 'placing' : distant ? 'distance' : 'lean',
        focusMm: check.focusMm,
        nearMm,
        farMm,
      },
      unit,
    ),
  ];
}
