/**
 * How a patient is held up: body position, what faces the wall or lies beneath, turns, back rest, tilt, and what the
 * patient rests on.
 */
import { z } from 'zod';
import { add, normalize, scale, type Vec3 } from '../geometry/vector';
import { ASPECTS, BODY_POSITIONS, type Aspect, type BodyPosition } from '../projections/vocabulary';

const ranged = (name: string, low: number, high: number, unit: string) => {
  const error = `${name} must be ${low} to ${high} ${unit}`;
  return z.number({ error }).min(low, { error }).max(high, { error });
};

const SEATS = ['stool', 'table-end', 'wheelchair', 'bed-edge'] as const;

export const stanceSchema = z.strictObject({
  position: z.enum(BODY_POSITIONS),
  /** What of the patient faces the wall (upright, seated, kneeling) or lies beneath (the rest). */
  on: z.enum(ASPECTS).default('back'),
  /** Turned from there so that this side comes nearer to the wall or the table: obliques. */
  turn: z.strictObject({ toward: z.enum(ASPECTS), degrees: ranged('Turn', 0, 90, '°') }).optional(),
  /** Back rest from flat: semi-erect. */
  backRestDeg: ranged('Back rest', 0, 90, '°').default(45),
  /** Head end of the table lowered: head-down. */
  headDownDeg: ranged('Head-down tilt', 0, 30, '°').default(15),
  seat: z.enum(SEATS).default('stool'),
  /** Height of the table, bed or seat top over the floor, before anything lies on it. */
  surfaceHeightMm: ranged('Surface height', 0, 1300, 'mm').default(800),
  mattressMm: ranged('Mattress', 0, 300, 'mm').default(0),
  /** Spine board, with its own thickness. */
  boardMm: ranged('Board', 0, 100, 'mm').default(0),
  pillowMm: ranged('Pillow', 0, 200, 'mm').default(0),
  /** Sponge under the knees. */
  kneeSpongeMm: ranged('Knee sponge', 0, 300, 'mm').default(0),
});
export type StanceInput = z.input<typeof stanceSchema>;
export type Stance = z.output<typeof stanceSchema>;

const ASPECT_AXIS: Record<Aspect, Vec3> = { back: [0, 1, 0], front: [0, -1, 0], left: [1, 0, 0], right: [-1, 0, 0] };

/** Direction, in the patient frame, of the wall or of the surface beneath. Unit, square to the long axis. */
export function towardSupport({ on, turn }: Pick<Stance, 'on' | 'turn'>): Vec3 {
  const straight = ASPECT_AXIS[on];
  if (!turn || turn.degrees === 0) return straight;
  const t = (turn.degrees * Math.PI) / 180;
  return normalize(add(scale(straight, Math.cos(t)), scale(ASPECT_AXIS[turn.toward], Math.sin(t))));
}

/** The usual obliques: which shoulder comes to the receptor, from the back or from the front. */
export const OBLIQUES = {
  RPO: { on: 'back', toward: 'right' },
  LPO: { on: 'back', toward: 'left' },
  RAO: { on: 'front', toward: 'right' },
  LAO: { on: 'front', toward: 'left' },
} as const satisfies Record<string, { on: Aspect; toward: Aspect }>;

/** Stance of an oblique. @param degrees turn from the straight view, 0 to 90 */
export const obliqueStance = (position: BodyPosition, oblique: keyof typeof OBLIQUES, degrees: number): Stance =>
  stanceSchema.parse({
    position,
    on: OBLIQUES[oblique].on,
    turn: { toward: OBLIQUES[oblique].toward, degrees },
  });

const LYING: ReadonlySet<BodyPosition> = new Set(['supine', 'prone', 'lateral-recumbent', 'sims', 'head-down']);
/** Lies on a table or bed with the trunk level. */
export const isLying = (position: BodyPosition): boolean => LYING.has(position);
export const isUpright = (position: BodyPosition): boolean =>
  position === 'upright' || position === 'seated' || position === 'kneeling';

const PLAIN = stanceSchema.parse({ position: 'supine' });
/** A stance from values that are known to be in range, the rest as usual. */
export const stanceOf = (known: Partial<Stance> & Pick<Stance, 'position'>): Stance => ({ ...PLAIN, ...known });
