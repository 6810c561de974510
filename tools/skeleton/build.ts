/** `node tools/skeleton.mjs`: makes the bones and writes them where the app and the tests read them. */
import { writeFileSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { CARPALS } from './bones/carpals';
import { FOREARM } from './bones/forearm';
import { LONG_HAND } from './bones/longHand';
import { builtBone, packed, type Built, type Carrier } from './pack';
import { volumeOf } from './surface';

/** The hand of the reference body: from the middle of the wrist to the thumb, to the back of the hand, to the fingers. */
const HAND: Carrier = {
  origin: [268, 8, -89],
  axes: [
    [0.9896, 0, 0.1437],
    [0.0034, 0.9997, -0.0237],
    [0.1436, -0.0239, -0.9893],
  ],
};

export async function buildSkeleton(folder: string, sources: string): Promise<void> {
  const bones: Built[] = [];
  for (const bone of [...CARPALS, ...LONG_HAND, ...FOREARM]) bones.push(await builtBone(bone, HAND));
  const bytes = packed('forearm and hand', sources, bones);
  mkdirSync(folder, { recursive: true });
  writeFileSync(path.join(folder, 'forearm-hand.bones'), bytes);
  let all = 0;
  for (const { id, parts } of bones) {
    const sizes = parts.map(({ layer, mesh }) => {
      all += mesh.triangles.length / 3;
      return `${layer} ${mesh.triangles.length / 3} triangles, ${(volumeOf(mesh) / 1000).toFixed(2)} ml`;
    });
    console.log(`${id.padEnd(22)}${sizes.join('; ')}`);
  }
  console.log(
    `${all} triangles, ${Math.round(bytes.length / 1024)} KB, ${Math.round(gzipSync(bytes).length / 1024)} KB gz`,
  );
}
