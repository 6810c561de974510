/** Abdomen. Values are general teaching of the field. */
import {
  all,
  amid,
  askFirst,
  author,
  fault,
  leadIfAsked,
  lost,
  neverMove,
  pair,
  point,
  ray,
  sid,
  steps,
  swung,
  technique,
  usual,
  positioning,
} from './write';
import type { CoverSource, ProjectionSource, PositioningSource } from './schema';

const belly = author('abdomen', {
  sided: 'none',
  grid: 'by-thickness',
  sid: sid(40, 40, 48),
  breathing: { phase: 'out', why: 'the diaphragm is high' },
  marker: { place: 'lower corner of the field, beside the pelvis', row: 'lower', extra: [] },
  protection: [leadIfAsked('gonadal shield for men, below the symphysis pubis')],
  remove: ['clothing with zips or metal below the chest'],
  prepare: [],
  steps: [],
  cautions: [askFirst],
});

const TRUNK = ['thorax', 'lumbar', 'pelvis'];
export const abdomenDose = (
  kVp = 80,
  mAs = 22,
  thicknessMm = 215,
  field: [number, number] = [350, 430],
  composition = 1.08,
) =>
  technique(kVp, mAs, thicknessMm, field, {
    grid: 10,
    without: 74,
    thin: 64,
    cells: 'all',
    composition,
    range: 8,
  });
export const flanks: CoverSource[] = [
  point('ASIS_L', 'left iliac wing', 6, 'across'),
  point('ASIS_R', 'right iliac wing', 6, 'across'),
];
const kub: CoverSource[] = [
  ...flanks,
  point('symphysis_sup', 'symphysis pubis', 4, 'along'),
  ...pair('kidney', 'kidney', 10, 'along'),
];
const withDome: CoverSource[] = [...flanks, all('left_hemidiaphragm', 'domes of the diaphragm', 12, 'along')];
const bones = ['L', 'ilium', 'iliac', 'isch', 'pubic', 'superior_pubic', 'rib10', 'rib11', 'rib12', 'S'];
const onCrests = (options: object = {}) =>
  amid('iliac_crest_L', 'iliac_crest_R', 'midline, level of the iliac crests or a finger lower', {
    from: [['feet', 12]],
    checkBy: ['iliac_crest_L', 'ASIS_L'],
    ...options,
  });
/** @param forward from the crests, which lie behind the middle of the trunk, mm */
const aboveCrests = (mm: number, line: string, { taught, forward = 0 }: { taught?: string; forward?: number } = {}) =>
  amid('iliac_crest_L', 'iliac_crest_R', line, {
    from: [...(mm > 0 ? [['head', mm] as const] : []), ...(forward > 0 ? [['front', forward] as const] : [])],
    point: 'through',
    taught,
    checkBy: ['iliac_crest_L', 'xiphoid_tip'],
  });
const rotated = fault(
  'rotated',
  'Iliac wings not symmetrical',
  'Pelvis rotated',
  'Bring both ASIS to the same distance from the receptor',
  'process-L3',
);
const back = (say: string, more: Partial<PositioningSource> = {}): PositioningSource =>
  positioning('supine', ['table-tray', 'table-top', 'bed'], TRUNK, say, { pose: ['arms-clear'], ...more });
const airFirst = 'Five minutes in this position before the exposure: free air has to rise.';

export const abdomen: ProjectionSource[] = [
  belly({
    id: 'abdomen-ap-supine',
    name: 'Abdomen, AP, supine',
    alsoCalled: [
      'KUB',
      'flat plate',
      'abdomen',
      'plain abdomen',
      'belly',
      'acute abdomen',
      'kidney stones',
      'supine abdomen',
      'feeding tube',
    ],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    shows: 'Kidneys to symphysis pubis: calcifications, bowel gas, tubes',
    positions: [back('Supine, support under the knees')],
    ray: ray('AP'),
    aim: onCrests(),
    cover: kub,
    maySplit: true,
    receptor: usual('14×17', 'lengthwise', { note: 'two crosswise in a hypersthenic build' }),
    exposure: abdomenDose(),
    checks: [
      'Upper poles of the kidneys to the symphysis pubis included',
      'Iliac wings symmetrical',
      'Outline of the psoas muscles seen',
    ],
    faults: [
      rotated,
      fault(
        'low-cut',
        'Symphysis pubis clipped',
        'Centred too high',
        'Lower edge of the field just below the symphysis pubis',
      ),
    ],
    variants: [
      {
        rule: 'paediatricAbdomenGrid',
        choice: 'always',
        when: 'child',
        set: { grid: 'always' },
        reason: 'one habit from the first day of life',
      },
    ],
    instead: [lost('abdomen-pa', 'kidneys further from the receptor')],
    brightBones: bones,
  }),
  belly({
    id: 'abdomen-ap-upright',
    name: 'Abdomen, AP, erect',
    alsoCalled: [
      'upright abdomen',
      'erect abdomen',
      'free air',
      'air fluid levels',
      'acute abdomen',
      'obstruction',
      'perforation',
    ],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    shows: 'Free intraperitoneal air under the diaphragm, air-fluid levels',
    positions: [
      positioning('upright', ['wall'], TRUNK, '{erect}, back to the receptor, arms clear of the field', {
        seatable: true,
        pose: ['arms-clear'],
      }),
    ],
    ray: ray('AP'),
    aim: aboveCrests(65, 'midline', { taught: '2 to 3 in above the iliac crests' }),
    cover: withDome,
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise'),
    exposure: abdomenDose(80, 36, 235),
    marker: { place: 'lower corner of the field, beside the pelvis', row: 'lower', extra: ['upright', 'arrow up'] },
    steps: steps('position', airFirst),
    checks: ['Both domes of the diaphragm included', 'No rotation', 'Air-fluid levels sharp: the beam was horizontal'],
    faults: [
      fault(
        'dome-cut',
        'Domes of the diaphragm clipped',
        'Centred as for the supine abdomen',
        'Centre 2 to 3 in above the iliac crests',
      ),
      rotated,
    ],
    cautions: [
      {
        text: 'A patient who is faint is not stood up: take the left lateral decubitus instead.',
        grave: true,
        group: 'position',
      },
      neverMove,
    ],
    instead: [
      lost('abdomen-decubitus-left-lateral', 'nothing for free air: seen along the liver'),
      lost('abdomen-decubitus-dorsal', 'small amounts of free air'),
    ],
    variants: [
      {
        rule: 'paediatricAbdomenGrid',
        choice: 'always',
        when: 'child',
        set: { grid: 'always' },
        reason: 'one habit from the first day of life',
      },
    ],
    brightBones: bones,
  }),
  belly({
    id: 'abdomen-pa',
    name: 'Abdomen, PA, prone',
    alsoCalled: ['prone abdomen', 'abdomen face down', 'KUB prone'],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    shows: 'Abdomen where the kidneys are not asked for; less dose to the gonads',
    positions: [
      positioning('prone', ['table-tray', 'table-top'], TRUNK, 'Prone, arms up beside the head', {
        joints: { shoulderAbduction: 110, elbowFlexion: 90 },
      }),
    ],
    ray: ray('PA'),
    aim: onCrests({ point: 'through' }),
    cover: [
      ...flanks,
      point('symphysis_sup', 'symphysis pubis', 4, 'along'),
      all('L1_body', 'first lumbar vertebra', 10, 'along'),
    ],
    maySplit: true,
    receptor: usual('14×17', 'lengthwise'),
    exposure: abdomenDose(80, 20, 205),
    checks: ['Symphysis pubis to the upper abdomen included', 'Iliac wings symmetrical'],
    faults: [rotated],
    cautions: [neverMove],
    instead: [lost('abdomen-ap-supine', 'nothing but some dose to the gonads')],
    brightBones: bones,
  }),
  belly({
    id: 'abdomen-pa-upright',
    name: 'Abdomen, PA, erect',
    alsoCalled: ['upright abdomen PA', 'standing abdomen facing', 'erect abdomen PA'],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    shows: 'Free intraperitoneal air under the diaphragm and air-fluid levels, with less dose to the gonads',
    positions: [
      positioning('upright', ['wall'], TRUNK, '{erect}, facing the receptor, arms clear of the field', {
        seatable: true,
        pose: ['arms-clear'],
      }),
    ],
    ray: ray('PA'),
    aim: aboveCrests(65, 'midline', { taught: '2 to 3 in above the iliac crests' }),
    cover: withDome,
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise'),
    exposure: abdomenDose(80, 36, 235),
    marker: { place: 'lower corner of the field, beside the pelvis', row: 'lower', extra: ['upright', 'arrow up'] },
    steps: steps('position', airFirst),
    checks: ['Both domes of the diaphragm included', 'No rotation', 'Air-fluid levels sharp: the beam was horizontal'],
    faults: [
      fault(
        'dome-cut',
        'Domes of the diaphragm clipped',
        'Centred as for the supine abdomen',
        'Centre 2 to 3 in above the iliac crests',
      ),
      rotated,
    ],
    cautions: [
      {
        text: 'A patient who is faint is not stood up: take the left lateral decubitus instead.',
        grave: true,
        group: 'position',
      },
      neverMove,
    ],
    instead: [
      lost('abdomen-ap-upright', 'nothing but some dose to the gonads'),
      lost('abdomen-decubitus-left-lateral', 'nothing for free air: seen along the liver'),
    ],
    brightBones: bones,
  }),
  belly({
    id: 'abdomen-decubitus-left-lateral',
    name: 'Abdomen, AP, left lateral decubitus',
    alsoCalled: ['left lateral decubitus abdomen', 'decub abdomen', 'free air decubitus', 'LLD', 'pneumoperitoneum'],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    shows: 'Free intraperitoneal air along the liver, air-fluid levels, where the patient cannot stand',
    positions: [
      positioning(
        'lateral-recumbent',
        ['stand', 'wall'],
        TRUNK,
        'Left lateral recumbent on a firm pad, back to the upright receptor, knees flexed, arms raised',
        { beam: 'horizontal', on: 'left', pose: ['knees-drawn-up', 'arms-overhead'] },
      ),
    ],
    ray: ray('AP'),
    aim: aboveCrests(80, 'midline', { taught: '2 in above the iliac crests, higher where the domes would be clipped' }),
    cover: withDome,
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise', { note: 'long side along the trunk' }),
    exposure: abdomenDose(82, 30, 230),
    marker: { place: 'on the side up', toward: 'up', extra: [] },
    prepare: [],
    aids: ['firm pad under the flank'],
    steps: steps('position', 'At least five, better ten to twenty minutes on the side: free air has to rise'),
    checks: ['Side up and both domes of the diaphragm included', 'No rotation', 'Free air and air-fluid levels sharp'],
    faults: [
      fault(
        'high-cut',
        'Side up clipped',
        'Centred to the middle of the receptor, not of the patient',
        'The side up must be included: that is where free air collects',
      ),
    ],
    cautions: [neverMove, { text: 'Rails up or somebody beside: a patient can roll off.', group: 'position' }],
    variants: [
      {
        rule: 'paediatricAbdomenGrid',
        choice: 'always',
        when: 'child',
        set: { grid: 'always' },
        reason: 'one habit from the first day of life',
      },
    ],
    instead: [
      lost('abdomen-decubitus-dorsal', 'small amounts of free air'),
      lost('abdomen-ap-upright', 'nothing, for one who stands or sits'),
    ],
    brightBones: bones,
  }),
  belly({
    id: 'abdomen-decubitus-dorsal',
    name: 'Abdomen, lateral, dorsal decubitus',
    alsoCalled: [
      'dorsal decubitus abdomen',
      'cross table abdomen',
      'shoot through abdomen',
      'aneurysm',
      'free air supine',
    ],
    part: 'abdomen',
    signs: ['hip-bones', 'hip-bones-up'],
    showsLevels: true,
    nearSide: 'left',
    shows: 'Air-fluid levels, free air under the anterior abdominal wall, calcification of the aorta',
    positions: [
      positioning(
        'supine',
        ['stand', 'wall'],
        TRUNK,
        'Supine on a firm pad, {near} side against the upright receptor, arms raised, horizontal beam',
        { beam: 'horizontal', pose: ['arms-overhead'] },
      ),
    ],
    ray: ray('lateral'),
    aim: aboveCrests(80, 'midcoronal plane', {
      taught: '2 in above the iliac crests, higher where the domes would be clipped',
      forward: 35,
    }),
    cover: [
      point('umbilicus', 'anterior abdominal wall', 12, 'across'),
      all('L3_body', 'spine', 10, 'across'),
      all('left_hemidiaphragm', 'diaphragm', 5, 'along'),
      point('iliac_crest_L', 'iliac crests', 10, 'along'),
    ],
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise', { note: 'long side along the trunk' }),
    exposure: abdomenDose(88, 56, 310, [300, 400], 0.97),
    marker: { place: 'anterior to the abdomen, inside the field', toward: 'front', extra: ['arrow up'] },
    steps: steps('position', airFirst),
    checks: ['Anterior abdominal wall included', 'Domes of the diaphragm included', 'No rotation'],
    faults: [
      fault(
        'front-cut',
        'Anterior abdominal wall clipped',
        'Centred too far posterior',
        'Raise the CR to the midcoronal plane',
      ),
    ],
    brightBones: ['L', 'iliac', 'ilium'],
  }),
  belly({
    id: 'abdomen-lateral',
    name: 'Abdomen, lateral',
    alsoCalled: ['lateral abdomen', 'abdomen side', 'aortic calcification', 'prevertebral'],
    part: 'abdomen',
    signs: ['hip-bones', 'hip-bones-up'],
    showsLevels: true,
    nearSide: 'left',
    shows: 'Prevertebral space, hernia, depth of a foreign body',
    positions: [
      positioning(
        'lateral-recumbent',
        ['table-tray', 'table-top'],
        TRUNK,
        '{down} lateral recumbent, knees flexed, arms raised',
        {
          pose: ['knees-drawn-up', 'arms-overhead'],
        },
      ),
    ],
    ray: ray('lateral'),
    aim: aboveCrests(0, 'midcoronal plane, level of the iliac crests', { forward: 25 }),
    cover: [
      point('umbilicus', 'anterior abdominal wall', 12, 'across'),
      all('L3_body', 'spine', 10, 'across'),
      all('L1_body', 'first lumbar vertebra', 8, 'along'),
      all('S1_body', 'sacrum', 8, 'along'),
    ],
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise', {
      differs: 'the depth of a median man’s abdomen, magnified half as large again, is a little more than 14 in',
    }),
    exposure: abdomenDose(88, 56, 310, [300, 400], 0.97),
    checks: ['Anterior abdominal wall included', 'Iliac bones superimposed'],
    faults: [
      fault(
        'rotated',
        'Iliac bones not superimposed',
        'Pelvis rotated',
        'Move the upper hip forward or back',
        'hip-bones',
      ),
    ],
    cautions: [neverMove],
    variants: [
      {
        rule: 'paediatricAbdomenGrid',
        choice: 'always',
        when: 'child',
        set: { grid: 'always' },
        reason: 'one habit from the first day of life',
      },
    ],
    instead: [lost('abdomen-decubitus-dorsal', 'nothing: the patient stays supine')],
    brightBones: ['L', 'iliac', 'ilium'],
  }),
  belly({
    id: 'abdomen-oblique-posterior',
    name: 'Abdomen, AP oblique (RPO or LPO)',
    alsoCalled: ['oblique abdomen', 'RPO LPO KUB', 'stone oblique', 'renal oblique'],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    sided: 'each',
    shows:
      'Kidney of the elevated side parallel to the receptor, ureter of the dependent side clear of the spine; the side named is dependent',
    positions: [back('Supine, rotated {turn} to the {oblique} position, the elevated side on a wedge')],
    ray: { ...swung(ray('AP'), ['left', 30]), throughTrunk: true },
    aim: onCrests({ point: 'through' }),
    cover: [...pair('kidney', 'kidney', 6), point('symphysis_sup', 'symphysis pubis', 4, 'along')],
    maySplit: true,
    receptor: usual('14×17', 'lengthwise', {
      differs: 'rotated, kidneys and symphysis pubis of a median man are a little longer than one receptor',
    }),
    exposure: abdomenDose(80, 40, 240),
    prepare: [],
    aids: ['30° wedge'],
    checks: ['Both kidneys and the bladder included', 'Kidney of the elevated side parallel to the receptor'],
    cautions: [neverMove],
    faults: [
      fault(
        'turn',
        'Kidney of the elevated side foreshortened',
        'Rotated too little or too much',
        'Rotate to 30°: the kidney of the elevated side is then parallel to the receptor',
      ),
    ],
    brightBones: bones,
  }),
];
