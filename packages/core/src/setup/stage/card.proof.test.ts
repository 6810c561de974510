/** The drawing on a card: the whole patient, as large as it can be, seen so that one sees how they lie. */
import { posedIn } from '../../body/posedIn';
import { furthestSkin, posedLandmark } from '../../body/posed';
import { toDrawing } from '../../body/drawing/plane';
import { findOtherWays } from '../../adapt/findOtherWays';
import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import type { Setup } from '../setup';
import { drawMannequin, drawStage, mannequinKey, planeOf } from './stage';

const ASPECT = 1.9;
const LYING = { canStand: false, canSit: false, canTurn: 'none', canProne: false } as const;
const sideOf = (sided: string) => (sided === 'each' ? ('left' as const) : undefined);

const setups: Setup[] = projections.flatMap(({ id, sided }) => [
  computeSetup({ projectionId: id, side: sideOf(sided) }),
  ...findOtherWays({ projectionId: id, side: sideOf(sided), situation: LYING })
    .slice(0, 1)
    .map(({ setup }) => setup),
]);

test('all of the patient is in the drawing, and fills its width or its height', () => {
  expect(setups.length).toBeGreaterThan(400);
  for (const setup of setups) {
    const { box, receptor, hit } = drawStage(setup, 'card', ASPECT);
    const plane = planeOf(setup, 'card');
    const posed = posedIn(setup);
    const { right, up } = plane;
    const [left, across, top, low] = [
      -furthestSkin(posed, [-right[0], -right[1], -right[2]]).reachMm,
      furthestSkin(posed, [right[0], right[1], right[2]]).reachMm,
      -furthestSkin(posed, [up[0], up[1], up[2]]).reachMm,
      furthestSkin(posed, [-up[0], -up[1], -up[2]]).reachMm,
    ];
    const id = setup.projectionId;
    expect([id, left >= box.x, across <= box.x + box.width]).toEqual([id, true, true]);
    expect([id, top >= box.y, low <= box.y + box.height]).toEqual([id, true, true]);
    for (const [x, y] of [...receptor.flat(), hit]) {
      expect([id, x >= box.x && x <= box.x + box.width]).toEqual([id, true]);
      expect([id, y >= box.y && y <= box.y + box.height]).toEqual([id, true]);
    }
    const filled = Math.max((across - left) / box.width, (low - top) / box.height);
    expect([id, filled > 0.55]).toEqual([id, true]);
  }
});

test('a ray across one who lies is seen from above, the head on the left; nothing else is', () => {
  let above = 0;
  for (const setup of setups) {
    const { fromAbove, surface } = drawStage(setup, 'card', ASPECT);
    const posed = posedIn(setup);
    const at = (mark: string) => posedLandmark(posed, mark).p;
    const body = at('hip_centre_L').map((v, i) => v - at('glenohumeral_centre_L')[i]!);
    const flat = Math.hypot(body[0]!, body[1]!) > Math.abs(body[2]!);
    const { beam } = setup.scene;
    const level = Math.abs(beam[2]) < 0.5;
    const along = Math.abs(body[0]! * beam[0] + body[1]! * beam[1]) / Math.hypot(...body);
    if (fromAbove) {
      above += 1;
      const plane = planeOf(setup, 'card');
      expect([setup.projectionId, flat, level, along < 0.7]).toEqual([setup.projectionId, true, true, true]);
      expect(toDrawing(plane, at('glenohumeral_centre_L'))[0]).toBeLessThan(toDrawing(plane, at('hip_centre_L'))[0]);
      // Neither floor nor table edge is seen from there.
      expect(surface).toBeNull();
    } else if (flat && setup.tube.beam === 'horizontal' && level) {
      expect([setup.projectionId, along > 0.3]).toEqual([setup.projectionId, true]);
    }
  }
  expect(above).toBeGreaterThan(50);
});

test('its figure is drawn with finite numbers, and kept apart from that of the view from the side', () => {
  const [setup] = findOtherWays({
    projectionId: 'knee-lateral',
    side: 'left',
    situation: { ...LYING, fractureSuspected: true },
  }).map((each) => each.setup);
  const { box } = drawStage(setup!, 'card', ASPECT);
  const { skin, bright } = drawMannequin(setup!, 'card', box, true);
  for (const path of [skin, bright]) {
    expect(path).toMatch(/^M.*Z$/);
    expect(path).not.toMatch(/NaN|Infinity/);
  }
  expect(mannequinKey(setup!, 'card', box)).not.toBe(mannequinKey(setup!, 'side', box));
});
