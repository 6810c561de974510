/** Step 6: grid, measuring cells, kVp and mAs, and the dose of it. */
import { isChild } from '../../body/patient';
import { doseOf } from '../../exposure/dose';
import { aecFor } from '../technique/aecCover';
import { chartProblems } from '../technique/chartCheck';
import { doseProblems } from '../technique/doseAdvice';
import { gridAt, gridWarnings, type GridCheck } from '../technique/gridCheck';
import { multipliersOf } from '../technique/multipliers';
import { chooseTechnique, type Conditions, type TechniqueChoice } from '../technique/technique';
import { boardOf } from '../verdict/immobilized';
import type { Collimated } from './collimated';

export type Exposed = Collimated & {
  gridCheck: GridCheck | null;
  technique: TechniqueChoice;
  dose: ReturnType<typeof doseOf>;
};

function conditionsOf(lit: Collimated, gridCheck: GridCheck | null): Conditions {
  const {
    body,
    focusToSkinMm,
    grid,
    holder,
    horizontal,
    lightField,
    sidMm,
    situation,
    smallChildKvp,
    thicknessMm,
    unit,
    positioning,
  } = lit;
  return {
    thicknessMm,
    sidMm,
    gridRatio: grid?.ratio ?? 0,
    fieldMm: [lightField.field.width, lightField.field.height],
    aecInHolder: holder.aec,
    support: holder.kind === 'table-tray' ? 'table' : holder.kind === 'wall' ? 'wall' : 'none',
    gridLossAtCentre: gridCheck?.centre ?? 0,
    child: isChild(body.patient),
    multipliers: multipliersOf(situation, boardOf(situation, positioning.body) > 0 && !horizontal),
    cooperative: situation.holdsStill && situation.holdsBreath,
    smallChildKvp,
    focusToSkinMm,
    unit,
  };
}

export function chooseExposure(lit: Collimated): Exposed {
  const {
    focal,
    focusToSkinMm,
    holder,
    lightField,
    overrides,
    placed,
    plane,
    projection,
    room,
    sidMm,
    thicknessMm,
    unit,
  } = lit;
  const gridCheck = gridAt(lit);
  const conditions = conditionsOf(lit, gridCheck);
  const firstChoice = chooseTechnique(projection, room, conditions, overrides);
  const cells = aecFor(firstChoice.inModel ? firstChoice.aec : 'none', overrides.aecCells !== undefined, holder.cells, {
    posed: placed.posed,
    focal,
    plane: { centre: plane.origin, u: plane.u, v: plane.v },
    field: lightField.field,
    kVp: firstChoice.kVp,
    waterMm: thicknessMm * projection.exposure.composition,
  });
  const technique =
    cells.problems.length === 0 || cells.aec === firstChoice.aec
      ? firstChoice
      : chooseTechnique(projection, room, conditions, { ...overrides, aecCells: cells.aec });
  const field: [number, number] = [lightField.field.width, lightField.field.height];
  const dose = doseOf(technique, room.generator, focusToSkinMm, sidMm, field);
  return {
    ...lit,
    ...{ gridCheck, technique, dose },
    problems: [
      ...lit.problems,
      ...(gridCheck ? gridWarnings(gridCheck, overrides, unit) : []),
      ...cells.problems,
      ...technique.problems,
      ...chartProblems(projection.id, thicknessMm, conditions.gridRatio, room),
      ...(technique.masKnown ? doseProblems(dose.entranceKermaMgy, projection, technique.kVp) : []),
    ],
  };
}
