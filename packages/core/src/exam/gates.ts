/**
 * Gates of an exam: what must have been read, or looked at, before a view may be exposed. They come from the same facts as
 * the order of a series, and are opened by the pictures themselves or by whoever decides, in writing.
 */
import type { Projection } from '../projections/schema';
import { constraintsOf } from '../series/constraints';
import type { HouseRules } from '../room/houseRules';
import { situationFor, type Situation } from '../setup/request';

export type Gate = {
  /** Under which a decision on it is kept. */
  id: string;
  why: string;
  /** Read by whoever is responsible, whose word is written down; or looked at and accepted by who exposes. */
  asks: 'read' | 'looked at';
  /** Places in the plan of the pictures that it waits for. */
  waitsFor: number[];
  /** Those of them that are not exposed, or not accepted. */
  missing: number[];
};

export type GateState = {
  /** Places that are exposed and whose picture was accepted. */
  accepted: ReadonlySet<number>;
  /** What was written down, by gate. */
  decisions: Readonly<Record<string, string>>;
};

/** Of a name that the record takes. */
const LONGEST_NAME = 60;
/** One word opens it for all views that wait for the same: it is kept with the answers of the exam. */
const nameOf = ({ id, settles, study }: Pick<Projection, 'id' | 'settles' | 'study'>, why: string): string =>
  `gate-${settles ?? study?.of ?? id}-${why}`
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, LONGEST_NAME);

/**
 * The gates that hold a view of the plan.
 * @param entries of the plan in its order, @param place of the view
 * @returns those that still hold it; none once it may be exposed
 * @example openGates([ac, acWithWeights], 1, { accepted: new Set(), decisions: {} }, {}, rules)[0].why // 'the first picture is read before any weight is given'
 */
export function openGates(
  entries: readonly Projection[],
  place: number,
  { accepted, decisions }: GateState,
  situation: Partial<Situation>,
  rules: HouseRules,
): Gate[] {
  if (!entries[place]) return [];
  const gates = new Map<string, Gate>();
  for (const { before, after, why, gate } of constraintsOf(entries, situationFor(undefined, situation), rules)) {
    if (after !== place || gate === null) continue;
    const first = entries[before];
    if (!first) continue;
    const id = nameOf(first, why);
    const known = gates.get(id) ?? { id, why, asks: gate, waitsFor: [], missing: [] };
    known.waitsFor.push(before);
    if (!accepted.has(before)) known.missing.push(before);
    gates.set(id, known);
  }
  return [...gates.values()].filter(({ id, asks, missing }) =>
    (decisions[id] ?? '').trim() !== '' ? false : asks === 'read' || missing.length > 0,
  );
}
