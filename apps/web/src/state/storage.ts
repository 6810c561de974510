/** What survives a reload: small JSON values under names of our own in the browser's local store. */
const PREFIX = 'taktik.';

/** The stored value, or undefined when there is none or it cannot be read. */
export function load<T>(name: string): T | undefined {
  try {
    const text = globalThis.localStorage?.getItem(PREFIX + name);
    return text ? (JSON.parse(text) as T) : undefined;
  } catch {
    return undefined;
  }
}

export function save(name: string, value: unknown): void {
  try {
    if (value === undefined) globalThis.localStorage?.removeItem(PREFIX + name);
    else globalThis.localStorage?.setItem(PREFIX + name, JSON.stringify(value));
  } catch {
    // A full or forbidden store costs the reload, never the work on the screen.
  }
}

/** Names that begin with the given one, without the prefix. */
export function names(start: string): string[] {
  try {
    return Object.keys(globalThis.localStorage ?? {})
      .filter((key) => key.startsWith(PREFIX + start))
      .map((key) => key.slice(PREFIX.length));
  } catch {
    return [];
  }
}
