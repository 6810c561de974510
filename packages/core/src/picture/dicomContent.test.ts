/** Foreign pixels: what each way of storing them stands for, or why it is refused. */
import { contentOf, spacingOf, windowOf } from './dicomContent';

const pixels = (...values: number[]): ArrayBuffer => Uint16Array.from(values).buffer;
const SET = { BitsAllocated: 16, BitsStored: 16, HighBit: 15, PixelRepresentation: 0, SamplesPerPixel: 1 };
const content = (change: object, ...values: number[]) => [
  ...contentOf({ ...SET, ...change }, pixels(...values), values.length),
];

test.each([
  ['plain', {}, [0, 700, 65_535], [0, 700, 65_535]],
  ['twelve bits', { BitsStored: 12, HighBit: 11 }, [0xf123], [0x123]],
  ['twelve bits at the top', { BitsStored: 12, HighBit: 15 }, [0x1230, 0xfff0], [0x123, 0xfff]],
  ['signed', { PixelRepresentation: 1 }, [0xffff, 5], [-1, 5]],
  ['signed, twelve bits', { PixelRepresentation: 1, BitsStored: 12, HighBit: 11 }, [0x0fff, 0x0800], [-1, -2048]],
  ['rescaled', { RescaleSlope: '2', RescaleIntercept: ['-1024'] }, [0, 100], [-1024, -824]],
] as const)('%s', (_, change, stored, meant) => expect(content(change, ...stored)).toEqual([...meant]));

test.each([
  ['32 bits', { BitsAllocated: 32 }, /8 or 16 bits a pixel can be read, this one has 32/],
  ['1 bit', { BitsAllocated: 1 }, /this one has 1/],
  ['none told', { BitsAllocated: undefined }, /no number of them/],
  ['colour', { SamplesPerPixel: 3 }, /3 samples a pixel/],
  ['a high bit outside', { HighBit: 16 }, /contradicts itself/],
  ['more stored than there are', { BitsStored: 17, HighBit: 15 }, /contradicts itself/],
  ['a table of the device', { ModalityLUTSequence: [{}] }, /modality LUT/],
  ['a slope of nothing', { RescaleSlope: 0 }, /RescaleSlope 0/],
  ['a slope that is no number', { RescaleSlope: 'x' }, /RescaleSlope is no number/],
])('%s is refused by name', (_, change, why) => expect(() => content(change, 1, 2)).toThrow(why));

test('fewer pixels than told are refused', () => expect(() => contentOf(SET, pixels(1), 2)).toThrow(/fewer pixels/));

describe('how it is shown', () => {
  const shade = (set: object, ...values: number[]) => windowOf(set as never, Float32Array.from(values));
  test('linear, by the letter', () => {
    const at = shade({ WindowCenter: 2048, WindowWidth: 4096 });
    expect([at(0), at(4095)].map((value) => Number(value.toFixed(4)))).toEqual([0, 1]);
    expect(shade({ WindowCenter: ['10', '20'], WindowWidth: ['1', '2'] })(10)).toBe(1);
  });
  test('exact, and by a curve', () => {
    expect(shade({ WindowCenter: 0.5, WindowWidth: 1, VOILUTFunction: 'LINEAR_EXACT' })(0.25)).toBe(0.25);
    expect(shade({ WindowCenter: 100, WindowWidth: 50, VOILUTFunction: 'SIGMOID' })(100)).toBe(0.5);
  });
  test('where nothing is said, from the least to the most', () => {
    const at = shade({}, 50, 150, 100);
    expect([at(50), at(100), at(150)]).toEqual([0, 0.5, 1]);
    expect(shade({}, 7, 7)(7)).toBe(0.5);
  });
  test.each([
    [{ VOILUTSequence: [{}] }, /VOI LUT/],
    [{ WindowCenter: 1, WindowWidth: 5, VOILUTFunction: 'ODD' }, /“ODD”, which is not known/],
    [{ WindowCenter: 1, WindowWidth: 0 }, /1 or more/],
  ])('%j is refused', (set, why) => expect(() => shade(set, 1)).toThrow(why));
  test('a window beside a table counts', () =>
    expect(shade({ VOILUTSequence: [{}], WindowCenter: 5, WindowWidth: 10 })(100)).toBeGreaterThan(1));
});

test.each([
  [{ ImagerPixelSpacing: ['0.2', '0.2'] }, 0.2],
  [{ PixelSpacing: [0.14, 0.1401] }, 0.14],
  [{ ImagerPixelSpacing: ['0.2', '0.4'] }, null],
  [{ PixelSpacing: ['x', '0.2'] }, null],
  [{ PixelSpacing: [0, 0] }, null],
  [{}, null],
])('spacing of %j', (set, mm) => expect(spacingOf(set)).toBe(mm));
