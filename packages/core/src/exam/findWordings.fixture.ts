/**
 * What people type to find one view, written apart from the orders and before any answer was seen: everyday words,
 * abbreviations, other schools' names, misspellings, words half typed. `words|views any of which is right`.
 */
export const FIND_WORDINGS = `
cxr|chest-pa chest-ap
pa chest|chest-pa
port chest|chest-ap
portable cxr|chest-ap
babygram chest|chest-ap
chest exp|chest-pa-expiration
expiratory chest|chest-pa-expiration
lat chest|chest-lateral
lordotic|chest-ap-lordotic
apical lordotic|chest-ap-lordotic
apices|chest-ap-axial-apices chest-ap-lordotic
decub chest|chest-decubitus-ap
lateral decubitus chest|chest-decubitus-ap
rao chest|chest-pa-oblique-rao
soft tissue neck lateral|airway-lateral
upper airway|airway-lateral airway-ap
epiglottis|airway-lateral
upper ribs|ribs-ap-upper ribs-pa-upper
ribs below diaphragm|ribs-ap-lower
lower ribs|ribs-ap-lower
axillary ribs|ribs-oblique-posterior ribs-oblique-anterior
sternum lat|sternum-lateral
sternum oblique|sternum-rao
breastbone|sternum-rao sternum-lateral
sc joints|sternoclavicular-pa sternoclavicular-oblique
kub|abdomen-ap-supine
flat plate abdomen|abdomen-ap-supine
upright abdomen|abdomen-ap-upright
erect abdomen|abdomen-ap-upright
abdomen left decub|abdomen-decubitus-left-lateral
cross table abdomen|abdomen-decubitus-dorsal
free air|abdomen-ap-upright abdomen-decubitus-left-lateral chest-pa
index finger lateral|finger-lateral
2nd digit pa|finger-pa
finger obl|finger-oblique
thumb ap|thumb-ap
thumb base|thumb-ap-axial-base
roberts|thumb-ap-axial-base
skiers thumb stress|thumb-stress-pa
hand pa|hand-pa
fan lateral hand|hand-lateral-fan
ball catcher|hands-ap-oblique-bilateral
bone age|hand-bone-age
wrist pa|wrist-pa
clenched fist|wrist-clenched-fist-pa
scaphoid view|wrist-ulnar-deviation scaphoid-axial scaphoid-pa-elevated
navicular wrist|wrist-ulnar-deviation scaphoid-axial scaphoid-pa-elevated
stecher|scaphoid-pa-elevated scaphoid-axial
ulnar dev|wrist-ulnar-deviation
carpal tunnel|carpal-canal-tangential
carpal bridge|carpal-bridge-tangential
forearm lat|forearm-lateral
radius ulna ap|forearm-ap
elbow lateral|elbow-lateral
radial head|elbow-axial-lateral-radial-head elbow-oblique-lateral elbow-radial-head-laterals
coyle|elbow-axial-lateral-radial-head elbow-axial-lateral-coronoid
coronoid process|elbow-axial-lateral-coronoid elbow-oblique-medial
jones elbow|elbow-acute-flexion-humerus elbow-acute-flexion-forearm
humerus lat|humerus-lateral
transthoracic humerus|humerus-transthoracic-lateral
shoulder ext rot|shoulder-ap-external
shoulder internal|shoulder-ap-internal
grashey|shoulder-ap-oblique-glenoid
true ap shoulder|shoulder-ap-oblique-glenoid
y view|shoulder-scapular-y
scap y|shoulder-scapular-y
axillary shoulder|shoulder-axillary-inferosuperior
outlet view shoulder|shoulder-outlet
neer|shoulder-outlet
garth|shoulder-apical-oblique
stryker|shoulder-notch-ap-axial
bicipital groove|intertubercular-groove
scapula lat|scapula-lateral
shoulder blade|scapula-ap scapula-lateral
collarbone|clavicle-ap clavicle-ap-axial
clavicle axial|clavicle-ap-axial
zanca|acromioclavicular-ap-axial
ac joints with weights|acromioclavicular-ap-weights
ac joint|acromioclavicular-ap
coracoid|coracoid-ap-axial
great toe lateral|toes-lateral
big toe|toes-ap toes-oblique toes-lateral
sesamoid|sesamoids-tangential
foot ap|foot-ap
dp foot|foot-ap
foot obl|foot-oblique-medial
standing foot lateral|foot-lateral-weight-bearing
wb feet|foot-ap-weight-bearing foot-lateral-weight-bearing
heel|calcaneus-lateral calcaneus-axial
os calcis axial|calcaneus-axial
harris heel|calcaneus-axial calcaneus-axial-weight-bearing calcaneus-axial-dorsoplantar
saltzman|hindfoot-alignment
hindfoot alignment|hindfoot-alignment
broden|subtalar-oblique-medial
ankle mortice|ankle-mortise
mortise|ankle-mortise ankle-mortise-weight-bearing
ankle stress|ankle-stress-inversion ankle-stress-eversion
tib fib|leg-ap leg-lateral
tibia lateral|leg-lateral
lower leg ap|leg-ap
knee lat|knee-lateral
standing knees|knee-ap-weight-bearing
rosenberg|knee-pa-flexed-weight-bearing
tunnel view|fossa-kneeling fossa-prone fossa-supine
notch view knee|fossa-kneeling fossa-prone fossa-supine
camp coventry|fossa-prone
holmblad|fossa-kneeling
sunrise|patella-tangential-supine patella-tangential-prone patella-tangential-flexed
skyline|patella-tangential-supine patella-tangential-prone patella-tangential-flexed
merchant|patella-tangential-flexed
settegast|patella-tangential-flexed patella-tangential-prone
kneecap|patella-pa patella-lateral patella-tangential-supine
kneecap axial|patella-tangential-supine patella-tangential-prone patella-tangential-flexed
distal femur ap|femur-ap-distal
thigh lateral|femur-lateral-distal femur-lateral-proximal
hip ap|hip-ap
frog leg hip|hip-lateral-frog
cross table hip|hip-axiolateral
shoot through hip|hip-axiolateral
danelius miller|hip-axiolateral
clements nakayama|hip-axiolateral-modified
dunn|hip-flexed-abducted-ap
false profile|hip-false-profile
pelvis|pelvis-ap
frog pelvis|pelvis-frog
inlet|pelvis-inlet
outlet pelvis|pelvis-outlet pelvis-inlet
judet|acetabulum-oblique-iliac acetabulum-oblique-obturator acetabulum-oblique-bilateral
obturator oblique|acetabulum-oblique-obturator
leg length|hips-to-ankles
long leg standing|hips-to-ankles
odontoid|cervical-ap-open-mouth dens-ap
open mouth|cervical-ap-open-mouth
fuchs|dens-ap
c spine lat|cervical-lateral
cross table c spine|cervical-lateral
cspine flexion|cervical-flexion
neck extension|cervical-extension
swimmers|cervicothoracic-lateral
c7 t1|cervicothoracic-lateral
neck obliques|cervical-oblique-posterior cervical-oblique-anterior
t spine lateral|thoracic-lateral
dorsal spine ap|thoracic-ap
l spine ap|lumbar-ap
lumbar spot|lumbosacral-lateral
l5 s1 spot|lumbosacral-lateral
scotty dog|lumbar-oblique-posterior
lumbar bending|lumbar-bending
tailbone lateral|coccyx-lateral sacrum-coccyx-lateral
coccyx ap|coccyx-ap-axial
si joints|sacroiliac-ap-axial sacroiliac-oblique sacroiliac-pa
scoliosis|scoliosis-pa
full spine lateral|scoliosis-lateral
townes|skull-ap-axial
caldwell|skull-pa-axial sinuses-pa-axial orbits-pa-axial face-pa-axial
skull lat|skull-lateral
smv|skull-submentovertical
sella turcica|sella-lateral
waters|face-parietoacanthial sinuses-parietoacanthial
open mouth waters|sinuses-parietoacanthial-open-mouth
reverse waters|face-acanthioparietal
nose lateral|nasal-bones-lateral
nasal bones|nasal-bones-lateral
jughandle|zygomatic-arches-submentovertical
zygoma|zygomatic-arches-submentovertical zygomatic-arch-oblique zygomatic-arches-ap-axial
optic foramen|orbit-parieto-orbital-oblique
rhese|orbit-parieto-orbital-oblique
orbits mri clearance|orbits-pa-axial orbit-lateral face-parietoacanthial
jaw oblique|mandible-axiolateral-oblique
mandible pa|mandible-pa
tmj|temporomandibular-axiolateral temporomandibular-axiolateral-oblique temporomandibular-ap-axial
mastoids|mastoid-axiolateral-oblique
stenvers|petrous-oblique-posterior
sinus lateral|sinuses-lateral
barium swallow rao|oesophagus-rao
ugi ap|stomach-ap
stomach lpo|stomach-lpo
sbft|small-bowel-pa
be scout|colon-scout
barium enema rpo|colon-rpo
post evac|colon-post-evacuation
ivp|urography-ap urography-scout
ivu post void|urography-post-void
cystogram oblique|cystogram-oblique
wrsit lateral|wrist-lateral
shouldr y|shoulder-scapular-y
calcanous|calcaneus-lateral calcaneus-axial
clavical ap|clavicle-ap
lumber spine lateral|lumbar-lateral
patela skyline|patella-tangential-supine patella-tangential-prone patella-tangential-flexed
acetabulam|acetabulum-oblique-iliac acetabulum-oblique-obturator acetabulum-oblique-bilateral acetabulum-pa-axial-oblique
abdo|abdomen-ap-supine
mandib|mandible-pa mandible-axiolateral-oblique mandible-ap-axial mandible-pa-axial
steno|sternoclavicular-pa sternoclavicular-oblique
sterno|sternoclavicular-pa sternoclavicular-oblique sternum-rao
`;
