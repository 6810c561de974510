/** `node tools/skeleton.mjs`: makes the bones and writes them where the app and the tests read them. */
import { writeFileSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Bone } from './bone';
import { CARPALS } from './bones/carpals';
import { FOREARM, straightUlna } from './bones/forearm';
import { humerusOf } from './bones/humerus';
import { LEG } from './bones/leg';
import { LONG_HAND } from './bones/longHand';
import { BODY, HAND, type Carrier } from './carrier';
import { builtBone, packed, type Built } from './pack';
import { volumeOf } from './surface';

/** A file for each region: what is pictured together is loaded together. */
const REGIONS: readonly { file: string; region: string; bones: readonly (readonly [Bone, Carrier])[] }[] = [
  {
    file: 'arm.bones',
    region: 'arm',
    bones: [
      ...[...CARPALS, ...LONG_HAND, ...FOREARM].map((bone) => [bone, HAND] as const),
      [humerusOf(straightUlna), BODY],
    ],
  },
  { file: 'leg.bones', region: 'leg', bones: LEG.map((bone) => [bone, BODY] as const) },
];

export async function buildSkeleton(folder: string, sources: string, only?: string): Promise<void> {
  mkdirSync(folder, { recursive: true });
  for (const { file, region, bones } of REGIONS.filter((each) => !only || each.region === only)) {
    const built: Built[] = [];
    for (const [bone, carrier] of bones) built.push(await builtBone(bone, carrier));
    const bytes = packed(region, sources, built);
    writeFileSync(path.join(folder, file), bytes);
    let all = 0;
    for (const { id, parts } of built) {
      const sizes = parts.map(({ layer, mesh }) => {
        all += mesh.triangles.length / 3;
        return `${layer} ${mesh.triangles.length / 3} triangles, ${(volumeOf(mesh) / 1000).toFixed(2)} ml`;
      });
      console.log(`${id.padEnd(24)}${sizes.join('; ')}`);
    }
    const [kb, gz] = [bytes, gzipSync(bytes)].map(({ length }) => Math.round(length / 1024));
    console.log(`${file}: ${all} triangles, ${kb} KB, ${gz} KB gz`);
  }
}
