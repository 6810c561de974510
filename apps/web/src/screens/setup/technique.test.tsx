import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { defaultDepartment, ROOM_ONE } from '@taktik/core';
import { mockHere, row, show } from '../../testing/screenHarness';
import { axisFor } from '../../ui/charts/NumberedBars';
import { ReadingSheet } from '../exam/ReadingSheet';
import { RecordScreen } from '../record/RecordScreen';
import { SetupScreen } from './SetupScreen';

const DAY = 86_400_000;

describe('the technique of a set-up', () => {
  beforeEach(() => {
    mockHere.params = { p: 'pelvis-ap', age: '60', h: '178', w: '88', room: 'room-1' };
  });
  const open = async () => {
    show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText(/^Technique/));
  };

  it('tells where it starts, and a factor set by hand carries the rest', async () => {
    await open();
    expect(await screen.findByText(/^Starts with 20.0 mAs from the shipped chart: 80 kVp/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^thickness ×/));
    const comesTo = () => Number(screen.getByText(/^[\d.]+ mAs$/).textContent!.split(' ')[0]);
    const before = comesTo();
    fireEvent.change(screen.getByLabelText('Factor for thickness in ×'), { target: { value: '1' } });
    expect(await screen.findByText(/× 1.00 by hand, computed × 1.\d/)).toBeTruthy();
    await waitFor(() => expect(comesTo()).toBeLessThan(before * 0.7));
    fireEvent.click(screen.getByLabelText('thickness as computed'));
    await waitFor(() => expect(screen.queryByText(/by hand, computed/)).toBeNull());
  });

  it('draws the mAs over the thickness with this patient in it', async () => {
    await open();
    expect(await screen.findByLabelText(/^mAs by thickness: .* for this patient/)).toBeTruthy();
  });

  it('flags a dose over the department’s level', async () => {
    mockHere.answers['/api/department'] = {
      ...defaultDepartment,
      doseLevels: [{ projectionId: 'pelvis-ap', fromYears: 16, kapGyCm2: 0.5 }],
    };
    await open();
    expect(await screen.findByText(/▲ Over the department’s level of 0.5 Gy·cm² from 16 years/)).toBeTruthy();
  });

  it('a lead keeps it in the chart of the room', async () => {
    mockHere.answers['/api/rooms/room-1'] = ROOM_ONE;
    await open();
    fireEvent.click(await screen.findByText('Keep in the chart of Room 1'));
    await waitFor(() =>
      expect(mockHere.sent[0]).toMatchObject({
        path: '/api/rooms/room-1',
        body: { generator: { chart: [{ projectionId: 'pelvis-ap', kVp: 80, gridRatio: 10 }] } },
      }),
    );
  });

  it('tells what the grid bears, and what it takes when it is off', async () => {
    show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText(/^Receptor/));
    expect(await screen.findByText(/Along the strips the CR may be angled up to \d+°/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Off-level, across the strips in °'), { target: { value: '2' } });
    const table = within(screen.getByLabelText('What the grid takes'));
    await waitFor(() => expect(table.getAllByText('35 %').length).toBeGreaterThan(1));
    expect(screen.getAllByText(/More mAs is the wrong cure/).length).toBeGreaterThan(0);
  });
});

describe('the number of the console', () => {
  const open = () =>
    show(<ReadingSheet open exposure={row} scale={{ kind: 'inverse', kUGy: 1750 }} onClose={jest.fn()} />);
  it('is turned into deviation, advice and the right mAs, and is sent as the standard index', async () => {
    const store = open();
    // 1750 / 700 = 2.5 µGy, an index of 250: half of the target of 500.
    fireEvent.change(screen.getByLabelText(/Number as the console shows it/), { target: { value: '700' } });
    expect(await screen.findByText('Deviation −3.0: far under - repeat')).toBeTruthy();
    expect(screen.getByText(/about 50 mAs instead of 25, at 78 kVp/)).toBeTruthy();
    fireEvent.click(screen.getByText('Keep this number'));
    expect(store.getState().outbox.waiting[0]).toMatchObject({
      path: '/exposures/x1/reading',
      body: { exposureIndex: 250 },
    });
  });
  it('refuses what the scale does not have, and keeps it typed', async () => {
    open();
    fireEvent.change(screen.getByLabelText(/Number as the console shows it/), { target: { value: '0' } });
    expect(await screen.findByText(/above 0, got 0. What you typed is kept/)).toBeTruthy();
    expect(screen.getByText('Keep this number').closest('[aria-disabled="true"], [disabled]')).toBeTruthy();
  });
});

describe('the record over time', () => {
  const rows = Array.from({ length: 20 }, (_, i) => ({
    ...row,
    id: `r${i}`,
    roomId: i % 2 ? 'room-1' : 'room-2',
    room: i % 2 ? 'Room 1' : 'Room 2',
    exposedAt: row.exposedAt - i * DAY,
    // Room 2 sinks by 0.2 a day, Room 1 stays.
    deviationIndex: i % 2 ? (i % 4 === 1 ? 0.3 : -0.3) : 0.2 * i - 2,
    verdict: i === 3 ? ('repeat' as const) : ('accepted' as const),
    cause: i === 3 ? 'Clipped' : null,
    doseLevelGyCm2: i === 0 ? 0.2 : null,
  }));
  it('tells the drift of a room, the repeats by cause, and what passed a level', async () => {
    mockHere.answers['/api/exposures'] = rows;
    show(<RecordScreen />);
    fireEvent.click(await screen.findByLabelText('30 days'));
    fireEvent.click(await screen.findByLabelText('Room 2'));
    expect(await screen.findByText(/▲ 10 exposures.*It sinks by 1.4 DI a week/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Room 1'));
    expect(await screen.findByText(/10 exposures.*No drift beyond its own scatter/)).toBeTruthy();
    expect(screen.getByText('1 of 20 exposures (5.0 %)')).toBeTruthy();
    expect(screen.getByText(/^1 +Clipped: 1$/)).toBeTruthy();
    expect(screen.getAllByText(/▲ Over the department’s level of 0.2/)).toHaveLength(1);
    fireEvent.click(screen.getByLabelText('index (EI)'));
    expect(await screen.findByLabelText(/^Exposure index over time/)).toBeTruthy();
  });
});

test('an axis of counts has whole steps, one of doses has thirds', () => {
  const bar = (value: number) => ({ name: '', says: '', value });
  expect(axisFor(2, [bar(2), bar(1)])).toEqual({ top: 2, steps: ['0', '1', '2'] });
  expect(axisFor(7, [bar(7)])).toEqual({ top: 9, steps: ['0', '3', '6', '9'] });
  expect(axisFor(0.44, [bar(0.44)]).steps).toEqual(['0', '0.15', '0.29', '0.44']);
});
