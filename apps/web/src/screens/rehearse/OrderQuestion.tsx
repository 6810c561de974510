/** Fewest turns: the projections of a series, to be put in order. */
import { Button } from '@rneui/themed';
import { projectionOf } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { RADIUS } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import type { QuestionProps } from './questionProps';

export function OrderQuestion({ scenario, done, onAnswer }: QuestionProps<'fewest turns'>) {
  const theme = useTheme();
  const [order, setOrder] = useState(() => scenario.items.map((_, i) => i));
  const move = (at: number, by: 1 | -1) => {
    const next = [...order];
    [next[at], next[at + by]] = [next[at + by], next[at]];
    setOrder(next);
  };
  return (
    <View style={{ gap: 10, maxWidth: 640 }}>
      <Words kind="small" tone="soft">
        Put them in the order that turns the patient least and changes the room least.
      </Words>
      <View role="list" style={{ gap: 6 }}>
        {order.map((item, at) => {
          const { name } = projectionOf(scenario.items[item].projectionId);
          return (
            <View
              key={item}
              role="listitem"
              style={{
                flexDirection: 'row',
                alignItems: 'center',
                gap: 8,
                paddingLeft: 12,
                backgroundColor: theme.surface,
                borderRadius: RADIUS,
              }}
            >
              <Words style={{ flex: 1 }}>{`${at + 1}. ${name}`}</Words>
              <Press
                label={`${name} earlier`}
                disabled={done || at === 0}
                onPress={() => move(at, -1)}
                style={{ alignItems: 'center' }}
              >
                <Words kind="title">↑</Words>
              </Press>
              <Press
                label={`${name} later`}
                disabled={done || at === order.length - 1}
                onPress={() => move(at, 1)}
                style={{ alignItems: 'center' }}
              >
                <Words kind="title">↓</Words>
              </Press>
            </View>
          );
        })}
      </View>
      {!done && <Button title="Check" onPress={() => onAnswer({ kind: 'fewest turns', order })} />}
    </View>
  );
}
