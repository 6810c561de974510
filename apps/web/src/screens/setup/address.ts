/**
 * Every set-up has an address: projection, size, situation, room, what was pulled - and never an identity. Reload,
 * back and a link to a colleague all go through here.
 */
import {
  AEC_CHOICES,
  AMPUTATIONS,
  askedWay,
  BODY_POSITIONS,
  CAST_IDS,
  centimetres,
  CONDITION_IDS,
  FACTOR_NAMES,
  HABITUS,
  isMotion,
  isWayText,
  IMMOBILIZED_REGIONS,
  MEASURED_RANGES,
  SUSPECTED,
  WORN,
  type JointLimits,
  type MeasuredPart,
  houseRulesSchema,
  type HouseRules,
  type Overrides,
  type PatientInput,
  type SetupRequest,
  type Situation,
} from '@taktik/core';

export type Address = Record<string, string>;
/** Raw parameters of the router: a repeated one comes as a list. */
export type Params = Record<string, string | string[] | undefined>;

/** The request without room and rules, which the app looks up. */
export type Asked = Pick<SetupRequest, 'projectionId' | 'side' | 'overrides'> & {
  patient: PatientInput;
  situation: Partial<Situation>;
  roomId: string | undefined;
  /** Rules of the house that are another choice here. */
  rules?: Partial<HouseRules>;
  /** Done in another way than the usual one: its short text. */
  way?: string;
  /** Place in the plan, from 0: a view that is planned twice is two places. */
  place?: number;
};

const MAX_PARAMETER = 60;
/** Lists of measures or joints. */
const MAX_LIST = 600;
const MAX_WAY = 120;

const one = (params: Params, key: string, max = MAX_PARAMETER): string | undefined => {
  const value = params[key];
  return (Array.isArray(value) ? value[0] : value)?.slice(0, max);
};
const number = (params: Params, key: string, per = 1): number | undefined => {
  const text = one(params, key);
  if (text === undefined || text === '') return undefined;
  const value = Number(text) * per;
  return Number.isFinite(value) ? value : undefined;
};
const among = <T extends string>(value: string | undefined, list: readonly T[]): T | undefined =>
  list.find((each) => each === value);
const compact = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, each]) => each !== undefined)) as T;

/** What an address asks of a set-up besides patient and room: digit, the way it is done, and what was pulled. */
export function askedOf({
  way,
  overrides,
}: Pick<Asked, 'way' | 'overrides'>): Pick<SetupRequest, 'digit' | 'way' | 'overrides'> {
  const taken = askedWay(way);
  const pulled = { ...taken.overrides, ...overrides };
  return {
    ...(taken.digit === undefined ? {} : { digit: taken.digit }),
    way: taken.way,
    overrides: Object.keys(pulled).length > 0 ? pulled : undefined,
  };
}

/** Situation as short words: "nostand,turn-left". */
const FLAGS: Record<string, Partial<Situation>> = {
  bedside: { place: 'bedside' },
  nostand: { canStand: false },
  stands: { canStand: true },
  nosit: { canSit: false },
  sits: { canSit: true },
  'turn-left': { canTurn: 'left' },
  'turn-right': { canTurn: 'right' },
  'turn-none': { canTurn: 'none' },
  spine: { spineNotCleared: true },
  fracture: { fractureSuspected: true },
  chair: { place: 'chair' },
  bay: { place: 'resuscitation bay' },
  incubator: { place: 'incubator' },
  noflat: { canLieFlat: false },
  noprone: { canProne: false },
  nokneel: { canKneel: false },
  'raise-left': { canRaiseArm: 'left' },
  'raise-right': { canRaiseArm: 'right' },
  'raise-none': { canRaiseArm: 'none' },
  nobreath: { holdsBreath: false },
  breath: { holdsBreath: true },
  restless: { holdsStill: false },
  still: { holdsStill: true },
  'hold-someone': { holder: 'someone' },
  'hold-pregnant': { holder: 'may be pregnant' },
  'susside-left': { suspectedSide: 'left' },
  'susside-right': { suspectedSide: 'right' },
  'preg-no': { pregnancy: 'no' },
  'preg-possible': { pregnancy: 'possible' },
};

/** Parts of "name:value,name:value" whose names are known and whose values are numbers. */
function listed(params: Params, key: string): [string, number[]][] {
  return (one(params, key, MAX_LIST) ?? '').split(',').flatMap((part): [string, number[]][] => {
    const [name, text] = part.split(':');
    const values = (text ?? '').split('~').map((each) => (each === '' ? NaN : Number(each)));
    return values.every(Number.isFinite) ? [[name, values]] : [];
  });
}

/** Measures as "chestAPMm:260,hipBreadthMm:410". */
function measuredFrom(params: Params): PatientInput['measured'] {
  const found = listed(params, 'm').filter(([name, values]) => name in MEASURED_RANGES && values.length === 1);
  if (found.length === 0) return undefined;
  return Object.fromEntries(found.map(([name, [mm]]) => [name as MeasuredPart, mm]));
}

/** Limits of joints as "kneeFlexion_L:0~40". */
function jointsFrom(params: Params): JointLimits | undefined {
  const found = listed(params, 'j').filter(([name, values]) => isMotion(name) && values.length === 2);
  if (found.length === 0) return undefined;
  return Object.fromEntries(found.map(([name, [low, high]]) => [name, [low, high]])) as JointLimits;
}

/** Factors set by hand as "thickness:1.5,grid:4". */
function factorsFrom(params: Params): Overrides['factors'] {
  const found = listed(params, 'fac').filter(
    ([name, values]) => (FACTOR_NAMES as readonly string[]).includes(name) && values.length === 1,
  );
  return found.length === 0 ? undefined : Object.fromEntries(found.map(([name, [factor]]) => [name, factor]));
}

/** Rules of the house as "rule:choice,…"; what is no rule, or no choice of it, is left out. */
function rulesFrom(params: Params): Partial<HouseRules> | undefined {
  const found = (one(params, 'rules', MAX_LIST) ?? '').split(',').flatMap((part) => {
    const [rule = '', choice] = part.split(':');
    const known = houseRulesSchema.safeParse({ [rule]: choice });
    return choice !== undefined && known.success ? [[rule, choice]] : [];
  });
  return found.length > 0 ? (Object.fromEntries(found) as Partial<HouseRules>) : undefined;
}

/** Lists of a situation as flags: "keep-left_arm". */
const LISTS = [
  { key: 'keepStill', flag: 'keep-', values: IMMOBILIZED_REGIONS },
  { key: 'suspected', flag: 'sus-', values: SUSPECTED },
  { key: 'worn', flag: 'worn-', values: WORN },
] as const;
const flagWord = (value: string): string => value.replace(/ /g, '_');
/** One of a list as a flag: "cast-wet_plaster". */
const ONE_OF = [
  { key: 'cast', flag: 'cast-', values: CAST_IDS },
  { key: 'condition', flag: 'cond-', values: CONDITION_IDS },
] as const;
const REST = /^rest(\d{1,2})$/;

/** Amputations as "left_leg_below_the_knee,…". */
function amputatedFrom(params: Params): PatientInput['amputated'] {
  const flags = (one(params, 'amp', MAX_LIST) ?? '').split(',');
  const found = AMPUTATIONS.filter((each) => flags.includes(flagWord(each)));
  return found.length > 0 ? found : undefined;
}

function situationFrom(text: string): Partial<Situation> {
  const situation: Partial<Situation> = {};
  for (const flag of text.split(',')) {
    Object.assign(situation, FLAGS[flag]);
    const rest = REST.exec(flag);
    if (rest) situation.proppedDeg = Number(rest[1]);
    for (const { key, flag: start, values } of ONE_OF) {
      const value = (values as readonly string[]).find((each) => flag === start + flagWord(each));
      if (value) Object.assign(situation, { [key]: value });
    }
    for (const { key, flag: start, values } of LISTS) {
      const value = (values as readonly string[]).find((each) => flag === start + flagWord(each));
      if (value) Object.assign(situation, { [key]: [...(situation[key] ?? []), value] });
    }
  }
  return situation;
}

const flagsOf = (situation: Partial<Situation>): string =>
  Object.entries(FLAGS)
    .filter(([, part]) => Object.entries(part).every(([key, value]) => situation[key as keyof Situation] === value))
    .map(([flag]) => flag)
    .concat(situation.proppedDeg ? [`rest${Math.round(situation.proppedDeg)}`] : [])
    .concat(
      ONE_OF.flatMap(({ key, flag }) =>
        situation[key] && situation[key] !== 'none' ? [flag + flagWord(situation[key])] : [],
      ),
    )
    .concat(LISTS.flatMap(({ key, flag }) => (situation[key] ?? []).map((value) => flag + flagWord(value))))
    .join(',');

/** A record as "name:value,name:value"; nothing when it is empty. */
function pairs<T>(record: Partial<Record<string, T>> | undefined, print: (value: T) => string): string | undefined {
  const entries = Object.entries(record ?? {}).filter((entry): entry is [string, T] => entry[1] !== undefined);
  return entries.length > 0 ? entries.map(([name, value]) => `${name}:${print(value)}`).join(',') : undefined;
}

export function toAddress({
  projectionId,
  side,
  patient,
  situation,
  roomId,
  overrides = {},
  rules,
  way,
  place,
}: Asked): Address {
  const round = (value: number | undefined, per = 1) =>
    value === undefined ? undefined : String(Math.round((value / per) * 100) / 100);
  const [fieldWidth, fieldHeight] = overrides.fieldMm ?? [];
  return compact({
    p: projectionId,
    side,
    age: round(patient.ageYears),
    sex: patient.sex,
    h: round(patient.statureMm, centimetres(1)),
    w: round(patient.massKg),
    build: patient.habitus,
    thick: round(patient.partThicknessMm, centimetres(1)),
    m: pairs(patient.measured, String),
    amp: patient.amputated?.map(flagWord).join(',') || undefined,
    s: flagsOf(situation) || undefined,
    j: pairs(situation.joints, ([low, high]) => `${low}~${high}`),
    room: roomId,
    rules: pairs(rules, String),
    sid: round(overrides.sidMm),
    angle: round(overrides.angleDeg),
    plate: overrides.receptorId,
    turned: overrides.orientation,
    grid: overrides.grid === undefined ? undefined : overrides.grid ? '1' : '0',
    kvp: round(overrides.kVp),
    mas: round(overrides.mAs),
    ma: round(overrides.mA),
    focus: overrides.focalSpot,
    cells: overrides.aecCells,
    dens: round(overrides.aecDensity),
    fac: pairs(overrides.factors, String),
    glev: round(overrides.gridLevelDeg),
    gcen: round(overrides.gridCentreMm),
    fw: round(fieldWidth),
    fh: round(fieldHeight),
    unfelt: overrides.notFelt?.join(','),
    aim: overrides.aimMm && overrides.aimMm.map((mm) => Math.round(mm)).join('~'),
    pos: overrides.position,
    way,
    n: place === undefined ? undefined : String(place + 1),
  }) as Address;
}

export function fromAddress(params: Params): Asked {
  const fieldWidth = number(params, 'fw');
  const fieldHeight = number(params, 'fh');
  const grid = one(params, 'grid');
  const [alongMm = NaN, acrossMm = NaN] = (one(params, 'aim') ?? '')
    .split('~')
    .map((each) => (each === '' ? NaN : Number(each)));
  const overrides: Overrides = compact({
    sidMm: number(params, 'sid'),
    angleDeg: number(params, 'angle'),
    receptorId: one(params, 'plate'),
    orientation: among(one(params, 'turned'), ['lengthwise', 'crosswise']),
    grid: grid === undefined ? undefined : grid === '1',
    kVp: number(params, 'kvp'),
    mAs: number(params, 'mas'),
    mA: number(params, 'ma'),
    focalSpot: among(one(params, 'focus'), ['small', 'large']),
    aecCells: among(one(params, 'cells'), AEC_CHOICES),
    aecDensity: number(params, 'dens'),
    factors: factorsFrom(params),
    gridLevelDeg: number(params, 'glev'),
    gridCentreMm: number(params, 'gcen'),
    fieldMm:
      fieldWidth !== undefined && fieldHeight !== undefined
        ? ([fieldWidth, fieldHeight] as [number, number])
        : undefined,
    aimMm: Number.isFinite(alongMm + acrossMm) ? ([alongMm, acrossMm] as [number, number]) : undefined,
    position: among(one(params, 'pos'), BODY_POSITIONS),
    notFelt: one(params, 'unfelt', MAX_LIST)
      ?.split(',')
      .filter((id) => id !== ''),
  });
  const situation = situationFrom(one(params, 's', MAX_LIST) ?? '');
  const way = one(params, 'way', MAX_WAY);
  const place = number(params, 'n');
  const rules = rulesFrom(params);
  return {
    projectionId: one(params, 'p') ?? '',
    side: among(one(params, 'side'), ['left', 'right']),
    patient: compact({
      ageYears: number(params, 'age'),
      sex: among(one(params, 'sex'), ['female', 'male']),
      statureMm: number(params, 'h', centimetres(1)),
      massKg: number(params, 'w'),
      habitus: among(one(params, 'build'), HABITUS),
      partThicknessMm: number(params, 'thick', centimetres(1)),
      measured: measuredFrom(params),
      amputated: amputatedFrom(params),
    }),
    situation: compact({ ...situation, joints: jointsFrom(params) }),
    roomId: one(params, 'room'),
    overrides: Object.keys(overrides).length > 0 ? overrides : undefined,
    ...(rules && { rules }),
    ...(way !== undefined && isWayText(way) ? { way } : {}),
    ...(place !== undefined && Number.isInteger(place) && place > 0 ? { place: place - 1 } : {}),
  };
}
