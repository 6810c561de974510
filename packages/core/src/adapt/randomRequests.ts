/** Patients, situations and rooms drawn at random from one seed: what a proof asks, and what the speed is measured on. */
import { projections } from '../projections/catalogue';
import { demoRooms } from '../room/demoRooms';
import type { SetupRequest, Situation } from '../setup/request';

/** Numbers of one seed in a row, 0 to 1. */
function numbers(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

const LETTER_SIDES = ['left', 'right'] as const;
const AGES = [0.2, 1, 3, 8, 30, 52, 80];

type RandomRequest = SetupRequest & { patient: { ageYears: number }; situation: Partial<Situation> };

/**
 * Requests one after another, the same for the same seed.
 * @param seed any whole number
 * @example const next = randomRequests(20); next().projectionId
 */
export function randomRequests(seed: number): () => RandomRequest {
  const next = numbers(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)]!;
  const sometimes = <T extends Partial<Situation>>(share: number, known: () => T): T | null =>
    next() < share ? known() : null;
  const situation = (): Partial<Situation> => ({
    ...sometimes(0.15, () => ({ spineNotCleared: true })),
    ...sometimes(0.3, () => ({ fractureSuspected: true })),
    ...sometimes(0.4, () => ({ canStand: false })),
    ...sometimes(0.2, () => ({ canSit: false })),
    ...sometimes(0.25, () => ({ canTurn: pick(['left', 'right', 'none'] as const) })),
    ...sometimes(0.3, () => ({ canProne: false })),
    ...sometimes(0.1, () => ({ canKneel: false })),
    ...sometimes(0.15, () => ({ canLieFlat: false })),
    ...sometimes(0.15, () => ({ proppedDeg: pick([30, 45, 60]) })),
    ...sometimes(0.2, () => ({ canRaiseArm: pick(['left', 'right', 'none'] as const) })),
    ...sometimes(0.3, () => ({
      keepStill: [pick(['neck', 'hip', 'pelvis', 'left arm', 'right arm', 'left leg', 'right leg'] as const)],
    })),
    ...sometimes(0.3, () => ({
      worn: [pick(['collar', 'halo', 'board', 'splint', 'external fixator', 'traction'] as const)],
    })),
    ...sometimes(0.2, () => ({
      suspected: [pick(['fluid level', 'free gas', 'hip fracture', 'dislocation'] as const)],
    })),
    ...sometimes(0.3, () => ({ place: pick(['room', 'bedside', 'chair', 'resuscitation bay'] as const) })),
  });
  return () => {
    const entry = pick(projections);
    const side = entry.sided === 'each' || entry.nearSide ? pick(LETTER_SIDES) : undefined;
    const [ageYears, known, room] = [pick(AGES), situation(), pick(demoRooms)];
    return { projectionId: entry.id, side, patient: { ageYears }, situation: known, room };
  };
}
