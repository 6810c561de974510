/** What is done to a database from the command line: back up, restore, read the trail over, make a lead where none can sign in. */
import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { openStore } from '../db/database';
import { anchorFrom, anchorText, sealTrail, verifyTrail } from '../services/audit';
import { backUp, backupsIn, noteOf, NotABackup, readOver, restore } from './backup';
import { serversOn } from './presence';
import { makeLead } from '../seed/firstStart';
import { Refusal } from '../services/refusal';
import { exportRecord, importRecord, NotARecord } from './recordDocument';
import { secretIn } from './secret';
import type { Settings } from './settings';

const COMMANDS = ['backup', 'backups', 'restore', 'verify', 'lead', 'export', 'import'] as const;

/** Where no name is given. */
const NEW_LEAD = 'New lead';

export type Said = { code: 0 | 1; lines: string[] };
const said = (...lines: string[]): Said => ({ code: 0, lines });
const refused = (...lines: string[]): Said => ({ code: 1, lines });

/**
 * @param asked the command and what stands behind it
 * @returns what is said, and the code with which the process ends
 */
export async function command(asked: readonly string[], settings: Settings, now: number): Promise<Said> {
  const [name, ...rest] = asked;
  const { databaseFile, backups, dataFolder, migrations, backupsKept } = settings;
  if (databaseFile === null)
    return refused('The database is on a server of its own: back it up and restore it with what that server brings.');
  // A wrong folder is told, and not filled with an empty record.
  if (['backup', 'verify', 'lead', 'export'].includes(name ?? '') && !existsSync(databaseFile))
    return refused(`There is no database at ${databaseFile}: TAKTIK_DATA names the folder in which it is.`);
  /** @param options the secret, where a PIN is made */
  const open = async (options: Parameters<typeof openStore>[2] = {}) => {
    const store = await openStore(settings.databaseUrl, migrations, options);
    await sealTrail(store);
    return store;
  };
  try {
    switch (name) {
      case 'backup': {
        const store = await open();
        try {
          const { file, note } = await backUp(store, backups, { now, kept: backupsKept });
          return said(
            `Backed up to ${file}: ${note.orders} orders, ${note.exposures} exposures, read over and whole.`,
            `Anchor of the trail, to be kept elsewhere: ${note.anchor}`,
          );
        } finally {
          await store.close();
        }
      }
      case 'backups': {
        const all = backupsIn(backups);
        if (all.length === 0) return said(`There is no backup in ${backups}.`);
        return said(
          ...all.map((file) => {
            const note = noteOf(file);
            return `${file}${note ? `  ${note.at}, ${note.orders} orders, ${note.exposures} exposures` : '  without a note'}`;
          }),
        );
      }
      case 'restore': {
        const running = serversOn(dataFolder);
        if (running.length > 0)
          return refused(`Process ${running.join(', ')} runs on ${dataFolder}: stop it first. Nothing was changed.`);
        const [named] = rest;
        const file = named === undefined ? backupsIn(backups)[0] : path.resolve(named);
        if (file === undefined) return refused(`There is no backup in ${backups}, and none was named.`);
        const { aside } = await restore(file, databaseFile, now);
        // Of an earlier version: brought to today's form now, so that a fault is seen now.
        const store = await open();
        await store.close();
        return said(`Restored ${file}.`, ...(aside ? [`What was there is kept: ${aside}`] : []));
      }
      case 'lead': {
        const running = serversOn(dataFolder);
        if (running.length > 0)
          return refused(`Process ${running.join(', ')} runs on ${dataFolder}: stop it first. Nothing was changed.`);
        const store = await open({ secret: secretIn(settings.secretFile) });
        try {
          const lead = await makeLead(store, rest.join(' ').trim() || NEW_LEAD, 'command line', now);
          return said(
            `${lead.name} is a lead now, with the PIN ${lead.pin}. It is told this once: change it after signing in.`,
          );
        } finally {
          await store.close();
        }
      }
      case 'verify': {
        const anchor = rest[0] === undefined ? null : anchorFrom(rest[0]);
        if (rest[0] !== undefined && anchor === null)
          return refused(`“${rest[0]}” is no anchor: it is like 1204:… as a backup or the page of a lead shows it.`);
        const whole = await readOver(databaseFile).catch((error: Error) => error);
        const store = await open();
        try {
          const found = await verifyTrail(store, anchor);
          if (found.broken) return refused(`The trail does not hold. Line ${found.broken.line}: ${found.broken.why}.`);
          if (whole instanceof Error) return refused(whole.message);
          return said(`The trail holds: ${found.anchor.lines} lines.`, `Anchor: ${anchorText(found.anchor)}`);
        } finally {
          await store.close();
        }
      }
      case 'export': {
        const [named] = rest;
        if (named === undefined) return refused('Name the file that it is to be written to: npm run export -- <file>');
        const file = path.resolve(named);
        // Of a copy: what is written meanwhile is in none of it or in all.
        const folder = mkdtempSync(path.join(tmpdir(), 'taktik-export-'));
        const store = await open();
        try {
          const { file: copy } = await backUp(store, folder, { now, kept: 1 });
          const still = await openStore(`file:${copy}`, migrations);
          const { rows, anchor } = await exportRecord(still, file, { migrations, now }).finally(() => still.close());
          return said(
            `Written to ${file}: ${rows} rows. It holds a record of patients: keep it as one.`,
            `Anchor of the trail, to be kept elsewhere: ${anchor}`,
          );
        } finally {
          await store.close();
          rmSync(folder, { recursive: true, force: true });
        }
      }
      case 'import': {
        const [named] = rest;
        if (named === undefined) return refused('Name the file that is to be read: npm run import -- <file>');
        mkdirSync(path.dirname(databaseFile), { recursive: true, mode: 0o700 });
        const { rows, anchor } = await importRecord(path.resolve(named), databaseFile, {
          migrations,
          secret: secretIn(settings.secretFile),
        });
        return said(
          `Read from ${named}: ${rows} rows, the trail is whole (${anchor}).`,
          'No PIN came along: npm run new-lead makes a lead, who gives the others new ones.',
        );
      }
      default:
        return refused(`There is no command “${name ?? ''}”; there are: ${COMMANDS.join(', ')}.`);
    }
  } catch (error) {
    if (error instanceof Refusal) return refused(`${error.detail} Nothing was changed.`);
    if (error instanceof NotABackup || error instanceof NotARecord)
      return refused(`${error.message}. Nothing was changed.`);
    throw error;
  }
}
