/** Orders from a file - a table, whose right rows are taken and whose others come back, or FHIR, taken whole or not - or from the worklist. */
import type { Taken } from '@taktik/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import {
  reasonsOf,
  useAskWorklistMutation,
  useImportFhirMutation,
  useImportTableMutation,
  useWorklistQuery,
} from '../../state/api';
import { FilePick } from '../../ui/FilePick';
import { Press } from '../../ui/Press';
import { saveFile } from '../../ui/saveFile';
import { Words } from '../../ui/Words';

/** More than these are read in the saved table. */
const MOST_SHOWN = 20;

export function TakeIn() {
  const [table, { isLoading: reading }] = useImportTableMutation();
  const [fhir, { isLoading: reading2 }] = useImportFhirMutation();
  const { data: worklist } = useWorklistQuery();
  const [ask, { isLoading: asking }] = useAskWorklistMutation();
  const [says, setSays] = useState('');
  const [reasons, setReasons] = useState<string[]>([]);
  const [refused, setRefused] = useState('');
  const take = async (from: 'line' | 'entry', send: () => Promise<{ data?: Taken; error?: unknown }>) => {
    setSays('');
    setReasons([]);
    setRefused('');
    const answer = await send();
    if (answer.data) {
      const { taken, known, corrected, cancelled } = answer.data;
      const more = [
        ...(known > 0 ? [`${known} known already`] : []),
        ...(corrected > 0 ? [`${corrected} corrected: read ${corrected === 1 ? 'it' : 'them'} again`] : []),
        ...(cancelled > 0 ? [`${cancelled} called off`] : []),
      ];
      setSays([`${taken} ${taken === 1 ? 'order' : 'orders'} taken in`, ...more].join(', '));
      const rows = answer.data.refused;
      setReasons(rows.slice(0, MOST_SHOWN).map(({ line, message }) => `${from} ${line}: ${message}`));
      setRefused(answer.data.refusedTable);
    } else setReasons([...reasonsOf(answer.error), 'Nothing was taken in.']);
  };
  return (
    <View style={{ gap: 6 }}>
      <FilePick
        text="Take in orders from a file"
        label="Take in orders from a file: a table (CSV) or FHIR (JSON)"
        accept=".csv,.json,text/csv,application/json,application/fhir+json"
        disabled={reading || reading2}
        onText={(text) => void take('line', () => (/^\s*\{/.test(text) ? fhir(text) : table(text)))}
      />
      {worklist?.name && (
        <Press
          label={`Ask the worklist ${worklist.name} for the x-rays of today`}
          disabled={asking}
          onPress={() => void take('entry', () => ask())}
          style={{ paddingHorizontal: 14 }}
        >
          <Words>{asking ? 'Asking the worklist …' : 'Ask the worklist'}</Words>
        </Press>
      )}
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
      {refused !== '' && (
        <Press
          label="Save the rows not taken, with what is wrong"
          onPress={() => saveFile(new TextEncoder().encode(`\uFEFF${refused}`), 'orders-not-taken.csv', 'text/csv')}
          style={{ paddingHorizontal: 14 }}
        >
          <Words>Save the rows not taken</Words>
        </Press>
      )}
    </View>
  );
}
