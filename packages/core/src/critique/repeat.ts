/**
 * From what is wrong with a picture, and by how much, to the numbers of its repeat: what the hands do, and what is set
 * otherwise. Whether the CR stood where it was to stand decides which of the two it is, and nobody knows that but who stood
 * there. Source: the same rays as every correction; mAs by the standard index.
 */
import { negate } from '../geometry/vector';
import { signed } from '../quantity/signed';
import { formatLength, lengthPair, type LengthUnit } from '../quantity/length';
import { significant } from '../quantity/significant';
import { clamp } from '../quantity/angle';
import { deviationIndex, techniqueForIndex } from '../exposure/deviation';
import type { Projection } from '../projections/schema';
import { OVERRIDE_RANGES, type Overrides } from '../setup/request';
import type { Setup } from '../setup/setup';
import { correctFault, staysAsItLies, type Correction } from './correctFault';
import { movedTo } from '../words/names';
import { movedToSide, sideToward } from './directions';
import { magnificationIn } from './measure';

/** Edges of the picture: up and down the receptor, and along its u axis and against. */
export const PICTURE_EDGES = ['up', 'down', 'right', 'left'] as const;
export type PictureEdge = (typeof PICTURE_EDGES)[number];

export type Seen =
  /** A sign or the centring, as it is measured on the picture: mm, or degrees. */
  | { what: 'measured'; id: string; value: number }
  /** What is missing beyond an edge, as it would be on the receptor. */
  | { what: 'clipped'; edge: PictureEdge; mm: number }
  /** The standard index of the picture. */
  | { what: 'index'; index: number }
  | { what: 'moved' };

/**
 * How it is put right. `again`: the same numbers, set as they were meant; `aim`: they were set so, and this body wants
 * another aim; `part`: the part is moved; `tube`: the tube, where the part cannot; `other`: in another way, for the part must stay.
 */
export type Cure = 'again' | 'aim' | 'part' | 'tube' | 'other' | 'technique';
export type Repeat = {
  /** What happened, in words; nothing where only a number is off. */
  cause: string;
  /** What to do, with its amount. */
  text: string;
  /** Ways to put it right, the likelier first; `cure` is the one that is taken here. */
  cures: readonly Cure[];
  cure: Cure;
  /** What is pulled for the repeat, over what was pulled before. */
  overrides: Overrides;
};

/** What was cut comes into the light with so much round it. */
const BESIDE_MM = 10;

/** Names of the edges on this part: "head end", "lateral side". */
export const edgeNames = (setup: Setup): Record<PictureEdge, string> => {
  const { u, v } = setup.scene.receptor;
  return {
    up: sideToward(setup, v),
    down: sideToward(setup, negate(v)),
    right: sideToward(setup, u),
    left: sideToward(setup, negate(u)),
  };
};

const within = (value: number, [low, high]: readonly [number, number]): number => clamp(value, low, high);
const aimed = (mm: number): number => within(Math.round(mm), OVERRIDE_RANGES.aimMm);
/** An aim so far on from the one that the set-up had. */
function aimOn({ aimMm = [0, 0] }: Overrides, alongMm: number, acrossMm: number): Pick<Overrides, 'aimMm'> {
  return { aimMm: [aimed(aimMm[0] + alongMm), aimed(aimMm[1] + acrossMm)] };
}

type Taken = { setup: Setup; pulled: Overrides; unit: LengthUnit };
type Shift = { alongMm: number; acrossMm: number; toward: string };

/** The field goes so far over the part: it was set otherwise than it was meant, or this body wants it there. */
function placedSo({ pulled, unit }: Taken, { alongMm, acrossMm, toward }: Shift, cause: string, cure: Cure): Repeat {
  const size = lengthPair(Math.hypot(alongMm, acrossMm), unit);
  const cures = ['again', 'aim'] as const;
  return cure === 'aim'
    ? {
        ...{ cause, cures, cure },
        text: `Centre ${size} further ${movedToSide(toward)} than before`,
        overrides: aimOn(pulled, alongMm, acrossMm),
      }
    : {
        ...{ cause, cures, cure: 'again' },
        text: `Centre where the set-up has it: ${size} further ${movedToSide(toward)} than it was`,
        overrides: {},
      };
}

/** Where the part lies in the light is put right by the hand, or by the aim; a tilt by the part, or by the tube. */
function ofMeasured(taken: Taken, { about, amount, cause, text }: Correction, cure: Cure | undefined): Repeat {
  const { setup } = taken;
  const { u, v } = setup.scene.receptor;
  if (about === 'alongMm' || about === 'acrossMm') {
    // The part would have to go so far: the field goes as far the other way.
    const axis = about === 'alongMm' ? v : u;
    const toward = sideToward(setup, amount > 0 ? negate(axis) : axis);
    const shift = about === 'alongMm' ? { alongMm: -amount, acrossMm: 0 } : { alongMm: 0, acrossMm: -amount };
    return placedSo(taken, { ...shift, toward }, cause, cure ?? 'again');
  }
  const stays = staysAsItLies(setup);
  const byHand: Cure = stays ? 'other' : 'part';
  if (about !== 'tiltDeg') return { cause, text, cures: [byHand], cure: byHand, overrides: {} };
  const angleDeg = Math.round(signedAngle(setup) - amount);
  const [least, most] = OVERRIDE_RANGES.angleDeg;
  const inRange = angleDeg >= least && angleDeg <= most;
  // What must not be moved is not offered to be.
  const cures: readonly Cure[] = !inRange ? [byHand] : stays ? ['tube'] : ['part', 'tube'];
  const chosen = cure !== undefined && cures.includes(cure) ? cure : cures[0]!;
  if (chosen !== 'tube') return { cause, text, cures, cure: chosen, overrides: {} };
  return {
    ...{ cause, cures, cure: 'tube' },
    text: `The part stays as it lies: tube angle ${Math.abs(angleDeg)}°${angleDeg === 0 ? '' : ` ${movedTo(setup.tube.ways[angleDeg > 0 ? 0 : 1])}`}`,
    overrides: { angleDeg },
  };
}

const signedAngle = ({ tube }: Setup): number => (tube.angleToward === 'feet' ? -tube.angleDeg : tube.angleDeg);

function ofClipped(taken: Taken, edge: PictureEdge, mm: number, cure: Cure | undefined): Repeat {
  const { setup, unit } = taken;
  const toward = edgeNames(setup)[edge];
  const onPart = (mm + BESIDE_MM) / magnificationIn(setup);
  const sense = edge === 'up' || edge === 'right' ? 1 : -1;
  const shift =
    edge === 'up' || edge === 'down'
      ? { alongMm: sense * onPart, acrossMm: 0 }
      : { alongMm: 0, acrossMm: sense * onPart };
  const cause = `Clipped at the ${toward} by ${formatLength(mm, unit)}`;
  return placedSo(taken, { ...shift, toward }, cause, cure ?? 'again');
}

function ofIndex({ setup }: Taken, index: number): Repeat {
  const { mAs, aec, targetIndex } = setup.exposure;
  const right = Number(significant(within(techniqueForIndex(mAs, index, targetIndex), OVERRIDE_RANGES.mAs), 2));
  const cause = `EI ${significant(index, 3)} where ${significant(targetIndex, 3)} is aimed at: DI ${signed(deviationIndex(index, targetIndex))}`;
  return {
    ...{ cause, cures: ['technique'], cure: 'technique' },
    text: `${right} mAs instead of ${mAs}${aec === 'none' ? '' : ', by hand: the AEC ended at the wrong dose'}`,
    overrides: { mAs: right, ...(aec === 'none' ? {} : { aecCells: 'none' as const }) },
  };
}

function ofMoved({ setup }: Taken): Repeat {
  const { timeMs, focalSpot } = setup.exposure;
  // A breath that is meant to blur the ribs wants the long time.
  const shorter = focalSpot === 'small' && setup.breathing.phase !== 'quiet';
  return {
    cause: 'Moved or breathed',
    ...{ cures: ['technique'], cure: 'technique' },
    text: `${setup.breathing.words === '' ? 'Tell the patient again to keep still' : `Practise it first: “${setup.breathing.words}”`}${shorter ? `; large focal spot, for less than ${Math.round(timeMs)} ms` : ''}`,
    overrides: shorter ? { focalSpot: 'large' } : {},
  };
}

/**
 * @param of the projection, or its id where it is one of the catalogue
 * @param setup as it was exposed, @param pulled what was pulled by hand for it
 * @param ideal of which the measure is: as it would be with nothing pulled
 * @param cure how it is put right; the likelier way when left out
 * @throws RangeError for a measure that this fault alone cannot give
 * @example repeatFor('chest-pa', setup, {}, { what: 'index', index: 200 }, { unit: 'in' }).overrides // { mAs: …, aecCells: 'none' }
 */
export function repeatFor(
  of: string | Projection,
  setup: Setup,
  pulled: Overrides,
  seen: Seen,
  { unit, cure, ideal = setup }: { unit: LengthUnit; cure?: Cure; ideal?: Setup },
): Repeat {
  const taken = { setup, pulled, unit };
  switch (seen.what) {
    case 'measured':
      return ofMeasured(taken, correctFault(of, seen.id, seen.value, ideal, unit), cure);
    case 'clipped':
      return ofClipped(taken, seen.edge, seen.mm, cure);
    case 'index':
      return ofIndex(taken, seen.index);
    case 'moved':
      return ofMoved(taken);
  }
}
