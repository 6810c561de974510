import { defaultDepartment, demoRooms, withDefaults } from '@taktik/core';
import { api } from './api';
import { keepAnswers } from './kept';
import { createStore } from './store';
import { signedIn, signedOut } from './who';

const settle = () => new Promise((resolve) => setTimeout(resolve, 60));
const person = { id: 'p', name: 'Ines Oakfield', role: 'technologist' as const, demoPin: null };
const rules = withDefaults({ kneeLateralAngle: '7' });
let reachable: boolean;
beforeEach(() => {
  localStorage.clear();
  reachable = true;
  const answers: Record<string, unknown> = {
    '/api/rules': rules,
    '/api/rooms': demoRooms,
    '/api/department': defaultDepartment,
    '/api/orders': [{ id: 'o' }],
  };
  global.fetch = jest.fn(async (input: RequestInfo | URL) => {
    if (!reachable) throw new TypeError('no network');
    const url = typeof input === 'object' && 'url' in input ? input.url : String(input);
    return new Response(JSON.stringify(answers[url.replace(/^https?:\/\/[^/]+/, '')] ?? []), {
      status: 200,
      headers: { 'content-type': 'application/json' },
    });
  }) as typeof fetch;
});
const rulesOf = (store: ReturnType<typeof createStore>) => api.endpoints.rules.select()(store.getState()).data;
const ordersOf = (store: ReturnType<typeof createStore>) => api.endpoints.orders.select()(store.getState()).data;

test('rules in force and orders that were seen hold without a network; orders go with the person', async () => {
  const first = createStore();
  first.dispatch(signedIn(person));
  keepAnswers(first);
  await settle();
  expect(rulesOf(first)).toEqual(rules);

  reachable = false;
  const offline = createStore();
  keepAnswers(offline);
  await settle();
  expect(rulesOf(offline)).toMatchObject({ kneeLateralAngle: '7' });
  expect(ordersOf(offline)).toEqual([{ id: 'o' }]);

  offline.dispatch(signedOut('Signed out.'));
  expect(localStorage.getItem('taktik.kept.orders')).toBeNull();
  expect(localStorage.getItem('taktik.kept.rules')).toContain('"kneeLateralAngle":"7"');
});

test('what the server says now replaces what was kept', async () => {
  localStorage.setItem('taktik.kept.rules', JSON.stringify(withDefaults({ kneeLateralAngle: '5' })));
  const store = createStore();
  keepAnswers(store);
  await settle();
  expect(rulesOf(store)).toMatchObject({ kneeLateralAngle: '7' });
  expect(localStorage.getItem('taktik.kept.rules')).toContain('"kneeLateralAngle":"7"');
});
