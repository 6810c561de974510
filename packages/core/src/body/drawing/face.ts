/**
 * Eyes, brows, nose, mouth and ears: a few strokes on the mannequin's head, drawn where they face the viewer. They show
 * at a glance which way the patient looks. Coordinates of the reference mannequin, mm.
 */
import { applyToDirection, applyToPoint } from '../../geometry/frame';
import { dot, normalize, type Vec2, type Vec3 } from '../../geometry/vector';
import { pointOn } from '../body';
import { segmentFrame, type PosedBody } from '../posed';
import { openPath } from './curve';
import { depthOf, toDrawing, towardViewer, type DrawingPlane } from './plane';

type Stroke = {
  segment: 'head' | 'mandible';
  points: readonly Vec3[];
  /** Outward direction of the place. */ out: Vec3;
};

/** Lids closed, a calm face. */
const LEFT: readonly Stroke[] = [
  {
    segment: 'head',
    out: [0.35, -0.93, 0],
    points: [
      [17, -107, 706],
      [24, -111, 702],
      [33, -110, 701],
      [42, -104, 703],
      [47, -98, 706],
    ],
  },
  {
    segment: 'head',
    out: [0.35, -0.93, 0.1],
    points: [
      [16, -113, 729],
      [27, -113, 734],
      [40, -106, 734],
      [50, -95, 729],
    ],
  },
  {
    segment: 'head',
    out: [1, 0.1, 0],
    points: [
      [76, -20, 706],
      [80, -15, 722],
      [83, -3, 727],
      [84, 8, 718],
      [83, 9, 704],
      [80, 3, 692],
      [78, -4, 683],
      [76, -10, 675],
      [75, -17, 676],
      [75, -19, 686],
    ],
  },
  {
    segment: 'head',
    out: [1, 0.1, 0],
    points: [
      [80, -12, 712],
      [82, -3, 716],
      [82, 2, 707],
      [80, -4, 696],
    ],
  },
];
const MIDDLE: readonly Stroke[] = [
  {
    segment: 'head',
    out: [0, -1, -0.1],
    points: [
      [-15, -123, 682],
      [-13, -128, 675],
      [-5, -134, 671],
      [0, -136, 672],
      [5, -134, 671],
      [13, -128, 675],
      [15, -123, 682],
    ],
  },
  {
    segment: 'head',
    out: [0, -1, 0],
    points: [
      [-24, -116, 642],
      [-12, -121, 644],
      [0, -121, 642],
      [12, -121, 644],
      [24, -116, 642],
    ],
  },
  {
    segment: 'mandible',
    out: [0, -1, -0.2],
    points: [
      [-11, -114, 628],
      [0, -116, 626],
      [11, -114, 628],
    ],
  },
];

const mirrored = ({ segment, points, out }: Stroke): Stroke => ({
  segment,
  out: [-out[0], out[1], out[2]],
  points: points.map(([x, y, z]): Vec3 => [-x, y, z]),
});
const STROKES: readonly Stroke[] = [...LEFT, ...LEFT.map(mirrored), ...MIDDLE];

/** A stroke is seen while its place faces the viewer at least this much (cosine). */
const FACING = 0.12;

/** @param hidden whether something stands before a point of the drawing at this distance from the viewer */
export function faceLines(
  posed: PosedBody,
  plane: DrawingPlane,
  hidden: (x: number, y: number, away: number) => boolean,
): string {
  return STROKES.flatMap(({ segment, points, out }) => {
    if (!(segment in posed.frames)) return [];
    const frame = segmentFrame(posed, segment);
    const own = posed.body.segments[segment];
    const place = (p: Vec3): Vec3 => applyToPoint(frame, pointOn(own, 'flesh', p));
    const line = points.map(place);
    const middle = line[line.length >> 1];
    const facing = dot(normalize(applyToDirection(frame, out)), towardViewer(plane, middle));
    if (facing < FACING) return [];
    const [x, y] = toDrawing(plane, middle);
    if (hidden(x, y, depthOf(plane, middle))) return [];
    return [
      openPath(
        line.map((p): Vec2 => toDrawing(plane, p)),
        0,
      ),
    ];
  }).join('');
}
