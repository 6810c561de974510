/**
 * Bones as one binary file: a length, an index as JSON, then points (16 bits a coordinate) and triangles (16 bits a
 * corner) of each surface. Read by the core's `readSkeleton`.
 */
import { hollowedSurface, type Bone } from './bone';
import { toBody, type Carrier } from './carrier';
import type { Field } from './field';
import { largestPiece, openEdges, simplified, surfaceOf, volumeOf, type Mesh } from './surface';

/** A wall's outside is seen; its inside blurs. */
const TOLERANCE_MM = { wall: 0.08, spongy: 0.15, marrow: 0.15 } as const;
/** Points are rounded to this, or to what a long bone needs to fit into 16 bits. */
const STEP_MM = 0.005;
const MOST_STEPS = 65535;

const carried = (carrier: Carrier, { points, triangles }: Mesh): Mesh => {
  const out = new Float32Array(points.length);
  for (let i = 0; i < points.length; i += 3) out.set(toBody(carrier, [points[i], points[i + 1], points[i + 2]]), i);
  const mesh = { points: out, triangles };
  return volumeOf(mesh) > 0 ? mesh : { points: out, triangles: triangles.slice().reverse() };
};

export type Layer = 'wall' | 'spongy' | 'marrow';
export type Part = { layer: Layer; mesh: Mesh };
export type Built = { id: string; segment: string; covers: readonly string[]; parts: Part[] };

async function partOf(layer: Layer, field: Field, bone: Bone, carrier: Carrier): Promise<Part | null> {
  const raw = surfaceOf(field, bone.box, bone.cell);
  if (raw.triangles.length === 0) return null;
  const { mesh: whole, pieces } = largestPiece(raw);
  if (layer === 'wall' && pieces > 1) throw new RangeError(`${bone.id} falls into ${pieces} pieces`);
  const mesh = carried(carrier, await simplified(whole, TOLERANCE_MM[layer]));
  if (openEdges(mesh) > 0) throw new RangeError(`${bone.id}: the ${layer} surface is not closed`);
  return { layer, mesh };
}

export async function builtBone(bone: Bone, carrier: Carrier): Promise<Built> {
  const parts = [
    await partOf('wall', bone.surface, bone, carrier),
    await partOf('spongy', hollowedSurface(bone), bone, carrier),
    bone.hollow ? await partOf('marrow', bone.hollow, bone, carrier) : null,
  ].filter((part): part is Part => part !== null);
  return { id: bone.id, segment: bone.segment, covers: [bone.id, ...(bone.covers ?? [])], parts };
}

/** @param sources mark of the descriptions it is made from @returns the bytes of the file */
export function packed(region: string, sources: string, bones: readonly Built[]): Uint8Array {
  const chunks: Uint8Array[] = [];
  let at = 0;
  const put = (values: Uint16Array): number => {
    const from = at;
    chunks.push(new Uint8Array(values.buffer, values.byteOffset, values.byteLength));
    at += values.byteLength;
    return from;
  };
  const index = {
    version: 1,
    region,
    sources,
    bones: bones.map(({ id, segment, covers, parts }) => ({
      id,
      segment,
      covers,
      parts: parts.map(({ layer, mesh: { points, triangles } }) => {
        const ends = [0, 1, 2].map((k) => {
          const values = points.filter((_, i) => i % 3 === k);
          return [values.reduce((a, b) => Math.min(a, b)), values.reduce((a, b) => Math.max(a, b))] as const;
        });
        const low = ends.map(([least]) => Math.round(least * 1000) / 1000);
        const longest = Math.max(...ends.map(([least, largest]) => largest - least));
        const stepMm = Math.max(STEP_MM, Math.ceil((longest / MOST_STEPS) * 10_000) / 10_000);
        const steps = Uint16Array.from(points, (mm, i) => Math.max(0, Math.round((mm - low[i % 3]) / stepMm)));
        return {
          layer,
          low,
          stepMm,
          points: points.length / 3,
          triangles: triangles.length / 3,
          pointsAt: put(steps),
          trianglesAt: put(Uint16Array.from(triangles)),
        };
      }),
    })),
  };
  const text = new TextEncoder().encode(JSON.stringify(index));
  const start = Math.ceil((text.length + 4) / 4) * 4;
  const bytes = new Uint8Array(start + at);
  new DataView(bytes.buffer).setUint32(0, text.length, true);
  bytes.set(text, 4);
  let to = start;
  for (const chunk of chunks) {
    bytes.set(chunk, to);
    to += chunk.length;
  }
  return bytes;
}
