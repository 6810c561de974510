/** Sends the outbox, what belongs together in order, and tries again when the network is back. */
import type { AppDispatch, RootState } from './store';
import { api, API_BASE, SESSION_OVER } from './api';
import {
  groupOf,
  kept,
  notKept,
  queued,
  refused,
  refusedChanged,
  removed,
  restored,
  retried,
  sent,
  troubled,
  unreachable,
  type Outgoing,
  type Refused,
} from './outbox';
import { change, keep, readAll, whenOthersChange } from './outboxDb';
import { signedOut } from './who';
import { hasWindow } from './hasWindow';

type StoreLike = { getState: () => RootState; dispatch: AppDispatch };

const RETRY_MS = 4000;
/** The server does not know what an item belongs to: it is asked again so often before that is believed. */
const NOT_FOUND_TRIES = 3;
/** All rounds that were begun. */
let running: Promise<void> = Promise.resolve();
let wake: () => unknown = () => undefined;
let current: StoreLike | null = null;

/** Writes of this tab, one after another: the database counts them in the order of doing. */
let writes: Promise<void> = Promise.resolve();

/** Takes a write in: on the device first, then on its way. What the device cannot keep is said, and sent all the same. */
export function post(dispatch: AppDispatch, item: Outgoing): void {
  const performer = (item.body as { performedBy?: string } | null)?.performedBy;
  const whole = { ...item, by: performer ?? current?.getState().who.person?.name ?? null };
  dispatch(queued(whole));
  writes = writes
    .then(() => keep(whole))
    .then(
      () => void dispatch(kept(whole.id)),
      () => void dispatch(notKept(whole.id)),
    )
    .then(() => void wake());
}

/** Resolves when nothing is being written or sent; what could not be waits for its next turn. */
export async function settled(): Promise<void> {
  for (let seen: Promise<void> | null = null; seen !== running;) {
    seen = running;
    await writes;
    await seen;
  }
}

/** Signed in again: what waited for that goes on its way. */
export const sendNow = (): void => void wake();

/** As it is in the database; what the device cannot write down there is still told until the page is left. */
const written = (id: string, to: Parameters<typeof change>[1]): Promise<void> =>
  (writes = writes.then(() => change(id, to)).catch(() => undefined));

/** What the server would not take goes once more, as when its cause is mended. */
export function sendAgain(dispatch: AppDispatch, item: Refused): void {
  dispatch(retried(item.id));
  void written(item.id, { why: undefined, aside: undefined, saved: undefined }).then(() => wake());
}

/** Read: it leaves the notices; the record goes on listing it. */
export function putAside(dispatch: AppDispatch, id: string): void {
  dispatch(refusedChanged({ id, to: { aside: true } }));
  void written(id, { aside: true });
}
/** It is in a file now. */
export function markSaved(dispatch: AppDispatch, id: string): void {
  dispatch(refusedChanged({ id, to: { saved: true } }));
  void written(id, { saved: true });
}
/** What is in a file may leave this device. */
export function remove(dispatch: AppDispatch, item: Refused): void {
  if (!item.saved) return;
  dispatch(removed(item.id));
  void written(item.id, null);
}

const CLOCKED = /^\/(exposures|exams|practice)$|\/(finish|verdict)$/;
/** What has a time carries the device's clock at the sending, so that the server notices a wrong one. */
const withClock = ({ path, body }: Outgoing, now: number): unknown =>
  CLOCKED.test(path) ? { ...(body as object), sentAt: now } : body;

/** A portal, a proxy or a gateway that answers in place of our server does not bear its mark. */
const isOurs = (response: Response): boolean => response.headers.get('x-taktik') === '1';

const reasonOf = async (response: Response): Promise<string> => {
  const problem = (await response.json().catch(() => ({}))) as { detail?: string };
  return problem.detail ?? `the server answered ${response.status}`;
};

/** `over`: it has ended, sent or refused; `held`: this group waits, others may go; `stop`: nothing goes now. */
type Outcome = 'over' | 'held' | 'stop';

async function deliver({ dispatch }: StoreLike, item: Outgoing, tries: number): Promise<Outcome> {
  let response: Response;
  try {
    response = await fetch(API_BASE + item.path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(withClock(item, Date.now())),
    });
  } catch {
    dispatch(unreachable());
    return 'stop';
  }
  if (!isOurs(response)) {
    dispatch(unreachable());
    return 'stop';
  }
  if (response.status === 401) {
    // It waits for whoever did it, or a lead: who did it is in it.
    dispatch(signedOut(SESSION_OVER));
    return 'stop';
  }
  const later = response.status >= 500 || response.status === 429;
  if (later || (response.status === 404 && tries < NOT_FOUND_TRIES)) {
    dispatch(troubled({ id: item.id, why: await reasonOf(response) }));
    return 'held';
  }
  // Forgotten here only when its end is written down.
  if (response.ok) {
    await written(item.id, null);
    dispatch(sent(item.id));
  } else {
    const why = await reasonOf(response);
    await written(item.id, { why });
    dispatch(refused({ id: item.id, why }));
  }
  dispatch(api.util.invalidateTags(item.path === '/practice' ? ['Practice'] : ['Orders', 'Record']));
  return 'over';
}

/** Whether whoever is signed in may send it: it is theirs, or a lead writes it down for them. */
function maySend({ by }: Outgoing, { who }: RootState): boolean {
  return by == null || who.person === null || who.person.name === by || who.person.role === 'lead';
}

/** One tab of the device sends at a time, the others `meanwhile`; where that cannot be asked, sending twice is harmless. */
async function alone(work: () => Promise<void>, meanwhile: () => Promise<void>): Promise<void> {
  const locks = hasWindow ? (navigator as { locks?: LockManager }).locks : undefined;
  if (locks) await locks.request('taktik-outbox', { ifAvailable: true }, (lock) => (lock ? work() : meanwhile()));
  else await work();
}

export function startSender(store: StoreLike): void {
  current = store;
  let busy = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tries = new Map<string, number>();
  /** Brings in what is kept, of this and other tabs. A store that cannot be read leaves what the page knows. */
  const refresh = () =>
    readAll().then(
      (rows) => void store.dispatch(restored(rows)),
      () => undefined,
    );

  const sendAll = async () => {
    await writes;
    await refresh();
    /** Groups that wait in this round. */
    const blockedOrders = new Set<string>();
    for (;;) {
      const state = store.getState();
      const { waiting, writing } = state.outbox;
      const next = waiting.find((item) => !blockedOrders.has(groupOf(item, waiting)));
      if (!next) break;
      const group = groupOf(next, waiting);
      if (writing.includes(next.id) || !maySend(next, state)) {
        blockedOrders.add(group);
        continue;
      }
      const tried = (tries.get(next.id) ?? 0) + 1;
      tries.set(next.id, tried);
      const outcome = await deliver(store, next, tried);
      if (outcome === 'stop') break;
      if (outcome === 'held') blockedOrders.add(group);
      else tries.delete(next.id);
    }
  };
  let again = false;
  const run = async () => {
    again = true;
    if (busy) return;
    busy = true;
    clearTimeout(timer);
    while (again) {
      again = false;
      // What the sending tab has in hand is seen here too: nothing else would say that it waits.
      await alone(sendAll, refresh);
    }
    busy = false;
    const { waiting, writing } = store.getState().outbox;
    if (waiting.some(({ id }) => !writing.includes(id))) timer = setTimeout(wake, RETRY_MS);
  };
  wake = () => (running = Promise.all([running, run()]).then(() => undefined));
  if (hasWindow) {
    window.addEventListener('online', wake);
    whenOthersChange(wake);
  }
  wake();
}
