/**
 * Everything that casts a shadow in a set-up: the body, what is in its organs and what is round its parts.
 * The body is made in its own frame, where it stays the same while tube, receptor or patient are moved.
 */
import { adaptBody } from '../body/adapt';
import { buildBody } from '../body/body';
import { shrunk } from '../body/intervals';
import { mannequin } from '../body/mannequin';
import { poseBody } from '../body/pose';
import { placeBody, posedSkin, type PosedBody } from '../body/posed';
import { moveShape } from '../body/shape';
import { solidOf, type Solid } from '../body/surface';
import { applyToDirection, IDENTITY, inverse, type Frame } from '../geometry/frame';
import { dot, type Vec3 } from '../geometry/vector';
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { ROOM_UP } from '../room/position';
import type { Setup } from '../setup/setup';
import { contrastFor, isFilled } from './contrast';
import { growthPlates, isOssified, shortBonePlate } from './growth';

/** Gas of stomach and bowel apart: contrast takes its place. */
type Standing = { posed: PosedBody; solids: Solid[]; gas: Solid[] };
const GAS = /^(gas_|stomach_gas)/;

/** Bodies that were simulated last; a few, for comparing. */
const KEPT = 4;
const kept = new Map<string, Standing>();

function standing({ patient, scene }: Setup): Standing {
  const key = JSON.stringify([patient, scene.adapt, scene.pose]);
  const known = kept.get(key);
  if (known) return known;
  const body = adaptBody(buildBody(patient), scene.adapt);
  const posed = placeBody(body, poseBody(body, scene.pose), IDENTITY);
  const { ageYears, sex } = body.patient;
  const gas: Solid[] = [];
  const solids = mannequin.primitives.flatMap((reference): Solid[] => {
    const own = solidOf(posed, reference);
    if (GAS.test(reference.id)) {
      gas.push(...own);
      return [];
    }
    if (!isOssified(reference.id, ageYears, sex)) return [{ ...own[0], material: 'cartilage' }];
    return [...own, ...shortBonePlate(reference, own, posed)];
  });
  const made = { posed, gas, solids: [...solids, ...growthPlates(posed)] };
  kept.set(key, made);
  if (kept.size > KEPT) kept.delete(kept.keys().next().value as string);
  return made;
}

const FRONT: Vec3 = [0, -1, 0];
/** The body of a set-up in its own frame. */
export const standingOf = (setup: Setup): PosedBody => standing(setup).posed;

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
  const limb = new Set(inPart.map(({ segment }) => segment).filter((segment) => LIMB.test(segment)));
  return posedSkin(posed)
    .filter(({ segment }) => limb.has(segment))
    .flatMap(({ shape }) => shrunk(shape, -round.mm))
    .map((shape) => ({ shape, material: round.material, priority: UNDER_SKIN }));
}
const LIMB = /^(upperarm|forearm|hand|finger\d|thigh|shank|foot|toes?\d?)_/;
const UNDER_SKIN = 0.5;

/** All of it in the frame of the patient. */
export function patientSolids(setup: Setup, own?: Projection): Solid[] {
  const { posed, solids, gas } = standing(setup);
  const entry = own ?? projectionOf(setup.projectionId);
  const back = inverse(setup.scene.place);
  const up = applyToDirection(back, ROOM_UP);
  const bowel = isFilled(entry.id) ? [] : gas;
  return [...solids, ...bowel, ...coverings(setup, posed), ...contrastFor(entry.id, posed, up, FRONT)];
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
export const solidsIn = (setup: Setup, own?: Projection): Solid[] =>
  patientSolids(setup, own).map((solid) => moveSolid(solid, setup.scene.place));
