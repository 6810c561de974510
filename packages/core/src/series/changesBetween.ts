/**
 * What changes from one exposure to the next, as verbs, in the order of the hands - with what must be undone.
 */
import { formatAngle } from '../quantity/angle';
import { formatLength, formatRectangle, type LengthUnit } from '../quantity/length';
import { HOLDER_WORDS } from '../setup/way';
import { positionName } from '../room/position';
import { applyToPoint, inverse } from '../geometry/frame';
import type { Setup } from '../setup/setup';
import type { Support } from '../setup/support';
import { techniqueWords, tiltWords } from '../setup/words';
import { isTurn, movesBetween, SAME_MM } from './moves';

/** The order of the hands. */
export const CHANGE_KINDS = [
  'position',
  'side',
  'aids',
  'receptor',
  'grid',
  'detent',
  'sid',
  'angle',
  'recentre',
  'centre',
  'field',
  'marker',
  'shield',
  'technique',
  'breathing',
] as const;
export type ChangeKind = (typeof CHANGE_KINDS)[number];
export const READOUTS = ['receptor', 'sid', 'tube', 'centre', 'field'] as const;
export type Readout = (typeof READOUTS)[number];
export type Change = {
  kind: ChangeKind;
  text: string;
  /** Takes back something that the last view needed. */ undo: boolean;
  readout: Readout | null;
  was: string | null;
};

const receptorWords = (s: Setup): string =>
  `${s.receptor.size.name}${s.receptor.size.fixed ? '' : ` ${s.receptor.orientation}`}, ${HOLDER_WORDS[s.receptor.holder]}`;
const angleWords = (s: Setup): string => tiltWords(s.tube) || '0°';
const positionWords = (s: Setup): string =>
  `${positionName(s.position.body)}${s.position.nearSide ? `, ${s.position.nearSide} side on the receptor` : ''}`;

/** Holders in line with which the tube clicks into a detent. */
const DETENTS = new Set(['table-tray', 'wall']);
const inDetent = (s: Setup): boolean => DETENTS.has(s.receptor.holder);

const shieldsOf = ({ protection }: Setup): string[] => protection.flatMap(({ text, lead }) => (lead ? [text] : []));
const SUPPORT_AWAY: Readonly<Record<Support['kind'], string>> = { block: 'Block away', stool: 'Up from the stool' };
const has = (setup: Setup, kind: Support['kind']): boolean =>
  setup.position.supports.some((each) => each.kind === kind);
const aecWords = (s: Setup): string =>
  s.exposure.aec === 'none' ? 'manual' : `AEC ${s.exposure.aec} ${s.exposure.aec === 'centre' ? 'cell' : 'cells'}`;
const lettersOf = ({ marker }: Setup): string => marker.letters.join(' and ');
const missing = (from: readonly string[], inList: readonly string[]): string[] =>
  from.filter((item) => !inList.includes(item));

/** How far the aim went along the body, head positive, mm. */
const aimTravel = (before: Setup, after: Setup): number => {
  const along = (s: Setup): number => applyToPoint(inverse(s.scene.place), s.scene.entry)[2];
  return along(after) - along(before);
};

/**
 * @param before the last exposure, or null for the first of a series (nothing to compare: no changes)
 * @param unit leading unit of the words
 */
export function changesBetween(before: Setup | null, after: Setup, unit: LengthUnit = 'in'): Change[] {
  if (!before) return [];
  const changes: Change[] = [];
  const put = (kind: ChangeKind, text: string, options: Partial<Change> = {}) =>
    changes.push({ kind, text, undo: false, readout: null, was: null, ...options });
  const b = before.tube;
  const a = after.tube;

  const moves = movesBetween(before, after);
  const turned =
    before.position.body !== after.position.body ||
    before.position.facing !== after.position.facing ||
    before.position.nearSide !== after.position.nearSide ||
    before.side !== after.side;
  if (turned || before.position.say !== after.position.say)
    put(
      'position',
      isTurn(moves)
        ? `Turn: ${positionWords(after)}. ${after.position.say}`
        : moves.otherLimb
          ? `Over to the ${after.side} side. ${after.position.say}`
          : after.position.say,
    );
  if (moves.sideSwapped)
    put(
      'side',
      `Left and right have changed places on the ${after.tube.heightOver === 'floor' ? 'wall' : after.tube.heightOver}: ${after.side ? `the ${after.side} side` : 'an organ of one side'} now lies across from where it was`,
      { undo: true },
    );
  for (const { kind } of before.position.supports)
    if (!has(after, kind)) put('aids', SUPPORT_AWAY[kind], { undo: true });
  for (const aid of missing(before.aids, after.aids)) put('aids', `Away: ${aid}`, { undo: true });
  for (const aid of missing(after.aids, before.aids)) put('aids', `Ready: ${aid}`);

  if (receptorWords(before) !== receptorWords(after)) {
    const moved = before.receptor.holder !== after.receptor.holder;
    put(
      'receptor',
      moved
        ? `Receptor out of the ${HOLDER_WORDS[before.receptor.holder]}; ${receptorWords(after)}`
        : before.receptor.size.id !== after.receptor.size.id
          ? `Receptor ${before.receptor.size.name} out, ${receptorWords(after)} in`
          : `Receptor turned ${after.receptor.orientation}`,
      { readout: 'receptor', was: receptorWords(before) },
    );
  }
  const gridWas = before.receptor.grid?.ratio ?? 0;
  const gridIs = after.receptor.grid?.ratio ?? 0;
  if (gridWas !== gridIs) put('grid', gridIs === 0 ? 'Grid out' : `Grid ${gridIs}:1 in`, { undo: gridIs === 0 });
  if (moves.holder && (inDetent(before) || inDetent(after)))
    put(
      'detent',
      inDetent(after)
        ? `Tube into its detent over the ${HOLDER_WORDS[after.receptor.holder]}`
        : `Tube out of its detent: the receptor is ${after.receptor.holder === 'bed' ? 'on the' : 'in the'} ${HOLDER_WORDS[after.receptor.holder]}`,
      { undo: !inDetent(after) },
    );
  if (Math.abs(a.sidMm - b.sidMm) >= SAME_MM)
    put('sid', `SID ${formatLength(b.sidMm, unit)} → ${formatLength(a.sidMm, unit)}`, {
      readout: 'sid',
      was: formatLength(b.sidMm, unit),
    });

  const sameAcross = a.acrossDeg === b.acrossDeg && a.acrossSays === b.acrossSays;
  const sameAngle = Math.abs(a.angleDeg - b.angleDeg) < 0.5 && a.angleToward === b.angleToward && sameAcross;
  if (!sameAngle) {
    if (tiltWords(b) !== '')
      put('angle', `Take the ${b.acrossDeg ? tiltWords(b) : formatAngle(b.angleDeg)} off`, {
        undo: true,
        readout: 'tube',
        was: angleWords(before),
      });
    if (tiltWords(a) !== '') put('angle', `Tube ${angleWords(after)}`, { readout: 'tube', was: angleWords(before) });
  }
  const offset = (s: Setup) => s.tube.receptorShiftMm * (s.tube.receptorShiftToward === 'feet' ? -1 : 1);
  const move = offset(after) - offset(before);
  if (Math.abs(move) >= SAME_MM && !turned) {
    const back = Math.abs(offset(after)) < Math.abs(offset(before));
    put(
      'recentre',
      `${after.receptor.holder === 'table-tray' ? 'Tray, not the table top,' : 'Receptor'} ${formatLength(Math.abs(move), unit)} toward the ${move > 0 ? 'head' : 'feet'}, ${back ? 'back ' : ''}under the ray`,
      { undo: back, readout: 'receptor' },
    );
  } else if (offset(after) !== 0 && turned)
    put(
      'recentre',
      `Receptor ${formatLength(a.receptorShiftMm, unit)} toward the ${a.receptorShiftSays}, under the ray`,
    );

  if (before.centre.text !== after.centre.text) {
    const travel = aimTravel(before, after);
    const topMoves = !moves.holder && after.receptor.holder === 'table-tray' && !isTurn(moves);
    const top =
      topMoves && Math.abs(travel) >= SAME_MM
        ? `; table top ${formatLength(Math.abs(travel), unit)} toward the ${travel > 0 ? 'feet' : 'head'}, tube and tray stay in line`
        : '';
    put('centre', `${after.centre.text}${top}`, { readout: 'centre', was: before.centre.text });
  }
  const fb = before.field.atReceptorMm;
  const fa = after.field.atReceptorMm;
  if (Math.abs(fb.width - fa.width) >= SAME_MM || Math.abs(fb.height - fa.height) >= SAME_MM) {
    const smaller = fa.width * fa.height < fb.width * fb.height;
    put('field', `${smaller ? 'Close' : 'Open'} the light to ${formatRectangle(fa.width, fa.height, unit)}`, {
      readout: 'field',
      was: formatRectangle(fb.width, fb.height, unit),
    });
  }
  if (Math.abs(before.field.rotationDeg - after.field.rotationDeg) >= 1 && Math.abs(after.field.rotationDeg) < 1)
    put('field', 'Collimator back to straight', { undo: true });
  else if (Math.abs(before.field.rotationDeg - after.field.rotationDeg) >= 1)
    put('field', `Collimator turned ${formatAngle(after.field.rotationDeg)} along the bone`);
  if (lettersOf(before) !== lettersOf(after) || turned)
    put(
      'marker',
      lettersOf(before) === lettersOf(after)
        ? `Marker ${lettersOf(after)} moved: ${after.marker.place}`
        : `Marker: ${lettersOf(before)} off, ${lettersOf(after)} on`,
      { undo: lettersOf(before) !== lettersOf(after) },
    );
  for (const sign of missing(before.marker.extra, after.marker.extra))
    put('marker', `Sign off: ${sign}`, { undo: true });
  for (const sign of missing(after.marker.extra, before.marker.extra)) put('marker', `Sign on: ${sign}`);

  const [shielded, shields] = [shieldsOf(before), shieldsOf(after)];
  if (shielded.length > 0 && shields.length > 0 && isTurn(moves))
    put('shield', `Shield moved round with the turn: ${shields.join('; ')}`, { undo: true });
  else if (shielded.length > 0 && shields.length === 0) put('shield', 'Shield away', { undo: true });
  else for (const line of missing(shields, shielded)) put('shield', `Shield: ${line}`);

  const technique = [
    ...(techniqueWords(before.exposure) === techniqueWords(after.exposure) ? [] : [techniqueWords(after.exposure)]),
    ...(aecWords(before) === aecWords(after) ? [] : [aecWords(after)]),
    ...(before.exposure.focalSpot === after.exposure.focalSpot ? [] : [`${after.exposure.focalSpot} focus`]),
  ];
  if (technique.length > 0) put('technique', technique.join(', '), { was: techniqueWords(before.exposure) });
  if (before.breathing.words !== after.breathing.words)
    put('breathing', !after.breathing.commanded ? 'Breath: watched, no words' : `Breath: “${after.breathing.words}”`);
  return changes;
}
