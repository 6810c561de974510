/** What of this patient changes the exposure besides size. */
import type { TechniqueFactor } from '../../exposure/convert';
import { BOARD, CASTS, CONDITIONS } from '../../exposure/multipliers';
import type { Situation } from '../request';

/** Cast, board and condition as factors of the technique; those that change nothing left out. */
export const multipliersOf = ({ cast, condition }: Situation, throughBoard: boolean): TechniqueFactor[] =>
  [
    { name: 'cast' as const, factor: CASTS[cast].factor },
    { name: 'board' as const, factor: throughBoard ? BOARD.factor : 1 },
    { name: 'condition' as const, factor: CONDITIONS[condition].factor },
  ].filter(({ factor }) => factor !== 1);
