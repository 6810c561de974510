/** Sides that an order says part by part, and view by view. */
import { otherSideInReason, readSides, sideMentions, sidesIn, sidesOfTexts } from '../interchange/orderGuard';
import { checkPlan } from './checkPlan';
import { orderedExam, plannedFor } from './orderedExam';
import { orderReadLines } from './orderReadLines';

/** What is planned where the words are all that says a side. */
function plannedOf(words: string): string[] {
  const ordered = orderedExam(words)!;
  const all = sidesIn(words);
  const side = all.size === 2 ? 'both' : ([...all][0] ?? null);
  return plannedFor(ordered.projections, side, ordered).map((each) => `${each.projectionId} ${each.side ?? '-'}`);
}
const of = (side: string, ...ids: string[]): string[] => ids.map((id) => `${id} ${side}`);
const KNEE = ['knee-ap', 'knee-lateral'];
const ANKLE = ['ankle-ap', 'ankle-mortise', 'ankle-lateral'];
const HAND = ['hand-pa', 'hand-oblique', 'hand-lateral-fan'];
const WRIST = ['wrist-pa', 'wrist-oblique', 'wrist-lateral'];

const SIDED: readonly (readonly [words: string, planned: readonly string[]])[] = [
  ['XR L knee & R ankle', [...of('left', ...KNEE), ...of('right', ...ANKLE)]],
  ['left knee right ankle', [...of('left', ...KNEE), ...of('right', ...ANKLE)]],
  ['knee left ankle right', [...of('left', ...KNEE), ...of('right', ...ANKLE)]],
  [
    'Left hand, right wrist AP and lateral',
    [...of('left', 'hand-pa', 'hand-lateral-fan'), ...of('right', 'wrist-ap', 'wrist-lateral')],
  ],
  ['right knee AP lateral and left knee AP', [...of('right', ...KNEE), ...of('left', 'knee-ap')]],
  ['right knee AP lateral, left AP', [...of('right', ...KNEE), ...of('left', 'knee-ap')]],
  ['Standing AP both knees and lateral right knee', ['knee-ap-weight-bearing -', 'knee-lateral right']],
  [
    'hands and left foot',
    [...of('right', ...HAND), ...of('left', ...HAND), ...of('left', 'foot-ap', 'foot-oblique-medial', 'foot-lateral')],
  ],
  ['left wrist and hand, right knee', [...of('left', ...WRIST, ...HAND), ...of('right', ...KNEE)]],
  ['hand and wrist left, right knee', [...of('left', ...HAND, ...WRIST), ...of('right', ...KNEE)]],
  [
    'Bilateral knees AP, right sunrise',
    [...of('right', 'knee-ap', 'patella-tangential-supine'), ...of('left', 'knee-ap')],
  ],
  ['hands PA and left lateral', [...of('right', 'hand-pa'), ...of('left', 'hand-pa', 'hand-lateral-fan')]],
  ['Left wrist with comparison right wrist', [...of('left', ...WRIST), ...of('right', ...WRIST)]],
  [
    'Left hand, right wrist and lumbar spine 5 views',
    [
      ...of('left', ...HAND),
      ...of('right', ...WRIST),
      ...['lumbar-ap', 'lumbar-lateral', 'lumbosacral-lateral'].map((id) => `${id} -`),
      ...['left', 'right'].map((side) => `lumbar-oblique-posterior ${side}`),
    ],
  ],
  [
    'Left knee AP and lateral, lumbar spine obliques',
    [...of('left', ...KNEE), ...['left', 'right'].map((side) => `lumbar-oblique-posterior ${side}`)],
  ],
  ['chest and left ribs', ['chest-pa -', ...of('left', 'ribs-ap-upper', 'ribs-ap-lower', 'ribs-oblique-posterior')]],
  ['left hand PA, left oblique, left lateral', of('left', 'hand-pa', 'hand-oblique', 'hand-lateral-fan')],
  [
    'Fifth digit left hand and right thumb',
    [
      ...of('left', 'finger-pa', 'finger-oblique', 'finger-lateral'),
      ...of('right', 'thumb-ap', 'thumb-oblique', 'thumb-lateral'),
    ],
  ],
];

test.each(SIDED)('%s', (words, planned) => expect(plannedOf(words).sort()).toEqual([...planned].sort()));

/** Two parts of two sides, in every order of their words: no view of the other side. */
const PARTS = ['hand', 'wrist', 'elbow', 'shoulder', 'foot', 'ankle', 'knee', 'hip'] as const;
const WRITTEN = [
  (a: string, b: string) => `left ${a} and right ${b}`,
  (a: string, b: string) => `${a} left, ${b} right`,
  (a: string, b: string) => `Lt ${a}, Rt ${b} 2 views`,
  (a: string, b: string) => `XR ${a} L + ${b} R`,
  (a: string, b: string) => `left ${a} AP lateral; right ${b} AP`,
];
test('two parts of two sides are never both taken of both', () => {
  let checked = 0;
  for (const a of PARTS)
    for (const b of PARTS) {
      if (a === b) continue;
      for (const written of WRITTEN) {
        const words = written(a, b);
        const sidesBy = new Map<string, Set<string>>();
        for (const each of plannedOf(words)) {
          const [id = '', side = ''] = each.split(' ');
          sidesBy.set(id, (sidesBy.get(id) ?? new Set()).add(side));
        }
        const own = (part: string): string[] => plannedOf(`left ${part}`).map((each) => each.split(' ')[0]!);
        for (const [id, sides] of sidesBy) expect([words, id, sides.size]).toEqual([words, id, 1]);
        for (const id of own(a))
          if (sidesBy.has(id)) expect([words, id, [...sidesBy.get(id)!]]).toEqual([words, id, ['left']]);
        for (const id of own(b))
          if (sidesBy.has(id)) expect([words, id, [...sidesBy.get(id)!]]).toEqual([words, id, ['right']]);
        checked += 1;
      }
    }
  expect(checked).toBe(PARTS.length * (PARTS.length - 1) * WRITTEN.length);
});

test('which side each part is taken of is told; a plan of another side is called out', () => {
  const words = 'left knee and right ankle';
  const ordered = orderedExam(words)!;
  expect(orderReadLines(ordered).map(({ text }) => text)).toEqual(
    expect.arrayContaining(['Of the left: Knee, AP; Knee, lateral', expect.stringMatching(/^Of the right: Ankle, AP/)]),
  );
  const beside = orderReadLines(orderedExam('Lumbar spine AP, left hip and right knee')!).map(({ text }) => text);
  expect(beside.filter((text) => text.startsWith('Of the'))).toHaveLength(2);
  expect(beside.filter((text) => /^Of the.*(Lumbar|Pelvis)/.test(text))).toEqual([]);
  const plan = plannedFor(ordered.projections, 'both', ordered);
  expect(checkPlan({ exam: words, side: null }, plan)).toEqual([]);
  const turned = plan.map((each) => ({ ...each, side: 'left' as const }));
  expect(checkPlan({ exam: words, side: null }, turned).filter(({ kind }) => kind === 'side')).toHaveLength(3);
  expect(
    checkPlan({ exam: 'hands PA and left lateral', side: 'left' }, [
      { projectionId: 'hand-pa', side: 'right' },
      { projectionId: 'hand-lateral-fan', side: 'left' },
    ]),
  ).toEqual([expect.objectContaining({ kind: 'less', text: expect.stringMatching(/Hand, PA of the left/) })]);
});

describe('the words against their own reason', () => {
  const read = (words: string) => readSides(sideMentions(words, 'the exam'));
  test.each(['Left knee, pain right knee', 'Right hip - left hip pain', 'XR L wrist for right wrist pain'])(
    '%s',
    (words) => expect(read(words).contradiction).toMatch(/the exam says the .*reason in the exam says the/),
  );
  test.each([
    ['Left knee, pain left knee', 'left'],
    ['Left hip, pain s/p right hip replacement', 'left'],
    ['Left hand, right handed', 'left'],
    ['Knee, pain right', 'right'],
  ])('%s', (words, side) => expect(read(words)).toMatchObject({ side, contradiction: null }));
  test('both sides ordered and one of them hurts', () => {
    expect(read('Both knees, left pain')).toMatchObject({ bothSides: true, contradiction: null });
  });
  test('text and code', () =>
    expect(readSides(sidesOfTexts(['Left knee', 'XR Knee Right 2 Views'])).contradiction).toMatch(/its code/));
  test('a reason that stands apart asks, and refuses nothing', () => {
    expect(otherSideInReason('left', 'pain in the right knee')).toBe('right');
    expect(otherSideInReason('left', 'pain, right knee replaced')).toBe('right');
    expect(otherSideInReason('left', 'old fracture of the right hip')).toBeNull();
    expect(otherSideInReason('left', 'both knees hurt')).toBeNull();
    const plan = [
      { projectionId: 'knee-ap', side: 'left' as const },
      { projectionId: 'knee-lateral', side: 'left' as const },
    ];
    const found = checkPlan({ exam: 'Knee', side: 'left', reason: 'right knee pain after a twist' }, plan);
    expect(found).toEqual([
      expect.objectContaining({ kind: 'side', text: expect.stringMatching(/speaks of the right/) }),
    ]);
    expect(checkPlan({ exam: 'Knee', side: 'left', reason: 'left knee pain' }, plan)).toEqual([]);
  });
});
