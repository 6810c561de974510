/**
 * The whole answer to the question for other ways; where none was found, what blocks the view as it is taught, and who can
 * decide about it.
 */
import type { BodyPosition } from '../projections/vocabulary';
import { computeSetup } from '../setup/computeSetup';
import { bars, blocks, type Problem } from '../setup/problem';
import { entryOf, type SetupRequest } from '../setup/request';
import type { Forbidden } from '../setup/verdict/verdict';
import { ASKED_WORDS, type Asked } from '../words/reasonWords';
import { findOtherWays, whyForbidden } from './findOtherWays';
import type { OtherWay } from './otherWay';
import type { WayPrices } from './wayPrices';

export type NoWay = {
  /** Of the position with the least in its way. */
  problems: Problem[];
  asked: Asked;
  ask: string;
};

const OF_ROOM: ReadonlySet<Problem['code']> = new Set([
  'no-holder',
  'table-load',
  'angle-limit',
  'tube-load',
  'tube-low',
] satisfies Problem['code'][]);

function askedFor(problems: readonly Problem[]): Asked {
  if (problems.some(bars)) return 'physician-or-radiologist';
  return problems.some(({ code }) => OF_ROOM.has(code)) ? 'lead-or-radiologist' : 'radiologist-which-view';
}

/**
 * @param request one to which `findOtherWays` has no answer
 * @throws RangeError as `computeSetup`
 * @example whyNoWay({ projectionId: 'pelvis-inlet', situation: { place: 'chair', canStand: false } }).ask // "the physician …"
 */
function whyNoWay(request: SetupRequest): NoWay {
  const { way: _way, overrides: _overrides, ...base } = request;
  const entry = entryOf(request);
  const side = request.side ?? (entry.sided === 'each' ? ('left' as const) : undefined);
  const positions = [...new Set(entry.positions.map(({ body }): BodyPosition => body))];
  const [least = []] = positions
    .map((position) => computeSetup({ ...base, side, overrides: { position } }).problems.filter(blocks))
    .sort((a, b) => a.length - b.length);
  const asked = askedFor(least);
  return { problems: least, asked, ask: ASKED_WORDS[asked] };
}

export type WaysAnswer = {
  /** Why the view itself must not be done. */
  forbidden: Forbidden | null;
  /** Where nothing was found and nothing forbids the view itself. */
  noWay: NoWay | null;
  ways: OtherWay[];
};

/** @throws RangeError as `computeSetup`; @param prices as for `findOtherWays` */
export function waysAnswer(request: SetupRequest, prices?: Partial<WayPrices>): WaysAnswer {
  const forbidden = whyForbidden(request);
  const ways = findOtherWays(request, prices);
  return { forbidden, noWay: !forbidden && ways.length === 0 ? whyNoWay(request) : null, ways };
}
