import fc from 'fast-check';
import { calibrated, inclination, isSteady, smoothed, STEADY_READINGS, type Pull } from './gauge';

const G = 9.81;
/** Pull on a device that is tipped by an angle about an edge that points anywhere. */
const tipped = (deg: number, about: number): Pull => {
  const t = (deg * Math.PI) / 180;
  return [G * Math.sin(t) * Math.cos(about), G * Math.sin(t) * Math.sin(about), G * Math.cos(t)];
};

test('flat is 0°, on an edge 90°, whichever way it is tipped', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 90, noNaN: true }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      (deg, about) => expect(inclination(tipped(deg, about))).toBeCloseTo(deg, 4),
    ),
  );
  expect(inclination([0, 0, -G])).toBeCloseTo(0, 6);
});

test('a sensor that tells nothing gives nothing', () => {
  expect(inclination([0, 0, 0])).toBeNull();
  expect(inclination([NaN, 0, G])).toBeNull();
});

test('a device that shows 2° where it is flat shows 0° there once that is known, face up or face down', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 8, noNaN: true }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      fc.boolean(),
      (off, about, down) => {
        const [x, y, z] = tipped(off, about);
        const flat: Pull = [x, y, down ? -z : z];
        expect(inclination(calibrated(flat, flat))).toBeCloseTo(0, 3);
      },
    ),
  );
});

test('what is measured after it is right too: the same tilt beside the error about the same edge', () => {
  for (const deg of [5, 15, 30, 45])
    expect(inclination(calibrated(tipped(deg + 2, 1), tipped(2, 1)))).toBeCloseTo(deg, 3);
  expect(calibrated(tipped(20, 1), null)).toEqual(tipped(20, 1));
});

test('a tremble is smoothed, and the reading comes to rest where the device does', () => {
  let pull: Pull | null = null;
  for (let i = 0; i < 60; i += 1) pull = smoothed(pull, tipped(i % 2 ? 16 : 14, 0));
  expect(inclination(pull!)).toBeGreaterThan(14.5);
  expect(inclination(pull!)).toBeLessThan(15.5);
});

test('steady: the last readings lie close together, and there are enough of them', () => {
  expect(isSteady(Array(STEADY_READINGS).fill(15))).toBe(true);
  expect(isSteady(Array(STEADY_READINGS - 1).fill(15))).toBe(false);
  expect(isSteady([...Array(STEADY_READINGS).fill(15), 18])).toBe(false);
});
