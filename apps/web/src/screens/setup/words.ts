/** Short texts of the set-up screen, from a Setup. No number is made here. */
import {
  angledTo,
  formatAngle,
  formatCm,
  formatInches,
  HOLDER_WORDS,
  onScale,
  STANDARD_SCALE,
  toCentimetres,
  type IndexScale,
  type LengthUnit,
  type PatientInput,
  type Setup,
  type Situation,
} from '@taktik/core';

export type ReadoutText = { figure: string; unit: string; line: string; other: string };

const rectangle = (width: number, height: number, unit: LengthUnit): string =>
  unit === 'in' ? `${formatInches(width, 2)}×${formatInches(height, 2)}` : `${formatCm(width)}×${formatCm(height)}`;
const otherUnit = (unit: LengthUnit): LengthUnit => (unit === 'in' ? 'cm' : 'in');
const length = (mm: number, unit: LengthUnit): string => (unit === 'in' ? formatInches(mm) : formatCm(mm));

export function receptorText(setup: Setup): ReadoutText {
  const { receptor } = setup;
  const laid = receptor.size.fixed ? 'fixed' : receptor.outcome === 'diagonal' ? 'diagonal' : receptor.orientation;
  return {
    figure: receptor.size.name,
    unit: receptor.exposures > 1 ? `× ${receptor.exposures}` : '',
    line: `${laid}, ${HOLDER_WORDS[receptor.holder]}`,
    other: receptor.grid ? `grid ${receptor.grid.ratio}:1` : 'no grid',
  };
}

export const sidText = (setup: Setup, unit: LengthUnit): ReadoutText => ({
  figure: length(setup.tube.sidMm, unit),
  unit,
  line:
    setup.way?.beam === 'rest'
      ? 'along the CR'
      : setup.tube.beam === 'horizontal'
        ? 'horizontal beam'
        : 'vertical beam',
  other: `${length(setup.tube.sidMm, otherUnit(unit))} ${otherUnit(unit)}`,
});

export function tubeText({ tube, way: laid }: Setup): ReadoutText {
  const across = tube.acrossDeg > 0 ? `${formatAngle(tube.acrossDeg)} across to the ${tube.acrossSays}` : '';
  const course = tube.beam === 'horizontal' ? 'horizontal' : 'vertical';
  const other = laid?.beam === 'rest' ? `back rest at ${formatAngle(laid.backRestDeg ?? 0)}` : course;
  if (tube.angleDeg === 0 && across !== '')
    return { figure: formatAngle(tube.acrossDeg), unit: '', line: `across, to the ${tube.acrossSays}`, other };
  const straight = laid?.beam === 'rest' ? 'perpendicular to the back rest' : 'perpendicular';
  return {
    figure: formatAngle(tube.angleDeg),
    unit: '',
    line: tube.angleSays ? `${angledTo(tube.angleSays)}${across === '' ? '' : `, and ${across}`}` : straight,
    other,
  };
}

export const centreText = (setup: Setup, unit: LengthUnit): ReadoutText => ({
  figure: setup.centre.offsetMm > 0 ? length(setup.centre.offsetMm, unit) : 'on',
  unit: setup.centre.offsetMm > 0 ? unit : '',
  line: setup.centre.relation.replace(/^at /, ''),
  other: [
    setup.centre.offsetMm > 0 ? `${length(setup.centre.offsetMm, otherUnit(unit))} ${otherUnit(unit)}` : '',
    setup.centre.line === setup.centre.relation ? '' : setup.centre.line,
  ]
    .filter(Boolean)
    .join(' · '),
});

export const fieldText = (setup: Setup, unit: LengthUnit): ReadoutText => ({
  figure: rectangle(setup.field.atReceptorMm.width, setup.field.atReceptorMm.height, unit),
  unit,
  line: `${rectangle(setup.field.atSkinMm.width, setup.field.atSkinMm.height, unit)} on skin`,
  other: `${rectangle(setup.field.atReceptorMm.width, setup.field.atReceptorMm.height, otherUnit(unit))} ${otherUnit(unit)}`,
});

export const AEC_WORDS: Record<Setup['exposure']['aec'], string> = {
  none: 'manual',
  centre: 'centre cell',
  outer: 'outer cells',
  all: 'all cells',
};

/** An index as the room shows it; where that is another number, the standard one beside it. */
export function indexText(standardIndex: number, scale: IndexScale = STANDARD_SCALE): string {
  const standard = `EI ${Math.round(standardIndex)}`;
  if (scale.kind === 'standard') return standard;
  const shown = onScale(standardIndex, scale);
  return `number ${Math.abs(shown) < 20 ? shown.toFixed(2) : Math.round(shown)} (${standard})`;
}

export const techniqueText = (setup: Setup): ReadoutText => ({
  figure: `${setup.exposure.kVp}`,
  unit: 'kVp',
  // Where nobody can say the mAs, none is shown.
  line: `${setup.exposure.masKnown ? Number(setup.exposure.mAs.toPrecision(3)) : '—'} mAs · ${AEC_WORDS[setup.exposure.aec]}`,
  other: `${setup.exposure.focalSpot} focal spot · ${Math.round(toCentimetres(setup.exposure.thicknessMm))} cm`,
});

const age = (years: number | undefined): string => {
  if (years === undefined) return 'adult';
  if (years === 0) return 'newborn';
  if (years < 1 / 12) return `${Math.max(1, Math.round(years * 52))} wk`;
  return years < 2 ? `${Math.round(years * 12)} mo` : `${Math.floor(years)} y`;
};

export function patientText(patient: PatientInput): string {
  const size = patient.statureMm ? `${Math.round(toCentimetres(patient.statureMm))} cm` : 'median height';
  const mass = patient.massKg ? `${patient.massKg} kg` : 'median weight';
  const measured = Object.values<number | undefined>(patient.measured ?? {}).some((mm) => mm !== undefined)
    ? ['measured']
    : [];
  const amputated = (patient.amputated ?? []).map((each) => `amputated: ${each}`);
  return [age(patient.ageYears), ...amputated, size, mass, ...measured].join(' · ');
}

/** Of these it matters on which side of the chest they are suspected. */
const IN_CHEST: ReadonlySet<Situation['suspected'][number]> = new Set<Situation['suspected'][number]>([
  'fluid level',
  'free gas',
]);

export function situationText(situation: Situation): string {
  const words: string[] = [];
  if (situation.spineNotCleared) words.push('spine not cleared');
  words.push(situation.canStand ? 'stands' : situation.canSit ? 'sits' : 'lies');
  if (situation.proppedDeg > 0) words.push(`propped at ${situation.proppedDeg}°`);
  else if (!situation.canLieFlat) words.push('cannot lie flat');
  const side = situation.suspectedSide ?? 'unknown';
  const where = side === 'unknown' ? '' : ` on the ${side}`;
  words.push(...situation.suspected.map((each) => `${each}${IN_CHEST.has(each) ? where : ''}?`));
  words.push(...situation.keepStill.map((part) => `${part} stays`));
  words.push(...situation.worn);
  for (const each of [situation.cast, situation.condition]) if (each !== 'none') words.push(each);
  if (situation.canTurn === 'none') words.push('cannot turn');
  else if (situation.canTurn !== 'both') words.push(`turns ${situation.canTurn} only`);
  if (situation.canRaiseArm === 'none') words.push('raises no arm');
  else if (situation.canRaiseArm !== 'both') words.push(`raises the ${situation.canRaiseArm} arm only`);
  if (situation.fractureSuspected) words.push('fracture suspected');
  if (Object.keys(situation.joints).length > 0) words.push('joints limited');
  if (situation.place !== 'room') words.push(situation.place);
  return words.join(', ');
}

/** All that a set-up says on its screen: the terms in it are explained there. */
export const shownWords = (setup: Setup): string[] => [
  setup.name,
  ...setup.steps.map(({ text }) => text),
  ...setup.cautions.map(({ text }) => text),
  ...setup.problems.map(({ text }) => text),
  ...['SID', 'CR', 'kVp', 'mAs', 'AEC'],
];
