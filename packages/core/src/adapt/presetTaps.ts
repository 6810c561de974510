/**
 * Presets put on and taken off. What must not be moved, is worn or goes less far adds up - an arm that is fixed leaves the
 * neck as still as the board has it; where the patient is and what he can do follow the last. Taken off, a preset takes
 * back what it set and nothing else.
 */
import type { PatientInput } from '../body/patient';
import type { Situation } from '../setup/request';
import type { SituationPreset } from './presets';

export type PatientAndSituation = { patient: PatientInput; situation: Partial<Situation> };
/** What was set by hand, and the presets that lie on it, in the order in which they were put on. */
export type PresetLayers = { base: PatientAndSituation; on: readonly string[] };

type Values = Readonly<Record<string, unknown>>;
const PARTS = ['patient', 'situation'] as const;

const isGroup = (value: unknown): value is Values =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
/** The order of names in a group means nothing. */
const written = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) => (isGroup(each) ? Object.entries(each).sort() : each));
const same = (a: unknown, b: unknown): boolean => written(a) === written(b);
const listed = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);
const grouped = (value: unknown): Values => (isGroup(value) ? value : {});

/** Sides that are left: of two that say less than both, nothing is left but what both have. */
const SIDES = new Set(['canTurn', 'canRaiseArm']);
const narrowed = (a: unknown, b: unknown): unknown =>
  a === undefined || a === 'both' ? b : b === 'both' || a === b ? a : 'none';

/** Who may be pregnant never holds: no preset makes a holder of her. */
const NEVER_REPLACED: Values = { holder: 'may be pregnant' } satisfies Partial<Situation>;

/** A value with what a preset says added to it. */
const added = (key: string, value: unknown, presetValue: unknown): unknown =>
  value !== undefined && value === NEVER_REPLACED[key]
    ? value
    : Array.isArray(presetValue)
      ? [...new Set([...listed(value), ...presetValue])]
      : isGroup(presetValue)
        ? { ...grouped(value), ...presetValue }
        : SIDES.has(key)
          ? narrowed(value, presetValue)
          : presetValue;

/** Whether a value says all that a preset wants of it; it may say more. */
const says = (key: string, value: unknown, presetValue: unknown): boolean =>
  value !== undefined && same(added(key, value, presetValue), value);

/** A value changed as it was changed from one to another: of lists and groups what came and went, else the value. */
const followed = (value: unknown, from: unknown, to: unknown): unknown => {
  if (Array.isArray(from) || Array.isArray(to)) {
    const gone = listed(from).filter((each) => !listed(to).includes(each));
    const come = listed(to).filter((each) => !listed(from).includes(each));
    return [...listed(value).filter((each) => !gone.includes(each) && !come.includes(each)), ...come];
  }
  if (isGroup(from) || isGroup(to)) {
    const touched = [...Object.keys(grouped(from)), ...Object.keys(grouped(to))].filter(
      (name) => !same(grouped(from)[name], grouped(to)[name]),
    );
    const left = Object.entries(grouped(value)).filter(([name]) => !touched.includes(name));
    const come = Object.entries(grouped(to)).filter(([name]) => touched.includes(name));
    return Object.fromEntries([...left, ...come]);
  }
  return to;
};

const valuesOf = (of: PatientAndSituation | SituationPreset, part: (typeof PARTS)[number]): Values =>
  (of[part] ?? {}) as Values;

/** Nothing said is left out: an empty list says no more than none. */
const said = (values: Values): Values =>
  Object.fromEntries(
    Object.entries(values).filter(
      ([, value]) =>
        value !== undefined && !(Array.isArray(value) && value.length === 0) && !(isGroup(value) && same(value, {})),
    ),
  );

const byPart = (make: (part: (typeof PARTS)[number]) => Values): PatientAndSituation => {
  const [patient, situation] = PARTS.map((part) => said(make(part)));
  return { patient, situation } as PatientAndSituation;
};

/** A state with every value that a preset speaks of changed. */
const withEach = (
  now: PatientAndSituation,
  preset: SituationPreset,
  change: (key: string, value: unknown, presetValue: unknown) => unknown,
): PatientAndSituation =>
  byPart((part) => {
    const values = valuesOf(now, part);
    const presetValue = Object.entries(valuesOf(preset, part));
    return {
      ...values,
      ...Object.fromEntries(presetValue.map(([key, each]) => [key, change(key, values[key], each)])),
    };
  });

const composed = ({ base, on }: PresetLayers, presets: readonly SituationPreset[]): PatientAndSituation =>
  on.reduce(
    (now, id) => {
      const preset = presets.find((each) => each.id === id);
      return preset ? withEach(now, preset, added) : now;
    },
    byPart((part) => valuesOf(base, part)),
  );

/**
 * The layers of what stands now. What was changed by hand since is laid under the presets where that comes to the same;
 * where a preset was contradicted by hand, all is by hand from here on.
 */
function layersOf(now: PatientAndSituation, layers: PresetLayers, presets: readonly SituationPreset[]): PresetLayers {
  const made = composed(layers, presets);
  const base = byPart((part) => {
    const [under, from, to] = [layers.base, made, now].map((each) => valuesOf(each, part));
    const touched = Object.keys({ ...from, ...to }).filter((key) => !same(from[key], to[key]));
    return { ...under, ...Object.fromEntries(touched.map((key) => [key, followed(under[key], from[key], to[key])])) };
  });
  const laid = { base, on: layers.on };
  return same(
    composed(laid, presets),
    byPart((part) => valuesOf(now, part)),
  )
    ? laid
    : { base: now, on: [] };
}

/** Whether all that a preset sets is so. */
export const presetHolds = (preset: SituationPreset, now: PatientAndSituation): boolean =>
  PARTS.every((part) =>
    Object.entries(valuesOf(preset, part)).every(([key, presetValue]) =>
      says(key, valuesOf(now, part)[key], presetValue),
    ),
  );

/** What a preset says, taken from what is by hand: it falls back to what is usual, but for what others that hold say. */
function taken(base: PatientAndSituation, preset: SituationPreset, presets: readonly SituationPreset[]) {
  const others = presets.filter((each) => each.id !== preset.id && presetHolds(each, base));
  // A value that says more than the preset was not set by it.
  const bare = withEach(base, preset, (_, value, presetValue) =>
    typeof presetValue === 'object' || same(value, presetValue) ? followed(value, presetValue, undefined) : value,
  );
  return others.reduce((now, other) => withEach(now, other, added), bare);
}

/**
 * A preset put on, or taken off where it holds.
 *
 * @param presets all that there are
 * @param layers what the tap before gave; at first nothing on what stands
 */
export function tapPreset(
  preset: SituationPreset,
  presets: readonly SituationPreset[],
  now: PatientAndSituation,
  layers: PresetLayers,
): { now: PatientAndSituation; layers: PresetLayers } {
  const known = layersOf(now, layers, presets);
  const rest = known.on.filter((id) => id !== preset.id);
  const give = (next: PresetLayers) => ({ now: composed(next, presets), layers: next });
  if (!presetHolds(preset, now)) return give({ base: known.base, on: [...rest, preset.id] });
  const off = give({ base: known.base, on: rest });
  return presetHolds(preset, off.now) ? give({ base: taken(known.base, preset, presets), on: rest }) : off;
}
