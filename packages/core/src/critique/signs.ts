/**
 * What is measured on a picture: marks of the body whose places betray how the part lay. A sign is tied to the
 * one motion that it measures best; how strongly is not written here but computed on the body. Which of them a
 * projection is judged by stands in its entry.
 * Source: criteria of teaching; where several marks serve, those that lie furthest apart along the ray.
 */
import type { SignId } from '../projections/vocabulary';
import type { Mishap } from '../radiograph/mishap';

type SignData = {
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
  /** A degree or more of this passes; the tolerance in millimetres follows on the body. */
  allowDeg: number;
};
export type Sign = SignData & { id: SignId };

const across = (name: string, marks: Sign['marks'], allowDeg = 3): SignData => ({
  name,
  about: 'rollDeg',
  way: 'u',
  marks,
  allowDeg,
});
const up = (name: string, marks: Sign['marks'], allowDeg = 4): SignData => ({
  ...across(name, marks, allowDeg),
  about: 'tiltDeg',
  way: 'v',
});
const level = (name: string, marks: Sign['marks'], allowDeg = 3): SignData => ({
  ...up(name, marks, allowDeg),
  about: 'turnDeg',
});

const SIGNS: Readonly<Record<SignId, SignData>> = {
  'clavicle-ends': across('Ends of the clavicles equally far from the spine', ['SC_joint_L', 'SC_joint_R', 'T3_sp']),
  'rear-ribs': across('Ribs of both sides over each other behind', ['rib8_L', 'rib8_R']),
  'clavicles-high': up('Inner ends of the clavicles as high over the spine as they belong', ['SC_joint_L', 'T4_body']),
  'ribs-up': up('Ribs of both sides at one height', ['rib8_L', 'rib8_R']),
  coccyx: across('Coccyx over the symphysis', ['coccyx_tip', 'symphysis_sup']),
  'pelvis-tilt': up('Coccyx as high over the symphysis as it belongs', ['coccyx_tip', 'symphysis_sup']),
  'hips-level': level('Crests of the hip bones level', ['iliac_crest_L', 'iliac_crest_R']),
  'hip-bones': across('Rear edges of the hip bones over each other', ['PSIS_L', 'PSIS_R']),
  'hip-bones-up': up('Hip bones of both sides at one height', ['PSIS_L', 'PSIS_R']),
  orbits: across(
    'Rims of the orbits equally far from the sella',
    ['lateral_orbital_margin_L', 'lateral_orbital_margin_R', 'sella_floor'],
    2,
  ),
  'orbits-level': level('Roofs of the orbits level', ['supraorbital_groove_L', 'supraorbital_groove_R'], 2),
  petrous: up('Petrous ridges where they belong in the orbits', ['petrous_L', 'infraorbital_margin_L'], 3),
  'ears-front': across('Ear canals over each other, front to back', ['EAM_L', 'EAM_R'], 2),
  'ears-up': up('Ear canals over each other, up and down', ['EAM_L', 'EAM_R'], 2),
  basal: up('Chin as far in front of the ear canals as it belongs', ['menton', 'EAM_L'], 3),
  'jaw-sides': across('Jaw angles equally far from the sella', ['gonion_L', 'gonion_R', 'sella_floor'], 3),
  'jaw-angles': across('Jaw angles over each other', ['gonion_L', 'gonion_R']),
  'jaw-angles-up': up('Jaw angles at one height', ['gonion_L', 'gonion_R']),
  teeth: up(
    'Edge of the upper teeth as high over the mastoid tips as it belongs',
    ['occlusal_edge', 'mastoid_tip_L'],
    3,
  ),
  styloids: across('Styloids of radius and ulna over each other', ['radius_styloid_L', 'ulna_styloid_L'], 4),
  metacarpals: across('Heads of the second and fifth metacarpal as far apart as they belong', ['mc2_L', 'mc5_L'], 5),
  pisiform: across('Pisiform over the triquetrum as it belongs', ['pisiform_L', 'scaphoid_L'], 5),
  epicondyles: across(
    'Epicondyles of the humerus over each other',
    ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L'],
    4,
  ),
  'epicondyles-up': up('Epicondyles of the humerus at one height', ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L']),
  olecranon: across(
    'Olecranon in the middle between the epicondyles',
    ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L', 'olecranon_L'],
    5,
  ),
  borders: across('Inner and outer border of the scapula over each other', [
    'scapula_medial_border_L',
    'scapula_lateral_border_L',
  ]),
  'blade-up': up('Coracoid as high over the root of the spine of the scapula as it belongs', [
    'coracoid_L',
    'scapula_spine_root_L',
  ]),
  coracoid: across('Tip of the coracoid as far from the socket as it belongs', ['coracoid_L', 'glenoid_L'], 4),
  'coracoid-up': up('Coracoid as high over the socket as it belongs', ['coracoid_L', 'glenoid_L'], 5),
  condyles: across('Condyles of the femur over each other, front to back', [
    'femoral_condyle_med_L',
    'femoral_condyle_lat_L',
  ]),
  'condyles-up': up('Condyles of the femur over each other at the joint', [
    'femoral_condyle_med_L',
    'femoral_condyle_lat_L',
  ]),
  kneecap: across('Kneecap in the middle between the epicondyles', [
    'lat_epicondyle_fem_L',
    'med_epicondyle_fem_L',
    'patella_centre_L',
  ]),
  'kneecap-up': up('Kneecap as high over the joint as it belongs', ['patella_centre_L', 'knee_centre_L']),
  malleoli: across('Malleoli over each other', ['med_malleolus_L', 'lat_malleolus_L']),
  'malleoli-up': up('Malleoli as high against each other as they belong', ['med_malleolus_L', 'lat_malleolus_L']),
  'heel-aside': across('Heel as far aside of the talus as it belongs', ['calcaneus_post_L', 'talus_dome_L']),
  'heel-up': up('Heel as far under the talus as it belongs', ['calcaneus_post_L', 'talus_dome_L'], 5),
  tarsus: across('Neck of the talus as far from the cuboid as it belongs', ['talus_neck_L', 'cuboid_L'], 5),
  'tarsus-up': up('Neck of the talus as far behind the cuboid as it belongs', ['talus_neck_L', 'cuboid_L']),
  heel: up('Sustentaculum as far from the end of the heel as it belongs', ['sustentaculum_L', 'calcaneus_post_L'], 4),
  'heel-side': across(
    'Sustentaculum as far aside of the heel as it belongs',
    ['sustentaculum_L', 'calcaneus_post_L'],
    4,
  ),
  'lesser-trochanter': across(
    'Lesser trochanter shown as much as it belongs',
    ['lesser_trochanter_L', 'hip_centre_L'],
    5,
  ),
  tuberosity: across(
    'Tuberosity of the tibia over the middle of the knee as it belongs',
    ['tibial_tuberosity_L', 'knee_centre_L'],
    4,
  ),
  'first-ribs': across('First ribs over each other', ['rib2_L', 'rib2_R']),
  'lumbar-arches': across('Arches of L3 over each other', ['L3_arch_L', 'L3_arch_R']),
  'dens-side': across('Blocks beside the dens equally far from it', ['C1_latmass_L', 'C1_latmass_R', 'C3_sp']),
  'process-L3': across('Spinous process of L3 over its body as it belongs', ['L3_sp', 'L3_body']),
  'process-T7': across('Spinous process of T7 over its body as it belongs', ['T7_sp', 'T7_body']),
  'process-C5': across('Spinous process of C5 over its body as it belongs', ['C5_sp', 'C5_body'], 4),
  'plates-L3': up('Process of L3 as high over its body as it belongs', ['L3_sp', 'L4_body']),
  'plates-T7': up('Process of T7 as high over its body as it belongs', ['T7_sp', 'T8_body']),
  'plates-C5': up('Process of C5 as high over its body as it belongs', ['C5_sp', 'C6_body']),
};

/** @example signOf('petrous').name // "Petrous ridges where they belong in the orbits" */
export const signOf = (id: SignId): Sign => ({ id, ...SIGNS[id] });
