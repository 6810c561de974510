/** Landmarks as they are spoken at the table. */
const SPOKEN: Record<string, string> = {
  symphysis_sup: 'the symphysis',
  C7_sp: 'the vertebra prominens',
  T7_sp: 'the T7 spinous process',
  jugular_notch: 'the jugular notch',
  sternal_angle: 'the sternal angle',
  xiphoid_tip: 'the xiphoid tip',
  scapula_inf_angle: 'the lower angle of the scapula',
  ASIS: 'the ASIS',
  iliac_crest: 'the iliac crest',
  patella_apex: 'the lower pole of the patella',
  tibial_tuberosity: 'the tibial tuberosity',
  med_epicondyle_fem: 'the medial epicondyle',
  med_malleolus: 'the medial malleolus',
  MC3_head: 'the third knuckle',
  PIP3: 'the middle joint of the third finger',
  wrist_centre: 'the wrist joint',
  knee_centre: 'the knee joint',
  ankle_centre: 'the ankle joint',
  acanthion: 'the acanthion',
  T1_sp: 'the T1 spinous process',
  L3_sp: 'the L3 spinous process',
  nasion: 'the nasion',
  glabella: 'the glabella',
  inion: 'the bump at the back of the head',
  vertex: 'the top of the head',
  menton: 'the tip of the chin',
  gonion: 'the angle of the jaw',
  EAM: 'the ear opening',
  TMJ: 'the joint of the jaw',
  mastoid_tip: 'the mastoid tip',
  outer_canthus: 'the outer canthus',
  mid_pupil: 'the pupil',
  infraorbital_margin: 'the lower edge of the orbit',
  zygion: 'the cheekbone',
  zygomatic_arch: 'the cheekbone arch',
  occlusal_edge: 'the edge of the upper teeth',
  thyroid_notch: 'the notch of the thyroid cartilage',
  SC_joint: 'the inner end of the clavicle',
  AC_joint: 'the acromioclavicular joint',
  clavicle_mid: 'the middle of the clavicle',
  acromion: 'the acromion',
  coracoid: 'the coracoid',
  glenohumeral_centre: 'the shoulder joint',
  greater_tubercle: 'the greater tubercle',
  humeral_head: 'the humeral head',
  deltoid_tuberosity: 'the deltoid tuberosity',
  scapula_spine_root: 'the root of the scapular spine',
  scapula_body: 'the shoulder blade',
  sternal_body: 'the breastbone',
  costal_margin: 'the lower edge of the ribs',
  umbilicus: 'the navel',
  hip_centre: 'the hip joint',
  femoral_neck_mid: 'the neck of the femur',
  greater_trochanter_lat: 'the greater trochanter',
  coccyx_tip: 'the tip of the coccyx',
  olecranon: 'the olecranon',
  elbow_centre: 'the elbow joint',
  med_epicondyle_hum: 'the inner epicondyle',
  lat_epicondyle_hum: 'the outer epicondyle',
  radius_head: 'the radial head',
  radial_styloid: 'the radial styloid',
  ulnar_styloid: 'the ulnar styloid',
  scaphoid: 'the scaphoid',
  pisiform: 'the pisiform',
  CMC1: 'the base of the thumb',
  MCP1: 'the first knuckle of the thumb',
  MC5_head: 'the fifth knuckle',
  lat_epicondyle_fem: 'the lateral epicondyle',
  patella_centre: 'the middle of the patella',
  patella_base: 'the upper pole of the patella',
  fibular_head: 'the fibular head',
  lat_malleolus: 'the lateral malleolus',
  calcaneus_post: 'the back of the heel',
  calcaneus_plantar: 'the sole of the heel',
  calcaneus: 'the heel bone',
  navicular_tub: 'the navicular',
  mt3_base: 'the base of the third metatarsal',
  mt5_base: 'the base of the fifth metatarsal',
  mt1_head: 'the ball of the great toe',
  mt5_head: 'the ball of the little toe',
  toe_proximal_1: 'the great toe',
  toe_proximal_3: 'the third toe',
  femoral_condyle_med: 'the inner condyle',
  femoral_condyle_lat: 'the outer condyle',
  radius_styloid: 'the styloid of the radius',
  ulna_styloid: 'the styloid of the ulna',
  mc2: 'the second metacarpal',
  mc5: 'the fifth metacarpal',
  glenoid: 'the socket of the shoulder',
  scapula_medial_border: 'the inner border of the scapula',
  scapula_lateral_border: 'the outer border of the scapula',
  talus_dome: 'the dome of the talus',
  talus_neck: 'the neck of the talus',
  petrous: 'the petrous ridge',
  sella_floor: 'the sella',
  lateral_orbital_margin: 'the outer rim of the orbit',
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

/** Spoken name without side: "the lower angle of the scapula". */
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
