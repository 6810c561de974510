/** Where the lead marker lies in the light: as it is drawn, as it is told, as it is simulated. */
import { applyToDirection } from '../geometry/frame';
import { addScaled, dot, midpoint, subtract, type Vec3 } from '../geometry/vector';
import type { Setup } from './setup';

/**
 * The marker lies inside the light in an upper corner: on the side of its letter, or in front of the patient where
 * the letter is the side on the receptor.
 */
export function markerPlace(setup: Setup, exposure = 0): Vec3 {
  const corners = setup.scene.fields[exposure];
  const { place, receptor } = setup.scene;
  const inFront = setup.position.facing === 'lateral';
  const toward = applyToDirection(place, inFront ? [0, -1, 0] : [setup.marker.letter === 'L' ? 1 : -1, 0, 0]);
  const corner = dot(toward, receptor.u) > 0 ? corners[2] : corners[3];
  return addScaled(corner, subtract(midpoint(corners[0], corners[2]), corner), MARKER_INSET);
}
const MARKER_INSET = 0.16;
