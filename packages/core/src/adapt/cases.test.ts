/**
 * Situations from practice, each with the ways that a careful colleague would take - one of them within the first three -
 * and with what must not be offered at all. Written from general teaching, without a look at what the search gives.
 */
import type { PatientInput } from '../body/patient';
import { projectionOf } from '../projections/catalogue';
import { MOBILE_UNIT, ROOM_ONE } from '../room/demoRooms';
import type { Room } from '../room/room';
import type { Situation } from '../setup/request';
import { findOtherWays } from './findOtherWays';
import type { OtherWay } from './otherWay';

type Way = {
  /** Entry, when another than the asked one will do. */
  id?: string;
  body: string;
  beam?: 'horizontal' | 'vertical';
  /** Nothing of the part is moved. */
  lies?: true;
  stool?: true;
  facing?: string;
  second?: true;
  /** The ray through the part is no further off than this, degrees. */
  off?: number;
};
type Case = {
  name: string;
  id: string;
  side?: 'left' | 'right';
  patient?: PatientInput;
  situation: Partial<Situation>;
  room?: Room;
  accepted: readonly Way[];
  /** Positions of the body that are wrong here, whatever they cost. */
  /** By body position, or by what is said of it. */
  rejected: readonly (string | RegExp)[];
};

const ADULT: PatientInput = { ageYears: 45, sex: 'female' };
const BOARD: Partial<Situation> = {
  place: 'resuscitation bay',
  canStand: false,
  canSit: false,
  canTurn: 'none',
  canProne: false,
  spineNotCleared: true,
  worn: ['collar', 'board'],
};
const LYING: Partial<Situation> = { canStand: false, canSit: false, canTurn: 'none', canProne: false };
const BROKEN: Partial<Situation> = { fractureSuspected: true, canStand: false };
const CHAIR: Partial<Situation> = { place: 'chair', canStand: false, canSit: true, canTurn: 'none', canProne: false };
const WARD: Partial<Situation> = { ...LYING, place: 'bedside' };
const PROPPED: Partial<Situation> = { ...WARD, canLieFlat: false, proppedDeg: 45 };
const INFANT: PatientInput = { ageYears: 0.25 };
const NEWBORN: PatientInput = { ageYears: 0.04 };
const INCUBATOR: Partial<Situation> = { ...LYING, canTurn: 'both', place: 'incubator', holder: 'someone' };
const OUT_OF_IT = ['upright', 'seated', 'semi-erect', 'prone', 'kneeling', 'sims'];
const HEAVY: PatientInput = { ageYears: 50, sex: 'male', massKg: 160 };
const OFF_THE_BACK = ['prone', 'lateral-recumbent', 'upright', 'seated', 'semi-erect', 'kneeling', 'sims'];
const TURNED = ['prone', 'lateral-recumbent', 'sims'];

const crossTable: Way = { body: 'supine', beam: 'horizontal' };
const fromAbove: Way = { body: 'supine', beam: 'vertical' };
const asItLies: Way = { body: 'supine', beam: 'horizontal', lies: true };

const CASES: readonly Case[] = [
  // On a board
  {
    name: 'lateral neck on a board',
    id: 'cervical-lateral',
    situation: BOARD,
    accepted: [crossTable],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'AP neck on a board',
    id: 'cervical-ap-axial',
    situation: BOARD,
    accepted: [fromAbove],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'open mouth on a board',
    id: 'cervical-ap-open-mouth',
    situation: BOARD,
    accepted: [fromAbove],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'oblique neck on a board',
    id: 'cervical-oblique-posterior',
    side: 'left',
    situation: BOARD,
    accepted: [fromAbove],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'cervicothoracic on a board',
    id: 'cervicothoracic-lateral',
    situation: BOARD,
    accepted: [crossTable],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'lateral thoracic spine on a board',
    id: 'thoracic-lateral',
    situation: BOARD,
    accepted: [crossTable],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'lateral lumbar spine on a board',
    id: 'lumbar-lateral',
    situation: BOARD,
    accepted: [crossTable],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'lateral sacrum on a board',
    id: 'sacrum-lateral',
    situation: BOARD,
    accepted: [crossTable],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'lateral coccyx on a board',
    id: 'coccyx-lateral',
    situation: BOARD,
    accepted: [crossTable],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'oblique lumbar spine on a board',
    id: 'lumbar-oblique-posterior',
    side: 'left',
    situation: BOARD,
    accepted: [fromAbove, { id: 'lumbar-lateral', ...crossTable }],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'chest on a board',
    id: 'chest-pa',
    situation: BOARD,
    accepted: [fromAbove, { id: 'chest-ap', ...fromAbove }],
    rejected: OFF_THE_BACK,
  },
  { name: 'pelvis on a board', id: 'pelvis-ap', situation: BOARD, accepted: [fromAbove], rejected: OFF_THE_BACK },
  {
    name: 'oblique ribs on a board',
    id: 'ribs-oblique-posterior',
    side: 'left',
    situation: BOARD,
    accepted: [fromAbove],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'oblique ribs of a man on a board',
    id: 'ribs-oblique-posterior',
    patient: { ageYears: 45, sex: 'male' },
    side: 'left',
    situation: BOARD,
    accepted: [fromAbove],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'lateral skull on a board',
    id: 'skull-lateral',
    side: 'left',
    situation: BOARD,
    accepted: [crossTable],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'PA skull on a board',
    id: 'skull-pa',
    situation: BOARD,
    accepted: [fromAbove, { id: 'skull-ap', ...fromAbove }],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'AP axial skull on a board',
    id: 'skull-ap-axial',
    situation: BOARD,
    accepted: [fromAbove],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'facial bones on a board',
    id: 'face-parietoacanthial',
    situation: BOARD,
    accepted: [fromAbove, { id: 'face-acanthioparietal', ...fromAbove }],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'scapular Y on a board',
    id: 'shoulder-scapular-y',
    side: 'left',
    situation: BOARD,
    accepted: [{ body: 'supine' }],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'free air on a board',
    id: 'abdomen-ap-upright',
    situation: { ...BOARD, suspected: ['free gas'] },
    accepted: [{ id: 'abdomen-decubitus-dorsal', ...crossTable }, crossTable, { id: 'abdomen-lateral', ...crossTable }],
    rejected: OFF_THE_BACK,
  },
  // A limb that may be broken
  {
    name: 'lateral hip, hip fracture',
    id: 'hip-axiolateral',
    side: 'left',
    situation: { ...LYING, suspected: ['hip fracture'] },
    accepted: [crossTable],
    rejected: TURNED,
  },
  {
    name: 'frog lateral, hip fracture',
    id: 'hip-lateral-frog',
    side: 'left',
    situation: { ...LYING, suspected: ['hip fracture'] },
    accepted: [
      { id: 'hip-axiolateral', ...crossTable },
      { id: 'hip-axiolateral-modified', ...crossTable },
    ],
    rejected: TURNED,
  },
  {
    name: 'both hips hurt',
    id: 'hip-axiolateral',
    side: 'left',
    situation: { ...LYING, suspected: ['hip fracture'], keepStill: ['right leg'] },
    accepted: [{ id: 'hip-axiolateral-modified', ...crossTable }, asItLies],
    rejected: TURNED,
  },
  {
    name: 'lateral knee, fracture',
    id: 'knee-lateral',
    side: 'left',
    situation: BROKEN,
    accepted: [asItLies],
    rejected: TURNED,
  },
  {
    name: 'lateral leg, fracture',
    id: 'leg-lateral',
    side: 'left',
    situation: BROKEN,
    accepted: [asItLies],
    rejected: TURNED,
  },
  {
    name: 'lateral distal femur, fracture',
    id: 'femur-lateral-distal',
    side: 'left',
    situation: BROKEN,
    accepted: [crossTable],
    rejected: TURNED,
  },
  {
    name: 'lateral ankle, fracture',
    id: 'ankle-lateral',
    side: 'left',
    situation: BROKEN,
    accepted: [asItLies],
    rejected: TURNED,
  },
  {
    name: 'mortise, fracture',
    id: 'ankle-mortise',
    side: 'left',
    situation: { ...BROKEN, keepStill: ['left leg'] },
    accepted: [fromAbove],
    rejected: TURNED,
  },
  {
    name: 'lateral elbow, fracture',
    id: 'elbow-lateral',
    side: 'left',
    situation: BROKEN,
    accepted: [{ body: 'seated', lies: true }, asItLies],
    rejected: TURNED,
  },
  {
    name: 'AP elbow that does not extend',
    id: 'elbow-ap',
    side: 'left',
    situation: { joints: { elbowFlexion_L: [60, 110] } },
    accepted: [
      { body: 'seated', second: true },
      { id: 'elbow-ap-flexed-humerus', body: 'seated' },
    ],
    rejected: ['prone', 'sims', 'kneeling'],
  },
  {
    name: 'lateral wrist, fracture',
    id: 'wrist-lateral',
    side: 'left',
    situation: BROKEN,
    accepted: [{ body: 'seated', lies: true }, asItLies],
    rejected: TURNED,
  },
  {
    name: 'lateral forearm, fracture',
    id: 'forearm-lateral',
    side: 'left',
    situation: BROKEN,
    accepted: [{ body: 'seated', lies: true }, asItLies],
    rejected: TURNED,
  },
  {
    name: 'lateral humerus, fracture',
    id: 'humerus-lateral',
    side: 'left',
    situation: BROKEN,
    accepted: [
      { id: 'humerus-transthoracic-lateral', body: 'seated' },
      { id: 'humerus-transthoracic-lateral', body: 'upright' },
      { id: 'humerus-transthoracic-lateral', body: 'supine' },
      { body: 'seated', lies: true },
      asItLies,
    ],
    rejected: ['prone'],
  },
  {
    name: 'axillary shoulder, dislocation',
    id: 'shoulder-axillary-inferosuperior',
    side: 'left',
    situation: { suspected: ['dislocation'], canRaiseArm: 'right', keepStill: ['left arm'] },
    accepted: [
      { id: 'shoulder-scapular-y', body: 'upright' },
      { id: 'shoulder-apical-oblique', body: 'upright' },
      { id: 'shoulder-scapular-y', body: 'seated' },
      { id: 'shoulder-apical-oblique', body: 'seated' },
      { body: 'supine', lies: true },
    ],
    rejected: ['prone', 'sims', 'kneeling'],
  },
  {
    name: 'AP knee that does not extend',
    id: 'knee-ap',
    side: 'left',
    situation: { ...LYING, joints: { kneeFlexion_L: [30, 60] } },
    accepted: [
      { body: 'supine', second: true },
      { body: 'supine', beam: 'vertical' },
    ],
    rejected: ['upright', 'seated', 'kneeling', ...TURNED],
  },
  {
    name: 'femur in traction',
    id: 'femur-lateral-distal',
    side: 'left',
    situation: { ...LYING, worn: ['traction'] },
    accepted: [crossTable, asItLies],
    rejected: TURNED,
  },
  // Wheelchair
  {
    name: 'AP knee in a wheelchair',
    id: 'knee-ap',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated', stool: true }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'lateral knee in a wheelchair',
    id: 'knee-lateral',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated', beam: 'horizontal' }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'AP ankle in a wheelchair',
    id: 'ankle-ap',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated', stool: true }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'lateral ankle in a wheelchair',
    id: 'ankle-lateral',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated', beam: 'horizontal' }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'AP foot in a wheelchair',
    id: 'foot-ap',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated' }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'lateral heel in a wheelchair',
    id: 'calcaneus-lateral',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated', beam: 'horizontal' }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'AP leg in a wheelchair',
    id: 'leg-ap',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated', stool: true }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'lateral lumbar spine in a wheelchair',
    id: 'lumbar-lateral',
    situation: CHAIR,
    accepted: [{ body: 'seated', beam: 'horizontal' }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'axial heel in a wheelchair',
    id: 'calcaneus-axial',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated', stool: true }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'hand in a wheelchair',
    id: 'hand-pa',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated' }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'elbow in a wheelchair',
    id: 'elbow-ap',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated' }],
    rejected: [...TURNED, 'supine', 'upright'],
  },
  {
    name: 'chest in a wheelchair',
    id: 'chest-pa',
    situation: CHAIR,
    accepted: [{ body: 'seated' }, { body: 'upright', beam: 'horizontal' }],
    rejected: [...TURNED, 'supine'],
  },
  {
    name: 'lateral chest in a wheelchair',
    id: 'chest-lateral',
    situation: CHAIR,
    accepted: [{ body: 'seated' }, { body: 'upright' }],
    rejected: [...TURNED, 'supine'],
  },
  {
    name: 'shoulder in a wheelchair',
    id: 'shoulder-ap-external',
    side: 'left',
    situation: CHAIR,
    accepted: [{ body: 'seated' }, { body: 'upright' }],
    rejected: [...TURNED, 'supine'],
  },
  {
    name: 'scoliosis of one who cannot stand',
    id: 'scoliosis-pa',
    situation: { canStand: false },
    accepted: [{ body: 'seated' }],
    rejected: ['kneeling', 'sims'],
  },
  // Ward
  {
    name: 'chest propped at 45°',
    id: 'chest-pa',
    situation: PROPPED,
    room: MOBILE_UNIT,
    accepted: [
      { body: 'semi-erect', facing: 'AP' },
      { id: 'chest-ap', body: 'semi-erect' },
    ],
    rejected: [...TURNED, 'supine', 'upright', 'seated'],
  },
  {
    name: 'lateral lumbar spine propped',
    id: 'lumbar-lateral',
    situation: PROPPED,
    accepted: [{ body: 'semi-erect', beam: 'horizontal' }],
    rejected: [...TURNED, 'supine'],
  },
  {
    name: 'AP knee propped',
    id: 'knee-ap',
    side: 'left',
    situation: PROPPED,
    accepted: [{ body: 'semi-erect' }],
    rejected: [...TURNED, 'supine'],
  },
  {
    name: 'tangential patella propped',
    id: 'patella-tangential-supine',
    side: 'left',
    situation: PROPPED,
    accepted: [{ id: 'patella-tangential-supine', body: 'semi-erect', beam: 'horizontal' }],
    rejected: [...TURNED, 'supine'],
  },
  {
    name: 'foot in lateral rotation propped',
    id: 'foot-oblique-lateral',
    side: 'left',
    situation: PROPPED,
    accepted: [{ id: 'foot-oblique-lateral', body: 'semi-erect' }],
    rejected: [...TURNED, 'supine'],
  },
  {
    name: 'intercondylar fossa in a wheelchair',
    id: 'fossa-kneeling',
    side: 'left',
    situation: CHAIR,
    accepted: [
      { id: 'fossa-supine', body: 'seated' },
      { id: 'fossa-prone', body: 'seated' },
    ],
    rejected: [...TURNED, 'supine', 'kneeling'],
  },
  {
    name: 'hand propped',
    id: 'hand-pa',
    side: 'left',
    situation: PROPPED,
    accepted: [{ body: 'semi-erect' }],
    rejected: [...TURNED, 'supine'],
  },
  {
    name: 'effusion of one who only lies',
    id: 'chest-pa',
    situation: { ...WARD, canTurn: 'both', suspected: ['fluid level'] },
    accepted: [
      { body: 'lateral-recumbent', beam: 'horizontal' },
      { id: 'chest-decubitus-ap', body: 'lateral-recumbent', beam: 'horizontal' },
      { body: 'semi-erect', beam: 'horizontal' },
    ],
    rejected: ['upright', 'seated', 'prone'],
  },
  {
    name: 'free air of one who only lies',
    id: 'abdomen-ap-upright',
    situation: { ...LYING, canTurn: 'both', suspected: ['free gas'] },
    accepted: [
      { body: 'lateral-recumbent', beam: 'horizontal' },
      { id: 'abdomen-decubitus-left-lateral', body: 'lateral-recumbent', beam: 'horizontal' },
    ],
    rejected: ['upright', 'seated', 'prone', 'kneeling'],
  },
  {
    name: 'heavy patient at the bedside',
    id: 'chest-ap',
    patient: HEAVY,
    situation: { ...WARD, canTurn: 'both' },
    room: MOBILE_UNIT,
    accepted: [{ body: 'supine' }, { body: 'semi-erect' }],
    rejected: ['upright', 'seated', 'prone'],
  },
  // Children
  {
    name: 'chest of an infant',
    id: 'chest-pa',
    patient: INFANT,
    situation: { holder: 'someone' },
    accepted: [fromAbove, { id: 'chest-ap', ...fromAbove }],
    rejected: ['seated', 'semi-erect', 'upright'],
  },
  {
    name: 'free air of a newborn',
    id: 'abdomen-ap-upright',
    patient: INFANT,
    situation: { suspected: ['free gas'] },
    accepted: [
      crossTable,
      { body: 'lateral-recumbent', beam: 'horizontal' },
      { id: 'abdomen-decubitus-left-lateral', body: 'lateral-recumbent', beam: 'horizontal' },
      { id: 'abdomen-decubitus-dorsal', ...crossTable },
    ],
    rejected: ['seated', 'semi-erect', 'upright'],
  },
  {
    name: 'hips of an infant',
    id: 'pelvis-ap',
    patient: INFANT,
    situation: { holder: 'someone' },
    accepted: [fromAbove],
    rejected: ['seated', 'semi-erect', 'upright'],
  },
  {
    name: 'chest of a newborn in an incubator',
    id: 'chest-pa',
    patient: NEWBORN,
    situation: INCUBATOR,
    room: MOBILE_UNIT,
    accepted: [fromAbove, { id: 'chest-ap', ...fromAbove }],
    rejected: OUT_OF_IT,
  },
  {
    name: 'free air of a newborn in an incubator',
    id: 'abdomen-ap-upright',
    patient: NEWBORN,
    situation: { ...INCUBATOR, canTurn: 'none', suspected: ['free gas'] },
    room: MOBILE_UNIT,
    accepted: [{ id: 'abdomen-decubitus-dorsal', ...crossTable }, crossTable],
    rejected: [...OUT_OF_IT, 'lateral-recumbent'],
  },
  // What is not there, and what is held
  {
    name: 'foot of the leg that is there',
    id: 'foot-ap',
    side: 'left',
    patient: { ...ADULT, amputated: ['right leg below the knee'] },
    situation: {},
    accepted: [{ body: 'supine' }, { body: 'seated' }],
    rejected: ['kneeling', 'head-down'],
  },
  {
    name: 'chest, both arms injured',
    id: 'chest-pa',
    situation: { keepStill: ['left arm', 'right arm'], canRaiseArm: 'none' },
    accepted: [
      { body: 'upright', lies: true },
      { body: 'seated', lies: true },
    ],
    rejected: ['lateral-recumbent'],
  },
  {
    name: 'lateral neck in a halo',
    id: 'cervical-lateral',
    situation: { ...LYING, worn: ['halo'] },
    accepted: [crossTable],
    rejected: TURNED,
  },
  {
    name: 'elbow held in acute flexion',
    id: 'elbow-ap',
    side: 'left',
    situation: { joints: { elbowFlexion_L: [100, 135] } },
    accepted: [
      { id: 'elbow-acute-flexion-humerus', body: 'seated' },
      { id: 'elbow-acute-flexion-forearm', body: 'seated' },
    ],
    rejected: ['prone', 'sims', 'kneeling'],
  },
  {
    name: 'decubitus with the arm of that side injured',
    id: 'abdomen-decubitus-left-lateral',
    situation: { keepStill: ['left arm'], canRaiseArm: 'right', suspected: ['free gas'] },
    accepted: [{ id: 'abdomen-ap-upright', body: 'upright' }],
    // On the other side it may lie: told as the wrong one for free gas, and last.
    rejected: [/Left lateral/],
  },
  {
    name: 'lateral elbow on a board',
    id: 'elbow-lateral',
    side: 'left',
    situation: { ...BOARD, fractureSuspected: true },
    accepted: [asItLies],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'lateral forearm on a board',
    id: 'forearm-lateral',
    side: 'left',
    situation: { ...BOARD, fractureSuspected: true },
    accepted: [asItLies],
    rejected: OFF_THE_BACK,
  },
  {
    name: 'hand of one who half sits in bed',
    id: 'hand-pa',
    side: 'left',
    situation: PROPPED,
    room: MOBILE_UNIT,
    accepted: [{ body: 'semi-erect', beam: 'vertical', facing: 'PA', off: 3 }],
    rejected: OFF_THE_BACK.filter((body) => body !== 'semi-erect'),
  },
  {
    name: 'heavy patient at the bedside, no grid there',
    id: 'chest-ap',
    patient: HEAVY,
    situation: { ...WARD, canTurn: 'both' },
    room: { ...MOBILE_UNIT, holders: MOBILE_UNIT.holders.map((each) => ({ ...each, grid: null })) },
    accepted: [fromAbove, { body: 'semi-erect' }],
    rejected: ['prone', 'sims', 'kneeling', 'upright'],
  },
  // Stiff
  {
    name: 'lateral lumbar spine, bent back',
    id: 'lumbar-lateral',
    situation: { canLieFlat: false, canProne: false, joints: { trunkFlexion: [25, 85] } },
    accepted: [
      { body: 'upright', beam: 'horizontal' },
      { body: 'seated', beam: 'horizontal' },
    ],
    rejected: ['supine', 'prone'],
  },
  {
    name: 'AP axial skull, chin that cannot be tucked',
    id: 'skull-ap-axial',
    situation: { joints: { headExtension: [8, 30] } },
    accepted: [{ body: 'supine', beam: 'vertical', off: 3 }],
    rejected: ['kneeling', 'sims', 'head-down'],
  },
  {
    name: 'intercondylar fossa, knee that does not bend far',
    id: 'fossa-kneeling',
    side: 'left',
    situation: { joints: { kneeFlexion_L: [0, 50] } },
    accepted: [
      { id: 'fossa-prone', body: 'prone' },
      { id: 'fossa-supine', body: 'supine' },
      { id: 'fossa-supine', body: 'upright' },
    ],
    rejected: ['kneeling'],
  },
  {
    name: 'collar, PA face',
    id: 'face-pa-axial',
    situation: { worn: ['collar'], canStand: false },
    accepted: [{ body: 'supine' }, { body: 'seated' }],
    rejected: TURNED,
  },
];

const isIt = (
  way: OtherWay,
  asked: string,
  { id = asked, body, beam, lies, stool, facing, second, off }: Way,
): boolean =>
  way.setup.projectionId === id &&
  way.setup.position.body === body &&
  (!beam || way.setup.tube.beam === beam) &&
  (!lies || way.setup.way?.asItLies === true) &&
  (!stool || way.setup.way?.onStool === true) &&
  (!facing || way.setup.position.facing === facing) &&
  (!second || way.second !== null) &&
  (off === undefined || way.offDeg <= off);

const inWords = (way: OtherWay): string => `${way.points} ${way.setup.projectionId}: ${way.says}`;

test('there are sixty of them', () => expect(CASES.length).toBeGreaterThanOrEqual(60));

test.each(CASES.map((each) => [each.name, each] as const))('%s', (_, each) => {
  const { id, side, patient = ADULT, situation, room = ROOM_ONE, accepted, rejected = [] } = each;
  const found = findOtherWays({ projectionId: id, side, patient, situation, room });
  const first = found.slice(0, 3);
  expect([first.map(inWords), first.some((way) => accepted.some((asked) => isIt(way, id, asked)))]).toEqual([
    expect.anything(),
    true,
  ]);
  const isRejected = ({ setup, says }: OtherWay) =>
    rejected.some((each) => (typeof each === 'string' ? each === setup.position.body : each.test(says)));
  expect(found.filter(isRejected).map(inWords)).toEqual([]);
  for (const { setup } of found) expect([setup.name, setup.feasible]).toEqual([setup.name, true]);
});

const waysOf = (id: string, situation: Partial<Situation>, patient: PatientInput = ADULT): OtherWay[] =>
  findOtherWays({ projectionId: id, side: projectionOf(id).sided === 'each' ? 'left' : undefined, patient, situation });

test('an own way that leaves the part alone is not priced as one that moves it', () => {
  const ways = waysOf('hip-axiolateral', { ...BROKEN, keepStill: ['hip', 'left leg', 'right leg'] });
  const both = ways.find(({ setup }) => setup.projectionId === 'hip-axiolateral-modified');
  expect(both?.says).toMatch(/both legs as they lie/);
  expect(both?.costs.map(({ code }) => code)).not.toContain('cost-posing');
});

test('a view at a right angle to the one that was asked comes after every way to the asked one', () => {
  const ways = waysOf('femur-lateral-distal', BROKEN);
  const frontal = ways.findIndex(({ setup }) => setup.projectionId === 'femur-ap-distal');
  const lateral = ways.findIndex(({ setup }) => setup.projectionId === 'femur-lateral-distal');
  expect([lateral, frontal > lateral]).toEqual([0, true]);
});

test('an axial shoulder is not taken down an arm that hangs at the side', () => {
  const ways = waysOf('shoulder-axillary-inferosuperior', { canRaiseArm: 'right', keepStill: ['left arm'] });
  expect(ways.length).toBeGreaterThan(0);
  expect(ways.map(({ setup }) => setup.projectionId)).not.toContain('shoulder-axillary-inferosuperior');
});

test.each([
  ['three months', INFANT, null],
  ['forty-five years', ADULT, 10],
] as const)('the grid for a pelvis at %s', (_, patient, ratio) => {
  const [first] = waysOf('pelvis-ap', LYING, patient);
  expect([first?.setup.position.body, first?.setup.receptor.grid?.ratio ?? null]).toEqual(['supine', ratio]);
});
