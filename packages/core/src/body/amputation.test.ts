/** Which parts are gone with a limb, and which half of a stump. */
import { amputationAt, goneSegments } from './amputation';
import { buildBody, measureBody, presentPieces } from './body';
import { mannequin, otherSide } from './mannequin';
import { AMPUTATIONS, patientInputSchema } from './patient';
import { placeBody, furthestSkin, presentSkin, crossSkin } from './posed';
import { poseBody } from './pose';

const IDENTITY = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1] as const;

test('what hangs on a segment goes with it, and nothing else', () => {
  const names = (...all: Parameters<typeof goneSegments>[0]) => [...goneSegments(all)].sort();
  expect(names('left leg below the knee')).toEqual(['foot_L', 'talus_L', 'toes_L']);
  expect(names('right leg above the knee')).toEqual(['foot_R', 'patella_R', 'shank_R', 'talus_R', 'toes_R']);
  expect(names('left arm below the elbow')).toEqual([
    'finger1_L',
    'finger2_L',
    'finger3_L',
    'finger4_L',
    'finger5_L',
    'hand_L',
  ]);
  expect(names()).toEqual([]);
  for (const each of AMPUTATIONS)
    expect(names(each).every((id) => id.endsWith(each.startsWith('left') ? '_L' : '_R'))).toBe(true);
});

test('left and right are mirror images', () => {
  for (const each of AMPUTATIONS.filter((name) => name.startsWith('left'))) {
    const other = each.replace('left', 'right') as (typeof AMPUTATIONS)[number];
    expect([...goneSegments([each])].map(otherSide).sort()).toEqual([...goneSegments([other])].sort());
  }
});

test('of a stump the far half is taken, the near half is there', () => {
  const below = ['left leg below the knee'] as const;
  expect(amputationAt({ segment: 'shank_L', height: -800 }, below)).toBe(below[0]);
  expect(amputationAt({ segment: 'shank_L', height: -450 }, below)).toBeNull();
  expect(amputationAt({ segment: 'shank_R', height: -800 }, below)).toBeNull();
  expect(amputationAt({ segment: 'thigh_L', height: -430 }, below)).toBeNull();
});

test('the body keeps its measures; what is gone has no skin, no bone and no shadow', () => {
  const whole = buildBody({ ageYears: 40, sex: 'male' });
  const body = buildBody({ ageYears: 40, sex: 'male', amputated: ['left leg above the knee'] });
  expect(measureBody(body)).toEqual(measureBody(whole));
  expect(presentPieces(whole)).toBe(mannequin.primitives);
  expect(presentPieces(body).some(({ segment }) => segment === 'shank_L')).toBe(false);
  expect(presentPieces(body).some(({ segment }) => segment === 'shank_R')).toBe(true);
  const posed = placeBody(body, poseBody(body, {}), IDENTITY);
  expect(presentSkin(posed).some(({ segment }) => segment === 'foot_L')).toBe(false);
  expect(presentSkin(posed).length).toBeLessThan(posed.skin.length);
  // Across the left shin there is nothing, across the right one there is.
  const through = (x: number) => crossSkin(posed, [x, 10, -650], [0, 1, 0]);
  expect(through(88)).toBeNull();
  expect(through(-88)!.thicknessMm).toBeGreaterThan(50);
  // Asked for by name it is still known, so that a barred view can be looked at.
  expect(furthestSkin(posed, [0, 0, -1], ['foot_L']).reachMm).toBeGreaterThan(800);
});

test('both legs gone, the body ends at the thighs', () => {
  const amputated = ['left leg above the knee', 'right leg above the knee'] as const;
  const body = buildBody({ ageYears: 40, amputated: [...amputated] });
  const posed = placeBody(body, poseBody(body, {}), IDENTITY);
  const whole = placeBody(buildBody({ ageYears: 40 }), poseBody(buildBody({ ageYears: 40 }), {}), IDENTITY);
  expect(furthestSkin(posed, [0, 0, -1]).reachMm).toBeLessThan(furthestSkin(whole, [0, 0, -1]).reachMm - 300);
});

test('only what is known can be said', () => {
  expect(patientInputSchema.safeParse({ amputated: ['left foot'] }).success).toBe(false);
  expect(patientInputSchema.safeParse({ amputated: [...AMPUTATIONS] }).success).toBe(true);
});
