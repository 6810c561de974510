import { buildBody, landmarkOf, measureBody } from './body';
import { IDENTITY } from '../geometry/frame';
import { mediansFor, type Medians } from './anthropometry';
import table from './data/anthropometry.json';
import { merged, rayIntervals } from './intervals';
import { asRadiographed, ellipsePerimeter, type Measures } from './measure';
import { equivalentDiameterMm, type PatientInput } from './patient';
import { poseBody } from './pose';
import { placeBody } from './posed';

type Row = Medians & { ageYears: number; sex: 'M' | 'F' | 'MF' };
const rows = table.rows as unknown as Row[];
const SEX = { M: 'male', F: 'female', MF: undefined } as const;
const measured = (patient: PatientInput): Measures =>
  asRadiographed(measureBody(buildBody(patient)), patient.ageYears ?? 40);

/**
 * Where the body cannot come within 5 %: the table's legs at three months are longer than its long bones and its own
 * stature leave room for, and the mannequin's cranium is an ellipsoid, rounder than a head.
 */
const WIDER: Record<string, number> = {
  '0.25 MF humerusMm': 0.09,
  '0.25 MF radiusMm': 0.09,
  '0.25 MF femurMm': 0.07,
  '0.25 MF tibiaMm': 0.08,
  '18 F headCircMm': 0.055,
};

describe('every median of the table, measured on the body of that age and sex', () => {
  it.each(rows.map((row) => [row.ageYears, row.sex, row] as const))('%d years, %s', (ageYears, sex, row) => {
    const own = measured({ ageYears, sex: SEX[sex] });
    for (const part of Object.keys(own) as (keyof Measures)[]) {
      const error = Math.abs(own[part] / row[part] - 1);
      const limit = WIDER[`${ageYears} ${sex} ${part}`] ?? 0.05;
      expect([part, error < limit, Math.round(error * 1000) / 10]).toEqual([part, true, expect.any(Number)]);
    }
  });
});

describe('trunk thickness follows mass as the equivalent cylinder does', () => {
  it.each(rows.map((row) => [row.ageYears, row.sex, row] as const))(
    'at %d years, %s, chest and abdomen lie within 7 % of the taught share of its diameter',
    (ageYears, sex, row) => {
      const own = measured({ ageYears, sex: SEX[sex] });
      const D = equivalentDiameterMm(row.massKg, row.statureMm);
      expect(Math.abs(own.chestAPMm / (0.97 * D) - 1)).toBeLessThan(0.07);
      expect(Math.abs(own.abdomenAPMm / ((ageYears < 18 ? 0.98 : 0.94) * D) - 1)).toBeLessThan(0.07);
      // The side to side rule is the rough one.
      expect(Math.abs(own.chestBreadthMm / (1.4 * D) - 1)).toBeLessThan(0.23);
    },
  );

  it.each([55, 65, 90, 107, 140])('a man of 175 cm and %d kg: chest as D, abdomen as D to the power 1.25', (massKg) => {
    const patient: PatientInput = { ageYears: 40, sex: 'male', statureMm: 1750 };
    const median = measured(patient);
    const own = measured({ ...patient, massKg });
    const ratio =
      equivalentDiameterMm(massKg, 1750) /
      equivalentDiameterMm(mediansFor(40, 'male').massKg * (1750 / 1760) ** 2, 1750);
    expect(own.chestAPMm / median.chestAPMm / ratio).toBeCloseTo(1, 1);
    expect(own.abdomenAPMm / median.abdomenAPMm / ratio ** 1.25).toBeCloseTo(1, 1);
    expect(own.kneeBreadthMm / median.kneeBreadthMm / ratio ** 0.7).toBeCloseTo(1, 1);
    // Soles and scalp are a little thicker on a heavy body.
    expect(Math.abs(own.statureMm - median.statureMm)).toBeLessThan(5);
  });
});

describe('a measure taken on the patient', () => {
  it.each([
    ['chestAPMm', 280],
    ['chestBreadthMm', 380],
    ['abdomenAPMm', 300],
    ['hipBreadthMm', 410],
    ['kneeBreadthMm', 120],
    ['headLengthMm', 210],
    ['headBreadthMm', 160],
    ['handMm', 210],
    ['footMm', 290],
  ] as const)('%s of %d mm is what the body then measures', (part, mm) => {
    const own = measured({ ageYears: 40, sex: 'male', massKg: 95, measured: { [part]: mm } });
    expect(Math.abs(own[part] / mm - 1)).toBeLessThan(0.02);
  });

  it('widens the flesh, not the bones', () => {
    const plain = buildBody({ ageYears: 40 });
    const wide = buildBody({ ageYears: 40, measured: { hipBreadthMm: 420 } });
    expect(landmarkOf(wide, 'ASIS_L').p).toEqual(landmarkOf(plain, 'ASIS_L').p);
  });

  it('is refused outside its range, with the range', () => {
    expect(() => buildBody({ measured: { chestAPMm: 900 } })).toThrow(/chestAPMm must be 60 to 450, got 900/);
    expect(() => buildBody({ measured: { shoeMm: 300 } as never })).toThrow(/has no "shoeMm"/);
    expect(() => buildBody({ ageYears: 1, measured: { chestAPMm: 400 } })).toThrow(
      /Chest, front to back: 40 cm is outside the model/,
    );
  });
});

describe('an independent check: the volume under the skin, at about the density of water, is the mass', () => {
  it.each([
    [{ ageYears: 0 }],
    [{ ageYears: 1 }],
    [{ ageYears: 5 }],
    [{ ageYears: 10 }],
    [{ ageYears: 40, sex: 'male' }],
    [{ ageYears: 40, sex: 'female', massKg: 45 }],
    [{ ageYears: 40, sex: 'male', massKg: 120 }],
  ] as [PatientInput][])('%j, within a fifth', (patient) => {
    const body = buildBody(patient);
    const posed = placeBody(body, poseBody(body, { shoulderAbduction: 20 }), IDENTITY);
    const { statureMm, massKg } = body.patient;
    const step = statureMm / 60;
    let litres = 0;
    for (let x = -statureMm * 0.6; x < statureMm * 0.6; x += step)
      for (let z = -statureMm * 0.65; z < statureMm * 0.55; z += step) {
        const inside = merged(posed.skin.flatMap(({ shape }) => rayIntervals(shape, [x, 0, z], [0, 1, 0])));
        for (const [near, far] of inside) litres += ((far - near) * step * step) / 1e6;
      }
    expect(Math.abs(litres / massKg - 1)).toBeLessThan(1 / 5);
  });
});

test('the perimeter of an ellipse: a circle exactly, a flat one twice its length', () => {
  expect(ellipsePerimeter(10, 10)).toBeCloseTo(20 * Math.PI, 9);
  expect(ellipsePerimeter(10, 1e-9)).toBeCloseTo(40, 1);
});
