/** The pool as it ships: threads of the built file. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { computeSetup, exams, ORDER_COLUMNS, withDefaults, type SetupRequest } from '@taktik/core';
import { readOrders, type OrdersAsked } from '../services/readOrders';
import { computingHere, computingInThreads, type Computing } from './computing';

const root = path.resolve(__dirname, '../../../..');
// Below the packages that a thread reads.
const cache = path.join(root, 'node_modules/.cache');
mkdirSync(cache, { recursive: true });
const folder = mkdtempSync(path.join(cache, 'taktik-threads-'));
const built = path.join(folder, 'thread.mjs');
const request: SetupRequest = { projectionId: 'chest-pa', patient: { ageYears: 30 } };
let computing: Computing;

beforeAll(() => {
  execFileSync(
    process.execPath,
    [
      '--input-type=module',
      '-e',
      `const { bundleServer } = await import(${JSON.stringify(path.join(root, 'tools/build.mjs'))}); await bundleServer('compute/thread.ts', ${JSON.stringify(built)});`,
    ],
    { cwd: root },
  );
  computing = computingInThreads(built, { threads: 2 });
});
afterAll(async () => {
  await computing.close();
  rmSync(folder, { recursive: true });
});

test('a thread answers what this one would, as value and as text', async () => {
  const here = computeSetup(request);
  expect(JSON.stringify(await computing.run('setup', request))).toBe(JSON.stringify(here));
  expect(await computing.text('setup', request)).toBe(JSON.stringify(here));
  expect(await computingHere.text('setup', request)).toBe(JSON.stringify(here));
});

test('every task gives what it gives here', async () => {
  const asked = {
    verdict: request,
    ways: { ...request, situation: { place: 'bedside' } },
    plan: { items: [{ projectionId: 'knee-ap', side: 'left' }], patient: request.patient },
    exposure: { id: 'a', request },
  } as const;
  for (const task of ['verdict', 'ways', 'plan', 'exposure'] as const)
    expect(await computing.text(task, asked[task])).toBe(await computingHere.text(task, asked[task]));
});

/** A night's orders as a table. */
const night = (count: number): OrdersAsked => {
  const row = (i: number) =>
    ORDER_COLUMNS.map((column) => {
      switch (column) {
        case 'reference':
          return `N-${i}`;
        case 'initials':
          return 'AB';
        case 'exam':
          return ['Ankle 3 views left', 'Chest PA and lateral', 'Right shoulder Y view', 'Lumbar spine complete'][
            i % 4
          ]!;
        case 'reason':
          return 'fall';
        case 'ward':
          return 'A1';
        default:
          return '';
      }
    }).join(',');
  const text = [ORDER_COLUMNS.join(','), ...Array.from({ length: count }, (_, i) => row(i))].join('\n');
  return { message: { kind: 'table', text }, today: '2026-03-02', exams, rules: withDefaults() };
};

test('five hundred orders are read and planned without a pause for who asks here', async () => {
  const asked = night(500);
  let longestMs = 0;
  let over = false;
  const reading = computing.run('orders', asked).finally(() => (over = true));
  for (let since = performance.now(); !over; since = performance.now()) {
    await new Promise((resolve) => setImmediate(resolve));
    longestMs = Math.max(longestMs, performance.now() - since);
  }
  const read = await reading;
  expect([read.found, read.orders.length, read.faults]).toEqual([500, 500, []]);
  expect(read.orders.slice(0, 4).map(({ projections }) => projections.length)).toEqual([3, 2, 1, 5]);
  const here = performance.now();
  expect(readOrders(asked)).toEqual(read);
  expect(longestMs).toBeLessThan((performance.now() - here) / 2);
});

test('what is refused is refused in the same words', async () => {
  const wrong = { projectionId: 'no-such-view' };
  const reasonOf = (from: Computing) =>
    from.run('setup', wrong).then(
      () => null,
      (error: unknown) => error,
    );
  const here = (await reasonOf(computingHere)) as RangeError;
  expect(here).toBeInstanceOf(RangeError);
  expect(await reasonOf(computing)).toEqual(here);
});

test('a long question leaves this thread free', async () => {
  let over = false;
  const asked = Promise.all(
    Array.from({ length: 40 }, (_, i) =>
      computing.text('ways', { projectionId: 'knee-lateral', side: 'left', patient: { ageYears: 20 + i } }),
    ),
  ).then(() => (over = true));
  let turns = 0;
  while (!over) {
    await new Promise((resolve) => setImmediate(resolve));
    turns += 1;
  }
  await asked;
  // Computed here it would have turned at most once for each question.
  expect(turns).toBeGreaterThan(400);
});

test('who came first is answered first, however many keep asking', async () => {
  const one = computingInThreads(built, { threads: 1 });
  const answered: number[] = [];
  let next = 0;
  const asker = async () => {
    while (next < 60) {
      const mine = next;
      next += 1;
      await one.text('setup', { ...request, patient: { ageYears: 20 + mine } });
      answered.push(mine);
    }
  };
  await Promise.all(Array.from({ length: 20 }, asker));
  await one.close();
  expect(answered).toEqual(Array.from({ length: 60 }, (_, i) => i));
});

describe('bounds', () => {
  const slow = path.join(folder, 'slow.mjs');
  beforeAll(() => writeFileSync(slow, 'export default () => new Promise(() => setInterval(() => {}, 1000));'));

  test('more than may wait is turned away with when to ask again; the rest is not lost', async () => {
    const few = computingInThreads(slow, { threads: 1, mostWaiting: 2 });
    const asked = Array.from({ length: 5 }, () => few.text('setup', request));
    const outcome = Promise.allSettled(asked);
    await expect(asked[4]).rejects.toMatchObject({ kind: 'busy', retryAfter: 2 });
    await few.close();
    expect((await outcome).filter(({ status }) => status === 'fulfilled')).toEqual([]);
  });

  test('a thread that has gone astray is given up', async () => {
    const one = computingInThreads(slow, { threads: 1, longestMs: 300 });
    await expect(one.text('setup', request)).rejects.toMatchObject({
      kind: 'busy',
      detail: expect.stringMatching(/too long/),
    });
    await one.close();
  });
});
