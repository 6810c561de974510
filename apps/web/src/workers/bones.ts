/** The bones of the pictures, loaded when the first picture is asked for; the service worker keeps them on the device. */
import { BONE_FILES, readSkeleton, type Skeleton } from '@taktik/core';

const addressOf = (file: string): string => `/skeleton/${file}.gz`;

async function bytesOf(file: string): Promise<Uint8Array> {
  const answer = await fetch(addressOf(file));
  if (!answer.ok || !answer.body) throw new RangeError(`status ${answer.status}`);
  const whole = new Response(answer.body.pipeThrough(new DecompressionStream('gzip')));
  return new Uint8Array(await whole.arrayBuffer());
}

const load = async (): Promise<Skeleton> => readSkeleton(...(await Promise.all(BONE_FILES.map(bytesOf))));

let loading: Promise<Skeleton> | undefined;

/**
 * Asked for again after a failure, and once only after a success.
 * @throws Error when they can neither be fetched nor are kept on the device
 */
export function loadedBones(): Promise<Skeleton> {
  loading ??= load().catch((error: unknown) => {
    loading = undefined;
    throw error;
  });
  return loading;
}
