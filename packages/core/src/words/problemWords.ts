/** Why a set-up cannot or must not be done so, or what it lacks: one sentence a code. */
import { movementOf, specOf, type Motion } from '../body/joints';
import type { BodyPosition, HolderKind } from '../projections/vocabulary';
import { formatAngle } from '../quantity/angle';
import { formatLength, formatRectangle } from '../quantity/length';
import { capitalize, listWords } from '../quantity/text';
import { positionName } from '../room/position';
import { bearingWords, type Direction } from './centreWords';
import type { Speech } from './fact';
import { HOLDER_WORDS } from './names';
import { ASKED_WORDS, reasonWords, type Asked, type Reason } from './reasonWords';

const motionSays = (motion: Motion, deg: number): string =>
  `${specOf(movementOf(motion)).says[deg < 0 ? 1 : 0]} ${formatAngle(Math.abs(deg))}`;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

type Rectangle = { widthMm: number; heightMm: number };
const rectangle = ({ widthMm, heightMm }: Rectangle, { unit }: Speech): string =>
  formatRectangle(widthMm, heightMm, unit);

/** What the cells of the AEC see, as shares of them. */
type Cells = {
  cells: string;
  /** It ends early, for what lies beside the part; else it runs on, for what lies in the dark. */
  early: boolean;
  /** Of the cells that see it. */
  share: number;
  underDi: number;
  instead: string | null;
  byHand: boolean;
};
function cellsWords({ cells, early, share, underDi, instead, byHand }: Cells): string {
  const seen = early
    ? `${percent(share)} of the cells sees the beam beside the part: it would end early, about ${underDi.toFixed(1)} DI under`
    : `${percent(share)} of the cells lies outside the field: it would run on`;
  if (byHand) return `${seen}. Other cells, or by hand.`;
  return `AEC ${cells}: ${seen}. ${instead === null ? 'Set by hand instead.' : `AEC ${instead} is set instead.`}`;
}

const BLOCKED = {
  tube: () => 'The tube would stand inside or against the patient.',
  before: () => 'The beam would pass through the body before the part.',
  behind: () => 'The body lies between the part and the receptor.',
  lengthwise: () => 'The CR would run along the limb instead of through it.',
  head: () => 'The head lies in the beam.',
  limb: (says: string) => `The ${says} lies in the beam.`,
};

type OutsideModel = { name: string; thicknessMm: number; testedMm: number };
const outside = ({ name, thicknessMm, testedMm }: OutsideModel, { unit }: Speech): string =>
  thicknessMm > testedMm
    ? `This patient measures ${formatLength(thicknessMm, unit)} here; the technique of ${name} was tested up to ${formatLength(testedMm, unit)}`
    : `The technique of ${name} was not tested under these conditions`;

type Reach = { room: string; reachedMm: number; neededMm: number };
const reached = ({ room, reachedMm, neededMm }: Reach, { unit }: Speech): string =>
  `${room} reaches ${formatLength(reachedMm, unit)} of the ${formatLength(neededMm, unit)} SID wanted; all numbers are for ${formatLength(reachedMm, unit)}.`;

type GridLost = {
  centre: number;
  edge: number;
  /** What is wrong: it stands crooked, the distance, or the ray leans across it. */
  by: 'placing' | 'distance' | 'lean';
  focusMm: number;
  nearMm: number;
  /** Null: however far. */
  farMm: number | null;
};
function gridWords({ centre, edge, by, focusMm, nearMm, farMm }: GridLost, { unit }: Speech): string {
  const bears =
    farMm === null
      ? `${formatLength(nearMm, unit)} and more`
      : `${formatLength(nearMm, unit)} to ${formatLength(farMm, unit)}`;
  const cure = {
    placing: 'More mAs is the wrong cure: bring it perpendicular to the CR and centre it.',
    distance: `It is focused to ${formatLength(focusMm, unit)} and bears ${bears} with this field: another SID, another grid, a narrower field, or no grid.`,
    lean: 'The CR is angled across its strips: turn the grid so that they lie along the angle, or take it out.',
  }[by];
  return `The grid cuts off ${percent(centre)} at the centre and ${percent(edge)} at the worse edge. ${cure}`;
}

export const PROBLEM_WORDS = {
  forbidden: ({ reason, ask, part }: { reason: string; ask: Asked; part?: string }) =>
    `Not to be done: ${reasonWords({ code: reason as Reason['code'], part })}. Ask ${ASKED_WORDS[ask]}.`,
  /** @param body the position; null: the way that was asked for */
  'ask-side': () =>
    'Ask on which side it is suspected: pleural fluid shows on the side down, free air in the chest on the side up',
  'wrong-side-down': ({ sign, down }: { sign: string; down: string }) =>
    sign === 'fluid level'
      ? `Fluid is suspected on the ${down}: that side lies down, or it spreads over the mediastinum`
      : `Free air shows with the ${down} side down`,
  'position-barred': ({
    name,
    body,
    ...reason
  }: { name: string; body: BodyPosition | null; reason: string } & Omit<Reason, 'code'>) =>
    `${name} ${body === null ? 'like this' : `(${positionName(body)})`} is barred: ${reasonWords({ ...reason, code: reason.reason as Reason['code'] })}.`,
  'load-lost': ({ name }: { name: string }) => `${name} is barred like this: the load on the part is what it shows.`,
  'kept-part': ({
    reason,
    motion,
    degrees,
    ...rest
  }: { reason: string; motion: string; degrees: number } & Omit<Reason, 'code'>) =>
    `${capitalize(reasonWords({ ...rest, code: reason as Reason['code'] }))}; here ${motionSays(motion as Motion, degrees)}.`,
  'position-unknown': ({ name, asked, known }: { name: string; asked: BodyPosition; known: readonly string[] }) =>
    `${name} is not done ${positionName(asked)}; it is done ${listWords(known.map((body) => positionName(body as BodyPosition)))}.`,
  /** @param body the position; null: the way that was asked for */
  'no-holder': ({
    name,
    room,
    holders,
    body,
  }: {
    name: string;
    room: string;
    holders: readonly string[];
    body: BodyPosition | null;
  }) =>
    `${room} has no ${listWords(holders.map((kind) => HOLDER_WORDS[kind as HolderKind]))} for ${name}${body === null ? '' : ` (${positionName(body)})`}.`,
  clipped: (
    {
      shown,
      neededWidthMm,
      neededHeightMm,
      ...open
    }: { shown: readonly string[]; neededWidthMm: number; neededHeightMm: number } & Rectangle,
    speech: Speech,
  ) =>
    `The field clips ${listWords(shown)}: ${rectangle({ widthMm: neededWidthMm, heightMm: neededHeightMm }, speech)} are needed, ${rectangle(open, speech)} are open.`,
  margin: ({ cutMm, ...open }: { cutMm: number } & Rectangle, speech: Speech) =>
    `All that must be shown is inside the field, but its margin is clipped by ${formatLength(cutMm, speech.unit)} in all: ${rectangle(open, speech)} are open.`,
  'angle-limit': ({ room, mostDeg, neededDeg }: { room: string; mostDeg: number; neededDeg: number }) =>
    `The tube of ${room} tilts to ${mostDeg}°; ${neededDeg}° is out of reach.`,
  'in-the-way': ({ what, says }: { what: keyof typeof BLOCKED; says: string }) => BLOCKED[what](says),
  'tube-load': ({
    kVp,
    mAs,
    mA,
    spot,
    room,
    kW,
    mostMa,
  }: {
    kVp: number;
    mAs: number;
    mA: number | null;
    spot: string;
    room: string;
    kW: number;
    mostMa: number;
  }) =>
    `${kVp} kVp and ${mAs} mAs${mA === null ? '' : ` at ${mA} mA`} are more than the ${spot} focal spot of ${room} bears (${kW} kW, up to ${mostMa} mA).`,
  'table-load': ({ room, mostKg, massKg }: { room: string; mostKg: number; massKg: number }) =>
    `The table of ${room} carries ${mostKg} kg; this patient weighs ${Math.round(massKg)} kg.`,
  'tube-low': ({ room, lowestMm, neededMm }: { room: string; lowestMm: number; neededMm: number }, { unit }: Speech) =>
    `The tube of ${room} goes down to ${formatLength(lowestMm, unit)} above the floor; ${formatLength(neededMm, unit)} is wanted.`,
  'outside-model': (values: OutsideModel, speech: Speech) =>
    `${outside(values, speech)}: no mAs is given. Take it from the room's own chart and type it.`,
  'technique-unchecked': (values: OutsideModel, speech: Speech) =>
    `${outside(values, speech)}: what the receptor will read is not known.`,
  'aec-cover': cellsWords,
  'chart-row-odd': ({ why }: { why: string }) =>
    `The row of the room’s own chart that this technique starts from cannot be right: ${why}.`,
  'dose-high': ({ name, mGy, upToKvp }: { name: string; mGy: number; upToKvp: number | null }) =>
    `About ${mGy} mGy to the skin in one exposure of ${name}. Before it: ${upToKvp === null ? '' : `a higher kVp (up to ${upToKvp}), `}a tighter field, a longer SID where the room has it, compression of the part where it is allowed; ask the radiologist whether it is still wanted.`,
  'grid-cut-off': gridWords,
  'grid-stays': ({ holder }: { holder: HolderKind }) =>
    `The grid of the ${HOLDER_WORDS[holder]} cannot be taken out; the technique counts it in.`,
  'joint-limit': ({ motion, neededDeg, limitedDeg }: { motion: string; neededDeg: number; limitedDeg: number }) => {
    const side = motion.endsWith('_L') ? 'left ' : motion.endsWith('_R') ? 'right ' : '';
    return capitalize(
      `${side}${motionSays(motion as Motion, limitedDeg)} only; the view wants ${formatAngle(Math.abs(neededDeg))}.`,
    );
  },
  'mas-limit': ({ wantedMas, mostMas }: { wantedMas: number; mostMas: number }) =>
    `The model asks for ${wantedMas} mAs; this generator ends at ${mostMas} mAs.`,
  'no-grid': ({ fromMm, holder, room }: { fromMm: number; holder: HolderKind; room: string }) =>
    `A grid is wanted from ${fromMm / 10} cm of thickness; the ${HOLDER_WORDS[holder]} of ${room} has none: more scatter.`,
  'own-aim': (
    {
      name,
      toward,
      mm,
      widerMm,
      longerMm,
      moreArea,
    }: {
      name: string;
      toward: readonly string[];
      mm: readonly number[];
      widerMm: number;
      longerMm: number;
      moreArea: number;
    },
    { unit }: Speech,
  ) => {
    const way = toward.map((each, i) => ({ toward: each as Direction, mm: mm[i] ?? 0 }));
    const sizes = [
      ...(widerMm === 0 ? [] : [`${formatLength(Math.abs(widerMm), unit)} ${widerMm > 0 ? 'wider' : 'narrower'}`]),
      ...(longerMm === 0 ? [] : [`${formatLength(Math.abs(longerMm), unit)} ${longerMm > 0 ? 'longer' : 'shorter'}`]),
    ];
    const field =
      sizes.length === 0
        ? 'the field stays as large'
        : `the field is ${listWords(sizes)}, ${percent(Math.abs(moreArea))} ${moreArea >= 0 ? 'more' : 'less'} area, to show the same`;
    return `${name}: centred ${bearingWords(way, 'the usual centring point', unit)}; ${field}.`;
  },
  'receptor-unknown': ({ receptor, holder, room }: { receptor: string; holder: HolderKind; room: string }) =>
    `Receptor "${receptor}" does not fit the ${HOLDER_WORDS[holder]} of ${room}.`,
  'sid-reduced': reached,
  'sid-too-short': ({ usualFromMm, ...reach }: Reach & { usualFromMm: number }, speech: Speech) =>
    `${reached(reach, speech)} The usual range begins at ${formatLength(usualFromMm, speech.unit)}: more magnification and blur.`,
  'skin-near': ({ skinMm, leastMm }: { skinMm: number; leastMm: number }, { unit }: Speech) =>
    `The skin is ${formatLength(skinMm, unit)} from the focal spot; at least ${formatLength(leastMm, unit)} are wanted.`,
  'thickness-odd': ({ measuredMm, computedMm }: { measuredMm: number; computedMm: number }, { unit }: Speech) =>
    `${formatLength(measuredMm, unit)} is far from what this patient's size gives (${formatLength(computedMm, unit)}): measure again.`,
} as const;
