/** The routine of an exam as this department takes it: which views give their place to others under the rules of the house. */
import { hasProjection, projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { RULES, type HouseRules, type RuleId } from '../room/houseRules';

export type House = {
  rules: HouseRules;
  /** Some rules are for small children. */
  ageYears: number | null;
};
/** A rule that changed the routine. */
export type HouseChange = { rule: RuleId; title: string; choice: string; reason: string };
export type Taken = { ids: string[]; changes: HouseChange[] };

type Variant = Projection['variants'][number];

/** The choice of the house that gives the place of this entry to others, or takes it once. */
function choiceFor(entry: Projection, { rules, ageYears }: House): Variant | undefined {
  return entry.variants.find(
    ({ rule, choice, takes, oneSide, underYears }) =>
      (takes !== undefined || oneSide === true) &&
      rules[rule as RuleId] === choice &&
      (underYears === undefined || (ageYears !== null && ageYears < underYears)),
  );
}

/**
 * @param ids views in their order, as an exam or an order makes them
 * @param named views that the order names: they stay as they are asked for
 * @param sideOrdered one side of the body was asked for
 * @example asTakenHere(['sacrum-coccyx-lateral'], { rules: withDefaults({ sacrumCoccyxLateral: 'separate' }), ageYears: 40 }, { named: [], sideOrdered: false }).ids // sacrum-lateral, coccyx-lateral
 */
export function asTakenHere(
  ids: readonly string[],
  house: House,
  { named, sideOrdered }: { named: readonly string[]; sideOrdered: boolean },
): Taken {
  const changes = new Map<RuleId, HouseChange>();
  const seen = new Set<string>();
  const taken = ids.flatMap((id): string[] => {
    const again = seen.has(id);
    seen.add(id);
    if (named.includes(id) || !hasProjection(id)) return [id];
    const variant = choiceFor(projectionOf(id), house);
    if (!variant) return [id];
    const instead = variant.takes ?? (again && sideOrdered ? [] : [id]);
    if (instead.length === 1 && instead[0] === id) return [id];
    const rule = variant.rule as RuleId;
    const { title, choices } = RULES[rule];
    changes.set(rule, {
      ...{ rule, title, reason: variant.reason },
      choice: (choices as Record<string, string>)[variant.choice]!,
    });
    return [...instead];
  });
  // What stands in the routine already is not taken twice because of a rule.
  const made = taken.filter((id, i) => ids.includes(id) || taken.indexOf(id) === i);
  const once = made.filter((id, i) => !(made.indexOf(id) < i && ids.filter((each) => each === id).length < 2));
  return { ids: once, changes: [...changes.values()] };
}
