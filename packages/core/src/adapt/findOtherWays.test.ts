/** The textbook forms must come out of the search by themselves: what is expected here is taught, what is found is computed. */
import { applyToDirection, inverse } from '../geometry/frame';
import { dot } from '../geometry/vector';
import { toDegrees } from '../quantity/angle';
import { projectionOf } from '../projections/catalogue';
import { MOBILE_UNIT, ROOM_ONE, ROOM_TWO } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import type { SetupRequest, Situation } from '../setup/request';
import { findOtherWays, whyForbidden } from './findOtherWays';
import type { OtherWay } from './otherWay';
import { waysAnswer } from './waysAnswer';

const readerText = ({ tell }: Pick<OtherWay, 'tell'>): string => tell.map(({ text }) => text).join();

const patient = { ageYears: 40, sex: 'male' as const };
const lies = { canStand: false, canSit: false, canTurn: 'none' } as const satisfies Partial<Situation>;
const onBoard = { ...lies, spineNotCleared: true, worn: ['collar', 'board'] } satisfies Partial<Situation>;
const ways = (projectionId: string, situation: Partial<Situation>, more: Partial<SetupRequest> = {}): OtherWay[] =>
  findOtherWays({ projectionId, patient, situation, ...more });

const level = ({ setup }: OtherWay) => Math.abs(setup.scene.beam[2]) < 0.1;
const body = (position: string) => (way: OtherWay) => way.setup.position.body === position;
const supine = body('supine');
const costIds = (way: OtherWay) => way.costs.map(({ id }) => id);

describe('the trauma and recumbent forms are found', () => {
  test.each([
    ['cervical-lateral', onBoard, undefined],
    ['lumbar-lateral', onBoard, undefined],
    ['thoracic-lateral', onBoard, undefined],
    ['knee-lateral', { ...lies, fractureSuspected: true }, 'right'],
    ['hip-axiolateral', { ...lies, suspected: ['hip fracture'] }, 'right'],
  ] as const)('%s: cross-table, on the back, first of all', (id, situation, side) => {
    const [first] = ways(id, situation as Partial<Situation>, { side });
    expect(first.setup.position.body).toBe('supine');
    expect(first.setup.tube.beam).toBe('horizontal');
    // A leg that may be broken lies rolled out, as it lies: the ray is off by that and says so.
    expect(first.offDeg).toBeLessThan(/^(knee|hip)/.test(id) ? 15 : 3);
    expect(first.setup.receptor.holder).toBe('stand');
    if (first.setup.way) expect(readerText(first)).toContain('cross-table');
  });

  test('the hip whose other leg cannot be raised: the ray goes under it, or the modified form', () => {
    const situation = {
      ...lies,
      suspected: ['hip fracture'],
      joints: { hipFlexion_L: [-10, 30] },
    } satisfies Partial<Situation>;
    const found = ways('hip-axiolateral', situation, { side: 'right' });
    const [first] = found;
    // The other leg goes no higher than it can, and the ray is clear of it.
    expect(first.setup.problems.map(({ code }) => code)).not.toContain('in-the-way');
    expect(first.setup.scene.pose.hipFlexion_L ?? 0).toBeLessThanOrEqual(30);
    expect(Math.abs(first.setup.scene.pose.hipFlexion_R ?? 0)).toBeLessThan(20);
    expect(found.some(({ setup }) => setup.projectionId === 'hip-axiolateral-modified')).toBe(true);
  });

  test('AP for the PA chest on the back, with what the heart gains and the SID that is reached', () => {
    const [first] = ways('chest-pa', { ...lies, place: 'bedside' }, { room: MOBILE_UNIT });
    expect(first.setup.position).toMatchObject({ body: 'supine', facing: 'AP' });
    expect(first.name).toBe('Chest, PA, taken AP');
    expect(first.setup.marker.extra).toEqual(expect.arrayContaining(['AP', 'supine']));
    expect(costIds(first)).toEqual(expect.arrayContaining(['size', 'sid', 'reversed']));
    // The figure that is said is the enlargement of the heart by similar triangles.
    const said = Number(/Heart magnified (\d+) %/.exec(first.costs.find(({ id }) => id === 'size')!.text)![1]);
    expect(said).toBeGreaterThan(3);
    expect(said).toBeLessThan(20);
    expect(first.setup.tube.sidMm).toBeLessThan(first.setup.tube.sidWantedMm);
  });

  test.each([30, 45, 60])('half sitting at %d°: AP, the beam square to the receptor on the back rest', (proppedDeg) => {
    const [first] = ways('chest-pa', { ...lies, canLieFlat: false, proppedDeg }, { room: MOBILE_UNIT });
    const { setup } = first;
    expect(setup.position).toMatchObject({ body: 'semi-erect', facing: 'AP' });
    expect(-dot(setup.scene.receptor.n, setup.scene.beam)).toBeCloseTo(1, 6);
    // From the vertical the beam leans as the back rest does from flat.
    expect(toDegrees(Math.acos(-setup.scene.beam[2]))).toBeCloseTo(proppedDeg, 3);
    expect(readerText(first)).toContain(`semi-erect ${proppedDeg}°`);
    expect(readerText(first)).toMatch(/no air-fluid levels/i);
  });

  test.each([30, 45, 60])(
    'half sitting at %d° and fluid is asked for: a level ray, first where the back rest is steep, and what it costs',
    (proppedDeg) => {
      const situation = {
        ...lies,
        canLieFlat: false,
        proppedDeg,
        suspected: ['fluid level'],
      } satisfies Partial<Situation>;
      const found = ways('chest-pa', situation, { room: MOBILE_UNIT });
      const shows = found.find(level)!;
      if (proppedDeg >= 45) expect(shows).toBe(found[0]);
      expect(shows.setup.position).toMatchObject({ body: 'semi-erect', facing: 'AP' });
      // The beam square to the back rest would lean as the back rest does from upright.
      expect(shows.offDeg).toBeCloseTo(90 - proppedDeg, 0);
      expect(found.find((way) => !level(way))!.costs.map(({ text }) => text)).toContain(
        'Does not show fluid level: the beam is not horizontal',
      );
    },
  );

  test.each([
    ['chest-pa', 'fluid level'],
    ['abdomen-ap-upright', 'free gas'],
  ] as const)('%s for %s of one who lies: on the side, ray level', (id, sign) => {
    const [first] = ways(id, { canStand: false, canSit: false, suspected: [sign] });
    expect(first.setup.position.body).toBe('lateral-recumbent');
    expect(level(first)).toBe(true);
    // Fluid gathers beneath, and which side is suspect is the technologist's to know: both are offered.
    if (sign === 'fluid level') {
      const sides = ways(id, { canStand: false, canSit: false, suspected: [sign] }).map(
        ({ request }) => request.way?.on,
      );
      expect(sides).toEqual(expect.arrayContaining(['left', 'right']));
      expect(readerText(first)).toMatch(/suspect side down/);
    }
    // Gas shows over the liver.
    if (sign === 'free gas') expect(first.setup.way?.on).toBe('left');
  });

  test('the oblique of a neck on a board: nothing is turned, the tube leans 45° across and 15° to the head', () => {
    const [first] = ways('cervical-oblique-posterior', onBoard, { side: 'left' });
    expect(supine(first)).toBe(true);
    expect(first.setup.way).toMatchObject({ asItLies: true });
    expect(first.setup.tube).toMatchObject({ acrossDeg: 45, angleDeg: 15, angleToward: 'head' });
    expect(first.setup.receptor.grid).toBeNull();
    expect(first.offDeg).toBeLessThan(1);
    // A flat receptor under a ray that leans both ways: 1 / (cos 45° cos 15°).
    expect(first.setup.image.elongation).toBeCloseTo(1 / (Math.cos(Math.PI / 4) * Math.cos(Math.PI / 12)), 6);
  });

  test('a face that is taken face down is taken on the back the other way round', () => {
    const found = ways('face-parietoacanthial', lies);
    expect(found[0].setup.position).toMatchObject({ body: 'supine', facing: 'AP' });
    expect(found[0].offDeg).toBeLessThan(1);
    expect(found.some(({ setup }) => setup.projectionId === 'face-acanthioparietal')).toBe(true);
  });

  test.each([
    ['shoulder-scapular-y', 'right'],
    ['shoulder-axillary-inferosuperior', 'right'],
    ['humerus-lateral', 'right'],
  ] as const)('%s of an arm that must not be moved: on the back, the arm as it lies', (id, side) => {
    const situation = { ...lies, keepStill: ['right arm'], canRaiseArm: 'left' } satisfies Partial<Situation>;
    const found = ways(id, situation, { side });
    expect(found.length).toBeGreaterThan(0);
    for (const { setup } of found) {
      expect(Math.abs(setup.scene.pose.shoulderFlexion_R ?? 0)).toBeLessThan(45);
      expect(setup.scene.pose.shoulderAbduction_R ?? 0).toBeLessThan(45);
    }
  });

  test.each([
    ['elbow-ap', { elbowFlexion_L: [50, 150] }],
    ['knee-ap', { kneeFlexion_L: [35, 150] }],
  ] as const)('%s that does not straighten: both halves, each square to its own ray', (id, joints) => {
    const [pair] = ways(id, { joints: joints as unknown as Situation['joints'] }, { side: 'left' });
    expect(pair.second).not.toBeNull();
    expect(pair.setup.way?.half).toBe('upper');
    expect(pair.second!.way?.half).toBe('lower');
    for (const [setup, part] of [
      [pair.setup, id === 'knee-ap' ? 'thigh_L' : 'upperarm_L'],
      [pair.second!, id === 'knee-ap' ? 'shank_L' : 'forearm_L'],
    ] as const) {
      const along = setup.inPart.find(({ segment }) => segment === part)!.ray[2];
      expect(Math.abs(along)).toBeLessThan(Math.sin((4 * Math.PI) / 180));
    }
    expect(readerText(pair)).toContain('two exposures');
  });

  test('one picture of a joint that does not straighten is off by half the bend for either half', () => {
    const joints = { kneeFlexion_L: [40, 150] } satisfies Situation['joints'];
    const between = ways('knee-ap', { joints }, { side: 'left' }).find(({ setup }) => setup.way?.half === 'between')!;
    expect(between.offDeg).toBeCloseTo(20, -0.5);
  });

  test.each([
    ['wrist-lateral', { keepStill: ['left arm'], fractureSuspected: true }],
    ['ankle-lateral', { keepStill: ['left leg'], fractureSuspected: true, canStand: false, canTurn: 'none' }],
  ] as const)('%s with a level ray, the part as it lies', (id, situation) => {
    const found = ways(id, situation as unknown as Partial<Situation>, { side: 'left' });
    expect(found.some((way) => level(way) && way.setup.way?.asItLies && way.offDeg < 15.5)).toBe(true);
  });

  test('the mortise of a leg that must not be turned: the tube makes the turn', () => {
    const situation = { ...lies, keepStill: ['left leg'], fractureSuspected: true } satisfies Partial<Situation>;
    const turned = ways('ankle-mortise', situation, { side: 'left' }).find((way) => supine(way) && !level(way))!;
    expect(turned.setup.tube.acrossDeg).toBeGreaterThan(15);
    expect(turned.offDeg).toBeLessThan(3);
  });

  test('an axial lateral of the elbow of an arm that stays: never from the side of the trunk, through which the ray would pass', () => {
    const situation = { keepStill: ['left arm'], fractureSuspected: true } satisfies Partial<Situation>;
    const found = ways('elbow-axial-lateral-radial-head', situation, { side: 'left' });
    expect(found.length).toBeGreaterThan(0);
    expect(found.every(({ setup }) => setup.way?.asItLies && !setup.way.reversed)).toBe(true);
  });

  test('the sacrum face down: the ray the other way, its angle turned round, and larger', () => {
    const prone = ways('sacrum-ap-axial', {}).find(body('prone'))!;
    expect(prone.setup.tube).toMatchObject({ angleDeg: 15, angleToward: 'feet' });
    expect(prone.setup.position.facing).toBe('PA');
    expect(costIds(prone)).toEqual(expect.arrayContaining(['size', 'reversed']));
    const coccyx = ways('coccyx-ap-axial', { canStand: false, canSit: false }).find(body('prone'))!;
    expect(coccyx.setup.tube).toMatchObject({ angleDeg: 10, angleToward: 'head' });
  });

  test.each(['fossa-kneeling', 'patella-tangential-supine'])('%s by what the patient can do', (id) => {
    const found = ways(id, { canStand: false, canProne: false }, { side: 'left' });
    expect(found.length).toBeGreaterThan(1);
    expect(found.every(({ setup }) => setup.position.body !== 'prone' && setup.position.body !== 'kneeling')).toBe(
      true,
    );
  });

  test('an infant: chest and abdomen on the back', () => {
    for (const id of ['chest-pa', 'abdomen-ap-upright']) {
      const found = findOtherWays({
        projectionId: id,
        patient: { ageYears: 0.4 },
        situation: { holder: 'someone', canProne: false },
      });
      expect(found.some(supine)).toBe(true);
      expect(found.every(({ setup }) => setup.position.body !== 'upright')).toBe(true);
      expect(found[0].costs.map(({ text }) => text)).toContain('1 person to hold');
    }
  });

  test('a wheelchair: chest and foot where the patient sits', () => {
    const chair = { place: 'chair', canStand: false } satisfies Partial<Situation>;
    const chest = ways('chest-pa', chair);
    expect(chest.length).toBeGreaterThan(0);
    expect(chest.every(({ setup }) => ['upright', 'seated'].includes(setup.position.body))).toBe(true);
    expect(chest.every(({ setup }) => !/^Standing/.test(setup.position.say))).toBe(true);
    const foot = ways('foot-ap', chair, { side: 'left' });
    expect(foot.some(body('seated'))).toBe(true);
  });

  test('a leg longer than the receptor is laid slanted or taken in two', () => {
    const room = { ...ROOM_ONE, receptors: ROOM_ONE.receptors.filter(({ id }) => id !== '14x17') };
    const small = {
      ...room,
      holders: room.holders.map((holder) => ({
        ...holder,
        receptorIds: holder.receptorIds.filter((id) => id !== '14x17'),
      })),
    };
    const found = findOtherWays({ projectionId: 'leg-ap', side: 'left', patient: { statureMm: 1900 }, room: small });
    expect(found.some(({ setup }) => setup.receptor.exposures === 2 || setup.receptor.outcome === 'diagonal')).toBe(
      true,
    );
  });
});

test('an entry of the department’s own has its ways too', () => {
  const own = { ...projectionOf('chest-pa'), id: 'own-chest' };
  const found = findOtherWays({ projectionId: own.id, own, patient, situation: lies });
  expect(found.some((way) => supine(way) && way.setup.projectionId === own.id)).toBe(true);
});

describe('what is said of a way is what it is', () => {
  const all = [
    ...ways('chest-pa', { ...lies }),
    ...ways('knee-lateral', { ...lies, fractureSuspected: true }, { side: 'right' }),
    ...ways('face-parietoacanthial', onBoard),
    ...ways('wrist-lateral', { keepStill: ['left arm'] }, { side: 'left' }),
  ];
  test.each(all.map((way) => [way.id, way] as const))('%s: ranked, whole, and computed again to the same', (_, way) => {
    expect(way.setup.feasible).toBe(true);
    expect(way.points).toBeCloseTo(
      way.costs.reduce((sum, { points }) => sum + points, 0),
      6,
    );
    const again = computeSetup({ ...{ patient, situation: way.setup.situation }, ...way.request });
    expect(again.tube).toEqual(way.setup.tube);
    expect(again.scene).toEqual(way.setup.scene);
  });
  test('at most five, the least cost first', () => {
    const found = ways('chest-pa', {});
    expect(found.length).toBeLessThanOrEqual(5);
    expect(found.map(({ points }) => points)).toEqual(found.map(({ points }) => points).sort((a, b) => a - b));
  });
  test('the same every time', () =>
    expect(ways('elbow-ap', {}, { side: 'left' })).toEqual(ways('elbow-ap', {}, { side: 'left' })));

  test('the ray in the part is the taught one, by the frames of the body alone', () => {
    const [way] = ways('thoracic-lateral', onBoard);
    const { place, beam } = way.setup.scene;
    // Through the trunk from side to side, whichever way it lies in the room.
    const inPatient = applyToDirection(inverse(place), beam);
    expect(Math.abs(inPatient[0])).toBeCloseTo(1, 4);
  });
});

describe('what must not be done is never suggested', () => {
  test('flexion and extension of a neck that is not cleared: told, with who to ask', () => {
    for (const id of ['cervical-flexion', 'cervical-extension']) {
      expect(whyForbidden({ projectionId: id, situation: onBoard })).toMatchObject({
        ask: expect.stringMatching(/cleared/),
      });
      expect(ways(id, onBoard).every(({ setup }) => setup.projectionId !== id)).toBe(true);
      expect(whyForbidden({ projectionId: id, situation: {} })).toBeNull();
    }
  });
  test('weights where a fracture is suspected', () => {
    const id = 'acromioclavicular-ap-weights';
    expect(whyForbidden({ projectionId: id, situation: { fractureSuspected: true } })!.why).toContain('weights');
    expect(ways(id, { fractureSuspected: true }).every(({ setup }) => setup.projectionId !== id)).toBe(true);
    expect(whyForbidden({ projectionId: id })).toBeNull();
  });
  test('feet turned in with a suspected hip fracture', () => {
    for (const id of [
      'pelvis-ap',
      'hip-ap',
      'femur-ap-proximal',
      'hip-axiolateral',
      'pelvis-frog',
      'hip-lateral-frog',
    ]) {
      const side = id.startsWith('pelvis') ? undefined : ('right' as const);
      for (const { setup } of ways(id, { ...lies, suspected: ['hip fracture'] }, { side })) {
        for (const motion of ['hipMedialRotation_L', 'hipMedialRotation_R'] as const)
          expect(setup.scene.pose[motion] ?? 0).toBeLessThanOrEqual(0);
        expect(setup.scene.pose.hipAbduction_R ?? 0).toBeLessThan(20);
      }
    }
  });
  test('standing for someone who cannot stand, whatever the view', () => {
    for (const id of [
      'knee-ap-weight-bearing',
      'foot-lateral-weight-bearing',
      'hips-to-ankles',
      'chest-pa-oblique-rao',
    ]) {
      const side = id.startsWith('foot') ? ('left' as const) : undefined;
      for (const { setup } of ways(id, { canStand: false, canSit: false }, { side })) {
        expect(setup.position.body).not.toBe('upright');
        expect(setup.position.body).not.toBe('kneeling');
      }
    }
    expect(whyForbidden({ projectionId: 'hips-to-ankles', situation: { canStand: false } })).not.toBeNull();
  });
  test('a holder who may be pregnant', () => {
    const restless = (holder: Situation['holder']) =>
      findOtherWays({ projectionId: 'chest-pa', patient: { ageYears: 1 }, situation: { holdsStill: false, holder } });
    const holds = (found: OtherWay[]) => found.some(({ costs }) => costs.some(({ text }) => /to hold/.test(text)));
    expect(holds(restless('someone'))).toBe(true);
    expect(holds(restless('may be pregnant'))).toBe(false);
    expect(holds(restless('none'))).toBe(false);
  });
});

describe('where nothing is found', () => {
  test('what blocks the view is said, and who decides whether the patient may be moved', () => {
    const chair = { place: 'chair', canStand: false, canTurn: 'none', canProne: false } as const;
    const { ways, forbidden, noWay } = waysAnswer({ projectionId: 'pelvis-inlet', situation: chair });
    expect([ways, forbidden]).toEqual([[], null]);
    expect(noWay?.problems.map(({ code, values }) => [code, values.reason])).toEqual([
      ['position-barred', 'stays-in-chair'],
    ]);
    expect(noWay?.ask).toMatch(/physician in charge .* or the radiologist/);
  });

  test('another room is asked for where this one has nothing to lay the receptor in', () => {
    const room = { ...ROOM_TWO, holders: ROOM_TWO.holders.filter(({ kind }) => kind === 'wall') };
    const { ways, noWay } = waysAnswer({ projectionId: 'hip-lateral-frog', side: 'left', room });
    expect(ways).toEqual([]);
    expect(noWay).toMatchObject({ asked: 'lead-or-radiologist', problems: [{ code: 'no-holder' }] });
  });

  test('neither is said of a view that has ways, nor a second reason of one that is forbidden', () => {
    expect(waysAnswer({ projectionId: 'chest-pa' })).toMatchObject({ forbidden: null, noWay: null });
    const hurt = waysAnswer({ projectionId: 'cervical-flexion', situation: { spineNotCleared: true } });
    expect([hurt.forbidden?.reason, hurt.noWay]).toEqual(['neck-not-bent', null]);
  });
});

describe('what a colleague would do where a joint or an arm does not go along', () => {
  const first = (request: SetupRequest) => findOtherWays(request)[0]!;

  test('an elbow held in acute flexion is shown so, not laid out', () => {
    const situation = { joints: { elbowFlexion_L: [100, 135] as [number, number] } };
    expect(first({ projectionId: 'elbow-ap', side: 'left', situation }).setup.projectionId).toBe(
      'elbow-acute-flexion-humerus',
    );
  });

  test('on a board the elbow is a lateral as it lies, extended as it is', () => {
    const situation = {
      canStand: false,
      canSit: false,
      canTurn: 'none',
      spineNotCleared: true,
      fractureSuspected: true,
      worn: ['collar', 'board'],
    } satisfies Partial<Situation>;
    for (const projectionId of ['elbow-lateral', 'forearm-lateral']) {
      const { setup, costs } = first({ projectionId, side: 'left', situation });
      expect([setup.projectionId, setup.position.body, setup.way?.asItLies]).toEqual([projectionId, 'supine', true]);
      expect(costs.map(({ id }) => id)).toContain('bend');
    }
  });

  test('a decubitus is not given up for a knee that stays straight: it is said, and both legs stay', () => {
    const situation = { joints: { kneeFlexion_L: [0, 15] as [number, number] } };
    const { setup } = first({ projectionId: 'colon-decubitus', side: 'left', situation });
    expect([setup.projectionId, setup.feasible]).toEqual(['colon-decubitus', true]);
    expect(setup.problems.map(({ code }) => code)).toContain('joint-limit');
    expect(setup.scene.pose.hipFlexion_L ?? 0).toBe(0);
  });

  test('a leg whose knee does not bend is not held out before a seat: it lies on a stool', () => {
    const situation = { joints: { kneeFlexion_L: [0, 15] as [number, number] } };
    const seated = findOtherWays({ projectionId: 'knee-lateral', side: 'left', situation }).filter(
      ({ setup }) => setup.position.body === 'seated',
    );
    expect(seated.length).toBeGreaterThan(0);
    for (const { setup } of seated) expect(setup.way?.onStool).toBe(true);
  });

  test('an arm that stays bars the decubitus, and the erect view serves', () => {
    const situation = { keepStill: ['left arm' as const], canRaiseArm: 'right' as const };
    expect(first({ projectionId: 'abdomen-decubitus-left-lateral', situation }).setup.projectionId).toBe(
      'abdomen-ap-upright',
    );
  });

  test('under a newborn in an incubator the receptor lies in its tray: further off, without a grid, nothing slid', () => {
    const situation = {
      canStand: false,
      canSit: false,
      canTurn: 'none',
      place: 'incubator',
    } satisfies Partial<Situation>;
    const patient = { ageYears: 0.04 };
    const asked = { projectionId: 'chest-ap', patient, room: MOBILE_UNIT };
    const { setup, costs } = first({ ...asked, situation });
    const inBed = first({ ...asked, situation: { ...situation, place: 'bedside' } }).setup;
    expect([setup.position.body, setup.receptor.holder, setup.receptor.grid]).toEqual([
      'supine',
      'incubator-tray',
      null,
    ]);
    expect(setup.image.magnification).toBeGreaterThan(inBed.image.magnification + 0.03);
    expect(costs.map(({ code }) => code)).not.toContain('cost-slide');
    expect(setup.cautions.map(({ code }) => code)).toContain('caution-incubator');
    const inRoom = waysAnswer({ ...asked, situation, room: ROOM_ONE });
    for (const way of inRoom.ways) expect(way.setup.receptor.holder).toBe('stand');
    const grown = waysAnswer({ ...asked, situation, patient: { ageYears: 3 } });
    expect([grown.ways, grown.noWay?.problems[0]!.values.reason]).toEqual([[], 'too-old-for-incubator']);
  });
});
