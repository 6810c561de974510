/**
 * Orders as they are written, and what a technologist would take each for: the words, the views (or `exam:` and its id),
 * and the side (L, R, B for both, or none). `none` is no x-ray; written from practice without a look at the reader.
 */
export const ORDER_WORDINGS = `
CXR | exam:chest-two
Chest 2 views | exam:chest-two
Chest PA and lateral | chest-pa chest-lateral
Chest X-ray PA & Lat | chest-pa chest-lateral
AP chest | chest-ap
Portable CXR | chest-ap
XR chest 1 view portable | chest-ap
Chest 1V AP | chest-ap
Chest PA only | chest-pa
PA chest | chest-pa
Chest lateral | chest-lateral
Left lateral chest | chest-lateral
Chest with bilateral decubs | exam:chest-decubitus | B
Chest right lateral decubitus | chest-decubitus-ap | R
Left decubitus chest | chest-decubitus-ap | L
Apical lordotic chest | chest-ap-lordotic
Lordotic view chest | chest-ap-lordotic
Chest PA, lateral, lordotic | chest-pa chest-lateral chest-ap-lordotic
Chest PA, RAO, LAO | chest-pa chest-pa-oblique-rao chest-pa-oblique-lao
Bedside chest AP semi-erect | chest-ap
Mobile chest, NICU | chest-ap
Chest and abdomen | chest-pa chest-lateral abdomen-ap-supine
Rib series left | exam:ribs | L
Left ribs | exam:ribs | L
Ribs unilateral right w PA chest | exam:ribs | R
Right upper ribs AP and oblique | ribs-ap-upper ribs-oblique-posterior | R
Lower ribs AP left | ribs-ap-lower | L
Left lower ribs | chest-pa ribs-ap-lower ribs-oblique-posterior-lower | L
XR ribs right, below the diaphragm, 2 views | ribs-ap-lower ribs-oblique-posterior-lower | R
Upper ribs right | chest-pa ribs-ap-upper ribs-oblique-posterior | R
Upper and lower ribs left | exam:ribs | L
Distal femur left | femur-ap-distal femur-lateral-distal | L
XR proximal femur RT 2 views | femur-ap-proximal femur-lateral-proximal | R
Femur and lower leg right | exam:femur leg-ap leg-lateral | R
Open mouth Waters | sinuses-parietoacanthial-open-mouth
Sternum 2 views | exam:sternum
Sternum RAO and lateral | sternum-rao sternum-lateral
SC joints PA and obliques | sternoclavicular-pa sternoclavicular-oblique
Soft tissue neck lateral | airway-lateral
Soft tissue neck AP and lateral | airway-ap airway-lateral
Neck soft tissue for croup | exam:airway
KUB | abdomen-ap-supine
Abdomen supine | abdomen-ap-supine
Abdomen 1 view | abdomen-ap-supine
Abdomen flat and upright | abdomen-ap-supine abdomen-ap-upright
Abdomen supine and erect | abdomen-ap-supine abdomen-ap-upright
Abdomen supine and left decubitus | abdomen-ap-supine abdomen-decubitus-left-lateral | L
Left lateral decubitus abdomen | abdomen-decubitus-left-lateral | L
Abdomen LLD for free air | abdomen-decubitus-left-lateral
Dorsal decubitus abdomen | abdomen-decubitus-dorsal
Cross table lateral abdomen | abdomen-decubitus-dorsal
Acute abdominal series | exam:abdomen-acute
Acute abdomen series 3 views | exam:abdomen-acute
Obstruction series | exam:abdomen-acute
Flat plate abdomen | abdomen-ap-supine
Upright abdomen | abdomen-ap-upright
Right hand 3 views | exam:hand | R
Hand PA, oblique, lateral left | hand-pa hand-oblique hand-lateral-fan | L
L hand 2V PA and lat | hand-pa hand-lateral-fan | L
Bilateral hands PA | hand-pa | B
Ball catcher hands | hands-ap-oblique-bilateral | B
Bone age | hand-bone-age
Bone age left hand | hand-bone-age | L
Left index finger | exam:finger | L
Finger 3 views right ring | exam:finger | R
Rt thumb | exam:thumb | R
Left thumb AP, lateral, oblique | thumb-ap thumb-lateral thumb-oblique | L
Thumb 3v rt | exam:thumb | R
Wrist 3 views right | exam:wrist | R
Wrist PA, lateral, oblique left | wrist-pa wrist-lateral wrist-oblique | L
R wrist PA, lat | wrist-pa wrist-lateral | R
Left wrist with scaphoid views | exam:scaphoid | L
Scaphoid series right | exam:scaphoid | R
Scaphoid view left wrist | scaphoid-axial | L
Wrist ulnar deviation right | wrist-ulnar-deviation | R
Carpal tunnel view left | carpal-canal-tangential | L
Clenched fist view right wrist | wrist-clenched-fist-pa | R
Right forearm | exam:forearm | R
Forearm AP & lateral L | forearm-ap forearm-lateral | L
Radius and ulna left | exam:forearm | L
Elbow 3 views left | exam:elbow | L
Right elbow AP and lateral | elbow-ap elbow-lateral | R
Elbow lateral right | elbow-lateral | R
Radial head view left elbow | elbow-axial-lateral-radial-head | L
Elbow AP, lat, external oblique right | elbow-ap elbow-lateral elbow-oblique-lateral | R
Left humerus 2 views | exam:humerus | L
Humerus AP and lateral right | humerus-ap humerus-lateral | R
Transthoracic humerus left | humerus-transthoracic-lateral | L
Shoulder complete left | exam:shoulder | L
Right shoulder 2 views | exam:shoulder | R
Shoulder Y view right | shoulder-scapular-y | R
Shoulder AP and scapular Y, left | shoulder-ap-neutral shoulder-scapular-y | L
Shoulder AP int rot, ext rot, axillary right | shoulder-ap-internal shoulder-ap-external shoulder-axillary-inferosuperior | R
Shoulder internal and external rotation left | shoulder-ap-internal shoulder-ap-external | L
Grashey view right shoulder | shoulder-ap-oblique-glenoid | R
Axillary view left shoulder | shoulder-axillary-inferosuperior | L
Shoulder Grashey, Y, axillary right | shoulder-ap-oblique-glenoid shoulder-scapular-y shoulder-axillary-inferosuperior | R
Velpeau view left shoulder | shoulder-axillary-sling | L
Garth view right shoulder | shoulder-apical-oblique | R
Supraspinatus outlet view left | shoulder-outlet | L
AC joints with and without weights | exam:ac-joints
AC joints bilateral without weights | acromioclavicular-ap | B
Clavicle left | exam:clavicle | L
Right clavicle AP and axial | clavicle-ap clavicle-ap-axial | R
Scapula AP and lateral right | scapula-ap scapula-lateral | R
Left scapula | exam:scapula | L
Toe right great | exam:toes | R
Left toes 3 views | exam:toes | L
Foot 3 views right | exam:foot | R
Left foot AP, oblique, lateral | foot-ap foot-oblique-medial foot-lateral | L
Rt foot weight bearing | exam:foot-standing | R
Foot standing AP and lateral left | foot-ap-weight-bearing foot-lateral-weight-bearing | L
Weight bearing lateral foot right | foot-lateral-weight-bearing | R
Bilateral standing feet | exam:foot-standing | B
Calcaneus 2 views left | exam:calcaneus | L
Heel right | exam:calcaneus | R
Os calcis axial and lateral L | calcaneus-axial calcaneus-lateral | L
Harris view right heel | calcaneus-axial | R
Sesamoids left foot | sesamoids-tangential | L
Ankle 3 views right | exam:ankle | R
Left ankle AP, mortise, lateral | ankle-ap ankle-mortise ankle-lateral | L
R ankle AP and lat | ankle-ap ankle-lateral | R
Ankle mortise left | ankle-mortise | L
Weight bearing ankle right 3 views | exam:ankle-standing | R
Ankle stress views left | ankle-stress-inversion ankle-stress-eversion | L
Tib fib right | exam:leg | R
Lower leg left AP and lateral | leg-ap leg-lateral | L
Tibia and fibula 2 views L | exam:leg | L
Knee 2 views left | exam:knee | L
Right knee AP, lateral | knee-ap knee-lateral | R
Knee AP, medial oblique, lateral right | knee-ap knee-oblique-medial knee-lateral | R
Knee 4 views left | exam:knee-four | L
Knee complete right | exam:knee-four | R
Knee AP, lat, sunrise left | knee-ap knee-lateral patella-tangential-supine | L
Bilateral standing knees AP | knee-ap-weight-bearing | B
Knees weight bearing AP bilateral | knee-ap-weight-bearing | B
Bilateral knees standing AP, lateral, sunrise | knee-ap-weight-bearing knee-lateral patella-tangential-supine | B
Rosenberg view bilateral knees | knee-pa-flexed-weight-bearing | B
Tunnel view right knee | fossa-prone | R
Merchant view bilateral patellae | patella-tangential-flexed | B
Patella left | patella-pa patella-lateral patella-tangential-supine | L
Patella sunrise right | patella-tangential-supine | R
Cross table lateral knee right | knee-lateral | R
Femur left | exam:femur | L
Right femur AP and lateral | exam:femur | R
Femur 2 views L | exam:femur | L
Hip left 2 views | exam:hip | L
Right hip AP and frog leg lateral | hip-ap hip-lateral-frog | R
Hip AP, cross table lateral left | hip-ap hip-axiolateral | L
Hip trauma right | exam:hip-trauma | R
AP pelvis and frog leg | pelvis-ap pelvis-frog
Pelvis AP | pelvis-ap
Pelvis 1 view | pelvis-ap
Pelvis inlet and outlet | pelvis-inlet pelvis-outlet
AP pelvis, inlet, outlet | pelvis-ap pelvis-inlet pelvis-outlet
Judet views right | acetabulum-oblique-iliac acetabulum-oblique-obturator | R
Pelvis and left hip | pelvis-ap hip-ap hip-lateral-frog | L
False profile right hip | hip-false-profile | R
C-spine 3 views | exam:cervical-three
Cervical spine AP, lateral, odontoid | cervical-ap-axial cervical-lateral cervical-ap-open-mouth
C spine lateral | cervical-lateral
C-spine 5 views | exam:cervical-five
C-spine complete with obliques | exam:cervical-five
Cervical spine flexion and extension | cervical-flexion cervical-extension
C-spine flex/ext | cervical-flexion cervical-extension
Cross table lateral C-spine | cervical-lateral
Open mouth odontoid | cervical-ap-open-mouth
Swimmer's view | cervicothoracic-lateral
T-spine 2 views | thoracic-ap thoracic-lateral
Thoracic spine AP and lateral | thoracic-ap thoracic-lateral
Dorsal spine AP lat | thoracic-ap thoracic-lateral
T spine AP, lateral, swimmers | thoracic-ap thoracic-lateral cervicothoracic-lateral
L-spine 3 views | exam:lumbar-three
Lumbar spine AP and lateral | lumbar-ap lumbar-lateral
LS spine 5 views | exam:lumbar-five
L spine complete with obliques | exam:lumbar-five
Lumbar spine flexion extension | lumbar-flexion lumbar-extension
Lumbar AP, lat, L5-S1 spot | lumbar-ap lumbar-lateral lumbosacral-lateral
Lumbar bending views | lumbar-bending
Sacrum and coccyx | exam:sacrum-coccyx
Sacrum AP and lateral | sacrum-ap-axial sacrum-lateral
Coccyx AP and lateral | coccyx-ap-axial coccyx-lateral
Tail bone pain | exam:sacrum-coccyx
SI joints | exam:si-joints
Sacroiliac joints 3 views | exam:si-joints
Scoliosis series | exam:scoliosis
Scoliosis PA standing | scoliosis-pa
Full spine PA and lateral standing | scoliosis-pa scoliosis-lateral
Skull 4 views | exam:skull
Skull PA, lateral, Towne | skull-pa skull-lateral skull-ap-axial
Skull lateral | skull-lateral
Skull AP & lat | skull-ap skull-lateral
Facial bones | exam:face
Facial bones Waters | face-parietoacanthial
Waters view face | face-parietoacanthial
Nasal bones | exam:nasal
Nasal bones lateral | nasal-bones-lateral
Mandible series | exam:mandible
Mandible PA and obliques | mandible-pa mandible-axiolateral-oblique
Orbits for foreign body pre MRI | exam:orbits
Zygomatic arches SMV | zygomatic-arches-submentovertical
TMJ bilateral open and closed | exam:tmj | B
Sinuses 3 views | sinuses-parietoacanthial sinuses-pa-axial sinuses-lateral
Sinus series | exam:sinuses
Sinuses Waters, Caldwell, lateral | sinuses-parietoacanthial sinuses-pa-axial sinuses-lateral
Barium swallow | exam:oesophagus
Esophagram | exam:oesophagus
Upper GI, AP, LPO, right lateral, RAO, PA | stomach-ap stomach-lpo stomach-lateral-right stomach-rao stomach-pa
UGI series | exam:upper-gi-single
UGI with air contrast | exam:upper-gi-double
Small bowel follow through | exam:small-bowel
Barium enema | exam:enema
BE double contrast | exam:enema
BE right lateral decubitus | colon-decubitus | R
IVP | exam:urography
IVU | exam:urography
Cystogram | exam:cystography
Skeletal survey | exam:skeletal-survey
Bone survey for myeloma | exam:survey-adult
Shunt series | exam:shunt-series
Leg length study | exam:leg-length
Trauma series | exam:multiple-trauma
Bennett fx right thumb | exam:thumb | R
Lisfranc injury left foot weight bearing | exam:foot-standing | L
Boxer's fracture right hand | exam:hand | R
Jones fracture left foot | exam:foot | L
XR hand min 3 views left | exam:hand | L
XR ankle complete min 3 views right | exam:ankle | R
XR foot 2 views left AP and lateral | foot-ap foot-lateral | L
XR knee 1 or 2 views right | exam:knee | R
XR hip unilateral with pelvis 2-3 views left | pelvis-ap hip-ap hip-lateral-frog | L
odontiod view | cervical-ap-open-mouth
tail bone | exam:sacrum-coccyx
shoudler left 2 views | exam:shoulder | L
ankel right | exam:ankle | R
lumber spine 2 views | lumbar-ap lumbar-lateral
clavical right | exam:clavicle | R
Rodilla derecha AP y lateral | knee-ap knee-lateral | R
Radiografia de torax PA y lateral | chest-pa chest-lateral
Torax 2 proyecciones | exam:chest-two
Tobillo izquierdo 3 proyecciones | exam:ankle | L
Mano derecha | exam:hand | R
Columna lumbar AP y lateral | lumbar-ap lumbar-lateral
Pelvis AP | pelvis-ap
Hombro izquierdo | exam:shoulder | L
Thorax in 2 Ebenen | exam:chest-two
Röntgen Thorax p.a. und seitlich | chest-pa chest-lateral
Knie rechts in 2 Ebenen | exam:knee | R
Sprunggelenk links 2 Ebenen | ankle-ap ankle-lateral | L
Handgelenk rechts 2 Ebenen | wrist-pa wrist-lateral | R
LWS 2 Ebenen | lumbar-ap lumbar-lateral
HWS 2 Ebenen | cervical-ap-axial cervical-lateral
Becken a.p. | pelvis-ap
Schulter links a.p. und Y | shoulder-ap-neutral shoulder-scapular-y | L
Hüfte rechts axial | hip-axiolateral | R
CT head | none
CT chest with contrast | none
CTA chest | none
MRI knee left | none
MR lumbar spine | none
PET-CT | none
PET scan whole body | none
Mammogram bilateral | none
Screening mammography | none
US abdomen | none
Ultrasound right upper quadrant | none
Echo | none
DEXA hips and spine | none
Bone scan | none
Cast removal left wrist | none
Cast check out of plaster clinic only | none
PT evaluation knee | none
Joint injection right shoulder | none
EKG | none
Biopsy left breast | none
Arthrogram MRI shoulder | none
Nuclear stress test | none
V/Q scan | none
Dental hygiene visit | none
Lab work CBC | none
Follow up appointment | none
Physical therapy left knee | none
asdf qwer | none
???? | none
See above | none
As discussed | none
X-ray chest two views frontal and lateral | exam:chest-two
Chest radiograph single view frontal | chest-pa
CHEST PA/LAT | chest-pa chest-lateral
Chest x-ray portable AP 1 view stat | chest-ap
CXR AP upright portable | chest-ap
CXR post line placement | exam:chest-two
Chest 2V (PA/Lat) | chest-pa chest-lateral
Chest 4 views with obliques | chest-pa chest-lateral chest-pa-oblique-rao chest-pa-oblique-lao
Bilateral decubitus chest | chest-decubitus-ap | B
Inspiration and expiration chest | exam:chest-breath
chest insp exp | exam:chest-breath
chest expiratory for pneumothorax | chest-pa-expiration
CXR inspiratory/expiratory | exam:chest-breath
PA chest in expiration | chest-pa-expiration
XR ribs left 2 views with PA chest | chest-pa ribs-ap-upper ribs-oblique-posterior | L
Bilateral ribs | exam:ribs | B
Sternum lateral | sternum-lateral
Abdomen AP (KUB) | abdomen-ap-supine
KUB and upright | abdomen-ap-supine abdomen-ap-upright
Abdomen 2 view | abdomen-ap-supine abdomen-ap-upright
Abd series | exam:abdomen-acute
AAS | exam:abdomen-acute
Abdomen acute series with chest | exam:abdomen-acute
Abdomen decub left side down | abdomen-decubitus-left-lateral | L
Hand minimum of 3 views left | exam:hand | L
XR HAND 3+ VW RIGHT | exam:hand | R
Hand right, rule out fracture 5th metacarpal | exam:hand | R
Hands bilateral, arthritis | exam:hand | B
Right 4th finger | exam:finger | R
Fifth digit left hand 3 views | exam:finger | L
Middle finger left PA and lateral | finger-pa finger-lateral | L
Thumb right, gamekeeper stress | thumb-stress-pa | R
Wrist left PA lat obl | wrist-pa wrist-lateral wrist-oblique | L
Wrist right with navicular view | wrist-pa wrist-oblique wrist-lateral scaphoid-axial | R
Both wrists 2 views | wrist-pa wrist-lateral | B
Right wrist and hand | exam:wrist exam:hand | R
Forearm left 2v | exam:forearm | L
Elbow min 3V left | exam:elbow | L
Elbow right complete | exam:elbow | R
Elbow left, both obliques | elbow-oblique-lateral elbow-oblique-medial | L
Humerus 2V right | exam:humerus | R
Left upper arm | exam:humerus | L
Shoulder right min 2 views | exam:shoulder | R
Shoulder left trauma series | exam:shoulder-trauma | L
Shoulder, right: AP, Y, axillary | shoulder-ap-neutral shoulder-scapular-y shoulder-axillary-inferosuperior | R
L shoulder ap int/ext rotation | shoulder-ap-internal shoulder-ap-external | L
Scapular Y left | shoulder-scapular-y | L
Right shoulder dislocation, post reduction | exam:shoulder-trauma | R
Acromioclavicular joints bilateral with weights | acromioclavicular-ap-weights | B
Clavicle, complete, left | exam:clavicle | L
Lt great toe 2 views | toes-ap toes-lateral | L
Toes right min 2 views | exam:toes | R
Second and third toes left | exam:toes | L
Foot left complete 3 view | exam:foot | L
Rt foot AP/Lat/Obl | foot-ap foot-lateral foot-oblique-medial | R
Feet bilateral weight-bearing 3 views | foot-ap-weight-bearing foot-oblique-medial foot-lateral-weight-bearing | B
Foot right lateral weight-bearing only | foot-lateral-weight-bearing | R
Left heel pain, calcaneus | exam:calcaneus | L
Ankle right AP, lateral and mortise | ankle-ap ankle-lateral ankle-mortise | R
Ankle left 2 vws | ankle-ap ankle-lateral | L
Ankles bilateral | exam:ankle | B
XR ANKLE 3 OR MORE VIEWS LEFT | exam:ankle | L
Right tibia/fibula AP and lateral | leg-ap leg-lateral | R
Tib-fib left | exam:leg | L
Knee left 3 views with sunrise | knee-ap knee-lateral patella-tangential-supine | L
Knee right 1-2 views | exam:knee | R
Knee bilateral AP standing | knee-ap-weight-bearing | B
Right knee AP/lateral/tunnel | knee-ap knee-lateral fossa-prone | R
Knee left both obliques | knee-oblique-medial knee-oblique-lateral | L
Patella right 3 views | patella-pa patella-lateral patella-tangential-supine | R
Femur right min 2 views | exam:femur | R
Distal femur left AP lateral | femur-ap-distal femur-lateral-distal | L
Hip right unilateral 2-3 views | exam:hip | R
Hips bilateral with AP pelvis | pelvis-ap hip-ap hip-lateral-frog | B
Bilateral frog leg hips | hip-lateral-frog | B
Left hip fracture, cross table lateral | hip-axiolateral | L
Pelvis 3 views inlet outlet AP | pelvis-ap pelvis-inlet pelvis-outlet
Pelvis Judet views bilateral | acetabulum-oblique-iliac acetabulum-oblique-obturator | B
Cervical spine 2-3 views | exam:cervical-three
C-spine min 4 views | exam:cervical-five
C spine AP lat obliques | cervical-ap-axial cervical-lateral cervical-oblique-posterior
C-spine 7 views with flexion and extension | exam:cervical-five cervical-flexion cervical-extension
Lateral cervical spine in collar | cervical-lateral
Odontoid view | cervical-ap-open-mouth
Thoracic spine 3 views with swimmers | exam:thoracic
T-spine complete | exam:thoracic
Lumbosacral spine 2-3 views | exam:lumbar-three
L/S spine AP lat spot | lumbar-ap lumbar-lateral lumbosacral-lateral
Lumbar spine complete 4+ views | exam:lumbar-five
L spine with flexion and extension laterals | exam:lumbar-three lumbar-flexion lumbar-extension
Lumbar spine obliques | lumbar-oblique-posterior
Sacrum/coccyx | exam:sacrum-coccyx
SI joint obliques | sacroiliac-oblique
Scoliosis survey AP and lateral | scoliosis-pa scoliosis-lateral
Skull complete | exam:skull
Skull AP, lateral, Townes | skull-ap skull-lateral skull-ap-axial
Facial bones 3 views | exam:face
Nasal bones min 3 views | exam:nasal
Sinuses limited waters | sinuses-parietoacanthial
Paranasal sinuses | exam:sinuses
Orbits pre-MRI screening | exam:orbits
Mandible complete | exam:mandible
Mandible left oblique | mandible-axiolateral-oblique | L
Esophagus barium | exam:oesophagus
Modified barium swallow | none
Upper GI with small bowel follow through | exam:upper-gi-single exam:small-bowel
Barium enema air contrast | exam:enema
Babygram | chest-ap abdomen-ap-supine
Infant skeletal survey for NAI | exam:skeletal-survey
VP shunt series | exam:shunt-series
Scanogram lower extremities | exam:leg-length
Foreign body nose to rectum | exam:foreign-body-child
Tórax PA | chest-pa
Muñeca izquierda 2 vistas | wrist-pa wrist-lateral | L
Pie derecho AP y oblicua | foot-ap foot-oblique-medial | R
Codo derecho AP y lateral | elbow-ap elbow-lateral | R
Cadera izquierda axial | hip-axiolateral | L
Columna cervical AP, lateral y oblicuas | cervical-ap-axial cervical-lateral cervical-oblique-posterior
Hand links in 2 Ebenen | hand-pa hand-lateral-fan | L
Fuß rechts 2 Ebenen | foot-ap foot-lateral | R
Schädel seitlich | skull-lateral
BWS in 2 Ebenen | thoracic-ap thoracic-lateral
Ellenbogen rechts 2 Ebenen | elbow-ap elbow-lateral | R
thorasic spine 2 views | thoracic-ap thoracic-lateral
sholder right 2 views | exam:shoulder | R
femer left | exam:femur | L
ribbs left | exam:ribs | L
abdomin 1 view | abdomen-ap-supine
scafoid left | exam:scaphoid | L
CT abdomen and pelvis | none
CT C-spine | none
MRI shoulder right without contrast | none
MRA head | none
Ultrasound thyroid | none
US renal | none
Mammo screening bilateral | none
Breast tomosynthesis | none
DXA | none
NM bone scan whole body | none
PET/CT skull to thigh | none
Angiogram left leg | none
PICC line placement | none
Nephrostomy tube change | none
Lumbar puncture | none
Colonoscopy | none
EEG | none
PT eval and treat left knee | none
Splint application right wrist | none
Suture removal face | none
Wound dressing left foot | none
Steroid injection knee | none
Orthopedic consult | none
Urinalysis | none
Vaccination | none
Chest PA Lat obliques | chest-pa chest-lateral chest-pa-oblique-rao chest-pa-oblique-lao
XR CHEST 2 VW PA AND LATERAL | chest-pa chest-lateral
CHEST SINGLE VIEW AP | chest-ap
Port chest | chest-ap
Chest AP supine trauma | chest-ap
Lateral decubitus chest left side down | chest-decubitus-ap | L
Chest XR with rib detail right | exam:ribs | R
Right rib detail | exam:ribs | R
Abdomen three views | exam:abdomen-acute
Abdomen upright and supine with PA chest | abdomen-ap-upright abdomen-ap-supine chest-pa
Abdomen lateral | abdomen-lateral
Lt hand AP, lat, obl | hand-pa hand-lateral-fan hand-oblique | L
Left hand PA and oblique only | hand-pa hand-oblique | L
Right pinky | exam:finger | R
Index finger right hand lateral | finger-lateral | R
Right thumb 2 views | thumb-ap thumb-lateral | R
Wrist, left, clenched fist | wrist-clenched-fist-pa | L
Bilateral wrists PA and lateral | wrist-pa wrist-lateral | B
Elbow, right, lateral only | elbow-lateral | R
Elbow AP and lateral bilateral comparison | elbow-ap elbow-lateral | B
Left elbow radial head | elbow-axial-lateral-radial-head | L
Shoulder left int and ext rot with axillary | shoulder-ap-internal shoulder-ap-external shoulder-axillary-inferosuperior | L
Rt shoulder Grashey and axillary | shoulder-ap-oblique-glenoid shoulder-axillary-inferosuperior | R
Shoulder trauma right | exam:shoulder-trauma | R
Stryker notch left shoulder | shoulder-notch-ap-axial | L
Left AC joint | exam:ac-joints | L
Left clavicle 2 views | exam:clavicle | L
Hallux right | exam:toes | R
Left little toe | exam:toes | L
Foot AP and lateral weight bearing bilateral | foot-ap-weight-bearing foot-lateral-weight-bearing | B
Right foot oblique | foot-oblique-medial | R
Calcaneus axial left | calcaneus-axial | L
Right ankle mortise and lateral | ankle-mortise ankle-lateral | R
Ankle standing AP left | ankle-ap-weight-bearing | L
Tibia AP and lateral left | leg-ap leg-lateral | L
Knees bilateral 2 views | exam:knee | B
Knee left AP/lat/both obliques | knee-ap knee-lateral knee-oblique-medial knee-oblique-lateral | L
Right knee notch view | fossa-prone | R
Knee sunrise bilateral | patella-tangential-supine | B
Standing AP both knees and lateral right knee | knee-ap-weight-bearing knee-lateral | B
Left hip and pelvis | hip-ap hip-lateral-frog pelvis-ap | L
AP pelvis with lateral left hip | pelvis-ap hip-lateral-frog | L
Hip left, shoot through lateral | hip-axiolateral | L
Pelvis AP and bilateral frog | pelvis-ap pelvis-frog | B
Femur left AP only | femur-ap-proximal femur-ap-distal | L
Cervical AP and lateral | cervical-ap-axial cervical-lateral
Neck AP lateral odontoid obliques | cervical-ap-axial cervical-lateral cervical-ap-open-mouth cervical-oblique-posterior
C-spine lateral flexion extension | cervical-lateral cervical-flexion cervical-extension
Thoracolumbar spine AP lateral | thoracic-ap thoracic-lateral lumbar-ap lumbar-lateral
Lumbar spine weight bearing AP lateral | lumbar-ap lumbar-lateral
Lumbar spine AP, lateral, both obliques, spot | lumbar-ap lumbar-lateral lumbar-oblique-posterior lumbosacral-lateral
Coccyx | exam:sacrum-coccyx
SI joints AP and obliques | sacroiliac-ap-axial sacroiliac-oblique
Skull PA | skull-pa
Skull Caldwell Towne lateral | skull-pa-axial skull-ap-axial skull-lateral
Facial bones Waters Caldwell lateral | face-parietoacanthial face-pa-axial face-lateral
Sinuses one view | sinuses-parietoacanthial
Nose lateral | nasal-bones-lateral
Zygoma | zygomatic-arches-submentovertical zygomatic-arch-oblique
Barium swallow lateral | oesophagus-lateral
Double contrast upper GI | exam:upper-gi-double
Rodilla izquierda AP, lateral y axial de rotula | knee-ap knee-lateral patella-tangential-supine | L
Ambas manos PA | hand-pa | B
Pelvis AP y axial de cadera derecha | pelvis-ap hip-axiolateral | R
Schulter rechts a.p. und axial | shoulder-ap-external shoulder-axillary-inferosuperior | R
Hand beidseits d.p. | hand-pa | B
wirst left 3 views | exam:wrist | L
pelivs ap | pelvis-ap
Knee MRI left | none
CT lumbar | none
Shoulder arthrogram | none
Fluoro guided injection hip | none
Speech therapy swallow eval | none
Walker boot fitting right foot | none
XR KNEE 3 VIEWS LEFT | exam:knee patella-tangential-supine | L
Skeletal survey for non-accidental injury | exam:skeletal-survey
Knee, left, AP/lateral/sunrise | knee-ap knee-lateral patella-tangential-supine | L
L KNEE COMPLETE 4 OR MORE VIEWS | exam:knee-four | L
XR Shoulder Complete Minimum 2 Views Left | exam:shoulder | L
Right shoulder three views with Grashey | shoulder-ap-external shoulder-ap-internal shoulder-axillary-inferosuperior shoulder-ap-oblique-glenoid | R
XR WRIST COMPLETE MINIMUM 3 VIEWS RIGHT | exam:wrist | R
Wrist scaphoid 4 views left | exam:scaphoid | L
XR Chest PA and Left Lateral | chest-pa chest-lateral
Chest routine | exam:chest-two
Chest, AP portable, ETT check | chest-ap
Chest AP lateral infant | chest-ap chest-lateral
Chest PA & apical lordotic | chest-pa chest-ap-lordotic
Abdomen supine/upright | abdomen-ap-supine abdomen-ap-upright
KUB portable | abdomen-ap-supine
Abdomen AP supine and erect, chest PA | abdomen-ap-supine abdomen-ap-upright chest-pa
Lumbar spine minimum 4 views | exam:lumbar-five
L-spine AP/lat | lumbar-ap lumbar-lateral
Spine lumbar 2 views | lumbar-ap lumbar-lateral
Spine cervical AP and lateral | cervical-ap-axial cervical-lateral
Spine thoracic 2 views | thoracic-ap thoracic-lateral
Cervical spine trauma series | exam:cervical-trauma
C-spine trauma cross table lateral | cervical-lateral
Pelvis and bilateral hips | pelvis-ap hip-ap hip-lateral-frog | B
Pelvis 1-2 views | pelvis-ap
Hip right AP/frog | hip-ap hip-lateral-frog | R
Right hip arthroplasty AP and cross-table lateral | hip-ap hip-axiolateral | R
Femur right 1 view AP | femur-ap-proximal femur-ap-distal | R
Ankle trauma left | exam:ankle | L
Ankle complete right wb | exam:ankle-standing | R
Foot, left, AP standing | foot-ap-weight-bearing | L
Toe(s) right minimum 2 views | exam:toes | R
Calcaneus min 2 views right | exam:calcaneus | R
Tibia & fibula, right, 2 views | exam:leg | R
Elbow complete min 3 views right | exam:elbow | R
Humerus min 2 views left | exam:humerus | L
Radial head capitellum view right | elbow-axial-lateral-radial-head | R
Forearm 2 views right, both joints | exam:forearm | R
Hand AP oblique lateral right | hand-pa hand-oblique hand-lateral-fan | R
Fingers 2nd and 3rd right | exam:finger | R
Thumb min 2 views left | exam:thumb | L
Clavicle complete right | exam:clavicle | R
Scapula complete left | exam:scapula | L
AC joints bil w/wo weights | exam:ac-joints | B
Sternum minimum 2 views | exam:sternum
Ribs bilateral with PA chest 4 views | exam:ribs | B
Skull less than 4 views | exam:skull
Facial bones complete min 3 views | exam:face
Sinuses complete | exam:sinuses
Nasal bones complete | exam:nasal
Orbits complete min 4 views | exam:orbits
Sacroiliac joints less than 3 views | exam:si-joints
Sacrum and coccyx min 2 views | exam:sacrum-coccyx
Scoliosis 2 views standing | exam:scoliosis
Bone length study | exam:leg-length
Infant bone survey | exam:skeletal-survey
XR esophagus | exam:oesophagus
Colon barium enema single contrast | exam:enema
UGI w/ KUB | exam:upper-gi-single abdomen-ap-supine
Neck soft tissue 2 views | exam:airway
Mandible min 4 views | exam:mandible
TMJ unilateral left | exam:tmj | L
Hombro derecho AP y axilar | shoulder-ap-external shoulder-axillary-inferosuperior | R
Columna dorsal 2 proyecciones | thoracic-ap thoracic-lateral
Pie izquierdo en carga | exam:foot-standing | L
Thorax p.a. stehend | chest-pa
Kniegelenk links 2 Ebenen | exam:knee | L
Hüftgelenk rechts a.p. | hip-ap | R
CT angiogram chest | none
MRI brain w/wo | none
US DVT left leg | none
Nuclear med thyroid uptake | none
Barium swallow with speech pathology | exam:oesophagus
Knee brace fitting left | none
Paracentesis | none
Transfer to ward | none
Chest PA upright | chest-pa
Chest x-ray, PA and lateral, with ribs left | chest-pa chest-lateral ribs-ap-upper ribs-ap-lower ribs-oblique-posterior | L
Portable abdomen supine | abdomen-ap-supine
Abdomen obstruction series w/ PA CXR | exam:abdomen-acute
Rt hand + wrist | exam:hand exam:wrist | R
Hand & wrist 3 views each left | exam:hand exam:wrist | L
Knee and tib/fib right | exam:knee exam:leg | R
Foot and ankle left | exam:foot exam:ankle | L
Shoulder and humerus left AP lateral | shoulder-ap-external shoulder-scapular-y humerus-ap humerus-lateral | L
Femur and knee right | exam:femur exam:knee | R
C, T and L spine 2 views | cervical-ap-axial cervical-lateral thoracic-ap thoracic-lateral lumbar-ap lumbar-lateral
T and L spine AP lat | thoracic-ap thoracic-lateral lumbar-ap lumbar-lateral
Pelvis & R hip | exam:pelvis exam:hip | R
Left great toe AP oblique lateral | toes-ap toes-oblique toes-lateral | L
Lateral only right ankle | ankle-lateral | R
Mortise view right ankle | ankle-mortise | R
Sunrise view left knee | patella-tangential-supine | L
Axial heel right | calcaneus-axial | R
Lat skull | skull-lateral
Towne view | skull-ap-axial
Waters view | face-parietoacanthial
Y view left shoulder | shoulder-scapular-y | L
Frog leg lateral left hip | hip-lateral-frog | L
Inlet and outlet pelvis | pelvis-inlet pelvis-outlet
Flexion and extension C-spine | cervical-flexion cervical-extension
AP and lateral right forearm | forearm-ap forearm-lateral | R
Oblique views left foot | foot-oblique-medial foot-oblique-lateral | L
Weight-bearing AP and lateral left foot | foot-ap-weight-bearing foot-lateral-weight-bearing | L
Weight bearing knees AP, PA flexion, lateral, Merchant bilateral | knee-ap-weight-bearing knee-pa-flexed-weight-bearing knee-lateral patella-tangential-flexed | B
Upright AP pelvis | pelvis-ap
Left lateral decubitus chest for effusion | chest-decubitus-ap | L
Cross table lateral left hip | hip-axiolateral | L
Standing scoliosis PA and lateral | scoliosis-pa scoliosis-lateral
XRAY RIGHT ELBOW AP LAT OBL | elbow-ap elbow-lateral elbow-oblique-lateral | R
XRAY LEFT WRIST AP LAT OBL NAVICULAR | wrist-ap wrist-lateral wrist-oblique scaphoid-axial | L
Skeletal survey complete | exam:skeletal-survey
Lt ft 3v | exam:foot | L
Bil knees 4v | exam:knee-four | B
Cx spine AP lat | cervical-ap-axial cervical-lateral
Lx spine 3 views | exam:lumbar-three
CTLS spine x-ray | exam:cervical-three exam:thoracic exam:lumbar-three
R/O fracture left wrist | exam:wrist | L
Pain right knee | exam:knee | R
Swollen ankle left | exam:ankle | L
FB right foot | exam:foot | R
Post-op right hip AP lateral | hip-ap hip-lateral-frog | R
F/U fracture left tibia AP lat | leg-ap leg-lateral | L
Check NG tube abdomen portable | abdomen-ap-supine
Head CT | none
Renal US | none
XR ANKLE COMPLETE MIN 3 VIEWS LEFT | exam:ankle | L
XR KNEE 1-2 VIEWS LEFT | knee-ap knee-lateral | L
XR SPINE LUMBOSACRAL 2 OR 3 VIEWS | exam:lumbar-three
XR L-SPINE COMPLETE W OBLIQUES | exam:lumbar-five
XR C-SPINE FLEX/EXT ONLY | cervical-flexion cervical-extension
XR CERVICAL SPINE 4-5 VIEWS | exam:cervical-five
XR TIB FIB LEFT | exam:leg | L
XR tibia/fibula R 2 views | leg-ap leg-lateral | R
tib-fib ap/lat rt | leg-ap leg-lateral | R
XR HUMERUS MIN 2 VIEWS RIGHT | exam:humerus | R
XR FOREARM 2V L | exam:forearm | L
XR FINGER(S) MIN 2V LEFT INDEX | finger-pa finger-oblique finger-lateral | L
right ring finger xray | exam:finger | R
4th digit left hand | exam:finger | L
R thumb AP lat obl | thumb-ap thumb-lateral thumb-oblique | R
Wrist, 3+ views, right, FOOSH | exam:wrist | R
carpal tunnel view left wrist | carpal-canal-tangential | L
elbow min 3v rt fall | exam:elbow | R
elbow radial head view right | elbow-axial-lateral-radial-head | R
shoulder 2+ views left, r/o dislocation | exam:shoulder-trauma | L
Clavicle rt complete | exam:clavicle | R
collar bone left | exam:clavicle | L
shoulder blade right | exam:scapula | R
scapula complete left | exam:scapula | L
AC joints bilat w & w/o weights | exam:ac-joints | B
Ribs bilateral w PA chest 4V | exam:ribs | B
ribs unilateral left 2 views | ribs-ap-upper ribs-oblique-posterior | L
Abd 2 view | abdomen-ap-supine abdomen-ap-upright
abd series w chest | exam:abdomen-acute
KUB upright and supine | abdomen-ap-supine abdomen-ap-upright
pelvis inlet outlet | pelvis-inlet pelvis-outlet
judet views left | acetabulum-oblique-iliac acetabulum-oblique-obturator | L
pelvis 3v w judets | pelvis-ap acetabulum-oblique-iliac acetabulum-oblique-obturator
sacrum/coccyx min 2v | exam:sacrum-coccyx
scoliosis survey standing | exam:scoliosis
Scoliosis PA only | scoliosis-pa
t-spine 2v | thoracic-ap thoracic-lateral
thoracic spine 3 views w swimmers | thoracic-ap thoracic-lateral cervicothoracic-lateral
dorsal spine ap & lat | thoracic-ap thoracic-lateral
D-spine | exam:thoracic
DL spine ap lat | thoracic-ap thoracic-lateral lumbar-ap lumbar-lateral
skull < 4 views | exam:skull
skull complete min 4 views | exam:skull
nasal bones complete | exam:nasal
mandible panorex | none
panoramic | none
mandible complete | exam:mandible
TMJ open and closed mouth bilateral | exam:tmj | B
sinuses waters only | sinuses-parietoacanthial
soft tissue neck | exam:airway
adenoids lateral | airway-lateral
Knee 4v w sunrise bilateral standing | knee-ap-weight-bearing knee-lateral patella-tangential-supine | B
knee ap lat sunrise | knee-ap knee-lateral patella-tangential-supine
Knees bilateral AP standing | knee-ap-weight-bearing | B
Femur 2 views right | exam:femur | R
femur min 2v left portable | exam:femur | L
Calcaneus min 2v R | exam:calcaneus | R
heel left | exam:calcaneus | L
os calcis rt | exam:calcaneus | R
foot ap lat oblique non weight bearing left | foot-ap foot-lateral foot-oblique-medial | L
Feet bilateral standing AP lat | foot-ap-weight-bearing foot-lateral-weight-bearing | B
ankle mortise only r | ankle-mortise | R
ankle weight bearing 3v right | ankle-ap-weight-bearing ankle-mortise-weight-bearing ankle-lateral-weight-bearing | R
scanogram | exam:leg-length
leg length standing | hips-to-ankles
NAI skeletal survey | exam:skeletal-survey
nose to rectum FB | exam:foreign-body-child
UGI air contrast | exam:upper-gi-double
barium swallow | exam:oesophagus
esophagram | exam:oesophagus
esophagus | exam:oesophagus
SBFT | exam:small-bowel
small bowel follow through | exam:small-bowel
hysterosalpingogram | none
HSG | none
arthrogram left shoulder | none
DEXA hip and spine | none
bone density | none
ultrasound right leg DVT | none
MR knee left | none
MRI brain | none
mammo screening bilat | none
fluoro guided LP | none
lumbar puncture | none
echo | none
venogram left leg | none
NG tube placement abdomen | abdomen-ap-supine
abdomen 1 view NG tube placement | abdomen-ap-supine
chest xray for feeding tube placement | exam:chest-two
feeding tube placement | none
post reduction wrist left | exam:wrist | L
closed reduction left wrist | none
leg lengths | exam:leg-length
hip unilat w/ AP pelvis left | hip-ap hip-lateral-frog pelvis-ap | L
nasal bone lateral both | nasal-bones-lateral | B
cerv spine trauma xtable lat | cervical-lateral
Thor spine 3v incl swimmers | thoracic-ap thoracic-lateral cervicothoracic-lateral
lumb spine 2v | lumbar-ap lumbar-lateral
femur AP rt prox | femur-ap-proximal | R
sesamoid view right foot | sesamoids-tangential | R
left foot sesamoids | sesamoids-tangential | L
adenoids lateral neck | airway-lateral
distal radius left 2v | wrist-pa wrist-lateral | L
distal forearm lat rt | wrist-lateral | R
PICC placement | none
bone scan | none
nuclear medicine hida | none
PET CT skull to thigh | none
physio left knee | none
cast application left arm | none
CBC | none
portable chest ETT placement | chest-ap
chest 4 views with obliques | chest-pa chest-lateral chest-pa-oblique-rao chest-pa-oblique-lao
Thorax p.a. und seitlich | chest-pa chest-lateral
Knie links in zwei Ebenen | knee-ap knee-lateral | L
Sprunggelenk rechts | exam:ankle | R
Becken | pelvis-ap
Torax PA y lateral | chest-pa chest-lateral
rodilla derecha AP y lateral | knee-ap knee-lateral | R
columna lumbar | exam:lumbar-three
mano izquierda | exam:hand | L
tobillo izquierdo 3 proyecciones | exam:ankle | L
muñeca derecha | exam:wrist | R
cadera bilateral | exam:hip | B
hip lt cross table lateral only | hip-axiolateral | L
hip fx rt ap pelvis and cross table lat | pelvis-ap hip-axiolateral | R
C-spine xtable lateral | cervical-lateral
C-spine trauma series | exam:cervical-trauma
odontoid | cervical-ap-open-mouth
swimmers view | cervicothoracic-lateral
XR CHEST 1 VW FRONTAL | chest-pa
XR CHEST 2 VW FRONTAL & LATERAL | chest-pa chest-lateral
XR CHEST AP PORTABLE 1 VW ICU | chest-ap
CXR PA/LAT | chest-pa chest-lateral
CXR AP semi upright portable | chest-ap
Chest, decubitus, left | chest-decubitus-ap | L
Chest - lordotic only | chest-ap-lordotic
XR RIBS BILATERAL 3 VIEWS | chest-pa ribs-ap-upper ribs-oblique-posterior | B
XR STERNUM 2+ VIEWS | exam:sternum
XR ABDOMEN FLAT AND UPRIGHT | abdomen-ap-supine abdomen-ap-upright
XR KUB 1 VIEW | abdomen-ap-supine
XR SHOULDER COMPLETE 2+ VIEWS RIGHT | exam:shoulder | R
XR SHOULDER 1 VIEW LEFT AP | shoulder-ap-external | L
XR shoulder lt int/ext rot + axillary | shoulder-ap-internal shoulder-ap-external shoulder-axillary-inferosuperior | L
XR shoulder RT - scapular Y only | shoulder-scapular-y | R
XR HUMERUS LEFT AP LAT | humerus-ap humerus-lateral | L
XR ELBOW 2 VIEWS RT | elbow-ap elbow-lateral | R
XR ELBOW COMPLETE RIGHT W OBLIQUES | elbow-ap elbow-lateral elbow-oblique-lateral elbow-oblique-medial | R
XR WRIST COMPLETE 3+ VIEWS L | exam:wrist | L
XR WRIST 2 VIEWS RT | wrist-pa wrist-lateral | R
XR HAND 2 VW L | hand-pa hand-lateral-fan | L
XR HANDS BILAT ARTHRITIS | exam:hand | B
XR FINGER 2+ VW RT 3RD | exam:finger | R
XR THUMB RT | exam:thumb | R
XR PELVIS AP ONLY | pelvis-ap
XR PELVIS W FROG LEG LATERAL | pelvis-ap pelvis-frog
XR HIP UNILATERAL 1 VIEW LEFT | hip-ap | L
XR HIP RT AP AND FROG | hip-ap hip-lateral-frog | R
XR FEMUR RT AP/LAT | femur-ap-proximal femur-ap-distal femur-lateral-proximal femur-lateral-distal | R
XR KNEE RT AP/LAT/OBLIQUES | knee-ap knee-lateral knee-oblique-medial knee-oblique-lateral | R
XR KNEE COMPLETE 4+ VIEWS LT | exam:knee-four | L
XR KNEES AP STANDING BILAT | knee-ap-weight-bearing | B
XR KNEE LEFT MERCHANT | patella-tangential-flexed | L
XR ANKLE 2 VIEWS RT | ankle-ap ankle-lateral | R
XR ANKLE LT AP MORTISE LAT | ankle-ap ankle-mortise ankle-lateral | L
XR FOOT 2 VIEWS LT | foot-ap foot-lateral | L
XR FOOT COMPLETE RT | exam:foot | R
XR FEET WB AP/LAT | foot-ap-weight-bearing foot-lateral-weight-bearing | B
XR CALCANEUS LT | exam:calcaneus | L
XR TOES RT 2+ VIEWS | exam:toes | R
XR CERVICAL SPINE AP/LAT/ODONTOID | cervical-ap-axial cervical-lateral cervical-ap-open-mouth
XR C SPINE 2 OR 3 VIEWS | exam:cervical-three
XR C SPINE COMPLETE WITH FLEX EXT | exam:cervical-five cervical-flexion cervical-extension
XR THORACIC SPINE 2 VW | thoracic-ap thoracic-lateral
XR L SPINE 4+ VIEWS | exam:lumbar-five
XR LS SPINE BENDING ONLY | lumbar-bending
XR LUMBAR AP LAT SPOT | lumbar-ap lumbar-lateral lumbosacral-lateral
XR LUMBAR SPINE FLEX AND EXT | lumbar-flexion lumbar-extension
XR SACRUM AND COCCYX | exam:sacrum-coccyx
XR SI JTS | exam:si-joints
XR SKULL AP LAT TOWNES | skull-ap skull-lateral skull-ap-axial
XR SKULL LATERAL | skull-lateral
XR FACIAL BONES WATERS CALDWELL LAT | face-parietoacanthial face-pa-axial face-lateral
XR NASAL BONES | exam:nasal
XR SINUSES 1-2 VIEWS | sinuses-parietoacanthial sinuses-lateral
XR MANDIBLE <4 VIEWS | exam:mandible
XR NECK SOFT TISSUE LAT | airway-lateral
XR SCOLIOSIS 1 VW | scoliosis-pa
XR BONE AGE STUDIES | hand-bone-age
XR UPPER GI SERIES | exam:upper-gi-single
XR ESOPHAGRAM | exam:oesophagus
left hand injury PA obl lat | hand-pa hand-oblique hand-lateral-fan | L
x-ray of right lower leg | exam:leg | R
please x ray both knees weight bearing | knee-ap-weight-bearing knee-lateral | B
xray left great toe | exam:toes | L
x-ray pelvis and left hip | pelvis-ap hip-ap hip-lateral-frog | L
L ankle + L foot 3 views each | exam:ankle exam:foot | L
right elbow & forearm | exam:elbow exam:forearm | R
L wrist/hand | exam:wrist exam:hand | L
bilat AC jts without weights | acromioclavicular-ap | B
R clav 2v | exam:clavicle | R
l-spine 2v, t-spine 2v | lumbar-ap lumbar-lateral thoracic-ap thoracic-lateral
ap and lateral of the left tibia fibula | leg-ap leg-lateral | L
lateral view of the right calcaneus only | calcaneus-lateral | R
axial calcaneus left | calcaneus-axial | L
standing lateral left foot | foot-lateral-weight-bearing | L
sunrise both knees | patella-tangential-supine | B
oblique right foot | foot-oblique-medial | R
5th finger right hand pa lat | finger-pa finger-lateral | R
cervical spine obliques | cervical-oblique-posterior
lateral sternum | sternum-lateral
AP supine abdomen mobile | abdomen-ap-supine
erect chest and supine abdomen | chest-pa chest-lateral abdomen-ap-supine
CT abdomen pelvis | none
MRI L-spine | none
US thyroid | none
NM bone scan | none
Echocardiogram | none
Mammogram diagnostic left | none
PET scan | none
Dental x-rays | none
OPG | none
Wound care left foot | none
Splint right wrist | none
Nerve conduction study | none
Physical therapy eval left knee | none
MRCP | none
Arteriogram lower extremity | none
CT head wo contrast | none
Cardiac stress test | none
Sleep study | none
VCUG | exam:cystography
bone survey complete | exam:survey-adult
skeletal survey metastatic | exam:survey-adult
barium enema double contrast | exam:enema
air contrast BE | exam:enema
2nd toe right foot | exam:toes | R
toe(s) min 2v left great toe | toes-ap toes-lateral toes-oblique | L
XR FOOT RT 3V WT BEARING | foot-ap-weight-bearing foot-oblique-medial foot-lateral-weight-bearing | R
a.c. joints | exam:ac-joints
full spine AP lateral standing | scoliosis-pa scoliosis-lateral
shoulder left, r/o dislocation | exam:shoulder-trauma | L
wrist right for scaphoid tenderness | exam:scaphoid | R
abdomen for free air | exam:abdomen-acute
abdomen rule out obstruction | abdomen-ap-supine abdomen-ap-upright
humerus right for fracture | exam:humerus-trauma | R
hip left after a fall | exam:hip-trauma | L
shoulder right for chronic pain, no trauma | exam:shoulder | R
knee left for pain, denies injury | exam:knee | L
abdomen 1 view for obstruction | abdomen-ap-supine
XR CHEST 2 VIEWS (PA/LAT) stat | chest-pa chest-lateral
Chest PA inspiration and expiration | chest-pa chest-pa-expiration
Chest 2 views 3 mo old | exam:chest-infant
6 month old hips AP and frog | hip-ap hip-lateral-frog | B
45 y/o right knee AP, lateral | knee-ap knee-lateral | R
Ribs right posterior lower | ribs-ap-lower ribs-oblique-posterior-lower | R
Left anterior ribs | ribs-pa-upper ribs-oblique-anterior | L
AXR erect | abdomen-ap-upright
toes 2-5 left | exam:toes | L
wrist flexion extension left | exam:wrist | L
elbow lateral only, right | elbow-lateral | R
scap y left | shoulder-scapular-y | L
Y view scapula right | shoulder-scapular-y | R
radial head capitellum view right | elbow-axial-lateral-radial-head | R
long leg alignment standing | exam:leg-length
spine survey entire | exam:scoliosis
Pre MRI orbits | exam:orbits
orbits for MRI foreign body | exam:orbits
MRI clearance orbits | exam:orbits
Skull <4 views | exam:skull
TMJ open closed bilateral | exam:tmj | B
Halswirbelsäule 2 Ebenen | cervical-ap-axial cervical-lateral
Lendenwirbelsäule AP und seitlich | lumbar-ap lumbar-lateral
Becken Übersicht | pelvis-ap
Rx tórax PA y lateral | chest-pa chest-lateral
compare both elbows | exam:elbow | B
post reduction wrist rt 2 views in cast | wrist-pa wrist-lateral | R
glass in right hand | exam:hand | R
foreign body left foot | exam:foot | L
both hands and wrists RA | exam:hand exam:wrist | B
C-arm OR hip | none
ERCP | none
MRI orbits | none
videofluoroscopic swallow study | none
Shoulder AP Grashey right | shoulder-ap-oblique-glenoid | R
Shoulder Grashey AP left, Y lateral, axillary | shoulder-ap-oblique-glenoid shoulder-scapular-y shoulder-axillary-inferosuperior | L
AC joint AP Zanca right | acromioclavicular-ap-axial | R
sinuses PA Caldwell, parietoacanthial Waters, lateral | sinuses-pa-axial sinuses-parietoacanthial sinuses-lateral
skull AP axial Towne, PA Caldwell, lateral | skull-ap-axial skull-pa-axial skull-lateral
c-spine lateral swimmers | cervicothoracic-lateral
wrist PA axial Stecher left | scaphoid-axial | L
carpal canal tangential right | carpal-canal-tangential | R
knee axial sunrise right | patella-tangential-supine | R
knee PA Rosenberg bilateral | knee-pa-flexed-weight-bearing | B
foot AP axial left | foot-ap | L
foot Saltzman left | hindfoot-alignment | L
heel dorsoplantar right | calcaneus-axial-dorsoplantar | R
hip lateral cross table left | hip-axiolateral | L
pelvis AP axial inlet | pelvis-inlet
upright abdomen PA | abdomen-pa-upright
lateral pelvis | pelvis-lateral
orbits PA Rhese left | orbit-parieto-orbital-oblique | L
knee ap lat obliques right | knee-ap knee-lateral knee-oblique-medial knee-oblique-lateral | R
knee 3 views sunrise left | knee-ap knee-lateral patella-tangential-supine | L
thoracic spine 3v swimmers | thoracic-ap thoracic-lateral cervicothoracic-lateral
ankle 3 views mortise right | ankle-ap ankle-lateral ankle-mortise | R
C-spine 3 views odontoid | cervical-ap-axial cervical-lateral cervical-ap-open-mouth
knee 4+V left incl sunrise and tunnel | knee-ap knee-lateral patella-tangential-supine fossa-prone | L
right tib-fib AP lat to include ankle | leg-ap leg-lateral | R
forearm left 2 views including wrist and elbow | forearm-ap forearm-lateral | L
zygomatic arches jug handle | zygomatic-arches-submentovertical
Left elbow AP/LAT, fell on outstretched hand | elbow-ap elbow-lateral | L
Rt foot 3v stubbed toe | foot-ap foot-oblique-medial foot-lateral | R
patient fell, left knee AP lat | knee-ap knee-lateral | L
fell on left knee | exam:knee | L
AP pelvis & lateral left hip, fall | pelvis-ap hip-axiolateral | L
Left hip AP lateral | hip-ap hip-lateral-frog | L
Xray L wrist - FOOSH, tender snuffbox | exam:scaphoid | L
abdomen 2 view obstruction | abdomen-ap-supine abdomen-ap-upright
obstruction series | exam:abdomen-acute
full length spine PA | scoliosis-pa
R/O fracture right 4th metacarpal, hand 3 views | exam:hand | R
thumb left CMC arthritis, Robert view | thumb-ap-axial-base | L
Knee L AP/lat/sunrise standing | knee-ap-weight-bearing knee-lateral patella-tangential-supine | L
inspiration expiration chest pneumothorax | chest-pa chest-pa-expiration
LS spine 5 views w obliques | exam:lumbar-five
`;
