/** What the words of an order say of the patient as they come: where, what they can do, what is on them. */
import type { Situation } from '../setup/request';

type Said = readonly [written: RegExp, situation: Partial<Situation>];

const CANNOT = String.raw`\b(can ?not|can['’]t|unable to|not able to|does not|doesn['’]t|must not|may not)`;

/** Each for itself; lists of what is worn are put together. */
const SAID: readonly Said[] = [
  [
    /\b(portable|bedside|at bed ?side|mobile (x-?ray|xr|chest|cxr|unit|film|exam)|icu|itu|ccu|nicu|picu)\b/g,
    { place: 'bedside' },
  ],
  [/^\s*port\b|\bport(?= (chest|cxr|abd|kub|xr|x-?ray)\b)/g, { place: 'bedside' }],
  [/\b(resus|resuscitation (bay|room)|trauma (bay|room)|shock room)\b/g, { place: 'resuscitation bay' }],
  [/\bwheel ?chair\b|\bw\/c\b/g, { place: 'chair', canStand: false }],
  [new RegExp(`${CANNOT} (bear( any)? weight|weight[ -]?bear|stand|walk|ambulate)`, 'g'), { canStand: false }],
  [
    /\bnon[ -]?weight[ -]?bearing\b|\bnwb\b|\bnon[ -]?ambulatory\b|\b(para|tetra|quadri)plegi[ac]\b/g,
    { canStand: false },
  ],
  [/\bbed[ -]?(bound|ridden)\b/g, { canStand: false, canSit: false }],
  [
    /\b(intubated|ventilated|on (a |the )?vent(ilator)?|unresponsive|unconscious|comatose|sedated)\b/g,
    { canStand: false, canSit: false, holdsBreath: false },
  ],
  [new RegExp(`${CANNOT} (lie|lay) (down )?flat|\\borthopno?ea\\b`, 'g'), { canLieFlat: false }],
  [new RegExp(`${CANNOT} (lie|lay) (prone|on (the |his |her )?(front|stomach))`, 'g'), { canProne: false }],
  [new RegExp(`${CANNOT} sit\\b`, 'g'), { canSit: false }],
  [new RegExp(`${CANNOT} kneel\\b`, 'g'), { canKneel: false }],
  [
    /\b(c-?|cervical |t-?|l-?)?spin(e|al) (precautions?|immobili[sz]ation)\b|\bspine (is )?(not|un)[ -]?cleared\b|\blog[ -]?roll\b/g,
    { spineNotCleared: true },
  ],
  [/\b(c[ -]?|cervical |hard |rigid )collar\b|\bin (a )?collar\b/g, { spineNotCleared: true, worn: ['collar'] }],
  [/\b(back ?board|spine ?board|long board|on (a )?board)\b/g, { spineNotCleared: true, worn: ['board'] }],
  [/\bhalo\b/g, { worn: ['halo'] }],
  [/\bin (skin |skeletal )?traction\b/g, { worn: ['traction'] }],
  [/\bin (a )?(splint|sling|backslab|back slab)\b/g, { worn: ['splint'] }],
  [/\bex(ternal)?[ -]?fix(at(or|ion))?\b/g, { worn: ['external fixator'] }],
  [/\b(combative|uncooperative|agitated|restless|thrashing)\b/g, { holdsStill: false, holdsBreath: false }],
  [new RegExp(`${CANNOT} (keep|hold|stay) still`, 'g'), { holdsStill: false }],
  [new RegExp(`${CANNOT} hold (his |her |the )?breath`, 'g'), { holdsBreath: false }],
  [/\b(\d+ ?(wks?|weeks?) )?pregnan(t|cy)\b|\bgravid\b/g, { pregnancy: 'possible' }],
];
/** Asked, and told that it is not so. */
const NOT_PREGNANT =
  /\b(not|denies|no|negative)\b[\w ]{0,16}\bpregnan(t|cy)\b|\bpregnancy (test )?(is )?(neg(ative)?|excluded|ruled out)\b|\b(hcg|upt)\b[ :-]*(is )?neg(ative)?\b/;

/** Before a word: it is not so, or not any more. */
const NOT_SO =
  /\b(no|not|never|off|from|without|denies|out of|taken out of|was|were|previously|prior|no longer)\b[\w ]{0,14}$/;
/** Behind it: it was taken away. */
const GONE = /^[ ,:-]*(is |was |has been )?(removed|off|cleared|discontinued|weaned|negative)\b/;

/** Whether a word stands in a text and is not denied there. @param text in small letters @param written with the global flag */
export const stands = (text: string, written: RegExp): boolean =>
  [...text.matchAll(written)].some(
    ({ index, 0: found }) =>
      !NOT_SO.test(text.slice(Math.max(0, index - 40), index)) && !GONE.test(text.slice(index + found.length)),
  );

/**
 * @param words what is ordered and why
 * @example saidOfPatient('Portable chest; intubated') // { place: 'bedside', canStand: false, canSit: false, holdsBreath: false }
 */
export function saidOfPatient(words: string): Partial<Situation> {
  const text = words.toLowerCase();
  const found = SAID.filter(([written]) => stands(text, written)).map(([, situation]) => situation);
  const worn = [...new Set(found.flatMap((each) => each.worn ?? []))];
  return {
    ...(Object.assign({}, ...found) as Partial<Situation>),
    ...(worn.length > 0 ? { worn } : {}),
    ...(NOT_PREGNANT.test(text) ? { pregnancy: 'no' as const } : {}),
  };
}
