/**
 * Set-ups over the wire. The same question has the same answer, byte for byte, so the last answers are kept ready.
 */
import { computeSetup, type SetupRequest } from '@taktik/core';

/** Answers kept; one is about 8 kB. */
const KEPT = 500;

export class SetupAnswers {
  private readonly kept = new Map<string, string>();

  /**
   * @param question the body as it came; its text decides whether it was asked before
   * @param read validates it; called only for a new question
   * @returns the set-up as JSON
   */
  answer(question: unknown, read: (question: unknown) => SetupRequest): string {
    const key = JSON.stringify(question);
    const known = this.kept.get(key);
    if (known !== undefined) {
      this.kept.delete(key);
      this.kept.set(key, known);
      return known;
    }
    const text = JSON.stringify(computeSetup(read(question)));
    this.kept.set(key, text);
    if (this.kept.size > KEPT) this.kept.delete(this.kept.keys().next().value as string);
    return text;
  }
}
