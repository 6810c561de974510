/** Pictures as files: there and back, and read by hand from their bytes, as any other program would. */
import { misplace, NO_POSITIONING_ERROR } from '../radiograph/positioningError';
import { orientForViewing } from '../radiograph/viewed';
import { simulateRadiograph } from '../radiograph/simulateRadiograph';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { seeded } from '../radiograph/noise';
import { freshUid, fromDicom, toDicom } from './dicom';
import { fromPng, toPng } from './png';

const setup = misplace(computeSetup({ projectionId: 'hand-pa', side: 'right', room: ROOM_ONE }), NO_POSITIONING_ERROR);
const shown = simulateRadiograph(setup, ROOM_ONE, { pixels: 160, seed: 3 });
const hung = orientForViewing(shown);
const made = () => ({ at: new Date(Date.UTC(2026, 2, 4, 5, 6, 7)), random: seeded(5) });
const file = toDicom(shown, setup, { ...made(), note: 'supine: Could not hold the breath' });

test('PNG: the same grey values, pixel size and caption come back', () => {
  const read = fromPng(toPng(hung));
  expect([read.columns, read.rows]).toEqual([hung.columns, hung.rows]);
  expect(read.grey).toEqual(hung.grey);
  expect(read.pixelMm).toBeCloseTo(hung.pixelMm, 2);
  expect(read.says).toContainEqual({ name: 'Comment', value: 'SIMULATED, NOT A PATIENT' });
  expect(() => fromPng(new Uint8Array([1, 2, 3]))).toThrow(/no PNG that can be read/);
});

/** Elements of an explicit little-endian file, by tag, read by hand. */
function elements(bytes: Uint8Array): Map<string, { vr: string; at: number; size: number }> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
  const found = new Map<string, { vr: string; at: number; size: number }>();
  const hex = (value: number) => value.toString(16).padStart(4, '0');
  for (let at = 132; at < bytes.length;) {
    const tag = hex(view.getUint16(at, true)) + hex(view.getUint16(at + 2, true));
    const vr = String.fromCharCode(bytes[at + 4], bytes[at + 5]);
    const long = /^(OB|OW|OF|SQ|UT|UN)$/.test(vr);
    const size = long ? view.getUint32(at + 8, true) : view.getUint16(at + 6, true);
    const start = at + (long ? 12 : 8);
    found.set(tag, { vr, at: start, size });
    // A sequence of no told length ends at its own sign.
    at =
      size === 0xffffffff
        ? Buffer.from(bytes).indexOf(Buffer.from('feffdde000000000', 'hex'), start) + 8
        : start + size;
  }
  return found;
}

test('DICOM: a preamble, its mark, and elements in rising order that a reader finds by hand', () => {
  expect(String.fromCharCode(...file.slice(128, 132))).toBe('DICM');
  const found = elements(file);
  const tags = [...found.keys()];
  expect(tags).toEqual([...tags].sort());
  const text = (tag: string) => {
    const { at, size } = found.get(tag)!;
    return new TextDecoder().decode(file.slice(at, at + size)).replace(/[\0 ]+$/, '');
  };
  expect(text('00080016')).toBe('1.2.840.10008.5.1.4.1.1.1.1');
  expect(text('00080060')).toBe('DX');
  expect(text('00100010')).toBe('SIMULATED^NOT A PATIENT');
  expect(text('00280301')).toBe('YES');
  expect(Number(text('00181110'))).toBe(setup.tube.sidMm);
  expect(Number(text('00180060'))).toBe(setup.exposure.kVp);
  expect(text('00200062')).toBe('R');
  expect(text('00181164').split('\\').map(Number)).toEqual([
    expect.closeTo(shown.pixelMm, 3),
    expect.closeTo(shown.pixelMm, 3),
  ]);
  const pixels = found.get('7fe00010')!;
  expect(pixels.vr).toBe('OW');
  expect(pixels.size).toBe(shown.columns * shown.rows * 2);
});

test('DICOM: read back it is the picture that was shown', () => {
  const read = fromDicom(file);
  expect([read.columns, read.rows, read.pixelMm]).toEqual([
    shown.columns,
    shown.rows,
    expect.closeTo(shown.pixelMm, 3),
  ]);
  let most = 0;
  read.grey.forEach((value, i) => {
    most = Math.max(most, Math.abs(value - hung.grey[i]));
  });
  expect(most).toBeLessThanOrEqual(3);
  expect(read.says).toContainEqual({ name: 'Burnt-in words', value: 'YES' });
  expect(read.says).toContainEqual({
    name: 'Comment',
    value: expect.stringMatching(/supine: Could not hold the breath$/),
  });
  expect(read.says).toContainEqual({ name: 'SID, mm', value: expect.stringContaining(String(setup.tube.sidMm)) });
});

test('names of files are unique and numbers', () => {
  expect(freshUid(seeded(1))).not.toBe(freshUid(seeded(2)));
  expect(freshUid(seeded(1))).toMatch(/^2\.25\.\d{30,39}$/);
});

test('what is no such file, or cut short, is refused in words', () => {
  expect(() => fromDicom(new Uint8Array(20))).toThrow(/no DICOM file that can be read/);
  expect(() => fromDicom(file.slice(0, file.length - 4000))).toThrow(RangeError);
});
