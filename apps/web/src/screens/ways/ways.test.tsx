import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { mockHere, mockRouter, order, person, show } from '../../testing/screenHarness';
import { begun, freshSession } from '../../state/session';
import { WaysScreen } from './WaysScreen';

const board = { s: 'nostand,nosit,turn-none,spine,bay,keep-neck,worn-collar' };

test('ways are listed with what they keep and cost, and one is taken onto the set-up', async () => {
  mockHere.params = { p: 'cervical-oblique-posterior', side: 'left', age: '40', ...board };
  show(<WaysScreen />);
  expect(await screen.findByText(/ways?, the least cost first/)).toBeTruthy();
  const [first] = screen.getAllByRole('article');
  expect(within(first).getByText(/Supine, part as it lies; tube above, CR \d+°/)).toBeTruthy();
  expect(within(first).getByText(/^✓ Keeps: the usual course of the CR through the part( ·|$)/)).toBeTruthy();
  expect(within(first).getByText(/^− Costs: Elongated by \d+ % on the tilted receptor$/)).toBeTruthy();
  fireEvent.click(within(first).getByLabelText(/^Use way 1/));
  await waitFor(() =>
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/setup',
      params: expect.objectContaining({
        p: 'cervical-oblique-posterior',
        side: 'left',
        way: expect.stringMatching(/^supine~down~table-top~on-back~lies~along15~across-?45$/),
      }),
    }),
  );
});

test('toggles change what is found at once, and a preset is taken off again', async () => {
  mockHere.params = { p: 'chest-pa', age: '60' };
  show(<WaysScreen />);
  expect((await screen.findAllByRole('article')).length).toBeGreaterThan(1);
  fireEvent.click(screen.getByLabelText('Ward, semi-erect'));
  await waitFor(() =>
    expect(screen.getAllByRole('article').every((each) => /semi-erect/i.test(each.textContent ?? ''))).toBe(true),
  );
  fireEvent.click(screen.getByLabelText('Ward, semi-erect'));
  await waitFor(() =>
    expect(screen.getAllByRole('article').some((each) => /(^|[^-])erect/i.test(each.textContent ?? ''))).toBe(true),
  );
});

test('two ways stand side by side with the lines that differ', async () => {
  mockHere.params = { p: 'chest-pa', age: '60', s: 'nostand,nosit,turn-none' };
  show(<WaysScreen />);
  fireEvent.click(await screen.findByLabelText('Take into the comparison: way 1'));
  expect(screen.getByText(/mark another to see both side by side/)).toBeTruthy();
  fireEvent.click(screen.getByLabelText('Take into the comparison: way 2'));
  const table = await screen.findByRole('table');
  expect(within(table).getByText('◆ Costs differs')).toBeTruthy();
  expect(within(table).getAllByRole('columnheader')).toHaveLength(2);
});

test('what must not be done is said, with who to ask', async () => {
  mockHere.params = { p: 'cervical-flexion', ...board };
  show(<WaysScreen />);
  expect(await screen.findByText(/is not to be done/)).toBeTruthy();
  expect(screen.getByText(/must not be flexed or extended.*Ask the physician/)).toBeTruthy();
});

test('where nothing safe is found it says so, and who to ask', async () => {
  // Propped and held by the neck: the open mouth cannot be had.
  mockHere.params = {
    p: 'sinuses-submentovertical',
    age: '40',
    s: 'nostand,nosit,turn-none,noflat,rest30,keep-neck,spine',
  };
  show(<WaysScreen />);
  expect(await screen.findByText(/Nothing safe was found/)).toBeTruthy();
  expect(
    screen.getByText(/is barred: the spine is not cleared.*Ask the physician in charge .* or the radiologist which/),
  ).toBeTruthy();
});

test('a way goes into the plan of the exam in hand, on the server too', async () => {
  mockHere.params = { p: 'sacrum-ap-axial', age: '58', s: 'nostand,nosit' };
  const taken = { ...order, projections: [{ projectionId: 'sacrum-ap-axial', way: 'x' }], planVersion: 2 };
  mockHere.answers[`/api/orders/${order.id}/plan`] = taken;
  const store = show(<WaysScreen />);
  act(
    () =>
      void store.dispatch(
        begun({
          ...freshSession,
          exam: order.exam,
          initials: 'HK',
          situation: {},
          roomId: 'room-2',
          orderId: order.id,
          examId: 'e',
          by: person.name,
          plan: order.projections,
          patient: { ageYears: 58 },
        }),
      ),
  );
  const use = (await screen.findAllByLabelText(/^Use way/)).at(-1)!;
  fireEvent.click(use);
  await waitFor(() => expect(mockHere.sent).toHaveLength(1));
  const { body } = mockHere.sent[0] as unknown as { body: { version: number; projections: { way?: string }[] } };
  expect(body.version).toBe(freshSession.planVersion);
  expect(body.projections[0].way).toBeTruthy();
  expect(body.projections[1]).toEqual(order.projections[1]);
  await waitFor(() => expect(store.getState().session.current?.planVersion).toBe(2));
});

test('without a projection it sends to Find', () => {
  mockHere.params = {};
  show(<WaysScreen />);
  fireEvent.click(screen.getByText('Find a projection'));
  expect(mockRouter.push).toHaveBeenCalledWith('/find');
});
