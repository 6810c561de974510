import { projectionOf, projections } from '../projections/catalogue';
import { clockFaces, clockText, dueMinutes, needsContrast, NO_CLOCKS, timingsOf } from './clocks';

const AT = Date.UTC(2026, 11, 1, 9);
const MIN = 60_000;
const plan = (...ids: string[]) => ids.map((id) => projectionOf(id));

test('minutes on the side run from when the patient lies, and go below nothing once it is time', () => {
  const entries = plan('chest-pa', 'chest-decubitus-ap');
  const begun = { settle: { 1: AT }, contrastAt: null };
  const minutes = entries[1]!.settleMinutes!;
  const [face] = clockFaces(entries, begun, new Set(), AT + 2 * MIN);
  expect(face).toEqual({ key: 'settle-1', kind: 'settle', place: 1, sinceMs: 2 * MIN, leftMs: (minutes - 2) * MIN });
  expect(clockFaces(entries, begun, new Set(), AT + 7 * MIN)[0]!.leftMs).toBe((minutes - 7) * MIN);
  expect(clockFaces(entries, begun, new Set([1]), AT)).toEqual([]);
  expect(clockFaces(entries, NO_CLOCKS, new Set(), AT)).toEqual([]);
});

test('pictures of a small bowel fall due one after the other, the same view again being the next', () => {
  const entries = plan('small-bowel-pa', 'small-bowel-pa', 'small-bowel-pa');
  const begun = { settle: {}, contrastAt: AT };
  const due = (exposed: number[], minute: number) => {
    const [face] = clockFaces(entries, begun, new Set(exposed), AT + minute * MIN);
    return [face!.place, face!.leftMs! / MIN];
  };
  expect(due([], 10)).toEqual([0, 5]);
  expect(due([0], 16)).toEqual([1, 14]);
  expect(due([0, 1], 55)).toEqual([2, 5]);
  expect(clockFaces(entries, begun, new Set([0, 1, 2]), AT)).toMatchObject([{ place: null, leftMs: null }]);
  expect(dueMinutes({ at: [15, 30], thenEvery: 30 }, 4)).toBe(120);
  expect(dueMinutes({ at: [5] }, 1)).toBeNull();
});

test('the record is told what was planned and what it was', () => {
  const entries = plan('small-bowel-pa', 'chest-decubitus-ap', 'hand-pa');
  const begun = { settle: { 1: AT + MIN }, contrastAt: AT };
  expect(timingsOf(entries, 0, begun, AT + 16 * MIN)).toEqual({ contrast: { plannedMinutes: 15, seconds: 960 } });
  expect(timingsOf(entries, 1, begun, AT + 4 * MIN)).toEqual({ settle: { plannedMinutes: 5, seconds: 180 } });
  expect(timingsOf(entries, 2, begun, AT + 4 * MIN)).toBeUndefined();
});

test('whoever looks for gas or fluid waits; what is timed after contrast has contrast', () => {
  let timed = 0;
  for (const entry of projections) {
    if (entry.contrastMinutes) expect([entry.id, needsContrast(entry)]).toEqual([entry.id, true]);
    if (entry.settleMinutes !== undefined) expect([entry.id, entry.showsLevels]).toEqual([entry.id, true]);
    if (entry.settleMinutes !== undefined || entry.contrastMinutes) timed += 1;
  }
  expect(timed).toBeGreaterThanOrEqual(7);
});

test.each([
  [0, '0:00'],
  [61_000, '1:01'],
  [-5_400, '0:05'],
  [3_723_000, '1:02:03'],
])('%d ms is %s', (ms, text) => expect(clockText(ms)).toBe(text));
