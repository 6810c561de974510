/** Sends the outbox, one item at a time, and tries again when the network is back. */
import type { AppDispatch, RootState } from './store';
import { api, API_BASE, SESSION_OVER } from './api';
import { drop, keep, keepRefused, queued, refused, sent, unreachable, type Outgoing } from './outbox';
import { signedOut } from './who';

type StoreLike = { getState: () => RootState; dispatch: AppDispatch };

const RETRY_MS = 4000;
let wake: () => void = () => undefined;

/** Takes a write in: on the device first, then on its way. */
export function post(dispatch: AppDispatch, item: Outgoing): void {
  keep(item);
  dispatch(queued(item));
  wake();
}

/** Signed in again: what waited for that goes on its way. */
export const sendNow = (): void => wake();

/** An exposure carries the device's clock at the sending, so that the server notices a wrong one. */
const withClock = ({ path, body }: Outgoing, now: number): unknown =>
  path === '/exposures' ? { ...(body as object), sentAt: now } : body;

async function deliver({ dispatch }: StoreLike, item: Outgoing): Promise<boolean> {
  let response: Response;
  try {
    response = await fetch(API_BASE + item.path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(withClock(item, Date.now())),
    });
  } catch {
    dispatch(unreachable());
    return false;
  }
  if (response.status === 401) {
    // It waits for whoever signs in next: who did it is in it.
    dispatch(signedOut(SESSION_OVER));
    return false;
  }
  if (response.status >= 500 || response.status === 429) {
    dispatch(unreachable());
    return false;
  }
  if (response.ok) dispatch(sent(item.id));
  else {
    const problem = (await response.json().catch(() => ({}))) as { detail?: string };
    const why = problem.detail ?? `the server answered ${response.status}`;
    keepRefused({ ...item, why });
    dispatch(refused({ id: item.id, why }));
  }
  // Forgotten only when its end is written down.
  drop(item.id);
  dispatch(api.util.invalidateTags(item.path === '/practice' ? ['Practice'] : ['Orders', 'Record']));
  return true;
}

export function startSender(store: StoreLike): void {
  let busy = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const run = async () => {
    if (busy) return;
    busy = true;
    clearTimeout(timer);
    let next = store.getState().outbox.waiting[0];
    while (next && (await deliver(store, next))) next = store.getState().outbox.waiting[0];
    busy = false;
    if (store.getState().outbox.waiting.length > 0) timer = setTimeout(wake, RETRY_MS);
  };
  wake = () => void run();
  if (typeof window !== 'undefined' && window.addEventListener) window.addEventListener('online', wake);
  wake();
}
