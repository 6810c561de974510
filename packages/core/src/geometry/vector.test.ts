/** Vectors and frames of different axes do not go together: held by the type checker, and by numbers where they do. */
import { applyToPoint, compose, frameFromPairs, IDENTITY, inverse, rotationAbout, type Frame } from './frame';
import {
  add,
  distance,
  type InPatient,
  type InReceptor,
  type InRoom,
  type InSegment,
  type Vec2,
  type Vec3,
} from './vector';
import { onPlane, projectPoint, type PlaneFrame } from './projection';

const inPatient: Vec3<InPatient> = [10, 20, 300];
const inRoom: Vec3<InRoom> = [1000, 0, 750];
/** On the back, head to the head end. */
const place: Frame<InPatient, InRoom> = frameFromPairs<InPatient, InRoom>(
  [0, 0, 1],
  [0, 1, 0],
  [1, 0, 0],
  [0, 0, -1],
  inRoom,
);

describe('axes of vectors', () => {
  test('those of the patient come into the room by the patient’s place, and back', () => {
    const there: Vec3<InRoom> = applyToPoint(place, inPatient);
    expect(there).toEqual([1300, -10, 730]);
    const back: Vec3<InPatient> = applyToPoint(inverse(place), there);
    expect(distance(back, inPatient)).toBeLessThan(1e-9);
  });
  test('two of other axes are neither added, nor measured, nor carried by the wrong frame', () => {
    // Each of these lines is an error of the types, or the checker says that the note above it is not needed.
    // @ts-expect-error the room’s and the patient’s
    add(inRoom, inPatient);
    // @ts-expect-error the distance between them
    distance(inPatient, inRoom);
    // @ts-expect-error the place carries the patient’s, not the room’s
    applyToPoint(place, inRoom);
    // @ts-expect-error after the patient’s place comes what carries the room’s
    compose(place, place);
    const turned: Frame<InSegment, InPatient> = rotationAbout<InPatient>([0, 0, 0], [0, 0, 1], 90) as Frame;
    // @ts-expect-error a segment’s own vector is not yet one of the room
    const wrong: Vec3<InRoom> = applyToPoint(turned, [1, 0, 0]);
    expect(wrong).toHaveLength(3);
    // Rightly: segment to patient, patient to room.
    const right: Vec3<InRoom> = applyToPoint(compose(place, turned), [1, 0, 0]);
    expect(right).toEqual(applyToPoint(place, applyToPoint(turned, [1, 0, 0])));
  });
  test('places on the receptor are two numbers of its own', () => {
    const plane: PlaneFrame = { origin: [0, 0, 0], u: [0, 1, 0], v: [1, 0, 0], n: [0, 0, 1] };
    const at: Vec2<InReceptor> = [30, -40];
    expect(onPlane(plane, at)).toEqual([-40, 30, 0]);
    const { u, v } = projectPoint([0, 0, 1000], plane, onPlane(plane, at));
    expect([u, v]).toEqual([30, -40]);
    const ofBody: Vec2<InPatient> = [30, -40];
    // @ts-expect-error two numbers of the patient are none of the receptor
    expect(onPlane(plane, ofBody)).toEqual([-40, 30, 0]);
    expect(applyToPoint(IDENTITY, inPatient)).toEqual(inPatient);
  });
});
