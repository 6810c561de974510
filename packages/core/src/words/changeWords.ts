/** What changes from one exposure to the next, as it is told to the hands: one sentence a code. */
import type { BodyPosition, HolderKind } from '../projections/vocabulary';
import { formatAngle } from '../quantity/angle';
import { formatLength, formatRectangle } from '../quantity/length';
import { centreSaid, type CentreFact } from './centreWords';
import type { Speech } from './fact';
import { angledTo, atHolder, HOLDER_WORDS, movedTo } from './names';

type Plate = { size: string; holder: HolderKind; orientation: string | null };
const plate = ({ size, holder, orientation }: Plate): string =>
  `${size}${orientation === null ? '' : ` ${orientation}`}, ${HOLDER_WORDS[holder]}`;

type Tilt = { deg: number; toward: string | null; acrossDeg: number; acrossToward: string | null };
/** "15° cephalad and 45° across to the patient’s right"; nothing when it stands straight. */
export const tilt = ({ deg, toward, acrossDeg, acrossToward }: Tilt): string =>
  [
    ...(deg > 0 ? [`${formatAngle(deg)} ${angledTo(toward)}`] : []),
    ...(acrossDeg > 0 ? [`${formatAngle(acrossDeg)} across to the ${acrossToward}`] : []),
  ].join(' and ');

type Technique = { kVp: number; mAs: number | null };
/** "80 kVp, 20 mAs"; without the mAs where nobody can say it. */
export const technique = ({ kVp, mAs }: Technique): string =>
  mAs === null ? `${kVp} kVp, mAs by the room’s own chart` : `${kVp} kVp, ${mAs} mAs`;

/** Cells of the AEC, or by hand. */
export const aecWords = (cells: string): string =>
  cells === 'none' ? 'manual' : `AEC ${cells} ${cells === 'centre' ? 'cell' : 'cells'}`;

/** Nearer to the edge of the table than this is said. */
const NEAR_EDGE_MM = 100;

const toward = (mm: number, plus: string, minus: string): string => (mm > 0 ? plus : minus);

export const CHANGE_WORDS = {
  /** @param say how the position is asked for, which names it */
  'change-turn': ({ nearSide, say }: { body: BodyPosition; nearSide: string | null; say: string }) =>
    `Reposition${nearSide === null ? '' : `, ${nearSide} side against the receptor`}: ${say}`,
  'change-limb': ({ side, say }: { side: string | null; say: string }) => `Over to the ${side} side. ${say}`,
  'change-position': ({ say }: { say: string }) => `Reposition: ${say}`,
  'change-sides-swapped': ({ on, side }: { on: string; side: string | null }) =>
    `Left and right have changed places on the ${on === 'floor' ? 'wall' : on}: ${side === null ? 'an organ of one side' : `the ${side} side`} now lies across from where it was`,
  'change-support-away': ({ kind }: { kind: 'block' | 'stool' }) =>
    kind === 'block' ? 'Block away' : 'Up from the stool',
  'change-support': ({ kind, mm }: { kind: 'block' | 'stool'; mm: number }, { unit }: Speech) =>
    kind === 'block'
      ? `Block ${formatLength(mm, unit)} high under the feet`
      : `Onto the stool, ${formatLength(mm, unit)} lower`,
  'change-aid-away': ({ aid }: { aid: string }) => `Away: ${aid}`,
  'change-aid': ({ aid }: { aid: string }) => `Ready: ${aid}`,
  'change-holder': ({ from, ...to }: { from: HolderKind } & Plate) =>
    `Receptor out of the ${HOLDER_WORDS[from]}; ${plate(to)}`,
  'change-receptor': ({ out, ...into }: { out: string } & Plate) => `Receptor ${out} out, ${plate(into)} in`,
  'change-orientation': ({ orientation }: { orientation: string }) => `Receptor turned ${orientation}`,
  'change-grid': ({ ratio }: { ratio: number }) => (ratio === 0 ? 'Grid removed' : `Grid ${ratio}:1`),
  'change-detent': ({ holder }: { holder: HolderKind }) => `Tube into its detent over the ${HOLDER_WORDS[holder]}`,
  'change-detent-out': ({ holder }: { holder: HolderKind }) =>
    `Tube out of its detent: the receptor is ${atHolder(holder)}`,
  'change-sid': ({ fromMm, toMm }: { fromMm: number; toMm: number }, { unit }: Speech) =>
    `SID ${formatLength(fromMm, unit)} → ${formatLength(toMm, unit)}`,
  'change-angle-off': (was: Tilt) => `Take the ${was.acrossDeg > 0 ? tilt(was) : formatAngle(was.deg)} off`,
  'change-angle': (is: Tilt) => `Tube ${tilt(is)}`,
  'change-recentre': (
    { tray, mm, toward: end, back }: { tray: boolean; mm: number; toward: string; back: boolean },
    { unit }: Speech,
  ) =>
    `${tray ? 'Tray, not the table top,' : 'Receptor'} ${formatLength(mm, unit)} ${movedTo(end)}, ${back ? 'back ' : ''}under the CR`,
  'change-shift': ({ mm, says }: { mm: number; says: string | null }, { unit }: Speech) =>
    `Receptor ${formatLength(mm, unit)} ${movedTo(says)}, under the CR`,
  'change-end-for-end': ({ head }: { head: string }) =>
    `Turn the patient end for end, head to the ${head} of the table: top and tray reach no further`,
  'change-slide': ({ mm, end }: { mm: number; end: string }, { unit }: Speech) =>
    `Slide the patient ${formatLength(mm, unit)} on the table top toward its ${end}: top and tray reach no further`,
  'change-slide-across': ({ mm, to, edgeMm }: { mm: number; to: string; edgeMm: number | null }, { unit }: Speech) =>
    `Slide the patient ${formatLength(mm, unit)} across toward the ${to}: the top floats no further${edgeMm !== null && edgeMm < NEAR_EDGE_MM ? `. ${edgeMm > 0 ? `${formatLength(edgeMm, unit)} to the edge` : 'At the edge'}: a rail up or somebody on that side` : ''}`,
  'change-out-of-reach': () =>
    'Top and tray do not reach this part however the patient lies: a loose receptor, or another table',
  'change-top': (
    { alongMm, end, acrossMm, to }: { alongMm: number; end: string; acrossMm: number; to: string },
    { unit }: Speech,
  ) =>
    `Table top ${[
      ...(alongMm > 0 ? [`${formatLength(alongMm, unit)} toward its ${end}`] : []),
      ...(acrossMm > 0 ? [`${formatLength(acrossMm, unit)} across toward the ${to}`] : []),
    ].join(' and ')}, tube and tray stay in line`,
  /** @param atEnd the top can follow no further, which is why they move */
  'change-column': (
    { mm, end, heavy, atEnd }: { mm: number; end: string; heavy: boolean; atEnd: boolean },
    { unit }: Speech,
  ) =>
    `Tube and tray together ${formatLength(mm, unit)} toward the table’s ${end}${!atEnd ? '' : heavy ? ': further out the top does not carry this patient' : ': the top is at its end'}`,
  'change-level': ({ heightMm }: { heightMm: number }, { unit }: Speech) =>
    `Tube turned level, focal spot ${formatLength(heightMm, unit)} above the floor`,
  'change-upright-ray': () => 'Tube turned down again, ray vertical',
  'change-tube-height': ({ mm, heightMm }: { mm: number; heightMm: number }, { unit }: Speech) =>
    `Tube ${formatLength(Math.abs(mm), unit)} ${toward(mm, 'higher', 'lower')}, focal spot ${formatLength(heightMm, unit)} above the floor`,
  'change-wall-height': ({ mm, heightMm }: { mm: number; heightMm: number }, { unit }: Speech) =>
    `Wall stand ${formatLength(Math.abs(mm), unit)} ${toward(mm, 'higher', 'lower')}, its centre ${formatLength(heightMm, unit)} above the floor`,
  'change-centre': (fact: CentreFact, speech: Speech) => centreSaid(fact, speech),
  'change-field': (
    { widthMm, heightMm, smaller }: { widthMm: number; heightMm: number; smaller: boolean },
    { unit }: Speech,
  ) => `Collimate ${smaller ? 'down' : 'out'} to ${formatRectangle(widthMm, heightMm, unit)}`,
  'change-collimator-straight': () => 'Collimator rotated back to 0°',
  'change-collimator': ({ deg }: { deg: number }) => `Collimator rotated ${formatAngle(deg)} along the bone`,
  'change-marker-moved': ({ letters, place }: { letters: readonly string[]; place: string }) =>
    `Marker ${letters.join(' and ')} moved: ${place}`,
  'change-marker': ({ off, on }: { off: readonly string[]; on: readonly string[] }) =>
    `Marker: ${off.join(' and ')} off, ${on.join(' and ')} on`,
  'change-side-software': ({ was, is }: { was: readonly string[]; is: readonly string[] }) =>
    `Side at the console: ${is.join(' and ')} instead of ${was.join(' and ')}`,
  'change-sign-off': ({ sign }: { sign: string }) => `Sign off: ${sign}`,
  'change-sign': ({ sign }: { sign: string }) => `Sign on: ${sign}`,
  'change-shield-moved': ({ shields }: { shields: readonly string[] }) =>
    `Shield moved round with the patient: ${shields.join('; ')}`,
  'change-shield-away': () => 'Shield away',
  'change-shield': ({ shield }: { shield: string }) => `Shield: ${shield}`,
  'change-technique': ({
    kVp,
    mAs,
    aec,
    focus,
  }: {
    kVp: number | null;
    mAs: number | null;
    aec: string | null;
    focus: string | null;
  }) =>
    [
      ...(kVp === null ? [] : [technique({ kVp, mAs })]),
      ...(aec === null ? [] : [aecWords(aec)]),
      ...(focus === null ? [] : [`${focus} focal spot`]),
    ].join(', '),
  'change-breath': ({ words }: { words: string | null }) =>
    words === null ? 'Breath: watched, no words' : `Breath: “${words}”`,
} as const;
