/** The places in the DOM, with the real core behind the worker's door and a server of plain answers. */
import { defaultDepartment, demoRooms, withDefaults } from '@taktik/core';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import type { ExposureRow, Order } from '../state/api';
import { queued, refused, unreachable } from '../state/outbox';
import { createStore, type Store } from '../state/store';
import { ThemeProvider } from '../ui/theme';
import { BeforePlace } from './before/BeforePlace';
import { AftercarePlace } from './exam/AftercarePlace';
import { FindPlace } from './find/FindPlace';
import { OrderPlace } from './orders/OrderPlace';
import { OrdersPlace } from './orders/OrdersPlace';
import { SignedIn } from './people/SignedIn';
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
    [`/api/orders/${order.id}/exam`]: { order, exam: null, exposures: [] },
    '/api/orders/o/exam': { order: { ...order, id: 'o' }, exam: null, exposures: [] },
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
  const inHand = {
    orderId: 'o',
    examId: 'e',
    exam: 'Coccyx',
    initials: 'HK',
    plan: [{ projectionId: 'coccyx-ap-axial' }],
    patient: { sex: 'male' },
    situation: {},
    roomId: 'room-2',
    ticks: {},
    exposed: {},
    last: null,
  };
  const answered = {
    given: { 'identity-name': 'yes', 'identity-second': 'yes', 'order-side': 'yes' },
    decisions: {},
  };
  const keep = (session: object) => localStorage.setItem('taktik.session', JSON.stringify(session));
  const setUp = { p: 'coccyx-ap-axial', age: '58', sex: 'male', h: '168', w: '74', room: 'room-2' };

  it('an exam is exposed once, looked at, accepted, finished; what was recorded is what was asked', async () => {
    mockParams = setUp;
    keep({ ...inHand, answers: answered });
    const store = show(<SetupPlace />);
    fireEvent.click(await screen.findByText('Expose', { selector: 'div' }));
    expect(await screen.findByText(/✓ Exposed and kept/)).toBeTruthy();
    expect(screen.queryByText('Expose', { selector: 'button div' })).toBeNull();
    const waiting = () => store.getState().outbox.waiting;
    expect(waiting().filter(({ path }) => path === '/exposures')).toEqual([
      expect.objectContaining({
        body: expect.objectContaining({
          examId: 'e',
          performedBy: 'Ines Oakfield',
          request: expect.objectContaining({ projectionId: 'coccyx-ap-axial' }),
        }),
      }),
    ]);
    fireEvent.click(screen.getByText('Accept'));
    expect(waiting().at(-1)).toMatchObject({
      path: expect.stringMatching(/^\/exposures\/.+\/verdict$/),
      body: { verdict: 'accepted' },
    });
    fireEvent.click(screen.getByText('Finish exam'));
    // What is not ticked is said, and does not hold anyone up.
    expect(await screen.findByText(/^\d not ticked$/)).toBeTruthy();
    fireEvent.click(screen.getByText('Finish all the same'));
    expect(store.getState().session.current).toBeNull();
    expect(mockRouter.replace).toHaveBeenCalledWith('/record');
  });
  it('after an idle sign-out an exposure is recorded as whoever began the exam, and waits; nothing is refused for want of a name', async () => {
    localStorage.removeItem('taktik.who');
    mockParams = setUp;
    keep({ ...inHand, by: 'Tomas Reedham', answers: answered });
    const store = show(<SetupPlace />);
    expect(await screen.findByText(/Nobody is signed in: an exposure is recorded as Tomas Reedham/)).toBeTruthy();
    fireEvent.click(await screen.findByText('Expose', { selector: 'div' }));
    expect(await screen.findByText(/✓ Exposed and kept/)).toBeTruthy();
    expect(store.getState().outbox.waiting.find(({ path }) => path === '/exposures')?.body).toMatchObject({
      performedBy: 'Tomas Reedham',
    });
  });
  it('nothing is exposed before the questions are answered, nor by the key', async () => {
    mockParams = setUp;
    keep(inHand);
    const store = show(<SetupPlace />);
    expect(await screen.findByText('▲ 3 still to ask before anything is exposed')).toBeTruthy();
    fireEvent.keyDown(window, { key: 'e' });
    expect(store.getState().session.current?.exposed).toEqual({});
    expect(mockRouter.push).toHaveBeenCalledWith('/before');
  });
  it('a repeat needs its cause, frees the place and tells the record', async () => {
    mockParams = setUp;
    keep({ ...inHand, answers: answered });
    const store = show(<SetupPlace />);
    fireEvent.click(await screen.findByText('Expose', { selector: 'div' }));
    fireEvent.click(await screen.findByLabelText('Repeat this picture'));
    fireEvent.click(await screen.findByLabelText('Rotated'));
    fireEvent.click(screen.getByText('Repeat it'));
    expect(await screen.findByText('Repeat 1: Rotated')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Expose' })).toBeTruthy();
    const { session, outbox } = store.getState();
    expect(session.current).toMatchObject({ exposed: {}, repeats: { 0: [{ cause: 'Rotated' }] } });
    expect(outbox.waiting.at(-1)?.body).toEqual({ verdict: 'repeat', cause: 'Rotated' });
  });
  it('a plan that another device changed is said, and taken when it is wanted', async () => {
    mockParams = setUp;
    keep({ ...inHand, answers: answered });
    const changed = {
      ...order,
      id: 'o',
      planVersion: 2,
      planBy: 'Tomas Reedham',
      projections: [{ projectionId: 'coccyx-ap-axial' }, { projectionId: 'sacrum-ap-axial' }],
    };
    const exam = {
      id: 'e',
      orderId: 'o',
      performedBy: 'Tomas Reedham',
      startedAt: 1,
      finishedAt: null,
      endReason: null,
      answers: null,
    };
    answers['/api/orders/o/exam'] = { order: changed, exam, exposures: [{ ...row, id: 'theirs' }] };
    answers['/api/exposures/theirs'] = { ...row, id: 'theirs' };
    const store = show(<SetupPlace />);
    expect(await screen.findByText(/Tomas Reedham has changed the plan/)).toBeTruthy();
    expect(await screen.findByText(/Tomas Reedham has this exam in hand/)).toBeTruthy();
    // What the other device exposed is not exposed again here.
    await waitFor(() => expect(store.getState().session.current?.exposed).toEqual({ 0: 'theirs' }));
    fireEvent.click(screen.getByLabelText('Take the new plan'));
    expect(store.getState().session.current).toMatchObject({
      planVersion: 2,
      plan: changed.projections,
      exposed: { 0: 'theirs' },
    });
  });
  it('one step at a time: a tap ticks it and shows the next, and back takes it back', async () => {
    mockParams = setUp;
    keep({ ...inHand, answers: answered });
    const store = show(<SetupPlace />);
    fireEvent.click(await screen.findByLabelText('One step at a time'));
    const ticks = () => store.getState().session.current?.ticks[0] ?? [];
    fireEvent.click(await screen.findByLabelText(/^Done: Receptor/));
    expect(ticks()).toHaveLength(1);
    fireEvent.click(await screen.findByLabelText(/^Done: SID/));
    expect(ticks()).toHaveLength(2);
    fireEvent.click(screen.getByLabelText(/^Back to: SID/));
    expect(ticks()).toHaveLength(1);
    fireEvent.click(screen.getByLabelText('Back to the list'));
    expect(screen.queryByLabelText(/^Done: /)).toBeNull();
  });
  it('the words for the breath in the language of the patient, led by a timer', async () => {
    mockParams = setUp;
    const store = show(<SetupPlace />);
    fireEvent.click(await screen.findByLabelText(/^Words for the breath/));
    expect(await screen.findByText('Stop breathing.')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Spanish · Español'));
    expect(await screen.findByText('No respire.')).toBeTruthy();
    expect(screen.getByText('noh res-PEE-reh')).toBeTruthy();
    expect(store.getState().preferences.language).toBe('es');
    fireEvent.click(screen.getByText('Start the timer'));
    expect(await screen.findByRole('timer')).toBeTruthy();
    fireEvent.click(screen.getByText('Stop the timer'));
    expect(screen.queryByRole('timer')).toBeNull();
  });
  it('an exam is handed to a colleague, or ended with a reason', async () => {
    mockParams = setUp;
    keep({ ...inHand, answers: answered });
    answers['/api/people'] = [person, { ...person, id: 'p-2', name: 'Tomas Reedham', role: 'student' }];
    const store = show(<SetupPlace />);
    fireEvent.click(await screen.findByLabelText('Exam in hand: 1 of 1'));
    fireEvent.click(await screen.findByLabelText('Tomas Reedham'));
    fireEvent.click(screen.getByText('Hand to Tomas Reedham'));
    expect(store.getState().session.current).toBeNull();
    expect(store.getState().outbox.waiting.at(-1)).toMatchObject({
      path: '/exams/e/hand-over',
      body: { to: 'Tomas Reedham' },
    });
    expect(mockRouter.replace).toHaveBeenCalledWith('/orders');
  });
});

describe('Before the patient', () => {
  const session = {
    orderId: 'o',
    examId: 'e',
    exam: 'Pelvis',
    initials: 'QZ',
    plan: [{ projectionId: 'pelvis-ap' }],
    patient: { ageYears: 30, sex: 'female' },
    situation: {},
    roomId: 'room-1',
  };
  it('room check, questions and what must come off; pregnancy possible stops until it is decided', async () => {
    localStorage.setItem('taktik.session', JSON.stringify(session));
    const store = show(<BeforePlace />);
    expect(await screen.findByText(/^Tube in its detent over the table tray/)).toBeTruthy();
    expect(screen.getByText('Off, for the femur, hip, pelvis')).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^SID 40 in/));
    const choose = (group: RegExp, value: string) =>
      fireEvent.click(within(screen.getByRole('radiogroup', { name: group })).getByLabelText(value));
    choose(/^The name said/, 'yes');
    choose(/^Date of birth/, 'yes');
    choose(/^What was asked/, 'yes');
    expect(screen.getByText('1 still to ask')).toBeTruthy();
    choose(/^Pregnancy possible/, 'yes');
    expect(screen.getByText('▲ Stopped: Pregnancy possible')).toBeTruthy();
    expect(screen.getByText(/Stop and follow local policy/)).toBeTruthy();
    expect(store.getState().session.current?.situation.pregnancy).toBe('possible');
    fireEvent.change(screen.getByLabelText('Pregnancy possible: who decided, and what'), {
      target: { value: 'Dr Vale: go on, shielded' },
    });
    expect(screen.getByText('▲ Stopped: Pregnancy possible')).toBeTruthy();
    fireEvent.click(screen.getByText('Keep this decision'));
    expect(await screen.findByText(/All answered; nothing stops the exam/)).toBeTruthy();
    expect(store.getState().outbox.waiting.at(-1)).toMatchObject({
      path: '/exams/e/answers',
      body: { given: {}, decisions: { pregnancy: 'Dr Vale: go on, shielded' } },
    });
    expect(store.getState().session.current?.checked).toEqual(['room-sid']);
  });
  it('without an exam in hand it says so', async () => {
    show(<BeforePlace />);
    expect(await screen.findByText('No exam in hand')).toBeTruthy();
  });
});

describe('an order in full', () => {
  beforeEach(() => {
    mockParams = { id: order.id };
  });
  it('tells what was asked, what it makes, what to bring, and plans it anew', async () => {
    const four = ['sacrum-ap-axial', 'sacrum-lateral', 'coccyx-ap-axial', 'coccyx-lateral'].map((projectionId) => ({
      projectionId,
    }));
    const full = { ...order, projections: four };
    answers[`/api/orders/${order.id}/exam`] = { order: full, exam: null, exposures: [] };
    answers[`/api/orders/${order.id}/plan`] = full;
    show(<OrderPlace />);
    expect(await screen.findByText('Sat down hard on a step')).toBeTruthy();
    expect(await screen.findByText('☐ lead on the table behind the back')).toBeTruthy();
    expect(await screen.findByText(/^4 exposures, 3 turns, \d+ points of work$/)).toBeTruthy();
    fireEvent.click(await screen.findByText('Take the order with 1 turn'));
    await waitFor(() => expect(sentBodies).toHaveLength(1));
    const { body } = sentBodies[0] as unknown as { body: { version: number; projections: { projectionId: string }[] } };
    expect(body.version).toBe(1);
    expect(new Set(body.projections.map(({ projectionId }) => projectionId))).toEqual(
      new Set(four.map(({ projectionId }) => projectionId)),
    );
  });
  it('says what is more than was ordered, and drops, moves and adds by hand', async () => {
    const more = { ...order, projections: [...order.projections, { projectionId: 'pelvis-ap' }] };
    answers[`/api/orders/${order.id}/exam`] = { order: more, exam: null, exposures: [] };
    answers[`/api/orders/${order.id}/plan`] = more;
    show(<OrderPlace />);
    expect(await screen.findByText(/^More than was ordered: Pelvis, AP shows the pelvis/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Swap or drop: Pelvis, AP'));
    fireEvent.click(screen.getByLabelText('Drop Pelvis, AP from the plan'));
    await waitFor(() => expect(sentBodies.at(-1)?.body.projections).toEqual(order.projections));
    await waitFor(() =>
      expect(screen.getByLabelText('Later: Sacrum, AP axial').getAttribute('aria-disabled')).toBeNull(),
    );
    fireEvent.click(screen.getByLabelText('Later: Sacrum, AP axial'));
    await waitFor(() =>
      expect(sentBodies.at(-1)?.body.projections).toEqual([
        more.projections[1],
        more.projections[0],
        more.projections[2],
      ]),
    );
    fireEvent.change(screen.getByLabelText('Add a projection'), { target: { value: 'hand pa' } });
    fireEvent.click(await screen.findByLabelText('Add Hand, PA, left'));
    await waitFor(() =>
      expect(sentBodies.at(-1)?.body.projections).toEqual([
        ...more.projections,
        { projectionId: 'hand-pa', side: 'left' },
      ]),
    );
  });
  it('an order that is not there is said to be so', async () => {
    mockParams = {};
    show(<OrderPlace />);
    expect(await screen.findByText('▲ There is no such order')).toBeTruthy();
  });
});

describe('signing in', () => {
  beforeEach(() => localStorage.removeItem('taktik.who'));
  const gate = () => (
    <SignedIn title="Orders" purpose="Orders tell of patients: sign in to see them.">
      <OrdersPlace />
    </SignedIn>
  );
  it('asks for a name and a PIN by large keys, then shows the orders', async () => {
    answers['/api/sessions'] = { token: 't', person };
    answers['/api/people'] = [{ ...person, demoPin: '2580' }];
    const store = show(gate());
    expect(await screen.findByText('Orders tell of patients: sign in to see them.')).toBeTruthy();
    expect(screen.queryByText('Sacrum and coccyx')).toBeNull();
    expect(await screen.findByText('Demo, invented people: Ines Oakfield 2580')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Ines Oakfield, lead'));
    for (const key of ['2', '5', '8', '0']) fireEvent.click(screen.getByLabelText(key));
    fireEvent.click(screen.getAllByLabelText('Sign in').at(-1)!);
    expect(await screen.findByText('Sacrum and coccyx')).toBeTruthy();
    expect(sentBodies[0]).toEqual({ path: '/api/sessions', body: { personId: person.id, pin: '2580' } });
    expect(store.getState().who.person?.name).toBe('Ines Oakfield');
    expect(localStorage.getItem('taktik.who')).toContain('Ines Oakfield');
  });
  it('without a server it says what still works', async () => {
    reachable = false;
    show(gate());
    expect(await screen.findByText('▲ Nobody can sign in now')).toBeTruthy();
    expect(screen.getByText(/Find and Set up work without it/)).toBeTruthy();
  });
});

test('after barium there is a sheet for the patient; after a knee there is none', () => {
  mockParams = { of: 'stomach-ap,stomach-pa' };
  show(<AftercarePlace />);
  expect(screen.getByText(/Drink much more than usual/)).toBeTruthy();
  mockParams = { of: 'knee-ap' };
  show(<AftercarePlace />);
  expect(screen.getByText('Nothing to hand out')).toBeTruthy();
});

test('house rules are changed from the room chip and go to the server', async () => {
  show(<RecordPlace />);
  fireEvent.click(await screen.findByLabelText(/room and rules$/));
  fireEvent.click(await screen.findByLabelText('7° to the head'));
  await waitFor(() =>
    expect(sentBodies).toEqual([{ path: '/api/rules', body: withDefaults({ kneeLateralAngle: '7' }) }]),
  );
});
