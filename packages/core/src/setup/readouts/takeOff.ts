/** What comes off before the exposure: what the entry names, and what lies over what must be shown on this patient. */
import { markOf, type Body } from '../../body/body';
import type { Projection } from '../../projections/schema';

type Worn = { item: string; over: RegExp; by: (patient: Body['patient']) => boolean };

/** Ages at which each is worn [typical]. */
const NAPPY_UNDER = 3;
const BRA_FROM = 11;
const DENTURES_FROM = 18;

const anybody = (): boolean => true;
/** In the order in which it is asked for: from the head down. */
const WORN: readonly Worn[] = [
  { item: 'dentures', over: /^(head|mandible|neck)$/, by: ({ ageYears }) => ageYears >= DENTURES_FROM },
  { item: 'earrings', over: /^(head|mandible|neck)$/, by: anybody },
  { item: 'hair pins and ties', over: /^(head|neck)$/, by: anybody },
  { item: 'necklace', over: /^(neck|clavicle_[LR])$/, by: anybody },
  {
    item: 'bra with wire or clasps',
    over: /^(thorax|lumbar|scapula_[LR]|clavicle_[LR])$/,
    by: ({ ageYears, sex }) => sex !== 'male' && ageYears >= BRA_FROM,
  },
  { item: 'belt, coins and keys', over: /^(lumbar|pelvis)$/, by: ({ ageYears }) => ageYears >= NAPPY_UNDER },
  { item: 'navel jewellery', over: /^lumbar$/, by: ({ ageYears }) => ageYears >= BRA_FROM },
  { item: 'wet nappy', over: /^pelvis$/, by: ({ ageYears }) => ageYears < NAPPY_UNDER },
];

/** Segments of the body on which what must be shown lies. */
const segmentsOf = ({ cover }: Projection, body: Body): ReadonlySet<string> =>
  new Set(
    cover
      .flatMap((item) => ('structure' in item ? [item.structure] : 'between' in item ? item.between : [item.landmark]))
      .map((id) => markOf(body, id).segment),
  );

/**
 * @returns each thing once, that of the entry first
 * @example takeOffOf(projectionOf('skull-pa'), buildBody({ ageYears: 40 })) // ['glasses', …, 'dentures', …]
 */
export function takeOffOf(projection: Projection, body: Body): string[] {
  const segments = [...segmentsOf(projection, body)];
  const over = WORN.filter(({ over: on, by }) => by(body.patient) && segments.some((each) => on.test(each)));
  return [...new Set([...projection.remove, ...over.map(({ item }) => item)])];
}
