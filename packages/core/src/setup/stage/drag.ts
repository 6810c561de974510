/** What a hand on the stage asks for: the tube dragged from the side, the field's corner dragged along the ray. */
import { toDrawing } from '../../body/drawing/plane';
import type { Vec2, Vec3 } from '../../geometry/vector';
import { clamp as within, toDegrees, toRadians } from '../../quantity/angle';
import { OVERRIDE_RANGES, type Overrides } from '../request';
import type { Setup } from '../setup';
import { planeOf, type StageDrawing } from './stage';

const clamp = (value: number, [low, high]: readonly [number, number]): number => within(value, low, high);

/** The tube clicks into straight when it comes this near. */
const DETENT_DEG = 2;
const SID_STEP_MM = 10;

/**
 * SID and angle with the focal spot at a point of the side drawing. The ray goes on entering where it entered.
 * @param point millimetres of the drawing
 */
export function dragTube(setup: Setup, drawing: StageDrawing, point: Vec2): Pick<Overrides, 'sidMm' | 'angleDeg'> {
  const [ex, ey] = drawing.entry;
  const [dx, dy] = [point[0] - ex, point[1] - ey];
  const plane = planeOf(setup, 'side');
  const part = (axis: Vec3) => {
    const [ax, ay] = toDrawing(plane, axis);
    return -(dx * ax + dy * ay);
  };
  // Toward the head the tube stands on the side of the feet.
  const lean = Math.atan2(part(setup.scene.zero.up), part(setup.scene.zero.beam));
  const angle = clamp(Math.round(toDegrees(lean)), OVERRIDE_RANGES.angleDeg);
  const behind = Math.hypot(drawing.hit[0] - ex, drawing.hit[1] - ey);
  const sid = Math.round((Math.hypot(dx, dy) + behind) / SID_STEP_MM) * SID_STEP_MM;
  return { angleDeg: Math.abs(angle) <= DETENT_DEG ? 0 : angle, sidMm: clamp(sid, OVERRIDE_RANGES.sidMm) };
}

/** Field at the receptor with a corner of the light at a point of the drawing along the ray; whole millimetres. */
export function dragField(setup: Setup, drawing: StageDrawing, point: Vec2): Pick<Overrides, 'fieldMm'> {
  const { atReceptorMm, atSkinMm } = setup.field;
  const spread = atReceptorMm.width / atSkinMm.width;
  const side = (distance: number) => Math.round(clamp(2 * Math.abs(distance) * spread, OVERRIDE_RANGES.fieldMm));
  // Along the sides of a turned light; the drawing's y runs down.
  const turn = toRadians(-setup.field.rotationDeg);
  const [x, y] = [point[0] - drawing.hit[0], point[1] - drawing.hit[1]];
  return {
    fieldMm: [side(x * Math.cos(turn) + y * Math.sin(turn)), side(-x * Math.sin(turn) + y * Math.cos(turn))],
  };
}
