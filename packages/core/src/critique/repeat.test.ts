/** The numbers of a repeat put right what was wrong: by the same rays. */
import { projections } from '../projections/catalogue';
import { dot, type Vec3 } from '../geometry/vector';
import { toDegrees } from '../quantity/angle';
import { inPart } from './directions';
import { misplace, NO_POSITIONING_ERROR } from '../radiograph/positioningError';
import { computeSetup } from '../setup/computeSetup';
import type { Situation } from '../setup/request';
import { correctFault, measuredFaults, rangeOf, staysAsItLies } from './correctFault';
import { withMotion } from './measure';
import { edgeNames, repeatFor, type Seen } from './repeat';

const CHEST = { projectionId: 'chest-pa' } as const;
const chest = computeSetup(CHEST);
const ask = (seen: Seen, cure?: Parameters<typeof repeatFor>[4]['cure']) =>
  repeatFor('chest-pa', chest, {}, seen, { unit: 'cm', cure });

test('clipped at an edge: set again as told, or this body wants another aim, which is then carried', () => {
  const seen: Seen = { what: 'clipped', edge: 'up', mm: 20 };
  expect(ask(seen)).toMatchObject({ cure: 'again', cures: ['again', 'aim'], overrides: {} });
  const aim = ask(seen, 'aim');
  const [along, across] = aim.overrides.aimMm!;
  expect(across).toBe(0);
  expect(along).toBeGreaterThan(20);
  expect(along).toBeLessThan(31);
  expect(aim.text).toMatch(/further cephalad than before$/);
  const again = computeSetup({ ...CHEST, overrides: aim.overrides });
  expect(again.centre.text).toMatch(/superior: your own centring$/);
});

test('an aim is carried on from the one that was pulled before', () => {
  const pulled = { aimMm: [10, -5] as [number, number] };
  const setup = computeSetup({ ...CHEST, overrides: pulled });
  const { overrides } = repeatFor(
    'chest-pa',
    setup,
    pulled,
    { what: 'clipped', edge: 'left', mm: 10 },
    { unit: 'in', cure: 'aim' },
  );
  expect(overrides.aimMm![0]).toBe(10);
  expect(overrides.aimMm![1]).toBeLessThan(-20);
});

test.each(['chest-pa', 'knee-ap', 'lumbar-lateral', 'wrist-pa'])(
  '%s off centre: with the aim of the repeat the part lies in the middle again',
  (projectionId) => {
    const entry = projections.find(({ id }) => id === projectionId)!;
    const request = { projectionId, side: entry.sided === 'each' ? ('left' as const) : undefined };
    const setup = computeSetup(request);
    for (const [id, motion] of [
      ['centre-along', 'alongMm'],
      ['centre-across', 'acrossMm'],
    ] as const) {
      const fault = measuredFaults(setup).find((each) => each.id === id)!;
      const value = fault.measure(misplace(setup, { ...NO_POSITIONING_ERROR, [motion]: 12 }));
      const { overrides } = repeatFor(
        projectionId,
        setup,
        {},
        { what: 'measured', id, value },
        { unit: 'cm', cure: 'aim' },
      );
      const repeated = misplace(computeSetup({ ...request, overrides }), { ...NO_POSITIONING_ERROR, [motion]: 12 });
      const aimedSo = measuredFaults(setup).find((each) => each.id === id)!;
      expect(Math.abs(aimedSo.measure(repeated) - fault.target)).toBeLessThan(3);
    }
  },
);

test('tilted: the part, or the tube by as much where the part cannot; the ray meets it as it should again', () => {
  let checked = 0;
  for (const entry of projections) {
    const request = { projectionId: entry.id, side: entry.sided === 'each' ? ('right' as const) : undefined };
    const setup = computeSetup(request);
    if (!setup.feasible) continue;
    for (const fault of measuredFaults(setup)) {
      if (fault.about !== 'tiltDeg') continue;
      const faulty = fault.measure(withMotion(setup, 'tiltDeg', 6));
      const [low, high] = rangeOf(setup, fault);
      if (faulty < low || faulty > high || Math.abs(faulty - fault.target) < fault.tolerance) continue;
      const seen: Seen = { what: 'measured', id: fault.id, value: faulty };
      const { cures, ...byPart } = repeatFor(entry, setup, {}, seen, { unit: 'in' });
      expect(byPart).toMatchObject({ cure: 'part', overrides: {} });
      // Further than a tube tilts, nobody sends it.
      if (!cures.includes('tube')) continue;
      const { overrides } = repeatFor(entry, setup, {}, seen, { unit: 'in', cure: 'tube' });
      const again = withMotion(computeSetup({ ...request, overrides }), 'tiltDeg', 6);
      // The part keeps its tilt, and the ray meets it as it should: what is measured may be stretched on the receptor.
      const [before, meant, now] = [withMotion(setup, 'tiltDeg', 6), setup, again].map(
        (each) => inPart(each, each.scene.beam).d,
      );
      const offDeg = (d: Vec3) => toDegrees(Math.acos(Math.min(1, dot(d, meant!))));
      expect(offDeg(before!)).toBeGreaterThan(4);
      expect([entry.id, fault.id, offDeg(now!) < 1.5]).toEqual([entry.id, fault.id, true]);
      checked += 1;
    }
  }
  expect(checked).toBeGreaterThan(10);
});

test('rotated: told in degrees for the part, and no number is pulled', () => {
  const fault = measuredFaults(chest).find(({ about }) => about === 'rollDeg')!;
  const value = fault.measure(withMotion(chest, 'rollDeg', 7));
  expect(ask({ what: 'measured', id: fault.id, value })).toMatchObject({
    cure: 'part',
    overrides: {},
    text: expect.stringMatching(/^Rotate the part 7°: /),
  });
});

test('the index: the mAs that would have been right, by hand where the AEC ended wrong', () => {
  const { mAs, targetIndex } = chest.exposure;
  const half = ask({ what: 'index', index: targetIndex / 2 });
  expect(half.overrides.mAs! / mAs).toBeCloseTo(2, 1);
  expect(half.overrides.aecCells).toBe('none');
  expect(half.cause).toMatch(/DI −3\.0$/);
  const again = computeSetup({ ...CHEST, overrides: half.overrides });
  expect(again.exposure.aec).toBe('none');
  expect(again.exposure.mAs).toBeCloseTo(half.overrides.mAs!, 1);
});

test('moved: the words are practised; where a larger focal spot shortens the time, it is set', () => {
  const wrist = computeSetup({ projectionId: 'wrist-pa', side: 'left' });
  const { overrides } = repeatFor('wrist-pa', wrist, {}, { what: 'moved' }, { unit: 'in' });
  expect(overrides).toEqual({ focalSpot: 'large' });
  const again = computeSetup({ projectionId: 'wrist-pa', side: 'left', overrides });
  expect(again.exposure.timeMs).toBeLessThanOrEqual(wrist.exposure.timeMs);
  expect(ask({ what: 'moved' }).text).toMatch(/^Practise it first: “Breathe in\./);
});

test('edges are named on the part', () => {
  expect(edgeNames(chest)).toMatchObject({ up: 'head end', down: 'foot end' });
  expect(edgeNames(computeSetup({ projectionId: 'knee-ap', side: 'left' }))).toMatchObject({ up: 'proximal end' });
});

test('where the part must stay nobody is told to move it: over the catalogue, every measured fault', () => {
  const KEPT: Partial<Situation>[] = [
    { spineNotCleared: true },
    { fractureSuspected: true },
    { keepStill: ['right arm', 'right leg', 'neck', 'hip', 'pelvis'] },
    { worn: ['traction', 'collar'] },
  ];
  let checked = 0;
  for (const entry of projections)
    for (const situation of KEPT) {
      const setup = computeSetup({
        projectionId: entry.id,
        side: entry.sided === 'each' ? 'right' : undefined,
        situation,
      });
      if (!setup.feasible || !staysAsItLies(setup)) continue;
      for (const fault of measuredFaults(setup)) {
        const value = fault.measure(withMotion(setup, fault.about, fault.unit === '°' ? 8 : 6));
        const [low, high] = rangeOf(setup, fault);
        if (value < low || value > high) continue;
        const seen: Seen = { what: 'measured', id: fault.id, value };
        const { cures, text } = repeatFor(entry, setup, {}, seen, { unit: 'in' });
        expect([entry.id, fault.id, cures.includes('part')]).toEqual([entry.id, fault.id, false]);
        for (const said of [text, correctFault(entry, fault.id, value, setup).text])
          expect([entry.id, /^(Rotate|Tilt|Align) the part|or the part as much/.exec(said)]).toEqual([entry.id, null]);
        checked += 1;
      }
    }
  expect(checked).toBeGreaterThan(400);
});
