/** Dose of one exposure with how well it is known, against the department's level, and scatter for who must hold. */
import {
  doseLevelFor,
  entranceSurfaceMgy,
  formatLength,
  LEAD_MM,
  scatterUGy,
  withDepartmentDefaults,
  type LengthUnit,
  type Setup,
  significant,
} from '@taktik/core';
import { useDepartmentQuery } from '../../state/api';
import { Words } from '../../ui/Words';

/** Where a holder would stand, if one must: an arm's length from the field. */
const HOLDER_MM = 500;

export function DoseLines({ setup, unit }: { setup: Setup; unit: LengthUnit }) {
  const { data } = useDepartmentQuery();
  const { doseLevels } = withDepartmentDefaults(data);
  const { dose, exposure, field, patient } = setup;
  const skin: [number, number] = [field.atSkinMm.width, field.atSkinMm.height];
  const surface = entranceSurfaceMgy(dose.entranceKermaMgy, exposure.kVp, skin);
  const spread = `±${Math.round(dose.spread * 100)} %`;
  const level = doseLevelFor(doseLevels, setup.projectionId, patient.ageYears);
  const passed = level !== null && dose.kapGyCm2 > level.kapGyCm2;
  const holder = (shielded: boolean) =>
    Number(scatterUGy(dose.entranceKermaMgy, skin, HOLDER_MM, shielded).toPrecision(1));
  return (
    <>
      <Words kind="heading">Dose</Words>
      <Words kind="small">{`${significant(dose.entranceKermaMgy, 2)} mGy incident at the skin, ${significant(surface, 2)} mGy with back-scatter, ${significant(dose.kapGyCm2, 2)} Gy·cm² (${spread})`}</Words>
      {level && (
        <Words kind="small" tone={passed ? 'brick' : 'sage'} role="status">
          {`${passed ? '▲ Over' : '✓ Within'} the department’s level of ${level.kapGyCm2} Gy·cm²${level.fromYears > 0 ? ` from ${level.fromYears} years` : ''}`}
        </Words>
      )}
      <Words kind="small">{`Someone who must hold, ${formatLength(HOLDER_MM, unit)} from the field: about ${holder(false)} µGy, ${holder(true)} µGy behind ${LEAD_MM} mm lead. An order of magnitude.`}</Words>
      <Words kind="small" tone="mauve">
        {`● Estimate, ${spread}. The physicist’s technique chart comes first.`}
      </Words>
    </>
  );
}
