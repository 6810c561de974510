import { MOBILE_UNIT, ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from './computeSetup';
import { thickThinOf } from './technique/thickThin';
import { whatIf } from './whatIf';

const patient = { ageYears: 40, sex: 'male' as const };
const change = (lines: ReturnType<typeof whatIf>, name: string) => lines.find((line) => line.name === name)!.change!;

describe('what if', () => {
  const knee = { projectionId: 'knee-ap', side: 'left' as const, patient, room: MOBILE_UNIT };
  test('a longer SID keeps the index, sharpens, and costs no more at the skin', () => {
    const lines = whatIf({ ...knee, overrides: { sidMm: 1000 } }, { sidMm: 1300 });
    expect(Math.abs(change(lines, 'Expected index'))).toBeLessThan(0.15);
    expect(change(lines, 'Blur of the focal spot')).toBeLessThan(0);
    expect(change(lines, 'Skin dose')).toBeLessThan(0.1);
  });
  test('more kVp: less mAs, less dose to the skin, less contrast', () => {
    const lines = whatIf({ ...knee, overrides: { kVp: 60 } }, { kVp: 80 });
    expect(change(lines, 'Skin dose')).toBeLessThan(0);
    expect(change(lines, 'Bone contrast, of before')).toBeLessThan(-0.1);
  });
  test('without its grid an abdomen takes less dose and loses contrast', () => {
    const lines = whatIf({ projectionId: 'abdomen-ap-supine', patient, room: ROOM_ONE }, { grid: false });
    expect(change(lines, 'Skin dose')).toBeLessThan(-0.4);
    expect(change(lines, 'Bone contrast, of before')).toBeLessThan(-0.3);
  });
  test('mAs alone moves the index with it', () => {
    const { exposure } = computeSetup(knee);
    const lines = whatIf(knee, { mAs: exposure.mAs * 2 });
    expect(change(lines, 'Expected index')).toBeCloseTo(1, 6);
    expect(lines.find(({ name }) => name === 'Expected deviation')!.after).toMatch(/^\+/);
  });
  test('outside the model there is no number', () => {
    const lines = whatIf(
      { projectionId: 'lumbar-lateral', patient: { ageYears: 40, statureMm: 1700, massKg: 230 } },
      { kVp: 100 },
    );
    expect(lines.find(({ name }) => name === 'Expected index')).toMatchObject({
      before: 'outside the model',
      change: null,
    });
  });
});

describe('technique of this patient', () => {
  test('a wet cast takes three times the mAs, and the factor is shown', () => {
    const plain = computeSetup({ projectionId: 'ankle-ap', side: 'left', patient });
    const cast = computeSetup({ projectionId: 'ankle-ap', side: 'left', patient, situation: { cast: 'wet plaster' } });
    expect(cast.exposure.factors.at(-1)).toEqual({ name: 'cast', factor: 3 });
    expect(cast.exposure.wantedMas / plain.exposure.wantedMas).toBeCloseTo(3, 9);
    expect(cast.exposure.expected!.deviation).toBeLessThan(0.6);
  });
  test('a board counts under a vertical ray only', () => {
    const situation = { worn: ['board' as const], canStand: false, canTurn: 'none' as const, spineNotCleared: true };
    const factors = (projectionId: string) =>
      computeSetup({ projectionId, patient, situation }).exposure.factors.map(({ name }) => name);
    expect(factors('pelvis-ap')).toContain('board');
    expect(factors('cervical-lateral')).not.toContain('board');
  });
  test('who does not keep still gets no long exposure, and is told of a shorter one', () => {
    const long = computeSetup({ projectionId: 'thoracic-lateral', patient });
    expect(long.exposure.timeMs).toBeGreaterThanOrEqual(1000);
    expect(long.exposure.advice.join()).toMatch(/blurs away/);
    const restless = computeSetup({ projectionId: 'thoracic-lateral', patient, situation: { holdsStill: false } });
    expect(restless.exposure.timeMs).toBeLessThan(500);
    expect(restless.exposure.advice.join()).toMatch(/does not keep still/);
  });
  test('the back-up is half more than expected, and never above its cap', () => {
    const { exposure } = computeSetup({ projectionId: 'lumbar-lateral', patient });
    expect(exposure.backupMas).toBeCloseTo(Math.min(600, exposure.mAs * 1.5), 9);
  });
});

describe('thick and thin ends', () => {
  test.each([
    ['foot-ap', 'left'],
    ['femur-ap-proximal', 'left'],
    ['thoracic-ap', undefined],
  ] as const)('%s: what each end crosses, and what helps', (projectionId, side) => {
    const found = thickThinOf(computeSetup({ projectionId, side, patient }), 'in')!;
    expect(found.points.length).toBeGreaterThan(3);
    expect(found.ratio).toBeGreaterThan(1.2);
    expect(found.advice[0]).toMatch(/of body along the field/);
  });
  test('the toes are the thin end of a foot', () => {
    const found = thickThinOf(computeSetup({ projectionId: 'foot-ap', side: 'left', patient }), 'in')!;
    expect(found.thinEnd).toBe('toes');
    expect(found.ratio).toBeGreaterThan(2);
  });
});
