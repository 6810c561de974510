import fc from 'fast-check';
import { situationSchema } from '../setup/request';
import { situationPresets } from './presets';
import { presetHolds, tapPreset, type PatientAndSituation } from './presetTaps';

const presets = situationPresets('left');
const named = (id: string) => presets.find((each) => each.id === id)!;
type Tapped = ReturnType<typeof tapPreset>;
const stands = (now: Partial<PatientAndSituation> = {}): Tapped => {
  const base = { patient: {}, situation: {}, ...now };
  return { now: base, layers: { base, on: [] } };
};
const tap = ({ now, layers }: Tapped, id: string): Tapped => tapPreset(named(id), presets, now, layers);
const taps = (ids: readonly string[], from = stands()): Tapped => ids.reduce(tap, from);
const on = ({ now }: Tapped): string[] => presets.filter((each) => presetHolds(each, now)).map(({ id }) => id);
const byHand = ({ now, layers }: Tapped, situation: PatientAndSituation['situation']): Tapped => ({
  now: { ...now, situation: { ...now.situation, ...situation } },
  layers,
});

describe('one on another', () => {
  test('an arm that is fixed leaves the neck still on the board', () => {
    const both = taps(['board', 'arm']);
    expect(both.now.situation.keepStill).toEqual(['neck', 'left arm']);
    expect(on(both)).toEqual(['board', 'arm']);
  });
  test('a stiff knee and a bent back are both known', () => {
    const both = taps(['knee', 'kyphosis']);
    expect(Object.keys(both.now.situation.joints ?? {})).toEqual(['kneeFlexion_L', 'trunkFlexion']);
    expect(on(both)).toEqual(['knee', 'kyphosis']);
  });
  test('with the other arm fixed already, neither is raised', () => {
    const both = taps(['arm'], stands({ situation: { canRaiseArm: 'left', keepStill: ['right arm'] } }));
    expect(both.now.situation).toEqual({ canRaiseArm: 'none', keepStill: ['right arm', 'left arm'] });
    expect(on(both)).toEqual(['arm']);
    expect(tap(both, 'arm').now.situation).toEqual({ canRaiseArm: 'left', keepStill: ['right arm'] });
  });
});

test('who may be pregnant stays who never holds, whatever is put on and taken off', () => {
  for (const { id } of presets) {
    const hand = stands({ situation: { holder: 'may be pregnant' } });
    const put = taps([id], hand);
    expect(put.now.situation.holder).toBe('may be pregnant');
    expect(on(put)).toContain(id);
    expect(tap(put, id).now).toEqual(hand.now);
    // By an address, with nothing known of before.
    expect(tap(stands(put.now), id).now.situation.holder).toBe('may be pregnant');
    expect(on(tap(stands(put.now), id))).not.toContain(id);
  }
});

describe('taken off', () => {
  test('it is as it was, what was set by hand included', () => {
    const hand = stands({
      patient: { ageYears: 8, massKg: 25 },
      situation: { holder: 'may be pregnant', worn: ['splint'], keepStill: ['left arm'] },
    });
    for (const { id } of presets) expect(taps([id, id], hand).now).toEqual(hand.now);
  });
  test('the first of two leaves the second, and the second then leaves nothing', () => {
    const pair = taps(['restless', 'heavy', 'restless']);
    expect(on(pair)).toEqual(['heavy']);
    expect(tap(pair, 'heavy').now).toEqual(stands().now);
  });
  test('one that hid another brings it to light', () =>
    expect(on(taps(['board', 'ward-propped', 'ward-propped']))).toEqual(['board']));
  test('what two of them set stays while one of them is on', () =>
    expect(taps(['kyphosis', 'heavy', 'kyphosis']).now.situation).toEqual({ canProne: false }));
  test('what was added by hand meanwhile stays, within its lists too', () => {
    const more = byHand(taps(['board']), { worn: ['collar', 'board', 'splint'], cast: 'wet plaster' });
    expect(on(more)).toEqual(['board']);
    expect(tap(more, 'board').now.situation).toEqual({ worn: ['splint'], cast: 'wet plaster' });
  });
  test('contradicted by hand it no longer holds; put on once more and off, the hand is right', () => {
    const stood = byHand(taps(['board']), { canStand: true });
    expect(on(stood)).toEqual([]);
    expect(taps(['board', 'board'], stood).now).toEqual(stood.now);
  });
  test('come by an address, an arm that neither preset set down stays down', () => {
    const came = stands({ situation: { canRaiseArm: 'none', keepStill: ['left arm', 'right arm'] } });
    expect(on(came)).toEqual(['arm']);
    expect(tap(came, 'arm').now.situation).toEqual({ canRaiseArm: 'none', keepStill: ['right arm'] });
  });
  test('come by an address, it falls back to what is usual and keeps the rest', () => {
    const { patient, situation } = taps(['restless', 'heavy']).now;
    const came = stands({ patient, situation: { ...situation, cast: 'wet plaster' } });
    expect(tap(came, 'restless').now).toEqual({
      patient: { massKg: patient.massKg },
      situation: { canProne: false, cast: 'wet plaster' },
    });
  });
});

const ids = fc.array(fc.constantFrom(...presets.map(({ id }) => id)), { maxLength: 9 });
test('any taps leave a valid situation, and all taken off again leave what was before', () => {
  fc.assert(
    fc.property(ids, fc.boolean(), (tapped, canStand) => {
      const hand = stands({ patient: { ageYears: 50 }, situation: { canStand, worn: ['lines'] } });
      const full = taps(tapped, hand);
      expect(situationSchema.partial().safeParse(full.now.situation).success).toBe(true);
      // Under one that is taken off, an earlier one that it hid may come to light.
      let left = full;
      for (let i = 0; i < presets.length && on(left).length > 0; i += 1) left = tap(left, on(left).at(-1)!);
      expect(left.now).toEqual(hand.now);
    }),
  );
});
