/** The centring line in words, from where the ray was computed to go. */
import { markOf } from '../../body/body';
import { interspace, spokenLandmark } from '../../body/landmarkName';
import { crossSkin } from '../../body/posed';
import { applyToDirection } from '../../geometry/frame';
import { dot, midpoint, subtract, type Vec3 } from '../../geometry/vector';
import type { Projection, Toward } from '../../projections/schema';
import type { LengthUnit } from '../../quantity/length';
import { capitalize } from '../../quantity/text';
import type { PlacedBody, PlacedPoint } from '../placing/place';
import type { Setup } from '../setup';
import { bothUnits } from '../../words/stepWords';
import { relationTo } from './words';

/** A tape does not show less. */
const JUST_MM = 4;
/** Nearer than a fingertip's breadth counts as on the plane. */
const ON_PLANE_MM = 6;

/** The centring line: from the landmark, or for a ray through a depth, how far behind or in front of the midcoronal plane. */
export function describeCentre(
  projection: Projection,
  placed: PlacedBody,
  target: PlacedPoint,
  unit: LengthUnit,
): Pick<Setup['centre'], 'landmark' | 'offsetMm' | 'relation' | 'line' | 'text'> {
  const { line, point } = projection.aim;
  const landmark = target.landmarkId;
  if (projection.sided === 'none' && projection.ray.view === 'lateral')
    return markOf(placed.posed.body, landmark).segment === 'head'
      ? besideTheHead(projection, target, unit)
      : throughTheTrunk(projection, placed, target, unit);
  if (target.toward === null) {
    const between = 'between' in projection.aim;
    if (point === 'through') return { landmark, offsetMm: 0, relation: line, line, text: `CR through: ${line}` };
    const relation = between ? line : relationTo(null, landmark);
    return {
      landmark,
      offsetMm: 0,
      relation,
      line,
      text: `${point === 'exit' ? 'CR exits' : 'CR enters'} ${between ? `at the ${line}` : `${relation}, ${line}`}`,
    };
  }
  const relation = relationTo(target.toward, landmark, projection.region).replace(
    spokenLandmark(landmark),
    spokenAim(projection.aim),
  );
  const far = target.offsetMm < JUST_MM ? 'just' : bothUnits(target.offsetMm, unit);
  return { landmark, offsetMm: target.offsetMm, relation, line, text: `${capitalize(far)} ${relation}, ${line}` };
}

type Line = Pick<Setup['centre'], 'landmark' | 'offsetMm' | 'relation' | 'line' | 'text'>;

/** What the aim is measured from: a landmark, the same on both sides, or what lies between two that differ. */
function spokenAim(aim: Projection['aim']): string {
  if (!('between' in aim)) return spokenLandmark(aim.landmark);
  const [one, other] = aim.between.map(spokenLandmark);
  return one === other ? one : (interspace(...aim.between) ?? `the middle between ${one} and ${other}`);
}

/** Level along the trunk, and how far behind or in front of the midcoronal plane. */
function throughTheTrunk({ aim }: Projection, placed: PlacedBody, target: PlacedPoint, unit: LengthUnit): Line {
  const { landmarkId: landmark } = target;
  const up = target.offsets.reduce(
    (sum, { toward, mm }) => sum + (toward === 'head' ? mm : toward === 'feet' ? -mm : 0),
    0,
  );
  const level =
    Math.abs(up) < JUST_MM
      ? `level of ${spokenAim(aim)}`
      : `${bothUnits(Math.abs(up), unit)} ${up > 0 ? 'above' : 'below'} ${spokenAim(aim)}`;
  const behindMm = behindMidcoronal(placed, target.p);
  const offsetMm = Math.abs(behindMm) < ON_PLANE_MM ? 0 : Math.abs(behindMm);
  const where =
    offsetMm === 0 ? 'on the midcoronal plane' : `${behindMm > 0 ? 'behind' : 'in front of'} the midcoronal plane`;
  return {
    landmark,
    offsetMm,
    relation: `${where}, ${level}`,
    line: aim.line,
    text: `${capitalize(level)}, ${offsetMm === 0 ? where : `${bothUnits(offsetMm, unit)} ${where}`}`,
  };
}

const WAYS: Partial<Record<Toward, string>> = { head: 'above', feet: 'below', front: 'in front of', back: 'behind' };

/** On the side of the head the way from the landmark is measured on the skin. */
function besideTheHead({ aim }: Projection, { landmarkId: landmark, offsets }: PlacedPoint, unit: LengthUnit): Line {
  const steps = offsets.filter(({ toward, mm }) => WAYS[toward] !== undefined && mm >= JUST_MM);
  if (steps.length === 0)
    return { landmark, offsetMm: 0, relation: aim.line, line: aim.line, text: `CR through: ${aim.line}` };
  const from = spokenAim(aim);
  const words = steps
    .map(({ toward, mm }, i) => `${i > 0 ? `${bothUnits(mm, unit)} ` : ''}${WAYS[toward]}`)
    .join(' and ');
  const relation = `${words} ${from}`;
  return {
    landmark,
    offsetMm: steps[0].mm,
    relation,
    line: aim.line,
    text: `${bothUnits(steps[0].mm, unit)} ${relation}, ${aim.line}`,
  };
}

/** Signed distance behind the midcoronal plane, which halves the trunk between chest and back at that level. */
function behindMidcoronal(placed: PlacedBody, p: Vec3): number {
  const back = applyToDirection(placed.posed.place, [0, 1, 0]);
  const trunk = crossSkin(placed.posed, p, back, ['thorax', 'lumbar', 'pelvis', 'neck']);
  if (!trunk) return 0;
  return dot(subtract(p, midpoint(trunk.entry, trunk.exit)), back);
}

/** The centring line from a mark that is felt here, instead of the taught one. */
export const centreBy = (
  { landmark, mm, relation, text }: Setup['centre']['checkBy'][number],
  { aim }: Projection,
): Line => ({
  landmark,
  offsetMm: Math.abs(mm),
  relation: relation === 'level with' ? text : `${relation} ${spokenLandmark(landmark)}`,
  line: aim.line,
  text: `${text}, ${aim.line}`,
});
