/** What is in the body of a picture: contrast that obeys gravity, bones of children, casts, breath, and the caption. */
import type { Tube } from '../body/shape';
import { posedMark, posedStructure } from '../body/posed';
import { tissuesAlong, type Solid } from '../body/surface';
import { applyToDirection, applyToPoint, inverse } from '../geometry/frame';
import { projectPoint } from '../geometry/projection';
import { addScaled, distance, dot, normalize, subtract, type Vec3 } from '../geometry/vector';
import { ROOM_ONE } from '../room/demoRooms';
import { ROOM_UP } from '../room/position';
import { computeSetup } from '../setup/computeSetup';
import type { SetupRequest } from '../setup/request';
import type { Setup } from '../setup/setup';
import { ENERGIES, MU_PER_MM, materialIndex, spectrumAt } from './attenuation';
import { patientSolids, solidsIn, standingOf } from './bodySolids';
import { burnCaption, CAPTION } from './caption';
import { consolePositioningError } from './consolePositioningError';
import { levelOf } from './contrast';
import { pictureOf, pixelAt } from './detector';
import { isOssified } from './growth';
import { implantIn, type Implant } from './implants';
import { orientForViewing } from './viewed';
import {
  addPositioningError,
  breathe,
  POSITIONING_ERROR_RANGES,
  misplace,
  motionOf,
  NO_POSITIONING_ERROR,
  pivotOf,
} from './positioningError';
import { prepareRadiograph, simulateRadiograph } from './simulateRadiograph';

const setupOf = (projectionId: string, more: Partial<SetupRequest> = {}): Setup =>
  computeSetup({ projectionId, room: ROOM_ONE, ...more });

/** Mean height over the body of the space that a material fills, by points of its organs. */
function filled(setup: Setup, organs: readonly string[], material: RegExp) {
  const posed = standingOf(setup);
  const solids = patientSolids(setup).filter((solid) => material.test(solid.material));
  const up = applyToDirection(inverse(setup.scene.place), ROOM_UP);
  const points = organs.flatMap((organ) => (posedStructure(posed, organ).shape as Tube).pts);
  const inside = points.filter((p) => solids.some(({ under }) => !under || dot(p, under.normal) <= under.mm));
  return { points, inside, up };
}

describe('contrast', () => {
  test.each([
    ['colon-ap', undefined],
    ['colon-pa', undefined],
    ['colon-decubitus', 'right'],
    ['colon-decubitus', 'left'],
    ['stomach-pa', undefined],
    ['stomach-ap', undefined],
    ['stomach-lateral-right', undefined],
  ] as const)('%s %s: the pool lies under what is gas, and its boundary is level', (id, side) => {
    const setup = setupOf(id, { side });
    const organs = id.startsWith('colon') ? ['colon'] : ['stomach', 'duodenal_bulb'];
    const { points, inside, up } = filled(setup, organs, /^barium_60$/);
    expect(inside.length).toBeGreaterThan(0);
    expect(inside.length).toBeLessThan(points.length);
    const outside = points.filter((p) => !inside.includes(p));
    const height = (p: Vec3) => dot(p, up);
    expect(Math.max(...inside.map(height))).toBeLessThanOrEqual(Math.min(...outside.map(height)));
  });
  test('turned over, the other parts of the stomach are full: fundus on the back, the outlet on the front', () => {
    const full = (id: string) => filled(setupOf(id), ['stomach'], /^barium_60$/).inside;
    const fundus = (id: string) => (posedStructure(standingOf(setupOf(id)), 'stomach').shape as Tube).pts[0];
    expect(full('stomach-ap')).toContainEqual(fundus('stomach-ap'));
    expect(full('stomach-pa')).not.toContainEqual(fundus('stomach-pa'));
  });
  test('the level holds the share of the space that is asked for', () => {
    const tube: Tube = {
      kind: 'tube',
      pts: [
        [0, 0, 0],
        [0, 0, 100],
      ],
      r: [10, 10],
    };
    for (const share of [0.25, 0.5, 0.8]) expect(levelOf([tube], share, [0, 0, 1])).toBeCloseTo(100 * share, -1);
    expect(levelOf([tube], 0.5, [1, 0, 0])).toBeCloseTo(0, 5);
  });
  test('a cut solid is the same to the cast and to the second implementation', () => {
    const setup = setupOf('colon-ap');
    const { picture, castRows } = prepareRadiograph(setup, { pixels: 40, seed: null });
    const { through } = castRows(0, picture.rows);
    const solids = solidsIn(setup);
    const weights = spectrumAt(setup.exposure.kVp);
    let most = 0;
    for (let i = 3; i < through.length; i += 37) {
      if (picture.where[i] !== 2) continue;
      const [x, y] = [i % picture.columns, Math.floor(i / picture.columns)];
      const to = addScaled(addScaled(picture.origin, picture.stepU, x), picture.stepV, y);
      const d = normalize(subtract(to, picture.focal));
      const far = distance(to, picture.focal);
      const mu = new Float64Array(ENERGIES);
      for (const { material, from, to: end } of tissuesAlong(solids, picture.focal, d).spans)
        for (let k = 0; k < ENERGIES; k += 1)
          mu[k] += MU_PER_MM[materialIndex(material) * ENERGIES + k] * Math.max(0, Math.min(end, far) - from);
      const slow = weights.reduce((sum, weight, k) => sum + weight * Math.exp(-mu[k]), 0);
      most = Math.max(most, Math.abs(Math.log(through[i] / slow)));
    }
    expect(most).toBeLessThan(0.01);
  });
  test('coils of the small bowel lie before the spine, within the flanks, in a child as in a man', () => {
    for (const patient of [{ ageYears: 6 }, { ageYears: 40 }, { ageYears: 40, massKg: 110 }]) {
      const setup = setupOf('small-bowel-pa', { patient });
      const [coils] = patientSolids(setup).filter(({ material }) => material === 'barium_thin');
      const { pts, r } = coils.shape as Tube;
      const posed = standingOf(setup);
      const [top, foot] = ['L2_body', 'S1_body'].map((id) => posedMark(posed, id).p);
      const spineAt = (z: number) => top[1] + ((foot[1] - top[1]) * (z - top[2])) / (foot[2] - top[2]);
      const crest = posedMark(posed, 'iliac_crest_L').p;
      expect(pts.every((p, i) => p[1] + r[i] < spineAt(p[2]) - 10)).toBe(true);
      expect(pts.every((p, i) => Math.abs(p[0]) + r[i] < Math.abs(crest[0]))).toBe(true);
    }
  });
  test('a scout has none, a gullet and a urogram theirs', () => {
    const materials = (id: string) => new Set(patientSolids(setupOf(id)).map(({ material }) => material));
    expect([...materials('colon-scout')].some((name) => /barium/.test(name))).toBe(false);
    expect(materials('oesophagus-ap')).toContain('barium_60');
    expect(materials('urography-ap')).toContain('iodine_pelvis');
    expect(materials('urography-scout')).not.toContain('iodine_pelvis');
    expect(materials('urography-post-void')).not.toContain('iodine_urine');
  });
});

describe('children', () => {
  const cartilage = (patient: SetupRequest['patient']) =>
    patientSolids(setupOf('hand-pa', { side: 'left', patient })).filter(({ material }) => material === 'cartilage')
      .length;
  test('growth plates close, girls’ first; carpals come one by one', () => {
    expect(cartilage({ ageYears: 5 })).toBeGreaterThan(cartilage({ ageYears: 12 }));
    expect(cartilage({ ageYears: 12 })).toBeGreaterThan(cartilage({ ageYears: 30 }));
    expect(cartilage({ ageYears: 15.5, sex: 'male' })).toBeGreaterThan(cartilage({ ageYears: 15.5, sex: 'female' }));
    expect(isOssified('capitate_L', 1)).toBe(true);
    expect(isOssified('scaphoid_L', 3)).toBe(false);
    expect(isOssified('pisiform_L', 9.5, 'female')).toBe(true);
    expect(isOssified('pisiform_L', 9.5, 'male')).toBe(false);
    expect(isOssified('femur_shaft_L', 0)).toBe(true);
  });
  test('a plate shows as a dark line across the bone', () => {
    const setup = setupOf('knee-ap', { side: 'left', patient: { ageYears: 8 } });
    const posed = standingOf(setup);
    const along = (mm: number) => {
      const [a, b] = ['knee_centre_L', 'hip_centre_L'].map((id) => posedMark(posed, id).p);
      return addScaled(a, normalize(subtract(b, a)), mm);
    };
    const solids = patientSolids(setup);
    const bone = (mm: number) => {
      const p = along(mm);
      const inside = tissuesAlong(solids, addScaled(p, [0, 1, 0], -500), [0, 1, 0]);
      return inside.mm.bone;
    };
    const size = setup.scene.mustShow.length > 0 ? posed.body.patient.statureMm / 1750 : 1;
    expect(bone(26 * size)).toBeLessThan(bone(26 * size + 6) * 0.7);
  });
});

test('a cast lies round the limb and costs signal; the trunk has none', () => {
  const index = (cast: 'none' | 'wet plaster') => {
    const setup = setupOf('wrist-pa', { side: 'left', situation: { cast }, overrides: { mAs: 2 } });
    return simulateRadiograph(setup, ROOM_ONE, { pixels: 64, seed: null }).index!;
  };
  expect(index('wet plaster')).toBeLessThan(index('none') * 0.8);
  const plaster = patientSolids(setupOf('abdomen-ap-supine', { situation: { cast: 'wet plaster' } }));
  expect(plaster.some(({ material }) => material === 'plaster')).toBe(false);
});

test('a replaced hip is metal on its own side, and hides what lies behind it', () => {
  const setup = setupOf('pelvis-ap');
  const middle = (implant: Implant) => {
    const { picture, castRows } = prepareRadiograph(setup, {
      pixels: 120,
      seed: null,
      extras: implantIn(setup, implant),
    });
    const { through } = castRows(0, picture.rows);
    const { hit, receptor, focal } = setup.scene;
    const p = applyToPoint(setup.scene.place, posedMark(standingOf(setup), 'hip_centre_L').p);
    const { u, v } = projectPoint(focal, { origin: hit, u: receptor.u, v: receptor.v, n: receptor.n }, p);
    const [x, y] = pixelAt(picture, addScaled(addScaled(hit, receptor.u, u), receptor.v, v)).map(Math.round);
    return through[y * picture.columns + x];
  };
  expect(middle('left hip')).toBeLessThan(middle('none') * 0.05);
  expect(middle('right hip')).toBeCloseTo(middle('none'), 9);
});

test('the blur of an edge on the picture is as wide as it is told', () => {
  const setup = setupOf('hand-pa', { side: 'left' });
  const { hit, receptor } = setup.scene;
  // A lead plate over the left half of the receptor, close to it: no magnification of its own.
  const at = (u: number, v: number) =>
    addScaled(addScaled(addScaled(hit, receptor.u, u), receptor.v, v), receptor.n, 1);
  const plate = {
    shape: { kind: 'plate' as const, pts: [at(-200, -200), at(0, -200), at(0, 200), at(-200, 200)], t: 1 },
    material: 'lead',
    priority: 1000,
  };
  const HALF = 60;
  const width = (motionMm: number) => {
    const shown = (extras: Solid[]) =>
      simulateRadiograph(setup, ROOM_ONE, { pixels: 500, seed: null, motionMm, extras });
    const [bare, covered] = [shown([]), shown([plate])];
    const [x, y] = pixelAt(bare, hit).map(Math.round);
    const near = Array.from({ length: 2 * HALF }, (_, i) => {
      const at = y * bare.columns + x - HALF + i;
      return covered.signal[at] / bare.signal[at];
    });
    const [low, high] = [Math.min(...near), Math.max(...near)];
    // A box of width w rises evenly: from a tenth to nine tenths is 0.8 w.
    const rise = near.filter((value) => value > low + 0.1 * (high - low) && value < low + 0.9 * (high - low)).length;
    return (rise * bare.pixelMm) / 0.8;
  };
  for (const motionMm of [4, 8, 12]) {
    const expected = motionMm + setup.image.blurMm;
    // To a pixel at either end of the rise, and an eighth for the boxes that the blur is mixed of.
    expect(Math.abs(width(motionMm) - expected)).toBeLessThan(expected / 8 + 0.8);
  }
});

test('breathed out there is less lung in the light', () => {
  const setup = setupOf('chest-pa');
  const dark = (of: Setup) => {
    const { through } = prepareRadiograph(of, { pixels: 64, seed: null }).castRows(0, pictureOf(of, 64).rows);
    return through.filter((share) => share > 0.08).length;
  };
  expect(dark(breathe(setup, 'out'))).toBeLessThan(dark(setup) * 0.95);
});

describe('a part that lies otherwise', () => {
  const setup = setupOf('pelvis-ap');
  test('turns about the middle of what must be shown, and comes back', () => {
    const positioningError = { ...NO_POSITIONING_ERROR, rollDeg: 10, tiltDeg: -4, turnDeg: 3 };
    const pivot = pivotOf(setup);
    expect(distance(applyToPoint(motionOf(setup, positioningError), pivot), pivot)).toBeLessThan(1e-9);
    const moved = misplace(setup, { ...NO_POSITIONING_ERROR, alongMm: 30, acrossMm: -12 });
    const by = subtract(pivotOf(moved), pivot);
    expect(dot(by, setup.scene.receptor.v)).toBeCloseTo(30, 6);
    expect(dot(by, setup.scene.receptor.u)).toBeCloseTo(-12, 6);
    expect(misplace(moved, { ...NO_POSITIONING_ERROR, alongMm: -30, acrossMm: 12 }).scene.place).toEqual(
      setup.scene.place.map((value) => expect.closeTo(value, 6)),
    );
    expect(moved.scene.focal).toBe(setup.scene.focal);
  });
  test('more of it stays within the range', () => {
    expect(addPositioningError({ ...NO_POSITIONING_ERROR, rollDeg: 5 }, { rollDeg: 3, alongMm: -4 })).toEqual({
      ...NO_POSITIONING_ERROR,
      rollDeg: 8,
      alongMm: -4,
    });
    const far = addPositioningError({ ...NO_POSITIONING_ERROR, acrossMm: 290 }, { acrossMm: 400, tiltDeg: -400 });
    expect(far).toMatchObject({
      acrossMm: POSITIONING_ERROR_RANGES.acrossMm[1],
      tiltDeg: POSITIONING_ERROR_RANGES.tiltDeg[0],
    });
    expect(() => misplace(setup, far)).not.toThrow();
  });
  test('the console’s own errors are small as a rule, now and then plain, and always the same', () => {
    const lies = Array.from({ length: 300 }, (_, i) => consolePositioningError(`x-${i}`));
    expect(consolePositioningError('x-7')).toEqual(lies[7]);
    const plain = lies.filter(({ rollDeg, alongMm }) => Math.abs(rollDeg) >= 7 || Math.abs(alongMm) >= 35);
    expect(plain.length / lies.length).toBeGreaterThan(0.08);
    expect(plain.length / lies.length).toBeLessThan(0.28);
    for (const positioningError of lies) expect(() => misplace(setup, positioningError)).not.toThrow();
  });
});

describe('the caption', () => {
  test('stands on every picture that is hung, whatever the window, and is as long as its words', () => {
    const shown = simulateRadiograph(setupOf('hand-pa', { side: 'left' }), ROOM_ONE, { pixels: 300, seed: null });
    for (const window of [shown.window, { level: -9, width: 0.1 }, { level: 20, width: 0.1 }]) {
      const { grey, columns, rows } = orientForViewing(shown, window);
      const foot = grey.subarray((rows - 8) * columns);
      expect(foot.filter((value) => value === 255).length).toBeGreaterThan(CAPTION.length);
      expect(foot.some((value) => value === 0)).toBe(true);
    }
  });
  test('a small picture shows as much of it as there is room for', () => {
    const tiny = new Uint8ClampedArray(32 * 32).fill(90);
    burnCaption(tiny, 32, 32);
    expect(tiny.filter((value) => value === 255).length).toBeGreaterThan(10);
    expect(tiny[0]).toBe(90);
  });
  test('a picture hung facing the patient is turned round, its caption is not', () => {
    const shown = simulateRadiograph(setupOf('chest-pa'), ROOM_ONE, { pixels: 200, seed: null });
    expect(shown.mirrored).toBe(true);
    const strip = ({ grey, rows, columns }: ReturnType<typeof orientForViewing>) =>
      [...grey.subarray((rows - 6) * columns)].map((value) => value === 255);
    expect(strip(orientForViewing(shown))).toEqual(strip(orientForViewing({ ...shown, mirrored: false })));
  });
});
