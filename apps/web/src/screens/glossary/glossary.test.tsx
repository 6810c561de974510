import { glossary } from '@taktik/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { mockHere, mockRouter, show } from '../../testing/screenHarness';
import { FindScreen } from '../find/FindScreen';
import { TermWords } from '../../ui/terms/TermWords';
import { useTerms } from '../../ui/terms/TermSheet';
import { GlossaryScreen } from './GlossaryScreen';

afterEach(() => {
  mockHere.params = {};
});

describe('the glossary', () => {
  it('shows every term by its group, and finds one by the everyday word', async () => {
    show(<GlossaryScreen />);
    expect(screen.getAllByRole('listitem')).toHaveLength(glossary.length);
    expect(screen.getByRole('heading', { name: 'Positions' })).toBeTruthy();
    fireEvent.change(screen.getByLabelText(/^Term, abbreviation/), { target: { value: 'collar bone' } });
    await waitFor(() => expect(screen.getAllByRole('listitem').length).toBeLessThan(3));
    expect(within(screen.getAllByRole('listitem')[0]!).getByText('clavicle')).toBeTruthy();
    await waitFor(() => expect(mockRouter.setParams).toHaveBeenLastCalledWith({ q: 'collar bone' }));
  });
  it('keeps to a group, and says when there is nothing', async () => {
    show(<GlossaryScreen />);
    fireEvent.click(screen.getByRole('radio', { name: 'movements' }));
    expect(screen.queryByRole('heading', { name: 'Anatomy' })).toBeNull();
    expect(screen.getByText('flexion')).toBeTruthy();
    fireEvent.change(screen.getByLabelText(/^Term, abbreviation/), { target: { value: 'zzz' } });
    expect(await screen.findByText('No term for “zzz”')).toBeTruthy();
  });
  it('begins with what the address asks, and draws a term from the body', async () => {
    mockHere.params = { q: 'RAO' };
    show(<GlossaryScreen />);
    expect(screen.getByText('RAO · right anterior oblique')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Show right anterior oblique on the body'));
    expect(await screen.findByText('Sternum, PA oblique (RAO)')).toBeTruthy();
  });
  it('answers in Find too', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'knuckle' } });
    fireEvent.click(await screen.findByLabelText(/^In the glossary: metacarpophalangeal joint/));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/glossary',
      params: { q: 'metacarpophalangeal joint' },
    });
    // The name of a part asks for its projections, its abbreviation for both.
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'clavicle' } });
    expect(await screen.findByLabelText(/^Clavicle, AP, right/)).toBeTruthy();
    await waitFor(() => expect(screen.queryByLabelText(/^In the glossary/)).toBeNull());
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'tmj' } });
    expect(await screen.findByLabelText(/^In the glossary: temporomandibular joint/)).toBeTruthy();
  });
});

const LINE = 'CR enters ½ in distal to the apex of the patella';
function Line() {
  const { explain, sheet } = useTerms();
  return (
    <>
      <button onClick={() => explain([LINE])}>ask</button>
      <TermWords text={LINE} testID="line" />
      {sheet}
    </>
  );
}

describe('the terms of a line', () => {
  it('are explained over the screen, and a student sees those underlined that are new', async () => {
    const store = show(<Line />);
    store.dispatch({
      type: 'who/signedIn',
      payload: { id: 'demo-tomas', name: 'Tomas Reedham', role: 'student' },
    });
    const underlined = () =>
      [...screen.getByTestId('line').children]
        .filter((each) => /underline/.test(each.getAttribute('style') ?? ''))
        .map((each) => each.textContent);
    await waitFor(() => expect(underlined()).toEqual(['CR', 'distal', 'apex of the patella']));
    fireEvent.click(screen.getByText('ask'));
    expect(await screen.findByText('CR · central ray')).toBeTruthy();
    expect(screen.getByText('The lower tip of the patella.')).toBeTruthy();
    await waitFor(() => expect(underlined()).toEqual([]));
    fireEvent.click(screen.getByLabelText('Open the whole glossary'));
    expect(mockRouter.push).toHaveBeenLastCalledWith('/glossary');
  });
});
