/** The general steps of a set-up, from its numbers: one sentence a code. Steps of an entry's own are its free text. */
import type { HolderKind } from '../projections/vocabulary';
import { formatAngle } from '../quantity/angle';
import { formatLength, formatRectangle, lengthPair, type LengthUnit } from '../quantity/length';
import { capitalize, listWords } from '../quantity/text';
import { centreSaid, touchSaid, type CentreFact, type TouchFacts } from './centreWords';
import { aecWords, technique } from './changeWords';
import type { Speech } from './fact';
import { angledTo, atHolder, movedTo } from './names';

/** "5 cm" beside the leading inches, or the reverse. */
export const bothUnits = (mm: number, unit: LengthUnit): string => lengthPair(mm, unit);

/** Why there is no grid. */
const NO_GRID = {
  leans: 'No grid: the CR is angled across its lines',
  'table-top': 'No grid: on the table top',
  none: 'No grid',
} as const;
export type NoGrid = keyof typeof NO_GRID;

/** Who holds a patient that does not keep still, and what does where nobody may. */
export type HoldFact = { who: 'adult' | 'nobody' | 'not-pregnant'; by: keyof typeof IMMOBILIZED_BY };
const IMMOBILIZED_BY = {
  swaddling: 'swaddled, sandbags beside the trunk and across the limbs that are not shown',
  wrapping: 'wrapped in a sheet, a band across, sponges and sandbags',
  bands: 'a band across, sponges and sandbags',
} as const;

export const STEP_WORDS = {
  /** @param laid how a loose receptor lies; on the diagonal with its angle; null for a fixed one */
  'step-receptor': ({
    size,
    holder,
    laid,
    deg,
  }: {
    size: string;
    holder: HolderKind;
    laid: string | null;
    deg: number;
  }) =>
    `Receptor ${size} ${atHolder(holder)}${laid === null ? '' : laid === 'diagonal' ? `, on the diagonal (${formatAngle(deg)})` : `, ${laid}`}`,
  'step-sid': (
    { sidMm, heightMm, over, slanted }: { sidMm: number; heightMm: number; over: string; slanted: boolean },
    { unit }: Speech,
  ) =>
    `SID ${bothUnits(sidMm, unit)}${slanted ? ', along the CR' : ''}: focal spot ${formatLength(heightMm, unit)} above the ${over}`,
  'step-grid': ({ ratio }: { ratio: number }) => `Grid ${ratio}:1`,
  'step-no-grid': ({ why }: { why: NoGrid }) => NO_GRID[why],
  'step-hold': ({ who, by }: HoldFact) =>
    who === 'adult'
      ? 'Held by one adult in a lead apron and gloves, out of the beam: a relative before staff, never anyone who may be pregnant'
      : `${who === 'nobody' ? 'Nobody holds' : 'Who may be pregnant does not hold'}; immobilized: ${IMMOBILIZED_BY[by]}`,
  'step-chair': ({ joints }: { joints: readonly string[] }) =>
    `Chair at a height that brings ${listWords(joints)} to one level`,
  'step-knees': () => 'Patient seated sideways so that the knees are not under the table',
  'step-knees-at-stand': () =>
    'Knees to either side of the stand, the body against the receptor; where chair or knees keep it away, with the back to the receptor instead',
  'step-brakes': () => 'Brakes on, foot rests out of the way of the stand',
  'step-prepare': ({ item }: { item: string }) => capitalize(item),
  'step-identity': () => 'Two identifiers against the band; the order and the side said aloud',
  'step-remove': ({ items }: { items: readonly string[] }) => `Off: ${items.join('; ')}`,
  'step-position': ({ say }: { say: string }) => say,
  'step-block': ({ mm }: { mm: number }, { unit }: Speech) =>
    `On a block ${formatLength(mm, unit)} high: the tube does not go lower`,
  'step-stool': ({ mm }: { mm: number }, { unit }: Speech) =>
    `Seated, ${formatLength(mm, unit)} lower than erect: the tube does not go higher`,
  'step-centre': (fact: CentreFact, speech: Speech) => capitalize(centreSaid(fact, speech)),
  'step-touch': (facts: TouchFacts, speech: Speech) => `Check by touch: ${touchSaid(facts, speech)}`,
  'step-angle': ({ deg, toward }: { deg: number; toward: string | null }) =>
    `CR ${formatAngle(deg)} ${angledTo(toward)}`,
  'step-across': (
    { deg, toward, shiftMm }: { deg: number; toward: string | null; shiftMm: number },
    { unit }: Speech,
  ) =>
    `CR ${formatAngle(deg)} across, ${movedTo(toward)}${shiftMm > 0 ? `; receptor ${formatLength(shiftMm, unit)} that way, under the CR` : ''}`,
  'step-back-rest': () => 'CR perpendicular to the back rest: tube tilted with it',
  'step-straight': ({ level }: { level: boolean }) =>
    `CR perpendicular to the receptor, ${level ? 'horizontal' : 'vertical'} beam`,
  'step-shift': ({ tray, mm, toward }: { tray: boolean; mm: number; toward: string | null }, { unit }: Speech) =>
    `${tray ? 'Tray' : 'Receptor'} ${formatLength(mm, unit)} ${movedTo(toward)}, under the CR`,
  'step-on-ray': ({ tray }: { tray: boolean }) => (tray ? 'Tray centred to the CR' : 'Receptor centred to the CR'),
  'step-light': (
    {
      widthMm,
      heightMm,
      skinWidthMm,
      skinHeightMm,
    }: { widthMm: number; heightMm: number; skinWidthMm: number; skinHeightMm: number },
    { unit }: Speech,
  ) =>
    `Collimate to ${formatRectangle(widthMm, heightMm, unit)} at the receptor, ${formatRectangle(skinWidthMm, skinHeightMm, unit)} on the skin`,
  'step-collimator': ({ deg }: { deg: number }) => `Collimator rotated ${formatAngle(deg)} along the bone`,
  /** @param shiftsMm centre of each exposure from the aim, up the receptor above 0; up and down: what lies there */
  'step-exposures': (
    { overlapMm, shiftsMm, up, down }: { overlapMm: number; shiftsMm: readonly number[]; up: string; down: string },
    { unit }: Speech,
  ) =>
    `${shiftsMm.length} exposures, overlapping ${formatLength(overlapMm, unit)}; centred, from the CR of the whole: ${listWords(
      shiftsMm.map((mm) => (mm === 0 ? 'on it' : `${bothUnits(Math.abs(mm), unit)} ${movedTo(mm > 0 ? up : down)}`)),
    )}`,
  'step-marker': ({ letters, place, signs }: { letters: readonly string[]; place: string; signs: readonly string[] }) =>
    `${letters.length > 1 ? 'Markers' : 'Marker'} ${letters.join(' and ')}: ${place}${signs.length > 0 ? `; also to mark: ${listWords(signs)}` : ''}`,
  'step-marker-software': ({ letters, signs }: { letters: readonly string[]; signs: readonly string[] }) =>
    `No lead marker by house rule: ${letters.join(' and ')} set at the console before the exposure, and read aloud against the patient’s own side${signs.length > 0 ? `; also to mark: ${listWords(signs)}` : ''}`,
  'step-protect': ({ item }: { item: string }) => capitalize(item),
  'step-technique': ({ kVp, mAs, focus, aec }: { kVp: number; mAs: number | null; focus: string; aec: string }) =>
    `${technique({ kVp, mAs })}, ${focus} focal spot, ${aecWords(aec)}`,
  'step-breath': ({ words, moment }: { words: string | null; moment: string }) =>
    words === null
      ? `No words: watch the patient, expose ${moment}`
      : moment === ''
        ? `“${words}”`
        : `“${words}” Expose at: ${moment}`,
  'step-expose': () => 'Expose; check the picture before the patient moves',
  /** A step of the entry's own. */
  'step-own': ({ own }: { own: string }) => own,
  'step-check': ({ criterion }: { criterion: string }) => criterion,
} as const;

/** Cautions that patient and situation call for, besides those of the entry. */
export const CAUTION_WORDS = {
  /** A caution of the entry's own. */
  'caution-own': ({ own }: { own: string }) => own,
  'caution-collar': () => 'The collar stays on until the neck is cleared.',
  'caution-halo': () =>
    'The halo stays, and nobody lifts or turns the patient by it. Where a rod or pin covers the part, the radiologist is told.',
  'caution-board': () => 'The board stays until the spine is cleared; what lies under it is counted in.',
  'caution-splint': () => 'The splint stays on unless the physician takes it off.',
  'caution-fixator': () =>
    'The limb is supported, not the fixator; its rods are kept out of the CR where the part allows. A receptor that they hold off the skin magnifies.',
  'caution-traction': () => 'Traction is not released and not moved without the physician.',
  'caution-lines': () => 'Lines and tubes: see where each one runs before anything is moved.',
  'caution-incubator': () =>
    'Incubator: the infant is not taken out; the receptor goes into the tray under the mattress, and what that magnifies is counted in. Portholes are opened one at a time, hands warm; lines, probe and the hole of the lid stay out of the light.',
  'caution-prosthesis': () =>
    'Amputation: prosthesis and liner come off where they lie in the light. Where a prosthesis carries the patient who stands, somebody stays beside them; seated is safer.',
  'caution-holder': () => 'Whoever may be pregnant does not hold and leaves the room.',
  'caution-pregnancy': () => 'Pregnancy possible: stop and follow local policy.',
  'caution-ask-pregnancy': () => 'Ask about pregnancy before the exposure.',
} as const;
