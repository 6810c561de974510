/** Landmarks as they are spoken at the table. */
const SPOKEN: Record<string, string> = {
  symphysis_sup: 'the symphysis pubis',
  C7_sp: 'the vertebra prominens',
  T7_sp: 'the T7 spinous process',
  jugular_notch: 'the jugular notch',
  sternal_angle: 'the sternal angle',
  xiphoid_tip: 'the xiphoid process',
  scapula_inf_angle: 'the inferior angle of the scapula',
  ASIS: 'the ASIS',
  PSIS: 'the PSIS',
  iliac_crest: 'the iliac crest',
  patella_apex: 'the apex of the patella',
  tibial_tuberosity: 'the tibial tuberosity',
  med_epicondyle_fem: 'the medial epicondyle',
  med_malleolus: 'the medial malleolus',
  MC3_head: 'the third MCP joint',
  PIP3: 'the third PIP joint',
  PIP2: 'the second PIP joint',
  PIP4: 'the fourth PIP joint',
  PIP5: 'the fifth PIP joint',
  MC2_head: 'the second MCP joint',
  MC4_head: 'the fourth MCP joint',
  wrist_centre: 'the wrist joint',
  knee_centre: 'the knee joint',
  ankle_centre: 'the ankle joint',
  acanthion: 'the acanthion',
  T1_sp: 'the T1 spinous process',
  L3_sp: 'the L3 spinous process',
  nasion: 'the nasion',
  glabella: 'the glabella',
  inion: 'the external occipital protuberance (inion)',
  vertex: 'the vertex of the head',
  menton: 'the mental point',
  gonion: 'the angle of the mandible',
  EAM: 'the EAM',
  TMJ: 'the TMJ',
  mastoid_tip: 'the mastoid tip',
  outer_canthus: 'the outer canthus',
  mid_pupil: 'the pupil',
  infraorbital_margin: 'the infraorbital margin',
  zygion: 'the most lateral point of the zygomatic arch',
  zygomatic_arch: 'the zygomatic arch',
  occlusal_edge: 'the edge of the upper incisors',
  thyroid_notch: 'the thyroid notch',
  SC_joint: 'the sternal end of the clavicle',
  AC_joint: 'the acromioclavicular joint',
  clavicle_mid: 'the middle of the clavicle',
  acromion: 'the acromion',
  coracoid: 'the coracoid process',
  glenohumeral_centre: 'the glenohumeral joint',
  greater_tubercle: 'the greater tubercle',
  humeral_head: 'the humeral head',
  deltoid_tuberosity: 'the deltoid tuberosity',
  scapula_spine_root: 'the root of the scapular spine',
  scapula_body: 'the scapula',
  sternal_body: 'the sternum',
  costal_margin: 'the lower costal margin',
  umbilicus: 'the umbilicus',
  hip_centre: 'the hip joint',
  femoral_neck_mid: 'the femoral neck',
  greater_trochanter_lat: 'the greater trochanter',
  coccyx_tip: 'the tip of the coccyx',
  olecranon: 'the olecranon process',
  elbow_centre: 'the elbow joint',
  med_epicondyle_hum: 'the medial epicondyle',
  lat_epicondyle_hum: 'the lateral epicondyle',
  radius_head: 'the radial head',
  radial_styloid: 'the radial styloid process',
  ulnar_styloid: 'the ulnar styloid process',
  scaphoid: 'the scaphoid',
  pisiform: 'the pisiform',
  CMC1: 'the first CMC joint',
  MCP1: 'the first MCP joint',
  MC5_head: 'the fifth MCP joint',
  lat_epicondyle_fem: 'the lateral epicondyle',
  patella_centre: 'the middle of the patella',
  patella_base: 'the base of the patella',
  fibular_head: 'the fibular head',
  lat_malleolus: 'the lateral malleolus',
  calcaneus_post: 'the posterior surface of the heel',
  calcaneus_plantar: 'the plantar surface of the heel',
  calcaneus: 'the calcaneus',
  navicular_tub: 'the navicular',
  mt3_base: 'the base of the third metatarsal',
  mt5_base: 'the base of the fifth metatarsal',
  mt1_head: 'the first MTP joint',
  mt2_head: 'the second MTP joint',
  mt3_head: 'the third MTP joint',
  mt4_head: 'the fourth MTP joint',
  mt5_head: 'the fifth MTP joint',
  toe_proximal_1: 'the great toe',
  toe_proximal_2: 'the second toe',
  toe_proximal_3: 'the third toe',
  toe_proximal_4: 'the fourth toe',
  toe_proximal_5: 'the fifth toe',
  femoral_condyle_med: 'the medial condyle',
  femoral_condyle_lat: 'the lateral condyle',
  radius_styloid: 'the radial styloid process',
  ulna_styloid: 'the ulnar styloid process',
  mc2: 'the second metacarpal',
  mc5: 'the fifth metacarpal',
  glenoid: 'the glenoid cavity',
  scapula_medial_border: 'the vertebral border of the scapula',
  scapula_lateral_border: 'the axillary border of the scapula',
  talus_dome: 'the talar dome',
  talus_neck: 'the neck of the talus',
  petrous: 'the petrous ridge',
  sella_floor: 'the sella turcica',
  lateral_orbital_margin: 'the lateral orbital margin',
  supraorbital_groove: 'the roof of the orbit',
  rib8: 'the eighth rib',
  rib2: 'the second rib',
  T3_sp: 'the T3 spinous process',
  C3_sp: 'the C3 spinous process',
  C5_sp: 'the C5 spinous process',
  stomach: 'the stomach',
  coccyx: 'the coccyx',
};
/** Parts of a vertebra are named for it: S2_body is S2. */
const VERTEBRA = /^([CTLS]\d+)_(body|arch|dens|latmass)$/;

/** Spoken name without side: "the inferior angle of the scapula". */
export const spokenLandmark = (id: string): string =>
  SPOKEN[id.replace(/_[LR]$/, '')] ??
  id
    .replace(/_[LR]$/, '')
    .replace(VERTEBRA, '$1')
    .replace(/_/g, ' ');

/** Very short name for the drawing: "ASIS", "symphysis". */
export const shortLandmark = (id: string): string => spokenLandmark(id).replace(/^the /, '');

const SPINE = /^([CTLS])(\d+)$/;
/** Name of the interspace between neighbouring vertebrae given from above, "C7-T1"; null for any other two landmarks. */
export function interspace(above: string, below: string): string | null {
  const [upper, lower] = [above, below].map((id) => SPINE.exec(spokenLandmark(id)));
  if (!upper || !lower) return null;
  const regions = 'CTLS'.indexOf(lower[1]) - 'CTLS'.indexOf(upper[1]);
  const next = regions === 0 ? Number(lower[2]) === Number(upper[2]) + 1 : regions === 1 && lower[2] === '1';
  return next ? `${upper[0]}-${lower[0]}` : null;
}

/** Short names of marks, told apart by their side where they are the same on both. */
export function markNames(ids: readonly string[]): string[] {
  const names = ids.map(shortLandmark);
  return names.map((name, i) => {
    const twin = names.some((other, k) => k !== i && other === name);
    return twin ? `${ids[i].endsWith('_L') ? 'left' : 'right'} ${name}` : name;
  });
}
