/**
 * Everything that casts a shadow in a set-up: the body, what is in its organs and what is round its parts.
 * The body is made in its own frame, where it stays the same while tube, receptor or patient are moved.
 */
import { lately } from '../quantity/lately';
import { adaptBody } from '../body/adapt';
import { buildBody, presentPieces } from '../body/body';
import { shrunk } from '../body/intervals';
import type { Primitive } from '../body/primitive';
import { poseBody } from '../body/pose';
import { placeBody, posedSkin, type PosedBody } from '../body/posed';
import { hasTrueBones, standingBones, type Skeleton, type TrueBone } from '../body/skeleton';
import { moveShape } from '../body/shape';
import { solidOf, type Solid } from '../body/surface';
import { applyToDirection, IDENTITY, inverse, type Frame } from '../geometry/frame';
import { dot, type InPatient, type Vec3 } from '../geometry/vector';
import { ROOM_UP } from '../room/position';
import type { Setup } from '../setup/setup';
import { contrastFor, isFilled } from './contrast';
import { growthPlates, isOssified, shortBonePlate } from './growth';
import { mergedElements, rankedElements, type Element } from './pieces';

/** Pieces with the segment they ride on; gas of stomach and bowel apart: contrast takes its place. */
type Piece = { id: string; segment: string; solid: Solid };
type Standing = {
  posed: PosedBody<InPatient>;
  pieces: Piece[];
  gas: Solid[];
  /** The pieces that are not out of the light, taken apart and ranked; by what is out of it. */
  ranked: Map<string, Element[]>;
  /** True bones where they stand, by the skeleton that they are of. */
  bones: WeakMap<Skeleton, TrueBone[]>;
};
const GAS = /^(gas_|stomach_gas)/;
const PLATE = 'growth plate';

/** Bodies that were simulated last; a few, for comparing. */
const KEPT = 4;
const kept = lately<Standing>(KEPT);

/** The same by the very objects of a set-up, which moving the patient leaves as they are. */
const known = new WeakMap<Setup['scene']['pose'], { adapt: unknown; patient: unknown; standing: Standing }>();

function standing({ patient, scene }: Setup): Standing {
  const cached = known.get(scene.pose);
  if (cached && cached.adapt === scene.adapt && cached.patient === patient) return cached.standing;
  const made = standingFor({ patient, scene });
  known.set(scene.pose, { adapt: scene.adapt, patient, standing: made });
  return made;
}

function standingFor({ patient, scene }: Pick<Setup, 'patient' | 'scene'>): Standing {
  return kept(JSON.stringify([patient, scene.adapt, scene.pose]), () => makeStanding({ patient, scene }));
}

function makeStanding({ patient, scene }: Pick<Setup, 'patient' | 'scene'>): Standing {
  const body = adaptBody(buildBody(patient), scene.adapt);
  const posed = placeBody(body, poseBody(body, scene.pose), IDENTITY);
  const { ageYears, sex } = body.patient;
  const gas: Solid[] = [];
  const solidsFor = (reference: Primitive): Solid[] => {
    const own = solidOf(posed, reference);
    if (GAS.test(reference.id)) {
      gas.push(...own);
      return [];
    }
    if (!isOssified(reference.id, ageYears, sex)) return [{ ...own[0], material: 'cartilage' }];
    return [...own, ...shortBonePlate(reference, own, posed)];
  };
  const pieces = presentPieces(body).flatMap((reference) =>
    solidsFor(reference).map((solid): Piece => ({ id: reference.id, segment: reference.segment, solid })),
  );
  return {
    posed,
    gas,
    pieces: [
      ...pieces,
      ...growthPlates(posed)
        .filter(({ segment }) => !body.gone.has(segment))
        .map((plate): Piece => ({ id: PLATE, ...plate })),
    ],
    ranked: new Map(),
    bones: new WeakMap(),
  };
}

const FRONT: Vec3 = [0, -1, 0];
/** The body of a set-up in its own frame. */
export const standingOf = (setup: Setup): PosedBody<InPatient> => standing(setup).posed;

/** Thickness of what is round a part, and of what it is made. Source: typical thickness of casts [C]. */
const ROUND: Partial<Record<Setup['situation']['cast'], { mm: number; material: string }>> = {
  fibreglass: { mm: 5, material: 'pmma' },
  'dry plaster': { mm: 7, material: 'plaster' },
  'wet plaster': { mm: 12, material: 'plaster' },
};

/** A cast round the limb that is examined: its skin, grown; nothing round the trunk or the head. */
function coverings({ situation, inPart }: Setup, posed: PosedBody): Solid[] {
  const round = ROUND[situation.cast];
  if (!round) return [];
  const limb = new Set(inPart.flatMap(({ segment }) => coveredWith(segment)));
  return posedSkin(posed)
    .filter(({ segment }) => limb.has(segment))
    .flatMap(({ shape }) => shrunk(shape, -round.mm))
    .map((shape) => ({ shape, material: round.material, priority: UNDER_SKIN }));
}
/** Segments of the skin that a cast for a part goes round; a cast at a joint takes both sides of it. */
const CASTS_ROUND: readonly (readonly [RegExp, readonly string[]])[] = [
  [/^(hand|finger\d|radius)_/, ['forearm', 'hand']],
  [/^forearm_/, ['forearm', 'upperarm']],
  [/^upperarm_/, ['upperarm']],
  [/^(foot|toes|talus)_/, ['foot', 'shank']],
  [/^(shank|patella)_/, ['shank', 'thigh']],
  [/^thigh_/, ['thigh']],
];
function coveredWith(segment: string): string[] {
  const found = CASTS_ROUND.find(([part]) => part.test(segment));
  return found ? found[1].map((name) => name + segment.slice(-2)) : [];
}
const UNDER_SKIN = 0.5;

const ARM = /^(hand|finger\d|radius|forearm|upperarm)_/;
const LOWER_LEG = /^(foot|toes|talus|shank|patella)_/;
/**
 * What is held out of the light of a view of one limb: the other limb, and the legs under a table at which an arm lies.
 * The model bends them as the body sits or lies; a technologist moves them away.
 */
function outOfTheField({ scene, inPart, side }: Setup): RegExp | null {
  if (!scene.oneSided || !side) return null;
  const other = side === 'left' ? 'R' : 'L';
  const parts = inPart.map(({ segment }) => segment);
  if (parts.some((part) => LOWER_LEG.test(part))) return new RegExp(`^(thigh|shank|patella|talus|foot|toes)_${other}$`);
  if (parts.some((part) => ARM.test(part)) && !parts.some((part) => /^(scapula|clavicle)/.test(part)))
    return new RegExp(`^((thigh|shank|patella|talus|foot|toes)_[LR]|(hand|finger\\d|radius|forearm)_${other})$`);
  return null;
}

/** What changes with position, entry and situation while the body stays: gas or contrast, and what is round a part. */
function besideBody(setup: Setup): Solid[] {
  const { posed, gas } = standing(setup);
  const up = applyToDirection(inverse(setup.scene.place), ROOM_UP);
  const bowel = isFilled(setup.study) ? [] : gas;
  return [...bowel, ...coverings(setup, posed), ...contrastFor(setup.study, posed, up, FRONT)];
}

const inTheField = (pieces: readonly Piece[], away: RegExp | null, covered?: ReadonlySet<string>): Solid[] =>
  pieces.filter(({ id, segment }) => !away?.test(segment) && !covered?.has(id)).map(({ solid }) => solid);

/** The skeleton of this body, where it is one of the grown. */
const skeletonOf = ({ posed }: Standing, skeleton: Skeleton | undefined): Skeleton | undefined =>
  skeleton && hasTrueBones(posed) ? skeleton : undefined;

/** All of it in the frame of the patient; true bones are no solids and not among them. */
export const patientSolids = (setup: Setup, skeleton?: Skeleton): Solid[] => {
  const own = standing(setup);
  return [...inTheField(own.pieces, outOfTheField(setup), skeletonOf(own, skeleton)?.covers), ...besideBody(setup)];
};

/** The same taken apart and ranked, for casting. */
export function patientElements(setup: Setup, skeleton?: Skeleton): Element[] {
  const own = standing(setup);
  const { pieces, ranked } = own;
  const away = outOfTheField(setup);
  const covers = skeletonOf(own, skeleton)?.covers;
  const key = [String(away), ...(covers ?? [])].join();
  let body = ranked.get(key);
  if (!body) ranked.set(key, (body = rankedElements(inTheField(pieces, away, covers))));
  return mergedElements(body, rankedElements(besideBody(setup)));
}

/** The true bones of a body that are in the light's way, in the frame of the patient. */
export function patientBones(setup: Setup, skeleton: Skeleton | undefined): TrueBone[] {
  const own = standing(setup);
  const used = skeletonOf(own, skeleton);
  if (!used) return [];
  let bones = own.bones.get(used);
  if (!bones) own.bones.set(used, (bones = standingBones(used, own.posed)));
  const away = outOfTheField(setup);
  return away ? bones.filter(({ segment }) => !away.test(segment)) : bones;
}

/** A solid carried along by a rigid frame. */
export function moveSolid(solid: Solid, frame: Frame): Solid {
  const shape = moveShape(solid.shape, frame);
  if (!solid.under) return { ...solid, shape };
  const normal = applyToDirection(frame, solid.under.normal);
  const shift: Vec3 = [frame[12], frame[13], frame[14]];
  return { ...solid, shape, under: { normal, mm: solid.under.mm + dot(normal, shift) } };
}

/** All of it where it stands in the room. */
export const solidsIn = (setup: Setup): Solid[] =>
  patientSolids(setup).map((solid) => moveSolid(solid, setup.scene.place));
