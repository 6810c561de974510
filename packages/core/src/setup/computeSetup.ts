/**
 * The set-up of one projection for one patient in one room in nine steps: body, pose and place, ray and aim,
 * receptor plane, focal spot, cover, receptor, technique, words. Each step is a function of its own file; this one
 * runs them in the order of the hands.
 */
import { buildBody } from '../body/body';
import { shortLandmark } from '../body/landmarkName';
import { isChild } from '../body/patient';
import { posedLandmark, slideBody } from '../body/posed';
import { surfacePoint } from '../body/surface';
import { doseOf } from '../exposure/dose';
import { offFocusLoss } from '../exposure/gridCutoff';
import { rayPlane, type PlaneFrame } from '../geometry/projection';
import { add, addScaled, cross, distance, dot, negate, subtract, type Vec3 } from '../geometry/vector';
import { projectionOf } from '../projections/catalogue';
import { cosDeg } from '../quantity/angle';
import { formatLength } from '../quantity/length';
import { ROOM_ONE } from '../room/demoRooms';
import { withDefaults } from '../room/houseRules';
import type { Room } from '../room/room';
import { assumptionsOf } from './assume';
import { cautionsFor } from './caution';
import { describeCentre } from './centre';
import { boneRotation, coverPoints, neededField, shadowsOf } from './cover';
import { SPLIT_OVERLAP_MM } from './fitReceptor';
import { chooseHolder } from './holder';
import { fieldCorners, openField } from './light';
import { heldWords } from './held';
import { aimRay, kneeAngleByPelvis, pathSegments, pelvisThicknessMm, sideView } from './place';
import { placeMeasured } from './thickness';
import { situationFor, type Overrides, type SetupRequest } from './request';
import type { Along, Problem, Scene, Setup, Side } from './setup';
import { standingLift } from './stand';
import { chooseTechnique } from './technique';
import { focalSpotAt, isHorizontal, reachableSid } from './tube';
import { applyRules } from './variant';
import { chooseWay, isInjured } from './way';
import { composeSteps, levelAgainst, markerLetter } from './words';

/**
 * Computes the set-up.
 * @param request a request that passed `setupRequestSchema`, or one that is known to be sound
 * @returns a Setup; `feasible` is false, with `problems`, when it cannot or must not be done so
 * @throws RangeError for an unknown projection, a missing side, or a patient outside the model
 */
export function computeSetup(request: SetupRequest): Setup {
  const rules = withDefaults(request.rules);
  const { projection, schools } = applyRules(projectionOf(request.projectionId), rules);
  const unit = rules.unit;
  if (projection.sided === 'each' && !request.side)
    throw new RangeError(`${projection.name} needs a side: left or right`);
  const side: Side | null =
    projection.sided === 'each'
      ? (request.side as Side)
      : projection.nearSide
        ? (request.side ?? projection.nearSide)
        : null;
  const view = sideView(side);
  const situation = situationFor(request.patient?.ageYears, request.situation);
  const room: Room = request.room ?? ROOM_ONE;
  const overrides: Overrides = request.overrides ?? {};

  // 1 body; 2 pose and place
  const body = buildBody(request.patient ?? {});
  const { way, holders, problems: wayProblems } = chooseWay(projection, situation, room, side, overrides);
  const problems: Problem[] = [...wayProblems];
  const segments = pathSegments(projection, body, side);
  const {
    placed: first,
    straight: straightRay,
    thicknessMm,
    factor,
  } = placeMeasured(projection, way, body, view, segments, {
    wantedMm: body.patient.partThicknessMm,
    limits: situation.joints,
  });
  let placed = first;
  for (const joint of placed.held) problems.push({ code: 'joint-limit', text: heldWords(joint) });
  if (factor !== null && (factor < THICKNESS_ODD[0] || factor > THICKNESS_ODD[1]))
    problems.push({
      code: 'thickness-odd',
      text: `${formatLength(body.patient.partThicknessMm!, unit)} is far from what this patient's size gives (${formatLength(body.patient.partThicknessMm! / factor, unit)}): measure again.`,
    });

  // 3 ray and aim
  const pelvisMm = projection.ray.angleBy ? pelvisThicknessMm(placed) : 0;
  const entryAngle = projection.ray.angleBy
    ? kneeAngleByPelvis(pelvisMm)
    : projection.ray.angleDeg * (projection.ray.toward === 'feet' ? -1 : 1);
  const signedAngle = overrides.angleDeg ?? entryAngle;
  const angleDeg = Math.abs(signedAngle);
  const angleToward: Along | null = signedAngle === 0 ? null : signedAngle > 0 ? 'head' : 'feet';
  if (angleDeg > room.tube.maxAngleDeg)
    problems.push({
      code: 'angle-limit',
      text: `The tube of ${room.name} tilts to ${room.tube.maxAngleDeg}°; ${angleDeg}° is out of reach.`,
    });
  let aimed = signedAngle === 0 ? straightRay : aimRay(projection, placed, view, signedAngle, segments);

  // Holder and grid follow from the thickness.
  const wish = projection.grid === 'yes' && isChild(body.patient) ? 'by-thickness' : projection.grid;
  const {
    holder,
    grid,
    gridWanted,
    problems: gridProblems,
  } = chooseHolder(wish, holders, room, thicknessMm, overrides);
  problems.push(...gridProblems);

  // Where all this stands in the room.
  const horizontal = isHorizontal(placed.placement.beam);
  const lift = standingLift(placed, aimed.through, horizontal, room);
  const { shift } = lift;
  placed = { ...placed, posed: slideBody(placed.posed, shift) };
  aimed = {
    ...aimed,
    through: add(aimed.through, shift),
    target: { ...aimed.target, p: add(aimed.target.p, shift) },
    crossing: { ...aimed.crossing, entry: add(aimed.crossing.entry, shift), exit: add(aimed.crossing.exit, shift) },
  };
  const contactPoint: Vec3 = horizontal ? [0, 0, 0] : [0, 0, room.surfaceHeightMm];

  // 4 receptor plane
  const straight = placed.placement.beam;
  const v = placed.placement.toHead;
  const n = negate(straight);
  const planePoint = addScaled(contactPoint, straight, holder.gapMm);
  const toPlane = rayPlane(aimed.through, aimed.direction, planePoint, n);
  if (toPlane === null) throw new RangeError(`a ray tilted ${angleDeg}° never meets the receptor`);
  const hit = addScaled(aimed.through, aimed.direction, toPlane);
  const plane: PlaneFrame = { origin: hit, u: cross(v, n), v, n };
  const straightHit = addScaled(aimed.through, straight, dot(subtract(planePoint, aimed.through), straight));
  const shiftAlong = dot(subtract(hit, straightHit), v);

  // 5 focal spot
  const sidWantedMm = overrides.sidMm ?? projection.sid.wantedMm;
  const reach = reachableSid(sidWantedMm, projection.sid.rangeMm, room, hit, aimed.direction, horizontal, unit);
  problems.push(...reach.problems);
  const sidMm = reach.sidMm;
  const focal = focalSpotAt(hit, aimed.direction, sidMm);
  const focusToSkinMm = distance(focal, aimed.crossing.entry);
  if (focusToSkinMm < SKIN_DISTANCE_MM)
    problems.push({
      code: 'skin-near',
      text: `The skin is ${formatLength(focusToSkinMm, unit)} from the focal spot; at least ${formatLength(SKIN_DISTANCE_MM, unit)} are wanted.`,
    });
  const inFront = dot(subtract(aimed.crossing.entry, focal), aimed.direction) > 0;
  if (!inFront || sidMm < 300)
    throw new RangeError(`an SID of ${Math.round(sidMm)} mm puts the tube inside the patient`);

  // 6 cover
  const cover = coverPoints(projection, placed, view, plane.u, plane.v);
  const rotationDeg = Math.round(boneRotation(projection, placed, view, focal, plane) * 10) / 10;
  const shadows = shadowsOf(cover, focal, plane, rotationDeg);
  const needed = neededField(shadows);

  // 7 receptor
  const light = openField({ shadows, needed, projection, room, holder, sidMm, overrides, unit });
  const { fit, orientation, across, along, field, clipped, shiftsMm, tiltDeg } = light;
  problems.push(...light.problems);

  // 8 technique
  const technique = chooseTechnique(
    projection,
    room,
    {
      thicknessMm,
      sidMm,
      gridRatio: grid?.ratio ?? 0,
      fieldMm: [field.width, field.height],
      aecInHolder: holder.aec,
      child: isChild(body.patient),
    },
    overrides,
  );
  problems.push(...technique.problems);
  const dose = doseOf(technique, room.generator.outputUGyPerMas, focusToSkinMm, sidMm, [field.width, field.height]);
  const focusMm = technique.focalSpot === 'small' ? room.generator.smallFocusMm : room.generator.largeFocusMm;
  const magnification = shadows.reduce((total, s) => total + s.magnification, 0) / shadows.length;
  const focusToPlaneMm = sidMm * cosDeg(angleDeg);

  // 9 words
  const skinShare = focusToSkinMm / sidMm;
  const supports =
    lift.blockMm > 0 ? [`On a block ${formatLength(lift.blockMm, unit)} high: the tube does not go lower`] : [];
  const cautions = cautionsFor(projection, body.patient, situation);
  const centreText = describeCentre(projection, placed, aimed.target, unit);
  const checkIds = projection.aim.checkBy.map(view.name);
  const scene: Scene = {
    adapt: placed.adapt,
    pose: placed.pose,
    surfaces: placed.surfaces.map(({ kind, profile, plane }) => ({
      kind,
      profile: profile.map((p) => add(p, shift)),
      plane: { ...plane, point: add(plane.point, shift) },
    })),
    place: placed.posed.place,
    focal,
    entry: aimed.crossing.entry,
    exit: aimed.crossing.exit,
    hit,
    beam: aimed.direction,
    straight,
    toHead: v,
    receptor: {
      centre: hit,
      u: plane.u,
      v: plane.v,
      n,
      widthMm: across,
      heightMm: along,
      tiltDeg: tiltDeg - rotationDeg * (fit.outcome === 'diagonal' ? 1 : 0),
    },
    fields: shiftsMm.map((each) => fieldCorners(plane, field, rotationDeg, each)),
    surfaceHeightMm: horizontal ? 0 : room.surfaceHeightMm,
    touch: [...new Set([view.name(aimed.target.landmarkId), ...checkIds])].map((id) => ({
      name: shortLandmark(id),
      p: surfacePoint(placed.posed, id).skin,
    })),
    brightBones: projection.brightBones,
    oneSided: projection.sided === 'each',
  };

  const ownSteps = projection.steps.filter((step) => !(step.unlessInjured && isInjured(situation)));
  const setup = {
    projectionId: projection.id,
    name: projection.sided === 'each' ? `${projection.name}, ${side}` : projection.name,
    side,
    patient: request.patient ?? {},
    situation,
    room: { id: room.id, name: room.name },
    feasible: !problems.some((problem) => BLOCKING.has(problem.code)),
    problems,
    position: {
      body: way.body,
      say: way.say,
      facing: projection.ray.view,
      nearSide: projection.ray.view === 'lateral' ? side : null,
      part: ownSteps.filter((step) => step.group === 'position').map((step) => step.text),
      supports,
    },
    receptor: {
      holder: holder.kind,
      size: {
        id: fit.receptor.id,
        name: fit.receptor.name,
        widthMm: fit.receptor.widthMm,
        heightMm: fit.receptor.heightMm,
        fixed: fit.receptor.fixed,
      },
      orientation,
      outcome: fit.outcome,
      tiltDeg: Math.round(tiltDeg * 10) / 10,
      exposures: fit.exposures,
      overlapMm: fit.exposures > 1 ? SPLIT_OVERLAP_MM : 0,
      shiftsMm,
      grid: grid ? { id: grid.id, ratio: grid.ratio } : null,
      gridWanted,
      centre: hit,
      clearanceMm: Math.max(0, Math.min(across - field.width, along - field.height) / 2),
      usual: `${projection.receptor.usual} ${projection.receptor.orientation}${projection.receptor.note ? `; ${projection.receptor.note}` : ''}`,
    },
    tube: {
      sidMm,
      sidWantedMm,
      sidRangeMm: projection.sid.rangeMm,
      angleDeg,
      angleToward,
      angleRangeDeg: projection.ray.rangeDeg,
      beam: horizontal ? ('horizontal' as const) : ('vertical' as const),
      heightMm: focal[2] - (horizontal ? 0 : room.surfaceHeightMm),
      heightOver: horizontal ? ('floor' as const) : holder.kind === 'bed' ? ('bed' as const) : ('table' as const),
      receptorShiftMm: Math.abs(shiftAlong) < 3 ? 0 : Math.abs(shiftAlong),
      receptorShiftToward: Math.abs(shiftAlong) < 3 ? null : shiftAlong > 0 ? ('head' as const) : ('feet' as const),
    },
    centre: {
      ...centreText,
      entryMm: aimed.crossing.entry,
      checkBy: checkIds
        .filter((id) => id !== view.name(aimed.target.landmarkId))
        .map((id) =>
          levelAgainst(id, dot(subtract(aimed.through, posedLandmark(placed.posed, id).p), v), unit, projection.region),
        ),
    },
    field: {
      atReceptorMm: field,
      atSkinMm: { width: field.width * skinShare, height: field.height * skinShare },
      neededMm: needed,
      rotationDeg,
      mustShow: [...new Set(cover.map(({ name }) => name))],
      clipped,
    },
    exposure: {
      kVp: technique.kVp,
      mAs: technique.mAs,
      timeMs: technique.timeMs,
      focalSpot: technique.focalSpot,
      aec: technique.aec,
      factors: technique.factors,
      thicknessMm,
      inModel: technique.inModel,
    },
    dose,
    image: {
      objectDistanceMm: focusToPlaneMm * (1 - 1 / magnification),
      magnification,
      blurMm: focusMm * (magnification - 1),
      partObliquityDeg: angleDeg,
      elongation: 1 / cosDeg(angleDeg),
      gridLoss: grid ? offFocusLoss(grid.ratio, field.width / 2, grid.focusMm, focusToPlaneMm) : 0,
    },
    marker: { letter: markerLetter(side), place: projection.marker.place, extra: projection.marker.extra },
    protection: projection.protection,
    breathing: projection.breathing,
    prepare: projection.prepare,
    remove: projection.remove,
    cautions,
    assumptions: [
      ...body.assumed,
      ...assumptionsOf(body.patient.habitus, request, pelvisMm, body.patient.partThicknessMm, unit),
    ],
    schools,
    scene,
  };
  return {
    ...setup,
    steps: composeSteps(
      {
        ...setup,
        ownSteps,
        breathingWords: `“${projection.breathing.words}” Expose at: ${projection.breathing.moment}`,
      },
      projection,
      unit,
    ),
    checks: projection.checks,
    sources: projection.sources,
  };
}

/** Measured against computed thickness outside this is said, not only used. */
const THICKNESS_ODD = [0.6, 1.6] as const;

/** Least distance from focal spot to skin: rule for mobile units; fixed ones want more. */
const SKIN_DISTANCE_MM = 300;

/** Problems that forbid the set-up; the others are said and worked with. */
const BLOCKING = new Set(['position-barred', 'position-unknown', 'no-holder', 'clipped', 'angle-limit']);
