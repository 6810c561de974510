/** What a first start makes: the demo whole and once, or a department of its own with one lead. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { demoRooms, hasProjection, orderedExam, projectionOf } from '@taktik/core';
import { openStore, type Store } from '../db/database';
import { exams, exposures, orders, patients, people, rooms } from '../db/schema';
import { signIn } from '../services/people';
import { competenceOf, practised } from '../services/practice';
import { CLOCK, discard } from '../testing/testServer';
import { firstStart } from './firstStart';
import { DEMO_ORDERS, DEMO_PEOPLE, STAFF } from './scenario';
import { seedDemo } from './seedDemo';
import { seedHistory } from './seedHistory';
import { seedPractice } from './seedPractice';

const DAY_MS = 86_400_000;
let folder: string;
let store: Store;
beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'taktik-seed-'));
  store = await openStore(`file:${path.join(folder, 'test.db')}`, path.resolve(__dirname, '../db/migrations'));
});
afterEach(async () => {
  await store.close();
  discard(folder);
});

describe('the scenario', () => {
  test('every order plans what there is, with a side where one is needed, in a room that there is', () => {
    const known = new Set(demoRooms.map(({ id }) => id));
    expect(DEMO_ORDERS.length).toBeGreaterThanOrEqual(10);
    for (const { id, projections, side, roomId } of DEMO_ORDERS) {
      expect([id, known.has(roomId)]).toEqual([id, true]);
      for (const planned of projections) {
        expect([id, hasProjection(planned.projectionId)]).toEqual([id, true]);
        const sided = projectionOf(planned.projectionId).sided === 'each';
        if (sided) expect([id, planned.side ?? side]).toEqual([id, expect.stringMatching(/^(left|right)$/)]);
      }
    }
  });
  test('every order is an exam that the words of an order are read as', () => {
    for (const { id, exam } of DEMO_ORDERS) expect([id, orderedExam(exam) !== null]).toEqual([id, true]);
  });
  test('nobody is named but by initials, and no two orders are one', () => {
    for (const { initials } of DEMO_ORDERS) expect(initials).toMatch(/^[A-Z]{2}$/);
    expect(new Set(DEMO_ORDERS.map(({ id }) => id)).size).toBe(DEMO_ORDERS.length);
    expect(new Set(DEMO_PEOPLE.map(({ pin }) => pin)).size).toBe(DEMO_PEOPLE.length);
  });
});

describe('the demo', () => {
  test('is there whole after a first start, and not twice after a second', async () => {
    for (let start = 0; start < 2; start += 1) await seedDemo(store, CLOCK + start);
    const [waiting, known, staff, here] = await Promise.all([
      store.db.select().from(orders),
      store.db.select().from(patients),
      store.db.select().from(people),
      store.db.select().from(rooms),
    ]);
    expect(waiting.map(({ id }) => id).sort()).toEqual(DEMO_ORDERS.map(({ id }) => id).sort());
    expect(known.length).toBe(DEMO_ORDERS.length);
    expect(staff.map(({ name }) => name).sort()).toEqual([...STAFF].sort());
    expect(here.map(({ id }) => id).sort()).toEqual(demoRooms.map(({ id }) => id).sort());
    for (const { orderedAt, state } of waiting) {
      expect(orderedAt).toBeLessThanOrEqual(CLOCK);
      expect(state).toBe('waiting');
    }
  });
  test('leaves alone what a person has changed', async () => {
    await seedDemo(store, CLOCK);
    await store.db.update(orders).set({ state: 'finished' });
    await seedDemo(store, CLOCK + DAY_MS);
    const after = await store.db.select().from(orders);
    expect(after.length).toBe(DEMO_ORDERS.length);
    expect(after.every(({ state }) => state === 'finished')).toBe(true);
  });
  test('each of its people signs in with the PIN that the screen tells', async () => {
    await seedDemo(store, CLOCK);
    for (const { id, pin, name } of DEMO_PEOPLE)
      expect((await signIn(store, { personId: id, pin }, CLOCK)).person).toMatchObject({ id, name });
  });
});

describe('its past', () => {
  test('lies behind, within weeks, by its own people, with an index to each dose', async () => {
    await seedDemo(store, CLOCK);
    await seedHistory(store, CLOCK);
    const [done, taken] = await Promise.all([store.db.select().from(exams), store.db.select().from(exposures)]);
    expect(done.length).toBeGreaterThan(20);
    expect(taken.length).toBeGreaterThan(done.length);
    for (const { exposedAt, performedBy, exposureIndex } of taken) {
      expect(exposedAt).toBeLessThan(CLOCK);
      expect(exposedAt).toBeGreaterThan(CLOCK - 30 * DAY_MS);
      expect(STAFF).toContain(performedBy);
      expect(exposureIndex).toBeGreaterThan(0);
    }
    // Again is not twice as much.
    await seedHistory(store, CLOCK);
    expect((await store.db.select().from(exposures)).length).toBe(taken.length);
  });
  test('of the student: some of it wrong, one line signed by a lead', async () => {
    await seedDemo(store, CLOCK);
    await seedPractice(store, CLOCK);
    const student = DEMO_PEOPLE.find(({ role }) => role === 'student')!;
    const tried = await practised(store, student.id);
    expect(tried.length).toBeGreaterThan(5);
    expect(tried.some(({ share }) => share < 1)).toBe(true);
    expect(tried.some(({ share }) => share === 1)).toBe(true);
    const lines = await competenceOf(store, student.id);
    expect(lines.filter((line) => JSON.stringify(line).includes('Priya Windlow')).length).toBe(1);
  });
});

describe('a department’s own first start', () => {
  test('makes one lead with a PIN that opens, told once; nobody knows it beforehand', async () => {
    const first = await firstStart(store, CLOCK);
    expect(first).toMatchObject({ pin: expect.stringMatching(/^\d{8}$/) });
    const [lead, ...others] = await store.db.select().from(people);
    expect(others).toEqual([]);
    expect(lead).toMatchObject({ name: first!.name, role: 'lead', demoPin: null });
    expect(JSON.stringify(lead)).not.toContain(first!.pin);
    expect((await signIn(store, { personId: lead.id, pin: first!.pin }, CLOCK)).person.id).toBe(lead.id);
    expect(await firstStart(store, CLOCK)).toBeNull();
  });
  test('has rooms to be measured and no orders', async () => {
    await firstStart(store, CLOCK);
    expect((await store.db.select().from(rooms)).length).toBe(demoRooms.length);
    expect(await store.db.select().from(orders)).toEqual([]);
  });
  test('is none where the demo’s people are', async () => {
    await seedDemo(store, CLOCK);
    expect(await firstStart(store, CLOCK)).toBeNull();
  });
});
