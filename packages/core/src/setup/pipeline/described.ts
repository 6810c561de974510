/** Step 7: everything that is told, drawn, compared and kept, from what was worked out. */
import { fitSpreadOf } from '../../exposure/calibrate';
import { doseSpread } from '../../exposure/dose';
import { receptorsIn } from '../../room/room';
import type { StepGroup } from '../../projections/schema';
import { capitalize } from '../../quantity/text';
import { markerOf } from '../collimation/marker';
import { breathFor } from '../placing/breath';
import { fillIn, sidesOf, type Stood } from '../placing/fillIn';
import { headLineWords } from '../placing/headLine';
import {
  facingOf,
  nameOf,
  obliquePosition,
  rayInPart,
  trunkOblique,
  viewOf,
  wayPosition,
} from '../placing/adaptedProjection';
import { AS_IT_LIES, askFor } from '../placing/keepHead';
import { erectWords } from '../placing/positioning';
import { bars, blocks } from '../problem';
import { SETUP_VERSION, type Setup } from '../setup';
import { sceneOf } from '../stage/scene';
import { assumptionsOf, beamAssumptions, gridAssumptions } from '../readouts/assume';
import { cautionsFor } from '../readouts/caution';
import { centringReadout, imageReadout, receptorReadout, tubeReadout } from '../readouts/readouts';
import { jointsAtTable } from '../readouts/atTable';
import { protectionFor } from '../readouts/protection';
import { takeOffOf } from '../readouts/takeOff';
import { composeSteps } from '../readouts/words';
import { say } from '../../words/say';
import { isInjured, neckStays, partStays } from '../verdict/kept';
import type { Exposed } from './exposed';

const stoodIn = ({ placed, situation, positioning }: Pick<Exposed, 'placed' | 'situation' | 'positioning'>): Stood => ({
  erect: erectWords(positioning, situation),
  oblique: obliquePosition(placed, null)?.name ?? '',
  ...sidesOf(placed),
});

/** Steps of the entry’s own that this patient, position and way call for. */
function ownSteps({
  asTaught,
  adapted,
  projection,
  situation,
  positioning,
  ...done
}: Exposed): { group: StepGroup; text: string }[] {
  const line = positioning.poseAlone || adapted?.asItLies ? null : headLineWords(projection);
  // Said once, where the entry's own position says it.
  const said = `${positioning.say}, ${positioning.head ?? ''}`.toLowerCase();
  const headWords = line && said.includes(line.toLowerCase()) ? null : line;
  const headSteps = headWords
    ? [{ group: 'position' as const, text: headWords, unlessInjured: true, setsHead: true }]
    : [];
  const stays = isInjured(situation) || positioning.poseAlone || partStays(done.part, situation);
  // How the entry's own position is taken helps nobody who is in another.
  const fits = !adapted || asTaught.positions[0].body === adapted.position;
  return [...headSteps, ...projection.steps]
    .filter((step) => !(step.unlessInjured && stays) && !(step.setsHead && neckStays(situation)))
    .filter((step) => step.group !== 'position' || (fits && !adapted?.asItLies))
    .filter((step) => !('in' in step) || !step.in || step.in.includes(positioning.body))
    .map(({ group, text }) => ({
      group,
      text: fillIn(text, projection, positioning, stoodIn({ situation, positioning, ...done })),
    }));
}

/** How the position is asked for. */
function positionSaid({ adapted, projection, situation, positioning, ...done }: Exposed, tube: Setup['tube']): string {
  if (adapted) {
    const oblique = trunkOblique(projection, done.placed, adapted);
    const values = wayPosition(adapted, done.part, { projection, oblique, placed: done.placed, tube });
    return say({ code: 'position-way', values }, { unit: done.unit });
  }
  const asked = askFor(positioning, projection, neckStays(situation));
  return fillIn(asked, projection, positioning, stoodIn({ situation, positioning, ...done })) || capitalize(AS_IT_LIES);
}

/** A ray of which less runs from front to back of a limb's part runs along it. */
const ALONG_SHARE = 0.3;

export function describe(done: Exposed): Setup {
  const { aimed, angle, asTaught, body, cover, dose, focal, adapted, grid, gridCheck, gridWanted, holder, horizontal } =
    done;
  const {
    judged,
    lightField,
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
    sidForGridMm,
    sidMm,
    sidWantedMm,
    situation,
    square,
    supports,
    surfaceMm,
    technique,
    thicknessMm,
  } = done;
  const { unit, view, positioning } = done;
  const problems = [...done.problems];
  const { problems: _, ...chosen } = technique;
  const { field } = lightField;
  const hit = plane.origin;
  const focusMm = technique.focalSpot === 'small' ? room.generator.smallFocusMm : room.generator.largeFocusMm;
  const skinShare = done.focusToSkinMm / sidMm;
  const { centre, touched, facts } = centringReadout(projection, placed, aimed, {
    ...{ view, unit, up: plane.v, found: adapted !== null, segments: done.segments },
    crossTable: horizontal && placed.placement.lies,
    notFelt: done.overrides.notFelt ?? [],
    usual: done.usual,
  });
  const scene = sceneOf({
    ...{ projection, placed, aimed, shift, plane, focal, lightField, rotationDeg, holder, touched, cover },
    aec: technique.aec,
    surfaceHeightMm: onSurface ? surfaceMm : 0,
  });
  const frontal = Math.abs(rayInPart(placed, aimed.direction, part).ray[1]) > ALONG_SHARE || !/_[LR]$/.test(part);
  const facing = adapted ? viewOf(projection, adapted) : facingOf(projection, positioning);
  const own = ownSteps(done);
  // What is barred is never told as a step beside the problem that bars it.
  const barred = problems.some(bars);
  // What is brought for the entry's own holder helps nobody at another.
  const asUsual = !barred && (!adapted || adapted.holder === asTaught.positions[0].holders[0]);
  // Aids serve the entry's own position: who is in another, or lies as found, is given none of them.
  const [usual] = asTaught.positions;
  const asPosed = asUsual && (!adapted || (adapted.position === usual.body && !adapted.asItLies && !adapted.reversed));
  const inUsual = positioning.body === usual.body;
  const aids = inUsual
    ? [...projection.aids, ...(isInjured(situation) ? [] : projection.aidsUnlessInjured)]
    : (positioning.aids ?? []);
  const tube = tubeReadout(projection, placed, angle, plane, {
    ...{ sidMm, sidWantedMm, horizontal, onSurface, surfaceMm, room },
    focusHeightMm: focal[2],
  });
  const setup = {
    version: SETUP_VERSION,
    projectionId: projection.id,
    name: nameOf(projection, side, adapted, obliquePosition(placed, adapted), frontal),
    region: projection.region,
    side,
    patient: request.patient ?? {},
    situation,
    room: { id: room.id, name: room.name },
    feasible: !problems.some(blocks),
    problems,
    position: {
      body: positioning.body,
      say: barred ? 'Not in this way for this patient' : positionSaid(done, tube),
      facing,
      nearSide: projection.ray.view === 'lateral' || projection.ray.view === 'medial' ? side : null,
      part: barred ? [] : own.filter((step) => step.group === 'position').map((step) => step.text),
      supports: barred ? [] : supports,
    },
    receptor: receptorReadout(
      projection,
      lightField,
      { holder, grid, gridWanted },
      {
        ...{ centre: hit, needed, unit },
        receptorNames: receptorsIn(room, holder).map(({ name }) => name),
      },
    ),
    tube,
    way: adapted,
    inPart: judged.map((id) => rayInPart(placed, aimed.direction, view.name(id))),
    centre,
    field: {
      atReceptorMm: field,
      atSkinMm: { width: field.width * skinShare, height: field.height * skinShare },
      neededMm: needed,
      rotationDeg,
      mustShow: [...new Set(cover.map(({ name }) => name))],
      clipped: lightField.clipped,
    },
    exposure: { ...chosen, thicknessMm },
    dose: { ...dose, spread: doseSpread(fitSpreadOf(room.generator)) },
    image: imageReadout(angle, { sidMm, focusMm, magnification, square, found: adapted !== null, gridCheck }),
    marker: markerOf({
      ...{ projection, placed, side, view, adapted, facing, frontal, part, horizontal },
      marker: rules.marker,
      body: positioning.body,
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
    aids: asPosed ? aids : [],
    remove: takeOffOf(projection, body),
    cautions: cautionsFor(projection, body.patient, situation),
    assumptions: [
      ...body.assumed,
      ...assumptionsOf(body.patient.habitus, request, angle.pelvisMm, body.patient.partThicknessMm, unit),
      ...beamAssumptions(room.generator, technique.start),
      ...(sidForGridMm !== undefined && grid
        ? gridAssumptions({ sidMm, wantedMm: projection.sid.wantedMm, focusMm: grid.focusMm }, unit)
        : []),
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
          { ...setup, ownSteps: own, facts, atTable: jointsAtTable(part, positioning.body, holder.kind) },
          projection,
          unit,
        ),
    checks: projection.checks,
    sources: projection.sources,
  };
}
