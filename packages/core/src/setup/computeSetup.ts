/**
 * The set-up of one projection for one patient in one room in nine steps: body, pose and place, ray and aim,
 * receptor plane, focal spot, cover, receptor, technique, words. Each step is a function of its own file; this one
 * runs them in the order of the hands.
 */
import { buildBody, isLandmark } from '../body/body';
import { shortLandmark } from '../body/landmarkName';
import { isChild } from '../body/patient';
import { furthestSkin, posedLandmark, slideBody } from '../body/posed';
import { surfacePoint } from '../body/surface';
import { fitSpreadOf } from '../exposure/calibrate';
import { doseOf, doseSpread } from '../exposure/dose';
import { GRID_BEARS_DEG } from '../exposure/gridCutoff';
import { rayPlane, type PlaneFrame } from '../geometry/projection';
import { add, addScaled, cross, distance, dot, negate, scale, subtract, type Vec3 } from '../geometry/vector';
import { projectionOf } from '../projections/catalogue';
import { cosDeg, toDegrees } from '../quantity/angle';
import { formatLength } from '../quantity/length';
import { cellCorners, cellsOf } from '../room/aecCells';
import { ROOM_ONE } from '../room/demoRooms';
import { withDefaults } from '../room/houseRules';
import type { Room } from '../room/room';
import { assumptionsOf, beamAssumptions } from './assume';
import { cautionsFor } from './caution';
import { centreBy, describeCentre } from './centre';
import { boneRotation, coverPoints, neededField, shadowsOf } from './cover';
import { SPLIT_OVERLAP_MM } from './fitReceptor';
import { chooseHolder } from './holder';
import { fieldCorners, openField } from './light';
import { fillIn } from './fillIn';
import { checkGrid, gridWarnings } from './gridCheck';
import { headLineWords } from './headLine';
import { heldWords } from './held';
import { aimRay, kneeAngleByPelvis, pathSegments, pelvisThicknessMm } from './place';
import { sideView } from './side';
import { squared } from './relation';
import { placeMeasured } from './thickness';
import { whyOther } from './usual';
import { multipliersOf } from './multipliers';
import { protectionFor } from './protection';
import { boardOf, isLimited, stillJoints } from './stillJoints';
import { situationFor, type Overrides, type SetupRequest } from './request';
import type { Along, Problem, Scene, Setup, Side } from './setup';
import { standingLift, sittingLowers } from './stand';
import { chooseTechnique } from './technique';
import { focalSpotAt, isHorizontal, reachableSid } from './tube';
import { applyRules } from './variant';
import { nameOf, inTheWay, inWay, marksOf, rayInPart, sayWay, viewOf, facingOf } from './inWay';
import type { Known } from './placeGiven';
import { judgedParts } from './wanted';
import { isWithinTouch, nearestWithinTouch } from './withinTouch';
import { chooseWay, isInjured, seatedWords } from './way';
import { composeSteps, levelAgainst, markerLetter } from './words';

/**
 * Computes the set-up.
 * @param request a request that passed `setupRequestSchema`, or one that is known to be sound
 * @returns a Setup; `feasible` is false, with `problems`, when it cannot or must not be done so
 * @param known what a search has worked out before for the same entry, patient and side
 * @throws RangeError for an unknown projection, a missing side, or a patient outside the model
 */
export function computeSetup(request: SetupRequest, known: Known = {}): Setup {
  const rules = withDefaults(request.rules);
  const body = known.body ?? buildBody(request.patient ?? {});
  const entry = request.own ?? projectionOf(request.projectionId);
  const { projection: asTaught, schools } = applyRules(entry, rules, isChild(body.patient));
  const given = request.way ?? null;
  const projection = given ? inWay(asTaught, given) : asTaught;
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

  // 1 body (above, for the schools of children); 2 pose and place
  const {
    way,
    holders,
    problems: wayProblems,
  } = chooseWay(projection, situation, room, side, overrides, given ?? undefined);
  const problems: Problem[] = [...wayProblems];
  const segments = pathSegments(projection, body, side);
  const {
    placed: first,
    straight: straightRay,
    thicknessMm: squareMm,
    factor,
  } = placeMeasured(projection, way, body, view, segments, {
    wantedMm: body.patient.partThicknessMm,
    limits: given ? { ...stillJoints(situation), ...situation.joints } : situation.joints,
    boardMm: boardOf(situation, way.body),
    known,
  });
  let placed = first;
  for (const joint of placed.held)
    if (isLimited(joint.motion, situation.joints)) problems.push({ code: 'joint-limit', text: heldWords(joint) });
  if (factor !== null && (factor < THICKNESS_ODD[0] || factor > THICKNESS_ODD[1]))
    problems.push({
      code: 'thickness-odd',
      text: `${formatLength(body.patient.partThicknessMm!, unit)} is far from what this patient's size gives (${formatLength(body.patient.partThicknessMm! / factor, unit)}): measure again.`,
    });

  // 3 ray and aim
  const pelvisMm = projection.ray.angleBy && !given ? pelvisThicknessMm(placed) : 0;
  const entryAngle = given
    ? given.alongDeg
    : projection.ray.angleBy
      ? kneeAngleByPelvis(pelvisMm)
      : projection.ray.angleDeg * (projection.ray.toward === 'feet' ? -1 : 1);
  const signedAngle = overrides.angleDeg ?? entryAngle;
  const acrossDeg = given?.acrossDeg ?? 0;
  const angleDeg = Math.abs(signedAngle);
  const angleToward: Along | null = signedAngle === 0 ? null : signedAngle > 0 ? 'head' : 'feet';
  const [upName, downName] = placed.placement.says;
  const acrossNames = (degrees: number) => placed.placement.acrossSays?.[degrees > 0 ? 0 : 1] ?? null;
  const called = (toward: Along | null) => toward && (toward === 'head' ? upName : downName);
  for (const tilt of new Set([angleDeg, Math.abs(acrossDeg)]))
    if (tilt > room.tube.maxAngleDeg)
      problems.push({
        code: 'angle-limit',
        text: `The tube of ${room.name} tilts to ${room.tube.maxAngleDeg}°; ${tilt}° is out of reach.`,
      });
  const leans = signedAngle !== 0 || acrossDeg !== 0;
  let aimed = leans ? aimRay(projection, placed, view, signedAngle, segments, acrossDeg) : straightRay;

  // Holder and grid follow from the thickness: of a steep ray its path, else what a caliper gives; never what lies beside
  // the ray.
  const pathMm = aimed.crossing.thicknessMm;
  const thicknessMm =
    factor !== null
      ? squareMm
      : Math.max(angleDeg, Math.abs(acrossDeg)) > STEEP_DEG
        ? pathMm
        : Math.min(squareMm, pathMm);
  const wish =
    // A receptor that lies flat under a tube leaning across its lines is better without them.
    given && given.holder !== 'stand' && Math.abs(given.acrossDeg) > GRID_BEARS_DEG
      ? 'no'
      : projection.grid === 'always'
        ? 'yes'
        : projection.grid === 'yes' && isChild(body.patient)
          ? 'by-thickness'
          : projection.grid;
  const {
    holder,
    grid,
    gridWanted,
    problems: gridProblems,
  } = chooseHolder(wish, holders, room, thicknessMm, overrides);
  problems.push(...gridProblems);

  // Where all this stands in the room.
  const horizontal = isHorizontal(placed.placement.beam);
  const surfaceMm = holder.kind === 'floor' ? 0 : room.surfaceHeightMm;
  const onSurface = placed.placement.lies || !horizontal;
  const sidWantedMm = overrides.sidMm ?? projection.sid.wantedMm;
  const lift = standingLift(
    placed,
    { through: aimed.through, direction: aimed.direction, sidMm: sidWantedMm },
    horizontal,
    room,
    surfaceMm,
    way.seatable ? sittingLowers(body.patient.statureMm) : 0,
  );
  const { shift } = lift;
  placed = { ...placed, posed: slideBody(placed.posed, shift) };
  aimed = {
    ...aimed,
    through: add(aimed.through, shift),
    target: { ...aimed.target, p: add(aimed.target.p, shift) },
    crossing: { ...aimed.crossing, entry: add(aimed.crossing.entry, shift), exit: add(aimed.crossing.exit, shift) },
  };
  const { touches } = placed.placement;
  const contactPoint: Vec3 = touches ? add(touches, shift) : horizontal ? [0, 0, 0] : [0, 0, surfaceMm];

  // 4 receptor plane: across the straight beam, or square to the angled ray where the part touches it
  const square = projection.ray.receptorSquare && leans;
  const straight = square ? aimed.direction : placed.placement.beam;
  const v = square ? squared(placed.placement.toHead, straight) : placed.placement.toHead;
  const n = negate(straight);
  const touching = square
    ? scale(straight, furthestSkin(placed.posed, straight, placed.contact).reachMm)
    : contactPoint;
  // Whatever was named as touching: the receptor never stands inside what the ray still has to leave.
  const behindExit = addScaled(aimed.crossing.exit, straight, holder.gapMm);
  const asNamed = addScaled(touching, straight, holder.gapMm);
  const planePoint = dot(behindExit, straight) > dot(asNamed, straight) ? behindExit : asNamed;
  const toPlane = rayPlane(aimed.through, aimed.direction, planePoint, n);
  if (toPlane === null) throw new RangeError(`a ray tilted ${angleDeg}° never meets the receptor`);
  const hit = addScaled(aimed.through, aimed.direction, toPlane);
  const plane: PlaneFrame = { origin: hit, u: cross(v, n), v, n };
  const straightHit = addScaled(aimed.through, straight, dot(subtract(planePoint, aimed.through), straight));
  const shiftAcross = square ? 0 : dot(subtract(hit, straightHit), plane.u);
  const shiftAlong = square ? 0 : dot(subtract(hit, straightHit), v);

  const shiftToward: Along | null = Math.abs(shiftAlong) < 3 ? null : shiftAlong > 0 ? 'head' : 'feet';

  // 5 focal spot
  const level = !horizontal ? 'no' : placed.placement.lies || holder.kind === 'stand' ? 'free' : 'wall';
  const reach = reachableSid(sidWantedMm, projection.sid.rangeMm, room, hit, aimed.direction, level, unit);
  problems.push(...reach.problems);
  const sidMm = reach.sidMm;
  const focal = focalSpotAt(hit, aimed.direction, sidMm);
  const [lowestMm] = room.tube.focusHeightMm;
  if (given && horizontal && focal[2] < lowestMm - REACH_SLACK_MM)
    problems.push({
      code: 'tube-low',
      text: `The tube of ${room.name} goes down to ${formatLength(lowestMm, unit)} over the floor; ${formatLength(Math.max(0, focal[2]), unit)} is wanted.`,
    });
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
  // A limb that was to be held aside and does not go so far is in the way as it lies.
  if (given || placed.held.length > 0)
    problems.push(...inTheWay(placed, focal, hit, [hit, ...cover.map(({ points }) => centroid(points))], segments));
  const rotationDeg = Math.round(boneRotation(projection, placed, view, focal, plane) * 10) / 10;
  const shadows = shadowsOf(cover, focal, plane, rotationDeg);
  const needed = neededField(shadows);

  // 7 receptor
  const light = openField({ shadows, needed, projection, room, holder, sidMm, overrides, unit });
  const { fit, orientation, across, along, field, clipped, shiftsMm, tiltDeg } = light;
  problems.push(...light.problems);

  // 8 technique
  const gridCheck = grid
    ? checkGrid(
        grid,
        {
          sidMm,
          alongDeg: square ? 0 : signedAngle,
          acrossDeg: square ? 0 : acrossDeg,
          fieldMm: field,
          crosswise: orientation === 'crosswise',
          maxAngleDeg: room.tube.maxAngleDeg,
        },
        overrides,
      )
    : null;
  if (gridCheck) problems.push(...gridWarnings(gridCheck, overrides));
  const technique = chooseTechnique(
    projection,
    room,
    {
      thicknessMm,
      sidMm,
      gridRatio: grid?.ratio ?? 0,
      fieldMm: [field.width, field.height],
      aecInHolder: holder.aec,
      support: holder.kind === 'table-tray' ? 'table' : holder.kind === 'wall' ? 'wall' : 'none',
      gridLossAtCentre: gridCheck?.centre ?? 0,
      child: isChild(body.patient),
      multipliers: multipliersOf(situation, boardOf(situation, way.body) > 0 && !horizontal),
      still: situation.holdsStill && situation.holdsBreath,
    },
    overrides,
  );
  const { problems: techniqueProblems, ...chosen } = technique;
  problems.push(...techniqueProblems);
  const dose = doseOf(technique, room.generator, focusToSkinMm, sidMm, [field.width, field.height]);
  const focusMm = technique.focalSpot === 'small' ? room.generator.smallFocusMm : room.generator.largeFocusMm;
  const magnification = shadows.reduce((total, s) => total + s.magnification, 0) / shadows.length;
  const obliquity = square ? 1 : cosDeg(angleDeg) * cosDeg(acrossDeg);
  const focusToPlaneMm = sidMm * obliquity;

  // 9 words
  const skinShare = focusToSkinMm / sidMm;
  const supports = [
    ...(lift.blockMm > 0 ? [`On a block ${formatLength(lift.blockMm, unit)} high: the tube does not go lower`] : []),
    ...(lift.seatedMm > 0
      ? [`Seated, ${formatLength(lift.seatedMm, unit)} lower than standing: the tube does not go higher`]
      : []),
  ];
  const cautions = cautionsFor(projection, body.patient, situation);
  const support = given ? placed.placement.support : null;
  const felt = (id: string) => isWithinTouch(placed.posed, id, support ?? null);
  const levelOf = (id: string) =>
    levelAgainst(id, dot(subtract(aimed.through, posedLandmark(placed.posed, id).p), v), unit, projection.region);
  const taughtCentre = describeCentre(projection, placed, aimed.target, unit);
  const centreText =
    support && !felt(aimed.target.landmarkId)
      ? centreBy(levelOf(nearestWithinTouch(placed.posed, aimed.through, v, support)), projection)
      : taughtCentre;
  const checkIds = projection.aim.checkBy.map(view.name).filter(felt);
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
    zero: { beam: placed.placement.beam, up: placed.placement.toHead },
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
    cells: cellsOf(holder.cells, technique.aec).map((cell) =>
      cellCorners(cell).map(([x, y]) => addScaled(addScaled(hit, plane.u, x), v, y)),
    ),
    surfaceHeightMm: onSurface ? surfaceMm : 0,
    touch: [
      ...new Set([centreText === taughtCentre ? view.name(aimed.target.landmarkId) : centreText.landmark, ...checkIds]),
    ]
      .filter(isLandmark)
      .map((id) => ({
        name: shortLandmark(id),
        p: surfacePoint(placed.posed, id).skin,
      })),
    mustShow: cover.map(({ name, axis, points }) => ({ name, p: centroid(points), points, axis })),
    brightBones: projection.brightBones,
    oneSided: projection.sided === 'each',
  };

  const headWords = way.poseAlone || given?.asItLies ? null : headLineWords(projection);
  const headSteps = headWords ? [{ group: 'position' as const, text: headWords, unlessInjured: true }] : [];
  // How the entry's own position is taken helps nobody who is in another.
  const fits = !given || asTaught.positions[0].body === given.position;
  const ownSteps = [...headSteps, ...projection.steps]
    .filter((step) => !(step.unlessInjured && isInjured(situation)))
    .filter((step) => step.group !== 'position' || (fits && !given?.asItLies))
    .map((step) => ({ ...step, text: fillIn(step.text, projection, way) }));
  const setup = {
    projectionId: projection.id,
    name: nameOf(projection, side, given),
    side,
    patient: request.patient ?? {},
    situation,
    room: { id: room.id, name: room.name },
    feasible: !problems.some((problem) => BLOCKING.has(problem.code)),
    problems,
    position: {
      body: way.body,
      say: given ? sayWay(given) : fillIn(seatedWords(way, situation), projection, way),
      facing: given ? viewOf(projection, given) : facingOf(projection, way),
      nearSide: projection.ray.view === 'lateral' || projection.ray.view === 'medial' ? side : null,
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
      whyOther: whyOther(projection, fit, orientation, needed, unit),
      usual: `${projection.receptor.usual} ${projection.receptor.orientation}${projection.receptor.note ? `; ${projection.receptor.note}` : ''}`,
    },
    tube: {
      sidMm,
      sidWantedMm,
      sidRangeMm: projection.sid.rangeMm,
      angleDeg,
      angleToward,
      angleSays: called(angleToward),
      ways: placed.placement.says,
      angleRangeDeg: projection.ray.rangeDeg,
      beam: horizontal ? ('horizontal' as const) : ('vertical' as const),
      heightMm: focal[2] - (onSurface ? surfaceMm : 0),
      heightOver:
        !onSurface || surfaceMm === 0
          ? ('floor' as const)
          : room.kind === 'mobile'
            ? ('bed' as const)
            : ('table' as const),
      receptorShiftMm: Math.abs(shiftAlong) < 3 ? 0 : Math.abs(shiftAlong),
      receptorShiftToward: shiftToward,
      receptorShiftSays: called(shiftToward),
      acrossDeg: Math.abs(acrossDeg),
      acrossSays: acrossDeg === 0 ? null : acrossNames(acrossDeg),
      acrossShiftMm: Math.abs(shiftAcross) < 3 ? 0 : Math.abs(shiftAcross),
    },
    way: given,
    inPart: judgedParts(projection, placed.posed.body).map((id) => rayInPart(placed, aimed.direction, view.name(id))),
    centre: {
      ...centreText,
      entryMm: aimed.crossing.entry,
      checkBy: checkIds
        .filter((id) => id !== view.name(aimed.target.landmarkId) && id !== centreText.landmark)
        .map(levelOf),
    },
    field: {
      atReceptorMm: field,
      atSkinMm: { width: field.width * skinShare, height: field.height * skinShare },
      neededMm: needed,
      rotationDeg,
      mustShow: [...new Set(cover.map(({ name }) => name))],
      clipped,
    },
    exposure: { ...chosen, thicknessMm },
    dose: { ...dose, spread: doseSpread(fitSpreadOf(room.generator)) },
    image: {
      objectDistanceMm: focusToPlaneMm * (1 - 1 / magnification),
      magnification,
      blurMm: focusMm * (magnification - 1),
      partObliquityDeg: given ? toDegrees(Math.acos(Math.min(1, obliquity))) : angleDeg,
      elongation: given ? 1 / obliquity : 1 / cosDeg(angleDeg),
      gridLoss: gridCheck?.sum ?? 0,
      grid: gridCheck,
    },
    marker: {
      letter: markerLetter(side),
      place: projection.marker.place,
      extra: given
        ? [...projection.marker.extra, ...marksOf(given, viewOf(projection, given))]
        : projection.marker.extra,
    },
    protection: protectionFor(projection.protection, rules.shielding),
    breathing: projection.breathing,
    prepare: given && given.holder !== asTaught.positions[0].holders[0] ? [] : projection.prepare,
    remove: projection.remove,
    cautions,
    assumptions: [
      ...body.assumed,
      ...assumptionsOf(body.patient.habitus, request, pelvisMm, body.patient.partThicknessMm, unit),
      ...beamAssumptions(room.generator, technique.start),
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

const centroid = (points: readonly Vec3[]): Vec3 =>
  scale(
    points.reduce((sum, p) => add(sum, p)),
    1 / points.length,
  );

/** From here on the path of the ray is another than the thickness of the part. */
const STEEP_DEG = 20;

/** Short of what a tube reaches by less than this counts as reached. */
const REACH_SLACK_MM = 20;

/** Least distance from focal spot to skin: rule for mobile units; fixed ones want more. */
const SKIN_DISTANCE_MM = 300;

/** Problems that forbid the set-up; the others are said and worked with. */
const BLOCKING = new Set([
  'position-barred',
  'position-unknown',
  'no-holder',
  'clipped',
  'angle-limit',
  'in-the-way',
  'tube-load',
  'tube-low',
]);
