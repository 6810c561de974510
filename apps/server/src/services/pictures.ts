/** What is added to the record of an exposure once its picture is there: its index as read, a note, measures. */
import { eq } from 'drizzle-orm';
import type { Exposure, PictureMeasures, ReaderNote } from '@taktik/contracts';
import type { Store } from '../db/database';
import { exposures } from '../db/schema';
import { note } from './audit';
import { getExposure } from './exams';
import { notFound } from './refusal';
import { trueTime } from './times';

type Row = typeof exposures.$inferSelect;
type Change = { set: Partial<Row>; action: string; detail: Record<string, unknown> };
type By = { by: string; now: number };

/** Changes one exposure and notes who did it, in one transaction. @param change nothing to change: null. @throws Refusal 404 */
async function changed(
  store: Store,
  id: string,
  { by, now }: By,
  change: (row: Row) => Change | null,
): Promise<Exposure> {
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [row] = await tx.select().from(exposures).where(eq(exposures.id, id));
      if (!row) throw notFound('exposure', id);
      const found = change(row);
      if (!found) return;
      const { set, action, detail } = found;
      await tx.update(exposures).set(set).where(eq(exposures.id, id));
      await note(tx, { at: now, person: by, action, subject: `exposure:${id}`, detail });
    }),
  );
  return getExposure(store, id);
}

/** When something was done on a device, by the true clock; when it arrives where that is not told. */
const doneAt = (at: number | undefined, sentAt: number | undefined, now: number, field: string): number =>
  at === undefined ? now : trueTime(at, sentAt, now, field).at;

/** What was measured on a picture; of two lists the later stands. @throws Refusal 404, 422 for a time that cannot be */
export const measurePicture = (
  store: Store,
  id: string,
  { calibration, measures, measuredAt, sentAt }: PictureMeasures,
  by: string,
  now: number,
): Promise<Exposure> =>
  changed(store, id, { by, now }, (row) => {
    const at = doneAt(measuredAt, sentAt, now, 'measuredAt');
    const measured = { calibration, measures, by };
    if (row.measuredAt !== null && at < row.measuredAt) return null;
    if (JSON.stringify(row.measured) === JSON.stringify(measured)) return null;
    const detail = { measures: measures.map(({ name, kind }) => `${name} (${kind})`) };
    return { set: { measured, measuredAt: at }, action: 'picture measured', detail };
  });

/** What the reader must know. Of two notes the one that was written last stands. @throws Refusal 404, 422 for a time that cannot be */
export const noteForReader = (
  store: Store,
  id: string,
  { note: text, labels, writtenAt, sentAt }: ReaderNote,
  by: string,
  now: number,
): Promise<Exposure> =>
  changed(store, id, { by, now }, (row) => {
    const notedAt = doneAt(writtenAt, sentAt, now, 'writtenAt');
    if (row.notedAt !== null && notedAt < row.notedAt) return null;
    if (row.note === text && JSON.stringify(row.labels) === JSON.stringify(labels)) return null;
    const detail = { note: text, labels };
    return { set: { ...detail, notedBy: by, notedAt }, action: 'note for the reader', detail };
  });

/** The index as the console shows it, typed by hand in place of what the detector told. @throws Refusal 404 */
export const typeReading = (
  store: Store,
  id: string,
  exposureIndex: number,
  by: string,
  now: number,
): Promise<Exposure> =>
  changed(store, id, { by, now }, (row) => {
    const read = Math.max(1, Math.round(exposureIndex));
    if (row.exposureIndex === read) return null;
    const detail = { from: row.exposureIndex, to: read };
    return { set: { exposureIndex: read, readBy: by }, action: 'exposure index typed', detail };
  });
