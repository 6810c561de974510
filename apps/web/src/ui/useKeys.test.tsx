import { fireEvent, render, screen } from '@testing-library/react';
import { useKeys } from './useKeys';

const pressed = jest.fn();
function Board() {
  useKeys({ v: () => pressed('v'), ' ': () => pressed('space'), ArrowRight: () => pressed('right') });
  return (
    <div>
      <input aria-label="field" />
      <button>key</button>
      <div role="dialog">
        <span>in a sheet</span>
      </div>
    </div>
  );
}

beforeEach(() => {
  pressed.mockClear();
  render(<Board />);
});

test('keys run their action, whatever the case', () => {
  fireEvent.keyDown(document.body, { key: 'v' });
  fireEvent.keyDown(document.body, { key: 'V' });
  fireEvent.keyDown(document.body, { key: 'ArrowRight' });
  expect(pressed.mock.calls.flat()).toEqual(['v', 'v', 'right']);
});

test('never while a text field or a sheet has the focus, nor with a modifier', () => {
  fireEvent.keyDown(screen.getByLabelText('field'), { key: 'v' });
  fireEvent.keyDown(screen.getByText('in a sheet'), { key: 'v' });
  fireEvent.keyDown(document.body, { key: 'v', ctrlKey: true });
  expect(pressed).not.toHaveBeenCalled();
});

test('space on a focused control presses that control only', () => {
  fireEvent.keyDown(screen.getByText('key'), { key: ' ' });
  expect(pressed).not.toHaveBeenCalled();
  fireEvent.keyDown(document.body, { key: ' ' });
  expect(pressed).toHaveBeenCalledWith('space');
});
