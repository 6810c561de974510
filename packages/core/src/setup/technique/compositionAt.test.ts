/** Of a heavy chest the lungs are no larger: what it is thicker is flesh, and is exposed as such. */
import { projectionOf, projections } from '../../projections/catalogue';
import { ROOM_ONE } from '../../room/demoRooms';
import { simulateRadiograph } from '../../radiograph/simulateRadiograph';
import { computeSetup } from '../computeSetup';
import { compositionAt } from './compositionAt';

test('a chart’s own thickness and thinner ones have the entry’s share, thicker ones more, never above flesh', () => {
  let withLung = 0;
  for (const { id, exposure } of projections) {
    const { chart, composition } = exposure;
    for (const share of [0.3, 1]) expect(compositionAt(exposure, chart.thicknessMm * share)).toBe(composition);
    const heavy = compositionAt(exposure, chart.thicknessMm * 1.5);
    if (composition >= 0.93) {
      expect([id, heavy]).toEqual([id, composition]);
      continue;
    }
    withLung += 1;
    expect([id, heavy > composition && heavy < 0.93]).toEqual([id, true]);
    // What is added is flesh: the water equivalent of the two parts is their sum.
    expect(heavy * 1.5).toBeCloseTo(composition + 0.93 * 0.5, 9);
  }
  expect(withLung).toBeGreaterThan(15);
  expect(compositionAt(projectionOf('chest-pa').exposure, 342)).toBeCloseTo(0.654, 3);
});

test.each(['chest-pa', 'chest-ap', 'chest-lateral'])('%s of 120 kg: the picture gets what the technique says', (id) => {
  const setup = computeSetup({
    projectionId: id,
    patient: { ageYears: 45, sex: 'male', statureMm: 1780, massKg: 120 },
    room: ROOM_ONE,
  });
  const { deviation } = simulateRadiograph(setup, ROOM_ONE, { pixels: 48, seed: null });
  expect(Math.abs(deviation! - setup.exposure.expected!.deviation)).toBeLessThan(1.5);
});
