/**
 * Femur, patella, tibia and fibula in axes of the body: x to the left, y to the back, z to the head, mm. Condyles are
 * round about the hinge of the knee. Source: general anatomy; an adult of 175 cm.
 */
import {
  axesAlong,
  ball,
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
import { loft, type Section } from '../loft';
import { boxRound, type Bone } from '../bone';

const upright = axesAlong([0, 0, 0], [0, 0, 1]);
/** Sections from the foot up. */
const column = (sections: readonly Section[], round: number): Field =>
  placed(
    upright,
    loft(
      [...sections].sort((a, b) => a.s - b.s),
      round,
    ),
  );

type Long = {
  id: string;
  covers: readonly string[];
  segment: string;
  surface: Field;
  ends: readonly [Vec3, Vec3];
  reach: number;
};
/** How thick the wall is at a height. */
type Walls = {
  thin: number;
  thick: number;
  top: readonly [number, number];
  bottom: readonly [number, number];
  cell: number;
};

function longBone(
  { id, covers, segment, surface, ends, reach }: Long,
  { thin, thick, top, bottom, cell }: Walls,
): Bone {
  const even = evened(surface);
  const wall = ([, , z]: Vec3): number =>
    thin + (thick - thin) * Math.min(rise(top[0], top[1], z), rise(bottom[0], bottom[1], z));
  return {
    id,
    covers,
    segment,
    surface,
    box: boxRound(ends, reach),
    wall,
    // Marrow tapers out where the wall grows thin.
    hollow: (p) => even(p) + wall(p) + 0.7 + Math.max(0, (p[2] - top[1] + 30) * 0.16, (bottom[1] + 30 - p[2]) * 0.16),
    cell,
  };
}

const femurEnds = [
  [90, 0, -425],
  [125, 4, 0],
] as const;
const femurField: Field = gridded(
  carve(
    4,
    blend(
      7,
      column(
        [
          { s: -22, u: 130, v: 9.4, a: 18, back: 16, front: 15 },
          { s: -50, u: 127, v: 8, a: 16.6, back: 16, front: 15 },
          { s: -78, u: 125.6, v: 5.6, a: 15.2, back: 15, front: 14.6 },
          { s: -135, u: 120, v: -3, a: 13.8, back: 15.2, front: 13.6 },
          { s: -235, u: 109, v: -9, a: 13.4, back: 15.4, front: 13.4 },
          { s: -320, u: 99.6, v: -7, a: 15.4, back: 14.4, front: 14 },
          { s: -358, u: 94.6, v: -3.6, a: 20.6, back: 15, front: 15 },
          { s: -386, u: 91, v: 1, a: 29.6, back: 15.6, front: 16.6, n: 2.4 },
          { s: -408, u: 89.2, v: 4.6, a: 37.4, back: 17, front: 18, n: 2.6 },
          { s: -430, u: 88.6, v: 6, a: 37, back: 17, front: 16, n: 2.8 },
        ],
        5,
      ),
      blend(5, lump([64, 16.6, -431], [13.2, 20.4, 19.6]), lump([65, -1, -429], [14, 26, 21.6])),
      blend(5, lump([112.6, 16.4, -430.6], [13, 20.4, 19.6]), lump([111.4, -3, -428.4], [14.6, 27, 22.2])),
      // The rails of the kneecap: the outer one stands higher.
      lump([77, -11.4, -413], [13, 12, 19]),
      lump([101.6, -14.6, -411], [13.6, 12.6, 21]),
      // Epicondyles.
      lump([52, 8, -420], [6.6, 10.6, 11.4]),
      lump([124.4, 8, -421.6], [6, 10, 10.6]),
      blend(6, ball([88, 0, 0], 24.2), rod([95, 1.6, -6], [129, 9, -34], 15, 17.4)),
      lump([139.4, 14, -16], [12.6, 15.6, 19.4]),
      lump([112.4, 22.4, -60], [8, 9.6, 11.4]),
    ),
    // The groove of the kneecap, and the notch between the condyles.
    rod([89, -35.4, -388], [88.6, -31.6, -446], 8.4, 6.8),
    blend(5, lump([88.4, 25, -444], [9.6, 26, 18]), rod([88.4, 8, -452], [88.4, 34, -440], 9, 9.4)),
  ),
  boxRound(femurEnds, 54),
);

const fibula: Field = gridded(
  blend(
    5,
    column(
      [
        { s: -484, u: 123, v: 26.6, a: 7.6, back: 8, front: 7.6 },
        { s: -500, u: 122, v: 28, a: 5.8, back: 6, front: 5.8 },
        { s: -545, u: 119.4, v: 32, a: 5.4, back: 6.2, front: 6.2 },
        { s: -695, u: 117, v: 36, a: 5.4, back: 6.6, front: 6.8 },
        { s: -795, u: 116.4, v: 38, a: 6, back: 7, front: 7 },
        { s: -824, u: 117.4, v: 37.6, a: 7.2, back: 9.4, front: 9.4 },
        { s: -842, u: 117.6, v: 37.6, a: 6.4, back: 9.2, front: 9.4 },
      ],
      4,
    ),
    lump([124, 26, -480], [8.6, 9.6, 9.6]),
    rod([126, 28.6, -476], [127, 30.6, -468.6], 4.4, 2.6),
    lump([117.8, 37.6, -846], [5.8, 8.2, 11]),
  ),
  boxRound(
    [
      [122, 30, -475],
      [119, 38, -848],
    ],
    22,
  ),
);

/** The roller of the talus, as the ankle turns about it: from its middle to the front, up, and along its axis. */
const DOME = {
  c: [91, 30, -850] as Vec3,
  front: [-0.2079, 0.9781, 0] as Vec3,
  axis: [0.9781, 0.2079, 0] as Vec3,
  long: 21,
  high: 14,
  half: 16.5,
};
const dome: Field = (p) => {
  const q: Vec3 = [p[0] - DOME.c[0], p[1] - DOME.c[1], p[2] - DOME.c[2]];
  const along = (d: Vec3) => q[0] * d[0] + q[1] * d[1] + q[2] * d[2];
  const round = (Math.hypot(along(DOME.front) / DOME.long, q[2] / DOME.high) - 1) * DOME.high;
  return Math.max(round, Math.abs(along(DOME.axis)) - DOME.half);
};
/** Width of the ankle joint: two layers of cartilage. */
const ANKLE_MM = 3;

/** The top of the tibia falls toward the back by so much. */
const SLOPE_DEG = 7;
const top = under([88, 7, -455.4], [0, Math.tan((SLOPE_DEG * Math.PI) / 180), 1]);
const tibiaEnds = [
  [88, 6, -470],
  [85, 28, -838],
] as const;
const tibiaShaft = blend(
  6,
  column(
    [
      { s: -450, u: 88, v: 7.4, a: 38.6, back: 22, front: 21, n: 2.9 },
      { s: -466, u: 88, v: 7.4, a: 38.8, back: 22, front: 22, n: 2.8 },
      { s: -480, u: 88, v: 6.6, a: 34.4, back: 20.4, front: 22, n: 2.5 },
      { s: -500, u: 88, v: 5, a: 25, back: 18, front: 21 },
      { s: -525, u: 88, v: 4, a: 18, back: 15.6, front: 17.6 },
      { s: -560, u: 88.2, v: 4.6, a: 14.4, back: 13.6, front: 16 },
      { s: -645, u: 89, v: 10, a: 12.4, back: 12, front: 14.6 },
      { s: -745, u: 90, v: 21, a: 11.6, back: 11.6, front: 12.4 },
      { s: -795, u: 90, v: 27.4, a: 14.2, back: 13.6, front: 14 },
      { s: -815, u: 89.4, v: 30, a: 18.4, back: 20, front: 16.6, n: 2.4 },
      { s: -838, u: 88.6, v: 30.6, a: 20, back: 25.6, front: 18.4, n: 2.8 },
    ],
    2,
  ),
  // The tuberosity under the kneecap.
  lump([91, -15.6, -494], [8.4, 8.6, 15]),
);
const tibiaField: Field = gridded(
  carve(
    1.5,
    blend(
      3,
      // The plateaus: the inner one hollow, the outer one nearly flat.
      carve(2, within(2, tibiaShaft, top), ball([66, 8, -413.6], 43), ball([110, 8, -405.4], 51)),
      // The two eminences between them.
      rod([83.6, 5, -464], [84.6, 4.6, -448.6], 5.4, 2),
      rod([93.4, 6.4, -464], [92.2, 6.8, -449.6], 5.4, 2),
      blend(5, lump([64.4, 27.4, -832], [6.6, 10.4, 14]), rod([74, 28, -812], [66, 27.4, -830], 10, 7)),
    ),
    grown(ANKLE_MM, dome),
    grown(1.6, fibula),
  ),
  boxRound(tibiaEnds, 50),
);

const patellaField: Field = carve(
  2,
  blend(6, lump([89, -37.4, -413.6], [21.6, 10, 18], undefined, 2.5), lump([89, -38.6, -427], [9, 6, 8])),
  grown(4, femurField),
);

export const LEG: readonly Bone[] = [
  longBone(
    {
      id: 'femur_shaft_L',
      covers: [
        'femoral_head_L',
        'femoral_neck_L',
        'greater_trochanter_L',
        'lesser_trochanter_L',
        'femur_metaphysis_med_L',
        'femur_metaphysis_lat_L',
        'femoral_trochlea_L',
        'femoral_condyle_med_L',
        'femoral_condyle_lat_L',
        'femoral_epicondyle_med_L',
        'femoral_epicondyle_lat_L',
      ],
      segment: 'thigh_L',
      surface: femurField,
      ends: femurEnds,
      reach: 50,
    },
    { thin: 1, thick: 6.4, top: [-10, -120], bottom: [-402, -290], cell: 2 },
  ),
  {
    id: 'patella_L',
    segment: 'patella_L',
    surface: patellaField,
    box: boxRound([[89, -38, -415]], 28),
    wall: () => 1.2,
    cell: 1.3,
  },
  longBone(
    {
      id: 'tibia_shaft_L',
      covers: [
        'tibial_plateau_med_L',
        'tibial_plateau_lat_L',
        'tibia_metaphysis_med_L',
        'tibia_metaphysis_lat_L',
        'tibial_spine_med_L',
        'tibial_spine_lat_L',
        'medial_malleolus_root_L',
        'tibial_plafond_L',
        'tibial_lip_front_L',
        'tibial_lip_rear_L',
        'tibial_tuberosity_L',
        'medial_malleolus_L',
      ],
      segment: 'shank_L',
      surface: tibiaField,
      ends: tibiaEnds,
      reach: 46,
    },
    { thin: 1, thick: 5.2, top: [-480, -590], bottom: [-822, -730], cell: 1.8 },
  ),
  longBone(
    {
      id: 'fibula_L',
      covers: ['lateral_malleolus_L'],
      segment: 'shank_L',
      surface: fibula,
      ends: [
        [122, 30, -475],
        [119, 38, -848],
      ],
      reach: 20,
    },
    { thin: 0.9, thick: 2.6, top: [-490, -560], bottom: [-825, -760], cell: 1.3 },
  ),
];
