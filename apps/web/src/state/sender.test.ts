import { IDBFactory } from 'fake-indexeddb';
import { createStore } from './store';
import { markSaved, post, putAside, remove, sendAgain, sendNow, settled, startSender } from './sender';
import type { Outgoing } from './outbox';
import { forget, keep, readAll } from './outboxDb';
import { mustNote, notedOnPaper } from './outbox';
import { signedIn } from './who';

const item = (id: string, madeAt = 1): Outgoing => ({
  id,
  madeAt,
  path: '/exposures',
  body: { id },
  what: `exposure ${id}`,
});
const answer = (status: number, body: object = {}) =>
  Promise.resolve({
    ok: status < 300,
    status,
    json: () => Promise.resolve(body),
    headers: new Headers({ 'x-taktik': '1' }),
    clone: () => ({ json: () => Promise.resolve(body), text: () => Promise.resolve('[]') }),
    text: () => Promise.resolve('[]'),
  } as unknown as Response);

let calls: string[];
let respond: () => Promise<Response>;
/** Ids that are kept on the device. */
const keptIds = async () => (await readAll()).map(({ id }) => id);
/** A page that is opened again on the same device. */
const reopened = async () => {
  const store = createStore();
  startSender(store);
  await settled();
  return store;
};
beforeEach(() => {
  forget();
  globalThis.indexedDB = new IDBFactory();
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
  await settled();
  expect(calls).toEqual(['a', 'b']);
  expect(store.getState().outbox.waiting).toEqual([]);
  expect(await keptIds()).toEqual([]);
});

test('keeps everything on the device while there is no connection, across a reload', async () => {
  respond = () => Promise.reject(new TypeError('no network'));
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('a'));
  post(store.dispatch, item('b', 2));
  await settled();
  // What is behind it is not tried before it.
  expect([...new Set(calls)]).toEqual(['a']);
  expect(store.getState().outbox).toMatchObject({ online: false, waiting: [{ id: 'a' }, { id: 'b' }] });

  respond = () => answer(201);
  calls = [];
  expect(await keptIds()).toEqual(['a', 'b']);
  await reopened();
  expect(calls).toEqual(['a', 'b']);
  expect(await keptIds()).toEqual([]);
});

test('a server in trouble is tried again; a refusal is shown and not repeated', async () => {
  respond = () => answer(503);
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('a'));
  await settled();
  expect(store.getState().outbox.waiting).toHaveLength(1);

  forget();
  globalThis.indexedDB = new IDBFactory();
  respond = () => answer(422, { detail: 'side: needs a side' });
  const other = createStore();
  startSender(other);
  post(other.dispatch, item('c'));
  await settled();
  expect(other.getState().outbox).toMatchObject({ waiting: [], refused: [{ id: 'c', why: 'side: needs a side' }] });
});

test('what the server would not take is still told after a reload, until it is in a file and removed', async () => {
  respond = () => answer(422, { detail: 'side: needs a side' });
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('c'));
  await settled();
  const reloaded = await reopened();
  const refusedThere = () => reloaded.getState().outbox.refused;
  expect(reloaded.getState().outbox).toMatchObject({ waiting: [], refused: [{ id: 'c', why: 'side: needs a side' }] });
  putAside(reloaded.dispatch, 'c');
  remove(reloaded.dispatch, refusedThere()[0]);
  expect(refusedThere()).toMatchObject([{ id: 'c', aside: true }]);
  await settled();
  expect((await reopened()).getState().outbox.refused).toMatchObject([{ id: 'c', aside: true }]);
  markSaved(reloaded.dispatch, 'c');
  remove(reloaded.dispatch, refusedThere()[0]);
  await settled();
  expect((await reopened()).getState().outbox.refused).toEqual([]);
});

test('a session that is over keeps the item waiting, and it goes when somebody signs in', async () => {
  respond = () => answer(401);
  const store = createStore();
  store.dispatch(signedIn({ id: 'p', name: 'Ines Oakfield', role: 'technologist', demoPin: null }));
  startSender(store);
  post(store.dispatch, item('d'));
  await settled();
  expect(store.getState()).toMatchObject({ who: { person: null }, outbox: { waiting: [{ id: 'd' }], refused: [] } });
  respond = () => answer(201);
  sendNow();
  await settled();
  expect(store.getState().outbox.waiting).toEqual([]);
});

describe('what answers in place of our server', () => {
  const foreign = (status: number) =>
    Promise.resolve(
      new Response('<html>Sign in to the Wi-Fi</html>', { status, headers: { 'content-type': 'text/html' } }),
    );
  test.each([200, 302, 404, 403, 500])('a portal or gateway with %s keeps everything waiting', async (status) => {
    respond = () => foreign(status);
    const store = createStore();
    startSender(store);
    post(store.dispatch, item('a'));
    await settled();
    expect(store.getState().outbox).toMatchObject({ online: false, waiting: [{ id: 'a' }], refused: [] });
    expect(await keptIds()).toEqual(['a']);
  });
});

describe('one item that cannot go', () => {
  const exposure = (id: string, examId: string): Outgoing => ({ ...item(id), body: { id, examId } });
  test('holds up what belongs to its exam, and nothing else', async () => {
    const of: Record<string, number> = { bad: 500 };
    global.fetch = jest.fn((_url: unknown, options?: { body?: string }) => {
      const { id } = JSON.parse(options?.body ?? '{}') as { id: string };
      if (id) calls.push(id);
      return answer(of[id] ?? 201, { detail: 'Something failed here.' });
    }) as unknown as typeof fetch;
    const store = createStore();
    startSender(store);
    post(store.dispatch, exposure('bad', 'one'));
    post(store.dispatch, exposure('after', 'one'));
    post(store.dispatch, { ...item('try'), path: '/practice' });
    post(store.dispatch, exposure('other', 'two'));
    await settled();
    expect(store.getState().outbox.waiting.map(({ id }) => id)).toEqual(['bad', 'after']);
    expect(store.getState().outbox).toMatchObject({ online: true, trouble: { bad: 'Something failed here.' } });
    expect(calls).not.toContain('after');
  });
  test('one 404 of our own is no refusal yet', async () => {
    respond = () => answer(404, { detail: 'There is no exam.' });
    const store = createStore();
    startSender(store);
    post(store.dispatch, item('a'));
    await settled();
    expect(store.getState().outbox).toMatchObject({ waiting: [{ id: 'a' }], refused: [] });
    for (let i = 0; i < 3; i += 1) {
      sendNow();
      await settled();
    }
    expect(store.getState().outbox).toMatchObject({ waiting: [], refused: [{ id: 'a' }] });
  });
});

test('the order is that of doing, whatever the clock says', async () => {
  respond = () => Promise.reject(new TypeError('no network'));
  const store = createStore();
  startSender(store);
  post(store.dispatch, { ...item('exam', 5_000_000), path: '/exams' });
  post(store.dispatch, { ...item('shot', 1_000), body: { id: 'shot', examId: 'exam' } });
  await settled();
  expect((await reopened()).getState().outbox.waiting.map(({ id }) => id)).toEqual(['exam', 'shot']);
});

test('a full store keeps nothing: that is said, the next exposure waits until it is on paper, and it is sent all the same', async () => {
  respond = () => Promise.reject(new TypeError('no network'));
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('before'));
  await settled();
  const full = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  post(store.dispatch, item('a'));
  await settled();
  full.mockRestore();
  const state = () => store.getState().outbox;
  expect(state()).toMatchObject({ unkept: ['a'], writing: [], waiting: [{ id: 'before' }, { id: 'a' }] });
  expect(mustNote(state())).toBe(true);
  store.dispatch(notedOnPaper());
  expect(mustNote(state())).toBe(false);
  post(store.dispatch, item('b'));
  await settled();
  expect(state().unkept).toEqual(['a']);
  // In the order of doing, whether they could be kept or not.
  expect(state().waiting.map(({ id }) => id)).toEqual(['before', 'a', 'b']);
  respond = () => answer(201);
  calls = [];
  sendNow();
  await settled();
  expect(calls).toEqual(['before', 'a', 'b']);
  expect(state()).toMatchObject({ unkept: [], waiting: [] });
});

test('a device without any store says so', async () => {
  respond = () => Promise.reject(new TypeError('no network'));
  Object.assign(globalThis, {
    indexedDB: {
      open: () => {
        throw new DOMException('closed', 'SecurityError');
      },
    },
  });
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('a'));
  await settled();
  expect(store.getState().outbox).toMatchObject({ unkept: ['a'], waiting: [{ id: 'a' }] });
});

test('what an earlier version of the app kept waiting goes on its way, in its order', async () => {
  const former = (id: string, seq: number) =>
    localStorage.setItem(`taktik.outbox.${id}`, JSON.stringify({ ...item(id), seq }));
  former('second', 2);
  former('first', 1);
  localStorage.setItem('taktik.refused.no', JSON.stringify({ ...item('no'), seq: 3, why: 'side: needs a side' }));
  respond = () => answer(201);
  const store = await reopened();
  expect(calls).toEqual(['first', 'second']);
  expect(store.getState().outbox.refused).toMatchObject([{ id: 'no', why: 'side: needs a side' }]);
  expect(Object.keys(localStorage).filter((key) => /outbox|refused/.test(key))).toEqual([]);
});

test('the same thing is kept once, however often it is handed in', async () => {
  await keep(item('a'));
  await keep(item('a'));
  expect(await keptIds()).toEqual(['a']);
});

test('what somebody else did waits for them or a lead; the rest goes', async () => {
  respond = () => answer(201);
  const person = (name: string, role: 'technologist' | 'lead') => signedIn({ id: name, name, role, demoPin: null });
  const store = createStore();
  store.dispatch(person('Ines Oakfield', 'technologist'));
  startSender(store);
  post(store.dispatch, { ...item('theirs'), body: { id: 'theirs', examId: 'e', performedBy: 'Tomas Reedham' } });
  post(store.dispatch, { ...item('mine'), body: { id: 'mine', examId: 'f', performedBy: 'Ines Oakfield' } });
  await settled();
  expect(store.getState().outbox.waiting.map(({ id }) => id)).toEqual(['theirs']);
  store.dispatch(person('Priya Windlow', 'lead'));
  sendNow();
  await settled();
  expect(store.getState().outbox.waiting).toEqual([]);
});

test('what was refused can be sent again', async () => {
  respond = () => answer(422, { detail: 'side: needs a side' });
  const store = createStore();
  startSender(store);
  post(store.dispatch, item('c'));
  await settled();
  respond = () => answer(201);
  sendAgain(store.dispatch, store.getState().outbox.refused[0]);
  await settled();
  expect(store.getState().outbox).toMatchObject({ waiting: [], refused: [] });
  expect(await keptIds()).toEqual([]);
});

test('while another tab of the device sends, what is on its way is seen here, and left to that tab', async () => {
  const asked = jest.fn((_name: string, _how: LockOptions, work: (lock: Lock | null) => unknown) => work(null));
  Object.defineProperty(navigator, 'locks', { value: { request: asked }, configurable: true });
  try {
    respond = () => answer(201);
    await keep(item('of the other tab'));
    const store = await reopened();
    expect(asked).toHaveBeenCalled();
    expect(store.getState().outbox.waiting.map(({ id }) => id)).toEqual(['of the other tab']);
    expect(calls).toEqual([]);
    expect(await keptIds()).toEqual(['of the other tab']);
  } finally {
    Reflect.deleteProperty(navigator, 'locks');
  }
});
