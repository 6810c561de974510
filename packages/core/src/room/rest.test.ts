import fc from 'fast-check';
import { buildBody } from '../body/body';
import { mirrorPose } from '../body/joints';
import { posesNamed } from '../body/poses';
import { crossSkin, furthestSkin, posedLandmark } from '../body/posed';
import type { PatientInput } from '../body/patient';
import { applyToDirection } from '../geometry/frame';
import { dot, subtract, type InRoom, type Vec3 } from '../geometry/vector';
import { BODY_POSITIONS, type PoseName } from '../projections/vocabulary';
import { restingReachMm } from './give';
import { contactsOf, restBody, type RestedBody } from './rest';
import { OBLIQUES, obliqueStance, stanceSchema, towardSupport, type StanceInput } from './stance';

const man: PatientInput = { ageYears: 40, sex: 'male' };
const rest = (stance: StanceInput, poses: PoseName[] = ['arms-clear'], patient: PatientInput = man): RestedBody =>
  restBody(buildBody(patient), stanceSchema.parse(stance), posesNamed(poses));
/** Flesh of a heel or calf under the weight of the leg. */
const HEEL_GIVES_MM = 5;
const DOWN: Vec3 = [0, 0, -1];
const lowest = ({ posed }: RestedBody, segments?: string[]) => -furthestSkin(posed, DOWN, segments).reachMm;
const touching = (rested: RestedBody, surface: string) =>
  new Set(contactsOf(rested).flatMap((contact) => (contact.surface === surface ? [contact.segment] : [])));

describe('every body position holds', () => {
  const bodies: [string, PatientInput][] = [
    ['a man', man],
    ['a newborn', { ageYears: 0 }],
    ['a heavy woman', { ageYears: 50, sex: 'female', massKg: 130 }],
  ];
  it.each(BODY_POSITIONS.flatMap((position) => bodies.map(([name, patient]) => [position, name, patient] as const)))(
    '%s: %s rests on something, with nothing far through it',
    (position, _name, patient) => {
      const rested = rest({ position }, [], patient);
      expect(contactsOf(rested).length).toBeGreaterThan(0);
      const scale = rested.posed.body.patient.statureMm / 1750;
      for (const { kind, plane, profile } of rested.surfaces) {
        if (kind === 'wall' || kind === 'sponge' || kind === 'pillow' || kind === 'foot rest') continue;
        const xs = profile.map((p) => p[0]);
        for (const segment of new Set(rested.posed.skin.map((piece) => piece.segment))) {
          const { point } = furthestSkin(
            rested.posed,
            [-plane.normal[0], -plane.normal[1], -plane.normal[2]],
            [segment],
          );
          if (point[0] < Math.min(...xs) || point[0] > Math.max(...xs)) continue;
          // Flesh gives way, the under shoulder most; all else stays above.
          const gives = /upperarm|clavicle|scapula/.test(segment) ? 90 : 35;
          const under = dot(subtract(point, plane.point), plane.normal);
          if (kind !== 'seat' && kind !== 'back rest')
            expect([kind, segment, under > -gives * Math.max(scale, 0.5)]).toEqual([kind, segment, true]);
        }
      }
    },
  );
});

describe('lying', () => {
  it('on the back: shoulders or buttocks, calves or heels, head and hands touch the table', () => {
    const touched = touching(rest({ position: 'supine' }), 'table');
    expect([...touched].some((segment) => /thorax|scapula|pelvis/.test(segment))).toBe(true);
    for (const part of [/foot|shank|talus/, /head/, /hand|finger|forearm/]) {
      expect([...touched].some((segment) => part.test(segment) && !segment.endsWith('_R'))).toBe(true);
    }
  });
  it.each([
    [{ mattressMm: 80 }, 880, 'mattress'],
    [{ mattressMm: 80, boardMm: 45 }, 925, 'board'],
    [{ surfaceHeightMm: 650 }, 650, 'table'],
  ] as const)('with %j the body lies at %d mm, on the %s', (stance, top, surface) => {
    const rested = rest({ position: 'supine', ...stance });
    const above = lowest(rested, ['pelvis', 'thorax', 'scapula_L', 'scapula_R']) - top;
    expect(above).toBeGreaterThan(-27);
    expect(above).toBeLessThan(-15);
    expect(touching(rested, surface).size).toBeGreaterThan(2);
  });
  it('a pillow raises the head by its own height', () => {
    for (const pillowMm of [0, 40, 90]) {
      const rested = rest({ position: 'supine', pillowMm });
      expect(Math.abs(lowest(rested, ['head', 'mandible']) - 800 - pillowMm)).toBeLessThan(3);
    }
  });
  it('a sponge bends hips and knees, and the heels come down again', () => {
    const flat = rest({ position: 'supine' });
    const bent = rest({ position: 'supine', kneeSpongeMm: 150 });
    expect(bent.pose.kneeFlexion_L).toBeGreaterThan((flat.pose.kneeFlexion_L ?? 0) + 20);
    expect(Math.abs(lowest(bent, ['foot_L', 'shank_L', 'talus_L']) - 800 + HEEL_GIVES_MM)).toBeLessThan(3);
    expect(posedLandmark(bent.posed, 'knee_centre_L').p[2]).toBeGreaterThan(
      posedLandmark(flat.posed, 'knee_centre_L').p[2] + 80,
    );
  });
  it.each([0, 5, 40])('at %d years a knee rests on the sponge, neither over it nor in it', (ageYears) => {
    const spongeMm = ageYears === 0 ? 25 : 90;
    const rested = rest({ position: 'supine', kneeSpongeMm: spongeMm }, ['arms-clear'], { ageYears });
    const [x, , z] = posedLandmark(rested.posed, 'knee_centre_L').p;
    const under = crossSkin(rested.posed, [x, posedLandmark(rested.posed, 'knee_centre_L').p[1], z], DOWN, [
      'thigh_L',
      'shank_L',
    ])!;
    const gap = under.exit[2] - 800 - spongeMm;
    expect(Math.abs(gap)).toBeLessThan(25 * Math.max(0.4, rested.posed.body.patient.statureMm / 1750));
  });
  it('with the knees up the soles come to the table', () => {
    const rested = rest({ position: 'supine' }, ['knees-up', 'arms-clear']);
    expect(Math.abs(lowest(rested, ['foot_R', 'toes_R', 'talus_R']) - 800 + HEEL_GIVES_MM)).toBeLessThan(3);
  });
  it('on the front the face is turned aside, unless the examination says how it lies', () => {
    const nose = ({ posed }: RestedBody) => applyToDirection(posed.frames.head, [0, -1, 0]);
    expect(Math.abs(nose(rest({ position: 'prone' }))[1])).toBeGreaterThan(0.9);
    expect(nose(rest({ position: 'prone' }, ['chin-up']))[2]).toBeLessThan(-0.5);
  });
  it('on the side: hip and ribs level, the upper leg on the lower or in front of it', () => {
    const rested = rest({ position: 'lateral-recumbent', on: 'left', pillowMm: 90 }, [
      'knees-drawn-up',
      'arms-forward',
    ]);
    const [l, r] = ['L', 'R'].map((side) => posedLandmark(rested.posed, `knee_centre_${side}`).p[2]);
    expect(r).toBeGreaterThan(l + 50);
    const forward = rest({ position: 'lateral-recumbent', on: 'left' }, ['other-leg-forward', 'arms-forward']);
    expect(Math.abs(lowest(forward, ['shank_R', 'foot_R', 'talus_R', 'toes_R']) - 800 + HEEL_GIVES_MM)).toBeLessThan(3);
  });
  it('on the right side it is the mirror image of on the left', () => {
    const stance = (on: 'left' | 'right') => stanceSchema.parse({ position: 'lateral-recumbent', on, pillowMm: 80 });
    const pose = posesNamed(['near-arm-up', 'knees-drawn-up']);
    const left = restBody(buildBody(man), stance('left'), pose);
    const right = restBody(buildBody(man), stance('right'), mirrorPose(pose));
    for (const [a, b] of [
      ['hallux_tip_L', 'hallux_tip_R'],
      ['dactylion_R', 'dactylion_L'],
      ['vertex', 'vertex'],
    ]) {
      const [p, q] = [posedLandmark(left.posed, a).p, posedLandmark(right.posed, b).p];
      expect(Math.hypot(p[0] - q[0], p[2] - q[2])).toBeLessThan(0.1);
    }
  });
  it('a limb that is held up stays up', () => {
    const stance = stanceSchema.parse({ position: 'supine' });
    const pose = posesNamed(['other-leg-raised']);
    const rested = restBody(buildBody(man), stance, pose, ['leg_R']);
    expect(rested.pose.hipFlexion_R).toBe(85);
    expect(lowest(rested, ['foot_R'])).toBeGreaterThan(1100);
  });
});

describe('sitting, kneeling, tilting', () => {
  it('on a stool the soles are on the floor and the thighs on the seat', () => {
    const rested = rest({ position: 'seated' }, ['sitting-relaxed-arms']);
    expect(lowest(rested)).toBeCloseTo(0, 6);
    expect([...touching(rested, 'seat')].some((segment) => /pelvis|thigh/.test(segment))).toBe(true);
    const seat = rested.surfaces.find(({ kind }) => kind === 'seat')!.plane.point[2];
    expect(seat).toBeGreaterThan(330);
    expect(seat).toBeLessThan(480);
  });
  it('on a table end or a bed edge the seat is as high as the table and what lies on it', () => {
    expect(lowest(rest({ position: 'seated', seat: 'table-end' }), ['pelvis', 'thigh_L'])).toBeCloseTo(800, 6);
    expect(lowest(rest({ position: 'seated', seat: 'bed-edge', mattressMm: 100 }), ['pelvis', 'thigh_L'])).toBeCloseTo(
      900,
      6,
    );
  });
  it('in a wheelchair the feet are on rests and the back on its own', () => {
    const rested = rest({ position: 'seated', seat: 'wheelchair' });
    expect(lowest(rested)).toBeCloseTo(110, 6);
    expect(touching(rested, 'back rest').size).toBeGreaterThan(0);
    expect(touching(rested, 'foot rest').size).toBeGreaterThan(0);
  });
  it.each([15, 30, 45, 60, 80])(
    'half sitting at %d° the trunk leans so, on a back rest that touches it',
    (backRestDeg) => {
      const rested = rest({ position: 'semi-erect', backRestDeg });
      const up = applyToDirection(rested.posed.place, [0, 0, 1]);
      expect((Math.atan2(up[2], up[0]) * 180) / Math.PI).toBeCloseTo(backRestDeg, 6);
      expect(touching(rested, 'back rest').size).toBeGreaterThan(0);
      expect(Math.abs(lowest(rested, ['shank_L', 'talus_L', 'foot_L']) - 800 + HEEL_GIVES_MM)).toBeLessThan(3);
    },
  );
  it.each([5, 15, 25])('head-down by %d° the feet are higher than the head', (headDownDeg) => {
    const rested = rest({ position: 'head-down', headDownDeg });
    const [head, feet] = ['vertex', 'ankle_centre_L'].map((id) => posedLandmark(rested.posed, id).p);
    expect((feet[2] - head[2]) / (head[0] - feet[0])).toBeCloseTo(Math.tan((headDownDeg * Math.PI) / 180), 1);
    expect(touching(rested, 'table').size).toBeGreaterThan(2);
  });
  it('kneeling: shins down, trunk upright', () => {
    const rested = rest({ position: 'kneeling', on: 'front' });
    expect([...touching(rested, 'table')].some((segment) => /shank|foot|toes|patella|thigh/.test(segment))).toBe(true);
    expect(applyToDirection(rested.posed.place, [0, 0, 1])).toEqual([0, 0, 1].map((v) => expect.closeTo(v, 9)));
  });
  it('standing: soles on the floor, the named side at the wall', () => {
    for (const on of ['back', 'front', 'left', 'right'] as const) {
      const rested = rest({ position: 'upright', on });
      expect(lowest(rested)).toBeCloseTo(0, 6);
      const sides: Record<typeof on, Vec3> = { back: [0, 1, 0], front: [0, -1, 0], left: [1, 0, 0], right: [-1, 0, 0] };
      const side = sides[on];
      expect(applyToDirection(rested.posed.place, side)[0]).toBeCloseTo(1, 9);
    }
  });
});

describe('stance', () => {
  it('obliques bring the named shoulder to the receptor', () => {
    for (const name of Object.keys(OBLIQUES) as (keyof typeof OBLIQUES)[]) {
      const toward = towardSupport(obliqueStance('upright', name, 45));
      expect(toward[0] > 0).toBe(name.startsWith('L'));
      expect(toward[1] > 0).toBe(name.endsWith('PO'));
      const { posed } = restBody(buildBody(man), obliqueStance('upright', name, 45));
      const [l, r] = ['L', 'R'].map((side) => posedLandmark(posed, `acromion_${side}`).p[0]);
      expect(l > r).toBe(name.startsWith('L'));
    }
  });
  it('is refused outside its ranges, with the range', () => {
    expect(() => stanceSchema.parse({ position: 'semi-erect', backRestDeg: 120 })).toThrow(
      /Back rest must be 0 to 90 °/,
    );
    expect(() => stanceSchema.parse({ position: 'floating' })).toThrow();
  });
  it('any body on any pad lies at its height', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 200 }),
        fc.double({ min: 0, max: 80, noNaN: true }),
        fc.constantFrom('supine' as const, 'prone' as const, 'lateral-recumbent' as const),
        (mattressMm, ageYears, position) => {
          const rested = rest({ position, mattressMm, surfaceHeightMm: 700 }, [], { ageYears });
          const top = 700 + mattressMm;
          const trunk = ['pelvis', 'lumbar', 'thorax', 'thigh_L', 'thigh_R', 'scapula_L', 'scapula_R'];
          // Nothing floats, and nothing sinks further than its flesh gives way.
          expect(lowest(rested, trunk)).toBeLessThanOrEqual(top + 1e-6);
          expect(lowest(rested, trunk)).toBeGreaterThan(top - 45);
          expect(restingReachMm(rested.posed, DOWN as Vec3<InRoom>, trunk)).toBeCloseTo(-top, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});
