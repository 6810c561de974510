import { bonePaths, skinOutline, toDrawing, type DrawingPlane } from './outline';
import type { Shape } from './shape';

const front: DrawingPlane = { right: [1, 0, 0], up: [0, 0, 1] };
const box = { x: -150, y: -150, width: 300, height: 300 };
const ball = (x: number, z: number, r: number): Shape => ({ kind: 'tube', pts: [[x, 0, z]], r: [r] });

/** Rings of a path as points: the ends of its curves and lines. */
const ringsOf = (path: string): [number, number][][] =>
  path
    .split('Z')
    .filter(Boolean)
    .map((ring) =>
      [...ring.matchAll(/(?:M|L|Q[-\d.]+ [-\d.]+ )([-\d.]+) ([-\d.]+)/g)].map((match) => [
        Number(match[1]),
        Number(match[2]),
      ]),
    );
const area = (ring: readonly [number, number][]): number =>
  Math.abs(
    ring.reduce((sum, [x, y], i) => sum + x * ring[(i + 1) % ring.length][1] - ring[(i + 1) % ring.length][0] * y, 0) /
      2,
  );
const extent = (ring: readonly [number, number][], axis: 0 | 1): [number, number] => [
  Math.min(...ring.map((p) => p[axis])),
  Math.max(...ring.map((p) => p[axis])),
];

test('a ball is drawn as a circle of its size, head up', () => {
  const rings = ringsOf(skinOutline([ball(0, 40, 60)], front, box));
  expect(rings).toHaveLength(1);
  expect(Math.abs(area(rings[0]) / (Math.PI * 60 ** 2) - 1)).toBeLessThan(0.03);
  const [top, bottom] = extent(rings[0], 1);
  expect(Math.abs(top - -100)).toBeLessThan(2);
  expect(Math.abs(bottom - 20)).toBeLessThan(2);
});

test('an ellipsoid and a limb keep their breadth', () => {
  const egg: Shape = {
    kind: 'ellipsoid',
    c: [0, 0, 0],
    axes: [
      [80, 0, 0],
      [0, 30, 0],
      [0, 0, 40],
    ],
  };
  const [ring] = ringsOf(skinOutline([egg], front, box));
  expect(Math.abs(extent(ring, 0)[1] - 80)).toBeLessThan(2);
  expect(Math.abs(extent(ring, 1)[1] - 40)).toBeLessThan(2);
  const limb: Shape = {
    kind: 'tube',
    pts: [
      [-90, 0, 0],
      [90, 0, 0],
    ],
    r: [30, 20],
  };
  const [outline] = ringsOf(skinOutline([limb], front, box));
  expect(Math.abs(extent(outline, 0)[0] - -120)).toBeLessThan(2);
  expect(Math.abs(extent(outline, 0)[1] - 110)).toBeLessThan(2);
});

test('pieces that touch run into one; pieces apart stay apart', () => {
  expect(ringsOf(skinOutline([ball(-30, 0, 40), ball(30, 0, 40)], front, box))).toHaveLength(1);
  expect(ringsOf(skinOutline([ball(-80, 0, 40), ball(80, 0, 40)], front, box))).toHaveLength(2);
});

test('where two pieces meet, the crease is filled a little and nothing else grows', () => {
  const alone = ringsOf(skinOutline([ball(0, 0, 50)], front, box))[0];
  const pair = ringsOf(skinOutline([ball(-35, 0, 50), ball(35, 0, 50)], front, box))[0];
  const waist = Math.max(...pair.filter(([x]) => Math.abs(x) < 4).map(([, y]) => Math.abs(y)));
  const crease = Math.sqrt(50 ** 2 - 35 ** 2);
  expect(waist).toBeGreaterThan(crease);
  expect(waist).toBeLessThan(crease + 8);
  expect(extent(pair, 1)[1]).toBeLessThan(extent(alone, 1)[1] + 2);
});

test('nothing in the box, nothing drawn', () => {
  expect(skinOutline([ball(900, 0, 40)], front, box)).toBe('');
  expect(bonePaths([ball(900, 0, 40)], front, box)).toBe('');
  expect(bonePaths([ball(0, 0, 20)], front, box)).toMatch(/^M.*Z$/);
});

test('in perspective, what lies deeper than the reference looks smaller and nearer to the ray', () => {
  const eye: DrawingPlane = { right: [1, 0, 0], up: [0, 0, 1], eye: { from: [0, -1000, 0], at: [0, 0, 0] } };
  expect(toDrawing(eye, [50, 0, 0])).toEqual([50, -0]);
  expect(toDrawing(eye, [50, 250, 0])[0]).toBeCloseTo(40, 9);
  expect(toDrawing(eye, [50, -200, 0])[0]).toBeCloseTo(62.5, 9);
  const deep = ringsOf(skinOutline([{ kind: 'tube', pts: [[0, 250, 0]], r: [50] }], eye, box))[0];
  expect(Math.abs(area(deep) / (Math.PI * 40 ** 2) - 1)).toBeLessThan(0.03);
});
