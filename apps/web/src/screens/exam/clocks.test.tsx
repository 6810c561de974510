/** Clocks and gates of an exam over its set-up, with the real core. */
import { entriesNamed, questionsFor } from '@taktik/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, mockRouter, order, show } from '../../testing/screenHarness';
import { freshSession, settling, type Session } from '../../state/session';
import { ClockBar } from './ClockBar';
import { SetupScreen } from '../setup/SetupScreen';

const mockRing = jest.fn();
jest.mock('../../ui/ring', () => ({ ring: () => mockRing() }));
beforeEach(() => mockRing.mockClear());

const MIN = 60_000;
/** An exam whose questions are all answered as for one whom nothing stops. */
function exam(ids: readonly string[], part: Partial<Session> = {}): Session {
  const patient = { ageYears: 40, sex: 'male' as const };
  const given = questionsFor(entriesNamed(ids), patient).map(({ id, stopsOn }) => [
    id,
    stopsOn === 'yes' ? 'no' : 'yes',
  ]);
  return {
    ...freshSession,
    ...{
      orderId: order.id,
      examId: 'e1',
      by: 'Ines Oakfield',
      exam: 'Test',
      initials: 'HK',
      patient,
      roomId: 'room-1',
    },
    plan: ids.map((projectionId) => ({
      projectionId,
      ...(/decubitus-ap$/.test(projectionId) && { side: 'left' as const }),
    })),
    situation: { suspectedSide: 'left', suspected: ['fluid level'] },
    answers: { given: Object.fromEntries(given) as Session['answers']['given'], decisions: {} },
    ...part,
  };
}
const keep = (session: Session) => localStorage.setItem('taktik.session', JSON.stringify(session));
const at = (projectionId: string, place: number, more = {}) => {
  mockHere.params = { p: projectionId, n: String(place), age: '40', sex: 'male', room: 'room-1', ...more };
};

describe('a gate', () => {
  const AC = ['acromioclavicular-ap', 'acromioclavicular-ap-weights'];
  it('holds the view with weights until it is written who read the first, and then exposes', async () => {
    keep(exam(AC, { exposed: { 0: 'x1' }, accepted: ['x1'] }));
    at(AC[1]!, 2);
    const store = show(<SetupScreen />);
    expect(await screen.findByText(/Waits: the first picture is read before any weight is given/)).toBeTruthy();
    expect(screen.queryByText('Expose')).toBeNull();
    fireEvent.keyDown(window, { key: 'e' });
    expect(store.getState().outbox.waiting).toEqual([]);
    fireEvent.click((await screen.findAllByText('What it waits for'))[0]!);
    expect(await screen.findByLabelText(/^Acromioclavicular joints.*: accepted$/)).toBeTruthy();
    fireEvent.change(await screen.findByLabelText('Who, and what was said'), {
      target: { value: 'Radiologist: go on' },
    });
    fireEvent.click(screen.getByText('Go on'));
    fireEvent.click(await screen.findByRole('button', { name: 'Expose' }));
    await waitFor(() =>
      expect(store.getState().outbox.waiting.map(({ path }) => path)).toEqual(['/exams/e1/answers', '/exposures']),
    );
    expect(Object.values((store.getState().outbox.waiting[0]!.body as Session['answers']).decisions)).toEqual([
      'Radiologist: go on',
    ]);
  });
});

describe('clocks', () => {
  const IDS = ['chest-pa', 'chest-decubitus-ap'];
  it('begin with the patient on the side, run on over a reload, and stand in the record with what was planned', async () => {
    keep(
      exam(IDS, {
        exposed: { 0: 'x1' },
        accepted: ['x1'],
        clocks: { settle: { 1: Date.now() - 2 * MIN }, contrastAt: null },
      }),
    );
    at('chest-decubitus-ap', 2, { side: 'left', s: 'sus-fluid_level,susside-left' });
    const store = show(<SetupScreen />);
    expect(await screen.findByText(/[23]:\d\d to .*decubitus/)).toBeTruthy();
    expect(await screen.findByLabelText('Stop the clock of this position')).toBeTruthy();
    fireEvent.click(await screen.findByRole('button', { name: 'Expose' }));
    await waitFor(() => expect(store.getState().outbox.waiting).toHaveLength(1));
    const { timings } = store.getState().outbox.waiting[0]!.body as {
      timings: { settle: { plannedMinutes: number; seconds: number } };
    };
    expect(timings.settle.plannedMinutes).toBe(5);
    expect(timings.settle.seconds).toBeGreaterThanOrEqual(120);
    // Exposed, it runs no more.
    await waitFor(() => expect(screen.queryByLabelText('Clocks of the exam')).toBeNull());
  });
  it('ring once when it is time, on any screen, and lead to the view', async () => {
    keep(exam(IDS, { clocks: { settle: { 1: Date.now() - 5 * MIN - 1000 }, contrastAt: null } }));
    const store = show(<ClockBar />);
    fireEvent.click(await screen.findByLabelText(/ is due$/));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/setup',
      params: expect.objectContaining({ p: 'chest-decubitus-ap', n: '2' }),
    });
    expect(screen.getByRole('alert').textContent).toMatch(/^Time is up: /);
    await waitFor(() => expect(mockRing).toHaveBeenCalledTimes(1));
    expect(store.getState().session.current!.rung).toEqual(['settle-1']);
    // Begun anew it may ring anew.
    store.dispatch(settling(1));
    expect(store.getState().session.current!.rung).toEqual([]);
  });
  it('count from the contrast to the picture that is due next', async () => {
    keep(
      exam(['small-bowel-pa', 'small-bowel-pa'], {
        exposed: { 0: 'x1' },
        clocks: { settle: {}, contrastAt: Date.now() - 20 * MIN },
      }),
    );
    show(<ClockBar />);
    expect(await screen.findByText(/^● 20:0\d since the contrast · 9:5\d to Small bowel/)).toBeTruthy();
    expect(mockRing).not.toHaveBeenCalled();
  });
  it('nothing runs, nothing stands there', () => {
    keep(exam(IDS));
    show(<ClockBar />);
    expect(screen.queryByLabelText('Clocks of the exam')).toBeNull();
  });
  it('begin by a key where the view waits', async () => {
    keep(exam(IDS, { exposed: { 0: 'x1' }, accepted: ['x1'] }));
    at('chest-decubitus-ap', 2, { side: 'left', s: 'sus-fluid_level,susside-left' });
    const store = show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText('In position now: 5 minutes begin'));
    expect(store.getState().session.current!.clocks.settle[1]).toBeGreaterThan(Date.now() - MIN);
    fireEvent.click(await screen.findByLabelText('Stop the clock of this position'));
    expect(store.getState().session.current!.clocks.settle).toEqual({});
  });
});
