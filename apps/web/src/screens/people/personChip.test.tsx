import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, person, show } from '../../testing/screenHarness';
import { PersonChip } from './PersonChip';

const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

test('a lead adds people; what is refused stays typed, what is taken empties the form', async () => {
  show(<PersonChip />);
  fireEvent.click(screen.getByLabelText('Ines Oakfield, lead: signed in'));
  expect(await screen.findByText('Ines Oakfield, lead')).toBeTruthy();
  type('Name of a new person', 'Wren Alder');
  type('First PIN, 4 to 8 digits', '12');
  (global.fetch as jest.Mock).mockResolvedValueOnce(
    new Response(JSON.stringify({ fields: [{ field: 'pin', message: 'A PIN has 4 to 8 digits' }] }), {
      status: 422,
      headers: { 'content-type': 'application/json' },
    }),
  );
  fireEvent.click(screen.getByText('Add person'));
  expect((await screen.findByRole('alert')).textContent).toBe('▲ pin: A PIN has 4 to 8 digits');
  expect((screen.getByLabelText('Name of a new person') as HTMLInputElement).value).toBe('Wren Alder');
  type('First PIN, 4 to 8 digits', '1234');
  fireEvent.click(screen.getByLabelText('student'));
  fireEvent.click(screen.getByText('Add person'));
  await waitFor(() =>
    expect(mockHere.sent).toEqual([
      { path: '/api/people', body: { name: 'Wren Alder', role: 'student', pin: '1234' } },
    ]),
  );
  await waitFor(() => expect((screen.getByLabelText('Name of a new person') as HTMLInputElement).value).toBe(''));
});

test('who is no lead adds nobody', () => {
  localStorage.setItem('taktik.who', JSON.stringify({ ...person, role: 'technologist' }));
  show(<PersonChip />);
  fireEvent.click(screen.getByLabelText('Ines Oakfield, technologist: signed in'));
  expect(screen.getByText(/^Signed in as technologist/)).toBeTruthy();
  expect(screen.queryByText('Add person')).toBeNull();
});

test('signing out leaves the name neither on the chip nor on the device', async () => {
  const store = show(<PersonChip />);
  fireEvent.click(screen.getByLabelText('Ines Oakfield, lead: signed in'));
  fireEvent.click(screen.getByText('Sign out'));
  expect(await screen.findByLabelText('Sign in')).toBeTruthy();
  expect(store.getState().who.person).toBeNull();
  expect(localStorage.getItem('taktik.who') ?? '').not.toContain('Ines');
});
