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
  /** @param topMm travel of the table top, toward the feet above 0; the rest is where the CR goes in */
  'change-centre': ({ topMm, ...fact }: CentreFact & { topMm: number }, speech: Speech) =>
    topMm === 0
      ? centreSaid(fact, speech)
      : `${centreSaid(fact, speech)}; table top ${formatLength(Math.abs(topMm), speech.unit)} ${toward(topMm, 'caudad', 'cephalad')}, tube and tray stay in line`,
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
