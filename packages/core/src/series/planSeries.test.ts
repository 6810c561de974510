import { exams } from '../projections/exams';
import { projectionOf, projections } from '../projections/catalogue';
import { MOBILE_UNIT, ROOM_TWO } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { wayFromText } from '../setup/placing/adaptedWay';
import { changesBetween } from './changesBetween';
import { arrange, type RoomState } from './roomState';
import { movesBetween, turnBetween } from './moves';
import { planSeries, priceOf, type SeriesRequest } from './planSeries';
import { defaultPrices, pricesSchema } from './prices';

const patient = { ageYears: 45, sex: 'male' as const };
type Item = SeriesRequest['items'][number];
const item = (projectionId: string, side: 'left' | 'right' = 'left'): Item =>
  projectionOf(projectionId).sided === 'each' ? { projectionId, side } : { projectionId };
const examItems = (id: string, side?: 'left' | 'right') =>
  exams.find((exam) => exam.id === id)!.projections.map((each) => item(each, side));
const plan = (items: readonly Item[], rest: Partial<SeriesRequest> = {}) =>
  planSeries({ items, patient, room: ROOM_TWO, ...rest });
const ids = ({ steps }: ReturnType<typeof planSeries>) =>
  steps.map(({ setup }) => `${setup.projectionId}${setup.side && setup.scene.oneSided ? ` ${setup.side}` : ''}`);
const onTheBoard = { canStand: false, canSit: false, canTurn: 'none', spineNotCleared: true } as const;

describe('mixed series', () => {
  test('multiple trauma on a board: the neck first, nobody turned, all of it possible at the bedside', () => {
    for (const order of [
      ['chest-ap', 'pelvis-ap', 'leg-ap', 'cervical-lateral'],
      ['leg-ap', 'cervical-lateral', 'pelvis-ap', 'chest-ap'],
    ]) {
      const found = plan(
        order.map((id) => item(id)),
        { room: MOBILE_UNIT, situation: { place: 'bedside', ...onTheBoard } },
      );
      expect(ids(found)[0]).toBe('cervical-lateral');
      expect(found).toMatchObject({ effort: { turns: 0 }, barred: [], broken: [], least: true });
      for (const { setup } of found.steps) expect(setup.position.body).toBe('supine');
    }
  });

  test('sacrum and coccyx: both of the back together and both of the side together, one turn instead of three', () => {
    const found = plan(
      ['sacrum-ap-axial', 'sacrum-lateral', 'coccyx-ap-axial', 'coccyx-lateral'].map((id) => item(id)),
    );
    expect(found.effort.turns).toBe(1);
    expect(found.asGiven.turns).toBe(3);
    expect(found.says).toBe('1 turn instead of 3');
    const back = found.steps.map(({ setup }) => setup.position.body === 'supine');
    expect(back.indexOf(true) === 0 ? back : [...back].reverse()).toEqual([true, true, false, false]);
  });

  test('upper GI rolls one way round from the back, whatever order it is written in', () => {
    const rolling = ['stomach-ap', 'stomach-lpo', 'stomach-lateral-right', 'stomach-rao', 'stomach-pa'];
    for (const items of [examItems('upper-gi-double'), [...examItems('upper-gi-double')].reverse()]) {
      const found = plan(items, { startsOnTheBack: true });
      expect(ids(found)).toEqual(rolling);
      expect(found.effort.turns).toBe(4);
    }
  });

  test('the house rule for upper GI is kept, and its price is told', () => {
    const found = plan(examItems('upper-gi-double'), { startsOnTheBack: true, rules: { upperGiOrder: 'prone' } });
    expect(ids(found)[0]).toBe('stomach-pa');
    expect(found.effort.points).toBeGreaterThan(found.asGiven.points);
    expect(found.says).toMatch(/more than as ordered$/);
  });

  test('contrast enema: scout first, drainage and the picture after it last, fewer turns than as written', () => {
    const found = plan(examItems('enema'), { startsOnTheBack: true });
    const order = ids(found);
    expect(order[0]).toBe('colon-scout');
    expect(order.at(-1)).toBe('colon-post-evacuation');
    expect(order.at(-2)).toMatch(/^colon-decubitus/);
    expect(found.effort.turns).toBeLessThan(found.asGiven.turns);
    expect(found.broken).toEqual([]);
  });

  test('neck, three views with two SIDs: the two short ones together, the table left once', () => {
    const found = plan(['cervical-ap-axial', 'cervical-lateral', 'cervical-ap-open-mouth'].map((id) => item(id)));
    const sids = found.steps.map(({ setup }) => Math.round(setup.tube.sidMm));
    expect(sids.filter((sid, i) => i > 0 && Math.abs(sid - sids[i - 1]) > 6)).toHaveLength(1);
    expect(found).toMatchObject({ effort: { turns: 1 }, asGiven: { turns: 2 } });
  });

  test('knee stress on both sides: lying ones together, kneeling ones together', () => {
    const found = plan([...examItems('knee-stress', 'left'), ...examItems('knee-stress', 'right')]);
    const kneels = found.steps.map(({ setup }) => setup.position.body === 'kneeling');
    expect(kneels.filter((kneeling, i) => i > 0 && kneeling !== kneels[i - 1])).toHaveLength(1);
    expect(found.effort.turns).toBeLessThan(found.asGiven.turns);
    expect(new Set(ids(found)).size).toBe(6);
  });

  test('AC joints: without weights first; flexion and extension only after the straight lateral', () => {
    expect(ids(plan([...examItems('ac-joints')].reverse()))).toEqual([
      'acromioclavicular-ap',
      'acromioclavicular-ap-weights',
    ]);
    expect(ids(plan(['cervical-flexion', 'cervical-extension', 'cervical-lateral'].map((id) => item(id))))[0]).toBe(
      'cervical-lateral',
    );
  });
});

describe('the order by hand', () => {
  const items = ['sacrum-ap-axial', 'sacrum-lateral', 'coccyx-ap-axial'].map((id) => item(id));
  test('is kept and priced', () => {
    const least = plan(items);
    const byHand = plan(items, { order: [0, 1, 2] });
    expect(byHand.order).toEqual([0, 1, 2]);
    expect(byHand.effort).toEqual(byHand.asGiven);
    expect(byHand.effort).toEqual(least.asGiven);
    expect(byHand.least).toBe(false);
    expect(least.effort.points).toBeLessThan(byHand.effort.points);
  });
  test('that breaks what must come first is told so', () => {
    const found = plan(examItems('enema'), { order: [7, 6, 5, 4, 3, 2, 1, 0] });
    expect(found.broken.length).toBeGreaterThan(5);
    expect(found.broken.join()).toMatch(/scout.* belongs before .*the scout is read before the contrast goes in/i);
  });
  test.each([[[0, 1]], [[0, 0, 1]], [[0, 1, 3]], [[0, 1, 1.5]]])('%j is refused', (order) =>
    expect(() => plan(items, { order })).toThrow(/each of the 3 projections once, 0 to 2/),
  );
});

test('prices decide: where turning is free and angles are dear, the angle is kept together', () => {
  const items = ['sacrum-ap-axial', 'sacrum-lateral', 'coccyx-ap-axial', 'coccyx-lateral'].map((id) => item(id));
  const prices = { turn: 0, quarterTurn: 0, limb: 0, angle: 500 };
  const found = plan(items, { prices });
  const angled = found.steps.map(({ setup }) => setup.tube.angleDeg > 0);
  expect(angled.filter((on, i) => i > 0 && on !== angled[i - 1])).toHaveLength(1);
});

test('a step costs what its moves cost, and hurt patients pay three times for being moved', () => {
  const found = plan(examItems('enema'));
  for (const step of found.steps)
    expect(step.points).toBeCloseTo(
      step.priced.reduce((total, { points }) => total + points, 0),
      6,
    );
  const moves = movesBetween(found.steps[2].setup, found.steps[3].setup);
  const [, turn] = priceOf(moves, defaultPrices, false);
  const [, hurt] = priceOf(moves, defaultPrices, true);
  expect(turn.id).toBe('quarterTurn');
  expect(hurt.points).toBeCloseTo(3 * turn.points, 6);
});

test('changes of each step are those from the one before it, and from where it left the room', () => {
  const found = plan(examItems('lumbar-five'));
  let state: RoomState | null = null;
  found.steps.forEach((step, at) => {
    const before = at === 0 ? null : found.steps[at - 1].setup;
    expect(step.changes).toEqual(changesBetween(before, step.setup, 'in', { room: ROOM_TWO, state }));
    ({ state } = arrange(state, step.setup, ROOM_TWO));
  });
});

test('what cannot be done as it stands is named, and the rest is still planned', () => {
  const found = plan(examItems('chest-two'), { situation: { canStand: false, canSit: false, canTurn: 'none' } });
  expect(found.barred.map(({ item: place }) => place)).toEqual([0, 1]);
  expect(found.barred[0].why).toMatch(/can neither stand nor sit|cannot stand/);
});
test('why an item is not done is said in whole sentences, the one that forbids it alone', () => {
  const said = projections.flatMap(({ id, sided }) => {
    const items = [{ projectionId: id, ...(sided === 'each' ? { side: 'left' as const } : {}) }];
    return plan(items, { situation: { canStand: false, canLieFlat: false, fractureSuspected: true } }).barred;
  });
  expect(said.length).toBeGreaterThan(30);
  for (const { why } of said) expect(why).toMatch(/^[A-Z][^]*\.$/);
  for (const { why } of said) expect(why).not.toMatch(/\.,? and |\.\./);
  expect(said.some(({ why }) => /^Not to be done/.test(why) && !/is barred/.test(why))).toBe(true);
});

test('more than fourteen are planned too, and said not to be proven the least', () => {
  const found = plan([...examItems('skeletal-survey'), ...examItems('hand', 'right'), item('skull-pa')], {
    patient: { ageYears: 5 },
  });
  expect(found.steps).toHaveLength(16);
  expect(found.least).toBe(false);
  expect(found.effort.points).toBeLessThanOrEqual(found.asGiven.points);
});

test('none and one', () => {
  expect(plan([])).toMatchObject({ order: [], effort: { points: 0, turns: 0 } });
  expect(plan([item('chest-pa')])).toMatchObject({ order: [0], says: '0 turns, as ordered' });
});

test('a turn is the twist about the long axis: front to back 180°, front to side 90°', () => {
  const place = (id: string) => computeSetup({ projectionId: id, patient, room: ROOM_TWO }).scene.place;
  expect(turnBetween(place('chest-pa'), place('chest-lateral'))).toBeCloseTo(90, 0);
  expect(turnBetween(place('stomach-ap'), place('stomach-pa'))).toBeCloseTo(180, 0);
  expect(turnBetween(place('stomach-ap'), place('stomach-ap'))).toBeCloseTo(0, 6);
});

test('prices are 0 to 500', () => {
  expect(pricesSchema.safeParse({ angle: 501 }).error?.issues[0].message).toBe('A price must be 0 to 500 points');
  expect(pricesSchema.safeParse({ nothing: 1 }).success).toBe(false);
});

test('another way counts in the plan: a chest on the back beside a pelvis needs no getting up', () => {
  const usual = plan([item('chest-pa'), item('pelvis-ap')]);
  const lying = plan([
    { projectionId: 'chest-pa', way: wayFromText('supine~down~table-tray~on-back~reversed')! },
    item('pelvis-ap'),
  ]);
  expect(usual.effort.turns).toBe(1);
  expect(lying.effort.turns).toBe(0);
  expect(lying.effort.points).toBeLessThan(usual.effort.points);
  expect(lying.steps.find(({ item: at }) => at === 0)!.setup.name).toBe('Chest, PA, taken AP');
});

describe('wishes', () => {
  const items = [
    { projectionId: 'cervical-lateral' },
    { projectionId: 'cervical-ap-open-mouth' },
    { projectionId: 'cervical-ap-axial' },
    { projectionId: 'chest-pa' },
  ];
  const plan = (wishes: Parameters<typeof planSeries>[0]['wishes'], more = {}) =>
    planSeries({ items, wishes, ...more });
  it('one first, one last: the rest in the least order, and what that costs over the least', () => {
    const free = planSeries({ items });
    expect(free.wished).toBeNull();
    for (let item = 0; item < items.length; item += 1) {
      const [first, last] = [plan({ first: [item] }), plan({ last: [item] })];
      expect(first.order[0]).toBe(item);
      expect(last.order.at(-1)).toBe(item);
      for (const { wished, effort } of [first, last])
        expect(wished).toEqual({
          points: expect.closeTo(effort.points - free.effort.points, 1),
          turns: effort.turns - free.effort.turns,
          refused: [],
        });
    }
  });
  it('parts are kept together, whatever the moves', () => {
    const legs = ['knee-ap', 'ankle-ap', 'knee-lateral', 'ankle-lateral'].map((projectionId) => ({
      projectionId,
      side: 'left' as const,
    }));
    const { order } = planSeries({ items: legs, wishes: { together: true } });
    const parts = order.map((item) => legs[item]!.projectionId.split('-')[0]);
    expect(parts.filter((part, at) => at > 0 && part !== parts[at - 1])).toHaveLength(1);
  });
  it('a wish against what must come first is refused in words, and the order keeps what must be', () => {
    const { order, wished, broken } = plan({ last: [0] }, { situation: { spineNotCleared: true } });
    expect(order[0]).toBe(0);
    expect(wished!.refused.length).toBeGreaterThan(0);
    expect(wished!.refused[0]).toMatch(/cannot come before .*: wished last$/);
    expect(broken).toEqual([]);
  });
  it('a view that is barred is never what an order begins with', () => {
    const barred = planSeries({
      items: [{ projectionId: 'acromioclavicular-ap-weights' }, { projectionId: 'chest-pa' }],
      situation: { fractureSuspected: true, suspected: ['dislocation'] },
    });
    expect(barred.barred.map(({ item }) => item)).toContain(0);
    expect(barred.order).toEqual([1, 0]);
  });
});
