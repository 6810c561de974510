/**
 * The form of a Setup as it is published, answered and kept. Its version grows when the form changes; a record of an
 * earlier version is brought to it by setup/migrations.
 */
import { z } from 'zod';
import { patientInputSchema } from '../body/patient';
import { FACTOR_NAMES } from '../exposure/convert';
import { STEP_GROUPS } from '../projections/schema';
import {
  BODY_POSITIONS,
  BREATH_PHASES,
  HOLDERS,
  OPENED_JOINTS,
  REGIONS,
  SIGN_IDS,
  STUDIED,
  STUDY_STAGES,
  VIEWS,
} from '../projections/vocabulary';
import { adaptedWaySchema } from './placing/adaptedWay';
import type { Verdict } from './judge';
import { PROBLEM_CODES } from './problem';
import { AEC_CHOICES, situationSchema } from './request';
import { SETUP_VERSION, type Setup } from './setup';

const number = z.number();
/** Values of a fact. */
export const valuesSchema = z.record(
  z.string(),
  z.union([z.string(), number, z.boolean(), z.null(), z.array(z.string()), z.array(number)]),
);
/** Three numbers in the axes of the room, mm, or a direction in them. */
const vector = z.tuple([number, number, number]);
const sides = z.enum(['left', 'right']).nullable();
const along = z.enum(['head', 'feet']).nullable();
const letter = z.enum(['R', 'L']);
const size = z.strictObject({ width: number, height: number });
const axis = z.enum(['along', 'across', 'both']);

const gridCheck = z.strictObject({
  centre: number,
  worseEdge: number,
  offCentre: number,
  offLevel: number,
  offFocus: number,
  sum: number,
  ratio: number,
  focusMm: number,
  distanceMm: number,
  strips: z.enum(['up', 'across']),
  edgeMm: number,
  tiltDeg: number,
  offCentreMm: number,
  tolerance: z.strictObject({ tiltDeg: number, offCentreMm: number, distanceMm: z.tuple([number, number.nullable()]) }),
  angleUpToDeg: number,
});

const scene = z.strictObject({
  adapt: z.strictObject({
    state: z.strictObject({ rest: z.enum(['standing', 'lying']), breath: z.enum(['in', 'out']) }),
    girth: z
      .strictObject({ segments: z.array(z.string()), axis: z.union([z.literal(0), z.literal(1)]), factor: number })
      .nullable(),
  }),
  /** Angles of the joints by movement, degrees. */
  pose: z.record(z.string(), number),
  /** From the patient’s axes to the room’s: 4 × 4, column by column. */
  place: z.array(number).length(16),
  surfaces: z.array(
    z.strictObject({
      kind: z.enum([
        'floor',
        'wall',
        'table',
        'mattress',
        'board',
        'pillow',
        'sponge',
        'seat',
        'back rest',
        'foot rest',
      ]),
      profile: z.array(vector),
      plane: z.strictObject({ point: vector, normal: vector }),
    }),
  ),
  focal: vector,
  entry: vector,
  exit: vector,
  hit: vector,
  beam: vector,
  straight: vector,
  toHead: vector,
  zero: z.strictObject({ beam: vector, up: vector }),
  receptor: z.strictObject({
    centre: vector,
    u: vector,
    v: vector,
    n: vector,
    widthMm: number,
    heightMm: number,
    tiltDeg: number,
  }),
  fields: z.array(z.array(vector)),
  cells: z.array(z.array(vector)),
  surfaceHeightMm: number,
  touch: z.array(z.strictObject({ name: z.string(), p: vector })),
  mustShow: z.array(z.strictObject({ name: z.string(), p: vector, points: z.array(vector), axis })),
  brightBones: z.array(z.string()),
  oneSided: z.boolean(),
});

export const problemSchema = z.strictObject({ code: z.enum(PROBLEM_CODES), values: valuesSchema, text: z.string() });

/** The published form of a verdict. */
export const verdictSchema: z.ZodType<Verdict> = z.strictObject({
  allowed: z.boolean(),
  feasible: z.boolean(),
  problems: z.array(problemSchema),
  instead: z.array(
    z.strictObject({ projectionId: z.string(), name: z.string(), loses: z.string(), asUsual: z.boolean() }),
  ),
});

export const setupSchema: z.ZodType<Setup> = z
  .strictObject({
    version: z.literal(SETUP_VERSION),
    projectionId: z.string(),
    name: z.string(),
    region: z.enum(REGIONS).nullable(),
    side: sides,
    patient: patientInputSchema,
    situation: situationSchema,
    room: z.strictObject({ id: z.string(), name: z.string() }),
    feasible: z.boolean(),
    problems: z.array(problemSchema),
    position: z.strictObject({
      body: z.enum(BODY_POSITIONS),
      say: z.string(),
      facing: z.enum(VIEWS),
      nearSide: sides,
      part: z.array(z.string()),
      supports: z.array(z.strictObject({ kind: z.enum(['block', 'stool']), mm: number })),
    }),
    receptor: z.strictObject({
      holder: z.enum(HOLDERS),
      size: z.strictObject({
        id: z.string(),
        name: z.string(),
        widthMm: number,
        heightMm: number,
        fixed: z.boolean(),
      }),
      orientation: z.enum(['lengthwise', 'crosswise']),
      outcome: z.enum(['lengthwise', 'crosswise', 'diagonal', 'split', 'too small']),
      tiltDeg: number,
      exposures: number,
      overlapMm: number,
      shiftsMm: z.array(number),
      grid: z.strictObject({ id: z.string(), ratio: number }).nullable(),
      gridWanted: z.boolean(),
      centre: vector,
      clearanceMm: number,
      usual: z.string(),
      whyOther: z.string().nullable(),
    }),
    tube: z.strictObject({
      sidMm: number,
      sidWantedMm: number,
      sidRangeMm: z.tuple([number, number]),
      angleDeg: number,
      angleToward: along,
      angleSays: z.string().nullable(),
      ways: z.tuple([z.string(), z.string()]),
      angleRangeDeg: z.tuple([number, number]),
      beam: z.enum(['vertical', 'horizontal']),
      heightMm: number,
      heightOver: z.enum(['table', 'bed', 'floor']),
      receptorShiftMm: number,
      receptorShiftToward: along,
      receptorShiftSays: z.string().nullable(),
      acrossDeg: number,
      acrossSays: z.string().nullable(),
      acrossShiftMm: number,
    }),
    way: adaptedWaySchema.nullable(),
    inPart: z.array(z.strictObject({ segment: z.string(), ray: vector })),
    centre: z.strictObject({
      landmark: z.string(),
      offsetMm: number,
      relation: z.string(),
      line: z.string(),
      text: z.string(),
      entryMm: vector,
      checkBy: z.array(z.strictObject({ landmark: z.string(), mm: number, relation: z.string(), text: z.string() })),
    }),
    field: z.strictObject({
      atReceptorMm: size,
      atSkinMm: size,
      neededMm: size,
      rotationDeg: number,
      mustShow: z.array(z.string()),
      clipped: z.array(z.string()),
    }),
    exposure: z.strictObject({
      kVp: number,
      mAs: number,
      timeMs: number,
      mA: number,
      loadShare: number,
      focalSpot: z.enum(['small', 'large']),
      aec: z.enum(AEC_CHOICES),
      start: z.strictObject({
        basis: z.enum(['shipped chart', 'room chart', 'measured beam']),
        mAs: number,
        kVp: number,
        sidMm: number,
        thicknessMm: number,
        gridRatio: number,
      }),
      factors: z.array(z.strictObject({ name: z.enum(FACTOR_NAMES), factor: number, computed: number.optional() })),
      wantedMas: number,
      backupMas: number,
      targetIndex: number,
      gridBy: z.strictObject({ wanted: z.boolean(), scatter: number }),
      expected: z.strictObject({ index: number, deviation: number }).nullable(),
      advice: z.array(z.string()),
      inModel: z.boolean(),
      masKnown: z.boolean(),
      thicknessMm: number,
    }),
    dose: z.strictObject({ entranceKermaMgy: number, kapGyCm2: number, spread: number }),
    image: z.strictObject({
      objectDistanceMm: number,
      magnification: number,
      blurMm: number,
      partObliquityDeg: number,
      elongation: number,
      gridLoss: number,
      grid: gridCheck.nullable(),
    }),
    marker: z.strictObject({
      letter,
      letters: z.array(letter),
      place: z.string(),
      extra: z.array(z.string()),
      spots: z.array(z.strictObject({ letter, across: number, up: number })),
    }),
    signs: z.array(z.enum(SIGN_IDS)),
    opens: z.enum(OPENED_JOINTS).nullable(),
    study: z.strictObject({ of: z.enum(STUDIED), as: z.enum(STUDY_STAGES) }).nullable(),
    showsLevels: z.boolean(),
    protection: z.array(z.strictObject({ text: z.string(), lead: z.boolean() })),
    breathing: z.strictObject({
      phase: z.enum(BREATH_PHASES),
      words: z.string(),
      moment: z.string(),
      commanded: z.boolean(),
    }),
    prepare: z.array(z.string()),
    aids: z.array(z.string()),
    remove: z.array(z.string()),
    steps: z.array(
      z.strictObject({
        id: z.string(),
        group: z.enum(STEP_GROUPS),
        code: z.string(),
        values: valuesSchema,
        text: z.string(),
        cautions: z.array(z.string()),
      }),
    ),
    checks: z.array(z.string()),
    cautions: z.array(
      z.strictObject({ code: z.string(), text: z.string(), grave: z.boolean(), group: z.enum(STEP_GROUPS) }),
    ),
    assumptions: z.array(
      z.strictObject({
        field: z.string(),
        value: z.string(),
        provenance: z.enum(['given', 'measured', 'median', 'scaled', 'computed', 'house rule']),
        affects: z.string(),
      }),
    ),
    schools: z.array(z.strictObject({ rule: z.string(), title: z.string(), choice: z.string(), reason: z.string() })),
    sources: z.array(z.string()),
    scene,
  })
  .meta({ id: 'Setup', title: 'Set-up', description: 'All that is told, drawn, compared and kept of one exposure' });
