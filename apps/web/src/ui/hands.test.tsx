/** What the hands do without a mouse: Space and arrows in groups, focus of sheets, Back, titles, low windows. */
import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState, type PropsWithChildren } from 'react';
import { Provider } from 'react-redux';
import { createStore } from '../state/store';
import { Choice, Several, Toggle } from './Choice';
import { Sheet } from './Sheet';
import { ThemeProvider } from './theme';
import { usePageTitle } from './usePageTitle';

const Themed = ({ children }: PropsWithChildren) => (
  <Provider store={createStore()}>
    <ThemeProvider>{children}</ThemeProvider>
  </Provider>
);
const options = ['one', 'two', 'three'].map((value) => ({ value, label: value }));
function Group() {
  const [value, setValue] = useState('two');
  const [on, setOn] = useState(false);
  const [several, setSeveral] = useState<string[]>([]);
  return (
    <Themed>
      <Choice label="Pick" options={options} value={value} onChange={setValue} />
      <Toggle label="Tick" on={on} onChange={setOn} />
      <Several label="Any" options={[{ value: 'a', label: 'a' }]} values={several} onChange={setSeveral} />
    </Themed>
  );
}
const radio = (name: string) => screen.getByRole('radio', { name });

test('Space switches radio buttons and check boxes', () => {
  render(<Group />);
  fireEvent.keyDown(radio('three'), { key: ' ' });
  expect(radio('three').getAttribute('aria-checked')).toBe('true');
  for (const name of ['Tick', 'a']) {
    const box = screen.getByRole('checkbox', { name });
    fireEvent.keyDown(box, { key: ' ' });
    expect(screen.getByRole('checkbox', { name }).getAttribute('aria-checked')).toBe('true');
    fireEvent.keyDown(box, { key: ' ' });
    expect(screen.getByRole('checkbox', { name }).getAttribute('aria-checked')).toBe('false');
  }
});

test('arrow keys go round a group; Tab reaches it once', () => {
  render(<Group />);
  const reached = () =>
    screen
      .getAllByRole('radio')
      .filter((each) => each.tabIndex === 0)
      .map((each) => each.getAttribute('aria-label'));
  expect(reached()).toEqual(['two']);
  fireEvent.keyDown(radio('two'), { key: 'ArrowRight' });
  expect([radio('three').getAttribute('aria-checked'), document.activeElement]).toEqual(['true', radio('three')]);
  fireEvent.keyDown(radio('three'), { key: 'ArrowDown' });
  expect(radio('one').getAttribute('aria-checked')).toBe('true');
  fireEvent.keyDown(radio('one'), { key: 'ArrowLeft' });
  expect(radio('three').getAttribute('aria-checked')).toBe('true');
  expect(reached()).toEqual(['three']);
});

describe('a sheet', () => {
  function Opened({ onClose }: { onClose: () => void }) {
    const [open, setOpen] = useState(true);
    return (
      <Themed>
        <Sheet
          title="Rules"
          open={open}
          onClose={() => {
            setOpen(false);
            onClose();
          }}
        >
          <></>
        </Sheet>
      </Themed>
    );
  }
  test('takes the focus on its own name', async () => {
    jest.useFakeTimers();
    render(<Opened onClose={jest.fn()} />);
    act(() => void jest.advanceTimersByTime(50));
    expect(document.activeElement?.textContent).toBe('Rules');
    jest.useRealTimers();
  });
  /** Where the history comes to rest: a step back that is taken again is two of them. */
  const back = () =>
    act(async () => {
      window.history.back();
      await new Promise((resolve) => setTimeout(resolve, 300));
    });
  beforeEach(() => {
    window.history.pushState({ id: 'before' }, '', '/find');
    window.history.pushState({ id: 'page' }, '', '/setup?p=knee-ap');
  });
  test('Back closes it, stays on the screen, and leaves the screen the next time', async () => {
    const onClose = jest.fn();
    const seen = jest.fn();
    render(<Opened onClose={onClose} />);
    window.addEventListener('popstate', seen);
    // What is set in the sheet stands in the address at once.
    window.history.replaceState({ id: 'set' }, '', '/setup?p=knee-ap&h=1700');
    await back();
    expect(onClose).toHaveBeenCalledTimes(1);
    expect(window.location.search).toBe('?p=knee-ap&h=1700');
    // To the router nothing has happened.
    expect(seen).not.toHaveBeenCalled();
    await back();
    expect([onClose.mock.calls.length, window.location.pathname]).toEqual([1, '/find']);
    window.removeEventListener('popstate', seen);
  });
  test('closed by its own key in order to go elsewhere: it takes no step, and Back returns to the screen', async () => {
    render(<Opened onClose={() => window.history.pushState({ id: 'record' }, '', '/record')} />);
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    await act(() => new Promise((resolve) => setTimeout(resolve, 300)));
    expect(window.location.pathname).toBe('/record');
    await back();
    expect(window.location.pathname).toBe('/setup');
    await back();
    expect(window.location.pathname).toBe('/find');
  });
});

test('a page has a name of its own', () => {
  function Page() {
    usePageTitle('Knee, AP', 'Set up');
    return null;
  }
  render(<Page />);
  expect(document.title).toBe('Knee, AP · Set up · Taktik');
});
