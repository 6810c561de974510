/** The criteria of a projection, measured on the simulated scene: each with what it should be, and pass or fail. */
import type { Setup } from '../setup/setup';
import { measuredFaults, type MeasuredFault } from './correctFault';
import { edgesOf } from './measure';
import { OPEN_SHARE, openingsOf } from './openings';

export type Criterion = {
  id: string;
  name: string;
  unit: 'mm' | '°' | 'ribs' | '%' | 'DI' | 'markers';
  /** At the part for edges, on the receptor for the rest. */
  value: number;
  target: number;
  tolerance: number;
  passes: boolean;
  /** What was read, where a number does not say it. */
  says?: string;
  /** What puts it right, where no motion of the part does. */
  remedy?: string;
};

/** Rounding of a millimetre is no cut. */
const CUT_MM = -1;

/**
 * @param ideal the part as it should lie, @param actual as it lies, under the tube and light as they stand
 * @param faults of the ideal, where they are known
 */
export function measureCriteria(
  ideal: Setup,
  actual: Setup,
  faults: readonly MeasuredFault[] = measuredFaults(ideal),
): Criterion[] {
  const own = faults
    .filter(({ about }) => !about.endsWith('Mm'))
    .map(({ id, name, unit, target, tolerance, measure }): Criterion => {
      const value = measure(actual);
      return { id, name, unit, value, target, tolerance, passes: Math.abs(value - target) <= tolerance };
    });
  const edges = edgesOf(actual).map(({ name, insideMm }): Criterion => ({
    id: `edge ${name}`,
    name,
    unit: 'mm',
    value: insideMm,
    target: 0,
    tolerance: 0,
    passes: insideMm >= CUT_MM,
  }));
  return [...edges, ...own, ...openJoints(ideal, actual)];
}

/** The joints that the entry opens, each as wide as it shows. */
function openJoints(ideal: Setup, actual: Setup): Criterion[] {
  const shown = openingsOf(actual);
  return openingsOf(ideal).flatMap(({ mm, widestMm }, i): Criterion[] => {
    if (mm < widestMm * OPEN_SHARE) return [];
    const { id, name, mm: value } = shown[i];
    const tolerance = widestMm * (1 - OPEN_SHARE);
    return [{ id, name, unit: 'mm', value, target: widestMm, tolerance, passes: value >= widestMm - tolerance }];
  });
}
