import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, person, show } from '../../testing/screenHarness';
import { PersonChip } from './PersonChip';

const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

test('a lead adds people; what is refused stays typed, what is taken empties the form', async () => {
  show(<PersonChip />);
  fireEvent.click(screen.getByLabelText('Ines Oakfield, lead: signed in'));
  expect(await screen.findByText('Ines Oakfield, lead')).toBeTruthy();
  type('Name of a new person', 'Wren Alder');
  type('First PIN, 6 to 8 digits', '12');
  (global.fetch as jest.Mock).mockResolvedValueOnce(
    new Response(JSON.stringify({ fields: [{ field: 'pin', message: 'A new PIN has 6 to 8 digits' }] }), {
      status: 422,
      headers: { 'content-type': 'application/json' },
    }),
  );
  fireEvent.click(screen.getByText('Add person'));
  expect((await screen.findByRole('alert')).textContent).toBe('▲ pin: A new PIN has 6 to 8 digits');
  expect((screen.getByLabelText('Name of a new person') as HTMLInputElement).value).toBe('Wren Alder');
  type('First PIN, 6 to 8 digits', '482159');
  fireEvent.click(screen.getByLabelText('student'));
  fireEvent.click(screen.getByText('Add person'));
  await waitFor(() =>
    expect(mockHere.sent).toEqual([
      { path: '/api/people', body: { name: 'Wren Alder', role: 'student', pin: '482159' } },
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

const answerOnce = (status: number, body: object | null) =>
  (global.fetch as jest.Mock).mockResolvedValueOnce(
    new Response(body && JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } }),
  );
const open = () => {
  show(<PersonChip />);
  fireEvent.click(screen.getByLabelText('Ines Oakfield, lead: signed in'));
};

describe('one’s own PIN', () => {
  const change = async () => {
    open();
    // What the sheet asks for by itself has come.
    await screen.findByText(/each as it was written/);
    fireEvent.click(screen.getByLabelText('PIN and devices'));
    type('PIN until now', '2580');
    type('New PIN, 6 to 8 digits', '482159');
  };
  test('is changed with the old one, and asked for anew', async () => {
    await change();
    answerOnce(204, null);
    fireEvent.click(screen.getByText('Change my PIN'));
    await screen.findByText(/Your PIN is changed: sign in with the new one/);
    const [, options] = (global.fetch as jest.Mock).mock.calls.at(-1) as [Request | string, RequestInit | undefined];
    const [asked] = (global.fetch as jest.Mock).mock.calls.at(-1) as [Request];
    expect(JSON.parse(String(options?.body ?? (await asked.text())))).toEqual({ old: '2580', pin: '482159' });
  });
  test('a wrong old one is said, and ends no session', async () => {
    await change();
    answerOnce(401, { detail: 'That is not the PIN of Ines Oakfield; 4 more tries.' });
    fireEvent.click(screen.getByText('Change my PIN'));
    expect((await screen.findByRole('alert')).textContent).toMatch(/4 more tries/);
    expect(screen.getByText(/^Signed in as lead/)).toBeTruthy();
  });
});

test('work that ends here is asked twice; the trail is told', async () => {
  mockHere.answers = {
    ...mockHere.answers,
    '/api/people': [person, { id: 'p-wren', name: 'Wren Alder', role: 'student', demoPin: null }],
    '/api/audit/state': { lines: 12, anchor: '12:abc', broken: null },
  };
  open();
  expect(await screen.findByText('✓ 12 lines, each as it was written')).toBeTruthy();
  fireEvent.click(await screen.findByLabelText('Change Wren Alder, student'));
  fireEvent.click(screen.getByText('Works here no more'));
  expect(mockHere.sent).toEqual([]);
  fireEvent.click(screen.getByText('Yes: Wren Alder signs in no more'));
  await waitFor(() => expect(mockHere.sent).toEqual([{ path: '/api/people/p-wren', body: { ended: true } }]));
});

test('a trail that does not hold is said with its line', async () => {
  mockHere.answers = {
    ...mockHere.answers,
    '/api/audit/state': { lines: 3, anchor: '3:abc', broken: { line: 4, why: 'it was put in without a seal' } },
  };
  open();
  expect((await screen.findByRole('alert')).textContent).toMatch(/Line 4 does not fit: it was put in without a seal/);
});
