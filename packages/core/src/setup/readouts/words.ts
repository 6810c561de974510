/** Words from numbers: the centring line, the checks by touch and the steps, in the order of the hands. */
import { holdOf } from './hold';
import { GRID_BEARS_DEG } from '../../exposure/gridCutoff';
import { applyToDirection } from '../../geometry/frame';
import { dot, type InPatient, type Vec3 } from '../../geometry/vector';
import type { LengthUnit } from '../../quantity/length';
import { STEP_GROUPS, type Projection, type StepGroup } from '../../projections/schema';
import type { Setup, SetupStep } from '../setup';
import type { CentreFacts } from './readouts';
import { technique, tilt } from '../../words/changeWords';
import type { Values, ValuesOf } from '../../words/fact';
import { say } from '../../words/say';
import type { STEP_WORDS } from '../../words/stepWords';

/** The tilts of the tube: "15° to the head and 45° across to the patient’s right"; nothing when it stands straight. */
export const tiltWords = ({ angleDeg, angleSays, acrossDeg, acrossSays }: Setup['tube']): string =>
  tilt({ deg: angleDeg, toward: angleSays, acrossDeg, acrossToward: acrossSays });

/** "80 kVp, 20 mAs"; without the mAs where nobody can say it. */
export const techniqueWords = ({ kVp, mAs, masKnown }: Pick<Setup['exposure'], 'kVp' | 'mAs' | 'masKnown'>): string =>
  technique({ kVp, mAs: masKnown ? mAs : null });

type StepInput = Omit<Setup, 'steps' | 'checks' | 'sources'> & {
  ownSteps: readonly { group: StepGroup; text: string }[];
  facts: CentreFacts;
  /** Joints that the chair brings to one level, of an arm on the table. */
  atTable: readonly string[] | null;
};
type StepCode = keyof typeof STEP_WORDS;
type DraftStep = Omit<SetupStep, 'cautions' | 'id'>;

const isSeated = ({ position, situation }: StepInput): boolean =>
  position.body === 'seated' ||
  (position.body === 'upright' && (!situation.canStand || position.supports.some(({ kind }) => kind === 'stool')));

const PATIENT_FRONT: Vec3<InPatient> = [0, -1, 0];
/** The knees of one who sits so are where the receptor is: within 60 degrees. */
const FACING = 0.5;
const facesReceptor = ({ scene }: StepInput): boolean =>
  dot(applyToDirection(scene.place, PATIENT_FRONT), scene.beam) > FACING;

/** The general steps from the numbers, with the entry's own where they belong. */
export function composeSteps(setup: StepInput, projection: Projection, unit: LengthUnit): SetupStep[] {
  const steps: DraftStep[] = [];
  const put = <C extends StepCode>(
    group: StepGroup,
    code: C,
    values: ValuesOf<typeof STEP_WORDS, C> & Values = {} as ValuesOf<typeof STEP_WORDS, C> & Values,
  ) => steps.push({ group, code, values, text: say({ code, values }, { unit }) });
  const { receptor, tube, field, exposure, position, breathing, marker, facts } = setup;
  const { size, holder } = receptor;
  const tray = holder === 'table-tray';

  put('room', 'step-receptor', {
    size: size.name,
    holder,
    laid: size.fixed ? null : receptor.outcome === 'diagonal' ? 'diagonal' : receptor.orientation,
    deg: receptor.tiltDeg,
  });
  put('room', 'step-sid', {
    sidMm: tube.sidMm,
    heightMm: tube.heightMm,
    over: tube.heightOver,
    slanted: tube.angleDeg > 0,
  });
  if (receptor.grid) put('room', 'step-grid', { ratio: receptor.grid.ratio });
  else {
    const leans = holder !== 'stand' && tube.acrossDeg > GRID_BEARS_DEG;
    put('room', 'step-no-grid', { why: leans ? 'leans' : holder === 'table-top' ? 'table-top' : 'none' });
  }
  if (setup.atTable) put('room', 'step-chair', { joints: setup.atTable });
  for (const item of [...setup.prepare, ...setup.aids]) put('room', 'step-prepare', { item });
  put('patient', 'step-identity');
  if (setup.remove.length > 0) put('patient', 'step-remove', { items: setup.remove });
  put('position', 'step-position', { say: position.say });
  for (const { kind, mm } of position.supports) put('position', kind === 'block' ? 'step-block' : 'step-stool', { mm });
  if (holder === 'wall' && isSeated(setup)) {
    if (setup.situation.place === 'chair') put('position', 'step-brakes');
    if (facesReceptor(setup)) put('position', 'step-knees-at-stand');
  }
  const hold = holdOf(setup);
  if (hold) put('position', 'step-hold', hold);
  put('centre', 'step-centre', facts.centre);
  if (facts.touch.names.length > 0) put('centre', 'step-touch', facts.touch);
  if (tube.angleDeg > 0) put('centre', 'step-angle', { deg: tube.angleDeg, toward: tube.angleSays });
  if (tube.acrossDeg > 0)
    put('centre', 'step-across', { deg: tube.acrossDeg, toward: tube.acrossSays, shiftMm: tube.acrossShiftMm });
  if (setup.way?.beam === 'rest') put('centre', 'step-back-rest');
  else if (tube.angleDeg === 0 && tube.acrossDeg === 0)
    put('centre', 'step-straight', { level: tube.beam === 'horizontal' });
  if (tube.receptorShiftToward)
    put('centre', 'step-shift', { tray, mm: tube.receptorShiftMm, toward: tube.receptorShiftSays });
  else put('centre', 'step-on-ray', { tray });
  const { atReceptorMm: lightField, atSkinMm: skin } = field;
  put('field', 'step-light', {
    widthMm: lightField.width,
    heightMm: lightField.height,
    skinWidthMm: skin.width,
    skinHeightMm: skin.height,
  });
  if (Math.abs(field.rotationDeg) >= 1) put('field', 'step-collimator', { deg: field.rotationDeg });
  if (receptor.exposures > 1) {
    const [up, down] = tube.ways;
    put('field', 'step-exposures', { overlapMm: receptor.overlapMm, shiftsMm: receptor.shiftsMm, up, down });
  }
  if (marker.spots.length > 0)
    put('marker', 'step-marker', { letters: marker.letters, place: marker.place, signs: marker.extra });
  else put('marker', 'step-marker-software', { letters: marker.letters, signs: marker.extra });
  if (setup.atTable) put('protect', 'step-knees');
  for (const { text } of setup.protection) put('protect', 'step-protect', { item: text });
  put('technique', 'step-technique', {
    kVp: exposure.kVp,
    mAs: exposure.masKnown ? exposure.mAs : null,
    focus: exposure.focalSpot,
    aec: exposure.aec,
  });
  put('breathe', 'step-breath', { words: breathing.commanded ? breathing.words : null, moment: breathing.moment });
  put('expose', 'step-expose');
  for (const own of setup.ownSteps) put(own.group, 'step-own', { own: own.text });
  for (const criterion of projection.checks) put('check', 'step-check', { criterion });

  const ordered = STEP_GROUPS.flatMap((group) => steps.filter((step) => step.group === group));
  const first = new Set<StepGroup>();
  return ordered.map((step, index) => {
    const opens = !first.has(step.group);
    first.add(step.group);
    return {
      id: `${step.group}-${index}`,
      ...step,
      cautions: opens ? setup.cautions.filter((c) => c.group === step.group).map((c) => c.text) : [],
    };
  });
}
