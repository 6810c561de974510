/**
 * The body as an open document: who it is of, how it is posed and where it lies, every landmark, joint and piece, in
 * plain JSON with its units and its frame. Described in docs/formats/body.md.
 */
import { posedIn } from '../body/posedIn';
import { z } from 'zod';
import { buildBody, presentPieces, primitiveOf } from '../body/body';
import { addPoses, isMotion, MOVEMENT_NAMES, specOf, type Pose } from '../body/joints';
import { mannequin } from '../body/mannequin';
import type { Primitive } from '../body/primitive';
import { HABITUS, patientInputSchema, type PatientInput } from '../body/patient';
import { poseBody } from '../body/pose';
import { posesNamed } from '../body/poses';
import { placeBody, posedLandmark, segmentFrame, type PosedBody } from '../body/posed';
import { moveShape, type Shape } from '../body/shape';
import { surfacePoint, tissueOf, TISSUES } from '../body/surface';
import { applyToPoint, IDENTITY } from '../geometry/frame';
import type { Vec3 } from '../geometry/vector';
import { POSE_NAMES } from '../projections/vocabulary';
import { restBody, type Surface } from '../room/rest';
import { stanceSchema } from '../room/stance';
import type { Setup } from '../setup/setup';

const point = z.tuple([z.number(), z.number(), z.number()]);
const tubeWall = z.union([z.number(), z.array(z.number())]);

const shapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('ellipsoid'), c: point, axes: z.tuple([point, point, point]) }),
  z.strictObject({ kind: z.literal('cylinder'), c: point, axes: z.tuple([point, point, point]) }),
  z.strictObject({ kind: z.literal('tube'), pts: z.array(point).min(1), r: z.array(z.number()).min(1) }),
  z.strictObject({ kind: z.literal('plate'), pts: z.array(point).min(3), t: z.number() }),
  z.strictObject({ kind: z.literal('torus'), c: point, n: point, ring: z.number(), tube: z.number() }),
]);

const BODY_FORMAT = 'taktik-body';
const BODY_FORMAT_VERSION = 1;

export const bodyDocumentSchema = z.strictObject({
  format: z.literal(BODY_FORMAT),
  version: z.literal(BODY_FORMAT_VERSION),
  notice: z.string(),
  units: z.strictObject({ length: z.literal('mm'), angle: z.literal('degree'), mass: z.literal('kg') }),
  frame: z.strictObject({
    name: z.enum(['patient', 'room']),
    x: z.string(),
    y: z.string(),
    z: z.string(),
    origin: z.string(),
  }),
  patient: z.strictObject({
    ageYears: z.number(),
    sex: z.enum(['female', 'male']).optional(),
    statureMm: z.number(),
    massKg: z.number(),
    habitus: z.enum(HABITUS),
    assumed: z.array(z.strictObject({ field: z.string(), value: z.string(), provenance: z.string() })),
  }),
  state: z.strictObject({ rest: z.enum(['standing', 'lying']), breath: z.enum(['in', 'out']) }),
  /** Angles by movement, what is not named is 0. */
  pose: z.record(z.string(), z.number()),
  joints: z.array(
    z.strictObject({
      movement: z.string(),
      meaning: z.string(),
      paired: z.boolean(),
      segments: z.array(z.string()),
      rangeDeg: z.tuple([z.number(), z.number()]),
    }),
  ),
  segments: z.array(
    z.strictObject({
      id: z.string(),
      parent: z.string().nullable(),
      /** Where the segment hangs on its parent. */
      joint: point,
      /** From anatomical position in the patient frame to here: 4×4, column after column. */
      matrix: z.array(z.number()).length(16),
    }),
  ),
  landmarks: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      kind: z.enum(['skin', 'bone', 'joint']),
      segment: z.string(),
      level: z.string().optional(),
      point,
      /** Outward, unit length. */
      outward: point,
      /** The skin over it, and how deep it lies. */
      skin: point,
      depthMm: z.number(),
    }),
  ),
  primitives: z.array(
    z.strictObject({
      id: z.string(),
      organ: z.string(),
      segment: z.string(),
      tissue: z.enum(TISSUES),
      material: z.string(),
      /** Where pieces overlap the higher one is there; ties go to the later in the list. */
      priority: z.number(),
      skin: z.boolean(),
      shape: shapeSchema,
      /** A copy shrunk by `wallMm` holds another material, half a step higher. */
      inner: z.strictObject({ material: z.string(), wallMm: tubeWall }).optional(),
    }),
  ),
  surfaces: z.array(z.strictObject({ kind: z.string(), profile: z.array(point) })),
});
export type BodyDocument = z.infer<typeof bodyDocumentSchema>;

const poseSchema = z.record(z.string(), z.number().min(-180).max(180)).superRefine((pose, context) => {
  for (const motion of Object.keys(pose))
    if (!isMotion(motion))
      context.addIssue({ code: 'custom', path: [motion], message: `There is no joint movement "${motion}"` });
}) as unknown as z.ZodType<Pose, Pose>;

export const bodyRequestSchema = z.strictObject({
  patient: patientInputSchema.default({}),
  /** Poses by name, and angles added to them. */
  poses: z.array(z.enum(POSE_NAMES)).max(12).default([]),
  pose: poseSchema.default({}),
  /** How the patient is held up; in anatomical position, in the patient frame, when left out. */
  stance: stanceSchema.optional(),
});
export type BodyRequest = z.input<typeof bodyRequestSchema>;

const NOTICE =
  'A parametric positioning mannequin for planning and teaching. Not a patient, not for diagnosis, not a dosimetric standard. Skin depths and children’s breadths are uncertain by 10 to 50 %.';

/** To so many places; never -0, which JSON does not keep. */
const rounded = (value: number, per: number): number => Math.round(value * per) / per + 0;
const round = (value: number): number => rounded(value, 100);
const place = (p: Vec3): [number, number, number] => [round(p[0]), round(p[1]), round(p[2])];
const direction = (p: Vec3): [number, number, number] =>
  p.map((value) => rounded(value, 1e5)) as [number, number, number];

function shapeIn(shape: Shape): BodyDocument['primitives'][number]['shape'] {
  switch (shape.kind) {
    case 'ellipsoid':
    case 'cylinder':
      return {
        kind: shape.kind,
        c: place(shape.c),
        axes: [place(shape.axes[0]), place(shape.axes[1]), place(shape.axes[2])],
      };
    case 'tube':
      return { kind: 'tube', pts: shape.pts.map(place), r: shape.r.map(round) };
    case 'plate':
      return { kind: 'plate', pts: shape.pts.map(place), t: round(shape.t) };
    case 'torus':
      return {
        kind: 'torus',
        c: place(shape.c),
        n: direction(shape.n),
        ring: round(shape.ring),
        tube: round(shape.tube),
      };
  }
}

const PATIENT_FRAME = {
  name: 'patient',
  x: 'to the patient’s left',
  y: 'to the back',
  z: 'to the head',
  origin: 'midway between the hip joints',
} as const;
const ROOM_FRAME = {
  name: 'room',
  x: 'along the table to its head end, and to the wall stand',
  y: 'across the table',
  z: 'up',
  origin: 'on the floor',
} as const;

/** All of a posed body as a document. */
function documentOf(
  posed: PosedBody,
  pose: Pose,
  frame: BodyDocument['frame'],
  surfaces: readonly Surface[],
): BodyDocument {
  const { patient, assumed, state, segments } = posed.body;
  return {
    format: BODY_FORMAT,
    version: BODY_FORMAT_VERSION,
    notice: NOTICE,
    units: { length: 'mm', angle: 'degree', mass: 'kg' },
    frame,
    patient: {
      ageYears: patient.ageYears,
      ...(patient.sex && { sex: patient.sex }),
      statureMm: round(patient.statureMm),
      massKg: round(patient.massKg),
      habitus: patient.habitus,
      assumed: assumed.map(({ field, value, provenance }) => ({ field, value, provenance })),
    },
    state,
    pose: Object.fromEntries(Object.entries(pose).map(([motion, degrees]) => [motion, round(degrees)])),
    joints: MOVEMENT_NAMES.map((movement) => {
      const { says, paired, drives, range } = specOf(movement);
      return {
        movement,
        meaning: says[0],
        paired,
        segments: drives.map(({ segment }) => segment),
        rangeDeg: [range[0], range[1]],
      };
    }),
    segments: Object.values(segments).map(({ id, parent, joint }) => {
      const matrix = segmentFrame(posed, id);
      return {
        id,
        parent,
        joint: place(applyToPoint(matrix, joint)),
        matrix: matrix.map((value, i) => (i > 11 ? round(value) : rounded(value, 1e6))),
      };
    }),
    landmarks: mannequin.landmarks.map(({ id, name, kind, segment, level }) => {
      const { bone, skin, depthMm } = surfacePoint(posed, id);
      return {
        id,
        name,
        kind,
        segment,
        ...(level && { level }),
        point: place(bone),
        outward: direction(posedLandmark(posed, id).dir),
        skin: place(skin),
        depthMm: round(depthMm),
      };
    }),
    primitives: presentPieces(posed.body).map((reference: Primitive) => {
      const own = primitiveOf(posed.body, reference);
      return {
        id: reference.id,
        organ: reference.organ,
        segment: reference.segment,
        tissue: tissueOf(reference.material),
        material: reference.material,
        priority: reference.priority,
        skin: reference.skin,
        shape: shapeIn(moveShape(own.shape, segmentFrame(posed, reference.segment))),
        ...(reference.inner && {
          inner: {
            material: reference.inner.material,
            wallMm: typeof reference.inner.t === 'number' ? reference.inner.t : [...reference.inner.t],
          },
        }),
      };
    }),
    surfaces: surfaces.map(({ kind, profile }) => ({ kind, profile: profile.map(place) })),
  };
}

/**
 * The body that is asked for: in anatomical position in the patient frame, or at rest in the room.
 * @throws RangeError when the patient is outside the model
 */
export function exportBody(request: BodyRequest): BodyDocument {
  const { patient, poses, pose, stance } = bodyRequestSchema.parse(request);
  const body = buildBody(patient);
  const whole = addPoses(posesNamed(poses), pose);
  if (!stance) return documentOf(placeBody(body, poseBody(body, whole), IDENTITY), whole, PATIENT_FRAME, []);
  const rested = restBody(body, stance, whole);
  return documentOf(rested.posed, rested.pose, ROOM_FRAME, rested.surfaces);
}

/** What of a set-up its body depends on. */
export type RecordedBody = {
  patient: PatientInput;
  scene: Pick<Setup['scene'], 'adapt' | 'place' | 'pose' | 'surfaces'>;
};

/** The body of a set-up as it was, in the room. */
export function exportRecordedBody({ patient, scene }: RecordedBody): BodyDocument {
  return documentOf(posedIn({ patient, scene }), scene.pose, ROOM_FRAME, scene.surfaces);
}

/** The format as a JSON Schema document (draft 2020-12). */
export const bodyJsonSchema = (): unknown => ({
  title: 'Taktik body',
  description: NOTICE,
  ...z.toJSONSchema(bodyDocumentSchema),
});
