/**
 * Radius and ulna in axes of the hand, the forearm turned palm forward. Source: general anatomy; an adult of 175 cm.
 * The end of the radius is cut 15 degrees to the thumb's side and 8 to the palm and hollowed for scaphoid and lunate: measured
 * on a picture, from rim to rim, it leans by what is taught.
 */
import {
  axesAlong,
  blend,
  carve,
  evened,
  gridded,
  grown,
  lump,
  placed,
  rise,
  rod,
  under,
  within,
  type Field,
  type Vec3,
} from '../field';
import { fromBody, HAND, toBody } from '../carrier';
import { loft } from '../loft';
import { boxRound, type Bone } from '../bone';
import { beside, lunate, scaphoid } from './carpals';
import { capitulum, spool } from './humerus';

/** A field in axes of the body, asked in axes of the hand. */
const inHand =
  (field: Field): Field =>
  (p) =>
    field(toBody(HAND, p));

const along = axesAlong([0, 0, 0], [0, 0, 1]);

const ulnaHeadShape = blend(
  2,
  placed(
    along,
    loft(
      [
        { s: -60, u: -14.2, v: 2, a: 5.2, back: 5.4, front: 5.2 },
        { s: -34, u: -15.4, v: 2, a: 5.2, back: 5.2, front: 5 },
        { s: -18, u: -16.8, v: 1.6, a: 6.6, back: 6.6, front: 6.4 },
        { s: -9, u: -17, v: 1.2, a: 8, back: 7.8, front: 7.6 },
        { s: -1.4, u: -16.8, v: 1, a: 7.2, back: 7, front: 6.8 },
      ],
      2.5,
    ),
  ),
  rod([-21.6, 5.2, -7], [-22.6, 6.2, 2.2], 3.6, 2),
);

const ulnaHead = gridded(
  ulnaHeadShape,
  boxRound(
    [
      [-16, 2, -30],
      [-17, 2, 0],
    ],
    16,
  ),
);

const radiusShaft = placed(
  along,
  loft(
    [
      { s: -226, u: 10.4, v: -4.4, a: 8.2, back: 8.2, front: 8.2 },
      { s: -214, u: 9, v: -5, a: 7.2, back: 7.2, front: 7.2 },
      { s: -175, u: 9.2, v: -8.2, a: 7, back: 6.6, front: 6.6 },
      { s: -108, u: 10.7, v: -7, a: 7.4, back: 6.4, front: 6.4 },
      { s: -60, u: 8.6, v: -1.6, a: 7.6, back: 6.2, front: 6 },
      { s: -34, u: 8.6, v: 0, a: 9.6, back: 7.8, front: 7 },
      { s: -18, u: 9.2, v: 0, a: 13.8, back: 9.6, front: 8.8, n: 2.5 },
      { s: -6, u: 9.6, v: 0.2, a: 16.2, back: 10.6, front: 9.6, n: 2.7 },
      { s: 14, u: 10, v: 0, a: 15.8, back: 10.2, front: 9.4, n: 2.7 },
    ],
    2,
  ),
);
/** The end toward the wrist, before it is hollowed. */
const END_AT: Vec3 = [-6.6, 0, 1];
const endNormal: Vec3 = [-Math.tan((15 * Math.PI) / 180), -Math.tan((8 * Math.PI) / 180), 1];
const radiusEnd = within(
  3,
  within(1.6, blend(3, radiusShaft, lump([6.5, 9.8, -11], [2.4, 2.6, 7])), under(END_AT, endNormal)),
  // The styloid process narrows to its tip.
  under([25.6, 0, -2], [0.965, 0, 0.262]),
);

const radius: Field = carve(
  1.2,
  blend(
    3,
    radiusEnd,
    // The tuberosity for the biceps.
    lump([3.6, -6.4, -204], [4, 4.4, 11]),
    placed(
      along,
      loft(
        [
          { s: -240.2, u: 11.2, v: -4.7, a: 11, back: 10.6, front: 10.6 },
          { s: -230, u: 11.4, v: -4.5, a: 11.4, back: 11, front: 11 },
          { s: -224.5, u: 10.6, v: -4.4, a: 9, back: 9, front: 9 },
        ],
        2,
      ),
    ),
  ),
  inHand(grown(1.9, capitulum)),
  beside(scaphoid, 1.9),
  beside(lunate, 1.9),
  beside(ulnaHead, 1.6),
);

const ulna: Field = carve(
  1.5,
  blend(
    4,
    ulnaHead,
    placed(
      along,
      loft(
        [
          { s: -274, u: -9, v: 19.6, a: 8, back: 9, front: 9.6, n: 2.5 },
          { s: -262, u: -9.6, v: 18.6, a: 10.6, back: 10, front: 12, n: 2.5 },
          { s: -246, u: -11, v: 13.4, a: 9.6, back: 10.4, front: 12, n: 2.4 },
          { s: -232, u: -12, v: 8, a: 9, back: 10, front: 10.5 },
          { s: -205, u: -12.7, v: 5.4, a: 7.4, back: 8.6, front: 8 },
          { s: -160, u: -12.4, v: 4.2, a: 6.6, back: 7.4, front: 7 },
          { s: -107, u: -11.8, v: 2.4, a: 6.2, back: 6.6, front: 6.4 },
          { s: -46, u: -14.8, v: 2, a: 5.2, back: 5.3, front: 5.1 },
        ],
        3,
      ),
    ),
    // The coronoid process and the beak of the olecranon.
    rod([-11, 4, -236], [-11.4, -9, -240], 6.4, 3.6),
    rod([-9, 18, -268], [-9.6, 7, -270], 7, 4.6),
  ),
  inHand(grown(1.7, spool)),
  inHand(grown(1.7, capitulum)),
);
/** The elbow end of the ulna in axes of the body, the arm straight: what the humerus must leave room for. */
export const straightUlna: Field = gridded((p) => ulna(fromBody(HAND, p)), boxRound([[222, 20, 160]], 34));

const wall =
  (top: number, bottom: number, thick: number) =>
  (p: Vec3): number =>
    0.8 + (thick - 0.8) * Math.min(rise(top, top + 55, p[2]), rise(bottom, bottom - 55, p[2]));
const hollow = (top: number, bottom: number, surface: Field, thick: (p: Vec3) => number): Field => {
  const even = evened(surface);
  return (p) => even(p) + thick(p) + 0.6 + Math.max(0, (top + 70 - p[2]) * 0.12, (p[2] - bottom + 60) * 0.12);
};

const radiusWall = wall(-235, -4, 2.9);
const ulnaWall = wall(-262, -4, 2.8);
export const FOREARM: readonly Bone[] = [
  {
    id: 'radius_L',
    covers: ['radius_head_L', 'radius_styloid_L'],
    segment: 'radius_L',
    surface: radius,
    box: boxRound(
      [
        [8, -2, -240],
        [8, 0, 12],
      ],
      22,
    ),
    wall: radiusWall,
    hollow: hollow(-235, -4, radius, radiusWall),
    cell: 1.2,
  },
  {
    id: 'ulna_L',
    covers: ['ulna_coronoid_L', 'ulna_styloid_L'],
    segment: 'forearm_L',
    surface: ulna,
    box: boxRound(
      [
        [-12, 6, -272],
        [-16, 4, 2],
      ],
      24,
    ),
    wall: ulnaWall,
    hollow: hollow(-262, -4, ulna, ulnaWall),
    cell: 1.2,
  },
];
