/** The plan of an order: what is exposed, in which order, what that costs, and whether it is what was ordered. */
import { Button } from '@rneui/themed';
import {
  checkPlan,
  examsOf,
  findViews,
  plannedEntry,
  plannedName,
  projectionOf,
  withDefaults,
  type PatientInput,
  type Projection,
  type Situation,
  type Wishes,
} from '@taktik/core';
import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { useDepartmentQuery, useRulesQuery } from '../../state/api';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Caution } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import type { Planned } from '../../state/session';
import { useOwnEntries } from '../projection/useOwnEntries';
import { EverythingUpright } from './EverythingUpright';
import { PlanWishes } from './PlanWishes';
import { PlanRowCard } from './PlanRowCard';
import { TakeForm } from './TakeForm';
import { planRows, withRow, withRowAt, type PlanRow } from './planRows';
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

export function PlanEditor({ order, plan, patient, situation, roomId, done, busy, onChange }: Props) {
  // On a phone a row is one line: what moves it stands in its sheet.
  const wide = useWindowDimensions().width >= RAIL_FROM;
  const { data: department } = useDepartmentQuery();
  const { own } = useOwnEntries();
  const nameOf = (planned: Planned): string => plannedName(planned, own);
  /** A view of both sides says them in the order in which they are exposed. */
  const rowName = (each: PlanRow): string =>
    each.length === 1
      ? nameOf(plan[each[0]]!)
      : `${nameOf({ ...plan[each[0]]!, side: undefined })}, ${each.map((at) => plan[at]!.side).join(', then ')}`;
  const asked = { plan, patient, situation, roomId };
  const kept = usePlan({ ...asked, keepOrder: true });
  const [wishes, setWishes] = useState<Wishes>({});
  const wishing = Object.keys(wishes).length > 0;
  const least = usePlan({ ...asked, wishes, keepOrder: false });
  /** The row whose sheet is open. */
  const [open, setOpen] = useState<number | null>(null);
  const { data: rules } = useRulesQuery();
  const house = { rules: withDefaults(rules), ageYears: patient.ageYears ?? null };
  const findings = checkPlan(order, plan, department && examsOf(department), own, house);
  const rows = planRows(plan, done);
  const move = (from: number, to: number) => {
    if (to < 0 || to >= rows.length || from === to) return;
    setOpen((known) => (known === from ? to : known));
    onChange(withRowAt(plan, rows, from, to));
  };
  const { dragged, row, handle } = useDragRows((from, to) => {
    // What is exposed keeps its place.
    if (!busy && !rows[to]!.some((at) => done.includes(at))) move(from, to);
  });
  const put = (each: PlanRow, instead: readonly Planned[]) => {
    setOpen(null);
    onChange(withRow(plan, each, instead));
  };
  const replace = (each: PlanRow, projectionId: string) => {
    const { sided } = projectionOf(projectionId);
    const sides = each.map((at) => plan[at]!.side ?? order.side ?? undefined);
    put(each, sided === 'each' ? sides.map((side) => ({ projectionId, side })) : [{ projectionId }]);
  };
  const otherOrder = least && !('error' in least) && least.order.some((item, at) => item !== at);
  const better =
    least &&
    kept &&
    !('error' in least) &&
    !('error' in kept) &&
    (wishing ? otherOrder : least.effort.points < kept.effort.points - 0.5)
      ? least
      : null;
  return (
    <View style={{ gap: 10 }}>
      {findings.map(({ text, kind, formId, item }) => (
        <View key={text} style={{ gap: 4 }}>
          <Caution text={`${kind === 'more' ? 'More than was ordered: ' : ''}${text}`} />
          {formId && !(item !== null && done.includes(item)) && (
            <TakeForm
              {...{ formId, patient, situation, roomId, busy }}
              side={(item === null ? null : plan[item]?.side) ?? order.side}
              onTake={(planned) =>
                onChange(item === null ? [...plan, planned] : plan.map((each, at) => (at === item ? planned : each)))
              }
            />
          )}
        </View>
      ))}
      <View role="list" aria-label="Plan" style={{ gap: 6 }}>
        {rows.map((each, place) => {
          const planned = plan[each[0]]!;
          const steps = kept && !('error' in kept) ? each.flatMap((at) => kept.steps[at] ?? []) : [];
          const barred =
            kept && !('error' in kept) ? kept.barred.find(({ item }) => each.some((at) => at === item)) : null;
          return (
            <div key={`${planned.projectionId}-${planned.side ?? ''}-${place}`} role="listitem" {...row(place)}>
              <PlanRowCard
                {...{ row: each, name: rowName(each), steps, busy, wide }}
                position={planned.way ? (steps[0]?.position ?? null) : null}
                why={barred?.why ?? null}
                exposed={each.some((at) => done.includes(at))}
                dragging={dragged?.from === place}
                over={dragged?.over === place && dragged.from !== place}
                handle={handle(place)}
                open={open === place}
                onOpen={() => setOpen(open === place ? null : place)}
                onEarlier={place === 0 ? null : () => move(place, place - 1)}
                onLater={place === rows.length - 1 ? null : () => move(place, place + 1)}
                entry={plannedEntry({ projectionId: planned.projectionId }, own)}
                way={planned.way}
                onWay={(way) =>
                  put(
                    each,
                    each.map((at) => ({ ...plan[at]!, way })),
                  )
                }
                onReplace={(projectionId) => replace(each, projectionId)}
                sides={each.map((at) => plan[at]!.side).filter((side) => side !== undefined)}
                onOtherFirst={() => put(each, each.map((at) => plan[at]!).reverse())}
                onKeepSide={(side) =>
                  put(
                    each,
                    each.map((at) => plan[at]!).filter((one) => one.side === side),
                  )
                }
                onDrop={rows.length === 1 ? null : () => put(each, [])}
              />
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
          {better || wishing ? null : (
            <Words kind="small" tone="sage">
              {least && !('error' in least) && !least.least
                ? '✓ No better order found (too many to prove it the least)'
                : '✓ No order of these costs less'}
            </Words>
          )}
        </View>
      )}
      {done.length === 0 && (
        <PlanWishes
          names={plan.map(nameOf)}
          wishes={wishes}
          cost={least && !('error' in least) ? least.wished : null}
          onChange={setWishes}
        >
          <EverythingUpright {...{ plan, nameOf, patient, situation, roomId, busy }} onTake={onChange} />
        </PlanWishes>
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
