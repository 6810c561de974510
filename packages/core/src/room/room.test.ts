import fc from 'fast-check';
import { applyToDirection } from '../geometry/frame';
import { cross, dot, type Vec3 } from '../geometry/vector';
import { demoRooms, MOBILE_UNIT, ROOM_ONE, ROOM_TWO } from './demoRooms';
import { defaultRules, houseRulesSchema, RULE_IDS, RULES, withDefaults } from './houseRules';
import { ASPECTS, BODY_POSITIONS } from '../projections/vocabulary';
import { frameOf, positionName, ROOM_DOWN, ROOM_HEAD } from './position';
import { isUpright, stanceSchema, towardSupport } from './stance';
import { checkRoom, holderOf, receptorsIn, roomSchema } from './room';

describe('rooms', () => {
  it.each(demoRooms.map((room) => [room.name, room] as const))('%s is sound', (_name, room) => {
    expect(roomSchema.parse(room)).toEqual(room);
    expect(checkRoom(room)).toBe(room);
    for (const holder of room.holders)
      expect(
        receptorsIn(room, holder)
          .map(({ id }) => id)
          .sort(),
      ).toEqual([...holder.receptorIds].sort());
  });
  it('differ in what matters: receptors, reach, grids', () => {
    expect(new Set(demoRooms.map((room) => JSON.stringify(room.receptors))).size).toBe(3);
    expect(ROOM_ONE.tube.wallSidMm![1]).toBeGreaterThan(ROOM_TWO.tube.wallSidMm![1]);
    expect(holderOf(ROOM_TWO, 'wall')?.grid?.ratio).not.toBe(holderOf(MOBILE_UNIT, 'bed')?.grid?.ratio);
    expect(holderOf(MOBILE_UNIT, 'wall')).toBeUndefined();
  });
  it('that name a receptor they do not have are refused', () => {
    expect(() => checkRoom({ ...ROOM_TWO, holders: [{ ...ROOM_TWO.holders[0], receptorIds: ['20x20'] }] })).toThrow(
      /"20x20", which the room does not have/,
    );
  });
  it.each([
    ['no holders', { ...ROOM_TWO, holders: [] }],
    ['limits the wrong way round', { ...ROOM_TWO, tube: { ...ROOM_TWO.tube, focusHeightMm: [1900, 600] } }],
    ['a tube that tilts past 90°', { ...ROOM_TWO, tube: { ...ROOM_TWO.tube, maxAngleDeg: 120 } }],
    ['a field nobody knows', { ...ROOM_TWO, colour: 'blue' }],
    ['a generator without stations', { ...ROOM_TWO, generator: { ...ROOM_TWO.generator, masStations: [] } }],
  ])('with %s are refused', (_name, room) => expect(roomSchema.safeParse(room).success).toBe(false));
});

describe('positions', () => {
  it.each(BODY_POSITIONS.flatMap((position) => ASPECTS.map((on) => [position, on] as const)))(
    '%s on the %s turns the body without bending or mirroring it',
    (position, on) => {
      const stance = stanceSchema.parse({ position, on });
      const frame = frameOf(stance);
      const axes = (
        [
          [1, 0, 0],
          [0, 1, 0],
          [0, 0, 1],
        ] as Vec3[]
      ).map((axis) => applyToDirection(frame, axis));
      expect(dot(cross(axes[0], axes[1]), axes[2])).toBeCloseTo(1, 9);
      const support = applyToDirection(frame, towardSupport(stance));
      if (isUpright(position)) support.forEach((value, i) => expect(value).toBeCloseTo(ROOM_HEAD[i], 9));
      else if (position !== 'semi-erect') support.forEach((value, i) => expect(value).toBeCloseTo(ROOM_DOWN[i], 9));
      expect(positionName(position)).not.toBe('');
    },
  );
});

describe('house rules', () => {
  it('each has schools, a default among them and a reason', () => {
    for (const id of RULE_IDS) {
      expect(Object.keys(RULES[id].choices).length).toBeGreaterThanOrEqual(2);
      expect(Object.keys(RULES[id].choices)).toContain(RULES[id].default);
      expect(RULES[id].reason.length).toBeGreaterThan(15);
      expect(RULES[id].reason).not.toMatch(/!/);
    }
  });
  it('that were not chosen are the shipped ones', () => {
    expect(withDefaults()).toEqual(defaultRules);
    expect(withDefaults({ unit: 'cm' })).toEqual({ ...defaultRules, unit: 'cm' });
  });
  it('take only the schools that exist', () => {
    fc.assert(
      fc.property(fc.constantFrom(...RULE_IDS), fc.string(), (id, choice) => {
        expect(houseRulesSchema.safeParse({ [id]: choice }).success).toBe(
          Object.keys(RULES[id].choices).includes(choice),
        );
      }),
    );
    expect(houseRulesSchema.safeParse({ speed: 'fast' }).success).toBe(false);
  });
});
