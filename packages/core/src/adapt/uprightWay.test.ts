/** Everything upright: every view of the catalogue, for patients of all sorts, is done upright and safely, or not at all. */
import { projections } from '../projections/catalogue';
import { computeSetup } from '../setup/computeSetup';
import type { SetupRequest } from '../setup/request';
import { uprightWay } from './uprightWay';

const sideOf = (sided: string) => (sided === 'each' ? ({ side: 'left' } as const) : {});
const bodyOf = (request: SetupRequest) => computeSetup(request).position.body;

test.each(['abdomen-ap-supine', 'lumbar-ap', 'thoracic-lateral', 'knee-ap'])(
  '%s has an upright way',
  (projectionId) => {
    const entry = projections.find(({ id }) => id === projectionId)!;
    const request: SetupRequest = { projectionId, ...sideOf(entry.sided) };
    const found = uprightWay(request);
    expect(found.as).toBe('other');
    if (found.as !== 'other') return;
    expect(['upright', 'seated']).toContain(found.way.setup.position.body);
    expect(bodyOf({ ...request, ...found.way.request })).toBe(found.way.setup.position.body);
    // Once it is planned so, it is upright as it is.
    expect(uprightWay({ ...request, ...found.way.request })).toEqual({ as: 'is' });
  },
);
test('what is upright stays as it is planned', () => {
  expect(uprightWay({ projectionId: 'chest-pa' })).toEqual({ as: 'is' });
});
test('nobody who must not, or cannot, is set upright', () => {
  const kinds = { is: 0, other: 0, none: 0 };
  for (const situation of [
    { spineNotCleared: true },
    { canStand: false, canSit: false },
    { suspected: ['hip fracture' as const], canStand: false },
    { place: 'bedside' as const, canStand: false },
  ])
    for (const { id, sided } of projections.filter((_, i) => i % 6 === 0)) {
      const request: SetupRequest = { projectionId: id, ...sideOf(sided), situation };
      const found = uprightWay(request);
      kinds[found.as] += 1;
      if (found.as !== 'other') continue;
      const setup = computeSetup({ ...request, ...found.way.request });
      expect([id, situation, setup.feasible]).toEqual([id, situation, true]);
      expect(['upright', 'seated']).toContain(setup.position.body);
      // Who cannot sit up is in no chair either, and a spine that is not cleared is not raised.
      expect([id, situation]).not.toEqual([id, expect.objectContaining({ canSit: false })]);
      expect([id, situation]).not.toEqual([id, expect.objectContaining({ spineNotCleared: true })]);
    }
  expect(kinds.none).toBeGreaterThan(60);
});
