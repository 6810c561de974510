/** Nobody is told to lay down a limb that is not there, and whatever does not show it is done as for anybody. */
import { AMPUTATIONS, type Amputation } from '../../body/patient';
import { posedSkin } from '../../body/posed';
import { findOtherWays, whyForbidden } from '../../adapt/findOtherWays';
import { projections } from '../../projections/catalogue';
import type { Projection } from '../../projections/schema';
import { patientSolids, standingOf } from '../../radiograph/bodySolids';
import { computeSetup } from '../computeSetup';
import { judge } from '../judge';
import type { Setup, Side } from '../setup';

/** By what the entries are called, and not by the marks of the model. */
const NEEDS: readonly { limb: string; part: RegExp }[] = [
  { limb: 'arm below the elbow', part: /finger|thumb|hand|wrist|scaphoid|carpal|^forearm/ },
  { limb: 'arm above the elbow', part: /finger|thumb|hand|wrist|scaphoid|carpal|forearm|elbow|humerus-(ap|lateral)/ },
  { limb: 'leg below the knee', part: /toes|sesamoids|foot|calcaneus|subtalar|ankle|^leg-/ },
  {
    limb: 'leg above the knee',
    part: /toes|sesamoids|foot|calcaneus|subtalar|ankle|^leg-|knee|patella|^fossa|femur-\w+-distal/,
  },
];
const sidesOf = ({ sided, nearSide }: Projection): (Side | undefined)[] =>
  sided === 'each' || nearSide ? ['left', 'right'] : [undefined];
const forbids = ({ problems }: Setup) => problems.some(({ code }) => code === 'forbidden');

test.each(AMPUTATIONS)('%s: barred where it would have to be shown, and nowhere else', (amputation: Amputation) => {
  const [side, ...rest] = amputation.split(' ');
  const { part } = NEEDS.find(({ limb }) => limb === rest.join(' '))!;
  const wrong: string[] = [];
  let checked = 0;
  for (const entry of projections)
    for (const asked of sidesOf(entry)) {
      const setup = computeSetup({ projectionId: entry.id, side: asked, patient: { amputated: [amputation] } });
      const needs = part.test(entry.id) && (asked === side || entry.sided === 'none');
      checked += 1;
      if (forbids(setup) !== needs) wrong.push(`${entry.id} ${asked ?? ''}`);
    }
  expect(wrong).toEqual([]);
  expect(checked).toBeGreaterThan(400);
});

test('the verdict names the limb and whom to ask, everywhere the same', () => {
  const request = {
    projectionId: 'foot-ap',
    side: 'left' as const,
    patient: { amputated: ['left leg above the knee' as const] },
  };
  expect(whyForbidden(request)).toMatchObject({
    reason: 'amputated',
    part: 'left leg above the knee',
    why: 'the left leg is amputated above the knee',
    ask: 'the radiologist',
  });
  expect(judge(request)).toMatchObject({ allowed: false, feasible: false });
  expect(findOtherWays(request)).toEqual([]);
  expect(whyForbidden({ ...request, side: 'right' })).toBeNull();
});

test('a limb that is not there is in no picture and on no drawing', () => {
  const patient = { amputated: ['right leg above the knee' as const] };
  const knee = { projectionId: 'knee-lateral', side: 'left' as const };
  const whole = computeSetup(knee);
  const setup = computeSetup({ ...knee, patient });
  expect(standingOf(setup).body.gone.has('foot_R')).toBe(true);
  const solids = (amputated?: Amputation[]) =>
    patientSolids(computeSetup({ projectionId: 'pelvis-ap', patient: { amputated } })).length;
  expect(solids(patient.amputated)).toBeLessThan(solids());
  const drawn = (of: Setup) => new Set(posedSkin(standingOf(of)).map(({ segment }) => segment));
  expect([drawn(whole).has('shank_R'), drawn(setup).has('shank_R'), drawn(setup).has('thigh_R')]).toEqual([
    true,
    false,
    true,
  ]);
  expect(setup.exposure.mAs).toBe(whole.exposure.mAs);
  expect(setup.cautions.map(({ code }) => code)).toContain('caution-prosthesis');
});
