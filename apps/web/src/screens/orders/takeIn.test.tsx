import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, show } from '../../testing/screenHarness';
import { saveFile } from '../../ui/saveFile';
import { TakeIn } from './TakeIn';

jest.mock('../../ui/saveFile', () => ({ saveFile: jest.fn() }));

/** Shown, and what is asked at once is answered. */
const open = async () => {
  show(<TakeIn />);
  await waitFor(() => expect(global.fetch).toHaveBeenCalledTimes(1));
};
/** Nothing was refused. */
const ALL = { corrected: 0, cancelled: 0, refused: [], refusedTable: '' };
const take = (text: string) => {
  const file = new File([text], 'orders');
  file.text = async () => text;
  fireEvent.change(screen.getByLabelText(/^Take in orders from a file.*: file$/), { target: { files: [file] } });
};

test('a table goes as a table, and what was known already is told apart', async () => {
  mockHere.answers['/api/orders/import'] = { taken: 1, known: 2, ...ALL };
  await open();
  (global.fetch as jest.Mock).mockImplementationOnce(async (request: Request) => {
    expect(request.headers.get('content-type')).toBe('text/csv');
    expect(await request.text()).toBe('reference,initials\n1,AB\n');
    return new Response(JSON.stringify({ taken: 1, known: 2, ...ALL }), {
      headers: { 'content-type': 'application/json' },
    });
  });
  take('reference,initials\n1,AB\n');
  expect(await screen.findByText('✓ 1 order taken in, 2 known already')).toBeTruthy();
});

test('what begins with a brace goes as FHIR', async () => {
  mockHere.answers['/api/fhir'] = { taken: 3, known: 0, ...ALL };
  await open();
  take('{"resourceType":"Bundle"}');
  expect(await screen.findByText('✓ 3 orders taken in')).toBeTruthy();
  expect(mockHere.sent[0].path).toBe('/api/fhir');
});

test('faults are told each with its line, and that nothing was taken', async () => {
  await open();
  (global.fetch as jest.Mock).mockResolvedValueOnce(
    new Response(JSON.stringify({ fields: [{ field: 'line 3', message: 'Age must be 0 to 110 years' }] }), {
      status: 422,
      headers: { 'content-type': 'application/json' },
    }),
  );
  take('reference,initials\n1,AB\n');
  expect(await screen.findByText('▲ line 3: Age must be 0 to 110 years')).toBeTruthy();
  expect(screen.getByText('▲ Nothing was taken in.')).toBeTruthy();
  expect(screen.queryByRole('status')).toBeNull();
});

test('of a table with wrong rows the right ones are taken, the others told and given back to be mended', async () => {
  await open();
  const answer = {
    ...{ taken: 2, known: 0, corrected: 0, cancelled: 0 },
    refused: [{ line: 4, message: 'Age must be 0 to 110 years' }],
    refusedTable: 'reference,why\r\nA-3,Age must be 0 to 110 years',
  };
  (global.fetch as jest.Mock).mockResolvedValueOnce(
    new Response(JSON.stringify(answer), { headers: { 'content-type': 'application/json' } }),
  );
  take('reference,initials\n1,AB\n');
  expect(await screen.findByText('✓ 2 orders taken in')).toBeTruthy();
  expect(screen.getByText('▲ line 4: Age must be 0 to 110 years')).toBeTruthy();
  expect(screen.queryByText('▲ Nothing was taken in.')).toBeNull();
  fireEvent.click(screen.getByLabelText('Save the rows not taken, with what is wrong'));
  const [bytes, name] = (saveFile as jest.Mock).mock.calls[0]!;
  expect(name).toBe('orders-not-taken.csv');
  expect(new TextDecoder().decode(bytes)).toContain(answer.refusedTable);
});

test('without a server nothing was stored', async () => {
  mockHere.reachable = false;
  await open();
  take('reference,initials\n1,AB\n');
  expect(await screen.findByText('▲ The server does not answer; nothing was stored.')).toBeTruthy();
});

test('without a worklist none is asked; with one what it has is taken in, and what is wrong is told by its place', async () => {
  await open();
  await waitFor(() => expect(screen.queryByText('Ask the worklist')).toBeNull());
  cleanup();
  mockHere.answers['/api/orders/worklist'] = {
    name: 'RIS',
    taken: 2,
    known: 0,
    ...ALL,
    refused: [{ line: 3, message: 'Order 7: Sinus needs a side' }],
  };
  show(<TakeIn />);
  fireEvent.click(await screen.findByLabelText('Ask the worklist RIS for the x-rays of today'));
  expect(await screen.findByText('✓ 2 orders taken in')).toBeTruthy();
  expect(screen.getByText('▲ entry 3: Order 7: Sinus needs a side')).toBeTruthy();
  expect(mockHere.sent[0]).toMatchObject({ path: '/api/orders/worklist' });
});
