/**
 * The set-up of one projection for one patient in one room in nine steps: body, pose and place, ray and aim,
 * receptor plane, focal spot, cover, receptor, technique, words. Each step is a function of its own file; this one
 * runs them in the order of the hands.
 */
import { buildBody } from '../body/body';
import { isChild } from '../body/patient';
import { slideBody } from '../body/posed';
import { fitSpreadOf } from '../exposure/calibrate';
import { doseOf, doseSpread } from '../exposure/dose';
import { GRID_BEARS_DEG } from '../exposure/gridCutoff';
import { add, distance, type Vec3 } from '../geometry/vector';
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { capitalize } from '../quantity/text';
import { ROOM_ONE } from '../room/demoRooms';
import { withDefaults } from '../room/houseRules';
import type { Room } from '../room/room';
import { aecFor } from './aecCover';
import { assumptionsOf, beamAssumptions } from './assume';
import { breathFor } from './breath';
import { cautionsFor } from './caution';
import { chartProblems } from './chartCheck';
import { boneRotation, coverPoints, neededField, shadowsOf } from './cover';
import { doseProblems } from './doseAdvice';
import { fillIn } from './fillIn';
import type { GivenWay } from './given';
import { checkGrid, gridWarnings } from './gridCheck';
import { headLineWords } from './headLine';
import { chooseHolder } from './holder';
import { facingOf, inTheWay, inWay, nameOf, rayBlocked, rayInPart, sayWay, viewOf } from './inWay';
import { openField } from './light';
import { markerOf } from './marker';
import { multipliersOf } from './multipliers';
import { aimRay, pathSegments } from './place';
import { isOfHead, type Known } from './placeGiven';
import { protectionFor } from './protection';
import { receptorPlane } from './receptorPlane';
import { situationFor, type Overrides, type SetupRequest } from './request';
import { centroid, sceneOf } from './scene';
import { bars, blocks, problem } from './problem';
import { SETUP_VERSION, type Problem, type Setup, type Side } from './setup';
import { sideView } from './side';
import { spotProblems } from './spot';
import { sittingLowers, standingLift } from './stand';
import { boardOf, isLimited, limitsFor } from './stillJoints';
import type { Support } from './support';
import { chooseTechnique, type Conditions } from './technique';
import { alongRay, placeMeasured, proportionalThickness } from './thickness';
import { centreTold, imageTold, receptorTold, tubeTold } from './told';
import { focalSpotAt, isHorizontal, reachableSid } from './tube';
import { angleProblems, tubeAngle } from './tubeAngle';
import { applyRules } from './variant';
import { forbiddenProblem, forbiddenView, keptMoved, loadLost } from './verdict';
import { judgedParts } from './wanted';
import { AS_IT_LIES, askFor } from './keepHead';
import { isInjured, neckStays } from './kept';
import { chooseWay, seatedWords } from './way';
import { composeSteps } from './words';

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

  const judged = judgedParts(projection, body);
  const part = view.name(judged[0]);

  // 1 body (above, for the schools of children); 2 pose and place
  const {
    way,
    holders,
    problems: wayProblems,
  } = chooseWay(projection, situation, room, side, overrides, {
    given: given ?? undefined,
    part,
    mirrored: view.mirrored,
  });
  const forbidden = forbiddenView(asTaught, situation);
  const problems: Problem[] = [...(forbidden ? [forbiddenProblem(forbidden)] : []), ...wayProblems];
  const segments = pathSegments(projection, body, side);
  const {
    placed: first,
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
  let placed = first;
  problems.push(...keptMoved(placed.pose, part, situation));
  for (const joint of placed.held)
    if (isLimited(joint.motion, situation.joints)) problems.push(problem('joint-limit', joint));
  if (factor !== null && (factor < THICKNESS_ODD[0] || factor > THICKNESS_ODD[1]))
    problems.push(
      problem(
        'thickness-odd',
        { measuredMm: body.patient.partThicknessMm!, computedMm: body.patient.partThicknessMm! / factor },
        unit,
      ),
    );

  // 3 ray and aim
  const angle = tubeAngle(projection, given, overrides, placed);
  const { signedDeg, acrossDeg, angleDeg } = angle;
  problems.push(...angleProblems(angle, room));
  let aimed = angle.leans ? aimRay(projection, placed, view, signedDeg, segments, acrossDeg) : straightRay;

  // Holder and grid follow from the thickness.
  const pathMm = aimed.crossing.thicknessMm;
  const alongRayMm = alongRay(squareMm, pathMm, Math.max(angleDeg, Math.abs(acrossDeg)));
  const thicknessMm =
    factor !== null
      ? squareMm
      : projection.exposure.thicknessBy === 'ray'
        ? alongRayMm
        : proportionalThickness(projection, placed, aimed.direction, view, { segments, part, alongRayMm });
  const smallChildKvp = body.patient.ageYears < SMALL_CHILD_YEARS ? projection.exposure.smallChild?.kVp : undefined;
  const wish = smallChildKvp ? 'no' : gridWish(projection, given, isChild(body.patient));
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

  // 4 receptor plane
  const square = projection.ray.receptorSquare && angle.leans;
  const plane = receptorPlane(placed, aimed, { square, contactPoint, gapMm: holder.gapMm, angleDeg });
  const { origin: hit } = plane;

  // 5 focal spot
  const level = !horizontal ? 'no' : placed.placement.lies || holder.kind === 'stand' ? 'free' : 'wall';
  const reach = reachableSid(sidWantedMm, projection.sid.rangeMm, room, hit, aimed.direction, level, unit);
  problems.push(...reach.problems);
  const sidMm = reach.sidMm;
  const focal = focalSpotAt(hit, aimed.direction, sidMm);
  problems.push(...spotProblems(focal, aimed, { sidMm, mustReach: given !== null && horizontal }, room, unit));
  const focusToSkinMm = distance(focal, aimed.crossing.entry);

  // 6 cover
  const cover = coverPoints(projection, placed, view, plane.u, plane.v);
  // A limb that was to be held aside and does not go so far is in the way as it lies.
  if (given || placed.held.length > 0)
    problems.push(
      ...inTheWay(placed, focal, hit, [hit, ...cover.map(({ points }) => centroid(points))], segments),
      ...rayBlocked(placed, { focal, hit, crossing: aimed.crossing }, segments, part),
    );
  if (given) problems.push(...loadLost(asTaught, given.position, part));
  const rotationDeg = Math.round(boneRotation(projection, placed, view, focal, plane) * 10) / 10;
  const shadows = shadowsOf(cover, focal, plane, rotationDeg);
  const needed = neededField(shadows);

  // 7 receptor
  const light = openField({ shadows, needed, projection, room, holder, sidMm, overrides, unit });
  const { field } = light;
  problems.push(...light.problems);

  // 8 technique
  const gridCheck = grid
    ? checkGrid(
        grid,
        {
          sidMm,
          alongDeg: square ? 0 : signedDeg,
          acrossDeg: square ? 0 : acrossDeg,
          fieldMm: field,
          crosswise: light.orientation === 'crosswise',
          maxAngleDeg: room.tube.maxAngleDeg,
        },
        overrides,
      )
    : null;
  if (gridCheck) problems.push(...gridWarnings(gridCheck, overrides, unit));
  const conditions: Conditions = {
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
    smallChildKvp,
    focusToSkinMm,
    unit,
  };
  const asWanted = chooseTechnique(projection, room, conditions, overrides);
  const cells = aecFor(asWanted.inModel ? asWanted.aec : 'none', overrides.aecCells !== undefined, holder.cells, {
    posed: placed.posed,
    focal,
    plane: { centre: hit, u: plane.u, v: plane.v },
    field,
    kVp: asWanted.kVp,
    waterMm: thicknessMm * projection.exposure.composition,
  });
  problems.push(...cells.problems);
  const technique =
    cells.problems.length === 0 || cells.aec === asWanted.aec
      ? asWanted
      : chooseTechnique(projection, room, conditions, { ...overrides, aecCells: cells.aec });
  const { problems: techniqueProblems, ...chosen } = technique;
  problems.push(...techniqueProblems, ...chartProblems(projection.id, thicknessMm, conditions.gridRatio, room));
  const dose = doseOf(technique, room.generator, focusToSkinMm, sidMm, [field.width, field.height]);
  if (technique.masKnown) problems.push(...doseProblems(dose.entranceKermaMgy, projection, technique.kVp));
  const focusMm = technique.focalSpot === 'small' ? room.generator.smallFocusMm : room.generator.largeFocusMm;
  const magnification = shadows.reduce((total, s) => total + s.magnification, 0) / shadows.length;

  // 9 words
  const skinShare = focusToSkinMm / sidMm;
  const supports: Support[] = [
    ...(lift.blockMm > 0 ? [{ kind: 'block' as const, mm: lift.blockMm }] : []),
    ...(lift.seatedMm > 0 ? [{ kind: 'stool' as const, mm: lift.seatedMm }] : []),
  ];
  const cautions = cautionsFor(projection, body.patient, situation);
  const { centre, touched } = centreTold(projection, placed, aimed, { view, unit, up: plane.v, found: given !== null });
  const scene = sceneOf({
    projection,
    placed,
    aimed,
    shift,
    plane,
    focal,
    light,
    rotationDeg,
    holder,
    aec: technique.aec,
    surfaceHeightMm: onSurface ? surfaceMm : 0,
    touched,
    cover,
  });

  const breathing = breathFor(projection, situation);
  const facing = given ? viewOf(projection, given) : facingOf(projection, way);
  const headWords = way.poseAlone || given?.asItLies ? null : headLineWords(projection);
  const headSteps = headWords
    ? [{ group: 'position' as const, text: headWords, unlessInjured: true, setsHead: true }]
    : [];
  // How the entry's own position is taken helps nobody who is in another.
  const fits = !given || asTaught.positions[0].body === given.position;
  const keepsHead = neckStays(situation);
  const ownSteps = [...headSteps, ...projection.steps]
    .filter((step) => !(step.unlessInjured && isInjured(situation)) && !(step.setsHead && keepsHead))
    .filter((step) => step.group !== 'position' || (fits && !given?.asItLies))
    .map((step) => ({ ...step, text: fillIn(step.text, projection, way) }));
  // What is barred is never told as a step beside the problem that bars it.
  const barred = problems.some(bars);
  // What is brought for the entry's own holder helps nobody at another.
  const asUsual = !barred && (!given || given.holder === asTaught.positions[0].holders[0]);
  const setup = {
    version: SETUP_VERSION,
    projectionId: projection.id,
    name: nameOf(projection, side, given),
    region: projection.region,
    side,
    patient: request.patient ?? {},
    situation,
    room: { id: room.id, name: room.name },
    feasible: !problems.some(blocks),
    problems,
    position: {
      body: way.body,
      say: barred
        ? 'Not in this way for this patient'
        : given
          ? sayWay(given)
          : fillIn(askFor(seatedWords(way, situation), projection, keepsHead), projection, way) ||
            capitalize(AS_IT_LIES),
      facing,
      nearSide: projection.ray.view === 'lateral' || projection.ray.view === 'medial' ? side : null,
      part: barred ? [] : ownSteps.filter((step) => step.group === 'position').map((step) => step.text),
      supports: barred ? [] : supports,
    },
    receptor: receptorTold(projection, light, { holder, grid, gridWanted }, { centre: hit, needed, unit }),
    tube: tubeTold(projection, placed, angle, plane, {
      sidMm,
      sidWantedMm,
      horizontal,
      focusHeightMm: focal[2],
      onSurface,
      surfaceMm,
      room,
    }),
    way: given,
    inPart: judged.map((id) => rayInPart(placed, aimed.direction, view.name(id))),
    centre,
    field: {
      atReceptorMm: field,
      atSkinMm: { width: field.width * skinShare, height: field.height * skinShare },
      neededMm: needed,
      rotationDeg,
      mustShow: [...new Set(cover.map(({ name }) => name))],
      clipped: light.clipped,
    },
    exposure: { ...chosen, thicknessMm },
    dose: { ...dose, spread: doseSpread(fitSpreadOf(room.generator)) },
    image: imageTold(angle, { sidMm, focusMm, magnification, square, found: given !== null, gridCheck }),
    marker: markerOf({
      projection,
      placed,
      side,
      view,
      given,
      facing,
      part,
      body: way.body,
      horizontal,
      beam: aimed.direction,
      corners: scene.fields[0],
    }),
    signs: projection.signs,
    opens: projection.opens ?? null,
    study: projection.study ?? null,
    showsLevels: projection.showsLevels,
    protection: protectionFor(projection.protection, rules.shielding),
    breathing,
    prepare: asUsual ? projection.prepare : [],
    aids: asUsual ? [...projection.aids, ...(isInjured(situation) ? [] : projection.aidsUnlessInjured)] : [],
    remove: projection.remove,
    cautions,
    assumptions: [
      ...body.assumed,
      ...assumptionsOf(body.patient.habitus, request, angle.pelvisMm, body.patient.partThicknessMm, unit),
      ...beamAssumptions(room.generator, technique.start),
    ],
    // Nor how a house would do it.
    schools: barred ? [] : schools,
    scene,
  };
  return {
    ...setup,
    steps: barred
      ? []
      : composeSteps(
          {
            ...setup,
            ownSteps,
          },
          projection,
          unit,
        ),
    checks: projection.checks,
    sources: projection.sources,
  };
}

/** Until about here a chest is taken as a small child's: no grid, low kVp, by hand [taught]. */
const SMALL_CHILD_YEARS = 7;

/** Measured against computed thickness outside this is said, not only used. */
const THICKNESS_ODD = [0.6, 1.6] as const;

/** A receptor that lies flat under a tube leaning across its lines is better without them; a child by its thickness. */
function gridWish({ grid }: Projection, given: GivenWay | null, child: boolean): 'yes' | 'no' | 'by-thickness' {
  if (given && given.holder !== 'stand' && Math.abs(given.acrossDeg) > GRID_BEARS_DEG) return 'no';
  if (grid === 'always') return 'yes';
  return grid === 'yes' && child ? 'by-thickness' : grid;
}
