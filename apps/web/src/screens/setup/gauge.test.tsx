import { show } from '../../testing/screenHarness';
import { computeSetup, gaugeTargets, fieldEdges, tubeAngleFrom } from '@taktik/core';
import { act, fireEvent, screen } from '@testing-library/react';
import { GaugeSheet } from './GaugeSheet';
import { FieldEdges } from './FieldEdges';

const setup = computeSetup({ projectionId: 'sacrum-ap-axial' });
const onTube = jest.fn();
const open = () => show(<GaugeSheet open setup={setup} unit="in" onTube={onTube} onClose={() => undefined} />);
/** The device tipped by an angle, held still or not. */
const tip = (deg: number, times = 20, tremble = 0) =>
  act(() => {
    for (let i = 0; i < times; i += 1) {
      const t = ((deg + (i % 2 ? tremble : -tremble)) * Math.PI) / 180;
      const event = new Event('devicemotion');
      Object.assign(event, { accelerationIncludingGravity: { x: 0, y: 9.81 * Math.sin(t), z: 9.81 * Math.cos(t) } });
      window.dispatchEvent(event);
    }
  });

afterEach(() => delete (globalThis as { DeviceMotionEvent?: unknown }).DeviceMotionEvent);

test('what is felt, what is wanted, and the reading beside it', () => {
  open();
  expect(screen.getByText(/anterior superior iliac spine|ASIS/)).toBeTruthy();
  expect(screen.getByText(`Target. ${gaugeTargets(setup)[0].text}`)).toBeTruthy();
  tip(11);
  expect(screen.getByText('11.0°')).toBeTruthy();
  expect(screen.getByText('● 4° less than the target')).toBeTruthy();
  fireEvent.click(screen.getByText('Take 11° into the set-up'));
  expect(onTube).toHaveBeenCalledWith(11);
});

test('while the hand trembles nothing is taken over', () => {
  open();
  tip(15, 20, 6);
  expect(screen.getByText('Moving: lay it still')).toBeTruthy();
  fireEvent.click(screen.getByText(/^Take .* into the set-up/));
  expect(onTube).not.toHaveBeenCalled();
});

test('a device that is 2° out is calibrated on what is flat', () => {
  open();
  tip(2);
  fireEvent.click(screen.getByLabelText(/^It lies on a flat, level surface now/));
  tip(17, 120);
  expect(screen.getByText('15.0°')).toBeTruthy();
  expect(screen.getByText('✓ On target')).toBeTruthy();
});

test('a device without a sensor says so, and the angle is typed; one that cannot be is told', async () => {
  open();
  expect(await screen.findByText(/This device has no level/, {}, { timeout: 10_000 })).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Or typed, degrees'), { target: { value: '12,5' } });
  expect(screen.getByText('12.5°')).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Or typed, degrees'), { target: { value: '120' } });
  expect(screen.getByText(/An angle to the level is 0 to 90°/)).toBeTruthy();
  expect(screen.queryByText(/^Take/)).toBeNull();
});

test.each([
  ['granted', /Waiting for the level/],
  ['denied', /does not let the page read the level/],
])('a browser that wants to be asked is asked by a press: %s', async (answer, says) => {
  const DeviceMotionEvent = Object.assign(class {}, { requestPermission: async () => answer });
  Object.assign(globalThis, { DeviceMotionEvent });
  open();
  fireEvent.click(screen.getByText('Use this device’s level'));
  expect(await screen.findByText(says)).toBeTruthy();
});

test('an angle from plumb is the tube’s own; from level it is the rest of 90°; leaning both ways it is not taken over', () => {
  expect(tubeAngleFrom(setup)!(12)).toBe(12);
  expect(tubeAngleFrom(computeSetup({ projectionId: 'chest-pa' }))!(85)).toBe(5);
  expect(tubeAngleFrom({ ...setup, tube: { ...setup.tube, acrossDeg: 10 } })).toBeNull();
});

test('the edges of the light are told as they lie on this patient', () => {
  const hand = computeSetup({ projectionId: 'hand-pa', side: 'left' });
  show(<FieldEdges setup={hand} unit="in" notFelt={[]} />);
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual(
    fieldEdges(hand, 'in').map(({ text }) => text),
  );
  expect(screen.getByText(/^Lateral edge: .* beyond the skin of the thumb$/)).toBeTruthy();
});
