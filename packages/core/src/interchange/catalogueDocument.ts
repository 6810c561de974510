/**
 * A department's own entries and house rules as an open document: plain JSON, one schema for writing and reading.
 * Described in docs/formats/catalogue.md.
 */
import { z } from 'zod';
import { projectionSchema, type Projection } from '../projections/schema';
import { houseRulesSchema, type HouseRules } from '../room/houseRules';
import { proveEntry, type EntryFault } from '../setup/proveEntry';

const CATALOGUE_FORMAT = 'taktik-catalogue';
const CATALOGUE_FORMAT_VERSION = 2;
/** Earlier versions that are still read: their entries are brought to the form of today. */
const EARLIER_VERSIONS = [1] as const;
/** A department writes tens of entries, not thousands. */
export const MAX_OWN_ENTRIES = 200;

const NOTICE =
  'For trained, licensed staff. Orders, local codes, the department’s protocols and the physicist’s technique chart come first.';

export const catalogueDocumentSchema = z.strictObject({
  format: z.literal(CATALOGUE_FORMAT),
  version: z.literal(CATALOGUE_FORMAT_VERSION),
  notice: z.string(),
  units: z.strictObject({ length: z.literal('mm'), angle: z.literal('degree') }),
  entries: z.array(projectionSchema).max(MAX_OWN_ENTRIES),
  rules: houseRulesSchema.optional(),
});
export type CatalogueDocument = z.infer<typeof catalogueDocumentSchema>;

/** The JSON Schema of the document, made from what validates it. */
export const catalogueJsonSchema = (): Record<string, unknown> => ({
  ...(z.toJSONSchema(catalogueDocumentSchema, { io: 'input' }) as Record<string, unknown>),
  title: 'Taktik catalogue',
});

export const exportCatalogue = (entries: readonly Projection[], rules?: Partial<HouseRules>): CatalogueDocument => ({
  format: CATALOGUE_FORMAT,
  version: CATALOGUE_FORMAT_VERSION,
  notice: NOTICE,
  units: { length: 'mm', angle: 'degree' },
  entries: [...entries],
  ...(rules && { rules }),
});

export type ImportedCatalogue =
  | { ok: true; entries: Projection[]; rules: Partial<Record<string, string>> | undefined }
  | { ok: false; faults: EntryFault[] };

const shell = catalogueDocumentSchema.extend({
  version: z.literal([...EARLIER_VERSIONS, CATALOGUE_FORMAT_VERSION], {
    error: ({ input }) =>
      `The file is of version ${JSON.stringify(input)}; this program reads ${EARLIER_VERSIONS.join(', ')} and ${CATALOGUE_FORMAT_VERSION}. Update it, or export the file anew. Nothing was stored.`,
  }),
  entries: z.array(z.unknown()).max(MAX_OWN_ENTRIES),
});

/** Reads a document whole: one wrong entry, field or rule and nothing of it is taken. */
export function importCatalogue(document: unknown): ImportedCatalogue {
  const read = shell.safeParse(document);
  if (!read.success)
    return {
      ok: false,
      faults: read.error.issues.map(({ path, message }) => ({
        entry: 'document',
        field: path.join('.') || 'document',
        rule: message,
      })),
    };
  const entries: Projection[] = [];
  const faults: EntryFault[] = [];
  for (const written of read.data.entries) {
    const proved = proveEntry(written);
    if (!proved.ok) faults.push(...proved.faults);
    else if (entries.some(({ id }) => id === proved.entry.id))
      faults.push({ entry: proved.entry.id, field: 'id', rule: 'the id stands twice' });
    else entries.push(proved.entry);
  }
  if (faults.length > 0) return { ok: false, faults };
  return { ok: true, entries, rules: read.data.rules as Partial<Record<string, string>> | undefined };
}
