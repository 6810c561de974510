/**
 * The reference mannequin: adult, 1750 mm, 75 kg, anatomical position, LPS millimetres with the origin between the hips.
 * Read once from the data files and mirrored to both sides.
 */
import type { InSegment, Vec3 } from '../geometry/vector';
import landmarkData from './data/landmarks.json';
import primitiveData from './data/primitives.json';
import segmentData from './data/segments.json';
import type { Form } from './measure';
import { hollowOrgans } from './organs';
import type { Primitive, TissueClass } from './primitive';
import { shapeCentre, type Shape } from './shape';

export type Segment = { id: string; parent: string | null; joint: Vec3 };

export type LandmarkKind = 'skin' | 'bone' | 'joint';
/** By itself on its segment; of InRoom where the body stands in the room. */
export type Landmark<A = InSegment> = {
  id: string;
  name: string;
  kind: LandmarkKind;
  p: Vec3<A>;
  /** Outward direction, unit vector. */
  dir: Vec3<A>;
  /** Typical depth under the skin of the reference adult, mm; ±50 %. */
  skinDepthMm: number;
  segment: string;
  level?: string;
};

export type Mannequin = {
  statureMm: number;
  massKg: number;
  primitives: readonly Primitive[];
  segments: readonly Segment[];
  landmarks: readonly Landmark[];
};

type RawPrimitive = {
  id: string;
  organ: string;
  class: string;
  segment: string;
  shape: string;
  params: Record<string, unknown>;
  mirror: boolean;
  lod: number;
  material: string;
  priority: number;
  inner?: { material: string; t: number | readonly number[] };
};

function readShape(kind: string, params: Record<string, unknown>): Shape {
  const c = params.c as Vec3;
  const rows = (params.R as Vec3[] | undefined) ?? [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  const along = (row: Vec3, by: number): Vec3 => [row[0] * by, row[1] * by, row[2] * by];
  switch (kind) {
    case 'ellipsoid': {
      const r = params.r as number[];
      return { kind, c, axes: [along(rows[0], r[0]), along(rows[1], r[1]), along(rows[2], r[2])] };
    }
    case 'ecyl': {
      const r = params.r as number[];
      return {
        kind: 'cylinder',
        c,
        axes: [along(rows[0], r[0]), along(rows[1], r[1]), along(rows[2], params.h as number)],
      };
    }
    case 'tube':
      return { kind, pts: params.pts as Vec3[], r: params.r as number[] };
    case 'plate':
      return { kind, pts: params.pts as Vec3[], t: params.t as number };
    default:
      return { kind: 'torus', c, n: params.n as Vec3, ring: params.Rmaj as number, tube: params.rmin as number };
  }
}

const flip = (p: Vec3): Vec3 => [-p[0], p[1], p[2]];
/** The same on the other side of the body. @example otherSide('foot_L') // 'foot_R' */
export const otherSide = (id: string): string => id.replace(/_([LR])$/, (_, s: string) => (s === 'L' ? '_R' : '_L'));

function mirrorShape(shape: Shape): Shape {
  switch (shape.kind) {
    case 'ellipsoid':
    case 'cylinder':
      return { ...shape, c: flip(shape.c), axes: [flip(shape.axes[0]), flip(shape.axes[1]), flip(shape.axes[2])] };
    case 'tube':
    case 'plate':
      return { ...shape, pts: shape.pts.map(flip) };
    case 'torus':
      return { ...shape, c: flip(shape.c), n: flip(shape.n) };
  }
}

function readPrimitives(): Primitive[] {
  const rows = primitiveData.rows as unknown as RawPrimitive[];
  return rows.flatMap((row) => {
    const left: Primitive = {
      id: row.id,
      organ: row.organ,
      tissue: row.class as TissueClass,
      skin: row.id.startsWith('env_'),
      segment: row.segment,
      detail: row.lod as 1 | 2,
      shape: readShape(row.shape, row.params),
      material: row.material,
      priority: row.priority,
      ...(row.inner && { inner: row.inner }),
    };
    if (!row.mirror) return [left];
    const id = row.id.endsWith('_L') ? otherSide(row.id) : `${row.id}_R`;
    return [left, { ...left, id, segment: otherSide(row.segment), shape: mirrorShape(left.shape) }];
  });
}

/** Centres of the vertebral bodies: the levels that teaching names, as landmarks like any other. */
function vertebralLandmarks(primitives: readonly Primitive[]): Landmark[] {
  return primitives.flatMap((p) => {
    const match = /^([CTLS]\d+)_body$/.exec(p.id);
    if (!match || p.shape.kind !== 'cylinder') return [];
    return [
      {
        id: match[1],
        name: `${match[1]} body`,
        kind: 'joint' as const,
        p: p.shape.c,
        dir: [0, 1, 0] as Vec3,
        skinDepthMm: 0,
        segment: p.segment,
        level: match[1],
      },
    ];
  });
}

function readLandmarks(): Landmark[] {
  return landmarkData.rows.flatMap((row) => {
    const { paired, ...rest } = row;
    const left = rest as unknown as Landmark;
    if (!paired) return [left];
    return [
      left,
      { ...left, id: otherSide(left.id), p: flip(left.p), dir: flip(left.dir), segment: otherSide(left.segment) },
    ];
  });
}

/** Lower edge of the lungs in full inspiration, at the back of the side wall: level of T12 to L1. */
const COSTOPHRENIC: Landmark[] = [1, -1].map((x) => ({
  id: x > 0 ? 'costophrenic_L' : 'costophrenic_R',
  name: 'Costophrenic angle',
  kind: 'joint',
  p: [130 * x, 45, 262],
  dir: [x, 0, 0],
  skinDepthMm: 30,
  segment: 'thorax',
  level: 'T12-L1',
}));

function read(): Mannequin {
  const primitives = [...readPrimitives(), ...hollowOrgans];
  return {
    statureMm: primitiveData.statureMm,
    massKg: primitiveData.massKg,
    primitives,
    segments: segmentData.rows as unknown as Segment[],
    landmarks: [...readLandmarks(), ...vertebralLandmarks(primitives), ...COSTOPHRENIC],
  };
}

/** The mannequin, shared and never changed. */
export const mannequin: Mannequin = read();

const joints = new Map(mannequin.segments.map((segment) => [segment.id, segment.joint]));
const shapes = new Map(mannequin.primitives.map((primitive) => [primitive.id, primitive.shape]));
const points = new Map(mannequin.landmarks.map((landmark) => [landmark.id, landmark.p]));

const named = <T>(map: ReadonlyMap<string, T>, id: string, what: string): T => {
  const found = map.get(id);
  if (found === undefined) throw new RangeError(`the mannequin has no ${what} "${id}"`);
  return found;
};

/** Joint by which a segment hangs on its parent, reference mannequin. @throws RangeError for an unknown name */
export const jointOf = (segment: string): Vec3 => named(joints, segment, 'segment');

/** A hand with its fingers, a foot with ankle and toes, a chest with its shoulder blades. */
const BRANCHES: Record<string, readonly string[]> = {
  hand: ['finger1', 'finger2', 'finger3', 'finger4', 'finger5'],
  foot: ['talus', 'toes'],
  forearm: ['radius'],
};

/** A segment and what moves with it as one part when it is laid down. */
export function withBranches(segment: string): string[] {
  if (segment === 'thorax') return ['thorax', 'clavicle_L', 'clavicle_R', 'scapula_L', 'scapula_R'];
  const [part, side] = segment.split('_');
  return [segment, ...(BRANCHES[part] ?? []).map((id) => `${id}_${side}`)];
}

/** The reference mannequin under the tape. */
export const referenceForm: Form = {
  landmark: (id) => named(points, id, 'landmark'),
  bone: (id) => named(shapes, id, 'bone'),
  skin: (segments) =>
    mannequin.primitives
      .filter(({ skin, segment }) => skin && (!segments || segments.includes(segment)))
      .map(({ shape }) => shape),
};

/** Where a landmark, or the middle of a structure, is on the reference. @throws RangeError for an unknown name */
export function markOnMannequin(id: string): { segment: string; height: number } {
  const landmark = mannequin.landmarks.find((each) => each.id === id);
  if (landmark) return { segment: landmark.segment, height: landmark.p[2] };
  const piece = mannequin.primitives.find((each) => each.id === id);
  if (!piece) throw new RangeError(`the body has no landmark or structure "${id}"`);
  return { segment: piece.segment, height: shapeCentre(piece.shape)[2] };
}
