/**
 * The eight bones of the wrist in axes of the hand: x to the thumb, y to the back of the hand, z to the fingers, from
 * the middle of the wrist, mm. Neighbours are carved by each other grown by the width of the joint, so that their
 * surfaces run alike. Source: general anatomy; sizes of an adult hand of 19 cm.
 */
import {
  axesAlong,
  ball,
  blend,
  carve,
  gridded,
  grown,
  lump,
  placed,
  rod,
  under,
  within,
  type Field,
  type Vec3,
} from '../field';
import { loft } from '../loft';
import { boxRound, type Bone } from '../bone';

/** Width of the joints between them on a picture: two layers of cartilage. */
const JOINT = 1.7;
export const beside = (field: Field, gap = JOINT): Field => grown(gap, field);
/** A bone as its neighbours meet it. */
const carpalField = (field: Field, middle: Vec3, reach: number): Field => gridded(field, boxRound([middle], reach));

const along: Vec3 = [0, 0, 1];

const capitateBody = placed(
  axesAlong([0, 0, 0], along),
  loft(
    [
      { s: 15, u: 0, v: 0.5, a: 5.4, back: 5.4, front: 5.4 },
      { s: 19, u: 0.2, v: 0.5, a: 5.6, back: 6.2, front: 6.6 },
      { s: 25, u: 0.6, v: 0.5, a: 7.2, back: 8.2, front: 8.2, n: 2.8 },
      { s: 33, u: 0.9, v: 0.5, a: 8.0, back: 8.8, front: 8, n: 3.2 },
    ],
    2.2,
  ),
);
export const capitate: Field = carpalField(blend(3, ball([-0.4, 0.3, 15.6], 6.5), capitateBody), [0, 0, 21], 15);

const hamateBody = placed(
  axesAlong([0, 0, 0], along),
  loft(
    [
      { s: 11.5, u: -6.6, v: 0.5, a: 1.6, back: 5, front: 5 },
      { s: 16, u: -8.2, v: 0.5, a: 4.2, back: 7, front: 6.5 },
      { s: 22, u: -11, v: 0.5, a: 7.2, back: 8.4, front: 7, n: 2.6 },
      { s: 28, u: -13.2, v: 0.5, a: 8.4, back: 8.2, front: 7, n: 3 },
      { s: 32.6, u: -13.4, v: 0.5, a: 8.2, back: 7.6, front: 6.6, n: 3 },
    ],
    2.4,
  ),
);
const hamateHook = blend(
  2,
  rod([-11.5, -5, 27.5], [-10.4, -12, 28.6], 3.2, 2.5),
  lump([-9.9, -13, 28.9], [2.6, 2.6, 3.6]),
);
export const hamate: Field = carpalField(
  carve(1, blend(3, hamateBody, hamateHook), beside(capitate)),
  [-12, -3, 22],
  16,
);

/** A half-moon from the side: round toward the forearm, hollow toward the head of the capitate. */
export const lunate: Field = carpalField(
  carve(
    1.2,
    lump([-1.6, 0.2, 8.3], [9.2, 9.2, 8.8], axesAlong([0, 0, 0], [0.05, -0.06, 1]), 2.7),
    beside(capitate, 1.8),
    beside(hamate, 1.6),
  ),
  [-1.6, 0, 8],
  13,
);

/** Two ends and a waist, leaning 45 degrees to the palm. */
export const scaphoid: Field = carpalField(
  carve(
    1.2,
    blend(
      5,
      lump([9.9, 1.8, 6.4], [6.2, 7, 6.8]),
      rod([11, 0.4, 8.6], [15.8, -5.8, 14.8], 5.4, 4.6),
      lump([16.4, -6.6, 15.2], [5.5, 5.4, 5.4]),
      lump([17.6, -9.8, 15], [3.2, 2.8, 3.4]),
    ),
    beside(capitate),
    beside(lunate, 1.8),
  ),
  [13, -2, 10],
  17,
);

const triquetrum: Field = carpalField(
  carve(
    1.2,
    lump([-14.6, 0.4, 11.8], [8, 7.2, 9.6], axesAlong([0, 0, 0], [-0.5, 0, 0.87]), 2.5),
    beside(hamate),
    beside(lunate),
  ),
  [-15, 0, 12],
  13,
);

const pisiform: Field = carpalField(
  carve(0.8, lump([-16, -9.6, 13], [4.9, 4.6, 6.2]), beside(triquetrum, 1.2)),
  [-16, -9, 13],
  9,
);

export const trapezium: Field = carpalField(
  carve(
    1.2,
    blend(
      2,
      lump([21.4, -4.8, 22], [7.4, 7.6, 6.6], axesAlong([0, 0, 0], [0.62, -0.2, 0.76]), 3),
      lump([18.6, -12, 20.5], [2.6, 2.4, 4.4]),
    ),
    beside(scaphoid),
  ),
  [21, -5, 22],
  13,
);

export const trapezoid: Field = carpalField(
  carve(
    1.2,
    within(
      1.5,
      lump([10.2, 1.6, 24.4], [7, 8, 7.8], axesAlong([0, 0, 0], [0.12, 0, 1]), 3),
      under([10.6, 0, 30.4], [-0.05, 0, 1]),
    ),
    beside(capitate),
    beside(scaphoid),
    beside(trapezium),
  ),
  [10.6, 1, 24],
  12,
);

const SHELL = 0.6;
const carpal = (id: string, surface: Field, middle: Vec3, reach: number): Bone => ({
  id: `${id}_L`,
  segment: 'hand_L',
  surface,
  box: boxRound([middle], reach),
  wall: () => SHELL,
  cell: 0.9,
});

export const CARPALS: readonly Bone[] = [
  carpal('scaphoid', scaphoid, [14, -2, 10], 17),
  carpal('lunate', lunate, [-1.6, 0, 8], 13),
  carpal('triquetrum', triquetrum, [-15, 0, 12], 13),
  carpal('pisiform', pisiform, [-16, -9, 13], 9),
  carpal('trapezium', trapezium, [21, -5, 22], 13),
  carpal('trapezoid', trapezoid, [10.6, 1, 24], 12),
  carpal('capitate', capitate, [0, 0, 21], 15),
  carpal('hamate', hamate, [-12, -3, 22], 16),
];
