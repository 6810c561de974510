/** Applies the schools that the house rules chose to an entry. */
import { ADULT_AGE_YEARS } from '../body/anthropometry';
import type { Patient } from '../body/patient';
import { patched } from '../quantity/record';
import type { Projection } from '../projections/schema';
import { RULES, type HouseRules, type RuleId } from '../room/houseRules';

/** The entry as one of its schools has it. @param index place of the school in `variants` */
export const withSchool = (projection: Projection, index: number): Projection =>
  patched(projection, projection.variants[index].set);

export type School = { rule: string; title: string; choice: string; reason: string };

type Applied = { projection: Projection; schools: School[] };
/** The same entry under the same choices is the same object: what is known of it is found again. */
const applied = new WeakMap<Projection, Map<string, Applied>>();

/** Schools may differ for children, and angles between women and men. */
type Whom = Pick<Patient, 'ageYears' | 'sex'>;

/** The entry as this department does it for this patient, and which schools that took. */
export function applyRules(projection: Projection, rules: HouseRules, patient?: Whom): Applied {
  const child = patient !== undefined && patient.ageYears < ADULT_AGE_YEARS;
  const sex = patient?.sex;
  let known = applied.get(projection);
  if (!known) applied.set(projection, (known = new Map<string, Applied>()));
  const grown = child || !projection.ray.angleBySex ? undefined : sex;
  const key = [...projection.variants.map(({ rule }) => String(rules[rule as RuleId])), child, grown].join();
  let found = known.get(key);
  if (!found) known.set(key, (found = withRules(forSex(projection, grown), rules, child)));
  return found;
}

/** The tube angle of a woman's or a man's pelvis, where it is known which it is. */
function forSex(projection: Projection, sex: Patient['sex']): Projection {
  const { angleBySex } = projection.ray;
  return sex && angleBySex ? { ...projection, ray: { ...projection.ray, angleDeg: angleBySex[sex] } } : projection;
}

function withRules(projection: Projection, rules: HouseRules, child: boolean): Applied {
  let entry = projection;
  const schools: School[] = [];
  const variants = projection.variants.filter(({ when }) => when !== 'child' || child);
  for (const rule of new Set(variants.map((variant) => variant.rule))) {
    const definition = RULES[rule as RuleId];
    const choice = String(rules[rule as RuleId]);
    const variant = variants.find((each) => each.rule === rule && each.choice === choice);
    if (variant) entry = patched(entry, variant.set);
    schools.push({
      rule,
      title: definition.title,
      choice: (definition.choices as Record<string, string>)[choice],
      reason: variant ? variant.reason : definition.reason,
    });
  }
  return { projection: entry, schools };
}
