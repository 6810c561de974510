/**
 * Names of the body positions, and the frame that each gives: how the patient's axes lie in the room.
 */
import { compose, frameFromPairs, rotationAbout, type Frame } from '../geometry/frame';
import type { InPatient, InRoom, Vec3 } from '../geometry/vector';
import type { BodyPosition } from '../projections/vocabulary';
import { isUpright, towardSupport, type Stance } from './stance';

const NAMES: Record<BodyPosition, string> = {
  upright: 'erect',
  seated: 'seated at the table',
  kneeling: 'kneeling',
  supine: 'supine',
  prone: 'prone',
  'lateral-recumbent': 'lateral recumbent',
  sims: 'semiprone, knees drawn up',
  'semi-erect': 'semi-erect',
  'head-down': 'head lower than the feet',
};
export const positionName = (position: BodyPosition): string => NAMES[position];

/** Room axes: the head end of the table (and the wall), and up. */
export const ROOM_HEAD: Vec3<InRoom> = [1, 0, 0];
export const ROOM_UP: Vec3<InRoom> = [0, 0, 1];
export const ROOM_DOWN: Vec3<InRoom> = [0, 0, -1];
const ACROSS: Vec3<InRoom> = [0, 1, 0];
const PATIENT_HEAD: Vec3<InPatient> = [0, 0, 1];

/** Patient frame to room for a stance, before anything is slid: tilts of table and back rest included. */
export function frameOf(stance: Stance): Frame<InPatient, InRoom> {
  const toward = towardSupport(stance);
  if (isUpright(stance.position)) return frameFromPairs(PATIENT_HEAD, toward, ROOM_UP, ROOM_HEAD);
  const level = frameFromPairs(PATIENT_HEAD, toward, ROOM_HEAD, ROOM_DOWN);
  if (stance.position === 'semi-erect') return compose(rotationAbout([0, 0, 0], ACROSS, -stance.backRestDeg), level);
  return level;
}
