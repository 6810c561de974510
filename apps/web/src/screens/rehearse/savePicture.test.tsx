import { show } from '../../testing/screenHarness';
import { computeSetup, NO_POSITIONING_ERROR, type Setup, type SetupRequest } from '@taktik/core';
import { fromDicom, fromPng } from '@taktik/core/picture';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { simulate } from '../../workers/client';
import type { Developed } from '../../workers/rehearsal';
import { SavePicture } from './SavePicture';
import { useDragPart } from './useDragPart';
import { WindowControls } from './WindowControls';

const request: SetupRequest = { projectionId: 'hand-pa', side: 'left', patient: {} };
const PIXELS = 64;
let picture: Developed;
let setup: Setup;
beforeAll(async () => {
  setup = computeSetup(request);
  const made = await simulate({
    request,
    positioningError: NO_POSITIONING_ERROR,
    breath: null,
    motionMm: 0,
    pixels: PIXELS,
    seed: null,
    exposure: 0,
  });
  if ('error' in made) throw new Error(made.error);
  picture = made;
});

describe('the picture as a file', () => {
  const saved: { name: string; blob: Blob }[] = [];
  let blob: Blob;
  beforeEach(() => {
    saved.length = 0;
    URL.createObjectURL = (made: Blob) => {
      blob = made;
      return 'blob:here';
    };
    URL.revokeObjectURL = jest.fn();
    jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      saved.push({ name: this.download, blob });
    });
  });
  const bytesOf = async (of: Blob): Promise<Uint8Array> =>
    new Promise((resolve) => {
      const reader = new FileReader();
      reader.onload = () => resolve(new Uint8Array(reader.result as ArrayBuffer));
      reader.readAsArrayBuffer(of);
    });
  const open = async (bytes: Uint8Array, name: string) => {
    const file = new File([], name);
    file.arrayBuffer = async () => bytes.slice().buffer;
    await act(async () => {
      fireEvent.change(screen.getByLabelText('Open a picture, PNG or DICOM: file'), { target: { files: [file] } });
    });
  };

  it('is named after projection and side, and holds what is shown', async () => {
    show(<SavePicture picture={picture} setup={setup} window={null} />);
    fireEvent.click(screen.getByLabelText('Save the picture as PNG'));
    fireEvent.click(screen.getByLabelText('Save the picture as DICOM'));
    await waitFor(() =>
      expect(saved.map(({ name }) => name).sort()).toEqual([
        'simulated-hand-pa-left.dcm',
        'simulated-hand-pa-left.png',
      ]),
    );
    const [png, dicom] = ['png', 'dcm'].map((kind) => saved.find(({ name }) => name.endsWith(kind))!.blob);
    expect([png.type, dicom.type]).toEqual(['image/png', 'application/dicom']);
    const [readPng, readDicom] = [fromPng(await bytesOf(png)), fromDicom(await bytesOf(dicom))];
    for (const read of [readPng, readDicom]) expect([read.columns, read.rows]).toEqual([picture.columns, picture.rows]);
    expect(readDicom.pixelMm).toBeCloseTo(picture.pixelMm, 3);
  });
  it('comes in again beside it; what is no picture is refused in words', async () => {
    show(<SavePicture picture={picture} setup={setup} window={null} />);
    fireEvent.click(screen.getByLabelText('Save the picture as DICOM'));
    await waitFor(() => expect(saved).toHaveLength(1));
    await open(await bytesOf(saved[0].blob), 'ours.dcm');
    expect(await screen.findByLabelText('Picture from the file ours.dcm')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Close'));
    await open(new Uint8Array([1, 2, 3]), 'broken.dcm');
    expect((await screen.findByRole('alert')).textContent).toMatch(/^▲ ./);
    await open(new TextEncoder().encode('no picture'), 'broken.png');
    expect(screen.getByRole('alert').textContent).toMatch(/PNG/);
    expect(screen.queryByLabelText(/^Picture from the file broken/)).toBeNull();
  });
});

describe('brightness and contrast', () => {
  it('each key undoes its opposite, and Auto gives it back to the content', () => {
    const onChange = jest.fn();
    const first = { level: 0.5, width: 2 };
    const at = (window: typeof first) =>
      show(<WindowControls window={window} changed={window !== first} onChange={onChange} />);
    for (const [key, opposite] of [
      ['Darker', 'Brighter'],
      ['Less contrast', 'More contrast'],
    ]) {
      at(first);
      expect(screen.queryByLabelText('By the content of the field')).toBeNull();
      fireEvent.click(screen.getByLabelText(key));
      const [changed] = onChange.mock.lastCall;
      expect(changed).not.toEqual(first);
      document.body.replaceChildren();
      at(changed);
      fireEvent.click(screen.getByLabelText(opposite));
      const [back] = onChange.mock.lastCall;
      expect(back.level).toBeCloseTo(first.level, 9);
      expect(back.width).toBeCloseTo(first.width, 9);
      fireEvent.click(screen.getByLabelText('By the content of the field'));
      expect(onChange).toHaveBeenLastCalledWith(null);
      document.body.replaceChildren();
    }
  });
});

test('a drag counts from where the part lay when it was gripped, the next from where it was left', () => {
  function Board() {
    const [positioningError, setPositioningError] = useState({ ...NO_POSITIONING_ERROR, rollDeg: 3 });
    const drag = useDragPart(positioningError, setPositioningError);
    return (
      <>
        <output>{`${positioningError.alongMm} ${positioningError.acrossMm} ${positioningError.rollDeg}`}</output>
        <button onClick={() => drag(10.4, -4.6, false)}>drag</button>
        <button onClick={() => drag(12.4, -6.4, true)}>let go</button>
      </>
    );
  }
  show(<Board />);
  const lies = () => screen.getByRole('status').textContent;
  for (const key of ['drag', 'drag', 'let go']) fireEvent.click(screen.getByText(key));
  expect(lies()).toBe('12 -6 3');
  fireEvent.click(screen.getByText('let go'));
  expect(lies()).toBe('24 -12 3');
});
