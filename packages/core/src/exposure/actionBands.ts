/** What follows from a deviation index. Source: report of a task group on exposure indices; the gaps are called acceptable. */

export type ActionBand = {
  id: 'far under' | 'under' | 'acceptable' | 'on target' | 'over' | 'far over';
  action: string;
};
/** Edges of the bands, deviation index. */
export type BandEdges = { target: number; acceptable: number; far: number };
export const defaultBands: BandEdges = { target: 0.5, acceptable: 1, far: 3 };

const ACTIONS: Record<ActionBand['id'], string> = {
  'far under': 'Repeat if the noise hides what was asked: ask the radiologist',
  under: 'Look closer: repeat only if the noise hides what was asked',
  acceptable: 'Accept',
  'on target': 'Accept',
  over: 'Look closer: repeat only if something is lost in black',
  'far over': 'Never repeat for this alone; find out why, and tell whoever looks after the room',
};

/** @throws RangeError unless the edges rise */
export function bandOf(di: number, { target, acceptable, far }: BandEdges = defaultBands): ActionBand {
  if (!(target > 0 && acceptable >= target && far > acceptable))
    throw new RangeError(`the edges of the bands must rise from above 0, got ${target}, ${acceptable}, ${far}`);
  const size = Math.abs(di);
  const id =
    size <= target
      ? 'on target'
      : size <= acceptable
        ? 'acceptable'
        : size <= far
          ? di < 0
            ? 'under'
            : 'over'
          : di < 0
            ? 'far under'
            : 'far over';
  return { id, action: ACTIONS[id] };
}
