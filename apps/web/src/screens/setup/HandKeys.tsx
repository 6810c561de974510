/** What is at hand beside the steps of a set-up: other ways, what is seen, one step at a time, the breath, touch and level. */
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';

type Opens = 'seen' | 'one' | 'breath' | 'gauge';
type Props = {
  name: string;
  feasible: boolean;
  /** Nothing is told step by step of what is barred. */
  hasSteps: boolean;
  onWays: () => void;
  onOpen: (sheet: Opens) => void;
};

const KEYS: readonly { opens: Opens; label: string; text: string; ofSteps: boolean }[] = [
  {
    opens: 'seen',
    label: 'Say what you see: a measure, a landmark that is not felt, an aim of your own',
    text: 'Say what you see',
    ofSteps: false,
  },
  { opens: 'one', label: 'One step at a time', text: 'One at a time', ofSteps: true },
  {
    opens: 'breath',
    label: 'Words for the breath, in the patient’s language, with a timer',
    text: 'Words for the breath',
    ofSteps: true,
  },
  {
    opens: 'gauge',
    label: 'By touch and level: points to feel for, and this device as a level',
    text: 'Touch, level',
    ofSteps: true,
  },
];
/** As many beside each other as there is room for, all as wide. */
const KEY = { flexGrow: 1, flexBasis: 104, paddingHorizontal: 12 } as const;

export function HandKeys({ name, feasible, hasSteps, onWays, onOpen }: Props) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      <Press label={`Other ways to ${name}`} role="link" onPress={onWays} style={KEY}>
        <Words kind="small" tone={feasible ? 'ink' : 'lamp'}>
          Other ways
        </Words>
      </Press>
      {KEYS.filter(({ ofSteps }) => hasSteps || !ofSteps).map(({ opens, label, text }) => (
        <Press key={opens} label={label} onPress={() => onOpen(opens)} style={KEY}>
          <Words kind="small">{text}</Words>
        </Press>
      ))}
    </View>
  );
}
