import fc from 'fast-check';
import { calibrationSchema, heightOf, scaleOf, type Calibration } from './calibration';
import { differenceOf, figureOf, figureText, measuredTable, measureSchema, USUAL_DOUBT, type Measure } from './figures';

const SID = 1000;
const of = (kind: Measure['kind'], ...points: [number, number][]) => ({ kind, points });
const whole = { factor: 1, spread: 0 };

test('a part at half way is twice as large on the receptor, and is measured as it is', () => {
  const scale = scaleOf({ by: 'magnification', magnification: 2, sidMm: SID });
  expect(figureOf(of('distance', [0, 0], [80, 0]), scale)!.value).toBe(40);
  expect(scale.spread).toBeCloseTo(0.02, 5);
  expect(heightOf(2, SID)).toBe(SID / 2);
});

test('an object of known size serves at its own height: a sphere on the table top for a hip above it', () => {
  // 25 mm at 60 mm over the receptor, the hip at 140 mm: by similar triangles, not by its size on the picture alone.
  const object = {
    by: 'object',
    trueMm: 25,
    readMm: (25 * SID) / (SID - 60),
    sidMm: SID,
    objectHeightMm: 60,
    partHeightMm: 140,
  } as const;
  const hip = 50;
  const shadow = (hip * SID) / (SID - 140);
  expect(figureOf(of('distance', [0, 0], [shadow, 0]), scaleOf(object))!.value).toBeCloseTo(hip, 6);
  const wrong = figureOf(of('distance', [0, 0], [shadow, 0]), scaleOf({ ...object, partHeightMm: 60 }))!;
  expect(wrong.value / hip).toBeCloseTo(940 / 860, 6);
});

test('calibrations agree with each other for any part and object', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 400 }),
      fc.integer({ min: 0, max: 400 }),
      fc.integer({ min: 5, max: 200 }),
      (part, object, trueMm) => {
        const by: Calibration = {
          ...{ by: 'object', trueMm, readMm: (trueMm * SID) / (SID - object), sidMm: SID },
          ...{ objectHeightMm: object, partHeightMm: part },
        };
        const known: Calibration = { by: 'magnification', magnification: SID / (SID - part), sidMm: SID };
        expect(scaleOf(by).factor).toBeCloseTo(scaleOf(known).factor, 6);
      },
    ),
  );
});

test('what cannot be is refused in words', () => {
  expect(() =>
    scaleOf({ by: 'object', trueMm: 25, readMm: 26, sidMm: 400, objectHeightMm: 380, partHeightMm: 10 }),
  ).toThrow(/well below the tube/);
  expect(
    calibrationSchema.safeParse({ by: 'magnification', magnification: 0.5, sidMm: SID }).error!.issues[0]!.message,
  ).toBe('Magnification must be 1 to 5');
  expect(measureSchema.safeParse({ id: 'a', name: 'Gap', kind: 'distance', points: [[0, 0]] }).success).toBe(false);
});

test('angles: between limbs, and between lines whichever way they were drawn', () => {
  expect(figureOf(of('angle', [10, 0], [0, 0], [0, 10]), null)!.value).toBeCloseTo(90, 9);
  const curve = figureOf(of('lines', [0, 0], [100, 20], [0, 50], [100, 30]), null)!;
  const backwards = figureOf(of('lines', [0, 0], [100, 20], [100, 30], [0, 50]), null)!;
  expect(curve.value).toBeCloseTo(2 * 11.31, 2);
  expect(backwards.value).toBeCloseTo(curve.value, 9);
  // A short line is set with more doubt.
  const short = figureOf(of('lines', [0, 0], [10, 2], [0, 50], [10, 48]), null)!;
  expect(short.within).toBeGreaterThan(3 * curve.within);
});

test('an opening is the mean of its two ends; a leg is the sum of thigh and leg', () => {
  expect(figureOf(of('opening', [0, 0], [50, 0], [0, 4], [50, 8]), whole)!.value).toBe(6);
  expect(figureOf(of('length', [0, 0], [0, 400], [30, 760]), whole)!.value).toBeCloseTo(400 + Math.hypot(30, 360), 9);
});

test('no scale, no length; points missing, no figure', () => {
  expect(figureOf(of('distance', [0, 0], [3, 4]), null)).toBeNull();
  expect(figureOf(of('distance', [0, 0]), whole)).toBeNull();
  expect(figureOf(of('opening', [0, 0], [1, 0], [0, 1]), whole)).toBeNull();
});

test('doubt grows with the scale, the points and the rotation, and a difference has that of both', () => {
  const measure = of('distance', [0, 0], [100, 0]);
  const by = (spread: number, doubt = USUAL_DOUBT) => figureOf(measure, { factor: 1, spread }, doubt)!.within;
  expect(by(0, { pointMm: 0, rotatedDeg: 0 })).toBe(0);
  expect(by(0.02, { pointMm: 0, rotatedDeg: 0 })).toBeCloseTo(2, 9);
  expect(by(0, { pointMm: 0, rotatedDeg: 10 })).toBeCloseTo(1.52, 2);
  expect(by(0.02)).toBeGreaterThan(2);
  const [left, right] = [figureOf(measure, whole)!, figureOf(of('distance', [0, 0], [94, 0]), whole)!];
  const off = differenceOf(left, right)!;
  expect(off.value).toBe(6);
  expect(off.within).toBeCloseTo(Math.hypot(left.within, right.within), 9);
  expect(differenceOf(left, figureOf(of('angle', [1, 0], [0, 0], [0, 1]), null))).toBeNull();
  expect(figureText({ value: 12.34, unit: 'mm', within: 1.2 })).toBe('12.3 ± 1.2 mm');
});

test('the table holds every figure, and nothing in it becomes a formula', () => {
  const measure: Measure = {
    id: 'a',
    name: '=SUM(A1), "gap"',
    kind: 'distance',
    points: [
      [0, 0],
      [3, 4],
    ],
  };
  const table = measuredTable([
    {
      exam: 'Knee',
      view: 'Knee, AP',
      side: 'left',
      calibration: 'magnification 1.25',
      measure,
      figure: figureOf(measure, whole),
    },
  ]);
  expect(table.split('\r\n')[1]).toBe(
    `Knee,"Knee, AP",left,"'=SUM(A1), ""gap""",distance,5.00,mm,${figureOf(measure, whole)!.within.toFixed(2)},magnification 1.25,0.0 0.0; 3.0 4.0`,
  );
});
