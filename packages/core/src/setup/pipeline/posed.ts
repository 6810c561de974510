/** Step 2: what the patient may do, posed and set down, in its own axes of the holder; and the ray that does not lean. */
import type { Holder } from '../../room/room';
import { isOfHead } from '../placing/placeGiven';
import type { AimedRay, PlacedBody } from '../placing/place';
import { chooseWay, type TakenWay } from '../placing/way';
import { problem, type Problem } from '../problem';
import { placeMeasured } from '../technique/thickness';
import { neckStays } from '../verdict/kept';
import { boardOf, isLimited, limitsFor } from '../verdict/stillJoints';
import { forbiddenProblem, forbiddenView, keptMoved } from '../verdict/verdict';
import type { Asked } from './asked';

export type Posed = Asked & {
  way: TakenWay;
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

export function poseAndPlace(asked: Asked): Posed {
  const { asTaught, body, given, known, overrides, part, projection, room, segments, side, situation, view } = asked;
  const chosen = chooseWay(projection, situation, room, side, overrides, {
    given: given ?? undefined,
    part,
    mirrored: view.mirrored,
  });
  const { way, holders } = chosen;
  const forbidden = forbiddenView(asTaught, situation);
  const {
    placed,
    straight: straightRay,
    thicknessMm: squareMm,
    factor,
  } = placeMeasured(projection, way, body, view, segments, {
    wantedMm: body.patient.partThicknessMm,
    limits: given ? limitsFor(situation, part) : situation.joints,
    boardMm: boardOf(situation, way.body),
    neck: !neckStays(situation) ? 'posed' : isOfHead(part) ? 'held' : 'as it is',
    known,
  });
  return {
    ...asked,
    ...{ way, holders, placed, straightRay, squareMm, factor },
    problems: [
      ...(forbidden ? [forbiddenProblem(forbidden)] : []),
      ...chosen.problems,
      ...keptMoved(placed.pose, part, situation),
      ...placed.held
        .filter(({ motion }) => isLimited(motion, situation.joints))
        .map((joint) => problem('joint-limit', joint)),
      ...oddThickness(asked, factor),
    ],
  };
}
