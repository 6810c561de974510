/** What a set-up took for granted beyond the body's own medians. */
import type { Assumption } from '../../quantity/provenance';
import type { LengthUnit } from '../../quantity/length';
import type { Generator } from '../../room/room';
import type { SetupRequest } from '../request';
import type { TechniqueStart } from '../technique/startingPoint';
import { bothUnits } from '../../words/stepWords';

export function assumptionsOf(
  habitus: string,
  request: SetupRequest,
  pelvisMm: number,
  thicknessMm: number | undefined,
  unit: LengthUnit,
): Assumption[] {
  const list: Assumption[] = [];
  if (!request.patient?.habitus)
    list.push({
      field: 'patient.habitus',
      value: `${habitus}, from height and weight`,
      provenance: 'computed',
      affects: 'width and length of the lungs',
    });
  if (thicknessMm === undefined)
    list.push({
      field: 'patient.partThicknessMm',
      value: 'thickness along the CR from the body model',
      provenance: 'computed',
      affects: 'technique and dose',
    });
  if (pelvisMm > 0)
    list.push({
      field: 'patient.pelvis',
      value: `ASIS to table ${bothUnits(pelvisMm, unit)} from the body model`,
      provenance: 'computed',
      affects: 'the angle of the AP knee',
    });
  if (request.situation === undefined)
    list.push({
      field: 'situation',
      value: 'stands, turns, spine cleared',
      provenance: 'house rule',
      affects: 'position',
    });
  return list;
}

/** An SID that was chosen for the grid: why it is another than the usual one. */
export const gridAssumptions = (
  { sidMm, wantedMm, focusMm }: { sidMm: number; wantedMm: number; focusMm: number },
  unit: LengthUnit,
): Assumption[] => [
  {
    field: 'overrides.sidMm',
    value: `SID ${bothUnits(sidMm, unit)} for the grid, which is focused to ${bothUnits(focusMm, unit)}; at ${bothUnits(wantedMm, unit)} it cuts off the edges of the field`,
    provenance: 'computed',
    affects: 'SID, magnification, technique',
  },
];

/** Filtration of the model's beam, mm of aluminium, and how far another may lie off before it is said. */
const MODEL_FILTRATION_MM = 3;
const FILTRATION_SLACK_MM = 0.5;

/** What the technique took for granted of the room. */
export function beamAssumptions(generator: Generator, start: TechniqueStart): Assumption[] {
  const { filtrationMmAl, points } = generator;
  const list: Assumption[] = [];
  if (filtrationMmAl !== undefined && Math.abs(filtrationMmAl - MODEL_FILTRATION_MM) > FILTRATION_SLACK_MM)
    list.push({
      field: 'room.filtration',
      value: `${filtrationMmAl} mm Al in this room; the model's beam has ${MODEL_FILTRATION_MM} mm`,
      provenance: 'given',
      affects: 'technique and dose',
    });
  if (!points || points.length === 0)
    list.push({
      field: 'room.output',
      value: `${generator.outputUGyPerMas} µGy per mAs at 1 m and 80 kVp, not measured`,
      provenance: 'median',
      affects: start.basis === 'measured beam' ? 'technique and dose' : 'dose figures',
    });
  return list;
}
