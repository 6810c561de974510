/** A way computed in full, looked over for safety, and told: what it keeps, what it costs, what the reader must know. */
import type { Body } from '../body/body';
import { eachSide, specOf, type Motion } from '../body/joints';
import { dot } from '../geometry/vector';
import { sinDeg, toDegrees } from '../quantity/angle';
import { capitalize } from '../quantity/text';
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { withDefaults } from '../room/houseRules';
import { isUpright } from '../room/stance';
import { computeFeasible, computeSetup } from '../setup/computeSetup';
import { wayText } from '../setup/placing/adaptedWay';
import { isOfArm, isOfLeg, type Settled } from '../setup/placing/placeAdapted';
import type { SetupRequest, Situation } from '../setup/request';
import type { Setup, Side } from '../setup/setup';
import { partsFor, type TargetRelation } from '../setup/placing/targetRelation';
import type { WayPrices } from './wayPrices';
import { costsOf, isRayLevel, LEVEL_WITHIN_DEG, type Cost, type StandIn } from './costs';
import type { OtherWay, Said } from './otherWay';
import type { Values, ValuesOf } from '../words/fact';
import { say } from '../words/say';
import type { KEEP_WORDS, TELL_WORDS } from '../words/wayWords';

/** A ray that is off by less counts as the wanted one. */
const SQUARE_DEG = 3;

export type Base = Omit<SetupRequest, 'projectionId' | 'side' | 'own' | 'way' | 'overrides'>;

/** What all ways of one question share. */
export type Search = {
  base: Base;
  body: Body;
  situation: Situation;
  /** The usual set-up of the asked projection for one who can do all. */
  usual: Setup;
  asked: Projection;
  own: Projection | undefined;
  /** Of the asked entry, where it is set for one that is not its own. */
  digit: number | undefined;
  prices: WayPrices;
};

/** An entry of this search: the asked one as it was asked for, the department's own or set for a digit. */
export const entryIn = ({ asked }: Search, id: string): Projection => (asked.id === id ? asked : projectionOf(id));

export const sideOf = (projection: Projection, request: Pick<SetupRequest, 'side'>): Side | null =>
  projection.sided === 'each'
    ? (request.side ?? 'left')
    : projection.nearSide
      ? (request.side ?? projection.nearSide)
      : null;

const askedAs = ({ asked, own, digit }: Search, id: string): Pick<SetupRequest, 'own' | 'digit'> =>
  asked.id === id ? { own, digit } : {};

/** What must not be, whatever the numbers: checked on the finished set-up, so that no way slips past the search. */
function isSafe(setup: Setup, situation: Situation): boolean {
  // Under one who lies there is no room for a tube; to one who is erect it may be angled upward.
  const fromBelow = !isUpright(setup.position.body) && setup.scene.beam[2] >= sinDeg(LEVEL_WITHIN_DEG);
  return !fromBelow && !(situation.spineNotCleared && setup.position.body !== 'supine');
}

/**
 * A part that is drawn larger than this is too far from the receptor to be a way, unless the view is taught so: a loose
 * receptor could be brought nearer, one beneath board and table cannot [typical].
 */
const MOST_MAGNIFIED = { beside: 1.6, beneath: 1.75 } as const;
/** Another way may still enlarge a little more than the taught one. */
const LARGER_SHARE = 1.1;

/** Through a limb or shoulder that is this many times as thick along the ray, something else is in the picture [typical]. */
const MOST_THICKER = 1.6;
const GIRDLE = /^(scapula|clavicle)_/;

/** Whether a found way draws the part too large, or through too much of the limb, beyond what the view itself does. */
function isFarFetched(search: Search, setup: Setup, { side, way }: OtherWay['request'], part: string): boolean {
  if (!way) return false;
  const { base, usual } = search;
  const { patient, room, rules } = base;
  const { image, projectionId, exposure } = setup;
  const limb = isOfArm(part) || isOfLeg(part) || GIRDLE.test(part);
  const most = way.holder === 'stand' ? MOST_MAGNIFIED.beside : MOST_MAGNIFIED.beneath;
  if (!limb && image.magnification <= most) return false;
  const taught =
    usual.projectionId === projectionId
      ? usual
      : computeSetup({ projectionId, side, patient, room, rules, ...askedAs(search, projectionId) });
  return (
    image.magnification > Math.max(most, taught.image.magnification * LARGER_SHARE) ||
    (limb && exposure.thicknessMm > taught.exposure.thicknessMm * MOST_THICKER)
  );
}

/** Between the ray and the wanted one, either way through: in the part, or the worse of both halves of a joint. */
function angleOff(setup: Setup, target: TargetRelation): number {
  const half = setup.way?.half;
  const limited = setup.problems.some(({ code }) => code === 'joint-limit');
  const parts = partsFor(target, half ?? (limited && target.joint ? 'between' : undefined));
  return Math.max(
    ...parts.map(({ segment, ray }) => {
      const along = dot(setup.inPart.find((each) => each.segment === segment)!.ray, ray);
      return toDegrees(Math.acos(Math.min(1, Math.abs(along))));
    }),
  );
}

/** A joint that is bent otherwise by more than this makes another picture: an open fossa is no straight knee [typical]. */
const MOST_BEND_DEG = 60;
/** A lateral of an elbow that stays extended is still one: it is said, not left out [typical]. */
const MOST_LATERAL_ELBOW_BEND_DEG = 95;
const LATERAL: ReadonlySet<Projection['ray']['view']> = new Set<Projection['ray']['view']>(['lateral', 'medial']);

/** Joints that count for a part, where they are bent otherwise than usual. */
const BENDS: readonly [part: RegExp, motion: RegExp][] = [
  [/^(hand|finger)/, /^(wrist|finger|thumb)/],
  [/^radius/, /^wrist/],
  [/^(forearm|upperarm)/, /^elbow/],
  [/^(foot|toes|talus)/, /^(ankle|foot|toes)/],
];

/** The joint of the part that differs most from the usual pose. */
function bendOf(setup: Setup, target: TargetRelation): { degrees: number; says: string; elbow: boolean } | null {
  const { half } = setup.way ?? {};
  const part = target.parts[0].segment;
  if ((!isOfArm(part) && !isOfLeg(part)) || half === 'upper' || half === 'lower') return null;
  const own =
    BENDS.find(([each]) => each.test(part))?.[1] ?? (target.joint || /^thigh/.test(part) ? /^knee/ : /^ankle/);
  const pose = eachSide(setup.scene.pose);
  let most: { degrees: number; motion: Motion } | null = null;
  for (const motion of new Set([...pose.keys(), ...target.pose.keys()])) {
    if (!own.test(motion) || !motion.endsWith(part.slice(-2))) continue;
    const degrees = Math.abs((pose.get(motion) ?? 0) - (target.pose.get(motion) ?? 0));
    if (!most || degrees > most.degrees) most = { degrees, motion };
  }
  return (
    most && {
      degrees: most.degrees,
      says: `${capitalize(specOf(most.motion).says[0])}:`,
      elbow: /^elbow/.test(most.motion),
    }
  );
}

type ReportWords = typeof KEEP_WORDS & typeof TELL_WORDS;
export const said = <C extends keyof ReportWords>(
  code: C,
  values: ValuesOf<ReportWords, C> & Values = {} as ValuesOf<ReportWords, C> & Values,
): Said => ({ code, values, text: say({ code, values }, { unit: 'in' }) });

function tellReader(setup: Setup, costs: readonly Cost[]): Said[] {
  const { way, marker, situation, position } = setup;
  const decubitus = position.body === 'lateral-recumbent' && isRayLevel(setup);
  return [
    ...(marker.extra.length > 0 ? [said('tell-marked', { signs: marker.extra })] : []),
    ...costs.filter(({ id }) => REPORTED_COSTS.has(id)).map(({ code, values, text }): Said => ({ code, values, text })),
    ...(decubitus && situation.suspected.includes('fluid level')
      ? [said('tell-fluid', { side: way?.on ?? 'dependent' })]
      : []),
    ...(decubitus && situation.suspected.includes('free gas') ? [said('tell-gas')] : []),
    ...(way && !isRayLevel(setup) && setup.position.body !== 'upright' && setup.showsLevels
      ? [said('tell-no-levels')]
      : []),
  ];
}
const REPORTED_COSTS: ReadonlySet<Cost['id']> = new Set(['off', 'distortion', 'size', 'level', 'bend', 'other']);

function keepsOf(setup: Setup, offDeg: number, usual: Setup, situation: Situation): Said[] {
  return [
    said('keeps-course', { offDeg: offDeg < SQUARE_DEG ? 0 : Math.round(offDeg) }),
    ...(setup.image.elongation < 1.02 ? [said('keeps-receptor-square')] : []),
    ...(isRayLevel(setup) && setup.showsLevels ? [said('keeps-level')] : []),
    ...(setup.receptor.grid ? [said('keeps-grid', { ratio: setup.receptor.grid.ratio })] : []),
    ...(setup.image.magnification <= usual.image.magnification * 1.02 ? [said('keeps-size')] : []),
    ...(setup.position.body === 'supine' && situation.spineNotCleared ? [said('keeps-unrolled')] : []),
  ];
}

/** People who must hold: none where nobody may, and then bands and sandbags do it. */
const holdersFor = ({ holdsStill, holder }: Situation): number => (!holdsStill && holder === 'someone' ? 1 : 0);

/**
 * One way, computed in full and priced.
 * @returns null where it cannot be, or must not
 */
export function assess(
  search: Search,
  { target, settled }: { target: TargetRelation; settled?: Settled },
  projection: Projection,
  request: OtherWay['request'],
  extra: { reversed: boolean; posed: boolean; standsIn: StandIn | null },
): OtherWay | null {
  const { base, situation, usual } = search;
  let setup: Setup | null;
  try {
    setup = computeFeasible(
      { ...base, ...request, ...askedAs(search, request.projectionId) },
      { body: search.body, target, settled },
    );
  } catch (error) {
    // Ray and receptor that do not meet are no way.
    if (error instanceof RangeError) return null;
    throw error;
  }
  if (!setup || !isSafe(setup, situation)) return null;
  if (isFarFetched(search, setup, request, target.parts[0].segment)) return null;
  const { unit } = withDefaults(base.rules);
  const offDeg = angleOff(setup, target);
  const bend = bendOf(setup, target);
  const bends = bend?.elbow && LATERAL.has(projection.ray.view) ? MOST_LATERAL_ELBOW_BEND_DEG : MOST_BEND_DEG;
  if (bend && bend.degrees > bends) return null;
  const costs = costsOf(
    projection,
    { usual, setup, offDeg, bend, holders: holdersFor(situation), ...extra },
    situation,
    unit,
    search.prices,
  );
  return {
    id: [request.projectionId, request.way ? wayText(request.way) : setup.position.body].join(':'),
    request:
      search.asked.id === request.projectionId && search.digit !== undefined
        ? { ...request, digit: search.digit }
        : request,
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
