/** Step 1: what is asked, read once: the entry as this house has it, the patient’s body, the side, what is known of both. */
import { buildBody, type Body } from '../../body/body';
import type { Projection } from '../../projections/schema';
import type { LengthUnit } from '../../quantity/length';
import { ROOM_ONE } from '../../room/demoRooms';
import { withDefaults, type HouseRules } from '../../room/houseRules';
import type { Room } from '../../room/room';
import type { AdaptedWay } from '../placing/adaptedWay';
import { adaptProjection } from '../placing/adaptedProjection';
import { pathSegments } from '../placing/place';
import type { Known } from '../placing/placeAdapted';
import { sideView, type SideView } from '../placing/side';
import { judgedParts } from '../placing/targetRelation';
import { entryOf, situationFor, type Overrides, type SetupRequest, type Situation } from '../request';
import type { Side } from '../setup';
import { applyRules, type School } from '../variant';

export type Asked = {
  request: SetupRequest;
  /** What a search has worked out before for the same entry, patient and side. */
  known: Known;
  rules: HouseRules;
  unit: LengthUnit;
  room: Room;
  overrides: Overrides;
  situation: Situation;
  body: Body;
  /** The entry under the rules of the house, and as it is in the way that was asked for. */
  asTaught: Projection;
  projection: Projection;
  schools: School[];
  adapted: AdaptedWay | null;
  side: Side | null;
  view: SideView;
  /** Segments by which the course of the ray is judged, for the left; the first of them on its side. */
  judged: readonly string[];
  part: string;
  /** Parts of the body that the ray may cross; undefined for all. */
  segments: readonly string[] | undefined;
  /** Seated because the tube does not go high enough for one who stands: how high the ray would have passed then. */
  seatedFromMm?: number;
};

/** Of a paired part the side that is asked for; of a lateral of the trunk the side that lies on the receptor. */
function sideOf({ name, sided, nearSide }: Projection, side: Side | undefined): Side | null {
  if (sided !== 'each') return nearSide ? (side ?? nearSide) : null;
  if (!side) throw new RangeError(`${name} needs a side: left or right`);
  return side;
}

/** @throws RangeError for an unknown projection, a missing side, or a patient outside the model */
export function readRequest(request: SetupRequest, known: Known): Asked {
  const rules = withDefaults(request.rules);
  const body = known.body ?? buildBody(request.patient ?? {});
  const entry = entryOf(request);
  const { projection: asTaught, schools } = applyRules(entry, rules, body.patient);
  const adapted = request.way ?? null;
  const projection = adapted ? adaptProjection(asTaught, adapted) : asTaught;
  const side = sideOf(projection, request.side);
  const view = sideView(side);
  const judged = judgedParts(projection, body);
  return {
    request,
    known,
    rules,
    unit: rules.unit,
    room: request.room ?? ROOM_ONE,
    overrides: request.overrides ?? {},
    situation: situationFor(request.patient?.ageYears, request.situation),
    body,
    asTaught,
    projection,
    schools,
    adapted,
    side,
    view,
    judged,
    part: view.name(judged[0]),
    segments: pathSegments(projection, body, side),
  };
}
