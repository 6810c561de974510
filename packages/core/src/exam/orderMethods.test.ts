/** Views by the name of their method: alone, beside the course of their ray, and in a list. */
import { ORDERED_PARTS } from './orderLexicon';
import { projections } from '../projections/catalogue';
import { orderedExam } from './orderedExam';
import { readOrder } from './readOrder';

/** A method as it is ordered, with its part, and what it is. */
const METHODS: readonly (readonly [string, ...string[]])[] = [
  ['AC joint Alexander', 'acromioclavicular-ap-axial'],
  ['AC joint Zanca', 'acromioclavicular-ap-axial'],
  ['pelvis inlet Bridgeman', 'pelvis-inlet'],
  ['pelvis outlet Taylor', 'pelvis-outlet'],
  ['ankle Broden', 'subtalar-oblique-medial'],
  ['heel Isherwood', 'subtalar-oblique-medial'],
  ['thumb Burman', 'thumb-ap-axial-base'],
  ['thumb Robert', 'thumb-ap-axial-base'],
  ['thumb Long and Rafert', 'thumb-ap-axial-base'],
  ['thumb Folio', 'thumb-stress-pa'],
  ['knee Béclère', 'fossa-supine'],
  ['knee Camp Coventry', 'fossa-prone'],
  ['knee Holmblad', 'fossa-kneeling'],
  ['knee Rosenberg', 'knee-pa-flexed-weight-bearing'],
  ['knee Merchant', 'patella-tangential-flexed'],
  ['patella Laurin', 'patella-tangential-supine'],
  ['patella Settegast', 'patella-tangential-prone'],
  ['patella Hughston', 'patella-tangential-prone'],
  ['skull Caldwell', 'skull-pa-axial'],
  ['facial bones Caldwell', 'face-pa-axial'],
  ['sinuses Caldwell', 'sinuses-pa-axial'],
  ['facial bones reverse Caldwell', 'face-ap-axial-15'],
  ['skull exaggerated Caldwell', 'skull-pa-axial-30'],
  ['skull Towne', 'skull-ap-axial'],
  ['skull Townes', 'skull-ap-axial'],
  ['skull Chamberlain', 'skull-ap-axial'],
  ['skull Haas', 'skull-pa-axial-occipital'],
  ['skull reverse Towne', 'skull-pa-axial-occipital'],
  ['mandible Towne', 'mandible-ap-axial'],
  ['TMJ Towne', 'temporomandibular-ap-axial'],
  ['TMJ Schüller', 'temporomandibular-axiolateral'],
  ['TMJ Schuller', 'temporomandibular-axiolateral'],
  ['TMJ Law', 'temporomandibular-axiolateral-oblique'],
  ['zygomatic arches Titterington', 'zygomatic-arches-ap-axial'],
  ['zygomatic arch May view', 'zygomatic-arch-oblique'],
  ['facial bones Waters', 'face-parietoacanthial'],
  ["facial bones Waters'", 'face-parietoacanthial'],
  ['facial bones shallow Waters', 'face-parietoacanthial-modified'],
  ['facial bones reverse Waters', 'face-acanthioparietal'],
  ['sinuses Waters', 'sinuses-parietoacanthial'],
  ['sinuses open mouth Waters', 'sinuses-parietoacanthial-open-mouth'],
  ['sinuses Pirie', 'sinuses-parietoacanthial-open-mouth'],
  ['orbits Rhese', 'orbit-parieto-orbital-oblique'],
  ['hip Cleaves', 'hip-lateral-frog'],
  ['hip Lauenstein', 'hip-lateral-frog'],
  ['hip Hickey', 'hip-lateral-frog'],
  ['pelvis Cleaves', 'pelvis-frog'],
  ['hip Clements-Nakayama', 'hip-axiolateral-modified'],
  ['hip Danelius-Miller', 'hip-axiolateral'],
  ['hip Dunn', 'hip-flexed-abducted-ap'],
  ['hip Lequesne', 'hip-false-profile'],
  ['pelvis Judet', 'acetabulum-oblique-iliac', 'acetabulum-oblique-obturator'],
  ['acetabulum Teufel', 'acetabulum-pa-axial-oblique'],
  ['elbow Coyle', 'elbow-axial-lateral-radial-head'],
  ['elbow Coyle coronoid', 'elbow-axial-lateral-coronoid'],
  ['elbow Jones', 'elbow-acute-flexion-humerus'],
  ['elbow Schmitt', 'elbow-radial-head-laterals'],
  ['C-spine pillars Dorland', 'cervical-pillars-ap-axial'],
  ['C-spine Fuchs', 'dens-ap'],
  ['C-spine dens Judd', 'dens-ap'],
  ['C-spine Ottonello', 'cervical-ap-moving-jaw'],
  ['C-spine Pawlow', 'cervicothoracic-lateral'],
  ['C-spine Twining', 'cervicothoracic-lateral'],
  ['L-spine Ferguson', 'lumbosacral-ap-axial'],
  ['SI joints Ferguson', 'sacroiliac-ap-axial'],
  ['scoliosis Ferguson', 'scoliosis-pa-block'],
  ['shoulder Fisk', 'intertubercular-groove'],
  ['shoulder Garth', 'shoulder-apical-oblique'],
  ['shoulder Grashey', 'shoulder-ap-oblique-glenoid'],
  ['shoulder Neer', 'shoulder-outlet'],
  ['shoulder Stryker', 'shoulder-notch-ap-axial'],
  ['shoulder Velpeau', 'shoulder-axillary-sling'],
  ['shoulder West Point', 'shoulder-axillary-prone'],
  ['shoulder Lawrence axillary', 'shoulder-axillary-inferosuperior'],
  ['humerus Lawrence', 'humerus-transthoracic-lateral'],
  ['wrist Gaynor-Hart', 'carpal-canal-tangential'],
  ['wrist Lentino', 'carpal-bridge-tangential'],
  ['wrist Stecher', 'scaphoid-axial'],
  ['wrist Stecher modified', 'scaphoid-pa-elevated'],
  ['hands Norgaard', 'hands-ap-oblique-bilateral'],
  ['heel Harris', 'calcaneus-axial'],
  ['heel Harris-Beath', 'calcaneus-axial-weight-bearing'],
  ['foot Saltzman', 'hindfoot-alignment'],
  ['sesamoids Lewis', 'sesamoids-tangential'],
  ['sesamoids Holly', 'sesamoids-tangential'],
  ['chest Lindblom', 'chest-ap-lordotic'],
  ['SC joints Kurzbauer', 'sternoclavicular-oblique'],
  ['petrous bone Stenvers', 'petrous-oblique-posterior'],
  ['petrous bone Arcelin', 'petrous-oblique-posterior'],
  ['mastoid Law', 'mastoid-axiolateral-oblique'],
  ['skull Schueller', 'skull-submentovertical'],
  ['AC joints Pearson', 'acromioclavicular-ap'],
  ['rectum Robins', 'colon-ventral-decubitus-lateral'],
];
/** Names that stand in search words and are no methods: of injuries, of signs, of an angle, of a place. */
const NO_METHOD =
  /^(Achilles|Bankart|Bennett|Böhler|[CLT]-spine|Cobb|Colles|Hill-Sachs|Jefferson|Lisfranc|Rolando|Smith|Turkish|Point)$/;

const fold = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}|['’]/gu, '')
    .toLowerCase();

test.each(METHODS)('%s', (words, ...ids) => {
  expect(orderedExam(`${words} left`)?.projections ?? orderedExam(words)?.projections).toEqual(ids);
});

test('every method that the catalogue knows by a name is ordered by it in some line above', () => {
  const ordered = METHODS.map(([words]) => ` ${fold(words)} `);
  const names = projections
    .flatMap(({ alsoCalled }) => alsoCalled)
    .flatMap((name) => name.match(/(?<!\p{L})\p{Lu}[\p{L}’'-]*\p{Ll}[\p{L}’'-]*/gu) ?? [])
    .filter((name) => !NO_METHOD.test(name));
  expect(new Set(names).size).toBeGreaterThan(60);
  expect(names.filter((name) => !ordered.some((line) => line.includes(` ${fold(name)}`)))).toEqual([]);
});

/** Every view that has a course, as one writes it with one. */
const COURSED: readonly [string, string, string][] = [
  ['Shoulder', 'AP Grashey', 'shoulder-ap-oblique-glenoid'],
  ['Shoulder', 'AP axial Stryker notch', 'shoulder-notch-ap-axial'],
  ['Shoulder', 'axial West Point', 'shoulder-axillary-prone'],
  ['Shoulder', 'lateral Neer outlet', 'shoulder-outlet'],
  ['Shoulder', 'PA oblique scapular Y', 'shoulder-scapular-y'],
  ['AC joint', 'AP axial Zanca', 'acromioclavicular-ap-axial'],
  ['Skull', 'AP axial Towne', 'skull-ap-axial'],
  ['Skull', 'PA Caldwell', 'skull-pa-axial'],
  ['Sinuses', 'PA Waters', 'sinuses-parietoacanthial'],
  ['Thumb', 'AP modified Robert', 'thumb-ap-axial-base'],
  ['Elbow', 'lateral radial head Coyle', 'elbow-axial-lateral-radial-head'],
  ['Knee', 'PA axial notch Camp Coventry', 'fossa-prone'],
  ['Knee', 'axial Merchant', 'patella-tangential-flexed'],
  ['Hip', 'lateral Danelius Miller', 'hip-axiolateral'],
  ['Hip', 'AP Dunn', 'hip-flexed-abducted-ap'],
  ['Chest', 'AP axial lordotic', 'chest-ap-lordotic'],
  ['Cervical spine', 'AP open mouth', 'cervical-ap-open-mouth'],
  ['Cervical spine', 'lateral swimmers', 'cervicothoracic-lateral'],
  ['Hands', 'AP oblique Norgaard', 'hands-ap-oblique-bilateral'],
  ['Pelvis', 'AP axial outlet', 'pelvis-outlet'],
  ['Hip', 'lateral cross-table', 'hip-axiolateral'],
];
describe.each(COURSED)('%s %s', (part, written, id) => {
  test('is one view, and the order is told so', () => {
    const read = readOrder(`Bilateral ${part} ${written}`)!;
    expect(read.projections).toEqual([id]);
    const words = written.toLowerCase().replaceAll('-', '').replace('open mouth', 'openmouth');
    expect(read.read).toEqual([{ words, as: 'view', ids: [id] }]);
  });
  test('with a comma between them both are made', () => {
    const course = /^(AP|PA|lateral|axial)/.exec(written)![0];
    const made = readOrder(`${part} ${course}, ${written} left`)!.projections;
    expect(made).toContain(id);
  });
});

test('in a list without commas each word is a view of its own', () => {
  expect(readOrder('Ankle AP mortise lateral right')!.projections).toEqual([
    'ankle-ap',
    'ankle-mortise',
    'ankle-lateral',
  ]);
  expect(readOrder('Thoracic spine AP lateral swimmers')!.projections).toEqual([
    'thoracic-ap',
    'thoracic-lateral',
    'cervicothoracic-lateral',
  ]);
  expect(readOrder('Shoulder AP Grashey Y right')!.projections).toEqual([
    'shoulder-ap-neutral',
    'shoulder-ap-oblique-glenoid',
    'shoulder-scapular-y',
  ]);
});

test('a course is one of the rays, and no method takes the words of another', () => {
  const coursed = ORDERED_PARTS.flatMap(({ id, views }) =>
    views.filter(({ course }) => course).map((each) => ({ id, each })),
  );
  expect(coursed.length).toBeGreaterThan(40);
  for (const { each } of coursed) expect(each.course!.source).toMatch(/^\^/);
});

test('the neck of a femur or a humerus is no cervical spine', () => {
  for (const words of ['Left femoral neck', 'Surgical neck of left humerus AP lateral'])
    expect(orderedExam(words)?.projections.filter((id) => id.startsWith('cervi')) ?? []).toEqual([]);
});
