/**
 * The stage for a card: how the patient lies and is turned, at a glance. The body fills the drawing, of the ray only the last
 * stretch is shown; a ray across one who lies is seen from above, for from the side the body would be seen end on.
 */
import { posedIn } from '../../body/posedIn';
import { furthestSkin } from '../../body/posed';
import { toDrawing, type DrawingBox, type DrawingPlane } from '../../body/drawing/plane';
import { applyToDirection } from '../../geometry/frame';
import { addScaled, dot, negate, normalize, type InPatient, type InRoom, type Vec3 } from '../../geometry/vector';
import type { Setup } from '../setup';

const PATIENT_HEAD: Vec3<InPatient> = [0, 0, 1];
/** A body that is inclined by less is seen well from above: sine of its angle to the floor. */
const LIES_FLAT = 0.8;
/** A ray that runs along the body by less than this goes across it. */
const ACROSS = 0.5;

/** Where the head points, along the floor; null for who is erect. */
function headAlongFloor({ scene }: Setup): Vec3<InRoom> | null {
  const head = applyToDirection(scene.place, PATIENT_HEAD);
  return Math.abs(head[2]) < LIES_FLAT ? normalize([head[0], head[1], 0]) : null;
}

/** The head on the left, seen from above; null where the view from the side shows the body lengthwise. */
export function planeFromAbove(setup: Setup): DrawingPlane | null {
  const head = headAlongFloor(setup);
  if (!head || setup.tube.beam !== 'horizontal' || Math.abs(dot(head, setup.scene.beam)) > ACROSS) return null;
  const right = negate(head);
  return { right, up: [-right[1], right[0], 0] };
}

/** Of the ray so much is shown before the skin, mm. */
const RAY_MM = 420;
const MARGIN = 0.06;

/** The whole body, the receptor and the last stretch of the ray. @param aspect width over height */
export function boxOfCard(
  setup: Setup,
  plane: DrawingPlane,
  receptor: readonly Vec3<InRoom>[],
  aspect: number,
): DrawingBox {
  const { entry, beam } = setup.scene;
  const posed = posedIn(setup);
  const { right, up } = plane;
  const seen = [...receptor, addScaled(entry, beam, -RAY_MM)].map((p) => toDrawing(plane, p));
  const reach = (direction: Vec3): number => furthestSkin(posed, direction as Vec3<InRoom>).reachMm;
  const left = Math.min(-reach(negate(right)), ...seen.map(([x]) => x));
  const most = Math.max(reach(right), ...seen.map(([x]) => x));
  const top = Math.min(-reach(up), ...seen.map(([, y]) => y));
  const low = Math.max(reach(negate(up)), ...seen.map(([, y]) => y));
  const height = Math.max((low - top) * (1 + MARGIN), ((most - left) * (1 + MARGIN)) / aspect);
  const width = height * aspect;
  return { x: (left + most - width) / 2, y: (top + low - height) / 2, width, height };
}
