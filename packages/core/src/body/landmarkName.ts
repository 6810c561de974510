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
};

/** Spoken name without side: "the lower angle of the scapula". */
export const spokenLandmark = (id: string): string =>
  SPOKEN[id.replace(/_[LR]$/, '')] ?? id.replace(/_[LR]$/, '').replace(/_/g, ' ');

/** Very short name for the drawing: "ASIS", "symphysis". */
export const shortLandmark = (id: string): string => spokenLandmark(id).replace(/^the /, '');
