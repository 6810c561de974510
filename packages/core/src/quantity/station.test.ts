import { MAS_STATIONS, nearestStation } from './station';

test('the nearest station is nearest by ratio', () => {
  expect(nearestStation(3.5, MAS_STATIONS)).toBe(3.2);
  expect(nearestStation(3.6, MAS_STATIONS)).toBe(4);
  expect(nearestStation(0.1, MAS_STATIONS)).toBe(0.5);
  expect(nearestStation(900, MAS_STATIONS)).toBe(500);
});

test('refuses what has no station', () => {
  expect(() => nearestStation(0, MAS_STATIONS)).toThrow(RangeError);
  expect(() => nearestStation(NaN, MAS_STATIONS)).toThrow(RangeError);
  expect(() => nearestStation(1, [])).toThrow(RangeError);
});
