/**
 * The patient's body: the reference mannequin, stretched segment by segment. Plain data; nothing is posed yet.
 */
import { add, multiply, subtract, type Vec3 } from '../geometry/vector';
import type { Assumption } from '../quantity/provenance';
import { mannequin, type Landmark, type Primitive } from './mannequin';
import { resolvePatient, type Patient, type PatientInput } from './patient';
import { lungStretch, proportionsOf, type Stretch } from './proportion';
import { stretchShape } from './shape';

export type BodySegment = { id: string; parent: string | null; joint: Vec3; stretch: Stretch };

export type Body = {
  patient: Patient;
  assumed: Assumption[];
  segments: Readonly<Record<string, BodySegment>>;
};

/** Length of the lungs of the reference mannequin. */
const LUNG_LENGTH_MM = 332;

const referenceJoint = new Map(mannequin.segments.map((segment) => [segment.id, segment.joint]));
const landmarkById = new Map(mannequin.landmarks.map((landmark) => [landmark.id, landmark]));
const primitiveById = new Map(mannequin.primitives.map((primitive) => [primitive.id, primitive]));

/**
 * Builds the body of a patient. Medians of the age fill what was not given; `assumed` lists them.
 * @throws RangeError when the patient is outside the model (the message names the value and the range)
 */
export function buildBody(input: PatientInput): Body {
  const { patient, assumed } = resolvePatient(input);
  const stretches = proportionsOf(patient);
  const segments: Record<string, BodySegment> = {};
  for (const { id, parent, joint } of mannequin.segments) {
    const above = parent === null ? undefined : segments[parent];
    const place =
      above === undefined
        ? joint
        : add(above.joint, multiply(above.stretch.frame, subtract(joint, referenceJoint.get(above.id) as Vec3)));
    segments[id] = { id, parent, joint: place, stretch: stretches[id] };
  }
  return { patient, assumed, segments };
}

/** Landmark of this body, before posing. @throws RangeError for an unknown name */
export function landmarkOf(body: Body, id: string): Landmark {
  const reference = landmarkById.get(id);
  if (!reference) throw new RangeError(`the body has no landmark "${id}"`);
  const segment = body.segments[reference.segment];
  const by = reference.kind === 'skin' ? segment.stretch.flesh : segment.stretch.frame;
  if (id.startsWith('costophrenic')) {
    // The diaphragm stands high in a broad build and low in a slender one.
    const p = add(segment.joint, multiply(by, subtract(reference.p, referenceJoint.get(segment.id) as Vec3)));
    const lung = lungStretch(body.patient.habitus);
    return { ...reference, p: [p[0] * lung[0], p[1], p[2] - (lung[2] - 1) * LUNG_LENGTH_MM * by[2]] };
  }
  return {
    ...reference,
    p: add(segment.joint, multiply(by, subtract(reference.p, referenceJoint.get(segment.id) as Vec3))),
  };
}

/** One piece of this body, before posing. */
export function primitiveOf(body: Body, reference: Primitive): Primitive {
  const segment = body.segments[reference.segment];
  const by = reference.skin ? segment.stretch.flesh : segment.stretch.frame;
  const shape = stretchShape(reference.shape, by, referenceJoint.get(segment.id) as Vec3, segment.joint);
  if (!reference.id.startsWith('lung_') || shape.kind !== 'ellipsoid') return { ...reference, shape };
  // Lungs follow the habitus from their bases, which stay on the diaphragm.
  const by2 = lungStretch(body.patient.habitus);
  const base: Vec3 = [0, shape.c[1], shape.c[2] - shape.axes[2][2]];
  return { ...reference, shape: stretchShape(shape, by2, base, base) };
}

/** @throws RangeError for an unknown name */
export function structureOf(body: Body, id: string): Primitive {
  const reference = primitiveById.get(id);
  if (!reference) throw new RangeError(`the body has no structure "${id}"`);
  return primitiveOf(body, reference);
}

const skinReference = mannequin.primitives.filter((primitive) => primitive.skin);
const boneReference = mannequin.primitives.filter((primitive) => primitive.tissue === 'bone');

/** @param segments only these; all when left out */
export const skinOf = (body: Body, segments?: readonly string[]): Primitive[] =>
  (segments ? skinReference.filter(({ segment }) => segments.includes(segment)) : skinReference).map((reference) =>
    primitiveOf(body, reference),
  );
/** @param keep picks by the reference piece, before anything is computed */
export const bonesOf = (body: Body, keep: (reference: Primitive) => boolean): Primitive[] =>
  boneReference.filter(keep).map((reference) => primitiveOf(body, reference));
