/** A neck that must stay: nothing that is told sets the head, over the whole catalogue, and the rest is still told. */
import { dot } from '../../geometry/vector';
import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import { askFor } from './keepHead';
import type { SetupRequest } from '../request';

const MOVED = /\b(chin|head|face)\b[^,:;]*\b(up|down|tuck|turned|tipped|tilted|bent|raised|stretched)|pupils level/i;
const stepTexts = (entry: (typeof projections)[number], situation: SetupRequest['situation']): string[] => {
  const side = entry.sided === 'none' ? undefined : 'left';
  const { steps, position, prepare, problems } = computeSetup({
    projectionId: entry.id,
    side,
    patient: { ageYears: 40, sex: 'female' },
    situation,
  });
  if (problems.some(({ code }) => ['forbidden', 'position-barred', 'kept-part'].includes(code))) return [];
  const hands = steps.filter(({ group }) => ['room', 'patient', 'position'].includes(group)).map(({ text }) => text);
  return [...hands, position.say, ...position.part, ...prepare].filter((text) => MOVED.test(text));
};

test.each<[string, SetupRequest['situation']]>([
  ['a spine that is not cleared', { spineNotCleared: true }],
  ['a collar', { worn: ['collar'] }],
  ['a neck to be kept still', { keepStill: ['neck'] }],
])('%s', (_, situation) => {
  const wrong = projections.flatMap((entry) => stepTexts(entry, situation).map((text) => `${entry.id}: ${text}`));
  expect(wrong).toEqual([]);
  // The same words are there for everybody else: else nothing would have been tried.
  expect(projections.filter((entry) => stepTexts(entry, {}).length > 0).length).toBeGreaterThan(15);
});

test('how a position is asked for, with the head and without', () => {
  const on = { headLine: { line: 'OML' as const, toReceptorDeg: 90 } };
  const positioning = { say: 'Lying on the back', head: 'chin tucked until the orbitomeatal line is square' };
  expect(askFor(positioning, on, false)).toBe('Lying on the back, chin tucked until the orbitomeatal line is square');
  expect(askFor(positioning, on, true)).toBe(
    'Lying on the back, head and neck as they lie: what the orbitomeatal line is off the perpendicular goes on the tube',
  );
  expect(askFor({ say: 'Lying on the back', head: 'chin up' }, {}, true)).toBe(
    'Lying on the back, head and neck as they lie',
  );
  expect(askFor({ say: 'Lying on the back' }, on, true)).toBe('Lying on the back');
});

test('what the head is off its line goes on the tube: the ray keeps its course in the head', () => {
  const inHead = (setup: ReturnType<typeof computeSetup>) =>
    setup.inPart.find(({ segment }) => segment === 'head')?.ray;
  let moved = 0;
  for (const entry of projections) {
    if (entry.region !== 'skull and face' || !entry.headLine || !['AP', 'PA'].includes(entry.ray.view)) continue;
    const asked = { projectionId: entry.id, side: entry.sided === 'none' ? undefined : ('left' as const) };
    for (const ageYears of [6, 40, 75]) {
      const usual = computeSetup({ ...asked, patient: { ageYears } });
      const kept = computeSetup({ ...asked, patient: { ageYears }, situation: { keepStill: ['neck'] } });
      if (!kept.feasible) continue;
      const [wanted, ray] = [inHead(usual), inHead(kept)];
      if (!wanted || !ray || kept.position.body !== usual.position.body) continue;
      const off = (Math.acos(Math.min(1, dot(wanted, ray))) * 180) / Math.PI;
      expect([entry.id, ageYears, off < 1.5]).toEqual([entry.id, ageYears, true]);
      const neck = Object.entries(kept.scene.pose).filter(([motion]) => /^(neck|head)/.test(motion));
      expect([entry.id, neck.every(([, degrees]) => Math.abs(degrees) < 0.5)]).toEqual([entry.id, true]);
      if (Math.abs(kept.tube.angleDeg - usual.tube.angleDeg) >= 1) moved += 1;
    }
  }
  expect(moved).toBeGreaterThan(3);
});
