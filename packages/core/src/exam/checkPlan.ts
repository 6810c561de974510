/** Whether the plan covers what was ordered - and not more: more is a fault too, for the reader, the bill and the dose. */
import { formsIn } from '../adapt/forms';
import { hasProjection, projectionOf } from '../projections/catalogue';
import { digitOf, digitsOf, withDigit } from '../projections/digit';
import type { Projection } from '../projections/schema';
import { askedWay } from '../setup/placing/adaptedWay';
import type { Exam } from '../projections/exams';
import { listWords } from '../quantity/text';
import { notXray, otherSideInReason, sidesIn } from '../interchange/orderGuard';
import { asTakenHere, type House } from './houseViews';
import { namedIds, orderedExam, plannedFor, type Ordered, type Planned } from './orderedExam';
import { sidesOfView } from './orderSides';
import { plannedEntry } from './plannedEntry';

export type PlanFinding = {
  kind: 'more' | 'less' | 'side' | 'twice' | 'unknown';
  text: string;
  /** Place in the plan, where one projection is meant. */
  item: number | null;
  /** The named form that puts it right. */
  formId?: string;
};

/** Vertebrae are called by their numbers alone. */
const the = (part: string): string => (/^[CTLS]\d/.test(part) ? part : `the ${part}`);
const other = { left: 'right', right: 'left' } as const;

/** A swap shows about as much as what it stands for: more of the body is more than was ordered. */
const AS_MUCH = 1.5;
const fieldOf = ({ exposure }: Projection): number => exposure.chart.fieldMm[0] * exposure.chart.fieldMm[1];
const swapsFor = (entry: Projection): Projection[] =>
  entry.instead
    .filter(({ projection }) => hasProjection(projection))
    .map(({ projection }) => projectionOf(projection))
    .filter((swap) => fieldOf(swap) <= AS_MUCH * fieldOf(entry));

/** Both obliques of one knee are of one side. */
const asksBoth = (words: string): boolean => sidesIn(words).size === 2;
/** Whether a plan takes sided views of a side; one without sided views has both. */
const takes = (plan: readonly Planned[], side: 'left' | 'right'): boolean => {
  const sided = plan.filter(
    ({ projectionId }) => hasProjection(projectionId) && projectionOf(projectionId).sided === 'each',
  );
  return sided.length === 0 || sided.some((each) => each.side === side);
};

/** Other digits of one hand are other views. */
const sameView = (a: Planned, b: Planned): boolean =>
  a.projectionId === b.projectionId && a.side === b.side && askedWay(a.way).digit === askedWay(b.way).digit;

/** What the order makes here, under the rules of the house. */
const takenOf = (ordered: Ordered, order: { side: 'left' | 'right' | null }, house: House | null): readonly string[] =>
  house
    ? asTakenHere(ordered.projections, house, { named: namedIds(ordered), sideOrdered: order.side !== null }).ids
    : ordered.projections;

/**
 * @param exams the department's exams
 * @param own entries of the department's own
 * @param house its rules, and the age of the patient: some change the routine
 */
export function checkPlan(
  order: { exam: string; side: 'left' | 'right' | null; reason?: string },
  plan: readonly Planned[],
  exams?: readonly Exam[],
  own: readonly Projection[] = [],
  house: House | null = null,
): PlanFinding[] {
  const findings: PlanFinding[] = [];
  const put = (kind: PlanFinding['kind'], text: string, item: number | null = null, formId?: string) =>
    findings.push({ kind, text, item, ...(formId && { formId }) });
  const entries = plan.map((planned) => plannedEntry(planned, own));

  const meant = orderedExam(order.exam, exams, order.reason);
  const ordered = meant && { ...meant, projections: takenOf(meant, order, house) };

  plan.forEach(({ side, projectionId }, item) => {
    const entry = entries[item];
    if (!entry || entry.sided !== 'each') return;
    const apart = hasProjection(projectionId) ? sidesOfView(ordered?.sided ?? null, projectionId) : null;
    if (!side) put('side', `${entry.name} needs a side`, item);
    else if (apart !== null && !apart.includes(side))
      put('side', `${entry.name} is planned for the ${side}; the order says the ${apart[0]!} of it`, item);
    else if (apart === null && order.side && side === other[order.side])
      put('side', `${entry.name} is planned for the ${side}; the ${order.side} side was ordered`, item);
    const first = plan.findIndex((each) => sameView(each, plan[item]));
    if (first < item) put('twice', `${entry.name} is planned twice`, item);
  });
  plan.forEach((_, item) => {
    const entry = entries[item];
    const first = plan.findIndex((each) => sameView(each, plan[item]));
    if (entry?.sided === 'none' && first < item) put('twice', `${entry.name} is planned twice`, item);
  });

  if (!ordered) {
    const other = notXray(order.exam);
    if (other !== null) {
      put(
        'unknown',
        `“${order.exam}” asks for ${other}, not for an x-ray: ask whoever ordered it before anything is exposed`,
      );
      return findings;
    }
    put('unknown', `No exam here is called “${order.exam}”: check the plan against the order by eye`);
    return findings;
  }
  // What was named is in the plan, or its absence is said; what nothing answers to is said too.
  for (const { words, projectionId } of ordered.named) {
    if (projectionId === null)
      put('less', `“${words}” was named in the order and no view here answers to it: read the order`);
    else if (!plan.some((each) => each.projectionId === projectionId))
      put('less', `“${words}” was named in the order; ${projectionOf(projectionId).name} is not in the plan`);
  }
  // A view of one digit is set for the one that was ordered.
  for (const digit of ordered.digits)
    for (const entry of [...new Set(ordered.projections)].filter(hasProjection).map(projectionOf)) {
      const rows = plan.flatMap((each, item) => (each.projectionId === entry.id ? [item] : []));
      if (rows.length === 0 || !digitsOf(entry).includes(digit)) continue;
      const set = rows.map((item) => askedWay(plan[item].way).digit ?? digitOf(entry));
      // A view that is set for none shows them all.
      if (!set.includes(digit) && !set.includes(null))
        put('less', `${withDigit(entry, digit).name} was ordered; the plan has ${entries[rows[0]]!.name}`, rows[0]);
    }
  // A form is a view done another way: planned as usual it is not what was asked for.
  for (const { id, name, projectionId } of ordered.exam ? [] : formsIn(order.exam)) {
    const item = plan.findIndex((each) => each.projectionId === projectionId);
    if (item < 0) put('less', `${name} was asked for; ${projectionOf(projectionId).name} is not in the plan`, null, id);
    else if (!plan[item].way) put('less', `${name} was asked for; the plan has the view as usual`, item, id);
  }
  // Sides that are said of one part and not of another.
  for (const [id, sides] of Object.entries(ordered.sided ?? {})) {
    const planned = plan.filter(({ projectionId, side }) => projectionId === id && side !== undefined);
    for (const side of sides)
      if (planned.length > 0 && !planned.some((each) => each.side === side))
        put('less', `${projectionOf(id).name} of the ${side} was ordered too; it is not in the plan`);
  }
  const apart = order.side && order.reason !== undefined ? otherSideInReason(order.side, order.reason) : null;
  if (apart)
    put(
      'side',
      `The ${order.side} side was ordered, and the reason speaks of the ${apart}: ask before anything is exposed`,
    );
  if (asksBoth(order.exam) && !(['left', 'right'] as const).every((each) => takes(plan, each)))
    put('less', 'The order says both sides; the plan has one');
  const template = ordered.projections.filter(hasProjection).map(projectionOf);
  const parts = new Set(template.map(({ part }) => part));
  const swaps = new Set(template.flatMap((entry) => swapsFor(entry).map(({ id }) => id)));
  entries.forEach((entry, item) => {
    if (!entry || parts.has(entry.part) || swaps.has(entry.id)) return;
    put('more', `${entry.name} shows ${the(entry.part)}; ordered: ${ordered.name} (${listWords([...parts])})`, item);
  });
  const views = entries.filter((entry) => entry && parts.has(entry.part)).length;
  const usual = plannedFor(ordered.projections, order.side, ordered).length;
  if (ordered.exam && views > usual && order.side !== null)
    put('more', `${views} views; ${ordered.name} has ${usual} here`);
  const missing = template.filter(
    ({ part }) =>
      !entries.some(
        (entry) =>
          entry &&
          (entry.part === part ||
            template.some((each) => each.part === part && swapsFor(each).some(({ id }) => id === entry.id))),
      ),
  );
  if (missing.length > 0)
    put(
      'less',
      `${ordered.name} has here too: ${missing.map(({ name }) => name).join('; ')}. Neither that nor anything instead is in the plan`,
    );
  return findings;
}
