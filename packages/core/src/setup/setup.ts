/** The answer: everything that is told, drawn, compared and stored comes from one Setup. */
import type { Frame } from '../geometry/frame';
import type { InPatient, InRoom, InSegment, Vec3 } from '../geometry/vector';
import type { BodyAdapt } from '../body/adapt';
import type { Pose } from '../body/joints';
import type { PatientInput } from '../body/patient';
import type { StepGroup, Study } from '../projections/schema';
import type { Assumption } from '../quantity/provenance';
import type { BodyPosition, HolderKind, OpenedJoints, Region, SignId, View } from '../projections/vocabulary';
import type { Surface } from '../room/rest';
import type { Values } from '../words/fact';

import type { Breathing } from './placing/breath';
import type { AdaptedWay } from './placing/adaptedWay';
import type { GridCheck } from './technique/gridCheck';
import type { Problem } from './problem';
import type { Protection } from './readouts/protection';
import type { TechniqueChoice } from './technique/technique';
import type { Situation } from './request';
import type { Support } from './placing/support';

export type { Problem };
export type Letter = 'R' | 'L';
export type Marker = {
  /** The first of `letters`. */
  letter: Letter;
  /** Both where both sides are shown for comparison. */
  letters: Letter[];
  place: string;
  extra: string[];
  /** Where each letter lies: shares of half the light from its middle, across it and up it. */
  spots: { letter: Letter; across: number; up: number }[];
};

export type Side = 'left' | 'right';
export type Along = 'head' | 'feet';
export type SetupCaution = { code: string; text: string; grave: boolean; group: StepGroup };
/** `code` and `values`: what the sentence says, as facts. */
export type SetupStep = {
  id: string;
  group: StepGroup;
  code: string;
  values: Values;
  text: string;
  cautions: string[];
};

/** Geometry in the room frame, from which the stage is drawn and (later) the picture is simulated. */
export type Scene = {
  /** Lying or standing, and flesh brought to a measured thickness. */
  adapt: BodyAdapt;
  pose: Pose;
  place: Frame<InPatient, InRoom>;
  /** What the patient sits on or leans on besides the holder. */
  surfaces: Surface[];
  focal: Vec3<InRoom>;
  entry: Vec3<InRoom>;
  exit: Vec3<InRoom>;
  hit: Vec3<InRoom>;
  beam: Vec3<InRoom>;
  straight: Vec3<InRoom>;
  toHead: Vec3<InRoom>;
  /** Where the tube stands at 0°: its beam, and the way in which the angle counts. Other than `straight` where the receptor follows the ray. */
  zero: { beam: Vec3<InRoom>; up: Vec3<InRoom> };
  receptor: {
    centre: Vec3<InRoom>;
    u: Vec3<InRoom>;
    v: Vec3<InRoom>;
    n: Vec3<InRoom>;
    widthMm: number;
    heightMm: number;
    tiltDeg: number;
  };
  /** Corners of the field on the receptor plane, one set for each exposure. */
  fields: Vec3<InRoom>[][];
  /** Corners of the measuring cells that are switched on, in the plane of the receptor. */
  cells: Vec3<InRoom>[][];
  /** What the patient rests on, or the floor when standing. */
  surfaceHeightMm: number;
  touch: { name: string; p: Vec3<InRoom> }[];
  /** What must be shown: the middle of each thing, its outermost points, and which edges of the light it counts for. */
  mustShow: { name: string; p: Vec3<InRoom>; points: Vec3<InRoom>[]; axis: 'along' | 'across' | 'both' }[];
  brightBones: readonly string[];
  /** Only the asked side is part of the view. */
  oneSided: boolean;
};

/** Of the form of a Setup; 1: before it was numbered. */
export const SETUP_VERSION = 2 as const;

export type Setup = {
  version: typeof SETUP_VERSION;
  projectionId: string;
  name: string;
  /** Null in a record of an entry that nobody has any more. */
  region: Region | null;
  side: Side | null;
  patient: PatientInput;
  situation: Situation;
  room: { id: string; name: string };
  feasible: boolean;
  problems: Problem[];
  position: {
    body: BodyPosition;
    say: string;
    facing: View;
    nearSide: Side | null;
    part: string[];
    supports: Support[];
  };
  receptor: {
    holder: HolderKind;
    size: { id: string; name: string; widthMm: number; heightMm: number; fixed: boolean };
    orientation: 'lengthwise' | 'crosswise';
    outcome: 'lengthwise' | 'crosswise' | 'diagonal' | 'split' | 'too small';
    tiltDeg: number;
    exposures: number;
    overlapMm: number;
    /** Where each exposure is centred along the body, from the aim; [0] for a single one. */
    shiftsMm: number[];
    grid: { id: string; ratio: number } | null;
    gridWanted: boolean;
    centre: Vec3<InRoom>;
    /** Room left between the field and the edge of the active area, the smaller way. */
    clearanceMm: number;
    usual: string;
    /** Why it is another than the usual one, or null when it is that. */
    whyOther: string | null;
  };
  tube: {
    sidMm: number;
    sidWantedMm: number;
    sidRangeMm: readonly [number, number];
    angleDeg: number;
    angleToward: Along | null;
    /** The way of the angle as it is called at this part: "head", "elbow", "heel". */
    angleSays: string | null;
    /** Names of the two ways along the receptor: up it, and down. */
    ways: readonly [string, string];
    angleRangeDeg: readonly [number, number];
    beam: 'vertical' | 'horizontal';
    /** Focal spot above the surface the patient rests on (vertical beam) or above the floor (horizontal). */
    heightMm: number;
    heightOver: 'table' | 'bed' | 'floor';
    receptorShiftMm: number;
    receptorShiftToward: Along | null;
    receptorShiftSays: string | null;
    /** Tilt across the receptor, and toward what. */
    acrossDeg: number;
    acrossSays: string | null;
    acrossShiftMm: number;
  };
  /** Another way than the entry's own, where it was done so. */
  way: AdaptedWay | null;
  /** Course of the ray in the anatomical axes of the part, and of both halves where it is a joint. */
  inPart: { segment: string; ray: Vec3<InSegment> }[];
  centre: {
    landmark: string;
    /** Distance to go from the landmark along the body; 0 = on it. */
    offsetMm: number;
    relation: string;
    line: string;
    text: string;
    entryMm: Vec3<InRoom>;
    checkBy: { landmark: string; mm: number; relation: string; text: string }[];
  };
  field: {
    atReceptorMm: { width: number; height: number };
    atSkinMm: { width: number; height: number };
    neededMm: { width: number; height: number };
    rotationDeg: number;
    mustShow: string[];
    clipped: string[];
  };
  exposure: Omit<TechniqueChoice, 'problems'> & { thicknessMm: number };
  /** `spread`: share within which both are known. */
  dose: { entranceKermaMgy: number; kapGyCm2: number; spread: number };
  /** `objectDistanceMm`: of what must be shown, over the receptor plane, on average. */
  image: {
    objectDistanceMm: number;
    magnification: number;
    blurMm: number;
    partObliquityDeg: number;
    elongation: number;
    /** Share cut off at the worst, all errors of the grid together. */
    gridLoss: number;
    grid: GridCheck | null;
  };
  marker: Marker;
  /** By what its picture is judged: signs, and joints that it opens. */
  signs: SignId[];
  opens: OpenedJoints | null;
  /** The study with contrast of which it is a part. */
  study: Study | null;
  /** Fluid levels and free gas are looked for. */
  showsLevels: boolean;
  protection: Protection[];
  breathing: Breathing;
  /** Seen to once. */
  prepare: string[];
  /** Brought, laid or tied, and taken away again. */
  aids: string[];
  remove: string[];
  steps: SetupStep[];
  checks: string[];
  cautions: SetupCaution[];
  assumptions: Assumption[];
  schools: { rule: string; title: string; choice: string; reason: string }[];
  sources: string[];
  scene: Scene;
};
