/**
 * Other ways to the same relation of ray, part and receptor, for a patient, a situation and a room that bar the usual
 * one. A search, not a table: what textbooks know as trauma forms comes out of it.
 */
import { buildBody } from '../body/body';
import { hasProjection } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { ROOM_ONE } from '../room/demoRooms';
import { withDefaults } from '../room/houseRules';
import { computeSetup } from '../setup/computeSetup';
import { entryOf, situationFor, type SetupRequest } from '../setup/request';
import type { Setup, Side } from '../setup/setup';
import { sideView } from '../setup/placing/side';
import { applyRules } from '../setup/variant';
import { targetRelationOf } from '../setup/placing/targetRelation';
import { assess, entryIn, sideOf, type Search } from './assess';
import { candidatesFor } from './candidates';
import { leastPoints, positionPoints, standInPoints, type StandIn } from './costs';
import { defaultWayPrices, type WayPrices } from './wayPrices';
import { forbiddenView, type Forbidden } from '../setup/verdict/verdict';
import { joinHalves } from './halves';
import type { OtherWay } from './otherWay';
import { positionsFor } from './positions';
import { chosenFrom, kindOf, MOST_WAYS, worstShown } from './rank';

/** Candidates of a position that are computed in full; fewer where the patient is moved, or of an entry that stands in. */
const MOST_COMPUTED = 4;
const MOST_COMPUTED_LATER = 2;
const FAILED = 0.5;

/** The side that lies beneath in a view that is taken on the side with a level ray, whatever way it is taken; else null. */
function decubitusOn({ positions, sided }: Projection, side: Side | null): Side | null {
  if (!positions.every(({ body, beam }) => body === 'lateral-recumbent' && beam === 'horizontal')) return null;
  const [{ on }] = positions;
  return sided === 'each' ? side : on === 'left' || on === 'right' ? on : null;
}

/**
 * Ways of one entry by search.
 * @param before ways that are known already: what cannot come among the best of them is not computed
 */
function searched(
  search: Search,
  request: Pick<SetupRequest, 'projectionId' | 'side'>,
  standsIn: StandIn | null,
  before: readonly OtherWay[],
): OtherWay[] {
  const fee = standsIn ? standInPoints(standsIn, search.prices) : 0;
  const { base, body, situation, usual, prices } = search;
  const room = base.room ?? ROOM_ONE;
  const projection = applyRules(
    entryIn(search, request.projectionId),
    withDefaults(base.rules),
    body.patient,
  ).projection;
  const side = sideOf(projection, request);
  const view = sideView(side);
  const target = targetRelationOf(projection, body, view);
  const part = target.parts[0].segment;
  const found: OtherWay[] = [];
  const worst = () => worstShown([...before, ...found]);
  const positions = positionsFor(
    { segment: part, joint: target.joint },
    situation,
    body.patient.ageYears,
    decubitusOn(projection, side),
  )
    .map((position) => ({ position, least: fee + positionPoints(position.position, part, usual, situation, prices) }))
    .sort((a, b) => a.least - b.least);
  for (const { position, least: atLeast } of positions) {
    // An entry that only stands in is not worth a turn of its own.
    if (atLeast > worst() || (standsIn && atLeast > fee)) break;
    const priced = candidatesFor(projection, { body, view, target }, situation, room, position, {
      gridWanted: usual.receptor.gridWanted,
      inHalves: !standsIn,
    }).map((each) => ({ ...each, least: leastPoints(projection, each, part, usual, situation, prices) }));
    let computed = 0;
    for (const kind of chosenFrom(priced)) {
      const most = standsIn || atLeast > 0 ? MOST_COMPUTED_LATER : MOST_COMPUTED;
      // What cannot be done gives way to the next of its kind, and takes less of the search than what can.
      for (const { way, least, settled } of kind) {
        if (computed >= most || least + fee > worst()) break;
        const asked = { projectionId: request.projectionId, side: side ?? undefined, way };
        const result = assess(search, { target, settled }, projection, asked, {
          reversed: way.reversed,
          posed: !way.asItLies,
          standsIn,
        });
        computed += result ? 1 : FAILED;
        if (!result) continue;
        found.push(result);
        break;
      }
    }
  }
  return joinHalves(found, target, prices);
}

/** Ways that an entry itself has, and those of the entries that stand in for it. */
function ownWays(
  search: Search,
  request: Pick<SetupRequest, 'projectionId' | 'side'>,
  standsIn: StandIn | null,
): OtherWay[] {
  const { base, body, situation } = search;
  const entry = entryIn(search, request.projectionId);
  const amputated = body.patient.amputated;
  if (forbiddenView(entry, situation, { amputated, view: sideView(sideOf(entry, request)) })) return [];
  const projection = applyRules(entry, withDefaults(base.rules), body.patient).projection;
  const side = sideOf(projection, request);
  const target = targetRelationOf(projection, body, sideView(side));
  const positions = new Set(projection.positions.map((way) => way.body));
  return [...positions].flatMap((position) => {
    const asked = {
      projectionId: request.projectionId,
      side: side ?? undefined,
      overrides: { position },
    };
    const found = assess(search, { target }, projection, asked, { reversed: false, posed: true, standsIn });
    // A head that does not come to its line is not told to: the tube makes up for it.
    return found && !(projection.headLine && isHeadLimited(found.setup)) ? [found] : [];
  });
}

const isHeadLimited = ({ problems }: Setup): boolean =>
  problems.some(({ code, values }) => code === 'joint-limit' && /^(neck|head)/.test(String(values.motion)));

/** Why the view itself must not be done, and who is asked; null where some way may be looked for. */
export function whyForbidden(request: SetupRequest): Forbidden | null {
  const { patient, situation } = request;
  const entry = entryOf(request);
  const view = sideView(sideOf(entry, request));
  return forbiddenView(entry, situationFor(patient?.ageYears, situation), {
    amputated: patient?.amputated ?? [],
    view,
  });
}

/**
 * The ways to this projection, best first: at most five, each a whole set-up that is safe for this patient.
 * @param prices of the department, where they are other than the shipped ones
 * @throws RangeError as `computeSetup`
 */
export function findOtherWays(request: SetupRequest, prices: Partial<WayPrices> = {}): OtherWay[] {
  const { projectionId, side, own, digit, way: _way, overrides: _overrides, ...base } = request;
  const situation = situationFor(request.patient?.ageYears, request.situation);
  const asked = entryOf(request);
  const view = { projectionId, side: side ?? (asked.sided === 'each' ? ('left' as const) : undefined) };
  const usual = computeSetup({ ...base, ...view, own, digit, situation: { pregnancy: situation.pregnancy } });
  const search: Search = {
    base,
    body: buildBody(request.patient ?? {}),
    situation,
    usual,
    asked,
    own,
    digit,
    prices: { ...defaultWayPrices, ...prices },
  };
  const barred = whyForbidden({ ...request, ...view }) !== null;
  const found: OtherWay[] = [];
  if (!barred) {
    found.push(...ownWays(search, view, null));
    found.push(...searched(search, view, null, found));
  }
  for (const standsIn of asked.instead) {
    if (!hasProjection(standsIn.projection)) continue;
    const other = { projectionId: standsIn.projection, side };
    found.push(...ownWays(search, other, standsIn));
    if (whyForbidden({ ...base, ...other }) === null) found.push(...searched(search, other, standsIn, found));
  }
  const all = found.sort((a, b) => a.points - b.points);
  const kinds = new Set<string>();
  return all
    .filter((each) => {
      const kind = kindOf(each);
      if (kinds.has(kind)) return false;
      kinds.add(kind);
      return true;
    })
    .slice(0, MOST_WAYS);
}
