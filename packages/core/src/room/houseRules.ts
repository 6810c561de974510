/**
 * House rules: where practice differs, the department picks. Each rule has its schools, a default and the reason
 * for the default in one line.
 */
import { z } from 'zod';

type RuleDefinition = { title: string; choices: Readonly<Record<string, string>>; default: string; reason: string };

const define = <const T extends Record<string, RuleDefinition>>(rules: T): T => rules;

export const RULES = define({
  unit: {
    title: 'Leading unit of length',
    choices: { in: 'inches', cm: 'centimetres' },
    default: 'in',
    reason: 'receptors and tapes of the demo rooms are in inches; the other unit is always shown beside it',
  },
  shielding: {
    title: 'Gonadal shielding',
    choices: {
      'local-code': 'as the local code says',
      always: 'always when outside the anatomy',
      'on-request': 'only when asked for',
    },
    default: 'local-code',
    reason: 'national guidance in many countries now advises against routine use: it can hide anatomy and upset AEC',
  },
  chestTechnique: {
    title: 'Chest kVp and grid',
    choices: { grid: '110 to 125 kVp with grid', 'no-grid': '80 to 95 kVp without grid' },
    default: 'grid',
    reason: 'even penetration of lung and mediastinum; the technique is recomputed either way',
  },
  decubitusTechnique: {
    title: 'Decubitus chest, technique',
    choices: { thickness: 'by thickness, about 100 kVp without grid', cap: 'as the PA, with a grid cap' },
    default: 'thickness',
    reason: 'without a grid when it cannot be kept perpendicular to the CR',
  },
  decubitusSid: {
    title: 'SID, decubitus chest',
    choices: { '72': '72 in', reach: 'as far as the room lets' },
    default: '72',
    reason: 'computed for what is reached',
  },
  chestReceptor: {
    title: 'Chest receptor',
    choices: { computed: 'by computed width', lengthwise: 'lengthwise', crosswise: 'crosswise' },
    default: 'computed',
    reason: 'the orientation follows the lungs of this patient',
  },
  chestCentring: {
    title: 'Chest, landmark for centring',
    choices: {
      all: 'all that can be palpated in this position',
      prominens: 'down from the vertebra prominens',
      scapula: 'inferior angles of the scapulae',
      notch: 'down from the jugular notch',
    },
    default: 'all',
    reason: 'two landmarks for one level catch a mistake; a hand span is never measured from the notch',
  },
  thoracicApPosition: {
    title: 'AP thoracic spine, position',
    choices: { supine: 'supine, knees flexed', standing: 'erect' },
    default: 'supine',
    reason: 'flexed knees lay the back flat on the table',
  },
  thoracicLateralWaist: {
    title: 'Lateral thoracic spine, sagging waist',
    choices: { sponge: 'sponge under the waist', angle: '12° cephalad instead' },
    default: 'sponge',
    reason: 'the spine is parallel to the table, and the CR stays perpendicular',
  },
  cervicalApPosition: {
    title: 'AP axial cervical spine, position',
    choices: { supine: 'supine', upright: 'erect' },
    default: 'supine',
    reason: 'the neck is at rest; erect shows it as it is carried',
  },
  kneeLateralOtherLeg: {
    title: 'Lateral knee, the other leg',
    choices: { front: 'in front', behind: 'behind' },
    default: 'front',
    reason: 'where the pelvis stays in true lateral; behind in a wide pelvis',
  },
  fossaForm: {
    title: 'Intercondylar fossa, form',
    choices: { able: 'by what the patient can do', kneeling: 'kneeling', prone: 'prone', supine: 'supine' },
    default: 'able',
    reason: 'the three are one relation of CR and leg',
  },
  patellaForm: {
    title: 'Tangential patella, form',
    choices: {
      able: 'by what the patient can do',
      supine: 'supine',
      prone: 'prone',
      flexed: 'knees over the end of the table',
    },
    default: 'able',
    reason: 'the three are one relation of CR and joint',
  },
  upperGiOrder: {
    title: 'Upper GI, order of the overheads',
    choices: {
      fewest: 'fewest rolls from where fluoroscopy ended',
      supine: 'supine first, rolling left to right',
      prone: 'prone first',
    },
    default: 'fewest',
    reason: 'each roll costs strength and mixes gas and barium anew',
  },
  upperGiReceptor: {
    title: 'Upper GI receptor',
    choices: { computed: 'computed', '10x12': '10×12', '14x17': '14×17 collimated' },
    default: 'computed',
    reason: 'the stomach lies with the build, and the field with it',
  },
  paediatricChestAec: {
    title: 'Chest of children, AEC and grid',
    choices: {
      thickness: 'manual under 10 cm, centre cell above',
      centre: 'AEC centre cell',
      manual: 'manual, no grid',
    },
    default: 'thickness',
    reason: 'the outer cells lie outside a small chest, and a thin one needs no grid',
  },
  paediatricChestFacing: {
    title: 'Chest of children, facing',
    choices: { AP: 'AP, facing the tube', PA: 'PA' },
    default: 'AP',
    reason: 'a restless child sees the parent; PA where the child keeps still',
  },
  paediatricAbdomenGrid: {
    title: 'Abdomen of children, grid',
    choices: { thickness: 'by thickness, from 10 cm', always: 'from infants up' },
    default: 'thickness',
    reason: 'under 10 cm there is little scatter, and the grid costs dose',
  },
  lateralThoracicBreathing: {
    title: 'Lateral thoracic spine',
    choices: { quiet: 'quiet breathing with a long exposure', suspended: 'suspended expiration' },
    default: 'quiet',
    reason: 'ribs and lung markings blur, the spine stays sharp',
  },
  cervicalLateralSid: {
    title: 'SID, lateral cervical spine',
    choices: { '72': '60 to 72 in', '40': '40 in' },
    default: '72',
    reason: 'the shoulder forces a large distance from neck to receptor',
  },
  cervicalApSid: {
    title: 'SID, AP cervical spine',
    choices: { '40': '40 in', '72': '60 to 72 in' },
    default: '40',
    reason: 'the neck lies near the receptor; with the mouth open always 40 in',
  },
  cervicalApAngle: {
    title: 'AP axial cervical spine, angle',
    choices: { '15': '15° cephalad', '20': '20° cephalad' },
    default: '15',
    reason: '15° supine or with little lordosis, 20° erect with marked lordosis',
  },
  sacrumCoccyxLateral: {
    title: 'Sacrum and coccyx lateral',
    choices: { combined: 'one exposure for both', separate: 'two exposures' },
    default: 'combined',
    reason: 'saves an exposure when both are ordered',
  },
  cervicothoracicAngle: {
    title: 'Cervicothoracic lateral',
    choices: { perpendicular: 'perpendicular', caudad: '4° caudad when the far shoulder cannot be depressed' },
    default: 'perpendicular',
    reason: 'one angle less to set and undo; the angle is offered when the shoulder stays high',
  },
  kneeApAngle: {
    title: 'AP knee angle',
    choices: { thickness: 'by the thickness of the pelvis', none: 'always 0°' },
    default: 'thickness',
    reason: 'the joint space opens when the CR is parallel to the tibial plateau, whose slope follows the pelvis',
  },
  kneeObliqueAngle: {
    title: 'Oblique knee, the angle of the AP',
    choices: { off: 'taken off', kept: 'kept' },
    default: 'off',
    reason: 'the CR is perpendicular to the rotated knee',
  },
  kneeLateralAngle: {
    title: 'Lateral knee angle',
    choices: { '5': '5° cephalad', '7': '7° cephalad' },
    default: '5',
    reason: 'enough to superimpose the medial condyle, which lies further from the receptor',
  },
  faceSid: {
    title: 'SID, facial bones',
    choices: { '40': '40 in', '72': '72 in' },
    default: '40',
    reason: 'the part touches the receptor, so magnification is small already',
  },
  skullFifteen: {
    title: 'PA axial skull and face, the 15°',
    choices: { tube: 'tube angled 15° caudad', neck: 'horizontal beam, neck or receptor tilted 15°' },
    default: 'tube',
    reason: 'the head lies the same for the PA and the PA axial',
  },
  sinusFifteen: {
    title: 'PA axial sinuses, the 15°',
    choices: { neck: 'horizontal beam, neck or receptor tilted 15°', tube: 'tube angled 15° caudad' },
    default: 'neck',
    reason: 'a horizontal beam shows air-fluid levels sharp',
  },
  halfAxialLine: {
    title: 'AP axial skull, reference line',
    choices: { OML: 'orbitomeatal line perpendicular, 30°', IOML: 'infraorbitomeatal line perpendicular, 37°' },
    default: 'OML',
    reason: 'the smaller angle elongates less',
  },
  nasalSides: {
    title: 'Nasal bones lateral',
    choices: { both: 'both sides', one: 'one side' },
    default: 'both',
    reason: 'a fracture may show from one side only',
  },
  sinusSid: {
    title: 'SID, sinuses',
    choices: { '40': '40 in', '72': '72 in' },
    default: '40',
    reason: 'the part touches the receptor, so magnification is small already',
  },
  footApAngle: {
    title: 'Foot AP angle',
    choices: { '10': '10° toward the heel', '0': 'perpendicular', '15': '15° toward the heel' },
    default: '10',
    reason: 'the CR is perpendicular to the metatarsals; the arch decides',
  },
  footOblique: {
    title: 'Foot oblique',
    choices: { turned: 'rotated medially 30 to 40°, CR perpendicular', angled: 'rotated less, with a tube angle' },
    default: 'turned',
    reason: 'one sponge, and no angle to take off the tube again',
  },
  humerusCentring: {
    title: 'Humerus, where to centre',
    choices: { computed: 'middle of the shaft, so that both joints fit', proximal: 'proximal third' },
    default: 'computed',
    reason: 'the centre lies between the joints of this patient, so that neither is clipped',
  },
  outletAngle: {
    title: 'Shoulder outlet angle',
    choices: { '12': '10 to 15° caudad', '25': '25° caudad' },
    default: '12',
    reason: 'opens the subacromial space without elongation',
  },
  acWeights: {
    title: 'Acromioclavicular joints, weights',
    choices: { tied: 'tied to the wrists', held: 'held in the hands' },
    default: 'tied',
    reason: 'the shoulders stay relaxed',
  },
  acReceptor: {
    title: 'Acromioclavicular joints, receptor',
    choices: { one: 'one crosswise for both joints', two: 'two smaller ones' },
    default: 'one',
    reason: 'one exposure, and both joints at one level',
  },
  enemaObliques: {
    title: 'Contrast enema obliques',
    choices: { posterior: 'posterior obliques (RPO, LPO)', anterior: 'anterior obliques (RAO, LAO)' },
    default: 'posterior',
    reason: 'after fluoroscopy the patient is supine already',
  },
  marker: {
    title: 'Side marker',
    choices: {
      receptor: 'on the receptor inside the collimated field',
      table: 'on the table or patient',
      software: 'in software only',
    },
    default: 'receptor',
    reason: 'a marker in the field cannot be set wrongly afterwards',
  },
});

export type RuleId = keyof typeof RULES;
export const RULE_IDS = Object.keys(RULES) as RuleId[];

/** One choice for every rule. */
export const houseRulesSchema = z
  .strictObject(
    Object.fromEntries(RULE_IDS.map((id) => [id, z.enum(Object.keys(RULES[id].choices) as [string, ...string[]])])) as {
      [K in RuleId]: z.ZodEnum;
    },
  )
  .partial();
export type HouseRules = { [K in RuleId]: keyof (typeof RULES)[K]['choices'] & string };

export const defaultRules: HouseRules = Object.fromEntries(RULE_IDS.map((id) => [id, RULES[id].default])) as HouseRules;

/** A choice that there no longer is, as an older record may have, is the default. */
export const withDefaults = (rules: Partial<Record<RuleId, string | number>> = {}): HouseRules => ({
  ...defaultRules,
  ...(Object.fromEntries(
    Object.entries(rules).filter(([id, choice]) => id in RULES && String(choice) in RULES[id as RuleId].choices),
  ) as Partial<HouseRules>),
});
