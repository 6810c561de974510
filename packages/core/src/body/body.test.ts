import fc from 'fast-check';
import { buildBody, landmarkOf } from './body';
import { mediansFor } from './anthropometry';
import { equivalentDiameterMm, resolvePatient, type PatientInput } from './patient';
import { poseBody } from './pose';
import { crossSkin, furthestSkin, placeBody, posedLandmark } from './posed';
import { IDENTITY } from '../geometry/frame';
import { distance, subtract, type Vec3 } from '../geometry/vector';

const reference: PatientInput = { ageYears: 40, sex: 'male', statureMm: 1750, massKg: 75 };
const anatomical = (patient: PatientInput) => {
  const body = buildBody(patient);
  return placeBody(body, poseBody(body, {}), IDENTITY);
};
const across = (patient: PatientInput, level: string, d: Vec3) =>
  crossSkin(anatomical(patient), landmarkOf(buildBody(patient), level).p, d)!.thicknessMm;

describe('size', () => {
  it.each([0, 0.25, 1, 3, 5, 10, 15, 18])('at %d years the body is as tall as the median', (ageYears) => {
    const posed = anatomical({ ageYears });
    const top = furthestSkin(posed, [0, 0, 1]).reachMm;
    const sole =
      posedLandmark(posed, 'calcaneus_plantar_L').p[2] - 18 * buildBody({ ageYears }).segments.foot_L.stretch.frame[2];
    const median = mediansFor(ageYears).statureMm;
    expect(Math.abs(top - sole - median) / median).toBeLessThan(0.02);
  });

  it.each([
    [0, 88, 100],
    [1, 122, 156],
    [5, 143, 192],
    [10, 166, 230],
  ])('chest at %d years is near the median depth and breadth', (ageYears, depth, breadth) => {
    expect(Math.abs(across({ ageYears }, 'xiphisternal', [0, 1, 0]) - depth) / depth).toBeLessThan(0.08);
    const posed = anatomical({ ageYears });
    const front = landmarkOf(posed.body, 'xiphisternal').p;
    const level: Vec3 = [0, front[1] + depth / 2, front[2]];
    const width = crossSkin(posed, level, [1, 0, 0], ['thorax'])!.thicknessMm;
    expect(Math.abs(width - breadth) / breadth).toBeLessThan(0.08);
  });

  it('a heavier patient is thicker, on the same bones', () => {
    const heavy = { ...reference, massKg: 130 };
    expect(across(heavy, 'symphysis_sup', [0, 1, 0])).toBeGreaterThan(
      across(reference, 'symphysis_sup', [0, 1, 0]) * 1.2,
    );
    const bone = (patient: PatientInput) =>
      distance(landmarkOf(buildBody(patient), 'ASIS_L').p, landmarkOf(buildBody(patient), 'ASIS_R').p);
    expect(bone(heavy)).toBeCloseTo(bone(reference), 6);
  });

  it('left and right mirror each other', () => {
    const body = buildBody({ ageYears: 7 });
    for (const id of ['ASIS', 'patella_apex', 'MC3_head', 'lat_malleolus']) {
      const [l, r] = [landmarkOf(body, `${id}_L`).p, landmarkOf(body, `${id}_R`).p];
      expect([-r[0], r[1], r[2]]).toEqual(l.map((value) => expect.closeTo(value, 9)));
    }
  });
});

describe('what nobody gave', () => {
  it('is filled from the medians and said', () => {
    const { patient, assumed } = resolvePatient({ ageYears: 5 });
    expect(patient.statureMm).toBeCloseTo(1097, 0);
    expect(assumed.map(({ field }) => field)).toEqual(['patient.statureMm', 'patient.massKg']);
    expect(resolvePatient(reference).assumed).toEqual([]);
  });

  it('habitus follows the body mass, not under 12 years', () => {
    expect(resolvePatient({ ...reference, massKg: 110 }).patient.habitus).toBe('hypersthenic');
    expect(resolvePatient({ ...reference, massKg: 52 }).patient.habitus).toBe('asthenic');
    expect(resolvePatient({ ageYears: 8, massKg: 45 }).patient.habitus).toBe('sthenic');
  });
});

describe('outside the model', () => {
  it.each([
    [{ ageYears: 200 }, /ageYears must be 0 to 110/],
    [{ statureMm: 200 }, /statureMm must be 420 to 2200/],
    [{ massKg: 900 }, /massKg must be 1.5 to 250/],
    [{ ageYears: 5, statureMm: 1900 }, /outside the model: 66 to 165 cm/],
    [{ ageYears: 40, statureMm: 1750, massKg: 20 }, /outside the model: \d+ to \d+ kg/],
    [{ statureMm: NaN }, RangeError],
  ] as [PatientInput, RegExp | typeof RangeError][])('%j is refused with the range', (patient, message) =>
    expect(() => buildBody(patient)).toThrow(message),
  );

  it('an unknown landmark is named', () =>
    expect(() => landmarkOf(buildBody({}), 'elbow_of_the_nose')).toThrow(/elbow_of_the_nose/));
});

describe('pose', () => {
  it('keeps the length of a limb whatever the angles', () => {
    const body = buildBody(reference);
    fc.assert(
      fc.property(fc.integer({ min: -30, max: 120 }), fc.integer({ min: 0, max: 130 }), (hipFlexion, kneeFlexion) => {
        const posed = placeBody(body, poseBody(body, { hipFlexion, kneeFlexion }), IDENTITY);
        const length = (a: string, b: string) => distance(posedLandmark(posed, a).p, posedLandmark(posed, b).p);
        expect(length('knee_centre_L', 'ankle_centre_L')).toBeCloseTo(
          distance(landmarkOf(body, 'knee_centre_L').p, landmarkOf(body, 'ankle_centre_L').p),
          -1,
        );
        expect(length('knee_joint_line_med_L', 'fibular_head_L')).toBeCloseTo(
          distance(landmarkOf(body, 'knee_joint_line_med_L').p, landmarkOf(body, 'fibular_head_L').p),
          6,
        );
      }),
    );
  });

  it('flexion goes forward at the hip and back at the knee; abduction leads away from the middle', () => {
    const body = buildBody(reference);
    const at = (pose: Parameters<typeof poseBody>[1], id: string) =>
      subtract(posedLandmark(placeBody(body, poseBody(body, pose), IDENTITY), id).p, landmarkOf(body, id).p);
    expect(at({ hipFlexion: 30 }, 'ankle_centre_L')[1]).toBeLessThan(-200);
    expect(at({ kneeFlexion: 30 }, 'ankle_centre_L')[1]).toBeGreaterThan(100);
    expect(at({ shoulderAbduction: 40 }, 'wrist_centre_L')[0]).toBeGreaterThan(200);
    expect(at({ shoulderAbduction: 40 }, 'wrist_centre_R')[0]).toBeLessThan(-200);
    expect(at({ headExtension: 20 }, 'acanthion')[2]).toBeGreaterThan(20);
  });

  it('medial rotation turns the toes in on both sides', () => {
    const body = buildBody(reference);
    const turned = placeBody(body, poseBody(body, { hipMedialRotation: 15 }), IDENTITY);
    expect(posedLandmark(turned, 'hallux_tip_L').p[0]).toBeLessThan(landmarkOf(body, 'hallux_tip_L').p[0] - 20);
    expect(posedLandmark(turned, 'hallux_tip_R').p[0]).toBeGreaterThan(landmarkOf(body, 'hallux_tip_R').p[0] + 20);
  });
});

test('path length through the skin equals stepping along the ray', () => {
  const posed = anatomical(reference);
  const inside = (p: Vec3) =>
    posed.skin.some(({ shape }) => {
      if (shape.kind === 'ellipsoid') {
        const d = subtract(p, shape.c);
        const lengths = shape.axes.map(
          (axis) => (d[0] * axis[0] + d[1] * axis[1] + d[2] * axis[2]) / (axis[0] ** 2 + axis[1] ** 2 + axis[2] ** 2),
        );
        return lengths.every(Number.isFinite) && lengths.reduce((sum, each) => sum + each * each, 0) < 1;
      }
      if (shape.kind !== 'tube') return false;
      return shape.pts.some((end, i) => {
        if (i === 0) return distance(p, end) < shape.r[0];
        const start = shape.pts[i - 1];
        const axis = subtract(end, start);
        const size = axis[0] ** 2 + axis[1] ** 2 + axis[2] ** 2;
        for (let k = 0; k <= 100; k += 1) {
          const t = k / 100;
          const c: Vec3 = [start[0] + axis[0] * t, start[1] + axis[1] * t, start[2] + axis[2] * t];
          if (distance(p, c) < shape.r[i - 1] + (shape.r[i] - shape.r[i - 1]) * t) return size > 0;
        }
        return false;
      });
    });
  for (const level of ['xiphisternal', 'umbilicus', 'patella_apex_L']) {
    const start = landmarkOf(posed.body, level).p;
    const found = crossSkin(posed, start, [0, 1, 0])!;
    let stepped = 0;
    for (let y = found.entry[1] - 5; y < found.exit[1] + 5; y += 1) if (inside([start[0], y, start[2]])) stepped += 1;
    expect(Math.abs(stepped - found.thicknessMm)).toBeLessThan(4);
  }
});

test('the equivalent cylinder of 73 kg and 176 cm measures 23 cm', () =>
  expect(equivalentDiameterMm(73, 1760)).toBeCloseTo(229.8, 0));
