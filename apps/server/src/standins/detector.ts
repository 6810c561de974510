/**
 * A stand-in for console and detector: answers with an index that scatters about what this set-up gives the receptor with
 * the part as it lay in the picture that the console shows. The same exposure id always reads the same.
 */
import { consolePositioningError, indexShare, seedOf, type Room, type Setup } from '@taktik/core';

/** Spread of real deviation indices beside that, 1 SD, at the low end of what audits report. */
const SPREAD_DI = 1;

/** A number 0 to 1 from a text, for a repeatable draw. */
const fraction = (text: string): number => seedOf(text) / 0x1_0000_0000;

/** What the errors of positioning in the console's picture do to its index. */
function lyingShare(exposureId: string, setup: Setup, room: Room): number {
  try {
    return indexShare(setup, room, consolePositioningError(exposureId));
  } catch (error) {
    // A set-up that gives no picture still gives a number.
    if (error instanceof RangeError) return 1;
    throw error;
  }
}

/**
 * Outside the model nothing is known of the index but what was aimed at.
 * @param room where it is known the picture is simulated, some 20 ms; else the part counts as lying right
 */
export function readDetector(
  exposureId: string,
  setup: Setup,
  room?: Room,
): { exposureIndex: number; targetIndex: number } {
  const { targetIndex, expected } = setup.exposure;
  // Two draws make one normal deviate (polar method without its loop).
  const [a, b] = [fraction(`${exposureId}a`), fraction(`${exposureId}b`)];
  const deviate = Math.sqrt(-2 * Math.log(Math.max(a, 1e-9))) * Math.cos(2 * Math.PI * b);
  const middle = (expected?.index ?? targetIndex) * (room ? lyingShare(exposureId, setup, room) : 1);
  return { exposureIndex: Math.max(1, Math.round(middle * 10 ** ((deviate * SPREAD_DI) / 10))), targetIndex };
}
