/** The mAs of a set-up over the thickness of the part, all else as it is: what the chart on the screen draws. */
import { indexPerMas, MODEL_RANGE, type BeamConditions } from '../../exposure/beamModel';
import { convertTechnique } from '../../exposure/convert';
import type { Projection } from '../../projections/schema';
import type { Generator } from '../../room/room';
import type { Setup } from '../setup';
import { compositionAt } from './compositionAt';

export type CurvePoint = { thicknessMm: number; mAs: number };
export type TechniqueCurve = {
  /** From half to one and a half times the thickness of this patient, as far as the model reaches. */
  points: CurvePoint[];
  /** What is asked for at this patient, before the station. */
  here: CurvePoint;
  /** Rows of the room's own chart, brought to the kVp, SID, grid and field of this set-up. */
  rows: CurvePoint[];
};

const FROM = 0.5;
const TO = 1.5;

/** @returns null where the patient is outside the model */
export function techniqueCurveOf(
  setup: Setup,
  { id, exposure: taught }: Projection,
  generator: Generator,
  count = 21,
): TechniqueCurve | null {
  const { exposure, tube, receptor, field } = setup;
  if (!exposure.inModel) return null;
  const composition = compositionAt(taught, exposure.thicknessMm);
  const here: BeamConditions = {
    kVp: exposure.kVp,
    sidMm: tube.sidMm,
    thicknessMm: exposure.thicknessMm,
    composition,
    fieldMm: [field.atReceptorMm.width, field.atReceptorMm.height],
    gridRatio: receptor.grid?.ratio ?? 0,
    outputUGyPerMas: generator.outputUGyPerMas,
    outputPower: generator.outputPower,
  };
  const level = indexPerMas(here);
  const most = MODEL_RANGE.waterMm[1] / composition;
  const points = Array.from(
    { length: count },
    (_, i) => exposure.thicknessMm * (FROM + ((TO - FROM) * i) / (count - 1)),
  )
    .filter((thicknessMm) => thicknessMm <= most)
    .map((thicknessMm) => ({
      thicknessMm,
      mAs:
        (exposure.wantedMas * level) /
        indexPerMas({ ...here, thicknessMm, composition: compositionAt(taught, thicknessMm) }),
    }));
  const rows = (generator.chart ?? [])
    .filter((row) => row.projectionId === id && row.thicknessMm <= most)
    .map(({ mAs, thicknessMm, kVp, sidMm, gridRatio }) => {
      const through = { thicknessMm, composition: compositionAt(taught, thicknessMm) };
      const from = { ...here, ...through, kVp, sidMm, gridRatio, fieldMm: taught.chart.fieldMm };
      return { thicknessMm, mAs: convertTechnique({ mAs }, from, { ...here, ...through }).mAs };
    });
  return { points, here: { thicknessMm: exposure.thicknessMm, mAs: exposure.wantedMas }, rows };
}
