/** The one verdict on a view for a patient and situation, as data: what bars it, whom to ask, and what serves instead. */
import { hasProjection, projectionOf } from '../projections/catalogue';
import { computeSetup } from './computeSetup';
import { sideView } from './placing/side';
import { bars, blocks, type Problem } from './problem';
import { entryOf, situationFor, type SetupRequest } from './request';
import type { Setup } from './setup';
import { forbiddenView } from './verdict/verdict';

export type Instead = {
  projectionId: string;
  name: string;
  loses: string;
  /** Can be done as it is taught; else only in another way. */
  asUsual: boolean;
};
export type Verdict = {
  /** Nothing of patient or situation bars it. */
  allowed: boolean;
  /** Nor anything of room, tube or model. */
  feasible: boolean;
  /** All that blocks it, as codes with their values and as they are said. */
  problems: Problem[];
  /** What the entry names in its place and this patient may have; only where it is barred. */
  instead: Instead[];
};

/** Entries that are named in its place, for the same patient, where nothing forbids them outright. */
function servesInstead(request: SetupRequest): Instead[] {
  const { instead } = entryOf(request);
  const { own: _own, digit: _digit, way: _way, overrides: _overrides, side, ...base } = request;
  return instead.flatMap(({ projection, loses }) => {
    if (!hasProjection(projection)) return [];
    const entry = projectionOf(projection);
    const own = {
      ...base,
      projectionId: projection,
      side: entry.sided === 'none' && !entry.nearSide ? undefined : side,
    };
    if (entry.sided === 'each' && !side) return [];
    const situation = situationFor(request.patient?.ageYears, request.situation);
    const subject = { amputated: request.patient?.amputated ?? [], view: sideView(own.side ?? null) };
    if (forbiddenView(entry, situation, subject)) return [];
    return [{ projectionId: projection, name: entry.name, loses, asUsual: computeSetup(own).feasible }];
  });
}

/**
 * @param setup of the same request, where it has been computed already
 * @throws RangeError as `computeSetup`
 * @example judge({ projectionId: 'acromioclavicular-ap-weights', situation: { fractureSuspected: true } }).allowed // false
 */
export function judge(request: SetupRequest, setup: Setup = computeSetup(request)): Verdict {
  const allowed = !setup.problems.some(bars);
  return {
    allowed,
    feasible: setup.feasible,
    problems: setup.problems.filter(blocks),
    instead: allowed ? [] : servesInstead(request),
  };
}
