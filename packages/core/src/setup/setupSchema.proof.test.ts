/** The published form of a set-up: what is computed has it, for every entry; what was kept by earlier versions gets it. */
import { findOtherWays } from '../adapt/findOtherWays';
import { projections } from '../projections/catalogue';
import { changesBetween } from '../series/changesBetween';
import { breathSequence } from '../exam/breathing';
import { exportRecordedBody } from '../interchange/bodyDocument';
import { computeSetup } from './computeSetup';
import { markerPositions } from './collimation/markerPlace';
import { requestOfToday, setupOfToday } from './migrations';
import type { SetupRequest } from './request';
import { setupSchema } from './setupSchema';
import kept from './version1.fixture.json';

/** As it is sent and kept. */
const sent = <T>(value: T): unknown => JSON.parse(JSON.stringify(value));

describe('the published form', () => {
  test.each(projections.map((entry) => [entry.id, entry] as const))('%s', (projectionId, { sided }) => {
    const side = sided === 'each' ? ('left' as const) : undefined;
    for (const situation of [{}, { fractureSuspected: true, worn: ['splint' as const] }, { canStand: false }]) {
      const setup = computeSetup({ projectionId, side, patient: { ageYears: 40, sex: 'female' }, situation });
      const read = setupSchema.safeParse(sent(setup));
      expect([projectionId, read.error?.issues ?? []]).toEqual([projectionId, []]);
      expect(read.data).toEqual(sent(setup));
    }
  });
  test('of found ways too', () => {
    const ways = findOtherWays({ projectionId: 'knee-lateral', side: 'right', situation: { canStand: false } });
    expect(ways.length).toBeGreaterThan(2);
    for (const { setup } of ways) expect(setupSchema.safeParse(sent(setup)).error).toBeUndefined();
  });
});

describe('set-ups that version 1 kept', () => {
  const today = kept.map((stored) => setupOfToday(stored));
  test('have the form of today, and tell what they told', () => {
    expect(kept).toHaveLength(3);
    for (const [i, setup] of today.entries()) {
      expect([setup.projectionId, setupSchema.safeParse(sent(setup)).error?.issues]).toEqual([
        setup.projectionId,
        undefined,
      ]);
      const { steps, cautions, field, exposure, protection, prepare } = kept[i];
      expect(setup).toMatchObject({ steps, cautions, field, exposure });
      expect(setup.protection.map(({ text }) => text)).toEqual(protection);
      expect([...setup.prepare, ...setup.aids].sort()).toEqual([...prepare].sort());
    }
  });
  test('what was a line is a number: the block under the foot', () => {
    const [foot] = today;
    const now = computeSetup({ projectionId: 'foot-lateral-weight-bearing', side: 'left', patient: { ageYears: 30 } });
    expect(foot.position.supports).toEqual([{ kind: 'block', mm: expect.any(Number) }]);
    // Told to a quarter of an inch.
    expect(Math.abs(foot.position.supports[0].mm - now.position.supports[0].mm)).toBeLessThan(4);
  });
  test('can be worked with as those of today: changes, breath, marker, body', () => {
    expect(changesBetween(today[1], today[0]).length).toBeGreaterThan(3);
    expect(breathSequence(today[2]).map(({ phrase }) => phrase)).toEqual(['in', 'out', 'deep', 'hold', 'normal']);
    // The oldest knew one letter and no place.
    expect(markerPositions(today[2])).toHaveLength(1);
    expect(exportRecordedBody(today[2]).state.rest).toBe('standing');
    expect(today[2].dose.spread).toBeGreaterThan(0);
  });
  test('one of today is given back as it is; of a later version, or no set-up, it says so', () => {
    const now = computeSetup({ projectionId: 'chest-pa' });
    expect(setupOfToday(now)).toBe(now);
    expect(() => setupOfToday({ ...now, version: 3 })).toThrow(
      /kept by a later version .* reads up to 2\): update the program; the record stays/,
    );
    for (const other of [null, 'x', {}, []]) expect(() => setupOfToday(other)).toThrow(/no set-up that can be read/);
  });
  test('a kept request with an own entry of version 1 can be computed again', () => {
    const { id: _, ...entry } = projections[0];
    const own = {
      ...entry,
      id: 'own-1',
      signs: undefined,
      breathing: { words: 'Breathe in. Hold it.', moment: 'then' },
    };
    const request = requestOfToday({ projectionId: 'own-1', own: own as never } as SetupRequest);
    expect(computeSetup(request)).toMatchObject({ breathing: { phase: 'in' }, signs: entry.signs });
  });
});
