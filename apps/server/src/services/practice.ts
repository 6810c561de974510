/** Exercises of a person, scored here by the same rules as on the device, and the competence of students. */
import { and, desc, eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { projectionOf, ROOM_ONE, type Room } from '@taktik/core';
import {
  PASSED_FROM,
  patientTypeOf,
  remember,
  scenarioOf,
  scoreExercise,
  type PatientType,
  type Practised,
  type Score,
} from '@taktik/core/exercise';
import type { Competence, NewPractice, Person, SignOff } from '@taktik/contracts';
import { notFound, Refusal } from './refusal';
import type { Store } from '../db/database';
import { exposures, people, practice, rooms, signOffs } from '../db/schema';
import { note } from './audit';
import { trueTime } from './times';

/** So long after the right answers were shown a try at the same exercise is practice, and not counted [house]. */
const SHOWN_MS = 12 * 3_600_000;

const refused = (field: string, message: string): Refusal =>
  new Refusal('not accepted', 'Not recorded', `Nothing was changed. ${message}`, [{ field, message }]);

/** The room in which it was practised; the first demo room where it is not known any more. */
async function roomOf({ db }: Store, id: string | undefined): Promise<Room> {
  if (id === undefined) return ROOM_ONE;
  const [row] = await db.select().from(rooms).where(eq(rooms.id, id));
  return row?.room ?? ROOM_ONE;
}

/** @throws Refusal 403 for another person's, 422 for an answer that does not belong to the exercise, 409 for the id of somebody else's */
export async function recordPractice(
  store: Store,
  person: Person,
  { id, personId, scenarioId, roomId, answer, seconds, at: reportedAt, sentAt }: NewPractice,
  now: number,
): Promise<Score & { id: string }> {
  const { at } = trueTime(reportedAt, sentAt, now, 'at');
  if (personId !== person.id)
    throw new Refusal(
      'not allowed',
      'Not yours',
      `This exercise was done by somebody else; ${person.name} is signed in. Nothing was recorded.`,
    );
  const room = await roomOf(store, roomId);
  const score = scored(scenarioId, answer, room);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [known] = await tx.select().from(practice).where(eq(practice.id, id));
      if (known) {
        if (known.personId !== person.id)
          throw new Refusal('conflict', 'Conflict', `"${id}" is the exercise of another person.`);
        return;
      }
      const [before] = await tx
        .select({ memory: practice.memory, at: practice.at })
        .from(practice)
        .where(and(eq(practice.personId, person.id), eq(practice.scenarioId, scenarioId)))
        .orderBy(desc(practice.at))
        .limit(1);
      await tx.insert(practice).values({
        id,
        personId: person.id,
        scenarioId,
        answer,
        share: score.share,
        seconds,
        at,
        // A try right after the answers were shown says nothing of what is remembered.
        memory: before && at - before.at < SHOWN_MS ? before.memory : remember(before?.memory ?? null, score.share, at),
      });
    }),
  );
  return { id, ...score };
}

function scored(scenarioId: string, answer: NewPractice['answer'], room: Room): Score {
  try {
    return scoreExercise(scenarioOf(scenarioId), answer, room);
  } catch (error) {
    if (error instanceof RangeError) throw refused('answer', error.message);
    throw error;
  }
}

/** The last try at each exercise of a person. */
export async function practised(
  { db }: Store,
  personId: string,
): Promise<(Practised & { at: number; tries: number })[]> {
  const rows = await db.select().from(practice).where(eq(practice.personId, personId)).orderBy(practice.at);
  const last = new Map<string, Practised & { at: number; tries: number }>();
  /** When the right answers of an exercise were shown last. */
  const shownAt = new Map<string, number>();
  for (const { scenarioId, share, memory, at } of rows) {
    const before = last.get(scenarioId);
    const tries = (before?.tries ?? 0) + 1;
    const shown = shownAt.get(scenarioId);
    shownAt.set(scenarioId, at);
    // Every check shows the right answers: what is done with them before one's eyes is not counted.
    if (before && shown !== undefined && at - shown < SHOWN_MS) last.set(scenarioId, { ...before, tries });
    else last.set(scenarioId, { scenarioId, share, memory, at, tries });
  }
  return [...last.values()];
}

async function personNamed({ db }: Store, id: string): Promise<typeof people.$inferSelect> {
  const [row] = await db.select().from(people).where(eq(people.id, id));
  if (!row) throw notFound('person', id);
  return row;
}

/** What a person has practised, exposed and had signed, by projection and type of patient. @throws Refusal 404 */
export async function competenceOf(store: Store, personId: string): Promise<Competence[]> {
  const { db } = store;
  const person = await personNamed(store, personId);
  const lines = new Map<string, Competence>();
  const lineFor = (projectionId: string, patientType: PatientType): Competence => {
    const key = `${projectionId} ${patientType}`;
    const known = lines.get(key);
    if (known) return known;
    const { name, region } = projectionOf(projectionId);
    const line: Competence = {
      projectionId,
      name,
      region,
      patientType,
      passed: 0,
      tried: 0,
      exposures: 0,
      lastAt: 0,
      signedBy: null,
      signedAt: null,
    };
    lines.set(key, line);
    return line;
  };
  for (const { scenarioId, share, at } of await practised(store, personId)) {
    const { of } = scenarioOf(scenarioId);
    const line = lineFor(of.projectionId, patientTypeOf(of));
    line.tried += 1;
    line.passed += share >= PASSED_FROM ? 1 : 0;
    line.lastAt = Math.max(line.lastAt, at);
  }
  const made = await db
    .select({ request: exposures.request, at: exposures.exposedAt })
    .from(exposures)
    .where(and(eq(exposures.performedBy, person.name), eq(exposures.verdict, 'accepted')));
  for (const { request, at } of made) {
    // An entry of the department's own has no line among the common ones.
    if (request.own) continue;
    const line = lineFor(request.projectionId, patientTypeOf(request));
    line.exposures += 1;
    line.lastAt = Math.max(line.lastAt, at);
  }
  for (const { projectionId, patientType, signedBy, signedAt } of await db
    .select()
    .from(signOffs)
    .where(eq(signOffs.studentId, personId)))
    Object.assign(lineFor(projectionId, patientType), { signedBy, signedAt });
  return [...lines.values()].sort(
    (a, b) =>
      a.region.localeCompare(b.region) || a.name.localeCompare(b.name) || a.patientType.localeCompare(b.patientType),
  );
}

/**
 * Signs a line for a student, or takes the signature back.
 * @throws Refusal 404, or 422 for somebody who is no student
 */
export async function signOff(
  store: Store,
  studentId: string,
  { projectionId, patientType, signed }: SignOff,
  by: Person,
  now: number,
): Promise<Competence[]> {
  const student = await personNamed(store, studentId);
  if (student.role !== 'student') throw refused('id', `${student.name} is no student: there is nothing to sign`);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const same = and(
        eq(signOffs.studentId, studentId),
        eq(signOffs.projectionId, projectionId),
        eq(signOffs.patientType, patientType),
      );
      await tx.delete(signOffs).where(same);
      if (signed)
        await tx.insert(signOffs).values({ studentId, projectionId, patientType, signedBy: by.name, signedAt: now });
      await note(tx, {
        at: now,
        person: by.name,
        action: signed ? 'competence signed' : 'signature taken back',
        subject: `person:${studentId}`,
        detail: { projectionId, patientType },
      });
    }),
  );
  return competenceOf(store, studentId);
}

const dayOf = (at: number | null): string => (at ? new Date(at).toISOString().slice(0, 10) : '');

/** Competence as CSV. */
export async function competenceTable(store: Store, personId: string): Promise<string> {
  const { name } = await personNamed(store, personId);
  return Papa.unparse(
    (await competenceOf(store, personId)).map((line) => ({
      person: name,
      region: line.region,
      projection: line.name,
      patient: line.patientType,
      'exercises passed': line.passed,
      'exercises tried': line.tried,
      'exposures accepted': line.exposures,
      last: dayOf(line.lastAt),
      'signed by': line.signedBy ?? '',
      signed: dayOf(line.signedAt),
    })),
    { escapeFormulae: true },
  );
}
