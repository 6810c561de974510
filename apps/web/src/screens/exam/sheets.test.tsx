import { aftercareFor, computeSetup, entriesNamed, finishStepsFor, projectionOf, readerNote } from '@taktik/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, mockRouter, order, person, row, show } from '../../testing/screenHarness';
import { useAppSelector } from '../../state/hooks';
import { freshSession, begun, NO_NOTE, type NoteDraft, type Session } from '../../state/session';
import { useState } from 'react';
import { ExamSheet } from './ExamSheet';
import { FinishSheet } from './FinishSheet';
import { NoteSheet } from './NoteSheet';
import { ReadingSheet } from './ReadingSheet';
import { RepeatSheet } from './RepeatSheet';

const session: Session = {
  ...freshSession,
  orderId: order.id,
  examId: 'e1',
  by: person.name,
  exam: order.exam,
  initials: 'HK',
  plan: order.projections,
  patient: order.patient.body,
  situation: {},
  roomId: 'room-2',
  exposed: { 0: 'x1' },
};
const enabled = (title: string): boolean =>
  screen.getByText(title).closest('[aria-disabled="true"], [disabled]') === null;
const onClose = jest.fn();

describe('the exam in hand', () => {
  beforeEach(() => {
    mockHere.answers['/api/people'] = [person, { ...person, id: 'p-jo', name: 'Jo Larkspur' }];
  });
  const open = () => {
    const store = show(
      <ExamSheet open session={session} index={1} name="Coccyx, AP axial" onShow={jest.fn()} onClose={onClose} />,
    );
    store.dispatch(begun(session));
    return store;
  };
  it('is handed to another, never to oneself, and leaves this device', async () => {
    const store = open();
    expect(enabled('Hand over')).toBe(false);
    fireEvent.click(await screen.findByLabelText('Jo Larkspur'));
    expect(screen.queryByLabelText(person.name)).toBeNull();
    fireEvent.click(screen.getByText('Hand to Jo Larkspur'));
    expect(store.getState().outbox.waiting[0]).toMatchObject({
      path: '/exams/e1/hand-over',
      body: { to: 'Jo Larkspur' },
      what: 'Sacrum and coccyx handed to Jo Larkspur',
    });
    expect(store.getState().session.current).toBeNull();
    expect(mockRouter.replace).toHaveBeenCalledWith('/orders');
  });
  it('ends early only with a reason, and counts what is not exposed', async () => {
    const store = open();
    expect(screen.getByText(/^1 of 2 not exposed/)).toBeTruthy();
    expect(enabled('End the exam')).toBe(false);
    const [reason] = (mockHere.answers['/api/department'] as { endReasons: string[] }).endReasons;
    fireEvent.click(await screen.findByLabelText(reason));
    fireEvent.click(screen.getByText('End the exam'));
    expect(store.getState().outbox.waiting[0]).toMatchObject({ path: '/exams/e1/finish', body: { reason } });
    expect(onClose).toHaveBeenCalled();
  });
});

describe('the finish', () => {
  /** The sheet as it stands over the exam, which it changes. */
  function Harness({ onFinish }: { onFinish: () => void }) {
    const current = useAppSelector((state) => state.session.current);
    return current && <FinishSheet open session={current} onFinish={onFinish} onClose={onClose} />;
  }
  const begin = (part: Partial<Session>, onFinish = jest.fn()) => {
    const store = show(<Harness onFinish={onFinish} />);
    store.dispatch(begun({ ...session, ...part }));
    return store;
  };
  it('is ticked line by line; it may be finished all the same, and says what is open', async () => {
    const onFinish = jest.fn();
    begin({}, onFinish);
    const steps = finishStepsFor(entriesNamed(order.projections.map(({ projectionId }) => projectionId)), 'room', []);
    expect(await screen.findByText(`${steps.length} not ticked`)).toBeTruthy();
    for (const { text } of steps) fireEvent.click(screen.getByLabelText(text));
    await waitFor(() => expect(screen.queryByText(/not ticked$/)).toBeNull());
    fireEvent.click(screen.getByText('Finish exam'));
    expect(onFinish).toHaveBeenCalledTimes(1);
    fireEvent.click(screen.getByLabelText(steps[0].text));
    expect(await screen.findByText('Finish all the same')).toBeTruthy();
  });
  it('after contrast there are instructions to print, at the bedside the rails', async () => {
    begin({ plan: [{ projectionId: 'stomach-ap' }], situation: { place: 'bedside' } });
    expect(await screen.findByLabelText('Bed lowered, both rails up, bell within reach')).toBeTruthy();
    expect(screen.getByLabelText('Instructions given on paper')).toBeTruthy();
    expect(screen.queryByLabelText(/^Table lowered/)).toBeNull();
    const [{ title }] = aftercareFor(entriesNamed(['stomach-ap']));
    expect(screen.getByText(new RegExp(title, 'i'))).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Instructions for the patient, to print'));
    expect(mockRouter.push).toHaveBeenCalledWith({ pathname: '/aftercare', params: { of: 'stomach-ap' } });
  });
});

describe('a repeat', () => {
  const request = { projectionId: 'coccyx-ap-axial' };
  const { checks } = projectionOf('coccyx-ap-axial');
  const open = (onRepeat = jest.fn()) => {
    const sheet = (isOpen: boolean) => (
      <RepeatSheet
        {...{
          open: isOpen,
          name: 'Coccyx, AP axial',
          checks,
          request,
          unit: 'in',
          exposureId: 'x1',
          onRepeat,
          onClose,
        }}
      />
    );
    function Harness() {
      const [isOpen, setOpen] = useState(true);
      return (
        <>
          {sheet(isOpen)}
          <button type="button" onClick={() => setOpen(!isOpen)}>
            open or close
          </button>
        </>
      );
    }
    show(<Harness />);
    return onRepeat;
  };
  const type = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

  it('needs a cause, and a cause that was picked and left is not ready for the next picture', async () => {
    const onRepeat = open();
    expect(screen.getByText(`A good picture: ${checks.join('; ')}`)).toBeTruthy();
    expect(enabled('Repeat it')).toBe(false);
    const [cause] = (mockHere.answers['/api/department'] as { repeatCauses: string[] }).repeatCauses;
    fireEvent.click(await screen.findByLabelText(cause));
    expect(enabled('Repeat it')).toBe(true);
    fireEvent.click(screen.getByText('open or close'));
    fireEvent.click(screen.getByText('open or close'));
    expect(enabled('Repeat it')).toBe(false);
    fireEvent.click(await screen.findByLabelText(cause));
    fireEvent.click(screen.getByText('Repeat it'));
    expect(onRepeat.mock.calls).toEqual([[cause, null]]);
  });

  it('takes what is missing beyond an edge to the aim of the repeat, where the CR was where the set-up has it', async () => {
    const onRepeat = open();
    fireEvent.click(await screen.findByLabelText('Clipped'));
    fireEvent.click(screen.getByLabelText('an edge is clipped'));
    fireEvent.click(await screen.findByLabelText('foot end'));
    // Nothing is repeated with half a measure.
    expect(enabled('Repeat it')).toBe(false);
    type('Missing beyond it in in', '0.8');
    expect((await screen.findByLabelText('For the repeat')).textContent).toMatch(
      /Centre where the set-up has it: 1 in \(2\.5 cm\)/,
    );
    fireEvent.click(screen.getByLabelText('yes: another centring point for this patient'));
    await waitFor(() => expect(screen.getByLabelText('For the repeat').textContent).toMatch(/further caudad/));
    fireEvent.click(screen.getByText('Repeat it with this'));
    expect(onRepeat).toHaveBeenCalledWith('Clipped', {
      correction: expect.stringMatching(/^Centre 1 in \(2\.5 cm\) further caudad/),
      overrides: { aimMm: [expect.any(Number), 0] },
    });
    expect(onRepeat.mock.calls[0][1].overrides.aimMm[0]).toBeLessThan(-15);
  });

  it('has the index of the record at hand, and the mAs that follows from it', async () => {
    mockHere.answers['/api/exposures/x1'] = { ...row, exposureIndex: 250 };
    const onRepeat = open();
    fireEvent.click(await screen.findByLabelText('Too little exposure'));
    await waitFor(() => {
      fireEvent.click(screen.getByLabelText('exposure index'));
      expect((screen.getByLabelText('Exposure index of the picture') as HTMLInputElement).value).toBe('250');
    });
    expect((await screen.findByLabelText('For the repeat')).textContent).toMatch(/mAs instead of/);
    fireEvent.click(screen.getByText('Repeat it with this'));
    const { overrides } = onRepeat.mock.calls[0][1];
    expect(overrides.mAs).toBeGreaterThan(10);
    expect(overrides.aecCells).toBe('none');
  });

  it('measures a rotation to degrees for the part, and says what a fault alone cannot give', async () => {
    open();
    fireEvent.click(await screen.findByLabelText('Rotated'));
    fireEvent.click(screen.getByLabelText('rotated, tilted, off centre'));
    fireEvent.click(await screen.findByLabelText('Part aligned with the field'));
    type('By how much, on the picture in °', '9');
    expect((await screen.findByLabelText('For the repeat')).textContent).toMatch(/Align the part, 9°/);
  });
});

describe('the note for the reader', () => {
  const setup = computeSetup({
    projectionId: 'coccyx-ap-axial',
    situation: { worn: ['lines'], holdsBreath: false },
    overrides: { sidMm: 700 },
  });
  function Harness({ onKeep }: { onKeep: () => void }) {
    const [draft, setDraft] = useState<NoteDraft>(NO_NOTE);
    return (
      <>
        <NoteSheet
          {...{
            open: true,
            name: setup.name,
            of: 'coccyx-ap-axial',
            setup,
            unit: 'in',
            timings: undefined,
            draft,
            onKeep,
            onClose,
          }}
          onDraft={setDraft}
        />
        <output>{JSON.stringify(draft)}</output>
      </>
    );
  }
  const draft = () => JSON.parse(document.querySelector('output')!.textContent) as NoteDraft;

  it('is ticked from what was otherwise than usual, written on, and labelled', () => {
    const onKeep = jest.fn();
    show(<Harness onKeep={onKeep} />);
    const lines = readerNote('coccyx-ap-axial', setup, 'in').map(({ text }) => text);
    expect(lines.length).toBeGreaterThan(1);
    for (const line of lines) fireEvent.click(screen.getByLabelText(line));
    expect(draft().note.split('\n')).toEqual(lines);
    fireEvent.click(screen.getByLabelText(lines[0]));
    expect(draft().note.split('\n')).toEqual(lines.slice(1));
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: `${draft().note}\nPain on the left` } });
    fireEvent.click(screen.getByLabelText('supine'));
    expect(draft()).toEqual({ note: [...lines.slice(1), 'Pain on the left'].join('\n'), labels: ['supine'] });
    fireEvent.click(screen.getByText('Keep the note'));
    expect(onKeep).toHaveBeenCalledTimes(1);
  });
});

describe('the number of the console', () => {
  const open = () => show(<ReadingSheet open exposure={row} scale={undefined} onClose={onClose} />);
  const type = (value: string) =>
    fireEvent.change(screen.getByLabelText(/Exposure index as the console shows it/), { target: { value } });
  it.each([
    ['0.2', /it must be 1 to 100000/],
    ['-400', /above 0/],
    ['four hundred', /above 0, got NaN/],
  ])('refuses %s with the reason, and keeps it typed', (value, why) => {
    const store = open();
    type(value);
    expect(screen.getByRole('alert').textContent).toMatch(why);
    expect(enabled('Keep this number')).toBe(false);
    expect(store.getState().outbox.waiting).toEqual([]);
  });
  it('a decimal comma is a decimal point', () => {
    const store = open();
    type('612,5');
    fireEvent.click(screen.getByText('Keep this number'));
    expect(store.getState().outbox.waiting[0]).toMatchObject({ body: { exposureIndex: 612.5 } });
  });
});
