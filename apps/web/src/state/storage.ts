/** What survives a reload: small JSON values under names of our own in the browser's local store. */
const PREFIX = 'taktik.';
/** A device may have none. */
const device: { localStorage?: Storage } = globalThis;

/** The stored value, or undefined when there is none or it cannot be read. */
export function load<T>(name: string): T | undefined {
  try {
    const text = device.localStorage?.getItem(PREFIX + name);
    return text ? (JSON.parse(text) as T) : undefined;
  } catch {
    return undefined;
  }
}

/** @returns whether the store took it: one that is full or closed does not */
export function save(name: string, value: unknown): boolean {
  try {
    const store = device.localStorage;
    if (!store) return false;
    if (value === undefined) store.removeItem(PREFIX + name);
    else store.setItem(PREFIX + name, JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
}

/** Names that begin with the given one, without the prefix. */
export function names(start: string): string[] {
  try {
    return Object.keys(device.localStorage ?? {})
      .filter((key) => key.startsWith(PREFIX + start))
      .map((key) => key.slice(PREFIX.length));
  } catch {
    return [];
  }
}
