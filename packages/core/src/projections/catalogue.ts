/** The catalogue: every entry, parsed by the schema once at start-up. */
import { chest } from './chest';
import { limbs } from './limbs';
import { pelvisAndHead } from './pelvisAndHead';
import { projectionSchema, type Projection } from './schema';
import { spine } from './spine';

export const projections: readonly Projection[] = [...chest, ...spine, ...limbs, ...pelvisAndHead].map((entry) =>
  projectionSchema.parse(entry),
);

const byId = new Map(projections.map((projection) => [projection.id, projection]));

export const hasProjection = (id: string): boolean => byId.has(id);

/** @throws RangeError for an unknown id */
export function projectionOf(id: string): Projection {
  const found = byId.get(id);
  if (!found) throw new RangeError(`there is no projection "${id.slice(0, 60)}"`);
  return found;
}
