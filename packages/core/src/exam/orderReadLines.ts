/** What each word of an order was taken for, in lines, the doubtful ones marked. */
import { projectionOf } from '../projections/catalogue';
import { digitName, digitOf } from '../projections/digit';
import { asWritten } from './orderWords';
import { plannedFor, type Ordered } from './orderedExam';
import { sideLiesDown } from './orderSides';

export type OrderReadLine = { text: string; doubtful: boolean };

/** Views that are set for another digit than the one that the order names, by that digit. */
function setForAnother(words: string, ids: readonly string[]): OrderReadLine[] {
  const byDigit = new Map<string, string[]>();
  for (const entry of ids.map(projectionOf)) {
    const set = digitName(entry, digitOf(entry)!);
    byDigit.set(set, [...(byDigit.get(set) ?? []), entry.name]);
  }
  return [...byDigit].map(([set, names]) => ({
    text: `“${words}”: ${names.join('; ')}: set for the ${set} here, and for no such one; read the order`,
    doubtful: true,
  }));
}

const quoted = (words: readonly string[]): string => words.map((word) => `“${asWritten(word)}”`).join(', ');

/** More or fewer views than the order counts. */
function countLines({ count, projections }: Pick<Ordered, 'count' | 'projections'>): OrderReadLine[] {
  if (!count) return [];
  const made = plannedFor(projections, null).length;
  if (made >= count.least && (count.most === null || made <= count.most)) return [];
  return [
    {
      text: `“${asWritten(count.words)}”: ${made} ${made === 1 ? 'view' : 'views'} here; read the order`,
      doubtful: true,
    },
  ];
}

/** Sides that the order says of one part and not of another. */
function sidedLines(sided: Ordered['sided']): OrderReadLine[] {
  const bySides = new Map<string, string[]>();
  for (const [id, sides] of Object.entries(sided ?? {})) {
    // A spine or a pelvis is of no side, whatever stands beside it.
    if (projectionOf(id).sided !== 'each') continue;
    const said = sides.length > 1 ? 'both sides' : `the ${sides[0]!}`;
    bySides.set(said, [...(bySides.get(said) ?? []), projectionOf(id).name]);
  }
  return [...bySides].map(([said, names]) => ({ text: `Of ${said}: ${names.join('; ')}`, doubtful: false }));
}

/** The side that is to lie down; a view that is of one side only is not what is asked for with the other down. */
function downLines(sideDown: Ordered['sideDown'], ids: Ordered['projections']): OrderReadLine[] {
  if (!sideDown) return [];
  const asked = sideDown === 'both' ? 'Each side down in turn' : `The ${sideDown} side down`;
  const fixed = ids.map(projectionOf).filter((entry) => sideLiesDown(entry) && entry.sided === 'none');
  const others = fixed.filter(({ positions }) => positions[0].on !== sideDown);
  if (others.length > 0)
    return others.map(({ name }) => ({
      text: `${asked} is asked for, and here it is ${name}: read the order`,
      doubtful: true,
    }));
  return [{ text: asked, doubtful: false }];
}

/** @returns nothing where the order is called just as an exam or a view is here, and holds no doubt */
export function orderReadLines({ read, unread, sideDown, exam, sided, ...ordered }: Ordered): OrderReadLine[] {
  const names = (ids: readonly string[]): string => [...new Set(ids)].map((id) => projectionOf(id).name).join('; ');
  const lines = read.flatMap(({ words: read, as, ids, because }): OrderReadLine[] => {
    const words = asWritten(read);
    if (as === 'view') return [{ text: `“${words}” is read as ${names(ids)}`, doubtful: false }];
    if (as === 'left out')
      return [
        ids.length > 0
          ? { text: `“${words}”: ${names(ids)} is not planned`, doubtful: false }
          : { text: `Not to be taken: “${words}”: hold the plan against it`, doubtful: true },
      ];
    if (as === 'routine besides') return [{ text: `And what is usual: ${names(ids)}`, doubtful: false }];
    if (as === 'beside')
      return [{ text: `How soon, or why, and no view: ${quoted(words.split(' '))}`, doubtful: false }];
    if (as === 'joints')
      return [{ text: `“${words}”: on the pictures of the bone, and no exam of its own`, doubtful: false }];
    if (as === 'digit') return setForAnother(words, ids);
    const routine = exam ? `the routine of ${exam.name}` : names(ids);
    if (as === 'routine')
      return [
        {
          text: `No view is named: ${because ? `for “${because}” in the reason ` : ''}${routine}`,
          doubtful: false,
        },
      ];
    return [{ text: `No view of this part answers to “${words}”: read the order`, doubtful: true }];
  });
  return [
    ...lines,
    ...countLines(ordered),
    ...sidedLines(sided),
    ...downLines(sideDown, ordered.projections),
    ...(unread.length > 0 ? [{ text: `Not understood: ${quoted(unread)}`, doubtful: true }] : []),
  ];
}
