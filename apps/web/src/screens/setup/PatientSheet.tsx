/** Patient and situation: large keys and steppers; everything recomputes while it is open. */
import {
  buildBody,
  centimetres,
  HABITUS,
  measureBody,
  MEASURED_NAMES,
  MEASURED_RANGES,
  mediansFor,
  PATIENT_RANGES,
  resolvePatient,
  toCentimetres,
  type MeasuredPart,
  type Patient,
  type PatientInput,
  type Side,
  type Situation,
} from '@taktik/core';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { SituationControls, SituationPresets } from './SituationControls';

type Props = {
  open: boolean;
  patient: PatientInput;
  situation: Partial<Situation>;
  side: Side | undefined;
  errors: readonly string[];
  onChange: (patient: PatientInput, situation: Partial<Situation>) => void;
  onClose: () => void;
};

/** The filled-in patient, or null when the whole is outside the model (each field alone may be in range). */
function resolved(patient: PatientInput): Patient | null {
  try {
    return resolvePatient(patient).patient;
  } catch {
    return null;
  }
}

/** Dimensions that are taken with caliper or tape at the table. */
const MEASURES: readonly MeasuredPart[] = ['chestAPMm', 'abdomenAPMm', 'hipBreadthMm'];

/** The measures but one; nothing when none is left. */
function without(measured: PatientInput['measured'], part: MeasuredPart): PatientInput['measured'] {
  const rest = Object.entries<number | undefined>(measured ?? {}).filter(
    ([key, mm]) => key !== part && mm !== undefined,
  );
  return rest.length > 0 ? Object.fromEntries(rest) : undefined;
}

const cm = ([low, high]: readonly [number, number]): [number, number] => [toCentimetres(low), toCentimetres(high)];

export function PatientSheet({ open, patient, situation, side, errors, onChange, onClose }: Props) {
  const full = resolved(patient);
  const computed = full && measureBody(buildBody(patient));
  const set = (change: Partial<PatientInput>) => onChange({ ...patient, ...change }, situation);
  const medians = mediansFor(patient.ageYears ?? 40, patient.sex);
  return (
    <Sheet title="Patient and situation" open={open} onClose={onClose}>
      {errors.map((error) => (
        <Words
          key={error}
          kind="small"
          tone="brick"
          role="alert"
        >{`▲ ${error}. The numbers shown are still those from before.`}</Words>
      ))}
      <SituationPresets patient={patient} situation={situation} side={side} onChange={onChange} />
      <Stepper
        label="Age"
        unit="y"
        value={patient.ageYears}
        assumed={patient.ageYears === undefined}
        placeholder={String(full?.ageYears ?? 40)}
        step={(patient.ageYears ?? 40) < 2 ? 0.25 : 1}
        digits={2}
        range={PATIENT_RANGES.ageYears}
        onChange={(ageYears) => set({ ageYears })}
      />
      <Stepper
        label="Height"
        unit="cm"
        value={patient.statureMm === undefined ? undefined : toCentimetres(patient.statureMm)}
        assumed={patient.statureMm === undefined}
        placeholder={String(Math.round(toCentimetres(full?.statureMm ?? medians.statureMm)))}
        step={1}
        digits={1}
        range={cm(PATIENT_RANGES.statureMm)}
        onChange={(value) => set({ statureMm: centimetres(value) })}
      />
      <Stepper
        label="Weight"
        unit="kg"
        value={patient.massKg}
        assumed={patient.massKg === undefined}
        placeholder={String(Math.round(full?.massKg ?? medians.massKg))}
        step={(patient.massKg ?? medians.massKg) < 20 ? 0.5 : 1}
        digits={1}
        range={PATIENT_RANGES.massKg}
        onChange={(massKg) => set({ massKg })}
      />
      <Stepper
        label="Measured part"
        unit="cm"
        value={patient.partThicknessMm === undefined ? undefined : toCentimetres(patient.partThicknessMm)}
        step={0.5}
        digits={1}
        placeholder="–"
        range={cm(PATIENT_RANGES.partThicknessMm)}
        onChange={(value) => set({ partThicknessMm: centimetres(value) })}
        onClear={() => set({ partThicknessMm: undefined })}
      />
      {MEASURES.map((part) => (
        <Stepper
          key={part}
          label={MEASURED_NAMES[part]}
          unit="cm"
          value={patient.measured?.[part] === undefined ? undefined : toCentimetres(patient.measured[part])}
          step={0.5}
          digits={1}
          placeholder={computed ? toCentimetres(computed[part]).toFixed(1) : '–'}
          range={cm(MEASURED_RANGES[part])}
          onChange={(value) => set({ measured: { ...patient.measured, [part]: centimetres(value) } })}
          onClear={() => set({ measured: without(patient.measured, part) })}
        />
      ))}
      <Choice
        label="Sex"
        options={[
          { value: 'female', label: 'female' },
          { value: 'male', label: 'male' },
          { value: 'unknown', label: 'not given' },
        ]}
        value={patient.sex ?? 'unknown'}
        onChange={(value) => set({ sex: value === 'unknown' ? undefined : value })}
      />
      <Choice
        label="Build"
        options={[
          { value: 'auto', label: `from size${full ? ` (${full.habitus})` : ''}` },
          ...HABITUS.map((value) => ({ value, label: value })),
        ]}
        value={patient.habitus ?? 'auto'}
        onChange={(value) => set({ habitus: value === 'auto' ? undefined : value })}
      />
      <SituationControls patient={patient} situation={situation} side={side} onChange={onChange} />
    </Sheet>
  );
}
