/**
 * The humerus in axes of the body: x to the left, y to the back, z to the head, mm. Spool and capitulum are turned about
 * the hinge of the elbow, about which the forearm moves: their joint stays as wide however far it is bent.
 * Source: general anatomy; an adult of 175 cm.
 */
import {
  axesAlong,
  ball,
  blend,
  carve,
  evened,
  grown,
  gridded,
  lump,
  placed,
  rise,
  rod,
  type Field,
  type Vec3,
} from '../field';
import { loft } from '../loft';
import { boxRound, type Bone } from '../bone';

/** A point of the axis of the hinge, which runs across the body. */
const HINGE: Vec3 = [231, 11, 160];
/** Half thickness of the spool along its axis: high toward the trunk, lowest in its groove. */
const SPOOL: readonly (readonly [x: number, r: number])[] = [
  [206.5, 11],
  [209, 13],
  [213, 11.6],
  [219, 9],
  [224, 9.6],
  [229, 10.8],
  [232, 9.8],
];
/** Between two of them the lowest slope is taken that is smooth at both. */
function spoolAt(x: number): number {
  const last = SPOOL.length - 1;
  if (x <= SPOOL[0][0]) return SPOOL[0][1];
  if (x >= SPOOL[last][0]) return SPOOL[last][1];
  let i = 0;
  while (SPOOL[i + 1][0] < x) i += 1;
  return SPOOL[i][1] + (SPOOL[i + 1][1] - SPOOL[i][1]) * rise(SPOOL[i][0], SPOOL[i + 1][0], x);
}
export const spool: Field = (p) => {
  const around = Math.hypot(p[1] - HINGE[1], p[2] - HINGE[2]) - spoolAt(p[0]);
  return Math.max(around * 0.9, SPOOL[0][0] - p[0], p[0] - SPOOL[SPOOL.length - 1][0]);
};
export const capitulum: Field = ball([243, 9.6, 160.6], 10.6);

const upright = axesAlong([0, 0, 0], [0, 0, 1]);
const shaft = placed(
  upright,
  loft(
    [
      { s: 167, u: 230.5, v: 13.4, a: 24.5, back: 7, front: 6.4, n: 2.6 },
      { s: 176, u: 230, v: 15.4, a: 27.4, back: 6.6, front: 6.6, n: 2.5 },
      { s: 190, u: 230, v: 16.8, a: 22, back: 7, front: 7.4, n: 2.4 },
      { s: 208, u: 228.6, v: 17.4, a: 15.4, back: 8, front: 8.6 },
      { s: 232, u: 224.6, v: 17, a: 11.4, back: 9.6, front: 10 },
      { s: 265, u: 218, v: 16.8, a: 10.6, back: 10.6, front: 10.8 },
      { s: 330, u: 204.4, v: 16, a: 11.2, back: 11, front: 11 },
      { s: 400, u: 192, v: 14.6, a: 12.2, back: 12, front: 12 },
      { s: 440, u: 187.4, v: 14, a: 14, back: 14, front: 14 },
      { s: 466, u: 186.6, v: 13.6, a: 18.6, back: 18, front: 17.6 },
      { s: 484, u: 187, v: 13.4, a: 15, back: 15, front: 14 },
    ],
    6,
  ),
);

/** What the hollows at the back and the front leave between them is as thin as a leaf. */
const HOLLOWS: readonly Field[] = [
  lump([222, 26.4, 182], [11.5, 9, 10.5]),
  lump([220.5, 5.2, 179.5], [8, 5.4, 7]),
  lump([243, 4.6, 177.5], [6.4, 4.4, 6]),
];

/** @param ulna as its neighbour meets it when the arm is straight */
export function humerusOf(ulna: Field): Bone {
  const whole = blend(
    5,
    shaft,
    blend(3, spool, capitulum),
    // Epicondyles.
    rod([212, 16.6, 173], [201.4, 21.4, 175], 7.4, 5),
    lump([255.4, 13.4, 173.6], [6, 6.4, 8.6]),
    // Head, and the two tubercles with the groove of the biceps between them.
    ball([179, 17, 476], 23.4),
    lump([197.4, 13.4, 473], [10.4, 12.6, 16.4]),
    lump([187, -4, 470], [7.4, 7.6, 11]),
  );
  const surface = gridded(
    carve(2, carve(3, whole, ...HOLLOWS, rod([195.6, -5.4, 490], [194.4, -1.6, 440], 3.2, 2.2)), grown(1.5, ulna)),
    boxRound(
      [
        [230, 14, 150],
        [182, 14, 498],
      ],
      44,
    ),
  );
  const even = evened(surface);
  const wall = (p: Vec3): number => 0.9 + 3.7 * Math.min(rise(186, 255, p[2]), rise(462, 395, p[2]));
  return {
    id: 'humerus_shaft_L',
    covers: [
      'humeral_head_L',
      'greater_tubercle_L',
      'lesser_tubercle_L',
      'humerus_distal_L',
      'trochlea_L',
      'capitulum_L',
      'medial_epicondyle_L',
      'lateral_epicondyle_L',
    ],
    segment: 'upperarm_L',
    surface,
    box: boxRound(
      [
        [230, 14, 150],
        [182, 14, 498],
      ],
      42,
    ),
    wall,
    hollow: (p) => even(p) + wall(p) + 0.7 + Math.max(0, (270 - p[2]) * 0.1, (p[2] - 390) * 0.1),
    cell: 1.5,
  };
}
