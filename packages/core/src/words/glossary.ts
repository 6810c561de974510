/**
 * The words of the trade that the app uses, each with its abbreviation and one plain sentence. `not` are everyday or
 * private words for the same: they find the term, and no sentence of the app says them.
 */
export const TERM_GROUPS = [
  'positions',
  'directions',
  'movements',
  'beam and equipment',
  'exposure',
  'anatomy',
  'what a picture shows',
] as const;
export type TermGroup = (typeof TERM_GROUPS)[number];

export type Term = {
  id: string;
  term: string;
  group: TermGroup;
  /** As it is written short. */
  short?: string;
  /** Other forms in which it stands in a sentence. */
  forms: readonly string[];
  /** One plain sentence. */
  says: string;
  not: readonly string[];
  /** A projection whose drawing shows it, for the left where it has a side. */
  drawnBy?: string;
};

type Rest = { short?: string; forms?: readonly string[]; not?: readonly string[]; drawnBy?: string };
const idOf = (term: string): string =>
  term
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
const inGroup =
  (group: TermGroup) =>
  (term: string, says: string, { forms = [], not = [], ...rest }: Rest = {}): Term => ({
    id: idOf(term),
    term,
    group,
    says,
    forms,
    not,
    ...rest,
  });
const position = inGroup('positions');
const direction = inGroup('directions');
const movement = inGroup('movements');
const beam = inGroup('beam and equipment');
const exposure = inGroup('exposure');
const part = inGroup('anatomy');
const seen = inGroup('what a picture shows');

const WRITTEN: readonly Term[] = [
  position('supine', 'Lying on the back, face up.', {
    not: ['on the back', 'on their back'],
    drawnBy: 'abdomen-ap-supine',
  }),
  position('prone', 'Lying on the front, face down.', {
    not: ['face down', 'on the front', 'on the belly'],
    drawnBy: 'abdomen-pa',
  }),
  position('erect', 'Standing or sitting upright.', { forms: ['upright'], drawnBy: 'chest-pa' }),
  position('recumbent', 'Lying down in any way.'),
  position('lateral recumbent', 'Lying on a side; the beam comes from above.', {
    not: ['on the side with'],
    drawnBy: 'lumbar-lateral',
  }),
  position('semi-erect', 'Half sitting against a raised back rest; the angle is given.', {
    not: ['half sitting', 'half upright'],
  }),
  position('semiprone', 'Lying on the front with one side raised.', { not: ['half on the front'] }),
  position('decubitus', 'Lying with a horizontal beam, to see fluid and free air layer out.', {
    forms: ['lateral decubitus', 'left lateral decubitus', 'right lateral decubitus'],
    not: ['ray level', 'level ray'],
    drawnBy: 'abdomen-decubitus-left-lateral',
  }),
  position('dorsal decubitus', 'Lying supine with a horizontal beam through the side.', {
    drawnBy: 'abdomen-decubitus-dorsal',
  }),
  position('ventral decubitus', 'Lying prone with a horizontal beam through the side.'),
  position('right anterior oblique', 'Body rotated so that the right front is nearest the receptor.', {
    short: 'RAO',
    drawnBy: 'sternum-rao',
  }),
  position('left anterior oblique', 'Body rotated so that the left front is nearest the receptor.', {
    short: 'LAO',
    drawnBy: 'chest-pa-oblique-lao',
  }),
  position('right posterior oblique', 'Body rotated so that the right back is nearest the receptor.', {
    short: 'RPO',
    drawnBy: 'colon-rpo',
    not: ['half on the back'],
  }),
  position('left posterior oblique', 'Body rotated so that the left back is nearest the receptor.', {
    short: 'LPO',
    drawnBy: 'colon-lpo',
  }),
  position('anteroposterior', 'The beam goes in at the front and out at the back.', {
    short: 'AP',
    drawnBy: 'chest-ap',
  }),
  position('posteroanterior', 'The beam goes in at the back and out at the front.', {
    short: 'PA',
    drawnBy: 'chest-pa',
  }),
  position('lateral projection', 'The beam goes through from side to side.', { drawnBy: 'chest-lateral' }),
  position('oblique', 'Body or part rotated between the frontal and the lateral position.', { forms: ['obliques'] }),
  position('axial', 'The beam runs at an angle along the long axis of the part.', { drawnBy: 'skull-ap-axial' }),
  position('tangential', 'The beam skims a surface, to show it in profile.', { drawnBy: 'patella-tangential-supine' }),
  position('lordotic', 'Leaning back, chest forward, to bring the clavicles above the apices.', {
    drawnBy: 'chest-ap-lordotic',
  }),
  position('frog-leg', 'Knees flexed and thighs abducted.', { drawnBy: 'pelvis-frog', not: ['legs out', 'leg out'] }),
  position('weight-bearing', 'Standing with the weight on the part.', { drawnBy: 'foot-ap-weight-bearing' }),
  position('cross-table', 'A horizontal beam across a patient who lies.', { drawnBy: 'hip-axiolateral' }),
  position('stress view', 'A joint pressed in one direction to show whether it gives way.', {
    forms: ['stress views'],
  }),
  position('scout', 'The picture before any contrast.'),
  position('post-void', 'After the bladder was emptied.'),
  position('post-evacuation', 'After the bowel was emptied.'),

  direction('superior', 'Nearer the head.'),
  direction('inferior', 'Nearer the feet.'),
  direction('cephalad', 'Toward the head.', { not: ['to the head', 'toward the head'] }),
  direction('caudad', 'Toward the feet.', { not: ['to the feet', 'toward the feet'] }),
  direction('anterior', 'Toward the front of the body.', { not: ['in front of the midcoronal'] }),
  direction('posterior', 'Toward the back of the body.', { not: ['behind the midcoronal'] }),
  direction('medial', 'Toward the midline.', { forms: ['medially'], not: ['inner side', 'inner border', 'inner end'] }),
  direction('lateral', 'Away from the midline, to the side.', {
    forms: ['laterally'],
    not: ['outer side', 'outer border', 'outer end'],
  }),
  direction('proximal', 'Along a limb, nearer the trunk.', { forms: ['proximally'] }),
  direction('distal', 'Along a limb, further from the trunk.', { forms: ['distally'] }),
  direction('palmar', 'On the side of the palm.', { not: ['palm side'] }),
  direction('dorsal', 'On the back of the hand, or the upper side of the foot.', { forms: ['dorsum'] }),
  direction('plantar', 'On the side of the sole.'),
  direction('ulnar', 'On the side of the little finger.', { not: ['little finger side'] }),
  direction('radial', 'On the side of the thumb.', { not: ['thumb side'] }),
  direction('ipsilateral', 'On the same side.'),
  direction('contralateral', 'On the opposite side.'),
  direction('affected side', 'The side with the injury or complaint.', { not: ['hurt side', 'bad side'] }),
  direction('unaffected side', 'The side without it.', { not: ['sound side', 'good side'] }),
  direction('dependent side', 'The side that lies lowest.', {
    forms: ['dependent'],
    not: ['low side', 'side that lies down'],
  }),
  direction('side up', 'The side that is uppermost of one who lies on a side.', {
    not: ['high side', 'side that is up'],
  }),
  direction('elevated side', 'The side raised from the table in an oblique.', {
    forms: ['elevated'],
    not: ['raised side'],
  }),
  direction('midline', 'The line down the middle of the body, seen from the front.'),
  direction('midcoronal plane', 'The plane that divides the body into a front and a back half.'),
  direction('midsagittal plane', 'The plane that divides head or body into a left and a right half.', { short: 'MSP' }),

  movement('flexion', 'A joint bent.', {
    forms: ['flexed', 'flex'],
    not: ['knee bent', 'knees bent', 'elbow bent', 'hip bent'],
  }),
  movement('extension', 'A joint straightened, or bent back.', {
    forms: ['extended', 'extend'],
    not: ['bent back', 'stretched'],
  }),
  movement('abduction', 'A limb moved away from the midline.', {
    forms: ['abducted', 'abduct'],
    not: ['let out', 'arm out'],
  }),
  movement('adduction', 'A limb moved toward the midline.', { forms: ['adducted'] }),
  movement('medial rotation', 'A limb rotated so that its front faces the midline; internal rotation.', {
    forms: ['medially rotated', 'internal rotation', 'rotate medially'],
    not: ['turned in', 'turns in', 'turn in'],
    drawnBy: 'knee-oblique-medial',
  }),
  movement('lateral rotation', 'A limb rotated so that its front faces away from the midline; external rotation.', {
    forms: ['laterally rotated', 'external rotation', 'externally rotated', 'rotate laterally'],
    not: ['turned out', 'turns out', 'turn out'],
    drawnBy: 'knee-oblique-lateral',
  }),
  movement('pronation', 'The forearm rotated so that the palm faces down.', { forms: ['pronated', 'pronate'] }),
  movement('supination', 'The forearm rotated so that the palm faces up.', { forms: ['supinated', 'supinate'] }),
  movement('dorsiflexion', 'The foot bent up at the ankle, toes toward the shin.', {
    forms: ['dorsiflexed', 'dorsiflex'],
    not: ['foot up'],
  }),
  movement('plantar flexion', 'The foot pointed down.', { not: ['foot down', 'foot points'] }),
  movement('inversion', 'The sole moved to face the midline.', {
    forms: ['inverted'],
    drawnBy: 'ankle-stress-inversion',
  }),
  movement('eversion', 'The sole moved to face away from the midline.', { forms: ['everted'] }),
  movement('ulnar deviation', 'The hand moved toward the little finger.', {
    not: ['leaning to the little finger'],
    drawnBy: 'wrist-ulnar-deviation',
  }),
  movement('radial deviation', 'The hand moved toward the thumb.', {
    not: ['leaning to the thumb'],
    drawnBy: 'wrist-radial-deviation',
  }),
  movement('varus', 'The distal part pressed toward the midline; the lateral side opens.', {
    drawnBy: 'knee-stress-varus',
  }),
  movement('valgus', 'The distal part pressed away from the midline; the medial side opens.', {
    drawnBy: 'knee-stress-valgus',
  }),
  movement('inspiration', 'Breathing in; exposures of lungs are made at full inspiration.', { not: ['breath in'] }),
  movement('expiration', 'Breathing out.', { not: ['breath out'] }),

  beam('central ray', 'The ray in the middle of the beam: where it points is the centring.', { short: 'CR' }),
  beam('image receptor', 'The plate that takes the picture.', { short: 'IR', forms: ['receptor'] }),
  beam('source-to-image distance', 'From the focal spot to the receptor, along the CR.', { short: 'SID' }),
  beam('object-to-image distance', 'From the part to the receptor: the larger, the more magnification.', {
    short: 'OID',
  }),
  beam('source-to-object distance', 'From the focal spot to the part.', { short: 'SOD' }),
  beam('collimated field', 'The area that the beam is limited to.', {
    forms: ['collimate', 'collimated', 'collimator', 'field'],
    not: ['light closed', 'close the light'],
  }),
  beam('light field', 'The light of the collimator that shows the field on the skin.'),
  beam('detent', 'The place where the tube locks over the middle of the receptor.'),
  beam('table tray', 'The holder under the table top that carries the receptor.'),
  beam('wall stand', 'The upright holder for the receptor.'),
  beam('grid', 'Lead strips before the receptor that hold back scatter; the ratio says how much.'),
  beam('grid cut-off', 'Loss of beam in the grid when it is off-centre, off-level or at the wrong distance.'),
  beam('focal range', 'The distances for which a grid is made.'),
  beam('focal spot', 'Where the x-rays begin: small is sharp, large bears more.', { forms: ['focus'] }),
  beam('anode heel effect', 'The beam is weaker toward the anode; the thicker end goes to the cathode.'),
  beam('horizontal beam', 'The beam parallel to the floor.', { not: ['level beam'] }),
  beam('vertical beam', 'The beam straight down.'),
  beam('off-centre', 'The CR beside the middle of the grid or receptor.'),
  beam('off-level', 'The grid tilted against the CR.'),

  exposure('kilovoltage', 'The peak voltage of the tube: how well the beam penetrates.', { short: 'kVp' }),
  exposure('milliampere-seconds', 'Tube current times exposure time: how much radiation.', { short: 'mAs' }),
  exposure('milliampere', 'The current of the tube.', { short: 'mA' }),
  exposure('automatic exposure control', 'Cells behind the part that end the exposure when enough has arrived.', {
    short: 'AEC',
  }),
  exposure('backup mAs', 'What ends the exposure when the AEC does not.', { not: ['back-up at'] }),
  exposure('exposure index', 'A number for how much the receptor got.', { short: 'EI' }),
  exposure('deviation index', 'How far the exposure index is from its target; 0 is on it, 3 is twice as much.', {
    short: 'DI',
  }),
  exposure('kerma-area product', 'Dose in air times the area of the beam, for a whole exposure.', {
    short: 'KAP',
    forms: ['Gy·cm²'],
  }),
  exposure('entrance skin plane', 'Where the beam enters the skin.'),
  exposure('penetration', 'How much of the beam passes the part.'),
  exposure('scatter', 'Radiation thrown aside in the body: it fogs the picture.'),
  exposure('upper gastrointestinal study', 'Contrast study of oesophagus, stomach and duodenum.', {
    short: 'GI',
    forms: ['Upper GI'],
  }),
  exposure('picture archive', 'The common format and store of medical pictures.', { short: 'DICOM' }),

  part('metacarpophalangeal joint', 'The joint between hand and finger.', {
    short: 'MCP',
    forms: ['MCP joint', 'MCP joints'],
    not: ['knuckle', 'knuckles'],
    drawnBy: 'hand-pa',
  }),
  part('proximal interphalangeal joint', 'The first joint within a finger or toe.', {
    short: 'PIP',
    forms: ['PIP joint'],
    not: ['middle joint'],
  }),
  part('distal interphalangeal joint', 'The last joint of a finger or toe.', { short: 'DIP' }),
  part('interphalangeal joint', 'A joint within a finger or toe.', {
    short: 'IP',
    forms: ['IP joints', 'interphalangeal'],
  }),
  part('carpometacarpal joint', 'The joint between wrist and hand; the first is the base of the thumb.', {
    short: 'CMC',
    forms: ['CMC joint'],
    not: ['joint at the base of the thumb', 'base of the thumb'],
  }),
  part('metatarsophalangeal joint', 'The joint between foot and toe.', {
    short: 'MTP',
    forms: ['MTP joint'],
    not: ['ball of the great toe'],
  }),
  part('tarsometatarsal joint', 'The joint between the tarsals and a metatarsal.', { short: 'TMT' }),
  part('scaphoid', 'Carpal bone at the base of the thumb, often fractured.'),
  part('acromion', 'The bony tip over the shoulder.'),
  part('coracoid process', 'The bony hook in front of the shoulder.', {}),
  part('glenoid cavity', 'The joint surface of the scapula for the humeral head.', {
    forms: ['glenoid'],
    not: ['socket of the shoulder', 'the socket'],
  }),
  part('glenohumeral joint', 'The shoulder joint.'),
  part('greater tubercle', 'The lateral prominence of the humeral head.', {
    not: ['greater tuberosity of the humerus'],
  }),
  part('lesser tubercle', 'The anterior prominence of the humeral head.'),
  part('scapula', 'The shoulder blade.', {
    forms: ['scapulae', 'scapular'],
    not: ['shoulder blade', 'shoulder blades'],
  }),
  part('clavicle', 'The collar bone.', { forms: ['clavicles'], not: ['collar bone'] }),
  part('sternum', 'The breastbone: manubrium, body and xiphoid process.', { not: ['breastbone'] }),
  part('manubrium', 'The upper part of the sternum.'),
  part('xiphoid process', 'The tip at the lower end of the sternum.', { not: ['xiphoid tip'] }),
  part('jugular notch', 'The notch at the top of the sternum.', { not: ['sternal notch'] }),
  part('sternal angle', 'The ridge between manubrium and body of the sternum.'),
  part('axillary border', 'The lateral border of the scapula.'),
  part('vertebral border', 'The medial border of the scapula.'),
  part('axillary ribs', 'The bend of the ribs under the armpit.'),
  part('trachea', 'The windpipe.', { not: ['windpipe'] }),
  part('costophrenic angle', 'The lowest corner of a lung, between ribs and diaphragm.', {
    forms: ['costophrenic angles'],
  }),
  part('zygapophyseal joint', 'The small joint between the arches of two vertebrae.', {
    forms: ['zygapophyseal joints'],
    not: ['joints of the arches', 'facet joint'],
  }),
  part('intervertebral foramen', 'The opening between two vertebrae for the nerve.', {
    forms: ['intervertebral foramina'],
  }),
  part('pars interarticularis', 'The part of the arch between the joints of a vertebra.', {
    not: ['neck of the arch'],
  }),
  part('pedicle', 'The root of the arch of a vertebra.', { forms: ['pedicles'] }),
  part('spinous process', 'The process of a vertebra that is felt in the back.', { forms: ['spinous processes'] }),
  part('vertebra prominens', 'C7: the process that is felt at the root of the neck.'),
  part('articular pillars', 'The columns of joints on each side of the neck.', { not: ['columns of joints'] }),
  part('dens', 'The peg of C2 in the ring of C1.'),
  part('lateral mass', 'The side part of C1.', { forms: ['lateral masses'], not: ['side mass'] }),
  part('lumbar spine', 'The spine between ribs and sacrum.', { not: ['the loin', 'loin'] }),
  part('iliac crest', 'The upper border of the hip bone, felt at the waist.', {
    forms: ['iliac crests'],
    not: ['crests of the hip'],
  }),
  part('iliac wing', 'The broad part of the ilium; ala.', {
    forms: ['iliac wings', 'ala'],
    not: ['wing of the hip bone', 'hip bones'],
  }),
  part('anterior superior iliac spine', 'The bony point at the front of the hip bone.', { short: 'ASIS' }),
  part('posterior superior iliac spine', 'The bony point at the back of the hip bone.', { short: 'PSIS' }),
  part('symphysis pubis', 'Where the two pubic bones meet in front.'),
  part('obturator foramen', 'The opening in the hip bone below the joint.', {
    forms: ['obturator foramina'],
    not: ['obturator opening'],
  }),
  part('acetabulum', 'The cup of the hip joint.', { not: ['hip socket'] }),
  part('fovea capitis', 'The pit of the femoral head.', { not: ['pit of the head', 'pit of the femoral head'] }),
  part('greater trochanter', 'The bony point felt at the side of the hip.'),
  part('lesser trochanter', 'The prominence at the inside of the proximal femur.'),
  part('coccyx', 'The tail bone.', { not: ['tailbone'] }),
  part('intercondylar fossa', 'The notch between the femoral condyles.', {
    not: ['notch between the condyles'],
    drawnBy: 'fossa-prone',
  }),
  part('tibial plateau', 'The joint surface of the tibia at the knee.'),
  part('tibial eminences', 'The two peaks in the middle of the tibial plateau.', { not: ['tibial spines'] }),
  part('patellofemoral joint', 'The joint between patella and femur.'),
  part('apex of the patella', 'The lower tip of the patella.', { not: ['lower pole of the patella'] }),
  part('popliteal fossa', 'The hollow behind the knee.', { not: ['hollow of the knee'] }),
  part('malleolus', 'The bony point at either side of the ankle.', { forms: ['malleoli'] }),
  part('talar dome', 'The curved upper surface of the talus.', { not: ['dome of the talus'] }),
  part('sinus tarsi', 'The gap between talus and calcaneus on the lateral side.', { not: ['sinus of the tarsus'] }),
  part('calcaneus', 'The heel bone.', { not: ['heel bone'] }),
  part('sustentaculum tali', 'The shelf of the calcaneus under the talus.'),
  part('sesamoids', 'The small bones under the first metatarsal head.'),
  part('mandible', 'The lower jaw: body, rami and condyles.', { not: ['lower jaw', 'the jaw', 'jaw'] }),
  part('ramus of the mandible', 'The upright part of the mandible.', {
    forms: ['rami of the mandible', 'ramus', 'rami'],
    not: ['branch of the jaw'],
  }),
  part('mental point', 'The front of the chin.', { not: ['tip of the chin', 'chin tip'] }),
  part('zygomatic arch', 'The arch of the cheek.', {
    forms: ['zygomatic arches', 'zygoma'],
    not: ['cheekbone', 'cheekbones'],
  }),
  part('petrous ridge', 'The upper edge of the temporal bone that holds the ear.', {
    forms: ['petrous ridges', 'petrous pyramids'],
  }),
  part('dorsum sellae', 'The back of the sella turcica.', { not: ['back of the saddle'] }),
  part('sella turcica', 'The saddle of the sphenoid bone.', { not: ['saddle'] }),
  part('external occipital protuberance', 'The bump at the back of the head; inion.', {
    forms: ['inion'],
    not: ['bump at the back of the head'],
  }),
  part('external acoustic meatus', 'The opening of the ear.', {
    short: 'EAM',
    forms: ['EAMs'],
    not: ['ear opening', 'ear canal'],
  }),
  part('temporomandibular joint', 'The joint of the mandible in front of the ear.', {
    short: 'TMJ',
    forms: ['TMJs'],
    not: ['joint of the jaw'],
  }),
  part('glabella', 'The smooth spot between the eyebrows.'),
  part('nasion', 'The root of the nose.'),
  part('acanthion', 'Where the upper lip meets the nose.'),
  part('orbitomeatal line', 'From the outer canthus to the EAM.', { short: 'OML', drawnBy: 'skull-pa' }),
  part('infraorbitomeatal line', 'From the infraorbital margin to the EAM.', { short: 'IOML' }),
  part('mentomeatal line', 'From the mental point to the EAM.', { short: 'MML', drawnBy: 'sinuses-parietoacanthial' }),
  part('acanthiomeatal line', 'From the acanthion to the EAM.', { short: 'AML' }),
  part('glabellomeatal line', 'From the glabella to the EAM.', { short: 'GML' }),
  part('lips-meatal line', 'From the lips to the EAM.', { short: 'LML' }),
  part('oesophagus', 'The gullet; esophagus.', { not: ['gullet'] }),
  part('pylorus', 'The outlet of the stomach.', { not: ['outlet of the stomach'] }),
  part('duodenal bulb', 'The first part of the duodenum.'),
  part('hepatic flexure', 'The bend of the colon under the liver, on the right.'),
  part('splenic flexure', 'The bend of the colon under the spleen, on the left.'),
  part('vertebral levels', 'C, T, L and S with a number: cervical, thoracic, lumbar and sacral vertebrae.', {
    forms: ['C1', 'C2', 'C3', 'C4', 'C5', 'C6', 'C7', 'T1', 'T7', 'T12', 'L1', 'L3', 'L5', 'S1'],
  }),

  seen('in profile', 'Seen from the side along its edge.'),
  seen('superimposed', 'Lying over each other on the picture.', {
    forms: ['superimposition'],
    not: ['over each other'],
  }),
  seen('free of superimposition', 'Nothing else lies over it.'),
  seen('joint space open', 'A clear gap between the two bones.', { forms: ['joint spaces open'] }),
  seen('foreshortened', 'Shown shorter than it is.', { forms: ['foreshortening'], not: ['drawn short'] }),
  seen('elongated', 'Shown longer than it is.', { forms: ['elongation'], not: ['drawn out', 'drawn longer'] }),
  seen('magnified', 'Shown larger than it is.', { forms: ['magnification'], not: ['drawn larger'] }),
  seen('symmetrical', 'The same on both sides.', { not: ['alike'] }),
  seen('rotated', 'Turned off the position it should have.', { forms: ['rotation'] }),
  seen('clipped', 'Cut off at the edge of the field.', { not: ['cut off at'] }),
  seen('equal concavity', 'Both sides of a shaft curve in alike: it is not rotated.', {
    not: ['hollow alike', 'hollows alike'],
  }),
  seen('concentric arcs', 'Curves round one centre: the elbow is in true lateral.'),
  seen('air-fluid level', 'A straight line between air above and fluid below.', { forms: ['air-fluid levels'] }),
  seen('free intraperitoneal air', 'Air in the abdomen outside the bowel.', { forms: ['free air'] }),
  seen('calcification', 'Lime in tissue that should have none.', { forms: ['calcifications'], not: ['lime'] }),
  seen('artefact', 'Something on the picture that is not in the patient.'),
];

export const glossary: readonly Term[] = [...WRITTEN].sort((a, b) => a.term.localeCompare(b.term));

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
const sayings = (term: Term): string[] => [term.term, ...(term.short ? [term.short] : []), ...term.forms];

const BY_SAYING: ReadonlyMap<string, Term> = new Map(
  glossary.flatMap((term) => sayings(term).map((each) => [each.toLowerCase(), term] as const)),
);
/** The longest form first, so that "lateral decubitus" is not taken for "lateral". */
const ANY = new RegExp(
  `(?<![\\p{L}\\d])(${[...BY_SAYING.keys()]
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|')})(?![\\p{L}\\d])`,
  'giu',
);

export type TermPlace = { term: Term; start: number; end: number };

/** Terms of the glossary in a sentence, in its order. @example termsIn('CR enters at the ASIS').map(({ term }) => term.short) // ['CR', 'ASIS'] */
export const termsIn = (text: string): TermPlace[] =>
  [...text.matchAll(ANY)].flatMap((match) => {
    const term = BY_SAYING.get(match[0].toLowerCase());
    // An abbreviation is one in capitals only: "it" is no IT.
    const asShort = term?.short !== undefined && match[0].toLowerCase() === term.short.toLowerCase();
    return !term || (asShort && match[0] !== term.short)
      ? []
      : [{ term, start: match.index, end: match.index + match[0].length }];
  });

const plain = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ').trim();
/** 0: it is called so; 1, 2: its name begins so, or has it; 3: its sentence has it; null: none of these. */
function rankOf(term: Term, asked: string): number | null {
  const names = [...sayings(term), ...term.not].map(plain);
  if (names.includes(asked)) return 0;
  if (names.some((name) => name.startsWith(asked))) return 1;
  if (names.some((name) => name.includes(asked))) return 2;
  return plain(term.says).includes(asked) ? 3 : null;
}

/**
 * Terms that answer a query: by name, abbreviation, form, everyday word or the sentence; best first, all for nothing.
 * @param upTo the last rank that counts: 1 for a name that begins so
 * @example findTerms('knuckle')[0].term // 'metacarpophalangeal joint'
 */
export function findTerms(query: string, upTo = 3): Term[] {
  const asked = plain(query);
  if (asked === '') return [...glossary];
  return glossary
    .flatMap((term) => {
      const rank = rankOf(term, asked);
      return rank === null || rank > upTo ? [] : [{ term, rank }];
    })
    .sort((a, b) => a.rank - b.rank)
    .map(({ term }) => term);
}
