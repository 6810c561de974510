/** Faults made on purpose, measured, corrected, and the correction held against the same rays. */
import type { Solid } from '../body/surface';
import { projections, projectionOf } from '../projections/catalogue';
import { exams } from '../projections/exams';
import { prepareRadiograph } from '../radiograph/simulateRadiograph';
import { misplace, NO_POSITIONING_ERROR } from '../radiograph/positioningError';
import { computeSetup } from '../setup/computeSetup';
import { correctFault, faultFor, measuredFaults, namedFaults, rangeOf, usualSetup } from './correctFault';
import { measureCriteria } from './criteria';
import { edgesOf, leverOf, magnificationIn, markIn, measureSign, withMotion } from './measure';
import { signOf } from './signs';

const OFF = { rollDeg: 6, tiltDeg: 6, turnDeg: 7, alongMm: 40, acrossMm: 30 };

describe.each(projections.map(({ id }) => id))('%s', (id) => {
  const ideal = usualSetup(id);
  const faults = measuredFaults(ideal);

  test('what it is judged by can be measured on a median adult, and each fault by something that it has', () => {
    const { signs, faults: named, positions } = projectionOf(id);
    expect(positions.length).toBeGreaterThan(0);
    const measured = faults.map((fault) => fault.id);
    expect(measured).toEqual([...signs, 'centre-along', 'centre-across', 'crooked']);
    const by = named.flatMap(({ measuredBy }) => measuredBy ?? []);
    expect(by.filter((each) => !measured.includes(each))).toEqual([]);
    expect(namedFaults({ faults: named }, faults)).toHaveLength(by.length);
  });

  test('as it should lie nothing is wrong, and the words say which way', () => {
    for (const fault of faults) {
      expect(fault.measure(ideal)).toBeCloseTo(fault.target, 9);
      expect(fault.more).not.toBe(fault.less);
      expect(correctFault(id, fault.id, fault.target, ideal)).toMatchObject({ text: 'Nothing to correct' });
    }
  });

  test('every fault that can be measured is corrected by what its size says, both ways', () => {
    expect(faults.length).toBeGreaterThanOrEqual(3);
    let corrected = 0;
    for (const fault of faults)
      for (const sense of [1, -1]) {
        const faulty = withMotion(ideal, fault.about, sense * OFF[fault.about]);
        const seen = fault.measure(faulty);
        const [low, high] = rangeOf(ideal, fault);
        if (seen <= low || seen >= high) continue;
        expect(Math.abs(seen - fault.target)).toBeGreaterThan(fault.tolerance);
        const { amount, about, proof, text } = correctFault(id, fault.id, seen, ideal);
        expect(about).toBe(fault.about);
        // The correction done on the faulty part, not on what was worked out from it.
        const putRight = withMotion(ideal, about, sense * OFF[about] + amount);
        expect(Math.abs(fault.measure(putRight) - fault.target)).toBeLessThanOrEqual(fault.tolerance);
        expect(proof.passes).toBe(true);
        expect(text).toMatch(/^(Rotate|Tilt|Align|Move)/);
        corrected += 1;
      }
    // Some can be measured to one side alone; none in neither.
    expect(corrected).toBeGreaterThanOrEqual(faults.length);
  });
});

test('every projection that exams are made of has two faults or more that are measured beside its centring', () => {
  const common = [...new Set(exams.flatMap(({ projections: ids }) => ids))];
  expect(common.length).toBeGreaterThan(60);
  const beside = (id: string) =>
    measuredFaults(usualSetup(id)).filter((fault) => !fault.id.startsWith('centre-')).length;
  // Parts without a pair of marks that a turn moves apart: only where and how straight they lie is measured.
  const plain = (id: string) => projectionOf(id).signs.length === 0;
  expect(common.filter((id) => beside(id) < (plain(id) ? 1 : 2))).toEqual([]);
  expect(projections.filter(({ id }) => plain(id)).length).toBeLessThanOrEqual(17);
});

test('an entry’s own fault is corrected by its name; what cannot be measured says what can', () => {
  const ideal = usualSetup('skull-pa');
  const named = namedFaults(projectionOf('skull-pa'), measuredFaults(ideal));
  expect(named.map(({ id }) => id)).toEqual(expect.arrayContaining(['rotated', 'tilted', 'petrous']));
  const { target } = faultFor(measuredFaults(ideal), projectionOf('skull-pa'), 'petrous')!;
  expect(correctFault('skull-pa', 'petrous', target + 8).text).toMatch(/chin (up|down)/);
  expect(() => correctFault('skull-pa', 'no-such', 3)).toThrow(/these can: orbits/);
  expect(() => correctFault('skull-pa', 'rotated', 4000)).toThrow(/can come of it alone, got 4000/);
  expect(() => correctFault('skull-pa', 'rotated', NaN)).toThrow(RangeError);
});

test('a chin that is up on the front view is told to go down', () => {
  const ideal = usualSetup('skull-pa');
  const petrous = faultFor(measuredFaults(ideal), projectionOf('skull-pa'), 'petrous')!;
  // Tilting the head end away from the receptor, face down on it, raises the chin toward the receptor's lower edge.
  const faulty = withMotion(ideal, 'tiltDeg', 8);
  const chin = (setup: typeof ideal) => markIn(setup, 'menton')[2] - markIn(setup, 'inion')[2];
  const { text } = correctFault('skull-pa', 'petrous', petrous.measure(faulty), ideal);
  expect(text).toContain(chin(faulty) > chin(ideal) ? 'chin down' : 'chin up');
});

test('rotation from superimposition: the figures of the formula', () => {
  const ideal = usualSetup('knee-lateral');
  const sign = signOf('condyles');
  const lever = leverOf(ideal, sign);
  expect(lever).toBeGreaterThan(40);
  expect(lever).toBeLessThan(52);
  const m = magnificationIn(ideal);
  const e = measureSign(withMotion(ideal, 'rollDeg', 6), sign) - measureSign(ideal, sign);
  expect(Math.abs(e)).toBeCloseTo(m * lever * Math.sin((6 * Math.PI) / 180), 0);
  expect(correctFault('knee-lateral', 'condyles', measureSign(ideal, sign) + e, ideal)).toMatchObject({
    amount: -6,
    formula: expect.stringContaining('asin('),
  });
});

test('what the scene measures is what the picture shows: two beads on the condyles of a rolled knee', () => {
  const rolled = withMotion(usualSetup('knee-lateral'), 'rollDeg', 9);
  const sign = signOf('condyles');
  const pixels = 500;
  const clear = prepareRadiograph(rolled, { pixels, seed: null });
  const bare = clear.castRows(0, clear.picture.rows).through;
  const columns = sign.marks.map((mark) => {
    const bead: Solid = {
      shape: {
        kind: 'ellipsoid',
        c: markIn(rolled, mark),
        axes: [
          [1.5, 0, 0],
          [0, 1.5, 0],
          [0, 0, 1.5],
        ],
      },
      material: 'lead',
      priority: 1000,
    };
    const { picture, castRows } = prepareRadiograph(rolled, { pixels, seed: null, extras: [bead] });
    const { through } = castRows(0, picture.rows);
    let [sum, at] = [0, 0];
    through.forEach((value, i) => {
      const gone = bare[i] > 0 ? 1 - value / bare[i] : 0;
      if (gone < 0.3) return;
      sum += gone;
      at += gone * (i % picture.columns);
    });
    return at / sum;
  });
  const apart = (columns[0] - columns[1]) * clear.picture.pixelMm;
  expect(apart).toBeCloseTo(measureSign(rolled, sign), 0);
});

test('criteria on the scene: apices cut by what the light was moved, and a turn fails its own sign only', () => {
  const ideal = usualSetup('chest-pa');
  expect(measureCriteria(ideal, ideal).every(({ passes }) => passes)).toBe(true);
  const low = misplace(ideal, { ...NO_POSITIONING_ERROR, alongMm: 60 });
  const apices = measureCriteria(ideal, low).find(({ name }) => name === 'apices')!;
  expect(apices.passes).toBe(false);
  expect(apices.value).toBeCloseTo(edgesOf(ideal).find(({ name }) => name === 'apices')!.insideMm - 60, 0);
  const turned = measureCriteria(ideal, misplace(ideal, { ...NO_POSITIONING_ERROR, rollDeg: 5 }));
  expect(turned.filter(({ passes }) => !passes).map(({ id }) => id)).toEqual(['clavicle-ends']);
});

test('a small field cuts what the full one shows', () => {
  const request = { projectionId: 'pelvis-ap', overrides: { fieldMm: [200, 200] as [number, number] } };
  const small = computeSetup(request);
  expect(edgesOf(small).some(({ insideMm }) => insideMm < 0)).toBe(true);
  expect(() => misplace(small, { ...NO_POSITIONING_ERROR, rollDeg: 200 })).toThrow(
    /rollDeg must be -60 to 60, got 200/,
  );
});
