/**
 * Set-ups, and the other ways to them, over the wire. The same question has the same answer, byte for byte, so the last answers are kept ready.
 */
import type { SetupRequest } from '@taktik/core';

/** Answers kept; one is about 8 kB. */
const KEPT = 500;

export class SetupAnswers {
  /** @param work what is computed for a request */
  constructor(private readonly work: (request: SetupRequest) => unknown) {}

  private readonly kept = new Map<string, string>();

  /**
   * @param question the body as it came; its text decides whether it was asked before
   * @param version of what is in force: an answer by older rules is none
   * @param read parses and validates it; called only for a new question
   * @returns the answer as JSON
   */
  answer(question: string, version: number, read: (question: string) => SetupRequest): string {
    const key = `${version} ${question}`;
    const known = this.kept.get(key);
    if (known !== undefined) {
      this.kept.delete(key);
      this.kept.set(key, known);
      return known;
    }
    const text = JSON.stringify(this.work(read(question)));
    this.kept.set(key, text);
    if (this.kept.size > KEPT) this.kept.delete(this.kept.keys().next().value as string);
    return text;
  }
}
