/** All keys of the set-up screen. */
import { View } from 'react-native';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';

const KEYS: readonly [string, string][] = [
  ['F', 'find'],
  ['1 to 5', 'open a readout'],
  ['← →', 'previous, next projection'],
  ['space', 'tick the next step'],
  ['P', 'patient and situation'],
  ['W', 'other ways to do it'],
  ['G', 'rehearse: the picture that it will give'],
  ['V', 'switch the look of the stage'],
  ['U', 'unit of length'],
  ['T', 'theme'],
  ['E', 'expose'],
  ['A', 'accept the picture'],
  ['O', 'one step at a time'],
  ['B', 'words for the breath'],
  ['L', 'touch and level'],
  ['Y', 'say what you see'],
  ['N', 'note for the reader of the picture'],
  ['?', 'these keys; on a step, its terms'],
  ['H', 'terms on this page'],
];

export function KeySheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Sheet title="Keys" open={open} onClose={onClose}>
      {KEYS.map(([key, what]) => (
        <View key={key} style={{ flexDirection: 'row', gap: 16 }}>
          <Words kind="heading" tone="lamp" style={{ width: 72 }}>
            {key}
          </Words>
          <Words>{what}</Words>
        </View>
      ))}
    </Sheet>
  );
}
