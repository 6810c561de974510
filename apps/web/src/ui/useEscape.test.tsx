import { fireEvent, render } from '@testing-library/react';
import { useEscape } from './useEscape';

const closed = jest.fn();
const below = jest.fn();
function One({ name, open }: { name: string; open: boolean }) {
  useEscape(open, () => closed(name));
  return null;
}
const both = (lower: boolean, upper: boolean) => (
  <>
    <One name="lower" open={lower} />
    <One name="upper" open={upper} />
  </>
);
const escape = () => fireEvent.keyUp(document.body, { key: 'Escape' });

beforeEach(() => {
  closed.mockClear();
  below.mockClear();
  document.addEventListener('keyup', below);
});
afterEach(() => document.removeEventListener('keyup', below));

test('only the upper of two hears it, then the lower, and nothing else hears it meanwhile', () => {
  const view = render(both(true, false));
  view.rerender(both(true, true));
  escape();
  expect(closed.mock.calls.flat()).toEqual(['upper']);
  view.rerender(both(true, false));
  escape();
  expect(closed.mock.calls.flat()).toEqual(['upper', 'lower']);
  expect(below).not.toHaveBeenCalled();
});

test('the lower may be closed first', () => {
  const view = render(both(true, false));
  view.rerender(both(true, true));
  view.rerender(both(false, true));
  escape();
  expect(closed.mock.calls.flat()).toEqual(['upper']);
});

test('closed or gone it hears nothing, and other keys are left alone', () => {
  const view = render(both(false, false));
  escape();
  view.rerender(both(true, false));
  fireEvent.keyUp(document.body, { key: 'Enter' });
  view.unmount();
  escape();
  expect(closed).not.toHaveBeenCalled();
  expect(below).toHaveBeenCalledTimes(3);
});
