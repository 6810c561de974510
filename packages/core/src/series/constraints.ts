/** What must come before what in a series, whatever it costs: from what each view settles, waits for and is a part of. */
import type { Projection, Study } from '../projections/schema';
import type { HouseRules } from '../room/houseRules';
import type { Situation } from '../setup/request';

export type Constraint = {
  before: number;
  after: number;
  why: string;
  /** Not of the order alone: the second is not exposed before the first has been read, or looked at. */
  gate: 'read' | 'looked at' | null;
};
type Found = Pick<Constraint, 'why' | 'gate'>;
type Entry = Pick<Projection, 'id' | 'positions' | 'ray' | 'settles' | 'study' | 'waitsFor'>;
type Rule = (before: Entry, after: Entry, situation: Situation, rules: HouseRules) => Found | null;

/** Parts of a study in their order, and why each comes after those before it. */
const AFTER: readonly {
  before: readonly Study['as'][];
  after: readonly Study['as'][];
  why: string;
  gate: Constraint['gate'];
}[] = [
  {
    before: ['scout'],
    after: ['filled', 'level ray', 'emptied'],
    why: 'the scout is read before the contrast goes in',
    gate: 'read',
  },
  {
    before: ['filled'],
    after: ['level ray'],
    why: 'the horizontal beam comes once the organ has been seen filled from all sides',
    gate: null,
  },
  {
    before: ['filled', 'level ray'],
    after: ['emptied'],
    why: 'all filled pictures are checked before it is emptied; the one after emptying is last',
    gate: 'looked at',
  },
];

/** Straight on the back, or straight face down. */
const liesStraight = ({ ray, positions }: Entry, body: 'supine' | 'prone'): boolean =>
  ray.swing.length === 0 && positions[0].body === body;

const RULES_OF_ORDER: readonly Rule[] = [
  (before, after, { spineNotCleared }) =>
    spineNotCleared && before.settles === 'neck' && after.settles !== 'neck'
      ? { why: 'the lateral neck is read before anything else is moved', gate: 'read' }
      : null,
  (before, after) =>
    before.settles && before.settles === after.waitsFor
      ? {
          why:
            before.settles === 'neck'
              ? 'the neutral lateral is read before the neck is flexed or extended'
              : 'the first picture is read before any weight is given',
          gate: 'read',
        }
      : null,
  ({ study: first }, { study: then }) =>
    (first &&
      then &&
      first.of === then.of &&
      AFTER.find(({ before, after }) => before.includes(first.as) && after.includes(then.as))) ||
    null,
  (before, after, _, { upperGiOrder }) => {
    if (before.study?.of !== 'stomach' || after.study?.of !== 'stomach') return null;
    if (upperGiOrder === 'supine' && liesStraight(before, 'supine') && !liesStraight(after, 'supine'))
      return { why: 'house rule: supine first', gate: null };
    if (upperGiOrder === 'prone' && liesStraight(before, 'prone') && !liesStraight(after, 'prone'))
      return { why: 'house rule: prone first', gate: null };
    return null;
  },
];

/** @param entries of the items in their order, those of the department's own among them */
export function constraintsOf(entries: readonly Entry[], situation: Situation, rules: HouseRules): Constraint[] {
  const found: Constraint[] = [];
  for (const rule of RULES_OF_ORDER)
    for (const [before, first] of entries.entries())
      for (const [after, then] of entries.entries()) {
        // The same view of the other side is neither before nor after itself.
        const one = first.id === then.id ? null : rule(first, then, situation, rules);
        if (one) found.push({ before, after, why: one.why, gate: one.gate });
      }
  return found;
}
