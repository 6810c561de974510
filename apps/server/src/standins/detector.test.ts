import { computeSetup, deviationIndex, ROOM_ONE } from '@taktik/core';
import { readDetector } from './detector';

const request = { projectionId: 'chest-pa', room: ROOM_ONE };

test('the same exposure always reads the same', () =>
  expect(readDetector('abc', request, 2)).toEqual(readDetector('abc', request, 2)));

test('readings scatter about the target as real ones do', () => {
  const deviations = Array.from({ length: 400 }, (_, i) => {
    const { exposureIndex, targetIndex } = readDetector(`exposure-${i}`, request, 2);
    return deviationIndex(exposureIndex, targetIndex);
  });
  const mean = deviations.reduce((sum, di) => sum + di, 0) / deviations.length;
  const spread = Math.sqrt(deviations.reduce((sum, di) => sum + (di - mean) ** 2, 0) / deviations.length);
  expect(Math.abs(mean)).toBeLessThan(0.3);
  expect(spread).toBeGreaterThan(0.6);
  expect(spread).toBeLessThan(1.5);
});

test('twice the mAs that the patient needs reads twice the index; kVp with its own mAs does not', () => {
  const needed = computeSetup(request).exposure.mAs;
  const right = readDetector('abc', request, needed).exposureIndex;
  const twice = readDetector('abc', { ...request, overrides: { mAs: 2 * needed } }, 2 * needed).exposureIndex;
  expect(twice / right).toBeCloseTo(2, 1);
  const softer = { ...request, overrides: { kVp: 100 } };
  expect(readDetector('abc', softer, computeSetup(softer).exposure.mAs).exposureIndex).toBe(right);
});
