/**
 * A patient brought to rest: posed, turned into the body position, set down on what is beneath, limbs and head laid on
 * it. Where the body touches is found from its skin, not assumed.
 */
import { bodyInState, type Body } from '../body/body';
import {
  addPoses,
  eachSide,
  poseWithin,
  rangeOf,
  type LimitedJoint,
  type JointLimits,
  type Motion,
  type Pose,
} from '../body/joints';
import { poseBody } from '../body/pose';
import { posesNamed } from '../body/poses';
import { furthestSkin, placeBody, posedLandmark, presentSkin, slideBody, type PosedBody } from '../body/posed';
import { applyToDirection, applyToPoint, compose, rotationAbout, type Frame } from '../geometry/frame';
import { clamp } from '../quantity/angle';
import { negate, type InRoom, type Vec3 } from '../geometry/vector';
import type { BodyPosition, SupportedPart } from '../projections/vocabulary';
import { frameOf, ROOM_DOWN, ROOM_HEAD, ROOM_UP } from './position';
import { restingReachMm } from './give';
import { armOf, HEAD, legOf, settle, type Limb } from './settle';
import { isLying, isUpright, towardSupport, type Stance } from './stance';

export type SurfaceKind =
  'floor' | 'wall' | 'table' | 'mattress' | 'board' | 'pillow' | 'sponge' | 'seat' | 'back rest' | 'foot rest';
/** A surface seen from the side of the table: its profile in the X-Z plane of the room, and the plane that touches. */
export type Surface = {
  kind: SurfaceKind;
  profile: Vec3<InRoom>[];
  plane: { point: Vec3<InRoom>; normal: Vec3<InRoom> };
};
export type Contact = { surface: SurfaceKind; segment: string; point: Vec3<InRoom> };

export type RestedBody = {
  posed: PosedBody;
  pose: Pose;
  /** Joints that would not go as far as the pose asks. */
  limited: LimitedJoint[];
  surfaces: Surface[];
};

const TRUNK = ['pelvis', 'lumbar', 'thorax', 'scapula_L', 'scapula_R'];
const HIPS = ['thigh_L', 'thigh_R'];

/** What a position asks of the joints before the examination's own pose. */
function poseOf(stance: Stance): Pose {
  switch (stance.position) {
    case 'seated':
      return posesNamed(['sitting']);
    case 'kneeling':
      return posesNamed(['kneeling']);
    case 'sims':
      return posesNamed(['sims']);
    case 'semi-erect':
      return { hipFlexion: stance.backRestDeg };
    case 'lateral-recumbent':
      // The under shoulder gives way back and up, so that the chest lies on the table.
      return stance.on === 'right' ? UNDER_SHOULDER.right : UNDER_SHOULDER.left;
    default:
      return {};
  }
}
/** A leg that lies straight on its back sinks into the last of the knee's extension: calf and heel lie, not the heel alone. */
function straightKnees(stance: Stance, pose: Pose, limits: JointLimits): Pose {
  if (stance.position !== 'supine' && stance.position !== 'head-down') return {};
  if (stance.on !== 'back' || stance.kneeSpongeMm > 0) return {};
  const asked = eachSide(pose);
  return Object.fromEntries(
    (['kneeFlexion_L', 'kneeFlexion_R'] as const)
      .filter((knee) => (asked.get(knee) ?? 0) === 0 && rangeOf(knee, limits)[0] <= -EXTENDED_DEG)
      .map((knee) => [knee, -EXTENDED_DEG]),
  );
}
const EXTENDED_DEG = 5;

const UNDER_SHOULDER = {
  left: { scapulaProtraction_L: -20, scapulaElevation_L: 30 },
  right: { scapulaProtraction_R: -20, scapulaElevation_R: 30 },
} as const satisfies Record<'left' | 'right', Pose>;

const DEFAULT_ON: Partial<Record<BodyPosition, Stance['on']>> = { prone: 'front' };
const SIMS_TURN_DEG = 40;

/** Fills in what the position itself says: prone lies on the front, Sims on the left and half turned over. */
function completed(stance: Stance): Stance {
  if (stance.position === 'sims') return { ...stance, on: 'left', turn: { toward: 'front', degrees: SIMS_TURN_DEG } };
  if (stance.position === 'lateral-recumbent' && (stance.on === 'back' || stance.on === 'front'))
    return { ...stance, on: 'left' };
  const on = DEFAULT_ON[stance.position];
  return on && stance.on === 'back' ? { ...stance, on } : stance;
}

/** Feet of a wheelchair patient over the floor. */
export const FOOT_REST_MM = 110;

/**
 * Brings a body to rest.
 * @param asked the examination's own pose; the position's is added to it
 * @param supported parts that stay as they are posed
 * @returns the body in the room (feet on the floor upright, on the surface else), the final pose and what it touches
 */
export function restBody(
  body: Body,
  asked: Stance,
  pose: Pose = {},
  supported: readonly SupportedPart[] = [],
  { limits = {}, headTurn = 'free', knees = 'at rest' }: RestOptions = {},
): RestedBody {
  const stance = completed(asked);
  const rest = isLying(stance.position) ? 'lying' : 'standing';
  const own = bodyInState(body, { ...body.state, rest });
  // Face down the head is turned aside, unless the examination says how it lies.
  const headPosed = Object.keys(pose).some((motion) => /^(neck|head)/.test(motion)) || supported.includes('head');
  const aside = stance.position === 'prone' && !headPosed ? posesNamed(['head-turned']) : {};
  const straight = knees === 'at rest' ? straightKnees(stance, pose, limits) : {};
  const reached = poseWithin(addPoses(poseOf(stance), aside, straight, pose), limits);
  const frame = frameOf(stance);
  const put = (pose: Pose, before?: PosedBody): PosedBody => placeBody(own, poseBody(own, pose), frame, before);
  if (isUpright(stance.position)) return standing(put, reached, stance);
  return lying(put, reached, stance, supported, { limits, headTurn });
}

export type RestOptions = {
  limits?: JointLimits;
  /** `'kept'`: a supported head is laid down all the same, with the turn that it has. */
  headTurn?: 'free' | 'kept';
  /** `'as posed'`: a straight leg does not sink into the last of the knee's extension. */
  knees?: 'at rest' | 'as posed';
};

type Reached = { pose: Pose; limited: LimitedJoint[] };

/** Standing, seated, kneeling: the lowest skin on the floor (or the seat on its surface), the trunk at the wall. */
function standing(put: (pose: Pose) => PosedBody, { pose, limited }: Reached, stance: Stance): RestedBody {
  let posed = put(pose);
  const seated = stance.position === 'seated';
  const onTop =
    stance.position === 'kneeling' || (seated && (stance.seat === 'table-end' || stance.seat === 'bed-edge'));
  const seatBelow = -furthestSkin(posed, ROOM_DOWN, [...TRUNK, ...HIPS]).reachMm;
  const soleBelow = -furthestSkin(posed, ROOM_DOWN).reachMm;
  const top = stance.surfaceHeightMm + stance.mattressMm;
  const lift = onTop
    ? top - (seated ? seatBelow : soleBelow)
    : (seated && stance.seat === 'wheelchair' ? FOOT_REST_MM : 0) - soleBelow;
  const wall = furthestSkin(posed, ROOM_HEAD, TRUNK).reachMm;
  posed = slideBody(posed, [-wall, 0, lift]);
  const surfaces: Surface[] = [flat('floor', 0, -900, 900, 10)];
  const back = furthestSkin(posed, applyToDirection(posed.place, [0, 1, 0]), TRUNK).point[0];
  if (seated) {
    surfaces.push(seatUnder(posed, onTop ? 900 : 20));
    if (stance.seat === 'wheelchair') {
      const away = applyToDirection(posed.place, [0, 1, 0]);
      surfaces.push(upright('back rest', back, seatBelow + lift + 80, seatBelow + lift + 480, away));
      const toe = furthestSkin(posed, negate(away)).point[0];
      const heel = posedLandmark(posed, 'heel_back_L').p[0];
      surfaces.push(flat('foot rest', FOOT_REST_MM, Math.min(toe, heel), Math.max(toe, heel), 15));
    }
  } else if (onTop) surfaces.push(flat('table', top, -1000, 600, 60));
  surfaces.push(upright('wall', 0, 300, 2000, ROOM_HEAD));
  return { posed, pose, limited, surfaces };
}

const HEAD_STEP_DEG = 8;
const HEAD_ROUNDS = 4;
/** A head that is nearer than this lies. */
const HEAD_LIES_MM = 2;
/** How far neck and head can be bent against each other from a pose, degrees. */
function headRange(pose: Pose, limits: JointLimits): [number, number] {
  const neck = rangeOf('neckExtension', limits);
  const head = rangeOf('headExtension', limits);
  const [atNeck, atHead] = [pose.neckExtension ?? 0, pose.headExtension ?? 0];
  return [
    Math.min(0, Math.max(neck[0] - atNeck, atHead - head[1])),
    Math.max(0, Math.min(neck[1] - atNeck, atHead - head[0])),
  ];
}

/** Part of the thigh over the front edge of a seat. */
const SEAT_INSET = 0.3;

/** The seat under a sitting body, from behind the back to short of the knees. @param behindMm how far it goes on behind */
export function seatUnder(posed: PosedBody, behindMm: number): Surface {
  const z = -furthestSkin(posed, ROOM_DOWN, [...TRUNK, ...HIPS]).reachMm;
  const back = furthestSkin(posed, applyToDirection(posed.place, [0, 1, 0]), ['pelvis']).point[0];
  const knee = posedLandmark(posed, 'knee_centre_L').p[0];
  const front = knee + (back - knee) * SEAT_INSET;
  const behind = back + Math.sign(back - knee) * behindMm;
  return flat('seat', z, Math.min(front, behind), Math.max(front, behind), 50);
}

/** What a leg that is straight before a seat lies on: under calf and heel, from short of the knee on. @param side of the leg */
export function stoolUnder(posed: PosedBody, side: 'L' | 'R'): Surface {
  const lower = posed.skin
    .map(({ segment }) => segment)
    .filter((id) => OF_LOWER_LEG.test(id) && id.endsWith(`_${side}`));
  const z = -furthestSkin(posed, ROOM_DOWN, lower).reachMm;
  const [knee, heel] = [`knee_centre_${side}`, `heel_back_${side}`].map((id) => posedLandmark(posed, id).p[0]) as [
    number,
    number,
  ];
  return flat('seat', z, Math.min(knee, heel), Math.max(knee, heel), 50);
}
const OF_LOWER_LEG = /^(shank|foot|talus)_/;

function flat(kind: SurfaceKind, z: number, x0: number, x1: number, thick: number): Surface {
  return {
    kind,
    profile: [
      [x0, 0, z],
      [x1, 0, z],
      [x1, 0, z - thick],
      [x0, 0, z - thick],
    ],
    plane: { point: [(x0 + x1) / 2, 0, z], normal: ROOM_UP },
  };
}

const PANEL_MM = 30;
/** @param away direction from the patient into it */
function upright(kind: SurfaceKind, x: number, z0: number, z1: number, away: Vec3<InRoom>): Surface {
  const far = x + Math.sign(away[0]) * PANEL_MM;
  return {
    kind,
    profile: [
      [x, 0, z0],
      [x, 0, z1],
      [far, 0, z1],
      [far, 0, z0],
    ],
    plane: { point: [x, 0, (z0 + z1) / 2], normal: negate(away) },
  };
}

const HALF_TABLE_MM = 1100;
const FEET_SIDE_MM = 1100;

function lying(
  put: (pose: Pose, before?: PosedBody) => PosedBody,
  { pose: start, limited }: Reached,
  stance: Stance,
  keep: readonly SupportedPart[],
  { limits, headTurn }: Required<Pick<RestOptions, 'limits' | 'headTurn'>>,
): RestedBody {
  const padMm = stance.mattressMm + stance.boardMm;
  const level = stance.surfaceHeightMm + padMm;
  let pose = start;
  let unslid = put(pose);
  let posed = unslid;
  const semi = stance.position === 'semi-erect';
  const seat = semi ? [...HIPS, 'pelvis'] : [...TRUNK, ...HIPS];
  const slide: Vec3<InRoom> = [0, 0, level + restingReachMm(posed, ROOM_DOWN, seat)];
  const move = (next: Pose) => {
    pose = next;
    unslid = put(pose, unslid);
    posed = slideBody(unslid, slide);
  };
  posed = slideBody(posed, slide);
  /** Each limb is asked on its own, then all are moved at once. */
  const lay = (limbs: readonly { limb: Limb; name: SupportedPart; at: number; most?: number }[]) => {
    const turned: Pose = {};
    for (const { limb, name, at, most = Infinity } of limbs) {
      const found = keep.includes(name) ? null : settle(posed, limb, pose, at, limits);
      if (found && !(stance.on === 'back' && fallsFromRaised(pose, found)))
        turned[found.motion] = Math.max(-most, Math.min(most, found.degrees));
    }
    if (Object.keys(turned).length > 0) move(addPoses(pose, turned));
  };
  const arm = (side: 'L' | 'R', at: number) => ({ limb: armOf(side), name: `arm_${side}` as const, at });
  const leg = (side: 'L' | 'R', at: number) => ({
    limb: legOf(side),
    name: `leg_${side}` as const,
    at: at - HEEL_GIVES_MM,
  });
  if (stance.kneeSpongeMm > 0) kneesOver(stance.kneeSpongeMm);
  const head = semi ? [] : [{ limb: HEAD, name: 'head' as const, at: level + stance.pillowMm, most: HEAD_SINKS_DEG }];
  const under = stance.on === 'right' ? 'R' : 'L';
  const over = under === 'L' ? 'R' : 'L';
  if (stance.on === 'left' || stance.on === 'right') {
    lay([leg(under, level), arm(under, level), ...head]);
    lay([leg(over, upperLevel('leg')), arm(over, upperLevel('arm'))]);
  } else lay([leg('L', level), leg('R', level), arm('L', level), arm('R', level), ...head]);
  // A raised arm takes the shoulder joint along, so the first answer is a little off.
  const raised = (['L', 'R'] as const).filter(
    (side) => Math.abs(pose[`shoulderFlexion_${side}`] ?? 0) > BLADE_MOVES_DEG,
  );
  if (raised.length > 0) lay(raised.map((side) => arm(side, side === over ? upperLevel('arm') : level)));

  if (headTurn === 'kept' && (stance.on === 'back' || stance.on === 'front')) headDown(level + stance.pillowMm);

  /** Neck and head are bent against each other until the head lies, turned as before. */
  function headDown(at: number): void {
    const before = pose;
    const bent = (degrees: number): Pose => addPoses(before, { neckExtension: degrees, headExtension: -degrees });
    const above = (degrees: number): number => {
      if (degrees !== 0) move(bent(degrees));
      return -furthestSkin(posed, ROOM_DOWN, HEAD.touches).reachMm - at;
    };
    let [a, over] = [0, above(0)];
    const [low, high] = headRange(before, limits);
    let b = clamp(over > 0 === (stance.on === 'back') ? HEAD_STEP_DEG : -HEAD_STEP_DEG, low, high);
    for (let i = 0; i < HEAD_ROUNDS && b !== a && Math.abs(over) > HEAD_LIES_MM; i += 1) {
      const next = above(b);
      const slope = (next - over) / (b - a);
      [a, over] = [b, next];
      b = slope === 0 ? b : clamp(b - next / slope, low, high);
    }
  }

  /** The upper limb of a patient on the side lies on the under one, or in front of it. */
  function upperLevel(kind: 'leg' | 'arm'): number {
    if (stance.on !== 'left' && stance.on !== 'right') return level;
    const flexion = kind === 'leg' ? 'hipFlexion' : 'shoulderFlexion';
    const angle = (side: 'L' | 'R') => pose[`${flexion}_${side}` as Motion] ?? 0;
    if (Math.abs(angle(over) - angle(under)) > IN_FRONT_DEG) return level;
    return furthestSkin(posed, ROOM_UP, (kind === 'leg' ? legOf : armOf)(under).touches).reachMm;
  }

  /** Knees up on a sponge, then the heels down again. */
  function kneesOver(spongeMm: number): void {
    for (const side of ['L', 'R'] as const) {
      const { motions, touches, ...hip } = legOf(side);
      const depth = KNEE_DEPTH_MM * posed.body.segments[`patella_${side}`].stretch.flesh[1];
      const turn = (limb: Limb, at: number) => {
        const found = settle(posed, limb, pose, at, limits);
        if (found) move(addPoses(pose, { [found.motion]: found.degrees }));
      };
      turn({ ...hip, motions: [motions[0]], touches: [`patella_${side}`] }, level + spongeMm + depth);
      turn({ root: `shank_${side}`, parent: `thigh_${side}`, motions: [`kneeFlexion_${side}`], touches }, level);
    }
  }

  const surfaces = bedOf(stance, posed, level);
  const rested: RestedBody = { posed, pose, limited, surfaces };
  return stance.position === 'head-down' ? tilted(rested, stance.headDownDeg) : rested;
}

/** From here on an arm of one who lies on the back is raised, degrees of the shoulder. */
const RAISED_DEG = 80;
/** A raised arm that does not come to lie over the head is held up: it does not drop to the side again. */
const fallsFromRaised = (pose: Pose, { motion, degrees }: { motion: Motion; degrees: number }): boolean =>
  motion.startsWith('shoulder') && degrees < 0 && (pose[motion] ?? 0) > RAISED_DEG;

/** Under a heel or calf that lies [typical]. */
const HEEL_GIVES_MM = 5;
/** From here on the shoulder blade moves with the arm. */
const BLADE_MOVES_DEG = 25;
/** Limbs whose flexion differs by more than this lie one in front of the other. */
const IN_FRONT_DEG = 25;
/** The neck bends no further than this to lay the head down. */
const HEAD_SINKS_DEG = 32;
/** From the underside of the patella's skin to the hollow of the knee, reference size. */
const KNEE_DEPTH_MM = 75;

/** Table or bed with all that lies on it. */
function bedOf(stance: Stance, posed: PosedBody, level: number): Surface[] {
  const surfaces: Surface[] = [flat('floor', 0, -1300, 1300, 10)];
  const pelvis = posedLandmark(posed, 'hip_centre_L').p[0];
  const semi = stance.position === 'semi-erect';
  const headX = semi ? pelvis + 120 : HALF_TABLE_MM;
  surfaces.push(flat('table', stance.surfaceHeightMm, -FEET_SIDE_MM, headX, 60));
  let z = stance.surfaceHeightMm;
  for (const [kind, mm] of [
    ['mattress', stance.mattressMm],
    ['board', stance.boardMm],
  ] as const) {
    if (mm === 0) continue;
    z += mm;
    surfaces.push(flat(kind, z, -FEET_SIDE_MM + 20, headX - 20, mm));
  }
  if (semi) surfaces.push(backRest(stance, posed));
  if (stance.pillowMm > 0 && !semi) {
    const at = furthestSkin(posed, ROOM_DOWN, ['head']).point[0];
    surfaces.push(flat('pillow', level + stance.pillowMm, at - 140, at + 170, stance.pillowMm));
  }
  if (stance.kneeSpongeMm > 0) {
    const at = posedLandmark(posed, 'knee_centre_L').p[0];
    surfaces.push(flat('sponge', level + stance.kneeSpongeMm, at - 110, at + 110, stance.kneeSpongeMm));
  }
  return surfaces;
}

/** The plane that the back touches, at the angle of the stance. */
function backRest(stance: Stance, posed: PosedBody): Surface {
  const behind = applyToDirection(posed.place, towardSupport(stance));
  const up = applyToDirection(posed.place, [0, 0, 1]);
  const touch = furthestSkin(posed, behind, ['thorax', 'scapula_L', 'scapula_R', 'lumbar']).point;
  const along = (mm: number, deep: number): Vec3<InRoom> => [
    touch[0] + up[0] * mm + behind[0] * deep,
    0,
    touch[2] + up[2] * mm + behind[2] * deep,
  ];
  const below = 420;
  const above = 420;
  return {
    kind: 'back rest',
    profile: [along(-below, 0), along(above, 0), along(above, PANEL_MM), along(-below, PANEL_MM)],
    plane: { point: touch, normal: negate(behind) },
  };
}

/** All of it turned about the foot end of the table. */
function tilted(rested: RestedBody, degrees: number): RestedBody {
  const pivot: Vec3<InRoom> = rested.surfaces.find(({ kind }) => kind === 'table')!.profile[0];
  const turn: Frame<InRoom, InRoom> = rotationAbout(pivot, [0, 1, 0], degrees);
  const { posed } = rested;
  const place = compose(turn, posed.place);
  const turned = placeBody(posed.body, poseBody(posed.body, rested.pose), place);
  const surfaces = rested.surfaces.map((surface) =>
    surface.kind === 'floor'
      ? surface
      : {
          ...surface,
          profile: surface.profile.map((p) => applyToPoint(turn, p)),
          plane: {
            point: applyToPoint(turn, surface.plane.point),
            normal: applyToDirection(turn, surface.plane.normal),
          },
        },
  );
  return { ...rested, posed: turned, surfaces };
}

/** Skin nearer to a plane than this, or that has given way to it, touches it. */
const TOUCH_MM = 4;

/** Where each segment of a body at rest touches what is beneath or beside it. */
export function contactsOf({ posed, surfaces }: Pick<RestedBody, 'posed' | 'surfaces'>): Contact[] {
  const segments = [...new Set(presentSkin(posed).map(({ segment }) => segment))];
  return surfaces.flatMap(({ kind, plane, profile }) => {
    const into = negate(plane.normal);
    const depth = into[0] * plane.point[0] + into[1] * plane.point[1] + into[2] * plane.point[2];
    const reach = [Math.min(...profile.map((p) => p[0])) - 60, Math.max(...profile.map((p) => p[0])) + 60];
    return segments.flatMap((segment) => {
      const { reachMm, point } = furthestSkin(posed, into, [segment]);
      const touches = reachMm > depth - TOUCH_MM && point[0] > reach[0] && point[0] < reach[1];
      return touches ? [{ surface: kind, segment, point }] : [];
    });
  });
}
