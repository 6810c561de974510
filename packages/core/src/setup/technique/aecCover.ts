/** What the measuring cells see: body, or the beam beside it, which ends the exposure early. */
import { posedIn } from '../../body/posedIn';
import { crossSkin, type PosedBody } from '../../body/posed';
import { primaryTransmission } from '../../exposure/beamModel';
import { addScaled, normalize, subtract, type Vec3 } from '../../geometry/vector';
import { projectionOf } from '../../projections/catalogue';
import type { Projection } from '../../projections/schema';
import { cellCorners, cellsOf, type AecCell } from '../../room/aecCells';
import type { Room } from '../../room/room';
import { problem, type Problem } from '../problem';
import type { Setup } from '../setup';
import { compositionAt } from './compositionAt';

export type AecCover = {
  cells: {
    cell: AecCell;
    /** Shares of the cell that see the beam beside the part, and that the light does not reach. */
    raw: number;
    dark: number;
  }[];
  /** What the cells together make of the exposure: shift of the deviation index. */
  shiftDi: number;
  /** Shares of the cells that see the beam beside the part, and nothing. */
  raw: number;
  dark: number;
  advice: string[];
};

/** Points across a cell each way. */
const GRID = 4;
/** The beam beside the part is this much stronger at most: scatter fills in [typical: 10 to 100]. */
const MOST_RAW = 100;
const MATTERS_DI = 1;

type Cells = {
  posed: PosedBody;
  focal: Vec3;
  /** Middle of the receptor, and its axes across and up. */
  plane: { centre: Vec3; u: Vec3; v: Vec3 };
  field: { width: number; height: number };
  kVp: number;
  /** Water-equivalent thickness of the part. */
  waterMm: number;
};

/**
 * What some measuring cells see, and by how much the exposure ends early or late for it.
 * Source: a cell that sees raw beam of ratio q on a share f ends the exposure at 1/((1 − f) + f·q) of what is wanted.
 */
function coverOfCells(active: readonly AecCell[], { posed, focal, plane, field, kVp, waterMm }: Cells): AecCover {
  const { u, v, centre } = plane;
  const at = (across: number, up: number): Vec3 => addScaled(addScaled(centre, u, across), v, up);
  const part = primaryTransmission(kVp, waterMm);
  const cells = active.map((cell) => {
    const seen = Array.from({ length: GRID * GRID }, (_, i) => {
      const across = cell.acrossMm + (((i % GRID) + 0.5) / GRID - 0.5) * cell.widthMm;
      const up = cell.upMm + ((Math.floor(i / GRID) + 0.5) / GRID - 0.5) * cell.heightMm;
      if (Math.abs(across) > field.width / 2 || Math.abs(up) > field.height / 2) return 'dark';
      const met = crossSkin(posed, focal, normalize(subtract(at(across, up), focal)));
      return met && met.thicknessMm > 0 ? 'part' : 'raw';
    });
    const share = (what: string) => seen.filter((each) => each === what).length / seen.length;
    return { cell, raw: share('raw'), dark: share('dark') };
  });
  const mean = (of: (each: (typeof cells)[number]) => number) =>
    cells.reduce((sum, each) => sum + of(each), 0) / cells.length;
  const [raw, dark] = [mean((each) => each.raw), mean((each) => each.dark)];
  const strength = 1 - raw - dark + raw * Math.min(MOST_RAW, 1 / part);
  const shiftDi = strength > 0 ? -10 * Math.log10(strength) : Infinity;
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  return {
    cells,
    shiftDi,
    raw,
    dark,
    advice: [
      ...(raw > 0 && shiftDi <= -MATTERS_DI
        ? [
            `${percent(raw)} of the cells sees the beam beside the part: it would end early, about ${Math.abs(shiftDi).toFixed(1)} DI under. Other cells, or by hand`,
          ]
        : []),
      ...(dark > 0 && shiftDi >= MATTERS_DI
        ? [`${percent(dark)} of the cells lies outside the light: it would run on. Other cells, or by hand`]
        : []),
    ],
  };
}

/** @returns null without AEC, or where the patient is outside the model */
export function aecCoverOf(setup: Setup, room: Room, own?: Projection): AecCover | null {
  const holder = room.holders.find(({ kind }) => kind === setup.receptor.holder);
  const active = cellsOf(holder?.cells, setup.exposure.aec);
  if (active.length === 0 || !setup.exposure.inModel) return null;
  const { scene, field, exposure } = setup;
  const composition = compositionAt((own ?? projectionOf(setup.projectionId)).exposure, exposure.thicknessMm);
  return coverOfCells(active, {
    posed: posedIn(setup),
    focal: scene.focal,
    plane: scene.receptor,
    field: field.atReceptorMm,
    kVp: exposure.kVp,
    waterMm: exposure.thicknessMm * composition,
  });
}

/** Whether every corner of every cell lies in the light and under the part: then so does what is between. */
const wholly = (cells: readonly AecCell[], { posed, focal, plane, field }: Cells): boolean =>
  cells.every((cell) =>
    cellCorners(cell).every(
      ([across, up]) =>
        Math.abs(across) <= field.width / 2 &&
        Math.abs(up) <= field.height / 2 &&
        crossSkin(
          posed,
          focal,
          normalize(subtract(addScaled(addScaled(plane.centre, plane.u, across), plane.v, up), focal)),
        ) !== null,
    ),
  );

type Aec = Setup['exposure']['aec'];
const CHOICES: readonly Exclude<Aec, 'none'>[] = ['centre', 'outer', 'all'];

/**
 * The cells with which the exposure ends where it should: those of the entry, else others, else none and by hand.
 * @param byHand cells that somebody chose: they are kept, and what is wrong with them is said
 */
export function aecFor(
  asked: Aec,
  byHand: boolean,
  cells: readonly AecCell[] | undefined,
  at: Cells,
): { aec: Aec; problems: Problem[] } {
  if (asked === 'none' || wholly(cellsOf(cells, asked), at)) return { aec: asked, problems: [] };
  const own = coverOfCells(cellsOf(cells, asked), at);
  if (own.advice.length === 0) return { aec: asked, problems: [] };
  const early = own.shiftDi < 0;
  const seen = { early, share: early ? own.raw : own.dark, underDi: early ? -own.shiftDi : 0 };
  const said = (instead: Aec | null) => [problem('aec-cover', { cells: asked, ...seen, instead, byHand })];
  if (byHand) return { aec: asked, problems: said(null) };
  const better = CHOICES.find(
    (each) =>
      each !== asked && cellsOf(cells, each).length > 0 && coverOfCells(cellsOf(cells, each), at).advice.length === 0,
  );
  return better ? { aec: better, problems: said(better) } : { aec: 'none', problems: said(null) };
}
