/** One thing that was done and that the server would not take: why, and what can be done about it. It is never just dropped. */
import { View } from 'react-native';
import { useAppDispatch } from '../state/hooks';
import type { Refused } from '../state/outbox';
import { markSaved, putAside, remove, sendAgain } from '../state/sender';
import type { AppDispatch } from '../state/store';
import { Press } from './Press';
import { saveFile } from './saveFile';
import { Words } from './Words';

/** As a file for whoever enters it by hand: what was done, when, by whom, and why it was not taken. */
function saveItem({ id, what, why, by, madeAt, path, body }: Refused): void {
  const document = { what, why, by: by ?? null, at: new Date(madeAt).toISOString(), path, body };
  saveFile(new TextEncoder().encode(JSON.stringify(document, null, 2)), `not-recorded-${id}.json`, 'application/json');
}

/** The actions stand beside it where there is room for both, below it on a phone. */
const TEXT_WIDTH = 320;
const dateAndTime = (at: number): string =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

export function NotRecorded({ item, listed = false }: { item: Refused; listed?: boolean }) {
  const dispatch = useAppDispatch() as AppDispatch;
  const action = (name: string, tone: 'lamp' | 'soft', onPress: () => void) => (
    <Press label={`${name}: ${item.what}`} plain onPress={onPress} style={{ paddingHorizontal: 10 }}>
      <Words kind="small" tone={tone}>
        {name}
      </Words>
    </Press>
  );
  const done = [item.by, dateAndTime(item.madeAt)].filter(Boolean).join(', ');
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: 8 }}>
      <Words
        kind="small"
        tone="brick"
        style={{ flexGrow: 1, flexBasis: TEXT_WIDTH }}
      >{`▲ Not recorded: ${item.what} (${done}). ${item.why}`}</Words>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        {action('Send again', 'lamp', () => sendAgain(dispatch, item))}
        {action(item.saved ? 'Save again' : 'Save', 'lamp', () => {
          saveItem(item);
          markSaved(dispatch, item.id);
        })}
        {!listed && action('Put aside', 'soft', () => putAside(dispatch, item.id))}
        {listed && item.saved && action('Remove', 'soft', () => remove(dispatch, item))}
      </View>
    </View>
  );
}
