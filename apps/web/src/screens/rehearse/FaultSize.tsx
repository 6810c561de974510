/** A fault of a picture by its size: which, which way, and by how much it is off what it should be. */
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { useState } from 'react';
import type { FaultChoice } from '../../workers/rehearsal';
import { Words } from '../../ui/Words';

type Direction = 'more' | 'less';
export type SizedFault = { id: string; value: number };
type Props = {
  choices: readonly FaultChoice[];
  /** The measure as it is on the picture; nothing until all of it is said. */
  onSized: (fault: SizedFault | null) => void;
};

/** How far a measure may lie from where it should, one way; a whole number within the range. */
const furthest = ({ target, range }: FaultChoice, direction: Direction): number =>
  Math.max(0, Math.floor(direction === 'more' ? range[1] - target : target - range[0]));

export function FaultSize({ choices, onSized }: Props) {
  const [id, setId] = useState<string | undefined>();
  const [direction, setDirection] = useState<Direction>('more');
  const [off, setOff] = useState<number | undefined>();
  const chosen = choices.find((each) => each.id === id);
  const say = (of: string | undefined, toward: Direction, by: number | undefined) => {
    setId(of);
    setDirection(toward);
    setOff(by);
    const fault = choices.find((each) => each.id === of);
    const sized = fault !== undefined && by !== undefined;
    onSized(sized ? { id: fault.id, value: fault.target + (toward === 'more' ? by : -by) } : null);
  };
  return (
    <>
      <Choice
        label="What is not as it should be"
        options={choices.map((each) => ({ value: each.id, label: each.name }))}
        value={id}
        onChange={(of) => say(of, direction, undefined)}
      />
      {chosen && (
        <>
          {chosen.signs.map((sign) => (
            <Words key={sign} kind="small" tone="soft">{`Also called: ${sign}`}</Words>
          ))}
          <Choice
            label="Which way"
            options={[
              { value: 'more', label: chosen.more },
              { value: 'less', label: chosen.less },
            ]}
            value={direction}
            onChange={(toward) => say(id, toward, off)}
          />
          <Stepper
            label="By how much, on the picture"
            unit={chosen.unit}
            value={off}
            placeholder="0"
            step={1}
            digits={1}
            range={[0, furthest(chosen, direction)]}
            onChange={(by) => say(id, direction, by)}
            onClear={() => say(id, direction, undefined)}
          />
        </>
      )}
    </>
  );
}
