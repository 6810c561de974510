import fc from 'fast-check';
import { fromAddress, toAddress, type Asked } from './address';

const asked: fc.Arbitrary<Asked> = fc.record({
  projectionId: fc.constantFrom('chest-pa', 'knee-ap', 'leg-ap'),
  side: fc.constantFrom('left' as const, 'right' as const, undefined),
  patient: fc.record({
    ageYears: fc.integer({ min: 0, max: 110 }),
    sex: fc.constantFrom('female' as const, 'male' as const),
    statureMm: fc.integer({ min: 420, max: 2200 }),
    massKg: fc.integer({ min: 2, max: 250 }),
    habitus: fc.constantFrom('sthenic' as const, 'asthenic' as const),
    measured: fc.constantFrom(undefined, { chestAPMm: 262.5 }, { hipBreadthMm: 410, abdomenAPMm: 250 }),
  }),
  situation: fc.record({
    canStand: fc.boolean(),
    canTurn: fc.constantFrom('left' as const, 'right' as const, 'none' as const),
    spineNotCleared: fc.constant(true),
    pregnancy: fc.constantFrom('no' as const, 'possible' as const),
    place: fc.constantFrom('bedside' as const, 'chair' as const, 'resuscitation bay' as const),
    canLieFlat: fc.constant(false),
    proppedDeg: fc.integer({ min: 1, max: 90 }),
    canRaiseArm: fc.constantFrom('left' as const, 'none' as const),
    keepStill: fc.constantFrom(undefined, ['neck' as const, 'left arm' as const]),
    suspected: fc.constantFrom(undefined, ['free gas' as const, 'hip fracture' as const]),
    suspectedSide: fc.constantFrom('left' as const, 'right' as const),
    worn: fc.constantFrom(undefined, ['collar' as const, 'lines' as const]),
    cast: fc.constantFrom('wet plaster' as const, 'fibreglass' as const),
    condition: fc.constantFrom('pleural effusion' as const, 'emphysema' as const),
    holder: fc.constantFrom('someone' as const, 'may be pregnant' as const),
    joints: fc.constantFrom(undefined, {
      kneeFlexion_L: [0, 40] as [number, number],
      neckExtension: [-10, 5.5] as [number, number],
    }),
  }),
  roomId: fc.constantFrom('room-1', 'mobile-1'),
  overrides: fc.record({
    sidMm: fc.integer({ min: 400, max: 3000 }),
    angleDeg: fc.integer({ min: -45, max: 45 }),
    grid: fc.boolean(),
    fieldMm: fc.tuple(fc.integer({ min: 30, max: 450 }), fc.integer({ min: 30, max: 450 })),
    orientation: fc.constantFrom('lengthwise' as const, 'crosswise' as const),
    mA: fc.integer({ min: 1, max: 1600 }),
    focalSpot: fc.constantFrom('small' as const, 'large' as const),
    aecCells: fc.constantFrom('none' as const, 'all' as const),
    aecDensity: fc.integer({ min: -4, max: 4 }),
    factors: fc.constantFrom(undefined, { thickness: 1.5, grid: 4 }),
    gridLevelDeg: fc.constantFrom(-1.5, 2),
    gridCentreMm: fc.integer({ min: -200, max: 200 }),
    notFelt: fc.constantFrom(undefined, ['C7_sp', 'iliac_crest_L']),
    aimMm: fc.tuple(fc.integer({ min: -300, max: 300 }), fc.integer({ min: -300, max: 300 })),
  }),
  rules: fc.constantFrom(
    undefined,
    { chestTechnique: 'no-grid' as const },
    { marker: 'table' as const, chestReceptor: 'lengthwise' as const },
  ),
  way: fc.constantFrom('supine~level~stand~reversed~along-15', 'prone'),
});

test('what is asked comes back from its address', () => {
  fc.assert(
    fc.property(asked, (question) => {
      const back = fromAddress(toAddress(question));
      expect(JSON.parse(JSON.stringify(back))).toEqual(JSON.parse(JSON.stringify(question)));
    }),
  );
});

test('amputations and an incubator come back from their address, and nonsense in it is left out', () => {
  const asked = {
    projectionId: 'chest-ap',
    patient: { ageYears: 0.04, amputated: ['left leg below the knee' as const, 'right arm above the elbow' as const] },
    situation: { place: 'incubator' as const, canStand: false },
    roomId: undefined,
  };
  const address = toAddress(asked);
  expect(address.amp).toBe('left_leg_below_the_knee,right_arm_above_the_elbow');
  const back = fromAddress(address);
  expect([...(back.patient.amputated ?? [])].sort()).toEqual([...asked.patient.amputated].sort());
  expect(back.situation.place).toBe('incubator');
  expect(fromAddress({ ...address, amp: 'left_foot,tail' }).patient.amputated).toBeUndefined();
});

test('an address never holds an identity', () => {
  const address = toAddress({
    projectionId: 'chest-pa',
    side: undefined,
    patient: { ageYears: 58 },
    situation: {},
    roomId: 'room-2',
    overrides: undefined,
  });
  expect(Object.keys(address).sort()).toEqual(['age', 'p', 'room']);
});

test('nonsense in an address is left out, not guessed', () => {
  expect(
    fromAddress({
      p: 'chest-pa',
      age: 'abc',
      h: '',
      side: 'up',
      s: 'flying,nostand',
      sex: ['male', 'female'],
      w: 'x'.repeat(1000),
      m: 'chestAPMm:abc,shoeMm:3,kneeBreadthMm',
      j: 'kneeWaving:0~4,kneeFlexion_L:7',
      way: 'upside~down',
    }),
  ).toMatchObject({
    projectionId: 'chest-pa',
    side: undefined,
    patient: { sex: 'male' },
    situation: { canStand: false },
  });
  expect(fromAddress({}).projectionId).toBe('');
});
