/**
 * What is seen at the table, typed in a few words while hands are busy: measures, landmarks that cannot be felt, an aim of
 * one's own, a joint that does not go so far, what the room reaches, and what the patient can do. Each clause is read by
 * itself; what is not understood is given back and changes nothing.
 */
import { LANDMARK_IDS } from '../body/body';
import { rangeOf, type JointLimits, type Motion, type Movement } from '../body/joints';
import { MEASURED_NAMES, MEASURED_RANGES, type MeasuredPart, type PatientInput } from '../body/patient';
import { spokenLandmark } from '../body/landmarkName';
import { edgeNames, PICTURE_EDGES } from './repeat';
import { movedToSide } from './directions';
import { markIn, planeIn } from './measure';
import { throughPoint } from '../geometry/projection';
import { add, addScaled, dot, scale, subtract, type Vec3 } from '../geometry/vector';
import { notDenied, situationOf } from '../interchange/reasonSituation';
import type { Projection } from '../projections/schema';
import { clamp } from '../quantity/angle';
import { lengthPair, MM_PER_INCH, type LengthUnit } from '../quantity/length';
import { pivotOf } from '../radiograph/positioningError';
import { kneeAngleByPelvis } from '../setup/placing/place';
import { OVERRIDE_RANGES, type Overrides, type Situation } from '../setup/request';
import type { Setup } from '../setup/setup';

export type SeenChange = {
  patient?: Partial<PatientInput>;
  situation?: Partial<Situation>;
  overrides?: Partial<Overrides>;
};
export type SeenClause = {
  words: string;
  /** What it was read as; nothing where it was not understood. */
  says: string;
  change: SeenChange | null;
};
type At = { setup: Setup; entry: Projection; patient: PatientInput; pulled: Overrides; unit: LengthUnit };
type Read = { says: string; change: SeenChange };

const LENGTH = String.raw`(\d+(?:[.,]\d+)?)\s*(¼|½|¾)?\s*(cm|mm|in|inch|inches|"|”)(?![a-z])`;
const GLYPHS: Readonly<Record<string, number>> = { '¼': 0.25, '½': 0.5, '¾': 0.75 };

/** The length in a clause, mm; null where it names none. */
function lengthIn(words: string): number | null {
  const found = new RegExp(LENGTH).exec(words);
  if (!found) return null;
  const value = Number(found[1]!.replace(',', '.')) + (GLYPHS[found[2] ?? ''] ?? 0);
  const unit = found[3]!;
  return value * (unit === 'mm' ? 1 : unit === 'cm' ? 10 : MM_PER_INCH);
}

/** Short names by which hands call landmarks; the spoken names serve as well. */
const SHORT: Readonly<Record<string, string>> = {
  notch: 'jugular_notch',
  'sternal notch': 'jugular_notch',
  c7: 'C7_sp',
  prominens: 'C7_sp',
  xiphoid: 'xiphoid_tip',
  crest: 'iliac_crest_L',
  crests: 'iliac_crest_L',
  symphysis: 'symphysis_sup',
  pubis: 'symphysis_sup',
  navel: 'umbilicus',
  patella: 'patella_apex_L',
  kneecap: 'patella_apex_L',
  trochanter: 'greater_trochanter_lat_L',
  olecranon: 'olecranon_L',
};

/** Of the landmarks of this body the one that is named, on the side of the view; the longest name counts. */
function landmarkIn(words: string, { setup }: At): string | null {
  const names = [
    ...Object.entries(SHORT),
    ...LANDMARK_IDS.map((id): [string, string] => [spokenLandmark(id).replace(/^the /, '').toLowerCase(), id]),
  ];
  const named = names
    .filter(([name]) => new RegExp(`\\b${name.replace(/[^a-z0-9 ]/g, '.')}\\b`).test(words))
    .sort((a, b) => b[0].length - a[0].length)[0];
  if (!named) return null;
  const [, id] = named;
  return setup.side === 'right' ? id.replace(/_L$/, '_R') : id.replace(/_R$/, '_L');
}

const DIRECTIONS: readonly (readonly [RegExp, readonly string[]])[] = [
  [/\b(above|superior|proximal|cephalad|higher)\b/, ['head end', 'proximal end']],
  [/\b(below|inferior|distal|caudad|lower|down from)\b/, ['foot end', 'distal end']],
  [/\bmedial\b/, ['medial side']],
  [/\blateral\b/, ['lateral side']],
  [/\b(anterior|in front)\b/, ['anterior side']],
  [/\b(posterior|behind)\b/, ['posterior side']],
  [/\bto (the|his|her|their) left\b/, ['left side']],
  [/\bto (the|his|her|their) right\b/, ['right side']],
];

/** Which edge of the picture lies in the direction that is named; null where it runs into the depth, or none is named. */
function edgeIn(words: string, setup: Setup): { d: Vec3; along: boolean; name: string } | null {
  const wanted = DIRECTIONS.find(([written]) => written.test(words))?.[1];
  if (!wanted) return null;
  const names = edgeNames(setup);
  const edge = PICTURE_EDGES.find((each) => wanted.includes(names[each]));
  if (!edge) return null;
  const { u, v } = setup.scene.receptor;
  const axis = edge === 'up' || edge === 'down' ? v : u;
  return { d: scale(axis, edge === 'up' || edge === 'right' ? 1 : -1), along: axis === v, name: names[edge] };
}

/** An aim so that the CR enters level with a point along one axis, the other as it was. */
function aimTo({ setup, pulled, unit }: At, p: Vec3, along: boolean): Read | null {
  const { u, v } = setup.scene.receptor;
  const off = dot(subtract(p, setup.scene.entry), along ? v : u);
  const [a, c] = pulled.aimMm ?? [0, 0];
  const [low, high] = OVERRIDE_RANGES.aimMm;
  const moved = Math.round(along ? a + off : c + off);
  if (moved < low || moved > high) return null;
  const names = edgeNames(setup);
  const toward = along ? (off > 0 ? names.up : names.down) : off > 0 ? names.right : names.left;
  return {
    says: `your own centring, ${lengthPair(Math.abs(off), unit)} ${movedToSide(toward)}`,
    change: { overrides: { aimMm: along ? [moved, c] : [a, moved] } },
  };
}

/** "7 in below the notch", "mid-shaft": an aim of one's own. */
function readAim(words: string, at: At): Read | null {
  const { setup } = at;
  if (/\b(mid[ -]?shaft|middle of the (shaft|bone|limb))\b/.test(words)) return aimTo(at, pivotOf(setup), true);
  const mm = lengthIn(words);
  const edge = edgeIn(words, setup);
  const id = landmarkIn(words, at);
  if (mm === null || !edge || !id) return null;
  return aimTo(at, add(markIn(setup, nameLeft(id)), scale(edge.d, mm)), edge.along);
}
/** `markIn` takes names as the entries have them: of the left. */
const nameLeft = (id: string): string => id.replace(/_R$/, '_L');

function readNotFelt(words: string, at: At): Read | null {
  if (!/\b(not|cannot|can['’]?t|can not|hardly)\b[\w ]*\b(felt|feel|find|found|palpat\w*)\b/.test(words)) return null;
  const id = landmarkIn(words, at);
  if (!id) return null;
  const both = [nameLeft(id), id.replace(/_L$/, '_R')];
  const notFelt = [...new Set([...(at.pulled.notFelt ?? []), ...both])].slice(0, 12);
  return {
    says: `${spokenLandmark(id)} not felt: the centring is told from another`,
    change: { overrides: { notFelt } },
  };
}

function readReach(words: string, { unit }: At): Read | null {
  if (!/\b(sid|tube|reach(es|able)?|focus)\b/.test(words)) return null;
  const mm = lengthIn(words);
  const [low, high] = OVERRIDE_RANGES.sidMm;
  if (mm === null || mm < low || mm > high) return null;
  return { says: `SID ${lengthPair(mm, unit)}`, change: { overrides: { sidMm: Math.round(mm) } } };
}

const PARTS: readonly (readonly [RegExp, MeasuredPart])[] = [
  [/\bchest\b.*\b(wide|breadth|side to side|across)\b/, 'chestBreadthMm'],
  [/\bchest\b/, 'chestAPMm'],
  [/\b(belly|abdomen)\b/, 'abdomenAPMm'],
  [/\bhips?\b/, 'hipBreadthMm'],
  [/\bknees?\b/, 'kneeBreadthMm'],
  [/\bhand\b/, 'handMm'],
  [/\bfoot\b/, 'footMm'],
  [/\bhead\b.*\b(wide|breadth|across)\b/, 'headBreadthMm'],
  [/\bhead\b/, 'headLengthMm'],
];

/** A part measured with caliper or tape; the pelvis for the angle of a knee; the part itself where none is named. */
function readMeasure(words: string, { entry, patient, unit }: At): Read | null {
  const mm = lengthIn(words);
  if (mm === null || /\b(above|below|cut|clipped|short|too)\b/.test(words)) return null;
  if (/\b(asis|pelvis)\b/.test(words)) {
    if (!entry.ray.angleBy) return null;
    const angleDeg = kneeAngleByPelvis(mm);
    const toward = angleDeg === 0 ? '0°' : `${Math.abs(angleDeg)}° ${angleDeg > 0 ? 'cephalad' : 'caudad'}`;
    return { says: `ASIS to table ${lengthPair(mm, unit)}: tube angle ${toward}`, change: { overrides: { angleDeg } } };
  }
  const part = PARTS.find(([written]) => written.test(words))?.[1];
  if (part) {
    const [low, high] = MEASURED_RANGES[part];
    if (mm < low || mm > high) return null;
    const measured = { ...patient.measured, [part]: Math.round(mm) };
    return { says: `${MEASURED_NAMES[part]} ${lengthPair(mm, unit)}`, change: { patient: { measured } } };
  }
  if (!/\b(thick|measures|caliper|here|part)\b/.test(words) && words.replace(new RegExp(LENGTH), '').trim() !== '')
    return null;
  if (mm < 10 || mm > 500) return null;
  return {
    says: `this part measures ${lengthPair(mm, unit)}`,
    change: { patient: { partThicknessMm: Math.round(mm) } },
  };
}

/** Share of the angle that a view leaves room for, where nobody has measured how far the spine sags [typical]. */
const SAG_SHARE = 2 / 3;

/** "The spine sags", "spine sags 6": of who lies on the side the tube is angled to the disc spaces, as far as the view goes. */
function readSag(words: string, { entry, setup }: At): Read | null {
  const { rangeDeg, toward } = entry.ray;
  if (!/\bsag(s|ging)?\b/.test(words) || setup.position.body !== 'lateral-recumbent') return null;
  // "Does not sag" asks for nothing, and a length says how deep, not how far the tube turns.
  if (/\b(not|no|never|without)\b|n['’]t\b/.test(words) || lengthIn(words) !== null) return null;
  if (entry.region !== 'spine') return null;
  const most = Math.max(...rangeDeg);
  const named = /(\d{1,2})\s*(°|deg\w*)?\s*$/.exec(words)?.[1];
  const deg = named === undefined ? Math.round(most * SAG_SHARE) : Number(named);
  if (deg < 1 || deg > most) return null;
  const course = toward === 'feet' ? 'caudad' : 'cephalad';
  return {
    says: `the spine is not level: tube angle ${deg}° ${course}; or pad the waist until it is`,
    change: { overrides: { angleDeg: toward === 'feet' ? -deg : deg } },
  };
}

const HURT = String.raw`\b(injur\w*|pain\w*|tender\w*|hurts?|wound\w*|fractur\w*|fx|swelling|swollen|deformity|break|broken)\b`;
const NEAR = new RegExp(
  String.raw`${HURT}.*\b(near|at|by|around|close to|above|below|next to)\b|${HURT}.*\b(end|third)\b|\b(distal|proximal)\b.*${HURT}`,
);
/** Joints by the names that hands use, with what the picture calls what must be shown of them. */
const JOINTS: readonly (readonly [written: RegExp, shown: RegExp])[] = [
  [/\bankle\b/, /^ankle joint$/],
  [/\bknee\b/, /^knee joint$/],
  [/\bwrist\b/, /^wrist joint$/],
  [/\belbow\b/, /^elbow joint$/],
  [/\bhip\b/, /^hip joint$/],
  [/\bshoulder\b/, /^humeral head$/],
];
/** So far inside the light a joint beside an injury stands at least [typical: an inch]. */
const INSIDE_MM = MM_PER_INCH;

/** "Injury near the ankle": of a long bone the joint nearest the injury is shown, whatever else is. */
function readInjury(words: string, at: At): Read | null {
  const { setup, unit } = at;
  // "No pain near the ankle" asks for nothing.
  if (!NEAR.test(notDenied(words))) return null;
  const shown = JOINTS.find(([written]) => written.test(words))?.[1];
  const joint = setup.scene.mustShow.find(({ name, axis }) => axis !== 'across' && shown?.test(name));
  // A joint of its own is in the middle of its picture; this is about bones with one at each end.
  if (!joint || setup.scene.mustShow.filter(({ axis }) => axis !== 'across').length < 2) return null;
  const found = situationOf({ exam: '', reason: words });
  const situation = found.fractureSuspected ? { situation: { fractureSuspected: true } } : {};
  const hurt = found.fractureSuspected ? '; a fracture is suspected: the part stays as it lies' : '';
  const named = joint.name === 'humeral head' ? 'the shoulder' : `the ${joint.name}`;
  const { atReceptorMm } = setup.field;
  if (setup.receptor.exposures > 1)
    return { says: `${named} is shown: the part takes more than one exposure${hurt}`, change: situation };
  const { v, magnification } = throughPoint(setup.scene.focal, planeIn(setup), joint.p);
  const insideMm = (atReceptorMm.height / 2 - Math.abs(v)) / magnification;
  if (insideMm >= INSIDE_MM)
    return {
      says: `${named} is ${lengthPair(insideMm, unit)} inside the light as it is${hurt}`,
      change: situation,
    };
  const moved = aimTo(
    at,
    addScaled(setup.scene.entry, setup.scene.receptor.v, Math.sign(v) * (INSIDE_MM - insideMm)),
    true,
  );
  return (
    moved && { says: `${named} well inside the light: ${moved.says}${hurt}`, change: { ...moved.change, ...situation } }
  );
}

/** "This shoulder stays high": between the shoulders the tube is angled as far as the view goes. */
function readHighShoulder(words: string, { entry, setup }: At): Read | null {
  const high =
    /\b(stays?|remains?|sits?|is|too)\b.*\b(high|up|raised)\b|\b(won['’]?t|will not|does not|doesn['’]?t|cannot|can['’]?t) (come|go|be put|be brought|drop|be lowered) ?(down)?\b/;
  // "Is not high" asks for nothing; "does not come down" does.
  const notHigh = /(\b(not|no|never|no longer)\b|n['’]t\b).*\b(high|up|raised)\b/;
  if (!/\bshoulders?\b/.test(words) || !high.test(words) || notHigh.test(words) || entry.region !== 'spine')
    return null;
  const { rangeDeg, toward } = entry.ray;
  const most = Math.max(...rangeDeg);
  const betweenShoulders =
    setup.scene.mustShow.some(({ name }) => /^T\d/.test(name)) &&
    setup.scene.mustShow.some(({ name }) => /^C\d/.test(name));
  if (!betweenShoulders || toward !== 'feet' || most <= 0) return null;
  return {
    says: `the shoulders do not part: tube angle ${most}° caudad, and a weight in the hand of the far arm`,
    change: { overrides: { angleDeg: -most } },
  };
}

const BENDS: readonly (readonly [RegExp, Movement])[] = [
  [/\bknee\b/, 'kneeFlexion'],
  [/\belbow\b/, 'elbowFlexion'],
  [/\bhip\b/, 'hipFlexion'],
  [/\bwrist\b/, 'wristFlexion'],
];
/** A joint that "does not straighten" and nobody has measured. */
const STIFF_DEG = 30;

/** "Knee bends only to 40", "cannot straighten the elbow beyond 30". */
function readJoint(words: string, { setup }: At): Read | null {
  const bend = BENDS.find(([written]) => written.test(words))?.[1];
  const degrees = /(\d{1,3})\s*(°|deg\w*)?\s*$/.exec(words)?.[1];
  const straightens = /\b(straighten|extend)\w*\b/.test(words);
  const bends = /\b(bend|flex)\w*\b/.test(words);
  const limited = /\b(only|cannot|can['’]?t|can not|not|stops|up to|no further)\b/.test(words);
  if (!bend || !limited || straightens === bends) return null;
  const side = /\bright\b/.test(words) ? 'R' : /\bleft\b/.test(words) ? 'L' : setup.side === 'right' ? 'R' : 'L';
  const motion: Motion = `${bend}_${side}`;
  const [least, most] = rangeOf(motion);
  const at = clamp(degrees === undefined ? STIFF_DEG : Number(degrees), least, most);
  const joints: JointLimits = { [motion]: straightens ? [at, most] : [least, at] };
  const joint = bend.replace('Flexion', '');
  return {
    says: `${side === 'R' ? 'right' : 'left'} ${joint} ${straightens ? `does not straighten beyond ${at}°` : `bends to ${at}° only`}`,
    change: { situation: { joints: { ...setup.situation.joints, ...joints } } },
  };
}

const SAID: Readonly<Partial<Record<keyof Situation, (value: never) => string>>> = {
  fractureSuspected: (value: boolean) =>
    value ? 'a fracture is suspected: the part stays as it lies' : 'no fracture suspected',
  canStand: (value: boolean) => (value ? 'stands' : 'cannot stand'),
  canSit: (value: boolean) => (value ? 'sits' : 'cannot sit'),
  canLieFlat: (value: boolean) => (value ? 'lies flat' : 'cannot lie flat'),
  canProne: (value: boolean) => (value ? 'lies prone' : 'cannot lie prone'),
  canKneel: (value: boolean) => (value ? 'kneels' : 'cannot kneel'),
  holdsBreath: (value: boolean) => (value ? 'holds the breath' : 'cannot hold the breath'),
  holdsStill: (value: boolean) => (value ? 'keeps still' : 'cannot keep still'),
  spineNotCleared: () => 'spine not cleared',
  worn: (value: readonly string[]) => `with ${value.join(', ')}`,
  suspected: (value: readonly string[]) => `${value.join(', ')} suspected`,
  place: (value: string) => `in the ${value}`,
  pregnancy: (value: string) => `pregnancy: ${value}`,
};

/** What the patient can do, and what is on them, by the words that orders use. */
function readSituation(words: string, { setup }: At): Read | null {
  const found = situationOf({ exam: '', reason: words });
  const says = (Object.entries(found) as [keyof Situation, never][]).flatMap(
    ([key, value]) => SAID[key]?.(value) ?? [],
  );
  if (says.length === 0) return null;
  const worn = found.worn && { worn: [...new Set([...setup.situation.worn, ...found.worn])] };
  return { says: says.join(', '), change: { situation: { ...found, ...worn } } };
}

const READERS = [
  ...[readNotFelt, readReach, readAim, readJoint, readSag, readHighShoulder],
  ...[readInjury, readMeasure, readSituation],
] as const;

const merged = (one: SeenChange, { patient, situation, overrides }: SeenChange): SeenChange => ({
  patient: { ...one.patient, ...patient },
  situation: { ...one.situation, ...situation },
  overrides: { ...one.overrides, ...overrides },
});

/**
 * @param text clauses, parted by commas, semicolons, full stops or lines
 * @param setup as it stands, of which directions and landmarks are
 * @returns each clause with what it was read as, and all that changes together
 * @example readSeen('7 in below the notch, SID 40 in', at).clauses.map(({ says }) => says)
 */
export function readSeen(text: string, at: At): { clauses: SeenClause[]; change: SeenChange } {
  const parts = text
    .toLowerCase()
    .split(/[;\n]|,(?!\d)|\.(?!\d)/)
    .map((part) => part.trim())
    .filter((part) => part !== '');
  let change: SeenChange = {};
  const clauses = parts.map((words): SeenClause => {
    for (const reader of READERS) {
      const read = reader(words, at);
      if (!read) continue;
      change = merged(change, read.change);
      return { words, ...read };
    }
    return { words, says: '', change: null };
  });
  return { clauses, change };
}
