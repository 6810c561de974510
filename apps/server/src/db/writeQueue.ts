/**
 * All writes go one after another: interactive transactions that overlap on one SQLite client fail as locked.
 */
export class WriteQueue {
  private last: Promise<unknown> = Promise.resolve();

  /** Runs the write when all before it have ended, whether they failed or not. */
  run<T>(write: () => Promise<T>): Promise<T> {
    const result = this.last.then(write, write);
    this.last = result.catch(() => undefined);
    return result;
  }
}
