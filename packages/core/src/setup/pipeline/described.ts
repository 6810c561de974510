/** Step 7: everything that is told, drawn, compared and kept, from what was worked out. */
import { fitSpreadOf } from '../../exposure/calibrate';
import { doseSpread } from '../../exposure/dose';
import { receptorsIn } from '../../room/room';
import type { StepGroup } from '../../projections/schema';
import { capitalize } from '../../quantity/text';
import { markerOf } from '../collimation/marker';
import { breathFor } from '../placing/breath';
import { fillIn, type Stood } from '../placing/fillIn';
import { headLineWords } from '../placing/headLine';
import { facingOf, nameOf, obliquePosition, rayInPart, sayWay, trunkOblique, viewOf } from '../placing/inWay';
import { AS_IT_LIES, askFor } from '../placing/keepHead';
import { erectWords } from '../placing/way';
import { bars, blocks } from '../problem';
import { SETUP_VERSION, type Setup } from '../setup';
import { sceneOf } from '../stage/scene';
import { assumptionsOf, beamAssumptions } from '../told/assume';
import { cautionsFor } from '../told/caution';
import { centreTold, imageTold, receptorTold, tubeTold } from '../told/told';
import { protectionFor } from '../told/protection';
import { takeOffOf } from '../told/takeOff';
import { composeSteps } from '../told/words';
import { isInjured, neckStays } from '../verdict/kept';
import type { Exposed } from './exposed';

const stoodIn = ({ placed, situation, way }: Pick<Exposed, 'placed' | 'situation' | 'way'>): Stood => ({
  erect: erectWords(way, situation),
  oblique: obliquePosition(placed, null)?.name ?? '',
});

/** Steps of the entry’s own that this patient, position and way call for. */
function ownSteps({
  asTaught,
  given,
  projection,
  situation,
  way,
  ...done
}: Exposed): { group: StepGroup; text: string }[] {
  const headWords = way.poseAlone || given?.asItLies ? null : headLineWords(projection);
  const headSteps = headWords
    ? [{ group: 'position' as const, text: headWords, unlessInjured: true, setsHead: true }]
    : [];
  // How the entry's own position is taken helps nobody who is in another.
  const fits = !given || asTaught.positions[0].body === given.position;
  return [...headSteps, ...projection.steps]
    .filter((step) => !(step.unlessInjured && isInjured(situation)) && !(step.setsHead && neckStays(situation)))
    .filter((step) => step.group !== 'position' || (fits && !given?.asItLies))
    .map(({ group, text }) => ({ group, text: fillIn(text, projection, way, stoodIn({ situation, way, ...done })) }));
}

/** How the position is asked for. */
function positionSaid({ given, projection, situation, way, ...done }: Exposed): string {
  if (given) return sayWay(given, trunkOblique(projection, done.placed, given));
  const asked = askFor(way, projection, neckStays(situation));
  return fillIn(asked, projection, way, stoodIn({ situation, way, ...done })) || capitalize(AS_IT_LIES);
}

export function describe(done: Exposed): Setup {
  const { aimed, angle, asTaught, body, cover, dose, focal, given, grid, gridCheck, gridWanted, holder, horizontal } =
    done;
  const {
    judged,
    light,
    magnification,
    needed,
    onSurface,
    part,
    placed,
    plane,
    projection,
    request,
    room,
    rotationDeg,
  } = done;
  const {
    rules,
    schools,
    shift,
    side,
    sidMm,
    sidWantedMm,
    situation,
    square,
    supports,
    surfaceMm,
    technique,
    thicknessMm,
  } = done;
  const { unit, view, way } = done;
  const problems = [...done.problems];
  const { problems: _, ...chosen } = technique;
  const { field } = light;
  const hit = plane.origin;
  const focusMm = technique.focalSpot === 'small' ? room.generator.smallFocusMm : room.generator.largeFocusMm;
  const skinShare = done.focusToSkinMm / sidMm;
  const { centre, touched, facts } = centreTold(projection, placed, aimed, {
    ...{ view, unit, up: plane.v, found: given !== null, segments: done.segments },
    crossTable: horizontal && placed.placement.lies,
  });
  const scene = sceneOf({
    ...{ projection, placed, aimed, shift, plane, focal, light, rotationDeg, holder, touched, cover },
    aec: technique.aec,
    surfaceHeightMm: onSurface ? surfaceMm : 0,
  });
  const facing = given ? viewOf(projection, given) : facingOf(projection, way);
  const own = ownSteps(done);
  // What is barred is never told as a step beside the problem that bars it.
  const barred = problems.some(bars);
  // What is brought for the entry's own holder helps nobody at another.
  const asUsual = !barred && (!given || given.holder === asTaught.positions[0].holders[0]);
  const setup = {
    version: SETUP_VERSION,
    projectionId: projection.id,
    name: nameOf(projection, side, given, obliquePosition(placed, given)),
    region: projection.region,
    side,
    patient: request.patient ?? {},
    situation,
    room: { id: room.id, name: room.name },
    feasible: !problems.some(blocks),
    problems,
    position: {
      body: way.body,
      say: barred ? 'Not in this way for this patient' : positionSaid(done),
      facing,
      nearSide: projection.ray.view === 'lateral' || projection.ray.view === 'medial' ? side : null,
      part: barred ? [] : own.filter((step) => step.group === 'position').map((step) => step.text),
      supports: barred ? [] : supports,
    },
    receptor: receptorTold(
      projection,
      light,
      { holder, grid, gridWanted },
      {
        ...{ centre: hit, needed, unit },
        held: receptorsIn(room, holder).map(({ name }) => name),
      },
    ),
    tube: tubeTold(projection, placed, angle, plane, {
      ...{ sidMm, sidWantedMm, horizontal, onSurface, surfaceMm, room },
      focusHeightMm: focal[2],
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
      ...{ projection, placed, side, view, given, facing, part, horizontal },
      body: way.body,
      beam: aimed.direction,
      corners: scene.fields[0],
    }),
    signs: projection.signs,
    opens: projection.opens ?? null,
    study: projection.study ?? null,
    showsLevels: projection.showsLevels,
    protection: protectionFor(projection.protection, rules.shielding),
    breathing: breathFor(projection, situation, technique.timeMs),
    prepare: asUsual ? projection.prepare : [],
    aids: asUsual ? [...projection.aids, ...(isInjured(situation) ? [] : projection.aidsUnlessInjured)] : [],
    remove: takeOffOf(projection, body),
    cautions: cautionsFor(projection, body.patient, situation),
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
    steps: barred ? [] : composeSteps({ ...setup, ownSteps: own, facts }, projection, unit),
    checks: projection.checks,
    sources: projection.sources,
  };
}
