/**
 * Parts of the body as orders call them: what is made of each where no view is named, and what its named views are.
 * Words are those of `plainOrder`; the first pattern of a part that fits takes its words.
 */

/** Circumstances that change the routine of a part. */
export type Circumstance =
  | 'standing'
  | 'trauma'
  | 'mobile'
  | 'infant'
  | 'complete'
  | 'upper'
  | 'lower'
  | 'scaphoid'
  | 'free gas'
  | 'obstruction';

export type OrderedPart = {
  id: string;
  /** How the part is written. */
  written: RegExp;
  /** Written by itself it says the part, and is read as a view of it too. */
  implied?: RegExp;
  /** What is made where no view is named: an exam (`exam:` and its id) or views. */
  routine: readonly string[];
  /** The same for so many views. */
  counts?: Readonly<Record<number, readonly string[]>>;
  /** The same in a circumstance. */
  when?: Readonly<Partial<Record<Circumstance, readonly string[]>>>;
  /** Views for so many, in a circumstance that has a routine of its own. */
  countsWhen?: Readonly<Partial<Record<Circumstance, Readonly<Record<number, readonly string[]>>>>>;
  /** What a frontal view of it is; AP where left out. */
  frontal?: 'pa';
  /** A larger part that only tells where this one is: "fifth digit left hand". */
  within?: string;
  /** Named views: how they are written, and what they are; other ones in a circumstance. */
  views: readonly OrderedView[];
};
export type OrderedView = {
  written: RegExp;
  ids: readonly string[];
  /** The course of its ray as it is written beside its name, and then no view of its own: "AP Grashey". */
  course?: RegExp;
  when?: Readonly<Partial<Record<Circumstance, readonly string[]>>>;
};

const view = (written: RegExp, ...ids: readonly string[]): OrderedView => ({ written, ids });
/** A view by the name of its method, which may stand beside the course of its ray. */
const method = (written: RegExp, course: RegExp, ...ids: readonly string[]): OrderedView => ({ written, ids, course });
const FOSSA_COURSE = /^(pa axial|pa|axial|(tunnel|notch)( pa)?)$/;
const TANGENTIAL_COURSE = /^(tangential|axial|sunrise|skyline)( tangential)?$/;
const PATELLA_TANGENTIAL = [
  method(/\bmerchant\b/, TANGENTIAL_COURSE, 'patella-tangential-flexed'),
  method(
    /\b(settegast|hughston|(sunrise|skyline) prone|prone (sunrise|skyline))\b/,
    TANGENTIAL_COURSE,
    'patella-tangential-prone',
  ),
  method(/\b(sunrise|skyline|laurin|patella axial)\b/, TANGENTIAL_COURSE, 'patella-tangential-supine'),
  view(/\b(tangential|(?<!(ap|pa) )axial)\b/, 'patella-tangential-supine'),
];
const TOWNE_COURSE = /^(ap axial|ap|axial|half axial|modified)$/;
const CALDWELL_COURSE = /^(pa axial|pa|axial|occipitofrontal)$/;
const WATERS_COURSE = /^(pa|parietoacanthial|occipitomental|om)$/;
const LATERAL_COURSE = /^lateral$/;
const AP = /\bap\b/;
const PA = /\bpa\b/;
const LATERAL = /\blaterals?\b/;
const OBLIQUE = /\boblique\b/;
const OBLIQUES = /\bobliques\b/;
const INNER_OBLIQUE = /\b(medial|internal)( rotation)? obliques?\b/;
const OUTER_OBLIQUE = /\b(lateral|external)( rotation)? obliques?\b/;
const SMV = /\b(smv|schueller|jug ?handle|submentovertical|submentovertex)\b/;

export const ORDERED_PARTS: readonly OrderedPart[] = [
  // Studies and surveys, before the parts that they are of
  { id: 'bone-age', written: /\bbone age\b( (left|right))?( hands?| wrists?)?/, routine: ['hand-bone-age'], views: [] },
  {
    id: 'survey-of-adult',
    written:
      /\b(adult|metastatic|myeloma|mets) (skeletal|bone) survey\b|\b(skeletal|bone) survey\b(?=.*\b(adult|metasta\w*|mets|myeloma|lytic)\b)/,
    routine: ['exam:survey-adult'],
    views: [view(/\b(adult|metasta\w*|mets|myeloma|lytic)( lesions?)?\b/)],
  },
  {
    id: 'survey',
    written: /\b(skeletal|non accidental injury|nai|child abuse) ?(survey)?\b/,
    routine: ['exam:skeletal-survey'],
    views: [],
  },
  {
    id: 'survey-adult',
    written: /\b((bone|myeloma|metastatic) survey|survey for myeloma)\b/,
    routine: ['exam:survey-adult'],
    when: { infant: ['exam:skeletal-survey'] },
    views: [],
  },
  {
    id: 'shunt',
    written: /\b(vp |ventriculoperitoneal )?shunt( series| survey| malfunction)?\b/,
    routine: ['exam:shunt-series'],
    views: [],
  },
  {
    id: 'leg-length',
    written:
      /\b(leg|limb|bone) lengths?( study| series)?( scanogram)?\b|\bscanogram\b|\b(long )?legs? (alignment|axis)\b|\blong legs?( alignment)?\b|\bhips? to ankles?\b/,
    routine: ['exam:leg-length'],
    views: [],
  },
  {
    id: 'multiple-trauma',
    written: /^(multiple |poly)?trauma series\b|\b(multiple |poly)trauma\b|\bresus(citation)? series\b/,
    routine: ['exam:multiple-trauma'],
    views: [],
  },
  {
    id: 'foreign-body-child',
    written: /\bnose to rectum\b|\bswallowed (foreign body|coin|battery|object)\b/,
    routine: ['exam:foreign-body-child'],
    views: [],
  },
  {
    id: 'oesophagus',
    written: /\bbarium swallow\b|\boesophag(us|ram|ogram)\b/,
    routine: ['exam:oesophagus'],
    views: [view(/\brao\b/, 'oesophagus-rao'), view(LATERAL, 'oesophagus-lateral'), view(AP, 'oesophagus-ap')],
  },
  {
    id: 'small-bowel',
    written: /\bsmall bowel( follow through| series)?\b|\bsbft\b/,
    routine: ['exam:small-bowel'],
    views: [],
  },
  {
    id: 'upper-gi',
    written: /\bupper gi\b|\bugi\b|\bbarium meal\b|\bstomach\b/,
    routine: ['exam:upper-gi-single'],
    views: [
      view(/\b(double|air)( contrast)?\b/, 'exam:upper-gi-double'),
      view(/\brao\b/, 'stomach-rao'),
      view(/\blpo\b/, 'stomach-lpo'),
      view(/\b(right )?laterals?\b/, 'stomach-lateral-right'),
      view(AP, 'stomach-ap'),
      view(PA, 'stomach-pa'),
    ],
  },
  {
    id: 'colon',
    written: /\b(barium|contrast|air contrast) enema\b|\benema\b|\bbe\b|\b(large bowel|colon)\b/,
    routine: ['exam:enema'],
    views: [
      // How it is filled is no view.
      view(/\b(double|single|air)( contrast)?\b/),
      view(/\b(right |left )?(lateral )?decubitus\b/, 'colon-decubitus'),
      view(/\bpost evac(uation)?\b/, 'colon-post-evacuation'),
      view(/\bscout\b/, 'colon-scout'),
      view(/\blateral rectum\b|\brectum\b/, 'colon-lateral-rectum'),
      view(/\bap axial\b|\bsigmoid\b/, 'colon-ap-axial'),
      view(/\bpa axial\b/, 'colon-pa-axial'),
      view(/\brpo\b/, 'colon-rpo'),
      view(/\blpo\b/, 'colon-lpo'),
      view(/\brao\b/, 'colon-rao'),
      view(/\blao\b/, 'colon-lao'),
      view(LATERAL, 'colon-lateral-rectum'),
      view(AP, 'colon-ap'),
      view(PA, 'colon-pa'),
    ],
  },
  {
    id: 'urography',
    written: /\biv[pu]\b|\b(iv )?urogra(m|phy)\b/,
    routine: ['exam:urography'],
    views: [
      view(/\bscout\b/, 'urography-scout'),
      view(/\bpost void\b/, 'urography-post-void'),
      view(/\bobliques?\b/, 'urography-oblique'),
    ],
  },
  {
    id: 'cystography',
    written: /\bcystogra(m|phy)\b|\b(vcug|mcug)\b|\b(voiding )?cystourethrogra(m|phy)\b|\bbladder( series)?\b/,
    routine: ['exam:cystography'],
    views: [
      view(/\bobliques?\b/, 'cystogram-oblique'),
      view(LATERAL, 'cystogram-lateral'),
      view(AP, 'cystogram-ap-axial'),
    ],
  },
  // Chest and abdomen
  { id: 'babygram', written: /\bbabygram\b/, routine: ['chest-ap', 'abdomen-ap-supine'], views: [] },
  {
    id: 'airway',
    written: /\b(neck softtissue|softtissue (of )?(the )?neck|softtissue neck|(upper )?airway|adenoids?)\b/,
    routine: ['exam:airway'],
    views: [view(LATERAL, 'airway-lateral'), view(AP, 'airway-ap')],
    counts: { 1: ['airway-lateral'] },
  },
  {
    id: 'sternoclavicular',
    written: /\b(sc|sternoclavicular) joints?\b/,
    routine: ['sternoclavicular-pa', 'sternoclavicular-oblique'],
    views: [view(/\bobliques?\b|\bkurzbauer\b/, 'sternoclavicular-oblique'), view(PA, 'sternoclavicular-pa')],
  },
  {
    id: 'sternum',
    written: /\b(sternum|breastbone)\b/,
    routine: ['exam:sternum'],
    views: [view(/\b(pa )?(oblique rao|rao oblique|rao|oblique)\b/, 'sternum-rao'), view(LATERAL, 'sternum-lateral')],
  },
  {
    id: 'ribs',
    written: /\brib(s| cage)?\b/,
    routine: ['exam:ribs'],
    counts: {
      2: ['ribs-ap-upper', 'ribs-oblique-posterior'],
      3: ['chest-pa', 'ribs-ap-upper', 'ribs-oblique-posterior'],
    },
    when: {
      upper: ['chest-pa', 'ribs-ap-upper', 'ribs-oblique-posterior'],
      lower: ['chest-pa', 'ribs-ap-lower', 'ribs-oblique-posterior-lower'],
    },
    countsWhen: {
      upper: { 1: ['ribs-ap-upper'], 2: ['ribs-ap-upper', 'ribs-oblique-posterior'] },
      lower: { 1: ['ribs-ap-lower'], 2: ['ribs-ap-lower', 'ribs-oblique-posterior-lower'] },
    },
    views: [
      {
        ...view(/\banterior obliques?\b/, 'ribs-oblique-anterior'),
        when: { lower: ['ribs-oblique-anterior-lower'] },
      },
      {
        ...view(/\banterior\b/, 'ribs-pa-upper', 'ribs-oblique-anterior'),
        when: { lower: ['ribs-ap-lower', 'ribs-oblique-anterior-lower'] },
      },
      {
        ...view(/\b(posterior )?obliques?\b/, 'ribs-oblique-posterior'),
        when: { lower: ['ribs-oblique-posterior-lower'] },
      },
      {
        ...view(AP, 'ribs-ap-upper', 'ribs-ap-lower'),
        when: { upper: ['ribs-ap-upper'], lower: ['ribs-ap-lower'] },
      },
      view(PA, 'ribs-pa-upper'),
      {
        ...view(/\bposterior\b/, 'ribs-ap-upper', 'ribs-ap-lower', 'ribs-oblique-posterior'),
        when: {
          upper: ['ribs-ap-upper', 'ribs-oblique-posterior'],
          lower: ['ribs-ap-lower', 'ribs-oblique-posterior-lower'],
        },
      },
    ],
  },
  {
    id: 'chest',
    frontal: 'pa',
    written: /\b(chest|cxr|lungs?)\b/,
    routine: ['exam:chest-two'],
    counts: { 1: ['chest-pa'] },
    when: { mobile: ['exam:chest-mobile'], infant: ['exam:chest-infant'] },
    views: [
      method(/\b(apical )?lordotic( lindblom)?\b|\blindblom\b/, /^(ap|axial|ap axial)$/, 'chest-ap-lordotic'),
      view(/\bapi(ces|cal)\b/, 'chest-ap-axial-apices'),
      view(/\b(right |left |bilateral )?(lateral )?decubitus( (ap|pa))?\b/, 'chest-decubitus-ap'),
      view(/\b(pa )?obliques?\b(?! (rao|lao))/, 'chest-pa-oblique-rao', 'chest-pa-oblique-lao'),
      method(/\brao\b/, /^(pa )?oblique$/, 'chest-pa-oblique-rao'),
      method(/\blao\b/, /^(pa )?oblique$/, 'chest-pa-oblique-lao'),
      view(
        /\b(insp(iration|iratory)?)( |, )+(and )?(exp(iration|iratory)?|external)\b/,
        'chest-pa',
        'chest-pa-expiration',
      ),
      view(/\b(pa[· ]+)?(in )?exp(iration|iratory)?( pa)?\b/, 'chest-pa-expiration'),
      view(/\b(pa )?insp(iration|iratory)?( pa)?\b/, 'chest-pa'),
      view(/\b((left|right) )?laterals?\b/, 'chest-lateral'),
      view(PA, 'chest-pa'),
      view(/\b(ap( (semierect|supine|upright))?|semierect|supine)\b/, 'chest-ap'),
    ],
  },
  {
    id: 'abdomen',
    written: /\b(abdomen|abdominal|belly)\b/,
    implied: /\b(obstruction series|flat plate|aas)\b/,
    routine: ['exam:abdomen'],
    counts: { 1: ['abdomen-ap-supine'], 2: ['abdomen-ap-supine', 'abdomen-ap-upright'], 3: ['exam:abdomen-acute'] },
    when: { 'free gas': ['exam:abdomen-acute'], obstruction: ['abdomen-ap-supine', 'abdomen-ap-upright'] },
    views: [
      view(/\bacute( abdomen| abdominal)?( series)?\b|\bobstruction series\b|\bseries\b|\baas\b/, 'exam:abdomen-acute'),
      method(/\bdorsal decubitus( lateral)?\b|\bcrosstable( lateral)?\b/, LATERAL_COURSE, 'abdomen-decubitus-dorsal'),
      view(/\b(left )?(lateral )?decubitus( (ap|pa))?\b|\blld\b/, 'abdomen-decubitus-left-lateral'),
      view(/\b(pa (upright|standing)|(upright|standing)[ ·]+pa)\b/, 'abdomen-pa-upright'),
      view(/\b(ap )?(upright|standing)( ap)?\b/, 'abdomen-ap-upright'),
      view(/\b(ap )?(supine|flat)( plate)?( ap)?\b/, 'abdomen-ap-supine'),
      view(/\bprone\b/, 'abdomen-pa'),
      view(/\bobliques?\b/, 'abdomen-oblique-posterior'),
      view(LATERAL, 'abdomen-lateral'),
      view(PA, 'abdomen-pa'),
      view(AP, 'abdomen-ap-supine'),
    ],
  },
  // Arm
  {
    id: 'thumb',
    within: 'hand',
    written: /\b(thumb|first digit)\b/,
    routine: ['exam:thumb'],
    counts: { 2: ['thumb-ap', 'thumb-lateral'] },
    views: [
      method(
        /\b(modified )?(roberts?|burman)\b|\blong and rafert\b|\b(ap )?axial base\b/,
        /^(ap axial|ap|axial)$/,
        'thumb-ap-axial-base',
      ),
      method(/\bfolio\b|\b(valgus |ucl )?stress\b/, /^pa$/, 'thumb-stress-pa'),
      view(/\bobliques?\b/, 'thumb-oblique'),
      view(LATERAL, 'thumb-lateral'),
      view(PA, 'thumb-pa'),
      view(AP, 'thumb-ap'),
    ],
  },
  {
    id: 'finger',
    within: 'hand',
    frontal: 'pa',
    written:
      /\b((index|middle|long|ring|little|small|pinky|second|third|fourth|fifth|[2345](nd|rd|th)) )?(fingers?|digits?)\b|\bpinky\b/,
    routine: ['exam:finger'],
    counts: { 2: ['finger-pa', 'finger-lateral'] },
    views: [
      // Which finger is no view.
      view(/\b(index|middle|long|ring|little|pinky|second|third|fourth|fifth)\b/),
      view(/\bobliques?\b/, 'finger-oblique'),
      view(LATERAL, 'finger-lateral'),
      view(/\b[ap][ap]\b/, 'finger-pa'),
    ],
  },
  {
    id: 'scaphoid',
    within: 'wrist',
    written: /\b(scaphoid|navicular wrist|snuff ?box)( series| views)\b|\bscaphoids?\b(?! view\b)/,
    routine: ['exam:scaphoid'],
    views: [
      view(/\bulnar deviation\b/, 'wrist-ulnar-deviation'),
      view(/\b(pa axial|axial|stecher)( stecher)?\b/, 'scaphoid-axial'),
      view(/\bobliques?\b/, 'wrist-oblique'),
      view(LATERAL, 'wrist-lateral'),
      view(PA, 'wrist-pa'),
      // The wrist is where it is.
      view(/\bwrist\b/),
    ],
  },
  {
    id: 'hand',
    frontal: 'pa',
    written: /\bhands?\b/,
    implied: /\b(ball catchers?|norgaard)\b/,
    routine: ['exam:hand'],
    counts: { 1: ['hand-pa'], 2: ['hand-pa', 'hand-lateral-fan'] },
    views: [
      method(/\b(ball catchers?|norgaard)\b/, /^(ap oblique|ap|oblique)$/, 'hands-ap-oblique-bilateral'),
      view(/\bobliques?\b/, 'hand-oblique'),
      view(/\b(extension|extended) lateral\b/, 'hand-lateral-extended'),
      view(/\b(fan )?laterals?\b/, 'hand-lateral-fan'),
      view(/\b[ap][ap]\b/, 'hand-pa'),
    ],
  },
  {
    id: 'wrist',
    frontal: 'pa',
    written: /\bdistal (radius|ulna|forearm)\b|\bwrists?\b/,
    implied: /\b(carpal (tunnel|canal|bridge)|scaphoid view|gaynor hart|lentino)\b/,
    routine: ['exam:wrist'],
    counts: { 1: ['wrist-pa'], 2: ['wrist-pa', 'wrist-lateral'], 4: ['exam:scaphoid'] },
    when: { scaphoid: ['exam:scaphoid'] },
    views: [
      view(/\bmodified stecher\b|\bstecher modified\b/, 'scaphoid-pa-elevated'),
      method(/\b(scaphoid|navicular)( stecher)?( view)?\b|\bstecher\b/, /^(pa axial|pa|axial)$/, 'scaphoid-axial'),
      method(/\bulnar deviation\b/, /^pa$/, 'wrist-ulnar-deviation'),
      method(/\bradial deviation\b/, /^pa$/, 'wrist-radial-deviation'),
      method(/\bclenched fist\b/, /^(pa|ap)$/, 'wrist-clenched-fist-pa'),
      method(
        /\bcarpal (tunnel|canal)\b|\bgaynor hart\b/,
        /^(tangential|axial|inferosuperior|superoinferior)( (tangential|axial))?$/,
        'carpal-canal-tangential',
      ),
      method(/\bcarpal bridge\b|\blentino\b/, /^tangential$/, 'carpal-bridge-tangential'),
      view(/\bap oblique\b|\bnorgaard\b/, 'wrist-ap-oblique'),
      view(/\b(pa )?obliques?\b/, 'wrist-oblique'),
      view(LATERAL, 'wrist-lateral'),
      view(PA, 'wrist-pa'),
      view(AP, 'wrist-ap'),
    ],
  },
  {
    id: 'forearm',
    written: /\bforearms?\b|\bradius (and |, )?ulna\b/,
    routine: ['exam:forearm'],
    views: [view(LATERAL, 'forearm-lateral'), view(AP, 'forearm-ap')],
  },
  {
    id: 'elbow',
    written: /\belbows?\b/,
    implied: /\bradial head\b|\bcoyle\b/,
    routine: ['exam:elbow'],
    counts: { 2: ['elbow-ap', 'elbow-lateral'] },
    views: [
      view(/\bschmitt\b|\bradial head laterals\b|\bfour laterals\b/, 'elbow-radial-head-laterals'),
      method(
        /\bcoyle coronoid\b|\bcoronoid( process)?( coyle)?( view)?\b/,
        /^(axial lateral|axiolateral)$/,
        'elbow-axial-lateral-coronoid',
      ),
      method(
        /\b(radial head )?coyle( radial head)?( view)?\b/,
        /^((axial )?lateral|axiolateral|axial|oblique|oblique lateral)$/,
        'elbow-axial-lateral-radial-head',
      ),
      method(
        /\bradial head( capitell(um|ar))?( view)?\b/,
        /^(axial lateral|axiolateral)$/,
        'elbow-axial-lateral-radial-head',
      ),
      method(/\bacute flexion( jones)?\b|\bjones\b/, /^(ap|ap axial|axial)$/, 'elbow-acute-flexion-humerus'),
      view(INNER_OBLIQUE, 'elbow-oblique-medial'),
      view(OUTER_OBLIQUE, 'elbow-oblique-lateral'),
      view(OBLIQUES, 'elbow-oblique-lateral', 'elbow-oblique-medial'),
      view(OBLIQUE, 'elbow-oblique-lateral'),
      view(LATERAL, 'elbow-lateral'),
      view(AP, 'elbow-ap'),
    ],
  },
  {
    id: 'humerus',
    written: /\b(humerus|humeri|upper arm)\b/,
    routine: ['exam:humerus'],
    when: { trauma: ['exam:humerus-trauma'] },
    views: [
      method(
        /\btransthoracic( lateral)?( lawrence)?\b|\blawrence\b/,
        /^(lateral|transthoracic)$/,
        'humerus-transthoracic-lateral',
      ),
      method(/\bcrosstable( lateral)?\b/, LATERAL_COURSE, 'humerus-lateral-distal-crosstable'),
      view(LATERAL, 'humerus-lateral'),
      view(AP, 'humerus-ap'),
    ],
  },
  {
    id: 'ac-joints',
    written: /\b(ac|acromioclavicular) joints?\b/,
    routine: ['exam:ac-joints'],
    views: [
      view(/\bwith and without( weights?)?\b/, 'exam:ac-joints'),
      view(/\bwithout( weights?)?\b|\bpearson\b/, 'acromioclavicular-ap'),
      view(/\bwith weights?\b/, 'acromioclavicular-ap-weights'),
      method(
        /\b((ap )?axial )?(zanca|alexander)\b|\b(ap )?axial\b/,
        /^(ap axial|ap|axial)$/,
        'acromioclavicular-ap-axial',
      ),
      view(AP, 'acromioclavicular-ap'),
    ],
  },
  {
    id: 'clavicle',
    written: /\b(clavicles?|collar ?bone)\b/,
    routine: ['exam:clavicle'],
    views: [
      view(/\bpa axial\b/, 'clavicle-pa-axial'),
      view(/\b(ap )?(axial|cephalad)\b/, 'clavicle-ap-axial'),
      view(PA, 'clavicle-pa'),
      view(AP, 'clavicle-ap'),
    ],
  },
  {
    id: 'shoulder',
    written: /\bshoulders?\b(?! blade)/,
    implied:
      /\b(grashey(?! skull)|garth|velpeau|stryker|west point|fisk|supraspinatus|scapular y|outlet view left|outlet view right)\b/,
    routine: ['exam:shoulder'],
    when: { trauma: ['exam:shoulder-trauma'] },
    views: [
      view(
        /\b(ap )?internal( rotation)? (and |, )?external( rotations?)?\b/,
        'shoulder-ap-internal',
        'shoulder-ap-external',
      ),
      view(/\b(ap )?internal( rotation)?( ap)?\b/, 'shoulder-ap-internal'),
      view(/\b(ap )?external( rotation)?( ap)?\b/, 'shoulder-ap-external'),
      method(
        /\b(true ap )?grashey\b|\btrue ap\b|\bglenoid\b/,
        /^(ap oblique|ap|oblique)$/,
        'shoulder-ap-oblique-glenoid',
      ),
      method(
        /\b(neer )?(supraspinatus )?outlet( neer)?\b|\bneer\b|\bsupraspinatus\b/,
        /^(lateral|tangential|pa oblique|oblique)$/,
        'shoulder-outlet',
      ),
      method(/\bvelpeau\b/, /^(axillary|axial|axillary lateral)$/, 'shoulder-axillary-sling'),
      method(
        /\b(apical oblique )?garth( apical oblique)?\b|\bapical oblique\b/,
        /^(ap|ap oblique|ap axial|ap axial oblique|axial|oblique|apical)$/,
        'shoulder-apical-oblique',
      ),
      method(/\bwest point\b|\bprone axi(al|llary)\b/, /^(axial|axillary)( lateral)?$/, 'shoulder-axillary-prone'),
      method(/\bstryker( notch)?\b/, /^(ap axial|ap|axial)$/, 'shoulder-notch-ap-axial'),
      method(
        /\bfisk\b|\bbicipital groove\b|\bintertubercular( groove)?\b/,
        /^(tangential|axial)$/,
        'intertubercular-groove',
      ),
      method(/\b(scapular )?y\b/, /^(lateral|pa oblique|oblique|pa|scapular)$/, 'shoulder-scapular-y'),
      method(/\btransthoracic( lateral)?( lawrence)?\b/, LATERAL_COURSE, 'humerus-transthoracic-lateral'),
      view(
        /\b(inferosuperior )?(axillary|axilla|axial)( lateral)?( lawrence)?\b|\blawrence( axillary| axial)?\b|\binferosuperior\b/,
        'shoulder-axillary-inferosuperior',
      ),
      view(/\b(ap )?neutral\b/, 'shoulder-ap-neutral'),
      { ...view(AP, 'shoulder-ap-external'), when: { trauma: ['shoulder-ap-neutral'] } },
      view(LATERAL, 'shoulder-scapular-y'),
    ],
  },
  {
    id: 'scapula',
    written: /\b(scapulae?|shoulder blades?)\b/,
    routine: ['exam:scapula'],
    views: [view(/\b(laterals?|y)\b/, 'scapula-lateral'), view(AP, 'scapula-ap')],
  },
  // Leg
  {
    id: 'sesamoids',
    written: /\b((foot|feet) )?sesamoids?( bones?)?( views?)?\b( (of (the )?)?(right|left))?( foot| feet)?/,
    routine: ['sesamoids-tangential'],
    views: [],
  },
  {
    id: 'toes',
    within: 'foot',
    written: /\b(great toe|big toe|hallux|toes?)\b/,
    routine: ['exam:toes'],
    counts: { 2: ['toes-ap', 'toes-lateral'] },
    views: [
      view(/\b(great|big)\b/),
      view(/\bobliques?\b/, 'toes-oblique'),
      view(LATERAL, 'toes-lateral'),
      view(AP, 'toes-ap'),
    ],
  },
  {
    id: 'calcaneus',
    written: /\b(calcane(us|i|um)|heels?|os calcis)\b/,
    implied: /\bharris( beath)?\b/,
    routine: ['exam:calcaneus'],
    views: [
      method(/\bharris beath\b|\bcoalition\b/, /^axial$/, 'calcaneus-axial-weight-bearing'),
      method(/\bdorsoplantar( axial)?\b/, /^axial$/, 'calcaneus-axial-dorsoplantar'),
      method(/\bbroden\b|\bisherwood\b|\bsubtalar\b/, /^(ap )?oblique$/, 'subtalar-oblique-medial'),
      method(/\bsaltzman\b|\bhindfoot\b|\balignment\b/, /^(pa axial|pa|axial|alignment)$/, 'hindfoot-alignment'),
      {
        ...view(/\b(harris|(plantodorsal )?axial)( axial)?\b|\bplantodorsal\b/, 'calcaneus-axial'),
        when: { standing: ['calcaneus-axial-weight-bearing'] },
      },
      view(LATERAL, 'calcaneus-lateral'),
    ],
  },
  {
    id: 'foot',
    written: /\b(foot|feet|lisfranc)\b/,
    implied: /\b(saltzman|hindf(oo|ee)t)\b/,
    routine: ['exam:foot'],
    counts: { 2: ['foot-ap', 'foot-lateral'] },
    when: { standing: ['exam:foot-standing'] },
    countsWhen: {
      standing: { 3: ['foot-ap-weight-bearing', 'foot-oblique-medial', 'foot-lateral-weight-bearing'] },
    },
    views: [
      method(/\b(saltzman|hindf(oo|ee)t)( alignment)?\b/, /^(pa axial|pa|axial|alignment)$/, 'hindfoot-alignment'),
      method(/\bbroden\b|\bisherwood\b|\bsubtalar( joint)?\b/, /^(ap )?oblique$/, 'subtalar-oblique-medial'),
      view(OUTER_OBLIQUE, 'foot-oblique-lateral'),
      view(OBLIQUES, 'foot-oblique-medial', 'foot-oblique-lateral'),
      view(/\b((medial|internal)( rotation)? )?oblique\b/, 'foot-oblique-medial'),
      { ...view(LATERAL, 'foot-lateral'), when: { standing: ['foot-lateral-weight-bearing'] } },
      { ...view(/\b(ap|dp|pa|dorsoplantar)( axial)?\b/, 'foot-ap'), when: { standing: ['foot-ap-weight-bearing'] } },
    ],
  },
  {
    id: 'ankle',
    written: /\bankles?\b/,
    routine: ['exam:ankle'],
    counts: { 2: ['ankle-ap', 'ankle-lateral'] },
    when: { standing: ['exam:ankle-standing'] },
    views: [
      method(/\bbroden\b|\bisherwood\b|\bsubtalar( joint)?\b/, /^(ap )?oblique$/, 'subtalar-oblique-medial'),
      view(/\binversion\b|\bvarus( stress)?\b/, 'ankle-stress-inversion'),
      view(/\beversion\b|\bvalgus( stress)?\b/, 'ankle-stress-eversion'),
      view(/\bstress\b/, 'ankle-stress-inversion', 'ankle-stress-eversion'),
      {
        ...method(/\bmortise\b/, /^(ap oblique|oblique)$/, 'ankle-mortise'),
        when: { standing: ['ankle-mortise-weight-bearing'] },
      },
      view(OUTER_OBLIQUE, 'ankle-oblique-lateral'),
      view(INNER_OBLIQUE, 'ankle-oblique-medial'),
      view(OBLIQUES, 'ankle-oblique-medial', 'ankle-oblique-lateral'),
      // The third of three is the mortise.
      view(OBLIQUE, 'ankle-mortise'),
      { ...view(LATERAL, 'ankle-lateral'), when: { standing: ['ankle-lateral-weight-bearing'] } },
      { ...view(AP, 'ankle-ap'), when: { standing: ['ankle-ap-weight-bearing'] } },
    ],
  },
  {
    id: 'patella',
    within: 'knee',
    written: /\b(patell(a|ae|as)|knee ?caps?)\b/,
    routine: ['patella-pa', 'patella-lateral', 'patella-tangential-supine'],
    views: [...PATELLA_TANGENTIAL, view(LATERAL, 'patella-lateral'), view(/\b[ap][ap]\b/, 'patella-pa')],
  },
  {
    id: 'knee',
    written: /\bknees?\b/,
    implied: /\b(rosenberg|merchant|sunrise|settegast|hughston|holmblad|camp coventry|beclere)\b/,
    routine: ['exam:knee'],
    counts: { 2: ['exam:knee'], 3: ['exam:knee', 'patella-tangential-supine'], 4: ['exam:knee-four'] },
    when: { complete: ['exam:knee-four'], standing: ['knee-ap-weight-bearing', 'knee-lateral'] },
    countsWhen: {
      standing: { 3: ['knee-ap-weight-bearing', 'knee-lateral', 'patella-tangential-supine'] },
    },
    views: [
      method(
        /\b(pa flex(ion|ed) )?rosenberg\b|\bpa flex(ion|ed)\b/,
        /^(pa axial|pa|axial|flexed|flexion)$/,
        'knee-pa-flexed-weight-bearing',
      ),
      ...PATELLA_TANGENTIAL,
      method(
        /\bbeclere\b|\bap axial\b|\bap (tunnel|notch)\b|\b(tunnel|notch) ap\b/,
        /^(ap axial|ap|axial|tunnel|notch)$/,
        'fossa-supine',
      ),
      method(/\bholmblad\b/, FOSSA_COURSE, 'fossa-kneeling'),
      method(
        /\b(tunnel|notch|intercondylar( fossa| notch)?|fossa)( camp coventry)?\b|\bcamp coventry\b/,
        FOSSA_COURSE,
        'fossa-prone',
      ),
      view(/\bvarus( stress)?\b/, 'knee-stress-varus'),
      view(/\bvalgus( stress)?\b/, 'knee-stress-valgus'),
      view(/\bstress\b/, 'knee-stress-varus', 'knee-stress-valgus'),
      view(INNER_OBLIQUE, 'knee-oblique-medial'),
      view(OUTER_OBLIQUE, 'knee-oblique-lateral'),
      view(OBLIQUES, 'knee-oblique-medial', 'knee-oblique-lateral'),
      view(OBLIQUE, 'knee-oblique-medial'),
      view(/\b(crosstable )?laterals?\b|\bcrosstable\b/, 'knee-lateral'),
      { ...view(AP, 'knee-ap'), when: { standing: ['knee-ap-weight-bearing'] } },
      view(PA, 'knee-pa'),
    ],
  },
  {
    id: 'leg',
    written:
      /\btib(ia)? ?(and |, )?fib(ula)?\b|\btibia\b|\bfibula\b|\blower legs?\b|\bshin\b|\b(right|left|both) leg\b|^legs?\b/,
    routine: ['exam:leg'],
    views: [
      view(/\bobliques?\b/, 'leg-oblique'),
      view(/\b(crosstable )?laterals?\b/, 'leg-lateral'),
      view(AP, 'leg-ap'),
    ],
  },
  {
    id: 'femur',
    written: /\b(femurs?|femora|thighs?)\b/,
    routine: ['exam:femur'],
    when: {
      upper: ['femur-ap-proximal', 'femur-lateral-proximal'],
      lower: ['femur-ap-distal', 'femur-lateral-distal'],
    },
    views: [
      {
        ...view(/\b(crosstable )?laterals?\b/, 'femur-lateral-proximal', 'femur-lateral-distal'),
        when: { upper: ['femur-lateral-proximal'], lower: ['femur-lateral-distal'] },
      },
      {
        ...view(AP, 'femur-ap-proximal', 'femur-ap-distal'),
        when: { upper: ['femur-ap-proximal'], lower: ['femur-ap-distal'] },
      },
    ],
  },
  {
    id: 'hip',
    written: /\bhips?\b/,
    routine: ['exam:hip'],
    counts: { 1: ['hip-ap'] },
    when: { trauma: ['exam:hip-trauma'] },
    views: [
      method(/\b(lequesne )?false profile( lequesne)?\b|\blequesne\b/, /^(lateral|oblique)$/, 'hip-false-profile'),
      method(/\b(45 )?(modified )?dunn( 45)?\b/, /^(ap|lateral)$/, 'hip-flexed-abducted-ap'),
      method(
        /\bclements( nakayama)?\b|\bmodified (axiolateral|crosstable)( lateral)?\b/,
        /^((axio)?lateral|crosstable( lateral)?|axial)$/,
        'hip-axiolateral-modified',
      ),
      method(
        /\b((axiolateral|crosstable( lateral)?) )?danelius( miller)?( lateral)?\b|\b(crosstable|axiolateral|surgical)( lateral)?\b|\baxial( lateral)?\b/,
        /^(lateral|inferosuperior|axial)$/,
        'hip-axiolateral',
      ),
      method(
        /\b(unilateral )?(lateral )?frog( lateral)?( cleaves)?\b|\bcleaves\b|\blauenstein( hickey)?\b|\bhickey\b/,
        /^(lateral|frog( lateral)?)$/,
        'hip-lateral-frog',
      ),
      // Who may be broken is not turned out.
      { ...view(LATERAL, 'hip-lateral-frog'), when: { trauma: ['hip-axiolateral'] } },
      view(AP, 'hip-ap'),
    ],
  },
  {
    id: 'pelvis',
    written: /\b(pelvis|pelvic|acetabul(um|a|ar))\b/,
    implied: /\b(judets?|teufel)\b/,
    routine: ['exam:pelvis'],
    views: [
      method(/\bteufel\b/, /^(pa )?(axial )?oblique$/, 'acetabulum-pa-axial-oblique'),
      method(
        /\bjudets?( views)?\b|\bacetabular obliques?\b/,
        /^(ap )?obliques?$/,
        'acetabulum-oblique-iliac',
        'acetabulum-oblique-obturator',
      ),
      view(/\biliac oblique\b/, 'acetabulum-oblique-iliac'),
      view(/\bobturator oblique\b/, 'acetabulum-oblique-obturator'),
      method(/\binlet( bridgeman)?\b|\bbridgeman\b/, /^(ap )?axial$/, 'pelvis-inlet'),
      method(/\boutlet( taylor)?\b|\btaylor\b/, /^(ap )?axial$/, 'pelvis-outlet'),
      view(/\bfrog( lateral)?( cleaves)?\b|\bcleaves\b/, 'pelvis-frog'),
      view(/(?<!\b(crosstable|axial) )\blaterals?\b/, 'pelvis-lateral'),
      view(AP, 'pelvis-ap'),
    ],
  },
  // Spine
  {
    id: 'scoliosis',
    written:
      /\b(scoliosis|full spine|full length spine|whole spine|entire spine|spine survey( entire)?|spine entire)\b/,
    routine: ['exam:scoliosis'],
    counts: { 1: ['scoliosis-pa'] },
    views: [
      view(/\bbending\b/, 'lumbar-bending'),
      method(/\bferguson\b|\bblock\b/, /^pa$/, 'scoliosis-pa-block'),
      view(LATERAL, 'scoliosis-lateral'),
      view(/\b[ap][ap]\b/, 'scoliosis-pa'),
    ],
  },
  {
    id: 'cervical',
    written: /\bcervical( spine)?\b|(?<!\b(femoral|surgical|anatomical) )\bneck\b/,
    implied: /\b(odontoid|dens|(?<!waters )openmouth(?! waters)|swimmers|twining|pawlow|ottonello|cervicothoracic)\b/,
    routine: ['exam:cervical-three'],
    counts: {
      1: ['cervical-lateral'],
      2: ['cervical-ap-axial', 'cervical-lateral'],
      3: ['exam:cervical-three'],
      5: ['exam:cervical-five'],
      7: ['exam:cervical-five', 'cervical-flexion', 'cervical-extension'],
    },
    when: { complete: ['exam:cervical-five'], trauma: ['exam:cervical-trauma'] },
    views: [
      method(/\b(dens |odontoid )?(fuchs|judd)( dens| odontoid)?\b/, /^ap( (dens|odontoid))?$/, 'dens-ap'),
      method(/\bottonello\b|\b(moving|wagging) jaw\b/, /^ap$/, 'cervical-ap-moving-jaw'),
      method(/\bopenmouth( odontoid| dens)?\b/, /^ap$/, 'cervical-ap-open-mouth'),
      view(/\b(odontoid|dens)\b/, 'cervical-ap-open-mouth'),
      method(
        /\b(swimmers|twining|pawlow)( lateral)?\b|\bc7[ ,-]*t1\b|\bcervicothoracic( lateral)?\b/,
        LATERAL_COURSE,
        'cervicothoracic-lateral',
      ),
      view(/\bflexion( laterals)?\b/, 'cervical-flexion'),
      view(/\bextension( laterals)?\b/, 'cervical-extension'),
      method(/\b(articular )?pillars?\b|\bdorland\b/, /^(ap axial|ap|axial)$/, 'cervical-pillars-ap-axial'),
      view(/\b(rao|lao|anterior obliques?)\b/, 'cervical-oblique-anterior'),
      view(/\b(obliques?|rpo|lpo)\b/, 'cervical-oblique-posterior'),
      view(/\b(crosstable )?laterals?\b|\bcrosstable\b/, 'cervical-lateral'),
      view(/\bap( axial)?\b/, 'cervical-ap-axial'),
    ],
  },
  {
    id: 'thoracolumbar',
    written: /\bthoraco ?lumbar( spine)?\b|\btl spine\b/,
    routine: ['thoracic-ap', 'thoracic-lateral', 'lumbar-ap', 'lumbar-lateral'],
    views: [view(LATERAL, 'thoracic-lateral', 'lumbar-lateral'), view(/\b[ap][ap]\b/, 'thoracic-ap', 'lumbar-ap')],
  },
  {
    id: 'thoracic',
    written: /\b(thoracic|dorsal)( spine)?\b(?! decubitus)/,
    routine: ['exam:thoracic'],
    counts: { 2: ['thoracic-ap', 'thoracic-lateral'], 3: ['exam:thoracic'] },
    views: [
      method(
        /\b(swimmers|twining|pawlow)( lateral)?\b|\bc7[ ,-]*t1\b|\bcervicothoracic( lateral)?\b/,
        LATERAL_COURSE,
        'cervicothoracic-lateral',
      ),
      view(/\bobliques?\b/, 'thoracic-oblique'),
      view(/\b(crosstable )?laterals?\b/, 'thoracic-lateral'),
      view(/\b[ap][ap]\b/, 'thoracic-ap'),
    ],
  },
  {
    id: 'lumbar',
    written: /\b(lumbar|lumbosacral)( spine)?\b|\bspine lumbar\b/,
    routine: ['exam:lumbar-three'],
    counts: { 2: ['lumbar-ap', 'lumbar-lateral'], 3: ['exam:lumbar-three'], 5: ['exam:lumbar-five'] },
    when: { complete: ['exam:lumbar-five'] },
    views: [
      view(/\b(l5 ?,? ?(s1 )?|lumbosacral )?(spot|coned?)( down)?( lateral)?\b|\bl5 ?,? ?s1\b/, 'lumbosacral-lateral'),
      view(/\bflexion( laterals)?\b/, 'lumbar-flexion'),
      view(/\bextension( laterals)?\b/, 'lumbar-extension'),
      view(/\b(side |lateral )?bending\b/, 'lumbar-bending'),
      method(/\bferguson\b|\bap axial\b/, /^(ap axial|ap|axial)$/, 'lumbosacral-ap-axial'),
      view(/\b(obliques?|rpo|lpo)\b/, 'lumbar-oblique-posterior'),
      view(/\b(crosstable )?laterals?\b/, 'lumbar-lateral'),
      view(PA, 'lumbar-pa'),
      view(AP, 'lumbar-ap'),
    ],
  },
  {
    id: 'sacrum-coccyx',
    written: /\bsacrum (and |, )?coccyx\b|\bcoccyx (and |, )?sacrum\b/,
    routine: ['exam:sacrum-coccyx'],
    views: [view(LATERAL, 'sacrum-coccyx-lateral'), view(AP, 'sacrum-ap-axial', 'coccyx-ap-axial')],
  },
  {
    id: 'sacrum',
    written: /\bsacrum\b/,
    routine: ['sacrum-ap-axial', 'sacrum-lateral'],
    views: [view(LATERAL, 'sacrum-lateral'), view(AP, 'sacrum-ap-axial')],
  },
  {
    id: 'coccyx',
    written: /\bcoccyx\b/,
    routine: ['exam:sacrum-coccyx'],
    views: [view(LATERAL, 'coccyx-lateral'), view(AP, 'coccyx-ap-axial')],
  },
  {
    id: 'sacroiliac',
    written: /\b(si|sacroiliac)( joints?)?\b/,
    routine: ['exam:si-joints'],
    views: [
      view(/\bobliques?\b/, 'sacroiliac-oblique'),
      view(PA, 'sacroiliac-pa'),
      view(/\b(ap( axial)?|axial)( ferguson)?\b|\bferguson\b/, 'sacroiliac-ap-axial'),
    ],
  },
  // Head
  {
    id: 'sinuses',
    written: /\b(paranasal )?sinus(es)?\b/,
    implied: /\bwaters openmouth\b|\bopenmouth waters\b/,
    routine: ['exam:sinuses'],
    counts: {
      1: ['sinuses-parietoacanthial'],
      2: ['sinuses-parietoacanthial', 'sinuses-lateral'],
      3: ['sinuses-parietoacanthial', 'sinuses-pa-axial', 'sinuses-lateral'],
    },
    views: [
      method(
        /\b(waters )?openmouth( waters)?\b|\bpirie\b/,
        /^(parietoacanthial|pa|waters)$/,
        'sinuses-parietoacanthial-open-mouth',
      ),
      method(
        /\b(parietoacanthial )?waters\b|\bparietoacanthial\b|\boccipitomental\b/,
        WATERS_COURSE,
        'sinuses-parietoacanthial',
      ),
      method(/\b(pa )?caldwell\b|\bpa( axial)?\b/, CALDWELL_COURSE, 'sinuses-pa-axial'),
      view(SMV, 'sinuses-submentovertical'),
      view(LATERAL, 'sinuses-lateral'),
    ],
  },
  {
    id: 'nasal',
    written: /\bnasal( bones?)?\b|\bnose\b/,
    routine: ['exam:nasal'],
    views: [
      view(/\bwaters\b/, 'face-parietoacanthial'),
      view(/\b(tangential|superoinferior|axial)\b/, 'nasal-bones-tangential'),
      view(LATERAL, 'nasal-bones-lateral'),
    ],
  },
  {
    id: 'zygoma',
    written: /\bzygoma(tic)?( arch(es)?)?\b/,
    routine: ['zygomatic-arches-submentovertical', 'zygomatic-arch-oblique'],
    views: [
      view(SMV, 'zygomatic-arches-submentovertical'),
      view(/\b(oblique )?(tangential|may view)\b|\bobliques?\b/, 'zygomatic-arch-oblique'),
      method(/\b(modified )?towne\b|\btitterington\b|\bap axial\b/, TOWNE_COURSE, 'zygomatic-arches-ap-axial'),
    ],
  },
  {
    id: 'mandible',
    written: /\b(mandible|lower jaw|jaw)\b/,
    routine: ['exam:mandible'],
    views: [
      view(/\bobliques?\b|\baxiolateral( obliques?)?\b/, 'mandible-axiolateral-oblique'),
      method(/\btowne\b|\bap axial\b/, TOWNE_COURSE, 'mandible-ap-axial'),
      view(/\bpa axial\b/, 'mandible-pa-axial'),
      view(SMV, 'mandible-submentovertical'),
      view(PA, 'mandible-pa'),
    ],
  },
  {
    id: 'tmj',
    written: /\btmjs?\b|\btemporomandibular( joints?)?\b/,
    routine: ['exam:tmj'],
    views: [
      view(/\bopen(mouth)?( and| ,)? closed( mouth)?\b|\bclosed( mouth)?( and| ,)? open(mouth)?\b/, 'exam:tmj'),
      method(/\btowne\b|\bap axial\b/, TOWNE_COURSE, 'temporomandibular-ap-axial'),
      view(/\b(modified )?law\b|\baxiolateral oblique\b/, 'temporomandibular-axiolateral-oblique'),
      method(/\bschuller\b|\baxiolateral\b/, /^(axiolateral|lateral)$/, 'temporomandibular-axiolateral'),
    ],
  },
  {
    id: 'mastoid',
    written: /\bmastoids?\b/,
    routine: ['exam:mastoids'],
    views: [view(/\blaw\b|\baxiolateral( oblique)?\b|\bobliques?\b/, 'mastoid-axiolateral-oblique')],
  },
  {
    id: 'orbits',
    written: /\b(orbits?|orbital)\b|\beyes?\b/,
    routine: ['exam:orbits'],
    views: [
      method(
        /\b(parieto [·]+( oblique)?|optic (foramen|foramina|canal))( rhese)?\b|\brhese\b/,
        /^(pa |pa axial |parieto orbital )?oblique$|^pa( axial)?$/,
        'orbit-parieto-orbital-oblique',
      ),
      view(LATERAL, 'orbit-lateral'),
      method(/\b(caldwell|pa( axial)?)\b/, CALDWELL_COURSE, 'orbits-pa-axial'),
    ],
  },
  {
    id: 'face',
    implied: /\b(waters|caldwell)\b/,
    written: /\b(facial( bones?)?|face)\b/,
    routine: ['exam:face'],
    views: [
      method(
        /\b(modified|shallow) waters\b/,
        /^(pa|parietoacanthial|modified parietoacanthial)$/,
        'face-parietoacanthial-modified',
      ),
      method(/\b(reverse|ap) waters\b|\bacanthioparietal\b/, /^(ap|acanthioparietal)$/, 'face-acanthioparietal'),
      method(/\b(om|occipitomental) ?30\b/, WATERS_COURSE, 'face-occipitomental-30'),
      method(
        /\b(parietoacanthial )?waters\b|\bparietoacanthial\b|\boccipitomental\b/,
        WATERS_COURSE,
        'face-parietoacanthial',
      ),
      method(/\b(reverse|supine|ap) caldwell\b/, /^(ap axial|ap)$/, 'face-ap-axial-15'),
      method(/\b(pa )?caldwell\b|\bpa( axial)?\b/, CALDWELL_COURSE, 'face-pa-axial'),
      view(LATERAL, 'face-lateral'),
    ],
  },
  {
    id: 'skull',
    implied: /\b(towne|haas)\b/,
    written: /\b(skull|sella|cranium)\b/,
    routine: ['exam:skull'],
    views: [
      method(/\bhaas\b|\breverse towne\b/, /^(pa axial|pa|axial)$/, 'skull-pa-axial-occipital'),
      method(/\b(ap axial )?towne\b|\bgrashey skull\b|\bchamberlain\b|\bap axial\b/, TOWNE_COURSE, 'skull-ap-axial'),
      method(/\bexaggerated caldwell\b/, CALDWELL_COURSE, 'skull-pa-axial-30'),
      method(/\b(pa )?caldwell\b|\bpa axial\b/, CALDWELL_COURSE, 'skull-pa-axial'),
      view(SMV, 'skull-submentovertical'),
      method(/\bwaters\b/, WATERS_COURSE, 'face-parietoacanthial'),
      view(LATERAL, 'skull-lateral'),
      view(PA, 'skull-pa'),
      view(AP, 'skull-ap'),
    ],
  },
];

/** What of an order changes the routine. */
export const CIRCUMSTANCES: readonly (readonly [RegExp, Circumstance])[] = [
  [/\bstanding\b/, 'standing'],
  // A scapular Y is asked for where the shoulder must not be rotated.
  [/\b(trauma|dislocat\w*|fractured?|fx|broken|injury|y)\b/, 'trauma'],
  [/\b(portable|mobile|bedside|nicu|icu|picu|crib)\b/, 'mobile'],
  [/\b(infant|newborn|baby|neonate)\b/, 'infant'],
  [/\b(complete)\b/, 'complete'],
  [/\bsnuff ?box\b/, 'scaphoid'],
  [/\bobstruction\b(?! series)/, 'obstruction'],
  // Of a part that is called so, nothing is said of another.
  [/\b(upper|proximal|above (the )?diaphragm)\b(?! (gi|airway|arms?|extremit|limb|abdomen))/, 'upper'],
  [/\b(lower|distal|below (the )?diaphragm)\b(?! (legs?|jaw|extremit|limb|back|abdomen))/, 'lower'],
];

/** What of the reason of an order changes the routine: who may be broken is neither rotated nor lain on it. */
export const REASONS: readonly (readonly [RegExp, Circumstance])[] = [
  [/\b(scaphoid|snuff ?box)\b/, 'scaphoid'],
  [
    /\b(dislocat\w*|fractur\w*|fx|broken|trauma\w*|injur(y|ies|ed)|mv[ac]|rt[ac]|fell|fall(en)?|foosh|collision|assault\w*|crush\w*|struck|hit by)\b/,
    'trauma',
  ],
  [/\b(free (air|gas)|perforat\w*|pneumoperitoneum)\b/, 'free gas'],
  [/\b(obstruct\w*|sbo|ileus)\b/, 'obstruction'],
];
/** Words that tell how soon or why, and change no view: understood, not acted on. */
export const SAID_BESIDE: ReadonlySet<string> = new Set(
  `stat asap urgent urgently emergent emergency now today then please evaluate eval assess check arthritis osteoarthritis
  ra oa jia arthrosis gout sob dyspnea dyspnoea cough fever hypoxia boxer boxers ucl rcl acl glass metal needle splinter
  coin battery foreign body fb cast casted splint splinted brace post reduction postreduction hardware orif deformity
  swelling swollen nat tender tenderness ache stiffness stiff infection osteomyelitis ulcer wound laceration bruising
  preop postop surgery surgical healing union alignment position placement line tube ng og ngt ogt feeding pneumonia chf copd tb ct mri
  followup follow up recheck pre clearance screening safety do
  foosh pneumothorax effusion effusions croup stridor stones stone sprain strain assault blowout crush crushed snuffbox snuff box
  fall fell peds pediatric paediatric nec ddh dysplasia free air obstruction bay dx rad uni cmc op f u picc pacemaker lead leads
  intubation catheter patient sling nipple markers marker sides`.split(/\s+/),
);
/** Words that are spelled right: a misspelt one is read as the nearest of them. */
export const SPELLED: readonly string[] =
  `abdomen acetabulum acromioclavicular ankle ankles axillary axial barium bilateral bladder calcaneus cervical chest
  clavicle coccyx complete cranium cystogram decubitus digit dorsal elbow elbows enema esophagus extension external
  facial femur femurs fibula finger fingers flexion forearm fossa fracture glenoid great heel humerus infant inlet
  internal joint joints knee knees lateral laterals lordotic lower lumbar lumbosacral mandible medial middle mobile
  mortise nasal navicular oblique obliques odontoid oesophagus orbit orbits outlet patella patellae pelvis portable
  prone radius right routine sacroiliac sacrum scaphoid scapula scapular scoliosis series sesamoid shoulder shoulders sinus
  sinuses skeletal skull small spine standing sternum stress sunrise supine survey swimmers tangential temporomandibular
  thoracic thoracolumbar thumb tibia towne trauma tunnel upper upright urogram views waters weights without wrist wrists zygoma
  zygomatic bones bowel ribs hips knee hand hands foot feet heel toes neck`.split(/\s+/);
