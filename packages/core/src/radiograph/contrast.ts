/**
 * Contrast in hollow organs, settled by gravity: the heavy medium lies at the bottom, gas on top, and the boundary is
 * level. Each organ is one communicating space. Source: filling by position of teaching; shares typical [C].
 */
import { shrunk } from '../body/intervals';
import { posedMark, posedStructure, type PosedBody } from '../body/posed';
import type { Tube } from '../body/shape';
import type { Solid } from '../body/surface';
import type { Study } from '../projections/schema';
import { addScaled, cross, distance, dot, lerp, normalize, subtract, type Vec3 } from '../geometry/vector';

/** `pool`: share of the space that the medium fills; what is left is gas over a coated wall, or nothing for 1. */
type Filling = { organs: readonly string[]; material: string; pool: number };
const HOLLOW: Partial<Record<Study['of'], Filling>> = {
  stomach: { organs: ['stomach', 'duodenal_bulb'], material: 'barium_60', pool: 0.45 },
  'large bowel': { organs: ['colon'], material: 'barium_60', pool: 0.4 },
};
const BARIUM_OVER = 61;
const COAT_MM = 0.5;
const WALL_MM = 3;
/** Slices along a tube, and rings and spokes across one, that the level is found from. */
const SLICES = 10;
const RINGS = [0.25, 0.6, 0.9] as const;

/** Points spread evenly over the space of a tube, with the volume each stands for. */
function volumeOf({ pts, r }: Tube): { p: Vec3; weight: number }[] {
  const points: { p: Vec3; weight: number }[] = [];
  for (let i = 1; i < pts.length; i += 1)
    for (let k = 0; k < SLICES; k += 1) {
      const t = (k + 0.5) / SLICES;
      const c = lerp(pts[i - 1], pts[i], t);
      const radius = r[i - 1] + (r[i] - r[i - 1]) * t;
      const step = Math.hypot(...[0, 1, 2].map((axis) => pts[i][axis] - pts[i - 1][axis])) / SLICES;
      // Round the middle in all directions of space: near enough for a level.
      for (const ring of RINGS)
        for (const d of SPOKES)
          points.push({ p: addScaled(c, d, radius * ring), weight: ring * radius * radius * step });
    }
  return points;
}
const SPOKES: readonly Vec3[] = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1],
];

/** The level under which a share of the space lies. @param up unit vector against gravity; @returns mm along it */
export function levelOf(tubes: readonly Tube[], share: number, up: Vec3): number {
  const heights = tubes
    .flatMap(volumeOf)
    .map(({ p, weight }) => ({ at: dot(p, up), weight }))
    .sort((a, b) => a.at - b.at);
  const volume = share * heights.reduce((sum, { weight }) => sum + weight, 0);
  let below = 0;
  for (const { at, weight } of heights) {
    below += weight;
    if (below >= volume) return at;
  }
  return heights[heights.length - 1].at;
}

function fill(posed: PosedBody, { organs, material, pool }: Filling, up: Vec3): Solid[] {
  const spaces = organs.flatMap((organ) => shrunk(posedStructure(posed, organ).shape, WALL_MM)) as Tube[];
  const mm = levelOf(spaces, pool, up);
  return spaces.flatMap((shape): Solid[] => [
    { shape, material: 'barium_high', priority: BARIUM_OVER - 0.6 },
    ...shrunk(shape, COAT_MM).map((inner): Solid => ({ shape: inner, material: 'air', priority: BARIUM_OVER - 0.4 })),
    { shape, material, priority: BARIUM_OVER, under: { normal: up, mm } },
  ]);
}

/** The gullet in front of the spine, full. */
function gullet(posed: PosedBody, front: Vec3): Solid[] {
  const pts = ['C6_body', 'T2_body', 'T5_body', 'T8_body', 'T10_body'].map((id, i) =>
    addScaled(posedMark(posed, id).p, front, 24 + i * 2),
  );
  pts.push(posedMark(posed, 'stomach').p);
  return [{ shape: { kind: 'tube', pts, r: [6, 7, 7.5, 8, 8, 9] }, material: 'barium_60', priority: BARIUM_OVER }];
}

/** Sweeps of the small bowel from side to side, and how wide, deep and thick they lie as shares of their height [C]. */
const SWEEPS = 7;
const COILS = { wide: 0.5, front: 0.45, wave: 0.1, radius: 0.085, pointsASweep: 8 } as const;

/** The small bowel full, in coils in front of the spine from L2 to the inlet of the pelvis. */
function coils(posed: PosedBody, front: Vec3): Solid[] {
  const [top, foot] = ['L2_body', 'S1_body'].map((id) => posedMark(posed, id).p);
  const left = normalize(cross(subtract(top, foot), front));
  const tall = distance(top, foot);
  const count = SWEEPS * COILS.pointsASweep;
  const pts = Array.from({ length: count + 1 }, (_, i): Vec3 => {
    const turn = (Math.PI * i) / COILS.pointsASweep;
    // No sweep lies as the one before.
    const down = lerp(top, foot, (i + 5 * Math.sin(turn * 1.7)) / count);
    const forward = addScaled(down, front, tall * (COILS.front + COILS.wave * Math.sin(turn * 2.3)));
    // Narrower towards the pelvis, where it has less room.
    const wide = tall * COILS.wide * (1 - (0.4 * i) / count) * (0.8 + 0.25 * Math.sin(turn * 0.6 + 1));
    return addScaled(forward, left, wide * Math.cos(turn));
  });
  return [
    {
      shape: { kind: 'tube', pts, r: pts.map((_, i) => tall * COILS.radius * (1 - 0.15 * (i % 2))) },
      material: 'barium_thin',
      priority: BARIUM_OVER,
    },
  ];
}

/** Pelves of the kidneys and ureters, where the urine is three times as strong as in the bladder [C]; and the bladder. */
function urine(posed: PosedBody, parts: { kidneys: boolean; bladder: boolean }): Solid[] {
  const bladder = posedStructure(posed, 'bladder').shape;
  const down = posedMark(posed, 'bladder').p;
  const middle = posedMark(posed, 'L2_body').p;
  const iodine = (shape: Solid['shape'], material = 'iodine_pelvis'): Solid => ({
    shape,
    material,
    priority: BARIUM_OVER,
  });
  const kidneys = ['kidney_L', 'kidney_R'].flatMap((id) => {
    const shape = posedStructure(posed, id).shape;
    if (shape.kind !== 'ellipsoid') return [];
    const pelvis = lerp(shape.c, middle, 0.3);
    const calyx = (end: number): Vec3 => addScaled(shape.c, shape.axes[2], end * 0.5);
    return [
      iodine({ kind: 'tube', pts: [calyx(0.9), pelvis, calyx(-0.9)], r: [5, 8, 5] }),
      iodine({ kind: 'tube', pts: [calyx(0), pelvis], r: [5, 8] }),
      iodine({ kind: 'tube', pts: [pelvis, lerp(pelvis, middle, 0.25), down], r: [5, 2.5, 2.5] }),
    ];
  });
  return [
    ...(parts.kidneys ? kidneys : []),
    ...(parts.bladder ? shrunk(bladder, 2).map((shape) => iodine(shape, 'iodine_urine')) : []),
  ];
}

const isIn = ({ as }: Study): boolean => as === 'filled' || as === 'level ray';

/** Whether the bowel holds contrast in place of its own gas. */
export const isFilled = (study: Study | null): boolean =>
  study !== null && HOLLOW[study.of] !== undefined && isIn(study);

/**
 * What is in the organs at this part of a study.
 * @param up against gravity, @param front of the patient; both in the frame of the body
 */
export function contrastFor(study: Study | null, posed: PosedBody, up: Vec3, front: Vec3): Solid[] {
  if (!study || study.as === 'scout') return [];
  const hollow = HOLLOW[study.of];
  if (hollow) return isIn(study) ? fill(posed, hollow, up) : [];
  switch (study.of) {
    case 'oesophagus':
      return gullet(posed, front);
    case 'small bowel':
      return coils(posed, front);
    case 'urinary tract':
      return urine(posed, { kidneys: true, bladder: isIn(study) });
    case 'bladder':
      return isIn(study) ? urine(posed, { kidneys: false, bladder: true }) : [];
    default:
      return [];
  }
}
