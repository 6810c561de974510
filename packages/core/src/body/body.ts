/**
 * The patient's body: the reference mannequin, stretched segment by segment. Plain data; nothing is posed yet.
 */
import { add, lerp, multiply, subtract, type Vec3 } from '../geometry/vector';
import { lately } from '../quantity/lately';
import type { Assumption } from '../quantity/provenance';
import { goneSegments } from './amputation';
import { jointOf, mannequin, type Landmark } from './mannequin';
import type { Primitive } from './primitive';
import { measureForm, type Form, type Measures } from './measure';
import { organPoint, organShape, STANDING, type BodyState } from './organs';
import { resolvePatient, type Patient, type PatientInput } from './patient';
import { proportionsOf, type Stretch } from './proportion';
import { boundOf, shapeCentre, stretchShape, type Bound, type Shape } from './shape';

export type BodySegment = { id: string; parent: string | null; joint: Vec3; stretch: Stretch };

export type Body = {
  patient: Patient;
  assumed: Assumption[];
  state: BodyState;
  segments: Readonly<Record<string, BodySegment>>;
  /** Segments that the patient no longer has: neither drawn nor in a ray’s way. */
  gone: ReadonlySet<string>;
};

const landmarkById = new Map(mannequin.landmarks.map((landmark) => [landmark.id, landmark]));
/** Names of all landmarks, of both sides. */
export const LANDMARK_IDS: readonly string[] = [...landmarkById.keys()];
const primitiveById = new Map(mannequin.primitives.map((primitive) => [primitive.id, primitive]));

/** Where a tapering segment begins and ends to change, heights of the reference: thigh from hip to knee, face from brow to chin. */
const FACE = [720, 600] as const;
const thighSpan = (side: 'L' | 'R') => [jointOf(`thigh_${side}`)[2], jointOf(`shank_${side}`)[2]] as const;
const TAPERS: Readonly<Record<string, readonly [number, number]>> = {
  head: FACE,
  mandible: FACE,
  thigh_L: thighSpan('L'),
  thigh_R: thighSpan('R'),
};

/**
 * Builds the body of a patient. Medians of the age fill what was not given; `assumed` lists them.
 * @throws RangeError when the patient is outside the model (the message names the value and the range)
 */
export function buildBody(input: PatientInput): Body {
  // The same patient is asked about again and again, and a body is never changed.
  return built(JSON.stringify(input), () => build(input));
}

/** Patients of a busy hour, and all that an entry is proved for: one that is built anew costs as much as its set-up. */
const MOST_BUILT = 48;
const built = lately<Body>(MOST_BUILT);

function build(input: PatientInput): Body {
  const { patient, assumed } = resolvePatient(input);
  const stretches = proportionsOf(patient);
  const segments: Record<string, BodySegment> = {};
  for (const { id, parent, joint } of mannequin.segments) {
    const above = parent === null ? undefined : segments[parent];
    const place =
      above === undefined
        ? joint
        : add(above.joint, multiply(factorAt(above, 'frame', joint[2]), subtract(joint, jointOf(above.id))));
    segments[id] = { id, parent, joint: place, stretch: stretches[id] };
  }
  return { patient, assumed, state: STANDING, segments, gone: goneSegments(patient.amputated) };
}

/** Flesh of the belly on the back: flatter and broader than standing. Source: teaching, 10 to 15 % and 5 % [C]. */
const LYING_BELLY: Vec3 = [1.05, 0.88, 1];

/** The same body lying or standing, breath held in or out. A caliper on the abdomen holds as it was taken. */
export function bodyInState(body: Body, state: BodyState): Body {
  if (body.state.rest === state.rest && body.state.breath === state.breath) return body;
  if (body.state.rest === state.rest || body.patient.measured.abdomenAPMm !== undefined) return { ...body, state };
  const by: Vec3 = state.rest === 'lying' ? LYING_BELLY : [1 / LYING_BELLY[0], 1 / LYING_BELLY[1], 1];
  const lumbar = body.segments.lumbar;
  const flesh = multiply(lumbar.stretch.flesh, by);
  return {
    ...body,
    state,
    segments: { ...body.segments, lumbar: { ...lumbar, stretch: { ...lumbar.stretch, flesh } } },
  };
}

/** Stretch of a segment at a height of the reference mannequin. */
function factorAt({ id, stretch }: BodySegment, kind: 'frame' | 'flesh', z: number): Vec3 {
  if (!stretch.far) return stretch[kind];
  const [top, bottom] = TAPERS[id];
  const t = Math.min(1, Math.max(0, (top - z) / (top - bottom)));
  return lerp(stretch[kind], stretch.far[kind], t);
}

/** A point of the reference mannequin on this body, not posed. */
export function pointOn(segment: BodySegment, kind: 'frame' | 'flesh', p: Vec3): Vec3 {
  return add(segment.joint, multiply(factorAt(segment, kind, p[2]), subtract(p, jointOf(segment.id))));
}

/** What is asked of a body again and again; a body is never changed, so it holds as long as the body does. */
const knownLandmarks = new WeakMap<Body, Map<string, Landmark>>();

/** Landmark of this body, before posing. @throws RangeError for an unknown name */
export function landmarkOf(body: Body, id: string): Landmark {
  let known = knownLandmarks.get(body);
  if (!known) knownLandmarks.set(body, (known = new Map<string, Landmark>()));
  let landmark = known.get(id);
  if (!landmark) known.set(id, (landmark = stretchedLandmark(body, id)));
  return landmark;
}

function stretchedLandmark(body: Body, id: string): Landmark {
  const reference = landmarkById.get(id);
  if (!reference) throw new RangeError(`the body has no landmark "${id}"`);
  const segment = body.segments[reference.segment];
  const kind = reference.kind === 'skin' ? 'flesh' : 'frame';
  const moved = organPoint(body.patient, body.state, id, reference.p);
  return { ...reference, p: pointOn(segment, kind, moved) };
}

/** The pieces of the mannequin that this patient has. */
export const presentPieces = ({ gone }: Body): readonly Primitive[] =>
  gone.size === 0 ? mannequin.primitives : mannequin.primitives.filter(({ segment }) => !gone.has(segment));

/** One piece of this body, before posing. */
export const primitiveOf = (body: Body, reference: Primitive): Primitive => ({
  ...reference,
  shape: shapeOf(body, reference),
});

function shapeOf(body: Body, reference: Primitive): Shape {
  const segment = body.segments[reference.segment];
  const kind = reference.skin ? 'flesh' : 'frame';
  const shape = organShape(body.patient, body.state, reference);
  const from = jointOf(segment.id);
  if (!segment.stretch.far) return stretchShape(shape, segment.stretch[kind], from, segment.joint);
  if (shape.kind === 'tube') {
    const factors = shape.pts.map((p) => factorAt(segment, kind, p[2]));
    return {
      kind: 'tube',
      pts: shape.pts.map((p, i) => add(segment.joint, multiply(factors[i], subtract(p, from)))),
      r: shape.r.map((r, i) => (r * (factors[i][0] + factors[i][1])) / 2),
    };
  }
  const factor = factorAt(segment, kind, shape.kind === 'plate' ? shape.pts[0][2] : shape.c[2]);
  return stretchShape(shape, factor, from, segment.joint);
}

/** @throws RangeError for an unknown name */
export function structureOf(body: Body, id: string): Primitive {
  const reference = primitiveById.get(id);
  if (!reference) throw new RangeError(`the body has no structure "${id}"`);
  return primitiveOf(body, reference);
}

export const isLandmark = (id: string): boolean => landmarkById.has(id);

/** A landmark, or the middle of a structure, before posing. @throws RangeError for an unknown name */
export function markOf(body: Body, id: string): Pick<Landmark, 'id' | 'p' | 'segment'> {
  if (isLandmark(id)) return landmarkOf(body, id);
  const { shape, segment } = structureOf(body, id);
  return { id, p: shapeCentre(shape), segment };
}

const skinReference = mannequin.primitives.filter((primitive) => primitive.skin);
const boneReference = mannequin.primitives.filter((primitive) => primitive.tissue === 'bone');

/** A piece of the envelope, for where the body touches and what rays cross. */
export type SkinPiece = { readonly segment: string; readonly shape: Shape; readonly bound: Bound };

/** Skin already stretched for a body. */
const stretchedSkin = new WeakMap<Body, SkinPiece[]>();

/** Skin of the whole body, of a part that is gone too. @param segments only these; all when left out */
export function skinOf(body: Body, segments?: readonly string[]): SkinPiece[] {
  let skin = stretchedSkin.get(body);
  if (!skin)
    stretchedSkin.set(
      body,
      (skin = skinReference.map((reference) => {
        const shape = shapeOf(body, reference);
        return { segment: reference.segment, shape, bound: boundOf(shape) };
      })),
    );
  return segments ? skin.filter(({ segment }) => segments.includes(segment)) : skin;
}
/** @param keep picks by the reference piece, before anything is computed */
export const bonesOf = (body: Body, keep: (reference: Primitive) => boolean): Primitive[] =>
  boneReference
    .filter((bone) => !body.gone.has(bone.segment) && keep(bone))
    .map((reference) => primitiveOf(body, reference));

/** This body in anatomical position under the tape. */
const formOf = (body: Body): Form => ({
  landmark: (id) => landmarkOf(body, id).p,
  bone: (id) => structureOf(body, id).shape,
  skin: (segments) => skinOf(body, segments).map(({ shape }) => shape),
});

/** The dimensions of the anthropometric table, taken on this body, mm. */
export const measureBody = (body: Body): Measures => measureForm(formOf(body));
