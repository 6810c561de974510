import fc from 'fast-check';
import { doseLevelFor, doseLevelSchema, sumDoses } from '../exam/doseLevel';
import { mean, slopeOf } from '../quantity/statistics';
import { indexTrend } from './indexTrend';

const DAY = 86_400_000;
const readings = (perWeek: number, count: number, noise: number) =>
  Array.from({ length: count }, (_, i) => ({
    at: 1e12 + i * DAY,
    di: 0.5 + (perWeek * i) / 7 + noise * (i % 2 ? 1 : -1),
  }));

describe('the deviation index of a room over time', () => {
  test('finds a drift, and only where it is more than the scatter', () => {
    expect(indexTrend(readings(-0.6, 21, 0.2))).toMatchObject({ count: 21, drifts: true });
    expect(indexTrend(readings(-0.6, 21, 0.2))!.perWeek).toBeCloseTo(-0.6, 1);
    expect(indexTrend(readings(0, 21, 1))!.drifts).toBe(false);
    expect(Math.abs(indexTrend(readings(0, 21, 1))!.spread - 1)).toBeLessThan(0.1);
  });
  test('says nothing of a drift from a few readings, or from a day', () => {
    expect(indexTrend([])).toBeNull();
    expect(indexTrend(readings(-3, 5, 0))).toMatchObject({ perWeek: null, drifts: false });
    const oneDay = readings(-3, 20, 0).map((each, i) => ({ ...each, at: 1e12 + i }));
    expect(indexTrend(oneDay)!.perWeek).toBeNull();
  });
  test('a slope is the one that made the points', () =>
    fc.assert(
      fc.property(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }), (a, b) => {
        const xs = [1, 2, 4, 7];
        expect(
          slopeOf(
            xs,
            xs.map((x) => a + b * x),
          ),
        ).toBeCloseTo(b, 6);
        expect(mean([a, b])).toBeCloseTo((a + b) / 2, 9);
      }),
    ));
});

describe('dose levels of a department', () => {
  const levels = [
    { projectionId: 'chest-pa', fromYears: 0, kapGyCm2: 0.03 },
    { projectionId: 'chest-pa', fromYears: 16, kapGyCm2: 0.12 },
    { projectionId: 'pelvis-ap', fromYears: 16, kapGyCm2: 2 },
  ];
  test('the one of the age holds; an unknown age is an adult', () => {
    expect(doseLevelFor(levels, 'chest-pa', 5)!.kapGyCm2).toBe(0.03);
    expect(doseLevelFor(levels, 'chest-pa', 16)!.kapGyCm2).toBe(0.12);
    expect(doseLevelFor(levels, 'chest-pa')!.kapGyCm2).toBe(0.12);
    expect(doseLevelFor(levels, 'pelvis-ap', 5)).toBeNull();
    expect(doseLevelFor(levels, 'hand-pa', 40)).toBeNull();
  });
  test('a level outside its range is refused with the range', () =>
    expect(doseLevelSchema.safeParse({ ...levels[0], kapGyCm2: 0 }).error!.issues[0].message).toMatch(/0.0001 to 200/));
  test('doses add up, and their uncertainty does not even out', () => {
    const sum = sumDoses([
      { kapGyCm2: 1, spread: 0.3 },
      { kapGyCm2: 3, spread: 0.1 },
    ]);
    expect(sum.kapGyCm2).toBe(4);
    expect(sum.spread).toBeCloseTo(0.15, 9);
    expect(sumDoses([])).toEqual({ kapGyCm2: 0, spread: 0 });
  });
});
