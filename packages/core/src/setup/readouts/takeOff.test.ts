/** What comes off follows from what must be shown, and from who it is. */
import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';

const off = (projectionId: string, patient: object): string[] => computeSetup({ projectionId, patient }).remove;
const MAN = { ageYears: 40, sex: 'male' };
const WOMAN = { ageYears: 40, sex: 'female' };

test.each(['skull-pa', 'cervical-ap-open-mouth', 'cervical-lateral', 'sinuses-parietoacanthial'])(
  '%s: dentures of an adult, not of a child',
  (id) => {
    expect(off(id, MAN)).toContain('dentures');
    expect(off(id, { ageYears: 5 })).not.toContain('dentures');
  },
);

test.each(['chest-pa', 'thoracic-ap', 'lumbar-ap', 'sternum-rao'])(
  '%s: the bra of a woman, and of nobody else',
  (id) => {
    const bra = (patient: object) => off(id, patient).some((item) => item.startsWith('bra '));
    expect([bra(WOMAN), bra(MAN), bra({ ageYears: 5 })]).toEqual([true, false, false]);
  },
);

test('a wet nappy belongs to an infant', () => {
  let infants = 0;
  for (const { id, sided } of projections) {
    const of = (patient: object) =>
      computeSetup({ projectionId: id, side: sided === 'each' ? 'left' : undefined, patient }).remove;
    expect([id, of(MAN).filter((item) => item.includes('nappy'))]).toEqual([id, []]);
    if (of({ ageYears: 0.5 }).includes('wet nappy')) infants += 1;
    const list = of(WOMAN);
    expect([id, new Set(list).size]).toEqual([id, list.length]);
  }
  expect(infants).toBeGreaterThan(20);
});

test('nothing is asked for that does not lie over what is shown', () => {
  expect(off('chest-pa', WOMAN)).not.toContain('dentures');
  expect(off('lumbar-ap', WOMAN)).not.toContain('earrings');
  expect(off('skull-pa', WOMAN).some((item) => item.startsWith('bra '))).toBe(false);
});
