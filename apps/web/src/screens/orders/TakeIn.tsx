/** Orders from a file: a table, or FHIR. What is wrong is told with its line, and then nothing is taken. */
import { useState } from 'react';
import { View } from 'react-native';
import { reasonsOf, useImportFhirMutation, useImportTableMutation } from '../../state/api';
import { FilePick } from '../../ui/FilePick';
import { Words } from '../../ui/Words';

export function TakeIn() {
  const [table, { isLoading: reading }] = useImportTableMutation();
  const [fhir, { isLoading: reading2 }] = useImportFhirMutation();
  const [says, setSays] = useState('');
  const [reasons, setReasons] = useState<string[]>([]);
  const read = async (text: string) => {
    setSays('');
    setReasons([]);
    const answer = await (/^\s*\{/.test(text) ? fhir(text) : table(text));
    if (answer.data) {
      const { taken, known, corrected, cancelled } = answer.data;
      const more = [
        ...(known > 0 ? [`${known} known already`] : []),
        ...(corrected > 0 ? [`${corrected} corrected: read ${corrected === 1 ? 'it' : 'them'} again`] : []),
        ...(cancelled > 0 ? [`${cancelled} called off`] : []),
      ];
      setSays([`${taken} ${taken === 1 ? 'order' : 'orders'} taken in`, ...more].join(', '));
    } else setReasons([...reasonsOf(answer.error), 'Nothing was taken in.']);
  };
  return (
    <View style={{ gap: 6 }}>
      <FilePick
        text="Take in orders from a file"
        label="Take in orders from a file: a table (CSV) or FHIR (JSON)"
        accept=".csv,.json,text/csv,application/json,application/fhir+json"
        disabled={reading || reading2}
        onText={(text) => void read(text)}
      />
      {says !== '' && (
        <Words kind="small" tone="sage" role="status">
          {`✓ ${says}`}
        </Words>
      )}
      {reasons.length > 0 && (
        <View role="alert" style={{ gap: 2 }}>
          {reasons.map((reason) => (
            <Words key={reason} kind="small" tone="brick">
              {`▲ ${reason}`}
            </Words>
          ))}
        </View>
      )}
    </View>
  );
}
