import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockRouter, show } from '../../testing/screenHarness';
import { FindScreen } from './FindScreen';

describe('Find', () => {
  it('answers in the row for the patient in hand, and opens with an address', async () => {
    show(<FindScreen />);
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
  it('shows back the other name through which a row was answered', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'tib fib' } });
    expect((await screen.findAllByText('matches “tib fib”')).length).toBeGreaterThan(0);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'leg ap' } });
    await waitFor(() => expect(screen.queryByText(/^matches/)).toBeNull());
  });
  it('counts the regions before anything is typed', async () => {
    show(<FindScreen />);
    expect(await screen.findByLabelText(/^spine \d/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^hand and wrist \d/));
    await waitFor(() => expect(screen.queryByLabelText(/^Chest, PA/)).toBeNull());
    expect(await screen.findByLabelText(/^Finger, PA, right/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText('thumb'));
    await waitFor(() => expect(screen.queryByLabelText(/^Finger, PA/)).toBeNull());
    expect(screen.getByLabelText(/^Thumb, AP, right/)).toBeTruthy();
  });
});
