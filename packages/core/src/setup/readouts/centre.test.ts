import { MM_PER_INCH } from '../../quantity/length';
import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';

const man = { ageYears: 40, sex: 'male' as const };
const textOf = (projectionId: string, patient: object = man) =>
  computeSetup({
    projectionId,
    side: projections.find(({ id }) => id === projectionId)!.sided === 'each' ? 'left' : undefined,
    patient,
  }).centre.text;

test.each([
  ['lumbar-lateral', /^½ in \(1.3 cm\) inferior to L3, on the midcoronal plane/],
  ['thoracic-lateral', /^Level of T7, .* posterior to the midcoronal plane/],
  ['abdomen-decubitus-dorsal', /^3¼ in \(8.5 cm\) superior to the iliac crest, on the midcoronal plane/],
  ['abdomen-lateral', /^Level of the iliac crest, on the midcoronal plane/],
  ['skull-lateral', /^CR enters 2 in \(5 cm\) superior to the EAM, middle of the skull/],
  ['sella-lateral', /^CR enters ¾ in \(1.9 cm\) superior and ¾ in \(1.9 cm\) anterior to the EAM/],
  ['nasal-bones-lateral', /^CR enters ½ in \(1.3 cm\) inferior to the nasion, bridge of the nose/],
  ['sinuses-lateral', /anterior to the middle between the outer canthus and the EAM/],
  ['cervicothoracic-lateral', /^Level of C7-T1, /],
  ['lumbosacral-lateral', /^Level of L5-S1, /],
  ['scoliosis-lateral', /^Level of the middle between T1 and S1, /],
  ['face-lateral', /^CR through: zygoma/],
  ['femur-ap-distal', /^CR through: middle of the part of the femur/],
  ['femur-lateral-distal', /distal to the middle between the lateral epicondyle and the greater trochanter/],
  ['pelvis-ap', /inferior to the ASIS, midline/],
  ['ankle-ap', /^CR through: midway between the malleoli/],
])('%s: the centring line tells the whole way', (id, says) => expect(textOf(id)).toMatch(says));

test('the figure that is told leads from the landmark to the ray, for small and large', () => {
  for (const ageYears of [3, 40])
    for (const id of ['skull-lateral', 'abdomen-decubitus-dorsal', 'lumbar-lateral']) {
      const { centre, scene } = computeSetup({ projectionId: id, patient: { ageYears } });
      const stated = /(\d*)([½¼¾]?) in \(/.exec(centre.text);
      expect([id, stated !== null]).toEqual([id, true]);
      const inches = Number(stated![1] || 0) + ({ '½': 0.5, '¼': 0.25, '¾': 0.75 }[stated![2]] ?? 0);
      const entry = projections.find((each) => each.id === id)!;
      const [first] = entry.aim.offset;
      // Scaled with the body: a child's way is shorter than the adult's.
      expect(inches * MM_PER_INCH).toBeLessThanOrEqual(first.mm * 1.15 + 6);
      expect(scene.hit.every(Number.isFinite)).toBe(true);
    }
});

test('no centring line names one landmark twice, or leaves a name out', () => {
  for (const entry of projections) {
    const text = textOf(entry.id);
    expect([entry.id, text]).toEqual([entry.id, expect.not.stringMatching(/undefined|(\b[a-z ]{5,}\b)-\1/)]);
  }
});
