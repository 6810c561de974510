/** How the patient really lies against what was meant: the same set-up, with the part displaced under the ray. */
import { applyToPoint, compose, rotationAbout, shifted, type Frame } from '../geometry/frame';
import { addScaled, scale, type InRoom, type Vec3 } from '../geometry/vector';
import type { Setup } from '../setup/setup';

/** Turns go through the middle of what must be shown, right-handed about the axes of the receptor. */
export type PositioningError = {
  /** About the line up the receptor: the part rolls. */
  rollDeg: number;
  /** About the line across the receptor: its upper end leaves the receptor or sinks. */
  tiltDeg: number;
  /** About the line square to the receptor: the part lies crooked in the light. */
  turnDeg: number;
  /** Toward the top of the receptor, and across it. */
  alongMm: number;
  acrossMm: number;
};
export const NO_POSITIONING_ERROR: PositioningError = { rollDeg: 0, tiltDeg: 0, turnDeg: 0, alongMm: 0, acrossMm: 0 };
export const POSITIONING_ERROR_KEYS = ['rollDeg', 'tiltDeg', 'turnDeg', 'alongMm', 'acrossMm'] as const;
/** Furthest that may be asked for. */
export const POSITIONING_ERROR_RANGES: Readonly<Record<keyof PositioningError, readonly [number, number]>> = {
  rollDeg: [-60, 60],
  tiltDeg: [-60, 60],
  turnDeg: [-60, 60],
  alongMm: [-300, 300],
  acrossMm: [-300, 300],
};

/** A positioning error and so much more of it, held within the range. */
export function addPositioningError(from: PositioningError, by: Partial<PositioningError>): PositioningError {
  const changed = { ...from };
  for (const key of POSITIONING_ERROR_KEYS) {
    const [low, high] = POSITIONING_ERROR_RANGES[key];
    changed[key] = Math.min(high, Math.max(low, from[key] + (by[key] ?? 0)));
  }
  return changed;
}

/** The middle of what must be shown. */
export function pivotOf({ scene }: Setup): Vec3<InRoom> {
  const share = 1 / scene.mustShow.length;
  return scene.mustShow.reduce<Vec3<InRoom>>((sum, { p }) => addScaled(sum, p, share), [0, 0, 0]);
}

/** The motion of the part in the room. */
export function motionOf(setup: Setup, positioningError: PositioningError): Frame<InRoom, InRoom> {
  const { u, v, n } = setup.scene.receptor;
  const pivot = pivotOf(setup);
  const turns = (
    [
      [v, positioningError.rollDeg],
      [u, positioningError.tiltDeg],
      [n, positioningError.turnDeg],
    ] as const
  ).map(([axis, degrees]) => rotationAbout(pivot, axis, degrees));
  const turned = turns.reduce((inner, outer) => compose(outer, inner));
  return shifted(turned, addScaled(scale(v, positioningError.alongMm), u, positioningError.acrossMm));
}

/**
 * The set-up as it would be with the patient displaced: tube, light and receptor stay.
 * @throws RangeError beyond the range
 */
export function misplace(setup: Setup, positioningError: PositioningError): Setup {
  for (const key of POSITIONING_ERROR_KEYS) {
    const [low, high] = POSITIONING_ERROR_RANGES[key];
    if (!(positioningError[key] >= low && positioningError[key] <= high))
      throw new RangeError(`${key} must be ${low} to ${high}, got ${positioningError[key]}`);
  }
  if (POSITIONING_ERROR_KEYS.every((key) => positioningError[key] === 0)) return setup;
  const motion = motionOf(setup, positioningError);
  const moved = <T extends { p: Vec3<InRoom> }>(mark: T): T => ({ ...mark, p: applyToPoint(motion, mark.p) });
  const { scene } = setup;
  return {
    ...setup,
    scene: {
      ...scene,
      place: compose(motion, scene.place),
      touch: scene.touch.map(moved),
      mustShow: scene.mustShow.map((each) => ({
        ...moved(each),
        points: each.points.map((p) => applyToPoint(motion, p)),
      })),
    },
  };
}

/** The same set-up with the breath held otherwise. */
export const breathe = (setup: Setup, breath: 'in' | 'out'): Setup => ({
  ...setup,
  scene: { ...setup.scene, adapt: { ...setup.scene.adapt, state: { ...setup.scene.adapt.state, breath } } },
});
