import fc from 'fast-check';
import { IDENTITY } from '../geometry/frame';
import { distance, subtract, type Vec3 } from '../geometry/vector';
import { POSE_NAMES } from '../projections/vocabulary';
import { projections } from '../projections/catalogue';
import { buildBody, landmarkOf } from './body';
import {
  addPoses,
  eachSide,
  mirrorPose,
  MOVEMENT_NAMES,
  poseWithin,
  rangeOf,
  specOf,
  type Motion,
  type Pose,
} from './joints';
import { poseBody } from './pose';
import { POSES, posesNamed } from './poses';
import { placeBody, posedLandmark } from './posed';

const body = buildBody({ ageYears: 40, sex: 'male' });
const at = (pose: Pose, id: string): Vec3 => posedLandmark(placeBody(body, poseBody(body, pose), IDENTITY), id).p;
const moved = (pose: Pose, id: string): Vec3 => subtract(at(pose, id), landmarkOf(body, id).p);
const [X, Y, Z] = [0, 1, 2];

describe('each movement goes the way it is named for', () => {
  it.each([
    [{ trunkFlexion: 40 }, 'C7_sp', Y, -1],
    [{ trunkSideBend: 20 }, 'vertex', X, 1],
    [{ trunkRotation: 30 }, 'acromion_L', Y, 1],
    [{ neckRotation: 40 }, 'acanthion', X, 1],
    [{ headSideBend: 12 }, 'vertex', X, 1],
    [{ jawOpening: 25 }, 'menton', Z, -1],
    [{ scapulaElevation: 25 }, 'acromion_L', Z, 1],
    [{ scapulaProtraction: 20 }, 'acromion_R', Y, -1],
    [{ shoulderMedialRotation: 60, elbowFlexion: 90 }, 'wrist_centre_L', X, -1],
    [{ forearmPronation: 160 }, 'radial_styloid_L', X, -1],
    [{ wristFlexion: 50 }, 'MC3_head_L', Y, -1],
    [{ wristUlnarDeviation: 25 }, 'MC3_head_L', X, -1],
    [{ thumbAbduction: 40 }, 'MCP1_L', Y, -1],
    [{ thumbFlexion: 40 }, 'MCP1_L', X, -1],
    [{ finger3Flexion: 70 }, 'dactylion_L', Y, -1],
    [{ anklePlantarFlexion: 30 }, 'hallux_tip_L', Z, -1],
    [{ footInversion: 25 }, 'mt1_head_L', Z, 1],
    [{ toesFlexion: 30 }, 'hallux_tip_L', Z, -1],
  ] as [Pose, string, number, number][])('%j moves %s', (pose, id, axis, sign) => {
    expect(moved(pose, id)[axis] * sign).toBeGreaterThan(2);
  });

  it('opening the jaw lowers the chin and leaves the skull', () => {
    expect(moved({ jawOpening: 26 }, 'glabella')).toEqual([0, 0, 0].map(() => expect.closeTo(0, 9)));
    expect(distance(at({ jawOpening: 26 }, 'menton'), landmarkOf(body, 'menton').p)).toBeGreaterThan(35);
  });

  it('a finger bends alone', () => {
    expect(moved({ finger2Flexion: 70 }, 'dactylion_L')).toEqual([0, 0, 0].map(() => expect.closeTo(0, 9)));
  });

  it('pronation crosses the bones of the forearm and keeps the ulna still', () => {
    expect(moved({ forearmPronation: 160 }, 'olecranon_L')).toEqual([0, 0, 0].map(() => expect.closeTo(0, 9)));
    expect(moved({ forearmPronation: 160 }, 'radial_head_L').every((mm) => Math.abs(mm) < 25)).toBe(true);
    expect(distance(at({ forearmPronation: 170 }, 'radial_styloid_L'), at({}, 'radial_styloid_L'))).toBeGreaterThan(60);
  });

  it('the shoulder blade takes a third of the raised arm, and the arm keeps its angle', () => {
    expect(moved({ shoulderAbduction: 25 }, 'scapula_inf_angle_L')).toEqual([0, 0, 0].map(() => expect.closeTo(0, 9)));
    expect(moved({ shoulderAbduction: 150 }, 'scapula_inf_angle_L')[X]).toBeGreaterThan(40);
    const arm = subtract(
      at({ shoulderAbduction: 90 }, 'elbow_centre_L'),
      at({ shoulderAbduction: 90 }, 'glenohumeral_centre_L'),
    );
    const lowered = subtract(landmarkOf(body, 'elbow_centre_L').p, landmarkOf(body, 'glenohumeral_centre_L').p);
    expect(arm[Z]).toBeCloseTo(lowered[X], 0);
    expect(arm[X]).toBeCloseTo(-lowered[Z], 0);
  });
});

describe('any pose', () => {
  const anyPose = fc.dictionary(fc.constantFrom(...MOVEMENT_NAMES), fc.integer({ min: -40, max: 120 }), { maxKeys: 8 });
  it('mirrors to the mirror image of the body', () => {
    fc.assert(
      fc.property(anyPose, fc.constantFrom('hallux_tip', 'dactylion', 'acromion', 'gonion', 'ASIS'), (pose, id) => {
        const [lx, ly, lz] = at(pose, `${id}_L`);
        const [rx, ry, rz] = at(mirrorPose(pose), `${id}_R`);
        expect(Math.max(Math.abs(lx + rx), Math.abs(ly - ry), Math.abs(lz - rz))).toBeLessThan(1e-6);
      }),
      { numRuns: 60 },
    );
  });
  it('does not depend on the order in which its angles are written', () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        const backward = Object.fromEntries(Object.entries(pose).reverse());
        expect(at(backward, 'dactylion_L')).toEqual(at(pose, 'dactylion_L'));
      }),
      { numRuns: 40 },
    );
  });
  it('held within the joints never leaves their ranges, and says where it stopped', () => {
    fc.assert(
      fc.property(anyPose, (asked) => {
        const { pose, limited } = poseWithin(asked, { kneeFlexion_L: [0, 30] });
        for (const [motion, degrees] of Object.entries(pose)) {
          const [low, high] = rangeOf(motion as Motion, { kneeFlexion_L: [0, 30] });
          expect(degrees >= low && degrees <= high).toBe(true);
        }
        for (const [motion, degrees] of eachSide(asked))
          expect(pose[motion] === degrees).toBe(!limited.some((joint) => joint.motion === motion));
      }),
    );
  });
});

describe('limits', () => {
  it('of this patient narrow the healthy ones, by side or for both', () => {
    expect(rangeOf('kneeFlexion_L')).toEqual(specOf('kneeFlexion').range);
    expect(rangeOf('kneeFlexion_L', { kneeFlexion: [10, 60], kneeFlexion_R: [0, 20] })).toEqual([10, 60]);
    expect(rangeOf('kneeFlexion_R', { kneeFlexion: [10, 60], kneeFlexion_R: [0, 20] })).toEqual([10, 20]);
  });
  it('a movement that does not exist is named', () => {
    expect(() => poseBody(body, { kneeWaving: 3 } as never)).toThrow(/no movement "kneeWaving"/);
    expect(() => poseBody(body, { neckExtension_L: 3 } as never)).toThrow(/neckExtension_L/);
  });
});

describe('named poses', () => {
  it.each(POSE_NAMES)('%s lies within healthy joints', (name) => {
    expect(poseWithin(POSES[name]).limited).toEqual([]);
  });
  it.each(
    projections.flatMap((entry) =>
      entry.positions.map((positioning) => [entry.id, positioning.body, entry, positioning] as const),
    ),
  )('%s %s asks nothing of a joint that it cannot do', (_id, _body, entry, positioning) => {
    expect(poseWithin(posesNamed([...entry.pose, ...positioning.pose])).limited).toEqual([]);
  });
  it('add up', () => {
    expect(addPoses({ kneeFlexion: 10 }, { kneeFlexion: 5, hipFlexion: 3 })).toEqual({
      kneeFlexion: 15,
      hipFlexion: 3,
    });
  });
});
