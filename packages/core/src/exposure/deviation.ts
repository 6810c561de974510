/** Exposure index and deviation index. Source: IEC 62494-1. */

function positive(name: string, value: number): void {
  if (!(value > 0) || !Number.isFinite(value)) throw new RangeError(`${name} must be a number above 0, got ${value}`);
}

/**
 * Deviation index DI = 10 log10(EI / target): 0 on target, +1 about 26 % over, −3 half.
 * @throws RangeError unless both are above 0
 */
export function deviationIndex(ei: number, target: number): number {
  positive('exposure index', ei);
  positive('target index', target);
  return 10 * Math.log10(ei / target);
}

/** mAs that would have met the target at equal kVp: mAs · 10^(−DI/10). */
export function techniqueForIndex(mAs: number, ei: number, target: number): number {
  positive('mAs', mAs);
  return mAs * 10 ** (-deviationIndex(ei, target) / 10);
}
