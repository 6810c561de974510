/** The bones as they ship, for tests: the core itself reads no files. */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { BONE_FILES, readSkeleton, type Skeleton } from '../body/skeleton';

export const boneBytes = (file: string = BONE_FILES[0]): Uint8Array =>
  new Uint8Array(readFileSync(path.join(__dirname, '../../skeleton', file)));

let read: Skeleton | undefined;
export const trueBones = (): Skeleton => (read ??= readSkeleton(...BONE_FILES.map((file) => boneBytes(file))));
