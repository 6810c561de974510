/** A joint that does not straighten, shown in two exposures. */
import type { Half } from '../setup/placing/adaptedWay';
import type { TargetRelation } from '../setup/placing/targetRelation';
import { said } from './assess';
import { cost } from './costs';
import type { OtherWay } from './otherWay';
import type { WayPrices } from './wayPrices';

/** Upper and lower half of a joint belong together, as two exposures of one way: the cheapest pair. */
export function joinHalves(found: readonly OtherWay[], target: TargetRelation, prices: WayPrices): OtherWay[] {
  const halves = (half: Half) => found.filter(({ request }) => request.way?.half === half);
  const joint = target.joint?.says ?? 'joint';
  const pairs = halves('upper').flatMap((upper) =>
    halves('lower')
      .filter(
        ({ setup }) => setup.position.body === upper.setup.position.body && setup.tube.beam === upper.setup.tube.beam,
      )
      .map((lower): OtherWay => {
        const dearer = lower.points > upper.points ? lower : upper;
        return {
          ...upper,
          id: `${upper.id}+${lower.id}`,
          says: `${upper.says}. Then ${lower.says.charAt(0).toLowerCase()}${lower.says.slice(1)}`,
          second: lower.setup,
          secondRequest: lower.request,
          keeps: [...upper.keeps, said('keeps-halves', { joint })],
          costs: [...dearer.costs, cost('second', prices.second, 'cost-second', {}, 'in')],
          tell: [...upper.tell, said('tell-halves', { joint })],
          points: dearer.points + prices.second,
        };
      }),
  );
  const whole = found.filter(({ request }) => request.way?.half !== 'upper' && request.way?.half !== 'lower');
  return [...whole, ...pairs.sort((a, b) => a.points - b.points).slice(0, 1)];
}
