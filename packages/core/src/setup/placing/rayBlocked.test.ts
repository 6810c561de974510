/** Where a tube would stand in the patient: told of the set-up itself, whoever asks for it. */
import { computeSetup } from '../computeSetup';
import type { AdaptedWay } from './adaptedWay';

const blockedBy = (projectionId: string, ageYears: number, way: AdaptedWay): unknown[] =>
  computeSetup({ projectionId, side: 'right', patient: { ageYears }, way })
    .problems.filter(({ code }) => code === 'in-the-way')
    .map(({ values }) => values.what);

const ACROSS = { beam: 'level', holder: 'stand', reversed: false, asItLies: true, alongDeg: 0, acrossDeg: 0 } as const;

test.each([
  ['humerus-ap', 'supine', 'back'],
  ['thumb-ap', 'lateral-recumbent', 'left'],
] as const)('a level ray to a %s of one who lies %s has the tube in the body', (projectionId, position, on) => {
  expect(blockedBy(projectionId, 40, { position, on, ...ACROSS })).toContain('tube');
});
test('a level ray across a knee from its lateral side has nothing in its way', () => {
  expect(blockedBy('knee-lateral', 40, { position: 'supine', on: 'back', ...ACROSS, reversed: true })).toEqual([]);
});
