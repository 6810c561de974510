/**
 * Ordinary adult technique: what is taught for 24 exams, as a range of mAs at a kVp, SID and thickness. The demo rooms
 * must come out inside it, whether they go by the chart or by their measured beam; a room of a faster receptor in
 * proportion. The ranges belong to a receptor of the classes 500 behind a grid and 1000 without.
 */
import fc from 'fast-check';
import { indexPerMas, primaryTransmission, scatterToPrimary } from '../exposure/beamModel';
import { fitOutput } from '../exposure/calibrate';
import { gridLoss } from '../exposure/gridCutoff';
import { gridNeededBy } from '../exposure/gridNeed';
import { settleMas } from '../exposure/settleMas';
import { bearableKw } from '../exposure/tubeLoad';
import { projectionOf, projections } from '../projections/catalogue';
import { MOBILE_UNIT, ROOM_ONE, ROOM_TWO } from '../room/demoRooms';
import type { Room } from '../room/room';
import { aecCoverOf } from './technique/aecCover';
import { computeSetup } from './computeSetup';
import { EDGE_SHARE } from './technique/gridCheck';
import { techniqueCurveOf } from './technique/techniqueCurve';
import { chooseTechnique, type Conditions } from './technique/technique';

/** exam, entry, kVp, least and most mAs, SID in cm, thickness in cm, water-equivalent cm, scatter, taught target, mAs of an independent model */
type Row = [string, string, number, number, number, number, number, number, number, number, number];
const ROWS: Row[] = [
  ['Hand PA', 'hand-pa', 55, 2, 4, 102, 3, 3.9, 0.36, 1000, 1.9],
  ['Finger', 'finger-pa', 52, 1.5, 3, 102, 1.8, 2.3, 0.09, 1000, 1.9],
  ['Wrist PA', 'wrist-pa', 58, 2, 4, 102, 4, 5.2, 0.45, 1000, 2.1],
  ['Forearm AP', 'forearm-ap', 60, 3, 5, 102, 7, 8.5, 1.05, 1000, 3.1],
  ['Elbow AP', 'elbow-ap', 60, 3, 6, 102, 7.5, 9, 1.03, 1000, 3.5],
  ['Foot AP', 'foot-ap', 58, 3, 5, 102, 6, 7.8, 0.95, 1000, 3.2],
  ['Ankle AP', 'ankle-ap', 60, 3, 6, 102, 9, 10.8, 1.36, 1000, 4.8],
  ['Knee AP, grid', 'knee-ap', 66, 5, 10, 102, 12, 13.2, 1.88, 500, 8.6],
  ['Knee AP, table top', 'knee-ap', 64, 3, 6, 102, 11, 12.6, 1.78, 1000, 4.9],
  ['Femur AP', 'femur-ap-distal', 75, 8, 15, 102, 16, 17.6, 3.01, 500, 11.6],
  ['Shoulder AP', 'shoulder-ap-external', 75, 8, 16, 102, 14, 16.8, 2.88, 500, 9.8],
  ['Chest PA', 'chest-pa', 117, 2, 5, 183, 23, 12, 2, 500, 2.1],
  ['Chest lateral', 'chest-lateral', 120, 5, 12, 183, 32, 17.6, 3.37, 500, 5.4],
  ['Ribs AP upper', 'ribs-ap-upper', 75, 15, 30, 102, 23, 19.8, 3.95, 500, 17.2],
  ['Cervical AP', 'cervical-ap-axial', 75, 6, 12, 102, 12, 14.6, 2.16, 500, 6.4],
  ['Cervical lateral', 'cervical-lateral', 78, 10, 20, 183, 12, 13.4, 1.93, 500, 12.1],
  ['Thoracic AP', 'thoracic-ap', 78, 15, 30, 102, 23, 21.4, 3.92, 500, 20.5],
  ['Lumbar AP', 'lumbar-ap', 80, 20, 40, 102, 21, 22.7, 4.41, 500, 23],
  ['Lumbar lateral', 'lumbar-lateral', 90, 40, 80, 102, 31, 30.1, 6.22, 500, 54.7],
  ['Abdomen AP', 'abdomen-ap-supine', 80, 20, 40, 102, 21, 22.7, 4.75, 500, 22.3],
  ['Pelvis AP', 'pelvis-ap', 80, 15, 35, 102, 21, 22.1, 4.57, 500, 19.7],
  ['Hip AP', 'hip-ap', 80, 15, 30, 102, 19, 21.3, 3.96, 500, 17.6],
  ['Skull lateral', 'skull-lateral', 75, 8, 16, 102, 15, 16.8, 2.88, 500, 9.8],
  ['Skull PA', 'skull-pa', 80, 14, 25, 102, 19, 20.9, 3.87, 500, 16.3],
];
const withBasis = (room: Room, basis: 'chart' | 'model'): Room => ({
  ...room,
  generator: { ...room.generator, basis },
});
const conditions = ([, id, , , , sidCm, cm, , , target]: Row): Conditions => {
  const { chart } = projectionOf(id).exposure;
  return {
    thicknessMm: cm * 10,
    sidMm: sidCm * 10,
    gridRatio: target === 500 ? 10 : 0,
    fieldMm: chart.fieldMm,
    aecInHolder: target === 500,
    support: target === 1000 ? 'none' : sidCm > 150 ? 'wall' : 'table',
    gridLossAtCentre: 0,
    child: false,
    multipliers: [],
    cooperative: true,
  };
};

/** The ranges are told in round figures. */
const ROUND = 0.06;

describe.each([
  ['Room 1', ROOM_ONE],
  ['Room 2', ROOM_TWO],
  ['the mobile unit', MOBILE_UNIT],
])('ordinary adult technique in %s', (_, room) => {
  test.each(ROWS)('%s', (...row) => {
    const [, id, kVp, least, most, , , , , target] = row;
    for (const basis of ['chart', 'model'] as const) {
      const { wantedMas, inModel, targetIndex, start } = chooseTechnique(
        projectionOf(id),
        withBasis(room, basis),
        conditions(row),
        { kVp },
      );
      const asTaught = wantedMas * (target / targetIndex);
      expect({ inModel, start: start.basis }).toEqual({
        inModel: true,
        start: basis === 'chart' ? 'shipped chart' : 'measured beam',
      });
      expect(asTaught).toBeGreaterThan(least * (1 - ROUND));
      expect(asTaught).toBeLessThan(most * (1 + ROUND));
    }
  });
});

test.each(ROWS)('the model is the one that was published: %s', (...row) => {
  const [, , kVp, , , sidCm, cm, waterCm, scatter, target, asked] = row;
  // A square field that gives the scatter of the table.
  const side = -140 * Math.log(1 - scatter / (0.075 * waterCm ** 1.35));
  expect(scatterToPrimary(waterCm * 10, [side, side])).toBeCloseTo(scatter, 2);
  expect(primaryTransmission(kVp, waterCm * 10)).toBeGreaterThan(0);
  const perMas = indexPerMas({
    kVp,
    sidMm: sidCm * 10,
    thicknessMm: cm * 10,
    composition: waterCm / cm,
    fieldMm: [side, side],
    gridRatio: target === 500 ? 10 : 0,
    outputUGyPerMas: 80,
  });
  const support = target === 1000 ? 1 : sidCm > 150 ? 0.95 : 0.85;
  expect(Math.abs(target / (perMas * support) / asked - 1)).toBeLessThan(0.06);
});

test('every chart of the catalogue agrees with the published beam model', () => {
  const off = projections.flatMap(({ id, exposure: { chart, composition } }) => {
    const support = chart.gridRatio === 0 ? 1 : chart.sidMm > 1500 ? 0.95 : 0.85;
    const perMas = indexPerMas({ ...chart, composition, outputUGyPerMas: 80 });
    const ratio = (chart.mAs * perMas * support) / (chart.gridRatio > 0 ? 500 : 1000);
    return Math.abs(Math.log(ratio)) > Math.log(1.3) ? [`${id}: ${ratio.toFixed(2)}`] : [];
  });
  expect(off).toEqual([]);
});

describe('a technique of a whole set-up', () => {
  const adult = { ageYears: 40, sex: 'male' as const };
  const expected = (request: Parameters<typeof computeSetup>[0]) => computeSetup(request).exposure.wantedMas;

  test('rises with the thickness of the part', () => {
    fc.assert(
      fc.property(fc.integer({ min: 170, max: 240 }), fc.integer({ min: 3, max: 30 }), (mm, more) => {
        const at = (partThicknessMm: number) =>
          expected({ projectionId: 'abdomen-ap-supine', patient: { ...adult, partThicknessMm } });
        expect(at(mm + more)).toBeGreaterThan(at(mm));
      }),
      { numRuns: 25 },
    );
  });
  test('goes with the square of the SID', () => {
    const lines = [1000, 1150, 1300].map((sidMm) => {
      const { exposure } = computeSetup({
        projectionId: 'hand-pa',
        side: 'left',
        patient: adult,
        overrides: { sidMm, fieldMm: [180, 240] },
      });
      return [sidMm, exposure.factors.find(({ name }) => name === 'SID')!.factor];
    });
    for (const [sidMm, factor] of lines) expect(factor).toBeCloseTo((sidMm / lines[0][0]) ** 2 * lines[0][1], 6);
  });
  test('rises with the ratio of the grid', () => {
    const room = (ratio: number): Room => ({
      ...ROOM_ONE,
      holders: ROOM_ONE.holders.map((holder) =>
        holder.grid ? { ...holder, grid: { ...holder.grid, ratio } } : holder,
      ),
    });
    const byRatio = [5, 6, 8, 10, 12, 16].map((ratio) =>
      expected({ projectionId: 'pelvis-ap', patient: adult, room: room(ratio) }),
    );
    expect(byRatio).toEqual([...byRatio].sort((a, b) => a - b));
    expect(byRatio[0]).toBeGreaterThan(
      expected({ projectionId: 'pelvis-ap', patient: adult, overrides: { grid: false, kVp: 80 } }),
    );
  });
  test('start and factors come to what is wanted, whatever is set by hand', () => {
    const names = ['room', 'thickness', 'kVp', 'SID', 'grid', 'field'] as const;
    fc.assert(
      fc.property(
        fc.constantFrom('knee-ap', 'chest-pa', 'lumbar-lateral', 'pelvis-ap'),
        fc.constantFrom(...names),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (projectionId, name, factor) => {
          const request = { projectionId, side: 'left' as const, patient: adult };
          const plain = computeSetup(request).exposure;
          const pulled = computeSetup({ ...request, overrides: { factors: { [name]: factor } } }).exposure;
          expect(pulled.start.mAs * pulled.factors.reduce((all, each) => all * each.factor, 1)).toBeCloseTo(
            pulled.wantedMas,
            6,
          );
          const before = plain.factors.find((each) => each.name === name)!;
          expect(pulled.factors.find((each) => each.name === name)).toEqual({ name, factor, computed: before.factor });
          expect(pulled.wantedMas / plain.wantedMas).toBeCloseTo(factor / before.factor, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what a room says of itself', () => {
  const pelvis = { projectionId: 'pelvis-ap', patient: { ageYears: 40, sex: 'male' as const } };
  const roomOne = (generator: Partial<Room['generator']>): Room => ({
    ...ROOM_ONE,
    generator: { ...ROOM_ONE.generator, ...generator },
  });

  test('a row of its own chart comes before the shipped one, and the nearest thickness is taken', () => {
    const row = { projectionId: 'pelvis-ap', kVp: 75, sidMm: 1100, gridRatio: 10 };
    const { exposure } = computeSetup({
      ...pelvis,
      room: roomOne({
        chart: [
          { ...row, mAs: 90, thicknessMm: 300 },
          { ...row, mAs: 30, thicknessMm: 210 },
          { ...row, mAs: 4, thicknessMm: 210, gridRatio: 0 },
        ],
      }),
    });
    expect(exposure.kVp).toBe(75);
    expect(exposure.start).toMatchObject({ basis: 'room chart', mAs: 30, thicknessMm: 210 });
    expect(exposure.factors.map(({ name }) => name)).not.toContain('room');
  });
  test('a measured beam asks for less where the tube gives more', () => {
    const mas = (outputUGyPerMas: number) =>
      computeSetup({ ...pelvis, room: roomOne({ basis: 'model', outputUGyPerMas }) }).exposure.wantedMas;
    expect(mas(50) / mas(100)).toBeCloseTo(2, 6);
  });
  test('the demo room says of its output what its points say', () => {
    const { outputUGyPerMas, outputPower, points } = ROOM_ONE.generator;
    const fit = fitOutput(points!);
    expect(outputUGyPerMas).toBeCloseTo(fit.outputUGyPerMas, 0);
    expect(outputPower).toBeCloseTo(fit.power, 2);
    const dose = (room: Room) => computeSetup({ ...pelvis, room }).dose;
    expect(dose(ROOM_ONE).spread).toBeLessThan(dose(ROOM_TWO).spread);
    expect(computeSetup({ ...pelvis, room: ROOM_TWO }).assumptions.map(({ field }) => field)).toContain('room.output');
  });
  test('current, focal spot, cells and density by hand, within what the tube bears', () => {
    const by = (overrides: object) => computeSetup({ ...pelvis, overrides }).exposure;
    expect(by({ focalSpot: 'small' }).focalSpot).toBe('small');
    const { mA, timeMs, mAs } = by({ mA: 100 });
    expect({ mA, timeMs }).toEqual({ mA: 100, timeMs: Math.round(mAs * 10) });
    expect(by({ aecCells: 'centre' }).aec).toBe('centre');
    const darker = by({ aecDensity: 2 });
    expect(darker.factors.at(-1)).toEqual({ name: 'density', factor: 1.25 ** 2 });
    expect(darker.expected!.deviation).toBeGreaterThan(by({}).expected!.deviation + 1);
    const over = computeSetup({ ...pelvis, overrides: { focalSpot: 'small', mA: 1000 } });
    expect(over.feasible).toBe(false);
    expect(over.problems.find(({ code }) => code === 'tube-load')!.text).toMatch(/1000 mA .*32 kW, up to 200 mA/);
  });
  test('stations of time: the mAs is their product, and never more than the tube bears', () => {
    const timeStationsMs = [2, 5, 10, 20, 40, 80, 160, 320, 640, 1250];
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 300, noNaN: true }),
        fc.integer({ min: 50, max: 130 }),
        fc.integer({ min: 10, max: 80 }),
        (wantedMas, kVp, ratedKw) => {
          const load = { ratedKw, maStations: [50, 100, 200, 400] };
          const { mAs, current } = settleMas(kVp, wantedMas, { masStations: [1], timeStationsMs }, load);
          if (!current) return;
          expect(timeStationsMs).toContain(Math.round(current.timeMs));
          expect((current.mA * current.timeMs) / 1000).toBeCloseTo(mAs, 9);
          expect(current.loadShare).toBeLessThanOrEqual(1);
          expect((kVp * current.mA) / 1000).toBeLessThanOrEqual(bearableKw(ratedKw, current.timeMs) + 1e-9);
        },
      ),
    );
  });
});

describe('the grid of a set-up', () => {
  const pelvis = { projectionId: 'pelvis-ap', patient: { ageYears: 40, sex: 'male' as const } };
  const withGrid = (overrides: object) => computeSetup({ ...pelvis, overrides });
  test('off level and off centre take light, and the index follows; the mAs does not', () => {
    const straight = withGrid({});
    const off = withGrid({ gridLevelDeg: 2 });
    expect(off.image.grid!.offLevel).toBeCloseTo(10 * Math.tan((2 * Math.PI) / 180), 6);
    expect(off.exposure.mAs).toBe(straight.exposure.mAs);
    expect(off.exposure.expected!.index / straight.exposure.expected!.index).toBeCloseTo(
      (1 - off.image.grid!.centre) / (1 - straight.image.grid!.centre),
      6,
    );
    expect(off.problems.find(({ code }) => code === 'grid-cut-off')!.text).toMatch(/wrong cure/);
    expect(straight.problems.map(({ code }) => code)).not.toContain('grid-cut-off');
  });
  test('the two errors cancel where they must', () => {
    const { focusMm } = straightGrid();
    const { image } = withGrid({ gridLevelDeg: 1, gridCentreMm: -focusMm * Math.tan(Math.PI / 180) });
    expect(image.grid!.centre).toBeCloseTo(0, 6);
  });
  function straightGrid() {
    return withGrid({}).image.grid!;
  }
  test('along the strips the tube may lean as far as the distance allows, across them hardly', () => {
    const grid = straightGrid();
    expect(grid.strips).toBe('up');
    expect(grid.angleUpToDeg).toBeGreaterThan(15);
    // At that angle the edge loses what is still borne.
    const distanceMm = 1016 * Math.cos((grid.angleUpToDeg * Math.PI) / 180);
    if (grid.angleUpToDeg < ROOM_ONE.tube.maxAngleDeg)
      expect(gridLoss({ ...grid, offCentreMm: 0, tiltDeg: 0, distanceMm }).worseEdge).toBeCloseTo(EDGE_SHARE, 2);
  });
  test('a plate that lies crosswise turns strips that go with it', () => {
    const room: Room = {
      ...MOBILE_UNIT,
      holders: MOBILE_UNIT.holders.map((holder) =>
        holder.grid ? { ...holder, grid: { ...holder.grid, strips: 'plate' } } : holder,
      ),
    };
    const asked = { ...pelvis, room, situation: { place: 'bedside' as const, canStand: false } };
    const crosswise = computeSetup({ ...asked, overrides: { orientation: 'crosswise', angleDeg: 5, grid: true } });
    expect(crosswise.image.grid).toMatchObject({ strips: 'across', tiltDeg: 5 });
    const lengthwise = computeSetup({ ...asked, overrides: { orientation: 'lengthwise', angleDeg: 5, grid: true } });
    expect(lengthwise.image.grid).toMatchObject({ strips: 'up', tiltDeg: 0 });
    expect(crosswise.image.grid!.angleUpToDeg).toBeLessThan(3);
  });
});

test('a grid is wanted by thickness and kVp', () => {
  const expected = (thicknessMm: number, kVp: number, child = false) =>
    gridNeededBy(child, thicknessMm, kVp, thicknessMm, [300, 300]).wanted;
  expect([
    expected(30, 55),
    expected(95, 66),
    expected(40, 80),
    expected(90, 75),
    expected(100, 60),
    expected(210, 80),
    expected(110, 60, true),
    expected(120, 60, true),
  ]).toEqual([false, false, false, true, true, true, false, true]);
  expect(gridNeededBy(false, 200, 80, 200, [350, 430]).scatter).toBeCloseTo(4.01, 1);
});

test('cells beside the part end the exposure early, and that is said', () => {
  const hand = {
    projectionId: 'knee-ap',
    side: 'left' as const,
    patient: { ageYears: 6 },
    overrides: { grid: true, aecCells: 'outer' as const, fieldMm: [400, 400] as [number, number] },
  };
  const cover = aecCoverOf(computeSetup(hand), ROOM_ONE)!;
  expect(cover.cells.map(({ cell }) => cell.kind)).toEqual(['outer', 'outer']);
  expect(cover.shiftDi).toBeLessThan(-5);
  expect(cover.advice.join()).toMatch(/beside the part.*DI under/);
  const abdomen = computeSetup({ projectionId: 'abdomen-ap-supine', patient: { ageYears: 40 } });
  expect(aecCoverOf(abdomen, ROOM_ONE)).toMatchObject({ advice: [], shiftDi: expect.closeTo(0, 6) });
  expect(aecCoverOf(computeSetup({ projectionId: 'hand-pa', side: 'left' }), ROOM_ONE)).toBeNull();
});

test('the curve goes through this patient, rises, and holds the room’s rows', () => {
  const chart = [{ projectionId: 'pelvis-ap', kVp: 80, mAs: 18, sidMm: 1016, thicknessMm: 200, gridRatio: 10 }];
  const room: Room = { ...ROOM_ONE, generator: { ...ROOM_ONE.generator, chart } };
  const setup = computeSetup({ projectionId: 'pelvis-ap', patient: { ageYears: 40 }, room });
  const curve = techniqueCurveOf(setup, projectionOf('pelvis-ap'), room.generator)!;
  const mAs = curve.points.map((point) => point.mAs);
  expect(mAs).toEqual([...mAs].sort((a, b) => a - b));
  const middle = curve.points[(curve.points.length - 1) / 2];
  expect(middle.mAs).toBeCloseTo(curve.here.mAs, 6);
  // The row lies on the curve: it is what the technique started from.
  const at = (mm: number) => {
    const i = curve.points.findIndex(({ thicknessMm }) => thicknessMm > mm);
    const [a, b] = [curve.points[i - 1], curve.points[i]];
    const t = (mm - a.thicknessMm) / (b.thicknessMm - a.thicknessMm);
    return Math.exp(Math.log(a.mAs) * (1 - t) + Math.log(b.mAs) * t);
  };
  expect(curve.rows[0].mAs / at(200)).toBeCloseTo(1, 1);
  const heavy = computeSetup({ projectionId: 'lumbar-lateral', patient: { statureMm: 1700, massKg: 230 } });
  expect(techniqueCurveOf(heavy, projectionOf('lumbar-lateral'), ROOM_ONE.generator)).toBeNull();
});
