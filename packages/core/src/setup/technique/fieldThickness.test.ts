/** Thickness where the central ray does not tell it: over the field, and for the heavy only. */
import type { PatientInput } from '../../body/patient';
import { projectionOf } from '../../projections/catalogue';
import { ROOM_ONE } from '../../room/demoRooms';
import { computeSetup } from '../computeSetup';

const MAN = { ageYears: 40, sex: 'male' } as const;
const thicknessOf = (projectionId: string, patient: PatientInput) =>
  computeSetup({ projectionId, side: 'left', patient, room: ROOM_ONE }).exposure.thicknessMm;

test.each(['shoulder-apical-oblique', 'shoulder-ap-external', 'coracoid-ap-axial', 'scapula-lateral'])(
  '%s: the median man has what the chart has, and more weight is more to come through',
  (id) => {
    const { chart } = projectionOf(id).exposure;
    const at = (massKg?: number) => thicknessOf(id, { ...MAN, massKg });
    expect(at()).toBeCloseTo(chart.thicknessMm, 6);
    const heavier = [95, 110, 125].map(at);
    heavier.forEach((mm, i) => expect(mm).toBeGreaterThan([at(), ...heavier][i]!));
  },
);

test('a shoulder of a slight patient or a child is thinner in proportion, as all of them is', () => {
  const { chart } = projectionOf('shoulder-ap-external').exposure;
  const ofAge = (ageYears: number) => thicknessOf('shoulder-ap-external', { ageYears });
  const [four, ten, grown] = [4, 10, 40].map(ofAge) as [number, number, number];
  expect(four).toBeLessThan(ten);
  expect(ten).toBeLessThan(grown);
  expect(four / chart.thicknessMm).toBeGreaterThan(0.4);
});

test('the ray beside the joint of a small child does not make a thin part of it', () => {
  // Along the central ray a child of four had a third of the chart; the field has most of it.
  const id = 'shoulder-apical-oblique';
  expect(thicknessOf(id, { ageYears: 4 }) / projectionOf(id).exposure.chart.thicknessMm).toBeGreaterThan(0.55);
});

test('what the caliper says counts before either', () => {
  const measured = { ...MAN, massKg: 120, partThicknessMm: 170 };
  expect(thicknessOf('shoulder-ap-external', measured)).toBe(170);
});
