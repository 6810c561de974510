import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockHere, mockRouter, person, show } from '../../testing/screenHarness';
import type { CompetenceRow } from '../../state/api';
import { CompetenceScreen } from './CompetenceScreen';

const student = { id: 'p-lou', name: 'Lou Fernhill', role: 'student' as const, demoPin: null };
const hand: CompetenceRow = {
  projectionId: 'hand-pa',
  name: 'Hand, PA',
  region: 'hand and wrist',
  patientType: 'child',
  passed: 1,
  tried: 1,
  exposures: 2,
  lastAt: new Date(2026, 2, 4, 12).getTime(),
  signedBy: null,
  signedAt: null,
};
const wrist: CompetenceRow = {
  ...hand,
  projectionId: 'wrist-pa',
  name: 'Wrist, PA',
  patientType: 'adult',
  passed: 0,
  tried: 0,
  exposures: 1,
  lastAt: 0,
  signedBy: 'Ines Oakfield',
  signedAt: new Date(2026, 3, 5, 12).getTime(),
};
const PATH = `/api/people/${student.id}/competence`;
const signIn = (who: object) => localStorage.setItem('taktik.who', JSON.stringify(who));

beforeEach(() => {
  mockHere.answers['/api/people'] = [person, student];
  mockHere.answers[PATH] = [hand, wrist];
});

describe('what a student has done', () => {
  it('is told by projection and type of patient, under the region once', async () => {
    show(<CompetenceScreen />);
    expect(await screen.findByText('Hand, PA · child')).toBeTruthy();
    expect(screen.getByText('1 of 1 exercise passed · 2 exposures accepted · last 4 Mar 2026')).toBeTruthy();
    expect(screen.getByText('no exercise tried · 1 exposure accepted')).toBeTruthy();
    expect(screen.getByText('✓ Signed by Ines Oakfield, 5 Apr 2026')).toBeTruthy();
    expect(screen.getAllByText('Hand and wrist')).toHaveLength(1);
  });
  it('is signed by a lead, and taken back', async () => {
    show(<CompetenceScreen />);
    fireEvent.click(await screen.findByLabelText('Sign: Hand, PA, child'));
    await waitFor(() =>
      expect(mockHere.sent).toEqual([
        { path: PATH, body: { projectionId: 'hand-pa', patientType: 'child', signed: true } },
      ]),
    );
    await waitFor(() => expect(screen.getByLabelText(/^Take the signature back/)).not.toHaveProperty('disabled', true));
    fireEvent.click(screen.getByLabelText('Take the signature back: Wrist, PA, adult'));
    await waitFor(() => expect(mockHere.sent[1]?.body).toMatchObject({ projectionId: 'wrist-pa', signed: false }));
  });
  it('is only read by the student, who never sees another', async () => {
    signIn(student);
    mockHere.params = { person: person.id };
    show(<CompetenceScreen />);
    expect(await screen.findByText('Hand, PA · child')).toBeTruthy();
    expect(screen.queryByLabelText(/^Sign: /)).toBeNull();
    expect(screen.queryByLabelText(student.name)).toBeNull();
  });
  it('is left out where nothing is signed for: staff are not students', async () => {
    mockHere.params = { person: person.id };
    mockHere.answers[`/api/people/${person.id}/competence`] = [hand];
    show(<CompetenceScreen />);
    expect(await screen.findByText('Hand, PA · child')).toBeTruthy();
    expect(screen.queryByLabelText(/^Sign: /)).toBeNull();
    fireEvent.click(screen.getByLabelText(student.name));
    expect(mockRouter.setParams).toHaveBeenCalledWith({ person: student.id });
  });
  it('goes out as a table, and on paper', async () => {
    globalThis.print = jest.fn();
    show(<CompetenceScreen />);
    const table = await screen.findByLabelText('Save the table as CSV');
    expect(table.getAttribute('href')).toMatch(new RegExp(`${PATH}/table$`));
    fireEvent.click(screen.getByLabelText('Print the table'));
    expect(globalThis.print).toHaveBeenCalledTimes(1);
  });
});

describe('when there is nothing to tell', () => {
  it('nothing done yet leads to the exercises', async () => {
    mockHere.answers[PATH] = [];
    show(<CompetenceScreen />);
    fireEvent.click(await screen.findByText('Practise'));
    expect(mockRouter.push).toHaveBeenCalledWith('/rehearse');
  });
  it('nobody signed in is told, and nothing is asked of the server', async () => {
    localStorage.removeItem('taktik.who');
    show(<CompetenceScreen />);
    expect(await screen.findByText('Nobody is signed in')).toBeTruthy();
    expect((global.fetch as jest.Mock).mock.calls.map(([request]) => request.url)).not.toContainEqual(
      expect.stringContaining('competence'),
    );
  });
  it('a server that does not answer is told, with a way to try again', async () => {
    signIn(student);
    mockHere.reachable = false;
    show(<CompetenceScreen />);
    expect(await screen.findByText('▲ Competence cannot be read')).toBeTruthy();
    mockHere.reachable = true;
    fireEvent.click(screen.getByText('Try again'));
    expect(await screen.findByText('Hand, PA · child')).toBeTruthy();
  });
});
