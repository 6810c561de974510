import { fireEvent, screen, within } from '@testing-library/react';
import { show } from '../../testing/screenHarness';
import { BeforeScreen } from './BeforeScreen';

describe('Before the patient', () => {
  const session = {
    orderId: 'o',
    examId: 'e',
    exam: 'Pelvis',
    initials: 'QZ',
    plan: [{ projectionId: 'pelvis-ap' }],
    patient: { ageYears: 30, sex: 'female' },
    situation: {},
    roomId: 'room-1',
  };
  it('room check, questions and what must come off; pregnancy possible stops until it is decided', async () => {
    localStorage.setItem('taktik.session', JSON.stringify(session));
    const store = show(<BeforeScreen />);
    expect(await screen.findByText(/^Tube in its detent over the table tray/)).toBeTruthy();
    expect(screen.getByText('Off, for the femur, hip, pelvis')).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^SID 40 in/));
    const choose = (group: RegExp, value: string) =>
      fireEvent.click(within(screen.getByRole('radiogroup', { name: group })).getByLabelText(value));
    choose(/^The name said/, 'yes');
    choose(/^Date of birth/, 'yes');
    choose(/^What was asked/, 'yes');
    expect(screen.getByText('1 still to ask')).toBeTruthy();
    choose(/^Pregnancy possible/, 'yes');
    expect(screen.getByText('▲ Stopped: Pregnancy possible')).toBeTruthy();
    expect(screen.getByText(/Stop and follow local policy/)).toBeTruthy();
    expect(store.getState().session.current?.situation.pregnancy).toBe('possible');
    fireEvent.change(screen.getByLabelText('Pregnancy possible: who decided, and what'), {
      target: { value: 'Dr Vale: go on, shielded' },
    });
    expect(screen.getByText('▲ Stopped: Pregnancy possible')).toBeTruthy();
    fireEvent.click(screen.getByText('Keep this decision'));
    expect(await screen.findByText(/All answered; nothing stops the exam/)).toBeTruthy();
    expect(store.getState().outbox.waiting.at(-1)).toMatchObject({
      path: '/exams/e/answers',
      body: { given: {}, decisions: { pregnancy: 'Dr Vale: go on, shielded' } },
    });
    expect(store.getState().session.current?.checked).toEqual(['room-sid']);
  });
  it('without an exam in hand it says so', async () => {
    show(<BeforeScreen />);
    expect(await screen.findByText('No exam in hand')).toBeTruthy();
  });
});
