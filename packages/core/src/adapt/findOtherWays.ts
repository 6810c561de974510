/**
 * Other ways to the same relation of ray, part and receptor, for a patient, a situation and a room that bar the usual
 * one. A search, not a table: what textbooks know as trauma forms comes out of it.
 */
import { buildBody, type Body } from '../body/body';
import { isChild } from '../body/patient';
import { eachSide, specOf, type Motion } from '../body/joints';
import { formatAngle, toDegrees } from '../quantity/angle';
import { capitalize } from '../quantity/text';
import { dot } from '../geometry/vector';
import { hasProjection, projectionOf } from '../projections/catalogue';
import type { PositionWay, Projection } from '../projections/schema';
import { ROOM_ONE } from '../room/demoRooms';
import { withDefaults } from '../room/houseRules';
import { computeSetup } from '../setup/computeSetup';
import { wayText, type Half } from '../setup/given';
import { isOfArm, isOfLeg, type Settled } from '../setup/placeGiven';
import { situationFor, type SetupRequest, type Situation } from '../setup/request';
import type { Setup, Side } from '../setup/setup';
import { isInjured } from '../setup/way';
import { sideView } from '../setup/side';
import { MOST_LOW_ARM_DEG, raisesArm } from '../setup/stillJoints';
import { partsFor, wantedOf, type Wanted } from '../setup/wanted';
import { applyRules } from '../setup/variant';
import { candidatesFor, type Candidate } from './candidates';
import { costsOf, leastPoints, POINTS, positionPoints, showsLevels, type Cost } from './costs';
import { forbiddenView, type Forbidden } from './forbidden';
import { bearsHurt, positionsFor } from './positions';
import { asksPosing, mayPose, movesNeck, neckStays } from './still';

export type OtherWay = {
  /** Short text of the way, the same whenever the same is found. */
  id: string;
  /** What takes it into a series. */
  request: Pick<SetupRequest, 'projectionId' | 'side' | 'way' | 'overrides'>;
  /** Of the lower half, where a joint is shown in two. */
  secondRequest: Pick<SetupRequest, 'projectionId' | 'side' | 'way' | 'overrides'> | null;
  name: string;
  says: string;
  setup: Setup;
  second: Setup | null;
  /** Degrees between the ray and the wanted one in the part. */
  offDeg: number;
  keeps: string[];
  costs: Cost[];
  /** What the reader of the picture must know. */
  tell: string[];
  /** Points of all costs: the ways are ranked by them. */
  points: number;
};

/** Ways shown at most. */
const MOST_WAYS = 5;
/** Candidates of a position that are computed in full; fewer where the patient is moved, or of an entry that stands in. */
const MOST_COMPUTED = 4;
const MOST_COMPUTED_LATER = 2;
const SQUARE_DEG = 3;

type Base = Omit<SetupRequest, 'projectionId' | 'side' | 'own' | 'way' | 'overrides'>;

type Search = {
  base: Base;
  body: Body;
  situation: Situation;
  /** The usual set-up of the asked projection for one who can do all. */
  usual: Setup;
  asked: Projection;
  own: Projection | undefined;
};

/** An entry of this search: the department's own where it is the asked one. */
const entryOf = ({ asked, own }: Search, id: string): Projection => (own && own.id === id ? asked : projectionOf(id));

const sideOf = (projection: Projection, request: Pick<SetupRequest, 'side'>): Side | null =>
  projection.sided === 'each'
    ? (request.side ?? 'left')
    : projection.nearSide
      ? (request.side ?? projection.nearSide)
      : null;

const ownOf = ({ own }: Search, id: string): Projection | undefined => (own?.id === id ? own : undefined);

/** What must not be, whatever the numbers: checked on the finished set-up, so that no way slips past the search. */
function isSafe(setup: Setup, situation: Situation): boolean {
  if (!setup.feasible) return false;
  // Whatever a pose is called: an arm that is not raised stays down.
  for (const [side, suffix] of [
    ['left', 'L'],
    ['right', 'R'],
  ] as const) {
    const { pose } = setup.scene;
    const highest = Math.max(pose[`shoulderFlexion_${suffix}`] ?? 0, pose[`shoulderAbduction_${suffix}`] ?? 0);
    if (highest > MOST_LOW_ARM_DEG + 0.01 && !raisesArm(situation, side)) return false;
  }
  const rises = setup.scene.beam[2];
  return rises < Math.sin((10 * Math.PI) / 180) && !(situation.spineNotCleared && setup.position.body !== 'supine');
}

/** Between the ray and the wanted one, either way through: in the part, or the worse of both halves of a joint. */
function angleOff(setup: Setup, wanted: Wanted): number {
  const half = setup.way?.half;
  const held = setup.problems.some(({ code }) => code === 'joint-limit');
  const parts = partsFor(wanted, half ?? (held && wanted.joint ? 'between' : undefined));
  return Math.max(
    ...parts.map(({ segment, ray }) => {
      const along = dot(setup.inPart.find((each) => each.segment === segment)!.ray, ray);
      return toDegrees(Math.acos(Math.min(1, Math.abs(along))));
    }),
  );
}

/** Joints that count for a part, where they are bent otherwise than usual. */
const BENDS: readonly [part: RegExp, motion: RegExp][] = [
  [/^(hand|finger)/, /^(wrist|finger|thumb)/],
  [/^radius/, /^wrist/],
  [/^(forearm|upperarm)/, /^elbow/],
  [/^(foot|toes|talus)/, /^(ankle|foot|toes)/],
];

/** The joint of the part that differs most from the usual pose. */
function bendOf(setup: Setup, wanted: Wanted): { degrees: number; says: string } | null {
  const { half } = setup.way ?? {};
  const part = wanted.parts[0].segment;
  if ((!isOfArm(part) && !isOfLeg(part)) || half === 'upper' || half === 'lower') return null;
  const own =
    BENDS.find(([each]) => each.test(part))?.[1] ?? (wanted.joint || /^thigh/.test(part) ? /^knee/ : /^ankle/);
  const pose = eachSide(setup.scene.pose);
  let most: { degrees: number; motion: Motion } | null = null;
  for (const motion of new Set([...pose.keys(), ...wanted.pose.keys()])) {
    if (!own.test(motion) || !motion.endsWith(part.slice(-2))) continue;
    const degrees = Math.abs((pose.get(motion) ?? 0) - (wanted.pose.get(motion) ?? 0));
    if (!most || degrees > most.degrees) most = { degrees, motion };
  }
  return most && { degrees: most.degrees, says: `${capitalize(specOf(most.motion).says)}:` };
}

function tellReader(setup: Setup, costs: readonly Cost[]): string[] {
  const { way, marker, situation, position } = setup;
  const decubitus = position.body === 'lateral-recumbent' && showsLevels(setup);
  return [
    ...(marker.extra.length > 0 ? [`Marked: ${marker.extra.join(', ')}`] : []),
    ...costs.filter(({ id }) => TOLD.has(id)).map(({ text }) => text),
    ...(decubitus && situation.suspected.includes('fluid level')
      ? [`Fluid gathers on the ${way?.on ?? 'lower'} side, which lies beneath: the suspect side down`]
      : []),
    ...(decubitus && situation.suspected.includes('free gas') ? ['Gas gathers on the side that is up'] : []),
    ...(way && !showsLevels(setup) && setup.position.body !== 'upright' && /chest|abdomen/.test(setup.projectionId)
      ? ['No fluid levels: the ray is not level']
      : []),
  ];
}
const TOLD: ReadonlySet<Cost['id']> = new Set(['off', 'distortion', 'size', 'level', 'bend', 'other']);

function keepsOf(setup: Setup, offDeg: number, usual: Setup, situation: Situation): string[] {
  return [
    offDeg < SQUARE_DEG
      ? 'The wanted ray through the part'
      : `The wanted ray within ${formatAngle(Math.round(offDeg))}`,
    ...(setup.image.elongation < 1.02 ? ['Receptor square to the ray'] : []),
    ...(showsLevels(setup) ? ['Level ray: fluid and free gas show'] : []),
    ...(setup.receptor.grid ? [`Grid ${setup.receptor.grid.ratio}:1`] : []),
    ...(setup.image.magnification <= usual.image.magnification * 1.02 ? ['The usual size'] : []),
    ...(setup.position.body === 'supine' && situation.spineNotCleared ? ['The patient is not turned'] : []),
  ];
}

/** People who must hold: none where nobody may, and then bands and sandbags do it. */
const holdersFor = ({ holdsStill, holder }: Situation): number => (!holdsStill && holder === 'someone' ? 1 : 0);

function assess(
  search: Search,
  { wanted, settled }: { wanted: Wanted; settled?: Settled },
  projection: Projection,
  request: OtherWay['request'],
  extra: { reversed: boolean; posed: boolean; loses: string | null },
): OtherWay | null {
  const { base, situation, usual } = search;
  let setup: Setup;
  try {
    setup = computeSetup(
      { ...base, ...request, own: ownOf(search, request.projectionId) },
      { body: search.body, wanted, settled },
    );
  } catch (error) {
    // Ray and receptor that do not meet are no way.
    if (error instanceof RangeError) return null;
    throw error;
  }
  if (!isSafe(setup, situation) || bearsHurt(setup.position.body, wanted.parts[0].segment, situation)) return null;
  const { unit } = withDefaults(base.rules);
  const offDeg = angleOff(setup, wanted);
  const costs = costsOf(
    projection,
    { usual, setup, offDeg, bend: bendOf(setup, wanted), holders: holdersFor(situation), ...extra },
    situation,
    unit,
  );
  return {
    id: [request.projectionId, request.way ? wayText(request.way) : setup.position.body].join(':'),
    request,
    secondRequest: null,
    name: setup.name,
    says: setup.position.say,
    setup,
    second: null,
    offDeg,
    keeps: keepsOf(setup, offDeg, usual, situation),
    costs,
    tell: tellReader(setup, costs),
    points: costs.reduce((sum, { points }) => sum + points, 0),
  };
}

const SIDEWAYS = /^(lateral|medial)$/;
/** What a way is, coarsely: of those that are alike only the cheapest is shown. */
const kindOf = ({ setup, request }: OtherWay): string =>
  [
    request.projectionId,
    setup.position.body,
    setup.tube.beam,
    request.way?.half ?? '',
    SIDEWAYS.test(setup.position.facing) ? 'side' : setup.position.facing,
    // Where fluid is looked for, either side may be the suspect one.
    setup.situation.suspected.includes('fluid level') ? (request.way?.on ?? '') : '',
  ].join(' ');

type Priced = Candidate & { least: number };

/** The best of each kind, so that none crowds out the others; those that may cost least first. */
function chosenFrom(candidates: readonly Priced[]): Priced[] {
  const kinds = new Map<string, Priced>();
  for (const candidate of candidates) {
    const { position, beam, half, reversed, asItLies, on, backRestDeg } = candidate.way;
    const kind = [position, beam, half, reversed, asItLies, on, backRestDeg].join(' ');
    const known = kinds.get(kind);
    if (!known || candidate.least < known.least) kinds.set(kind, candidate);
  }
  return [...kinds.values()].sort((a, b) => a.least - b.least);
}

/** The points that a way must come under to be among those that are shown. */
function worstShown(found: readonly OtherWay[]): number {
  const kinds = new Map<string, number>();
  for (const each of found) {
    const kind = kindOf(each);
    kinds.set(kind, Math.min(each.points, kinds.get(kind) ?? Infinity));
  }
  return [...kinds.values()].sort((a, b) => a - b)[MOST_WAYS - 1] ?? Infinity;
}

/**
 * Ways of one entry by search.
 * @param before ways that are known already: what cannot come among the best of them is not computed
 */
function searched(
  search: Search,
  request: Pick<SetupRequest, 'projectionId' | 'side'>,
  loses: string | null,
  before: readonly OtherWay[],
): OtherWay[] {
  const fee = loses === null ? 0 : POINTS.other;
  const { base, body, situation, usual } = search;
  const room = base.room ?? ROOM_ONE;
  const projection = applyRules(
    entryOf(search, request.projectionId),
    withDefaults(base.rules),
    isChild(body.patient),
  ).projection;
  const side = sideOf(projection, request);
  const view = sideView(side);
  const wanted = wantedOf(projection, body, view);
  const part = wanted.parts[0].segment;
  const found: OtherWay[] = [];
  const worst = () => worstShown([...before, ...found]);
  const positions = positionsFor(part, situation)
    .map((position) => ({ position, least: fee + positionPoints(position.position, part, usual, situation) }))
    .sort((a, b) => a.least - b.least);
  for (const { position, least: atLeast } of positions) {
    // An entry that only stands in is not worth a turn of its own.
    if (atLeast > worst() || (loses !== null && atLeast > fee)) break;
    const priced = candidatesFor(projection, { body, view, wanted }, situation, room, position, {
      gridWanted: usual.receptor.gridWanted,
      inHalves: loses === null,
    }).map((each) => ({ ...each, least: leastPoints(projection, each, part, usual, situation) }));
    let computed = 0;
    for (const { way, least, settled } of chosenFrom(priced)) {
      const most = loses !== null || atLeast > 0 ? MOST_COMPUTED_LATER : MOST_COMPUTED;
      if (computed >= most || least + fee > worst()) break;
      computed += 1;
      const asked = { projectionId: request.projectionId, side: side ?? undefined, way };
      const result = assess(search, { wanted, settled }, projection, asked, {
        reversed: way.reversed,
        posed: !way.asItLies,
        loses,
      });
      if (result) found.push(result);
    }
  }
  return joinHalves(found, wanted);
}

/** Upper and lower half of a joint belong together, as two exposures of one way: the cheapest pair. */
function joinHalves(found: readonly OtherWay[], wanted: Wanted): OtherWay[] {
  const halves = (half: Half) => found.filter(({ request }) => request.way?.half === half);
  const joint = wanted.joint?.says ?? 'joint';
  const pairs = halves('upper').flatMap((upper) =>
    halves('lower')
      .filter(
        ({ setup }) => setup.position.body === upper.setup.position.body && setup.tube.beam === upper.setup.tube.beam,
      )
      .map((lower): OtherWay => {
        const dearer = lower.points > upper.points ? lower : upper;
        return {
          ...upper,
          id: `${upper.id}+${lower.id}`,
          says: `${upper.says}. Then ${lower.says.charAt(0).toLowerCase()}${lower.says.slice(1)}`,
          second: lower.setup,
          secondRequest: lower.request,
          keeps: [...upper.keeps, `Each half of the ${joint} square to its own ray`],
          costs: [...dearer.costs, { id: 'second', text: 'Two exposures', points: POINTS.second }],
          tell: [...upper.tell, `The ${joint} in two pictures: it does not straighten`],
          points: dearer.points + POINTS.second,
        };
      }),
  );
  const whole = found.filter(({ request }) => request.way?.half !== 'upper' && request.way?.half !== 'lower');
  return [...whole, ...pairs.sort((a, b) => a.points - b.points).slice(0, 1)];
}

/** Ways that an entry itself has, and those of the entries that stand in for it. */
function ownWays(
  search: Search,
  request: Pick<SetupRequest, 'projectionId' | 'side'>,
  loses: string | null,
): OtherWay[] {
  const { base, body, situation } = search;
  const entry = entryOf(search, request.projectionId);
  if (forbiddenView(entry, situation)) return [];
  const projection = applyRules(entry, withDefaults(base.rules), isChild(body.patient)).projection;
  const side = sideOf(projection, request);
  const wanted = wantedOf(projection, body, sideView(side));
  const part = wanted.parts[0].segment;
  const spared = (way: PositionWay) => isInjured(situation) && way.ifInjured !== undefined;
  const moves = (way: PositionWay) =>
    (!mayPose(part, situation) && asksPosing(projection, way)) || (neckStays(situation) && movesNeck(projection, way));
  const positions = new Set(projection.positions.filter((way) => spared(way) || !moves(way)).map((way) => way.body));
  return [...positions].flatMap((position) => {
    const asked = {
      projectionId: request.projectionId,
      side: side ?? undefined,
      overrides: { position },
    };
    const found = assess(search, { wanted }, projection, asked, { reversed: false, posed: true, loses });
    return found ? [found] : [];
  });
}

/** Why the view itself must not be done, and who is asked; null where some way may be looked for. */
export function whyForbidden(request: SetupRequest): Forbidden | null {
  const situation = situationFor(request.patient?.ageYears, request.situation);
  return forbiddenView(request.own ?? projectionOf(request.projectionId), situation);
}

/**
 * The ways to this projection, best first: at most five, each a whole set-up that is safe for this patient.
 * @throws RangeError as `computeSetup`
 */
export function findOtherWays(request: SetupRequest): OtherWay[] {
  const { projectionId, side, own, way: _way, overrides: _overrides, ...base } = request;
  const situation = situationFor(request.patient?.ageYears, request.situation);
  const asked = own ?? projectionOf(projectionId);
  const given = { projectionId, side: side ?? (asked.sided === 'each' ? ('left' as const) : undefined) };
  const usual = computeSetup({ ...base, ...given, own, situation: { pregnancy: situation.pregnancy } });
  const search: Search = { base, body: buildBody(request.patient ?? {}), situation, usual, asked, own };
  const barred = forbiddenView(asked, situation) !== null;
  const found: OtherWay[] = [];
  if (!barred) {
    found.push(...ownWays(search, given, null));
    found.push(...searched(search, given, null, found));
  }
  for (const { projection, loses } of asked.instead) {
    if (!hasProjection(projection)) continue;
    const other = { projectionId: projection, side };
    found.push(...ownWays(search, other, loses));
    if (forbiddenView(projectionOf(projection), situation) === null)
      found.push(...searched(search, other, loses, found));
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
