import { bodyInState, buildBody, landmarkOf, structureOf, type Body } from './body';
import { HABITUS, type Habitus } from './patient';
import { STANDING } from './organs';
import { dot, type Vec3 } from '../geometry/vector';
import { supportPoint, type Ellipsoid, type Tube } from './shape';

const LEVELS = ['T9', 'T10', 'T11', 'T12', 'L1', 'L2', 'L3', 'L4', 'L5'] as const;
const lying = { rest: 'lying', breath: 'in' } as const;
const man = (habitus: Habitus, ageYears = 40): Body => buildBody({ ageYears, sex: 'male', habitus });
const onBack = (habitus: Habitus) => bodyInState(man(habitus), lying);

/** Vertebral level of a height, 0 for T9; halves are discs. */
function levelOf(body: Body, z: number): number {
  const heights = LEVELS.map((level) => landmarkOf(body, level).p[2]);
  const i = heights.findIndex((height) => height <= z);
  if (i <= 0) return i;
  return i - 1 + (heights[i - 1] - z) / (heights[i - 1] - heights[i]);
}
const level = (name: (typeof LEVELS)[number]) => LEVELS.indexOf(name);
const middleOf = (body: Body, id: string) => {
  const { pts } = structureOf(body, id).shape as Tube;
  return pts[pts.length - 1];
};

describe('organs lie where the build has them (on the back)', () => {
  it.each([
    ['hypersthenic', 'T11', 'T12'],
    ['sthenic', 'L1', 'L2'],
    ['hyposthenic', 'L2', 'L3'],
    ['asthenic', 'L3', 'L4'],
  ] as const)('duodenal bulb of the %s between %s and %s', (habitus, upper, lower) => {
    const body = onBack(habitus);
    const found = levelOf(body, middleOf(body, 'duodenal_bulb')[2]);
    expect(found).toBeGreaterThanOrEqual(level(upper) - 0.4);
    expect(found).toBeLessThanOrEqual(level(lower) + 0.4);
  });

  it('gallbladder: high and lateral in the broad, low and near the middle in the slender', () => {
    const found = HABITUS.map((habitus) => middleOf(onBack(habitus), 'gallbladder'));
    for (let i = 1; i < found.length; i += 1) {
      expect(found[i][2]).toBeLessThan(found[i - 1][2]);
      expect(found[i][0]).toBeGreaterThan(found[i - 1][0]);
    }
    const body = onBack('sthenic');
    expect(Math.round(levelOf(body, middleOf(body, 'gallbladder')[2]))).toBe(level('L1'));
  });

  it('stomach lies across in the broad and hangs down in the slender', () => {
    const steepness = (habitus: Habitus) => {
      const { pts } = structureOf(onBack(habitus), 'stomach').shape as Tube;
      const xs = pts.map((p) => p[0]);
      const zs = pts.map((p) => p[2]);
      return (Math.max(...zs) - Math.min(...zs)) / (Math.max(...xs) - Math.min(...xs));
    };
    const all = HABITUS.map(steepness);
    expect([...all].sort((a, b) => a - b)).toEqual(all);
    expect(all[0]).toBeLessThan(0.6);
    expect(all[3]).toBeGreaterThan(2);
  });

  it('transverse colon high in the broad, in the pelvis of the slender', () => {
    const lowest = (habitus: Habitus) => (structureOf(onBack(habitus), 'colon').shape as Tube).pts[4][2];
    expect(lowest('hypersthenic') - lowest('asthenic')).toBeGreaterThan(120);
  });

  it('kidneys follow, less', () => {
    const z = (habitus: Habitus) => (structureOf(onBack(habitus), 'kidney_R').shape as Ellipsoid).c[2];
    expect(z('hypersthenic')).toBeGreaterThan(z('sthenic'));
    expect(z('asthenic')).toBeLessThan(z('sthenic') - 15);
    expect(z('asthenic')).toBeGreaterThan(z('sthenic') - 50);
  });
});

describe('standing and breath', () => {
  it('standing lowers stomach and kidneys by 2.5 to 5 cm', () => {
    for (const id of ['kidney_L', 'spleen'] as const) {
      const z = (body: Body) => (structureOf(body, id).shape as Ellipsoid).c[2];
      const drop = z(onBack('sthenic')) - z(bodyInState(man('sthenic'), STANDING));
      expect(drop).toBeGreaterThan(25);
      expect(drop).toBeLessThan(50);
    }
  });
  it('breathing out raises the dome by 3 to 5 cm; lying raises it too', () => {
    const base = (body: Body) => landmarkOf(body, 'costophrenic_L').p[2];
    const standing = man('sthenic');
    const out = base(bodyInState(standing, { rest: 'standing', breath: 'out' })) - base(standing);
    expect(out).toBeGreaterThan(30);
    expect(out).toBeLessThan(50);
    expect(base(onBack('sthenic'))).toBeGreaterThan(base(standing) + 15);
  });
  it('the lung reaches down to the corner that is covered for it, in every build', () => {
    for (const habitus of HABITUS) {
      const body = man(habitus);
      const lung = structureOf(body, 'lung_L').shape as Ellipsoid;
      const base = lung.c[2] - lung.axes[2][2];
      expect(landmarkOf(body, 'costophrenic_L').p[2]).toBeGreaterThan(base);
      expect(landmarkOf(body, 'costophrenic_L').p[2] - base).toBeLessThan(70);
    }
  });
  it('flattens and broadens the belly on the back, unless a caliper was laid on it', () => {
    const flesh = (body: Body) => body.segments.lumbar.stretch.flesh;
    const [standing, back] = [flesh(man('sthenic')), flesh(onBack('sthenic'))];
    expect(back[1] / standing[1]).toBeCloseTo(0.88, 6);
    expect(back[0] / standing[0]).toBeCloseTo(1.05, 6);
    const taken = buildBody({ ageYears: 40, measured: { abdomenAPMm: 260 } });
    expect(flesh(bodyInState(taken, lying))).toEqual(flesh(taken));
    expect(flesh(bodyInState(bodyInState(man('sthenic'), lying), STANDING))[1]).toBeCloseTo(standing[1], 9);
  });
});

test('lungs of a median man fill the rib cage: 28 to 30 cm wide inside, 24 to 28 cm high, and no rib stands out of the skin', () => {
  const body = buildBody({ ageYears: 40, sex: 'male' });
  const reach = (id: string, d: Vec3) => dot(supportPoint(structureOf(body, id).shape, d), d);
  const ribs = Array.from({ length: 12 }, (_, i) => structureOf(body, `rib${i + 1}_L`).shape as Tube);
  const inner = 2 * Math.max(...ribs.map(({ pts, r }) => Math.max(...pts.map(([x], i) => x - r[i]))));
  expect(inner).toBeGreaterThan(278);
  expect(inner).toBeLessThan(300);
  const lungs = reach('lung_L', [1, 0, 0]) + reach('lung_R', [-1, 0, 0]);
  expect(inner - lungs).toBeLessThan(12);
  const high = reach('lung_L', [0, 0, 1]) - landmarkOf(body, 'costophrenic_L').p[2];
  expect(high).toBeGreaterThan(240);
  expect(high).toBeLessThan(285);
  // The heart is 0.40 to 0.50 of the inner width.
  const heart = reach('heart', [1, 0, 0]) + reach('heart', [-1, 0, 0]);
  expect(heart / inner).toBeGreaterThan(0.4);
  expect(heart / inner).toBeLessThan(0.5);
});

test('apices of the lungs stand high over the clavicles in a small child', () => {
  const over = (ageYears: number) => {
    const body = buildBody({ ageYears, habitus: 'sthenic' });
    const lung = structureOf(body, 'lung_L').shape as Ellipsoid;
    const trunk = landmarkOf(body, 'C7_sp').p[2] - landmarkOf(body, 'L5').p[2];
    return (lung.c[2] + lung.axes[2][2] - landmarkOf(body, 'clavicle_mid_L').p[2]) / trunk;
  };
  expect(over(0)).toBeGreaterThan(over(3));
  expect(over(3)).toBeGreaterThan(over(10));
});
