/** The entry of a row of a plan, of the catalogue or of the department's own, set for the digit that is planned. */
import { hasProjection, projectionOf } from '../projections/catalogue';
import { digitsOf, withDigit } from '../projections/digit';
import type { Projection } from '../projections/schema';
import { askedWay } from '../setup/placing/adaptedWay';
import type { Planned } from './orderedExam';

/** @returns null where neither has it any more */
export function plannedEntry(
  { projectionId, way }: Pick<Planned, 'projectionId' | 'way'>,
  own: readonly Projection[] = [],
): Projection | null {
  const entry =
    own.find((each) => each.id === projectionId) ?? (hasProjection(projectionId) ? projectionOf(projectionId) : null);
  const { digit } = askedWay(way);
  return entry && digit !== undefined && digitsOf(entry).includes(digit) ? withDigit(entry, digit) : entry;
}

/**
 * What a row is called, with its side.
 * @example plannedName({ projectionId: 'toes-lateral', side: 'left', way: 'digit5' }) // "Fifth toe, lateral, left"
 */
export const plannedName = (planned: Planned, own: readonly Projection[] = []): string =>
  `${plannedEntry(planned, own)?.name ?? planned.projectionId}${planned.side ? `, ${planned.side}` : ''}`;
