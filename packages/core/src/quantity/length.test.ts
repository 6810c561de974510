import { significant } from './significant';
import fc from 'fast-check';
import {
  centimetres,
  formatCm,
  formatInches,
  formatLength,
  formatRectangle,
  inches,
  lengthPair,
  parseLength,
  toCentimetres,
} from './length';

describe('inches as on a tape', () => {
  it.each([
    [0, '0'],
    [6.35, '¼'],
    [12.7, '½'],
    [82.55, '3¼'],
    [254, '10'],
    [266.7, '10½'],
    [25.3, '1'],
    [-38.1, '−1½'],
    [1, '0'],
  ])('%d mm is %s', (mm, text) => expect(formatInches(mm)).toBe(text));

  it('rounds to the division asked for', () => {
    expect(formatInches(inches(3.13), 8)).toBe('3⅛');
    expect(formatInches(inches(3.13), 2)).toBe('3');
    expect(formatInches(inches(3.9), 1)).toBe('4');
  });

  it('refuses what is not a length', () => {
    expect(() => formatInches(NaN)).toThrow(RangeError);
    expect(() => formatCm(Infinity)).toThrow(RangeError);
  });
});

test('centimetres go in halves', () => {
  expect(formatCm(127)).toBe('12.5');
  expect(formatCm(50)).toBe('5');
  expect(formatLength(51, 'cm')).toBe('5 cm');
  expect(formatRectangle(203, 267, 'in')).toBe('8 × 10½ in');
});

describe('reading a length', () => {
  it.each([
    ['2 1/2 in', 63.5],
    ['2½"', 63.5],
    ['6.5cm', 65],
    ['6,5 cm', 65],
    ['65 mm', 65],
    ['1.2 m', 1200],
    ['5 ft 7 in', 1701.8],
    ['5\'7"', 1701.8],
    ['½ in', 12.7],
    ['-1 in', -25.4],
    ['3', 76.2],
  ])('%s', (text, mm) => expect(parseLength(text, 'in')).toBeCloseTo(mm, 6));

  it.each(['', 'abc', '2 3/2 in', '1/0 in', '12 furlong', '5 5'])('refuses "%s" and says what it takes', (text) =>
    expect(() => parseLength(text, 'in')).toThrow(/not a length; write for example/),
  );

  it('reads back what it printed, to half a division', () => {
    fc.assert(
      // Even over the whole range: doubles of fast-check are mostly tiny.
      fc.property(fc.integer({ min: 0, max: 3_000_000 }), (micrometres) => {
        const mm = micrometres / 1000;
        const division = mm < 6 * 25.4 ? 25.4 / 4 : 25.4 / 2;
        expect(Math.abs(parseLength(`${formatInches(mm)} in`, 'mm') - mm)).toBeLessThanOrEqual(division / 2 + 1e-6);
        expect(Math.abs(parseLength(`${formatCm(mm)} cm`, 'mm') - mm)).toBeLessThanOrEqual(2.5 + 1e-6);
      }),
    );
  });
});

test('centimetres go out to millimetres and back', () => {
  expect(centimetres(17.5)).toBe(175);
  expect(toCentimetres(centimetres(23.4))).toBeCloseTo(23.4, 12);
});

describe('a length with its pair', () => {
  it.each([
    [6.35, '¼ in (0.6 cm)'],
    [12.7, '½ in (1.3 cm)'],
    [19, '¾ in (1.9 cm)'],
    [28, '1 in (2.5 cm)'],
    [57, '2¼ in (5.5 cm)'],
    [76, '3 in (7.5 cm)'],
    [160, '6½ in (16.5 cm)'],
    [1016, '40 in (101.5 cm)'],
    [0, '0 in (0 cm)'],
  ])('%d mm is %s', (mm, text) => expect(lengthPair(mm, 'in')).toBe(text));
  it('where centimetres lead, the inches are those of the exact length', () => {
    expect(lengthPair(57, 'cm')).toBe('5.5 cm (2¼ in)');
    expect(lengthPair(1016, 'cm')).toBe('101.5 cm (40 in)');
  });
  it('property: both figures are one place on the tape, to half of what is told', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 2500, noNaN: true }), (mm) => {
        const [, inch, cm] = /^(.*) in \((.*) cm\)$/.exec(lengthPair(mm, 'in'))!;
        const shownMm = parseLength(`${inch} in`, 'in');
        expect(Math.abs(shownMm - mm)).toBeLessThanOrEqual(mm >= 152.4 ? 6.36 : 3.18);
        expect(Math.abs(Number(cm) * 10 - shownMm)).toBeLessThanOrEqual(shownMm < 25.4 ? 0.51 : 2.51);
      }),
    );
    expect(() => lengthPair(NaN, 'in')).toThrow(RangeError);
  });
});

test('figures that count, as many as are asked for, and never an exponent', () => {
  expect([0.5, 137.6, 2, 0.001234, 99.96].map((value) => significant(value, 2))).toEqual([
    '0.50',
    '140',
    '2.0',
    '0.0012',
    '100',
  ]);
});
