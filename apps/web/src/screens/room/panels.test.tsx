import { mockHere, show } from '../../testing/screenHarness';
import { demoRooms, fromScale, type Room } from '@taktik/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { RoomScreen } from './RoomScreen';

const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const box = (label: string) => screen.getByLabelText(label) as HTMLInputElement;
const kept = async () => {
  fireEvent.click(screen.getByText(/^Keep (the change|\d+ changes)$/));
  await waitFor(() => expect(mockHere.sent).toHaveLength(1));
  return mockHere.sent[0].body as { generator: Record<string, unknown>; holders?: Room['holders'] };
};
const MAS = 'mAs stations, mAs, with spaces between';

beforeEach(() => {
  mockHere.params = { id: 'room-1' };
  show(<RoomScreen />);
});

describe('the number of the console', () => {
  it('by the logarithm is read as its own formula says', async () => {
    fireEvent.click(screen.getByLabelText('by the logarithm'));
    type('Number at the reference', '1900');
    type('Rise for ten times the kerma', '950');
    type('Reference kerma in µGy', '2,5');
    const { generator } = await kept();
    const scale = generator.scale as Parameters<typeof fromScale>[1];
    expect(scale).toEqual({ kind: 'log', base: 1900, slope: 950, referenceUGy: 2.5 });
    // The standard index is a hundred times the kerma in µGy.
    expect(fromScale(1900, scale)).toBeCloseTo(250);
    expect(fromScale(1900 + 950, scale)).toBeCloseTo(2500);
  });
  it('targets for trunk and for limbs are one until they are told apart', async () => {
    const before = box('Target, trunk and head in EI').value;
    expect(box('Target, limbs without a grid in EI').value).toBe(
      String(demoRooms[0].generator.targetIndexFree ?? before),
    );
    type('Target, limbs without a grid in EI', '410');
    expect(screen.getByText(/limbs without a grid EI 410$/)).toBeTruthy();
    expect((await kept()).generator).toEqual({ targetIndexFree: 410 });
  });
});

describe('tube and generator', () => {
  it('a technique starts from the shipped chart with a factor, or from what was measured', async () => {
    type('Factor on the shipped chart in ×', '0,85');
    fireEvent.click(screen.getByLabelText('this room’s measured beam'));
    expect(screen.queryByLabelText('Factor on the shipped chart in ×')).toBeNull();
    expect(screen.getByText(/^Output, target index and body make the mAs/)).toBeTruthy();
    expect((await kept()).generator).toEqual({ chartFactor: 0.85, basis: 'model' });
  });
  it('a list of stations is taken when it is right, and what is wrong stays typed', async () => {
    const first = box(MAS).value;
    type(MAS, '1 2 4 8');
    type(MAS, '1 2 4 8 x');
    expect(screen.getByRole('alert').textContent).toMatch(/“x” is not a number from 0.1 to 1000/);
    expect(box(MAS).value).toBe('1 2 4 8 x');
    type(MAS, '');
    expect(screen.getByRole('alert').textContent).toMatch(/At least one station/);
    fireEvent.click(screen.getByText('Drop them'));
    expect(box(MAS).value).toBe(first);
    expect(screen.queryByRole('alert')).toBeNull();
    type(MAS, '1 2 4 8');
    expect((await kept()).generator).toEqual({ masStations: [1, 2, 4, 8] });
  });
  it('what is not sold is not taken: the range is told', () => {
    type('Filtration in mm Al', '0.2');
    expect(screen.getByText(/Filtration must be 1.5 to 10 mm Al/)).toBeTruthy();
    expect(screen.queryByText('Keep the change')).toBeNull();
  });
});

test('the grid of one holder changes, the others stay', async () => {
  const holders = demoRooms[0].holders;
  const [ratio] = screen.getAllByRole('radiogroup', { name: /: ratio$/ });
  const other = within(ratio)
    .getAllByRole('radio')
    .find((each) => each.getAttribute('aria-checked') !== 'true')!;
  fireEvent.click(other);
  const changed = (await kept()).holders!;
  const unlike = holders.filter((holder, i) => JSON.stringify(holder) !== JSON.stringify(changed[i]));
  expect(unlike).toHaveLength(1);
  const at = holders.indexOf(unlike[0]);
  expect(changed[at]).toEqual({
    ...holders[at],
    grid: { ...holders[at].grid, ratio: parseInt(other.textContent!, 10) },
  });
});

describe('the room as a file', () => {
  const take = (text: string) => {
    const file = new File([text], 'room.json');
    file.text = async () => text;
    fireEvent.change(screen.getByLabelText('Take in a room from a file (JSON): file'), { target: { files: [file] } });
  };
  it('goes out under its own name', () =>
    expect(screen.getByLabelText('This room as an open file (JSON)').getAttribute('href')).toMatch(
      /\/api\/rooms\/room-1\/export$/,
    ));
  it('comes in; what it is not is told', async () => {
    take('{');
    expect(await screen.findByText(/room\.json is not valid JSON/)).toBeTruthy();
    mockHere.answers['/api/rooms/import'] = { ...demoRooms[0], name: 'Room 7' };
    take(JSON.stringify(demoRooms[0]));
    expect(await screen.findByText(/Room 7 taken from room\.json/)).toBeTruthy();
    expect(mockHere.sent.at(-1)?.path).toBe('/api/rooms/import');
  });
});
