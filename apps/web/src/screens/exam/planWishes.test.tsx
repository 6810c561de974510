/** Wishes for the order of a plan, with the real core behind it. */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { order, show } from '../../testing/screenHarness';
import { PlanEditor } from './PlanEditor';

const plan = ['cervical-lateral', 'cervical-ap-open-mouth', 'cervical-ap-axial'].map((projectionId) => ({
  projectionId,
}));
const open = (ids: readonly { projectionId: string }[] = plan, situation = {}) => {
  const onChange = jest.fn();
  show(
    <PlanEditor
      {...{ plan: ids, onChange, busy: false, done: [] }}
      order={order}
      patient={{ ageYears: 40, sex: 'male' }}
      situation={situation}
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

describe('everything upright', () => {
  const ask = async () => {
    fireEvent.click(await screen.findByLabelText(/^Wishes for the order/));
    fireEvent.click(screen.getByRole('button', { name: 'Everything upright' }));
  };
  const ids = ['chest-pa', 'abdomen-ap-supine', 'shoulder-axillary-inferosuperior'].map((projectionId) => ({
    projectionId,
    ...(projectionId.startsWith('shoulder') ? { side: 'left' as const } : {}),
  }));
  it('each view says what it becomes and what that costs; taken, only those change', async () => {
    const onChange = open(ids);
    await ask();
    const list = await screen.findByRole('list', { name: 'Everything upright' });
    expect(list.textContent).toMatch(/Chest, PA: upright as it is/);
    expect(list.textContent).toMatch(/Abdomen, AP, supine: upright.*Grid/);
    expect(list.textContent).toMatch(/axial.*: no way upright/);
    fireEvent.click(screen.getByText('Take this one upright'));
    const [taken] = onChange.mock.calls[0] as [{ projectionId: string; way?: string }[]];
    expect(taken.map(({ projectionId }) => projectionId)).toEqual(ids.map(({ projectionId }) => projectionId));
    expect(taken[0]).toEqual(ids[0]);
    expect(taken[1]!.way).toMatch(/^upright/);
    expect(taken[2]).toEqual(ids[2]);
  });
  it('who cannot stand sits before the stand', async () => {
    open(ids.slice(1, 2), { canStand: false });
    await ask();
    const list = await screen.findByRole('list', { name: 'Everything upright' });
    expect(list.textContent).toMatch(/Abdomen, AP, supine: (seated|no way)/);
  });
  it('who must not be raised is not: nothing changes', async () => {
    open(ids.slice(1, 2), { spineNotCleared: true });
    await ask();
    expect(await screen.findByText('Nothing changes')).toBeTruthy();
    expect(screen.queryByText(/^Take this/)).toBeNull();
  });
});
