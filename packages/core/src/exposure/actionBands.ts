/** What follows from a deviation index. Source: report of a task group on exposure indices; the gaps are called acceptable. */
import { z } from 'zod';

export type ActionBand = {
  id: 'far under' | 'under' | 'acceptable' | 'on target' | 'over' | 'far over';
  action: string;
};
const edge = (name: string) => {
  const error = `${name} must be 0.1 to 10`;
  return z.number({ error }).min(0.1, { error }).max(10, { error });
};
/** Edges of the bands, deviation index. */
export const bandEdgesSchema = z
  .strictObject({ target: edge('On target to'), acceptable: edge('Acceptable to'), far: edge('Far off from') })
  .refine(({ target, acceptable, far }) => acceptable >= target && far > acceptable, {
    error: 'The edges of the bands must rise: on target, acceptable, far off',
  });
export type BandEdges = z.infer<typeof bandEdgesSchema>;
export const defaultBands: BandEdges = { target: 0.5, acceptable: 1, far: 3 };

const ACTIONS: Record<ActionBand['id'], string> = {
  'far under': 'Repeat if the noise hides what was asked: ask the radiologist',
  under: 'Look closer: repeat only if the noise hides what was asked',
  acceptable: 'Accept',
  'on target': 'Accept',
  over: 'Look closer: repeat only if something is lost in black',
  'far over': 'Never repeat for this alone; find out why, and tell whoever looks after the room',
};

/** What is to be done with the picture. */
export type Advised = 'accept' | 'look closer' | 'repeat';
export const advisedBy = ({ id }: ActionBand): Advised =>
  id === 'on target' || id === 'acceptable' ? 'accept' : id === 'far under' ? 'repeat' : 'look closer';

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
