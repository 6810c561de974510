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
  way,
} from './write';
import type { CoverSource, ProjectionSource, WaySource } from './schema';

const belly = author('abdomen', {
  sided: 'none',
  grid: 'by-thickness',
  sid: sid(40, 40, 48),
  breathing: { phase: 'out', why: 'the diaphragm is high' },
  marker: { place: 'lower corner, beside the pelvis', row: 'lower', extra: [] },
  protection: [leadIfAsked('shield for the gonads of men, below the symphysis')],
  remove: [
    'clothing with zips or metal below the chest',
    'belt, coins and keys',
    'navel jewellery',
    'wet nappy or pad',
  ],
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
  point('ASIS_L', 'left wing of the hip bone', 6, 'across'),
  point('ASIS_R', 'right wing of the hip bone', 6, 'across'),
];
const kub: CoverSource[] = [
  ...flanks,
  point('symphysis_sup', 'symphysis', 4, 'along'),
  ...pair('kidney', 'kidney', 10, 'along'),
];
const withDome: CoverSource[] = [...flanks, all('left_hemidiaphragm', 'domes of the diaphragm', 12, 'along')];
const bones = ['L', 'ilium', 'iliac', 'isch', 'pubic', 'superior_pubic', 'rib10', 'rib11', 'rib12', 'S'];
const onCrests = (options: object = {}) =>
  amid('iliac_crest_L', 'iliac_crest_R', 'midline, level of the crests or a finger lower', {
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
const rotated = fault('rotated', 'Wings of the hip bones unlike', 'Pelvis turned', 'Level both ASIS', 'process-L3');
const back = (say: string, more: Partial<WaySource> = {}): WaySource =>
  way('supine', ['table-tray', 'table-top', 'bed'], TRUNK, say, { pose: ['arms-clear'], ...more });
const airFirst = 'Five minutes in this position before the exposure: air has to rise.';

export const abdomen: ProjectionSource[] = [
  belly({
    id: 'abdomen-ap-supine',
    name: 'Abdomen, AP, lying',
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
    shows: 'Kidneys to symphysis: stones, gas, tubes',
    positions: [back('Lying on the back, support under the knees')],
    ray: ray('AP'),
    aim: onCrests(),
    cover: kub,
    maySplit: true,
    receptor: usual('14×17', 'lengthwise', { note: 'two crosswise in the broad' }),
    exposure: abdomenDose(),
    checks: ['Upper poles of the kidneys to the symphysis', 'Wings of the hip bones alike', 'Edge of the psoas seen'],
    faults: [
      rotated,
      fault('low-cut', 'Symphysis cut', 'Centred too high', 'Lower edge of the light just below the symphysis'),
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
    name: 'Abdomen, AP, standing',
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
    shows: 'Free air under the diaphragm, fluid levels',
    positions: [
      way('upright', ['wall'], TRUNK, 'Standing or seated, back on the receptor, arms clear', {
        seatable: true,
        pose: ['arms-clear'],
      }),
    ],
    ray: ray('AP'),
    aim: aboveCrests(65, 'midline', { taught: '2 to 3 in above the crests' }),
    cover: withDome,
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise'),
    exposure: abdomenDose(80, 36, 235),
    marker: { place: 'lower corner, beside the pelvis', row: 'lower', extra: ['upright', 'arrow up'] },
    steps: steps('position', airFirst),
    checks: ['Both domes of the diaphragm', 'No turn', 'Fluid levels sharp: ray was level'],
    faults: [
      fault('dome-cut', 'Domes cut', 'Centred as for the lying abdomen', 'Centre 2 to 3 in above the crests'),
      rotated,
    ],
    cautions: [
      {
        text: 'A patient who is faint is not stood up: take the left side down instead.',
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
    name: 'Abdomen, PA',
    alsoCalled: ['prone abdomen', 'abdomen face down', 'KUB prone'],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    shows: 'Abdomen where the kidneys are not asked for; less dose to the gonads',
    positions: [
      way('prone', ['table-tray', 'table-top'], TRUNK, 'Face down, arms up beside the head', {
        joints: { shoulderAbduction: 110, elbowFlexion: 90 },
      }),
    ],
    ray: ray('PA'),
    aim: onCrests({ point: 'through' }),
    cover: [
      ...flanks,
      point('symphysis_sup', 'symphysis', 4, 'along'),
      all('L1_body', 'first lumbar vertebra', 10, 'along'),
    ],
    maySplit: true,
    receptor: usual('14×17', 'lengthwise'),
    exposure: abdomenDose(80, 20, 205),
    checks: ['Symphysis to the upper abdomen', 'Wings of the hip bones alike'],
    faults: [rotated],
    cautions: [neverMove],
    instead: [lost('abdomen-ap-supine', 'nothing but some dose to the gonads')],
    brightBones: bones,
  }),
  belly({
    id: 'abdomen-decubitus-left-lateral',
    name: 'Abdomen, AP, left side down',
    alsoCalled: ['left lateral decubitus abdomen', 'decub abdomen', 'free air decubitus', 'LLD', 'pneumoperitoneum'],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    shows: 'Free air along the liver, fluid levels, where the patient cannot stand',
    positions: [
      way(
        'lateral-recumbent',
        ['stand', 'wall'],
        TRUNK,
        'Lying on the left side on a firm pad, back on the upright receptor, knees bent, arms up',
        { beam: 'horizontal', on: 'left', pose: ['knees-drawn-up', 'arms-overhead'] },
      ),
    ],
    ray: ray('AP'),
    aim: aboveCrests(80, 'midline', { taught: '2 in above the crests, higher where the domes would be cut' }),
    cover: withDome,
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise', { note: 'long side along the trunk' }),
    exposure: abdomenDose(82, 30, 230),
    marker: { place: 'on the side that is up', toward: 'up', extra: [] },
    prepare: [],
    aids: ['firm pad under the flank'],
    steps: steps('position', 'At least five, better ten to twenty minutes on the side: air has to rise'),
    checks: ['High flank and both domes whole', 'No turn', 'Air and fluid lines sharp'],
    faults: [
      fault(
        'high-cut',
        'High flank cut',
        'Centred to the middle of the receptor, not of the patient',
        'The high side must be whole: that is where the air lies',
      ),
    ],
    cautions: [neverMove, { text: 'Rails up or somebody beside: patients roll off.', group: 'position' }],
    variants: [
      {
        rule: 'paediatricAbdomenGrid',
        choice: 'always',
        when: 'child',
        set: { grid: 'always' },
        reason: 'one habit from the first day of life',
      },
    ],
    instead: [lost('abdomen-decubitus-dorsal', 'small amounts of free air')],
    brightBones: bones,
  }),
  belly({
    id: 'abdomen-decubitus-dorsal',
    name: 'Abdomen, lateral, on the back, ray level',
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
    shows: 'Fluid levels, free air under the belly wall, lime in the aorta',
    positions: [
      way(
        'supine',
        ['stand', 'wall'],
        TRUNK,
        'Lying on the back on a firm pad, side on the upright receptor, arms up, ray level',
        { beam: 'horizontal', pose: ['arms-overhead'] },
      ),
    ],
    ray: ray('lateral'),
    aim: aboveCrests(80, 'midcoronal plane', {
      taught: '2 in above the crests, higher where the domes would be cut',
      forward: 35,
    }),
    cover: [
      point('umbilicus', 'front of the belly', 12, 'across'),
      all('L3_body', 'spine', 10, 'across'),
      all('left_hemidiaphragm', 'diaphragm', 5, 'along'),
      point('iliac_crest_L', 'crests', 10, 'along'),
    ],
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise', { note: 'long side along the trunk' }),
    exposure: abdomenDose(88, 56, 310, [300, 400], 0.97),
    marker: { place: 'above the belly, inside the light', toward: 'front', extra: ['arrow up'] },
    steps: steps('position', airFirst),
    checks: ['Front of the belly not cut', 'Domes of the diaphragm seen', 'No turn'],
    faults: [
      fault('front-cut', 'Front of the belly cut', 'Centred too far back', 'Raise the ray to the midcoronal plane'),
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
    shows: 'Space before the spine, hernia, a foreign body’s depth',
    positions: [
      way('lateral-recumbent', ['table-tray', 'table-top'], TRUNK, 'Lying on the side, knees bent, arms up', {
        pose: ['knees-drawn-up', 'arms-overhead'],
      }),
    ],
    ray: ray('lateral'),
    aim: aboveCrests(0, 'midcoronal plane, level of the crests', { forward: 25 }),
    cover: [
      point('umbilicus', 'front of the belly', 12, 'across'),
      all('L3_body', 'spine', 10, 'across'),
      all('L1_body', 'first lumbar vertebra', 8, 'along'),
      all('S1_body', 'sacrum', 8, 'along'),
    ],
    maySplit: true,
    grid: 'yes',
    receptor: usual('14×17', 'lengthwise', {
      differs: 'the depth of a median man’s belly, drawn half as large again, is a little more than 14 in',
    }),
    exposure: abdomenDose(88, 56, 310, [300, 400], 0.97),
    checks: ['Front of the belly not cut', 'Hip bones over each other'],
    faults: [fault('rotated', 'Hip bones apart', 'Pelvis turned', 'Bring the upper hip forward or back', 'hip-bones')],
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
    instead: [lost('abdomen-decubitus-dorsal', 'nothing: the patient stays on the back')],
    brightBones: ['L', 'iliac', 'ilium'],
  }),
  belly({
    id: 'abdomen-oblique-posterior',
    name: 'Abdomen, AP oblique',
    alsoCalled: ['oblique abdomen', 'RPO LPO KUB', 'stone oblique', 'renal oblique'],
    part: 'abdomen',
    signs: ['process-L3', 'hips-level'],
    showsLevels: true,
    sided: 'each',
    shows: 'Kidney of the raised side along the receptor, ureter of the other off the spine; this side lies down',
    positions: [back('Lying half on the back, this side down, turned {turn}, other side on a wedge')],
    ray: { ...swung(ray('AP'), ['left', 30]), throughTrunk: true },
    aim: onCrests({ point: 'through' }),
    cover: [...pair('kidney', 'kidney', 6), point('symphysis_sup', 'symphysis', 4, 'along')],
    maySplit: true,
    receptor: usual('14×17', 'lengthwise', {
      differs: 'turned, kidneys and symphysis of a median man are a little longer than one plate',
    }),
    exposure: abdomenDose(80, 40, 240),
    prepare: [],
    aids: ['30° wedge'],
    checks: ['Both kidneys and the bladder', 'Raised kidney along the receptor'],
    cautions: [neverMove],
    faults: [
      fault(
        'turn',
        'Kidney of the raised side short',
        'Turned too little or too much',
        '30°: the raised kidney then lies along the receptor',
      ),
    ],
    brightBones: bones,
  }),
];
