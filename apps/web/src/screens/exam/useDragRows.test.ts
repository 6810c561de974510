import { rowUnder } from './useDragRows';

const boxes = [
  { top: 100, bottom: 160 },
  { top: 166, bottom: 226 },
  { top: 232, bottom: 330 },
];

test.each([
  [20, 0],
  [130, 0],
  [163, 1],
  [200, 1],
  [300, 2],
  [900, 2],
])('a finger at %d is over row %d', (y, row) => expect(rowUnder(y, boxes)).toBe(row));
