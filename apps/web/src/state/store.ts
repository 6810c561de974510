/** The store, what it keeps on the device, and the sender of the outbox. */
import { configureStore } from '@reduxjs/toolkit';
import { adopted, session, type Session } from '../places/setup/session';
import { api } from './api';
import { outbox } from './outbox';
import { keepForOffline } from './offline';
import { preferences } from './preferences';
import { startSender } from './sender';
import { load, save } from './storage';

export function createStore() {
  const store = configureStore({
    reducer: {
      preferences: preferences.reducer,
      session: session.reducer,
      outbox: outbox.reducer,
      [api.reducerPath]: api.reducer,
    },
    middleware: (defaults) => defaults().concat(api.middleware),
  });
  let keptPreferences = store.getState().preferences;
  let keptSession = store.getState().session.current;
  store.subscribe(() => {
    const state = store.getState();
    if (state.preferences !== keptPreferences) save('preferences', (keptPreferences = state.preferences));
    if (state.session.current !== keptSession) save('session', (keptSession = state.session.current) ?? undefined);
  });
  if (typeof window !== 'undefined' && window.addEventListener) {
    window.addEventListener('storage', ({ key }) => {
      if (key !== 'taktik.session') return;
      keptSession = load<Session>('session') ?? null;
      store.dispatch(adopted(keptSession));
    });
  }
  return store;
}

export type Store = ReturnType<typeof createStore>;
export type RootState = ReturnType<Store['getState']>;
export type AppDispatch = Store['dispatch'];

export const store = createStore();
startSender(store);
keepForOffline();
