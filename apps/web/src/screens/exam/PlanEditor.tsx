/** The plan of an order: what is exposed, in which order, what that costs, and whether it is what was ordered. */
import { Button } from '@rneui/themed';
import {
  checkPlan,
  examsOf,
  findViews,
  hasProjection,
  projectionOf,
  type PatientInput,
  type Projection,
  type Situation,
} from '@taktik/core';
import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { useDepartmentQuery } from '../../state/api';
import { CornerTicks } from '../../ui/CornerTicks';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Caution } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM, TARGET } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import type { Planned } from '../../state/session';
import { useOwnEntries } from '../projection/useOwnEntries';
import { useDragRows } from './useDragRows';
import { usePlan } from './usePlan';

type Props = {
  order: { exam: string; side: 'left' | 'right' | null; reason?: string };
  plan: readonly Planned[];
  patient: PatientInput;
  situation: Partial<Situation>;
  roomId: string;
  /** Places that are exposed already: they stay. */
  done: readonly number[];
  busy: boolean;
  onChange: (plan: Planned[]) => void;
};

const MOST_HITS = 6;
/** A name that is left less room than this gets a line of its own, the keys under it. */
const NAME_WIDTH = 150;
/** An entry of the catalogue or of the department's own; null where neither has it any more. */
const entryOf = (id: string, own: readonly Projection[]): Projection | null =>
  own.find((each) => each.id === id) ?? (hasProjection(id) ? projectionOf(id) : null);

export function PlanEditor({ order, plan, patient, situation, roomId, done, busy, onChange }: Props) {
  const theme = useTheme();
  // On a phone a row is one line: what moves it stands in its sheet.
  const wide = useWindowDimensions().width >= RAIL_FROM;
  const { data: department } = useDepartmentQuery();
  const { own } = useOwnEntries();
  const nameOf = ({ projectionId, side }: Planned): string =>
    `${entryOf(projectionId, own)?.name ?? projectionId}${side ? `, ${side}` : ''}`;
  const asked = { plan, patient, situation, roomId };
  const kept = usePlan({ ...asked, keepOrder: true });
  const least = usePlan({ ...asked, keepOrder: false });
  const [swapping, setSwapping] = useState<number | null>(null);
  const findings = checkPlan(order, plan, department && examsOf(department), own);
  const move = (from: number, to: number) => {
    if (to < 0 || to >= plan.length || from === to) return;
    const next = plan.filter((_, i) => i !== from);
    next.splice(to, 0, plan[from]);
    setSwapping((open) => (open === from ? to : open));
    onChange(next);
  };
  const { dragged, row, handle } = useDragRows((from, to) => {
    // What is exposed keeps its place.
    if (!busy && !done.includes(to)) move(from, to);
  });
  const replace = (at: number, projectionId: string) => {
    const { sided } = projectionOf(projectionId);
    const side = plan[at].side ?? order.side ?? undefined;
    onChange(plan.map((each, i) => (i === at ? { projectionId, ...(sided === 'each' ? { side } : {}) } : each)));
    setSwapping(null);
  };
  const better =
    least && kept && !('error' in least) && !('error' in kept) && least.effort.points < kept.effort.points - 0.5
      ? least
      : null;
  return (
    <View style={{ gap: 10 }}>
      {findings.map(({ text, kind }) => (
        <Caution key={text} text={`${kind === 'more' ? 'More than was ordered: ' : ''}${text}`} />
      ))}
      <View role="list" aria-label="Plan" style={{ gap: 6 }}>
        {plan.map((planned, at) => {
          const name = nameOf(planned);
          const step = kept && !('error' in kept) ? kept.steps[at] : undefined;
          const barred = kept && !('error' in kept) ? kept.barred.find(({ item }) => item === at) : undefined;
          const fixed = done.includes(at);
          const moves = (
            <>
              <Key label={`Earlier: ${name}`} sign="↑" disabled={at === 0 || busy} onPress={() => move(at, at - 1)} />
              <Key
                label={`Later: ${name}`}
                sign="↓"
                disabled={at === plan.length - 1 || busy}
                onPress={() => move(at, at + 1)}
              />
            </>
          );
          return (
            <div key={`${planned.projectionId}-${planned.side ?? ''}-${at}`} role="listitem" {...row(at)}>
              <View
                style={{
                  backgroundColor: dragged?.from === at ? theme.raised : theme.surface,
                  borderRadius: 4,
                  padding: 10,
                  gap: 4,
                }}
              >
                {dragged?.over === at && dragged.from !== at && <CornerTicks />}
                <View
                  style={{
                    flexDirection: 'row',
                    flexWrap: 'wrap',
                    alignItems: 'center',
                    justifyContent: 'flex-end',
                    gap: 4,
                  }}
                >
                  <Words kind="heading" tone="lamp" style={{ width: 24 }}>
                    {at + 1}
                  </Words>
                  <Words kind="bold" style={{ flexGrow: 1, flexShrink: 1, flexBasis: NAME_WIDTH }}>
                    {name}
                  </Words>
                  {fixed ? (
                    <Words kind="small" tone="sage">
                      ✓ exposed
                    </Words>
                  ) : (
                    <>
                      <div aria-hidden {...handle(at)}>
                        <View style={{ width: TARGET, height: TARGET, alignItems: 'center', justifyContent: 'center' }}>
                          <Words kind="heading" tone="soft">
                            ⠿
                          </Words>
                        </View>
                      </div>
                      {wide && moves}
                      <Key
                        label={`${wide ? 'Swap' : 'Move, swap'} or drop: ${name}`}
                        sign="⋯"
                        disabled={busy}
                        onPress={() => setSwapping(swapping === at ? null : at)}
                      />
                    </>
                  )}
                </View>
                {step && step.points > 0 && (
                  <Words kind="small" tone="soft">
                    {`${step.turn ? '↻ turn · ' : ''}${step.points} points: ${step.costs.join(', ')}`}
                  </Words>
                )}
                {barred && <Words kind="small" tone="brick">{`▲ ${barred.why}`}</Words>}
                {swapping === at && (
                  <View style={{ gap: 6 }}>
                    {!wide && <View style={{ flexDirection: 'row', gap: 4 }}>{moves}</View>}
                    {(entryOf(planned.projectionId, own)?.instead ?? []).map(
                      ({ projection, loses }) =>
                        hasProjection(projection) && (
                          <Press
                            key={projection}
                            label={`Instead: ${projectionOf(projection).name}. ${loses}`}
                            onPress={() => replace(at, projection)}
                            style={{ padding: 10, backgroundColor: theme.raised }}
                          >
                            <Words>{`Instead: ${projectionOf(projection).name}`}</Words>
                            <Words kind="small" tone="soft">
                              {loses}
                            </Words>
                          </Press>
                        ),
                    )}
                    <Press
                      label={`Drop ${name} from the plan`}
                      disabled={plan.length === 1}
                      onPress={() => {
                        setSwapping(null);
                        onChange(plan.filter((_, i) => i !== at));
                      }}
                      style={{ padding: 10, backgroundColor: theme.raised }}
                    >
                      <Words tone="brick">{plan.length === 1 ? 'The last one stays' : 'Drop from the plan'}</Words>
                    </Press>
                  </View>
                )}
              </View>
            </div>
          );
        })}
      </View>
      {kept && 'error' in kept && <Caution text={kept.error} />}
      {kept && !('error' in kept) && (
        <View role="status" style={{ gap: 2 }}>
          <Words kind="bold">
            {`${kept.effort.exposures} ${kept.effort.exposures === 1 ? 'exposure' : 'exposures'}, ${kept.effort.turns} ${kept.effort.turns === 1 ? 'turn' : 'turns'}, ${Math.round(kept.effort.points)} points of work`}
          </Words>
          {kept.broken.map((text) => (
            <Words key={text} kind="small" tone="brick">{`▲ ${text}`}</Words>
          ))}
          {better ? null : (
            <Words kind="small" tone="sage">
              {least && !('error' in least) && !least.least
                ? '✓ No better order found (too many to prove it the least)'
                : '✓ No order of these costs less'}
            </Words>
          )}
        </View>
      )}
      {better && done.length === 0 && (
        <View style={{ gap: 4 }}>
          <Button
            title={`Take the order with ${better.effort.turns} ${better.effort.turns === 1 ? 'turn' : 'turns'}`}
            disabled={busy}
            onPress={() => onChange(better.order.map((item) => plan[item]))}
          />
          <Words kind="small" tone="soft">
            {`${better.says}: ${better.order.map((item) => nameOf(plan[item])).join(', ')}. ${better.constraints.join('. ')}`}
          </Words>
        </View>
      )}
      <Add busy={busy} own={own} side={order.side} onAdd={(planned) => onChange([...plan, planned])} />
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

/** Sides to choose from: the ordered one, or both; of a lateral of the trunk or head the side that is nearest. */
function sidesFor({ sided, nearSide }: Projection, side: 'left' | 'right' | null): ('left' | 'right' | undefined)[] {
  if (sided === 'each') return side ? [side] : ['left', 'right'];
  return nearSide ? ['left', 'right'] : [undefined];
}

function Add({
  busy,
  own,
  side,
  onAdd,
}: {
  busy: boolean;
  own: readonly Projection[];
  side: 'left' | 'right' | null;
  onAdd: (planned: Planned) => void;
}) {
  const theme = useTheme();
  const [words, setWords] = useState('');
  const typed = words.trim().toLowerCase();
  const hits =
    typed === ''
      ? []
      : [
          ...own.filter(({ name }) => name.toLowerCase().includes(typed)),
          ...findViews(words).map(({ projection }) => projection),
        ].slice(0, MOST_HITS);
  const add = (projectionId: string, to?: 'left' | 'right') => {
    onAdd({ projectionId, ...(to ? { side: to } : {}) });
    setWords('');
  };
  return (
    <View style={{ gap: 6 }}>
      <LineInput
        label="Add a projection"
        value={words}
        onChange={setWords}
        max={80}
        placeholder="name, part or order words"
      />
      {hits.flatMap((projection) =>
        sidesFor(projection, side).map((to) => (
          <Press
            key={`${projection.id}-${to ?? ''}`}
            label={`Add ${projection.name}${to ? `, ${to}` : ''}`}
            disabled={busy}
            onPress={() => add(projection.id, to)}
            style={{ padding: 10, backgroundColor: theme.raised }}
          >
            <Words>{`${projection.name}${to ? `, ${to}` : ''}`}</Words>
          </Press>
        )),
      )}
      {words.trim() !== '' && hits.length === 0 && (
        <Words kind="small" tone="soft">
          No projection is called that.
        </Words>
      )}
    </View>
  );
}
