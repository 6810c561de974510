/** Measuring on the picture of an exposure, beside another, and what is kept of it. */
import { computeSetup } from '@taktik/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { mockHere, mockRouter, order, row, show } from '../../testing/screenHarness';
import { MeasureScreen } from './MeasureScreen';

const saved: { name: string; bytes: Uint8Array }[] = [];
jest.mock('../../ui/saveFile', () => ({
  saveFile: (bytes: Uint8Array, name: string) => mockSaved(name, bytes),
}));
const mockSaved = (name: string, bytes: Uint8Array) => saved.push({ name, bytes });

const exposureOf = (id: string, side: 'left' | 'right') => {
  const request = { projectionId: 'knee-ap', side };
  return { ...row, id, side, name: 'Knee, AP', projectionId: 'knee-ap', request, setup: computeSetup(request) };
};
beforeEach(() => {
  saved.length = 0;
  // The window of the tests has no size of its own.
  for (const [side, value] of [
    ['clientWidth', 1280],
    ['clientHeight', 900],
  ] as const)
    Object.defineProperty(document.documentElement, side, { value, configurable: true });
  window.dispatchEvent(new Event('resize'));
  // A picture is a hundred pixels wide on this screen: what is tapped is where the pointer says.
  SVGElement.prototype.getBoundingClientRect = () => ({ left: 0, top: 0 }) as DOMRect;
  SVGElement.prototype.setPointerCapture = () => undefined;
  mockHere.params = { x: 'left' };
  mockHere.answers['/api/exposures/left'] = exposureOf('left', 'left');
  mockHere.answers['/api/exposures/right'] = exposureOf('right', 'right');
  mockHere.answers[`/api/orders/${order.id}/exam`] = {
    order,
    exam: null,
    exposures: [exposureOf('left', 'left'), exposureOf('right', 'right')],
  };
});
const layers = () => screen.findAllByTestId('points');
const tap = (layer: HTMLElement, clientX: number, clientY: number) => {
  // The DOM of the tests has no pointer with a place.
  const event = new MouseEvent('pointerdown', { bubbles: true, clientX, clientY });
  fireEvent(layer, event);
};
const figures = (view: string) => within(screen.getByRole('list', { name: `Figures of ${view}` }));

it('two taps are a distance with its doubt, at the magnification of the set-up, and it is kept', async () => {
  const store = show(<MeasureScreen />);
  const [layer] = await layers();
  expect(screen.getByRole('status').textContent).toBe('Tap on the picture: from (1 of 2)');
  tap(layer!, 20, 20);
  expect(screen.getByRole('status').textContent).toBe('Tap on the picture: to (2 of 2)');
  tap(layer!, 20, 70);
  const text = (await figures('Knee, AP, left').findByText(/± .* mm$/)).textContent;
  const { magnification } = computeSetup({ projectionId: 'knee-ap', side: 'left' }).image;
  const [widthMm] = layer!.getAttribute('viewBox')!.split(' ').slice(2).map(Number);
  const mm = (50 * widthMm!) / Number(layer!.getAttribute('width')) / magnification;
  expect(Number(text.split(' ')[0])).toBeCloseTo(mm, 1);
  const [kept] = store.getState().outbox.waiting;
  expect(kept).toMatchObject({
    path: '/exposures/left/measures',
    body: { calibration: { by: 'magnification' }, measures: [{ kind: 'distance', name: 'distance 1' }] },
  });
});

it('a point is moved by the arrow keys, and the list that is kept follows', async () => {
  const store = show(<MeasureScreen />);
  await layers();
  fireEvent.click(screen.getByLabelText(/^Set this point in the middle/));
  fireEvent.click(screen.getByLabelText(/^Set this point in the middle/));
  const handle = await screen.findByLabelText('Point 2 of distance 1: arrow keys move it');
  const before = Number(handle.getAttribute('cy'));
  fireEvent.keyDown(handle, { key: 'ArrowDown', shiftKey: true });
  await waitFor(() =>
    expect(Number(screen.getByLabelText(/^Point 2 of distance 1/).getAttribute('cy'))).toBeCloseTo(before + 5, 3),
  );
  expect(store.getState().outbox.waiting).toHaveLength(2);
});

it('the other side beside it: of measures of one name the difference, within its doubt', async () => {
  mockHere.params = { x: 'left', b: 'right' };
  show(<MeasureScreen />);
  await waitFor(async () => expect(await layers()).toHaveLength(2));
  expect(screen.getByText(/Give a measure the same name on both pictures/)).toBeTruthy();
  const [one, other] = await layers();
  for (const layer of [one!, other!]) {
    tap(layer, 20, 20);
    tap(layer, 20, 70);
  }
  const differences = within(screen.getByRole('group', { name: 'Differences' }));
  expect((await differences.findByText(/^distance 1: .* difference .* - within its doubt$/)).textContent).toMatch(
    /difference -?0\.\d/,
  );
  fireEvent.click(screen.getByLabelText('Save the figures as a table, CSV'));
  expect(saved[0]!.name).toBe('measures.csv');
  expect(new TextDecoder().decode(saved[0]!.bytes).trim().split('\r\n')).toHaveLength(3);
  fireEvent.click(screen.getByLabelText('Save the figures as a structured report of DICOM'));
  await waitFor(() => expect(saved.map(({ name }) => name)).toContain('measures.dcm'));
});

it('a picture of another order, which may be another patient, is not held against it', async () => {
  mockHere.params = { x: 'left', b: 'right' };
  mockHere.answers['/api/exposures/right'] = { ...exposureOf('right', 'right'), orderId: 'another' };
  show(<MeasureScreen />);
  expect(await screen.findByText(/Only pictures of one order/)).toBeTruthy();
  expect(await layers()).toHaveLength(1);
  expect(screen.queryByRole('group', { name: 'Differences' })).toBeNull();
});

it('another picture of the exam is chosen to stand beside it', async () => {
  show(<MeasureScreen />);
  fireEvent.click(await screen.findByLabelText('Knee, AP, right'));
  expect(mockRouter.setParams).toHaveBeenCalledWith({ b: 'right' });
});

it('what was measured before stands there, with the scale it had; an object takes its place', async () => {
  const measured = {
    calibration: { by: 'receptor' },
    measures: [
      {
        id: 'm',
        name: 'Medial gap',
        kind: 'distance',
        points: [
          [10, 10],
          [10, 35],
        ],
      },
    ],
    by: 'Ines Oakfield',
  };
  mockHere.answers['/api/exposures/left'] = { ...exposureOf('left', 'left'), measured };
  const store = show(<MeasureScreen />);
  await layers();
  expect((await figures('Knee, AP, left').findByText(/mm$/)).textContent).toMatch(/^25\.0 ± /);
  expect(screen.getByText(/^Not calibrated/)).toBeTruthy();
  // The distance is set across the object of 25 mm: the object is then as long as it is.
  fireEvent.click(screen.getByLabelText('object of known size'));
  fireEvent.change(await screen.findByLabelText('The object, in truth in mm'), { target: { value: '20' } });
  await waitFor(() => expect(screen.getByText(/^Object of 20 mm/)).toBeTruthy());
  expect(store.getState().outbox.waiting.at(-1)!.body).toMatchObject({
    calibration: { by: 'object', trueMm: 20, readMm: 25 },
  });
});

it('without a picture it says what to do', () => {
  mockHere.params = {};
  show(<MeasureScreen />);
  expect(screen.getByText('No picture chosen')).toBeTruthy();
});
