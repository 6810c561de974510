/** One verdict: weights, stress and bending, parts that stay, copies of entries, and what is told where it is barred. */
import fc from 'fast-check';
import { findOtherWays, whyForbidden } from '../../adapt/findOtherWays';
import { eachSide } from '../../body/joints';
import { measuredFaults } from '../../critique/correctFault';
import { measureCriteria } from '../../critique/criteria';
import { aftercareFor } from '../../exam/aftercare';
import { questionsFor } from '../../exam/questions';
import { patientSolids } from '../../radiograph/bodySolids';
import { withDefaults } from '../../room/houseRules';
import { constraintsOf } from '../../series/constraints';
import { planSeries } from '../../series/planSeries';
import { summarizeSeries } from '../../series/bringList';
import { projectionOf, projections } from '../../projections/catalogue';
import { expectSame } from '../../testing/same';
import type { Projection } from '../../projections/schema';
import { computeSetup } from '../computeSetup';
import { situationFor, type SetupRequest, type Situation } from '../request';
import type { Setup } from '../setup';

const patient = { ageYears: 40, sex: 'female' } as const;
const sideOf = ({ sided }: Projection) => (sided === 'each' ? ('left' as const) : undefined);
const ask = (entry: Projection, situation: Partial<Situation>, own?: Projection): SetupRequest => ({
  projectionId: (own ?? entry).id,
  own,
  side: sideOf(entry),
  patient,
  situation,
});
const demanding = (demand: string) => projections.filter(({ demands }) => demands?.includes(demand as never));

const HURT: Partial<Situation>[] = [
  { fractureSuspected: true },
  { suspected: ['dislocation'] },
  { suspected: ['hip fracture'] },
  { spineNotCleared: true },
];

describe('weights, stress and bending', () => {
  const dangerous = ['weights', 'stress', 'bent-neck', 'bent-trunk'].flatMap(demanding);
  test('there are such views', () => expect(dangerous.length).toBeGreaterThanOrEqual(11));
  test.each(dangerous.map((entry) => [entry.id, entry] as const))('%s is not feasible anywhere', (_, entry) => {
    for (const situation of HURT) {
      const request = ask(entry, situation);
      const setup = computeSetup(request);
      expect(setup.feasible).toBe(false);
      expect(setup.problems.map(({ code }) => code)).toContain('forbidden');
      expect(whyForbidden(request)).not.toBeNull();
      expect(findOtherWays(request).every((found) => found.setup.projectionId !== entry.id)).toBe(true);
      const plan = planSeries({ items: [{ projectionId: entry.id, side: request.side }], patient, situation });
      expect(plan.barred).toHaveLength(1);
      // Nothing of what is barred is told as a thing to do, or to bring.
      expect(setup.prepare).toEqual([]);
      expect([setup.steps, setup.schools]).toEqual([[], []]);
      expect(setup.position.part).toEqual([]);
      expect(summarizeSeries([setup])).toMatchObject({ bring: [], blocked: [setup.name] });
    }
    expect(whyForbidden(ask(entry, {}))).toBeNull();
    expect(computeSetup(ask(entry, {})).feasible).toBe(true);
  });
  test('a demand in a found way of another kind: a weights view is not taken lying', () => {
    for (const { setup } of findOtherWays(ask(projectionOf('acromioclavicular-ap-weights'), { canStand: false })))
      expect(setup.projectionId).not.toBe('acromioclavicular-ap-weights');
  });
});

describe('a copy of an entry has the verdict of the original', () => {
  /** Under an id and a name that say nothing. */
  const copyOf = (entry: Projection): Projection => ({
    ...entry,
    id: `own-${projections.indexOf(entry)}`,
    name: 'Ours',
  });
  test.each(projections.map((entry) => [entry.id, entry] as const))('%s', (_, entry) => {
    const copy = copyOf(entry);
    for (const situation of [
      ...HURT,
      { keepStill: ['left leg'] },
      { worn: ['collar'] },
      { canStand: false },
    ] as Partial<Situation>[]) {
      expect(whyForbidden(ask(entry, situation, copy))).toEqual(whyForbidden(ask(entry, situation)));
      const codes = (own?: Projection) => computeSetup(ask(entry, situation, own)).problems.map(({ code }) => code);
      expect(codes(copy)).toEqual(codes());
    }
  });
  /** Everything but what it is called. */
  const unnamed = ({ projectionId: _, name: __, problems, ...rest }: Setup) => ({
    ...rest,
    problems: problems.map(({ code }) => code),
  });
  test.each(projections.map((entry) => [entry.id, entry] as const))(
    'and is set up, judged, ordered and replaced as it: %s',
    (_, entry) => {
      const copy = copyOf(entry);
      const setups = [computeSetup(ask(entry, {})), computeSetup(ask(entry, {}, copy))];
      expectSame(unnamed(setups[1]), unnamed(setups[0]));
      const [was, is] = setups.map((setup) => measuredFaults(setup).map(({ measure: __, ...fault }) => fault));
      expectSame(is, was);
      expectSame(measureCriteria(setups[1], setups[1]), measureCriteria(setups[0], setups[0]));
      const rules = withDefaults({ upperGiOrder: 'supine' });
      const order = (one: Projection) => {
        const others = projections.filter(({ id }) => id !== entry.id);
        const situation = situationFor(40, { spineNotCleared: true });
        // Against each other view alone, before and after.
        return others.map((other) => constraintsOf([one, other], situation, rules).map((each) => ({ ...each })));
      };
      expectSame(order(copy), order(entry));
      expect(questionsFor([copy], patient)).toEqual(questionsFor([entry], patient));
      expect(aftercareFor([copy])).toEqual(aftercareFor([entry]));
      expectSame(
        patientSolids(setups[1]).map(({ material }) => material),
        patientSolids(setups[0]).map(({ material }) => material),
      );
      const found = (own?: Projection) =>
        findOtherWays(ask(entry, { canStand: false, canTurn: 'none' }, own)).map(
          ({ request, points, costs, setup }) => ({
            points,
            costs: costs.map(({ id }) => id),
            way: request.way,
            other: request.projectionId === (own ?? entry).id ? null : request.projectionId,
            setup: request.projectionId === (own ?? entry).id ? unnamed(setup) : null,
          }),
        );
      expectSame(found(copy), found());
    },
  );
});

describe('what must stay, stays', () => {
  const suffix = (side: 'left' | 'right') => (side === 'left' ? 'L' : 'R');
  test('property: kept limbs, collar, traction, board and the side of a turn, in Set up and in found ways', () => {
    let feasible = 0;
    const situations = fc.record({
      keepStill: fc.subarray(['left leg', 'right leg', 'left arm', 'right arm', 'neck', 'hip'] as const, {
        maxLength: 2,
      }),
      worn: fc.subarray(['collar', 'board', 'traction'] as const, { maxLength: 1 }),
      canTurn: fc.constantFrom('both', 'left', 'right', 'none'),
      canStand: fc.boolean(),
      fractureSuspected: fc.boolean(),
      place: fc.constantFrom('room', 'bedside', 'chair'),
    });
    fc.assert(
      fc.property(fc.constantFrom(...projections), situations, fc.constantFrom('left', 'right'), (entry, raw, side) => {
        const situation = raw as Partial<Situation>;
        const request = { ...ask(entry, situation), side: entry.sided === 'each' ? side : undefined } as SetupRequest;
        const setups = [computeSetup(request), ...findOtherWays(request).map(({ setup }) => setup)];
        for (const setup of setups.filter((each) => each.feasible)) {
          feasible += 1;
          const pose = eachSide(setup.scene.pose);
          const at = (motion: string) => pose.get(motion as never) ?? 0;
          const { body } = setup.position;
          const kept = situation.keepStill ?? [];
          const tied = situation.worn ?? [];
          if (tied.includes('board')) expect(body).toBe('supine');
          if (tied.includes('traction')) expect(['supine', 'semi-erect']).toContain(body);
          if (tied.includes('collar') || kept.includes('neck')) {
            expect(['prone', 'lateral-recumbent', 'sims', 'kneeling']).not.toContain(body);
            for (const motion of ['neckExtension', 'headExtension', 'neckRotation', 'headRotation'])
              expect([setup.projectionId, motion, Math.abs(at(motion)) <= 5.001]).toEqual([
                setup.projectionId,
                motion,
                true,
              ]);
          }
          for (const leg of ['left', 'right'] as const) {
            if (!kept.includes(`${leg} leg`) && !tied.includes('traction')) continue;
            expect(['upright', 'kneeling', 'prone', 'lateral-recumbent']).not.toContain(body);
            expect(at(`hipMedialRotation_${suffix(leg)}`)).toBeLessThanOrEqual(10.001);
            expect(at(`hipAbduction_${suffix(leg)}`)).toBeLessThanOrEqual(25.001);
            if (situation.place !== 'chair') expect(at(`kneeFlexion_${suffix(leg)}`)).toBeLessThanOrEqual(30.001);
          }
          for (const arm of ['left', 'right'] as const)
            if (kept.includes(`${arm} arm`))
              expect(
                Math.max(at(`shoulderFlexion_${suffix(arm)}`), at(`shoulderAbduction_${suffix(arm)}`)),
              ).toBeLessThanOrEqual(70.001);
          // A lying patient is turned only to the side to which they can: their left points down on the left side.
          const leftDown = -setup.scene.place[2];
          const lies = ['supine', 'prone', 'lateral-recumbent'].includes(body);
          if (lies && Math.abs(leftDown) > Math.sin((10 * Math.PI) / 180)) {
            const to = leftDown > 0 ? 'left' : 'right';
            expect([setup.projectionId, body, situation.canTurn === 'both' || situation.canTurn === to]).toEqual([
              setup.projectionId,
              body,
              true,
            ]);
          }
        }
      }),
      { numRuns: 250 },
    );
    expect(feasible).toBeGreaterThan(300);
  });

  test('a fracture spares the limb: nothing bends or loads it for nothing, and what spares it comes first', () => {
    const limbs = projections.filter(
      ({ sided, region }) => sided === 'each' && /hand|arm|shoulder|foot|leg|hip/.test(region),
    );
    let found = 0;
    for (const entry of limbs) {
      const [first] = findOtherWays(ask(entry, { fractureSuspected: true }));
      if (!first) continue;
      found += 1;
      const posing = first.costs.find(({ id }) => id === 'posing');
      const lies = first.request.way?.asItLies ?? false;
      // The own way comes first only where it leaves the limb as it lies, or says what the posing costs.
      if (!lies && first.points === 0) {
        const pose = eachSide(first.setup.scene.pose);
        for (const motion of ['kneeFlexion_L', 'hipFlexion_L', 'hipAbduction_L', 'shoulderAbduction_L'] as const)
          expect([entry.id, motion, Math.abs(pose.get(motion) ?? 0) <= 32]).toEqual([entry.id, motion, true]);
      }
      expect(['lateral-recumbent', 'prone'].includes(first.setup.position.body) && /foot|leg/.test(entry.region)).toBe(
        false,
      );
      if (posing) expect(posing.points).toBeGreaterThanOrEqual(14);
    }
    expect(found).toBeGreaterThan(60);
  });

  test('the focal spot stands outside the patient, and the ray reaches the part first', () => {
    const board = {
      worn: ['board', 'collar'],
      spineNotCleared: true,
      canStand: false,
      canSit: false,
      canTurn: 'none',
    } as const;
    for (const id of ['skull-submentovertical', 'zygomatic-arches-submentovertical', 'mandible-submentovertical'])
      for (const { setup } of findOtherWays(ask(projectionOf(id), board as never))) {
        // Below the chin of one who lies lies the chest: a tube there would stand in it.
        expect([id, setup.scene.focal[2] > setup.scene.entry[2] || setup.tube.beam === 'horizontal']).toEqual([
          id,
          true,
        ]);
      }
    const straight = { joints: { kneeFlexion_L: [0, 10] } } as unknown as Partial<Situation>;
    for (const { setup } of findOtherWays(ask(projectionOf('patella-tangential-supine'), straight))) {
      const { entry, exit } = setup.scene;
      expect(Math.hypot(entry[0] - exit[0], entry[1] - exit[1], entry[2] - exit[2])).toBeLessThan(320);
    }
  });
});
