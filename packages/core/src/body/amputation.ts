/** Parts that a patient no longer has. How long a stump is is not known to the model: it keeps its length. */
import { jointOf, mannequin } from './mannequin';
import type { Amputation } from './patient';

/** The segment that was cut through, and the first that is gone with all that hangs on it. */
const CUTS = {
  'arm above the elbow': { stump: ['upperarm'], gone: 'forearm' },
  'arm below the elbow': { stump: ['forearm', 'radius'], gone: 'hand' },
  'leg above the knee': { stump: ['thigh'], gone: 'shank' },
  'leg below the knee': { stump: ['shank'], gone: 'talus' },
} as const;

const parentOf = new Map(mannequin.segments.map(({ id, parent }) => [id, parent]));
const hangsOn = (segment: string | null | undefined, from: string): boolean =>
  segment === from || (segment != null && hangsOn(parentOf.get(segment), from));

function cutOf(amputation: Amputation): { stump: string[]; gone: string } {
  const [side, ...level] = amputation.split(' ');
  const letter = side === 'left' ? 'L' : 'R';
  const { stump, gone } = CUTS[level.join(' ') as keyof typeof CUTS];
  return { stump: stump.map((each) => `${each}_${letter}`), gone: `${gone}_${letter}` };
}

const KNEECAP: Readonly<Record<string, string>> = { shank_L: 'patella_L', shank_R: 'patella_R' };

/** Segments that are gone. @example goneSegments(['left leg below the knee']).has('foot_L') // true */
export function goneSegments(amputations: readonly Amputation[]): ReadonlySet<string> {
  const gone = amputations.map((each) => cutOf(each).gone);
  return new Set(
    mannequin.segments
      .map(({ id }) => id)
      .filter((id) => gone.some((first) => hangsOn(id, first) || KNEECAP[first] === id)),
  );
}

/** The amputation that has taken a place of the body, or the far half of what it cut through; null where it is there. */
export function amputationAt(
  { segment, height }: { segment: string; height: number },
  amputations: readonly Amputation[],
): Amputation | null {
  for (const amputation of amputations) {
    const { stump, gone } = cutOf(amputation);
    if (goneSegments([amputation]).has(segment)) return amputation;
    if (!stump.includes(segment)) continue;
    const [near, far] = [stump[0], gone].map((each) => jointOf(each)[2]);
    if (height < (near + far) / 2) return amputation;
  }
  return null;
}
