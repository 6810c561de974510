/**
 * Words that entries share with the body and the room: positions of the whole patient, and poses of its parts.
 * What they mean in degrees and planes is written where the body is (body/poses, room/stance).
 */
export const BODY_POSITIONS = [
  'upright',
  'seated',
  'kneeling',
  'supine',
  'prone',
  'lateral-recumbent',
  'sims',
  'semi-erect',
  'head-down',
] as const;
export type BodyPosition = (typeof BODY_POSITIONS)[number];

export const POSE_NAMES = [
  'chin-up',
  'chin-a-little-up',
  'chin-down',
  'neck-bent-forward',
  'neck-bent-back',
  'head-turned',
  'head-away',
  'mouth-open',
  'arms-clear',
  'hands-at-face',
  'shoulders-rolled',
  'arms-overhead',
  'arms-forward',
  'near-arm-up',
  'arms-crossed',
  'arm-across-chest',
  'arm-out',
  'elbow-bent',
  'forearm-on-table',
  'palm-up-on-table',
  'fist',
  'fingers-fanned',
  'thumb-out',
  'hand-to-ulna',
  'hand-to-radius',
  'wrist-back',
  'bent-forward',
  'bent-back',
  'bent-left',
  'turned-left',
  'feet-turned-in',
  'legs-as-they-lie',
  'leg-square',
  'leg-turned-in',
  'knees-up',
  'knees-drawn-up',
  'knee-bent-a-little',
  'knee-bent',
  'other-leg-forward',
  'other-leg-raised',
  'frog-legs',
  'foot-up',
  'foot-pointed',
  'foot-inverted',
  'sitting',
  'sitting-other-arm',
  'sitting-relaxed-arms',
  'kneeling',
  'sims',
] as const;
export type PoseName = (typeof POSE_NAMES)[number];

export const ASPECTS = ['back', 'front', 'left', 'right'] as const;
/** A side of the patient. */
export type Aspect = (typeof ASPECTS)[number];

/**
 * Course of the ray through the part in anatomical position: AP front to back, PA back to front, lateral out through
 * the near side, medial in through it, up toward the head end, down toward the foot end.
 */
export const VIEWS = ['AP', 'PA', 'lateral', 'medial', 'up', 'down'] as const;
export type View = (typeof VIEWS)[number];

/** What carries the receptor; `stand`: loose, upright beside the patient; `floor`: a plate to stand on. */
export const HOLDERS = ['table-tray', 'table-top', 'wall', 'bed', 'incubator-tray', 'stand', 'floor'] as const;
export type HolderKind = (typeof HOLDERS)[number];

export const SUPPORTED_PARTS = ['head', 'arm_L', 'arm_R', 'leg_L', 'leg_R'] as const;
/** Parts of the pose that are held up by the patient, a support or a helper and do not sink. */
export type SupportedPart = (typeof SUPPORTED_PARTS)[number];

/** Lines from the ear opening to the outer canthus, lower orbital margin, acanthion, lips, chin, glabella; from the mastoid tip to the upper teeth. */
export const HEAD_LINES = ['OML', 'IOML', 'AML', 'LML', 'MML', 'GML', 'TML'] as const;
export type HeadLine = (typeof HEAD_LINES)[number];

/** What a view asks that some patients must not do. */
export const DEMANDS = ['weights', 'stress', 'weight-bearing', 'bent-neck', 'bent-trunk', 'rotated-arm'] as const;

/** Marks whose places on a picture betray how the part lay; what each measures is written in critique/signs. */
export const SIGN_IDS = [
  'clavicle-ends',
  'rear-ribs',
  'clavicles-high',
  'ribs-up',
  'first-ribs',
  'coccyx',
  'pelvis-tilt',
  'hips-level',
  'hip-bones',
  'hip-bones-up',
  'lumbar-arches',
  'process-L3',
  'process-T7',
  'process-C5',
  'plates-L3',
  'plates-T7',
  'plates-C5',
  'orbits',
  'orbits-level',
  'petrous',
  'ears-front',
  'ears-up',
  'basal',
  'jaw-sides',
  'jaw-angles',
  'jaw-angles-up',
  'teeth',
  'dens-side',
  'styloids',
  'metacarpals',
  'pisiform',
  'epicondyles',
  'epicondyles-up',
  'olecranon',
  'borders',
  'blade-up',
  'coracoid',
  'coracoid-up',
  'condyles',
  'condyles-up',
  'kneecap',
  'kneecap-up',
  'malleoli',
  'malleoli-up',
  'heel-aside',
  'heel-up',
  'tarsus',
  'tarsus-up',
  'heel',
  'heel-side',
  'lesser-trochanter',
  'tuberosity',
] as const;
export type SignId = (typeof SIGN_IDS)[number];

/** Measures that every picture has: the part in the light, along and across it, and straight in it. */
export const PLACING_IDS = ['centre-along', 'centre-across', 'crooked'] as const;

/** Rows of joints that a view is made to open. */
export const OPENED_JOINTS = [
  'cervical facet joints',
  'thoracic facet joints',
  'lumbar facet joints',
  'sacroiliac joints',
] as const;
export type OpenedJoints = (typeof OPENED_JOINTS)[number];

/** Organs into which contrast is given, and what of such a study a view is. */
export const STUDIED = ['oesophagus', 'stomach', 'small bowel', 'large bowel', 'urinary tract', 'bladder'] as const;
export const STUDY_STAGES = ['scout', 'filled', 'level ray', 'emptied'] as const;

/** What a first view settles before others are taken. */
export const SETTLED = ['neck', 'acromioclavicular joints'] as const;

/** What is done with the breath while the exposure is made; `none`: a part is kept still, whatever the breath. */
export const BREATH_PHASES = [
  'second in',
  'in',
  'slowly in',
  'out',
  'in and out',
  'quiet',
  'suspended',
  'swallow',
  'none',
] as const;
export type BreathPhase = (typeof BREATH_PHASES)[number];
export const MOTIONLESS_PARTS = ['hand', 'arm', 'foot', 'whole'] as const;

export const REGIONS = [
  'chest',
  'abdomen',
  'hand and wrist',
  'forearm, elbow, humerus',
  'shoulder',
  'foot and ankle',
  'leg and knee',
  'femur, hip, pelvis',
  'spine',
  'skull and face',
  'contrast overheads',
] as const;
export type Region = (typeof REGIONS)[number];
