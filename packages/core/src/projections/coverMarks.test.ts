/** What must be shown is fixed by places that the body has, on the side that the entry is written for. */
import { isLandmark } from '../body/body';
import { mannequin, markOnMannequin, otherSide } from '../body/mannequin';
import { projections } from './catalogue';
import { coverMarks } from './coverMarks';

test('each kind of item names its places', () => {
  const item = { name: 'hips', marginMm: 10, axis: 'both' as const };
  expect(coverMarks({ ...item, structure: 'bladder' })).toEqual(['bladder']);
  expect(coverMarks({ ...item, landmark: 'ASIS_L', offset: [] })).toEqual(['ASIS_L']);
  expect(coverMarks({ ...item, between: ['ASIS_L', 'ASIS_R'], offset: [] })).toEqual(['ASIS_L', 'ASIS_R']);
});

test('every place of every entry is one that the body has, and so is its other side', () => {
  const pieces = new Set(mannequin.primitives.map(({ id }) => id));
  let checked = 0;
  for (const { id, cover } of projections)
    for (const mark of cover.flatMap(coverMarks)) {
      checked += 1;
      expect([id, mark, isLandmark(mark) || pieces.has(mark)]).toEqual([id, mark, true]);
      // Lungs are not alike on both sides: the segment is.
      const { segment } = markOnMannequin(mark);
      expect([id, mark, markOnMannequin(otherSide(mark)).segment]).toEqual([id, mark, otherSide(segment)]);
    }
  expect(checked).toBeGreaterThan(projections.length);
});

test('a place that the body does not have is named', () => {
  expect(() => markOnMannequin('no_such_bone')).toThrow(/no landmark or structure "no_such_bone"/);
});
