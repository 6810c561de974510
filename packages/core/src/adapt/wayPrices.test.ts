import { departmentSchema, withDepartmentDefaults } from '../exam/department';
import { findOtherWays } from './findOtherWays';
import { waysRequestSchema } from './otherWaySchema';
import { defaultWayPrices, WAY_PRICE_IDS, WAY_PRICES, wayPriceRange, wayPricesSchema } from './wayPrices';

const request = {
  projectionId: 'chest-pa',
  patient: { ageYears: 40 },
  situation: { canStand: false, canSit: false },
};

test('every price has a title, a reason and a floor that it keeps', () => {
  for (const id of WAY_PRICE_IDS) {
    const { title, reason, default: points } = WAY_PRICES[id];
    expect([id, title.length > 5, reason.length > 5]).toEqual([id, true, true]);
    expect(points).toBeGreaterThanOrEqual(wayPriceRange(id)[0]);
  }
  expect(wayPricesSchema.parse(defaultWayPrices)).toEqual(defaultWayPrices);
});

test('a turn of who may be injured is never cheap, and says so', () => {
  const read = departmentSchema.safeParse({ wayPrices: { hurtTurn: 1 } });
  expect(read.success).toBe(false);
  expect(read.error!.issues[0]!.message).toBe('Turn of a patient who may be injured: 20 to 500 points');
  expect(withDepartmentDefaults({ wayPrices: { turn: 40 } }).wayPrices).toMatchObject({ turn: 40, hurtTurn: 30 });
});

test('the price of a department is what a way costs, and no price leaves the order as it is', () => {
  const shipped = findOtherWays(request);
  expect(findOtherWays(request, {})).toEqual(shipped);
  const free = findOtherWays(request, Object.fromEntries(WAY_PRICE_IDS.map((id) => [id, 0])));
  expect(free.every(({ points }) => points === 0)).toBe(true);
  const dear = findOtherWays(request, { reversed: 77 });
  const costs = dear.flatMap((way) => way.costs.filter(({ id }) => id === 'reversed').map(({ points }) => points));
  expect(costs.length).toBeGreaterThan(0);
  expect(new Set(costs)).toEqual(new Set([77]));
});

test('the question takes prices, and still knows an entry without its side', () => {
  expect(waysRequestSchema.safeParse({ ...request, prices: { turn: 12 } }).success).toBe(true);
  expect(waysRequestSchema.safeParse({ projectionId: 'knee-ap' }).error!.issues[0]!.message).toMatch(/needs a side/);
});

test('who may be injured is never moved for less than who is not', () => {
  const asked = { projectionId: 'wrist-lateral', side: 'left' as const, situation: { fractureSuspected: true } };
  const posing = findOtherWays(asked, { posing: 20 }).flatMap(({ costs }) => costs.filter(({ id }) => id === 'posing'));
  expect(posing.length).toBeGreaterThan(0);
  for (const { points } of posing) expect(points).toBeGreaterThanOrEqual(20);
});
