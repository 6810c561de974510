/**
 * Metacarpals and phalanges in axes of the hand. Each is written along its own line from base to head; its base is
 * hollowed by what it meets, grown by the width of the joint. Source: general anatomy; sizes of an adult hand of 19 cm.
 */
import {
  axesAlong,
  blend,
  carve,
  evened,
  gridded,
  inAxes,
  lump,
  placed,
  plus,
  rise,
  sub,
  type Axes,
  type Field,
  type Vec3,
} from '../field';
import { loft } from '../loft';
import { boxRound, type Bone } from '../bone';
import { beside, capitate, hamate, trapezium, trapezoid } from './carpals';

type Line = { axes: Axes; long: number };
const lineOf = (from: Vec3, to: Vec3, up: Vec3 = [0, 1, 0]): Line => {
  const d = sub(to, from);
  return { axes: axesAlong(from, d, up), long: Math.hypot(...d) };
};

/** Wall of a long bone: thin at its ends, thickest in the middle of the shaft. */
const wallOf =
  ({ axes, long }: Line, thin: number, thick: number) =>
  (p: Vec3): number => {
    const s = inAxes(axes, p)[2] / long;
    return thin + (thick - thin) * Math.min(rise(0.08, 0.42, s), rise(0.95, 0.62, s));
  };
/** The middle of the shaft holds marrow without spongy bone, which tapers out toward both ends. */
const hollowOf =
  (line: Line, surface: Field, wall: (p: Vec3) => number): Field =>
  (p) => {
    const { long } = line;
    const s = inAxes(line.axes, p)[2];
    return surface(p) + wall(p) + 0.5 + Math.max(0, (0.4 * long - s) * 0.2, (s - 0.6 * long) * 0.2);
  };

function boneAlong(id: string, segment: string, line: Line, surface: Field, walls: readonly [number, number]): Bone {
  const even = evened(surface);
  const wall = wallOf(line, walls[0], walls[1]);
  return {
    id: `${id}_L`,
    segment: `${segment}_L`,
    surface,
    box: boxRound([line.axes.o, plus(line.axes.o, line.axes.w, line.long)], 12),
    wall,
    hollow: hollowOf(line, even, wall),
    cell: 0.9,
  };
}

/** A metacarpal: half breadths and half depths of base, shaft and head, mm. */
type Metacarpal = {
  n: number;
  from: Vec3;
  to: Vec3;
  base: readonly [number, number];
  shaft: readonly [number, number];
  head: readonly [number, number];
  meets: readonly Field[];
  up?: Vec3;
};

function metacarpalField({ from, to, base, shaft, head, up }: Metacarpal): Field {
  const { axes, long: L } = lineOf(from, to, up);
  const [hx, hy] = head;
  const reach = hy;
  return placed(
    axes,
    blend(
      4,
      loft(
        [
          { s: -5, v: 0.4, a: base[0], back: base[1], front: base[1], n: 2.8 },
          { s: 4, v: 0.4, a: base[0], back: base[1], front: base[1], n: 2.8 },
          { s: 0.2 * L, v: 0.6, a: mixed(base[0], shaft[0], 0.72), back: shaft[1] * 1.12, front: shaft[1] * 1.15 },
          // The shaft bows to the back and is narrowest just behind its middle.
          { s: 0.46 * L, v: 1.3, a: shaft[0], back: shaft[1], front: shaft[1], n: 2.1 },
          { s: 0.72 * L, v: 0.7, a: shaft[0] * 1.2, back: shaft[1] * 1.02, front: shaft[1] * 1.15 },
          { s: 0.88 * L, v: -0.3, a: hx * 0.86, back: hy * 0.8, front: hy * 0.95 },
          { s: L - reach * 0.9, v: -0.5, a: hx * 0.8, back: hy * 0.8, front: hy * 0.9 },
        ],
        2,
      ),
      lump([0, -0.7, L - reach], [hx * 0.9, hy * 1.02, reach], undefined, 2.15),
      // Where the ligaments of its sides take hold.
      lump([hx * 0.7, 2.2, L - reach * 1.8], [hx * 0.28, 2.8, 3]),
      lump([-hx * 0.7, 2.2, L - reach * 1.8], [hx * 0.28, 2.8, 3]),
      // Two lips toward the palm.
      lump([hx * 0.5, -hy * 0.72, L - reach * 1.15], [hx * 0.36, hy * 0.42, 3.8]),
      lump([-hx * 0.5, -hy * 0.72, L - reach * 1.15], [hx * 0.36, hy * 0.42, 3.8]),
    ),
  );
}
const mixed = (a: number, b: number, t: number): number => a + (b - a) * t;

const M1: Metacarpal = {
  n: 1,
  from: [24, -6, 29],
  to: [46.4, -21.3, 63.2],
  base: [7.6, 6.6],
  shaft: [5, 4.2],
  head: [7.6, 6.4],
  meets: [trapezium],
  up: [0.62, 0.78, 0],
};
const M3: Metacarpal = {
  n: 3,
  from: [1.1, 0, 32],
  to: [2.4, 0, 99.3],
  base: [6.8, 7.6],
  shaft: [4.4, 4.5],
  head: [6.6, 7.1],
  meets: [capitate, trapezoid],
};
const M2: Metacarpal = {
  n: 2,
  from: [12.2, 0, 30.5],
  to: [18.4, 0, 100.9],
  base: [7.8, 7.4],
  shaft: [4.6, 4.5],
  head: [7.3, 7.2],
  meets: [trapezoid, capitate, trapezium],
};
const M4: Metacarpal = {
  n: 4,
  from: [-8.2, 0, 32],
  to: [-11.2, 0, 91.2],
  base: [5.8, 6.2],
  shaft: [3.6, 3.9],
  head: [5.8, 6.4],
  meets: [hamate, capitate],
};
const M5: Metacarpal = {
  n: 5,
  from: [-16.6, -0.6, 31],
  to: [-22.4, -1, 84.8],
  base: [6.4, 5.6],
  shaft: [3.9, 3.6],
  head: [6.3, 6.2],
  meets: [hamate],
};

/** Bases of neighbours touch: each is carved by the one before it. */
function metacarpals(): Map<number, Field> {
  const done = new Map<number, Field>();
  for (const [bone, neighbours] of [
    [M3, []],
    [M2, [3]],
    [M1, [2]],
    [M4, [3]],
    [M5, [4]],
  ] as const) {
    const gaps = bone.meets.map((field) => beside(field, bone.n === 1 ? 1.8 : 1.6));
    const own = neighbours.map((n) => beside(done.get(n)!, 1.2));
    done.set(bone.n, gridded(carve(1, metacarpalField(bone), ...gaps, ...own), boxRound([bone.from, bone.to], 13)));
  }
  return done;
}
const METACARPAL_FIELDS = metacarpals();
const METACARPAL_LINES = new Map([M1, M2, M3, M4, M5].map((m) => [m.n, lineOf(m.from, m.to, m.up)]));

/** A phalanx from its joint to the next: half breadths of base, shaft and head. */
type Phalanx = {
  id: string;
  segment: string;
  from: Vec3;
  to: Vec3;
  base: number;
  shaft: number;
  head: number;
  meets: Field;
  up: Vec3;
};
const DEEP = 0.78;

function proximalField({ from, to, base, shaft, head, up }: Phalanx): Field {
  const { axes, long: L } = lineOf(from, to, up);
  const [bd, sd, hd] = [base * DEEP, shaft * 0.72, head * 0.66];
  return placed(
    axes,
    blend(
      2.2,
      loft(
        [
          { s: -2.5, v: 0.2, a: base, back: bd, front: bd, n: 2.5 },
          { s: 2.4, v: 0.2, a: base, back: bd, front: bd, n: 2.5 },
          {
            s: 0.17 * L,
            v: 0.3,
            a: mixed(base, shaft, 0.62),
            back: mixed(bd, sd, 0.45),
            front: mixed(bd, sd, 0.35),
            n: 2.3,
          },
          // Round at the back, flat toward the palm.
          { s: 0.5 * L, v: 0.9, a: shaft * 1.04, back: sd * 1.1, front: sd * 0.92, n: 2.3 },
          { s: 0.74 * L, v: 0.4, a: shaft, back: sd * 1.02, front: sd * 0.9, n: 2.3 },
          { s: L - hd * 1.3, v: -0.3, a: head * 0.84, back: hd * 0.8, front: hd * 0.85, n: 2.4 },
          { s: L - hd * 0.7, v: -0.4, a: head * 0.86, back: hd * 0.76, front: hd * 0.8, n: 2.4 },
        ],
        1.5,
      ),
      // Two condyles with a groove between them.
      lump([head * 0.46, -0.5, L - hd], [head * 0.52, hd, hd], undefined, 2.3),
      lump([-head * 0.46, -0.5, L - hd], [head * 0.52, hd, hd], undefined, 2.3),
    ),
  );
}

function distalField({ from, to, base, shaft, head, up }: Phalanx): Field {
  const { axes, long: L } = lineOf(from, to, up);
  const bd = base * 0.68;
  return placed(
    axes,
    blend(
      1.6,
      loft(
        [
          { s: -2, v: 0, a: base, back: bd, front: bd * 0.9, n: 2.6 },
          { s: 1.8, v: 0, a: base, back: bd, front: bd * 0.9, n: 2.6 },
          { s: 0.3 * L, v: 0, a: mixed(base, shaft, 0.75), back: bd * 0.66, front: bd * 0.62 },
          { s: 0.6 * L, v: 0.1, a: shaft, back: shaft * 0.68, front: shaft * 0.62 },
          { s: 0.86 * L, v: 0, a: head * 0.72, back: 1.7, front: 1.6 },
          { s: L - 1, v: 0, a: head * 0.74, back: 1.3, front: 1.3 },
        ],
        1.4,
      ),
      // The tuft: a rim like a horseshoe.
      lump([head * 0.55, 0, 0.86 * L], [head * 0.42, 1.6, 2.4]),
      lump([-head * 0.55, 0, 0.86 * L], [head * 0.42, 1.6, 2.4]),
      lump([0, 0, 0.93 * L], [head * 0.8, 1.5, 0.075 * L]),
    ),
  );
}

/** Middles of the joints along each finger, from the knuckle to the tip of the bone. */
type Finger = {
  n: number;
  joints: readonly Vec3[];
  half: readonly (readonly [base: number, shaft: number, head: number])[];
  up?: Vec3;
};
const FINGERS: readonly Finger[] = [
  {
    n: 1,
    joints: [
      [47.2, -21.9, 64.4],
      [62.6, -33, 89.3],
      [74.4, -41.6, 108.2],
    ],
    half: [
      [7.6, 4.5, 6.4],
      [7, 3.4, 5.2],
    ],
    up: [0.62, 0.78, 0],
  },
  {
    n: 2,
    joints: [
      [18.7, 0, 101.6],
      [22.9, 0, 142.6],
      [25.3, 0, 166.4],
      [27.1, 0, 184],
    ],
    half: [
      [7, 4.5, 5.8],
      [6.5, 4, 5],
      [5.5, 2.6, 4.2],
    ],
  },
  {
    n: 3,
    joints: [
      [2.4, 0, 100],
      [3.2, 0, 145.1],
      [3.8, 0, 173],
      [4.2, 0, 191.7],
    ],
    half: [
      [7, 4.6, 5.9],
      [6.6, 4.1, 5.1],
      [5.6, 2.7, 4.4],
    ],
  },
  {
    n: 4,
    joints: [
      [-11.3, 0, 91.9],
      [-14, 0, 134],
      [-15.7, 0, 160.9],
      [-17, 0, 179.3],
    ],
    half: [
      [5.9, 4.2, 5.5],
      [6.2, 3.8, 4.8],
      [5.3, 2.5, 4.1],
    ],
  },
  {
    n: 5,
    joints: [
      [-22.6, -1, 85.5],
      [-28.1, -1, 118.2],
      [-31, -1, 137.1],
      [-33.4, -1, 153.2],
    ],
    half: [
      [5.5, 3.7, 4.8],
      [5.4, 3.3, 4.2],
      [4.6, 2.2, 3.4],
    ],
  },
];

/** The joint is so wide: what lies between head and base. */
const FINGER_JOINT = 1.3;

function phalanges({ n, joints, half, up = [0, 1, 0] }: Finger): Bone[] {
  const names = n === 1 ? ['proximal', 'distal'] : ['proximal', 'middle', 'distal'];
  let meets = METACARPAL_FIELDS.get(n)!;
  return names.map((name, i) => {
    const [from, to] = [joints[i], joints[i + 1]];
    const d = sub(to, from);
    const long = Math.hypot(...d);
    const last = i === names.length - 1;
    // A head ends short of the joint's middle by half of its width; a base is hollowed by the head it meets.
    const end = plus(from, d, last ? 1 : (long - FINGER_JOINT / 2) / long);
    const [base, shaft, head] = half[i];
    const phalanx: Phalanx = {
      id: `p_${name}_${n}`,
      segment: `finger${n}`,
      from,
      to: end,
      base,
      shaft,
      head,
      meets,
      up,
    };
    const whole = carve(0.7, last ? distalField(phalanx) : proximalField(phalanx), beside(meets, FINGER_JOINT + 0.2));
    const surface = gridded(whole, boxRound([from, end], 13));
    meets = surface;
    return boneAlong(phalanx.id, phalanx.segment, lineOf(from, end, up), surface, last ? [0.55, 0.9] : [0.55, 1.5]);
  });
}

const SESAMOIDS: readonly Bone[] = (
  [
    [0.62, 'sesamoid_hand_radial'],
    [-0.62, 'sesamoid_hand_ulnar'],
  ] as const
).map(([side, id]) => {
  const { axes, long } = METACARPAL_LINES.get(1)!;
  const spot = plus(plus(plus(axes.o, axes.w, long - 5.4), axes.u, side * 6.4), axes.v, -10.6);
  return {
    id: `${id}_L`,
    segment: 'finger1_L',
    surface: lump(spot, [2.1, 1.8, 2.8], axes),
    box: boxRound([spot], 5),
    wall: () => 0.5,
    cell: 0.6,
  };
});

export const LONG_HAND: readonly Bone[] = [
  ...[M1, M2, M3, M4, M5].map(({ n }) =>
    boneAlong(`mc${n}`, n === 1 ? 'finger1' : 'hand', METACARPAL_LINES.get(n)!, METACARPAL_FIELDS.get(n)!, [
      0.55,
      n === 1 || n === 2 ? 2 : 1.8,
    ]),
  ),
  ...FINGERS.flatMap(phalanges),
  ...SESAMOIDS,
];
