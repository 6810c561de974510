/**
 * A few strokes on the mannequin's skin, drawn where they face the viewer: eyes, nose, mouth and ears; collar bones, navel
 * and knee caps in front; spine and cleft behind. They show at a glance which way the patient looks and lies.
 * Coordinates of the reference mannequin, mm.
 */
import { applyToDirection, applyToPoint } from '../../geometry/frame';
import { dot, normalize, type Vec2, type Vec3 } from '../../geometry/vector';
import { pointOn } from '../body';
import { segmentFrame, type PosedBody } from '../posed';
import { openPath, printPer } from './curve';
import type { FigureOptions } from './figureOptions';
import { PART_OF } from './parts';
import { depthOf, toDrawing, towardViewer, type DrawingBox, type DrawingPlane } from './plane';

type Stroke = {
  segment: string;
  points: readonly Vec3[];
  /** Outward direction of the place. */
  out: Vec3;
  /** Drawn at thumb size, too. */
  bold?: boolean;
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

const BODY_LEFT: readonly Stroke[] = [
  {
    segment: 'clavicle_L',
    out: [0, -0.9, 0.4],
    points: [
      [30, -64, 503],
      [62, -70, 508],
      [100, -58, 512],
      [138, -30, 514],
    ],
  },
  {
    segment: 'patella_L',
    out: [0, -1, 0],
    points: [
      [70, -52, -428],
      [79, -57, -440],
      [90, -58, -444],
      [101, -56, -440],
      [109, -51, -428],
    ],
  },
  {
    segment: 'scapula_L',
    out: [0.2, 0.97, 0],
    points: [
      [70, 128, 470],
      [78, 130, 430],
      [90, 128, 398],
      [108, 120, 394],
    ],
  },
];
const BODY_MIDDLE: readonly Stroke[] = [
  {
    segment: 'lumbar',
    out: [0, -1, 0],
    points: [
      [-4, -107, 149],
      [-5, -107, 143],
      [0, -107, 138],
      [5, -107, 143],
      [4, -107, 149],
    ],
  },
  {
    segment: 'thorax',
    out: [0, 1, 0.1],
    bold: true,
    points: [
      [0, 122, 500],
      [0, 132, 440],
      [0, 130, 380],
      [0, 120, 320],
      [0, 110, 285],
    ],
  },
  {
    segment: 'lumbar',
    out: [0, 1, 0],
    bold: true,
    points: [
      [0, 108, 262],
      [0, 104, 210],
      [0, 106, 150],
      [0, 112, 118],
    ],
  },
  {
    segment: 'pelvis',
    out: [0, 1, -0.1],
    bold: true,
    points: [
      [0, 118, 42],
      [0, 126, 10],
      [0, 126, -30],
      [0, 112, -72],
    ],
  },
];

const mirrored = (stroke: Stroke): Stroke => ({
  ...stroke,
  segment: stroke.segment.replace(/_L$/, '_R'),
  out: [-stroke.out[0], stroke.out[1], stroke.out[2]],
  points: stroke.points.map(([x, y, z]): Vec3 => [-x, y, z]),
});
const PAIRED = [...LEFT, ...BODY_LEFT];
const STROKES: readonly Stroke[] = [...PAIRED, ...PAIRED.map(mirrored), ...MIDDLE, ...BODY_MIDDLE];

/** A stroke is seen while its place faces the viewer at least this much (cosine); the head is round, the trunk flat. */
const FACING = { head: 0.12, body: 0.45 } as const;

/** Strokes finer than this many cells of the drawing are left out. */
const LEAST_CELLS = 2.5;

/**
 * @param hidden whether something other than the part itself stands before a point of the drawing at this distance
 */
export function featureLines(
  posed: PosedBody,
  plane: DrawingPlane,
  box: DrawingBox,
  { cells, fine, shown = () => true }: FigureOptions,
  hidden: (part: string, x: number, y: number, away: number) => boolean,
): string {
  const least = (LEAST_CELLS * Math.max(box.width, box.height)) / cells;
  let path = '';
  for (const { segment, points, out, bold } of STROKES) {
    if ((!fine && !bold) || !shown(segment)) continue;
    const frame = segmentFrame(posed, segment);
    const own = posed.body.segments[segment];
    const place = (p: Vec3): Vec3 => applyToPoint(frame, pointOn(own, 'flesh', p));
    const line = points.map(place);
    const middle = line[line.length >> 1];
    const facing = dot(normalize(applyToDirection(frame, out)), towardViewer(plane, middle));
    const part = PART_OF.get(segment)!;
    if (facing < (part === 'head' ? FACING.head : FACING.body)) continue;
    const drawn = line.map((p): Vec2 => toDrawing(plane, p));
    const [x, y] = toDrawing(plane, middle);
    const inBox = x > box.x && x < box.x + box.width && y > box.y && y < box.y + box.height;
    const size = Math.max(...drawn.map((p) => Math.hypot(p[0] - drawn[0][0], p[1] - drawn[0][1])));
    if (!inBox || size < least || hidden(part, x, y, depthOf(plane, middle))) continue;
    path += openPath(drawn, 0, printPer(least));
  }
  return path;
}
