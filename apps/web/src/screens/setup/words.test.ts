import { computeSetup, ROOM_TWO, signed, situationFor } from '@taktik/core';
import { centreText, fieldText, patientText, receptorText, sidText, situationText, tubeText } from './words';

const setup = computeSetup({
  projectionId: 'sacrum-ap-axial',
  patient: { ageYears: 58, sex: 'female', statureMm: 1680, massKg: 74 },
  room: ROOM_TWO,
});

test('readouts lead with the unit in force and keep the other beside it', () => {
  expect(sidText(setup, 'in')).toMatchObject({ figure: '40', unit: 'in', other: '101.5 cm' });
  expect(sidText(setup, 'cm')).toMatchObject({ figure: '101.5', unit: 'cm', other: '40 in' });
  expect(tubeText(setup)).toMatchObject({ figure: '20°', line: 'cephalad' });
  expect(centreText(setup, 'in')).toMatchObject({ figure: '2', line: 'superior to the symphysis pubis' });
  expect(receptorText(setup).line).toBe('lengthwise, table tray');
  expect(fieldText(setup, 'in').line).toMatch(/on skin$/);
});

test('the patient in one line, down to months', () => {
  expect(patientText({ ageYears: 58, statureMm: 1680, massKg: 74 })).toBe('58 y · 168 cm · 74 kg');
  expect(patientText({ ageYears: 0.4, massKg: 6.8 })).toBe('5 mo · median height · 6.8 kg');
  expect(patientText({ ageYears: 0 })).toMatch(/^newborn/);
  expect(patientText({ ageYears: 0.04 })).toMatch(/^2 wk ·/);
  // What is not there stands before the figures: on a phone the line is cut.
  expect(patientText({ ageYears: 61, amputated: ['left leg below the knee'] })).toBe(
    '61 y · amputated: left leg below the knee · median height · median weight',
  );
  expect(patientText({})).toBe('adult · median height · median weight');
});

test('what the patient can do, gravest first', () => {
  expect(
    situationText(
      situationFor(40, { spineNotCleared: true, canStand: false, canSit: false, canTurn: 'none', place: 'bedside' }),
    ),
  ).toBe('spine not cleared, lies, cannot turn, bedside');
  expect(situationText(situationFor(40))).toBe('stands');
  expect(situationText(situationFor(40, { canRaiseArm: 'left' }))).toBe('stands, raises the left arm only');
  expect(situationText(situationFor(40, { canRaiseArm: 'none' }))).toBe('stands, raises no arm');
  expect(situationText(situationFor(40, { suspected: ['fluid level', 'dislocation'], suspectedSide: 'right' }))).toBe(
    'stands, fluid level on the right?, dislocation?',
  );
});

test('a deviation index always shows its sign', () =>
  expect([0.42, -0.7, 0].map(signed)).toEqual(['+0.4', '−0.7', '0.0']));
