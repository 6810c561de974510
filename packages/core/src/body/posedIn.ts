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

/**
 * @returns the patient's body in its pose where it stands in the room, mm
 * @throws RangeError for a patient outside the model
 * @example posedLandmark(posedIn(computeSetup({ projectionId: 'chest-pa' })), 'C7_sp').p
 */
export function posedIn({ patient, scene }: BodyOfScene): PosedBody<InRoom> {
  const body = adaptBody(buildBody(patient), scene.adapt);
  return placeBody(body, poseBody(body, scene.pose), scene.place);
}
