import fc from 'fast-check';
import { ASPECTS, BODY_POSITIONS, HOLDERS } from '../../projections/vocabulary';
import {
  askedText,
  askedWay,
  BEAMS,
  adaptedWaySchema,
  HALVES,
  isWayText,
  MOST_TILT_DEG,
  wayFromText,
  wayText,
} from './adaptedWay';

const tilt = fc.integer({ min: -MOST_TILT_DEG, max: MOST_TILT_DEG });
const anyWay = fc
  .record(
    {
      position: fc.constantFrom(...BODY_POSITIONS),
      beam: fc.constantFrom(...BEAMS),
      holder: fc.constantFrom(...HOLDERS),
      on: fc.constantFrom(...ASPECTS),
      backRestDeg: fc.integer({ min: 0, max: 90 }),
      reversed: fc.boolean(),
      asItLies: fc.boolean(),
      half: fc.constantFrom(...HALVES),
      onStool: fc.constant(true as const),
      alongDeg: tilt,
      acrossDeg: tilt,
    },
    { requiredKeys: ['position', 'beam', 'holder'] },
  )
  .map((way) => adaptedWaySchema.parse(way));

test('a way goes through its short text unchanged, and fits an address', () => {
  fc.assert(
    fc.property(anyWay, (way) => {
      const text = wayText(way);
      expect(wayFromText(text)).toEqual({ ...way, alongDeg: way.alongDeg || 0, acrossDeg: way.acrossDeg || 0 });
      expect(text.length).toBeLessThan(120);
      expect(encodeURIComponent(text)).toBe(text);
    }),
  );
});

test.each([
  '',
  'nothing',
  'supine~down',
  'supine~down~shelf',
  'supine~level~stand~along99',
  'supine~level~stand~sideways',
])('"%s" is no way', (text) => {
  expect(wayFromText(text)).toBeNull();
  expect(isWayText(text)).toBe(false);
});

test('a position by its name asks for the entry’s own way in it', () => {
  expect(askedWay('prone')).toEqual({ overrides: { position: 'prone' } });
  expect(askedWay(undefined)).toEqual({});
  expect(askedWay('supine~level~stand').way).toMatchObject({ position: 'supine', beam: 'level', holder: 'stand' });
});

test('a digit stands before the way, or alone', () => {
  expect(askedWay('digit4')).toEqual({ digit: 4 });
  expect(askedWay('digit2~prone')).toEqual({ digit: 2, overrides: { position: 'prone' } });
  const { way } = askedWay('supine~level~stand');
  expect(askedWay('digit5~supine~level~stand')).toEqual({ digit: 5, way });
  expect(askedText({ digit: 5, way })).toBe('digit5~supine~level~stand');
  expect(askedText({})).toBeUndefined();
  for (const none of ['digit6', 'digit0', 'digit', 'digit2~', 'digit2~nothing', 'digit2~digit3'])
    expect([none, isWayText(none)]).toEqual([none, false]);
});
