/**
 * Random patients in random situations and rooms: whatever is found keeps to rules that are written down here anew, from
 * the finished set-up and the posed body alone, without a look at how the search decides.
 */
import { posedIn } from '../body/posedIn';
import { eachSide, type Motion } from '../body/joints';
import { skinSpans } from '../body/posed';
import { projections } from '../projections/catalogue';
import { demoRooms } from '../room/demoRooms';
import type { Situation } from '../setup/request';
import { situationFor } from '../setup/request';
import type { Setup } from '../setup/setup';
import { waysAnswer } from './waysAnswer';

const SITUATIONS = Number(process.env.TAKTIK_SITUATIONS ?? 2000);
const SEED = Number(process.env.TAKTIK_SEED ?? 20);

/** Numbers of one seed in a row, 0 to 1. */
function numbers(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}
const next = numbers(SEED);
const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)]!;
const sometimes = <T extends Partial<Situation>>(share: number, known: () => T): T | null =>
  next() < share ? known() : null;

const LETTER = { left: 'L', right: 'R' } as const;
const AGES = [0.2, 1, 3, 8, 30, 52, 80];
const INFANT_YEARS = 0.7;

function randomSituation(): Partial<Situation> {
  return {
    ...sometimes(0.15, () => ({ spineNotCleared: true })),
    ...sometimes(0.3, () => ({ fractureSuspected: true })),
    ...sometimes(0.4, () => ({ canStand: false })),
    ...sometimes(0.2, () => ({ canSit: false })),
    ...sometimes(0.25, () => ({ canTurn: pick(['left', 'right', 'none'] as const) })),
    ...sometimes(0.3, () => ({ canProne: false })),
    ...sometimes(0.15, () => ({ canLieFlat: false })),
    ...sometimes(0.15, () => ({ proppedDeg: pick([30, 45, 60]) })),
    ...sometimes(0.2, () => ({ canRaiseArm: pick(['left', 'right', 'none'] as const) })),
    ...sometimes(0.3, () => ({
      keepStill: [pick(['neck', 'hip', 'pelvis', 'left arm', 'right arm', 'left leg', 'right leg'] as const)],
    })),
    ...sometimes(0.3, () => ({
      worn: [pick(['collar', 'halo', 'board', 'splint', 'external fixator', 'traction'] as const)],
    })),
    ...sometimes(0.2, () => ({
      suspected: [pick(['fluid level', 'free gas', 'hip fracture', 'dislocation'] as const)],
    })),
    ...sometimes(0.3, () => ({ place: pick(['room', 'bedside', 'chair', 'resuscitation bay'] as const) })),
  };
}

const TURNED = /^(prone|lateral-recumbent|sims|kneeling|head-down)$/;
const OF_LEG = /^(thigh|patella|shank|talus|foot|toes)_/;
const OF_ARM = /^(upperarm|forearm|radius|hand|finger\d)_/;

/** Hand and toes are laid by the patient, with care. */
const LONG_BONE = /^(upperarm|forearm|radius|thigh|patella|shank|talus)_/;

type Case = { setup: Setup; situation: Situation; known: Partial<Situation>; ageYears: number; first: boolean };
/** Each rule: what is wrong with a way, or null. */
const RULES: Readonly<Record<string, (each: Case) => string | null>> = {
  'can be done': ({ setup }) => (setup.feasible ? null : 'not feasible'),
  'a neck that stays is not turned over': ({ setup, known, situation }) =>
    (known.worn?.includes('collar') ||
      known.worn?.includes('halo') ||
      known.keepStill?.includes('neck') ||
      situation.spineNotCleared) &&
    TURNED.test(setup.position.body)
      ? setup.position.body
      : null,
  'on a board nobody is moved from the back': ({ setup, known }) =>
    known.worn?.includes('board') && setup.position.body !== 'supine' ? setup.position.body : null,
  'traction stays': ({ setup, known }) =>
    known.worn?.includes('traction') && !/^(supine|semi-erect)$/.test(setup.position.body) ? setup.position.body : null,
  'who turns to one side is turned to no other': ({ setup, known, situation }) => {
    if (setup.position.body !== 'lateral-recumbent' || situation.canTurn === 'both') return null;
    const leftDown = leftIsDown(setup);
    return situation.canTurn === (leftDown ? 'left' : 'right')
      ? null
      : `${known.canTurn}: ${leftDown ? 'left' : 'right'} down`;
  },
  'who cannot lie on the front does not': ({ setup, situation }) =>
    setup.position.body === 'prone' && !situation.canProne ? 'prone' : null,
  'a leg that stays is neither bent, rolled nor turned in': ({ setup, known, situation }) => {
    const legs = (['left', 'right'] as const).filter(
      (side) => known.keepStill?.includes(`${side} leg`) || known.worn?.includes('traction'),
    );
    if (legs.length === 0) return null;
    if (TURNED.test(setup.position.body)) return setup.position.body;
    const sits = situation.place === 'chair' && !situation.canStand;
    const ranges: [RegExp, number, number][] = [
      [/^hipMedialRotation/, -70, 12],
      [/^hipFlexion/, -20, sits || setup.position.body === 'semi-erect' ? 100 : 32],
      [/^hipAbduction/, -20, 26],
      [/^kneeFlexion/, -15, sits ? 105 : 32],
      [/^(ankle|foot)/, -30, 55],
    ];
    for (const [motion, degrees] of eachSide(setup.scene.pose))
      for (const side of legs)
        if (motion.endsWith(`_${LETTER[side]}`))
          for (const [of, low, high] of ranges)
            if (of.test(motion) && (degrees < low || degrees > high)) return `${motion} ${Math.round(degrees)}°`;
    return null;
  },
  'an arm that stays is not raised': ({ setup, known }) =>
    found(setup, (motion, degrees) =>
      (['left', 'right'] as const).some(
        (side) =>
          known.keepStill?.includes(`${side} arm`) &&
          motion.endsWith(`_${LETTER[side]}`) &&
          /^shoulder(Flexion|Abduction)/.test(motion) &&
          degrees > 72,
      ),
    ),
  'nothing of the body is where the tube is': ({ setup }) =>
    spansOf(setup).some(([from, to]) => to > -140 && from < 20) ? 'tube in the body' : null,
  'the ray of a found way crosses no other part before it reaches a limb, or behind it': ({ setup }) => {
    const part = setup.inPart[0]!.segment;
    // Through the chest to the humerus, and over the other thigh to a hip, is what those views are.
    if (!OF_ARM.test(part) && !/^(shank|talus|foot|toes)_/.test(part)) return null;
    if (/transthoracic/.test(setup.projectionId) || !setup.way) return null;
    const own = OF_ARM.test(part) ? OF_ARM : OF_LEG;
    const posed = posedIn(setup);
    const others = [...new Set(posed.skin.map(({ segment }) => segment))].filter(
      (segment) => !(own.test(segment) && segment.endsWith(part.slice(-2))) && !/^(scapula|clavicle)/.test(segment),
    );
    const far = Math.hypot(...setup.scene.hit.map((v, i) => v - setup.scene.focal[i]!));
    const mm = skinSpans(posed, setup.scene.focal, setup.scene.beam, others).reduce(
      (sum, [from, to]) => sum + Math.max(0, Math.min(to, far) - Math.max(from, 0)),
      0,
    );
    return mm > 50 ? `${Math.round(mm)} mm of another part` : null;
  },
  'what is marked is how the patient lies': ({ setup }) => {
    const { body } = setup.position;
    const marks = setup.marker.extra.join('; ');
    if (/upright/.test(marks) && !/^(upright|seated|kneeling)$/.test(body)) return marks;
    if (/side down/.test(marks) && body !== 'lateral-recumbent') return marks;
    return (/supine/.test(marks) && body !== 'supine') || (/prone/.test(marks) && body !== 'prone') ? marks : null;
  },
  'a decubitus is taken on the side': ({ setup }) =>
    /lateral decubitus/.test(setup.name) && setup.position.body !== 'lateral-recumbent' ? setup.name : null,
  'an infant is not sat up': ({ setup, ageYears, situation }) =>
    ageYears < INFANT_YEARS && situation.proppedDeg === 0 && /^(semi-erect|seated)$/.test(setup.position.body)
      ? setup.position.body
      : null,
  'nobody who cannot stand is stood up': ({ setup, situation }) =>
    !situation.canStand && setup.position.body === 'upright' && !/seated/i.test(setup.position.say)
      ? setup.position.say
      : null,
  'a receptor at the back rest is behind trunk or head': ({ setup }) =>
    setup.way?.beam === 'rest' &&
    /^(forearm|radius|hand|finger|thigh|patella|shank|talus|foot|toes)/.test(setup.inPart[0]!.segment)
      ? setup.inPart[0]!.segment
      : null,
  'of one who sits only arm and foot lie under a tube from above': ({ setup }) =>
    setup.position.body === 'seated' &&
    setup.way?.beam === 'down' &&
    !OF_ARM.test(setup.inPart[0]!.segment) &&
    !OF_LEG.test(setup.inPart[0]!.segment)
      ? setup.position.say
      : null,
  'raised arms are said': ({ setup }) => {
    if (!setup.way || setup.position.body === 'seated') return null;
    const high = found(setup, (motion, degrees) => /^shoulder(Flexion|Abduction)/.test(motion) && degrees > 85);
    return high && !/arms? raised/.test(setup.position.say) ? high : null;
  },
  'a long bone that may be broken is not posed for nothing': ({ setup, known, first }) => {
    const part = setup.inPart[0]!.segment;
    if (!known.fractureSuspected || !first || !LONG_BONE.test(part) || setup.way?.asItLies) return null;
    const own = OF_ARM.test(part) ? /^(shoulder|elbow)/ : /^(hip|knee)/;
    return found(
      setup,
      (motion, degrees) => own.test(motion) && motion.endsWith(part.slice(-2)) && Math.abs(degrees) > 95,
    );
  },
  'no wait on the side for who is not on it': ({ setup }) =>
    setup.position.body !== 'lateral-recumbent' && setup.steps.some(({ text }) => /minutes on the side/i.test(text))
      ? 'minutes on the side'
      : null,
  'no support for a leg that is not raised': ({ setup }) =>
    setup.way?.asItLies && setup.steps.some(({ text }) => /support for the raised leg/i.test(text))
      ? 'raised leg'
      : null,
  'nobody is told to hold a breath who cannot': ({ setup, situation }) =>
    !situation.holdsBreath && setup.breathing.commanded && /hold it/i.test(setup.breathing.words)
      ? setup.breathing.words
      : null,
};

function found(setup: Setup, wrong: (motion: Motion, degrees: number) => boolean): string | null {
  for (const [motion, degrees] of eachSide(setup.scene.pose))
    if (wrong(motion, degrees)) return `${motion} ${Math.round(degrees)}°`;
  return null;
}
const spansOf = (setup: Setup) => skinSpans(posedIn(setup), setup.scene.focal, setup.scene.beam);
/** Where the patient's left points: the first column of the rotation, its third row. */
const leftIsDown = ({ scene: { place } }: Setup): boolean => place[2]! < 0;

test('no way breaks a rule, and none is without an end', () => {
  const broken = new Map<string, string[]>();
  let [ways, asked] = [0, 0];
  for (let i = 0; i < SITUATIONS; i += 1) {
    const entry = pick(projections);
    const side = entry.sided === 'each' || entry.nearSide ? pick(['left', 'right'] as const) : undefined;
    const [ageYears, known, room] = [pick(AGES), randomSituation(), pick(demoRooms)];
    const answer = waysAnswer({ projectionId: entry.id, side, patient: { ageYears }, situation: known, room });
    const found = answer.ways;
    const situation = situationFor(ageYears, known);
    asked += 1;
    if (found.length === 0 && !answer.forbidden && (answer.noWay?.problems.length ?? 0) === 0)
      broken.set('no reason', [
        ...(broken.get('no reason') ?? []),
        `${entry.id} ${side ?? ''} ${ageYears} y ${JSON.stringify(known)} ${room.id}`,
      ]);
    found.forEach((way, rank) => {
      for (const setup of [way.setup, ...(way.second ? [way.second] : [])]) {
        ways += 1;
        for (const [rule, wrong] of Object.entries(RULES)) {
          const what = wrong({ setup, situation, known, ageYears, first: rank === 0 });
          if (what === null) continue;
          const where = `${what} — ${entry.id} ${side ?? ''} ${ageYears} y ${JSON.stringify(known)} ${room.id} → ${way.id}: ${setup.position.say}`;
          broken.set(rule, [...(broken.get(rule) ?? []), where]);
        }
      }
    });
  }
  expect(Object.fromEntries([...broken].map(([rule, all]) => [`${rule} (${all.length})`, all.slice(0, 6)]))).toEqual(
    {},
  );
  expect(asked).toBe(SITUATIONS);
  expect(ways).toBeGreaterThan(SITUATIONS * 1.5);
});
