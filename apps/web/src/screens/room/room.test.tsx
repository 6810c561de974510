import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { demoRooms } from '@taktik/core';
import { mockHere, mockRouter, person, show } from '../../testing/screenHarness';
import { RoomScreen } from './RoomScreen';
import { RoomSheet } from './RoomSheet';
import { readStations } from './Stations';

const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('a room', () => {
  it('is calibrated from measured points: the fit and what each is off are shown, and kept only when asked', async () => {
    mockHere.params = { id: 'room-2' };
    show(<RoomScreen />);
    expect(await screen.findByText(/Not measured: 72 µGy per mAs/)).toBeTruthy();
    for (const [kVp, kerma] of [
      ['60', '390'],
      ['80', '720'],
      ['120', '1680'],
    ]) {
      type('kVp', kVp);
      type('mAs', '10');
      type('Kerma free in air, µGy', kerma);
      fireEvent.click(screen.getByText('Add the point'));
    }
    const table = within(screen.getByLabelText('Measured points'));
    expect(table.getAllByText(/% off$/)).toHaveLength(3);
    expect(screen.getByText(/^71.\d µGy per mAs at 1 m and 80 kVp, with kVp to the power 2.1/)).toBeTruthy();
    expect(mockHere.sent).toEqual([]);
    fireEvent.click(screen.getByText('Keep 3 changes'));
    await waitFor(() => expect(mockHere.sent).toHaveLength(1));
    const { path, body } = mockHere.sent[0];
    expect(path).toBe('/api/rooms/room-2');
    expect(Object.keys((body as { generator: object }).generator).sort()).toEqual([
      'outputPower',
      'outputUGyPerMas',
      'points',
    ]);
  });

  it('keeps what was typed when it is wrong, and says the range', async () => {
    mockHere.params = { id: 'room-1' };
    show(<RoomScreen />);
    type('kVp', '300');
    type('mAs', '10');
    fireEvent.click(screen.getByText('Add the point'));
    expect(screen.getByText(/kVp of a measured point must be 45 to 140 kV. What you typed is kept/)).toBeTruthy();
    expect((screen.getByLabelText('kVp') as HTMLInputElement).value).toBe('300');
  });

  it('gets a technique chart row by row', async () => {
    mockHere.params = { id: 'room-1' };
    show(<RoomScreen />);
    type('Projection for a new row', 'ap pelvis');
    fireEvent.click(await screen.findByLabelText('Pelvis, AP'));
    fireEvent.click(screen.getByText('Add the row'));
    expect(screen.getByText(/mAs of a chart must be 0.1 to 600 mAs/)).toBeTruthy();
    const fields = within(screen.getByText('Add the row').closest('[style*="gap: 8px"]') as HTMLElement);
    for (const [label, value] of [
      ['kVp', '78'],
      ['mAs', '22'],
      ['Thickness of the part, cm', '21'],
      ['SID, cm', '110'],
      ['Grid ratio, 0 without a grid', '10'],
    ])
      fireEvent.change(fields.getByLabelText(label), { target: { value } });
    fireEvent.click(screen.getByText('Add the row'));
    expect(screen.getByText(/^Pelvis, AP: 78 kVp, 22 mAs at 8½ in/)).toBeTruthy();
    fireEvent.click(screen.getByText('Keep the change'));
    await waitFor(() =>
      expect(mockHere.sent[0]?.body).toEqual({
        generator: {
          chart: [{ projectionId: 'pelvis-ap', kVp: 78, mAs: 22, thicknessMm: 210, sidMm: 1100, gridRatio: 10 }],
        },
      }),
    );
  });

  it('changes survive a reload until they are kept or dropped', async () => {
    mockHere.params = { id: 'room-1' };
    show(<RoomScreen />);
    fireEvent.click(screen.getByLabelText('falls with the exposure'));
    expect(screen.getByText(/Aimed at: trunk and head number 583 .EI 300./)).toBeTruthy();
    cleanup();
    show(<RoomScreen />);
    fireEvent.click(await screen.findByText('Drop them'));
    expect(screen.getByText(/Aimed at: trunk and head EI 300/)).toBeTruthy();
  });

  it('is read, not changed, by others', async () => {
    localStorage.setItem('taktik.who', JSON.stringify({ ...person, role: 'student' }));
    mockHere.params = { id: 'room-1' };
    show(<RoomScreen />);
    expect(await screen.findByText(/A lead changes these/)).toBeTruthy();
    expect(screen.queryByText('Add the point')).toBeNull();
    expect(screen.getByText('Filtration: 3 mm Al')).toBeTruthy();
  });

  it('says when there is none', async () => {
    mockHere.params = { id: 'nowhere' };
    show(<RoomScreen />);
    expect(await screen.findByText(/There is no such room/)).toBeTruthy();
  });

  it('is opened from the room chip’s sheet', async () => {
    show(<RoomSheet open onClose={jest.fn()} />);
    fireEvent.click(await screen.findByLabelText('This room: beam, technique chart and console'));
    expect(mockRouter.push).toHaveBeenCalledWith({ pathname: '/room', params: { id: demoRooms[0].id } });
  });

  it('the department sets bands and dose levels', async () => {
    show(<RoomSheet open onClose={jest.fn()} />);
    fireEvent.click(await screen.findByLabelText('Acceptable within more'));
    await waitFor(() =>
      expect(mockHere.sent.at(-1)?.body).toMatchObject({ bands: { target: 0.5, acceptable: 1.1, far: 3 } }),
    );
    type('Projection for a new dose level', 'chest pa');
    fireEvent.click(await screen.findByLabelText('Chest, PA'));
    type('Level, Gy·cm²', '0,12');
    await act(async () => fireEvent.click(screen.getByText('Add the level')));
    await waitFor(() =>
      expect(mockHere.sent.at(-1)?.body).toMatchObject({
        doseLevels: [{ projectionId: 'chest-pa', fromYears: 16, kapGyCm2: 0.12 }],
      }),
    );
  });
});

test.each([
  ['1 2 5,5', [1, 2, 5.5]],
  ['', null],
  ['2 1', '1 must be more than 2'],
  ['1 x', '“x” is not a number from 0.1 to 100'],
  ['1 200', '“200” is not a number from 0.1 to 100'],
])('stations typed as “%s”', (text, read) => expect(readStations(text, 100)).toEqual(read));
