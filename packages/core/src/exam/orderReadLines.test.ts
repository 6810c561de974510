import { orderedExam } from './orderedExam';
import { orderReadLines } from './orderReadLines';

const lines = (words: string) => orderReadLines(orderedExam(words)!);

test('each view is told with what it was taken for; what is doubtful is marked', () => {
  expect(lines('rt knee AP, sunrise')).toEqual([
    { text: '“ap” is read as Knee, AP', doubtful: false },
    { text: '“sunrise” is read as Patella, tangential, inferosuperior, supine', doubtful: false },
  ]);
  expect(lines('Femur AP, mortise').filter(({ doubtful }) => doubtful)).toHaveLength(1);
  expect(lines('Wrist left zebra').at(-1)).toEqual({ text: 'Not understood: “zebra”', doubtful: true });
  expect(lines('Chest left decubitus').at(-1)?.text).toBe('The left side down');
});
test('words stand as people write them', () =>
  expect(lines('Knee AP and cross-table lateral').map(({ text }) => text)).toContain(
    '“cross-table lateral” is read as Knee, lateral',
  ));
test('a name that is known here needs no reading', () => expect(lines('Knee, routine')).toEqual([]));
test('the routine is called by its exam', () =>
  expect(lines('rt ankle')).toEqual([{ text: 'No view is named: the routine of Ankle', doubtful: false }]));
test('what of the reason changed the routine is told', () =>
  expect(orderReadLines(orderedExam('Shoulder left', undefined, 'anterior dislocation?')!)).toEqual([
    { text: 'No view is named: for “dislocation” in the reason the routine of Shoulder, trauma', doubtful: false },
  ]));
test('a finger or toe that a view is not set for is told once, with the views', () => {
  expect(lines('left index finger').filter(({ doubtful }) => doubtful)).toEqual([]);
  expect(lines('left first finger').filter(({ doubtful }) => doubtful)).toEqual([
    {
      text: '“first”: Finger, PA; Finger, PA oblique; Finger, lateral: set for the middle finger here, and for no such one; read the order',
      doubtful: true,
    },
  ]);
});

test('a decubitus of one side only is told where the order wants the other side down', () => {
  const said = (words: string) => orderReadLines(orderedExam(words)!);
  expect(said('Abdomen right lateral decubitus')).toContainEqual({
    text: expect.stringMatching(
      /^The right side down is asked for, and here it is Abdomen, AP, left lateral decubitus/,
    ),
    doubtful: true,
  });
  expect(said('Abdomen left lateral decubitus')).toContainEqual({ text: 'The left side down', doubtful: false });
  expect(said('Chest right lateral decubitus')).toContainEqual({ text: 'The right side down', doubtful: false });
});

test('joints that are to be on the pictures of a long bone are told, and are no exams', () => {
  const lines = orderReadLines(orderedExam('Right tib-fib AP lateral, include knee and ankle')!);
  expect(lines).toContainEqual({
    text: '“include knee and ankle”: on the pictures of the bone, and no exam of its own',
    doubtful: false,
  });
  // A view behind it makes it an exam; so does a part that is no long bone.
  expect(orderedExam('Right humerus including shoulder AP')!.projections).toContain('shoulder-ap-external');
  expect(orderedExam('Left foot including ankle')!.projections).toContain('ankle-mortise');
});
