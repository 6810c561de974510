/** What a set-up took for granted beyond the body's own medians. */
import type { Assumption } from '../quantity/provenance';
import type { LengthUnit } from '../quantity/length';
import type { SetupRequest } from './request';
import { bothUnits } from './words';

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
      value: 'thickness along the ray from the body model',
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
