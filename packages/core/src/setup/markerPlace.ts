/** Where the lead markers lie in the light: as they are drawn, as they are told, as they are simulated. */
import { applyToDirection } from '../geometry/frame';
import { addScaled, dot, midpoint, subtract, type Vec3 } from '../geometry/vector';
import type { Letter, Setup } from './setup';

export type PlacedLetter = { letter: Letter; p: Vec3 };

/** Each letter of a set-up on the receptor of one exposure. */
export function markerPlaces(setup: Setup, exposure = 0): PlacedLetter[] {
  const corners = setup.scene.fields[exposure];
  const middle = midpoint(corners[0], corners[2]);
  const half = (to: Vec3) => subtract(to, middle);
  const [u, v] = [half(midpoint(corners[1], corners[2])), half(midpoint(corners[2], corners[3]))];
  // Records of earlier versions hold a letter and no place.
  const spots = setup.marker.spots ?? [earlierSpot(setup)];
  return spots.map(({ letter, across, up }) => ({ letter, p: addScaled(addScaled(middle, u, across), v, up) }));
}

/** The first of them. */
export const markerPlace = (setup: Setup, exposure = 0): Vec3 => markerPlaces(setup, exposure)[0].p;

/** Upper corner on the side of the letter, or in front of the patient where the letter is the side on the receptor. */
function earlierSpot({ position, marker, scene }: Setup): Setup['marker']['spots'][number] {
  const axis: Vec3 = position.facing === 'lateral' ? [0, -1, 0] : [marker.letter === 'L' ? 1 : -1, 0, 0];
  const across = dot(applyToDirection(scene.place, axis), scene.receptor.u) > 0 ? 0.84 : -0.84;
  return { letter: marker.letter, across, up: 0.84 };
}
