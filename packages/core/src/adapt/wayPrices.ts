/**
 * What another way costs against the usual one, in points by which ways are ranked: judgement, not measured; a turn of the
 * patient is the measure of the others. A department sets its own; what spares the hurt has a floor.
 */
import { z } from 'zod';

type WayPrice = { title: string; default: number; least?: number; reason: string };

export const WAY_PRICES = {
  offDegree: { title: 'CR off its course, a degree', default: 1.5, reason: 'structures superimpose that should not' },
  elongationPercent: { title: 'Elongation, a percent', default: 0.4, reason: 'lengths are read from the picture' },
  sizePercent: { title: 'Magnification, a percent', default: 0.5, reason: 'the heart and joints are judged by size' },
  blurTenth: { title: 'Blur, a tenth of a mm', default: 1, reason: 'fine fractures are lost first' },
  noGrid: { title: 'No grid where one is wanted', default: 8, reason: 'scatter, or a repeat' },
  gridLossPercent: { title: 'Grid cut-off, a percent', default: 0.4, reason: 'noise on one side of the picture' },
  noLevel: {
    title: 'No horizontal beam where fluid or free gas is asked for',
    default: 100,
    least: 50,
    reason: 'the question is not answered',
  },
  posture: { title: 'Dependent lung, or gas that hides', default: 12, reason: 'the finding may be missed' },
  second: { title: 'A second exposure', default: 5, reason: 'dose and time' },
  doseTimes: { title: 'Each time the usual dose', default: 4, reason: 'as low as reasonably achievable' },
  sidShortPercent: { title: 'SID short of the usual, a percent', default: 0.15, reason: 'magnification and skin dose' },
  bendDegree: { title: 'Joint bent otherwise, a degree', default: 0.4, reason: 'the joint looks another' },
  turn: { title: 'Turn of the patient', default: 10, reason: 'the measure of the others' },
  hurtTurn: { title: 'Turn of a patient who may be injured', default: 30, least: 20, reason: 'harm, pain and helpers' },
  posing: { title: 'Part posed', default: 2, reason: 'a little time' },
  hurtPosing: { title: 'Affected part moved', default: 14, least: 10, reason: 'pain, and a fracture may displace' },
  slide: { title: 'Receptor or stool put under', default: 3, reason: 'lifting' },
  hurtSlide: {
    title: 'Receptor put under who may be injured',
    default: 8,
    least: 5,
    reason: 'several lift, kept straight',
  },
  holder: { title: 'Person who holds', default: 6, reason: 'dose to somebody else' },
  tiltDegree: { title: 'Tube angle, a degree', default: 0.1, reason: 'alignment by hand' },
  reversed: { title: 'CR the other way through the part', default: 3, reason: 'the reader expects the other' },
  other: { title: 'Another projection in its place', default: 14, reason: 'it shows less of what was asked' },
  aspect: {
    title: 'At a right angle to the view that was asked',
    default: 30,
    reason: 'what only the asked view shows stays open',
  },
} as const satisfies Record<string, WayPrice>;
export type WayPriceId = keyof typeof WAY_PRICES;
export const WAY_PRICE_IDS = Object.keys(WAY_PRICES) as [WayPriceId, ...WayPriceId[]];
export type WayPrices = Record<WayPriceId, number>;

const MOST_POINTS = 500;
/** Least and most points of each. */
export const wayPriceRange = (id: WayPriceId): [number, number] => [
  (WAY_PRICES[id] as WayPrice).least ?? 0,
  MOST_POINTS,
];
const points = (id: WayPriceId) => {
  const [least, most] = wayPriceRange(id);
  const error = `${WAY_PRICES[id].title}: ${least} to ${most} points`;
  return z.number({ error }).min(least, { error }).max(most, { error });
};

export const wayPricesSchema = z
  .strictObject(
    Object.fromEntries(WAY_PRICE_IDS.map((id) => [id, points(id)])) as Record<WayPriceId, ReturnType<typeof points>>,
  )
  .partial();

export const defaultWayPrices: WayPrices = Object.fromEntries(
  WAY_PRICE_IDS.map((id) => [id, WAY_PRICES[id].default]),
) as WayPrices;
