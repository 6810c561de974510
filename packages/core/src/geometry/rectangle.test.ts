import fc from 'fast-check';
import { insideRectangle, longestStrip, tiltToFit } from './rectangle';

describe('longest strip on 350 × 430', () => {
  it.each([
    [0, 554.4],
    [50, 505.8],
    [80, 477.2],
    [100, 458.5],
    [120, 440.3],
    [150, 430],
  ])('%d mm wide: %d mm', (w, length) =>
    expect(Math.abs(longestStrip(w, 350, 430).lengthMm - length)).toBeLessThan(0.1),
  );

  it('refuses a strip wider than the receptor', () => {
    expect(() => longestStrip(431, 350, 430)).toThrow(RangeError);
    expect(() => longestStrip(10, 430, 350)).toThrow(RangeError);
  });
});

/** The yes/no test for a p × q rectangle in a × b, known since 1957. */
function carver(p: number, q: number, a: number, b: number): boolean {
  if (p < q) return carver(q, p, a, b);
  if (p <= a && q <= b) return true;
  if (p <= b && q <= a) return true;
  return p > b && q <= a && a >= (2 * p * q * b + (p * p - q * q) * Math.sqrt(p * p + q * q - b * b)) / (p * p + q * q);
}

test('a tilt is found when, and only when, the rectangle fits', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 340, noNaN: true }),
      fc.double({ min: 300, max: 560, noNaN: true }),
      (w, h) => {
        const tilt = tiltToFit(w, h, 350, 430);
        // Within half a millimetre of the limit the search by half degrees may differ.
        if (carver(h - 1.5, w - 1.5, 350, 430) !== carver(h + 1.5, w + 1.5, 350, 430)) return;
        expect(tilt !== null).toBe(carver(h, w, 350, 430));
      },
    ),
  );
});

test('inside a turned rectangle', () => {
  expect(insideRectangle(0, 70, 20, 150)).toBe(true);
  expect(insideRectangle(70, 0, 20, 150)).toBe(false);
  expect(insideRectangle(70, 0, 20, 150, 90)).toBe(true);
});
