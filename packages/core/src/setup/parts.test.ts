/** The parts of a set-up, each by itself. */
import { reasonWords } from '../words/reasonWords';
import fc from 'fast-check';
import { resolvePatient, type PatientInput } from '../body/patient';
import type { PlaneFrame } from '../geometry/projection';
import { projectionOf, projections } from '../projections/catalogue';
import { inches } from '../quantity/length';
import { demoRooms, MOBILE_UNIT, ROOM_ONE, ROOM_TWO } from '../room/demoRooms';
import { withDefaults } from '../room/houseRules';
import { holderOf } from '../room/room';
import { cautionsFor } from './readouts/caution';
import { computeSetup } from './computeSetup';
import { clippedBy, neededField, shadowsOf, type Shadow } from './collimation/cover';
import { chooseHolder } from './ray/holder';
import { fieldCorners, openField } from './collimation/collimatedField';
import { kneeAngleByPelvis } from './placing/place';
import { situationFor } from './request';
import { chooseTechnique } from './technique/technique';
import { focalSpotAt, isHorizontal, reachableSid } from './ray/tube';
import { drawStage } from './stage/stage';
import { applyRules } from './variant';
import { barred, choosePositioning, sparing } from './placing/positioning';
import { bothUnits } from '../words/stepWords';
import { bearingWords } from '../words/centreWords';

const plane: PlaneFrame = { origin: [0, 0, 0], u: [1, 0, 0], v: [0, 1, 0], n: [0, 0, 1] };
const mark = (name: string, u: number, v: number, axis: Shadow['axis'] = 'both', marginMm = 10): Shadow => ({
  name,
  u,
  v,
  axis,
  marginMm,
  magnification: 1.1,
});

describe('cover', () => {
  it('grows margins with the object and counts each item only along its axis', () => {
    const [shadow] = shadowsOf(
      [{ name: 'tip', axis: 'along', marginMm: 10, points: [[50, 80, 100]] }],
      [0, 0, 1000],
      plane,
      0,
    );
    expect(shadow.marginMm).toBeCloseTo(10 / 0.9, 9);
    const needed = neededField([shadow]);
    expect(needed.width).toBeCloseTo(0, 9);
    expect(needed.height).toBe(200);
  });
  it('opens in the steps of a dial, symmetric about the ray', () => {
    expect(neededField([mark('a', 30, 0), mark('b', -52.4, 71)])).toEqual({ width: 125, height: 165 });
  });
  it('a field turned along a bone needs less', () => {
    const along = (t: number) =>
      shadowsOf(
        [
          {
            name: 'ends',
            axis: 'both',
            marginMm: 0,
            points: [
              [60, 200, 0],
              [-60, -200, 0],
            ],
          },
        ],
        [0, 0, 1000],
        plane,
        t,
      );
    expect(neededField(along(-Math.atan2(60, 200) * (180 / Math.PI))).width).toBeLessThan(10);
    expect(neededField(along(0)).width).toBe(120);
  });
  it('names what is cut, once, by the point and not by its margin', () => {
    const shadows = [
      mark('crest', 100, 0),
      mark('crest', 102, 0),
      mark('tip', 0, 96, 'along'),
      mark('side', 300, 0, 'along'),
    ];
    expect(clippedBy(shadows, { width: 190, height: 200 })).toEqual(['crest']);
    expect(clippedBy(shadows, { width: 204, height: 190 })).toEqual(['tip']);
    expect(clippedBy(shadows, { width: 204, height: 192 })).toEqual([]);
  });
});

describe('light', () => {
  const leg = projectionOf('leg-ap');
  const open = (height: number, change: object = {}, width = 110) =>
    openField({
      shadows: [mark('knee', 0, height / 2 - 10), mark('ankle', 0, -(height / 2 - 10))],
      needed: { width, height },
      projection: leg,
      room: ROOM_ONE,
      holder: holderOf(ROOM_ONE, 'table-top')!,
      sidMm: 1200,
      overrides: {},
      unit: 'in',
      ...change,
    });
  it('lengthwise, diagonal and split follow from the length', () => {
    expect(open(400).fit.outcome).toBe('lengthwise');
    expect(open(440).fit.outcome).toBe('diagonal');
    expect(open(440).field).toEqual({ width: 110, height: 440 });
    expect(open(520)).toMatchObject({ fit: { outcome: 'split', exposures: 2 }, clipped: [], problems: [] });
  });
  it('two exposures overlap and together take the whole', () => {
    const { field, shiftsMm } = open(520);
    expect(shiftsMm[0] + field.height / 2).toBeGreaterThanOrEqual(260);
    expect(shiftsMm[0]).toBe(-shiftsMm[1]);
    expect(shiftsMm[0] - field.height / 2).toBeLessThan(shiftsMm[1] + field.height / 2 - 40);
  });
  it('an unknown receptor is said and another one taken', () => {
    const lightField = open(300, { overrides: { receptorId: '20x20' } });
    expect(lightField.problems.map(({ code }) => code)).toEqual(['receptor-unknown']);
    expect(lightField.fit.receptor.name).toBe('10×12');
  });
  it('a field pulled by hand is the one that is open; what it cuts is named', () => {
    const lightField = open(400, { overrides: { fieldMm: [100, 300] } });
    expect(lightField.field).toEqual({ width: 100, height: 300 });
    expect(lightField.clipped).toEqual(['knee', 'ankle']);
    expect(lightField.problems[0].text).toMatch(/clips knee and ankle: .* are needed, .* are open/);
  });
  it('the collimator’s widest field holds at a short SID', () =>
    expect(open(400, { sidMm: 800 }).field.height).toBe(344));
  it('only a margin cut is said, and does not forbid', () => {
    const lightField = openField({
      shadows: [mark('hip', 170, 0)],
      needed: { width: 460, height: 300 },
      projection: projectionOf('pelvis-ap'),
      room: ROOM_TWO,
      holder: holderOf(ROOM_TWO, 'table-tray')!,
      sidMm: 1016,
      overrides: {},
      unit: 'cm',
    });
    expect(lightField.problems).toEqual([
      expect.objectContaining({
        code: 'margin',
        text: expect.stringMatching(/its margin is clipped by 3 cm in all: 43 × 30 cm are open/),
      }),
    ]);
  });
  it('corners lie round the middle of their exposure, turned with the collimator', () => {
    expect(fieldCorners(plane, { width: 100, height: 60 }, 0, 20)).toEqual([
      [-50, -10, 0],
      [50, -10, 0],
      [50, 50, 0],
      [-50, 50, 0],
    ]);
    expect(fieldCorners(plane, { width: 100, height: 60 }, 90, 0)[0][0]).toBeCloseTo(30, 9);
  });
});

describe('tube', () => {
  it('keeps the wanted SID where the room reaches it', () =>
    expect(reachableSid(1016, [1016, 1219], ROOM_ONE, [0, 0, 718], [0, 0, -1], 'no', 'in')).toEqual({
      sidMm: 1016,
      problems: [],
    }));
  it('gives the longest in reach and says what that costs', () => {
    const { sidMm, problems } = reachableSid(1829, [1524, 2032], ROOM_TWO, [0, 0, 730], [0, 0, -1], 'no', 'in');
    expect(sidMm).toBe(1170);
    expect(problems[0]).toMatchObject({
      code: 'sid-too-short',
      text: expect.stringMatching(/Room 2 reaches 46 in of the 72 in SID wanted.*begins at 60 in/),
    });
  });
  it('a tilted tube under a low ceiling reaches further along the ray', () => {
    const steep = reachableSid(3000, [1000, 3000], ROOM_TWO, [0, 0, 700], [0.5, 0, -Math.sqrt(0.75)], 'no', 'in').sidMm;
    expect(steep).toBeGreaterThan(
      reachableSid(3000, [1000, 3000], ROOM_TWO, [0, 0, 700], [0, 0, -1], 'no', 'in').sidMm,
    );
  });
  it('a level ray is limited by the wall’s reach; a few millimetres short is reached', () => {
    expect(reachableSid(1829, [1524, 2032], ROOM_TWO, [0, 0, 1300], [1, 0, 0], 'wall', 'in').sidMm).toBe(1525);
    expect(reachableSid(1530, [1000, 2032], ROOM_TWO, [0, 0, 1300], [1, 0, 0], 'wall', 'in').problems).toEqual([]);
    expect(reachableSid(1829, [1524, 2032], ROOM_TWO, [0, 0, 1300], [1, 0, 0], 'free', 'in').sidMm).toBe(1829);
  });
  it('the focal spot lies the SID back along the ray', () => {
    expect(focalSpotAt([0, 0, 100], [0, 0, -1], 1000)).toEqual([0, 0, 1100]);
    expect([isHorizontal([1, 0, 0]), isHorizontal([0, 0, -1])]).toEqual([true, false]);
  });
});

const OF_TRUNK = { part: 'thorax', mirrored: false, ageYears: 40 };
describe('way', () => {
  const chest = projectionOf('chest-pa');
  const knee = projectionOf('knee-lateral');
  it.each([
    [{ canStand: false }, null],
    [{ canStand: false, canSit: false }, /neither stand nor sit/],
    [{ spineNotCleared: true }, /spine is not cleared/],
  ])('chest PA with %j', (known, reason) => {
    const why = barred(chest.positions[0], situationFor(40, known), null, 40);
    if (reason === null) expect(why).toBeNull();
    else expect(why && reasonWords(why)).toMatch(reason);
  });
  it('turning is judged by the side that lies down', () => {
    expect(barred(knee.positions[0], situationFor(40, { canTurn: 'left' }), 'left', 40)).toBeNull();
    expect(barred(knee.positions[0], situationFor(40, { canTurn: 'left' }), 'right', 40)).toEqual({
      code: 'turns-only-to',
      side: 'left',
    });
    expect(barred(knee.positions[0], situationFor(40, { canTurn: 'none' }), 'left', 40)).toEqual({
      code: 'cannot-turn',
    });
  });
  it('an infant without head control is not sat up against a back rest, unless it is propped already', () => {
    const rest = { body: 'semi-erect' as const, seatable: false };
    expect(barred(rest, situationFor(0.3), null, 0.3)).toEqual({ code: 'too-young-to-sit' });
    expect(barred(rest, situationFor(1), null, 1)).toBeNull();
    expect(barred(rest, situationFor(0.3, { proppedDeg: 30 }), null, 0.3)).toBeNull();
  });
  it('babies neither stand nor sit unless someone says so', () => {
    expect(situationFor(0.3)).toMatchObject({ canStand: false, canSit: false });
    expect(situationFor(1)).toMatchObject({ canStand: false, canSit: true });
    expect(situationFor(0.3, { canSit: true }).canSit).toBe(true);
    expect(situationFor(undefined)).toMatchObject({ canStand: true, canSit: true, spineNotCleared: false });
  });
  it('a position that is not the entry’s is refused with those that are', () => {
    expect(
      choosePositioning(chest, situationFor(40), ROOM_ONE, null, { position: 'prone' }, OF_TRUNK).problems[0].text,
    ).toMatch(/not done prone; it is done erect/);
  });
  it('a unit without the holder says so', () => {
    const { problems } = choosePositioning(chest, situationFor(40), MOBILE_UNIT, null, {}, OF_TRUNK);
    expect(problems[0]).toMatchObject({
      code: 'no-holder',
      text: expect.stringMatching(/Mobile unit has no wall stand/),
    });
  });
  it.each(
    projections
      .filter(({ positions }) => positions.some(({ ifInjured }) => ifInjured))
      .map((entry) => [entry.id, entry] as const),
  )('%s spares the hurt: nothing is turned, bent or raised', (_id, entry) => {
    for (const positioning of entry.positions) {
      const spared = sparing(positioning, situationFor(40, { fractureSuspected: true }));
      if (positioning.ifInjured) expect(spared.say).not.toMatch(/turned in 15|knees bent|chin up|at a right angle/);
      expect(sparing(positioning, situationFor(40))).toEqual({ ...positioning, poseAlone: false });
    }
  });
});

describe('holder and grid', () => {
  const tray = holderOf(ROOM_ONE, 'table-tray')!;
  const top = holderOf(ROOM_ONE, 'table-top')!;
  it('the thickness decides where the entry leaves it open', () => {
    expect(chooseHolder('by-thickness', [tray, top], ROOM_ONE, { thicknessMm: 120, fromMm: 100 }, {})).toMatchObject({
      holder: { kind: 'table-tray' },
      gridWanted: true,
      grid: { ratio: 10 },
    });
    expect(chooseHolder('by-thickness', [tray, top], ROOM_ONE, { thicknessMm: 99, fromMm: 100 }, {})).toMatchObject({
      gridWanted: false,
      grid: null,
    });
    expect(chooseHolder('no', [tray, top], ROOM_ONE, { thicknessMm: 250, fromMm: 100 }, {}).grid).toBeNull();
  });
  it('a grid that is wanted and not there, or there and not wanted, is said', () => {
    expect(chooseHolder('yes', [top], ROOM_ONE, { thicknessMm: 200, fromMm: 100 }, {}).problems[0].code).toBe(
      'no-grid',
    );
    expect(
      chooseHolder('no', [holderOf(ROOM_TWO, 'table-tray')!], ROOM_TWO, { thicknessMm: 50, fromMm: 100 }, {}),
    ).toMatchObject({
      grid: { ratio: 8 },
      problems: [{ code: 'grid-stays' }],
    });
    expect(
      chooseHolder('no', [tray, top], ROOM_ONE, { thicknessMm: 50, fromMm: 100 }, { grid: true }).grid,
    ).toMatchObject({ ratio: 10 });
  });
});

describe('technique', () => {
  const pelvis = projectionOf('pelvis-ap');
  const at = {
    thicknessMm: 210,
    sidMm: inches(40),
    gridRatio: 10,
    fieldMm: [430, 350] as const,
    aecInHolder: true,
    support: 'table' as const,
    gridLossAtCentre: 0,
    multipliers: [],
    cooperative: true,
    child: false,
  };
  it('is the room’s chart at the chart’s own conditions', () => {
    const technique = chooseTechnique(
      pelvis,
      { ...ROOM_ONE, generator: { ...ROOM_ONE.generator, chartFactor: 1 } },
      at,
      {},
    );
    expect(technique).toMatchObject({ kVp: 80, mAs: 20, aec: 'outer', focalSpot: 'large', inModel: true });
    for (const { factor } of technique.factors) expect(factor).toBeCloseTo(1, 9);
  });
  it('gives stations of the generator, more for more body, and time from mA', () => {
    const thick = chooseTechnique(pelvis, ROOM_ONE, { ...at, thicknessMm: 280 }, {});
    expect(ROOM_ONE.generator.masStations).toContain(thick.mAs);
    expect(thick.mAs).toBeGreaterThan(chooseTechnique(pelvis, ROOM_ONE, at, {}).mAs);
    expect(thick.timeMs).toBe(Math.round((thick.mAs / ROOM_ONE.generator.largeFocusMa) * 1000));
  });
  it('children: thin parts get the low kVp, and of the cells only the centre one', () => {
    expect(chooseTechnique(pelvis, ROOM_ONE, { ...at, thicknessMm: 90, gridRatio: 0, child: true }, {})).toMatchObject({
      kVp: pelvis.exposure.kVpThin,
      aec: 'none',
    });
    expect(chooseTechnique(pelvis, ROOM_ONE, { ...at, thicknessMm: 130, child: true }, {}).aec).toBe('centre');
  });
  it('what was pulled by hand stands', () =>
    expect(chooseTechnique(pelvis, ROOM_ONE, at, { kVp: 75, mAs: 17 })).toMatchObject({ kVp: 75, mAs: 17 }));
  it('outside the model no mAs is given, in the words of a technologist', () =>
    expect(chooseTechnique(pelvis, ROOM_ONE, { ...at, thicknessMm: 500 }, {})).toMatchObject({
      inModel: false,
      masKnown: false,
      problems: [
        { code: 'outside-model', text: expect.stringMatching(/measures 19½ in here.*tested up to 15 in: no mAs/) },
      ],
    }));
  it('a generator that ends below what is asked says so', () =>
    expect(
      chooseTechnique(pelvis, { ...ROOM_ONE, generator: { ...ROOM_ONE.generator, masStations: [1, 2, 4] } }, at, {})
        .problems[0].code,
    ).toBe('mas-limit'));
  it('never asks for more than the generator gives in kV', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...projections),
        fc.integer({ min: 20, max: 350 }),
        fc.integer({ min: 60, max: 130 }),
        (entry, thicknessMm, maxKvp) => {
          expect(
            chooseTechnique(
              entry,
              { ...ROOM_ONE, generator: { ...ROOM_ONE.generator, maxKvp } },
              { ...at, thicknessMm },
              {},
            ).kVp,
          ).toBeLessThanOrEqual(maxKvp);
        },
      ),
    );
  });
});

describe('words', () => {
  it('show both units, the leading one first', () => {
    expect(bothUnits(51, 'in')).toBe('2 in (5 cm)');
    expect(bothUnits(51, 'cm')).toBe('5 cm (2 in)');
  });
  it('say the way from a landmark in the directions of the body, and level where there is none', () => {
    expect(bearingWords([{ toward: 'superior', mm: 51 }], 'the symphysis pubis', 'in')).toBe(
      '2 in (5 cm) superior to the symphysis pubis',
    );
    expect(bearingWords([{ toward: 'inferior', mm: 190 }], 'the vertebra prominens', 'cm')).toBe(
      '19 cm (7½ in) inferior to the vertebra prominens',
    );
    expect(bearingWords([], 'the ASIS', 'in')).toBe('level with the ASIS');
    expect(
      bearingWords(
        [
          { toward: 'superior', mm: 51 },
          { toward: 'anterior', mm: 13 },
        ],
        'the EAM of the side up',
        'in',
      ),
    ).toBe('2 in (5 cm) superior and ½ in (1.3 cm) anterior to the EAM of the side up');
    expect(bearingWords([{ toward: 'left', mm: 25 }], 'the jugular notch', 'in')).toBe(
      '1 in (2.5 cm) to the patient’s left of the jugular notch',
    );
  });
  it('the angle of the AP knee changes at 19 and 24 cm', () =>
    expect([189, 190, 240, 241].map(kneeAngleByPelvis)).toEqual([-4, 0, 0, 4]));
});

describe('cautions', () => {
  const woman = resolvePatient({ ageYears: 30, sex: 'female' }).patient;
  const texts = (id: string, patient = woman, known = {}) =>
    cautionsFor(projectionOf(id), patient, situationFor(30, known)).map(({ text }) => text);
  it('ask about pregnancy where it applies, and stop when it is possible', () => {
    expect(texts('chest-pa')).toContain('Ask about pregnancy before the exposure.');
    expect(texts('hand-pa').join()).not.toMatch(/regnan/);
    expect(texts('chest-pa', resolvePatient({ ageYears: 70, sex: 'female' }).patient).join()).not.toMatch(/regnan/);
    expect(texts('chest-pa', woman, { pregnancy: 'no' }).join()).not.toMatch(/regnan/);
    expect(
      texts('sacrum-ap-axial', woman, { pregnancy: 'possible' }).filter((text) => /Pregnancy possible/.test(text)),
    ).toHaveLength(1);
  });
  it.each(projections.filter(({ region }) => region === 'spine').map(({ id }) => [id]))(
    '%s never moves a spine that is not cleared',
    (id) => {
      const grave = cautionsFor(projectionOf(id), woman, situationFor(30, { spineNotCleared: true })).filter(
        (caution) => caution.grave,
      );
      expect(grave.some(({ text }) => /not cleared/.test(text))).toBe(true);
    },
  );
  it('the holder of a child is never anyone pregnant', () =>
    expect(texts('chest-ap', resolvePatient({ ageYears: 1 }).patient).join()).toMatch(/never anyone pregnant/));
});

describe('schools', () => {
  test('the angle through a pelvis is a woman’s or a man’s where it is known which it is, and a child’s is neither', () => {
    const bySex = projections.filter(({ ray }) => ray.angleBySex);
    expect(bySex.length).toBeGreaterThanOrEqual(5);
    const degOf = (projectionId: string, patient: PatientInput) =>
      computeSetup({ projectionId, patient }).tube.angleDeg;
    for (const { id, ray } of bySex) {
      expect([id, degOf(id, { ageYears: 40, sex: 'male' })]).toEqual([id, ray.angleBySex!.male]);
      expect([id, degOf(id, { ageYears: 40, sex: 'female' })]).toEqual([id, ray.angleBySex!.female]);
      expect([id, degOf(id, { ageYears: 40 })]).toEqual([id, ray.angleDeg]);
      expect([id, degOf(id, { ageYears: 8, sex: 'female' })]).toEqual([id, ray.angleDeg]);
    }
  });
  it('change the entry and say which was chosen and why', () => {
    const { projection, schools } = applyRules(
      projectionOf('cervicothoracic-lateral'),
      withDefaults({ cervicothoracicAngle: 'caudad' }),
    );
    expect(projection.ray).toMatchObject({ angleDeg: 4, toward: 'feet' });
    expect(schools[0]).toMatchObject({ rule: 'cervicothoracicAngle', reason: expect.stringMatching(/shoulder/) });
    expect(projectionOf('cervicothoracic-lateral').ray.angleDeg).toBe(0);
  });
  it('leave everything else as it was', () => {
    const before = projectionOf('chest-pa');
    const { projection } = applyRules(before, withDefaults({ chestTechnique: 'no-grid' }));
    expect(projection).toEqual({ ...before, grid: 'no' });
  });
});

describe('a tube that does not go high enough', () => {
  const tall = { ageYears: 30, sex: 'male' as const, statureMm: 2000 };
  test('no set-up of any entry puts it above what the room has', () => {
    for (const room of demoRooms)
      for (const patient of [{ ageYears: 40 }, tall])
        for (const entry of projections) {
          const side = entry.sided === 'each' ? ('left' as const) : undefined;
          const { scene } = computeSetup({ projectionId: entry.id, side, patient, room });
          expect([room.id, entry.id, scene.focal[2] <= room.tube.focusHeightMm[1] + 1]).toEqual([
            room.id,
            entry.id,
            true,
          ]);
        }
  });
  test('who may sit is seated so much lower, and it is said; a higher tube leaves the patient standing', () => {
    const asked = {
      projectionId: 'skull-pa-axial-30',
      patient: { ageYears: 40, sex: 'male' as const },
      overrides: { sidMm: 1016 },
    };
    const low = computeSetup({ ...asked, room: ROOM_TWO });
    expect(low.position.supports).toEqual([{ kind: 'stool', mm: expect.any(Number) }]);
    expect(low.steps.map(({ text }) => text)).toContainEqual(
      expect.stringMatching(/^Seated, .* lower than erect: the tube does not go higher$/),
    );
    expect(low.tube.sidMm).toBe(low.tube.sidWantedMm);
    expect(low.scene.focal[2]).toBeLessThanOrEqual(ROOM_TWO.tube.focusHeightMm[1] + 1);
    expect(computeSetup({ ...asked, room: ROOM_ONE }).position.supports).toEqual([]);
  });
  test('a slanted ray from above ends where the tube does, beside the wall too', () => {
    const { sidMm } = reachableSid(1016, [1016, 1219], ROOM_TWO, [0, 0, 1600], [0.8, 0, -0.6], 'wall', 'in');
    expect(sidMm).toBe(Math.floor((ROOM_TWO.tube.focusHeightMm[1] - 1600) / 0.6));
  });
});

describe('the side marker by the rule of the house', () => {
  const under = (marker: string) => computeSetup({ projectionId: 'hand-pa', side: 'left', rules: { marker } });
  const step = (marker: string) => under(marker).steps.find(({ group }) => group === 'marker');
  test('on the table it is said so, and still lies in the light', () => {
    expect(step('table')?.text).toMatch(/^Marker L: on the table or the patient, /);
    expect(under('table').marker.spots).toEqual(under('receptor').marker.spots);
  });
  test('in software nothing of lead lies in the light, and the side is set and read back before the exposure', () => {
    expect(under('software').marker).toMatchObject({ letters: ['L'], spots: [] });
    expect(step('software')).toMatchObject({
      code: 'step-marker-software',
      text: expect.stringMatching(/^No lead marker by house rule: L set at the console before the exposure/),
    });
    expect(drawStage(under('software'), 'ray', 1).markers).toEqual([]);
  });
});
