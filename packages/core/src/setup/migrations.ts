/**
 * Set-ups of the record as earlier versions kept them, brought to the form of today, so that everything that shows,
 * compares or computes from one reads one form only. Nothing that was told is changed: what was not kept then is filled
 * with what it must have been, or says that it is not known.
 */
import { STANDING } from '../body/organs';
import { applyToDirection } from '../geometry/frame';
import { dot, type InPatient, type Vec3 } from '../geometry/vector';
import { hasProjection, projectionOf } from '../projections/catalogue';
import { entryOfToday, phaseOfWords } from '../projections/migrations';
import { parseLength } from '../quantity/length';
import { isRecord } from '../quantity/record';
import { situationFor, type SetupRequest } from './request';
import type { Problem } from './problem';
import { SETUP_VERSION, type Marker, type Setup, type SetupCaution, type SetupStep } from './setup';

/** Of both doses, for set-ups that were kept before it was told [typical]. */
export const EARLIER_SPREAD = 0.3;

/** What of the tube was not told then. */
type Across = 'acrossDeg' | 'acrossSays' | 'acrossShiftMm';

/** A set-up of version 1: as today but for what came since, and what was a line of words then. */
export type EarlierSetup = Omit<
  Setup,
  | 'aids'
  | 'breathing'
  | 'cautions'
  | 'dose'
  | 'exposure'
  | 'marker'
  | 'opens'
  | 'position'
  | 'problems'
  | 'protection'
  | 'region'
  | 'scene'
  | 'steps'
  | 'tube'
  | 'version'
> & {
  version?: undefined;
  tube: Omit<Setup['tube'], Across> & Partial<Pick<Setup['tube'], Across>>;
  problems: Omit<Problem, 'values'>[];
  steps: Omit<SetupStep, 'code' | 'values'>[];
  cautions: Omit<SetupCaution, 'code'>[];
  breathing: { words: string; moment: string; commanded?: boolean };
  dose: Omit<Setup['dose'], 'spread'> & { spread?: number };
  exposure: Omit<Setup['exposure'], 'masKnown'> & { masKnown?: boolean };
  marker: Pick<Marker, 'letter' | 'place' | 'extra'> & Partial<Pick<Marker, 'letters' | 'spots'>>;
  position: Omit<Setup['position'], 'supports'> & { supports: string[] };
  protection: string[];
  scene: Omit<Setup['scene'], 'adapt' | 'surfaces'> & Partial<Pick<Setup['scene'], 'adapt' | 'surfaces'>>;
};

/** Upper corner on the side of the letter, or in front of the patient where the letter is the side on the receptor. */
function earlierSpot({ position, marker, scene }: EarlierSetup): Marker['spots'][number] {
  const axis: Vec3<InPatient> = position.facing === 'lateral' ? [0, -1, 0] : [marker.letter === 'L' ? 1 : -1, 0, 0];
  const across = dot(applyToDirection(scene.place, axis), scene.receptor.u) > 0 ? 0.84 : -0.84;
  return { letter: marker.letter, across, up: 0.84 };
}

/** The height that the first version wrote into its line: "On a block 16½ in high: …", "… 42 cm high". */
function supportOf(line: string): Setup['position']['supports'][number] {
  const [said] = /(?:\d+(?:\.\d+)?[¼½¾⅛⅜⅝⅞]?|[¼½¾⅛⅜⅝⅞]) (?:in|cm)\b/.exec(line) ?? [];
  return {
    kind: line.startsWith('Seated') ? 'stool' : 'block',
    // A line without a height, as of a stool, gave none: 0 mm as before.
    mm: said ? Math.round(parseLength(said, 'in')) : 0,
  };
}

const isEarlier = (stored: unknown): stored is EarlierSetup =>
  isRecord(stored) && stored.version === undefined && isRecord(stored.scene) && isRecord(stored.breathing);

function fromEarlier(stored: EarlierSetup, request: SetupRequest | undefined): Setup {
  const known = hasProjection(stored.projectionId) ? projectionOf(stored.projectionId) : null;
  const entry = (request && requestOfToday(request).own) ?? known;
  const { breathing, dose, exposure, marker, position, prepare, protection, scene, tube } = stored;
  // The lines are told apart as those of an entry of that version are.
  const lines = entryOfToday({ demands: [], signs: [], prepare, protection }) as Pick<
    Setup,
    'prepare' | 'protection'
  > & {
    aids?: string[];
  };
  return {
    ...stored,
    version: SETUP_VERSION,
    region: entry?.region ?? null,
    situation: situationFor(stored.patient.ageYears, stored.situation),
    // What was said then was not kept as values.
    problems: stored.problems.map(({ code, text }) => ({ code, values: {}, text })),
    steps: stored.steps.map((step) => ({ ...step, code: 'step-own', values: { own: step.text } })),
    cautions: stored.cautions.map((caution) => ({ ...caution, code: 'caution-own' })),
    position: { ...position, supports: position.supports.map(supportOf) },
    tube: {
      ...tube,
      acrossDeg: tube.acrossDeg ?? 0,
      acrossSays: tube.acrossSays ?? null,
      acrossShiftMm: tube.acrossShiftMm ?? 0,
    },
    way: stored.way ?? null,
    exposure: { ...exposure, masKnown: exposure.masKnown ?? true },
    dose: { ...dose, spread: dose.spread ?? EARLIER_SPREAD },
    marker: { ...marker, letters: marker.letters ?? [marker.letter], spots: marker.spots ?? [earlierSpot(stored)] },
    signs: entry?.signs ?? [],
    opens: entry?.opens ?? null,
    study: entry?.study ?? null,
    showsLevels: entry?.showsLevels ?? false,
    protection: protection.map((text, i) => ({ text, lead: lines.protection[i]?.lead ?? false })),
    breathing: { ...breathing, commanded: breathing.commanded ?? true, phase: phaseOfWords(breathing.words) },
    prepare: lines.prepare,
    aids: lines.aids ?? [],
    scene: { ...scene, adapt: scene.adapt ?? { state: STANDING, girth: null }, surfaces: scene.surfaces ?? [] },
  };
}

/**
 * A set-up that was kept, in the form of today.
 * @param request from which it was computed: holds the entry where it was one of the department’s own
 * @throws RangeError for one of a later version, or for what is no set-up: nothing is guessed
 * @example const setup = setupOfToday(row.setup);
 */
export function setupOfToday(stored: unknown, request?: SetupRequest): Setup {
  if (isEarlier(stored)) return fromEarlier(stored, request);
  const version = isRecord(stored) ? stored.version : undefined;
  if (version === SETUP_VERSION) return stored as Setup;
  throw new RangeError(
    typeof version === 'number' && version > SETUP_VERSION
      ? `this set-up was kept by a later version of the program (form ${version}; this one reads up to ${SETUP_VERSION}): update the program; the record stays as it is`
      : 'this is no set-up that can be read; the record stays as it is',
  );
}

/** The request of a set-up that was kept: an own entry that travelled with it is brought to today’s form. */
export function requestOfToday(request: SetupRequest): SetupRequest {
  const own = request.own && (entryOfToday(request.own) as SetupRequest['own']);
  return { ...request, ...(own && { own }) };
}
