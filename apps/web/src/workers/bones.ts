/** The bones of the pictures, loaded when the first picture is asked for; the service worker keeps them on the device. */
import { BONE_FILES, readSkeleton, type Skeleton } from '@taktik/core';

const addressOf = (file: string): string => `/skeleton/${file}.gz`;

async function load(): Promise<Skeleton> {
  const [file] = BONE_FILES;
  const answer = await fetch(addressOf(file));
  if (!answer.ok || !answer.body) throw new RangeError(`status ${answer.status}`);
  const whole = new Response(answer.body.pipeThrough(new DecompressionStream('gzip')));
  return readSkeleton(new Uint8Array(await whole.arrayBuffer()));
}

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
