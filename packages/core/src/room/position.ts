/**
 * Body positions, and the frame that each gives: how the patient's axes lie in the room.
 */
import { frameFromPairs, type Frame } from '../geometry/frame';
import type { Vec3 } from '../geometry/vector';

export const BODY_POSITIONS = ['upright', 'seated', 'supine', 'prone', 'lateral-recumbent'] as const;
export type BodyPosition = (typeof BODY_POSITIONS)[number];

const NAMES: Record<BodyPosition, string> = {
  upright: 'standing',
  seated: 'seated at the table',
  supine: 'on the back',
  prone: 'face down',
  'lateral-recumbent': 'on the side',
};
export const positionName = (position: BodyPosition): string => NAMES[position];

/** Room axes: the head end of the table, and up. */
export const ROOM_HEAD: Vec3 = [1, 0, 0];
export const ROOM_UP: Vec3 = [0, 0, 1];
const ROOM_DOWN: Vec3 = [0, 0, -1];

export type Placement = {
  frame: Frame;
  /** Direction of the beam before any tube angle, room frame. */
  beam: Vec3;
  /** Direction of the patient's head (or of the trunk, for a limb), room frame. */
  toHead: Vec3;
};

/**
 * Turns the patient so that the wanted beam direction (patient frame, square to the long axis) runs the way this
 * position has it: into the wall upright, down to the table otherwise.
 */
export function placeInRoom(position: BodyPosition, beamInPatient: Vec3): Placement {
  const head: Vec3 = [0, 0, 1];
  const upright = position === 'upright';
  const beam = upright ? ROOM_HEAD : ROOM_DOWN;
  const toHead = upright ? ROOM_UP : ROOM_HEAD;
  return { frame: frameFromPairs(head, beamInPatient, toHead, beam), beam, toHead };
}
