/** The store of the running app, with the sender of its outbox. */
import { keepForOffline } from './offline';
import { startSender } from './sender';
import { createStore } from './store';

export const store = createStore();
startSender(store);
keepForOffline();
