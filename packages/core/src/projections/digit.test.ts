/** Every view of one digit, set for each digit that it can be set for, on four bodies. */
import { findOtherWays } from '../adapt/findOtherWays';
import { computeSetup } from '../setup/computeSetup';
import { setupRequestSchema } from '../setup/request';
import { projectionOf, projections } from './catalogue';
import { digitName, digitOf, digitsOf, withDigit } from './digit';

const OF_DIGITS = projections.filter(({ digits }) => digits.length > 0);
const CASES = OF_DIGITS.flatMap((entry) => digitsOf(entry).map((digit) => ({ entry, digit })));
const PATIENTS = [{ sex: 'female' as const }, { sex: 'male' as const, massKg: 120 }, { ageYears: 10 }, { ageYears: 4 }];

test('views of one finger and one toe can be set for all of them', () => {
  expect(OF_DIGITS.map((entry) => [entry.id, digitsOf(entry)])).toEqual([
    ['finger-pa', [2, 3, 4, 5]],
    ['finger-oblique', [2, 3, 4, 5]],
    ['finger-lateral', [2, 3, 4, 5]],
    ['toes-ap', [1, 2, 3, 4, 5]],
    ['toes-oblique', [1, 2, 3, 4, 5]],
    ['toes-lateral', [1, 2, 3, 4, 5]],
  ]);
});

test.each(CASES)('$entry.id of digit $digit: aim, field and name are of that digit', ({ entry, digit }) => {
  const set = withDigit(entry, digit);
  expect(set).toBe(withDigit(entry, digit));
  expect(digitOf(set)).toBe(digit);
  expect(set.name.toLowerCase()).toContain(digitName(entry, digit));
  // No mark of the entry's own digit is left where another is shown.
  const marks = JSON.stringify([set.aim, set.cover]);
  const own = digitOf(entry);
  if (own !== null && digit !== own) expect(marks).not.toMatch(new RegExp(`(finger|PIP|MC|_)${own}_`));
  for (const patient of PATIENTS) {
    const setup = computeSetup({ projectionId: entry.id, digit, side: 'right', patient });
    expect([setup.feasible, setup.name]).toEqual([true, `${set.name}, right`]);
    expect(setup.problems.map(({ code }) => code)).toEqual([]);
  }
});

test('a finger in lateral lies on the side of the hand that is nearer to it, close to the receptor', () => {
  for (const [digit, side] of [
    [2, /radial/],
    [3, /nearer to the digit/],
    [4, /ulnar/],
    [5, /ulnar/],
  ] as const) {
    const setup = computeSetup({ projectionId: 'finger-lateral', digit, side: 'left' });
    expect(setup.position.say).toMatch(side);
    expect(setup.image.magnification).toBeLessThan(1.06);
  }
});

test('one toe of several is limited to itself, smaller than all of them, its neighbours at most at the edges', () => {
  for (const projectionId of ['toes-ap', 'toes-oblique']) {
    const areaOf = (digit?: number) => {
      const { field } = computeSetup({ projectionId, side: 'left', ...(digit ? { digit } : {}) });
      return field.atReceptorMm.width * field.atReceptorMm.height;
    };
    for (const digit of [1, 2, 3, 4, 5]) expect([digit, areaOf(digit) / areaOf() < 0.75]).toEqual([digit, true]);
  }
});

test('the outer toes are rotated the other way, nearer to the receptor', () => {
  const of = (digit: number) => computeSetup({ projectionId: 'toes-oblique', side: 'right', digit });
  for (const digit of [1, 2, 3])
    expect([of(digit).name, of(digit).position.say]).toEqual([
      expect.stringMatching(/medial rotation/),
      expect.stringMatching(/medially rotated/),
    ]);
  for (const digit of [4, 5])
    expect([of(digit).name, of(digit).position.say]).toEqual([
      expect.stringMatching(/lateral rotation/),
      expect.stringMatching(/laterally rotated/),
    ]);
});

test('other ways are ways to the digit that was asked for', () => {
  const ways = findOtherWays({ projectionId: 'finger-pa', digit: 5, side: 'left', situation: { canSit: false } });
  const own = ways.filter(({ request }) => request.projectionId === 'finger-pa');
  expect(own.length).toBeGreaterThan(0);
  for (const { request, name } of own)
    expect([request.digit, name]).toEqual([5, expect.stringMatching(/^Little finger/)]);
  for (const { request } of ways) if (request.projectionId !== 'finger-pa') expect(request.digit).toBeUndefined();
});

test('a digit that a view cannot be set for is refused in words', () => {
  const refused = (request: object): string[] =>
    setupRequestSchema.safeParse(request).error?.issues.map(({ message }) => message) ?? [];
  expect(refused({ projectionId: 'finger-pa', side: 'left', digit: 1 })).toEqual([
    'Finger, PA can be set for the index finger, middle finger, ring finger, little finger',
  ]);
  expect(refused({ projectionId: 'knee-ap', side: 'left', digit: 2 })).toEqual(['Knee, AP is not a view of one digit']);
  expect(() => computeSetup({ projectionId: 'knee-ap', side: 'left', digit: 2 })).toThrow(RangeError);
  expect(() => withDigit(projectionOf('toes-lateral'), 6)).toThrow(/can be set for/);
});
