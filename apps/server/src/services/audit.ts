/** The trail: one line for every change of a record, written in the transaction of the change. */
import { desc, eq } from 'drizzle-orm';
import type { Db, Store } from '../db/database';
import { audit } from '../db/schema';

/** Anything that inserts: the database, or a transaction of it. */
export type Tx = Pick<Db, 'insert'>;
export type AuditLine = {
  at: number;
  person: string;
  action: string;
  subject: string;
  detail: Record<string, unknown>;
};

export async function note(tx: Tx, { detail, ...line }: Omit<AuditLine, 'detail'> & { detail?: AuditLine['detail'] }) {
  await tx.insert(audit).values({ ...line, detail: detail ?? {} });
}

/** Newest first. @param subject "order:…", "exam:…", "exposure:…", "rules", "department", "catalogue:…", "person:…" */
export async function listAudit({ db }: Store, subject: string | undefined, limit: number): Promise<AuditLine[]> {
  const lines = db.select().from(audit);
  const rows = await (subject ? lines.where(eq(audit.subject, subject)) : lines).orderBy(desc(audit.id)).limit(limit);
  return rows.map(({ id: _, ...line }) => line);
}
