/**
 * The parts that a figure is drawn from, and the joints at which the line between two of them is left out.
 */
import type { PosedBody } from '../posed';

export type Part = { id: string; segments: readonly string[]; fine: boolean };
/** Within `reachMm` of the joint (reference size) two parts are one. */
export type Seam = { parts: readonly [string, string]; joint: string; reachMm: number };

const SIDES = ['_L', '_R'] as const;

const sided = (id: string, segments: readonly string[], fine = false): Part[] =>
  SIDES.map((side) => ({ id: `${id}${side}`, segments: segments.map((segment) => `${segment}${side}`), fine }));

export const PARTS: readonly Part[] = [
  {
    id: 'trunk',
    segments: ['pelvis', 'lumbar', 'thorax', 'clavicle_L', 'clavicle_R', 'scapula_L', 'scapula_R'],
    fine: false,
  },
  { id: 'head', segments: ['head', 'mandible', 'neck'], fine: false },
  ...sided('upperarm', ['upperarm']),
  ...sided('forearm', ['forearm', 'radius']),
  ...sided('hand', ['hand']),
  ...[1, 2, 3, 4, 5].flatMap((finger) => sided(`finger${finger}`, [`finger${finger}`], true)),
  ...sided('thigh', ['thigh', 'patella']),
  ...sided('shank', ['shank']),
  ...sided('foot', ['talus', 'foot', 'toes']),
];

const pair = (a: string, b: string, joint: string, reachMm: number): Seam[] =>
  SIDES.map((side) => ({
    parts: [a === 'trunk' ? a : `${a}${side}`, `${b}${side}`],
    joint: `${joint}${side}`,
    reachMm,
  }));

export const SEAMS: readonly Seam[] = [
  { parts: ['trunk', 'head'], joint: 'neck', reachMm: 125 },
  ...pair('trunk', 'upperarm', 'upperarm', 92),
  ...pair('upperarm', 'forearm', 'forearm', 66),
  ...pair('forearm', 'hand', 'hand', 52),
  ...[1, 2, 3, 4, 5].flatMap((finger) => pair('hand', `finger${finger}`, `finger${finger}`, finger === 1 ? 30 : 16)),
  ...pair('trunk', 'thigh', 'thigh', 150),
  ...pair('thigh', 'shank', 'shank', 88),
  ...pair('shank', 'foot', 'talus', 66),
];

/** Part of each segment. */
export const PART_OF: ReadonlyMap<string, string> = new Map(
  PARTS.flatMap(({ id, segments }) => segments.map((segment) => [segment, id] as const)),
);

/** Size of a body against the reference, for widths of lines and seams. */
export const sizeOf = (posed: PosedBody): number => posed.body.patient.statureMm / 1750;
