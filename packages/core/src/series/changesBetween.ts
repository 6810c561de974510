/**
 * What changes from one exposure to the next, as verbs, in the order of the hands - with what must be undone.
 */
import { formatAngle } from '../quantity/angle';
import { formatLength, formatRectangle, type LengthUnit } from '../quantity/length';
import { HOLDER_WORDS } from '../setup/way';
import { positionName } from '../room/position';
import type { Setup } from '../setup/setup';

export type ChangeKind =
  | 'position'
  | 'receptor'
  | 'grid'
  | 'sid'
  | 'angle'
  | 'recentre'
  | 'centre'
  | 'field'
  | 'marker'
  | 'technique'
  | 'breathing';
export type Readout = 'receptor' | 'sid' | 'tube' | 'centre' | 'field';
export type Change = {
  kind: ChangeKind;
  text: string;
  /** Takes back something that the last view needed. */ undo: boolean;
  readout: Readout | null;
  was: string | null;
};

/** Smaller differences than this are not worth a move. */
const SAME_MM = 6;

const receptorWords = (s: Setup): string =>
  `${s.receptor.size.name}${s.receptor.size.fixed ? '' : ` ${s.receptor.orientation}`}, ${HOLDER_WORDS[s.receptor.holder]}`;
const angleWords = (s: Setup): string =>
  s.tube.angleDeg === 0 ? '0°' : `${formatAngle(s.tube.angleDeg)} to the ${s.tube.angleSays}`;
const positionWords = (s: Setup): string =>
  `${positionName(s.position.body)}${s.position.nearSide ? `, ${s.position.nearSide} side on the receptor` : ''}`;

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

  const turned =
    before.position.body !== after.position.body ||
    before.position.facing !== after.position.facing ||
    before.position.nearSide !== after.position.nearSide ||
    before.side !== after.side;
  if (turned || before.position.say !== after.position.say)
    put('position', turned ? `Turn: ${positionWords(after)}. ${after.position.say}` : after.position.say);
  for (const support of before.position.supports)
    if (!after.position.supports.includes(support)) put('position', 'Block away', { undo: true });

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
  if (Math.abs(a.sidMm - b.sidMm) >= SAME_MM)
    put('sid', `SID ${formatLength(b.sidMm, unit)} → ${formatLength(a.sidMm, unit)}`, {
      readout: 'sid',
      was: formatLength(b.sidMm, unit),
    });

  const sameAngle = Math.abs(a.angleDeg - b.angleDeg) < 0.5 && a.angleToward === b.angleToward;
  if (!sameAngle) {
    if (b.angleDeg > 0)
      put('angle', `Take the ${formatAngle(b.angleDeg)} off`, { undo: true, readout: 'tube', was: angleWords(before) });
    if (a.angleDeg > 0) put('angle', `Tube ${angleWords(after)}`, { readout: 'tube', was: angleWords(before) });
  }
  const offset = (s: Setup) => s.tube.receptorShiftMm * (s.tube.receptorShiftToward === 'feet' ? -1 : 1);
  const move = offset(after) - offset(before);
  if (Math.abs(move) >= SAME_MM && !turned) {
    const back = Math.abs(offset(after)) < Math.abs(offset(before));
    put(
      'recentre',
      `Receptor ${formatLength(Math.abs(move), unit)} toward the ${move > 0 ? 'head' : 'feet'}, ${back ? 'back ' : ''}under the ray`,
      { undo: back, readout: 'receptor' },
    );
  } else if (offset(after) !== 0 && turned)
    put(
      'recentre',
      `Receptor ${formatLength(a.receptorShiftMm, unit)} toward the ${a.receptorShiftSays}, under the ray`,
    );

  if (before.centre.text !== after.centre.text)
    put('centre', after.centre.text, { readout: 'centre', was: before.centre.text });
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
  if (before.marker.letter !== after.marker.letter || turned)
    put(
      'marker',
      before.marker.letter === after.marker.letter
        ? `Marker ${after.marker.letter} moved: ${after.marker.place}`
        : `Marker: ${before.marker.letter} off, ${after.marker.letter} on`,
      { undo: before.marker.letter !== after.marker.letter },
    );
  if (before.exposure.kVp !== after.exposure.kVp || before.exposure.mAs !== after.exposure.mAs)
    put('technique', `${after.exposure.kVp} kVp, ${after.exposure.mAs} mAs`, {
      was: `${before.exposure.kVp} kVp, ${before.exposure.mAs} mAs`,
    });
  if (before.breathing.words !== after.breathing.words) put('breathing', `Breath: “${after.breathing.words}”`);
  return changes;
}
