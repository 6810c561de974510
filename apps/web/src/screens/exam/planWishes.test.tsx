/** Wishes for the order of a plan, with the real core behind it. */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { order, show } from '../../testing/screenHarness';
import { PlanEditor } from './PlanEditor';

const plan = ['cervical-lateral', 'cervical-ap-open-mouth', 'cervical-ap-axial'].map((projectionId) => ({
  projectionId,
}));
const open = () => {
  const onChange = jest.fn();
  show(
    <PlanEditor
      {...{ plan, onChange, busy: false, done: [] }}
      order={order}
      patient={{ ageYears: 40, sex: 'male' }}
      situation={{}}
      roomId="room-1"
    />,
  );
  return onChange;
};

it('a view that is wished last stands last in the order that is offered, with what it costs', async () => {
  const onChange = open();
  fireEvent.click(await screen.findByLabelText(/^Wishes for the order/));
  const last = screen.getByRole('radiogroup', { name: /^Last/ });
  fireEvent.click(last.querySelector('[aria-label="Cervical spine, lateral"]')!);
  expect((await screen.findByLabelText('What the wishes cost')).textContent).toMatch(/wishes cost/);
  fireEvent.click(await screen.findByText(/^Take the order with/));
  const [taken] = onChange.mock.calls[0] as [typeof plan];
  expect(taken.at(-1)).toEqual({ projectionId: 'cervical-lateral' });
  expect(taken).toHaveLength(3);
  // Taken back, nothing is said of wishes.
  fireEvent.click(last.querySelector('[aria-label="any"]')!);
  await waitFor(() => expect(screen.queryByLabelText('What the wishes cost')).toBeNull());
});
