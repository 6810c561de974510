import { withDefaults } from '@taktik/core';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, mockRouter, show } from '../../testing/screenHarness';
import { notKept, queued, refused, unreachable } from '../../state/outbox';
import { RecordScreen } from './RecordScreen';

describe('Record', () => {
  it('lists what was exposed with index and dose', async () => {
    show(<RecordScreen />);
    expect(await screen.findByText('Coccyx, AP axial')).toBeTruthy();
    expect(screen.getByText('78 kVp · 25 mAs · number 415 (EI 422), DI −0.7 · 0.29 Gy·cm²')).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/Coccyx, AP axial, Sacrum and coccyx, HK, number 415 .EI 422/));
    expect(mockRouter.push).toHaveBeenCalledWith({ pathname: '/record/[id]', params: { id: 'x1' } });
  });
  it('says what a device could not keep, and when it was, so that it can be written down', async () => {
    const store = show(<RecordScreen />);
    await screen.findByText('Coccyx, AP axial');
    const at = new Date(2026, 4, 3, 14, 5).getTime();
    act(() => {
      store.dispatch(queued({ id: 'a', madeAt: at, path: '/exposures', body: {}, what: 'Sacrum, AP axial' }));
      store.dispatch(notKept('a'));
    });
    expect(screen.getByText(/cannot keep 1 entry.* write it down: Sacrum, AP axial, 14:05\.$/)).toBeTruthy();
  });
  it('shows what is still on its way, and what was refused with the reason', async () => {
    mockHere.answers['/api/exposures'] = [];
    const store = show(<RecordScreen />);
    await screen.findByText('Nothing exposed today');
    act(() => {
      store.dispatch(queued({ id: 'a', madeAt: 1, path: '/exposures', body: {}, what: 'Sacrum, AP axial' }));
      store.dispatch(unreachable());
    });
    expect(screen.getByText('1 on the way')).toBeTruthy();
    expect(screen.getByText(/1 entry is kept on this device/)).toBeTruthy();
    act(() => void store.dispatch(refused({ id: 'a', why: 'There is no exam "e".' })));
    expect(screen.getAllByText(/Not recorded: Sacrum, AP axial .*There is no exam "e"/)).toHaveLength(1);
    expect(screen.queryByRole('group', { name: 'Not recorded' })).toBeNull();
    fireEvent.click(screen.getByLabelText('Put aside: Sacrum, AP axial'));
    expect(screen.getByRole('group', { name: 'Not recorded' })).toBeTruthy();
    expect(screen.queryByLabelText('Remove: Sacrum, AP axial')).toBeNull();
    const saved = jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
    Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined });
    fireEvent.click(screen.getByLabelText('Save: Sacrum, AP axial'));
    expect(saved).toHaveBeenCalledTimes(1);
    saved.mockRestore();
    fireEvent.click(screen.getByLabelText('Remove: Sacrum, AP axial'));
    expect(screen.queryByText(/Not recorded/)).toBeNull();
  });
});

test('house rules are changed from the room chip and go to the server', async () => {
  show(<RecordScreen />);
  fireEvent.click(await screen.findByLabelText(/room and rules$/));
  fireEvent.click(await screen.findByLabelText('7° cephalad'));
  await waitFor(() =>
    expect(mockHere.sent).toEqual([{ path: '/api/rules', body: withDefaults({ kneeLateralAngle: '7' }) }]),
  );
});
