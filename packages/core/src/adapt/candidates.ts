/**
 * The search itself: every position that is open, the part posed or as it lies, the ray one way through it or the
 * other, from above, level or square to the back rest; the tube tilted as far as that brings the ray to the part.
 * What is left are candidates with how far each is off, before anything dear is computed.
 */
import type { Body } from '../body/body';
import { GRID_BEARS_DEG } from '../exposure/gridCutoff';
import { rotationAbout, applyToDirection } from '../geometry/frame';
import { cross, dot, negate, type Vec3 } from '../geometry/vector';
import { clamp, cosDeg, sinDeg, toDegrees } from '../quantity/angle';
import type { Projection } from '../projections/schema';
import type { HolderKind } from '../projections/vocabulary';
import { ROOM_UP } from '../room/position';
import { holderOf, type Room } from '../room/room';
import type { Beam, AdaptedWay, Half } from '../setup/placing/adaptedWay';
import { tilted } from '../setup/placing/place';
import {
  beamOf,
  isOfArm,
  isOfHead,
  isOfLeg,
  settleAdapted,
  targetInRoom,
  type Settled,
} from '../setup/placing/placeAdapted';
import type { Situation } from '../setup/request';
import type { SideView } from '../setup/placing/side';
import { boardOf, limitsFor, raisesArm } from '../setup/verdict/immobilized';
import { partsFor, type TargetRelation } from '../setup/placing/targetRelation';
import { levelSign } from '../setup/verdict/suspectedSide';
import { mayPose } from '../setup/placing/mayPose';
import type { Position } from './positions';

export type Candidate = {
  way: AdaptedWay;
  /** Between the ray and the wanted one in the part, degrees. */
  offDeg: number;
  tiltDeg: number;
  /** The patient at rest in it. */
  settled: Settled;
};

/** A ray further off than this is another projection. */
const MOST_OFF_DEG = 35;
const MOST_OFF_LEVEL_DEG = 61;
/** Tilts smaller than this are not worth setting. */
const STRAIGHT_DEG = 3;
/** No beam from below: a level ray may rise by this much [typical]. */
const MOST_RISE_DEG = 5;
/** A tube is tilted across a flat receptor no further than this [typical]. */
const MOST_ACROSS_DEG = 45;

export type SearchedBody = { body: Body; view: SideView; target: TargetRelation };

/** A joint is shown in two where the limb can be laid this way and that. */
const SPLIT_IN: ReadonlySet<Position['position']> = new Set<Position['position']>(['seated', 'supine']);

/** Halves to be shown: all of it, or each half of a joint that does not straighten as far as the view asks. */
function halvesFor(target: TargetRelation, situation: Situation, { position }: Position): (Half | undefined)[] {
  const { joint, pose } = target;
  if (!joint || !SPLIT_IN.has(position)) return [undefined];
  const limit =
    situation.joints[joint.motion] ?? situation.joints[joint.motion.replace(/_[LR]$/, '') as typeof joint.motion];
  const asked = pose.get(joint.motion) ?? 0;
  return limit && limit[0] > asked + STRAIGHT_DEG ? ['upper', 'lower', 'between'] : [undefined];
}

/** What could carry the receptor for a beam in a position, in this room, best first. */
function holdersFor(
  beam: Beam,
  { position, onStool }: Position,
  segment: string,
  room: Room,
  acrossDeg: number,
  { gridWanted, soleLaid }: { gridWanted: boolean; soleLaid: boolean },
): HolderKind[] {
  const has = (kind: HolderKind) => holderOf(room, kind) !== undefined;
  const limb = isOfArm(segment) || isOfLeg(segment);
  if (beam === 'level') {
    const wall = position === 'upright' || (position === 'seated' && !limb);
    return (wall ? (['wall', 'stand'] as const) : (['stand'] as const)).filter(has).slice(0, 1);
  }
  // The sole of a foot on an extended leg looks away from the stool.
  if (onStool) return beam === 'down' && soleLaid ? [] : (['stand'] as const).filter(has);
  if (beam === 'rest') return (['bed', 'table-top'] as const).filter(has).slice(0, 1);
  if (position === 'upright') return [];
  // Of one who sits only an arm lies on a table.
  if (position === 'seated' && !limb) return [];
  // The feet of one who sits are on the floor.
  if (position === 'seated' && isOfLeg(segment)) return FOOT.test(segment) ? (['floor'] as const).filter(has) : [];
  const flat = (['table-top', 'bed'] as const).filter(has).slice(0, 1);
  const tray = gridWanted && acrossDeg <= GRID_BEARS_DEG && position !== 'seated' && has('table-tray');
  return tray ? ['table-tray'] : flat;
}

const FOOT = /^(foot|toes|talus)/;

const angleBetween = (a: Vec3, b: Vec3): number => toDegrees(Math.acos(clamp(dot(a, b), -1, 1)));
const set = (degrees: number, most: number): number =>
  Math.abs(degrees) < STRAIGHT_DEG ? 0 : Math.round(clamp(degrees, -most, most));

type Aimed = { alongDeg: number; acrossDeg: number; offDeg: number };

/** Tilts of the tube that bring the beam to the wanted ray, and how far off that leaves it; without tilt first. */
function aimsOf(
  beam: Beam,
  settled: Settled,
  target: { ray: Vec3; up: Vec3 },
  room: Room,
  { tiltsAcross, levelNeeded }: { tiltsAcross: boolean; levelNeeded: boolean },
): Aimed[] {
  const heading = Math.atan2(target.ray[1], target.ray[0]);
  const turn = (v: Vec3): Vec3 =>
    beam === 'level' ? applyToDirection(rotationAbout([0, 0, 0], ROOM_UP, -toDegrees(heading)), v) : v;
  const ray = turn(target.ray);
  const axes = beamOf({ beam }, settled, turn(target.up));
  const back = turn(applyToDirection(settled.posed.place, [0, 1, 0]));
  const leans = settled.stance?.position === 'semi-erect' || settled.stance?.position === 'seated';
  // What the patient leans on is in the way of a ray from behind.
  if (leans && dot(ray, back) < -LEANS_SHARE) return [];
  const endOn = dot(ray, back) > LEANS_SHARE;
  if (dot(ray, axes.beam) < cosDeg(MOST_TILTED_DEG)) return [];
  const across = cross(axes.toHead, negate(axes.beam));
  const most = room.tube.maxAngleDeg;
  const exact = {
    alongDeg: set(toDegrees(Math.asin(clamp(dot(ray, axes.toHead), -1, 1))), most),
    acrossDeg: tiltsAcross
      ? set(toDegrees(Math.atan2(dot(ray, across), dot(ray, axes.beam))), Math.min(most, MOST_ACROSS_DEG))
      : 0,
  };
  // Where a full tilt stretches the field over the receptor's edge, less of it still shows what is asked for.
  const less =
    beam === 'down' && Math.abs(exact.acrossDeg) > STEEP_ACROSS_DEG
      ? [{ ...exact, acrossDeg: Math.round(exact.acrossDeg * LESS) }]
      : [];
  const tilts = [{ alongDeg: 0, acrossDeg: 0 }, { alongDeg: exact.alongDeg, acrossDeg: 0 }, exact, ...less];
  // A receptor behind one who half sits stands upright, or it would be the back rest's.
  const mostFall =
    settled.stance?.position === 'semi-erect' && settled.stance.on === 'back' && endOn ? 1 : MOST_FALL_DEG;
  // Where fluid or gas is looked for, a level ray is worth being far off.
  const mostOff = levelNeeded && beam === 'level' ? MOST_OFF_LEVEL_DEG : MOST_OFF_DEG;
  const seen = new Set<string>();
  return tilts.flatMap((tilt) => {
    const key = `${tilt.alongDeg} ${tilt.acrossDeg}`;
    if (seen.has(key)) return [];
    seen.add(key);
    const course = tilted(axes, tilt.alongDeg, tilt.acrossDeg);
    if (course[2] > sinDeg(MOST_RISE_DEG)) return [];
    if (beam === 'level' && course[2] < -sinDeg(mostFall)) return [];
    const offDeg = angleBetween(course, ray);
    return offDeg <= mostOff ? [{ ...tilt, offDeg }] : [];
  });
}
/** From here on a flat receptor is drawn a third longer. */
const STEEP_ACROSS_DEG = 40;
const LESS = 2 / 3;
const MOST_TILTED_DEG = 75;
/** A tube that stands level is turned down no further than this. */
const MOST_FALL_DEG = 30;
/** A ray that runs this much along the front-to-back line comes from in front or from behind. */
const LEANS_SHARE = 0.4;

const SHOULDER = /^(scapula|clavicle)_/;

/** Whether a part is posed for the picture in a position: some must not be, some gain nothing by it. */
function posings(projection: Projection, segment: string, situation: Situation, position: Position): boolean[] {
  const lies =
    isOfArm(segment) ||
    isOfLeg(segment) ||
    SHOULDER.test(segment) ||
    projection.headLine !== undefined ||
    situation.canRaiseArm !== 'both';
  const seatedArm = position.position === 'seated' && isOfArm(segment);
  if (!mayPose(segment, situation)) return [true];
  return lies || seatedArm ? [false, true] : [false];
}

/** Where the tube may stand: a receptor at the back rest is behind trunk or head, never behind a leg or a forearm. */
function beamsOf({ position }: Position, segment: string): readonly Beam[] {
  if (position === 'upright') return ['level'];
  if (position !== 'semi-erect') return ['down', 'level'];
  return isOfLeg(segment) || FOREARM.test(segment) ? ['down', 'level'] : ['rest', 'level'];
}
const FOREARM = /^(forearm|radius|hand|finger)/;

/** Every candidate in one position for this projection, patient, situation and room. */
export function candidatesFor(
  projection: Projection,
  { body, view, target }: SearchedBody,
  situation: Situation,
  room: Room,
  position: Position,
  { gridWanted, inHalves }: { gridWanted: boolean; inHalves: boolean },
): Candidate[] {
  const found: Candidate[] = [];
  // Of the trunk only the arms are posed: raised out of a level ray, unless they stay.
  const armsStay = !raisesArm(situation, 'left') || !raisesArm(situation, 'right');
  const levelNeeded = levelSign(situation) !== null;
  const plain = partsFor(target)[0].segment;
  const limits = limitsFor(situation, plain);
  const soleLaid = projection.positions.some(({ partFrame }) => partFrame?.startsWith('foot'));
  const trunk = !/_[LR]$/.test(plain) && !isOfHead(plain) && mayPose(plain, situation);
  for (const asItLies of posings(projection, plain, situation, position)) {
    for (const half of inHalves ? halvesFor(target, situation, position) : [undefined]) {
      const beams = beamsOf(position, plain);
      const bySettling = new Map<Beam, Settled>();
      for (const beam of beams) {
        if (trunk && asItLies !== (armsStay && beam === 'level')) continue;
        // Arms and laid limbs lie by the beam.
        let settled = bySettling.get(beam);
        if (!settled) {
          const asked = { ...position, asItLies, half, beam };
          settled = settleAdapted(projection, asked, body, view, target, {
            girth: null,
            limits,
            boardMm: boardOf(situation, position.position),
          });
          bySettling.set(beam, settled);
        }
        for (const reversed of [false, true]) {
          const inRoom = targetInRoom(settled, target, { reversed, half });
          const flat = beam === 'down' || (beam === 'level' && position.position !== 'upright');
          for (const aim of aimsOf(beam, settled, inRoom, room, { tiltsAcross: flat, levelNeeded })) {
            for (const holder of holdersFor(beam, position, plain, room, Math.abs(aim.acrossDeg), {
              gridWanted,
              soleLaid,
            })) {
              found.push({
                way: {
                  ...position,
                  beam,
                  holder,
                  reversed,
                  asItLies,
                  ...(half ? { half } : {}),
                  alongDeg: aim.alongDeg,
                  acrossDeg: aim.acrossDeg,
                },
                offDeg: aim.offDeg,
                tiltDeg: Math.abs(aim.alongDeg) + Math.abs(aim.acrossDeg),
                settled,
              });
            }
          }
        }
      }
    }
  }
  return found;
}
