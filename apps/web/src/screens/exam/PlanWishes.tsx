/** What whoever plans would like: one view first, one last, parts together, everything upright; and what that costs. */
import type { Wishes } from '@taktik/core';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { Choice, Toggle } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';

type Props = {
  names: readonly string[];
  wishes: Wishes;
  cost: { points: number; turns: number; refused: readonly string[] } | null;
  onChange: (wishes: Wishes) => void;
  /** Wishes for how the views are done. */
  children: ReactNode;
};

const NONE = '';
/** A wish that is taken back is none. */
const without = (wishes: Wishes, change: Wishes): Wishes =>
  Object.fromEntries(
    Object.entries<unknown>({ ...wishes, ...change }).filter(([, value]) => value !== undefined && value !== false),
  );
const more = (count: number, one: string): string => `${Math.abs(count)} ${one}${Math.abs(count) === 1 ? '' : 's'}`;

export function PlanWishes({ names, wishes, cost, onChange, children }: Props) {
  const [open, setOpen] = useState(false);
  const options = [{ value: NONE, label: 'any' }, ...names.map((label, at) => ({ value: String(at), label }))];
  const one = (list: readonly number[] | undefined): string => (list?.[0] === undefined ? NONE : String(list[0]));
  const pick = (key: 'first' | 'last') => (value: string) =>
    onChange(without(wishes, { [key]: value === NONE ? undefined : [Number(value)] }));
  return (
    <View style={{ gap: 8 }}>
      <Press
        label={
          open
            ? 'Fold the wishes away'
            : 'Wishes for the order: one first, one last, parts together, everything upright'
        }
        expanded={open}
        plain
        onPress={() => setOpen(!open)}
        style={{ paddingHorizontal: 2 }}
      >
        <Words kind="small" tone="lamp">
          {open ? 'Fold the wishes away' : 'Wishes for the order'}
        </Words>
      </Press>
      {open && names.length > 1 && (
        <>
          <Choice label="First" options={options} value={one(wishes.first)} onChange={pick('first')} />
          <Choice
            label="Last, such as the one that hurts"
            options={options}
            value={one(wishes.last)}
            onChange={pick('last')}
          />
          <Toggle
            label="All views of a part before those of another"
            on={wishes.together ?? false}
            onChange={(together) => onChange(without(wishes, { together }))}
          />
        </>
      )}
      {open && children}
      {cost && (
        <View role="status" aria-label="What the wishes cost" style={{ gap: 2 }}>
          <Words kind="small">
            {cost.points <= 0.5 && cost.turns <= 0
              ? '✓ The wishes cost nothing more'
              : `The wishes cost ${more(Math.round(cost.points), 'point')} of work more${cost.turns > 0 ? ` and ${more(cost.turns, 'turn')}` : ''} than the least order`}
          </Words>
          {cost.refused.map((text) => (
            <Words key={text} kind="small" tone="brick">{`▲ ${text}`}</Words>
          ))}
        </View>
      )}
    </View>
  );
}
