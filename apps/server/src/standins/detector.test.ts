import { deviationIndex, ROOM_ONE } from '@taktik/core';
import { readDetector } from './detector';

const request = { projectionId: 'chest-pa', room: ROOM_ONE };

test('the same exposure always reads the same', () =>
  expect(readDetector('abc', request)).toEqual(readDetector('abc', request)));

test('readings scatter about the target as real ones do', () => {
  const deviations = Array.from({ length: 400 }, (_, i) => {
    const { exposureIndex, targetIndex } = readDetector(`exposure-${i}`, request);
    return deviationIndex(exposureIndex, targetIndex);
  });
  const mean = deviations.reduce((sum, di) => sum + di, 0) / deviations.length;
  const spread = Math.sqrt(deviations.reduce((sum, di) => sum + (di - mean) ** 2, 0) / deviations.length);
  expect(Math.abs(mean)).toBeLessThan(0.3);
  expect(spread).toBeGreaterThan(0.6);
  expect(spread).toBeLessThan(1.5);
});
