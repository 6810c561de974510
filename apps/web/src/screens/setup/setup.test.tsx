import { withDefaults } from '@taktik/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, mockRouter, order, person, row, show } from '../../testing/screenHarness';
import { addressOf } from './begin';
import { SetupScreen } from './SetupScreen';

describe('Set up', () => {
  it('shows the other schools with their numbers when they are asked for', async () => {
    mockHere.params = { p: 'foot-ap', side: 'left', age: '40', room: 'room-2' };
    show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText('Show the other schools with their numbers'));
    expect(await screen.findByText('CR 15° toward the heel, vertical beam')).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^Side by side with: perpendicular/));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/compare',
      params: expect.objectContaining({ a: 'foot-ap', rb: 'footApAngle:0' }),
    });
  });
  it('names a rule of the department with who set it; another school is taken for this exam, and given back', async () => {
    mockHere.answers['/api/rules'] = withDefaults({ footApAngle: '15' });
    mockHere.answers['/api/versions'] = {
      ...(mockHere.answers['/api/versions'] as object),
      changedBy: { rules: 'Priya Windlow', department: null },
    };
    mockHere.params = { p: 'foot-ap', side: 'left', age: '40', room: 'room-2' };
    show(<SetupScreen />);
    expect(await screen.findByText(/^Rule of this department, last set by Priya Windlow: .*15°/)).toBeTruthy();
    fireEvent.click(await screen.findByLabelText('Show the other schools with their numbers'));
    fireEvent.click(await screen.findByLabelText(/^Here and now: perpendicular/));
    expect(await screen.findByLabelText(/^Tube: 0°/)).toBeTruthy();
    await waitFor(() =>
      expect(mockRouter.setParams).toHaveBeenCalledWith(expect.objectContaining({ rules: 'footApAngle:0' })),
    );
    fireEvent.click(await screen.findByLabelText(/^As the house has it/));
    expect(await screen.findByLabelText(/^Tube: 15°/)).toBeTruthy();
  });
  it('what is typed of what is seen is read first, changes what it is about, and what is not understood changes nothing', async () => {
    mockHere.params = { p: 'chest-pa', age: '40', sex: 'male', h: '176', w: '75', room: 'room-1' };
    show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText(/^Say what you see/));
    const line = await screen.findByLabelText('In a few words, parted by commas');
    fireEvent.change(line, { target: { value: 'C7 not felt, chest 29 cm, blue curtains' } });
    expect(await screen.findByText('▲ Not understood, and nothing is changed by it: blue curtains')).toBeTruthy();
    expect(screen.getByText(/^✓ Chest, front to back/)).toBeTruthy();
    fireEvent.click(screen.getByText('Change the set-up'));
    await waitFor(() =>
      expect(mockRouter.setParams).toHaveBeenCalledWith(
        expect.objectContaining({ m: 'chestAPMm:290', unfelt: 'C7_sp' }),
      ),
    );
    await waitFor(() => expect(screen.queryByText(/vertebra prominens/)).toBeNull());
  });
  it('without a projection it offers orders and search', () => {
    show(<SetupScreen />);
    expect(screen.getByText('No projection chosen')).toBeTruthy();
    fireEvent.click(screen.getByText('Find a projection'));
    expect(mockRouter.push).toHaveBeenCalledWith('/find');
  });
  it('computes what the address asks; a pulled SID is marked and everything follows', async () => {
    mockHere.params = { p: 'sacrum-ap-axial', age: '58', h: '168', w: '74', room: 'room-2' };
    show(<SetupScreen />);
    expect(await screen.findByLabelText(/^SID: 40 in/)).toBeTruthy();
    const before = screen.getByRole('button', { name: /^Technique:/ }).getAttribute('aria-label');
    fireEvent.click(screen.getByLabelText(/^SID: 40 in/));
    fireEvent.change(await screen.findByLabelText('SID I can reach in in'), { target: { value: '34' } });
    expect(await screen.findByLabelText(/^SID: 34 in.*Set by hand/)).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Technique:/ }).getAttribute('aria-label')).not.toBe(before);
    await waitFor(() =>
      expect(mockRouter.setParams).toHaveBeenCalledWith(expect.objectContaining({ p: 'sacrum-ap-axial', sid: '864' })),
    );
  });
  it('a chest measured at the table makes the body so, and stays in the address', async () => {
    mockHere.params = { p: 'chest-pa', age: '40', sex: 'male', h: '176', w: '75', room: 'room-2' };
    show(<SetupScreen />);
    const technique = await screen.findByRole('button', { name: /^Technique:/ });
    const before = technique.getAttribute('aria-label');
    fireEvent.click(screen.getByLabelText(/^Patient:/));
    const chest = (await screen.findByLabelText('Chest, front to back in cm')) as HTMLInputElement;
    expect(chest.placeholder).toBe('23.5');
    fireEvent.change(chest, { target: { value: '29' } });
    await waitFor(() =>
      expect(screen.getByRole('button', { name: /^Technique:/, hidden: true }).getAttribute('aria-label')).not.toBe(
        before,
      ),
    );
    await waitFor(() =>
      expect(mockRouter.setParams).toHaveBeenCalledWith(expect.objectContaining({ m: 'chestAPMm:290' })),
    );
  });
  it('an unknown projection and a missing side are explained, with a way on', async () => {
    mockHere.params = { p: 'elbow-sideways' };
    show(<SetupScreen />);
    expect(await screen.findByText(/There is no projection "elbow-sideways"/)).toBeTruthy();
  });
  it('what is barred is not drawn, told or ticked: it says why, whom to ask, and what serves in its place', async () => {
    mockHere.params = { p: 'acromioclavicular-ap-weights', age: '40', s: 'fracture', room: 'room-1' };
    show(<SetupScreen />);
    expect(await screen.findByText(/^Not to be done: no weights .* Ask the radiologist\.$/)).toBeTruthy();
    const lines = screen.getAllByText(/weights/i).map(({ textContent }) => textContent);
    // What bars it stands before the cautions of the entry.
    expect(lines.findIndex((line) => line?.startsWith('Not to be done'))).toBeLessThan(
      lines.findIndex((line) => line?.startsWith('No weights before')),
    );
    expect(screen.queryByRole('button', { name: /^SID:/ })).toBeNull();
    expect(screen.queryByRole('checkbox')).toBeNull();
    expect(screen.queryByText('from the side')).toBeNull();
    expect(screen.queryByText(/Rehearse: the picture/)).toBeNull();
    fireEvent.click(screen.getByRole('link', { name: /^In its place: Acromioclavicular joints, AP/ }));
    await waitFor(() => expect(mockRouter.push).toHaveBeenCalledWith(expect.objectContaining({ pathname: '/ways' })));
  });
  const inHand = {
    orderId: 'o',
    examId: 'e',
    exam: 'Coccyx',
    initials: 'HK',
    plan: [{ projectionId: 'coccyx-ap-axial' }],
    patient: { sex: 'male' },
    situation: {},
    roomId: 'room-2',
    ticks: {},
    exposed: {},
    last: null,
  };
  const answered = {
    given: { 'identity-name': 'yes', 'identity-second': 'yes', 'order-side': 'yes' },
    decisions: {},
  };
  const keep = (session: object) => localStorage.setItem('taktik.session', JSON.stringify(session));
  const setUp = { p: 'coccyx-ap-axial', age: '58', sex: 'male', h: '168', w: '74', room: 'room-2' };

  it('an exam is exposed once, looked at, accepted, finished; what was recorded is what was asked', async () => {
    mockHere.params = setUp;
    keep({ ...inHand, answers: answered });
    const store = show(<SetupScreen />);
    fireEvent.click(await screen.findByText('Expose', { selector: 'div' }));
    expect(await screen.findByText(/✓ Exposed and kept/)).toBeTruthy();
    expect(screen.queryByText('Expose', { selector: 'button div' })).toBeNull();
    const waiting = () => store.getState().outbox.waiting;
    expect(waiting().filter(({ path }) => path === '/exposures')).toEqual([
      expect.objectContaining({
        body: expect.objectContaining({
          examId: 'e',
          performedBy: 'Ines Oakfield',
          request: expect.objectContaining({ projectionId: 'coccyx-ap-axial' }),
        }),
      }),
    ]);
    fireEvent.click(screen.getByText('Accept'));
    expect(waiting().at(-1)).toMatchObject({
      path: expect.stringMatching(/^\/exposures\/.+\/verdict$/),
      body: { verdict: 'accepted' },
    });
    fireEvent.click(screen.getByText('Finish exam'));
    // What is not ticked is said, and does not hold anyone up.
    expect(await screen.findByText(/^\d not ticked$/)).toBeTruthy();
    fireEvent.click(screen.getByText('Finish all the same'));
    expect(store.getState().session.current).toBeNull();
    expect(mockRouter.replace).toHaveBeenCalledWith('/record');
  });
  it('after an idle sign-out an exposure is recorded as whoever began the exam, and waits; nothing is refused for want of a name', async () => {
    localStorage.removeItem('taktik.who');
    mockHere.params = setUp;
    keep({ ...inHand, by: 'Tomas Reedham', answers: answered });
    const store = show(<SetupScreen />);
    expect(await screen.findByText(/Nobody is signed in: an exposure is recorded as Tomas Reedham/)).toBeTruthy();
    fireEvent.click(await screen.findByText('Expose', { selector: 'div' }));
    expect(await screen.findByText(/✓ Exposed and kept/)).toBeTruthy();
    expect(store.getState().outbox.waiting.find(({ path }) => path === '/exposures')?.body).toMatchObject({
      performedBy: 'Tomas Reedham',
    });
  });
  it('a repeat without a measure keeps what was set by hand, and so does the address to which one comes back', async () => {
    mockHere.params = { ...setUp, aim: '12~0' };
    mockHere.answers['/api/exposures/x1'] = row;
    keep({ ...inHand, answers: answered, exposed: { 0: 'x1' } });
    const store = show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText('Repeat this picture'));
    fireEvent.click(await screen.findByLabelText('Rotated'));
    fireEvent.click(screen.getByText('Repeat it'));
    const current = store.getState().session.current!;
    expect(current.repeats[0]).toEqual([{ exposureId: 'x1', cause: 'Rotated', overrides: { aimMm: [12, 0] } }]);
    expect(addressOf(current, 0)).toMatchObject({ aim: '12~0', n: '1' });
  });
  it('nothing is exposed before the questions are answered, nor by the key', async () => {
    mockHere.params = setUp;
    keep(inHand);
    const store = show(<SetupScreen />);
    expect(await screen.findByText('▲ 3 still to ask before anything is exposed')).toBeTruthy();
    fireEvent.keyDown(window, { key: 'e' });
    expect(store.getState().session.current?.exposed).toEqual({});
    expect(mockRouter.push).toHaveBeenCalledWith('/before');
  });
  it('a repeat needs its cause, frees the place and tells the record', async () => {
    mockHere.params = setUp;
    keep({ ...inHand, answers: answered });
    const store = show(<SetupScreen />);
    fireEvent.click(await screen.findByText('Expose', { selector: 'div' }));
    fireEvent.click(await screen.findByLabelText('Repeat this picture'));
    fireEvent.click(await screen.findByLabelText('Rotated'));
    fireEvent.click(screen.getByText('Repeat it'));
    expect(await screen.findByText('Repeat 1: Rotated')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Expose' })).toBeTruthy();
    const { session, outbox } = store.getState();
    expect(session.current).toMatchObject({ exposed: {}, repeats: { 0: [{ cause: 'Rotated' }] } });
    expect(outbox.waiting.at(-1)?.body).toMatchObject({
      verdict: 'repeat',
      cause: 'Rotated',
      decidedAt: expect.any(Number),
    });
  });
  it('a plan that another device changed is said, and taken when it is wanted', async () => {
    mockHere.params = setUp;
    keep({ ...inHand, answers: answered });
    const changed = {
      ...order,
      id: 'o',
      planVersion: 2,
      planBy: 'Tomas Reedham',
      projections: [{ projectionId: 'coccyx-ap-axial' }, { projectionId: 'sacrum-ap-axial' }],
    };
    const exam = {
      id: 'e',
      orderId: 'o',
      performedBy: 'Tomas Reedham',
      startedAt: 1,
      finishedAt: null,
      endReason: null,
      answers: null,
    };
    mockHere.answers['/api/orders/o/exam'] = { order: changed, exam, exposures: [{ ...row, id: 'theirs' }] };
    mockHere.answers['/api/exposures/theirs'] = { ...row, id: 'theirs' };
    const store = show(<SetupScreen />);
    expect(await screen.findByText(/Tomas Reedham has changed the plan/)).toBeTruthy();
    expect(await screen.findByText(/Tomas Reedham has this exam in hand/)).toBeTruthy();
    // What the other device exposed is not exposed again here.
    await waitFor(() => expect(store.getState().session.current?.exposed).toEqual({ 0: 'theirs' }));
    fireEvent.click(screen.getByLabelText('Take the new plan'));
    expect(store.getState().session.current).toMatchObject({
      planVersion: 2,
      plan: changed.projections,
      exposed: { 0: 'theirs' },
    });
  });
  it('one step at a time: a tap ticks it and shows the next, and back takes it back', async () => {
    mockHere.params = setUp;
    keep({ ...inHand, answers: answered });
    const store = show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText('One step at a time'));
    const ticks = () => store.getState().session.current?.ticks[0] ?? [];
    fireEvent.click(await screen.findByLabelText(/^Done: Receptor/));
    expect(ticks()).toHaveLength(1);
    fireEvent.click(await screen.findByLabelText(/^Done: SID/));
    expect(ticks()).toHaveLength(2);
    fireEvent.click(screen.getByLabelText(/^Back to: SID/));
    expect(ticks()).toHaveLength(1);
    fireEvent.click(screen.getByLabelText('Back to the list'));
    expect(screen.queryByLabelText(/^Done: /)).toBeNull();
  });
  it('the words for the breath in the language of the patient, led by a timer', async () => {
    mockHere.params = setUp;
    const store = show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText(/^Words for the breath/));
    expect(await screen.findByText('Stop breathing.')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Spanish · Español'));
    expect(await screen.findByText('No respire.')).toBeTruthy();
    expect(screen.getByText('noh res-PEE-reh')).toBeTruthy();
    expect(store.getState().preferences.language).toBe('es');
    fireEvent.click(screen.getByText('Start the timer'));
    expect(await screen.findByRole('timer')).toBeTruthy();
    fireEvent.click(screen.getByText('Stop the timer'));
    expect(screen.queryByRole('timer')).toBeNull();
  });
  it('an exam is handed to a colleague, or ended with a reason', async () => {
    mockHere.params = setUp;
    keep({ ...inHand, answers: answered });
    mockHere.answers['/api/people'] = [person, { ...person, id: 'p-2', name: 'Tomas Reedham', role: 'student' }];
    const store = show(<SetupScreen />);
    fireEvent.click(await screen.findByLabelText('Exam in hand: 1 of 1'));
    fireEvent.click(await screen.findByLabelText('Tomas Reedham'));
    fireEvent.click(screen.getByText('Hand to Tomas Reedham'));
    expect(store.getState().session.current).toBeNull();
    expect(store.getState().outbox.waiting.at(-1)).toMatchObject({
      path: '/exams/e/hand-over',
      body: { to: 'Tomas Reedham' },
    });
    expect(mockRouter.replace).toHaveBeenCalledWith('/orders');
  });
});
