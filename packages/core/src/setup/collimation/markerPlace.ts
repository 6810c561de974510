/** Where the lead markers lie in the light: as they are drawn, as they are told, as they are simulated. */
import { addScaled, midpoint, subtract, type Vec3 } from '../../geometry/vector';
import type { Letter, Setup } from '../setup';

export type PlacedLetter = { letter: Letter; p: Vec3 };

/** Each letter of a set-up on the receptor of one exposure. */
export function markerPositions(setup: Setup, exposure = 0): PlacedLetter[] {
  const corners = setup.scene.fields[exposure];
  const middle = midpoint(corners[0], corners[2]);
  const half = (to: Vec3) => subtract(to, middle);
  const [u, v] = [half(midpoint(corners[1], corners[2])), half(midpoint(corners[2], corners[3]))];
  return setup.marker.spots.map(({ letter, across, up }) => ({
    letter,
    p: addScaled(addScaled(middle, u, across), v, up),
  }));
}

/** The first of them. */
export const markerPlace = (setup: Setup, exposure = 0): Vec3 => markerPositions(setup, exposure)[0].p;
