/**
 * Named forms: a view done another way under the name by which it is asked for. A form holds no numbers of its own: it
 * says of which view it is and in which situation people ask for it, and its set-up is found as any other way.
 */
import { hasWords } from '../projections/search';
import { normalWords } from '../projections/searchWords';
import type { BodyPosition } from '../projections/vocabulary';
import { computeSetup } from '../setup/computeSetup';
import type { SetupRequest, Situation } from '../setup/request';
import { findOtherWays } from './findOtherWays';
import type { OtherWay } from './otherWay';
import type { WayPrices } from './wayPrices';

export type Form = {
  id: string;
  name: string;
  /** Words of orders for it. */
  alsoCalled: readonly string[];
  projectionId: string;
  /** What is told of the patient when it is asked for. */
  situation: Partial<Situation>;
  body: BodyPosition;
  beam: 'horizontal' | 'vertical';
};

const LIES = { canStand: false, canSit: false, canTurn: 'none', canProne: false } as const satisfies Partial<Situation>;
const HURT = { ...LIES, fractureSuspected: true } as const satisfies Partial<Situation>;
const BOARD = { ...LIES, spineNotCleared: true } as const satisfies Partial<Situation>;
const CHAIR = { place: 'chair', canStand: false, canSit: true, canTurn: 'none' } as const satisfies Partial<Situation>;

const crossTable = (
  projectionId: string,
  name: string,
  situation: Partial<Situation>,
  alsoCalled: readonly string[] = [],
): Form => ({
  id: `${projectionId}-cross-table`,
  name: `${name}, cross-table`,
  alsoCalled: [`cross table ${name}`, `horizontal beam ${name}`, ...alsoCalled],
  projectionId,
  situation,
  body: 'supine',
  beam: 'horizontal',
});

export const forms: readonly Form[] = [
  {
    id: 'chest-ap-semi-erect',
    name: 'Chest, AP, semi-erect',
    alsoCalled: ['semi erect chest', 'semi upright chest', 'propped chest', 'chest in bed sitting up'],
    projectionId: 'chest-ap',
    situation: { ...LIES, canLieFlat: false, proppedDeg: 45 },
    body: 'semi-erect',
    beam: 'vertical',
  },
  crossTable('chest-lateral', 'Chest, lateral', LIES, ['supine lateral chest', 'dorsal decubitus chest']),
  crossTable('elbow-lateral', 'Elbow, lateral', HURT, ['trauma elbow lateral']),
  {
    id: 'humerus-ap-trauma',
    name: 'Humerus, AP, as it lies',
    alsoCalled: ['neutral humerus trauma', 'trauma humerus', 'humerus in sling'],
    projectionId: 'humerus-ap',
    situation: { ...HURT },
    body: 'supine',
    beam: 'vertical',
  },
  {
    id: 'shoulder-scapular-y-supine',
    name: 'Shoulder, scapular Y, supine',
    alsoCalled: ['supine Y view', 'trauma Y shoulder', 'AP oblique Y'],
    projectionId: 'shoulder-scapular-y',
    situation: { canStand: false, canSit: false, canProne: false },
    body: 'supine',
    beam: 'vertical',
  },
  crossTable('knee-lateral', 'Knee, lateral', HURT, [
    'trauma knee lateral',
    'lipohaemarthrosis',
    'fat fluid level knee',
  ]),
  crossTable('femur-lateral-distal', 'Femur, lateral, distal', HURT, ['trauma femur lateral']),
  crossTable('lumbar-lateral', 'Lumbar spine, lateral', BOARD, ['trauma lumbar lateral']),
  crossTable('thoracic-lateral', 'Thoracic spine, lateral', BOARD, ['trauma thoracic lateral']),
  crossTable('cervical-lateral', 'Cervical spine, lateral', BOARD, ['trauma neck lateral', 'collar lateral neck']),
  crossTable('cervicothoracic-lateral', 'Cervicothoracic spine, lateral', BOARD, [
    'supine swimmers',
    'trauma swimmers',
  ]),
  crossTable('skull-lateral', 'Skull, lateral', BOARD, ['trauma skull lateral', 'supine lateral skull']),
  crossTable('calcaneus-lateral', 'Calcaneus, lateral', HURT, ['trauma heel lateral']),
  crossTable('ankle-lateral', 'Ankle, lateral', HURT, ['trauma ankle lateral']),
  {
    id: 'scoliosis-pa-seated',
    name: 'Scoliosis series, PA, seated',
    alsoCalled: ['sitting scoliosis', 'seated spine', 'scoliosis in wheelchair'],
    projectionId: 'scoliosis-pa',
    situation: { canStand: false },
    body: 'seated',
    beam: 'horizontal',
  },
  {
    id: 'foot-ap-wheelchair',
    name: 'Foot, AP axial, in a wheelchair',
    alsoCalled: ['foot wheelchair', 'seated foot'],
    projectionId: 'foot-ap',
    situation: CHAIR,
    body: 'seated',
    beam: 'vertical',
  },
  {
    id: 'hand-pa-wheelchair',
    name: 'Hand, PA, in a wheelchair',
    alsoCalled: ['hand wheelchair', 'lap board hand'],
    projectionId: 'hand-pa',
    situation: CHAIR,
    body: 'seated',
    beam: 'vertical',
  },
];

/** @returns undefined where there is none of this id */
export const formOf = (id: string): Form | undefined => forms.find((form) => form.id === id);

/** Forms whose name or other name has every word that was typed, the shortest name first; none for a single word. */
export function findForms(query: string): Form[] {
  if (query.trim().split(/\s+/).length < LEAST_WORDS) return [];
  return forms
    .filter(({ name, alsoCalled }) => [name, ...alsoCalled].some((phrase) => hasWords(phrase, query)))
    .sort((a, b) => a.name.length - b.name.length);
}
/** Forms that an order asks for: every word of one of their names stands in it. @example formsIn('L knee, cross table lateral') */
export function formsIn(order: string): Form[] {
  const words = new Set(normalWords(order));
  return forms.filter(({ name, alsoCalled }) =>
    [name, ...alsoCalled].some((phrase) => normalWords(phrase).every((word) => words.has(word))),
  );
}

/** One word names a part, and every view of it. */
const LEAST_WORDS = 2;

/**
 * The set-up of a form for this patient in this room.
 * @param request patient, situation, room and rules; the side where the view has one
 * @returns null where this patient or room has no such way
 * @throws RangeError as `computeSetup`
 * @example wayOfForm(findForms('cross table knee')[0], { side: 'left' })?.setup.position.body // 'supine'
 */
export function wayOfForm(
  { projectionId, situation, body, beam }: Form,
  request: Omit<SetupRequest, 'projectionId' | 'own' | 'way' | 'overrides'>,
  prices?: Partial<WayPrices>,
): OtherWay | null {
  const ways = findOtherWays({ ...request, projectionId, situation: { ...request.situation, ...situation } }, prices);
  // What the form takes for granted never opens what this patient must not do.
  const fits = ({ setup, request: asked }: OtherWay) =>
    setup.projectionId === projectionId &&
    setup.position.body === body &&
    setup.tube.beam === beam &&
    computeSetup({ ...request, ...asked }).feasible;
  return ways.find(fits) ?? null;
}
