/**
 * The proofs that an entry must stand before it may be used: its names exist, its numbers fit one another, and for
 * patients of every size its ray meets the part and its field shows what it must.
 */
import { isLandmark } from '../body/body';
import { isMotion } from '../body/joints';
import { mannequin } from '../body/mannequin';
import type { PatientInput } from '../body/patient';
import { hasProjection } from '../projections/catalogue';
import { entryOfToday } from '../projections/migrations';
import { projectionSchema, type Projection } from '../projections/schema';
import { demoRooms } from '../room/demoRooms';
import { RULES } from '../room/houseRules';
import { computeSetup } from './computeSetup';
import { withSchool } from './variant';

/** What is wrong with an entry: where, and which rule it breaks. */
export type EntryFault = { entry: string; field: string; rule: string };

/** Ids of a department's own entries begin so, and never meet those of the catalogue. */
export const OWN_PREFIX = 'own-';

const STRUCTURES = new Set(mannequin.primitives.map(({ id }) => id));
const SEGMENTS = new Set(mannequin.segments.map(({ id }) => id));
const isMark = (id: string): boolean => isLandmark(id) || STRUCTURES.has(id);

/** Patients that every entry is computed for. */
export const PROOF_PATIENTS: Readonly<Record<string, PatientInput>> = {
  newborn: { ageYears: 0.02 },
  'one year': { ageYears: 1 },
  'five years': { ageYears: 5 },
  'ten years': { ageYears: 10, sex: 'female' },
  'median woman': { ageYears: 40, sex: 'female' },
  'median man': { ageYears: 40, sex: 'male' },
  'small woman': { ageYears: 40, sex: 'female', statureMm: 1480, massKg: 42 },
  'large woman': { ageYears: 40, sex: 'female', statureMm: 1780, massKg: 95 },
  'small man': { ageYears: 40, sex: 'male', statureMm: 1580, massKg: 52 },
  'large man': { ageYears: 40, sex: 'male', statureMm: 1920, massKg: 105 },
  hypersthenic: { ageYears: 50, sex: 'male', habitus: 'hypersthenic' },
  hyposthenic: { ageYears: 30, sex: 'female', habitus: 'hyposthenic' },
  asthenic: { ageYears: 25, sex: 'male', habitus: 'asthenic' },
  '200 cm': { ageYears: 30, sex: 'male', statureMm: 2000 },
  '150 kg': { ageYears: 45, sex: 'male', statureMm: 1780, massKg: 150 },
};
/** Nothing may be cut for these, in a room that has what the entry asks. */
const MEDIAN = new Set(['median woman', 'median man']);

/** Names that the body, the catalogue or the rules do not have, and numbers that do not fit one another. */
function staticFaults(entry: Projection): Omit<EntryFault, 'entry'>[] {
  const faults: Omit<EntryFault, 'entry'>[] = [];
  const need = (ok: boolean, field: string, rule: string) => {
    if (!ok) faults.push({ field, rule });
  };
  const marks = (ids: readonly string[], field: string) =>
    ids.forEach((id) => need(isMark(id), field, `the body has no landmark or structure "${id}"`));
  const { aim, ray, exposure, sid } = entry;
  marks('between' in aim ? aim.between : [aim.landmark], 'aim');
  aim.checkBy.forEach((id) => need(isLandmark(id), 'aim.checkBy', `the body has no landmark "${id}"`));
  if (aim.reaches)
    need(STRUCTURES.has(aim.reaches.structure), 'aim.reaches', `the body has no structure "${aim.reaches.structure}"`);
  if (aim.taughtAt) marks(aim.taughtAt.marks, 'aim.taughtAt');
  entry.cover.forEach((item, i) => {
    if ('structure' in item)
      need(STRUCTURES.has(item.structure), `cover.${i}`, `the body has no structure "${item.structure}"`);
    else marks('between' in item ? item.between : [item.landmark], `cover.${i}`);
  });
  if (entry.alongBone) marks(entry.alongBone, 'alongBone');
  if (ray.along) marks(ray.along, 'ray.along');
  entry.positions.forEach((positioning, i) => {
    positioning.contact.forEach((id) =>
      need(SEGMENTS.has(id), `positions.${i}.contact`, `the body has no segment "${id}"`),
    );
    if (positioning.partFrame)
      need(
        SEGMENTS.has(positioning.partFrame),
        `positions.${i}.partFrame`,
        `the body has no segment "${positioning.partFrame}"`,
      );
    Object.keys(positioning.joints).forEach((name) =>
      need(isMotion(name), `positions.${i}.joints`, `there is no joint movement "${name}"`),
    );
  });
  Object.keys(entry.joints).forEach((name) => need(isMotion(name), 'joints', `there is no joint movement "${name}"`));
  entry.instead.forEach(({ projection }, i) =>
    need(hasProjection(projection), `instead.${i}`, `there is no projection "${projection}"`),
  );
  entry.variants.forEach(({ rule, choice }, i) => {
    const known = RULES[rule as keyof typeof RULES] as { choices: Record<string, string> } | undefined;
    need(known !== undefined, `variants.${i}.rule`, `there is no house rule "${rule}"`);
    if (known) need(choice in known.choices, `variants.${i}.choice`, `the rule "${rule}" has no choice "${choice}"`);
    const school = projectionSchema.safeParse(withSchool(entry, i));
    if (!school.success)
      need(
        false,
        `variants.${i}.set`,
        school.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`).join('; '),
      );
  });
  const within = (value: number, [low, high]: readonly [number, number]) => value >= low && value <= high;
  need(
    within(exposure.kVp, exposure.kVpRange),
    'exposure.kVp',
    `kVp must lie in its own range, ${exposure.kVpRange.join(' to ')}`,
  );
  need(
    within(sid.wantedMm, sid.rangeMm),
    'sid.wantedMm',
    `SID must lie in its own range, ${sid.rangeMm.map(Math.round).join(' to ')} mm`,
  );
  need(
    ray.angleBy !== undefined ||
      [ray.angleDeg, ...Object.values(ray.angleBySex ?? {})].every((angle) => within(angle, ray.rangeDeg)),
    'ray.angleDeg',
    `the angle must lie in its own range, ${ray.rangeDeg.join(' to ')}°`,
  );
  return faults;
}

/** Computes the entry for every patient; says what fails. */
function computedFaults(entry: Projection): Omit<EntryFault, 'entry'>[] {
  const faults: Omit<EntryFault, 'entry'>[] = [];
  for (const [name, patient] of Object.entries(PROOF_PATIENTS)) {
    for (const room of demoRooms.filter(({ kind }) => kind === 'fixed')) {
      try {
        const { field } = computeSetup({
          projectionId: entry.id,
          own: entry,
          side: entry.sided === 'each' ? 'left' : undefined,
          patient,
          room,
        });
        if (MEDIAN.has(name) && field.clipped.length > 0)
          faults.push({
            field: 'cover',
            rule: `for a ${name} in ${room.name} the field cuts ${field.clipped.join(', ')}`,
          });
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        faults.push({ field: 'aim', rule: `for ${name} in ${room.name}: ${error.message}` });
      }
      if (faults.length > 0) return faults;
    }
  }
  return faults;
}

/**
 * @param written what was written or imported, of any shape and any version
 * @returns the entry, or every reason why it is refused
 */
export function proveEntry(written: unknown): { ok: true; entry: Projection } | { ok: false; faults: EntryFault[] } {
  const id = (written as { id?: unknown } | null)?.id;
  const named = typeof id === 'string' ? id.slice(0, 60) : 'entry without id';
  const asFaults = (faults: Omit<EntryFault, 'entry'>[]) => ({
    ok: false as const,
    faults: faults.map((fault) => ({ entry: named, ...fault })),
  });
  const read = projectionSchema.safeParse(entryOfToday(written));
  if (!read.success)
    return asFaults(
      read.error.issues.map(({ path, message }) => ({ field: path.join('.') || 'entry', rule: message })),
    );
  const entry = read.data;
  if (!entry.id.startsWith(OWN_PREFIX))
    return asFaults([{ field: 'id', rule: `an own entry's id begins with "${OWN_PREFIX}"` }]);
  const wrong = staticFaults(entry);
  const faults = wrong.length > 0 ? wrong : computedFaults(entry);
  return faults.length > 0 ? asFaults(faults) : { ok: true, entry };
}
