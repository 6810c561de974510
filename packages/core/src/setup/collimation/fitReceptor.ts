/** Which receptor, which way up. */
import { tiltToFit } from '../../geometry/rectangle';
import type { Receptor } from '../../room/room';

export type FitOptions = {
  /** May lie on the diagonal. */
  diagonal?: boolean;
  /** May be taken as several exposures along the long side, with this overlap. */
  split?: boolean;
  overlapMm?: number;
};

export type ReceptorFit = {
  outcome: 'lengthwise' | 'crosswise' | 'diagonal' | 'split' | 'too small';
  receptor: Receptor;
  orientation: 'lengthwise' | 'crosswise';
  tiltDeg: number;
  exposures: number;
};

/** Usual overlap of two exposures along one bone. */
export const SPLIT_OVERLAP_MM = 50;

/**
 * The smallest receptor that takes the field: straight, else on the diagonal, else in the fewest exposures; else the
 * largest one, which is then too small.
 * @param needed field at the receptor, height along the body, mm
 * @param receptors available ones, at least one
 * @throws RangeError without receptors or with a field that is not above 0
 */
export function fitReceptor(
  needed: { widthMm: number; heightMm: number },
  receptors: readonly Receptor[],
  options: FitOptions = {},
): ReceptorFit {
  const { widthMm: w, heightMm: h } = needed;
  if (!(w > 0) || !(h > 0)) throw new RangeError(`the field must be above 0 mm both ways, got ${w} × ${h}`);
  if (receptors.length === 0) throw new RangeError('there is no receptor to fit');
  const bySize = [...receptors].sort((a, b) => a.widthMm * a.heightMm - b.widthMm * b.heightMm);
  const straight = (outcome: 'lengthwise' | 'crosswise', receptor: Receptor): ReceptorFit => ({
    outcome,
    receptor,
    orientation: outcome,
    tiltDeg: 0,
    exposures: 1,
  });

  // Where both ways fit, the long side of the field goes along the long side of the receptor: most room at the edges.
  const ways = w > h ? (['crosswise', 'lengthwise'] as const) : (['lengthwise', 'crosswise'] as const);
  for (const receptor of bySize) {
    for (const orientation of ways) {
      if (orientation === 'crosswise' && receptor.fixed) continue;
      const [across, along] =
        orientation === 'lengthwise' ? [receptor.widthMm, receptor.heightMm] : [receptor.heightMm, receptor.widthMm];
      if (w <= across && h <= along) return straight(orientation, receptor);
    }
  }
  if (options.diagonal) {
    for (const receptor of bySize) {
      if (receptor.fixed) continue;
      const tiltDeg = tiltToFit(w, h, receptor.widthMm, receptor.heightMm);
      if (tiltDeg !== null) return { outcome: 'diagonal', receptor, orientation: 'lengthwise', tiltDeg, exposures: 1 };
    }
  }
  if (options.split) {
    const overlap = options.overlapMm ?? SPLIT_OVERLAP_MM;
    let best: ReceptorFit | undefined;
    for (const receptor of bySize) {
      for (const orientation of ['lengthwise', 'crosswise'] as const) {
        const across = orientation === 'lengthwise' ? receptor.widthMm : receptor.heightMm;
        const along = orientation === 'lengthwise' ? receptor.heightMm : receptor.widthMm;
        if ((orientation === 'crosswise' && receptor.fixed) || w > across || along <= overlap) continue;
        const exposures = Math.max(1, Math.ceil((h - overlap) / (along - overlap) - 1e-9));
        if (!best || exposures < best.exposures)
          best = { outcome: 'split', receptor, orientation, tiltDeg: 0, exposures };
      }
    }
    if (best) return best;
  }
  const largest = bySize[bySize.length - 1];
  const crosswise = !largest.fixed && w > h;
  return {
    outcome: 'too small',
    receptor: largest,
    orientation: crosswise ? 'crosswise' : 'lengthwise',
    tiltDeg: 0,
    exposures: 1,
  };
}
