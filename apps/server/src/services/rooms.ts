/** Rooms and house rules of this department. */
import { asc, eq, sql } from 'drizzle-orm';
import Papa from 'papaparse';
import {
  changeRoom,
  CHART_COLUMNS,
  chartFromTable,
  chartToTable,
  exportRoom,
  importRoom,
  oddChartRows,
  withDefaults,
  type ChartRow,
  type HouseRules,
  type Room,
  type RoomChange,
  type RoomDocument,
  type RuleId,
} from '@taktik/core';
import { z } from 'zod';
import { invalid, notFound, Refusal, type FieldProblem } from './refusal';
import type { Store } from '../db/database';
import { rooms, settings } from '../db/schema';
import { note } from './audit';
import { HOUSE, mustBeVersion } from './versions';

export async function listRooms({ db }: Store): Promise<Room[]> {
  const rows = await db.select().from(rooms).orderBy(asc(rooms.position));
  return rows.map(({ room }) => room);
}

/** @throws Refusal 404 */
export async function getRoom({ db }: Store, id: string): Promise<Room> {
  const [row] = await db.select().from(rooms).where(eq(rooms.id, id));
  if (!row) throw notFound('room', id);
  return row.room;
}

const refused = (fields: FieldProblem[]): Refusal =>
  new Refusal(
    'not accepted',
    'Room not changed',
    `Nothing was changed. ${fields
      .slice(0, 20)
      .map(({ field, message }) => `${field}: ${message}`)
      .join('; ')}`.slice(0, 2000),
    fields.slice(0, 100),
  );

/** Only what is named changes. @throws Refusal 404, 422 */
export async function patchRoom(
  store: Store,
  id: string,
  change: RoomChange,
  by: string,
  now: number,
  expected?: number,
): Promise<Room> {
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [row] = await tx.select().from(rooms).where(eq(rooms.id, id));
      if (!row) throw notFound('room', id);
      mustBeVersion(row.room.name, expected, row.version, row.changedBy);
      const room = changed(row.room, change);
      if (change.generator?.chart) refuseOddRows(change.generator.chart, row.room.generator.chart ?? [], room);
      await tx
        .update(rooms)
        .set({ room, version: row.version + 1, changedBy: by })
        .where(eq(rooms.id, id));
      await note(tx, { at: now, person: by, action: 'room changed', subject: `room:${id}`, detail: change });
    }),
  );
  return getRoom(store, id);
}

/** Rows that are new and cannot be right. @throws Refusal 422 */
function refuseOddRows(rows: readonly ChartRow[], before: readonly ChartRow[], room: Room): void {
  const known = new Set(before.map((row) => JSON.stringify(row)));
  const odd = oddChartRows(rows, room).filter(({ row }) => !known.has(JSON.stringify(rows[row])));
  if (odd.length > 0) throw refused(odd.map(({ row, message }) => ({ field: `row ${row + 1}`, message })));
}

function changed(room: Room, change: RoomChange): Room {
  try {
    return changeRoom(room, change);
  } catch (error) {
    if (error instanceof z.ZodError) throw invalid(error);
    if (error instanceof RangeError) throw refused([{ field: 'holders', message: error.message }]);
    throw error;
  }
}

export const exportedRoom = async (store: Store, id: string): Promise<RoomDocument> =>
  exportRoom(await getRoom(store, id));

/** Takes a whole room, new or in place of the one with its id. @throws Refusal 422 with every fault */
export async function takeRoom(store: Store, document: unknown, by: string, now: number): Promise<Room> {
  const read = importRoom(document);
  if ('faults' in read) throw refused(read.faults);
  const { room } = read;
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const known = await tx.select({ position: rooms.position }).from(rooms).orderBy(asc(rooms.position));
      if (known.length >= MOST_ROOMS) throw refused([{ field: 'room', message: `At most ${MOST_ROOMS} rooms` }]);
      const position = (known.at(-1)?.position ?? -1) + 1;
      await tx
        .insert(rooms)
        .values({ id: room.id, room, position })
        .onConflictDoUpdate({
          target: rooms.id,
          set: { room, version: sql`${rooms.version} + 1`, changedBy: by },
        });
      await note(tx, { at: now, person: by, action: 'room taken in', subject: `room:${room.id}`, detail: {} });
    }),
  );
  return getRoom(store, room.id);
}

/** A department has tens of rooms. */
const MOST_ROOMS = 200;

/** The chart of a room as a table. @throws Refusal 404 */
export async function chartTable(store: Store, id: string): Promise<string> {
  const { generator } = await getRoom(store, id);
  return Papa.unparse({
    fields: [...CHART_COLUMNS],
    data: chartToTable(generator.chart ?? []).map((row) => CHART_COLUMNS.map((column) => row[column])),
  });
}

/** Takes a technique chart as a table in place of the room's. @throws Refusal 404, 422 with a line for every fault */
export async function takeChart(store: Store, id: string, text: string, by: string, now: number): Promise<Room> {
  const read = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  const rows = read.data.map((cells, i) => ({ line: i + 2, cells }));
  const taken = chartFromTable(read.meta.fields ?? [], rows);
  if ('faults' in taken)
    throw refused(taken.faults.map(({ line, field, message }) => ({ field: `line ${line}, ${field}`, message })));
  if (taken.chart.length === 0)
    throw refused([{ field: 'line 1', message: 'There is no row in the table; the chart stays as it is' }]);
  const odd = oddChartRows(taken.chart, await getRoom(store, id));
  if (odd.length > 0)
    throw refused(
      odd.map(({ row, field, message }) => ({ field: `line ${rows[row]?.line ?? row + 2}, ${field}`, message })),
    );
  return patchRoom(store, id, { generator: { chart: taken.chart } }, by, now);
}

/** Rules with the shipped ones for what was not chosen. */
export const withRules = (rules: Partial<Record<string, string | number>>): HouseRules =>
  withDefaults(rules as Partial<Record<RuleId, string>>);

export async function getRules({ db }: Store): Promise<HouseRules> {
  const [row] = await db.select().from(settings).where(eq(settings.id, HOUSE));
  return withDefaults(row?.rules);
}

/** The rules in force, with their version. */
export async function rulesInForce({ db }: Store): Promise<{ rules: HouseRules; version: number }> {
  const [row] = await db.select().from(settings).where(eq(settings.id, HOUSE));
  return { rules: withDefaults(row?.rules), version: row?.version ?? 0 };
}

/** Replaces all rules. @param expected the version that was changed. @throws Refusal 409 where it is another by now */
export async function putRules(
  store: Store,
  rules: Partial<Record<RuleId, string | number>>,
  by: string,
  now: number,
  expected?: number,
): Promise<HouseRules> {
  const value = withDefaults(rules);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [row] = await tx.select().from(settings).where(eq(settings.id, HOUSE));
      mustBeVersion('the house rules', expected, row?.version ?? 0, row?.changedBy ?? null);
      const before = withDefaults(row?.rules);
      const changed = Object.fromEntries(
        Object.entries(value).filter(([rule, choice]) => before[rule as RuleId] !== choice),
      );
      await writeRules(tx, value, by, row?.version ?? 0);
      await note(tx, { at: now, person: by, action: 'house rules changed', subject: 'rules', detail: changed });
    }),
  );
  return getRules(store);
}

/** @param version of the rules that are replaced */
export async function writeRules(
  tx: Pick<Store['db'], 'insert'>,
  rules: HouseRules,
  by: string,
  version: number,
): Promise<void> {
  const set = { rules, version: version + 1, changedBy: by };
  await tx
    .insert(settings)
    .values({ id: HOUSE, ...set })
    .onConflictDoUpdate({ target: settings.id, set });
}
