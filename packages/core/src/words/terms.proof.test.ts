/**
 * What is shown speaks the words of the trade: every sentence of every entry, both sides, in four situations and for
 * three patients; other ways, changes, rules and exercises besides.
 */
import { exposureFaults } from '../critique/exposureFaults';
import { PICTURE_EDGES, repeatFor, type Seen } from '../critique/repeat';
import { takenCriteria } from '../critique/taken';
import { findOtherWays } from '../adapt/findOtherWays';
import { situationPresets } from '../adapt/presets';
import { READER_LABELS, readerNote } from '../exam/readerNote';
import { scenarios } from '../exercise/scenarios';
import { posedLandmark } from '../body/posed';
import { posedIn } from '../body/posedIn';
import { markOf } from '../body/body';
import { applyToDirection } from '../geometry/frame';
import { dot, negate, subtract, type Vec3 } from '../geometry/vector';
import { projections } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { demoRooms } from '../room/demoRooms';
import { defaultRules, RULES } from '../room/houseRules';
import { constraintsOf } from '../series/constraints';
import { planSeries } from '../series/planSeries';
import { computeSetup } from '../setup/computeSetup';
import { situationFor } from '../setup/request';
import type { Setup } from '../setup/setup';
import { glossary, findTerms, termsIn } from './glossary';

const [ROOM_1, ROOM_2] = demoRooms;
const MOBILE = demoRooms.find(({ kind }) => kind === 'mobile')!;
const SITUATIONS = [
  { situation: {}, room: ROOM_1 },
  { situation: { fractureSuspected: true, canStand: false }, room: ROOM_2 },
  { situation: { spineNotCleared: true, canStand: false, canSit: false, canTurn: 'none' as const }, room: ROOM_1 },
  { situation: { place: 'bedside' as const, canStand: false }, room: MOBILE },
];
const PATIENTS = [
  { ageYears: 40, sex: 'male' as const, statureMm: 1750, massKg: 78 },
  { ageYears: 6 },
  { ageYears: 60, sex: 'female' as const, statureMm: 1600, massKg: 110 },
];

/** Kept, computed with or sent, but not read by anybody. */
const UNSEEN = new Set(
  'id scene projectionId sources region patient situation room values signs code rule part inPart study landmark'.split(
    ' ',
  ),
);
/** Every string that is shown, with where it stands. */
function shownIn(value: unknown, where: string, into: Map<string, string>): void {
  if (typeof value === 'string') {
    if (value !== '' && !into.has(value)) into.set(value, where);
  } else if (Array.isArray(value)) value.forEach((each) => shownIn(each, where, into));
  else if (value !== null && typeof value === 'object')
    for (const [key, each] of Object.entries(value)) if (!UNSEEN.has(key)) shownIn(each, `${where}.${key}`, into);
}

const ofEntry = ({ checks, faults, instead, name, note, shows, variants, aim, cover }: Projection): unknown => ({
  ...{ checks, name, note, shows },
  taught: [aim.taught, aim.taughtAt?.settled],
  faults: faults.map(({ sign, cause, correction }) => [sign, cause, correction]),
  instead: instead.map(({ loses }) => loses),
  reasons: variants.map(({ reason }) => reason),
  cover: cover.map((each) => each.name),
});

const sidesOf = ({ sided }: Projection) => (sided === 'each' ? (['left', 'right'] as const) : [undefined]);

/** What is said once a picture is there: the note for its reader, and how it would be repeated. */
const saidAfter = (entry: Projection, setup: Setup): unknown => {
  if (!setup.feasible) return [];
  const seen: Seen[] = [
    ...PICTURE_EDGES.map((edge) => ({ what: 'clipped' as const, edge, mm: 20 })),
    { what: 'index', index: setup.exposure.targetIndex / 2 },
    { what: 'moved' },
  ];
  const cures = ['again', 'aim'] as const;
  const timings = { settle: { plannedMinutes: 5, seconds: 130 }, contrast: { plannedMinutes: 15, seconds: 900 } };
  return [
    readerNote(entry, setup, 'in', timings).map(({ text }) => text),
    seen.flatMap((each) =>
      cures.map((cure) => {
        const { cause, text } = repeatFor(entry, setup, {}, each, { unit: 'in', cure });
        return [cause, text];
      }),
    ),
  ];
};

type Case = { setup: Setup; entry: Projection };
const sentences = new Map<string, string>();
const cases: Case[] = [];
beforeAll(() => {
  for (const entry of projections) {
    shownIn(ofEntry(entry), entry.id, sentences);
    for (const side of sidesOf(entry))
      for (const where of SITUATIONS)
        for (const patient of PATIENTS) {
          const setup = computeSetup({ projectionId: entry.id, side, patient, ...where });
          cases.push({ setup, entry });
          shownIn({ faults: exposureFaults(setup, 'in'), criteria: takenCriteria(setup, setup) }, entry.id, sentences);
          shownIn(setup, entry.id, sentences);
          shownIn(saidAfter(entry, setup), `after ${entry.id}`, sentences);
        }
  }
  for (const [i, entry] of projections.entries())
    if (i % 9 === 0)
      for (const where of SITUATIONS.slice(1))
        for (const { says, keeps, tell, costs, name } of findOtherWays({
          projectionId: entry.id,
          side: sidesOf(entry)[0],
          ...where,
        }))
          shownIn({ says, keeps, tell, name, costs: costs.map(({ text }) => text) }, `ways of ${entry.id}`, sentences);
  for (const ids of [
    ['chest-pa', 'chest-lateral'],
    ['colon-ap', 'colon-rpo', 'colon-decubitus', 'colon-pa'],
    ['lumbar-ap', 'lumbar-oblique-posterior', 'lumbar-lateral', 'lumbosacral-lateral'],
    ['knee-ap', 'knee-lateral', 'calcaneus-axial', 'foot-ap', 'hip-ap'],
  ])
    shownIn(
      planSeries({
        items: ids.map((projectionId) => {
          const entry = projections.find(({ id }) => id === projectionId)!;
          return { projectionId, side: sidesOf(entry)[0] };
        }),
      }).steps.map(({ changes }) => changes),
      `changes of ${ids.join(', ')}`,
      sentences,
    );
  // An aim of one's own, and what cannot be felt.
  for (const [i, entry] of projections.entries())
    if (i % 5 === 0) {
      const asked = { projectionId: entry.id, side: sidesOf(entry)[0] };
      const overrides = { aimMm: [10, 0] as [number, number], notFelt: [computeSetup(asked).centre.landmark] };
      shownIn(computeSetup({ ...asked, overrides }), `own aim of ${entry.id}`, sentences);
    }
  shownIn(
    constraintsOf(projections, situationFor(40, { spineNotCleared: true }), defaultRules).map(({ why }) => why),
    'gates',
    sentences,
  );
  shownIn(READER_LABELS, 'labels', sentences);
  shownIn(Object.values(RULES), 'house rules', sentences);
  shownIn(
    scenarios.map(({ about }) => about),
    'exercises',
    sentences,
  );
  shownIn(situationPresets(), 'situations', sentences);
}, 300_000);

const found = (pattern: RegExp): string[] =>
  [...sentences].filter(([text]) => pattern.test(text)).map(([text, where]) => `${where}: ${text}`);

test('there is something to read', () => {
  expect(cases.length).toBeGreaterThan(4000);
  expect(sentences.size).toBeGreaterThan(7000);
});

test('no word that the trade has another for', () => {
  const words = [...new Set(glossary.flatMap((term) => term.not))];
  expect(words.length).toBeGreaterThan(80);
  const said = words.flatMap((word) => {
    const hits = found(new RegExp(`(?<![\\p{L}])${word}(?![\\p{L}])`, 'iu'));
    return hits.length > 0 ? [[word, hits.slice(0, 5)]] : [];
  });
  expect(said).toEqual([]);
  expect(found(/Grid \d+:1 in\b/)).toEqual([]);
});

/** Not abbreviations of the trade: letters of a marker, and what names a size or a person's unit. */
const NO_TERMS = new Set(['II', 'OK']);
test('every abbreviation has a term in the glossary', () => {
  const known = new Set(glossary.flatMap(({ short, forms }) => [short ?? '', ...forms]));
  const unknown = new Map<string, string>();
  for (const [text] of sentences)
    for (const [word] of text.matchAll(/(?<![\p{L}\d])[A-Z]{2,6}s?(?![\p{L}\d])/gu))
      if (!known.has(word) && !known.has(word.replace(/s$/, '')) && !NO_TERMS.has(word)) unknown.set(word, text);
  expect([...unknown]).toEqual([]);
});

const FRACTION: Readonly<Record<string, number>> = { '': 0, '¼': 0.25, '½': 0.5, '¾': 0.75 };
test('inches and their centimetres agree', () => {
  let checked = 0;
  for (const [text] of sentences)
    for (const [, whole, part, cm] of text.matchAll(/(\d*)([¼½¾]?) in \((\d+(?:\.\d)?) cm\)/g)) {
      const inches = Number(whole || 0) + FRACTION[part!]!;
      if (inches === 0) continue;
      checked += 1;
      expect([text, Math.abs(inches * 2.54 - Number(cm)) <= (inches < 1 ? 0.06 : 0.251)]).toEqual([text, true]);
    }
  expect(checked).toBeGreaterThan(1000);
});

test('no hole is left open, and no figure has an exponent', () => {
  expect(found(/\{|\}|undefined|NaN|null|\d[eE][+-]?\d/)).toEqual([]);
  expect(found(/(?<![\d¼½¾])0 in\b/)).toEqual([]);
});

/** A direction of a part, written down here anew: x to the patient's left, y to the back, z to the head. */
function directionOf(word: string, segment: string, side: 'L' | 'R' | null): Vec3 {
  const foot = /^(foot|talus|toes)_/.test(segment);
  const along: Vec3 = foot ? [0, 1, 0] : [0, 0, 1];
  const outward = side === 'R' ? -1 : 1;
  const directions: Record<string, Vec3> = {
    ...{ superior: [0, 0, 1], inferior: [0, 0, -1], anterior: [0, -1, 0], posterior: [0, 1, 0] },
    ...{ proximal: along, distal: negate(along), palmar: [0, -1, 0], plantar: [0, 0, -1] },
    dorsal: foot ? [0, 0, 1] : [0, 1, 0],
    ...{ lateral: [outward, 0, 0], medial: [-outward, 0, 0], left: [1, 0, 0], right: [-1, 0, 0] },
  };
  return directions[word]!;
}

/** Each length of a line with its direction: "2 in (5 cm) superior and ¾ in (1.9 cm) anterior to the EAM". */
const statedIn = (text: string): { mm: number; word: string }[] =>
  [...text.matchAll(/(\d*)([¼½¾]?) in \([\d.]+ cm\) (?:to the patient’s )?([a-z]+)/g)].map(([, whole, part, word]) => ({
    mm: (Number(whole || 0) + FRACTION[part!]!) * 25.4,
    word: word!,
  }));

test('what is told for touch is within ¼ in of what the scene gives, along the direction that is named', () => {
  const QUARTER_MM = 25.4 / 4;
  const wrong: string[] = [];
  let checked = 0;
  for (const { setup } of cases) {
    const posed = posedIn(setup);
    for (const { landmark, text } of setup.centre.checkBy) {
      const mark = posedLandmark(posed, landmark).p;
      const offset = subtract(setup.centre.entryMm, mark);
      const { segment } = markOf(posed.body, landmark);
      const part = /^(scapula|clavicle)_/.test(segment) || landmark === 'C7_sp' ? 'thorax' : segment;
      const frame = posed.frames[/^greater_trochanter/.test(landmark) ? 'pelvis' : part];
      const own = setup.side === null ? null : setup.side === 'left' ? 'L' : 'R';
      const side = landmark.endsWith('_L') ? 'L' : landmark.endsWith('_R') ? 'R' : own;
      for (const { mm, word } of statedIn(text)) {
        const axis = applyToDirection(frame, directionOf(word, segment, side));
        const measured = dot(offset, axis);
        checked += 1;
        if (Math.abs(measured - mm) > QUARTER_MM + 0.01)
          wrong.push([setup.projectionId, setup.side, text, Math.round(measured)].join());
      }
    }
  }
  expect([...new Set(wrong)]).toEqual([]);
  expect(checked).toBeGreaterThan(2000);
});

test('quiet breathing is asked for only where the exposure lasts so long, and says how long', () => {
  let quiet = 0;
  for (const { setup, entry } of cases) {
    if (entry.breathing.phase !== 'quiet' || !setup.breathing.commanded) continue;
    const { moment, phase } = setup.breathing;
    const { timeMs } = setup.exposure;
    expect([setup.name, timeMs, phase]).toEqual([setup.name, timeMs, timeMs >= 1000 ? 'quiet' : 'suspended']);
    if (phase === 'quiet') expect(moment).toBe(`quiet breathing for ${(timeMs / 1000).toFixed(1)} s`);
    quiet += 1;
  }
  expect(quiet).toBeGreaterThan(30);
});

const OBLIQUE = /\b([LR])(PO|AO)\b/;
const ROTATED = /rotated (\d+)° (?:from the AP )?to the ([LR](?:PO|AO)) position/;
test('the body is rotated by as much as is said', () => {
  let checked = 0;
  for (const { setup } of cases) {
    const said = ROTATED.exec(setup.position.say);
    if (!said) continue;
    const { place, zero } = setup.scene;
    const toward = (column: 0 | 1) =>
      [0, 1, 2].reduce((sum, row) => sum + place[column * 4 + row]! * zero.beam[row]!, 0);
    const deg = (Math.atan2(Math.abs(toward(0)), Math.abs(toward(1))) * 180) / Math.PI;
    expect([setup.name, Math.abs(deg - Number(said[1])) < 2]).toEqual([setup.name, true]);
    expect(setup.name).toContain(`(${said[2]})`);
    checked += 1;
  }
  expect(checked).toBeGreaterThan(300);
});

test('nobody who cannot stand is told to be erect but seated', () => {
  let sits = 0;
  for (const { setup } of cases) {
    const { body, say } = setup.position;
    if (body !== 'upright' || setup.situation.canStand || !setup.feasible) continue;
    expect([setup.name, say]).toEqual([setup.name, expect.stringMatching(/^Seated/)]);
    sits += 1;
  }
  expect(sits).toBeGreaterThan(50);
});

test('the side that is said to be nearest the receptor, or down, is the one that the scene has there', () => {
  let [near, down] = [0, 0];
  for (const { setup } of cases) {
    const { place, beam } = setup.scene;
    const left = applyToDirection(place, [1, 0, 0]);
    const against = /\b(left|right) (?:side(?: of the head)?|shoulder) against/i.exec(setup.position.say);
    const on = /\b(left|right) lateral recumbent/i.exec(setup.position.say);
    if (against) {
      expect([setup.name, setup.position.say, dot(left, beam) > 0]).toEqual([
        setup.name,
        setup.position.say,
        /left/i.test(against[1]!),
      ]);
      near += 1;
    }
    if (on) {
      expect([setup.name, setup.position.say, left[2] < 0]).toEqual([
        setup.name,
        setup.position.say,
        /left/i.test(on[1]!),
      ]);
      down += 1;
    }
    expect(setup.position.say).not.toMatch(/(^|, )(lateral recumbent|side against)/i);
  }
  expect(near).toBeGreaterThan(100);
  expect(down).toBeGreaterThan(100);
});

test('chair and knees are spoken of to who sits at the table with an arm on it, and to nobody else', () => {
  let seated = 0;
  for (const { setup } of cases) {
    const says = setup.steps.some(({ text }) => /^Chair at a height|knees are not under the table/.test(text));
    const sits = setup.position.body === 'seated' && setup.receptor.holder === 'table-top';
    if (says) expect([setup.name, sits]).toEqual([setup.name, true]);
    seated += says ? 1 : 0;
  }
  expect(seated).toBeGreaterThan(100);
});

test('an oblique position is called by what lies nearest the receptor', () => {
  let checked = 0;
  for (const { setup } of cases) {
    const named = OBLIQUE.exec(setup.name);
    if (!named || setup.way) continue;
    const { place, zero } = setup.scene;
    const toward = (column: 0 | 1) =>
      [0, 1, 2].reduce((sum, row) => sum + place[column * 4 + row]! * zero.beam[row]!, 0);
    expect([setup.name, toward(0) > 0 ? 'L' : 'R', toward(1) > 0 ? 'PO' : 'AO']).toEqual([
      setup.name,
      named[1],
      named[2],
    ]);
    checked += 1;
  }
  expect(checked).toBeGreaterThan(300);
});

describe('the glossary', () => {
  test('names each thing once, in a plain sentence, with a drawing that exists', () => {
    expect(new Set(glossary.map(({ id }) => id)).size).toBe(glossary.length);
    const forms = glossary.flatMap(({ term, short, forms: other }) => [term, ...(short ? [short] : []), ...other]);
    const twice = forms.filter((form, i) => forms.indexOf(form) !== i);
    expect(twice).toEqual([]);
    for (const { term, says, drawnBy } of glossary) {
      expect([term, /^[A-Z0-9].*[.]$/.test(says), says.length < 140]).toEqual([term, true, true]);
      if (drawnBy) expect([term, projections.some(({ id }) => id === drawnBy)]).toEqual([term, true]);
    }
  });
  test('finds a term by its name, its abbreviation, and the everyday word', () => {
    for (const [query, term] of [
      ['MCP', 'metacarpophalangeal joint'],
      ['knuckle', 'metacarpophalangeal joint'],
      ['collar bone', 'clavicle'],
      ['lpo', 'left posterior oblique'],
      ['turned in', 'medial rotation'],
      ['on the back', 'supine'],
    ] as const)
      expect(findTerms(query)[0]?.term).toBe(term);
    expect(findTerms('no such word at all')).toEqual([]);
    expect(findTerms('')).toHaveLength(glossary.length);
  });
  test('tells the terms in a sentence, the longest at each place', () => {
    const said = (text: string) => termsIn(text).map(({ start, end }) => text.slice(start, end));
    expect(said('CR enters ½ in distal to the apex of the patella')).toEqual(['CR', 'distal', 'apex of the patella']);
    expect(said('Supine, rotated 45° to the LPO position')).toEqual(['Supine', 'rotated', 'LPO']);
    expect(said('Hold it still, put a pad under the arm')).toEqual([]);
  });
});

test('no position asks of a limb what the caution of the same set-up forbids', () => {
  const FORBIDS = /A limb with a suspected fracture is not rotated, flexed or pulled straight/;
  // Of the body or the head, of the other leg, or said not to be.
  const ASKS =
    /\b(dorsiflexed|flexed|supinated|pronated|abducted|medially rotated|laterally rotated|pulled straight)\b/;
  let checked = 0;
  for (const { setup } of cases) {
    if (!setup.feasible || !setup.cautions.some(({ text }) => FORBIDS.test(text))) continue;
    checked += 1;
    const asks = setup.steps
      .filter(({ group, text }) => group === 'position' && ASKS.test(text))
      .map(({ text }) => text);
    expect([setup.name, setup.situation.fractureSuspected ? asks : []]).toEqual([setup.name, []]);
  }
  expect(checked).toBeGreaterThan(50);
});
