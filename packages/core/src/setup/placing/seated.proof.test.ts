/** An erect view of one who only sits: seated in the scene, in the drawing and in the height of the tube, not in words alone. */
import { eachSide } from '../../body/joints';
import { posedIn } from '../../body/posedIn';
import { furthestSkin, posedLandmark } from '../../body/posed';
import { projections } from '../../projections/catalogue';
import { ROOM_ONE, ROOM_TWO } from '../../room/demoRooms';
import { computeSetup } from '../computeSetup';
import type { Setup } from '../setup';
import type { SetupRequest } from '../request';

const PATIENT = { ageYears: 45, sex: 'female', statureMm: 1630 } as const;
const asked = (id: string, sided: string): SetupRequest => ({
  projectionId: id,
  side: sided === 'each' ? 'left' : undefined,
  patient: PATIENT,
  room: ROOM_ONE,
});

/** From the room: a stool, or the chair that the patient came in. */
function seated(place: 'room' | 'chair'): { standing: Setup; sitting: Setup }[] {
  const chair = { place: 'chair', canTurn: 'none', canProne: false } as const;
  return projections.flatMap(({ id, sided }) => {
    const request = asked(id, sided);
    const sitting = computeSetup({
      ...request,
      situation: { canStand: false, ...(place === 'chair' ? chair : {}) },
    });
    // To one who leans over a table the surface is the table, whatever they sit on.
    if (sitting.position.body !== 'upright' || !sitting.feasible || sitting.tube.beam !== 'horizontal') return [];
    return [{ standing: computeSetup({ ...request, overrides: { position: 'upright' } }), sitting }];
  });
}

test.each([
  ['room', 0],
  ['chair', 110],
] as const)('in the %s the patient sits, the feet on what is under them', (place, feetMm) => {
  const all = seated(place);
  expect(all.length).toBeGreaterThan(60);
  for (const { sitting } of all) {
    const pose = eachSide(sitting.scene.pose);
    const posed = posedIn(sitting);
    const sole = -furthestSkin(posed, [0, 0, -1]).reachMm;
    const knee = posedLandmark(posed, 'knee_centre_L').p[2];
    const hip = posedLandmark(posed, 'hip_centre_L').p[2];
    expect([sitting.projectionId, sitting.position.say]).toEqual([
      sitting.projectionId,
      expect.stringMatching(/^Seated/),
    ]);
    expect([sitting.projectionId, pose.get('kneeFlexion_L')! > 70]).toEqual([sitting.projectionId, true]);
    expect(Math.abs(sole - feetMm)).toBeLessThan(2);
    // The thigh is about level, and the seat is there to be drawn.
    expect(Math.abs(hip - knee)).toBeLessThan(120);
    expect(sitting.scene.surfaces.some(({ kind }) => kind === 'seat')).toBe(true);
  }
});

test('the tube comes down by what sitting takes off, and nothing else of the view changes', () => {
  const all = seated('room').filter(({ standing }) => standing.position.supports.length === 0);
  expect(all.length).toBeGreaterThan(50);
  for (const { standing, sitting } of all) {
    if (standing.tube.sidMm !== sitting.tube.sidMm || sitting.position.supports.length > 0) continue;
    const lower = standing.tube.heightMm - sitting.tube.heightMm;
    expect([sitting.projectionId, lower / PATIENT.statureMm]).toEqual([sitting.projectionId, expect.any(Number)]);
    expect(lower / PATIENT.statureMm).toBeGreaterThan(0.18);
    expect(lower / PATIENT.statureMm).toBeLessThan(0.27);
    expect(sitting.tube.angleDeg).toBe(standing.tube.angleDeg);
    expect(sitting.receptor.size).toEqual(standing.receptor.size);
  }
});

test('whose knees are where the stand is, is told where they go, and nobody else', () => {
  let facing = 0;
  for (const { standing, sitting } of [...seated('room'), ...seated('chair')]) {
    const posed = posedIn(sitting);
    const [knee, hip] = ['knee_centre_L', 'hip_centre_L'].map((mark) => posedLandmark(posed, mark).p[0]) as [
      number,
      number,
    ];
    const codes = sitting.steps.map(({ code }) => code);
    const wall = sitting.receptor.holder === 'wall';
    const toReceptor = wall && (knee - hip) * sitting.scene.beam[0] > 250;
    expect([sitting.projectionId, codes.includes('step-knees-at-stand')]).toEqual([sitting.projectionId, toReceptor]);
    expect(codes.includes('step-brakes')).toBe(wall && sitting.situation.place === 'chair');
    expect(standing.steps.map(({ code }) => code)).not.toContain('step-knees-at-stand');
    facing += toReceptor ? 1 : 0;
  }
  expect(facing).toBeGreaterThan(30);
});

test('a tube that does not come so low is said, and the view is not feasible', () => {
  const setup = computeSetup({
    ...asked('sacroiliac-ap-axial', 'none'),
    situation: { canStand: false, place: 'chair', canTurn: 'none', canProne: false },
  });
  expect(setup.problems.map(({ code }) => code)).toContain('tube-low');
  expect(setup.feasible).toBe(false);
});

test('who is seated because the tube does not go high enough sits in the scene, under a tube in reach', () => {
  const room = ROOM_TWO;
  const patients = [PATIENT, { ageYears: 30, sex: 'male', statureMm: 1900 }] as const;
  let seatedForTube = 0;
  for (const patient of patients)
    for (const { id, sided } of projections) {
      const setup = computeSetup({ ...asked(id, sided), room, patient });
      const stool = setup.position.supports.find(({ kind }) => kind === 'stool');
      if (!stool) continue;
      seatedForTube += 1;
      const posed = posedIn(setup);
      const [knee, hip] = ['knee_centre_L', 'hip_centre_L'].map((mark) => posedLandmark(posed, mark).p[2]) as [
        number,
        number,
      ];
      expect([id, setup.position.say]).toEqual([id, expect.stringMatching(/^Seated/)]);
      expect(Math.abs(hip - knee)).toBeLessThan(120);
      expect(-furthestSkin(posed, [0, 0, -1]).reachMm).toBeLessThan(2);
      expect(setup.scene.focal[2]).toBeLessThanOrEqual(room.tube.focusHeightMm[1] + 1);
      expect(stool.mm / patient.statureMm).toBeGreaterThan(0.18);
      expect(stool.mm / patient.statureMm).toBeLessThan(0.27);
    }
  expect(seatedForTube).toBeGreaterThan(3);
});
