/** What is told of a head that must stay as it lies: nothing that would turn, nod or tip it. */
import { capitalize } from '../quantity/text';

/** Clauses that set the head for the picture: by chin, head, face or neck, or by a line that only a turn makes level. */
const SETS_HEAD =
  /\b(chin (a little )?(up|raised|tucked|down|over|drawn|stretched|forward|on)|(head|face) (is |then )?(a little )?(turned|tipped|tilted|bent|low|raised|straight)|neck (bent|out of|straight|stretched)|pupils level|plane of the head)\b/i;
const SQUARE = /until (?:the )?(.*?line.*?) is square/i;
export const AS_IT_LIES = 'head and neck as they lie';

/**
 * @returns the text without the clauses that set the head; empty where nothing else is left of it
 * @example keepHead('Lying on the back, chin up') // "Lying on the back, head and neck as they lie"
 */
export function keepHead(text: string): string {
  const clauses = text.split(', ');
  const rest = clauses.filter((clause) => !SETS_HEAD.test(clause));
  if (rest.length === clauses.length) return text;
  if (rest.length === 0) return '';
  const line = SQUARE.exec(text)?.[1];
  const instead = line ? `${AS_IT_LIES}: what the ${line} is off square goes on the tube` : AS_IT_LIES;
  return capitalize([...rest, instead].join(', '));
}
