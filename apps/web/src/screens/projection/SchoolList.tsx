/** One rule with all its schools: which is in force, what the others change here, and why they are followed. */
import type { SchoolsOfRule } from '@taktik/core';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { Line } from './Line';

type Props = {
  schools: SchoolsOfRule;
  /** Who set the rule of the house; null where it is the shipped one, or nobody knows. */
  setBy?: string | null;
  onCompare: (choice: string) => void;
  /** Chooses a school for what is in hand. */
  onChoose?: (choice: string) => void;
};

export function SchoolList({ schools, setBy, onCompare, onChoose }: Props) {
  const theme = useTheme();
  return (
    <View style={{ gap: 6 }}>
      <Words kind="bold">{schools.title}</Words>
      {setBy && <Words kind="small" tone="soft">{`Rules of this department, last set by ${setBy}`}</Words>}
      {schools.choices.map(({ choice, label, reason, inForce, differs }) => (
        <View key={choice} style={{ padding: 12, gap: 4, backgroundColor: theme.surface }}>
          <Words>{`${inForce ? '✓ ' : ''}${label}${inForce ? ' - in force here' : ''}`}</Words>
          <Words kind="small" tone="soft">
            {reason}
          </Words>
          {differs.map((line) => (
            <Line key={line.name} {...line} />
          ))}
          {!inForce && differs.length === 0 && (
            <Words kind="small" tone="soft">
              The same numbers for this patient in this room
            </Words>
          )}
          {!inForce && onChoose && (
            <Press label={`Here and now: ${label}`} plain onPress={() => onChoose(choice)}>
              <Words kind="small" tone="lamp">
                Do it so here
              </Words>
            </Press>
          )}
          {!inForce && (
            <Press label={`Side by side with: ${label}`} plain onPress={() => onCompare(choice)}>
              <Words kind="small" tone="lamp">
                Side by side
              </Words>
            </Press>
          )}
        </View>
      ))}
    </View>
  );
}
