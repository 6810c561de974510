/** What stands over a set-up: what blocks it first, the grave cautions, what is worked with, and what serves in its place. */
import { blocks, type Instead, type Setup } from '@taktik/core';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Caution } from '../../ui/States';
import { Words } from '../../ui/Words';
import type { FieldError } from '../../workers/service';

type Props = { setup: Setup; errors: readonly FieldError[]; instead: readonly Instead[]; onWays: () => void };

export const hasWarnings = ({ cautions, problems }: Setup, errors: readonly FieldError[]): boolean =>
  cautions.some(({ grave }) => grave) || problems.length > 0 || errors.length > 0;

export function Warnings({ setup: { cautions, problems }, errors, instead, onWays }: Props) {
  const lines = [
    ...errors.map(({ message }) => `${message}. The numbers shown are still those from before.`),
    ...problems.filter(blocks).map(({ text }) => text),
    ...cautions.filter(({ grave }) => grave).map(({ text }) => text),
    ...problems.filter((problem) => !blocks(problem)).map(({ text }) => text),
  ];
  return (
    <View role="status" style={{ gap: 6 }}>
      {[...new Set(lines)].map((text) => (
        <Caution key={text} text={text} />
      ))}
      {instead.map(({ projectionId, name, loses, asUsual }) => {
        const called = `In its place: ${name}${asUsual ? '' : ', in another way'}`;
        return (
          <Press
            key={projectionId}
            label={`${called}. Loses: ${loses}`}
            role="link"
            onPress={onWays}
            style={{ padding: 12 }}
          >
            <Words kind="bold">{called}</Words>
            <Words kind="small" tone="soft">{`Loses: ${loses}`}</Words>
          </Press>
        );
      })}
    </View>
  );
}
