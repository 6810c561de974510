/** The right answer to an exercise, worked out from the set-up and the planner. */
import { NO_POSITIONING_ERROR } from '../radiograph/positioningError';
import type { Room } from '../room/room';
import { planSeries } from '../series/planSeries';
import type { ExerciseAnswer } from './answer';
import type { Scenario } from './scenario';
import { faultyOf, setupOf, signedAngle } from './start';

export function solutionOf(scenario: Scenario, room: Room): ExerciseAnswer {
  const setup = setupOf(scenario.of, room);
  switch (scenario.kind) {
    case 'set it up':
      return {
        kind: 'set it up',
        sidMm: setup.tube.sidMm,
        angleDeg: signedAngle(setup),
        receptorId: setup.receptor.size.id,
        orientation: setup.receptor.orientation,
        fieldMm: [setup.field.atReceptorMm.width, setup.field.atReceptorMm.height],
        marker: setup.marker.letter,
        positioningError: NO_POSITIONING_ERROR,
      };
    case 'spot the fault': {
      const { fault, direction, amount } = faultyOf(scenario, room);
      return { kind: 'spot the fault', faultId: fault.id, direction, amount };
    }
    case 'which view':
      return { kind: 'which view', projectionId: scenario.of.projectionId };
    case 'fewest turns': {
      const { patient, situation } = scenario.of;
      return { kind: 'fewest turns', order: planSeries({ patient, situation, room, items: scenario.items }).order };
    }
  }
}
