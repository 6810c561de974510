/** Files of others: whatever stands in them, they are read or refused in words; nothing else ever happens. */
import fc from 'fast-check';
import { encode } from 'fast-png';
import { orientForViewing } from '../radiograph/viewed';
import { NO_POSITIONING_ERROR, misplace } from '../radiograph/positioningError';
import { seeded } from '../radiograph/noise';
import { simulateRadiograph } from '../radiograph/simulateRadiograph';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { fromDicom, toDicom } from './dicom';
import { fromPng, toPng } from './png';
import { checkSize, type ReadPicture } from './readPicture';

const setup = misplace(computeSetup({ projectionId: 'hand-pa', side: 'left', room: ROOM_ONE }), NO_POSITIONING_ERROR);
const shown = simulateRadiograph(setup, ROOM_ONE, { pixels: 64, seed: 9 });
const dicom = toDicom(shown, setup, { at: new Date(Date.UTC(2026, 0, 2)), random: seeded(1) });
const png = toPng(orientForViewing(shown));

/** A picture that is whole, or a refusal in words. */
function readsOrRefuses(read: (bytes: Uint8Array) => ReadPicture, bytes: Uint8Array): 'read' | 'refused' {
  let picture: ReadPicture;
  try {
    picture = read(bytes);
  } catch (error) {
    expect(error).toBeInstanceOf(RangeError);
    expect((error as Error).message.length).toBeGreaterThan(20);
    return 'refused';
  }
  expect(picture.grey.length).toBe(picture.columns * picture.rows);
  expect(picture.pixelMm === null || picture.pixelMm > 0).toBe(true);
  return 'read';
}

describe.each([
  ['DICOM', dicom, fromDicom],
  ['PNG', png, fromPng],
] as const)('%s', (_, whole, read) => {
  test('the file itself is read', () => expect(readsOrRefuses(read, whole)).toBe('read'));
  test('bytes of chance are refused', () => {
    let checked = 0;
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 600 }), (bytes) => {
        expect(readsOrRefuses(read, bytes)).toBe('refused');
        checked += 1;
      }),
      { numRuns: 150 },
    );
    expect(checked).toBe(150);
  });
  test('cut short anywhere it is refused, never half a picture', () => {
    let refused = 0;
    for (let share = 0.02; share < 0.97; share += 0.05) {
      if (readsOrRefuses(read, whole.slice(0, Math.floor(whole.length * share))) === 'refused') refused += 1;
    }
    expect(refused).toBe(19);
  });
  test('with bytes changed it is read or refused', () => {
    let checked = 0;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 8 }),
        (changes) => {
          const bytes = whole.slice();
          for (const [at, value] of changes) bytes[at] = value;
          readsOrRefuses(read, bytes);
          checked += 1;
        },
      ),
      { numRuns: 120 },
    );
    expect(checked).toBe(120);
  });
});

describe('a PNG of another program', () => {
  const grey = (channels: 1 | 2 | 3 | 4, depth: 8 | 16, values: number[]) =>
    fromPng(
      encode({
        width: 2,
        height: 1,
        channels,
        depth,
        data: depth === 16 ? Uint16Array.from(values) : Uint8Array.from(values),
      }),
    );
  test('grey of eight and of sixteen bits, and colours by their mean', () => {
    expect([...grey(1, 8, [0, 200]).grey]).toEqual([0, 200]);
    expect([...grey(1, 16, [0, 65535]).grey]).toEqual([0, 255]);
    expect([...grey(3, 8, [30, 60, 90, 255, 255, 255]).grey]).toEqual([60, 255]);
  });
  test('what is seen through is not counted as a colour', () => {
    expect([...grey(2, 8, [100, 0, 100, 255]).grey]).toEqual([100, 100]);
    expect([...grey(4, 8, [10, 20, 30, 0, 10, 20, 30, 255]).grey]).toEqual([20, 20]);
  });
  test('says no size of a pixel where the file says none', () => expect(grey(1, 8, [1, 2]).pixelMm).toBeNull());
});

test.each([
  [0, 10],
  [10, 0],
  [6001, 10],
  [NaN, 4],
])('a picture of %d by %d pixels is refused with the range', (columns, rows) =>
  expect(() => checkSize(columns, rows)).toThrow(/1 to 6000 pixels a side/),
);
