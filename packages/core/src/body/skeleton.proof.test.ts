/** The true bones as solids: closed, nested, apart from each other, under the skin, and where the landmarks say. */
import { subtract, dot, cross, length, type Vec3 } from '../geometry/vector';
import { trueBones } from '../testing/trueBones';
import { buildBody, landmarkOf } from './body';
import { mannequin } from './mannequin';
import { poseBody } from './pose';
import { crossSkin, placeBody } from './posed';
import { supportPoint } from './shape';
import { IDENTITY } from '../geometry/frame';
import { standingBones, type BoneSurface, type TrueBone } from './skeleton';

const skeleton = trueBones();
const left = skeleton.bones.filter(({ id }) => id.endsWith('_L'));
const point = (points: Float32Array, i: number): Vec3 => [points[3 * i], points[3 * i + 1], points[3 * i + 2]];

function volume({ home, triangles }: BoneSurface): number {
  let six = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => point(home, triangles[t + k]));
    six += dot(a, cross(b, c));
  }
  return six / 6;
}

/** Whether a point lies within a closed surface: how often a line to one side leaves it. */
/** A line that runs along no edge: coordinates of the bones are rounded to steps. */
const ASIDE = [0.000137, 0.000071] as const;
function isWithin({ home, triangles }: BoneSurface, p: Vec3): boolean {
  const [x, y, z] = [p[0] + ASIDE[0], p[1] + ASIDE[1], p[2]];
  let crossings = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => point(home, triangles[t + k]));
    if (Math.max(a[2], b[2], c[2]) < z) continue;
    const turn = (from: Vec3, to: Vec3) => (to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0]);
    const [u, v, w] = [turn(b, c), turn(c, a), turn(a, b)];
    if (!((u > 0 && v > 0 && w > 0) || (u < 0 && v < 0 && w < 0))) continue;
    if ((u * a[2] + v * b[2] + w * c[2]) / (u + v + w) > z) crossings += 1;
  }
  return crossings % 2 === 1;
}

const boxOf = ({ home }: BoneSurface) =>
  [0, 1, 2].map((k) => {
    const values = home.filter((_, i) => i % 3 === k);
    return [values.reduce((a, b) => Math.min(a, b)), values.reduce((a, b) => Math.max(a, b))] as const;
  });
const wallOf = (bone: TrueBone): BoneSurface => bone.surfaces[0];

it('there are the bones of arm and leg, on both sides', () => {
  expect(left).toHaveLength(36);
  expect(skeleton.bones).toHaveLength(72);
  const known = new Set(mannequin.primitives.map(({ id }) => id));
  const strange = [...skeleton.covers].filter((id) => !known.has(id) && !id.startsWith('sesamoid_hand'));
  expect(strange).toEqual([]);
});

it.each(skeleton.bones)('$id is closed, and every layer lies within the one before it', ({ surfaces }) => {
  expect(surfaces.map(({ layer }) => layer)).toEqual(['wall', 'spongy', 'marrow'].slice(0, surfaces.length));
  for (const { triangles } of surfaces) {
    const edges = new Map<number, number>();
    for (let t = 0; t < triangles.length; t += 3)
      for (let e = 0; e < 3; e += 1) {
        const [from, to] = [triangles[t + e], triangles[t + ((e + 1) % 3)]];
        const [key, turn] = from < to ? [from * 65536 + to, 1] : [to * 65536 + from, -1];
        edges.set(key, (edges.get(key) ?? 0) + turn);
      }
    expect([...edges.values()].filter((sum) => sum !== 0)).toEqual([]);
  }
  const volumes = surfaces.map(volume);
  expect(Math.min(...volumes)).toBeGreaterThan(0);
  for (let i = 1; i < volumes.length; i += 1) expect(volumes[i]).toBeLessThan(volumes[i - 1]);
  for (let i = 1; i < surfaces.length; i += 1) {
    const { home } = surfaces[i];
    const count = home.length / 3;
    const step = Math.max(1, Math.floor(count / 40));
    const asked = Array.from({ length: Math.floor(count / step) }, (_, k) => point(home, k * step));
    const out = asked.filter((p) => !isWithin(surfaces[i - 1], p));
    // Where a wall is half a millimetre thick, a corner of the fewer triangles may come through it.
    expect(out.length / asked.length).toBeLessThan(0.13);
  }
});

it('no bone reaches into another', () => {
  let compared = 0;
  const within: string[] = [];
  for (const bone of left)
    for (const other of left) {
      if (bone === other) continue;
      const [a, b] = [boxOf(wallOf(bone)), boxOf(wallOf(other))];
      if (a.some(([low, high], k) => high < b[k][0] || low > b[k][1])) continue;
      const { home } = wallOf(bone);
      for (let i = 0; i < home.length / 3; i += 3) {
        const p = point(home, i);
        if (p.some((mm, k) => mm < b[k][0] || mm > b[k][1])) continue;
        compared += 1;
        if (isWithin(wallOf(other), p)) within.push(`${bone.id} in ${other.id}`);
      }
    }
  expect(compared).toBeGreaterThan(500);
  expect([...new Set(within)]).toEqual([]);
});

const LANDMARKS: readonly (readonly [string, string])[] = [
  ['radial_styloid_L', 'radius_L'],
  ['radial_head_L', 'radius_L'],
  ['ulnar_styloid_L', 'ulna_L'],
  ['olecranon_L', 'ulna_L'],
  ['pisiform_L', 'pisiform_L'],
  ['med_epicondyle_hum_L', 'humerus_shaft_L'],
  ['lat_epicondyle_hum_L', 'humerus_shaft_L'],
  ['greater_tubercle_L', 'humerus_shaft_L'],
  ['deltoid_tuberosity_L', 'humerus_shaft_L'],
  ['greater_trochanter_lat_L', 'femur_shaft_L'],
  ['med_epicondyle_fem_L', 'femur_shaft_L'],
  ['lat_epicondyle_fem_L', 'femur_shaft_L'],
  ['patella_base_L', 'patella_L'],
  ['patella_centre_L', 'patella_L'],
  ['patella_apex_L', 'patella_L'],
  ['tibial_tuberosity_L', 'tibia_shaft_L'],
  ['fibular_head_L', 'fibula_L'],
  ['med_malleolus_L', 'tibia_shaft_L'],
  ['lat_malleolus_L', 'fibula_L'],
];
it.each(LANDMARKS)('%s lies on its bone, within 3 mm', (id, boneId) => {
  const { home, triangles } = wallOf(skeleton.bones.find((bone) => bone.id === boneId)!);
  const { p } = mannequin.landmarks.find((landmark) => landmark.id === id)!;
  let nearest = Infinity;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => point(home, triangles[t + k]));
    const n = cross(subtract(b, a), subtract(c, a));
    const corners = [a, b, c].map((each) => length(subtract(each, p)));
    nearest = Math.min(nearest, ...corners);
    const inside = [
      [a, b],
      [b, c],
      [c, a],
    ].every(([from, to]) => dot(cross(subtract(to, from), subtract(p, from)), n) >= 0);
    if (inside && length(n) > 0) nearest = Math.min(nearest, Math.abs(dot(subtract(p, a), n)) / length(n));
  }
  expect(nearest).toBeLessThan(3);
});

/** Axes of the hand, and against them. */
const ACROSS: readonly Vec3[] = [
  [0.9896, 0, 0.1437],
  [0.0034, 0.9997, -0.0237],
  [-0.1436, 0.0239, 0.9893],
];
const WAYS = ACROSS.flatMap((d): Vec3[] => [d, [-d[0], -d[1], -d[2]]]);
/** The pieces of the mannequin that one bone stands for. */
const coveredBy = (id: string): RegExp => {
  if (id.startsWith('humerus'))
    return /^(humer|greater_tub|lesser_tub|trochlea|capitulum|(medial|lateral)_epicondyle).*_L$/;
  if (id.startsWith('femur')) return /^(femur|femoral|greater_troch|lesser_troch).*_L$/;
  if (id.startsWith('tibia')) return /^(tibia|tibial|medial_malleolus).*_L$/;
  if (id.startsWith('fibula')) return /^(fibula|lateral_malleolus)_L$/;
  return /^(radius|ulna)_/.test(id) ? new RegExp(`^${id.slice(0, -1)}.*L$`) : new RegExp(`^${id}$`);
};
it('the pieces that set-ups are computed with reach as far as the bones, within 3 mm', () => {
  const far: string[] = [];
  let compared = 0;
  for (const bone of left) {
    const own = mannequin.primitives.filter(({ id }) => coveredBy(bone.id).test(id));
    if (own.length === 0) continue;
    const { home } = wallOf(bone);
    for (const d of WAYS) {
      let reach = -Infinity;
      for (let i = 0; i < home.length / 3; i += 1) reach = Math.max(reach, dot(point(home, i), d));
      const piece = Math.max(...own.map(({ shape }) => dot(supportPoint(shape, d), d)));
      compared += 1;
      if (Math.abs(piece - reach) > 3) far.push(`${bone.id} ${d.join()}: ${(reach - piece).toFixed(1)} mm`);
    }
  }
  expect(compared).toBeGreaterThan(150);
  expect(far).toEqual([]);
});

const PATIENTS = [
  {},
  { ageYears: 30, sex: 'female' as const, massKg: 45, statureMm: 1600 },
  { ageYears: 60, sex: 'male' as const, massKg: 120 },
  { ageYears: 80, sex: 'female' as const },
];
it.each(PATIENTS)('every bone lies under the skin: %j', (patient) => {
  const body = buildBody(patient);
  const posed = placeBody(body, poseBody(body, { forearmPronation: 90 }), IDENTITY);
  const out = new Set<string>();
  let asked = 0;
  for (const { id, surfaces } of standingBones(skeleton, posed)) {
    const { points } = surfaces[0];
    const step = Math.max(1, Math.floor(points.length / 3 / 40));
    for (let i = 0; i < points.length / 3; i += step) {
      const p = point(points, i);
      const crossing = crossSkin(posed, p, [0, 1, 0]);
      asked += 1;
      if (!crossing || dot(subtract(p, crossing.entry), [0, 1, 0]) < -0.5) out.add(id);
    }
  }
  expect(asked).toBeGreaterThan(1500);
  expect([...out]).toEqual([]);
});

it('a bone follows its landmark from body to body', () => {
  for (const patient of PATIENTS) {
    const body = buildBody(patient);
    const posed = placeBody(body, poseBody(body, {}), IDENTITY);
    const radius = standingBones(skeleton, posed).find(({ id }) => id === 'radius_L')!;
    const { p } = landmarkOf(body, 'radial_styloid_L');
    const { points } = wallOf(radius);
    let nearest = Infinity;
    for (let i = 0; i < points.length / 3; i += 1) nearest = Math.min(nearest, length(subtract(point(points, i), p)));
    expect(nearest).toBeLessThan(5);
  }
});
