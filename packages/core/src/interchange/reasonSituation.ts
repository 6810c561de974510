/** What an order says of the patient, and what its reason suspects, is in the situation before anybody is touched. */
import { saidOfPatient } from './saidOfPatient';
import { situationSchema, type Situation, type Suspected } from '../setup/request';

/** "No fracture", "denies injury": said, and not so. */
const DENIED =
  /\b(no|denies|without|negative for|not)\s+(known |recent |any |new |history of |evidence of |signs? of )*[\w-]+( (or|nor|and) [\w-]+)*/g;
/** What a reason says is so: lower case, without what it denies. @example notDenied('Pain, no fracture or dislocation') // 'pain,  ' */
export const notDenied = (reason: string): string => reason.toLowerCase().replace(DENIED, ' ');

/**
 * What was, is known, or is looked at again while it heals, as far as the next break. "78 years old" is an age, and after
 * a fall is what everything is.
 */
const PAST =
  /(?<!\b(y(ea)?rs?|y\/?o|months?|weeks?|days?)[ -])\bold\b[^,;.?]*|\b(known|healed|healing|previous|prior|chronic|follow[ -]?up|f\/u|post[ -]?op\w*|history of|h\/o|reduced|orif)\b[^,;.?]*|\b(s\/p|status post)\b(?! (a )?(fall|mv[ac]|rt[ac]|trauma|injury|assault))[^,;.?]*/g;

const SUSPECTED_BY: readonly (readonly [RegExp, Suspected])[] = [
  [/\bdislocat\w*/, 'dislocation'],
  [/\b(free (air|gas)|perforat\w*|pneumoperitoneum)\b/, 'free gas'],
  [/\b(effusion|fluid levels?|empyema|h(a?)emothorax|hydropneumothorax)\b/, 'fluid level'],
  [/\bforeign body\b|\bfb\b|\bswallowed\b/, 'foreign body'],
  [
    /\b(hip|femoral neck|neck of femur|nof|intertrochanteric)\b.*\b(fractur\w*|fx|#)|\b(fractur\w*|fx|#)\b.*\bhip\b/,
    'hip fracture',
  ],
];
/** Broken, or as good as: what must be spared until it is seen. */
const BROKEN = /\b(fractur\w*|fx|broken|deformity|crush\w*|mv[ac]|rt[ac]|gunshot|gsw)\b|#/;
/** An effusion of a joint is no fluid that settles. */
const OF_JOINT = /\b(knee|elbow|ankle|hip|shoulder|wrist|joint)\b/;

const PART_OF_SITUATION = situationSchema.partial();

/**
 * @param exam what is ordered, @param reason why
 * @example situationOf({ exam: 'Shoulder', reason: 'dislocation?' }) // { suspected: ['dislocation'] }
 */
export function situationOf({ exam, reason }: { exam: string; reason: string }): Partial<Situation> {
  const left = notDenied(reason).replace(PAST, ' ');
  const suspected = SUSPECTED_BY.flatMap(([written, finding]) => {
    if (!written.test(left)) return [];
    return finding === 'fluid level' && OF_JOINT.test(`${exam} ${left}`.toLowerCase()) ? [] : [finding];
  });
  return PART_OF_SITUATION.parse({
    ...saidOfPatient(`${exam}; ${reason}`),
    ...(suspected.length > 0 ? { suspected } : {}),
    ...(BROKEN.test(left) ? { fractureSuspected: true } : {}),
  });
}
