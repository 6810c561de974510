/** What is asked: which projection, for whom, in which state, where, under which rules, and what was pulled by hand. */
import { z } from 'zod';
import { ADULT_AGE_YEARS } from '../body/anthropometry';
import { isMotion, type JointLimits } from '../body/joints';
import { patientInputSchema } from '../body/patient';
import { FACTOR_NAMES } from '../exposure/convert';
import { CAST_IDS, CONDITION_IDS } from '../exposure/multipliers';
import { hasProjection, projectionOf } from '../projections/catalogue';
import { digitsOf, noSuchDigit, withDigit } from '../projections/digit';
import { projectionSchema, type Projection } from '../projections/schema';
import { houseRulesSchema } from '../room/houseRules';
import { BODY_POSITIONS, HOLDERS } from '../projections/vocabulary';
import { roomSchema } from '../room/room';
import { adaptedWaySchema, type AdaptedWay } from './placing/adaptedWay';

const degrees = z.number().min(-180, { error: 'A joint angle must be -180 to 180°' }).max(180, {
  error: 'A joint angle must be -180 to 180°',
});
const jointLimitsSchema = z.record(z.string(), z.tuple([degrees, degrees])).superRefine((limits, context) => {
  for (const [motion, [low, high]] of Object.entries(limits)) {
    if (!isMotion(motion))
      context.addIssue({ code: 'custom', path: [motion], message: `There is no joint movement "${motion}"` });
    if (low > high)
      context.addIssue({
        code: 'custom',
        path: [motion],
        message: `The lower limit of ${motion} must not exceed the upper one`,
      });
  }
}) as z.ZodType<JointLimits, JointLimits>;

const bounded = (name: string, low: number, high: number, unit: string) => {
  const error = `${name} must be ${low} to ${high} ${unit}`.trim();
  return z.number({ error }).min(low, { error }).max(high, { error });
};

/** Parts that must not be moved, whatever for. */
export const IMMOBILIZED_REGIONS = ['neck', 'hip', 'pelvis', 'left arm', 'right arm', 'left leg', 'right leg'] as const;
export type ImmobilizedRegion = (typeof IMMOBILIZED_REGIONS)[number];
/** What the picture is to show or rule out, where it decides how it must be taken. */
export const SUSPECTED = ['fluid level', 'free gas', 'hip fracture', 'dislocation', 'foreign body'] as const;
export type Suspected = (typeof SUSPECTED)[number];
const SUSPECTED_SIDES = ['unknown', 'left', 'right'] as const;
export const WORN = ['collar', 'halo', 'board', 'splint', 'external fixator', 'traction', 'lines'] as const;
export type Worn = (typeof WORN)[number];

export const situationSchema = z.strictObject({
  place: z.enum(['room', 'bedside', 'chair', 'resuscitation bay', 'incubator']),
  canStand: z.boolean(),
  canSit: z.boolean(),
  canLieFlat: z.boolean(),
  /** Back rest from flat at which the patient is, and stays; 0 where it may be set. */
  proppedDeg: bounded('Back rest', 0, 90, '°'),
  canTurn: z.enum(['both', 'left', 'right', 'none']),
  canProne: z.boolean(),
  /** Left out, it is as standing is. */
  canKneel: z.boolean().optional(),
  canRaiseArm: z.enum(['both', 'left', 'right', 'none']),
  holdsBreath: z.boolean(),
  holdsStill: z.boolean(),
  spineNotCleared: z.boolean(),
  fractureSuspected: z.boolean(),
  keepStill: z.array(z.enum(IMMOBILIZED_REGIONS)).max(IMMOBILIZED_REGIONS.length),
  suspected: z.array(z.enum(SUSPECTED)).max(SUSPECTED.length),
  /** On which side of the chest fluid or air is suspected: it decides which side lies down. Left out, nobody has asked. */
  suspectedSide: z.enum(SUSPECTED_SIDES).optional(),
  worn: z.array(z.enum(WORN)).max(WORN.length),
  /** Round the part, and what has changed in it: both change the exposure. */
  cast: z.enum(CAST_IDS),
  condition: z.enum(CONDITION_IDS),
  /** Who could hold the patient. One who may be pregnant never does. */
  holder: z.enum(['none', 'someone', 'may be pregnant']),
  pregnancy: z.enum(['not asked', 'no', 'possible']),
  /** Joints of this patient that go less far than healthy ones: least and greatest angle, degrees. */
  joints: jointLimitsSchema,
});
export type Situation = z.infer<typeof situationSchema>;

/** Ages from which a child stands, sits up and lies still on its front for a picture [typical]. */
const STANDS_FROM_YEARS = 1.5;
export const SITS_FROM_YEARS = 0.7;
/** From here on a child keeps still and holds the breath when asked [typical]. */
const LISTENS_FROM_YEARS = 4;

/** What is known of the situation, the rest as for a patient of this age who is otherwise well. */
export const situationFor = (ageYears: number = ADULT_AGE_YEARS, known: Partial<Situation> = {}): Situation => ({
  place: 'room',
  canStand: ageYears >= STANDS_FROM_YEARS,
  canSit: ageYears >= SITS_FROM_YEARS,
  canLieFlat: true,
  proppedDeg: 0,
  canTurn: 'both',
  canProne: true,
  canRaiseArm: 'both',
  holdsBreath: ageYears >= LISTENS_FROM_YEARS,
  holdsStill: ageYears >= LISTENS_FROM_YEARS,
  spineNotCleared: false,
  fractureSuspected: false,
  keepStill: [],
  suspected: [],
  worn: [],
  cast: 'none',
  condition: 'none',
  holder: 'none',
  pregnancy: 'not asked',
  joints: {},
  ...known,
});

/** Limits of what may be pulled by hand. */
export const OVERRIDE_RANGES = {
  sidMm: [400, 3000],
  angleDeg: [-45, 45],
  kVp: [45, 140],
  mAs: [0.1, 600],
  fieldMm: [30, 450],
  aimMm: [-300, 300],
  mA: [1, 1600],
  aecDensity: [-4, 4],
  factor: [0.05, 20],
  gridLevelDeg: [-15, 15],
  gridCentreMm: [-200, 200],
} as const;
export const AEC_CHOICES = ['none', 'centre', 'outer', 'all'] as const;

export const overridesSchema = z
  .strictObject({
    sidMm: bounded('SID', ...OVERRIDE_RANGES.sidMm, 'mm'),
    /** Toward the head above 0, toward the feet below. */
    angleDeg: bounded('Tube angle', ...OVERRIDE_RANGES.angleDeg, '°'),
    receptorId: z.string().min(1).max(40),
    orientation: z.enum(['lengthwise', 'crosswise']),
    grid: z.boolean(),
    kVp: bounded('kVp', ...OVERRIDE_RANGES.kVp, 'kV'),
    mAs: bounded('mAs', ...OVERRIDE_RANGES.mAs, 'mAs'),
    fieldMm: z.tuple([
      bounded('Field width', ...OVERRIDE_RANGES.fieldMm, 'mm'),
      bounded('Field length', ...OVERRIDE_RANGES.fieldMm, 'mm'),
    ]),
    /** An aim of one's own: so far from the usual one up the receptor, and along its u axis. */
    aimMm: z.tuple([
      bounded('Aim moved along the part', ...OVERRIDE_RANGES.aimMm, 'mm'),
      bounded('Aim moved across the part', ...OVERRIDE_RANGES.aimMm, 'mm'),
    ]),
    /** Landmarks that cannot be felt on this patient: the centring is told from others. */
    notFelt: z.array(z.string().min(1).max(40)).max(12),
    mA: bounded('Tube current', ...OVERRIDE_RANGES.mA, 'mA'),
    focalSpot: z.enum(['small', 'large']),
    aecCells: z.enum(AEC_CHOICES),
    /** Steps from the middle; more darkens. */
    aecDensity: bounded('AEC density', ...OVERRIDE_RANGES.aecDensity, 'steps'),
    /** Factors of the technique that somebody knows better. */
    factors: z.partialRecord(z.enum(FACTOR_NAMES), bounded('A factor', ...OVERRIDE_RANGES.factor, '')),
    /** How the grid stands in truth: tilted across its strips, and off their middle line. */
    gridLevelDeg: bounded('Tilt of the grid', ...OVERRIDE_RANGES.gridLevelDeg, '°'),
    gridCentreMm: bounded('Grid off centre', ...OVERRIDE_RANGES.gridCentreMm, 'mm'),
    position: z.enum(BODY_POSITIONS),
    holder: z.enum(HOLDERS),
  })
  .partial();
export type Overrides = z.infer<typeof overridesSchema>;

const requestFields = z.strictObject({
  projectionId: z.string().max(60),
  /** An entry of the department's own, instead of one of the catalogue. */
  own: projectionSchema.optional(),
  side: z.enum(['left', 'right']).optional(),
  /** Finger or toe, where the entry is of one; its own when left out. */
  digit: z.number().int().min(1).max(5).optional(),
  patient: patientInputSchema.default({}),
  situation: situationSchema.partial().optional(),
  room: roomSchema.optional(),
  rules: houseRulesSchema.optional(),
  overrides: overridesSchema.optional(),
  /** Done in another way than the entry's own. */
  way: adaptedWaySchema.optional(),
});

/** What no single field can say: the entry is known, and has a side where it needs one. For `superRefine`. */
export function checkRequest(request: z.output<typeof requestFields>, context: z.RefinementCtx): void {
  if (request.own && request.own.id !== request.projectionId)
    context.addIssue({
      code: 'custom',
      path: ['own'],
      message: `The own entry is "${request.own.id}", not "${request.projectionId}"`,
    });
  if (!request.own && !hasProjection(request.projectionId)) {
    context.addIssue({
      code: 'custom',
      path: ['projectionId'],
      message: `There is no projection "${request.projectionId}"`,
    });
    return;
  }
  const projection = request.own ?? projectionOf(request.projectionId);
  if (projection.sided === 'each' && request.side === undefined) {
    context.addIssue({ code: 'custom', path: ['side'], message: `${projection.name} needs a side: left or right` });
  }
  if (request.digit !== undefined && !digitsOf(projection).includes(request.digit))
    context.addIssue({ code: 'custom', path: ['digit'], message: noSuchDigit(projection) });
}

export const setupRequestSchema = requestFields.superRefine(checkRequest);
export type SetupRequest = Omit<z.input<typeof setupRequestSchema>, 'own' | 'way'> & {
  own?: Projection;
  way?: AdaptedWay;
};

/**
 * The entry that a request is of, set for its digit.
 * @throws RangeError for an unknown projection, or a digit that it cannot be set for
 */
export function entryOf({
  own,
  projectionId,
  digit,
}: Pick<SetupRequest, 'own' | 'projectionId' | 'digit'>): Projection {
  const entry = own ?? projectionOf(projectionId);
  return digit === undefined ? entry : withDigit(entry, digit);
}
