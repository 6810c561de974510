import fc from 'fast-check';
import { mediansFor } from './anthropometry';
import { buildBody, landmarkOf } from './body';
import { mannequin } from './mannequin';
import { proportionsOf } from './proportion';
import { resolvePatient } from './patient';

describe('medians', () => {
  it('are the rows of the table at their own ages', () => {
    expect(mediansFor(0)).toMatchObject({ statureMm: 495, massKg: 3.3, chestAPMm: 88 });
    expect(mediansFor(5)).toMatchObject({ statureMm: 1097, massKg: 18.3 });
    expect(mediansFor(40, 'male')).toMatchObject({ statureMm: 1760, massKg: 75 });
    expect(mediansFor(40, 'female')).toMatchObject({ statureMm: 1630, massKg: 62 });
  });
  it('lie between their neighbours, and between the sexes when none is given', () => {
    expect(mediansFor(7).statureMm).toBeCloseTo((1155 + 1270) / 2, 6);
    expect(mediansFor(40).statureMm).toBeCloseTo(1695, 6);
  });
  it('never shrink with age before eighteen', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 17, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom('female' as const, 'male' as const),
        (age, more, sex) => {
          const [before, after] = [mediansFor(age, sex), mediansFor(age + more, sex)];
          expect(after.statureMm).toBeGreaterThanOrEqual(before.statureMm - 1e-9);
          expect(after.massKg).toBeGreaterThanOrEqual(before.massKg - 1e-9);
        },
      ),
    );
  });
  it.each([-1, 111, NaN])('refuse an age of %d', (age) => expect(() => mediansFor(age)).toThrow(/0 to 110 years/));
});

describe('proportions', () => {
  const headShare = (ageYears: number) => {
    const body = buildBody({ ageYears });
    return (landmarkOf(body, 'vertex').p[2] - landmarkOf(body, 'menton').p[2]) / body.patient.statureMm;
  };
  it('a child has a large head and short legs', () => {
    expect(headShare(0)).toBeGreaterThan(headShare(5));
    expect(headShare(5)).toBeGreaterThan(headShare(18));
    const legs = (ageYears: number) => {
      const body = buildBody({ ageYears });
      return -landmarkOf(body, 'ankle_centre_L').p[2] / body.patient.statureMm;
    };
    expect(legs(0)).toBeLessThan(legs(5));
    expect(legs(5)).toBeLessThan(legs(18));
  });
  it('of the reference man are nearly 1', () => {
    const stretch = proportionsOf(resolvePatient({ ageYears: 40, sex: 'male', statureMm: 1750, massKg: 75 }).patient);
    for (const { frame } of Object.values(stretch))
      for (const factor of frame) expect(Math.abs(factor - 1)).toBeLessThan(0.08);
  });
  it('a broad build has short wide lungs and a high diaphragm, a slender one the reverse', () => {
    const recess = (massKg: number, habitus: 'hypersthenic' | 'asthenic') =>
      landmarkOf(buildBody({ ageYears: 40, statureMm: 1750, massKg, habitus }), 'costophrenic_L').p;
    expect(recess(75, 'hypersthenic')[2]).toBeGreaterThan(recess(75, 'asthenic')[2] + 20);
    expect(recess(75, 'hypersthenic')[0]).toBeGreaterThan(recess(75, 'asthenic')[0]);
  });
});

describe('the reference mannequin', () => {
  it('has each name once, on segments that exist', () => {
    const segments = new Set(mannequin.segments.map(({ id }) => id));
    for (const list of [mannequin.primitives, mannequin.landmarks]) {
      expect(new Set(list.map(({ id }) => id)).size).toBe(list.length);
      for (const { id, segment } of list) expect([id, segments.has(segment)]).toEqual([id, true]);
    }
  });
  it('is whole: skin, bones, lungs, and every vertebra from C2 to S5 as a landmark', () => {
    expect(mannequin.primitives.filter(({ skin }) => skin).length).toBeGreaterThan(60);
    expect(mannequin.primitives.filter(({ tissue }) => tissue === 'bone').length).toBeGreaterThan(400);
    for (const id of ['C2', 'C7', 'T1', 'T12', 'L1', 'L5', 'S1', 'S5', 'costophrenic_L', 'costophrenic_R'])
      expect(mannequin.landmarks.some((landmark) => landmark.id === id)).toBe(true);
  });
  it('each segment comes after the one that carries it', () => {
    const seen = new Set<string>();
    for (const { id, parent } of mannequin.segments) {
      if (parent !== null) expect([id, seen.has(parent)]).toEqual([id, true]);
      seen.add(id);
    }
  });
});
