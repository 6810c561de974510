/**
 * What is measured on a picture, by entry: marks of the body whose places betray how the part lay. A sign is tied to the
 * one motion that it measures best; how strongly is not written here but computed on the body.
 * Source: criteria of teaching; where several marks serve, those that lie furthest apart along the ray.
 */
import type { Mishap } from '../radiograph/mishap';

export type Sign = {
  id: string;
  /** As a criterion is called. */
  name: string;
  /** Motion of the part that it betrays. */
  about: Extract<keyof Mishap, 'rollDeg' | 'tiltDeg' | 'turnDeg'>;
  /** Direction on the picture in which it is measured: across the receptor or up it. */
  way: 'u' | 'v';
  /**
   * Two marks: how far the first lies from the second. Three: how much further the first lies from the last than the
   * second does on the other side. Written for the left.
   */
  marks: readonly [string, string] | readonly [string, string, string];
  /** Ids under which entries name the same fault. */
  faults?: RegExp;
  /** A degree or more of this passes; the tolerance in millimetres follows on the body. */
  allowDeg: number;
};

const across = (id: string, name: string, marks: Sign['marks'], faults?: RegExp, allowDeg = 3): Sign => ({
  id,
  name,
  about: 'rollDeg',
  way: 'u',
  marks,
  allowDeg,
  ...(faults && { faults }),
});
const up = (id: string, name: string, marks: Sign['marks'], faults?: RegExp, allowDeg = 4): Sign => ({
  ...across(id, name, marks, faults, allowDeg),
  about: 'tiltDeg',
  way: 'v',
});
const level = (id: string, name: string, marks: Sign['marks'], faults?: RegExp, allowDeg = 3): Sign => ({
  ...up(id, name, marks, faults, allowDeg),
  about: 'turnDeg',
});

const CLAVICLES = across(
  'clavicle-ends',
  'Ends of the clavicles equally far from the spine',
  ['SC_joint_L', 'SC_joint_R', 'T3_sp'],
  /^rotated/,
);
const REAR_RIBS = across(
  'rear-ribs',
  'Ribs of both sides over each other behind',
  ['rib8_L', 'rib8_R'],
  /rotated|ribs/,
);
const CLAVICLES_UP = up(
  'clavicles-high',
  'Inner ends of the clavicles as high over the spine as they belong',
  ['SC_joint_L', 'T4_body'],
  /lordotic|leans|bent/,
);
const RIBS_UP = up('ribs-up', 'Ribs of both sides at one height', ['rib8_L', 'rib8_R'], /tilted|leans/);
const WINGS = across('coccyx', 'Coccyx over the symphysis', ['coccyx_tip', 'symphysis_sup'], /^rotated/);
const OPENINGS = up('pelvis-tilt', 'Coccyx as high over the symphysis as it belongs', ['coccyx_tip', 'symphysis_sup']);
const HIPS_LEVEL = level('hips-level', 'Crests of the hip bones level', ['iliac_crest_L', 'iliac_crest_R']);
const HIPS_APART = across(
  'hip-bones',
  'Rear edges of the hip bones over each other',
  ['PSIS_L', 'PSIS_R'],
  /rotated|hips?$/,
);
const HIPS_UP = up('hip-bones-up', 'Hip bones of both sides at one height', ['PSIS_L', 'PSIS_R'], /tilted|leans/);
const spinous = (level_: string, allowDeg = 3): Sign =>
  across(
    `process-${level_}`,
    `Spinous process of ${level_} over its body as it belongs`,
    [`${level_}_sp`, `${level_}_body`],
    /rotated|under|over|^turn$/,
    allowDeg,
  );
const endPlates = (level_: string, below: string): Sign =>
  up(
    `plates-${level_}`,
    `Process of ${level_} as high over its body as it belongs`,
    [`${level_}_sp`, `${below}_body`],
    /discs|spaces/,
  );
const ORBITS = across(
  'orbits',
  'Rims of the orbits equally far from the sella',
  ['lateral_orbital_margin_L', 'lateral_orbital_margin_R', 'sella_floor'],
  /^rotated/,
  2,
);
const ORBITS_LEVEL = level(
  'orbits-level',
  'Roofs of the orbits level',
  ['supraorbital_groove_L', 'supraorbital_groove_R'],
  /tilted/,
  2,
);
const PETROUS = up(
  'petrous',
  'Petrous ridges where they belong in the orbits',
  ['petrous_L', 'infraorbital_margin_L'],
  /petrous|chin/,
  3,
);
const EARS = across(
  'ears-front',
  'Ear canals over each other, front to back',
  ['EAM_L', 'EAM_R'],
  /not-over|rotated/,
  2,
);
const EARS_UP = up('ears-up', 'Ear canals over each other, up and down', ['EAM_L', 'EAM_R'], /tipped/, 2);
const JAW_TIP = up(
  'basal',
  'Chin as far in front of the ear canals as it belongs',
  ['menton', 'EAM_L'],
  /not-basal/,
  3,
);
const JAW_SIDES = across(
  'jaw-sides',
  'Jaw angles equally far from the sella',
  ['gonion_L', 'gonion_R', 'sella_floor'],
  /^rotated/,
  3,
);
const JAWS = across('jaw-angles', 'Jaw angles over each other', ['gonion_L', 'gonion_R'], /rotated/);
const JAWS_UP = up('jaw-angles-up', 'Jaw angles at one height', ['gonion_L', 'gonion_R'], /tilted|tipped/);
const TEETH = up(
  'teeth',
  'Edge of the upper teeth as high over the mastoid tips as it belongs',
  ['occlusal_edge', 'mastoid_tip_L'],
  /teeth|skull/,
  3,
);
const STYLOIDS = across(
  'styloids',
  'Styloids of radius and ulna over each other',
  ['radius_styloid_L', 'ulna_styloid_L'],
  /rolled|styloids?/,
  4,
);
const FIST = across(
  'metacarpals',
  'Heads of the second and fifth metacarpal as far apart as they belong',
  ['mc2_L', 'mc5_L'],
  /over-turned|under-turned|rolled|rotated|fan/,
  5,
);
const PISIFORM = across(
  'pisiform',
  'Pisiform over the triquetrum as it belongs',
  ['pisiform_L', 'scaphoid_L'],
  /rotated|rolled/,
  5,
);
const EPICONDYLES = across(
  'epicondyles',
  'Epicondyles of the humerus over each other',
  ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L'],
  /rolled|rotated|condyles?/,
  4,
);
const EPICONDYLES_UP = up('epicondyles-up', 'Epicondyles of the humerus at one height', [
  'med_epicondyle_hum_L',
  'lat_epicondyle_hum_L',
]);
const OLECRANON = across(
  'olecranon',
  'Olecranon in the middle between the epicondyles',
  ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L', 'olecranon_L'],
  /rolled|rotated|turned/,
  5,
);
const BORDERS = across(
  'borders',
  'Inner and outer border of the scapula over each other',
  ['scapula_medial_border_L', 'scapula_lateral_border_L'],
  /not-on-edge/,
);
const BLADE_UP = up(
  'blade-up',
  'Coracoid as high over the root of the spine of the scapula as it belongs',
  ['coracoid_L', 'scapula_spine_root_L'],
  /gap|arch|outlet/,
);
const CORACOID = across(
  'coracoid',
  'Tip of the coracoid as far from the socket as it belongs',
  ['coracoid_L', 'glenoid_L'],
  /socket-closed|rotated|turn/,
  4,
);
const CORACOID_UP = up(
  'coracoid-up',
  'Coracoid as high over the socket as it belongs',
  ['coracoid_L', 'glenoid_L'],
  undefined,
  5,
);
const CONDYLES = across(
  'condyles',
  'Condyles of the femur over each other, front to back',
  ['femoral_condyle_med_L', 'femoral_condyle_lat_L'],
  /condyles|rotated|rolled/,
);
const CONDYLES_UP = up(
  'condyles-up',
  'Condyles of the femur over each other at the joint',
  ['femoral_condyle_med_L', 'femoral_condyle_lat_L'],
  /space|joint/,
);
const KNEECAP = across(
  'kneecap',
  'Kneecap in the middle between the epicondyles',
  ['lat_epicondyle_fem_L', 'med_epicondyle_fem_L', 'patella_centre_L'],
  /rotated|rolled|under|over|turned/,
);
const KNEECAP_UP = up(
  'kneecap-up',
  'Kneecap as high over the joint as it belongs',
  ['patella_centre_L', 'knee_centre_L'],
  /space-closed|closed/,
);
const MALLEOLI = across(
  'malleoli',
  'Malleoli over each other',
  ['med_malleolus_L', 'lat_malleolus_L'],
  /domes-apart|rotated|rolled/,
);
const MALLEOLI_UP = up('malleoli-up', 'Malleoli as high against each other as they belong', [
  'med_malleolus_L',
  'lat_malleolus_L',
]);
const MORTISE = across(
  'heel-aside',
  'Heel as far aside of the talus as it belongs',
  ['calcaneus_post_L', 'talus_dome_L'],
  /closed|rotated/,
);
const HEEL_UP = up(
  'heel-up',
  'Heel as far under the talus as it belongs',
  ['calcaneus_post_L', 'talus_dome_L'],
  /foot|bent|flexed/,
  5,
);
const TARSUS = across(
  'tarsus',
  'Neck of the talus as far from the cuboid as it belongs',
  ['talus_neck_L', 'cuboid_L'],
  /over|under|rotated/,
  5,
);
const TARSUS_UP = up(
  'tarsus-up',
  'Neck of the talus as far behind the cuboid as it belongs',
  ['talus_neck_L', 'cuboid_L'],
  /spaces|closed/,
);
const HEEL = up(
  'heel',
  'Sustentaculum as far from the end of the heel as it belongs',
  ['sustentaculum_L', 'calcaneus_post_L'],
  /short/,
  4,
);
const HEEL_SIDE = across(
  'heel-side',
  'Sustentaculum as far aside of the heel as it belongs',
  ['sustentaculum_L', 'calcaneus_post_L'],
  /rotated/,
  4,
);
const TROCHANTER = across(
  'lesser-trochanter',
  'Lesser trochanter shown as much as it belongs',
  ['lesser_trochanter_L', 'hip_centre_L'],
  /foot|trochanter|neck/,
  5,
);
const TUBEROSITY = across(
  'tuberosity',
  'Tuberosity of the tibia over the middle of the knee as it belongs',
  ['tibial_tuberosity_L', 'knee_centre_L'],
  /rotated/,
  4,
);

/** The first line that an entry's id matches counts. */
const BY_ENTRY: readonly (readonly [RegExp, readonly Sign[]])[] = [
  [/^(chest|sternum)-lateral|^thoracic-lateral|^scoliosis-lateral|^airway-lateral/, [REAR_RIBS, RIBS_UP]],
  [/^cervicothoracic-lateral/, [across('first-ribs', 'First ribs over each other', ['rib2_L', 'rib2_R'])]],
  [/^(chest|airway|ribs|sternoclavicular|sternum)-/, [CLAVICLES, CLAVICLES_UP]],
  [/^(sacrum|coccyx)-ap|^lumbosacral-ap|^sacroiliac|^hip-lateral-frog/, [WINGS, OPENINGS]],
  [
    /^abdomen-(lateral|decubitus-dorsal)|^lumbosacral-lateral|^sacrum|^coccyx-lateral|^colon-lateral/,
    [HIPS_APART, HIPS_UP],
  ],
  [
    /^lumbar-(lateral|flexion|extension)/,
    [HIPS_APART, across('lumbar-arches', 'Arches of L3 over each other', ['L3_arch_L', 'L3_arch_R'], /rotated/)],
  ],
  [/^stomach-lateral|^oesophagus-lateral/, [REAR_RIBS, RIBS_UP]],
  [/^lumbar/, [spinous('L3'), endPlates('L3', 'L4')]],
  [/^(thoracic|scoliosis|oesophagus)/, [spinous('T7'), endPlates('T7', 'T8')]],
  [/^(abdomen|stomach|small|colon|urography|cystogram)/, [spinous('L3'), HIPS_LEVEL]],
  [
    /^(cervical-ap-open-mouth|dens)/,
    [
      TEETH,
      across(
        'dens-side',
        'Blocks beside the dens equally far from it',
        ['C1_latmass_L', 'C1_latmass_R', 'C3_sp'],
        /rotated|turned/,
      ),
    ],
  ],
  [/^cervical-(lateral|flexion|extension)/, [JAWS, JAWS_UP]],
  [/^cervical/, [spinous('C5', 4), endPlates('C5', 'C6')]],
  [/submentovertical|^nasal-bones-tangential|^zygomatic-arch-oblique/, [JAW_TIP, JAW_SIDES]],
  [/^(mandible-axiolateral|temporomandibular-axiolateral|orbit-parieto)/, [EARS, EARS_UP]],
  [/^(skull|face|orbit|sinuses|sella|nasal-bones)-lateral/, [EARS, EARS_UP]],
  [/^(skull|face|orbits|sinuses|mandible|zygomatic|temporomandibular)/, [ORBITS, ORBITS_LEVEL, PETROUS]],
  [/^wrist-lateral|^hand-lateral/, [STYLOIDS]],
  [/^(hand|wrist|scaphoid|carpal)/, [PISIFORM, FIST]],
  [/^elbow-(lateral|axial|radial)|^humerus-lateral|^forearm-lateral/, [EPICONDYLES, EPICONDYLES_UP]],
  // Through the chest no pair of marks of the arm can be told apart.
  [/^humerus-transthoracic/, []],
  [/^(forearm|elbow|humerus)-/, [OLECRANON]],
  [/^(shoulder-scapular-y|shoulder-outlet|scapula-lateral)/, [BORDERS, BLADE_UP]],
  [/^(shoulder|scapula|coracoid|clavicle|acromio|intertub)/, [CORACOID, CORACOID_UP]],
  [/^(knee|patella|leg|femur)-(lateral|kneeling)|^femur-lateral-distal|^knee-kneeling/, [CONDYLES, CONDYLES_UP]],
  [/^(knee|patella-pa|femur-ap-distal|fossa)/, [KNEECAP, KNEECAP_UP]],
  [/^leg-/, [TUBEROSITY, MORTISE]],
  [/^(ankle|foot|calcaneus)-lateral/, [MALLEOLI, MALLEOLI_UP]],
  [/^(ankle|subtalar)-/, [MORTISE, HEEL_UP]],
  [/^calcaneus-/, [HEEL, HEEL_SIDE]],
  [/^(foot|toes-ap|toes-oblique)/, [TARSUS, TARSUS_UP]],
  [/^(femur|hip-lateral|hip-axiolateral|hip-false)/, [TROCHANTER]],
  [/^(pelvis|hip|acetabulum|ilium|hips)/, [WINGS, OPENINGS, HIPS_LEVEL]],
];

/** Signs of an entry that are peculiar to it; those of centring and of the edges of the light come on top for all. */
export const signsOf = (projectionId: string): readonly Sign[] =>
  BY_ENTRY.find(([entries]) => entries.test(projectionId))?.[1] ?? [];
