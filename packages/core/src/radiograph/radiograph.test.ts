/** The simulated picture held against other ways to the same: a slow march, the pinhole map, the attenuation law. */
import { posedIn } from '../body/posedIn';
import fc from 'fast-check';
import { rayIntervals } from '../body/intervals';
import type { Shape } from '../body/shape';
import { tissuesAlong, type Solid } from '../body/surface';
import { posedLandmark } from '../body/posed';
import { projectPoint } from '../geometry/projection';
import { addScaled, distance, normalize, scale, subtract, type Vec3 } from '../geometry/vector';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { markerPlace } from '../setup/collimation/markerPlace';
import type { SetupRequest } from '../setup/request';
import type { Setup } from '../setup/setup';
import { ENERGIES, MU_PER_MM, materialIndex, spectrumAt, transmissionOf } from './attenuation';
import { boxBlur, smear } from './blur';
import { castRays } from './castRays';
import { pictureOf, pixelAt } from './detector';
import { toGrey, windowOf } from './display';
import { addNoise } from './noise';
import { piecesFrom, rankedElements } from './pieces';
import type { Detector } from './shadow';
import { solidsIn } from './bodySolids';
import { simulateRadiograph, type Radiograph } from './simulateRadiograph';

const adult = { ageYears: 40, sex: 'male' as const };
const setupOf = (projectionId: string, more: Partial<SetupRequest> = {}): Setup =>
  computeSetup({ projectionId, side: 'left', patient: adult, room: ROOM_ONE, ...more });
const picture = (setup: Setup, pixels: number, extras: Solid[] = []): Radiograph =>
  simulateRadiograph(setup, ROOM_ONE, { pixels, seed: null, extras });

/** What comes through by the solids one by one, in order along the ray: nothing shared with the cast but the shapes. */
function slowThrough(solids: readonly Solid[], focal: Vec3, to: Vec3, weights: Float64Array): number {
  const d = normalize(subtract(to, focal));
  const far = distance(focal, to);
  const mu = new Float64Array(ENERGIES);
  for (const { material, from, to: end } of tissuesAlong(solids, focal, d).spans) {
    const mm = Math.max(0, Math.min(end, far) - Math.max(from, 0));
    for (let k = 0; k < ENERGIES; k += 1) mu[k] += MU_PER_MM[materialIndex(material) * ENERGIES + k] * mm;
  }
  return weights.reduce((sum, weight, k) => sum + weight * Math.exp(-mu[k]), 0);
}

describe('paths through solids', () => {
  const vec = (most: number) =>
    fc.tuple(
      ...[0, 1, 2].map(() => fc.double({ min: -most, max: most, noNaN: true })),
    ) as unknown as fc.Arbitrary<Vec3>;
  const radius = fc.double({ min: 8, max: 40, noNaN: true });
  const shape: fc.Arbitrary<Shape> = fc.oneof(
    fc
      .record({ kind: fc.constant('ellipsoid' as const), c: vec(30), r: fc.tuple(radius, radius, radius) })
      .map(({ c, r }): Shape => ({
        kind: 'ellipsoid',
        c,
        axes: [
          [r[0], 0, 0],
          [0, r[1], 0],
          [0, 0, r[2]],
        ],
      })),
    fc.record({ c: vec(30), r: fc.tuple(radius, radius, radius) }).map(({ c, r }): Shape => ({
      kind: 'cylinder',
      c,
      axes: [
        [r[0], 0, 0],
        [0, r[1], 0],
        [0, 0, r[2]],
      ],
    })),
    fc
      .record({ a: vec(60), b: vec(60), r: fc.tuple(radius, radius) })
      .map(({ a, b, r }): Shape => ({ kind: 'tube', pts: [a, b], r: [...r] })),
    fc.record({ z: fc.double({ min: -30, max: 30, noNaN: true }), t: radius }).map(({ z, t }): Shape => ({
      kind: 'plate',
      pts: [
        [-40, -30, z],
        [40, -30, z],
        [50, 30, z],
        [-40, 40, z],
      ],
      t,
    })),
  );
  const focal: Vec3 = [0, 0, 1000];
  const detector: Detector = {
    focal,
    origin: [-45, 45, -200],
    stepU: [10, 0, 0],
    stepV: [0, -10, 0],
    columns: 10,
    rows: 10,
  };

  test('are those of a march in small steps, whatever overlaps', () =>
    fc.assert(
      fc.property(fc.array(shape, { minLength: 1, maxLength: 4 }), (shapes) => {
        const solids = shapes.map((each, i): Solid => ({
          shape: each,
          material: ['muscle', 'cortical', 'fat', 'lung'][i],
          priority: i,
        }));
        const weights = spectrumAt(80);
        const { through } = castRays(piecesFrom(rankedElements(solids), detector), detector, weights, () => true);
        for (const [x, y] of [
          [2, 3],
          [5, 5],
          [8, 1],
        ]) {
          const to: Vec3 = [-45 + 10 * x, 45 - 10 * y, -200];
          const d = normalize(subtract(to, focal));
          const STEP = 0.5;
          const mu = new Float64Array(ENERGIES);
          const inside = shapes.map((each) => rayIntervals(each, focal, d));
          for (let t = 700; t < 1210; t += STEP) {
            const top = inside.findLastIndex((spans) => spans.some(([a, b]) => t >= a && t < b));
            if (top < 0) continue;
            const row = materialIndex(solids[top].material) * ENERGIES;
            for (let k = 0; k < ENERGIES; k += 1) mu[k] += MU_PER_MM[row + k] * STEP;
          }
          const marched = weights.reduce((sum, weight, k) => sum + weight * Math.exp(-mu[k]), 0);
          expect(Math.abs(Math.log(through[y * 10 + x] / marched))).toBeLessThan(0.25);
        }
      }),
      { numRuns: 60 },
    ));

  test.each(['chest-pa', 'skull-lateral', 'knee-lateral', 'hand-pa'])(
    '%s: as a second, simple implementation has it',
    (id) => {
      const setup = setupOf(id);
      const solids = solidsIn(setup);
      const at = pictureOf(setup, 40);
      const weights = spectrumAt(setup.exposure.kVp);
      const { through } = castRays(piecesFrom(rankedElements(solids), at), at, weights, () => true);
      const off: number[] = [];
      for (let i = 7; i < through.length; i += 31) {
        const [x, y] = [i % at.columns, Math.floor(i / at.columns)];
        const to = addScaled(addScaled(at.origin, at.stepU, x), at.stepV, y);
        off.push(Math.abs(Math.log(through[i] / slowThrough(solids, setup.scene.focal, to, weights))));
      }
      expect(Math.max(...off)).toBeLessThan(0.01);
    },
  );
});

/** Middle of what a bead of steel takes away from a picture. */
function shadowOf(
  setup: Setup,
  p: Vec3,
  pixels: number,
): { at: [number, number]; picture: Radiograph; areaPx: number } {
  const bead: Solid = {
    shape: {
      kind: 'ellipsoid',
      c: p,
      axes: [
        [2, 0, 0],
        [0, 2, 0],
        [0, 0, 2],
      ],
    },
    material: 'lead',
    priority: 1000,
  };
  const bare = picture(setup, pixels);
  const with_ = picture(setup, pixels, [bead]);
  let [sum, sx, sy] = [0, 0, 0];
  for (let i = 0; i < bare.signal.length; i += 1) {
    const gone = Math.max(0, 1 - with_.signal[i] / bare.signal[i]);
    if (gone < 0.03) continue;
    sum += gone;
    sx += gone * (i % bare.columns);
    sy += gone * Math.floor(i / bare.columns);
  }
  return { at: [sx / sum, sy / sum], picture: bare, areaPx: sum };
}

describe('where things fall', () => {
  test.each([
    ['knee-ap', 'fibular_head_L'],
    ['ankle-mortise', 'med_malleolus_L'],
    ['sacrum-ap-axial', 'symphysis_sup'],
  ])('%s: %s falls where the pinhole map puts it, within half a millimetre', (id, landmark) => {
    const setup = setupOf(id);
    const posed = posedIn(setup);
    const { p } = posedLandmark(posed, landmark);
    const { at, picture: shown } = shadowOf(setup, p, 400);
    const { hit, receptor, focal } = setup.scene;
    const { u, v } = projectPoint(focal, { origin: hit, u: receptor.u, v: receptor.v, n: receptor.n }, p);
    const expected = pixelAt(shown, addScaled(addScaled(hit, receptor.u, u), receptor.v, v));
    expect(Math.hypot(at[0] - expected[0], at[1] - expected[1]) * shown.pixelMm).toBeLessThan(0.5);
  });

  test('magnification and the shift by an angle, measured on the picture, are those of the formulas', () => {
    const setup = setupOf('pelvis-ap', { overrides: { angleDeg: 20, fieldMm: [200, 400] } });
    const { scene, tube } = setup;
    const over = (mm: number, aside: number): Vec3 =>
      addScaled(addScaled(scene.hit, scene.receptor.n, mm), scene.receptor.u, aside);
    const high = shadowOf(setup, over(250, 0), 320);
    const aside = shadowOf(setup, over(250, 40), 320);
    const low = shadowOf(setup, over(80, 0), 320);
    const px = high.picture.pixelMm;
    const height = tube.sidMm * Math.cos((20 * Math.PI) / 180);
    expect(((aside.at[0] - high.at[0]) * px) / 40).toBeCloseTo(height / (height - 250), 1);
    // A point over the receptor moves away from the tube by its height times the tangent, magnified.
    const moved = (mm: number) => (mm * Math.tan((20 * Math.PI) / 180) * height) / (height - mm);
    expect(Math.abs((high.at[1] - low.at[1]) * px)).toBeCloseTo(moved(250) - moved(80), 0);
  });

  test('a picture cannot be mirrored: the marker lies on its side, and so does what lies on one side only', () => {
    for (const id of ['abdomen-ap-supine', 'chest-pa']) {
      const setup = setupOf(id);
      const shown = picture(setup, 120);
      const column = (p: Vec3) => {
        const [x] = pixelAt(shown, p);
        return shown.mirrored ? shown.columns - 1 - x : x;
      };
      // ViewedPicture facing the patient: the right side is on the left, and so is the R.
      expect(setup.marker.letter).toBe('R');
      expect(column(markerPlace(setup))).toBeLessThan(shown.columns / 2);
      const posed = posedIn(setup);
      const seen = (landmark: string) => {
        const { hit, receptor, focal } = setup.scene;
        const { u, v } = projectPoint(
          focal,
          { origin: hit, u: receptor.u, v: receptor.v, n: receptor.n },
          posedLandmark(posed, landmark).p,
        );
        return column(addScaled(addScaled(hit, receptor.u, u), receptor.v, v));
      };
      expect(seen('iliac_crest_R')).toBeLessThan(seen('iliac_crest_L'));
    }
  });
});

describe('how bright things are', () => {
  test('a step wedge follows the attenuation law of its metal', () => {
    const kVp = 70;
    const mm = [0, 2, 5, 10, 20];
    const shares = mm.map((each) => transmissionOf({ aluminium: each }, kVp));
    const focal: Vec3 = [0, 0, 1000];
    mm.forEach((each, i) => {
      if (each === 0) return expect(shares[0]).toBeCloseTo(1, 3);
      const step: Solid = {
        shape: {
          kind: 'plate',
          pts: [
            [-50, -50, 0],
            [50, -50, 0],
            [50, 50, 0],
            [-50, 50, 0],
          ],
          t: each,
        },
        material: 'aluminium',
        priority: 1,
      };
      const under: Detector = { focal, origin: [0, 0, -20], stepU: [1, 0, 0], stepV: [0, 1, 0], columns: 1, rows: 1 };
      const { through } = castRays(piecesFrom(rankedElements([step]), under), under, spectrumAt(kVp), () => true);
      return expect(through[0]).toBeCloseTo(shares[i], 4);
    });
    // It hardens: each millimetre takes less than the one before.
    expect(shares[1] ** 5).toBeLessThan(shares[3]);
  });
  test('spectra sum to one at every kVp, and bone loses contrast as it rises', () => {
    for (const kVp of [45, 50, 63, 87, 120, 150]) expect(spectrumAt(kVp).reduce((a, b) => a + b)).toBeCloseTo(1, 2);
    const contrast = (kVp: number) =>
      transmissionOf({ muscle: 100 }, kVp) / transmissionOf({ muscle: 90, cortical: 10 }, kVp);
    expect(contrast(60)).toBeGreaterThan(contrast(80));
    expect(contrast(80)).toBeGreaterThan(contrast(120));
    expect(() => transmissionOf({ jelly: 1 }, 80)).toThrow(/known: air/);
  });
  test('twice the mAs is twice the index; without a grid there is less contrast', () => {
    const index = (overrides: object) => picture(setupOf('abdomen-ap-supine', { overrides }), 64);
    expect(index({ mAs: 40 }).index! / index({ mAs: 20 }).index!).toBeCloseTo(2, 2);
    const width = (grid: boolean) => index({ grid, kVp: 80, mAs: 20 }).window.width;
    expect(width(true)).toBeGreaterThan(width(false));
  });
  test('a grid off level darkens the whole', () => {
    const mean = (overrides: object) => {
      const { signal } = picture(setupOf('abdomen-ap-supine', { overrides }), 48);
      return signal.reduce((a, b) => a + b) / signal.length;
    };
    const setup = setupOf('abdomen-ap-supine', { overrides: { gridLevelDeg: 2 } });
    expect(mean({ gridLevelDeg: 2 }) / mean({})).toBeCloseTo((1 - setup.image.grid!.centre) / 1, 1);
  });
  test('the same seed gives the same grain, less of it with more exposure', () => {
    const grain = (kerma: number, seed: number) => {
      const flat = new Float32Array(4000).fill(kerma);
      addNoise(flat, 0.2, seed);
      const m = flat.reduce((a, b) => a + b) / flat.length;
      return { flat, relative: Math.sqrt(flat.reduce((sum, each) => sum + (each - m) ** 2, 0) / flat.length) / m };
    };
    expect(grain(2, 7).flat).toEqual(grain(2, 7).flat);
    expect(grain(2, 7).flat).not.toEqual(grain(2, 8).flat);
    expect(grain(2, 7).relative / grain(8, 7).relative).toBeCloseTo(2, 0);
  });
  test('the window shows the light, and nothing outside it', () => {
    const shown = picture(setupOf('hand-pa'), 96);
    const grey = toGrey(shown.signal, shown.where, shown.window);
    for (let i = 0; i < grey.length; i += 1) if (shown.where[i] !== 2) expect(grey[i]).toBe(0);
    expect(new Set(grey).size).toBeGreaterThan(60);
    expect(windowOf(new Float32Array(4), new Uint8Array(4), new Float32Array(4))).toEqual({ level: 0, width: 1 });
  });
});

test('blur keeps the sum and widens by what it is told', () => {
  const line = new Float32Array(101 * 3);
  for (let y = 0; y < 3; y += 1) line[y * 101 + 50] = 1;
  const width = (of: Float32Array) => {
    const row = [...of.subarray(101, 202)];
    const total = row.reduce((a, b) => a + b);
    const middle = row.reduce((sum, each, x) => sum + each * x, 0) / total;
    return Math.sqrt((12 * row.reduce((sum, each, x) => sum + each * (x - middle) ** 2, 0)) / total);
  };
  expect(width(boxBlur(line, 101, 3, [4, 0]))).toBeCloseTo(9, 0);
  expect([...boxBlur(line, 101, 3, [4, 0])].reduce((a, b) => a + b)).toBeCloseTo(3, 4);
  for (const expected of [3, 4, 6.5, 11])
    expect(Math.abs(width(smear(line, 101, 3, expected)) - expected)).toBeLessThan(1);
  expect(smear(line, 101, 3, 0)).toBe(line);
});

test('what cannot be simulated is refused with the range', () => {
  const setup = setupOf('hand-pa');
  const ask = (pixels: number, exposure?: number) => () =>
    simulateRadiograph(setup, ROOM_ONE, { pixels, seed: null, exposure });
  expect(ask(5)).toThrow(/32 to 2048 pixels, got 5/);
  expect(ask(5000)).toThrow(/32 to 2048/);
  expect(ask(NaN)).toThrow(RangeError);
  expect(ask(64, 3)).toThrow(/1 exposures, not 4/);
  const flat = { ...setup, scene: { ...setup.scene, fields: [setup.scene.fields[0].map(() => setup.scene.hit)] } };
  expect(() => simulateRadiograph(flat, ROOM_ONE, { pixels: 64, seed: null })).toThrow(/more than 1 mm each way/);
  const near = {
    ...setup,
    scene: { ...setup.scene, focal: addScaled(setup.scene.entry, scale(setup.scene.beam, 1), 50) },
  };
  expect(() => simulateRadiograph(near, ROOM_ONE, { pixels: 64, seed: null })).toThrow(
    /shorter than what lies in the ray/,
  );
});
