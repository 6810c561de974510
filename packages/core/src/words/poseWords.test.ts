import { posedWords } from './poseWords';

test.each([
  ['kneeFlexion', 42, 'knee flexed 42°'],
  ['kneeFlexion', -12, 'knee hyperextended 12°'],
  ['hipMedialRotation', 15, 'leg rotated 15° medially'],
  ['hipMedialRotation', -29, 'leg rotated 29° laterally'],
  ['anklePlantarFlexion', 0, 'foot at a right angle to the leg'],
  ['anklePlantarFlexion', 18, 'foot plantar flexed 18°'],
  ['anklePlantarFlexion', -10, 'foot dorsiflexed 10°'],
  ['shoulderMedialRotation', 0, 'palm forward'],
  ['shoulderMedialRotation', 40, 'arm rotated 40° medially'],
  ['forearmPronation', 0, 'forearm supinated'],
  ['forearmPronation', 85, 'radial side up'],
  ['forearmPronation', 170, 'forearm pronated'],
  ['wristUlnarDeviation', -18, 'wrist in 18° of radial deviation'],
] as const)('%s of %d°: %s', (movement, deg, words) => expect(posedWords([movement], [deg])).toEqual([words]));
