import { computeSetup, drawMannequin, drawStage, ROOM_TWO, type SetupRequest } from '@taktik/core';
import { fireEvent, render, screen } from '@testing-library/react';
import { useState, type ReactElement } from 'react';
import { Provider } from 'react-redux';
import { ChangeList } from '../screens/setup/ChangeList';
import { nextStep, StepList } from '../screens/setup/StepList';
import { createStore } from '../state/store';
import { Stage } from './Stage';
import { Stepper } from './Stepper';
import { ThemeProvider } from './theme';

const request: SetupRequest = {
  projectionId: 'pelvis-ap',
  patient: { ageYears: 84, sex: 'female', statureMm: 1560, massKg: 52 },
  situation: { fractureSuspected: true },
  room: ROOM_TWO,
};
const setup = computeSetup(request);
const show = (element: ReactElement) =>
  render(
    <Provider store={createStore()}>
      <ThemeProvider>{element}</ThemeProvider>
    </Provider>,
  );

function Height({ onChange }: { onChange: (value: number) => void }) {
  const [value, setValue] = useState<number | undefined>(160);
  return (
    <Stepper
      label="Height"
      unit="cm"
      value={value}
      step={1}
      range={[42, 220]}
      onChange={(next) => {
        setValue(next);
        onChange(next);
      }}
    />
  );
}

describe('stepper', () => {
  it('steps, stops at its ends, and takes what is typed', () => {
    const seen = jest.fn();
    show(<Height onChange={seen} />);
    fireEvent.click(screen.getByLabelText('Height more'));
    expect(seen).toHaveBeenLastCalledWith(161);
    fireEvent.change(screen.getByLabelText('Height in cm'), { target: { value: '172,5' } });
    expect(seen).toHaveBeenLastCalledWith(172.5);
    fireEvent.change(screen.getByLabelText('Height in cm'), { target: { value: '220' } });
    fireEvent.click(screen.getByLabelText('Height more'));
    expect(seen).toHaveBeenLastCalledWith(220);
  });
  it('says what is wrong and keeps what was typed, changing nothing', () => {
    const seen = jest.fn();
    show(<Height onChange={seen} />);
    fireEvent.change(screen.getByLabelText('Height in cm'), { target: { value: '20' } });
    expect(screen.getByText(/Height must be 42 to 220 cm/)).toBeTruthy();
    expect((screen.getByLabelText('Height in cm') as HTMLInputElement).value).toBe('20');
    fireEvent.change(screen.getByLabelText('Height in cm'), { target: { value: 'tall' } });
    expect(screen.getByText(/type a number, 42 to 220 cm/)).toBeTruthy();
    expect(seen).not.toHaveBeenCalled();
  });
  it('what nobody measured starts from what was computed, and is taken back when it is emptied', () => {
    const [seen, cleared] = [jest.fn(), jest.fn()];
    const measure = (placeholder: string, value?: number) => (
      <Stepper
        label="Chest"
        unit="cm"
        value={value}
        step={0.5}
        digits={1}
        range={[6, 45]}
        placeholder={placeholder}
        onChange={seen}
        onClear={cleared}
      />
    );
    const { unmount } = show(measure('23.5'));
    fireEvent.click(screen.getByLabelText('Chest more'));
    expect(seen).toHaveBeenLastCalledWith(24);
    unmount();
    show(measure('–', 24)).unmount();
    const again = show(measure('–'));
    fireEvent.click(screen.getByLabelText('Chest more'));
    expect(seen).toHaveBeenLastCalledWith(6.5);
    again.unmount();
    show(measure('23.5', 24));
    fireEvent.change(screen.getByLabelText('Chest in cm'), { target: { value: '' } });
    expect(cleared).toHaveBeenCalledTimes(1);
    expect(screen.queryByText(/type a number/)).toBeNull();
  });
});

describe('steps', () => {
  it('are ticked by a tap; grave cautions stand where they act', () => {
    const ticked = jest.fn();
    show(<StepList setup={setup} unit="in" done={[setup.steps[0].id]} onTick={ticked} onAsk={jest.fn()} />);
    const [first, second] = screen.getAllByRole('checkbox');
    expect(first.getAttribute('aria-checked')).toBe('true');
    fireEvent.click(second);
    expect(ticked).toHaveBeenCalledWith(setup.steps[1].id);
    expect(screen.getByText(/feet are not rotated/)).toBeTruthy();
  });
  it('the next one is the first without a tick', () => {
    expect(nextStep(setup, [])).toBe(setup.steps[0]);
    expect(nextStep(setup, [setup.steps[0].id, setup.steps[2].id])).toBe(setup.steps[1]);
    expect(
      nextStep(
        setup,
        setup.steps.map(({ id }) => id),
      ),
    ).toBeUndefined();
  });
});

test('changes are a numbered list; nothing is shown when nothing changes', () => {
  const { rerender } = show(
    <ChangeList
      stands={['Table top: in its middle']}
      changes={[
        {
          kind: 'angle',
          code: 'change-angle-off',
          values: {},
          text: 'Take the 15° off',
          undo: true,
          readout: 'tube',
          was: '15°',
        },
      ]}
      from="Sacrum"
    />,
  );
  expect(screen.getByText(/Take the 15° off/)).toBeTruthy();
  expect(screen.getByText(/undo/)).toBeTruthy();
  rerender(
    <Provider store={createStore()}>
      <ThemeProvider>
        <ChangeList changes={[]} from="Sacrum" stands={[]} />
      </ThemeProvider>
    </Provider>,
  );
  expect(screen.queryByText(/Changes from/)).toBeNull();
});

test('the stage speaks: what it shows, in one sentence', () => {
  const drawing = drawStage(setup, 'side', 1);
  show(
    <Stage
      drawing={drawing}
      mannequin={drawMannequin(setup, 'side', drawing.box)}
      setup={setup}
      unit="in"
      width={300}
      height={300}
    />,
  );
  expect(screen.getByLabelText(/From the side: .* SID 40 in, 101.5 cm/)).toBeTruthy();
});
