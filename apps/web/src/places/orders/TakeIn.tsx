/** Orders from a file: a table, or FHIR. What is wrong is told with its line, and then nothing is taken. */
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { reasonsOf, useImportFhirMutation, useImportTableMutation } from '../../state/api';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';

export function TakeIn() {
  const [table, { isLoading: reading }] = useImportTableMutation();
  const [fhir, { isLoading: reading2 }] = useImportFhirMutation();
  const [says, setSays] = useState('');
  const [reasons, setReasons] = useState<string[]>([]);
  const picker = useRef<HTMLInputElement | null>(null);
  const read = async (file: File) => {
    setSays('');
    setReasons([]);
    const text = await file.text();
    const answer = await (/^\s*\{/.test(text) ? fhir(text) : table(text));
    if (answer.data) {
      const { taken, known } = answer.data;
      setSays(`${taken} ${taken === 1 ? 'order' : 'orders'} taken in${known > 0 ? `, ${known} known already` : ''}`);
    } else setReasons([...reasonsOf(answer.error), 'Nothing was taken in.']);
  };
  return (
    <View style={{ gap: 6 }}>
      <Press
        label="Take in orders from a file: a table (CSV) or FHIR (JSON)"
        disabled={reading || reading2}
        onPress={() => picker.current?.click()}
        style={{ paddingHorizontal: 14 }}
      >
        <Words>Take in orders from a file</Words>
      </Press>
      <input
        ref={picker}
        type="file"
        accept=".csv,.json,text/csv,application/json,application/fhir+json"
        aria-label="Orders file"
        style={{ display: 'none' }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void read(file);
        }}
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
