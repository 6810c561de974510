/** All that is set when the server starts, from the environment; what cannot be read is told with its name and what it should be. */
import { availableParallelism } from 'node:os';
import path from 'node:path';
import { z } from 'zod';
import { worklistAddress } from '../dicom/worklist';
import { hl7Address, type Peers } from '../reports/senders';

const number = (low: number, high: number, usual: number) => {
  const error = `must be a number from ${low} to ${high}`;
  return z.coerce.number({ error }).min(low, { error }).max(high, { error }).default(usual);
};
const whole = (low: number, high: number, usual: number) =>
  number(low, high, usual).pipe(z.int({ error: 'must be a whole number' }));
/** A timer of Node counts no further: some 24 days. */
const MOST_HOURS = 24 * 24;
const LOG_LEVELS = ['fatal', 'error', 'warn', 'info', 'debug', 'silent'] as const;

/** Names, defaults and ranges; the table in docs/operations.md is held against these. */
const environmentSchema = z.object({
  PORT: whole(1, 65_535, 4173),
  HOST: z.string().default('127.0.0.1'),
  LOG_LEVEL: z.enum(LOG_LEVELS, { error: `must be one of ${LOG_LEVELS.join(', ')}` }).default('warn'),
  TAKTIK_DATA: z.string().optional(),
  TAKTIK_DATABASE_URL: z.string().optional(),
  TAKTIK_MIGRATIONS: z.string().optional(),
  TAKTIK_WEB: z.string().optional(),
  TAKTIK_SEED: z.literal('demo', { error: 'must be demo, or not set' }).optional(),
  TAKTIK_THREADS: whole(1, 64, Math.max(1, Math.min(4, availableParallelism() - 1))),
  TAKTIK_REQUESTS_PER_MINUTE: whole(60, 10_000_000, 6000),
  TAKTIK_TRUST_PROXY: whole(0, 5, 0),
  TAKTIK_SECRET_FILE: z.string().optional(),
  TAKTIK_BACKUPS: z.string().optional(),
  TAKTIK_BACKUP_HOURS: number(0, MOST_HOURS, 24),
  TAKTIK_BACKUPS_KEPT: whole(1, 1000, 14),
  TAKTIK_HL7_PORT: whole(0, 65_535, 0),
  TAKTIK_HL7_HOST: z.string().default('127.0.0.1'),
  TAKTIK_HL7_RESULTS: z.string().optional(),
  TAKTIK_AE_TITLE: z
    .string()
    .regex(/^[\w .-]{1,16}$/, { error: 'must have 1 to 16 letters, digits, spaces, dots or dashes' })
    .default('TAKTIK'),
  TAKTIK_WORKLIST: z.string().optional(),
  TAKTIK_MPPS: z.string().optional(),
  TAKTIK_METRICS_PORT: whole(0, 65_535, 0),
  TAKTIK_METRICS_HOST: z.string().default('127.0.0.1'),
  TAKTIK_ORDER_SECONDS: number(0, 86_400, 0),
});

export type Settings = {
  port: number;
  host: string;
  logLevel: (typeof LOG_LEVELS)[number];
  dataFolder: string;
  databaseUrl: string;
  /** The file of the database; null where it is on a server of its own. */
  databaseFile: string | null;
  migrations: string;
  web: string;
  /** Asked for by name, never taken for granted: the demo's PINs are known to everybody. */
  demo: boolean;
  /** The built thread that computes, and how many of it. */
  computingFile: string;
  computingThreads: number;
  requestsPerMinute: number;
  /** Proxies in front whose word on address and https is believed. */
  trustedProxies: number;
  /** The secret beside the PINs; to be kept apart from the backups. */
  secretFile: string;
  backups: string;
  /** Between two of them; 0 for none. */
  backupHours: number;
  backupsKept: number;
  hl7: { port: number; host: string } | null;
  metrics: { port: number; host: string } | null;
  worklist: ReturnType<typeof worklistAddress>;
  peers: Peers;
  /** Between two orders of the stand-in for the order system; 0 for none. */
  orderSeconds: number;
};

const DEMO_ORDER_SECONDS = 180;

/** Some settings cannot be read: each with its name and what it should be. */
export class WrongSettings extends Error {}

/** @param here folder of the server's own files. @throws WrongSettings */
export function settingsFrom(environment: Readonly<Record<string, string | undefined>>, here: string): Settings {
  // What is set to nothing is not set.
  const given = Object.fromEntries(
    Object.entries(environment).filter(([, value]) => value !== undefined && value !== ''),
  );
  const read = environmentSchema.safeParse(given);
  const wrong = read.success ? [] : read.error.issues.map((issue) => `${issue.path.join('.')} ${issue.message}`);
  const address = <T>(name: string, like: string, parse: (text: string) => T | null): T | null => {
    const text = given[name];
    if (text === undefined) return null;
    const found = parse(text);
    if (found === null) wrong.push(`${name} must be like ${like}, not “${text}”`);
    return found;
  };
  const callingAe = given.TAKTIK_AE_TITLE ?? 'TAKTIK';
  const dicom = (name: string) => address(name, 'NAME@host:104', (text) => worklistAddress(text, callingAe));
  const [worklist, steps] = [dicom('TAKTIK_WORKLIST'), dicom('TAKTIK_MPPS')];
  const results = address('TAKTIK_HL7_RESULTS', 'host:2575', hl7Address);
  if (!read.success || wrong.length > 0) throw new WrongSettings(wrong.join('\n'));
  const env = read.data;
  const dataFolder = path.resolve(env.TAKTIK_DATA ?? path.join(here, '../../../.data'));
  const databaseUrl = env.TAKTIK_DATABASE_URL ?? `file:${path.join(dataFolder, 'taktik.db')}`;
  const demo = env.TAKTIK_SEED === 'demo';
  return {
    port: env.PORT,
    host: env.HOST,
    logLevel: env.LOG_LEVEL,
    dataFolder,
    databaseUrl,
    databaseFile: databaseUrl.startsWith('file:') ? path.resolve(databaseUrl.slice('file:'.length)) : null,
    migrations: path.resolve(env.TAKTIK_MIGRATIONS ?? path.join(here, 'db/migrations')),
    web: path.resolve(env.TAKTIK_WEB ?? path.join(here, '../../web/dist')),
    demo,
    computingFile: path.join(here, 'thread.mjs'),
    computingThreads: env.TAKTIK_THREADS,
    requestsPerMinute: env.TAKTIK_REQUESTS_PER_MINUTE,
    trustedProxies: env.TAKTIK_TRUST_PROXY,
    secretFile: path.resolve(env.TAKTIK_SECRET_FILE ?? path.join(dataFolder, 'secret.key')),
    backups: path.resolve(env.TAKTIK_BACKUPS ?? path.join(dataFolder, 'backups')),
    // The demo is made anew from its folder: nothing of it is worth keeping unless somebody says so.
    backupHours: demo && given.TAKTIK_BACKUP_HOURS === undefined ? 0 : env.TAKTIK_BACKUP_HOURS,
    backupsKept: env.TAKTIK_BACKUPS_KEPT,
    hl7: env.TAKTIK_HL7_PORT > 0 ? { port: env.TAKTIK_HL7_PORT, host: env.TAKTIK_HL7_HOST } : null,
    metrics: env.TAKTIK_METRICS_PORT > 0 ? { port: env.TAKTIK_METRICS_PORT, host: env.TAKTIK_METRICS_HOST } : null,
    worklist,
    peers: { steps, results },
    orderSeconds: demo && given.TAKTIK_ORDER_SECONDS === undefined ? DEMO_ORDER_SECONDS : env.TAKTIK_ORDER_SECONDS,
  };
}
