/** The order of a series with the least work and harm, what changes at each step, and what the order as given would cost. */
import { projectionOf } from '../projections/catalogue';
import { ROOM_ONE } from '../room/demoRooms';
import { withDefaults, type HouseRules } from '../room/houseRules';
import { computeSetup } from '../setup/computeSetup';
import { situationFor, type SetupRequest, type Situation } from '../setup/request';
import type { Setup } from '../setup/setup';
import { blocks } from '../setup/problem';
import { isInjured } from '../setup/verdict/kept';
import { changesBetween, type Change } from './changesBetween';
import { constraintsOf, type Constraint } from './constraints';
import { leastOrder } from './leastOrder';
import { arrange, type RoomState } from './roomState';
import { isTurn, movesBetween, ON_THE_BACK, SAME_MM, stationOf, turnBetween, type Moves } from './moves';
import { defaultPrices, PAIN, PRICES, type PriceId, type Prices } from './prices';

export type SeriesRequest = Omit<SetupRequest, 'projectionId' | 'side' | 'own' | 'overrides' | 'way'> & {
  items: readonly Pick<SetupRequest, 'projectionId' | 'side' | 'own' | 'overrides' | 'way'>[];
  prices?: Partial<Prices>;
  /** Keeps this order and prices it, instead of looking for the least. Every index once. */
  order?: readonly number[];
  /** What whoever plans would like, as far as nothing that must come first stands against it. */
  wishes?: Wishes;
  /** On the back on the table already, as fluoroscopy leaves a patient. */
  startsOnTheBack?: boolean;
};
export type Wishes = {
  /** Places of items that come first, and last: the one that hurts, the one for which everything must be ready. */
  first?: readonly number[];
  last?: readonly number[];
  /** All views of a part before those of another. */
  together?: boolean;
};
export type PricedMove = { id: PriceId; title: string; points: number };
export type SeriesStep = {
  /** Place of the item in the request. */
  item: number;
  setup: Setup;
  changes: Change[];
  points: number;
  priced: PricedMove[];
  turn: boolean;
};
export type SeriesEffort = { points: number; turns: number; exposures: number };
export type SeriesPlan = {
  order: number[];
  steps: SeriesStep[];
  effort: SeriesEffort;
  /** The same items in the order of the request. */
  asGiven: SeriesEffort;
  /** One line for a person: "2 turns instead of 4". */
  says: string;
  /** False for more items than can be ordered exactly, or when the order was kept as asked. */
  least: boolean;
  constraints: Constraint[];
  /** What the wishes cost over the least order without them, and those that could not be met, in words; null without wishes. */
  wished: { points: number; turns: number; refused: string[] } | null;
  /** Constraints that the order breaks, in words; never when it was looked for. */
  broken: string[];
  /** Items that cannot be done as they stand, by their place. */
  barred: { item: number; why: string }[];
};

/** Of two orders that cost the same the one nearer to what was asked is taken. */
const OUT_OF_ORDER = 1e-4;

/** The priced moves from one set-up to the next, dearest work first. */
export function priceOf(moves: Moves, prices: Prices, hurt: boolean): PricedMove[] {
  const put = (id: PriceId, share: number): PricedMove[] =>
    share > 0 && prices[id] > 0
      ? [{ id, title: PRICES[id].title, points: Math.round(prices[id] * share * 10) / 10 }]
      : [];
  const pain = hurt ? PAIN : 1;
  return [
    ...put('transfer', moves.transfer ? pain : 0),
    ...put('turn', !moves.transfer && isTurn(moves) ? pain : 0),
    ...put('quarterTurn', moves.transfer ? 0 : (Math.round(moves.turnDeg) / 90) * pain),
    ...put('limb', moves.limb ? pain : 0),
    ...put('otherLimb', moves.otherLimb ? 1 : 0),
    ...put('holder', moves.holder ? 1 : 0),
    ...put('plate', moves.plate && !moves.holder ? 1 : 0),
    ...put('beam', moves.beam ? 1 : 0),
    ...put('sid', Math.abs(moves.sidMm) >= SAME_MM ? 1 : 0),
    ...put('angle', moves.angle ? 1 : 0),
    ...put('grid', moves.grid ? 1 : 0),
    ...put('aim', moves.aim ? 1 : 0),
  ];
}
const sum = (moves: readonly PricedMove[]): number => moves.reduce((total, { points }) => total + points, 0);

type Leg = { priced: PricedMove[]; points: number; turn: boolean };

function firstLeg(setup: Setup, prices: Prices, hurt: boolean, onTheBack: boolean): Leg {
  const nothing = { priced: [], points: 0, turn: false };
  if (!onTheBack) return nothing;
  const transfer = stationOf(setup) !== 'lying';
  const moves: Moves = {
    ...{ turnDeg: transfer ? 0 : turnBetween(ON_THE_BACK, setup.scene.place), transfer },
    ...{ limb: false, otherLimb: false, sideSwapped: false, holder: false, plate: false, beam: false },
    ...{ sidMm: 0, angle: false, grid: false, aim: false },
  };
  const priced = priceOf(moves, prices, hurt);
  return { priced, points: sum(priced), turn: isTurn(moves) };
}

function checkOrder(order: readonly number[], count: number): void {
  const seen = new Set(order);
  if (order.length !== count || seen.size !== count || order.some((i) => !Number.isInteger(i) || i < 0 || i >= count))
    throw new RangeError(`The order must name each of the ${count} projections once, 0 to ${count - 1}`);
}

const times = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

function sayWhatIsSaved(effort: SeriesEffort, asGiven: SeriesEffort): string {
  const turns = times(effort.turns, 'turn');
  if (effort.turns < asGiven.turns) return `${turns} instead of ${asGiven.turns}`;
  if (effort.points < asGiven.points - 0.5)
    return `${turns} either way; ${Math.round(asGiven.points - effort.points)} points of work less than as ordered`;
  if (effort.turns > asGiven.turns) return `${turns}, ${effort.turns - asGiven.turns} more than as ordered`;
  if (effort.points > asGiven.points + 0.5)
    return `${turns} either way; ${Math.round(effort.points - asGiven.points)} points of work more than as ordered`;
  return `${turns}, as ordered`;
}

/** Sentences that say why an item is not done: where the view itself is forbidden, that alone. */
function whyBarred({ problems }: Setup): string {
  const blocking = problems.filter(blocks);
  const forbidden = blocking.filter(({ code }) => code === 'forbidden');
  return (forbidden.length > 0 ? forbidden : blocking).map(({ text }) => text).join(' ');
}

/** Dearer than any moves of a series: parts are left and come back to as seldom as can be. */
const APART = 1e4;

/**
 * What must come before what with the wishes added; a view that is barred comes after all that are not, so that nobody
 * begins with it. A wish against what must be is refused, in words.
 */
function withWishes(
  must: readonly ReadonlySet<number>[],
  { first = [], last = [] }: Wishes,
  setups: readonly Setup[],
): { before: ReadonlySet<number>[]; refused: string[] } {
  const before = must.map((set) => new Set(set));
  const refused: string[] = [];
  /** Whether b must come before a, however far round. */
  const needs = (a: number, b: number, seen = new Set<number>()): boolean => {
    if (seen.has(a)) return false;
    seen.add(a);
    return before[a].has(b) || [...before[a]].some((each) => needs(each, b, seen));
  };
  const put = (early: number, late: number, wish: string | null): void => {
    if (early === late) return;
    if (!needs(early, late)) before[late].add(early);
    else if (wish !== null) refused.push(`${setups[early].name} cannot come before ${setups[late].name}: ${wish}`);
  };
  const all = setups.map((_, item) => item);
  for (const item of first) for (const other of all) if (!first.includes(other)) put(item, other, 'wished first');
  for (const item of last) for (const other of all) if (!last.includes(other)) put(other, item, 'wished last');
  for (const item of all)
    if (!setups[item].feasible) for (const other of all) if (setups[other].feasible) put(other, item, null);
  return { before, refused };
}

function costOfWishes(
  effort: SeriesEffort,
  free: ReturnType<typeof leastOrder>,
  effortOf: (order: readonly number[]) => SeriesEffort,
): { points: number; turns: number } {
  const least = free ? effortOf(free.order) : effort;
  return { points: Math.round((effort.points - least.points) * 10) / 10, turns: effort.turns - least.turns };
}

/**
 * @throws RangeError for an order that does not name every item once, an unknown projection, a value out of range,
 * and for constraints that run in a circle
 */
export function planSeries(request: SeriesRequest): SeriesPlan {
  const { items, prices: changedPrices, order: asked, wishes = {}, startsOnTheBack = false, ...base } = request;
  const prices: Prices = { ...defaultPrices, ...changedPrices };
  const rules: HouseRules = withDefaults(base.rules);
  const situation: Situation = situationFor(base.patient?.ageYears, base.situation);
  const hurt = isInjured(situation);
  const setups = items.map((item) => computeSetup({ ...base, ...item }));
  const count = items.length;
  if (asked) checkOrder(asked, count);

  const legs = setups.map((a, i) =>
    setups.map((b, j): Leg => {
      if (i === j) return { priced: [], points: 0, turn: false };
      const moves = movesBetween(a, b);
      const priced = priceOf(moves, prices, hurt);
      return { priced, points: sum(priced), turn: isTurn(moves) };
    }),
  );
  const first = setups.map((setup) => firstLeg(setup, prices, hurt, startsOnTheBack));
  const entries = items.map(({ own, projectionId }) => own ?? projectionOf(projectionId));
  const constraints = constraintsOf(entries, situation, rules);
  const must = setups.map(
    (_, item) => new Set(constraints.filter((each) => each.after === item).map((each) => each.before)),
  );
  const parts = entries.map(({ region, part }) => `${region} ${part}`);
  const look = (before: readonly ReadonlySet<number>[], apart: number) =>
    leastOrder(
      first.map(({ points }, i) => points + i * OUT_OF_ORDER),
      legs.map((row, i) =>
        row.map(({ points }, j) => points + (parts[i] === parts[j] ? 0 : apart) + (j < i ? OUT_OF_ORDER * (i - j) : 0)),
      ),
      before,
    );
  const { before, refused } = withWishes(must, wishes, setups);
  const found = asked ? { order: [...asked], exact: false } : look(before, wishes.together ? APART : 0);
  if (!found) throw new RangeError('The order of this series runs in a circle: two projections each must come first');

  const effortOf = (order: readonly number[]): SeriesEffort => {
    const path = order.map((item, at) => (at === 0 ? first[item] : legs[order[at - 1]][item]));
    return {
      points: Math.round(path.reduce((total, { points }) => total + points, 0) * 10) / 10,
      turns: path.filter(({ turn }) => turn).length,
      exposures: setups.reduce((total, setup) => total + setup.receptor.exposures, 0),
    };
  };
  const { order, exact } = found;
  const wished =
    asked || Object.keys(wishes).length === 0 ? null : costOfWishes(effortOf(order), look(must, 0), effortOf);
  const place = new Map(order.map((item, at) => [item, at]));
  const room = base.room ?? ROOM_ONE;
  let state: RoomState | null = null;
  const steps = order.map((item, at): SeriesStep => {
    const leg = at === 0 ? first[item] : legs[order[at - 1]][item];
    const previous = at === 0 ? null : setups[order[at - 1]];
    const changes = changesBetween(previous, setups[item], rules.unit, { room, state });
    ({ state } = arrange(state, setups[item], room));
    return { item, setup: setups[item], changes, ...leg };
  });
  const effort = effortOf(order);
  const asGiven = effortOf(setups.map((_, i) => i));
  return {
    order,
    steps,
    effort,
    asGiven,
    says: sayWhatIsSaved(effort, asGiven),
    least: exact,
    wished: wished && { ...wished, refused },
    constraints,
    broken: constraints
      .filter((each) => place.get(each.before)! > place.get(each.after)!)
      .map((each) => `${setups[each.before].name} belongs before ${setups[each.after].name}: ${each.why}`),
    barred: setups.flatMap((setup, item) => (setup.feasible ? [] : [{ item, why: whyBarred(setup) }])),
  };
}
