/** What is computed and stored nowhere: the same question has the same answer, byte for byte, so the last ones are kept. */

/** Answers kept; one is about 8 kB. */
const KEPT = 500;

export class KeptAnswers<Asked> {
  /** @param work what is computed for a question, as JSON */
  constructor(private readonly work: (asked: Asked) => Promise<string>) {}

  private readonly kept = new Map<string, Promise<string>>();

  /**
   * @param question the body as it came; its text decides whether it was asked before
   * @param version of what is in force: an answer by older rules is none
   * @param read parses and validates it; called only for a new question
   * @returns the answer as JSON; who asks the same while it is computed waits for the same
   */
  answer(question: string, version: number, read: (question: string) => Asked): Promise<string> {
    const key = `${version} ${question}`;
    const known = this.kept.get(key);
    if (known !== undefined) {
      this.kept.delete(key);
      this.kept.set(key, known);
      return known;
    }
    const text = this.work(read(question));
    this.kept.set(key, text);
    // What was refused may be asked again.
    text.catch(() => this.kept.delete(key));
    if (this.kept.size > KEPT) this.kept.delete(this.kept.keys().next().value as string);
    return text;
  }
}
