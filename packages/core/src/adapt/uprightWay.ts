/** A view done upright, for who asks for everything upright: standing, or seated where the patient cannot stand. */
import { computeSetup } from '../setup/computeSetup';
import type { SetupRequest } from '../setup/request';
import type { Setup } from '../setup/setup';
import { findOtherWays } from './findOtherWays';
import type { OtherWay } from './otherWay';
import type { WayPrices } from './wayPrices';

const UPRIGHT: ReadonlySet<Setup['position']['body']> = new Set<Setup['position']['body']>(['upright', 'seated']);
const isUpright = ({ position }: Setup): boolean => UPRIGHT.has(position.body);

/**
 * @property as `is`: it is done upright as it is planned; `other`: in this way, of those that cost least; `none`: this
 * patient, or this room, has no upright way that is safe
 */
export type UprightWay = { as: 'is' } | { as: 'other'; way: OtherWay } | { as: 'none' };

/**
 * @param request of one view as it is planned, with its way
 * @throws RangeError as `computeSetup`
 * @example uprightWay({ projectionId: 'abdomen-ap-supine' }) // { as: 'other', way: … upright … }
 */
export function uprightWay(request: SetupRequest, prices?: Partial<WayPrices>): UprightWay {
  if (isUpright(computeSetup(request))) return { as: 'is' };
  const { way: _way, overrides: _overrides, ...base } = request;
  // Nobody is laid down: what is found is upright or half sitting.
  const found = findOtherWays({ ...base, situation: { ...base.situation, canLieFlat: false } }, prices);
  const fits = ({ setup, second, request: asked }: OtherWay): boolean =>
    second === null &&
    setup.projectionId === request.projectionId &&
    isUpright(setup) &&
    // What was taken for granted never opens what this patient must not do.
    computeSetup({ ...base, ...asked }).feasible;
  const way = found.find(fits);
  return way ? { as: 'other', way } : { as: 'none' };
}
