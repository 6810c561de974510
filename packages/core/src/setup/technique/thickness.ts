/**
 * A measured part thickness overrides the body: flesh along the beam is stretched until the ray crosses what the
 * caliper said, so that skin distance, object distances and exposure all follow it.
 */
import type { BodyAdapt } from '../../body/adapt';
import { buildBody, type Body } from '../../body/body';
import type { JointLimits } from '../../body/joints';
import { crossSkin, posedMark } from '../../body/posed';
import { addScaled, cross, dot, normalize, scale, type Vec3 } from '../../geometry/vector';
import type { Projection } from '../../projections/schema';
import { coverPoints } from '../collimation/cover';
import { aimRay, locate, pathSegments, type AimedRay, type NeckPosed, type PlacedBody } from '../placing/place';
import { placeAs, type Known } from '../placing/placeAdapted';
import { sideView, type SideView } from '../placing/side';
import type { ChosenPositioning } from '../placing/positioning';

const HEAD = ['head', 'mandible'];
const NECK = ['neck'];
const TRUNK = ['pelvis', 'lumbar', 'thorax', 'scapula_L', 'scapula_R', 'clavicle_L', 'clavicle_R'];
/** The mannequin is stretched no further than this; the caliper's thickness still counts for the exposure. */
const FACTOR_RANGE = [0.5, 2] as const;
const ROUNDS = 3;

/** The part of the body that the ray crosses most of. */
function partAlong(placed: PlacedBody, { through, direction }: AimedRay, limb?: readonly string[]): readonly string[] {
  if (limb) return limb;
  const across = (part: readonly string[]) => crossSkin(placed.posed, through, direction, part)?.thicknessMm ?? 0;
  return [TRUNK, HEAD, NECK].reduce((most, part) => (across(part) > across(most) ? part : most));
}

/**
 * Places the patient so that the straight ray at the aim crosses `wantedMm`.
 * @param limb segments of the examined limb, when it is one
 * @returns `straight`: the ray without any angle; `thicknessMm`: as measured, or as the body gives it; `factor`: measured against computed, null when not measured
 */
export function placeMeasured(
  projection: Projection,
  positioning: ChosenPositioning,
  body: Body,
  view: SideView,
  limb: readonly string[] | undefined,
  {
    neededMm,
    ...options
  }: { neededMm?: number; limits?: JointLimits; boardMm?: number; neck?: NeckPosed; known?: Known },
): { placed: PlacedBody; straight: AimedRay; thicknessMm: number; factor: number | null } {
  let girth: BodyAdapt['girth'] = null;
  let placed = placeAs(projection, positioning, body, view, { girth, ...options });
  let straight = aimRay(projection, placed, view, 0, limb);
  const computed = straight.crossing.thicknessMm;
  if (neededMm === undefined) return { placed, straight, thicknessMm: computed, factor: null };
  const segments = partAlong(placed, straight, limb);
  const axis = projection.ray.view === 'lateral' || projection.ray.view === 'medial' ? 0 : 1;
  let factor = 1;
  for (let i = 0; i < ROUNDS && Math.abs(straight.crossing.thicknessMm - neededMm) > 1; i += 1) {
    const next = factor * (neededMm / straight.crossing.thicknessMm);
    factor = Math.min(FACTOR_RANGE[1], Math.max(FACTOR_RANGE[0], next));
    girth = { segments, axis, factor };
    placed = placeAs(projection, positioning, body, view, { girth, ...options });
    straight = aimRay(projection, placed, view, 0, limb);
  }
  return { placed, straight, thicknessMm: neededMm, factor: neededMm / computed };
}

/** Less than this is a ray that misses. */
const MISSED_MM = 5;
const GIRDLE = /^(scapula|clavicle|upperarm)_/;

/**
 * Body along the ray at each thing that must be shown, on average, mm; 0 where all of them are missed.
 * @param part segment that is judged: shoulder girdle and chest wall lie on each other, and the ray passes both
 */
function shownThickness(
  projection: Projection,
  placed: PlacedBody,
  direction: Vec3,
  view: SideView,
  { segments, part }: { segments?: readonly string[]; part: string },
): number {
  const own = GIRDLE.test(part) && projection.sided === 'each' ? undefined : segments;
  // Of a view of both shoulders each joint counts by itself, not the chest between them.
  const shoulderOf = (segment: string) =>
    projection.sided === 'none' && GIRDLE.test(segment)
      ? Object.keys(placed.posed.body.segments).filter((id) => GIRDLE.test(id) && id.endsWith(segment.slice(-2)))
      : own;
  // What only sets the width or the length of the light lies beside the point of the view.
  const itself = projection.cover.filter(({ axis }) => axis === 'both');
  const crossed = (itself.length > 0 ? itself : projection.cover)
    .map((item) => {
      const id = 'structure' in item ? item.structure : 'between' in item ? item.between[0] : item.landmark;
      const mark = posedMark(placed.posed, view.name(id));
      const p = 'structure' in item ? mark.p : locate(item, placed, view).p;
      return crossSkin(placed.posed, p, direction, shoulderOf(mark.segment))?.thicknessMm ?? 0;
    })
    .filter((mm) => mm > MISSED_MM);
  return crossed.length === 0 ? 0 : crossed.reduce((sum, mm) => sum + mm, 0) / crossed.length;
}

/** Rays across the field, each way, and room round what must be shown, mm. */
const ACROSS_FIELD = 5;
const FIELD_MARGIN_MM = 8;

/** Median of the body along rays spread evenly over what must be shown, mm; 0 where none meets it. */
function fieldThickness(projection: Projection, placed: PlacedBody, direction: Vec3, view: SideView): number {
  const u = normalize(cross(placed.placement.toHead, direction));
  const v = cross(direction, u);
  const points = coverPoints(projection, placed, view, u, v).flatMap(({ points }) => points);
  const spread = (axis: Vec3): number[] => {
    const at = points.map((p) => dot(p, axis));
    const [low, high] = [Math.min(...at) - FIELD_MARGIN_MM, Math.max(...at) + FIELD_MARGIN_MM];
    return Array.from({ length: ACROSS_FIELD }, (_, i) => low + ((high - low) * (i + 0.5)) / ACROSS_FIELD);
  };
  const start = scale(direction, dot(points[0], direction));
  const [us, vs] = [spread(u), spread(v)];
  const crossed = us
    .flatMap((a) =>
      vs.map((b) => {
        const through = addScaled(addScaled(start, u, a), v, b);
        return crossSkin(placed.posed, through, direction)?.thicknessMm ?? 0;
      }),
    )
    .filter((mm) => mm > MISSED_MM)
    .sort((a, b) => a - b);
  return crossed[crossed.length >> 1] ?? 0;
}

/** A patient against the median man: `heavyMm` tells how much more the heavier has, `slightMm` in what proportion the slighter. */
type Measured = { heavyMm: number; slightMm: number };
type Path = { segments?: readonly string[]; part: string; alongRayMm: number };

/** What the exposure must come through, as the entry has it taken. */
function measured(
  projection: Projection,
  placed: PlacedBody,
  direction: Vec3,
  view: SideView,
  { alongRayMm, ...path }: Path,
): Measured {
  const { thicknessBy } = projection.exposure;
  if (thicknessBy === 'shown') {
    const shown = shownThickness(projection, placed, direction, view, path) || alongRayMm;
    return { heavyMm: shown, slightMm: shown };
  }
  if (thicknessBy === 'proportion') return { heavyMm: alongRayMm, slightMm: alongRayMm };
  const field = fieldThickness(projection, placed, direction, view) || alongRayMm;
  // Beside a shoulder the heavy have more chest in the field than along the ray; a child is smaller all through.
  return { heavyMm: field, slightMm: thicknessBy === 'field' ? field : alongRayMm };
}

/** By entry: what the model gives of the median man, for whom charts are written. */
const references = new WeakMap<Projection['cover'], Measured>();
const MEDIAN_MAN = { ageYears: 40, sex: 'male' } as const;

/** The same measure of the median man in the entry's own way, mm. @param part the judged segment, of the left */
function referenceOf(projection: Projection, part: string): Measured {
  let known = references.get(projection.cover);
  if (known === undefined) {
    const body = buildBody(MEDIAN_MAN);
    const view = sideView('left');
    const positioning = { ...projection.positions[0], poseAlone: false };
    const segments = pathSegments(projection, body, 'left');
    const { placed, thicknessMm } = placeMeasured(projection, positioning, body, view, segments, {});
    const { ray } = projection;
    const angleDeg = ray.toward === 'feet' ? -ray.angleDeg : ray.angleDeg;
    const { direction, crossing } = aimRay(projection, placed, view, angleDeg, segments);
    const alongRayMm = alongRay(thicknessMm, crossing.thicknessMm, ray.angleDeg);
    known = measured(projection, placed, direction, view, { segments, part, alongRayMm });
    references.set(projection.cover, known);
  }
  return known;
}

/** From here on the path of the ray is another than the thickness of the part. */
const STEEP_DEG = 20;

/** Of a steep ray its path, else what a caliper gives; never what lies beside the ray. mm */
export const alongRay = (squareMm: number, pathMm: number, angleDeg: number): number =>
  angleDeg > STEEP_DEG ? pathMm : Math.min(squareMm, pathMm);

/**
 * Thickness for the exposure where the central ray does not tell it: the chart's, and what the model has of this
 * patient more than of the median man; less than that in proportion, as a child is smaller all through.
 * @param path `alongRayMm`: what the central ray crosses
 */
export function proportionalThickness(
  projection: Projection,
  placed: PlacedBody,
  direction: Vec3,
  view: SideView,
  path: Path,
): number {
  const { chart } = projection.exposure;
  const own = measured(projection, placed, direction, view, path);
  const reference = referenceOf(projection, path.part.replace(/_R$/, '_L'));
  const more = own.heavyMm - reference.heavyMm;
  return more > 0 ? chart.thicknessMm + more : chart.thicknessMm * Math.min(1, own.slightMm / reference.slightMm);
}
