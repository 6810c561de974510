import fc from 'fast-check';
import {
  energyResponse,
  gridTransmission,
  indexPerMas,
  outputAtMetre,
  primaryTransmission,
  scatterToPrimary,
  type BeamConditions,
} from './beamModel';
import { convertTechnique } from './convert';
import { deviationIndex, techniqueForIndex } from './deviation';
import { doseOf } from './dose';
import { offFocusLoss } from './gridCutoff';

const adult: BeamConditions = {
  kVp: 80,
  sidMm: 1020,
  thicknessMm: 210,
  composition: 1.08,
  fieldMm: [350, 430],
  gridRatio: 10,
  outputUGyPerMas: 80,
};

describe('the model against its published points', () => {
  it.each([
    [60, 43.7],
    [80, 80],
    [100, 127.8],
    [120, 187.4],
  ])('output at %d kVp', (kVp, value) => expect(Math.abs(outputAtMetre(kVp, 80) - value)).toBeLessThan(0.1));
  it.each([
    [80, 100, 0.0567],
    [80, 200, 0.00501],
    [60, 100, 0.0374],
    [120, 200, 0.0103],
  ])('transmission at %d kVp through %d mm', (kVp, mm, value) =>
    expect(Math.abs(primaryTransmission(kVp, mm) / value - 1)).toBeLessThan(0.01),
  );
  it.each([
    [350, 430, 4.01],
    [100, 100, 2.18],
  ])('scatter of a %d × %d field at 20 cm', (w, h, value) =>
    expect(Math.abs(scatterToPrimary(200, [w, h]) - value)).toBeLessThan(0.02),
  );
  it('response at its own points and between', () => {
    expect(energyResponse(80, 200)).toBeCloseTo(1, 9);
    expect(energyResponse(75, 200)).toBeCloseTo(0.97, 9);
    expect(energyResponse(40, 0)).toBeCloseTo(0.32, 9);
  });
  it('an adult abdomen asks for about 22 mAs at index 500 through a table that passes 85 %', () =>
    expect(Math.abs(500 / 0.85 / indexPerMas(adult) / 22.3 - 1)).toBeLessThan(0.06));
});

describe('converting a technique', () => {
  it('follows the square of the distance', () => {
    expect(convertTechnique({ mAs: 4 }, { ...adult, sidMm: 1000 }, { ...adult, sidMm: 1800 }).mAs).toBeCloseTo(
      12.96,
      6,
    );
    expect(convertTechnique({ mAs: 3 }, { ...adult, sidMm: 1830 }, { ...adult, sidMm: 1220 }).mAs).toBeCloseTo(
      1.333,
      3,
    );
  });
  it('a grid costs what it should at that scatter', () => {
    const spr = scatterToPrimary(adult.thicknessMm * adult.composition, adult.fieldMm);
    const { primary, scatter } = gridTransmission(10);
    expect(convertTechnique({ mAs: 1 }, { ...adult, gridRatio: 0 }, adult).mAs).toBeCloseTo(
      (1 + spr) / (primary + scatter * spr),
      6,
    );
  });
  it('there and back is where it began, and more body never needs less', () => {
    const condition = fc.record({
      kVp: fc.integer({ min: 50, max: 125 }),
      sidMm: fc.integer({ min: 900, max: 1900 }),
      thicknessMm: fc.integer({ min: 20, max: 330 }),
      gridRatio: fc.constantFrom(0, 6, 8, 10),
    });
    fc.assert(
      fc.property(condition, condition, (a, b) => {
        const [from, to] = [
          { ...adult, ...a },
          { ...adult, ...b },
        ];
        const there = convertTechnique({ mAs: 10 }, from, to);
        expect(convertTechnique({ mAs: there.mAs }, to, from).mAs).toBeCloseTo(10, 6);
        expect(there.factors.reduce((product, { factor }) => product * factor, 10)).toBeCloseTo(there.mAs, 6);
        expect(
          convertTechnique({ mAs: 10 }, from, { ...from, thicknessMm: from.thicknessMm + 20 }).mAs,
        ).toBeGreaterThan(10);
      }),
    );
  });
  it('refuses what the model does not hold, with the range', () => {
    expect(() => indexPerMas({ ...adult, thicknessMm: 500 })).toThrow(/0 to 400, got 540/);
    expect(() => indexPerMas({ ...adult, kVp: 30 })).toThrow(/45 to 140, got 30/);
    expect(() => indexPerMas({ ...adult, sidMm: -1 })).toThrow(/above 0/);
    expect(() => gridTransmission(7)).toThrow(/0, 5, 6, 8, 10, 12, 16/);
    expect(() => convertTechnique({ mAs: 0 }, adult, adult)).toThrow(RangeError);
  });
});

describe('after the exposure', () => {
  it.each([
    [800, 400, 3.01],
    [200, 400, -3.01],
    [500, 400, 0.97],
  ])('EI %d against %d', (ei, target, di) => expect(deviationIndex(ei, target)).toBeCloseTo(di, 2));
  it('10 mAs at DI −2.2 should have been 16.6', () =>
    expect(techniqueForIndex(10, 10 ** -0.22 * 400, 400)).toBeCloseTo(16.6, 1));
  it('refuses zero and less', () => {
    expect(() => deviationIndex(0, 400)).toThrow(RangeError);
    expect(() => techniqueForIndex(-1, 400, 400)).toThrow(RangeError);
  });
});

test('dose at the skin and with area', () => {
  const { entranceKermaMgy, kapGyCm2 } = doseOf({ kVp: 80, mAs: 28 }, { outputUGyPerMas: 80 }, 750, 1020, [350, 430]);
  expect(entranceKermaMgy).toBeCloseTo(3.98, 2);
  expect(kapGyCm2).toBeCloseTo((2.24 / 1.02 ** 2 / 1000) * 35 * 43, 3);
  expect(() => doseOf({ kVp: 80, mAs: 1 }, { outputUGyPerMas: 80 }, -5, 1000, [100, 100])).toThrow(RangeError);
});

test('a grid off its distance loses at the edges', () => {
  expect(offFocusLoss(10, 175, 1000, 800)).toBeCloseTo(0.4375, 4);
  expect(offFocusLoss(10, 175, 1000, 1000)).toBe(0);
  expect(offFocusLoss(12, 400, 1000, 300)).toBe(1);
  expect(() => offFocusLoss(10, 100, 0, 1000)).toThrow(RangeError);
});
