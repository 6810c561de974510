/**
 * What a projection is: data from which the words, the numbers and the drawing are all computed.
 */
import { z } from 'zod';
import {
  ASPECTS,
  BODY_POSITIONS,
  BREATH_PHASES,
  DEMANDS,
  HEAD_LINES,
  SUPPORTED_PARTS,
  HOLDERS,
  MOTIONLESS_PARTS,
  OPENED_JOINTS,
  PLACING_IDS,
  POSE_NAMES,
  REGIONS,
  SETTLED,
  SIGN_IDS,
  STUDIED,
  STUDY_STAGES,
  VIEWS,
} from './vocabulary';

/** Directions on the body, named for the anatomical position of the part. */
export const TOWARD = ['head', 'feet', 'front', 'back', 'left', 'right'] as const;
export type Toward = (typeof TOWARD)[number];

const mm = z.number().finite().min(0).max(2500);
const offset = z.strictObject({
  toward: z.enum(TOWARD),
  mm,
  /** Grows and shrinks with the body (a hand's breadth does, a safety margin does not). */
  scales: z.boolean().default(true),
});

/** A place on the body: a landmark (or the middle of a structure), or the middle between two, and how far to go from it. */
const atLandmark = z.strictObject({ landmark: z.string(), offset: z.array(offset).default([]) });
const betweenTwo = z.strictObject({
  between: z.tuple([z.string(), z.string()]),
  offset: z.array(offset).default([]),
});
export type Place = z.infer<typeof atLandmark> | z.infer<typeof betweenTwo>;

const covered = {
  name: z.string(),
  marginMm: z.number().finite().min(-100).max(400).default(10),
  /** Count this item along the body, across it, or both ways. */
  axis: z.enum(['along', 'across', 'both']).default('both'),
};
/**
 * What must be in the picture: a place or all of a structure, with room round it. Written out, not as an intersection: the
 * published schema of that would refuse every entry, each half seeing the fields of the other as strange.
 */
const cover = z.union([
  atLandmark.extend(covered),
  betweenTwo.extend(covered),
  z.strictObject({ structure: z.string(), ...covered }),
]);

const poseName = z.enum(POSE_NAMES);
/** Angles of joints by movement, degrees, of the left side form; checked against the body's movements by the proofs. */
const joints = z.record(z.string(), z.number().min(-180).max(180)).default({});

const positioningSchema = z.strictObject({
  body: z.enum(BODY_POSITIONS),
  /** Level or straight down; level upright, down in every other position when left out. */
  beam: z.enum(['horizontal', 'vertical']).optional(),
  /** Side of the patient that lies beneath; from the view when left out. */
  on: z.enum(ASPECTS).optional(),
  holders: z.array(z.enum(HOLDERS)).min(1),
  /** Segments of the body that rest on the holder. */
  contact: z.array(z.string()).min(1),
  /** Poses added in this position. */
  pose: z.array(poseName).default([]),
  joints,
  /** Segment in whose frame the ray is meant and that is laid on the holder; the trunk when left out. */
  partFrame: z.string().optional(),
  /** Limbs that are held as posed and do not sink to the table. */
  supported: z.array(z.enum(SUPPORTED_PARTS)).default([]),
  /** May be done sitting on a stool where the position is upright. */
  seatable: z.boolean().default(false),
  /** What this position needs besides, where it is not the usual one: the aids of the entry are for that. */
  aids: z.array(z.string()).optional(),
  /** How the position is asked for, one line. */
  say: z.string(),
  /** What of it sets the head: not told where the neck must stay. */
  head: z.string().optional(),
  /** What takes its place, all poses included, when a fracture is suspected or the spine is not cleared. */
  ifInjured: z.strictObject({ say: z.string(), pose: z.array(poseName) }).optional(),
  /** What takes its place where the other arm is not raised; the tube makes up for it: toward the head above 0. */
  ifOtherArmStays: z.strictObject({ say: z.string(), joints, tubeDeg: z.number().min(-45).max(45) }).optional(),
});

/** Of the point that the central ray goes through. */
const aimed = {
  point: z.enum(['enter', 'through', 'exit']),
  /** Side-to-side or front-to-back line on which it lies. */
  line: z.string(),
  checkBy: z.array(z.string()),
  /** The point on the skin as it is taught for an adult. */
  taught: z.string().optional(),
  /** The same as a place, held against where the ray enters (or leaves) the body. */
  taughtAt: z
    .strictObject({
      marks: z.array(z.string()).min(1).max(2),
      offset: z.array(offset),
      /** Only its level along the receptor is held against the ray. */
      level: z.boolean().default(false),
      /** Why the two lie apart by more than a finger’s breadth, where they do. */
      settled: z.string().optional(),
    })
    .optional(),
  /** What the ray must pass, and how near: the taught aim held against the body model. */
  reaches: z.strictObject({ structure: z.string(), withinMm: mm.default(20) }).optional(),
};

const GROUPS = [
  'room',
  'patient',
  'position',
  'centre',
  'field',
  'marker',
  'protect',
  'technique',
  'breathe',
  'expose',
  'check',
] as const;
export const STEP_GROUPS = GROUPS;
export type StepGroup = (typeof GROUPS)[number];

const fault = z.strictObject({
  id: z.string(),
  sign: z.string(),
  cause: z.string(),
  correction: z.string(),
  /** The sign, or the place in the light, from which the amount of the correction is computed. */
  measuredBy: z.enum([...SIGN_IDS, ...PLACING_IDS]).optional(),
});

const caution = z.strictObject({
  text: z.string(),
  /** Grave cautions also stand under the title. */
  grave: z.boolean().default(false),
  /** Shown only when the situation says so. */
  when: z.enum(['always', 'spineNotCleared', 'fractureSuspected', 'pregnancyPossible', 'child']).default('always'),
  group: z.enum(GROUPS).default('position'),
});

export const projectionSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  name: z.string(),
  /** What of the name says how the patient stands or lies: another way is called by its own position instead. */
  nameSaysPosition: z.string().min(1).optional(),
  alsoCalled: z.array(z.string()),
  region: z.enum(REGIONS),
  part: z.string(),
  sided: z.enum(['each', 'none']),
  /** What it asks of the patient beyond being there: what a fracture, a dislocation or an uncleared spine bars. */
  demands: z.array(z.enum(DEMANDS)).default([]),
  /** Signs by which the picture is measured; none where the body has no pair of marks that would tell. */
  signs: z.array(z.enum(SIGN_IDS)).default([]),
  /** Joints that it is made to open. */
  opens: z.enum(OPENED_JOINTS).optional(),
  /** The study with contrast of which it is a part, and which part. */
  study: z.strictObject({ of: z.enum(STUDIED), as: z.enum(STUDY_STAGES) }).optional(),
  /** Fluid levels and free gas are looked for, which only a level ray shows. */
  showsLevels: z.boolean().default(false),
  /** Minutes in the position before the exposure, for fluid to settle and gas to rise. */
  settleMinutes: z.number().int().min(1).max(60).optional(),
  /** Minutes after the contrast at which it is taken: each once, then again and again. */
  contrastMinutes: z
    .strictObject({
      at: z.array(z.number().int().min(1).max(600)).min(1),
      thenEvery: z.number().int().min(1).max(240).optional(),
    })
    .optional(),
  /** What is read on it before anything is done that waits for it. */
  settles: z.enum(SETTLED).optional(),
  waitsFor: z.enum(SETTLED).optional(),
  /** For laterals of the trunk: the side that lies on the receptor unless another is asked for. */
  nearSide: z.enum(['left', 'right']).optional(),
  shows: z.string(),
  positions: z.array(positioningSchema).min(1),
  /** Poses, by name, of the left side form. */
  pose: z.array(poseName).default([]),
  joints,
  /** Brings a line of the head to this angle with the receptor by raising or lowering the chin. */
  headLine: z.strictObject({ line: z.enum(HEAD_LINES), toReceptorDeg: z.number().min(0).max(120) }).optional(),
  ray: z.strictObject({
    view: z.enum(VIEWS),
    /** Turns of part against ray and receptor together: the far end of the ray swings toward a side of the part. */
    swing: z.array(z.strictObject({ toward: z.enum(TOWARD), degrees: z.number().min(0).max(90) })).default([]),
    /** From one mark of the part to another: lies up the receptor instead of the part's long axis. */
    along: z.tuple([z.string(), z.string()]).optional(),
    /** Side of the part that lies up the receptor instead. */
    up: z.enum(TOWARD).optional(),
    /** Angle of the tube, the receptor staying where it is. */
    angleDeg: z.number().min(0).max(60).default(0),
    toward: z.enum(['head', 'feet']).default('head'),
    /** Another angle for a woman's or a man's pelvis, where it is known which it is. */
    angleBySex: z.strictObject({ male: z.number().min(0).max(60), female: z.number().min(0).max(60) }).optional(),
    rangeDeg: z.tuple([z.number(), z.number()]),
    /** How the two ways of the angle are called where "head" and "feet" would not be understood. */
    says: z.tuple([z.string(), z.string()]).optional(),
    /** A loose receptor is tipped so that it stays square to the angled ray. */
    receptorSquare: z.boolean().default(false),
    /** A loose receptor that touches nothing behind the part stands so far beyond the aim, along the ray. */
    receptorBeyondMm: z.number().min(0).max(600).optional(),
    /** The ray of a limb view passes the trunk too, and the exposure counts it. */
    throughTrunk: z.boolean().default(false),
    /** The angle follows from a measure of this patient. */
    angleBy: z.enum(['pelvis-thickness']).optional(),
  }),
  aim: z.union([atLandmark.extend(aimed), betweenTwo.extend(aimed)]),
  cover: z.array(cover).min(1),
  /** Long bone along which the collimator is turned when it lies slanted. */
  alongBone: z.tuple([z.string(), z.string()]).optional(),
  /** May be split into exposures along the body, or laid diagonally. */
  mayTilt: z.boolean().default(false),
  maySplit: z.boolean().default(false),
  /** `always`: for a small child too, who otherwise goes by thickness. */
  grid: z.enum(['yes', 'no', 'by-thickness', 'always']),
  sid: z.strictObject({ wantedMm: mm, rangeMm: z.tuple([mm, mm]) }),
  receptor: z.strictObject({
    usual: z.string(),
    orientation: z.enum(['lengthwise', 'crosswise']),
    note: z.string().optional(),
    /** Laid so whatever the field would lie better in. */
    force: z.enum(['lengthwise', 'crosswise']).optional(),
    /** The one that is taken whatever smaller one would do, where the holder has it. */
    size: z.string().optional(),
    /** Why the computed receptor or its way up is another than the usual one for a median adult. */
    differs: z.string().optional(),
  }),
  exposure: z.strictObject({
    kVp: z.number().min(40).max(150),
    kVpRange: z.tuple([z.number(), z.number()]),
    kVpNoGrid: z.number().min(40).max(150),
    /** Parts thinner than 10 cm. */
    kVpThin: z.number().min(40).max(150),
    chart: z.strictObject({
      mAs: z.number().positive(),
      thicknessMm: mm,
      sidMm: mm,
      gridRatio: z.number().min(0),
      kVp: z.number(),
      fieldMm: z.tuple([mm, mm]),
    }),
    /** Water-equivalent share of the thickness: lung below 1, bone above. */
    composition: z.number().min(0.3).max(1.6),
    aecCells: z.enum(['none', 'centre', 'outer', 'all']),
    /** A child too, however small, is taken with this cell. */
    childAec: z.literal('centre').optional(),
    focalSpot: z.enum(['small', 'large']),
    longExposure: z.boolean().default(false),
    /** Without a grid, by hand and at this kVp, from the thinnest to the thickest, while the child is small. */
    smallChild: z.strictObject({ kVp: z.tuple([z.number().min(45), z.number().max(100)]) }).optional(),
    /**
     * Where the thickness is taken: along the central ray; or, as many times the chart's as this patient has more than
     * the median adult, through what must be shown (where the central ray passes beside it), over the whole field
     * (where part and what lies over it change from place to place, and not alike with the build), or along the central
     * ray (where the model holds more in its way, as the other digits, than lies there).
     */
    thicknessBy: z.enum(['ray', 'shown', 'field', 'heavy-by-field', 'proportion']).default('ray'),
  }),
  /** What is said and when follows from it, and how full the lungs are then. */
  breathing: z.strictObject({
    phase: z.enum(BREATH_PHASES),
    /** What is kept still, where that is said. */
    still: z.enum(MOTIONLESS_PARTS).optional(),
    /** What is let down with the breath out. */
    drops: z.enum(['shoulder', 'shoulders']).optional(),
    /** Why then, for who learns it. */
    why: z.string().optional(),
  }),
  marker: z.strictObject({
    /** What it stays clear of, and where in the light, as it is said in the entry's own position. */
    place: z.string(),
    extra: z.array(z.string()).default([]),
    /** Edge of the light; the upper one when left out. */
    row: z.enum(['upper', 'lower']).optional(),
    /** Way off the part; by the view when left out: lateral of a limb, in front of a lateral, else the letter's side. */
    toward: z.enum(['letter side', 'front', 'back', 'lateral', 'medial', 'up']).optional(),
    /** Letter of an unpaired part that is marked by the side of the organ instead of the right. */
    letter: z.enum(['R', 'L']).optional(),
    /** Both sides are shown for comparison and each bears its letter. */
    both: z.boolean().default(false),
  }),
  protection: z.array(
    z.strictObject({
      text: z.string(),
      /** Lead or a shield on somebody, which is carried there and taken away again. */
      lead: z.boolean().default(false),
      /** Only where the local code asks, unless the house has a rule of its own. */
      ifAsked: z.boolean().default(false),
    }),
  ),
  remove: z.array(z.string()),
  /** Seen to once. */
  prepare: z.array(z.string()),
  /** Brought, laid or tied for the usual position, and taken away again. */
  aids: z.array(z.string()).default([]),
  aidsUnlessInjured: z.array(z.string()).default([]),
  steps: z.array(
    z.strictObject({
      group: z.enum(GROUPS),
      text: z.string(),
      /** Left out when moving the part could harm. */ unlessInjured: z.boolean().default(false),
      /** Sets the head: left out where the neck must stay. */
      setsHead: z.boolean().default(false),
      /** Positions of the body that it is for; all of the entry's when left out. */
      in: z.array(z.enum(BODY_POSITIONS)).min(1).optional(),
    }),
  ),
  checks: z.array(z.string()).min(2),
  faults: z.array(fault),
  variants: z
    .array(
      z.strictObject({
        rule: z.string(),
        choice: z.string(),
        /** Only for patients who are children, or younger than this. */
        when: z.literal('child').optional(),
        underYears: z.number().positive().optional(),
        /** In a routine these are taken in its place; where it is asked for by name it stays. */
        takes: z.array(z.string()).min(1).optional(),
        /** In a routine of both sides only the one that was ordered. */
        oneSide: z.literal(true).optional(),
        /** What is other than in the entry, field by field; null takes a field away. */
        set: z.looseObject({ positions: z.array(positioningSchema).min(1).optional() }).default({}),
        reason: z.string(),
      }),
    )
    .default([]),
  /**
   * Digits that it may be set for besides its own, or one by one where it shows several. Marks of the entry's own digit
   * become those of the other; what else is other than in the entry stands here, field by field.
   */
  digits: z
    .array(
      z.strictObject({
        digit: z.number().int().min(1).max(5),
        set: z.looseObject({ positions: z.array(positioningSchema).min(1).optional() }).default({}),
      }),
    )
    .default([]),
  cautions: z.array(caution).default([]),
  instead: z
    .array(
      z.strictObject({
        projection: z.string(),
        loses: z.string(),
        /** It shows the part from the side where this entry shows it from in front, or the other way about. */
        atRightAngle: z.boolean().default(false),
      }),
    )
    .default([]),
  /** Bones drawn bright: prefixes of structure names. */
  brightBones: z.array(z.string()),
  confidence: z.enum(['taught', 'typical', 'unsure']),
  note: z.string().optional(),
  sources: z.array(z.string()).min(1),
});

export type Projection = z.infer<typeof projectionSchema>;
export type ProjectionSource = z.input<typeof projectionSchema>;
export type Study = NonNullable<Projection['study']>;
export type CoverItem = Projection['cover'][number];
export type Positioning = Projection['positions'][number];
export type CoverSource = ProjectionSource['cover'][number];
export type PositioningSource = ProjectionSource['positions'][number];
