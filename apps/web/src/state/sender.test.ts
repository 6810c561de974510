import { createStore } from './store';
import { post, sendNow, startSender } from './sender';
import { dismissed, dropRefused, type Outgoing } from './outbox';
import { signedIn } from './who';

const item = (id: string, madeAt = 1): Outgoing => ({
  id,
  madeAt,
  path: '/exposures',
  body: { id },
  what: `exposure ${id}`,
});
const settle = () => new Promise((resolve) => setTimeout(resolve, 30));
const answer = (status: number, body: object = {}) =>
  Promise.resolve({
    ok: status < 300,
    status,
    json: () => Promise.resolve(body),
    headers: new Headers(),
    clone: () => ({ json: () => Promise.resolve(body), text: () => Promise.resolve('[]') }),
    text: () => Promise.resolve('[]'),
  } as unknown as Response);

let calls: string[];
let respond: () => Promise<Response>;
beforeEach(() => {
  localStorage.clear();
  calls = [];
  global.fetch = jest.fn((_url: unknown, options?: { body?: string }) => {
    if (options?.body) calls.push(JSON.parse(options.body).id);
    return respond();
  }) as unknown as typeof fetch;
});

test('sends in order and forgets what the server has', async () => {
  respond = () => answer(201);
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('a'));
  post(store.dispatch, item('b', 2));
  await settle();
  expect(calls).toEqual(['a', 'b']);
  expect(store.getState().outbox.waiting).toEqual([]);
  expect(localStorage.getItem('taktik.outbox.a')).toBeNull();
});

test('keeps everything on the device while there is no connection, across a reload', async () => {
  respond = () => Promise.reject(new TypeError('no network'));
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('a'));
  post(store.dispatch, item('b', 2));
  await settle();
  expect(calls).toEqual(['a']);
  expect(store.getState().outbox).toMatchObject({ online: false, waiting: [{ id: 'a' }, { id: 'b' }] });

  respond = () => answer(201);
  calls = [];
  const reloaded = createStore();
  expect(reloaded.getState().outbox.waiting.map(({ id }) => id)).toEqual(['a', 'b']);
  startSender(reloaded);
  await settle();
  expect(calls).toEqual(['a', 'b']);
});

test('a server in trouble is tried again; a refusal is shown and not repeated', async () => {
  respond = () => answer(503);
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('a'));
  await settle();
  expect(store.getState().outbox.waiting).toHaveLength(1);

  localStorage.clear();
  respond = () => answer(422, { detail: 'side: needs a side' });
  const other = createStore();
  startSender(other);
  post(other.dispatch, item('c'));
  await settle();
  expect(other.getState().outbox).toMatchObject({ waiting: [], refused: [{ id: 'c', why: 'side: needs a side' }] });
});

test('what the server would not take is still told after a reload, until it is dismissed', async () => {
  respond = () => answer(422, { detail: 'side: needs a side' });
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('c'));
  await settle();
  const reloaded = createStore();
  expect(reloaded.getState().outbox).toMatchObject({ waiting: [], refused: [{ id: 'c', why: 'side: needs a side' }] });
  dropRefused('c');
  reloaded.dispatch(dismissed('c'));
  expect(reloaded.getState().outbox.refused).toEqual([]);
  expect(createStore().getState().outbox.refused).toEqual([]);
});

test('a session that is over keeps the item waiting, and it goes when somebody signs in', async () => {
  respond = () => answer(401);
  const store = createStore();
  store.dispatch(signedIn({ id: 'p', name: 'Ines Oakfield', role: 'technologist', demoPin: null }));
  startSender(store);
  post(store.dispatch, item('d'));
  await settle();
  expect(store.getState()).toMatchObject({ who: { person: null }, outbox: { waiting: [{ id: 'd' }], refused: [] } });
  respond = () => answer(201);
  sendNow();
  await settle();
  expect(store.getState().outbox.waiting).toEqual([]);
});
