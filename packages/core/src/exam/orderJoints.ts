/** "Tib-fib, include knee and ankle": the joints of a long bone are to be on its pictures, and are no exams of their own. */
const JOINT = '(?:knee|ankle|hip|wrist|elbow|shoulder)s?(?: joints?)?';
const JOINTS = `(?:both joints|joints? (?:above|below)(?: and (?:above|below))?|(?:the |both )?${JOINT}(?: ?(?:and|&|,|/|\\+) ?(?:the )?${JOINT})?)`;
const LONG_BONE =
  /\b(tib\w*|fib\w*|lower legs?|leg|femur|femoral shaft|thigh|forearm|radius|ulna|humerus|upper arm)\b/i;
/** Named with nothing behind it: with a view behind it the joint is an exam. */
const SHOWN = new RegExp(`,?\\s*\\b(?:to )?(?:incl?(?:udes?|uding|\\.)?|showing)\\s+${JOINTS}\\s*(?=$|[,;.)])`, 'i');

/**
 * @returns the order without these words, and the words
 * @example jointsShown('tib-fib AP lat to include ankle') // { rest: 'tib-fib AP lat', words: 'to include ankle' }
 */
export function jointsShown(text: string): { rest: string; words: string | null } {
  const found = SHOWN.exec(text);
  if (!found || !LONG_BONE.test(text.slice(0, found.index))) return { rest: text, words: null };
  return {
    rest: text.slice(0, found.index) + text.slice(found.index + found[0].length),
    words: found[0]
      .replace(/^[,\s]+/, '')
      .trim()
      .toLowerCase(),
  };
}
