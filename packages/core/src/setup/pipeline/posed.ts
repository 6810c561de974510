/** Step 2: what the patient may do, posed and set down, in its own axes of the holder; and the ray that does not lean. */
import type { Holder } from '../../room/room';
import { lately, names } from '../../quantity/lately';
import { tubeForHead } from '../placing/keepHead';
import { isOfHead } from '../placing/placeAdapted';
import type { AimedRay, PlacedBody } from '../placing/place';
import { choosePositioning, type ChosenPositioning } from '../placing/positioning';
import { problem, type Problem } from '../problem';
import { isHorizontal } from '../ray/tube';
import { placeMeasured } from '../technique/thickness';
import { neckStays } from '../verdict/kept';
import { boardOf, isLimited, limitsFor } from '../verdict/immobilized';
import { dependentSide, levelSign, mustAskSide } from '../verdict/suspectedSide';
import { forbiddenProblem, forbiddenView, keptMoved } from '../verdict/verdict';
import type { Asked } from './asked';

export type Posed = Asked & {
  positioning: ChosenPositioning;
  holders: readonly Holder[];
  placed: PlacedBody;
  /** Before the tube is tilted. */
  straightRay: AimedRay;
  squareMm: number;
  /** Measured against computed thickness, where it was measured. */
  factor: number | null;
  problems: readonly Problem[];
};

/** Measured against computed thickness outside this is said, not only used. */
const THICKNESS_ODD = [0.6, 1.6] as const;

function oddThickness({ body, unit }: Asked, factor: number | null): Problem[] {
  const { partThicknessMm } = body.patient;
  if (factor === null || partThicknessMm === undefined) return [];
  if (factor >= THICKNESS_ODD[0] && factor <= THICKNESS_ODD[1]) return [];
  return [problem('thickness-odd', { measuredMm: partThicknessMm, computedMm: partThicknessMm / factor }, unit)];
}

/** Of one who lies on the side before a level ray: whether that side shows what is looked for. */
function wrongSideDown({ asTaught, situation, unit }: Asked, { posed, placement }: PlacedBody): Problem[] {
  const leftUp = posed.place[2]!;
  if (!placement.lies || !isHorizontal(placement.beam) || Math.abs(leftUp) < ON_SIDE) return [];
  if (mustAskSide(asTaught, situation)) return [problem('ask-side', {}, unit)];
  const down = dependentSide(asTaught, situation);
  const sign = levelSign(situation);
  if (!down || !sign || down === (leftUp < 0 ? 'left' : 'right')) return [];
  return [problem('wrong-side-down', { sign, down }, unit)];
}
/** How far the line from side to side stands up, of one who lies on a side. */
const ON_SIDE = 0.7;

type Placed = ReturnType<typeof placeMeasured>;
/** While room, tube, field or exposure are tried, the patient lies as before: the last few are kept. */
const MOST_PLACED = 8;
const placedLately = lately<Placed>(MOST_PLACED);
const nameOf = names();

/** The patient set down in the position. In another way it is known from the search, or worked out anew. */
function placeLately(
  { adapted, body, projection, segments, view, known }: Asked,
  positioning: ChosenPositioning,
  options: Omit<Parameters<typeof placeMeasured>[5], 'known'>,
): Placed {
  const place = (): Placed =>
    placeMeasured(projection, positioning, body, view, segments, adapted ? { ...options, known } : options);
  if (adapted) return place();
  const key = JSON.stringify([nameOf(projection), nameOf(body), view.mirrored, segments, positioning, options]);
  return placedLately(key, place);
}

export function poseAndPlace(asked: Asked): Posed {
  const { asTaught, body, adapted, overrides, part, projection, room, side, situation, view } = asked;
  const found = choosePositioning(projection, situation, room, side, overrides, {
    adapted: adapted ?? undefined,
    part,
    mirrored: view.mirrored,
    ageYears: body.patient.ageYears,
  });
  const chosen =
    asked.seatedFromMm === undefined
      ? found
      : { ...found, positioning: { ...found.positioning, sitsOn: 'stool' as const } };
  const { holders } = chosen;
  const staysOnLine = neckStays(situation) && isOfHead(part) && !adapted;
  const tubeDeg = staysOnLine ? tubeForHead(projection, body, chosen.positioning.pose) : null;
  const positioning = tubeDeg === null ? chosen.positioning : { ...chosen.positioning, tubeDeg };
  const forbidden = forbiddenView(asTaught, situation, { amputated: body.patient.amputated, view });
  const {
    placed,
    straight: straightRay,
    thicknessMm: squareMm,
    factor,
  } = placeLately(asked, positioning, {
    neededMm: body.patient.partThicknessMm,
    limits: adapted ? limitsFor(situation, part) : situation.joints,
    boardMm: boardOf(situation, positioning.body),
    neck: !neckStays(situation) ? 'posed' : isOfHead(part) && tubeDeg === null ? 'held' : 'as it is',
  });
  return {
    ...asked,
    ...{ positioning, holders, placed, straightRay, squareMm, factor },
    problems: [
      ...(forbidden ? [forbiddenProblem(forbidden)] : []),
      ...chosen.problems,
      ...keptMoved(placed.pose, part, situation),
      ...placed.limited
        .filter(({ motion }) => isLimited(motion, situation.joints))
        .map((joint) => problem('joint-limit', joint)),
      ...oddThickness(asked, factor),
      ...wrongSideDown(asked, placed),
    ],
  };
}
