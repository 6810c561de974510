/** The centring line in words, from where the ray was computed to go. */
import { shortLandmark } from '../body/landmarkName';
import { crossSkin } from '../body/posed';
import { applyToDirection } from '../geometry/frame';
import { dot, midpoint, subtract, type Vec3 } from '../geometry/vector';
import type { Projection } from '../projections/schema';
import type { LengthUnit } from '../quantity/length';
import { capitalize } from '../quantity/text';
import type { PlacedBody, PlacedPoint } from './place';
import type { Setup } from './setup';
import { bothUnits, relationTo } from './words';

/** A tape does not show less. */
const JUST_MM = 4;

/** The centring line: from the landmark, or for a ray through a depth, how far behind or in front of the midcoronal plane. */
export function describeCentre(
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
