import { sideBeside } from './sideBeside';

test.each([
  ['Knee, routine', 'right', ', right'],
  ['Shoulder left', 'left', ''],
  ['RT HAND 3V', 'right', ''],
  ['Knees', 'left', ', left'],
  ['Chest', null, ''],
] as const)('%s, %p: “%s”', (exam, side, said) => expect(sideBeside({ exam, side })).toBe(said));
