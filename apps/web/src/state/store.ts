/** The store, and what it keeps on the device. */
import { configureStore } from '@reduxjs/toolkit';
import { adopted, session, type Session } from './session';
import { api } from './api';
import { news } from './news';
import { outbox } from './outbox';
import { preferences } from './preferences';
import { load, save } from './storage';
import { signedIn, signedOut, who, type Person } from './who';
import { hasWindow } from './hasWindow';

export function createStore() {
  const store = configureStore({
    reducer: {
      preferences: preferences.reducer,
      session: session.reducer,
      outbox: outbox.reducer,
      who: who.reducer,
      news: news.reducer,
      [api.reducerPath]: api.reducer,
    },
    // How long a check of development takes is a matter of the machine, not of the state: never told.
    middleware: (defaults) =>
      defaults({ serializableCheck: { warnAfter: Infinity }, immutableCheck: { warnAfter: Infinity } }).concat(
        api.middleware,
      ),
  });
  let keptPreferences = store.getState().preferences;
  let keptSession = store.getState().session.current;
  let keptPerson = store.getState().who.person;
  store.subscribe(() => {
    const state = store.getState();
    if (state.preferences !== keptPreferences) save('preferences', (keptPreferences = state.preferences));
    if (state.who.person !== keptPerson) save('who', (keptPerson = state.who.person) ?? undefined);
    if (state.session.current !== keptSession) save('session', (keptSession = state.session.current) ?? undefined);
  });
  if (hasWindow) {
    window.addEventListener('storage', ({ key }) => {
      if (key === 'taktik.who') {
        // Another tab of this device signed in or out.
        keptPerson = load<Person>('who') ?? null;
        store.dispatch(keptPerson ? signedIn(keptPerson) : signedOut('Signed out in another tab.'));
      }
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
