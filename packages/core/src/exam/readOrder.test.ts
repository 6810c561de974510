/** Orders as they are written, each held against what a technologist would take it for. */
import { notXray, readSides, sidesIn, whatOf } from '../interchange/orderGuard';
import { projectionOf } from '../projections/catalogue';
import { exams } from '../projections/exams';
import { checkPlan } from './checkPlan';
import { orderedExam, plannedFor } from './orderedExam';
import { ORDER_WORDINGS } from './orderWordings.fixture';
import { digitOf } from '../projections/digit';
import { digitsIn } from './orderDigits';
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
    expect(plannedFor(order.projections, null, order)).toEqual([{ projectionId: 'chest-decubitus-ap', side: 'right' }]);
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

describe('why it was ordered', () => {
  test.each([
    ['Shoulder left', 'dislocation after a fall', 'shoulder-trauma'],
    ['Shoulder left', 'chronic pain, no injury', 'shoulder'],
    ['Shoulder left', 'denies any trauma', 'shoulder'],
    ['Shoulder left', 'pain, no fracture or dislocation', 'shoulder'],
    ['Wrist right', 'snuffbox tenderness', 'scaphoid'],
    ['Wrist right', 'arthritis', 'wrist'],
    ['Hip left', 'fell at home, leg short', 'hip-trauma'],
    ['Cervical spine', 'MVA, neck pain', 'cervical-trauma'],
    ['Humerus right', '?fracture', 'humerus-trauma'],
    ['Abdomen', 'query perforation', 'abdomen-acute'],
  ])('%s for “%s” is made as %s', (words, reason, id) => {
    const found = orderedExam(words, exams, reason)!;
    expect([...found.projections].sort()).toEqual([...exams.find((each) => each.id === id)!.projections].sort());
  });
  test('a view that is named is never changed by it, nor more is made than was counted', () => {
    const named = orderedExam('Shoulder left scapular Y, axillary', exams, 'dislocation')!;
    expect(named.projections).toEqual(['shoulder-scapular-y', 'shoulder-axillary-inferosuperior']);
    expect(orderedExam('Abdomen 1 view', exams, 'obstruction')?.projections).toEqual(['abdomen-ap-supine']);
  });
  test('the frontal view of a shoulder that may be dislocated is neutral: nobody rotates it', () => {
    expect(orderedExam('Shoulder AP left', exams, 'dislocation')?.projections).toEqual(['shoulder-ap-neutral']);
    expect(orderedExam('Shoulder AP left', exams, 'arthritis')?.projections).toEqual(['shoulder-ap-external']);
  });
});

describe('how many', () => {
  test.each([
    ['Sinuses 1-2 views', 2],
    ['Sinuses 4 views', 4],
    ['Hip left 1 view', 1],
    ['Lumbar spine 2 or 3 views', 3],
    ['Lumbar spine min 4 views', 4],
    ['Ribs left 2 views', 2],
    ['Standing knee right 3 views', 3],
    ['Abdomen 1 view', 1],
  ])('%s', (words, count) => expect(new Set(orderedExam(words)?.projections).size).toBe(count));
});

test('a view that its own part does not have is that of another part that is named', () => {
  const read = readOrder('hip fx rt ap pelvis and cross table lat')!;
  expect(read.projections).toEqual(['hip-axiolateral', 'pelvis-ap']);
  expect(read.unread).toEqual([]);
  // Where no other part has it either, it is told as before.
  expect(readOrder('Wrist PA and mortise, elbow AP')?.read).toContainEqual({
    words: 'mortise',
    as: 'unread view',
    ids: [],
  });
});

describe('fingers and toes', () => {
  test.each([
    ['finger-pa', 3],
    ['toes-lateral', 1],
    ['toes-ap', null],
    ['knee-ap', null],
  ])('%s is set for digit %p', (id, digit) => expect(digitOf(projectionOf(id))).toBe(digit));
  test('all that are named are found, each with its word', () => {
    expect(digitsIn('second and 4th toes')).toEqual([
      { words: 'second', digit: 2 },
      { words: '4th', digit: 4 },
    ]);
  });
  test('views that are set for another one are known', () => {
    const of = (words: string) => readOrder(words)!.read.find(({ as }) => as === 'digit')?.ids;
    expect(of('2nd toe right foot')).toEqual([]);
    expect(of('Great toe left')).toEqual([]);
    expect(of('Right ring finger PA lateral')).toEqual([]);
    expect(of('Left first finger')).toEqual(['finger-pa', 'finger-oblique', 'finger-lateral']);
  });
  test.each([
    ['Second and third toes left', ['toes-ap', 'toes-oblique', 'toes-lateral digit2', 'toes-lateral digit3']],
    ['Right ring finger PA lateral', ['finger-pa digit4', 'finger-lateral digit4']],
    ['Great toe left', ['toes-ap digit1', 'toes-oblique digit1', 'toes-lateral digit1']],
    ['Left 5th toe oblique', ['toes-oblique digit5']],
    ['index finger', ['finger-pa digit2', 'finger-oblique digit2', 'finger-lateral digit2']],
    ['Finger left 3 views', ['finger-pa', 'finger-oblique', 'finger-lateral']],
  ])('%s is planned for the digits that are named', (words, plan) => {
    const ordered = orderedExam(words)!;
    const planned = plannedFor(ordered.projections, 'left', ordered);
    expect(planned.map(({ projectionId, way }) => [projectionId, way].filter(Boolean).join(' '))).toEqual(plan);
    expect(checkPlan({ exam: words, side: 'left' }, planned)).toEqual([]);
  });
  test('a plan for another digit than was ordered is told', () => {
    const plan = ['finger-pa', 'finger-oblique', 'finger-lateral'].map((projectionId) => ({
      projectionId,
      side: 'left' as const,
      way: 'digit5',
    }));
    expect(checkPlan({ exam: 'Left index finger', side: 'left' }, plan).map(({ text }) => text)).toEqual(
      ['PA', 'PA oblique', 'lateral'].map(
        (view) => `Index finger, ${view} was ordered; the plan has Little finger, ${view}`,
      ),
    );
  });
});

test.each([
  ['OPG', 'a dental picture'],
  ['mandible panorex', 'a dental picture'],
  ['Dental x-rays', 'a dental picture'],
  ['Physio left knee', 'therapy'],
  ['Wound care left foot', 'a procedure or test'],
  ['Splint right wrist', 'a procedure or test'],
  ['Left wrist in splint', null],
])('%s is %p', (words, other) => expect(notXray(words)).toBe(other));

test.each([
  ['XR tibia/fibula R 2 views', ['right']],
  ['ankle mortise only r', ['right']],
  ['l wrist', ['left']],
  ['L 5 spot', []],
  ['L 2 views wrist', ['left']],
  ['XR feet weight bearing', ['left', 'right']],
  ['Left hands', ['left']],
  ['hips to ankles', []],
])('the sides of “%s”', (words, sides) => expect([...sidesIn(words)].sort()).toEqual(sides));
