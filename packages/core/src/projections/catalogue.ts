/** The catalogue: every entry, parsed by the schema once at start-up. */
import { abdomen } from './abdomen';
import { forearmElbowHumerus } from './arm';
import { chest } from './chest';
import { contrastOverheads } from './contrast';
import { footAndAnkle } from './foot';
import { handAndWrist } from './hand';
import { legAndKnee } from './leg';
import { femurHipPelvis } from './pelvis';
import { shoulderGirdle } from './shoulder';
import { projectionSchema, type Projection } from './schema';
import { skullAndFace } from './skull';
import { spine } from './spine';

const written = [
  ...chest,
  ...abdomen,
  ...handAndWrist,
  ...forearmElbowHumerus,
  ...shoulderGirdle,
  ...footAndAnkle,
  ...legAndKnee,
  ...femurHipPelvis,
  ...spine,
  ...skullAndFace,
  ...contrastOverheads,
];

export const projections: readonly Projection[] = written.map((entry) => {
  const read = projectionSchema.safeParse(entry);
  if (!read.success) throw new Error(`${entry.id}: ${read.error.message}`);
  return read.data;
});

const byId = new Map(projections.map((projection) => [projection.id, projection]));

export const hasProjection = (id: string): boolean => byId.has(id);

/** Entries by their ids, those of the department's own among them; ids that nobody knows are left out. */
export const entriesNamed = (ids: readonly string[], own: readonly Projection[] = []): Projection[] =>
  ids.flatMap((id) => own.find((entry) => entry.id === id) ?? byId.get(id) ?? []);

/** @throws RangeError for an unknown id */
export function projectionOf(id: string): Projection {
  const found = byId.get(id);
  if (!found) throw new RangeError(`there is no projection "${id.slice(0, 60)}"`);
  return found;
}
