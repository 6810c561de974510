/**
 * Random patients in random situations and rooms: whatever is found keeps to rules that are written down here anew, from
 * the finished set-up and the posed body alone, without a look at how the search decides.
 */
import { posedIn } from '../body/posedIn';
import { eachSide, type Motion } from '../body/joints';
import { skinSpans } from '../body/posed';
import { projectionOf } from '../projections/catalogue';
import type { Situation } from '../setup/request';
import { situationFor } from '../setup/request';
import type { Setup } from '../setup/setup';
import { randomRequests } from './randomRequests';
import { waysAnswer } from './waysAnswer';

const SITUATIONS = Number(process.env.TAKTIK_SITUATIONS ?? 2000);
const SEED = Number(process.env.TAKTIK_SEED ?? 20);

const LETTER = { left: 'L', right: 'R' } as const;
const INFANT_YEARS = 0.7;

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
  'who must keep an arm still is not turned over on it': ({ setup, known }) =>
    /^(prone|sims)$/.test(setup.position.body) && known.keepStill?.some((part) => part.endsWith(' arm'))
      ? setup.position.body
      : null,
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
  'the name says no other position': ({ setup }) => {
    const { body } = setup.position;
    const said = /\b(erect|supine|prone|recumbent|decubitus|kneeling|seated|weight-bearing)\b/.exec(
      setup.name.replace('semi-erect', ''),
    )?.[1];
    const fits = {
      erect: /^(upright|seated)$/,
      supine: /^supine$/,
      prone: /^prone$/,
      recumbent: /^lateral-recumbent$/,
      decubitus: /dorsal/.test(setup.name)
        ? /^supine$/
        : /ventral/.test(setup.name)
          ? /^prone$/
          : /^lateral-recumbent$/,
      kneeling: /^kneeling$/,
      seated: /^seated$/,
      'weight-bearing': /^upright$/,
    }[said ?? ''];
    return fits && !fits.test(body) ? `${body}: ${setup.name}` : null;
  },
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
  // An arm in the way of a ray through the trunk is raised; of a shoulder it is the picture.
  'the arm of a shoulder stays as the view has it': ({ setup }) => {
    const part = setup.inPart[0]!.segment;
    if (!setup.way || !/^(scapula|clavicle)_/.test(part)) return null;
    const entry = projectionOf(setup.projectionId);
    if (
      entry.positions.some(({ pose }) => pose.some((name) => /overhead|arm-up|forward|arm-out|arm-across/.test(name)))
    )
      return null;
    const height = (shoulder: Record<string, number>, letter: string): number =>
      Math.max(shoulder[`shoulderFlexion_${letter}`] ?? 0, shoulder[`shoulderAbduction_${letter}`] ?? 0);
    const own = Math.max(
      ...[entry.joints, ...entry.positions.map(({ joints }) => joints)].map((each) => height(each, 'L')),
    );
    const degrees = height(Object.fromEntries(eachSide(setup.scene.pose)), part.slice(-1));
    return degrees > Math.max(own, 45) + 30 ? `shoulder at ${Math.round(degrees)}°` : null;
  },
  'raised arms are said': ({ setup }) => {
    if (!setup.way || setup.position.body === 'seated') return null;
    const high = found(setup, (motion, degrees) => /^shoulder(Flexion|Abduction)/.test(motion) && degrees > 85);
    return high && !/arms? raised/.test(setup.position.say) ? high : null;
  },
  'with a spine that is not cleared no arm goes over the head': ({ setup, situation }) =>
    situation.spineNotCleared && setup.way
      ? found(setup, (motion, degrees) => /^shoulder(Flexion|Abduction)/.test(motion) && degrees > 115)
      : null,
  // The tangential of the patellae and the axial of an arm in its sling are taught with a receptor that is far away.
  'a part is not drawn nearly twice its size': ({ setup }) =>
    setup.way &&
    setup.image.magnification > 1.8 &&
    !/^(patella-tangential|shoulder-axillary-sling)/.test(setup.projectionId)
      ? setup.image.magnification.toFixed(2)
      : null,
  // A tangential view is down the limb.
  'the ray goes across a hand or foot, not down the limb': ({ setup }) =>
    setup.way &&
    !/tangential/.test(setup.projectionId) &&
    /^(hand|finger|toes)/.test(setup.inPart[0]!.segment) &&
    setup.exposure.thicknessMm > 120
      ? `${Math.round(setup.exposure.thicknessMm)} mm`
      : null,
  'nobody lies on a shoulder that may be broken': ({ setup, known }) => {
    const part = setup.inPart[0]!.segment;
    if (!known.fractureSuspected || !/^(scapula|clavicle|upperarm)_/.test(part)) return null;
    const { body } = setup.position;
    if (body === 'prone' || body === 'sims') return body;
    return body === 'lateral-recumbent' && leftIsDown(setup) === part.endsWith('_L') ? setup.position.say : null;
  },
  'the head is not in the ray to a shoulder': ({ setup }) => {
    // A view of both shoulders is centred between them.
    if (setup.side === null || !/^(scapula|clavicle|upperarm)_/.test(setup.inPart[0]!.segment)) return null;
    const far = Math.hypot(...setup.scene.hit.map((v, i) => v - setup.scene.focal[i]!));
    const [span] = skinSpans(posedIn(setup), setup.scene.focal, setup.scene.beam, ['head', 'mandible']);
    return span && span[0] > 0 && span[0] < far ? `${Math.round(span[1] - span[0])} mm of head` : null;
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
  const next = randomRequests(SEED);
  const broken = new Map<string, string[]>();
  let [ways, asked] = [0, 0];
  for (let i = 0; i < SITUATIONS; i += 1) {
    const request = next();
    const { projectionId, side, situation: known, patient, room } = request;
    const { ageYears } = patient;
    const answer = waysAnswer(request);
    const found = answer.ways;
    const situation = situationFor(ageYears, known);
    asked += 1;
    if (found.length === 0 && !answer.forbidden && (answer.noWay?.problems.length ?? 0) === 0)
      broken.set('no reason', [
        ...(broken.get('no reason') ?? []),
        `${projectionId} ${side ?? ''} ${ageYears} y ${JSON.stringify(known)} ${room?.id}`,
      ]);
    found.forEach((way, rank) => {
      for (const setup of [way.setup, ...(way.second ? [way.second] : [])]) {
        ways += 1;
        for (const [rule, wrong] of Object.entries(RULES)) {
          const what = wrong({ setup, situation, known, ageYears, first: rank === 0 });
          if (what === null) continue;
          const where = `${what} — ${projectionId} ${side ?? ''} ${ageYears} y ${JSON.stringify(known)} ${room?.id} → ${way.id}: ${setup.position.say}`;
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
