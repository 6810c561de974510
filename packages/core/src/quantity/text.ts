/** Small helpers for composed sentences. */

/** "a", "a and b", "a, b and c". */
export function listWords(words: readonly string[]): string {
  if (words.length <= 1) return words.join('');
  return `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`;
}

export const capitalize = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
