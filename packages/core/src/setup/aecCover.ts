/** What the measuring cells see: body, or the beam beside it, which ends the exposure early. */
import { adaptBody } from '../body/adapt';
import { buildBody } from '../body/body';
import { poseBody } from '../body/pose';
import { crossSkin, placeBody } from '../body/posed';
import { primaryTransmission } from '../exposure/beamModel';
import { addScaled, normalize, subtract, type Vec3 } from '../geometry/vector';
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { cellsOf, type AecCell } from '../room/aecCells';
import type { Room } from '../room/room';
import type { Setup } from './setup';

export type AecCover = {
  cells: {
    cell: AecCell;
    /** Shares of the cell that see the beam beside the part, and that the light does not reach. */
    raw: number;
    dark: number;
  }[];
  /** What the cells together make of the exposure: shift of the deviation index. */
  shiftDi: number;
  advice: string[];
};

/** Points across a cell each way. */
const GRID = 4;
/** The beam beside the part is this much stronger at most: scatter fills in [typical: 10 to 100]. */
const MOST_RAW = 100;
const MATTERS_DI = 1;

/**
 * @returns null without AEC, or where the patient is outside the model
 * Source: a cell that sees raw beam of ratio q on a share f ends the exposure at 1/((1 − f) + f·q) of what is wanted.
 */
export function aecCoverOf(setup: Setup, room: Room, own?: Projection): AecCover | null {
  const holder = room.holders.find(({ kind }) => kind === setup.receptor.holder);
  const active = cellsOf(holder?.cells, setup.exposure.aec);
  if (active.length === 0 || !setup.exposure.inModel) return null;
  const { scene, field, exposure } = setup;
  const composition = (own ?? projectionOf(setup.projectionId)).exposure.composition;
  const body = adaptBody(buildBody(setup.patient), scene.adapt);
  const posed = placeBody(body, poseBody(body, scene.pose), scene.place);
  const { u, v, centre } = scene.receptor;
  const at = (across: number, up: number): Vec3 => addScaled(addScaled(centre, u, across), v, up);
  const signal = (mm: number) => primaryTransmission(exposure.kVp, mm * composition);
  const part = signal(exposure.thicknessMm);
  const cells = active.map((cell) => {
    const seen = Array.from({ length: GRID * GRID }, (_, i) => {
      const across = cell.acrossMm + (((i % GRID) + 0.5) / GRID - 0.5) * cell.widthMm;
      const up = cell.upMm + ((Math.floor(i / GRID) + 0.5) / GRID - 0.5) * cell.heightMm;
      if (Math.abs(across) > field.atReceptorMm.width / 2 || Math.abs(up) > field.atReceptorMm.height / 2)
        return 'dark';
      const met = crossSkin(posed, scene.focal, normalize(subtract(at(across, up), scene.focal)));
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
