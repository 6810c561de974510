import fc from 'fast-check';
import { IDENTITY } from '../geometry/frame';
import { addScaled, cross, dot, length, normalize, subtract, type Vec3 } from '../geometry/vector';
import { buildBody } from './body';
import { merged, plateNormal, rayIntervals, shrunk } from './intervals';
import { poseBody } from './pose';
import { crossSkin, placeBody, posedLandmark } from './posed';
import type { Shape } from './shape';
import { rayThrough, receptorDistance, solidsOf, tissueOf, tissuesAlong, type Solid } from './surface';

const body = buildBody({ ageYears: 40, sex: 'male' });
const posed = placeBody(body, poseBody(body, { kneeFlexion: 20, shoulderAbduction: 20 }), IDENTITY);
const solids = solidsOf(posed);

/** A second way to ask whether a point is inside: by distances, knowing nothing of rays. */
function contains(shape: Shape, p: Vec3): boolean {
  switch (shape.kind) {
    case 'ellipsoid': {
      const [x, y, z] = coordinates(shape.axes, subtract(p, shape.c));
      return x * x + y * y + z * z < 1;
    }
    case 'cylinder': {
      const [x, y] = coordinates(shape.axes, subtract(p, shape.c));
      const n = normalize(cross(shape.axes[0], shape.axes[1]));
      return x * x + y * y < 1 && Math.abs(dot(subtract(p, shape.c), n)) < Math.abs(dot(shape.axes[2], n));
    }
    case 'tube':
      return shape.pts.some((a, i) => {
        if (length(subtract(p, a)) < shape.r[i]) return true;
        const b = shape.pts[i + 1];
        return b !== undefined && inCone(a, b, shape.r[i], shape.r[i + 1], p);
      });
    case 'plate': {
      const n = plateNormal(shape.pts);
      if (Math.abs(dot(subtract(p, shape.pts[0]), n)) > shape.t / 2) return false;
      return shape.pts.every((a, i) => {
        const b = shape.pts[(i + 1) % shape.pts.length];
        return dot(cross(subtract(b, a), subtract(p, a)), n) > 0;
      });
    }
    case 'torus': {
      const o = subtract(p, shape.c);
      const h = dot(o, shape.n);
      const across = length(addScaled(o, shape.n, -h));
      return Math.hypot(across - shape.ring, h) < shape.tube;
    }
  }
}

/** p = x·a + y·b + z·c */
function coordinates([a, b, c]: readonly Vec3[], p: Vec3): Vec3 {
  const volume = dot(a, cross(b, c));
  return [dot(p, cross(b, c)) / volume, dot(p, cross(c, a)) / volume, dot(p, cross(a, b)) / volume];
}

/** Between two spheres: the union of all spheres from one to the other. */
function inCone(a: Vec3, b: Vec3, ra: number, rb: number, p: Vec3): boolean {
  for (let k = 0; k <= 40; k += 1) {
    const t = k / 40;
    const c = addScaled(a, subtract(b, a), t);
    if (length(subtract(p, c)) < ra + (rb - ra) * t) return true;
  }
  return false;
}

function materialAt(all: readonly Solid[], p: Vec3): string | null {
  let best: Solid | null = null;
  for (const solid of all) if ((!best || solid.priority >= best.priority) && contains(solid.shape, p)) best = solid;
  return best && best.material;
}

/** Whether a line comes near enough to a shape to be worth asking: by a sphere round it. */
function comesNear(shape: Shape, from: Vec3, d: Vec3): boolean {
  const [c, reach] = sphereRound(shape);
  const o = subtract(c, from);
  return length(addScaled(o, d, -dot(o, d))) < reach;
}
function sphereRound(shape: Shape): [Vec3, number] {
  if (shape.kind === 'torus') return [shape.c, shape.ring + shape.tube];
  if (shape.kind === 'ellipsoid' || shape.kind === 'cylinder')
    return [shape.c, 1.8 * Math.max(...shape.axes.map(length))];
  const c = shape.pts[0];
  const thick = shape.kind === 'tube' ? Math.max(...shape.r) : shape.t;
  return [c, thick + Math.max(...shape.pts.map((p) => length(subtract(p, c))))];
}

describe('tissues along a ray, against stepping through the body by a millimetre', () => {
  it.each([
    ['chest, front to back', 'T7', [0, 1, 0]],
    ['chest, slanting', 'T7', [0.3, 0.9, 0.2]],
    ['belly, side to side', 'L3', [1, 0, 0]],
    ['hip', 'hip_centre_L', [0, 1, 0]],
    ['skull, side to side', 'nasion', [1, 0.25, 0.1]],
    ['skull, front to back', 'infraorbital_margin_L', [0, 1, 0.1]],
    ['bent knee', 'knee_centre_L', [0, 1, 0]],
    ['hand', 'MC3_head_L', [0, 1, 0]],
    ['foot', 'navicular_tub_L', [0.4, 0, 1]],
  ] as [string, string, Vec3][])('%s', (_name, id, towards) => {
    const d = normalize(towards);
    const from = posedLandmark(posed, id).p;
    const found = tissuesAlong(solids, from, d);
    const [first, last] = [found.spans[0].from - 3, found.spans[found.spans.length - 1].to + 3];
    const step = 1;
    const near = solids.filter(({ shape }) => comesNear(shape, from, d));
    const stepped: Record<string, number> = {};
    for (let t = first + step / 2; t < last; t += step) {
      const material = materialAt(near, addScaled(from, d, t));
      if (material) stepped[tissueOf(material)] = (stepped[tissueOf(material)] ?? 0) + step;
    }
    for (const [tissue, mm] of Object.entries(found.mm))
      expect([tissue, Math.abs(mm - (stepped[tissue] ?? 0)) < 2.5]).toEqual([tissue, true]);
  });

  it('a chest ray meets lung, a belly ray none; both meet spine', () => {
    const through = (id: string, aside: number) => {
      const [x, y, z] = posedLandmark(posed, id).p;
      return tissuesAlong(solids, [x + aside, y, z], [0, 1, 0]).mm;
    };
    expect(through('T7', 75).lung).toBeGreaterThan(100);
    expect(through('L3', 75).lung).toBe(0);
    expect(through('T7', 0).bone).toBeGreaterThan(25);
    expect(through('L3', 0).bone).toBeGreaterThan(25);
  });

  it('spans follow each other without overlap and never exceed the skin', () => {
    const d = normalize([0.1, 1, -0.2]);
    const from = posedLandmark(posed, 'T10').p;
    const { spans, totalMm } = tissuesAlong(solids, from, d);
    for (let i = 1; i < spans.length; i += 1) expect(spans[i].from).toBeGreaterThanOrEqual(spans[i - 1].to - 1e-9);
    const skin = crossSkin(posed, from, d)!;
    expect(Math.abs(totalMm - skin.thicknessMm)).toBeLessThan(12);
    expect(rayThrough(posed, from, d)!.tissues.totalMm).toBeCloseTo(totalMm, 6);
    expect(rayThrough(posed, [5000, 0, 0], d)).toBeNull();
  });
});

describe('distance to the receptor', () => {
  const plane = { point: [0, 200, 0] as Vec3, normal: [0, -1, 0] as Vec3 };
  it('of a landmark is one number, of a structure a near, a middle and a far one', () => {
    const mark = receptorDistance(posed, 'xiphoid_tip', plane);
    expect(mark.nearMm).toBe(mark.farMm);
    expect(mark.middleMm).toBeCloseTo(200 - posedLandmark(posed, 'xiphoid_tip').p[1], 9);
    const heart = receptorDistance(posed, 'heart', plane);
    expect(heart.nearMm).toBeLessThan(heart.middleMm);
    expect(heart.farMm - heart.nearMm).toBeGreaterThan(60);
  });
  it('the heart lies nearer to a receptor in front than to one behind', () => {
    const front = receptorDistance(posed, 'heart', { point: [0, -120, 0], normal: [0, 1, 0] });
    const back = receptorDistance(posed, 'heart', { point: [0, 140, 0], normal: [0, -1, 0] });
    expect(front.middleMm).toBeLessThan(back.middleMm - 20);
  });
  it('an unknown structure is named', () => expect(() => receptorDistance(posed, 'gizzard', plane)).toThrow(/gizzard/));
});

describe('pieces', () => {
  it('intervals that overlap become one, others stay apart', () => {
    expect(
      merged([
        [5, 8],
        [1, 2],
        [7, 9],
      ]),
    ).toEqual([
      [1, 2],
      [5, 9],
    ]);
  });
  it('a bent rib is crossed twice', () => {
    const rib: Shape = {
      kind: 'tube',
      pts: [
        [-50, 0, 0],
        [0, 60, 0],
        [50, 0, 0],
      ],
      r: [4, 4, 4],
    };
    expect(rayIntervals(rib, [-200, 20, 0], [1, 0, 0])).toHaveLength(2);
  });
  it('a ring is crossed twice along its plane and missed through its hole', () => {
    const ring: Shape = { kind: 'torus', c: [0, 0, 0], n: [0, 0, 1], ring: 20, tube: 3 };
    const spans = rayIntervals(ring, [-100, 0, 0], [1, 0, 0]);
    expect(spans).toHaveLength(2);
    expect(spans[0][1] - spans[0][0]).toBeCloseTo(6, 0);
    expect(rayIntervals(ring, [0, 0, -50], [0, 0, 1])).toEqual([]);
  });
  it('a shrunk copy lies inside, by the wall; a wall as thick as the piece leaves none', () => {
    const egg: Shape = {
      kind: 'ellipsoid',
      c: [0, 0, 0],
      axes: [
        [10, 0, 0],
        [0, 20, 0],
        [0, 0, 30],
      ],
    };
    const [inner] = shrunk(egg, 4);
    expect(rayIntervals(inner, [-50, 0, 0], [1, 0, 0])[0]).toEqual([44, 56].map((v) => expect.closeTo(v, 6)));
    expect(shrunk(egg, 10)).toEqual([]);
    const bone: Shape = {
      kind: 'tube',
      pts: [
        [0, 0, 0],
        [0, 0, 10],
        [0, 0, 20],
        [0, 0, 30],
      ],
      r: [8, 3, 3, 8],
    };
    expect(shrunk(bone, 5)).toHaveLength(2);
    const board: Shape = {
      kind: 'plate',
      pts: [
        [0, 0, 0],
        [40, 0, 0],
        [40, 40, 0],
        [0, 40, 0],
      ],
      t: 10,
    };
    const [core] = shrunk(board, 2);
    expect(rayIntervals(core, [20, 20, -20], [0, 0, 1])[0]).toEqual([17, 23].map((v) => expect.closeTo(v, 6)));
    expect(rayIntervals(core, [1, 20, -20], [0, 0, 1])).toEqual([]);
    expect(shrunk(board, 5)).toEqual([]);
  });
  it('a cylinder: through its side its width, along it its length, missed beside it', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 40, noNaN: true }), fc.double({ min: 1, max: 40, noNaN: true }), (r, h) => {
        const can: Shape = {
          kind: 'cylinder',
          c: [3, 4, 5],
          axes: [
            [r, 0, 0],
            [0, r, 0],
            [0, 0, h],
          ],
        };
        const [side] = rayIntervals(can, [-100, 4, 5], [1, 0, 0]);
        expect(side[1] - side[0]).toBeCloseTo(2 * r, 6);
        const [up] = rayIntervals(can, [3, 4, -100], [0, 0, 1]);
        expect(up[1] - up[0]).toBeCloseTo(2 * h, 6);
        expect(rayIntervals(can, [-100, 4 + r + 0.1, 5], [1, 0, 0])).toEqual([]);
      }),
    );
  });
});
