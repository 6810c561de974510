/** Sides that an order says part by part: "left knee and right ankle" is no order for both of both. */
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { sidesIn, type BodySide } from '../interchange/orderGuard';

export type Stretch = { from: number; to: number };
/** Sides by view, where not all parts of the order are of the same; null where they are. */
export type SidesByView = Readonly<Record<string, readonly BodySide[]>> | null;

const BOTH: ReadonlySet<BodySide> = new Set<BodySide>(['left', 'right']);
const BREAK = /,|\band\b|\bwith\b/g;

/**
 * What stands before and behind each part and is said of it: between two of them as far as the last break; where there is
 * none, the sides stand either all before their parts or all behind them, as the first does.
 */
function beside(text: string, parts: readonly Stretch[]): { before: string; behind: string }[] {
  const first = parts[0]!;
  const sidesFirst = sidesIn(text.slice(0, first.from)).size > 0;
  const gaps = parts.slice(1).map(({ from }, i): [string, string] => {
    const gap = text.slice(parts[i]!.to, from);
    const last = [...gap.matchAll(BREAK)].at(-1);
    if (last) return [gap.slice(0, last.index), gap.slice(last.index + last[0].length)];
    return sidesFirst ? ['', gap] : [gap, ''];
  });
  return parts.map(({ to }, i) => ({
    before: gaps[i - 1]?.[1] ?? (i === 0 ? text.slice(0, first.from) : ''),
    behind: gaps[i]?.[0] ?? text.slice(to),
  }));
}

/**
 * @param text the order in plain words; @param parts where its parts are named, in their order
 * @returns the sides said of each; of one that none is said of, those of the part before it, else of the part behind; of
 * one that is taken of both where none is said, as obliques of a spine, both
 * @example sidesOfParts('left knee and right ankle', [{ from: 5, to: 9, ids }, { from: 20, to: 25, ids }]) // left; right
 */
export function sidesOfParts(
  text: string,
  parts: readonly (Stretch & { ids: readonly string[] })[],
): ReadonlySet<BodySide>[] {
  const own = beside(text, parts).map(({ before, behind }, i) =>
    // The part itself tells whether "left lateral" is a side of it or a position, and "hands" are both.
    sidesIn(`${before} ${text.slice(parts[i]!.from, parts[i]!.to)} ${behind}`),
  );
  const said = own.findIndex((sides) => sides.size > 0);
  let last = own[said];
  if (!last) return own;
  return own.map((sides, i) => {
    if (sides.size > 0) return (last = sides);
    const sided = parts[i]!.ids.map(projectionOf).filter((entry) => entry.sided === 'each');
    return sided.length > 0 && sided.every(ofBoth) ? BOTH : last!;
  });
}

const PAIR = /\b(hands|feet|knees|wrists|elbows|shoulders|ankles|hips|forearms|heels|clavicles|femurs)\b/;
const SIDE_BEFORE = /\b(left|right|both|bilateral) ?$/;
const SIDE_BEHIND = /^ ?(left|right|both|bilateral)\b/;
/** The side right before or right behind some words; '' where there is none. */
export const sideAt = (text: string, { from, to }: Stretch): string =>
  SIDE_BEFORE.exec(text.slice(0, from))?.[1] ?? SIDE_BEHIND.exec(text.slice(to))?.[1] ?? '';

/** The side of its own that a view of a limb has in its words: "bilateral knees AP, right sunrise". */
export const sideOfItsOwn = (before: string, ids: readonly string[]): BodySide | null => {
  const side = SIDE_BEFORE.exec(before)?.[1];
  const ofLimb = ids.some((id) => OF_LIMB.has(projectionOf(id).region));
  return ofLimb && (side === 'left' || side === 'right') ? side : null;
};
const OF_LIMB: ReadonlySet<Projection['region']> = new Set<Projection['region']>([
  'hand and wrist',
  'forearm, elbow, humerus',
  'shoulder',
  'foot and ankle',
  'leg and knee',
  'femur, hip, pelvis',
]);

export type ViewSide = { ids: readonly string[]; side: BodySide | null };

/**
 * Sides of the views of one part.
 * @param said those that the order says of the part anywhere
 * @param views those that it names, each with the side of its own; @param others of the part besides
 */
export function viewsWithSides(
  text: string,
  at: Stretch,
  said: ReadonlySet<BodySide>,
  views: readonly ViewSide[],
  others: readonly string[],
): { ids: readonly string[]; sides: ReadonlySet<BodySide> }[] {
  if (views.every(({ side }) => side === null))
    return [{ ids: [...views.flatMap(({ ids }) => ids), ...others], sides: said }];
  const near = sideAt(text, at);
  const ofPart =
    near === 'left' || near === 'right'
      ? new Set([near] as const)
      : near !== '' || PAIR.test(text.slice(at.from, at.to))
        ? BOTH
        : said;
  return [
    ...views.map(({ ids, side }) => ({ ids, sides: side === null ? ofPart : new Set([side]) })),
    { ids: others, sides: ofPart },
  ];
}

/** An entry whose side is the side that lies down: no side of the body is asked for by it. */
export const sideLiesDown = ({ positions }: Projection): boolean =>
  positions[0].body === 'lateral-recumbent' && positions[0].beam === 'horizontal';

/** Regions in which a view of one side is taken of both where none is named: obliques of a spine, laterals of a jaw. */
const OF_BOTH: ReadonlySet<Projection['region']> = new Set<Projection['region']>([
  'spine',
  'skull and face',
  'contrast overheads',
  'abdomen',
]);
/** Whether a view of one side is taken of both where no side is named. */
export const ofBoth = (entry: Projection): boolean =>
  entry.sided === 'each' && (sideLiesDown(entry) || OF_BOTH.has(entry.region));

/** @param parts views of each part, with the sides said of it */
export function sidesByView(parts: readonly { ids: readonly string[]; sides: ReadonlySet<BodySide> }[]): SidesByView {
  const sided = parts.filter(({ ids, sides }) => ids.length > 0 && sides.size > 0);
  const kinds = new Set(sided.map(({ sides }) => [...sides].sort().join()));
  if (kinds.size < 2) return null;
  const found = new Map<string, Set<BodySide>>();
  for (const { ids, sides } of sided)
    for (const id of ids) found.set(id, new Set([...(found.get(id) ?? []), ...sides]));
  return Object.fromEntries([...found].map(([id, sides]) => [id, [...sides].sort()]));
}

/**
 * @returns sides that are said of a view, or of the part that it shows where it stands for another view of it; null where
 * the order says none of them apart
 */
export function sidesOfView(sided: SidesByView, id: string): readonly BodySide[] | null {
  if (!sided) return null;
  if (sided[id]) return sided[id];
  const { part } = projectionOf(id);
  const alike = Object.keys(sided).filter((each) => projectionOf(each).part === part);
  return alike.length === 0 ? null : [...new Set(alike.flatMap((each) => sided[each]!))].sort();
}
