/** Takes a way: into the plan of the exam in hand where it belongs to one, and onto the set-up screen. */
import { useRouter } from 'expo-router';
import { useChangePlan } from '../exam/useChangePlan';
import { toAddress, type Asked } from '../setup/address';
import type { Planned, Session } from '../../state/session';

/** @param index place of the asked projection in the exam in hand, or -1; @param settle writes the address before moving on */
export function useTakeWay(asked: Asked, session: Session | null, index: number, settle: () => Promise<void>) {
  const router = useRouter();
  const { change, busy, problem } = useChangePlan();
  return {
    busy,
    problem,
    take: async (planned: readonly Planned[]) => {
      await settle();
      if (session && index >= 0) {
        const plan = [...session.plan.slice(0, index), ...planned, ...session.plan.slice(index + 1)];
        await change({ id: session.orderId, planVersion: session.planVersion }, plan);
      }
      const [first] = planned;
      router.push({
        pathname: '/setup',
        params: toAddress({ ...asked, ...first, side: first.side ?? asked.side, way: first.way, overrides: undefined }),
      });
    },
  };
}
