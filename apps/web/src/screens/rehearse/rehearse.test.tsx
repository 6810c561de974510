import { mockHere, mockRouter, person, show } from '../../testing/screenHarness';
import { NO_POSITIONING_ERROR, ROOM_ONE } from '@taktik/core';
import { scenarioOf, solutionOf, type ExerciseAnswer } from '@taktik/core/exercise';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { criterionText } from './CriteriaList';
import { positioningErrorFrom, positioningErrorText } from './positioningError';
import { RehearseScreen } from './RehearseScreen';
import { nextPreview, PREVIEW_PIXELS } from './useRehearsal';

const student = { ...person, id: 'p-tomas', name: 'Tomas Reedham', role: 'student' as const };
const signInAs = (who: object) => localStorage.setItem('taktik.who', JSON.stringify(who));

describe('how the part lies, in the address', () => {
  test('goes there and back; what is unknown or out of range is left as it should be', () => {
    const positioningError = { ...NO_POSITIONING_ERROR, rollDeg: 5, alongMm: -20 };
    expect(positioningErrorFrom(positioningErrorText(positioningError))).toEqual(positioningError);
    expect(positioningErrorText(NO_POSITIONING_ERROR)).toBeUndefined();
    expect(positioningErrorFrom('roll:900,spin:4,tilt:x,turn:3')).toEqual({ ...NO_POSITIONING_ERROR, turnDeg: 3 });
    expect(positioningErrorFrom(undefined)).toEqual(NO_POSITIONING_ERROR);
  });
  test('a criterion says what it is, what it should be, or what is cut', () => {
    const of = (id: string, value: number) =>
      criterionText(
        { id, name: '', unit: 'mm', value, target: 0, tolerance: 3, passes: false, correction: null },
        'cm',
      );
    expect(of('edge apices', -11)).toBe('clipped by 1 cm');
    expect(of('edge apices', 20)).toBe('2 cm inside the field');
    expect(of('condyles', 6.2)).toBe('+6.2 mm, should be 0.0 ± 3.0 mm');
  });
  test('a slow machine gets smaller pictures under the hand, a quick one larger again', () => {
    expect(nextPreview(PREVIEW_PIXELS, 90)).toBeLessThan(PREVIEW_PIXELS);
    expect(nextPreview(112, 500)).toBe(112);
    expect(nextPreview(150, 20)).toBeGreaterThan(150);
    expect(nextPreview(PREVIEW_PIXELS, 10)).toBe(PREVIEW_PIXELS);
  });
});

describe('a set-up to try', () => {
  test('shows the picture with its index, measures it, and a correction puts it right', async () => {
    mockHere.params = { p: 'knee-lateral', side: 'left', error: 'roll:6' };
    show(<RehearseScreen />);
    expect(await screen.findByRole('img', { name: /Simulated picture of Knee, lateral, not a patient/ })).toBeTruthy();
    expect(screen.getByText(/^Simulated index \d+, target \d+/)).toBeTruthy();
    expect(await screen.findByText('▲ 1 of 10 fail')).toBeTruthy();
    fireEvent.click(await screen.findByRole('button', { name: /^Do it: Rotate the part 6°/ }));
    expect(await screen.findByText('✓ All 10 pass')).toBeTruthy();
    await waitFor(() => expect(mockRouter.setParams).toHaveBeenLastCalledWith({ error: undefined }));
  });
  test('the part is laid otherwise by its keys, and laid back', async () => {
    mockHere.params = { p: 'pelvis-ap' };
    show(<RehearseScreen />);
    fireEvent.click(await screen.findByRole('radio', { name: 'the part' }));
    fireEvent.click(screen.getByRole('button', { name: 'Roll more' }));
    expect((screen.getByLabelText('Roll in °') as HTMLInputElement).value).toBe('1');
    fireEvent.click(screen.getByRole('button', { name: 'Lay the part as it should lie' }));
    expect((screen.getByLabelText('Roll in °') as HTMLInputElement).value).toBe('0');
  });
  test('a fault seen: named, sized, and answered with formula and proof', async () => {
    mockHere.params = { p: 'skull-pa' };
    show(<RehearseScreen />);
    fireEvent.click(await screen.findByRole('radio', { name: 'a fault seen' }));
    fireEvent.click(await screen.findByRole('radio', { name: 'Petrous ridges at their usual level in the orbits' }));
    fireEvent.change(screen.getByLabelText('By how much, on the picture in mm'), { target: { value: '8' } });
    expect(await screen.findByText(/chin (up|down)/)).toBeTruthy();
    expect(screen.getByText(/By the same rays/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Lay the part so' }));
    await waitFor(() =>
      expect(mockRouter.setParams).toHaveBeenLastCalledWith({ error: expect.stringMatching(/tilt/) }),
    );
  });
  test('numbers that give no picture are told as such, with one key back to those that do', async () => {
    mockHere.params = { p: 'knee-lateral', side: 'left', sid: '300' };
    show(<RehearseScreen />);
    expect(await screen.findByText(/^There is no picture: SID must be 400 to 3000 mm/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Everything as it is computed' }));
    await waitFor(() => expect(mockRouter.setParams).toHaveBeenCalled());
  });
  test('what cannot be set up says why', async () => {
    mockHere.params = { p: 'none' };
    show(<RehearseScreen />);
    expect(await screen.findByText('There is no projection "none".')).toBeTruthy();
  });
});

describe('exercises', () => {
  beforeEach(() => {
    signInAs(student);
    mockHere.answers['/api/practice'] = [];
  });
  test('the menu leads on to what comes next, by level and kind', async () => {
    show(<RehearseScreen />);
    expect(await screen.findByRole('button', { name: /^Go on: / })).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'Fewest turns' }));
    const lines = screen.getAllByRole('link', { name: /^Fewest turns: / });
    expect(lines.length).toBeGreaterThan(1);
    fireEvent.click(lines[0]);
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/rehearse',
      params: { x: expect.stringMatching(/^turns-/) },
    });
  });
  test('a view is named, scored, and sent with whose it was', async () => {
    const { of } = scenarioOf('view-14');
    mockHere.params = { x: 'view-14' };
    const store = show(<RehearseScreen />);
    fireEvent.click(await screen.findByRole('radio', { name: 'Skull, submentovertical' }));
    fireEvent.click(screen.getByRole('button', { name: 'Check' }));
    expect(await screen.findByText('✓ 100 %')).toBeTruthy();
    const [tried] = store.getState().outbox.waiting;
    expect(tried).toMatchObject({
      path: '/practice',
      body: {
        scenarioId: 'view-14',
        personId: 'p-tomas',
        answer: { kind: 'which view', projectionId: of.projectionId },
      },
    });
    expect((tried.body as { seconds: number }).seconds).toBeGreaterThanOrEqual(0);
  });
  test('a fault is spotted: which, which way, how much', async () => {
    const scenario = scenarioOf('spot-1');
    const right = solutionOf(scenario, ROOM_ONE) as Extract<ExerciseAnswer, { kind: 'spot the fault' }>;
    mockHere.params = { x: 'spot-1' };
    show(<RehearseScreen />);
    fireEvent.click(
      await screen.findByRole('radio', { name: 'Sternal ends of the clavicles equidistant from the spine' }),
    );
    fireEvent.click(
      within(screen.getByRole('radiogroup', { name: 'Which way' })).getAllByRole('radio')[
        right.direction === 'more' ? 0 : 1
      ],
    );
    fireEvent.change(screen.getByLabelText('Bring the part back by in °'), { target: { value: String(right.amount) } });
    fireEvent.click(screen.getByRole('button', { name: 'Check' }));
    expect(await screen.findByText('✓ 100 %')).toBeTruthy();
  });
  test('a room as it was left fails item by item, and says what is right', async () => {
    mockHere.params = { x: 'set-7' };
    show(<RehearseScreen />);
    fireEvent.click(await screen.findByRole('button', { name: 'Check' }));
    expect(await screen.findByText(/^▲ \d+ %$/)).toBeTruthy();
    expect(screen.getAllByText(/Right: .* (cm|in)$/).length).toBeGreaterThan(1);
    fireEvent.click(screen.getByRole('button', { name: 'Once more' }));
    expect(await screen.findByRole('button', { name: 'Check' })).toBeTruthy();
  });
  test('lengths are in the unit of the room, and a step is one of that unit', async () => {
    mockHere.params = { x: 'set-7' };
    show(<RehearseScreen />);
    const sid = (await screen.findByLabelText('SID in in')) as HTMLInputElement;
    const before = Number(sid.value);
    fireEvent.click(screen.getByRole('button', { name: 'SID more' }));
    expect(Number(sid.value)).toBeCloseTo(before + 2, 1);
    fireEvent.change(sid, { target: { value: '900' } });
    expect(screen.getByText(/SID must be 15.7 to 118.1 in/)).toBeTruthy();
  });
  test('a series is put in order by its arrows', async () => {
    mockHere.params = { x: 'turns-1' };
    show(<RehearseScreen />);
    fireEvent.click(await screen.findByRole('button', { name: 'Lumbar spine, AP earlier' }));
    fireEvent.click(screen.getByRole('button', { name: 'Check' }));
    expect(await screen.findByText('✓ Turns of the patient')).toBeTruthy();
  });
  test('one that there is not says so', async () => {
    mockHere.params = { x: 'none' };
    show(<RehearseScreen />);
    expect(await screen.findByText('There is no exercise "none".')).toBeTruthy();
  });
});
