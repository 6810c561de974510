/**
 * Places in the DOM, with the real core behind the worker's door and a server of plain answers. Imported before any
 * place, so that what it stands in for is stood in for.
 */
import { defaultDepartment, demoRooms, withDefaults } from '@taktik/core';
import { IDBFactory } from 'fake-indexeddb';
import { configure, render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import type { ExposureRow, Order } from '../state/api';
import { forget } from '../state/outboxDb';
import { createStore, type Store } from '../state/store';
import { ThemeProvider } from '../ui/theme';

/** The real core computes behind the doors: on a busy machine a sheet takes seconds. Nothing waits so long that passes. */
configure({ asyncUtilTimeout: 90_000 });
// What the core answers changes the screen whenever it is there, as in a browser: not only inside what a test does.
beforeEach(() => Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }));

export const mockRouter = { push: jest.fn(), replace: jest.fn(), setParams: jest.fn() };
/** Where the test stands: the address, what the server answers, what was sent to it. */
export const mockHere = {
  params: {} as Record<string, string>,
  answers: {} as Record<string, unknown>,
  sent: [] as { path: string; body: Record<string, unknown> }[],
  reachable: true,
};
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/orders',
  useLocalSearchParams: () => mockHere.params,
  Link: ({ children }: { children: ReactElement }) => children,
}));
// Jest has no loading on demand: the charts are there at once.
jest.mock('../ui/charts/lazy', () => ({
  LineOver: jest.requireActual('../ui/charts/LineOver').default,
  NumberedBars: jest.requireActual('../ui/charts/NumberedBars').default,
}));
jest.mock('../workers/onDemand', () => ({
  exerciseCore: async () => jest.requireActual('@taktik/core/exercise'),
  pictureCore: async () => jest.requireActual('@taktik/core/picture'),
}));
jest.mock('../workers/client', () => {
  const { computeService } = jest.requireActual('../workers/service');
  const later =
    (name: string) =>
    (...args: unknown[]) =>
      Promise.resolve(computeService[name](...args));
  return {
    compute: () => ({
      compute: later('compute'),
      mannequin: later('mannequin'),
      row: later('row'),
      page: later('page'),
      formPage: later('formPage'),
      lines: later('lines'),
      schools: later('schools'),
      touchMap: later('touchMap'),
      summarize: later('summarize'),
      seen: later('seen'),
      plan: later('plan'),
      ways: later('ways'),
      form: later('form'),
      upright: later('upright'),
      technique: later('technique'),
      judge: later('judge'),
      faultChoices: later('faultChoices'),
      correction: later('correction'),
      repeatChoices: later('repeatChoices'),
      repeat: later('repeat'),
      smallPicture: later('smallPicture'),
    }),
    // All rows at once.
    simulate: async (input: object) => {
      const slice = computeService.castSlice(input, 0, 1);
      return 'error' in slice ? slice : computeService.develop(input, [slice]);
    },
  };
});

export const order: Order = {
  id: 'demo-sacrum-coccyx',
  exam: 'Sacrum and coccyx',
  side: null,
  reason: 'Sat down hard on a step',
  urgency: 'today',
  ward: 'Outpatients',
  roomId: 'room-2',
  orderedAt: Date.now() - 34 * 60_000,
  state: 'waiting',
  patient: {
    id: 'p1',
    initials: 'HK',
    body: { ageYears: 58, sex: 'female', statureMm: 1680, massKg: 74 },
    number: null,
    issuer: '',
  },
  situation: { canTurn: 'left' },
  unusual: [{ code: 'turns-to', values: { side: 'left' } }],
  projections: [{ projectionId: 'sacrum-ap-axial' }, { projectionId: 'coccyx-ap-axial' }],
  reference: null,
  ...{ system: '', requester: '', note: '' },
  planVersion: 1,
  planBy: null,
  heldBy: null,
};
export const person = { id: 'p-ines', name: 'Ines Oakfield', role: 'lead' as const, demoPin: null };
export const row: ExposureRow = {
  id: 'x1',
  examId: 'e1',
  orderId: order.id,
  exam: order.exam,
  initials: 'HK',
  projectionId: 'coccyx-ap-axial',
  name: 'Coccyx, AP axial',
  side: null,
  digit: null,
  room: 'Room 2',
  roomId: 'room-2',
  performedBy: 'Ines Oakfield',
  exposedAt: Date.now(),
  kVp: 78,
  mAs: 25,
  exposureIndex: 422,
  deviationIndex: -0.7,
  targetIndex: 500,
  readBy: null,
  kapGyCm2: 0.294,
  doseSpread: 0.3,
  doseLevelGyCm2: null,
  verdict: null,
  cause: null,
  ...{ correction: null, note: '', labels: [], notedBy: null, timings: null, measured: null },
  deviceAt: null,
  madeWith: null,
};

beforeEach(() => {
  // The database of the test before is gone.
  forget();
  globalThis.indexedDB = new IDBFactory();
  localStorage.clear();
  localStorage.setItem('taktik.who', JSON.stringify(person));
  jest.clearAllMocks();
  mockHere.params = {};
  mockHere.reachable = true;
  mockHere.sent = [];
  mockHere.answers = {
    '/api/orders': [order],
    '/api/rooms': demoRooms,
    '/api/catalogue/own': [],
    '/api/rules': withDefaults(),
    '/api/exposures': [row],
    '/api/trends': [],
    '/api/versions': { rules: 1, department: 1, rooms: {}, own: 0, changedBy: { rules: null, department: null } },
    '/api/people': [person],
    '/api/audit/state': { lines: 5, anchor: '5:abc', broken: null },
    '/api/department': defaultDepartment,
    [`/api/orders/${order.id}/exam`]: { order, exam: null, exposures: [] },
    '/api/orders/o/exam': { order: { ...order, id: 'o' }, exam: null, exposures: [] },
  };
  global.fetch = jest.fn(async (input: RequestInfo | URL, options?: RequestInit) => {
    if (!mockHere.reachable) throw new TypeError('no network');
    const request = typeof input === 'object' && 'url' in input ? input : undefined;
    const path = (request?.url ?? String(input)).replace(/^https?:\/\/[^/]+/, '').split('?')[0];
    if ((options?.method ?? request?.method ?? 'GET') !== 'GET')
      mockHere.sent.push({ path, body: JSON.parse(String(options?.body ?? (await request!.text()))) });
    return new Response(JSON.stringify(mockHere.answers[path] ?? {}), {
      status: 200,
      headers: { 'content-type': 'application/json' },
    });
  }) as typeof fetch;
});

export function show(element: ReactElement): Store {
  const store = createStore();
  render(
    <Provider store={store}>
      <ThemeProvider>{element}</ThemeProvider>
    </Provider>,
  );
  return store;
}
