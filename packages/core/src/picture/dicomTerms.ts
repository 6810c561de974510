/**
 * What a picture shows, in the terms of DICOM: region of the body, laterality, view, and which way its rows and columns run
 * on the patient. Source: DICOM PS3.16 CID 4009 and 4010, PS3.3 C.7.6.1.1.1 and C.8.11.5; codes of SNOMED CT.
 */
import { inPart } from '../critique/directions';
import { dot, negate, type Vec3 } from '../geometry/vector';
import { hasProjection, projectionOf } from '../projections/catalogue';
import { ROOM_DOWN } from '../room/position';
import type { Setup } from '../setup/setup';

export type Term = { CodeValue: string; CodingSchemeDesignator: 'SCT'; CodeMeaning: string };
const sct = (value: string, meaning: string): Term => ({
  CodeValue: value,
  CodingSchemeDesignator: 'SCT',
  CodeMeaning: meaning,
});

type Shown = { term: Term; bodyPart: string; paired: boolean };
const shown = (value: string, meaning: string, bodyPart: string, paired: boolean): Shown => ({
  term: sct(value, meaning),
  bodyPart,
  paired,
});

const CHEST = shown('51185008', 'Chest', 'CHEST', false);
const NECK = shown('45048000', 'Neck', 'NECK', false);
const RIBS = shown('113197003', 'Rib', 'RIB', true);
const STERNUM = shown('56873002', 'Sternum', 'SSTERNUM', false);
const CLAVICLE = shown('51299004', 'Clavicle', 'CLAVICLE', true);
const ABDOMEN = shown('818981001', 'Abdomen', 'ABDOMEN', false);
const PELVIS = shown('12921003', 'Pelvis', 'PELVIS', false);
const FINGER = shown('7569003', 'Finger', 'FINGER', true);
const THUMB = shown('76505004', 'Thumb', 'THUMB', true);
const HAND = shown('85562004', 'Hand', 'HAND', true);
const WRIST = shown('8205005', 'Wrist', 'WRIST', true);
const FOREARM = shown('14975008', 'Forearm', 'FOREARM', true);
const ELBOW = shown('76248009', 'Elbow', 'ELBOW', true);
const UPPER_ARM = shown('40983000', 'Upper arm', 'HUMERUS', true);
const SHOULDER = shown('16982005', 'Shoulder', 'SHOULDER', true);
const SCAPULA = shown('79601000', 'Scapula', 'SCAPULA', true);
const TOE = shown('29707007', 'Toe', 'TOE', true);
const FOOT = shown('56459004', 'Foot', 'FOOT', true);
const CALCANEUS = shown('80144004', 'Calcaneus', 'CALCANEUS', true);
const ANKLE = shown('70258002', 'Ankle', 'ANKLE', true);
const LOWER_LEG = shown('30021000', 'Lower leg', 'LEG', true);
const KNEE = shown('72696002', 'Knee', 'KNEE', true);
const PATELLA = shown('64234005', 'Patella', 'PATELLA', true);
const THIGH = shown('68367000', 'Thigh', 'FEMUR', true);
const HIP = shown('24136001', 'Hip joint', 'HIP', true);
const LOWER_LIMB = shown('61685007', 'Lower limb', 'LEG', true);
const CERVICAL = shown('122494005', 'Cervical spine', 'CSPINE', false);
const THORACIC = shown('122495006', 'Thoracic spine', 'TSPINE', false);
const LUMBAR = shown('122496007', 'Lumbar spine', 'LSPINE', false);
const SPINE = shown('421060004', 'Spine', 'SPINE', false);
const SACRUM = shown('54735007', 'Sacrum', 'SACRUM', false);
const COCCYX = shown('64688005', 'Coccyx', 'COCCYX', false);
const SACROILIAC = shown('39723000', 'Sacroiliac joint', 'SIJOINT', true);
const SKULL = shown('89546000', 'Skull', 'SKULL', false);
const FACE = shown('89545001', 'Face', 'FACE', false);
const ORBIT = shown('363654007', 'Orbit', 'ORBIT', true);
const MANDIBLE = shown('91609006', 'Mandible', 'JAW', false);
const JAW_JOINT = shown('53620006', 'Temporomandibular joint', 'TMJ', true);

const both = (one: Shown): Shown => ({ ...one, paired: true });

/** By the part that an entry says it shows. */
const BY_PART: Readonly<Record<string, Shown | undefined>> = {
  'lungs and heart': CHEST,
  lungs: CHEST,
  apices: CHEST,
  'upper airway': NECK,
  'ribs 1 to 9': RIBS,
  'ribs 8 to 12': RIBS,
  ribs: RIBS,
  sternum: STERNUM,
  'sternoclavicular joints': CLAVICLE,
  'sternoclavicular joint': CLAVICLE,
  abdomen: ABDOMEN,
  kidneys: ABDOMEN,
  bladder: PELVIS,
  finger: FINGER,
  thumb: THUMB,
  'first CMC joint': THUMB,
  'MCP joint of the thumb': THUMB,
  hand: HAND,
  hands: HAND,
  'hand and wrist': HAND,
  wrist: WRIST,
  scaphoid: WRIST,
  'carpal canal': WRIST,
  'dorsum of the wrist': WRIST,
  forearm: FOREARM,
  elbow: ELBOW,
  'radial head': ELBOW,
  'coronoid process': ELBOW,
  humerus: UPPER_ARM,
  'proximal humerus': UPPER_ARM,
  'distal humerus': UPPER_ARM,
  shoulder: SHOULDER,
  'glenohumeral joint': SHOULDER,
  'humeral head': SHOULDER,
  'coracoid process': SHOULDER,
  scapula: SCAPULA,
  clavicle: CLAVICLE,
  'acromioclavicular joints': SHOULDER,
  'acromioclavicular joint': SHOULDER,
  toes: TOE,
  sesamoids: FOOT,
  foot: FOOT,
  calcaneus: CALCANEUS,
  hindfoot: CALCANEUS,
  'subtalar joint': ANKLE,
  ankle: ANKLE,
  knee: KNEE,
  knees: KNEE,
  leg: LOWER_LEG,
  'intercondylar fossa': KNEE,
  patella: PATELLA,
  patellae: PATELLA,
  femur: THIGH,
  hip: HIP,
  hips: HIP,
  pelvis: PELVIS,
  'pelvic ring': PELVIS,
  acetabulum: HIP,
  ilium: both(PELVIS),
  legs: LOWER_LIMB,
  'thoracic spine': THORACIC,
  'C5 to T4': CERVICAL,
  sacrum: SACRUM,
  coccyx: COCCYX,
  'sacrum and coccyx': SACRUM,
  'C1 and C2': CERVICAL,
  'cervical spine': CERVICAL,
  'C3 to T2': CERVICAL,
  'C1 to C7': CERVICAL,
  'C4 to C7': CERVICAL,
  dens: CERVICAL,
  'lumbar spine': LUMBAR,
  'L5 and S1': LUMBAR,
  'sacroiliac joints': SACROILIAC,
  'sacroiliac joint': SACROILIAC,
  'whole spine': SPINE,
  skull: SKULL,
  'occipital bone': SKULL,
  'sella turcica': SKULL,
  'base of the skull': SKULL,
  'petrous bone': both(SKULL),
  mastoid: both(SKULL),
  face: FACE,
  nose: FACE,
  sinuses: FACE,
  orbits: ORBIT,
  orbit: ORBIT,
  'zygomatic arches': both(FACE),
  'zygomatic arch': both(FACE),
  mandible: MANDIBLE,
  'temporomandibular joints': JAW_JOINT,
  'temporomandibular joint': JAW_JOINT,
  oesophagus: CHEST,
  'stomach and duodenum': ABDOMEN,
  'small bowel': ABDOMEN,
  'large bowel': ABDOMEN,
  rectum: PELVIS,
  sigmoid: PELVIS,
  'urinary tract': ABDOMEN,
};
/** Of an entry of a department’s own, whose part is in its own words: no more than its region says. */
const BY_REGION: Readonly<Record<string, Shown | undefined>> = {
  chest: CHEST,
  abdomen: ABDOMEN,
  'hand and wrist': HAND,
  'forearm, elbow, humerus': FOREARM,
  shoulder: SHOULDER,
  'foot and ankle': FOOT,
  'leg and knee': LOWER_LEG,
  'femur, hip, pelvis': THIGH,
  spine: SPINE,
  'skull and face': SKULL,
  'contrast overheads': ABDOMEN,
};

/** What is shown, in terms; null for a set-up of before regions were kept. */
export function shownOf({ projectionId, region }: Pick<Setup, 'projectionId' | 'region'>): Shown | null {
  const part = hasProjection(projectionId) ? projectionOf(projectionId).part : '';
  return BY_PART[part] ?? (region === null ? null : (BY_REGION[region] ?? null));
}

/** R and L of one of a pair, B of both, U of what is there once. */
export function lateralityOf(setup: Setup): 'L' | 'R' | 'B' | 'U' {
  if (!shownOf(setup)?.paired) return 'U';
  return setup.side === null ? 'B' : setup.side === 'left' ? 'L' : 'R';
}

const VIEWS: Readonly<Record<string, Term | undefined>> = {
  AP: sct('399348003', 'antero-posterior'),
  PA: sct('272479007', 'postero-anterior'),
  LL: sct('399198007', 'left lateral'),
  RL: sct('399173006', 'right lateral'),
  LLD: sct('399348003', 'antero-posterior'),
  RLD: sct('399348003', 'antero-posterior'),
};
/** The ray of a limb’s lateral goes out at its lateral side, or in there. */
const OF_A_LIMB: Readonly<Record<string, Term | undefined>> = {
  lateral: sct('399260004', 'medio-lateral'),
  medial: sct('399352003', 'latero-medial'),
};

const LIMB = /_[LR]$/;
const AP_OR_PA = /^(AP|PA)$/;

/** From here on a side points that way. */
const MOSTLY = 0.7;
const sideBy = (along: number): 'left' | 'right' | null => (along > MOSTLY ? 'left' : along < -MOSTLY ? 'right' : null);

/** Code of the position for the view; empty where DICOM has none for it. */
export function viewPositionOf(setup: Setup): string {
  const { position, tube, inPart: parts } = setup;
  if (LIMB.test(parts[0]?.segment ?? '')) return AP_OR_PA.test(position.facing) ? position.facing : '';
  if (AP_OR_PA.test(position.facing)) {
    const lies = position.body === 'lateral-recumbent' && tube.beam === 'horizontal';
    const down = lies ? sideBy(inPart(setup, ROOM_DOWN).d[0]) : null;
    return down === null ? position.facing : down === 'left' ? 'LLD' : 'RLD';
  }
  // The side at which the ray goes out lies on the receptor.
  const near = sideBy(parts[0]?.ray[0] ?? 0);
  return near === null ? '' : near === 'left' ? 'LL' : 'RL';
}

export function viewTermOf(setup: Setup): Term | null {
  const { facing } = setup.position;
  const position = viewPositionOf(setup);
  const fromBehind = facing === 'PA' && position.endsWith('LD');
  return (
    (fromBehind ? VIEWS.PA : VIEWS[position]) ??
    (LIMB.test(setup.inPart[0]?.segment ?? '') ? (OF_A_LIMB[facing] ?? null) : null)
  );
}

/** Axes of the body: left, back, head. */
const LETTERS: readonly (readonly [Vec3, string])[] = [
  [[1, 0, 0], 'L'],
  [[-1, 0, 0], 'R'],
  [[0, 1, 0], 'P'],
  [[0, -1, 0], 'A'],
  [[0, 0, 1], 'H'],
  [[0, 0, -1], 'F'],
];
/** Less than this share of a direction is not named: some 15°. */
const LEAST = 0.26;
const lettersOf = (d: Vec3): string =>
  LETTERS.map(([axis, letter]) => ({ letter, share: dot(axis, d) }))
    .filter(({ share }) => share > LEAST)
    .sort((a, b) => b.share - a.share)
    .map(({ letter }) => letter)
    .join('');

/** Which way the rows and the columns of the stored picture run on the part. @param mirrored as it hangs */
export function orientationOf(setup: Setup, mirrored: boolean): [rows: string, columns: string] {
  const { u, v } = setup.scene.receptor;
  const across = inPart(setup, u).d;
  return [lettersOf(mirrored ? negate(across) : across), lettersOf(negate(inPart(setup, v).d))];
}
