import { aftercareFor, entriesNamed, finishStepsFor, projectionOf } from '@taktik/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, mockRouter, order, person, row, show } from '../../testing/screenHarness';
import { useAppSelector } from '../../state/hooks';
import { freshSession, begun, type Session } from '../../state/session';
import { ExamSheet } from './ExamSheet';
import { FinishSheet } from './FinishSheet';
import { LookSheet } from './LookSheet';
import { ReadingSheet } from './ReadingSheet';

const session: Session = {
  ...freshSession,
  orderId: order.id,
  examId: 'e1',
  by: person.name,
  exam: order.exam,
  initials: 'HK',
  plan: order.projections,
  patient: order.patient.body,
  situation: {},
  roomId: 'room-2',
  exposed: { 0: 'x1' },
};
const enabled = (title: string): boolean =>
  screen.getByText(title).closest('[aria-disabled="true"], [disabled]') === null;
const onClose = jest.fn();

describe('the exam in hand', () => {
  beforeEach(() => {
    mockHere.answers['/api/people'] = [person, { ...person, id: 'p-jo', name: 'Jo Larkspur' }];
  });
  const open = () => {
    const store = show(
      <ExamSheet open session={session} index={1} name="Coccyx, AP axial" onShow={jest.fn()} onClose={onClose} />,
    );
    store.dispatch(begun(session));
    return store;
  };
  it('is handed to another, never to oneself, and leaves this device', async () => {
    const store = open();
    expect(enabled('Hand over')).toBe(false);
    fireEvent.click(await screen.findByLabelText('Jo Larkspur'));
    expect(screen.queryByLabelText(person.name)).toBeNull();
    fireEvent.click(screen.getByText('Hand to Jo Larkspur'));
    expect(store.getState().outbox.waiting[0]).toMatchObject({
      path: '/exams/e1/hand-over',
      body: { to: 'Jo Larkspur' },
      what: 'Sacrum and coccyx handed to Jo Larkspur',
    });
    expect(store.getState().session.current).toBeNull();
    expect(mockRouter.replace).toHaveBeenCalledWith('/orders');
  });
  it('ends early only with a reason, and counts what is not exposed', async () => {
    const store = open();
    expect(screen.getByText(/^1 of 2 not exposed/)).toBeTruthy();
    expect(enabled('End the exam')).toBe(false);
    const [reason] = (mockHere.answers['/api/department'] as { endReasons: string[] }).endReasons;
    fireEvent.click(await screen.findByLabelText(reason));
    fireEvent.click(screen.getByText('End the exam'));
    expect(store.getState().outbox.waiting[0]).toMatchObject({ path: '/exams/e1/finish', body: { reason } });
    expect(onClose).toHaveBeenCalled();
  });
});

describe('the finish', () => {
  /** The sheet as it stands over the exam, which it changes. */
  function Harness({ onFinish }: { onFinish: () => void }) {
    const current = useAppSelector((state) => state.session.current);
    return current && <FinishSheet open session={current} onFinish={onFinish} onClose={onClose} />;
  }
  const begin = (part: Partial<Session>, onFinish = jest.fn()) => {
    const store = show(<Harness onFinish={onFinish} />);
    store.dispatch(begun({ ...session, ...part }));
    return store;
  };
  it('is ticked line by line; it may be finished all the same, and says what is open', async () => {
    const onFinish = jest.fn();
    begin({}, onFinish);
    const steps = finishStepsFor(entriesNamed(order.projections.map(({ projectionId }) => projectionId)), 'room', []);
    expect(await screen.findByText(`${steps.length} not ticked`)).toBeTruthy();
    for (const { text } of steps) fireEvent.click(screen.getByLabelText(text));
    await waitFor(() => expect(screen.queryByText(/not ticked$/)).toBeNull());
    fireEvent.click(screen.getByText('Finish exam'));
    expect(onFinish).toHaveBeenCalledTimes(1);
    fireEvent.click(screen.getByLabelText(steps[0].text));
    expect(await screen.findByText('Finish all the same')).toBeTruthy();
  });
  it('after contrast there are instructions to print, at the bedside the rails', async () => {
    begin({ plan: [{ projectionId: 'stomach-ap' }], situation: { place: 'bedside' } });
    expect(await screen.findByLabelText('Bed lowered, both rails up, bell within reach')).toBeTruthy();
    expect(screen.getByLabelText('Instructions given on paper')).toBeTruthy();
    expect(screen.queryByLabelText(/^Table lowered/)).toBeNull();
    const [{ title }] = aftercareFor(entriesNamed(['stomach-ap']));
    expect(screen.getByText(new RegExp(title, 'i'))).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Instructions for the patient, to print'));
    expect(mockRouter.push).toHaveBeenCalledWith({ pathname: '/aftercare', params: { of: 'stomach-ap' } });
  });
});

describe('a repeat', () => {
  it('needs a cause, and a cause that was picked and left is not ready for the next picture', async () => {
    const onRepeat = jest.fn();
    const { checks } = projectionOf('coccyx-ap-axial');
    show(<LookSheet open name="Coccyx, AP axial" checks={checks} onRepeat={onRepeat} onClose={onClose} />);
    expect(screen.getByText(`A good picture: ${checks.join('; ')}`)).toBeTruthy();
    expect(enabled('Repeat it')).toBe(false);
    const [cause] = (mockHere.answers['/api/department'] as { repeatCauses: string[] }).repeatCauses;
    fireEvent.click(await screen.findByLabelText(cause));
    expect(enabled('Repeat it')).toBe(true);
    fireEvent.click(screen.getByLabelText('Close'));
    expect(onClose).toHaveBeenCalled();
    expect(enabled('Repeat it')).toBe(false);
    fireEvent.click(screen.getByLabelText(cause));
    fireEvent.click(screen.getByText('Repeat it'));
    expect(onRepeat.mock.calls).toEqual([[cause]]);
  });
});

describe('the number of the console', () => {
  const open = () => show(<ReadingSheet open exposure={row} scale={undefined} onClose={onClose} />);
  const type = (value: string) =>
    fireEvent.change(screen.getByLabelText(/Exposure index as the console shows it/), { target: { value } });
  it.each([
    ['0.2', /it must be 1 to 100000/],
    ['-400', /above 0/],
    ['four hundred', /above 0, got NaN/],
  ])('refuses %s with the reason, and keeps it typed', (value, why) => {
    const store = open();
    type(value);
    expect(screen.getByRole('alert').textContent).toMatch(why);
    expect(enabled('Keep this number')).toBe(false);
    expect(store.getState().outbox.waiting).toEqual([]);
  });
  it('a decimal comma is a decimal point', () => {
    const store = open();
    type('612,5');
    fireEvent.click(screen.getByText('Keep this number'));
    expect(store.getState().outbox.waiting[0]).toMatchObject({ body: { exposureIndex: 612.5 } });
  });
});
