/** Words from numbers: the centring line, the checks by touch and the steps, in the order of the hands. */
import { spokenLandmark } from '../body/landmarkName';
import { GRID_BEARS_DEG } from '../exposure/gridCutoff';
import { formatCm, formatInches, formatLength, formatRectangle, type LengthUnit } from '../quantity/length';
import { formatAngle } from '../quantity/angle';
import { capitalize, listWords } from '../quantity/text';
import { STEP_GROUPS, type Projection, type StepGroup, type Toward } from '../projections/schema';
import type { Setup, SetupStep } from './setup';
import { supportWords } from './support';
import { HOLDER_WORDS } from './way';

/** Closer than this counts as level: a fingertip's breadth. */
const LEVEL_MM = 6;

/** "5 cm" beside the leading inches, or the reverse. */
export const bothUnits = (mm: number, unit: LengthUnit): string =>
  unit === 'in' ? `${formatInches(mm)} in (${formatCm(mm)} cm)` : `${formatCm(mm)} cm (${formatInches(mm)} in)`;

const RELATION: Record<Toward, string> = {
  head: 'above',
  feet: 'below',
  front: 'in front of',
  back: 'behind',
  left: 'left of',
  right: 'right of',
};

/** A hand on a table has no above and below. */
const alongWords = (region: string): { up: string; down: string } =>
  region === 'hand and wrist'
    ? { up: 'toward the wrist from', down: 'toward the fingers from' }
    : { up: 'above', down: 'below' };

export function relationTo(toward: Toward | null, landmarkId: string, region = ''): string {
  if (toward === null) return `at ${spokenLandmark(landmarkId)}`;
  const words = alongWords(region);
  const relation = toward === 'head' ? words.up : toward === 'feet' ? words.down : RELATION[toward];
  return `${relation} ${spokenLandmark(landmarkId)}`;
}

/** How far the aim lies above or below another landmark, along the body. @param mm positive = aim above it */
export function levelAgainst(
  landmarkId: string,
  mm: number,
  unit: LengthUnit,
  region = '',
): Setup['centre']['checkBy'][number] {
  const size = Math.abs(mm);
  const words = alongWords(region);
  const relation = size < LEVEL_MM ? 'level with' : mm > 0 ? words.up : words.down;
  const name = spokenLandmark(landmarkId);
  return {
    landmark: landmarkId,
    mm,
    relation,
    text: relation === 'level with' ? `level with ${name}` : `${bothUnits(size, unit)} ${relation} ${name}`,
  };
}

/** The tilts of the tube: "15° to the head and 45° across to the patient’s right"; nothing when it stands straight. */
export function tiltWords({ angleDeg, angleSays, acrossDeg, acrossSays }: Setup['tube']): string {
  return [
    ...(angleDeg > 0 ? [`${formatAngle(angleDeg)} to the ${angleSays}`] : []),
    ...(acrossDeg > 0 ? [`${formatAngle(acrossDeg)} across to the ${acrossSays}`] : []),
  ].join(' and ');
}

/** "80 kVp, 20 mAs"; without the mAs where nobody can say it. */
export const techniqueWords = ({ kVp, mAs, masKnown }: Pick<Setup['exposure'], 'kVp' | 'mAs' | 'masKnown'>): string =>
  masKnown ? `${kVp} kVp, ${mAs} mAs` : `${kVp} kVp, mAs by the room’s own chart`;

type StepInput = Omit<Setup, 'steps' | 'checks' | 'sources'> & {
  breathingWords: string;
  ownSteps: readonly { group: StepGroup; text: string }[];
};

/** The general steps from the numbers, with the entry's own where they belong. */
export function composeSteps(setup: StepInput, projection: Projection, unit: LengthUnit): SetupStep[] {
  const steps: { group: StepGroup; text: string }[] = [];
  const put = (group: StepGroup, text: string) => steps.push({ group, text });
  const { receptor, tube, centre, field, exposure, position } = setup;
  const horizontal = tube.beam === 'horizontal';

  const turned = receptor.size.fixed
    ? ''
    : receptor.outcome === 'diagonal'
      ? `, on the diagonal (${formatAngle(receptor.tiltDeg)})`
      : `, ${receptor.orientation}`;
  put('room', `Receptor ${receptor.size.name} in the ${HOLDER_WORDS[receptor.holder]}${turned}`);
  put(
    'room',
    `SID ${bothUnits(tube.sidMm, unit)}${tube.angleDeg > 0 ? ', along the ray' : ''}: focal spot ${formatLength(tube.heightMm, unit)} above the ${tube.heightOver}`,
  );
  put(
    'room',
    receptor.grid
      ? `Grid ${receptor.grid.ratio}:1 in`
      : receptor.holder !== 'stand' && tube.acrossDeg > GRID_BEARS_DEG
        ? 'Grid off: the tube leans across its lines'
        : receptor.holder === 'table-top'
          ? 'No grid: on the table top'
          : 'No grid',
  );
  for (const text of [...setup.prepare, ...setup.aids]) put('room', capitalize(text));
  put('patient', 'Two identifiers against the band; the order and the side said aloud');
  if (setup.remove.length > 0) put('patient', `Off: ${listWords(setup.remove)}`);
  put('position', position.say);
  for (const support of position.supports) put('position', supportWords(support, unit));
  put('centre', capitalize(centre.text));
  if (centre.checkBy.length > 0)
    put('centre', `Check by touch: ${listWords(centre.checkBy.map((check) => check.text))}`);
  if (tube.angleDeg > 0) put('centre', `Tube ${formatAngle(tube.angleDeg)} to the ${tube.angleSays}`);
  if (tube.acrossDeg > 0)
    put(
      'centre',
      `Tube ${formatAngle(tube.acrossDeg)} across, ray toward the ${tube.acrossSays}${tube.acrossShiftMm > 0 ? `; receptor ${formatLength(tube.acrossShiftMm, unit)} that way, under the ray` : ''}`,
    );
  if (setup.way?.beam === 'rest') put('centre', `Ray square to the back rest: tube tilted with it`);
  else if (tube.angleDeg === 0 && tube.acrossDeg === 0)
    put('centre', `Tube straight, ray ${horizontal ? 'level' : 'vertical'}`);
  if (tube.receptorShiftToward)
    put(
      'centre',
      `${receptor.holder === 'wall' ? 'Receptor' : receptor.holder === 'table-tray' ? 'Tray' : 'Receptor'} ${formatLength(tube.receptorShiftMm, unit)} toward the ${tube.receptorShiftSays}, under the ray`,
    );
  else put('centre', receptor.holder === 'table-tray' ? 'Tray under the ray' : 'Middle of the receptor on the ray');
  put(
    'field',
    `Light ${formatRectangle(field.atReceptorMm.width, field.atReceptorMm.height, unit)} at the receptor, ${formatRectangle(field.atSkinMm.width, field.atSkinMm.height, unit)} on the skin`,
  );
  if (Math.abs(field.rotationDeg) >= 1)
    put('field', `Collimator turned ${formatAngle(field.rotationDeg)} along the bone`);
  if (receptor.exposures > 1)
    put(
      'field',
      `${receptor.exposures} exposures, overlapping ${formatLength(receptor.overlapMm, unit)}: centred ${listWords(receptor.shiftsMm.map((mm) => `${bothUnits(Math.abs(mm), unit)} toward the ${mm >= 0 ? 'head' : 'feet'}`))} from the aim`,
    );
  put(
    'marker',
    `${setup.marker.letters.length > 1 ? 'Markers' : 'Marker'} ${setup.marker.letters.join(' and ')}: ${setup.marker.place}${setup.marker.extra.length > 0 ? `; also to mark: ${listWords(setup.marker.extra)}` : ''}`,
  );
  for (const { text } of setup.protection) put('protect', capitalize(text));
  put(
    'technique',
    `${techniqueWords(exposure)}, ${exposure.focalSpot} focus${exposure.aec === 'none' ? ', manual' : `, AEC ${exposure.aec} ${exposure.aec === 'centre' ? 'cell' : 'cells'}`}`,
  );
  put('breathe', setup.breathingWords);
  put('expose', 'Expose; look at the picture before the patient moves');
  for (const own of setup.ownSteps) put(own.group, own.text);
  for (const text of projection.checks) put('check', text);

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
