import { defaultDepartment, projectionOf } from '@taktik/core';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import type { Planned } from '../../state/session';
import { mockHere, mockRouter, order, person, row, show } from '../../testing/screenHarness';
import { api } from '../../state/api';
import { signedIn } from '../../state/who';
import { OrderScreen } from './OrderScreen';
import { OrdersScreen } from './OrdersScreen';

describe('Orders', () => {
  it('says who, what, what is unusual and what to bring, and starts the exam', async () => {
    const store = show(<OrdersScreen />);
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
    mockHere.answers['/api/orders'] = [];
    show(<OrdersScreen />);
    expect(await screen.findByText('Nothing is waiting')).toBeTruthy();
  });
  it('without a server it says what still works', async () => {
    mockHere.reachable = false;
    show(<OrdersScreen />);
    expect(await screen.findByText(/Orders cannot be read/)).toBeTruthy();
    expect(screen.getByText(/Find and Set up work without it/)).toBeTruthy();
  });
  it('a patient outside the model is marked, not guessed', async () => {
    mockHere.answers['/api/orders'] = [
      { ...order, patient: { ...order.patient, body: { ageYears: 3, statureMm: 2000 } } },
    ];
    show(<OrdersScreen />);
    expect(await screen.findByText(/outside the body model/)).toBeTruthy();
  });
});

test.each([
  ['room-2', /^● Planned for Room 2, and its numbers stand here; this device is in /],
  ['room-1', null],
])('an order for %s, on a device of room 1', async (roomId, says) => {
  mockHere.answers[`/api/orders/${order.id}/exam`] = { order: { ...order, roomId }, exam: null, exposures: [] };
  mockHere.params = { id: order.id };
  show(<OrderScreen />);
  expect(await screen.findByText('Sat down hard on a step')).toBeTruthy();
  const said = screen.queryByRole('note');
  expect(said?.textContent ?? null).toEqual(says === null ? null : expect.stringMatching(says));
});

describe('a student begins an exam', () => {
  const student = { id: 'p-tomas', name: 'Tomas Reedham', role: 'student' as const, demoPin: null };
  const open = (supervision: 'none' | 'named') => {
    mockHere.params = { id: order.id };
    mockHere.answers[`/api/orders/${order.id}/exam`] = { order, exam: null, exposures: [] };
    mockHere.answers['/api/department'] = { ...defaultDepartment, supervision };
    mockHere.answers['/api/people'] = [person, student];
  };
  const startButton = () => screen.getByRole('button', { name: 'Start' });

  it('with the name of who supervises, where the department wants it', async () => {
    open('named');
    const store = show(<OrderScreen />);
    act(() => void store.dispatch(signedIn(student)));
    const names = await screen.findByRole('radiogroup', { name: 'Who supervises' });
    // Students do not supervise.
    await waitFor(() => expect(names.querySelectorAll('[role=radio]')).toHaveLength(1));
    expect(startButton().getAttribute('aria-disabled')).toBe('true');
    fireEvent.click(screen.getByLabelText(person.name));
    await waitFor(() => expect(startButton().getAttribute('aria-disabled')).not.toBe('true'));
    fireEvent.click(startButton());
    await waitFor(() =>
      expect(store.getState().outbox.waiting[0]).toMatchObject({
        body: { performedBy: student.name, supervisedBy: person.name },
      }),
    );
  });
  it('from the list it goes to the order, which asks for the name', async () => {
    open('named');
    const store = show(<OrdersScreen />);
    act(() => void store.dispatch(signedIn(student)));
    await waitFor(() => expect(api.endpoints.department.select()(store.getState()).data?.supervision).toBe('named'));
    fireEvent.click(await screen.findByLabelText('Start Sacrum and coccyx, HK'));
    await waitFor(() => expect(mockRouter.push).toHaveBeenCalledWith({ pathname: '/order', params: { id: order.id } }));
    expect(store.getState().outbox.waiting).toEqual([]);
  });
  it('without a name where the department does not ask', async () => {
    open('none');
    const store = show(<OrderScreen />);
    act(() => void store.dispatch(signedIn(student)));
    fireEvent.click(await screen.findByRole('button', { name: 'Start' }));
    await waitFor(() => expect(store.getState().outbox.waiting).toHaveLength(1));
    expect(store.getState().outbox.waiting[0]!.body).not.toHaveProperty('supervisedBy');
    expect(screen.queryByText('Who supervises')).toBeNull();
  });
});

describe('an order in full', () => {
  beforeEach(() => {
    mockHere.params = { id: order.id };
  });
  it('tells what was asked, what it makes, what to bring, and plans it anew', async () => {
    const four = ['sacrum-ap-axial', 'sacrum-lateral', 'coccyx-ap-axial', 'coccyx-lateral'].map((projectionId) => ({
      projectionId,
    }));
    const full = { ...order, projections: four };
    mockHere.answers[`/api/orders/${order.id}/exam`] = { order: full, exam: null, exposures: [] };
    mockHere.answers[`/api/orders/${order.id}/plan`] = full;
    show(<OrderScreen />);
    expect(await screen.findByText('Sat down hard on a step')).toBeTruthy();
    expect(await screen.findByText('☐ lead on the table behind the back')).toBeTruthy();
    expect(await screen.findByText(/^4 exposures, 3 turns, \d+ points of work$/)).toBeTruthy();
    fireEvent.click(await screen.findByText('Take the order with 1 turn'));
    await waitFor(() => expect(mockHere.sent).toHaveLength(1));
    const { body } = mockHere.sent[0] as unknown as {
      body: { version: number; projections: { projectionId: string }[] };
    };
    expect(body.version).toBe(1);
    expect(new Set(body.projections.map(({ projectionId }) => projectionId))).toEqual(
      new Set(four.map(({ projectionId }) => projectionId)),
    );
  });
  it('a form that was ordered by name is planned at a press, worked out for this patient', async () => {
    const knee = {
      ...order,
      exam: 'Knee AP and cross-table lateral',
      side: 'left' as const,
      projections: ['knee-ap', 'knee-lateral'].map((projectionId) => ({ projectionId, side: 'left' as const })),
    };
    mockHere.answers[`/api/orders/${order.id}/exam`] = { order: knee, exam: null, exposures: [] };
    mockHere.answers[`/api/orders/${order.id}/plan`] = knee;
    show(<OrderScreen />);
    fireEvent.click(await screen.findByRole('button', { name: 'Plan it as Knee, lateral, cross-table, left' }));
    await waitFor(() => expect(mockHere.sent).toHaveLength(1));
    const { body } = mockHere.sent[0] as unknown as { body: { projections: Planned[] } };
    expect(body.projections[0]).toEqual({ projectionId: 'knee-ap', side: 'left' });
    expect(body.projections[1]).toMatchObject({ projectionId: 'knee-lateral', side: 'left' });
    expect(body.projections[1].way).toMatch(/^supine~level~/);
  });
  it('a row that is done in another way says how the patient is positioned for it, the usual ones do not', async () => {
    const knee = {
      ...order,
      exam: 'Knee AP and lateral',
      side: 'left' as const,
      projections: [
        { projectionId: 'knee-ap', side: 'left' as const },
        {
          projectionId: 'knee-lateral',
          side: 'left' as const,
          way: 'supine~level~stand~on-back~reversed~lies~along-7',
        },
      ],
    };
    mockHere.answers[`/api/orders/${order.id}/exam`] = { order: knee, exam: null, exposures: [] };
    show(<OrderScreen />);
    expect(await screen.findAllByText(/^◇ Supine, .*receptor upright/)).toHaveLength(1);
    expect(screen.getAllByText(/^◇/)).toHaveLength(1);
  });
  it('tells what each word of the order was taken for, the doubtful ones before the patient', async () => {
    const worded = { ...order, exam: 'rt knee AP, mortise zebra', side: 'right' as const };
    mockHere.answers[`/api/orders/${order.id}/exam`] = { order: worded, exam: null, exposures: [] };
    show(<OrderScreen />);
    expect(await screen.findByText('“ap” is read as Knee, AP')).toBeTruthy();
    expect(screen.getByText(/^▲ No view of this part answers to “mortise”/)).toBeTruthy();
    expect(screen.getByText('▲ Not understood: “zebra”')).toBeTruthy();
  });
  it('an entry of the department’s own is added by its name', async () => {
    const own = { ...projectionOf('sacrum-ap-axial'), id: 'own-sacrum', name: 'Sacrum, our way' };
    mockHere.answers['/api/catalogue/own'] = [own];
    mockHere.answers[`/api/orders/${order.id}/exam`] = { order, exam: null, exposures: [] };
    mockHere.answers[`/api/orders/${order.id}/plan`] = order;
    show(<OrderScreen />);
    fireEvent.change(await screen.findByLabelText('Add a projection'), { target: { value: 'our way' } });
    fireEvent.click(await screen.findByLabelText('Add Sacrum, our way'));
    await waitFor(() =>
      expect(mockHere.sent.at(-1)?.body.projections).toEqual([...order.projections, { projectionId: 'own-sacrum' }]),
    );
  });
  it('a view of both sides is one row, which moves, changes its first side, and may leave one out', async () => {
    const hands = (side: 'left' | 'right') => ({ projectionId: 'hand-pa', side });
    const both = {
      ...order,
      exam: 'Hands, both, PA',
      projections: [hands('right'), hands('left'), { projectionId: 'sacrum-ap-axial' }],
    };
    mockHere.answers[`/api/orders/${order.id}/exam`] = { order: both, exam: null, exposures: [] };
    mockHere.answers[`/api/orders/${order.id}/plan`] = both;
    show(<OrderScreen />);
    const sent = () => mockHere.sent.at(-1)?.body.projections;
    const open = async () =>
      fireEvent.click(await screen.findByLabelText('Move, swap or drop: Hand, PA, right, then left'));
    await open();
    expect(screen.getByText('1–2')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Later: Hand, PA, right, then left'));
    await waitFor(() => expect(sent()).toEqual([both.projections[2], hands('right'), hands('left')]));
    // The server of this test answers with the plan as it was.
    await open();
    fireEvent.click(screen.getByLabelText('The left first'));
    await waitFor(() => expect(sent()).toEqual([hands('left'), hands('right'), both.projections[2]]));
    await open();
    fireEvent.click(screen.getByLabelText('Only the left: Hand, PA, right, then left'));
    await waitFor(() => expect(sent()).toEqual([hands('left'), both.projections[2]]));
  });
  it('says what is more than was ordered, and drops, moves and adds by hand', async () => {
    const more = { ...order, projections: [...order.projections, { projectionId: 'pelvis-ap' }] };
    mockHere.answers[`/api/orders/${order.id}/exam`] = { order: more, exam: null, exposures: [] };
    mockHere.answers[`/api/orders/${order.id}/plan`] = more;
    show(<OrderScreen />);
    expect(await screen.findByText(/^More than was ordered: Pelvis, AP shows the pelvis/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Move, swap or drop: Pelvis, AP'));
    fireEvent.click(screen.getByLabelText('Drop Pelvis, AP from the plan'));
    await waitFor(() => expect(mockHere.sent.at(-1)?.body.projections).toEqual(order.projections));
    fireEvent.click(screen.getByLabelText('Move, swap or drop: Sacrum, AP axial'));
    await waitFor(() =>
      expect(screen.getByLabelText('Later: Sacrum, AP axial').getAttribute('aria-disabled')).toBeNull(),
    );
    fireEvent.click(screen.getByLabelText('Later: Sacrum, AP axial'));
    await waitFor(() =>
      expect(mockHere.sent.at(-1)?.body.projections).toEqual([
        more.projections[1],
        more.projections[0],
        more.projections[2],
      ]),
    );
    fireEvent.change(screen.getByLabelText('Add a projection'), { target: { value: 'hand pa' } });
    fireEvent.click(await screen.findByLabelText('Add Hand, PA, left'));
    await waitFor(() =>
      expect(mockHere.sent.at(-1)?.body.projections).toEqual([
        ...more.projections,
        { projectionId: 'hand-pa', side: 'left' },
      ]),
    );
  });
  it('sums the dose of an exam with its repeats', async () => {
    mockHere.answers[`/api/orders/${order.id}/exam`] = {
      order,
      exam: null,
      exposures: [
        { ...row, kapGyCm2: 0.3 },
        { ...row, id: 'x2', kapGyCm2: 0.2, verdict: 'repeat' },
      ],
    };
    show(<OrderScreen />);
    expect(await screen.findByText(/^2 exposures, repeats included: 0\.50 Gy·cm² in all/)).toBeTruthy();
  });
  it('an order that is not there is said to be so', async () => {
    mockHere.params = {};
    show(<OrderScreen />);
    expect(await screen.findByText('▲ There is no such order')).toBeTruthy();
  });
});
