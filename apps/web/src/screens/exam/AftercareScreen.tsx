/** Instructions for the patient on one sheet of paper. No identity is in it or in its address. */
import { Button } from '@rneui/themed';
import { aftercareFor, entriesNamed } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Note } from '../../ui/States';
import { LEAF, NO_PRINT, usePrintStyle } from '../../ui/usePrintStyle';
import { Words } from '../../ui/Words';
import { useOwnEntries } from '../projection/useOwnEntries';

export function AftercareScreen() {
  const { of } = useLocalSearchParams();
  const router = useRouter();
  const { own } = useOwnEntries();
  const care = aftercareFor(entriesNamed((typeof of === 'string' ? of : '').split(','), own));
  usePrintStyle();
  return (
    <Frame header={<PlaceHeader title="For the patient" />}>
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 20 }}>
        {care.length === 0 && (
          <Note
            title="Nothing to hand out"
            text="This exam needs no instructions afterwards."
            action="Orders"
            onAction={() => router.replace('/orders')}
          />
        )}
        {care.map(({ title, lines }) => (
          <View key={title} style={{ gap: 8 }} {...LEAF}>
            <Words kind="title" role="heading" aria-level={2}>
              {title}
            </Words>
            {lines.map((line) => (
              <Words key={line} style={{ fontSize: 20, lineHeight: 28 }}>{`• ${line}`}</Words>
            ))}
          </View>
        ))}
        {care.length > 0 && (
          <>
            <Words kind="small" tone="soft">
              General instructions. What your doctor or this department told you goes first.
            </Words>
            <View {...NO_PRINT}>
              <Button title="Print" onPress={() => window.print()} />
            </View>
          </>
        )}
      </ScrollView>
    </Frame>
  );
}
