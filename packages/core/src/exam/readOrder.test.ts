/** Orders as they are written, each held against what a technologist would take it for. */
import { notXray, readSides, sidesIn, whatOf } from '../interchange/orderGuard';
import { exams } from '../projections/exams';
import { orderedExam, plannedFor } from './orderedExam';
import { ORDER_WORDINGS } from './orderWordings.fixture';
import { plainOrder } from './orderWords';
import { readOrder } from './readOrder';

const SIDES = { L: ['left'], R: ['right'], B: ['left', 'right'] } as const;
const wordings = ORDER_WORDINGS.trim()
  .split('\n')
  .map((line) => {
    const [words = '', wanted = '', side = ''] = line.split('|').map((part) => part.trim());
    const views = wanted
      .split(' ')
      .flatMap((each) =>
        each.startsWith('exam:') ? exams.find(({ id }) => id === each.slice(5))!.projections : [each],
      );
    return { words, views: wanted === 'none' ? null : new Set(views), sides: SIDES[side as 'L' | 'R' | 'B'] ?? [] };
  });
const xrays = wordings.filter(({ views }) => views !== null);
const others = wordings.filter(({ views }) => views === null);

/** Sides that an order says: of the body, or the one that lies down. */
const sidesSaid = (words: string): string[] => {
  const down = orderedExam(words)?.sideDown;
  if (down) return down === 'both' ? ['left', 'right'] : [down];
  return [...sidesIn(words)].sort();
};

test('98 of 100 wordings are read as exactly what is meant', () => {
  const wrong = xrays.filter(({ words, views }) => {
    const found = orderedExam(words);
    return [...new Set(found?.projections ?? [])].sort().join() !== [...views!].sort().join();
  });
  expect(xrays.length).toBeGreaterThan(430);
  expect({ share: wrong.length / xrays.length <= 0.02, wrong: wrong.map(({ words }) => words) }).toMatchObject({
    share: true,
  });
});
test('no side is read wrong', () => {
  for (const { words, sides } of xrays) expect([words, sidesSaid(words)]).toEqual([words, [...sides]]);
});
test('words and body site that contradict one another are told, and no side is taken', () => {
  const sided = xrays.filter(({ sides }) => sides.length === 1);
  expect(sided.length).toBeGreaterThan(200);
  for (const { words, sides } of sided) {
    if (orderedExam(words)?.sideDown) continue;
    const site = sides[0] === 'left' ? 'right' : 'left';
    const read = readSides([
      { from: 'the exam', sides: sidesIn(words) },
      { from: 'the body site', sides: sidesIn(`${site} side`) },
    ]);
    expect([words, read.side, read.contradiction !== null]).toEqual([words, null, true]);
  }
});
test('nothing else is taken for an x-ray', () => {
  expect(others.length).toBeGreaterThan(55);
  for (const { words } of others) expect([words, orderedExam(words)?.projections ?? null]).toEqual([words, null]);
});
test('no view that was named is left out without a line that says so', () => {
  for (const { words, views } of xrays) {
    const found = orderedExam(words)!;
    const said = found.named.some(({ projectionId }) => projectionId === null);
    const lost = [...views!].filter((id) => !found.projections.includes(id));
    expect([words, lost.length === 0 || said]).toEqual([words, true]);
  }
});
test('the same in capitals, with a full stop, and with what an order begins with', () => {
  for (const { words, views } of xrays)
    for (const each of [words.toUpperCase(), `${words}.`, `XR ${words}`]) {
      const found = orderedExam(each)?.projections ?? [];
      const missing = [...views!].filter((id) => !found.includes(id));
      // "Y" and "R" in capitals are the same words.
      expect([each, missing]).toEqual([each, []]);
    }
});

describe('what each word was taken for', () => {
  test('a view that a part does not have is told, and the routine stays beside it', () => {
    const read = readOrder('Femur AP, mortise')!;
    expect(read.read).toContainEqual({ words: 'mortise', as: 'unread view', ids: [] });
    expect(read.projections).toEqual(expect.arrayContaining(['femur-ap-distal', 'femur-lateral-distal']));
  });
  test('words that say nothing are told', () => {
    expect(readOrder('Wrist left per protocol zebra')?.unread).toEqual(expect.arrayContaining(['zebra']));
    expect(readOrder('Right knee 3 views')?.unread).toEqual([]);
  });
  test('the side that lies down in a decubitus is that of the plan', () => {
    const order = orderedExam('Chest right lateral decubitus')!;
    expect(plannedFor(order.projections, null, order.sideDown)).toEqual([
      { projectionId: 'chest-decubitus-ap', side: 'right' },
    ]);
  });
  test('obliques of a spine are taken of both sides where none is named', () => {
    const five = orderedExam('L-spine 5 views')!;
    const oblique = plannedFor(five.projections, null).filter(({ projectionId }) => /oblique/.test(projectionId));
    expect(oblique.map(({ side }) => side)).toEqual(['right', 'left']);
  });
  test('a department’s own routine is made of the words for the exam', () => {
    const ours = exams.map((exam) => (exam.id === 'knee' ? { ...exam, projections: ['knee-ap'] } : exam));
    expect(orderedExam('rt knee 2 views', ours)?.projections).toEqual(['knee-ap']);
  });
  test.each([
    ['Knee AP and lateral without obliques', ['knee-ap', 'knee-lateral']],
    ['Ankle AP, lateral, no mortise', ['ankle-ap', 'ankle-lateral']],
    ['Shoulder without axillary', ['shoulder-ap-external', 'shoulder-ap-internal']],
    ['Foot AP lateral non weight bearing', ['foot-ap', 'foot-lateral']],
    ['AC joints without weights', ['acromioclavicular-ap']],
  ])('%s: what is not to be done is read as no view', (words, ids) => {
    const found = orderedExam(words)!;
    expect(found.projections).toEqual(ids);
    const said = found.read.some(({ as }) => as === 'left out');
    expect(said).toBe(/without obliques|no mortise|without axillary/.test(words));
  });
  test.each([
    ['Knee pain? MRI', 'MRI'],
    ['Left knee for MRI', 'MRI'],
    ['Wrist fall, r/o fracture, CT', 'CT'],
    ['Chest for nodule seen on CT', null],
    ['Orbits for foreign body pre MRI', null],
    ['Left wrist after cast removal', null],
  ])('%s: another modality that is asked for in the reason is refused, one that is spoken of is not', (words, other) =>
    expect(notXray(words)).toBe(other),
  );
  test('why is not what', () => {
    expect(whatOf('Chest PA for lateral wall pain').trim()).toBe('Chest PA');
    expect(orderedExam('Orbits for foreign body pre MRI')?.exam?.id).toBe('orbits');
    expect(notXray('MRI knee for meniscus')).toBe('MRI');
  });
});

test.each([
  ['odontiod', 'odontoid'],
  ['shoudler', 'shoulder'],
  ['ankel', 'ankle'],
  ['clavical', 'clavicle'],
  ['rodilla derecha', 'knee right'],
  ['Hüfte links', 'hip left'],
  ['xyzzy', 'xyzzy'],
])('%s is %s', (written, plain) =>
  expect(plainOrder(written, new Set(['odontoid', 'shoulder', 'ankle', 'clavicle', 'cervical']))).toBe(plain),
);
