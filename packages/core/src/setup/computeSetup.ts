/**
 * The set-up of one projection for one patient in one room: DESIGN in nine steps - body, pose and place, ray and aim,
 * receptor plane, focal spot, cover, receptor, technique, words. Each step is a function of its own file; this one
 * runs them in the order of the hands.
 */
import { buildBody } from '../body/body';
import { isChild } from '../body/patient';
import { crossSkin, furthestSkin, posedLandmark, slideBody } from '../body/posed';
import { shortLandmark } from '../body/landmarkName';
import { offFocusLoss } from '../exposure/gridCutoff';
import { doseOf } from '../exposure/dose';
import { onPlane, rayPlane, type PlaneFrame } from '../geometry/projection';
import { applyToDirection } from '../geometry/frame';
import { add, addScaled, cross, distance, dot, midpoint, negate, subtract, type Vec3 } from '../geometry/vector';
import { cosDeg } from '../quantity/angle';
import { formatLength, formatRectangle, type LengthUnit } from '../quantity/length';
import type { Assumption } from '../quantity/provenance';
import { capitalize, listWords } from '../quantity/text';
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { withDefaults } from '../room/houseRules';
import { ROOM_ONE } from '../room/demoRooms';
import { receptorsIn, type Grid, type Holder, type Room } from '../room/room';
import { cautionsFor } from './caution';
import { boneRotation, clippedBy, coverPoints, neededField, shadowsOf } from './cover';
import { fitReceptor, SPLIT_OVERLAP_MM } from './fitReceptor';
import {
  aimRay,
  kneeAngleByPelvis,
  pathSegments,
  pelvisThicknessMm,
  placePatient,
  sideView,
  type PlacedBody,
  type PlacedPoint,
} from './place';
import { situationFor, type Overrides, type SetupRequest } from './request';
import type { Along, Problem, Scene, Setup, Side } from './setup';
import { chooseTechnique, GRID_FROM_MM } from './technique';
import { focalSpotAt, isHorizontal, reachableSid } from './tube';
import { applyRules } from './variant';
import { chooseWay, HOLDER_WORDS, isInjured } from './way';
import { composeSteps, levelAgainst, markerLetter, relationTo, bothUnits } from './words';

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
  let placed = placePatient(projection, way, body, view);
  const segments = pathSegments(projection, body, side);

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
  let aimed = aimRay(projection, placed, view, signedAngle, segments);
  const thicknessMm = body.patient.partThicknessMm ?? aimed.crossing.thicknessMm;

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
  const inFront = dot(subtract(aimed.crossing.entry, focal), aimed.direction) > 0;
  if (!inFront || sidMm < 300)
    throw new RangeError(`an SID of ${Math.round(sidMm)} mm puts the tube inside the patient`);

  // 6 cover
  const cover = coverPoints(projection, placed, view, plane.u, plane.v);
  const rotationDeg = Math.round(boneRotation(projection, placed, view, focal, plane) * 10) / 10;
  const shadows = shadowsOf(cover, focal, plane, rotationDeg);
  const needed = neededField(shadows);
  const asked = overrides.fieldMm ? { width: overrides.fieldMm[0], height: overrides.fieldMm[1] } : needed;

  // 7 receptor
  const available = receptorsIn(room, holder).filter(
    (receptor) => !overrides.receptorId || receptor.id === overrides.receptorId,
  );
  const choices = available.length > 0 ? available : receptorsIn(room, holder);
  if (available.length === 0)
    problems.push({
      code: 'receptor-unknown',
      text: `Receptor "${overrides.receptorId}" does not fit the ${HOLDER_WORDS[holder.kind]} of ${room.name}.`,
    });
  const fit = fitReceptor({ widthMm: asked.width, heightMm: asked.height }, choices, {
    diagonal: projection.mayTilt,
    split: projection.maySplit,
  });
  const orientation =
    overrides.orientation && !fit.receptor.fixed && fit.outcome !== 'diagonal'
      ? overrides.orientation
      : fit.orientation;
  const across = Math.floor(orientation === 'lengthwise' ? fit.receptor.widthMm : fit.receptor.heightMm);
  const along = Math.floor(orientation === 'lengthwise' ? fit.receptor.heightMm : fit.receptor.widthMm);
  const limit = Math.floor((room.tube.maxFieldAtMetreMm * sidMm) / 1000);
  const perExposure =
    fit.exposures > 1
      ? Math.ceil((asked.height + (fit.exposures - 1) * SPLIT_OVERLAP_MM) / fit.exposures)
      : asked.height;
  const opened =
    fit.outcome === 'diagonal'
      ? { width: asked.width, height: asked.height }
      : { width: Math.min(asked.width, across), height: Math.min(perExposure, along) };
  const field = { width: Math.min(opened.width, limit), height: Math.min(opened.height, limit) };
  const clipped =
    fit.exposures > 1
      ? clippedBy(shadows, {
          width: field.width,
          height: fit.exposures * field.height - (fit.exposures - 1) * SPLIT_OVERLAP_MM,
        })
      : clippedBy(shadows, field);
  if (clipped.length > 0) {
    problems.push({
      code: 'clipped',
      text: `The field cuts ${listWords(clipped)}: ${formatRectangle(needed.width, needed.height, unit)} are needed, ${formatRectangle(field.width, field.height, unit)} are open.`,
    });
  }
  if (
    clipped.length === 0 &&
    (field.width < needed.width || (fit.exposures === 1 && field.height < needed.height)) &&
    !overrides.fieldMm
  ) {
    problems.push({
      code: 'margin',
      text: `All that is wanted is inside the light, but the margin round it is cut: ${formatRectangle(needed.width, needed.height, unit)} would take it, ${formatRectangle(field.width, field.height, unit)} are open.`,
    });
  }
  const tiltDeg = fit.outcome === 'diagonal' ? fit.tiltDeg : 0;

  const shiftsMm = Array.from(
    { length: fit.exposures },
    (_, i) => ((fit.exposures - 1) / 2 - i) * (field.height - SPLIT_OVERLAP_MM),
  );

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
    pose: placed.pose,
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
    touch: [...new Set([view.name(aimed.target.landmarkId), ...checkIds])].map((id) => {
      const mark = posedLandmark(placed.posed, id);
      return { name: shortLandmark(id), p: addScaled(mark.p, mark.dir, mark.skinDepthMm) };
    }),
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

/** Problems that forbid the set-up; the others are said and worked with. */
const BLOCKING = new Set(['position-barred', 'position-unknown', 'no-holder', 'clipped', 'angle-limit']);

function chooseHolder(
  wish: 'yes' | 'no' | 'by-thickness',
  holders: readonly Holder[],
  room: Room,
  thicknessMm: number,
  overrides: Overrides,
): { holder: Holder; grid: Grid | null; gridWanted: boolean; problems: Problem[] } {
  const gridWanted = overrides.grid ?? (wish === 'yes' || (wish === 'by-thickness' && thicknessMm >= GRID_FROM_MM));
  const known = holders.length > 0 ? holders : room.holders;
  const holder =
    known.find((each) => (gridWanted ? each.grid !== null : each.grid === null || each.gridRemovable)) ?? known[0];
  const problems: Problem[] = [];
  let grid: Grid | null = null;
  if (gridWanted) {
    grid = holder.grid;
    if (!grid)
      problems.push({
        code: 'no-grid',
        text: `A grid is wanted from ${GRID_FROM_MM / 10} cm of thickness; the ${HOLDER_WORDS[holder.kind]} of ${room.name} has none: more scatter.`,
      });
  } else if (holder.grid && !holder.gridRemovable) {
    grid = holder.grid;
    problems.push({
      code: 'grid-stays',
      text: `The grid of the ${HOLDER_WORDS[holder.kind]} cannot be taken out; the technique counts it in.`,
    });
  }
  return { holder, grid, gridWanted, problems };
}

/** Puts a standing patient's feet on the floor, on a block when the tube does not go low enough; a lying one on the surface. */
function standingLift(
  placed: PlacedBody,
  through: Vec3,
  horizontal: boolean,
  room: Room,
): { shift: Vec3; blockMm: number } {
  if (!horizontal) return { shift: [-through[0], -through[1], room.surfaceHeightMm], blockMm: 0 };
  const sole = lowest(placed);
  const aimHeight = through[2] - sole;
  const blockMm = Math.max(0, Math.ceil((room.tube.focusHeightMm[0] - aimHeight) / 10) * 10);
  return { shift: [0, -through[1], blockMm - sole], blockMm };
}

const DOWN: Vec3 = [0, 0, -1];
const lowest = (placed: PlacedBody): number => -furthestSkin(placed.posed, DOWN).reachMm;

/** @param alongMm centre of this exposure, from the aim toward the head */
function fieldCorners(
  plane: PlaneFrame,
  field: { width: number; height: number },
  rotationDeg: number,
  alongMm: number,
): Vec3[] {
  const t = (rotationDeg * Math.PI) / 180;
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([a, b]) => {
    const x = (a * field.width) / 2;
    const y = (b * field.height) / 2 + alongMm;
    return onPlane(plane, [x * Math.cos(t) - y * Math.sin(t), x * Math.sin(t) + y * Math.cos(t)]);
  });
}

/** A tape does not show less. */
const JUST_MM = 4;

/** The centring line: from the landmark, or for a ray through a depth, how far behind or in front of the midcoronal plane. */
function describeCentre(
  projection: Projection,
  placed: PlacedBody,
  target: PlacedPoint,
  unit: LengthUnit,
): Pick<Setup['centre'], 'landmark' | 'offsetMm' | 'relation' | 'line' | 'text'> {
  const { line, point } = projection.aim;
  const landmark = target.landmarkId;
  if (projection.sided === 'none' && projection.ray.view === 'lateral') {
    const behindMm = behindMidcoronal(placed, target.p);
    const where =
      Math.abs(behindMm) < 6
        ? 'on the midcoronal plane'
        : `${behindMm > 0 ? 'behind' : 'in front of'} the midcoronal plane`;
    const relation = Math.abs(behindMm) < 6 ? where : `${where}, level of ${levelName(projection.aim)}`;
    const text =
      Math.abs(behindMm) < 6
        ? `Level of ${levelName(projection.aim)}, ${where}`
        : `Level of ${levelName(projection.aim)}, ${bothUnits(Math.abs(behindMm), unit)} ${where}`;
    return { landmark, offsetMm: Math.abs(behindMm) < 6 ? 0 : Math.abs(behindMm), relation, line, text };
  }
  if (target.toward === null) {
    const between = 'between' in projection.aim;
    const relation = between ? line : relationTo(null, landmark);
    return {
      landmark,
      offsetMm: 0,
      relation,
      line,
      text: `${point === 'exit' ? 'Ray leaves' : 'Ray enters'} ${between ? `at the ${line}` : `${relation}, ${line}`}`,
    };
  }
  const relation = relationTo(target.toward, landmark, projection.region);
  const far = target.offsetMm < JUST_MM ? 'just' : bothUnits(target.offsetMm, unit);
  return { landmark, offsetMm: target.offsetMm, relation, line, text: `${capitalize(far)} ${relation}, ${line}` };
}

const levelName = (aim: Projection['aim']): string =>
  shortLandmark('between' in aim ? aim.between[0] : aim.landmark) +
  ('between' in aim ? `-${shortLandmark(aim.between[1])}` : '');

/** Signed distance behind the midcoronal plane, which halves the trunk between chest and back at that level. */
function behindMidcoronal(placed: PlacedBody, p: Vec3): number {
  const back = applyToDirection(placed.posed.place, [0, 1, 0]);
  const trunk = crossSkin(placed.posed, p, back, ['thorax', 'lumbar', 'pelvis', 'neck']);
  if (!trunk) return 0;
  return dot(subtract(p, midpoint(trunk.entry, trunk.exit)), back);
}

function assumptionsOf(
  habitus: string,
  request: SetupRequest,
  pelvisMm: number,
  thicknessMm: number | undefined,
  unit: LengthUnit,
): Assumption[] {
  const list: Assumption[] = [];
  if (!request.patient?.habitus)
    list.push({
      field: 'patient.habitus',
      value: `${habitus}, from height and weight`,
      provenance: 'computed',
      affects: 'width and length of the lungs',
    });
  if (thicknessMm === undefined)
    list.push({
      field: 'patient.partThicknessMm',
      value: 'thickness along the ray from the body model',
      provenance: 'computed',
      affects: 'technique and dose',
    });
  if (pelvisMm > 0)
    list.push({
      field: 'patient.pelvis',
      value: `ASIS to table ${bothUnits(pelvisMm, unit)} from the body model`,
      provenance: 'computed',
      affects: 'the angle of the AP knee',
    });
  if (request.situation === undefined)
    list.push({
      field: 'situation',
      value: 'stands, turns, spine cleared',
      provenance: 'house rule',
      affects: 'position',
    });
  return list;
}
