/** A row of the plan: a view, or both sides of it; what it costs, and what can be done with it. */
import { hasProjection, projectionOf, type Projection } from '@taktik/core';
import type { HTMLAttributes } from 'react';
import { View } from 'react-native';
import type { PlanView } from '../../workers/service';
import { CornerTicks } from '../../ui/CornerTicks';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { TARGET } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { DigitChoice } from '../setup/DigitChoice';
import type { PlanRow } from './planRows';

type Side = 'left' | 'right';
type Step = Extract<PlanView, { steps: unknown }>['steps'][number];
type Props = {
  row: PlanRow;
  name: string;
  /** What each exposure of it costs, where that is known. */
  steps: readonly Pick<Step, 'points' | 'costs' | 'turn'>[];
  /** How it is done, where that is another way than the usual one. */
  position: string | null;
  /** Why it must not be done, or null. */
  why: string | null;
  exposed: boolean;
  busy: boolean;
  wide: boolean;
  dragging: boolean;
  over: boolean;
  handle: HTMLAttributes<HTMLDivElement>;
  open: boolean;
  onOpen: () => void;
  /** Null where it is the first, or the last. */
  onEarlier: (() => void) | null;
  onLater: (() => void) | null;
  /** Null where it is in no catalogue any more. */
  entry: Projection | null;
  way: string | undefined;
  onWay: (way: string | undefined) => void;
  onReplace: (projectionId: string) => void;
  sides: readonly Side[];
  onOtherFirst: () => void;
  onKeepSide: (side: Side) => void;
  /** Null for the last one, which stays. */
  onDrop: (() => void) | null;
};

/** A name that is left less room than this gets a line of its own, the keys under it. */
const NAME_WIDTH = 150;

export function PlanRowCard(props: Props) {
  const { row, name, steps, position, why, exposed, busy, wide, dragging, over, handle, open, onOpen } = props;
  const theme = useTheme();
  const points = steps.reduce((sum, step) => sum + step.points, 0);
  const costs = steps.map((step) => step.costs.join(', ')).filter((each) => each !== '');
  return (
    <View style={{ backgroundColor: dragging ? theme.raised : theme.surface, borderRadius: 4, padding: 10, gap: 4 }}>
      {over && <CornerTicks />}
      <View
        style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', justifyContent: 'flex-end', gap: 4 }}
      >
        <Words kind="heading" tone="lamp" style={{ minWidth: 24 }}>
          {row.map((at) => at + 1).join('–')}
        </Words>
        <Words kind="bold" style={{ flexGrow: 1, flexShrink: 1, flexBasis: NAME_WIDTH }}>
          {name}
        </Words>
        {exposed ? (
          <Words kind="small" tone="sage">
            ✓ exposed
          </Words>
        ) : (
          <>
            <div aria-hidden {...handle}>
              <View style={{ width: TARGET, height: TARGET, alignItems: 'center', justifyContent: 'center' }}>
                <Words kind="heading" tone="soft">
                  ⠿
                </Words>
              </View>
            </div>
            {wide && <Moves {...props} />}
            <Key label={`${wide ? 'Swap' : 'Move, swap'} or drop: ${name}`} sign="⋯" disabled={busy} onPress={onOpen} />
          </>
        )}
      </View>
      {position !== null && <Words kind="small" tone="mauve">{`◇ ${position}`}</Words>}
      {points > 0 && (
        <Words kind="small" tone="soft">
          {`${steps.some(({ turn }) => turn) ? '↻ turn · ' : ''}${points} points: ${costs.join('; then ')}`}
        </Words>
      )}
      {why !== null && <Words kind="small" tone="brick">{`▲ ${why}`}</Words>}
      {open && <RowSheet {...props} />}
    </View>
  );
}

function Moves({ name, busy, onEarlier, onLater }: Props) {
  return (
    <>
      <Key label={`Earlier: ${name}`} sign="↑" disabled={!onEarlier || busy} onPress={() => onEarlier?.()} />
      <Key label={`Later: ${name}`} sign="↓" disabled={!onLater || busy} onPress={() => onLater?.()} />
    </>
  );
}

/** What stands under a row that was opened. */
function RowSheet(props: Props) {
  const { name, wide, entry, way, onWay, onReplace, sides, onOtherFirst, onKeepSide, onDrop } = props;
  const theme = useTheme();
  const key = { padding: 10, backgroundColor: theme.raised };
  return (
    <View style={{ gap: 6 }}>
      {!wide && (
        <View style={{ flexDirection: 'row', gap: 4 }}>
          <Moves {...props} />
        </View>
      )}
      {sides.length === 2 && (
        <>
          <Press label={`The ${sides[1]} first`} onPress={onOtherFirst} style={key}>
            <Words>{`The ${sides[1]} first`}</Words>
          </Press>
          {sides.map((side) => (
            <Press key={side} label={`Only the ${side}: ${name}`} onPress={() => onKeepSide(side)} style={key}>
              <Words>{`Only the ${side}`}</Words>
            </Press>
          ))}
        </>
      )}
      {entry && <DigitChoice {...{ entry, way }} onChange={onWay} />}
      {(entry?.instead ?? []).map(
        ({ projection, loses }) =>
          hasProjection(projection) && (
            <Press
              key={projection}
              label={`Instead: ${projectionOf(projection).name}. ${loses}`}
              onPress={() => onReplace(projection)}
              style={key}
            >
              <Words>{`Instead: ${projectionOf(projection).name}`}</Words>
              <Words kind="small" tone="soft">
                {loses}
              </Words>
            </Press>
          ),
      )}
      <Press label={`Drop ${name} from the plan`} disabled={!onDrop} onPress={() => onDrop?.()} style={key}>
        <Words tone="brick">{onDrop ? 'Drop from the plan' : 'The last one stays'}</Words>
      </Press>
    </View>
  );
}

function Key({
  label,
  sign,
  disabled,
  onPress,
}: {
  label: string;
  sign: string;
  disabled: boolean;
  onPress: () => void;
}) {
  return (
    <Press label={label} plain disabled={disabled} onPress={onPress} style={{ alignItems: 'center' }}>
      <Words kind="heading">{sign}</Words>
    </Press>
  );
}
