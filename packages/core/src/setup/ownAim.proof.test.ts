/** An aim of one's own: every entry of the catalogue takes it, the CR goes that far, and what it costs is told. */
import { dot, subtract } from '../geometry/vector';
import { projections } from '../projections/catalogue';
import { computeSetup } from './computeSetup';
import type { SetupRequest } from './request';
import type { Setup } from './setup';

const STEP_MM = 12;
const usualOf = ({ id, sided }: (typeof projections)[number]): SetupRequest => ({
  projectionId: id,
  side: sided === 'each' ? 'right' : undefined,
});

test('the CR enters so far on as was asked, whatever the angle, and it is said from where the usual one is', () => {
  let checked = 0;
  for (const entry of projections) {
    const usual = computeSetup(usualOf(entry));
    if (!usual.feasible) continue;
    const own = computeSetup({ ...usualOf(entry), overrides: { aimMm: [STEP_MM, 0] } });
    // From the body: who lies on a table is slid under the tube. An angled ray that is aimed at the skin meets the
    // receptor further on where the skin is deeper; one that is aimed at a depth, the skin.
    const off = (['entry', 'hit'] as const).map((where) => {
      const onBody = ({ scene }: Setup) =>
        subtract(scene[where], [scene.place[12]!, scene.place[13]!, scene.place[14]!]);
      return Math.abs(dot(subtract(onBody(own), onBody(usual)), usual.scene.toHead) - STEP_MM);
    });
    expect([entry.id, Math.min(...off) < 8]).toEqual([entry.id, true]);
    expect([entry.id, own.problems.some(({ code }) => code === 'own-aim')]).toEqual([entry.id, true]);
    if (own.steps.length > 0)
      expect([entry.id, own.centre.text]).toEqual([entry.id, expect.stringMatching(/: your own centring$/)]);
    checked += 1;
  }
  expect(checked).toBeGreaterThan(200);
});

test('what must be shown is still inside the light, or it is said what is clipped', () => {
  let [whole, clipped] = [0, 0];
  for (const entry of projections) {
    for (const aimMm of [
      [40, 0],
      [-40, 0],
    ] as const) {
      let own;
      try {
        own = computeSetup({ ...usualOf(entry), overrides: { aimMm: [...aimMm] } });
      } catch (error) {
        expect(String(error)).toMatch(/passes beside the part: nearer to the usual centring point/);
        continue;
      }
      const cut = own.problems.some(({ code }) => code === 'clipped');
      expect([entry.id, own.field.clipped.length > 0]).toEqual([entry.id, cut]);
      if (cut) clipped += 1;
      else whole += 1;
    }
  }
  expect(whole).toBeGreaterThan(200);
  expect(clipped).toBeGreaterThan(5);
});

test('an aim that is moved by nothing is the usual one', () => {
  const usual = computeSetup({ projectionId: 'chest-pa' });
  const own = computeSetup({ projectionId: 'chest-pa', overrides: { aimMm: [0, 0] } });
  expect(own.centre.text).toBe(usual.centre.text);
  expect(own.field.neededMm).toEqual(usual.field.neededMm);
});
