import { forms, exportCatalogue, projectionOf, projections, withDefaults } from '@taktik/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { mockHere, mockRouter, show } from '../../testing/screenHarness';
import { BookScreen } from './BookScreen';
import { CompareScreen } from './CompareScreen';
import { ProjectionScreen } from './ProjectionScreen';

describe('a projection’s page', () => {
  beforeEach(() => {
    mockHere.params = { p: 'knee-lateral', side: 'left', age: '40', h: '170', w: '70', room: 'room-2' };
  });
  it('tells its numbers for the patient of the address, its criteria and what goes wrong', async () => {
    show(<ProjectionScreen />);
    expect(await screen.findByText('Knee, lateral, left')).toBeTruthy();
    expect(await screen.findByText(/^Set-up: .*40 y/)).toBeTruthy();
    const knee = projectionOf('knee-lateral');
    for (const check of knee.checks) expect(screen.getByText(check)).toBeTruthy();
    for (const { sign, cause } of knee.faults) {
      expect(screen.getByText(`▲ ${sign}`)).toBeTruthy();
      expect(screen.getByText(`Cause: ${cause}`)).toBeTruthy();
    }
  });
  it('holds the schools against one another, and opens two side by side', async () => {
    show(<ProjectionScreen />);
    expect(await screen.findByText('✓ 5° cephalad - in force here')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Side by side with: 7° cephalad'));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/compare',
      params: expect.objectContaining({ a: 'knee-lateral', b: 'knee-lateral', rb: 'kneeLateralAngle:7', side: 'left' }),
    });
  });
  it('goes on to the set-up, other ways, the rehearsal and what serves instead, with patient and side', async () => {
    show(<ProjectionScreen />);
    await screen.findByText('Knee, lateral, left');
    const carried = expect.objectContaining({ p: 'knee-lateral', side: 'left', age: '40', room: 'room-2' });
    fireEvent.click(screen.getByRole('button', { name: 'Set up' }));
    expect(mockRouter.push).toHaveBeenLastCalledWith({ pathname: '/setup', params: carried });
    fireEvent.click(screen.getByLabelText('Other ways to Knee, lateral'));
    expect(mockRouter.push).toHaveBeenLastCalledWith({ pathname: '/ways', params: carried });
    fireEvent.click(screen.getByLabelText(/^Rehearse Knee, lateral/));
    expect(mockRouter.push).toHaveBeenLastCalledWith({ pathname: '/rehearse', params: carried });
  });
  it('names what serves instead and what is lost by it, and opens it for the same patient', async () => {
    const entry = projections.find(({ instead, sided }) => instead.length > 0 && sided === 'each')!;
    mockHere.params = { ...mockHere.params, p: entry.id };
    show(<ProjectionScreen />);
    for (const { projection, loses } of entry.instead) {
      fireEvent.click(await screen.findByLabelText(`${projectionOf(projection).name}: ${loses}`));
      expect(mockRouter.push).toHaveBeenLastCalledWith({
        pathname: '/projection',
        params: expect.objectContaining({ p: projection, side: 'left', age: '40' }),
      });
    }
  });
  it('is pinned and unpinned', async () => {
    const store = show(<ProjectionScreen />);
    fireEvent.click(await screen.findByLabelText('Pin'));
    expect(store.getState().preferences.pinned).toEqual(['knee-lateral']);
    fireEvent.click(screen.getByLabelText('Unpin'));
    expect(store.getState().preferences.pinned).toEqual([]);
  });
  it('a patient outside the body model gets the reason instead of numbers', async () => {
    mockHere.params = { ...mockHere.params, age: '4', h: '200' };
    show(<ProjectionScreen />);
    expect(await screen.findByText('▲ This set-up cannot be computed')).toBeTruthy();
    expect(screen.getByText(/outside the model: \d+ to \d+ cm/)).toBeTruthy();
    expect(screen.queryByText(/^Aim /)).toBeNull();
  });
  it('an unknown one leads to Find', async () => {
    mockHere.params = { p: 'elbow-sideways' };
    show(<ProjectionScreen />);
    fireEvent.click(await screen.findByText('Find a projection'));
    expect(mockRouter.push).toHaveBeenCalledWith('/find');
  });
});

describe('an own entry', () => {
  const knee = projectionOf('knee-ap');
  const field = (label: string) => screen.findByLabelText(label) as Promise<HTMLInputElement>;
  beforeEach(() => {
    mockHere.params = { p: knee.id, side: 'right' };
  });
  it('is a copy that is changed; what is wrong is told before anything is sent, and stays typed', async () => {
    show(<ProjectionScreen />);
    fireEvent.click(await screen.findByLabelText('Copy and change'));
    expect((await field('Name')).value).toBe('Knee, AP, our way');
    fireEvent.change(await field('Tube angle in degrees'), { target: { value: '75' } });
    fireEvent.click(screen.getByText('Prove and store'));
    expect(await screen.findByText('Tube angle must be 0 to 60 °')).toBeTruthy();
    expect(mockHere.sent).toEqual([]);
    expect((await field('Tube angle in degrees')).value).toBe('75');
    mockHere.answers['/api/catalogue/own/own-knee-ap-our-way'] = { id: 'own-knee-ap-our-way' };
    fireEvent.change(await field('Tube angle in degrees'), { target: { value: '7' } });
    fireEvent.click(screen.getByText('Prove and store'));
    await waitFor(() => expect(mockHere.sent).toHaveLength(1));
    expect(mockHere.sent[0].path).toBe('/api/catalogue/own/own-knee-ap-our-way');
    expect(mockHere.sent[0].body).toMatchObject({ name: 'Knee, AP, our way', ray: { angleDeg: 7 } });
    await waitFor(() =>
      expect(mockRouter.push).toHaveBeenCalledWith({
        pathname: '/projection',
        params: expect.objectContaining({ p: 'own-knee-ap-our-way' }),
      }),
    );
  });
  it('a server that does not answer stores nothing and says so', async () => {
    show(<ProjectionScreen />);
    fireEvent.click(await screen.findByLabelText('Copy and change'));
    fireEvent.change(await field('Note'), { target: { value: 'sandbag at the ankle' } });
    mockHere.reachable = false;
    fireEvent.click(screen.getByText('Prove and store'));
    expect(await screen.findByText('The server does not answer; nothing was stored.')).toBeTruthy();
    expect((await field('Note')).value).toBe('sandbag at the ankle');
  });
});

describe('side by side', () => {
  it('marks the lines that differ, and counts them', async () => {
    mockHere.params = { a: 'knee-ap', b: 'knee-lateral', side: 'right' };
    show(<CompareScreen />);
    const table = await screen.findByRole('table', { name: 'Comparison' });
    const marked = within(table).getAllByText(/^◆ .* differs$/);
    const lines = within(table).getAllByRole('rowheader');
    expect(screen.getByText(`${marked.length} of ${lines.length} lines differ`)).toBeTruthy();
    // A line is marked exactly when its cells differ.
    for (const header of lines) {
      const texts = within(header.closest('[role=row]') as HTMLElement)
        .getAllByRole('cell')
        .map(({ textContent }) => textContent);
      expect(/differs$/.test(header.textContent ?? '')).toBe(new Set(texts).size > 1);
    }
    fireEvent.click(screen.getByLabelText('Set up Knee, lateral, right'));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/setup',
      params: expect.objectContaining({ p: 'knee-lateral', side: 'right' }),
    });
  });
  it('one projection under two schools differs in what the school changes', async () => {
    mockHere.params = { a: 'knee-lateral', b: 'knee-lateral', side: 'left', rb: 'kneeLateralAngle:7' };
    show(<CompareScreen />);
    expect(await screen.findByText('◆ Tube differs')).toBeTruthy();
    expect(screen.getByText('as in force here')).toBeTruthy();
    expect(screen.getByText(/: 7° cephalad$/)).toBeTruthy();
  });
  it('what is not there, or cannot be computed, is told', async () => {
    mockHere.params = { a: 'knee-ap', b: 'no-such' };
    show(<CompareScreen />);
    expect(await screen.findByText(/^There is no projection "no-such"/)).toBeTruthy();
  });
  it('a patient outside the model is told', async () => {
    mockHere.params = { a: 'knee-ap', b: 'knee-lateral', side: 'left', age: '4', h: '200' };
    show(<CompareScreen />);
    expect(await screen.findByText('▲ This comparison cannot be computed')).toBeTruthy();
  });
});

describe('the room’s book', () => {
  const importFile = async (name: string, text: string) => {
    const file = new File([text], name);
    file.text = async () => text;
    fireEvent.change(await screen.findByLabelText('Import own entries and house rules: file'), {
      target: { files: [file] },
    });
  };
  it('computes the region that is chosen, a leaf a projection, then lets it be printed', async () => {
    show(<BookScreen />);
    fireEvent.click(await screen.findByLabelText('abdomen'));
    const ready = await screen.findByText(/^\d+ projections ready$/);
    const leaves = screen.getAllByRole('heading', { level: 2 }).filter(({ textContent }) => textContent?.includes(','));
    expect(leaves).toHaveLength(Number(/^\d+/.exec(ready.textContent ?? '')?.[0]));
  });
  it('has the named forms too, each set up as it is asked for', async () => {
    show(<BookScreen />);
    fireEvent.click(await screen.findByLabelText(`named forms ${forms.length}`));
    expect(await screen.findByText(`${forms.length} projections ready`)).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'Knee, lateral, cross-table' })).toBeTruthy();
    expect(screen.getByText(/^A form of Knee, lateral\. /)).toBeTruthy();
    expect(screen.queryByText('This room has no such way')).toBeNull();
  });
  it('nothing pinned is told', async () => {
    show(<BookScreen />);
    fireEvent.click(await screen.findByLabelText('pinned 0'));
    expect(await screen.findByText(/^Nothing is pinned yet/)).toBeTruthy();
  });
  it('a file that is no JSON, or no catalogue, is refused by its fault and not sent', async () => {
    show(<BookScreen />);
    fireEvent.click(await screen.findByLabelText('pinned 0'));
    await importFile('notes.txt', 'no json');
    expect(await screen.findByText('notes.txt is not valid JSON. Nothing was imported.')).toBeTruthy();
    await importFile('other.json', '{"format":"something else"}');
    expect(await screen.findByText('Nothing was imported.')).toBeTruthy();
    expect(mockHere.sent).toEqual([]);
  });
  it('a whole file goes to the server, and what it took is told', async () => {
    mockHere.answers['/api/catalogue/import'] = { entries: 1, rules: true };
    show(<BookScreen />);
    fireEvent.click(await screen.findByLabelText('pinned 0'));
    const own = { ...projectionOf('knee-ap'), id: 'own-knee' };
    await importFile('ours.json', JSON.stringify(exportCatalogue([own], withDefaults())));
    expect(await screen.findByText('✓ 1 entry and the house rules imported')).toBeTruthy();
    expect(mockHere.sent[0].path).toBe('/api/catalogue/import');
  });
});
