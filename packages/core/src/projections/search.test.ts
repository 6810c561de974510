import { exams } from './exams';
import { hasProjection, projections } from './catalogue';
import { findExams, findProjections } from './search';

/** What is typed, and what is meant. */
const EXPECTED: readonly (readonly [string, string])[] = [
  ['chest pa', 'chest-pa'],
  ['CXR', 'chest-pa'],
  ['chest', 'chest-pa'],
  ['lateral chest', 'chest-lateral'],
  ['chset lateral', 'chest-lateral'],
  ['portable chest', 'chest-ap'],
  ['bedside cxr', 'chest-ap'],
  ['pleural effusion', 'chest-decubitus-ap'],
  ['chest decub', 'chest-decubitus-ap'],
  ['lordotic', 'chest-ap-lordotic'],
  ['apices', 'chest-ap-axial-apices'],
  ['croup', 'airway-ap'],
  ['soft tissue neck lateral', 'airway-lateral'],
  ['epiglottis', 'airway-lateral'],
  ['ribs', 'ribs-ap-upper'],
  ['lower ribs', 'ribs-ap-lower'],
  ['rib fracture', 'ribs-ap-upper'],
  ['oblique ribs', 'ribs-oblique-posterior'],
  ['sternum', 'sternum-rao'],
  ['breastbone lateral', 'sternum-lateral'],
  ['SC joints', 'sternoclavicular-pa'],
  ['KUB', 'abdomen-ap-supine'],
  ['abdomen', 'abdomen-ap-supine'],
  ['flat plate', 'abdomen-ap-supine'],
  ['free air', 'abdomen-ap-upright'],
  ['upright abdomen', 'abdomen-ap-upright'],
  ['erect abdomen', 'abdomen-ap-upright'],
  ['left lateral decubitus abdomen', 'abdomen-decubitus-left-lateral'],
  ['cross table abdomen', 'abdomen-decubitus-dorsal'],
  ['kidney stones', 'abdomen-ap-supine'],
  ['abdomen lateral', 'abdomen-lateral'],
  ['finger', 'finger-pa'],
  ['ring finger', 'finger-pa'],
  ['index finger lateral', 'finger-lateral'],
  ['finger oblique', 'finger-oblique'],
  ['thumb', 'thumb-ap'],
  ['thumb lateral', 'thumb-lateral'],
  ['thumb pa', 'thumb-pa'],
  ['gamekeeper', 'thumb-stress-pa'],
  ['Bennett', 'thumb-ap-axial-base'],
  ['robert view', 'thumb-ap-axial-base'],
  ['hand', 'hand-pa'],
  ['metacarpals', 'hand-pa'],
  ['hand oblique', 'hand-oblique'],
  ['fan lateral', 'hand-lateral-fan'],
  ['hand foreign body', 'hand-lateral-extended'],
  ['norgaard', 'hands-ap-oblique-bilateral'],
  ['ball catchers', 'hands-ap-oblique-bilateral'],
  ['bone age', 'hand-bone-age'],
  ['wrist', 'wrist-pa'],
  ['wrist lateral', 'wrist-lateral'],
  ['wrist oblique', 'wrist-oblique'],
  ['scaphoid', 'scaphoid-axial'],
  ['navicular wrist', 'wrist-ulnar-deviation'],
  ['ulnar deviation', 'wrist-ulnar-deviation'],
  ['stecher', 'scaphoid-axial'],
  ['carpal tunnel', 'carpal-canal-tangential'],
  ['hook of hamate', 'carpal-canal-tangential'],
  ['carpal bridge', 'carpal-bridge-tangential'],
  ['pisiform', 'wrist-ap-oblique'],
  ['radial deviation', 'wrist-radial-deviation'],
  ['colles', 'wrist-pa'],
  ['forearm', 'forearm-ap'],
  ['radius and ulna', 'forearm-ap'],
  ['forearm lat', 'forearm-lateral'],
  ['elbow', 'elbow-ap'],
  ['elbow lateral', 'elbow-lateral'],
  ['fat pad', 'elbow-lateral'],
  ['radial head', 'elbow-axial-lateral-radial-head'],
  ['coyle', 'elbow-axial-lateral-radial-head'],
  ['coronoid', 'elbow-axial-lateral-coronoid'],
  ['humerus', 'humerus-ap'],
  ['upper arm lateral', 'humerus-lateral'],
  ['transthoracic', 'humerus-transthoracic-lateral'],
  ['shoulder', 'shoulder-ap-external'],
  ['shoulder internal rotation', 'shoulder-ap-internal'],
  ['grashey', 'shoulder-ap-oblique-glenoid'],
  ['glenoid', 'shoulder-ap-oblique-glenoid'],
  ['axillary shoulder', 'shoulder-axillary-inferosuperior'],
  ['scapular y', 'shoulder-scapular-y'],
  ['Y view', 'shoulder-scapular-y'],
  ['shoulder dislocation', 'shoulder-scapular-y'],
  ['outlet shoulder', 'shoulder-outlet'],
  ['impingement', 'shoulder-outlet'],
  ['garth', 'shoulder-apical-oblique'],
  ['velpeau', 'shoulder-axillary-sling'],
  ['stryker notch', 'shoulder-notch-ap-axial'],
  ['west point', 'shoulder-axillary-prone'],
  ['bicipital groove', 'intertubercular-groove'],
  ['scapula', 'scapula-ap'],
  ['shoulder blade lateral', 'scapula-lateral'],
  ['clavicle', 'clavicle-ap'],
  ['collar bone', 'clavicle-ap'],
  ['clavical', 'clavicle-ap'],
  ['AC joints', 'acromioclavicular-ap'],
  ['AC joints with weights', 'acromioclavicular-ap-weights'],
  ['toe', 'toes-ap'],
  ['big toe', 'toes-ap'],
  ['hallux lateral', 'toes-lateral'],
  ['sesamoids', 'sesamoids-tangential'],
  ['foot', 'foot-ap'],
  ['foot oblique', 'foot-oblique-medial'],
  ['foot lateral', 'foot-lateral'],
  ['standing foot', 'foot-ap-weight-bearing'],
  ['flat foot', 'foot-lateral-weight-bearing'],
  ['dorsoplantar', 'foot-ap'],
  ['heel', 'calcaneus-axial'],
  ['os calcis lateral', 'calcaneus-lateral'],
  ['heel spur', 'calcaneus-lateral'],
  ['broden', 'subtalar-oblique-medial'],
  ['ankle', 'ankle-ap'],
  ['mortise', 'ankle-mortise'],
  ['ankle lateral', 'ankle-lateral'],
  ['mortice', 'ankle-mortise'],
  ['inversion stress ankle', 'ankle-stress-inversion'],
  ['tib fib', 'leg-ap'],
  ['tibia', 'leg-ap'],
  ['shin', 'leg-ap'],
  ['tib fib lateral', 'leg-lateral'],
  ['knee', 'knee-ap'],
  ['knee lat', 'knee-lateral'],
  ['knee ap', 'knee-ap'],
  ['standing knees', 'knee-ap-weight-bearing'],
  ['rosenberg', 'knee-pa-flexed-weight-bearing'],
  ['tunnel view', 'fossa-prone'],
  ['notch view knee', 'fossa-prone'],
  ['camp coventry', 'fossa-prone'],
  ['holmblad', 'fossa-kneeling'],
  ['sunrise', 'patella-tangential-supine'],
  ['skyline', 'patella-tangential-supine'],
  ['merchant', 'patella-tangential-flexed'],
  ['settegast', 'patella-tangential-prone'],
  ['patella', 'patella-pa'],
  ['kneecap lateral', 'patella-lateral'],
  ['varus stress', 'knee-stress-varus'],
  ['PCL', 'knee-kneeling-posterior'],
  ['femur', 'femur-ap-proximal'],
  ['distal femur', 'femur-ap-distal'],
  ['hip', 'hip-ap'],
  ['hip lateral', 'hip-lateral-frog'],
  ['cross table hip', 'hip-axiolateral'],
  ['danelius miller', 'hip-axiolateral'],
  ['frog leg hip', 'hip-lateral-frog'],
  ['pelvis', 'pelvis-ap'],
  ['portable pelvis', 'pelvis-ap'],
  ['frog pelvis', 'pelvis-frog'],
  ['inlet', 'pelvis-inlet'],
  ['outlet pelvis', 'pelvis-outlet'],
  ['judet', 'acetabulum-oblique-iliac'],
  ['obturator oblique', 'acetabulum-oblique-obturator'],
  ['dunn', 'hip-flexed-abducted-ap'],
  ['leg length', 'hips-to-ankles'],
  ['c-spine lateral', 'cervical-lateral'],
  ['c spine', 'cervical-ap-axial'],
  ['odontoid', 'cervical-ap-open-mouth'],
  ['open mouth', 'cervical-ap-open-mouth'],
  ['dens', 'cervical-ap-open-mouth'],
  ['fuchs', 'dens-ap'],
  ['swimmers', 'cervicothoracic-lateral'],
  ["swimmer's view", 'cervicothoracic-lateral'],
  ['cervical oblique', 'cervical-oblique-posterior'],
  ['flexion neck', 'cervical-flexion'],
  ['thorasic spine ap', 'thoracic-ap'],
  ['tspine lateral', 'thoracic-lateral'],
  ['lumbar spine', 'lumbar-ap'],
  ['l spine lateral', 'lumbar-lateral'],
  ['scotty dog', 'lumbar-oblique-posterior'],
  ['L5 S1', 'lumbosacral-lateral'],
  ['spot lateral', 'lumbosacral-lateral'],
  ['sacrum', 'sacrum-ap-axial'],
  ['sacral lateral', 'sacrum-lateral'],
  ['tailbone', 'coccyx-ap-axial'],
  ['SI joints', 'sacroiliac-ap-axial'],
  ['scoliosis', 'scoliosis-pa'],
  ['scoliosis lateral', 'scoliosis-lateral'],
  ['skull', 'skull-pa-axial'],
  ['skull lateral', 'skull-lateral'],
  ['towne', 'skull-ap-axial'],
  ['townes', 'skull-ap-axial'],
  ['haas', 'skull-pa-axial-occipital'],
  ['sella', 'sella-lateral'],
  ['base of skull', 'skull-submentovertical'],
  ['SMV skull', 'skull-submentovertical'],
  ['facial bones', 'face-parietoacanthial'],
  ['waters', 'face-parietoacanthial'],
  ['reverse waters', 'face-acanthioparietal'],
  ['nose', 'nasal-bones-lateral'],
  ['nasal bones', 'nasal-bones-lateral'],
  ['zygomatic arches', 'zygomatic-arches-submentovertical'],
  ['orbits', 'orbits-pa-axial'],
  ['eye foreign body', 'orbits-pa-axial'],
  ['rhese', 'orbit-parieto-orbital-oblique'],
  ['mandible', 'mandible-pa'],
  ['jaw oblique', 'mandible-axiolateral-oblique'],
  ['TMJ', 'temporomandibular-ap-axial'],
  ['sinus', 'sinuses-parietoacanthial'],
  ['sinus lateral', 'sinuses-lateral'],
  ['waters sinus', 'sinuses-parietoacanthial'],
  ['caldwell sinus', 'sinuses-pa-axial'],
  ['sphenoid sinus', 'sinuses-lateral'],
  ['barium swallow', 'oesophagus-rao'],
  ['esophagram', 'oesophagus-rao'],
  ['upper gi', 'stomach-pa'],
  ['RAO stomach', 'stomach-rao'],
  ['small bowel', 'small-bowel-pa'],
  ['SBFT', 'small-bowel-pa'],
  ['barium enema', 'colon-ap'],
  ['post evac', 'colon-post-evacuation'],
  ['splenic flexure', 'colon-rpo'],
  ['lateral rectum', 'colon-lateral-rectum'],
  ['IVP', 'urography-ap'],
  ['IVU scout', 'urography-scout'],
  ['cystogram', 'cystogram-ap-axial'],
];

test('at least 150 things that people type', () => {
  expect(new Set(EXPECTED.map(([query]) => query)).size).toBeGreaterThanOrEqual(150);
  for (const [, id] of EXPECTED) expect(hasProjection(id)).toBe(true);
});

test('what is meant is first in 95 of 100 and in the top three in 99', () => {
  const found = EXPECTED.map(([query, id]) => ({
    query,
    id,
    place: findProjections(query).findIndex(({ projection }) => projection.id === id),
  }));
  const missed = found.filter(({ place }) => place !== 0);
  const share = (most: number) => found.filter(({ place }) => place >= 0 && place < most).length / found.length;
  expect({ missed: share(1) < 0.95 ? missed : [] }).toEqual({ missed: [] });
  expect({ far: share(3) < 0.99 ? missed.filter(({ place }) => place < 0 || place > 2) : [] }).toEqual({ far: [] });
});

it('nonsense finds nothing, empty finds all', () => {
  expect(findProjections('qqqqzzz')).toEqual([]);
  expect(findProjections('  ')).toHaveLength(projections.length);
  expect(findProjections('', { region: 'spine' }).every(({ projection }) => projection.region === 'spine')).toBe(true);
  expect(findProjections('x'.repeat(10_000))).toEqual([]);
});

it('every name and every other name finds its own entry among the first ten', () => {
  for (const { id, name } of projections) {
    const place = findProjections(name).findIndex(({ projection }) => projection.id === id);
    expect([name, place >= 0 && place < 3]).toEqual([name, true]);
  }
});

it('exams hold only what the catalogue has', () => {
  for (const { projections: ids } of exams) for (const id of ids) expect([id, hasProjection(id)]).toEqual([id, true]);
  expect(new Set(exams.map(({ id }) => id)).size).toBe(exams.length);
});

it.each([
  ['knee', 'knee'],
  ['knee four', 'knee-four'],
  ['acute abdomen', 'abdomen-acute'],
  ['c-spine', 'cervical-three'],
  ['portable pelvis', 'pelvis-mobile'],
  ['BE', 'enema'],
])('“%s” also finds the exam %s', (query, id) => expect(findExams(query).map((exam) => exam.id)).toContain(id));
it('nothing typed, no exam', () => {
  expect(findExams('')).toEqual([]);
  expect(findExams('qqqq')).toEqual([]);
});

test('a row that was answered through another name shows it, and one by its own name does not', () => {
  let through = 0;
  for (const { id, alsoCalled } of projections)
    for (const called of alsoCalled) {
      const hit = findProjections(called).find(({ projection }) => projection.id === id);
      if (!hit || hit.matched === null) continue;
      expect(alsoCalled).toContain(hit.matched);
      through += 1;
    }
  expect(through).toBeGreaterThan(500);
  expect(findProjections('knee ap')[0]).toMatchObject({ projection: { id: 'knee-ap' }, matched: null });
  expect(findProjections('')[0]!.matched).toBeNull();
});
