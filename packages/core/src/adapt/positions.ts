/** The positions that a search goes through: those that this patient may take. */
import type { AdaptedWay } from '../setup/placing/adaptedWay';
import { isOfArm, isOfLeg } from '../setup/placing/placeAdapted';
import type { Situation } from '../setup/request';
import type { Side } from '../setup/setup';
import type { SpannedJoint } from '../setup/placing/targetRelation';
import { barred, bearsHurt } from '../setup/placing/positioning';

export type Position = Pick<AdaptedWay, 'position' | 'on' | 'backRestDeg' | 'onStool'>;

/** Back rest that is set where nothing says otherwise, and for a level ray: the steeper the better [typical]. */
const BACK_REST_DEG = 45;
const STEEP_REST_DEG = 60;
const SIDES: readonly Side[] = ['left', 'right'];

/** What can lie on a stool before a seat. */
const BELOW_THIGH = /^(patella|shank|talus|foot|toes)_/;
const onStool = (segment: string, joint: SpannedJoint | null): boolean =>
  BELOW_THIGH.test(segment) || (joint !== null && joint.motion.startsWith('knee'));

/** Before a seat a lower leg hangs: one whose knee bends less lies on a stool, and is not held out in the air. */
const SEAT_BENDS_DEG = 60;
function hangs(segment: string, { joints }: Situation): boolean {
  const limit = joints[segment.endsWith('_R') ? 'kneeFlexion_R' : 'kneeFlexion_L'] ?? joints.kneeFlexion;
  return (limit?.[1] ?? SEAT_BENDS_DEG) >= SEAT_BENDS_DEG;
}

/** Nobody is turned over for the picture of an arm. */
const TURNED: ReadonlySet<Position['position']> = new Set<Position['position']>(['prone', 'lateral-recumbent']);

/**
 * Every position of the search; those that are barred left out.
 * @param part its segment, and the joint that it lies round; @param decubitus side that lies beneath in a view that is one: the other side shows something else; null where it is none
 */
export function positionsFor(
  { segment, joint }: { segment: string; joint: SpannedJoint | null },
  situation: Situation,
  ageYears: number,
  decubitus: Side | null,
): Position[] {
  const rest = situation.suspected.length > 0 ? STEEP_REST_DEG : BACK_REST_DEG;
  const all: Position[] = [
    { position: 'upright', on: 'back' },
    { position: 'seated', on: 'back' },
    ...(onStool(segment, joint) ? [{ position: 'seated' as const, on: 'back' as const, onStool: true as const }] : []),
    { position: 'supine', on: 'back' },
    { position: 'semi-erect', on: 'back', backRestDeg: situation.proppedDeg > 0 ? situation.proppedDeg : rest },
    { position: 'prone', on: 'front' },
    ...SIDES.map((on) => ({ position: 'lateral-recumbent' as const, on })),
  ];
  return all.filter((each) => {
    if (isOfArm(segment) && TURNED.has(each.position)) return false;
    if (each.position === 'seated' && !each.onStool && isOfLeg(segment) && !hangs(segment, situation)) return false;
    // Done any other way it is no decubitus: the erect view has an entry of its own.
    if (decubitus && (each.position !== 'lateral-recumbent' || each.on !== decubitus)) return false;
    const beneath = SIDES.find((side) => side === each.on) ?? null;
    const way = { body: each.position, seatable: false, backRestDeg: each.backRestDeg };
    return (
      barred(way, situation, beneath, ageYears) === null &&
      bearsHurt(each.position, segment, situation, beneath) === null
    );
  });
}
