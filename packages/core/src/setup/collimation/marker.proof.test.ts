/** Letter, place and signs of the marker against the posed body, over the whole catalogue, both sides and found ways. */
import { adaptBody } from '../../body/adapt';
import { buildBody } from '../../body/body';
import { poseBody } from '../../body/pose';
import { placeBody, posedLandmark } from '../../body/posed';
import { findOtherWays } from '../../adapt/findOtherWays';
import { dot, normalize, subtract, type Vec3 } from '../../geometry/vector';
import { projections } from '../../projections/catalogue';
import type { Projection } from '../../projections/schema';
import { summarizeSeries } from '../../series/bringList';
import { computeSetup } from '../computeSetup';
import { markerPositions } from './markerPlace';
import type { Setup } from '../setup';

const patient = { ageYears: 45, sex: 'female' } as const;
const sidesOf = ({ sided, nearSide }: Projection): ('left' | 'right' | undefined)[] =>
  sided === 'each' || nearSide ? ['left', 'right'] : [undefined];

/** The patient's left in the room, from two landmarks of the posed pelvis. */
function leftOf(setup: Setup): Vec3 {
  const { adapt, pose, place } = setup.scene;
  const body = adaptBody(buildBody(setup.patient), adapt);
  const posed = placeBody(body, poseBody(body, pose), place);
  return normalize(subtract(posedLandmark(posed, 'ASIS_L').p, posedLandmark(posed, 'ASIS_R').p));
}

const sideways = ({ position }: Setup) => position.facing === 'lateral' || position.facing === 'medial';
const onASide = ({ position, tube }: Setup) => position.body === 'lateral-recumbent' && tube.beam === 'horizontal';

/** What is wrong with the marker of a set-up; empty where all of it is true. */
function faultsOf(entry: Projection, setup: Setup): string[] {
  const faults: string[] = [];
  const left = leftOf(setup);
  const { marker } = setup;
  const { focal, receptor, hit } = setup.scene;
  const course = normalize(subtract(hit, focal));
  const sideDown = entry.positions[0].body === 'lateral-recumbent' && entry.positions[0].beam === 'horizontal';
  const examined = entry.sided === 'each' && !sideDown;
  if (marker.letters.length === 1) {
    const letter = marker.letters[0];
    if (examined) {
      if (letter !== (setup.side === 'left' ? 'L' : 'R')) faults.push('letter is not the side that is examined');
    } else if (onASide(setup) && !sideways(setup)) {
      const up = left[2] > 0 ? 'L' : 'R';
      if (letter !== up) faults.push(`letter ${letter}, side up ${up}`);
    } else if (sideways(setup)) {
      const near = dot(course, left) > 0 ? 'L' : 'R';
      if (letter !== near) faults.push(`letter ${letter}, on the receptor ${near}`);
    }
  } else if (marker.letters.join() !== 'R,L') faults.push(`letters ${marker.letters.join()}`);

  for (const { letter, p } of markerPositions(setup)) {
    const off = subtract(p, hit);
    // Inside the light.
    const [a, b, , d] = setup.scene.fields[0];
    const half = (q: Vec3) => Math.hypot(...subtract(q, a)) / 2;
    const middle = setup.scene.fields[0].reduce(
      (sum, q) => [sum[0] + q[0] / 4, sum[1] + q[1] / 4, sum[2] + q[2] / 4] as Vec3,
      [0, 0, 0] as Vec3,
    );
    const from = subtract(p, middle);
    if (
      Math.abs(dot(from, normalize(subtract(b, a)))) > half(b) ||
      Math.abs(dot(from, normalize(subtract(d, a)))) > half(d)
    )
      faults.push('outside the light');
    // On the side of the body that the letter names, wherever that side is seen from the tube.
    const seen = Math.hypot(dot(left, receptor.u), dot(left, receptor.v));
    const trunk = !examined && !sideways(setup);
    if (((trunk && marker.letters.length === 1) || marker.letters.length > 1) && seen > 0.5) {
      const onLeft = dot(off, left) > 0;
      if (onLeft !== (letter === 'L')) faults.push(`letter ${letter} lies on the other side`);
    }
    if (onASide(setup) && !sideways(setup) && trunk && off[2] <= 0) faults.push('not on the side that is up');
  }

  const has = (sign: string) => marker.extra.includes(sign);
  if (has('upright') && !['upright', 'seated'].includes(setup.position.body)) faults.push('says upright');
  if (has('weight-bearing') && setup.position.body !== 'upright') faults.push('says weight-bearing');
  // Each sign once: a sign of several parts would stand beside its own part.
  const signs = marker.extra.flatMap((sign) => sign.split(', '));
  if (new Set(signs).size < signs.length) faults.push(`a sign twice: ${signs.join(', ')}`);
  if (signs.filter((sign) => / down$/.test(sign)).length > 1) faults.push(`two sides down: ${signs.join(', ')}`);
  if (has('arrow up') && setup.tube.beam !== 'horizontal') faults.push('arrow up without a horizontal ray');
  for (const side of ['left', 'right'] as const)
    if (has(`${side} side down`) && (setup.position.body !== 'lateral-recumbent' || left[2] > 0 === (side === 'left')))
      faults.push(`says ${side} side down`);
  if (onASide(setup) && (!has('arrow up') || !marker.extra.some((sign) => sign.endsWith('side down'))))
    faults.push('a decubitus without its signs');
  return faults;
}

test.each(projections.map((entry) => [entry.id, entry] as const))('marker of %s', (_, entry) => {
  for (const side of sidesOf(entry)) {
    for (const { body } of entry.positions) {
      const setup = computeSetup({ projectionId: entry.id, side, patient, overrides: { position: body } });
      expect([side, body, ...faultsOf(entry, setup)]).toEqual([side, body]);
    }
  }
});

test('markers of found ways, in five situations', () => {
  const situations = [
    {},
    { canStand: false, canTurn: 'none', place: 'bedside' },
    { canStand: false, suspected: ['fluid level'] },
    { canStand: false, canProne: false, suspected: ['free gas'] },
    { place: 'chair', canStand: false },
  ] as const;
  let checked = 0;
  const wrong: string[] = [];
  for (const entry of projections.filter((_, i) => i % 6 === 1))
    for (const side of sidesOf(entry))
      for (const situation of situations)
        for (const { setup, id } of findOtherWays({
          projectionId: entry.id,
          side,
          patient,
          situation: situation as never,
        })) {
          checked += 1;
          const made = projections.find((each) => each.id === setup.projectionId)!;
          for (const fault of faultsOf(made, setup)) wrong.push(`${id} ${side ?? ''}: ${fault}`);
        }
  expect(wrong).toEqual([]);
  expect(checked).toBeGreaterThan(600);
});

test('what was wrong before: decubitus, stomach RAO, both acromioclavicular joints', () => {
  const letter = (projectionId: string, side?: 'left' | 'right') =>
    computeSetup({ projectionId, side, patient }).marker;
  for (const id of ['chest-decubitus-ap', 'colon-decubitus']) {
    expect(letter(id, 'left')).toMatchObject({
      letter: 'R',
      extra: expect.arrayContaining(['arrow up', 'left side down']),
    });
    expect(letter(id, 'right')).toMatchObject({ letter: 'L', extra: expect.arrayContaining(['right side down']) });
  }
  expect(letter('abdomen-decubitus-left-lateral')).toMatchObject({ letter: 'R' });
  expect(letter('stomach-rao')).toMatchObject({ letter: 'L', place: expect.stringContaining('left') });
  const both = computeSetup({ projectionId: 'acromioclavicular-ap', patient });
  expect(both.marker.letters).toEqual(['R', 'L']);
  expect(summarizeSeries([both]).bring).toEqual(expect.arrayContaining(['marker R', 'marker L']));
});
