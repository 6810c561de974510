import type { StageLook } from '@taktik/core';

/** Widths of the columns beside the stage on a wide screen. */
export const SERIES_WIDTH = 262;
export const RIGHT_WIDTH = 336;
const GUTTER = 24;
/** A window may be narrower than any drawing can be; the stage is then cut, not broken. */
const LEAST = 160;

/** Pixels of each look: a phone shows one, a wide screen both side by side. */
export function stageSize(
  available: number,
  height: number,
  wide: boolean,
): Record<StageLook, { width: number; height: number }> {
  if (!wide) {
    const size = {
      width: Math.max(LEAST, Math.min(available - GUTTER, 720)),
      height: Math.round(Math.min(Math.max(height * 0.36, 240), 420)),
    };
    return { side: size, ray: size };
  }
  const middle = Math.max(2 * LEAST, available - SERIES_WIDTH - RIGHT_WIDTH - 36);
  const tall = Math.max(360, height - 230);
  return {
    side: { width: Math.round(middle * 0.58), height: tall },
    ray: { width: Math.round(middle * 0.42), height: tall },
  };
}
