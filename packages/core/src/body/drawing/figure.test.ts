import fc from 'fast-check';
import { IDENTITY } from '../../geometry/frame';
import { addScaled, cross, type Vec2, type Vec3 } from '../../geometry/vector';
import { buildBody } from '../body';
import { rayInterval } from '../shape';
import { poseBody } from '../pose';
import { posesNamed } from '../poses';
import { placeBody, posedBones, posedSkin, type PosedBody } from '../posed';
import { bonePaths } from './bones';
import { closedPath, openPath, thinned } from './curve';
import { depthAt, join, shadowsOf } from './field';
import { drawFigure } from './figure';
import { toDrawing, type DrawingBox, type DrawingPlane } from './plane';
import { traceOutline } from './trace';

const FRONT: DrawingPlane = { right: [1, 0, 0], up: [0, 0, 1] };
const BEHIND: DrawingPlane = { right: [-1, 0, 0], up: [0, 0, 1] };
const FROM_LEFT: DrawingPlane = { right: [0, -1, 0], up: [0, 0, 1] };
const box: DrawingBox = { x: -900, y: -1000, width: 1800, height: 2000 };
const body = buildBody({ ageYears: 40, sex: 'male' });
const posed = (poses: Parameters<typeof posesNamed>[0] = []): PosedBody =>
  placeBody(body, poseBody(body, posesNamed(poses)), IDENTITY);
const draw = (own: PosedBody, plane: DrawingPlane, fine = true) => drawFigure(own, plane, box, { cells: 280, fine });

const numbers = (path: string): number[] => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
/** Corners of a path of curves: the end of each piece. */
const corners = (path: string): Vec2[] =>
  [...path.matchAll(/[MC]([^MCZ]+)/g)].map((piece) => {
    const values = numbers(piece[1]);
    return [values[values.length - 2], values[values.length - 1]];
  });
function insidePath(path: string, [x, y]: Vec2): boolean {
  let inside = false;
  for (const ring of path.split('Z').filter(Boolean)) {
    const points = corners(ring);
    for (let i = 0; i < points.length; i += 1) {
      const [x1, y1] = points[i];
      const [x2, y2] = points[(i + 1) % points.length];
      if (y1 > y !== y2 > y && x < x1 + ((y - y1) / (y2 - y1)) * (x2 - x1)) inside = !inside;
    }
  }
  return inside;
}
const seen = (own: PosedBody, plane: DrawingPlane, [x, y]: Vec2): boolean => {
  const from: Vec3 = addScaled(addScaled([0, 0, 0], plane.right, x), plane.up, -y);
  const d = cross(plane.right, plane.up);
  return posedSkin(own).some(({ shape }) => rayInterval(shape, from, d) !== null);
};

describe('the outline encloses what a ray meets', () => {
  it.each([
    ['from the front', FRONT, []],
    ['from behind, hands on the hips', BEHIND, ['shoulders-rolled']],
    ['from the side, sitting', FROM_LEFT, ['sitting']],
    ['frog legs', FRONT, ['frog-legs']],
  ] as [string, DrawingPlane, Parameters<typeof posesNamed>[0]][])('%s', (_name, plane, poses) => {
    const own = posed(poses);
    const { skin } = draw(own, plane);
    let wrong = 0;
    let asked = 0;
    for (let x = -380; x <= 380; x += 19)
      for (let y = -880; y <= 960; y += 23) {
        asked += 1;
        if (insidePath(skin, [x, y]) !== seen(own, plane, [x, y])) wrong += 1;
      }
    // Soft joins fill corners and limbs are drawn on a curve: about 3 mm on average along 8 m of outline.
    expect(wrong / asked).toBeLessThan(0.03);
  });
});

describe('figure', () => {
  it('has a face from the front, half of one from the side, a spine and no face from behind', () => {
    const strokes = (plane: DrawingPlane) => (draw(posed(), plane).features.match(/M/g) ?? []).length;
    expect(strokes(FRONT)).toBeGreaterThan(4);
    expect(strokes(FROM_LEFT)).toBeGreaterThan(2);
    expect(strokes(FROM_LEFT)).toBeLessThan(strokes(FRONT));
    const behind = corners(draw(posed(), BEHIND).features);
    const faces = (y: number) => y < -620;
    expect(behind.filter(([x, y]) => faces(y) && Math.abs(x) < 60)).toEqual([]);
    expect(behind.filter(([x, y]) => !faces(y) && Math.abs(x) < 5).length).toBeGreaterThan(4);
  });
  it('draws the arm before the trunk when it is nearer, and nothing of it when it is behind', () => {
    const crossed = posed(['arms-crossed']);
    const front = numbers(draw(crossed, FRONT).inner).length;
    const behind = numbers(draw(crossed, BEHIND).inner).length;
    expect(front).toBeGreaterThan(behind + 20);
  });
  it('leaves no line across a straight elbow, hip or neck', () => {
    const { inner } = draw(posed(), FRONT, false);
    const [, neckY] = toDrawing(FRONT, body.segments.neck.joint);
    expect(corners(inner).filter(([x, y]) => Math.abs(x) < 60 && Math.abs(y - neckY) < 60)).toEqual([]);
  });
  it('is cut at the box and empty outside it', () => {
    const hand: DrawingBox = { x: 220, y: -30, width: 200, height: 340 };
    const { skin } = drawFigure(posed(), FRONT, hand, { cells: 120, fine: true });
    for (const [x, y] of corners(skin)) {
      expect(x > hand.x - 6 && x < hand.x + hand.width + 6).toBe(true);
      expect(y > hand.y - 9 && y < hand.y + hand.height + 9).toBe(true);
    }
    const nothing = drawFigure(posed(), FRONT, { x: 5000, y: 5000, width: 10, height: 10 }, { cells: 50, fine: true });
    expect(nothing.skin + nothing.inner).toBe('');
  });
  it('is the same every time, in plain numbers', () => {
    const [a, b] = [draw(posed(['sims']), FRONT), draw(posed(['sims']), FRONT)];
    expect(a).toEqual(b);
    for (const path of [a.skin, a.inner, a.features]) expect(path).not.toMatch(/NaN|Infinity|e-/);
  });
  it('shows only what it is asked to', () => {
    const arm = drawFigure(posed(), FRONT, box, {
      cells: 200,
      fine: false,
      shown: (segment) => segment === 'forearm_L',
    });
    expect(corners(arm.skin).every(([x]) => x > 150)).toBe(true);
    expect(corners(arm.skin).length).toBeGreaterThan(4);
  });
});

describe('bones', () => {
  it('stay inside the outline and inside the box', () => {
    const own = posed();
    const shapes = posedBones(own, (bone) => bone.detail === 1).map(({ shape }) => shape);
    const path = bonePaths(shapes, FRONT, box);
    expect((path.match(/M/g) ?? []).length).toBeGreaterThan(300);
    expect(path).not.toMatch(/NaN|Infinity/);
    const small: DrawingBox = { x: -100, y: -100, width: 200, height: 200 };
    expect(bonePaths(shapes, FRONT, small).length).toBeLessThan(path.length / 3);
  });
  it('a rod is two lines and two caps; one end inside the other is a circle', () => {
    const rod = bonePaths(
      [
        {
          kind: 'tube',
          pts: [
            [0, 0, 0],
            [100, 0, 0],
          ],
          r: [10, 6],
        },
      ],
      FRONT,
      box,
    );
    expect(rod.match(/[LA]/g)).toEqual(['L', 'A', 'L', 'A']);
    const knob = bonePaths(
      [
        {
          kind: 'tube',
          pts: [
            [0, 0, 0],
            [2, 0, 0],
          ],
          r: [30, 6],
        },
      ],
      FRONT,
      box,
    );
    expect(knob.match(/[LA]/g)).toEqual(['A', 'A']);
  });
});

describe('field and trace', () => {
  it('a soft join is never less than either and goes back to the larger when they part', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -80, max: 80, noNaN: true }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        (a, b) => {
          const joined = join(a, b, 20);
          expect(joined).toBeGreaterThanOrEqual(Math.max(a, b));
          expect(joined).toBeLessThanOrEqual(Math.max(a, b) + 5);
          if (Math.abs(a - b) >= 20) expect(joined).toBe(Math.max(a, b));
          expect(join(b, a, 20)).toBe(joined);
        },
      ),
    );
  });
  it('a ball is traced as a circle of its radius, to a tenth of a cell', () => {
    const shadows = shadowsOf({ kind: 'tube', pts: [[10, 0, 20]], r: [50] }, FRONT, 0);
    const rings = traceOutline(shadows, { x: -100, y: -100, width: 200, height: 200 }, 4);
    expect(rings).toHaveLength(1);
    for (const [x, y] of rings[0]) expect(Math.hypot(x - 10, y + 20)).toBeCloseTo(50, 0);
    expect(rings[0].length).toBeGreaterThan(60);
  });
  it('a ring of balls has an outside and a hole', () => {
    const pts = Array.from({ length: 25 }, (_, i): Vec3 => [
      60 * Math.cos((i * Math.PI) / 12),
      0,
      60 * Math.sin((i * Math.PI) / 12),
    ]);
    const shadows = shadowsOf({ kind: 'tube', pts, r: pts.map(() => 12) }, FRONT, 0);
    expect(traceOutline(shadows, { x: -100, y: -100, width: 200, height: 200 }, 3)).toHaveLength(2);
    expect(depthAt(shadows, 0, 0)).toBeLessThan(0);
    expect(depthAt(shadows, 60, 0)).toBeGreaterThan(10);
  });
  it('perspective makes the nearer ball larger', () => {
    const eye: DrawingPlane = { ...FRONT, eye: { from: [0, -1000, 0], at: [0, 0, 0] } };
    const size = (y: number) => shadowsOf({ kind: 'tube', pts: [[0, y, 0]], r: [50] }, eye, 0)[0].size;
    expect(size(-300)).toBeGreaterThan(size(0));
    expect(size(0)).toBeCloseTo(50, 6);
  });
});

describe('curves', () => {
  it('thinning keeps the ends and stays within the tolerance', () => {
    const wave = Array.from({ length: 200 }, (_, i): Vec2 => [i, 10 * Math.sin(i / 15)]);
    const few = thinned(wave, 0.5);
    expect(few.length).toBeLessThan(60);
    expect([few[0], few[few.length - 1]]).toEqual([wave[0], wave[199]]);
    for (const [x, y] of wave) {
      const i = Math.max(
        1,
        few.findIndex((p) => p[0] >= x),
      );
      const [[x0, y0], [x1, y1]] = [few[i - 1], few[i]];
      expect(Math.abs(y0 + ((y1 - y0) * (x - x0)) / (x1 - x0) - y)).toBeLessThan(0.6);
    }
  });
  it('an open path ends, a closed one closes', () => {
    const square: Vec2[] = [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ];
    expect(closedPath(square, 0.1, 10)).toMatch(/^M.*Z$/);
    expect(openPath(square, 0.1, 10)).not.toMatch(/Z/);
  });
});
