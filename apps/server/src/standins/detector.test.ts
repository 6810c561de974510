import { computeSetup, consolePositioningError, deviationIndex, indexShare, ROOM_ONE } from '@taktik/core';
import { readDetector } from './detector';

const request = { projectionId: 'chest-pa', room: ROOM_ONE };
const setup = computeSetup(request);

test('the same exposure always reads the same', () =>
  expect(readDetector('abc', setup)).toEqual(readDetector('abc', setup)));

test('readings scatter about what is expected as real ones do', () => {
  const { index } = setup.exposure.expected!;
  const deviations = Array.from({ length: 400 }, (_, i) =>
    deviationIndex(readDetector(`exposure-${i}`, setup).exposureIndex, index),
  );
  const mean = deviations.reduce((sum, di) => sum + di, 0) / deviations.length;
  const spread = Math.sqrt(deviations.reduce((sum, di) => sum + (di - mean) ** 2, 0) / deviations.length);
  expect(Math.abs(mean)).toBeLessThan(0.3);
  expect(spread).toBeGreaterThan(0.6);
  expect(spread).toBeLessThan(1.5);
});

test('twice the mAs reads twice the index; kVp with its own mAs about the same', () => {
  const needed = setup.exposure.mAs;
  const right = readDetector('abc', setup).exposureIndex;
  const read = (overrides: object) => readDetector('abc', computeSetup({ ...request, overrides })).exposureIndex;
  expect(read({ mAs: 2 * needed }) / right).toBeCloseTo(2, 1);
  expect(Math.abs(Math.log(read({ kVp: 100 }) / right))).toBeLessThan(0.25);
});

test('aims at what the part is given: a limb more than a trunk', () =>
  expect(
    readDetector('abc', computeSetup({ projectionId: 'hand-pa', side: 'left', room: ROOM_ONE })).targetIndex,
  ).toBeGreaterThan(readDetector('abc', setup).targetIndex));

test('a part that lies out of the light reads what its picture reads', () => {
  const knee = computeSetup({ projectionId: 'patella-tangential-supine', side: 'left', room: ROOM_ONE });
  const { index } = knee.exposure.expected!;
  const read = Array.from({ length: 24 }, (_, i) => {
    const id = `exposure-${i}`;
    const share = indexShare(knee, ROOM_ONE, consolePositioningError(id));
    return { share, deviation: deviationIndex(readDetector(id, knee, ROOM_ONE).exposureIndex, index) };
  });
  for (const { share, deviation } of read) expect(Math.abs(deviation - 10 * Math.log10(share))).toBeLessThan(4);
  // Some of them lie plainly wrong, and most do not.
  const far = read.filter(({ share }) => Math.abs(10 * Math.log10(share)) > 2);
  expect(far.length).toBeGreaterThan(0);
  expect(far.length).toBeLessThan(12);
});
