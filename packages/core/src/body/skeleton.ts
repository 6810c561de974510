/**
 * True bones: closed surfaces in the frame of the reference mannequin, read from a binary file that `npm run skeleton`
 * makes. They ride on the segments of the body and are stretched with them as its other pieces are.
 */
import { z } from 'zod';
import { applyToPoint } from '../geometry/frame';
import type { Vec3 } from '../geometry/vector';
import { pointOn } from './body';
import { otherSide } from './mannequin';
import { segmentFrame, type PosedBody } from './posed';

/** What begins at a surface, going in: the compact wall, spongy bone, marrow. */
export const LAYERS = ['wall', 'spongy', 'marrow'] as const;
export type Layer = (typeof LAYERS)[number];

/** One closed surface: points in mm, three numbers each; corners of triangles that turn left about the way out. */
export type BoneSurface = {
  layer: Layer;
  points: Float32Array;
  triangles: Uint16Array;
  /** The same points in the reference mannequin, where the grain of the bone is fixed. */
  home: Float32Array;
};
export type TrueBone = {
  /** Of the piece of the mannequin that it stands for. */
  id: string;
  segment: string;
  surfaces: readonly BoneSurface[];
};
export type Skeleton = {
  bones: readonly TrueBone[];
  /** Pieces of the mannequin that are not drawn into a picture beside it. */
  covers: ReadonlySet<string>;
};

/** Files that hold the bones, one a region; a region that has none is drawn with the mannequin's own pieces. */
export const BONE_FILES = ['arm.bones', 'leg.bones'] as const;

const VERSION = 1;
const count = z.number().int().nonnegative();
const indexSchema = z.object({
  version: z.literal(VERSION),
  region: z.string(),
  /** Mark of the descriptions that the file was made from. */
  sources: z.string(),
  bones: z.array(
    z.object({
      id: z.string(),
      segment: z.string(),
      covers: z.array(z.string()),
      parts: z.array(
        z.object({
          layer: z.enum(LAYERS),
          low: z.tuple([z.number(), z.number(), z.number()]),
          stepMm: z.number().positive(),
          points: count,
          triangles: count,
          pointsAt: count,
          trianglesAt: count,
        }),
      ),
    }),
  ),
});

/** The same bone of the other side. */
const mirrored = ({ id, segment, surfaces }: TrueBone): TrueBone => ({
  id: otherSide(id),
  segment: otherSide(segment),
  surfaces: surfaces.map(({ layer, home, triangles }) => {
    const points = home.map((mm, i) => (i % 3 === 0 ? -mm : mm));
    // What is mirrored turns the other way round.
    return { layer, points, home: points, triangles: triangles.slice().reverse() };
  }),
});

/**
 * @param files bones of the left side, region by region
 * @returns the bones of both sides
 * @throws RangeError for what is no such file, or one that is cut short
 */
export function readSkeleton(...files: readonly Uint8Array[]): Skeleton {
  const regions = files.map(readRegion);
  const left = regions.flatMap(({ bones }) => bones);
  const covered = regions.flatMap(({ covers }) => covers);
  return { bones: [...left, ...left.map(mirrored)], covers: new Set([...covered, ...covered.map(otherSide)]) };
}

function readRegion(bytes: Uint8Array): { bones: TrueBone[]; covers: string[] } {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const long = bytes.length > 4 ? view.getUint32(0, true) : 0;
  if (long === 0 || 4 + long > bytes.length) throw new RangeError('this is no file of bones, or it is cut short');
  const index = indexOf(bytes.subarray(4, 4 + long));
  const start = Math.ceil((4 + long) / 4) * 4;
  const bones = index.bones.map(({ id, segment, parts }): TrueBone => ({
    id,
    segment,
    surfaces: parts.map(({ layer, low, stepMm, points, triangles, pointsAt, trianglesAt }) => {
      const numbers = (from: number, size: number): Uint16Array => {
        const at = start + from;
        if (at + size * 2 > bytes.length) throw new RangeError(`the file of bones is cut short within ${id}`);
        // A copy of its own, whatever kind of array the bytes come in.
        const own = new Uint8Array(size * 2);
        own.set(bytes.subarray(at, at + size * 2));
        return new Uint16Array(own.buffer);
      };
      const home = Float32Array.from(numbers(pointsAt, points * 3), (step, i) => low[i % 3] + step * stepMm);
      return { layer, points: home, home, triangles: numbers(trianglesAt, triangles * 3) };
    }),
  }));
  return { bones, covers: index.bones.flatMap(({ covers }) => covers) };
}

function indexOf(bytes: Uint8Array): z.infer<typeof indexSchema> {
  try {
    return indexSchema.parse(JSON.parse(Array.from(bytes, (code) => String.fromCharCode(code)).join('')));
  } catch {
    throw new RangeError(`this is no file of bones of version ${VERSION}`);
  }
}

/** Bones of growing bodies have plates and centres that these do not: up to this age the mannequin's own serve. */
const GROWN_FROM_YEARS = 18;
export const hasTrueBones = ({ body }: PosedBody): boolean => body.patient.ageYears >= GROWN_FROM_YEARS;

/** The bones that a body has, where it stands. Ten thousands of points: make it once for many pictures. */
export function standingBones(skeleton: Skeleton, posed: PosedBody): TrueBone[] {
  const { body } = posed;
  return skeleton.bones
    .filter(({ segment }) => !body.gone.has(segment))
    .map(({ id, segment, surfaces }) => {
      const frame = segmentFrame(posed, segment);
      const own = body.segments[segment];
      return {
        id,
        segment,
        surfaces: surfaces.map(({ layer, home, triangles }) => {
          const at = new Float32Array(home.length);
          for (let i = 0; i < home.length; i += 3) {
            const p: Vec3 = [home[i], home[i + 1], home[i + 2]];
            at.set(applyToPoint(frame, pointOn(own, 'frame', p)), i);
          }
          return { layer, points: at, triangles, home };
        }),
      };
    });
}
