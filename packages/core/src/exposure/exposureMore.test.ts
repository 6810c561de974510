import fc from 'fast-check';
import { bandOf } from './actionBands';
import { fitOutput } from './calibrate';
import { outputAtMetre } from './beamModel';
import { entranceSurfaceMgy, scatterUGy } from './dose';
import { gridLoss, gridTolerance } from './gridCutoff';
import { deviationOnScale, indexOfKerma, kermaOfIndex, STANDARD_SCALE, type IndexScale } from '../room/indexScale';
import { BOARD, CASTS, CONDITIONS } from './multipliers';
import { bearableKw, currentFor } from './tubeLoad';

describe('scales of the exposure number', () => {
  const inverse: IndexScale = { kind: 'inverse', kUGy: 1746 };
  const log: IndexScale = { kind: 'log', base: 2000, slope: 1000, referenceUGy: 8.73 };
  test('published points', () => {
    expect(indexOfKerma(2.5, STANDARD_SCALE)).toBeCloseTo(250, 9);
    expect(kermaOfIndex(400, inverse)).toBeCloseTo(4.365, 3);
    expect(kermaOfIndex(1700, log)).toBeCloseTo(4.375, 2);
    // +301 for each doubling.
    expect(indexOfKerma(2 * 8.73, log) - indexOfKerma(8.73, log)).toBeCloseTo(301.03, 1);
  });
  test('there and back on every scale, and the same deviation on all', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        (a, b) => {
          const expected = 10 * Math.log10(a / b);
          for (const scale of [STANDARD_SCALE, inverse, log]) {
            expect(kermaOfIndex(indexOfKerma(a, scale), scale)).toBeCloseTo(a, 6);
            expect(deviationOnScale(indexOfKerma(a, scale), indexOfKerma(b, scale), scale)).toBeCloseTo(expected, 6);
          }
        },
      ),
    );
  });
  test('refuses what a scale does not have', () => {
    expect(() => kermaOfIndex(0, inverse)).toThrow(/above 0, got 0/);
    expect(() => indexOfKerma(-1, log)).toThrow(RangeError);
    expect(() => kermaOfIndex(NaN, log)).toThrow(/finite/);
  });
});

test.each([
  [0.3, 'on target'],
  [-0.8, 'acceptable'],
  [2, 'over'],
  [-2, 'under'],
  [3.5, 'far over'],
  [-3.5, 'far under'],
])('a deviation of %d is %s', (di, id) => expect(bandOf(di).id).toBe(id));
test('bands of the department, and edges that do not rise', () => {
  expect(bandOf(2, { target: 1, acceptable: 2, far: 4 }).id).toBe('acceptable');
  expect(() => bandOf(0, { target: 2, acceptable: 1, far: 3 })).toThrow(/must rise/);
});

describe('grid cut-off by the published examples', () => {
  const at = { ratio: 10, focusMm: 1000, distanceMm: 1000, offCentreMm: 0, tiltDeg: 0, edgeMm: 175 };
  test.each([
    [{ ratio: 12, offCentreMm: 20 }, 'offCentre', 0.24],
    [{ tiltDeg: 1 }, 'offLevel', 0.17],
    [{ tiltDeg: 2 }, 'offLevel', 0.35],
    [{ tiltDeg: 5 }, 'offLevel', 0.87],
    [{ distanceMm: 800 }, 'offFocus', 0.44],
    [{ distanceMm: 1300 }, 'offFocus', 0.4],
    [{ offCentreMm: 30, distanceMm: 800 }, 'worseEdge', 0.81],
  ] as const)('%j loses by %s %d', (change, which, loss) =>
    expect(gridLoss({ ...at, ...change })[which]).toBeCloseTo(loss, 1.8),
  );
  test('a tilt and the decentring that makes it up cancel at the centre', () => {
    const tilt = gridLoss({ ...at, tiltDeg: 1 }).centre;
    expect(gridLoss({ ...at, tiltDeg: 1, offCentreMm: -1000 * Math.tan(Math.PI / 180) }).centre).toBeCloseTo(0, 9);
    expect(tilt).toBeGreaterThan(0.1);
  });
  test('tolerances: 12:1 at 1 m bears 17 mm, 10:1 reaches from 814 to 1296 mm', () => {
    expect(gridTolerance(12, 1000, 175, 0.2).offCentreMm).toBeCloseTo(16.7, 1);
    const [near, far] = gridTolerance(10, 1000, 175, 0.4).distanceMm;
    expect(near).toBeCloseTo(814, 0);
    expect(far).toBeCloseTo(1296, 0);
    expect(gridTolerance(5, 1800, 100, 0.4).distanceMm[1]).toBeNull();
    expect(gridTolerance(10, 1000, 175, 0.2).tiltDeg).toBeCloseTo(1.1, 1);
  });
});

describe('what the tube bears', () => {
  const load = { ratedKw: 80, maStations: [50, 100, 200, 400, 500, 630, 800] };
  test('the chosen station never exceeds it, and the next shorter one would', () => {
    fc.assert(
      fc.property(fc.integer({ min: 45, max: 140 }), fc.double({ min: 0.5, max: 400, noNaN: true }), (kVp, mAs) => {
        const found = currentFor(kVp, mAs, load);
        if (!found) return;
        expect((kVp * found.mA) / 1000).toBeLessThanOrEqual(bearableKw(80, Math.max(1, found.timeMs)) + 1e-9);
        const more = load.maStations.find((mA) => mA > found.mA);
        if (more) expect((kVp * more) / 1000).toBeGreaterThan(bearableKw(80, Math.max(1, (mAs / more) * 1000)) - 1e-9);
      }),
    );
  });
  test('longer exposures bear less, and none is refused in words', () => {
    expect(bearableKw(80, 50)).toBe(80);
    expect(bearableKw(80, 1000)).toBeCloseTo(48, 6);
    expect(currentFor(120, 10, { ratedKw: 3, maStations: [50] })).toBeNull();
    expect(() => bearableKw(80, 0)).toThrow(/above 0/);
    expect(() => currentFor(80, 0, load)).toThrow(RangeError);
  });
  test('a long exposure takes the highest current that lasts as long', () => {
    expect(currentFor(75, 60, load, 1000)).toMatchObject({ mA: 50, timeMs: 1200 });
  });
});

describe('calibration from measured points', () => {
  const points = [60, 80, 100, 120].map((kVp) => ({
    kVp,
    mAs: 10,
    distanceMm: 1000,
    kermaUGy: outputAtMetre(kVp, 65) * 10,
  }));
  test('finds the level that made the points, at any distance', () => {
    const fit = fitOutput(
      points.map((point, i) => (i % 2 ? { ...point, distanceMm: 2000, kermaUGy: point.kermaUGy / 4 } : point)),
    );
    expect(fit.outputUGyPerMas).toBeCloseTo(65, 6);
    expect(fit.spread).toBeCloseTo(0, 9);
    expect(fit.power).toBeCloseTo(2.1, 6);
    expect(fit.powerFitted).toBe(true);
    expect(fit.warnings).toEqual([]);
  });
  test('a point that does not belong is told, and too few are too', () => {
    const off = fitOutput(points.map((point, i) => (i === 0 ? { ...point, kermaUGy: point.kermaUGy * 1.6 } : point)));
    expect(off.warnings.join()).toMatch(/% off the fit/);
    expect(fitOutput(points.slice(0, 1)).warnings.join()).toMatch(/3 points from a low to a high kVp/);
    expect(fitOutput(points.slice(0, 1)).powerFitted).toBe(false);
    expect(fitOutput(points.map((point) => ({ ...point, kermaUGy: point.kermaUGy * 10 }))).warnings.join()).toMatch(
      /check units/,
    );
    expect(() => fitOutput([])).toThrow(/at least one/);
    expect(() => fitOutput([{ kVp: 80, mAs: 0, distanceMm: 1000, kermaUGy: 1 }])).toThrow(/Point 1/);
  });
});

test('back-scatter and scatter beside the patient', () => {
  expect(entranceSurfaceMgy(3, 80, [200, 200])).toBeCloseTo(3 * 1.37, 9);
  expect(entranceSurfaceMgy(3, 200, [900, 900])).toBeCloseTo(3 * 1.45, 9);
  const near = scatterUGy(2, [200, 200], 1000, false);
  expect(near).toBeCloseTo(2, 6);
  expect(scatterUGy(2, [200, 200], 2000, false)).toBeCloseTo(near / 4, 9);
  expect(scatterUGy(2, [200, 200], 1000, true)).toBeLessThan(near / 20);
  expect(() => scatterUGy(2, [200, 200], 0, false)).toThrow(/above 0/);
});

test('every factor lies within the range that is taught for it', () => {
  for (const { factor, range } of [...Object.values(CASTS), ...Object.values(CONDITIONS), BOARD]) {
    expect(factor).toBeGreaterThanOrEqual(range[0]);
    expect(factor).toBeLessThanOrEqual(range[1]);
  }
});
