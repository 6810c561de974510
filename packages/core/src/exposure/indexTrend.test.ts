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

describe('a room that is steady, and one that is not', () => {
  /** Seeded noise of one standard deviation. */
  const noise = (seed: number) => {
    let state = seed * 2_654_435_761 + 1;
    const draw = () => {
      state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
      return (state + 0.5) / 2_147_483_648;
    };
    return () => Math.sqrt(-2 * Math.log(draw())) * Math.cos(2 * Math.PI * draw());
  };
  const month = (seed: number, perWeek = 0, level = 0, count = 120) => {
    const normal = noise(seed);
    return Array.from({ length: count }, (_, i) => {
      const days = (i / count) * 30;
      return { at: 1e12 + days * DAY, di: level + (perWeek * (days - 15)) / 7 + normal() };
    });
  };
  test('steady rooms are not alarmed; drifting and displaced ones are found', () => {
    const alarms = Array.from({ length: 2000 }, (_, i) => indexTrend(month(i + 1))!).filter(
      ({ drifts, off }) => drifts || off,
    );
    expect(alarms.length).toBeLessThanOrEqual(4);
    const found = Array.from({ length: 300 }, (_, i) => indexTrend(month(i + 1, -0.5))!).filter(({ drifts }) => drifts);
    expect(found.length).toBeGreaterThan(290);
    const low = Array.from({ length: 300 }, (_, i) => indexTrend(month(i + 1, 0, -2))!).filter(({ off }) => off);
    expect(low.length).toBe(300);
  });
  test('a lone reading dated ahead makes no room rise', () => {
    const steady = month(7);
    const now = steady.at(-1)!.at;
    const ahead = [...steady, { at: now + 400 * DAY, di: 5 }];
    expect(indexTrend(ahead, now)).toEqual(indexTrend(steady, now));
    expect(indexTrend(ahead)!.drifts).toBe(false);
  });
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
