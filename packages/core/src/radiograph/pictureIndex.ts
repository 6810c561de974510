/**
 * What a part that lies crooked or out of the light does to the index: the same exposure simulated with the part as it
 * should lie and as it lies. Their ratio is told and not the index itself, for how far a model body reads from the
 * technique's own figure is no fault of the positioning.
 */
import type { Room } from '../room/room';
import type { Setup } from '../setup/setup';
import { misplace, type PositioningError } from './positioningError';
import { simulateRadiograph } from './simulateRadiograph';

/** Pixels that are enough for a median. */
const PIXELS = 48;

/**
 * @returns index with the positioning error over the index without it; 1 where a picture has none
 * @throws RangeError for a set-up that gives no picture, or an error out of range
 */
export function indexShare(setup: Setup, room: Room, positioningError: PositioningError): number {
  const [right, lying] = [setup, misplace(setup, positioningError)].map(
    (each) => simulateRadiograph(each, room, { pixels: PIXELS, seed: null }).index,
  );
  return right && lying ? lying / right : 1;
}
