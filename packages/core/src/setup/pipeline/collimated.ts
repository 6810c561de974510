/** Step 5: what must be shown, thrown on the receptor; the light round it, and the receptor that takes it. */
import { coverMarks } from '../../projections/coverMarks';
import { add, negate, subtract } from '../../geometry/vector';
import type { Projection } from '../../projections/schema';
import { boneRotation, coverPoints, neededField, shadowsOf, type CoverPoints } from '../collimation/cover';
import { openField, type CollimatedField } from '../collimation/collimatedField';
import { headInBeam, obstructions, rayBlocked } from '../placing/adaptedProjection';
import { problem, type Problem } from '../problem';
import { ownBearings } from '../readouts/centre';
import { centroid } from '../stage/scene';
import { loadLost } from '../verdict/verdict';
import type { Stood } from './stood';

export type Collimated = Stood & {
  cover: CoverPoints[];
  rotationDeg: number;
  needed: { width: number; height: number };
  lightField: CollimatedField;
  /** Of what must be shown, on average. */
  magnification: number;
};

/** What lies between the focal spot and the part, or between it and the receptor. */
function blocked(
  { aimed, focal, adapted, part, placed, plane, projection, segments, side }: Stood,
  cover: CoverPoints[],
): Problem[] {
  const hit = plane.origin;
  const shown = [hit, ...cover.map(({ points }) => centroid(points))];
  const head = headInBeam(placed, focal, hit, shown.slice(1), part);
  // A limb that was to be held aside and does not go so far is in the way as it lies.
  if (!adapted && placed.limited.length === 0) return head;
  return [
    ...head,
    ...obstructions(placed, focal, hit, shown, segments, isOfOneSide(projection) ? side : null),
    ...rayBlocked(placed, { focal, hit, crossing: aimed.crossing, aim: aimed.target.p }, segments, part),
  ];
}

/** Entries are written for the left: what must show the right as well is of the trunk, whichever side lies down. */
const isOfOneSide = ({ sided, cover }: Projection): boolean =>
  sided === 'each' && !cover.some((item) => coverMarks(item).some((id) => id.endsWith('_R')));

/** What an aim of one's own costs: how much more light shows the same. */
function ownAim({ usual, focal, plane, placed, aimed, view, projection, unit }: Stood, collimated: Fields): Problem[] {
  if (!usual) return [];
  const back = subtract(usual.through, aimed.through);
  const { cover, rotationDeg, needed } = collimated;
  const asUsual = neededField(
    shadowsOf(cover, add(focal, back), { ...plane, origin: add(plane.origin, back) }, rotationDeg),
  );
  const way = ownBearings(placed, view.name(aimed.target.landmarkId), usual, {
    aimed,
    skin: () => negate(aimed.direction),
  });
  return [
    problem(
      'own-aim',
      {
        name: projection.name,
        toward: way.map(({ toward }) => toward),
        mm: way.map(({ mm }) => mm),
        widerMm: Math.round(needed.width - asUsual.width),
        longerMm: Math.round(needed.height - asUsual.height),
        moreArea: (needed.width * needed.height) / (asUsual.width * asUsual.height) - 1,
      },
      unit,
    ),
  ];
}
type Fields = Pick<Collimated, 'cover' | 'rotationDeg' | 'needed'>;

export function openCollimator(stood: Stood): Collimated {
  const {
    asTaught,
    focal,
    adapted,
    holder,
    overrides,
    part,
    placed,
    plane,
    problems,
    projection,
    room,
    sidMm,
    unit,
    view,
  } = stood;
  const cover = coverPoints(projection, placed, view, plane.u, plane.v);
  const rotationDeg = Math.round(boneRotation(projection, placed, view, focal, plane) * 10) / 10;
  const shadows = shadowsOf(cover, focal, plane, rotationDeg);
  const needed = neededField(shadows);
  const lightField = openField({ shadows, needed, projection, room, holder, sidMm, overrides, unit });
  return {
    ...stood,
    ...{ cover, rotationDeg, needed, lightField },
    magnification: shadows.reduce((total, shadow) => total + shadow.magnification, 0) / shadows.length,
    problems: [
      ...problems,
      ...blocked(stood, cover),
      ...(adapted ? loadLost(asTaught, adapted.position, part) : []),
      ...lightField.problems,
      ...ownAim(stood, { cover, rotationDeg, needed }),
    ],
  };
}
