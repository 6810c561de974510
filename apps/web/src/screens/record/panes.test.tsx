/** What the record comes to: the index over time by room, and repeats by their cause. */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, row, show } from '../../testing/screenHarness';
import type { ExposureRow } from '../../state/api';
import { RepeatsPane } from './RepeatsPane';
import { TrendPane } from './TrendPane';

const DAY_MS = 86_400_000;
/** Exposures one a day up to now, each with its deviation. */
const series = (deviations: readonly number[], room: Partial<ExposureRow> = {}): ExposureRow[] =>
  deviations.map((deviationIndex, i) => ({
    ...row,
    ...room,
    id: `${room.roomId ?? 'room-2'}-${i}`,
    exposedAt: Date.now() - (deviations.length - 1 - i) * DAY_MS,
    deviationIndex,
    exposureIndex: Math.round(500 * 10 ** (deviationIndex / 10)),
  }));
const trends = (rows: readonly ExposureRow[]) => show(<TrendPane rows={rows} from={Date.now() - 60 * DAY_MS} />);

describe('the index over time', () => {
  it('is silent with nothing to draw', () => {
    trends([]);
    expect(screen.queryByText(/drift/i)).toBeNull();
  });
  it('tells a drift with what to do, and none where there is none', async () => {
    trends(series(Array.from({ length: 30 }, (_, i) => -1.5 + i * 0.12)));
    expect(await screen.findByText(/It rises by 0\.[89] DI a week: have receptor and output looked at/)).toBeTruthy();
  });
  it('tells no drift of what only scatters', async () => {
    trends(series(Array.from({ length: 30 }, (_, i) => (i % 2 === 0 ? 0.4 : -0.4))));
    expect(await screen.findByText(/No drift beyond its own scatter/)).toBeTruthy();
  });
  it('tells that few readings tell nothing', async () => {
    trends(series([0.1, 0.2]));
    expect(await screen.findByText(/Too few, or too short a time, to tell a drift/)).toBeTruthy();
  });
  it('takes what the server counts, and shows one room at a time', async () => {
    mockHere.answers['/api/trends'] = [
      { roomId: 'room-1', room: 'Room 1', count: 400, mean: 1.6, spread: 0.4, perWeek: 0.01, drifts: false, off: true },
    ];
    trends([...series([0, 0.1, 0.2]), ...series([1.5, 1.6, 1.7], { roomId: 'room-1', room: 'Room 1' })]);
    fireEvent.click(await screen.findByLabelText('Room 1'));
    await waitFor(() => expect(screen.getByText(/The room as a whole lies over its target/)).toBeTruthy());
  });
});

describe('repeats by their cause', () => {
  it('counts them as a share of all, the most frequent cause first', () => {
    const rows = series([0, 0, 0, 0]).map((each, i): ExposureRow => ({
      ...each,
      verdict: i === 3 ? 'accepted' : 'repeat',
      cause: i === 0 ? 'motion' : i === 3 ? null : 'positioning',
    }));
    show(<RepeatsPane rows={rows} />);
    expect(screen.getByText('3 of 4 exposures (75.0 %)')).toBeTruthy();
    const text = document.body.textContent ?? '';
    expect(text.indexOf('positioning')).toBeGreaterThan(-1);
    expect(text.indexOf('positioning')).toBeLessThan(text.indexOf('motion'));
  });
  it('says of none that there is none, and does not divide by nothing', () => {
    show(<RepeatsPane rows={[]} />);
    expect(screen.getByText('0 of 0 exposures (0.0 %)')).toBeTruthy();
    expect(screen.queryByText(/by cause/)).toBeNull();
  });
  it('says of a repeat without a cause that none was said', () => {
    show(<RepeatsPane rows={[{ ...row, verdict: 'repeat', cause: null }]} />);
    expect(document.body.textContent).toContain('not said');
  });
});
