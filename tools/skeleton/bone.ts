/** What a bone is made of: its outer surface, how thick its wall is, and where its shaft is hollow. */
import { evened, type Box, type Field, type Vec3 } from './field';

export type Bone = {
  /** Of the body's own piece that it stands for, on the left. */
  id: string;
  /** Other pieces of the body that it stands for as well. */
  covers?: readonly string[];
  segment: string;
  surface: Field;
  box: Box;
  /** Thickness of the compact wall at a point, mm. */
  wall: (p: Vec3) => number;
  /** Marrow without spongy bone: inside, as far from the wall as the field says. */
  hollow?: Field;
  /** Edge of a cell of the grid, mm. */
  cell: number;
};

/** A box round points, wider by `by` mm. */
export function boxRound(points: readonly Vec3[], by: number): Box {
  const ends = (pick: (...values: number[]) => number, sign: number) =>
    [0, 1, 2].map((k) => pick(...points.map((p) => p[k])) + sign * by) as unknown as Vec3;
  return { low: ends(Math.min, -1), high: ends(Math.max, 1) };
}

/** The inner surface of the wall: spongy bone begins here. */
export function hollowedSurface({ surface, wall }: Bone): Field {
  const even = evened(surface);
  return (p) => even(p) + wall(p);
}
