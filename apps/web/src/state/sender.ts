/** Sends the outbox, what belongs together in order, and tries again when the network is back. */
import type { AppDispatch, RootState } from './store';
import { api, API_BASE, SESSION_OVER } from './api';
import {
  drop,
  dropRefused,
  groupOf,
  keep,
  keepRefused,
  nextSeq,
  queued,
  refused,
  retried,
  sent,
  troubled,
  unreachable,
  type Outgoing,
} from './outbox';
import { signedOut } from './who';
import { hasWindow } from './hasWindow';

type StoreLike = { getState: () => RootState; dispatch: AppDispatch };

const RETRY_MS = 4000;
/** The server does not know what an item belongs to: it is asked again so often before that is believed. */
const NOT_FOUND_TRIES = 3;
let wake: () => void = () => undefined;
let current: StoreLike | null = null;

/**
 * Takes a write in: on the device first, then on its way.
 * @returns whether the device could keep it
 */
export function post(dispatch: AppDispatch, item: Outgoing): boolean {
  const performer = (item.body as { performedBy?: string } | null)?.performedBy;
  const whole = { ...item, seq: nextSeq(), by: performer ?? current?.getState().who.person?.name ?? null };
  const kept = keep(whole);
  dispatch(queued({ item: whole, kept }));
  wake();
  return kept;
}

/** Signed in again: what waited for that goes on its way. */
export const sendNow = (): void => wake();

/** What the server would not take goes once more, as when its cause is mended. */
export function sendAgain(dispatch: AppDispatch, item: Outgoing): void {
  // What the store does not take stays among the refused there, so that a reload does not lose it.
  if (keep(item)) dropRefused(item.id);
  dispatch(retried(item.id));
  wake();
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
  if (response.ok) dispatch(sent(item.id));
  else {
    const why = await reasonOf(response);
    keepRefused({ ...item, why });
    dispatch(refused({ id: item.id, why }));
  }
  // Forgotten only when its end is written down.
  drop(item.id);
  dispatch(api.util.invalidateTags(item.path === '/practice' ? ['Practice'] : ['Orders', 'Record']));
  return 'over';
}

/** Whether whoever is signed in may send it: it is theirs, or a lead writes it down for them. */
function maySend({ by }: Outgoing, { who }: RootState): boolean {
  return by == null || who.person === null || who.person.name === by || who.person.role === 'lead';
}

export function startSender(store: StoreLike): void {
  current = store;
  let busy = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tries = new Map<string, number>();
  const run = async () => {
    if (busy) return;
    busy = true;
    clearTimeout(timer);
    /** Groups that wait in this round. */
    const blockedOrders = new Set<string>();
    for (;;) {
      const state = store.getState();
      const { waiting } = state.outbox;
      const next = waiting.find((item) => !blockedOrders.has(groupOf(item, waiting)));
      if (!next) break;
      const group = groupOf(next, waiting);
      if (!maySend(next, state)) {
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
    busy = false;
    if (store.getState().outbox.waiting.length > 0) timer = setTimeout(wake, RETRY_MS);
  };
  wake = () => void run();
  if (hasWindow) window.addEventListener('online', wake);
  wake();
}
