/** Why something of a patient stays, or cannot be done with them. */

type Side = { side: 'left' | 'right' };
/** `turns`: what is barred is that the view turns the patient. */
type Turns = { turns?: boolean };
const turning = (why: string, { turns }: Turns): string => (turns ? `${why}, and the view rolls the patient` : why);

export const REASON_WORDS = {
  board: (values: Turns) => turning('the patient stays on the board', values),
  traction: (values: Turns) => turning('the traction must not be moved', values),
  'spine-not-cleared': (values: Turns) => turning('the spine is not cleared', values),
  'hip-stays': (values: Turns) => turning('hip and pelvis must not be moved', values),
  'a-leg-stays': (values: Turns) => turning('a leg must not be moved', values),
  'neck-stays': (values: Turns) => turning('the neck must not be moved', values),
  'neck-stays-in-turning': () => 'the neck must not be moved, and rolling over moves it',
  'leg-stays': ({ side }: Side) => `the ${side} leg must not be moved`,
  'arm-stays': ({ side }: Side) => `the ${side} arm must not be moved`,
  'arm-not-lain-on': ({ side }: Side) => `the ${side} arm must not be moved, and is not lain on`,
  'arm-not-raised': ({ side }: Side) => `the ${side} arm cannot be raised`,
  'splinted-limb': () => 'a splinted limb is not moved',
  'limb-in-fixator': () => 'a limb in an external fixator is not flexed or rotated',
  'broken-limb': () => 'a limb with a suspected fracture is not flexed or rotated',
  'neither-stands-nor-sits': () => 'the patient can neither stand nor sit',
  'cannot-stand': () => 'the patient cannot stand',
  'cannot-sit': () => 'the patient cannot sit',
  'too-young-to-sit': () => 'an infant without head control is not sat up',
  'cannot-kneel': () => 'the patient cannot kneel',
  'knee-too-stiff-to-kneel': () => 'a knee does not flex far enough to kneel',
  'cannot-lie-flat': () => 'the patient cannot lie flat',
  'cannot-turn': () => 'the patient cannot turn',
  'cannot-lie-on-front': () => 'the patient cannot lie prone',
  'stays-in-chair': () => 'the patient stays in the chair',
  'stays-in-incubator': () => 'the infant stays in the incubator, supine or on a side',
  'too-old-for-incubator': () => 'nobody of this age is in an incubator',
  'stays-propped': ({ deg }: { deg: number }) => `the patient stays propped at ${deg}°`,
  'turns-only-to': ({ side }: Side) => `the patient turns only to the ${side} side`,
  'turns-other-way': ({ side, to }: Side & { to: string }) =>
    `the patient turns only to the ${side} side, and the view rolls them to the ${to}`,
  'not-on-what-may-be-broken': () => 'nobody stands or kneels on a suspected fracture',
  'sitting-bends-it': () => 'sitting flexes a leg with a suspected fracture',
  'shoulder-not-lain-on': () => 'a hurt shoulder is not lain on',
  'not-lain-on': () => 'a leg with a suspected fracture is not rolled or lain on',
  // What a view demands of one who must not.
  'neck-not-bent': () => 'the neck is not cleared and must not be flexed or extended',
  'spine-not-bent': () => 'the spine is not cleared and must not be flexed or extended',
  'no-bending-where-broken': () => 'no flexion or extension where a fracture or dislocation is suspected',
  'no-rotation-where-broken': () => 'an arm with a suspected fracture or dislocation is not rotated for a view',
  'no-weights-where-broken': () => 'no weights where a fracture or dislocation is suspected',
  'no-weights-while-spine': () => 'no weights while the spine is not cleared',
  'no-stress-where-broken': () => 'no stress where a fracture or dislocation is suspected',
  'no-stress-while-spine': () => 'no stress while the spine is not cleared',
  'no-weight-on-broken': () => 'no weight-bearing where a fracture or dislocation is suspected',
  'load-is-the-view': () => 'the patient cannot stand, and weight-bearing is what it shows',
  'leg-not-spread': () => 'a leg with a suspected fracture is not rotated or abducted',
  'kept-limb-not-loaded': () => 'a limb that stays as it lies is neither stressed nor loaded',
  'kept-leg-not-spread': () => 'a leg that stays as it lies is not flexed, rotated or abducted',
  /** @param part the limb and where it ends: "left leg below the knee" */
  amputated: ({ part }: { part: string }) => {
    const [side, limb, ...level] = part.split(' ');
    return `the ${side} ${limb} is amputated ${level.join(' ')}`;
  },
  'limb-is-fixed': () => 'the limb is splinted or in traction',
} as const;
export type ReasonCode = keyof typeof REASON_WORDS;
/** Which of the values a reason has follows from its code. */
export type Reason = {
  code: ReasonCode;
  side?: 'left' | 'right';
  to?: string;
  deg?: number;
  turns?: boolean;
  part?: string;
};

export const reasonWords = ({ code, ...values }: Reason): string =>
  (REASON_WORDS[code] as (values: Omit<Reason, 'code'>) => string)(values);

/** Who is asked, where something must not be done. */
export const ASKED_WORDS = {
  physician: 'the physician in charge of the patient',
  'physician-once-neck-cleared': 'the physician in charge of the patient, once the neck is cleared',
  'physician-once-spine-cleared': 'the physician in charge of the patient, once the spine is cleared',
  radiologist: 'the radiologist',
  'radiologist-which-view': 'the radiologist which other view answers the question',
  'physician-or-radiologist':
    'the physician in charge of the patient whether more may be moved, or the radiologist which other view answers the question',
  'lead-or-radiologist':
    'the lead technologist whether another room or tube can do it, or the radiologist which other view answers the question',
} as const;
export type Asked = keyof typeof ASKED_WORDS;
