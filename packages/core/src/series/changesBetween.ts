/**
 * What changes from one exposure to the next, as verbs, in the order of the hands - with what must be undone.
 */
import { formatLength, formatRectangle, type LengthUnit } from '../quantity/length';
import { CHANGE_WORDS } from '../words/changeWords';
import type { Values, ValuesOf } from '../words/fact';
import { HOLDER_WORDS } from '../words/names';
import { say } from '../words/say';
import type { Room } from '../room/room';
import type { Setup } from '../setup/setup';
import type { Support } from '../setup/placing/support';
import { techniqueWords, tiltWords } from '../setup/readouts/words';
import { roomMoves } from './roomMoves';
import type { RoomState } from './roomState';
import { centreFactOf, isTurn, movesBetween, SAME_MM } from './moves';

/** The order of the hands. */
export const CHANGE_KINDS = [
  'position',
  'slide',
  'side',
  'aids',
  'receptor',
  'grid',
  'detent',
  'sid',
  'height',
  'angle',
  'recentre',
  'top',
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
  /** What changes, and its values: what is decided by. */
  code: ChangeCode;
  values: Values;
  text: string;
  /** Takes back something that the last view needed. */ undo: boolean;
  readout: Readout | null;
  was: string | null;
};
export type ChangeCode = keyof typeof CHANGE_WORDS;
export const CHANGE_CODES = Object.keys(CHANGE_WORDS) as [ChangeCode, ...ChangeCode[]];

const plateOf = ({ receptor: { size, holder, orientation } }: Setup) => ({
  size: size.name,
  holder,
  orientation: size.fixed ? null : orientation,
});
const plateWords = (s: Setup): string =>
  `${s.receptor.size.name}${s.receptor.size.fixed ? '' : ` ${s.receptor.orientation}`}, ${HOLDER_WORDS[s.receptor.holder]}`;
const samePlate = (a: Setup, b: Setup): boolean => JSON.stringify(plateOf(a)) === JSON.stringify(plateOf(b));
const tiltOf = ({ tube }: Setup) => ({
  deg: tube.angleDeg,
  toward: tube.angleSays,
  acrossDeg: tube.acrossDeg,
  acrossToward: tube.acrossSays,
});
const isTilted = ({ tube }: Setup): boolean => tube.angleDeg > 0 || tube.acrossDeg > 0;
const masOf = ({ exposure: { mAs, masKnown } }: Setup): number | null => (masKnown ? mAs : null);

/** Holders in line with which the tube clicks into a detent. */
const DETENTS = new Set(['table-tray', 'wall']);
const inDetent = (s: Setup): boolean => DETENTS.has(s.receptor.holder);

const shieldsOf = ({ protection }: Setup): string[] => protection.flatMap(({ text, lead }) => (lead ? [text] : []));
/** 0: there is none. */
const heightOf = ({ position }: Setup, kind: Support['kind']): number =>
  position.supports.find((each) => each.kind === kind)?.mm ?? 0;
const sameLetters = (a: Setup, b: Setup): boolean => a.marker.letters.join() === b.marker.letters.join();
const missing = (from: readonly string[], inList: readonly string[]): string[] =>
  from.filter((item) => !inList.includes(item));

/** The room of both exposures, and where everything stood after the first; where that is not known it was the first of all. */
export type Where = { room: Room; state?: RoomState | null };

/**
 * @param before the last exposure, or null for the first of a series (nothing to compare: no changes)
 * @param unit leading unit of the words
 * @param where how far table, tray, tube and wall stand are moved is told where the room is known
 */
export function changesBetween(
  before: Setup | null,
  after: Setup,
  unit: LengthUnit = 'in',
  where: Where | null = null,
): Change[] {
  if (!before) return [];
  const changes: Change[] = [];
  const put = <C extends ChangeCode>(
    kind: ChangeKind,
    code: C,
    values: ValuesOf<typeof CHANGE_WORDS, C> & Values,
    options: Partial<Pick<Change, 'readout' | 'undo' | 'was'>> = {},
  ) =>
    changes.push({
      kind,
      code,
      values,
      text: say({ code, values }, { unit }),
      undo: false,
      readout: null,
      was: null,
      ...options,
    });
  const b = before.tube;
  const a = after.tube;

  const moves = movesBetween(before, after);
  const { body, nearSide, say: asked } = after.position;
  const turned =
    before.position.body !== body ||
    before.position.facing !== after.position.facing ||
    before.position.nearSide !== nearSide ||
    before.side !== after.side;
  if (isTurn(moves)) put('position', 'change-turn', { body, nearSide, say: asked });
  else if (turned && moves.otherLimb) put('position', 'change-limb', { side: after.side, say: asked });
  else if (turned || moves.limb || before.position.say !== asked) put('position', 'change-position', { say: asked });
  const room = where && roomMoves(before, after, where);
  for (const { kind, code, values, undo } of room?.patient ?? []) put(kind, code, values as never, { undo });
  if (moves.sideSwapped) put('side', 'change-sides-swapped', { on: a.heightOver, side: after.side }, { undo: true });
  for (const { kind } of before.position.supports)
    if (!heightOf(after, kind)) put('aids', 'change-support-away', { kind }, { undo: true });
  for (const { kind, mm } of after.position.supports)
    if (Math.abs(mm - heightOf(before, kind)) >= SAME_MM) put('aids', 'change-support', { kind, mm });
  for (const aid of missing(before.aids, after.aids)) put('aids', 'change-aid-away', { aid }, { undo: true });
  for (const aid of missing(after.aids, before.aids)) put('aids', 'change-aid', { aid });

  const readout = { readout: 'receptor', was: plateWords(before) } as const;
  if (!samePlate(before, after)) {
    const [from, out] = [before.receptor.holder, before.receptor.size];
    if (moves.holder) put('receptor', 'change-holder', { from, ...plateOf(after) }, readout);
    else if (out.id !== after.receptor.size.id)
      put('receptor', 'change-receptor', { out: out.name, ...plateOf(after) }, readout);
    else put('receptor', 'change-orientation', { orientation: after.receptor.orientation }, readout);
  }
  const ratio = after.receptor.grid?.ratio ?? 0;
  if (moves.grid) put('grid', 'change-grid', { ratio }, { undo: ratio === 0 });
  const { holder } = after.receptor;
  if (moves.holder && inDetent(after)) put('detent', 'change-detent', { holder });
  else if (moves.holder && inDetent(before)) put('detent', 'change-detent-out', { holder }, { undo: true });
  if (Math.abs(moves.sidMm) >= SAME_MM)
    put('sid', 'change-sid', { fromMm: b.sidMm, toMm: a.sidMm }, { readout: 'sid', was: formatLength(b.sidMm, unit) });

  for (const { kind, code, values, undo } of room?.stand ?? []) put(kind, code, values as never, { undo });

  const tube = { readout: 'tube', was: tiltWords(b) || '0°' } as const;
  if (moves.angle || b.acrossSays !== a.acrossSays) {
    if (isTilted(before)) put('angle', 'change-angle-off', tiltOf(before), { undo: true, ...tube });
    if (isTilted(after)) put('angle', 'change-angle', tiltOf(after), tube);
  }
  const offset = (s: Setup) => s.tube.receptorShiftMm * (s.tube.receptorShiftToward === 'feet' ? -1 : 1);
  const tray = holder === 'table-tray';
  const recentre = (mm: number, ways: readonly [string, string], back: boolean) =>
    put(
      'recentre',
      'change-recentre',
      { tray, mm: Math.abs(mm), toward: ways[mm > 0 ? 0 : 1], back },
      { undo: back, readout: 'receptor' },
    );
  if (!turned && a.ways.join() === b.ways.join()) {
    const mm = offset(after) - offset(before);
    if (Math.abs(mm) >= SAME_MM) recentre(mm, a.ways, Math.abs(offset(after)) < Math.abs(offset(before)));
  } else {
    // Of another part the way along the receptor is another: back first, exactly as it went, then the new one.
    if (!turned && Math.abs(offset(before)) >= SAME_MM) recentre(-offset(before), b.ways, true);
    if (offset(after) !== 0) put('recentre', 'change-shift', { mm: a.receptorShiftMm, says: a.receptorShiftSays });
  }

  for (const { kind, code, values, undo } of room?.table ?? []) put(kind, code, values as never, { undo });
  if (moves.aim) put('centre', 'change-centre', centreFactOf(after), { readout: 'centre', was: before.centre.text });
  const fb = before.field.atReceptorMm;
  const fa = after.field.atReceptorMm;
  if (Math.abs(fb.width - fa.width) >= SAME_MM || Math.abs(fb.height - fa.height) >= SAME_MM)
    put(
      'field',
      'change-field',
      { widthMm: fa.width, heightMm: fa.height, smaller: fa.width * fa.height < fb.width * fb.height },
      { readout: 'field', was: formatRectangle(fb.width, fb.height, unit) },
    );
  const deg = after.field.rotationDeg;
  if (Math.abs(before.field.rotationDeg - deg) >= 1) {
    if (Math.abs(deg) < 1) put('field', 'change-collimator-straight', {}, { undo: true });
    else put('field', 'change-collimator', { deg });
  }
  const { letters, place } = after.marker;
  if (!sameLetters(before, after) && after.marker.spots.length === 0)
    put('marker', 'change-side-software', { was: before.marker.letters, is: letters }, { undo: true });
  else if (!sameLetters(before, after))
    put('marker', 'change-marker', { off: before.marker.letters, on: letters }, { undo: true });
  else if (turned && after.marker.spots.length > 0) put('marker', 'change-marker-moved', { letters, place });
  for (const sign of missing(before.marker.extra, after.marker.extra))
    put('marker', 'change-sign-off', { sign }, { undo: true });
  for (const sign of missing(after.marker.extra, before.marker.extra)) put('marker', 'change-sign', { sign });

  const [shielded, shields] = [shieldsOf(before), shieldsOf(after)];
  if (shielded.length > 0 && shields.length > 0 && isTurn(moves))
    put('shield', 'change-shield-moved', { shields }, { undo: true });
  else if (shielded.length > 0 && shields.length === 0) put('shield', 'change-shield-away', {}, { undo: true });
  else for (const shield of missing(shields, shielded)) put('shield', 'change-shield', { shield });

  const [was, is] = [before.exposure, after.exposure];
  const beam = was.kVp === is.kVp && masOf(before) === masOf(after);
  if (!beam || was.aec !== is.aec || was.focalSpot !== is.focalSpot)
    put(
      'technique',
      'change-technique',
      {
        kVp: beam ? null : is.kVp,
        mAs: beam ? null : masOf(after),
        aec: was.aec === is.aec ? null : is.aec,
        focus: was.focalSpot === is.focalSpot ? null : is.focalSpot,
      },
      { was: techniqueWords(was) },
    );
  if (before.breathing.words !== after.breathing.words)
    put('breathing', 'change-breath', { words: after.breathing.commanded ? after.breathing.words : null });
  return changes;
}
