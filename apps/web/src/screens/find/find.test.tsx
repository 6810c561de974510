import { fireEvent, screen, waitFor } from '@testing-library/react';
import { mockRouter, show } from '../../testing/screenHarness';
import { FindScreen } from './FindScreen';

describe('Find', () => {
  it('answers in the row for the patient in hand, and opens with an address', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'tib fib' } });
    const hit = await screen.findByLabelText(/^Leg, AP, right/);
    await waitFor(() => expect(hit.textContent).toMatch(/48 in/));
    expect(hit.textContent).toMatch(/48 in/);
    fireEvent.click(screen.getByLabelText('Left'));
    fireEvent.click(await screen.findByLabelText(/^Leg, AP, left/));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/setup',
      params: expect.objectContaining({ p: 'leg-ap', side: 'left' }),
    });
  });
  it('shows back the other name through which a row was answered', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'tib fib' } });
    expect((await screen.findAllByText('matches “tib fib”')).length).toBeGreaterThan(0);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'leg ap' } });
    await waitFor(() => expect(screen.queryByText(/^matches/)).toBeNull());
  });
  it('a named form is worked out for the patient in hand and opens in its way', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'cross table knee' } });
    const form = await screen.findByLabelText('Knee, lateral, cross-table, right. A form of Knee, lateral');
    fireEvent.click(form);
    await waitFor(() =>
      expect(mockRouter.push).toHaveBeenCalledWith({
        pathname: '/setup',
        params: expect.objectContaining({
          p: 'knee-lateral',
          side: 'right',
          way: expect.stringMatching(/^supine~level~stand/),
        }),
      }),
    );
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'knee' } });
    await waitFor(() => expect(screen.queryByText(/a form of/)).toBeNull());
  });
  it('a toe that is typed is the one that the row answers for and opens', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'little toe oblique' } });
    fireEvent.click(await screen.findByLabelText(/^Fifth toe, AP oblique, lateral rotation, right/));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/setup',
      params: expect.objectContaining({ p: 'toes-oblique', way: 'digit5' }),
    });
  });
  it('counts the regions before anything is typed', async () => {
    show(<FindScreen />);
    expect(await screen.findByLabelText(/^spine \d/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^hand and wrist \d/));
    await waitFor(() => expect(screen.queryByLabelText(/^Chest, PA/)).toBeNull());
    expect(await screen.findByLabelText(/^Finger, PA, right/)).toBeTruthy();
    fireEvent.click(screen.getByLabelText('thumb'));
    await waitFor(() => expect(screen.queryByLabelText(/^Finger, PA/)).toBeNull());
    expect(screen.getByLabelText(/^Thumb, AP, right/)).toBeTruthy();
  });
  it('takes two into a comparison, keeps the last two, forgets them, and opens them side by side', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'knee lateral' } });
    const take = async (name: RegExp) => fireEvent.click((await screen.findAllByLabelText(name))[0]!);
    await take(/^Take into the comparison: Knee, lateral/);
    expect(screen.getByText(/^Knee, lateral.* with …$/)).toBeTruthy();
    const open = screen.getByText('Side by side').closest('button, [role="button"]')!;
    fireEvent.click(open);
    expect(mockRouter.push).not.toHaveBeenCalled();
    fireEvent.click(screen.getByLabelText('Forget the comparison'));
    expect(screen.queryByText(/ with …$/)).toBeNull();
    const offered = (await screen.findAllByLabelText(/^Take into the comparison:/)).slice(0, 3);
    expect(offered).toHaveLength(3);
    const names = offered.map((each) => each.getAttribute('aria-label')!.replace('Take into the comparison: ', ''));
    for (const name of names) fireEvent.click(screen.getByLabelText(`Take into the comparison: ${name}`));
    expect(screen.getByText(`${names[1]} with ${names[2]}`)).toBeTruthy();
    expect(screen.getByLabelText(`Take into the comparison: ${names[0]}`)).toBeTruthy();
    fireEvent.click(screen.getByText('Side by side'));
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/compare',
      params: expect.objectContaining({ a: expect.any(String), b: expect.any(String), side: 'right' }),
    });
  });
  it('says when nothing is found, and that only the beginning of a long text is read', async () => {
    show(<FindScreen />);
    const field = screen.getByLabelText('Find a projection');
    fireEvent.change(field, { target: { value: 'qqqq zzzz' } });
    expect(await screen.findByText('Nothing for “qqqq zzzz”')).toBeTruthy();
    expect(screen.getByText('0 found')).toBeTruthy();
    fireEvent.change(field, { target: { value: 'q'.repeat(5000) } });
    expect(await screen.findByText('Only the first 200 characters are read')).toBeTruthy();
    expect((field as HTMLInputElement).value).toHaveLength(200);
    fireEvent.change(field, { target: { value: '' } });
    expect(await screen.findByText(/^\d+ projections in \d+ regions$/)).toBeTruthy();
  });
  it('offers the exam that is typed, and shows its projections in their order', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'clavicle' } });
    fireEvent.click(await screen.findByLabelText(/^Clavicle 2$/));
    expect(await screen.findByText('2 in Clavicle')).toBeTruthy();
    const rows = screen.getAllByLabelText(/^Take into the comparison: Clavicle/);
    expect(rows.map((each) => each.getAttribute('aria-label'))).toEqual([
      'Take into the comparison: Clavicle, AP',
      'Take into the comparison: Clavicle, AP axial',
    ]);
  });
  it('shows a term for an abbreviation, and leads to the glossary; pins stand first', async () => {
    show(<FindScreen />);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'mcp' } });
    const term = await screen.findByLabelText(/^In the glossary: metacarpophalangeal joint\./);
    fireEvent.click(term);
    expect(mockRouter.push).toHaveBeenCalledWith({
      pathname: '/glossary',
      params: { q: 'metacarpophalangeal joint' },
    });
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: 'chest pa' } });
    fireEvent.click((await screen.findAllByLabelText('Pin Chest, PA'))[0]!);
    fireEvent.change(screen.getByLabelText('Find a projection'), { target: { value: '' } });
    expect(await screen.findByText('Pinned')).toBeTruthy();
    expect(screen.getAllByLabelText('Unpin Chest, PA').length).toBeGreaterThan(0);
  });
});
