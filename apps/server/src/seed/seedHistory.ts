/**
 * Three weeks of finished work for the record of the demo, so that its charts have something to show: invented patients,
 * real set-ups, readings of the detector's stand-in. In Room 2 they sink by a little every day, for somebody to find.
 */
import { computeSetup, demoRooms, projectionOf, type PatientInput, type Situation } from '@taktik/core';
import type { Store } from '../db/database';
import { exams, exposures, orders, patients } from '../db/schema';
import { inTurn } from '../inTurn';
import { readDetector } from '../standins/detector';
import { STAFF } from './scenario';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
const DAYS = 21;
/** DI a day in Room 2. */
const DRIFT_DI = 0.09;

type Case = {
  exam: string;
  projections: readonly string[];
  side: 'left' | 'right' | null;
  roomId: string;
  patient: PatientInput;
  situation?: Partial<Situation>;
};
const CASES: readonly Case[] = [
  {
    exam: 'Chest',
    projections: ['chest-pa', 'chest-lateral'],
    side: null,
    roomId: 'room-1',
    patient: { ageYears: 61, sex: 'male', statureMm: 1760, massKg: 82 },
  },
  {
    exam: 'Hand',
    projections: ['hand-pa', 'hand-oblique'],
    side: 'left',
    roomId: 'room-2',
    patient: { ageYears: 34, sex: 'female', statureMm: 1660, massKg: 61 },
  },
  {
    exam: 'Pelvis',
    projections: ['pelvis-ap'],
    side: null,
    roomId: 'room-2',
    patient: { ageYears: 79, sex: 'female', statureMm: 1590, massKg: 58 },
  },
  {
    exam: 'Knee',
    projections: ['knee-ap', 'knee-lateral'],
    side: 'right',
    roomId: 'room-1',
    patient: { ageYears: 45, sex: 'male', statureMm: 1810, massKg: 93 },
  },
  {
    exam: 'Chest, mobile',
    projections: ['chest-ap'],
    side: null,
    roomId: 'mobile-1',
    patient: { ageYears: 70, sex: 'female', statureMm: 1620, massKg: 67 },
    situation: { place: 'bedside', canStand: false, canSit: false },
  },
  {
    exam: 'Ankle',
    projections: ['ankle-ap', 'ankle-lateral'],
    side: 'left',
    roomId: 'room-2',
    patient: { ageYears: 12, sex: 'male', statureMm: 1500, massKg: 42 },
  },
  {
    exam: 'Lumbar spine',
    projections: ['lumbar-ap', 'lumbar-lateral'],
    side: null,
    roomId: 'room-1',
    patient: { ageYears: 52, sex: 'female', statureMm: 1680, massKg: 74 },
  },
];
const REPEAT_CAUSES = ['Clipped', 'Rotated', 'Angle or centring'] as const;
/** Every so many exposures one is repeated. */
const REPEAT_EVERY = 13;

/** Fills a record that holds nothing; leaves any other alone. */
export async function seedHistory(store: Store, now: number): Promise<void> {
  const [known] = await store.db.select({ id: exposures.id }).from(exposures).limit(1);
  if (known) return;
  let count = 0;
  const done = Array.from({ length: DAYS * 2 }, (_, i) => {
    const { projections, patient, situation, ...rest } = inTurn(CASES, i);
    // Never of today, whatever the hour.
    const daysAgo = DAYS + 1 - Math.floor(i / 2);
    const at = now - daysAgo * DAY_MS - (i % 2) * 95 * MINUTE_MS;
    const room = demoRooms.find(({ id }) => id === rest.roomId)!;
    const shots = projections.map((projectionId, k) => {
      const request = {
        projectionId,
        ...(rest.side && projectionOf(projectionId).sided === 'each' ? { side: rest.side } : {}),
        patient,
        situation: situation ?? {},
        room,
      };
      const setup = computeSetup(request);
      const id = `past-${i}-${k}`;
      const { exposureIndex, targetIndex } = readDetector(id, setup);
      const drift = rest.roomId === 'room-2' ? 10 ** ((-DRIFT_DI * (DAYS - daysAgo)) / 10) : 1;
      count += 1;
      const repeated = count % REPEAT_EVERY === 0;
      return {
        id,
        examId: `past-exam-${i}`,
        projectionId,
        side: setup.side,
        request,
        setup,
        exposureIndex: Math.max(1, Math.round(exposureIndex * drift)),
        targetIndex,
        performedBy: inTurn(STAFF, i),
        exposedAt: at + k * 2 * MINUTE_MS,
        recordedAt: at + k * 2 * MINUTE_MS,
        verdict: repeated ? ('repeat' as const) : ('accepted' as const),
        cause: repeated ? inTurn(REPEAT_CAUSES, count) : null,
      };
    });
    return { i, at, patient, situation: situation ?? {}, projections, shots, ...rest };
  });
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      for (const { i, at, patient, situation, projections, shots, exam, side, roomId } of done) {
        await tx.insert(patients).values({ id: `past-patient-${i}`, initials: initialsOf(i), body: patient });
        await tx.insert(orders).values({
          id: `past-order-${i}`,
          patientId: `past-patient-${i}`,
          exam,
          side,
          reason: 'Earlier work of the demo',
          urgency: 'routine',
          ward: 'Outpatients',
          roomId,
          projections: projections.map((projectionId) => ({ projectionId, ...(side ? { side } : {}) })),
          situation,
          orderedAt: at - 30 * MINUTE_MS,
          state: 'finished',
        });
        await tx.insert(exams).values({
          id: `past-exam-${i}`,
          orderId: `past-order-${i}`,
          performedBy: inTurn(STAFF, i),
          startedAt: at,
          finishedAt: at + 10 * MINUTE_MS,
        });
        await tx.insert(exposures).values(shots);
      }
    }),
  );
}

const LETTERS = 'ABCDEFGHJKLMNPRSTVW';
const initialsOf = (i: number): string =>
  LETTERS.charAt((i * 7) % LETTERS.length) + LETTERS.charAt((i * 11 + 3) % LETTERS.length);
