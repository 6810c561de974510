import { limitableJoints, situationFor, type PatientInput, type Situation } from '@taktik/core';
import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { show } from '../../testing/screenHarness';
import { PatientSheet } from './PatientSheet';

/** The sheet over a patient whom it changes; what was changed last is to be read by the test. */
const seen = { patient: {} as PatientInput, situation: {} as Partial<Situation> };
function Harness({
  patient: first,
  situation: start,
  side = 'left',
}: Partial<typeof seen> & { side?: 'left' | 'right' }) {
  const [patient, setPatient] = useState<PatientInput>(first ?? {});
  const [situation, setSituation] = useState<Partial<Situation>>(start ?? {});
  Object.assign(seen, { patient, situation });
  return (
    <PatientSheet
      open
      patient={patient}
      situation={situation}
      side={side}
      errors={[]}
      onChange={(nextPatient, nextSituation) => {
        setPatient(nextPatient);
        setSituation(nextSituation);
      }}
      onClose={jest.fn()}
    />
  );
}
const box = (label: string) => screen.getByLabelText(label) as HTMLInputElement;
const type = (label: string, value: string) => fireEvent.change(box(label), { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByLabelText(name));
const pick = (group: string, name: string) =>
  fireEvent.click(within(screen.getByRole('radiogroup', { name: group })).getByLabelText(name));
const checked = (name: string) => screen.getByRole('checkbox', { name }).getAttribute('aria-checked') === 'true';

describe('the patient', () => {
  it('is typed in the units of the ward and kept in those of the core', () => {
    show(<Harness />);
    type('Age in y', '6');
    type('Height in cm', '118,5');
    type('Weight in kg', '21');
    expect(seen.patient).toEqual({ ageYears: 6, statureMm: 1185, massKg: 21 });
    pick('Sex', 'male');
    expect(seen.patient.sex).toBe('male');
    pick('Sex', 'not given');
    expect(seen.patient.sex).toBeUndefined();
  });
  it('what is out of range stays typed, is told with the range, and is not taken', () => {
    show(<Harness patient={{ massKg: 70 }} />);
    type('Weight in kg', '900');
    expect(screen.getByText(/Weight must be 1.5 to 250 kg/)).toBeTruthy();
    expect(box('Weight in kg').value).toBe('900');
    expect(seen.patient.massKg).toBe(70);
  });
  it('a measured part stands in place of what is computed, and is given back', () => {
    show(<Harness patient={{ ageYears: 40, statureMm: 1750, massKg: 80 }} />);
    const computed = Number(box('Chest, front to back in cm').placeholder);
    expect(computed).toBeGreaterThan(15);
    type('Chest, front to back in cm', String(computed + 2));
    expect(seen.patient.measured?.chestAPMm).toBeCloseTo(10 * (computed + 2), 6);
    type('Chest, front to back in cm', '');
    expect(seen.patient.measured).toBeUndefined();
  });
  it('an amputation is told by side and level, and taken back', () => {
    show(<Harness patient={{ ageYears: 61 }} />);
    press('left leg below the knee');
    press('right arm above the elbow');
    expect(seen.patient.amputated).toEqual(['left leg below the knee', 'right arm above the elbow']);
    press('left leg below the knee');
    press('right arm above the elbow');
    expect(seen.patient).toEqual({ ageYears: 61, amputated: undefined });
  });
  it('the steps are those of an infant where it is one', () => {
    show(<Harness patient={{ ageYears: 0.5, massKg: 7 }} />);
    press('Weight more');
    press('Age less');
    expect(seen.patient).toEqual({ ageYears: 0.25, massKg: 7.5 });
  });
});

describe('the situation', () => {
  it('a newborn in an incubator is one tap: age, place and who holds', () => {
    show(<Harness patient={{ sex: 'male' }} />);
    press('Newborn, incubator');
    expect(seen.patient).toMatchObject({ sex: 'male', ageYears: expect.any(Number) });
    expect(seen.patient.ageYears!).toBeLessThan(0.1);
    expect(seen.situation).toMatchObject({ place: 'incubator', canSit: false, canProne: false, holder: 'someone' });
    pick('Where', 'in the room');
    expect(seen.situation.place).toBe('room');
  });

  it('is put on with one tap and taken off with another, one on the other', () => {
    show(<Harness situation={{ holder: 'may be pregnant' }} />);
    press('Trauma on a board');
    press('Left arm fixed');
    expect(seen.situation.keepStill).toEqual(['neck', 'left arm']);
    expect([checked('Trauma on a board'), checked('Left arm fixed'), checked('Wheelchair')]).toEqual([
      true,
      true,
      false,
    ]);
    press('Trauma on a board');
    press('Left arm fixed');
    expect(seen.situation).toEqual({ holder: 'may be pregnant' });
  });
  it('every single thing can be told', () => {
    show(<Harness patient={{ ageYears: 40 }} />);
    for (const name of ['Stands', 'Sits', 'Lies flat', 'Lies on the front', 'Holds the breath', 'Keeps still'])
      fireEvent.click(screen.getByLabelText(name));
    pick('Turns', 'left');
    pick('Propped on a back rest that stays', '45°');
    pick('Raises an arm', 'right only');
    pick('Who could hold', 'someone');
    press('Spine not cleared');
    press('free gas');
    press('collar');
    pick('Where', 'at the bedside');
    pick('Pregnancy', 'possible');
    const usual = situationFor(40);
    expect(seen.situation).toEqual({
      canStand: !usual.canStand,
      canSit: !usual.canSit,
      canLieFlat: !usual.canLieFlat,
      canProne: !usual.canProne,
      holdsBreath: !usual.holdsBreath,
      holdsStill: !usual.holdsStill,
      canTurn: 'left',
      proppedDeg: 45,
      canRaiseArm: 'right',
      holder: 'someone',
      spineNotCleared: true,
      suspected: ['free gas'],
      worn: ['collar'],
      place: 'bedside',
      pregnancy: 'possible',
    });
  });
  it('a joint is limited, by keys, between its ends, and goes as usual again', () => {
    show(<Harness />);
    const { says, motion, range } = limitableJoints('left')[0];
    press(`Limit: ${says}`);
    expect(seen.situation.joints).toEqual({ [motion]: [Math.max(0, range[0]), range[1]] });
    press(`${says}: to less`);
    expect(seen.situation.joints).toEqual({ [motion]: [Math.max(0, range[0]), range[1] - 5] });
    press(`${says}: as usual again`);
    expect(seen.situation.joints).toEqual({});
    expect(screen.getByLabelText(`Limit: ${says}`)).toBeTruthy();
  });
});
