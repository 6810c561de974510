import { posedIn } from '../body/posedIn';
import fc from 'fast-check';
import { insideRectangle } from '../geometry/rectangle';
import { projectPoint } from '../geometry/projection';
import { projections } from '../projections/catalogue';
import { demoRooms, MOBILE_UNIT, ROOM_ONE, ROOM_TWO } from '../room/demoRooms';
import type { PatientInput } from '../body/patient';
import { resolvePatient } from '../body/patient';
import { inches } from '../quantity/length';
import { posedMark } from '../body/posed';
import { computeSetup } from './computeSetup';
import { setupRequestSchema, type SetupRequest } from './request';
import type { Setup } from './setup';

const man: PatientInput = { ageYears: 40, sex: 'male', statureMm: 1750, massKg: 75 };
const woman: PatientInput = { ageYears: 40, sex: 'female', statureMm: 1630, massKg: 62 };
const on = (projectionId: string, patient: PatientInput = man, rest: Partial<SetupRequest> = {}): Setup =>
  computeSetup({
    projectionId,
    patient,
    room: ROOM_TWO,
    side: projections.find(({ id }) => id === projectionId)?.sided === 'each' ? 'left' : undefined,
    ...rest,
  });

/** A landmark of the set-up's own body, as it stands there. */
const landmark = (setup: Setup, id: string) => posedMark(posedIn(setup), id).p;
/** Where a point falls on the receptor, from the central ray. */
const shadow = (setup: Setup, id: string) => {
  const { receptor, focal } = setup.scene;
  return projectPoint(
    focal,
    { origin: receptor.centre, u: receptor.u, v: receptor.v, n: receptor.n },
    landmark(setup, id),
  );
};

describe('each entry against what is taught, for the median adult', () => {
  it('chest PA: 72 in, 14×17 lengthwise, T7 by 7 to 8 in below the vertebra prominens', () => {
    const setup = on('chest-pa', man, { room: { ...ROOM_TWO, tube: { ...ROOM_TWO.tube, wallSidMm: [1000, 2000] } } });
    expect(setup.tube.sidMm).toBeCloseTo(inches(72), 0);
    expect(setup.receptor).toMatchObject({ size: { name: '14×17' }, orientation: 'lengthwise', holder: 'wall' });
    expect(setup.centre.offsetMm).toBeGreaterThan(175);
    expect(setup.centre.offsetMm).toBeLessThan(205);
    expect(setup.tube.beam).toBe('horizontal');
    expect(setup.exposure.kVp).toBeGreaterThanOrEqual(110);
    expect(setup.receptor.grid?.ratio).toBe(8);
    expect(setup.image.magnification).toBeLessThan(1.2);
  });
  it('chest lateral: left side on the receptor, marker L, arms up', () => {
    const setup = on('chest-lateral');
    expect(setup.position.nearSide).toBe('left');
    expect(setup.marker.letter).toBe('L');
    expect(landmark(setup, 'elbow_centre_L')[2]).toBeGreaterThan(landmark(setup, 'glenohumeral_centre_L')[2]);
    expect(setup.receptor.orientation).toBe('lengthwise');
  });
  it('chest AP: 3 to 4 in below the jugular notch, ray 5° to the feet', () => {
    const setup = on('chest-ap', man, { room: MOBILE_UNIT, situation: { place: 'bedside', canStand: false } });
    expect(setup.centre.offsetMm).toBeGreaterThan(inches(3));
    expect(setup.centre.offsetMm).toBeLessThan(inches(4));
    expect(setup.tube).toMatchObject({ angleDeg: 5, angleToward: 'feet', beam: 'vertical' });
  });
  it('thoracic AP: T7, C7 to T12 shown, 14×17 lengthwise, knees bent', () => {
    const setup = on('thoracic-ap');
    expect(setup.receptor).toMatchObject({ size: { name: '14×17' }, orientation: 'lengthwise' });
    expect(Math.abs(landmark(setup, 'T7')[0] - setup.centre.entryMm[0])).toBeLessThan(20);
    expect(setup.field.atReceptorMm.width).toBeLessThan(200);
    expect(landmark(setup, 'knee_centre_L')[2] - landmark(setup, 'hip_centre_L')[2]).toBeGreaterThan(150);
  });
  it('thoracic lateral: 1 to 2 in behind the midcoronal plane', () => {
    const setup = on('thoracic-lateral');
    expect(setup.centre.text).toMatch(/posterior to the midcoronal plane/);
    expect(setup.centre.offsetMm).toBeGreaterThan(inches(1));
    expect(setup.centre.offsetMm).toBeLessThan(inches(2.2));
    expect(setup.breathing.words).toMatch(/gently/);
  });
  it('cervicothoracic lateral: C7 to T1, further forward than the thoracic lateral, C5 to T4 inside', () => {
    const setup = on('cervicothoracic-lateral');
    expect(setup.centre.text).toMatch(/C7-T1/);
    expect(setup.centre.text).not.toMatch(/behind/);
    expect(setup.position.body).toBe('upright');
    expect(landmark(setup, 'elbow_centre_L')[2]).toBeGreaterThan(landmark(setup, 'elbow_centre_R')[2] + 300);
  });
  it('hand PA: third knuckle, no angle, table top, no grid, ray straight down', () => {
    const setup = on('hand-pa');
    expect(setup.tube).toMatchObject({ angleDeg: 0, beam: 'vertical' });
    expect(setup.receptor).toMatchObject({
      holder: 'table-top',
      grid: null,
      size: { name: '10×12' },
      orientation: 'lengthwise',
    });
    const { u, v } = shadow(setup, 'MC3_head_L');
    expect(Math.hypot(u, v)).toBeLessThan(2);
    expect(setup.exposure.kVp).toBeLessThanOrEqual(60);
  });
  it('knee AP: ½ in below the patella, angle by the thickness of the pelvis', () => {
    const thin = on('knee-ap', { ageYears: 30, sex: 'female', statureMm: 1650, massKg: 45 });
    const thick = on('knee-ap', { ageYears: 50, sex: 'female', statureMm: 1650, massKg: 110 });
    expect(on('knee-ap').centre.offsetMm).toBeCloseTo(13, 0);
    expect(on('knee-ap').tube.angleDeg).toBe(0);
    expect(thin.tube).toMatchObject({ angleDeg: 4, angleToward: 'feet' });
    expect(thick.tube).toMatchObject({ angleDeg: 4, angleToward: 'head' });
    expect(
      on('knee-ap', { ageYears: 50, sex: 'female', statureMm: 1650, massKg: 110 }, { rules: { kneeApAngle: 'none' } })
        .tube.angleDeg,
    ).toBe(0);
    expect(on('knee-ap').receptor.size.name).toBe('10×12');
  });
  it('knee lateral: 5° to the head, knee bent 20 to 30°, lateral side down', () => {
    const setup = on('knee-lateral');
    expect(setup.tube).toMatchObject({ angleDeg: 5, angleToward: 'head' });
    expect(setup.scene.pose.kneeFlexion_L).toBeGreaterThanOrEqual(20);
    expect(setup.scene.pose.kneeFlexion_L).toBeLessThanOrEqual(30);
    expect(landmark(setup, 'lat_epicondyle_fem_L')[2]).toBeLessThan(landmark(setup, 'med_epicondyle_fem_L')[2]);
    expect(on('knee-lateral', man, { rules: { kneeLateralAngle: '7' } }).tube.angleDeg).toBe(7);
  });
  it('leg AP: both joints; straight in the short, diagonal in between, two exposures in the tall', () => {
    const leg = (statureMm: number) =>
      on('leg-ap', { ageYears: 30, sex: 'male', statureMm, massKg: 70 }, { room: ROOM_ONE }).receptor;
    expect(leg(1600)).toMatchObject({ outcome: 'lengthwise', size: { name: '14×17' } });
    expect(leg(1980)).toMatchObject({ outcome: 'split', exposures: 2 });
    const outcomes = Array.from({ length: 40 }, (_, i) => leg(1600 + i * 10).outcome);
    expect(outcomes).toContain('diagonal');
    expect(
      [...outcomes].sort(
        (a, b) => ['lengthwise', 'diagonal', 'split'].indexOf(a) - ['lengthwise', 'diagonal', 'split'].indexOf(b),
      ),
    ).toEqual(outcomes);
  });
  it('sacrum and coccyx: one aim 2 in above the symphysis, opposite angles, receptor to the ray', () => {
    const sacrum = on('sacrum-ap-axial', woman);
    const coccyx = on('coccyx-ap-axial', woman);
    expect(sacrum.tube).toMatchObject({ angleDeg: 20, angleToward: 'head', receptorShiftToward: 'head' });
    expect(coccyx.tube).toMatchObject({ angleDeg: 10, angleToward: 'feet', receptorShiftToward: 'feet' });
    expect(sacrum.centre.text).toBe(coccyx.centre.text);
    expect(Math.abs(sacrum.centre.offsetMm - inches(2))).toBeLessThan(6);
    expect(Math.abs(shadow(sacrum, 'S2').v)).toBeLessThan(45);
    expect(Math.abs(shadow(coccyx, 'coccyx_tip').v)).toBeLessThan(55);
  });
  it('pelvis AP: 14×17 crosswise, feet turned in, ASIS level within the field', () => {
    const setup = on('pelvis-ap', woman);
    expect(setup.receptor).toMatchObject({ size: { name: '14×17' }, orientation: 'crosswise' });
    expect(setup.scene.pose.hipMedialRotation_L).toBeGreaterThanOrEqual(15);
    expect(setup.centre.checkBy.find(({ landmark: id }) => id === 'symphysis_sup')).toMatchObject({
      relation: 'superior to',
    });
  });
  it('pelvis AP at the bedside: mobile unit, grid by thickness, nothing turned when a fracture is suspected', () => {
    const hurt = on('pelvis-ap', woman, {
      room: MOBILE_UNIT,
      situation: { place: 'bedside', canStand: false, canTurn: 'none', fractureSuspected: true },
    });
    expect(hurt.receptor).toMatchObject({ holder: 'bed', grid: { ratio: 6 } });
    expect(hurt.feasible).toBe(true);
    expect(hurt.scene.pose.hipMedialRotation_R).toBe(-15);
    expect(JSON.stringify(hurt.steps)).not.toMatch(/rotated 15|medially last/i);
    expect(hurt.cautions.some(({ grave, text }) => grave && /feet are not rotated/.test(text))).toBe(true);
  });
  it('sinuses: the ray is level and leaves at the acanthion; the line of the head makes 37° with the receptor', () => {
    const setup = on('sinuses-parietoacanthial');
    expect(setup.tube).toMatchObject({ beam: 'horizontal', angleDeg: 0 });
    const { u, v } = shadow(setup, 'acanthion');
    expect(Math.hypot(u, v)).toBeLessThan(2);
    const [canthus, meatus] = [landmark(setup, 'outer_canthus_L'), landmark(setup, 'EAM_L')];
    const line = canthus.map((value, i) => value - meatus[i]);
    // In the plane of the face the line lies 37° from the upright receptor.
    expect((Math.atan2(Math.abs(line[0]), Math.abs(line[2])) * 180) / Math.PI).toBeCloseTo(37, 0);
    expect(setup.centre.text).toMatch(/exits at the acanthion/);
  });
});

describe('what the patient and the room cannot do', () => {
  it('a spine that is not cleared bars turning and standing, and says why', () => {
    const setup = on('thoracic-lateral', man, { situation: { spineNotCleared: true } });
    expect(setup.feasible).toBe(false);
    expect(setup.problems.map(({ text }) => text).join(' ')).toMatch(/barred: the spine is not cleared/);
  });
  it('one who cannot stand lies down', () => {
    expect(on('pelvis-ap', man, { situation: { canStand: false } }).position.body).toBe('supine');
    expect(on('chest-lateral', man, { situation: { canStand: false, canSit: false } }).position.body).toBe(
      'lateral-recumbent',
    );
    expect(on('chest-pa', man, { situation: { canStand: false, canSit: false } }).feasible).toBe(false);
  });
  it('one who turns only to the left does not lie on the right', () => {
    expect(on('knee-lateral', man, { situation: { canTurn: 'left' }, side: 'right' }).feasible).toBe(false);
    expect(on('knee-lateral', man, { situation: { canTurn: 'left' }, side: 'left' }).feasible).toBe(true);
  });
  it('a low ceiling shortens the SID and says so, with the technique for what is reached', () => {
    const setup = on('chest-ap', man, { situation: { canStand: false, canSit: false }, room: ROOM_TWO });
    expect(setup.tube.sidMm).toBeLessThan(setup.tube.sidWantedMm);
    expect(setup.problems.some(({ code }) => code === 'sid-reduced')).toBe(true);
    expect(setup.scene.focal[2]).toBeLessThanOrEqual(ROOM_TWO.tube.focusHeightMm[1] + 1);
  });
  it('a child too low for the tube stands on a block', () => {
    const setup = on('chest-pa', { ageYears: 2 }, { room: ROOM_TWO });
    expect(setup.position.supports[0]).toMatchObject({ kind: 'block' });
    expect(setup.scene.focal[2]).toBeGreaterThanOrEqual(ROOM_TWO.tube.focusHeightMm[0] - 10);
  });
  it('a patient outside the technique model keeps the chart and says so', () => {
    const setup = on('cervicothoracic-lateral', man, { patient: { ...man, partThicknessMm: 590 } });
    expect(setup.exposure.inModel).toBe(false);
    expect(setup.problems.some(({ code }) => code === 'outside-model')).toBe(true);
  });
  it('pregnancy possible stops the exam of the trunk', () => {
    const setup = on('pelvis-ap', woman, { situation: { pregnancy: 'possible' } });
    expect(setup.cautions.some(({ grave, text }) => grave && /Pregnancy possible: stop/.test(text))).toBe(true);
    expect(
      on('hand-pa', woman, { situation: { pregnancy: 'possible' } }).cautions.some(({ text }) =>
        /Pregnancy/.test(text),
      ),
    ).toBe(false);
  });
  it('a field pulled too small names what it cuts', () => {
    const setup = on('pelvis-ap', woman, { overrides: { fieldMm: [200, 200] } });
    expect(setup.field.clipped).toEqual(expect.arrayContaining(['left iliac crest', 'right iliac crest']));
    expect(setup.feasible).toBe(false);
  });
});

describe('bad input', () => {
  it.each([
    [{ projectionId: 'nothing-ap' }, /no projection "nothing-ap"/],
    [{ projectionId: 'knee-ap' }, /needs a side: left or right/],
    [{ projectionId: 'chest-pa', overrides: { sidMm: -5 } }, /SID must be 400 to 3000 mm/],
    [{ projectionId: 'chest-pa', patient: { massKg: 900 } }, /Weight must be 1.5 to 250 kg/],
    [{ projectionId: 'chest-pa', patient: { colour: 'blue' } }, /Unrecognized key/],
    [{ projectionId: 'x'.repeat(10_000) }, /60/],
  ])('%#: is refused with what and why', (request, message) => {
    const result = setupRequestSchema.safeParse(request);
    expect(result.success).toBe(false);
    expect(result.error?.issues.map((issue) => issue.message).join('; ')).toMatch(message);
  });
  it('the core itself refuses what slipped through', () => {
    expect(() => computeSetup({ projectionId: 'nothing-ap' })).toThrow(RangeError);
    expect(() => computeSetup({ projectionId: 'knee-ap' })).toThrow(/needs a side/);
    expect(() => on('chest-pa', { statureMm: 200 })).toThrow(/420 to 2200/);
  });
});

const anyPatient = fc
  .record({
    ageYears: fc.double({ min: 0, max: 95, noNaN: true }),
    sex: fc.constantFrom('female' as const, 'male' as const, undefined),
    tall: fc.double({ min: 0.85, max: 1.15, noNaN: true }),
    build: fc.double({ min: 0.65, max: 1.7, noNaN: true }),
  })
  .map(({ ageYears, sex, tall, build }): PatientInput => {
    const { medians } = resolvePatient({ ageYears, sex }).patient;
    return {
      ageYears,
      sex,
      statureMm: Math.min(2190, medians.statureMm * tall),
      massKg: Math.min(249, Math.max(1.6, medians.massKg * tall ** 2 * build)),
    };
  });
const anySetup = fc.record({
  patient: anyPatient,
  entry: fc.constantFrom(...projections),
  room: fc.constantFrom(...demoRooms),
  side: fc.constantFrom('left' as const, 'right' as const),
});
const requestOf = ({
  patient,
  entry,
  room,
  side,
}: {
  patient: PatientInput;
  entry: (typeof projections)[number];
  room: (typeof demoRooms)[number];
  side: 'left' | 'right';
}): SetupRequest => ({ projectionId: entry.id, side: entry.sided === 'each' ? side : undefined, patient, room });

describe('what this patient can do, and what was measured', () => {
  it('a knee that does not bend is said, drawn as it is, and still set up', () => {
    const setup = on('knee-lateral', man, { situation: { joints: { kneeFlexion_L: [0, 10] } } });
    expect(setup.problems).toContainEqual({
      code: 'joint-limit',
      values: { motion: 'kneeFlexion_L', neededDeg: 25, limitedDeg: 10 },
      text: 'Left knee flexion 10° only; the view wants 25°.',
    });
    expect(setup.scene.pose.kneeFlexion_L).toBe(10);
    expect(setup.feasible).toBe(true);
    expect(on('knee-lateral').problems.some(({ code }) => code === 'joint-limit')).toBe(false);
  });
  it.each([
    ['pelvis-ap', 260],
    ['chest-pa', 300],
    ['thoracic-lateral', 380],
    ['knee-ap', 150],
    ['hand-pa', 35],
  ])('%s measured at %d mm: the ray crosses that much body, and skin and objects move', (id, partThicknessMm) => {
    const plain = on(id);
    const setup = on(id, { ...man, partThicknessMm });
    expect(setup.exposure.thicknessMm).toBe(partThicknessMm);
    const { entry, exit } = setup.scene;
    const along = Math.hypot(...entry.map((value, k) => value - exit[k]));
    expect(Math.abs(along * Math.cos((setup.tube.angleDeg * Math.PI) / 180) - partThicknessMm)).toBeLessThan(
      Math.max(6, partThicknessMm * 0.03),
    );
    if (partThicknessMm > plain.exposure.thicknessMm)
      expect(setup.field.atSkinMm.width).toBeLessThan(plain.field.atSkinMm.width * 1.12);
  });
  it('the object distance and the enlargement say the same', () => {
    for (const id of ['sacrum-ap-axial', 'chest-pa', 'hand-pa']) {
      const { image, tube } = on(id);
      const plane = tube.sidMm * Math.cos((tube.angleDeg * Math.PI) / 180);
      expect(plane / (plane - image.objectDistanceMm)).toBeCloseTo(image.magnification, 6);
    }
    const sacrum = on('sacrum-ap-axial');
    const { centre, n } = sacrum.scene.receptor;
    const s2 = landmark(sacrum, 'S2').reduce((sum, value, k) => sum + (value - centre[k]) * n[k], 0);
    expect(Math.abs(sacrum.image.objectDistanceMm - s2)).toBeLessThan(60);
  });
  it('a thickness far from the patient is used and questioned', () => {
    const setup = on('pelvis-ap', { ...man, partThicknessMm: 420 });
    expect(setup.problems.find(({ code }) => code === 'thickness-odd')?.text).toMatch(/measure again/);
    expect(setup.exposure.thicknessMm).toBe(420);
  });
  it('a joint limit that is none is refused with its name', () => {
    const asked = (joints: object) =>
      setupRequestSchema.safeParse({ projectionId: 'pelvis-ap', patient: man, situation: { joints } });
    expect(asked({ kneeFlexion_L: [0, 40] }).success).toBe(true);
    expect(asked({ kneeWaving: [0, 40] }).error?.issues[0].message).toMatch(/no joint movement "kneeWaving"/);
    expect(asked({ kneeFlexion: [40, 0] }).error?.issues[0].message).toMatch(/must not exceed/);
    expect(asked({ kneeFlexion: [0, 400] }).success).toBe(false);
  });
  it('the whole patient sits at the table for a hand: hand on it, shoulder over it, seat under the hips', () => {
    const setup = on('hand-pa');
    const z = (id: string) => landmark(setup, id)[2];
    expect(Math.abs(z('wrist_centre_L') - ROOM_TWO.surfaceHeightMm)).toBeLessThan(80);
    expect(z('acromion_L')).toBeGreaterThan(ROOM_TWO.surfaceHeightMm + 150);
    const [seat] = setup.scene.surfaces;
    expect(seat.kind).toBe('seat');
    expect(z('hip_centre_L')).toBeGreaterThan(seat.plane.point[2]);
    expect(seat.plane.point[2]).toBeGreaterThan(150);
  });
});

describe('for any patient in range, any entry and any room', () => {
  it('what must be shown lies inside the field, and the field inside the receptor, unless it is said to be cut', () => {
    fc.assert(
      fc.property(anySetup, (choice) => {
        const setup = computeSetup(requestOf(choice));
        const { receptor, field } = setup;
        const { fields, receptor: plate } = setup.scene;
        for (const corners of fields) {
          for (const [i, corner] of corners.entries()) {
            const shift = receptor.shiftsMm[fields.indexOf(corners)];
            const u = corner.reduce((sum, value, k) => sum + (value - plate.centre[k]) * plate.u[k], 0);
            const v = corner.reduce((sum, value, k) => sum + (value - plate.centre[k]) * plate.v[k], 0) - shift;
            // The collimator may be turned a few degrees along the bone; the receptor turns with it.
            const turned = receptor.outcome === 'diagonal' ? receptor.tiltDeg + field.rotationDeg : field.rotationDeg;
            const sign = receptor.outcome === 'diagonal' ? 1 : 1;
            expect([
              i,
              insideRectangle(u, v, plate.widthMm + 2, plate.heightMm + 2, sign * turned) ||
                insideRectangle(u, v, plate.widthMm + 2, plate.heightMm + 2, plate.tiltDeg),
            ]).toEqual([i, true]);
          }
        }
        if (field.clipped.length === 0) {
          const open = {
            width: field.atReceptorMm.width,
            height: receptor.exposures * field.atReceptorMm.height - (receptor.exposures - 1) * receptor.overlapMm,
          };
          for (const item of choice.entry.cover) {
            if (!('landmark' in item) || item.offset.length > 0) continue;
            const id = setup.side === 'right' ? item.landmark.replace(/_L$/, '_R') : item.landmark;
            const { u, v } = shadow(setup, id);
            const t = (field.rotationDeg * Math.PI) / 180;
            const [x, y] = [u * Math.cos(t) + v * Math.sin(t), -u * Math.sin(t) + v * Math.cos(t)];
            if (item.axis !== 'along') expect(Math.abs(x)).toBeLessThan(open.width / 2 + 1.01);
            if (item.axis !== 'across') expect(Math.abs(y)).toBeLessThan(open.height / 2 + 1.01);
          }
        }
      }),
      { numRuns: 300 },
    );
  });

  it('the light on the skin is smaller than the field at the receptor; the numbers are finite', () => {
    fc.assert(
      fc.property(anySetup, (choice) => {
        const setup = computeSetup(requestOf(choice));
        expect(setup.field.atSkinMm.width).toBeLessThan(setup.field.atReceptorMm.width);
        expect(setup.field.atSkinMm.height).toBeLessThan(setup.field.atReceptorMm.height);
        expect(JSON.stringify(setup)).not.toMatch(/NaN|Infinity|:null,"(?!overlap|grid)(heightMm|sidMm|mAs)/);
        expect(setup.image.magnification).toBeGreaterThan(1);
        expect(setup.exposure.mAs).toBeGreaterThan(0);
        expect(setup.tube.sidMm).toBeGreaterThan(0);
      }),
      { numRuns: 200 },
    );
  });

  it('a larger SID never enlarges more', () => {
    fc.assert(
      fc.property(
        anySetup,
        fc.integer({ min: 1000, max: 1700 }),
        fc.integer({ min: 1, max: 300 }),
        (choice, sidMm, more) => {
          const near = computeSetup({ ...requestOf(choice), overrides: { sidMm } });
          const far = computeSetup({ ...requestOf(choice), overrides: { sidMm: sidMm + more } });
          expect(far.image.magnification).toBeLessThanOrEqual(near.image.magnification + 1e-9);
          expect(far.image.blurMm).toBeLessThanOrEqual(near.image.blurMm + 1e-9);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('the same question gets the same answer, byte for byte, and leaves the question alone', () => {
    fc.assert(
      fc.property(anySetup, (choice) => {
        const request = requestOf(choice);
        const before = JSON.stringify(request);
        expect(JSON.stringify(computeSetup(request))).toBe(
          JSON.stringify(computeSetup(JSON.parse(before) as SetupRequest)),
        );
        expect(JSON.stringify(request)).toBe(before);
      }),
      { numRuns: 100 },
    );
  });

  it('left and right are mirror images', () => {
    fc.assert(
      fc.property(
        anyPatient,
        fc.constantFrom(...projections.filter(({ sided }) => sided === 'each')),
        (patient, entry) => {
          const left = computeSetup({ projectionId: entry.id, side: 'left', patient });
          const right = computeSetup({ projectionId: entry.id, side: 'right', patient });
          expect(right.tube).toEqual({
            ...left.tube,
            heightMm: expect.closeTo(left.tube.heightMm, 1),
            receptorShiftMm: expect.closeTo(left.tube.receptorShiftMm, 1),
            sidMm: expect.closeTo(left.tube.sidMm, 6),
          });
          // Bones are mirrored, the organs of the trunk are not.
          const organs = entry.cover.some((item) => 'structure' in item && /kidney|colon|bladder/.test(item.structure));
          if (!organs)
            for (const extent of ['width', 'height'] as const)
              expect(Math.abs(right.field.neededMm[extent] - left.field.neededMm[extent])).toBeLessThanOrEqual(5);
          expect(new Set([left.marker.letter, right.marker.letter]).size).toBe(left.marker.letters.length > 1 ? 1 : 2);
        },
      ),
      { numRuns: 60 },
    );
  });
});

test('who turns to one side is not laid on the other, whichever side the view is of', () => {
  const lain = (side: 'left' | 'right', canTurn: 'left' | 'right') =>
    computeSetup({ projectionId: 'toes-lateral', side, situation: { canTurn } }).feasible;
  // The unaffected side lies beneath.
  expect([lain('right', 'left'), lain('right', 'right')]).toEqual([true, false]);
  expect([lain('left', 'right'), lain('left', 'left')]).toEqual([true, false]);
});
