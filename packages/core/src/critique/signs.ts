/**
 * What is measured on a picture: marks of the body whose places betray how the part lay. A sign is tied to the
 * one motion that it measures best; how strongly is not written here but computed on the body. Which of them a
 * projection is judged by stands in its entry.
 * Source: criteria of teaching; where several marks serve, those that lie furthest apart along the ray.
 */
import type { SignId } from '../projections/vocabulary';
import type { PositioningError } from '../radiograph/positioningError';

type SignData = {
  /** As a criterion is called. */
  name: string;
  /** Motion of the part that it betrays. */
  about: Extract<keyof PositioningError, 'rollDeg' | 'tiltDeg' | 'turnDeg'>;
  /** Direction on the picture in which it is measured: across the receptor or up it. */
  axis: 'u' | 'v';
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
  axis: 'u',
  marks,
  allowDeg,
});
const up = (name: string, marks: Sign['marks'], allowDeg = 4): SignData => ({
  ...across(name, marks, allowDeg),
  about: 'tiltDeg',
  axis: 'v',
});
const level = (name: string, marks: Sign['marks'], allowDeg = 3): SignData => ({
  ...up(name, marks, allowDeg),
  about: 'turnDeg',
});

const SIGNS: Readonly<Record<SignId, SignData>> = {
  'clavicle-ends': across('Sternal ends of the clavicles equidistant from the spine', [
    'SC_joint_L',
    'SC_joint_R',
    'T3_sp',
  ]),
  'rear-ribs': across('Posterior ribs of both sides superimposed', ['rib8_L', 'rib8_R']),
  'clavicles-high': up('Sternal ends of the clavicles at their usual level on the spine', ['SC_joint_L', 'T4_body']),
  'ribs-up': up('Ribs of both sides at one level', ['rib8_L', 'rib8_R']),
  coccyx: across('Coccyx in line with the symphysis pubis', ['coccyx_tip', 'symphysis_sup']),
  'pelvis-tilt': up('Coccyx at its usual distance above the symphysis pubis', ['coccyx_tip', 'symphysis_sup']),
  'hips-level': level('Iliac crests level', ['iliac_crest_L', 'iliac_crest_R']),
  'hip-bones': across('Posterior borders of the ilia superimposed', ['PSIS_L', 'PSIS_R']),
  'hip-bones-up': up('Ilia of both sides at one level', ['PSIS_L', 'PSIS_R']),
  orbits: across(
    'Orbital margins equidistant from the sella turcica',
    ['lateral_orbital_margin_L', 'lateral_orbital_margin_R', 'sella_floor'],
    2,
  ),
  'orbits-level': level('Roofs of the orbits level', ['supraorbital_groove_L', 'supraorbital_groove_R'], 2),
  petrous: up('Petrous ridges at their usual level in the orbits', ['petrous_L', 'infraorbital_margin_L'], 3),
  'ears-front': across('EAMs superimposed, anterior to posterior', ['EAM_L', 'EAM_R'], 2),
  'ears-up': up('EAMs superimposed, superior to inferior', ['EAM_L', 'EAM_R'], 2),
  basal: up('Mental point at its usual distance anterior to the EAMs', ['menton', 'EAM_L'], 3),
  'jaw-sides': across(
    'Angles of the mandible equidistant from the sella turcica',
    ['gonion_L', 'gonion_R', 'sella_floor'],
    3,
  ),
  'jaw-angles': across('Angles of the mandible superimposed', ['gonion_L', 'gonion_R']),
  'jaw-angles-up': up('Angles of the mandible at one level', ['gonion_L', 'gonion_R']),
  teeth: up(
    'Edge of the upper incisors at its usual level against the mastoid tips',
    ['occlusal_edge', 'mastoid_tip_L'],
    3,
  ),
  styloids: across('Styloid processes of radius and ulna superimposed', ['radius_styloid_L', 'ulna_styloid_L'], 4),
  metacarpals: across('Heads of the second and fifth metacarpal at their usual distance', ['mc2_L', 'mc5_L'], 5),
  pisiform: across('Pisiform at its usual place on the triquetrum', ['pisiform_L', 'scaphoid_L'], 5),
  epicondyles: across('Epicondyles of the humerus superimposed', ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L'], 4),
  'epicondyles-up': up('Epicondyles of the humerus at one level', ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L']),
  olecranon: across(
    'Olecranon process midway between the epicondyles',
    ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L', 'olecranon_L'],
    5,
  ),
  borders: across('Vertebral and axillary border of the scapula superimposed', [
    'scapula_medial_border_L',
    'scapula_lateral_border_L',
  ]),
  'blade-up': up('Coracoid process at its usual level above the root of the scapular spine', [
    'coracoid_L',
    'scapula_spine_root_L',
  ]),
  coracoid: across('Coracoid process at its usual distance from the glenoid cavity', ['coracoid_L', 'glenoid_L'], 4),
  'coracoid-up': up('Coracoid process at its usual level above the glenoid cavity', ['coracoid_L', 'glenoid_L'], 5),
  condyles: across('Femoral condyles superimposed, anterior to posterior', [
    'femoral_condyle_med_L',
    'femoral_condyle_lat_L',
  ]),
  'condyles-up': up('Femoral condyles superimposed at the joint', ['femoral_condyle_med_L', 'femoral_condyle_lat_L']),
  kneecap: across('Patella midway between the epicondyles', [
    'lat_epicondyle_fem_L',
    'med_epicondyle_fem_L',
    'patella_centre_L',
  ]),
  'kneecap-up': up('Patella at its usual level above the joint', ['patella_centre_L', 'knee_centre_L']),
  malleoli: across('Malleoli superimposed', ['med_malleolus_L', 'lat_malleolus_L']),
  'malleoli-up': up('Malleoli at their usual level against each other', ['med_malleolus_L', 'lat_malleolus_L']),
  'heel-aside': across('Calcaneus at its usual distance beside the talus', ['calcaneus_post_L', 'talus_dome_L']),
  'heel-up': up('Calcaneus at its usual distance below the talus', ['calcaneus_post_L', 'talus_dome_L'], 5),
  tarsus: across('Neck of the talus at its usual distance from the cuboid', ['talus_neck_L', 'cuboid_L'], 5),
  'tarsus-up': up('Neck of the talus at its usual distance posterior to the cuboid', ['talus_neck_L', 'cuboid_L']),
  heel: up(
    'Sustentaculum tali at its usual distance from the end of the calcaneus',
    ['sustentaculum_L', 'calcaneus_post_L'],
    4,
  ),
  'heel-side': across(
    'Sustentaculum tali at its usual distance beside the calcaneus',
    ['sustentaculum_L', 'calcaneus_post_L'],
    4,
  ),
  'lesser-trochanter': across('Lesser trochanter shown as much as usual', ['lesser_trochanter_L', 'hip_centre_L'], 5),
  tuberosity: across(
    'Tibial tuberosity at its usual place in front of the knee',
    ['tibial_tuberosity_L', 'knee_centre_L'],
    4,
  ),
  'first-ribs': across('First ribs superimposed', ['rib2_L', 'rib2_R']),
  'lumbar-arches': across('Arches of L3 superimposed', ['L3_arch_L', 'L3_arch_R']),
  'dens-side': across('Lateral masses of C1 equidistant from the dens', ['C1_latmass_L', 'C1_latmass_R', 'C3_sp']),
  'process-L3': across('Spinous process of L3 at its usual place on its body', ['L3_sp', 'L3_body']),
  'process-T7': across('Spinous process of T7 at its usual place on its body', ['T7_sp', 'T7_body']),
  'process-C5': across('Spinous process of C5 at its usual place on its body', ['C5_sp', 'C5_body'], 4),
  'plates-L3': up('Spinous process of L3 at its usual level on its body', ['L3_sp', 'L4_body']),
  'plates-T7': up('Spinous process of T7 at its usual level on its body', ['T7_sp', 'T8_body']),
  'plates-C5': up('Spinous process of C5 at its usual level on its body', ['C5_sp', 'C6_body']),
};

/** @example signOf('petrous').name // "Petrous ridges at their usual level in the orbits" */
export const signOf = (id: SignId): Sign => ({ id, ...SIGNS[id] });
