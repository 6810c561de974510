/** The tool that makes the bones: closed surfaces where they belong, and the same bytes again. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { blend, ball, carve, gridded, lump, rise, rod } from './field';
import { loft } from './loft';
import { builtBone, packed } from './pack';
import { sourcesMark } from './sources.mjs';
import { largestPiece, openEdges, simplified, surfaceOf, volumeOf } from './surface';

const BOX = { low: [-14, -14, -14], high: [14, 14, 14] } as const;
const AS_IT_IS = {
  origin: [0, 0, 0],
  axes: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
} as const;
const share = (is: number, ought: number) => Math.abs(is / ought - 1);

it('a ball has the volume of a ball, closed, and keeps it with fewer triangles', async () => {
  const mesh = surfaceOf(ball([0, 0, 0], 10), BOX, 1);
  expect(openEdges(mesh)).toBe(0);
  expect(share(Math.abs(volumeOf(mesh)), (4 / 3) * Math.PI * 1000)).toBeLessThan(0.01);
  const fewer = await simplified(mesh, 0.1);
  expect(fewer.triangles.length).toBeLessThan(mesh.triangles.length / 2);
  expect(openEdges(fewer)).toBe(0);
  expect(volumeOf(fewer)).toBeGreaterThan(0);
  expect(share(volumeOf(fewer), (4 / 3) * Math.PI * 1000)).toBeLessThan(0.03);
});

it('a loft between two sections is as long and as wide as they say', () => {
  const field = loft(
    [
      { s: -10, a: 4, back: 4, front: 4, n: 2 },
      { s: 10, a: 4, back: 4, front: 4, n: 2 },
    ],
    0.5,
  );
  expect(field([0, 0, 0])).toBeLessThan(-3);
  expect(field([4, 0, 0])).toBeCloseTo(0, 1);
  expect(field([0, 0, 10])).toBeCloseTo(0, 0);
  expect(field([0, 0, 13])).toBeGreaterThan(2);
  expect(field([6, 0, 0])).toBeGreaterThan(1);
});

it('a blend fills the seam, and what is carved is hollow', () => {
  const two = blend(4, ball([-4, 0, 0], 5), ball([4, 0, 0], 5));
  expect(two([0, 3.6, 0])).toBeLessThan(Math.min(ball([-4, 0, 0], 5)([0, 3.6, 0]), 0));
  const hollow = carve(1, ball([0, 0, 0], 8), ball([0, 0, 8], 5));
  expect(hollow([0, 0, 5])).toBeGreaterThan(0);
  expect(hollow([0, 0, -5])).toBeLessThan(0);
  expect([rise(0, 1, -1), rise(0, 1, 0.5), rise(0, 1, 2)]).toEqual([0, 0.5, 1]);
});

it('distances on a grid are those of the field, also beyond its box', () => {
  const rods = rod([-6, 0, 0], [6, 0, 0], 3);
  const grid = gridded(rods, { low: [-10, -5, -5], high: [10, 5, 5] });
  for (const p of [
    [0, 3.5, 0.2],
    [7, 1, 1],
    [-2.3, -4, 2],
    [0, 9, 0],
  ] as const)
    expect(Math.abs(grid(p) - rods(p))).toBeLessThan(0.4);
});

it('two balls apart are two pieces, and the larger is kept', () => {
  const apart = surfaceOf(blend(0.1, ball([-7, 0, 0], 4), ball([8, 0, 0], 3)), BOX, 0.8);
  const { mesh, pieces } = largestPiece(apart);
  expect(pieces).toBe(2);
  expect(share(Math.abs(volumeOf(mesh)), (4 / 3) * Math.PI * 64)).toBeLessThan(0.05);
});

it('refuses a surface that leaves its box', () => {
  expect(() => surfaceOf(ball([10, 0, 0], 8), BOX, 1)).toThrow(/leaves its box/);
});

const bone = (surface = lump([0, 0, 0], [9, 6, 6])) => ({
  id: 'trial_L',
  segment: 'hand_L',
  surface,
  box: BOX,
  wall: () => 1.5,
  cell: 1,
});

it('makes the same bytes of the same bone, twice', async () => {
  const [once, again] = [await builtBone(bone(), AS_IT_IS), await builtBone(bone(), AS_IT_IS)];
  expect(once.parts.map(({ layer }) => layer)).toEqual(['wall', 'spongy']);
  expect(Buffer.from(packed('trial', 'mark', [once])).equals(Buffer.from(packed('trial', 'mark', [again])))).toBe(true);
});

it('refuses a bone in two pieces', async () => {
  const parts = blend(0.1, ball([-7, 0, 0], 4), ball([8, 0, 0], 3));
  await expect(builtBone(bone(parts), AS_IT_IS)).rejects.toThrow(/falls into 2 pieces/);
});

it('the bones that ship are made from the descriptions as they are', () => {
  const folder = path.join(__dirname, '../../packages/core/skeleton');
  const files = readdirSync(folder);
  expect(files.length).toBeGreaterThan(0);
  for (const file of files) {
    const bytes = readFileSync(path.join(folder, file));
    const index: unknown = JSON.parse(bytes.subarray(4, 4 + bytes.readUInt32LE(0)).toString());
    expect(index).toMatchObject({ sources: sourcesMark(__dirname) });
  }
});
