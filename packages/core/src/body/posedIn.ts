/** The body of a scene, posed and placed as it was. */
import type { Frame } from '../geometry/frame';
import type { InPatient, InRoom } from '../geometry/vector';
import { adaptBody, type BodyAdapt } from './adapt';
import { buildBody } from './body';
import type { Pose } from './joints';
import type { PatientInput } from './patient';
import { poseBody } from './pose';
import { placeBody, type PosedBody } from './posed';

/** What the body of a set-up depends on. */
export type BodyOfScene = {
  patient: PatientInput;
  scene: { adapt: BodyAdapt; pose: Pose; place: Frame<InPatient, InRoom> };
};

/** By the very scene: much asks for the body of a set-up that it has been given, one after the other. */
const known = new WeakMap<BodyOfScene['scene'], { patient: PatientInput; posed: PosedBody<InRoom> }>();

/**
 * @returns the patient's body in its pose where it stands in the room, mm
 * @throws RangeError for a patient outside the model
 * @example posedLandmark(posedIn(computeSetup({ projectionId: 'chest-pa' })), 'C7_sp').p
 */
export function posedIn({ patient, scene }: BodyOfScene): PosedBody<InRoom> {
  const before = known.get(scene);
  if (before?.patient === patient) return before.posed;
  const body = adaptBody(buildBody(patient), scene.adapt);
  const posed = placeBody(body, poseBody(body, scene.pose), scene.place);
  known.set(scene, { patient, posed });
  return posed;
}
