/**
 * What the server last said, kept on the device: rooms, rules and own entries in force hold without a network too, and
 * the orders that were seen can still be begun. Orders go when the person signs out.
 */
import { api } from './api';
import type { Store } from './store';
import { load, save } from './storage';

const FOR_ALL = ['rooms', 'rules', 'own', 'department', 'people'] as const;
const FOR_SIGNED_IN = ['orders'] as const;
type Name = (typeof FOR_ALL)[number] | (typeof FOR_SIGNED_IN)[number];
const KEY = 'kept.';

const answerOf = (state: ReturnType<Store['getState']>, name: Name): unknown =>
  api.endpoints[name].select()(state as never).data;

/** Brings back what was kept, asks the server anew, and keeps what it says. */
export function keepAnswers(store: Store): void {
  const names: readonly Name[] = store.getState().who.person ? [...FOR_ALL, ...FOR_SIGNED_IN] : FOR_ALL;
  const kept = new Map<Name, unknown>();
  const upsert = api.util.upsertQueryData as (name: Name, argument: undefined, value: unknown) => never;
  const back = names.flatMap((name) => {
    const answer = load<unknown>(KEY + name);
    if (answer === undefined) return [];
    kept.set(name, answer);
    return [store.dispatch(upsert(name, undefined, answer)) as Promise<unknown>];
  });
  // What was brought back counts as answered: without this nobody would ask again.
  void Promise.allSettled(back).then(() => {
    for (const name of names) {
      // Of all of them the type of one: they are asked alike.
      const { initiate } = api.endpoints[name] as typeof api.endpoints.rules;
      void store.dispatch(initiate(undefined, { forceRefetch: true }));
    }
  });
  store.subscribe(() => {
    const state = store.getState();
    const signedIn = state.who.person !== null;
    for (const name of [...FOR_ALL, ...FOR_SIGNED_IN]) {
      const mayKeep = signedIn || (FOR_ALL as readonly Name[]).includes(name);
      const answer = mayKeep ? answerOf(state, name) : undefined;
      if (answer === kept.get(name) || (mayKeep && answer === undefined)) continue;
      kept.set(name, answer);
      save(KEY + name, answer);
    }
  });
}
