/** The rows of a plan: one view a row, and a view of both sides that are exposed one after the other is one row with two sides. */
import type { Planned } from '../../state/session';

/** Places in the plan that a row stands for: one, or two sides of one view. */
export type PlanRow = readonly [number] | readonly [number, number];

const otherSide = (a: Planned, b: Planned): boolean =>
  a.projectionId === b.projectionId &&
  a.side !== undefined &&
  b.side !== undefined &&
  a.side !== b.side &&
  a.way === b.way;

/** @param done places that are exposed: they are rows of their own, since they stay where they are */
export function planRows(plan: readonly Planned[], done: readonly number[]): PlanRow[] {
  const rows: PlanRow[] = [];
  for (let at = 0; at < plan.length; at += 1) {
    const next = plan[at + 1];
    const pair = next && otherSide(plan[at]!, next) && !done.includes(at) && !done.includes(at + 1);
    rows.push(pair ? [at, at + 1] : [at]);
    if (pair) at += 1;
  }
  return rows;
}

/** The plan with one row in the place of another. */
export function withRowAt(plan: readonly Planned[], rows: readonly PlanRow[], from: number, to: number): Planned[] {
  const moved = rows[from];
  if (!moved || to < 0 || to >= rows.length) return [...plan];
  const others = rows.filter((_, row) => row !== from);
  others.splice(to, 0, moved);
  return others.flat().map((at) => plan[at]!);
}

/** The plan with others in the places of a row; none drops it. */
export const withRow = (plan: readonly Planned[], row: PlanRow, instead: readonly Planned[]): Planned[] =>
  plan.flatMap((planned, at) => (at === row[0] ? instead : at === row[1] ? [] : [planned]));
