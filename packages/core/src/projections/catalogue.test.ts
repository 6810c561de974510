import { isMotion } from '../body/joints';
import { mannequin } from '../body/mannequin';
import { RULES } from '../room/houseRules';
import { withSchool } from '../setup/variant';
import { hasProjection, projectionOf, projections } from './catalogue';
import { projectionSchema } from './schema';

const landmarks = new Set(mannequin.landmarks.map(({ id }) => id));
const structures = new Set(mannequin.primitives.map(({ id }) => id));
const segments = new Set(mannequin.segments.map(({ id }) => id));

describe.each(projections.map((entry) => [entry.id, entry] as const))('%s', (_id, entry) => {
  it('names only what the body has', () => {
    const found = [entry.aim, ...entry.cover];
    for (const place of found) {
      if ('structure' in place) expect(structures).toContain(place.structure);
      else
        for (const each of 'between' in place ? place.between : [place.landmark])
          expect(landmarks.has(each) || structures.has(each) ? '' : each).toBe('');
    }
    for (const each of [...(entry.alongBone ?? []), ...(entry.ray.along ?? [])])
      expect(landmarks.has(each) || structures.has(each) ? '' : each).toBe('');
    for (const positioning of [entry, ...entry.positions])
      for (const each of Object.keys(positioning.joints)) expect(isMotion(each)).toBe(true);
    for (const { projection } of entry.instead) expect(hasProjection(projection) ? '' : projection).toBe('');
    if (entry.aim.reaches) expect(structures).toContain(entry.aim.reaches.structure);
    for (const each of entry.aim.checkBy) expect(landmarks).toContain(each);
    for (const positioning of entry.positions) for (const each of positioning.contact) expect(segments).toContain(each);
    for (const prefix of entry.brightBones) expect([...structures].some((each) => each.startsWith(prefix))).toBe(true);
  });
  it('is whole under each of its schools', () => {
    entry.variants.forEach((_, i) =>
      expect(projectionSchema.safeParse(withSchool(entry, i)).error?.message).toBeUndefined(),
    );
  });
  it('keeps its own numbers inside its own ranges', () => {
    const { exposure, sid, ray } = entry;
    expect(exposure.kVp).toBeGreaterThanOrEqual(exposure.kVpRange[0]);
    expect(exposure.kVp).toBeLessThanOrEqual(exposure.kVpRange[1]);
    expect(sid.wantedMm).toBeGreaterThanOrEqual(sid.rangeMm[0]);
    expect(sid.wantedMm).toBeLessThanOrEqual(sid.rangeMm[1]);
    expect(ray.angleDeg).toBeLessThanOrEqual(ray.rangeDeg[1]);
  });
  it('binds its schools to rules that exist', () => {
    for (const { rule, choice } of entry.variants) {
      expect(Object.keys(RULES)).toContain(rule);
      expect(Object.keys(RULES[rule as keyof typeof RULES].choices)).toContain(choice);
    }
  });
});

/** Ids that addresses, records and orders hold on to: none may go. */
const FIXED = `
chest-pa chest-lateral chest-ap chest-decubitus-ap chest-ap-lordotic chest-ap-axial-apices
chest-pa-oblique-rao chest-pa-oblique-lao airway-ap airway-lateral ribs-ap-upper ribs-ap-lower
ribs-pa-upper ribs-oblique-posterior ribs-oblique-anterior sternum-rao sternum-lateral sternoclavicular-pa
sternoclavicular-oblique abdomen-ap-supine abdomen-ap-upright abdomen-pa abdomen-decubitus-left-lateral abdomen-decubitus-dorsal
abdomen-lateral abdomen-oblique-posterior finger-pa finger-oblique finger-lateral thumb-ap
thumb-oblique thumb-lateral thumb-ap-axial-base thumb-stress-pa hand-pa hand-oblique
hand-lateral-fan hand-lateral-extended hands-ap-oblique-bilateral hand-bone-age wrist-pa wrist-oblique
wrist-lateral wrist-ulnar-deviation wrist-radial-deviation scaphoid-axial carpal-canal-tangential wrist-ap-oblique
wrist-ap thumb-pa scaphoid-pa-elevated carpal-bridge-tangential forearm-ap forearm-lateral
elbow-ap elbow-lateral elbow-oblique-lateral elbow-oblique-medial elbow-ap-flexed-humerus elbow-ap-flexed-forearm
elbow-acute-flexion-humerus elbow-acute-flexion-forearm elbow-axial-lateral-radial-head elbow-axial-lateral-coronoid elbow-radial-head-laterals humerus-ap
humerus-lateral humerus-transthoracic-lateral humerus-lateral-distal-crosstable shoulder-ap-external shoulder-ap-internal shoulder-ap-neutral
shoulder-ap-oblique-glenoid shoulder-axillary-inferosuperior shoulder-axillary-superoinferior shoulder-scapular-y shoulder-outlet shoulder-apical-oblique
intertubercular-groove shoulder-axillary-prone shoulder-axillary-sling shoulder-notch-ap-axial coracoid-ap-axial scapula-ap
scapula-lateral clavicle-ap clavicle-ap-axial clavicle-pa clavicle-pa-axial acromioclavicular-ap
acromioclavicular-ap-weights acromioclavicular-ap-axial toes-ap toes-oblique toes-lateral sesamoids-tangential
foot-ap foot-oblique-medial foot-oblique-lateral foot-lateral foot-ap-weight-bearing foot-lateral-weight-bearing
calcaneus-axial calcaneus-axial-dorsoplantar calcaneus-axial-weight-bearing calcaneus-lateral subtalar-oblique-medial ankle-ap
ankle-mortise ankle-oblique-medial ankle-lateral ankle-ap-weight-bearing ankle-stress-inversion ankle-stress-eversion
leg-ap leg-lateral leg-oblique knee-ap knee-pa knee-oblique-medial
knee-oblique-lateral knee-lateral knee-ap-weight-bearing knee-pa-flexed-weight-bearing fossa-kneeling fossa-prone
fossa-supine patella-pa patella-lateral patella-tangential-supine patella-tangential-prone patella-tangential-flexed
knee-stress-varus knee-stress-valgus knee-kneeling-posterior femur-ap-distal femur-ap-proximal femur-lateral-distal
femur-lateral-proximal hip-ap hip-lateral-frog hip-axiolateral hip-axiolateral-modified pelvis-ap
pelvis-frog pelvis-inlet pelvis-outlet acetabulum-oblique-iliac acetabulum-oblique-obturator acetabulum-pa-axial-oblique
ilium-oblique hip-false-profile hip-flexed-abducted-ap hips-to-ankles cervical-ap-open-mouth cervical-ap-axial
cervical-lateral cervical-oblique-posterior cervical-oblique-anterior cervical-flexion cervical-extension dens-ap
cervicothoracic-lateral thoracic-ap thoracic-lateral lumbar-ap lumbar-lateral lumbosacral-lateral
lumbosacral-ap-axial thoracic-oblique cervical-pillars-ap-axial lumbar-oblique-posterior lumbar-flexion lumbar-extension
lumbar-bending sacrum-ap-axial coccyx-ap-axial sacrum-lateral coccyx-lateral sacrum-coccyx-lateral
sacroiliac-ap-axial sacroiliac-oblique scoliosis-pa scoliosis-pa-block scoliosis-lateral skull-pa
skull-ap skull-pa-axial skull-pa-axial-30 skull-pa-axial-occipital sella-lateral skull-ap-axial
skull-lateral skull-submentovertical face-parietoacanthial face-parietoacanthial-modified face-acanthioparietal face-lateral
nasal-bones-lateral nasal-bones-tangential zygomatic-arches-submentovertical zygomatic-arch-oblique zygomatic-arches-ap-axial orbits-pa-axial
face-pa-axial orbit-lateral orbit-parieto-orbital-oblique mandible-pa mandible-axiolateral-oblique mandible-ap-axial
mandible-pa-axial mandible-submentovertical temporomandibular-axiolateral temporomandibular-axiolateral-oblique temporomandibular-ap-axial sinuses-pa-axial
sinuses-parietoacanthial sinuses-parietoacanthial-open-mouth sinuses-lateral sinuses-submentovertical oesophagus-rao oesophagus-ap
oesophagus-lateral stomach-pa stomach-rao stomach-lateral-right stomach-ap stomach-lpo
small-bowel-pa colon-scout colon-ap colon-pa colon-rpo colon-lpo
colon-rao colon-lao colon-lateral-rectum colon-ap-axial colon-pa-axial colon-decubitus
colon-post-evacuation urography-scout urography-ap urography-oblique urography-post-void cystogram-ap-axial
`
  .trim()
  .split(/\s+/);

test('the catalogue is whole, each entry once', () => {
  const ids = projections.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(FIXED.filter((id) => !ids.includes(id))).toEqual([]);
  expect(hasProjection('chest-pa')).toBe(true);
  expect(() => projectionOf('no-such')).toThrow(/no projection "no-such"/);
});

test('every entry knows a fault with its cause and correction, and criteria to see it by', () => {
  for (const { id, faults, checks } of projections) {
    expect([id, faults.length > 0, checks.length >= 2]).toEqual([id, true, true]);
    expect(new Set(faults.map((each) => each.id)).size).toBe(faults.length);
  }
});

test('every rule is a choice of some entry, of the app or of the room', () => {
  const bound = new Set(projections.flatMap(({ variants }) => variants.map(({ rule }) => rule)));
  const general = ['unit', 'shielding', 'marker'];
  expect(Object.keys(RULES).filter((rule) => !bound.has(rule) && !general.includes(rule))).toEqual([]);
});
