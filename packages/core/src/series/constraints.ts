/** What must come before what in a series, whatever it costs. */
import type { Situation } from '../setup/request';
import type { Setup } from '../setup/setup';
import type { HouseRules } from '../room/houseRules';

export type Constraint = { before: number; after: number; why: string };
type Item = { setup: Setup; index: number };
type Rule = {
  before: (item: Item) => boolean;
  after: (item: Item) => boolean;
  why: string;
  when?: (situation: Situation, rules: HouseRules) => boolean;
};

const idIn =
  (...ids: readonly string[]) =>
  ({ setup }: Item): boolean =>
    ids.includes(setup.projectionId);
const startsWith =
  (...starts: readonly string[]) =>
  ({ setup }: Item): boolean =>
    starts.some((start) => setup.projectionId.startsWith(start));
const anything = (): boolean => true;
const clearsNeck = idIn('cervical-lateral');

const RULES_OF_ORDER: readonly Rule[] = [
  {
    before: clearsNeck,
    after: anything,
    why: 'the lateral neck is read before anything else is moved',
    when: ({ spineNotCleared }) => spineNotCleared,
  },
  { before: idIn('colon-scout'), after: startsWith('colon-'), why: 'the scout is read before the contrast goes in' },
  {
    before: idIn('urography-scout'),
    after: startsWith('urography-'),
    why: 'the scout is read before the contrast goes in',
  },
  {
    before: startsWith('colon-'),
    after: idIn('colon-post-evacuation'),
    why: 'all filled pictures are checked before draining; the one after emptying is last',
  },
  {
    before: startsWith('urography-'),
    after: idIn('urography-post-void'),
    why: 'the picture after emptying is last',
  },
  {
    before: idIn('colon-ap', 'colon-pa', 'colon-rpo', 'colon-lpo', 'colon-ap-axial', 'colon-pa-axial'),
    after: idIn('colon-decubitus'),
    why: 'the level ray comes once the colon has been seen full from all sides',
  },
  {
    before: idIn('acromioclavicular-ap'),
    after: idIn('acromioclavicular-ap-weights'),
    why: 'the first picture is read before any weight is given',
  },
  {
    before: clearsNeck,
    after: idIn('cervical-flexion', 'cervical-extension'),
    why: 'the straight lateral is read before the neck is bent',
  },
  {
    before: idIn('stomach-ap'),
    after: startsWith('stomach-'),
    why: 'house rule: on the back first',
    when: (_, { upperGiOrder }) => upperGiOrder === 'supine',
  },
  {
    before: idIn('stomach-pa'),
    after: startsWith('stomach-'),
    why: 'house rule: face down first',
    when: (_, { upperGiOrder }) => upperGiOrder === 'prone',
  },
];

export function constraintsOf(setups: readonly Setup[], situation: Situation, rules: HouseRules): Constraint[] {
  const items = setups.map((setup, index) => ({ setup, index }));
  const found: Constraint[] = [];
  for (const rule of RULES_OF_ORDER) {
    if (rule.when && !rule.when(situation, rules)) continue;
    for (const before of items) {
      if (!rule.before(before)) continue;
      for (const after of items) {
        // The same view of the other side is neither before nor after itself.
        if (rule.after(after) && after.setup.projectionId !== before.setup.projectionId)
          found.push({ before: before.index, after: after.index, why: rule.why });
      }
    }
  }
  return found;
}
