/** The places in the DOM, with the real core behind the worker's door and a server of plain answers. */
import { defaultDepartment, demoRooms, withDefaults } from '@taktik/core';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import type { ExposureRow, Order } from '../state/api';
import { queued, refused, unreachable } from '../state/outbox';
import { createStore, type Store } from '../state/store';
import { ThemeProvider } from '../ui/theme';
import { FindPlace } from './find/FindPlace';
import { OrdersPlace } from './orders/OrdersPlace';
import { RecordPlace } from './record/RecordPlace';
import { SetupPlace } from './setup/SetupPlace';

/** The real core computes behind the doors: on a busy machine a sheet takes a second. */
jest.setTimeout(20_000);

const mockRouter = { push: jest.fn(), replace: jest.fn(), setParams: jest.fn() };
let mockParams: Record<string, string> = {};
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/orders',
  useLocalSearchParams: () => mockParams,
  Link: ({ children }: { children: ReactElement }) => children,
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
      lines: later('lines'),
      schools: later('schools'),
      touchMap: later('touchMap'),
      summarize: later('summarize'),
      plan: later('plan'),
    }),
  };
});

const order: Order = {
  id: 'demo-sacrum-coccyx',
  exam: 'Sacrum and coccyx',
  side: null,
  reason: 'Sat down hard on a step',
  urgency: 'today',
  ward: 'Outpatients',
  roomId: 'room-2',
  orderedAt: Date.now() - 34 * 60_000,
  state: 'waiting',
  patient: { id: 'p1', initials: 'HK', body: { ageYears: 58, sex: 'female', statureMm: 1680, massKg: 74 } },
  situation: { canTurn: 'left' },
  unusual: ['turns left only'],
  projections: [{ projectionId: 'sacrum-ap-axial' }, { projectionId: 'coccyx-ap-axial' }],
  reference: null,
  planVersion: 1,
  planBy: null,
  heldBy: null,
};
const person = { id: 'p-ines', name: 'Ines Oakfield', role: 'lead' as const, demoPin: null };
const row: ExposureRow = {
  id: 'x1',
  examId: 'e1',
  orderId: order.id,
  exam: order.exam,
  initials: 'HK',
  projectionId: 'coccyx-ap-axial',
  name: 'Coccyx, AP axial',
  side: null,
  room: 'Room 2',
  performedBy: 'Ines Oakfield',
  exposedAt: Date.now(),
  kVp: 78,
  mAs: 25,
  exposureIndex: 422,
  deviationIndex: -0.7,
  kapGyCm2: 0.294,
  verdict: null,
  cause: null,
  deviceAt: null,
};

let answers: Record<string, unknown>;
let sentBodies: { path: string; body: Record<string, unknown> }[];
let reachable: boolean;

beforeEach(() => {
  localStorage.clear();
  localStorage.setItem('taktik.who', JSON.stringify(person));
  jest.clearAllMocks();
  mockParams = {};
  reachable = true;
  sentBodies = [];
  answers = {
    '/api/orders': [order],
    '/api/rooms': demoRooms,
    '/api/catalogue/own': [],
    '/api/rules': withDefaults(),
    '/api/exposures': [row],
    '/api/people': [person],
    '/api/department': defaultDepartment,
  };
  global.fetch = jest.fn(async (input: RequestInfo | URL, options?: RequestInit) => {
    if (!reachable) throw new TypeError('no network');
    const request = typeof input === 'object' && 'url' in input ? input : undefined;
    const path = (request?.url ?? String(input)).replace(/^https?:\/\/[^/]+/, '').split('?')[0];
    if ((options?.method ?? request?.method ?? 'GET') !== 'GET')
      sentBodies.push({ path, body: JSON.parse(String(options?.body ?? (await request!.text()))) });
    return new Response(JSON.stringify(answers[path] ?? {}), {
      status: 200,
      headers: { 'content-type': 'application/json' },
    });
  }) as typeof fetch;
});

function show(element: ReactElement): Store {
  const store = createStore();
  render(
    <Provider store={store}>
      <ThemeProvider>{element}</ThemeProvider>
    </Provider>,
  );
  return store;
}

describe('Orders', () => {
  it('says who, what, what is unusual and what to bring, and starts the exam', async () => {
    const store = show(<OrdersPlace />);
    expect(await screen.findByText('Sacrum and coccyx')).toBeTruthy();
    expect(screen.getByText(/HK · 58 y · 168 cm · 74 kg · stands, turns left only/)).toBeTruthy();
    expect(screen.getByText(/Today · Outpatients · Room 2 · waiting 34 min/)).toBeTruthy();
    expect(await screen.findByText(/2 exposures, 0 turns\. Bring: receptor 8×10/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Start Sacrum and coccyx, HK'));
    expect(store.getState().session.current).toMatchObject({
      orderId: order.id,
      roomId: 'room-2',
      plan: order.projections,
    });
    expect(store.getState().outbox.waiting[0]).toMatchObject({ path: '/exams', body: { orderId: order.id } });
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/setup',
      params: expect.objectContaining({ p: 'sacrum-ap-axial', room: 'room-2' }),
    });
    expect(await screen.findByLabelText('Continue Sacrum and coccyx, HK')).toBeTruthy();
  });
  it('an empty list and an unreachable server are said in words', async () => {
    answers['/api/orders'] = [];
    show(<OrdersPlace />);
    expect(await screen.findByText('Nothing is waiting')).toBeTruthy();
  });
  it('without a server it says what still works', async () => {
    reachable = false;
    show(<OrdersPlace />);
    expect(await screen.findByText(/Orders cannot be read/)).toBeTruthy();
    expect(screen.getByText(/Find and Set up work without it/)).toBeTruthy();
  });
  it('a patient outside the model is marked, not guessed', async () => {
    answers['/api/orders'] = [{ ...order, patient: { ...order.patient, body: { ageYears: 3, statureMm: 2000 } } }];
    show(<OrdersPlace />);
    expect(await screen.findByText(/outside the body model/)).toBeTruthy();
  });
});

describe('Record', () => {
  it('lists what was exposed with index and dose', async () => {
    show(<RecordPlace />);
    expect(await screen.findByText('Coccyx, AP axial')).toBeTruthy();
    expect(screen.getByText('78 kVp · 25 mAs · EI 422, DI −0.7 · 0.29 Gy·cm²')).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/Coccyx, AP axial, Sacrum and coccyx, HK, EI 422/));
    expect(mockRouter.push).toHaveBeenCalledWith({ pathname: '/record/[id]', params: { id: 'x1' } });
  });
  it('shows what is still on its way, and what was refused with the reason', async () => {
    answers['/api/exposures'] = [];
    const store = show(<RecordPlace />);
    await screen.findByText('Nothing exposed today');
    act(() => {
      store.dispatch(queued({ id: 'a', madeAt: 1, path: '/exposures', body: {}, what: 'Sacrum, AP axial' }));
      store.dispatch(unreachable());
    });
    expect(screen.getByText('1 on the way')).toBeTruthy();
    expect(screen.getByText(/1 entry is kept on this device/)).toBeTruthy();
    act(() => void store.dispatch(refused({ id: 'a', why: 'There is no exam "e".' })));
    expect(screen.getByText(/Not recorded: Sacrum, AP axial. There is no exam "e"/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Dismiss: Sacrum, AP axial'));
    expect(screen.queryByText(/Not recorded/)).toBeNull();
  });
});

describe('Find', () => {
  it('answers in the row for the patient in hand, and opens with an address', async () => {
    show(<FindPlace />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'tib fib' } });
    const hit = await screen.findByLabelText(/^Leg, AP, right/);
    await waitFor(() => expect(hit.textContent).toMatch(/48 in/));
    expect(hit.textContent).toMatch(/48 in/);
    fireEvent.click(screen.getByLabelText('Left'));
    fireEvent.click(await screen.findByLabelText(/^Leg, AP, left/));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/setup',
      params: expect.objectContaining({ p: 'leg-ap', side: 'left' }),
    });
  });
  it('counts the regions before anything is typed', async () => {
    show(<FindPlace />);
    expect(await screen.findByLabelText(/^spine \d/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^hand and wrist \d/));
    await waitFor(() => expect(screen.queryByLabelText(/^Chest, PA/)).toBeNull());
    expect(await screen.findByLabelText(/^Finger, PA, right/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText('thumb'));
    await waitFor(() => expect(screen.queryByLabelText(/^Finger, PA/)).toBeNull());
    expect(screen.getByLabelText(/^Thumb, AP, right/)).toBeTruthy();
  });
});

describe('Set up', () => {
  it('shows the other schools with their numbers when they are asked for', async () => {
    mockParams = { p: 'foot-ap', side: 'left', age: '40', room: 'room-2' };
    show(<SetupPlace />);
    fireEvent.click(await screen.findByLabelText('Show the other schools with their numbers'));
    expect(await screen.findByText('15° to the heel, ray vertical')).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^Side by side with: straight/));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/compare',
      params: expect.objectContaining({ a: 'foot-ap', rb: 'footApAngle:0' }),
    });
  });
  it('without a projection it offers orders and search', () => {
    show(<SetupPlace />);
    expect(screen.getByText('No projection chosen')).toBeTruthy();
    fireEvent.click(screen.getByText('Find a projection'));
    expect(mockRouter.push).toHaveBeenCalledWith('/find');
  });
  it('computes what the address asks; a pulled SID is marked and everything follows', async () => {
    mockParams = { p: 'sacrum-ap-axial', age: '58', h: '168', w: '74', room: 'room-2' };
    show(<SetupPlace />);
    expect(await screen.findByLabelText(/^SID: 40 in/)).toBeTruthy();
    const before = screen.getByRole('button', { name: /^Technique:/ }).getAttribute('aria-label');
    fireEvent.click(screen.getByLabelText(/^SID: 40 in/));
    fireEvent.change(await screen.findByLabelText('SID I can reach in in'), { target: { value: '34' } });
    expect(await screen.findByLabelText(/^SID: 34 in.*Set by hand/)).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Technique:/ }).getAttribute('aria-label')).not.toBe(before);
    await waitFor(() =>
      expect(mockRouter.setParams).toHaveBeenCalledWith(expect.objectContaining({ p: 'sacrum-ap-axial', sid: '864' })),
    );
  });
  it('a chest measured at the table makes the body so, and stays in the address', async () => {
    mockParams = { p: 'chest-pa', age: '40', sex: 'male', h: '176', w: '75', room: 'room-2' };
    show(<SetupPlace />);
    const technique = await screen.findByRole('button', { name: /^Technique:/ });
    const before = technique.getAttribute('aria-label');
    fireEvent.click(screen.getByLabelText(/^Patient:/));
    const chest = (await screen.findByLabelText('Chest, front to back in cm')) as HTMLInputElement;
    expect(chest.placeholder).toBe('23.5');
    fireEvent.change(chest, { target: { value: '29' } });
    await waitFor(() =>
      expect(screen.getByRole('button', { name: /^Technique:/, hidden: true }).getAttribute('aria-label')).not.toBe(
        before,
      ),
    );
    await waitFor(() =>
      expect(mockRouter.setParams).toHaveBeenCalledWith(expect.objectContaining({ m: 'chestAPMm:290' })),
    );
  });
  it('an unknown projection and a missing side are explained, with a way on', async () => {
    mockParams = { p: 'elbow-sideways' };
    show(<SetupPlace />);
    expect(await screen.findByText(/There is no projection "elbow-sideways"/)).toBeTruthy();
  });
  it('an exam is exposed once, and what was recorded is what was asked', async () => {
    mockParams = { p: 'coccyx-ap-axial', age: '58', h: '168', w: '74', room: 'room-2' };
    localStorage.setItem(
      'taktik.session',
      JSON.stringify({
        orderId: 'o',
        examId: 'e',
        exam: 'Coccyx',
        initials: 'HK',
        plan: [{ projectionId: 'coccyx-ap-axial' }],
        patient: {},
        situation: {},
        roomId: 'room-2',
        ticks: {},
        exposed: {},
        last: null,
      }),
    );
    const store = show(<SetupPlace />);
    fireEvent.click(await screen.findByText('Expose', { selector: 'div' }));
    expect(await screen.findByText(/✓ Exposed and kept/)).toBeTruthy();
    expect(screen.queryByText('Expose', { selector: 'button div' })).toBeNull();
    expect(store.getState().outbox.waiting.filter(({ path }) => path === '/exposures')).toEqual([
      expect.objectContaining({
        body: expect.objectContaining({
          examId: 'e',
          request: expect.objectContaining({ projectionId: 'coccyx-ap-axial' }),
        }),
      }),
    ]);
    fireEvent.click(screen.getByText('Finish exam'));
    expect(store.getState().session.current).toBeNull();
    expect(mockRouter.replace).toHaveBeenCalledWith('/record');
  });
});

test('house rules are changed from the room chip and go to the server', async () => {
  show(<RecordPlace />);
  fireEvent.click(await screen.findByLabelText(/room and rules$/));
  fireEvent.click(await screen.findByLabelText('7° to the head'));
  await waitFor(() =>
    expect(sentBodies).toEqual([{ path: '/api/rules', body: withDefaults({ kneeLateralAngle: '7' }) }]),
  );
});
