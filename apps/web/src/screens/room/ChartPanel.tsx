/** The department's own technique chart of a room: its rows, by hand or as a table out and in. */
import { Button } from '@rneui/themed';
import {
  centimetres,
  chartRowSchema,
  findProjections,
  formatLength,
  projectionOf,
  type ChartRow,
  type LengthUnit,
} from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { API_BASE, reasonsOf, useImportChartMutation } from '../../state/api';
import { Choice } from '../../ui/Choice';
import { FilePick } from '../../ui/FilePick';
import { LineInput, numberOf } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { RoomDraft } from './useRoomDraft';

type Field = Exclude<keyof ChartRow, 'projectionId'>;
/** What is typed, and what one of it is in the chart. */
const FIELDS: readonly [Field, string, number][] = [
  ['kVp', 'kVp', 1],
  ['mAs', 'mAs', 1],
  ['thicknessMm', 'Thickness of the part, cm', centimetres(1)],
  ['sidMm', 'SID, cm', centimetres(1)],
  ['gridRatio', 'Grid ratio, 0 without a grid', 1],
];
const NOTHING: Record<Field, string> = { kVp: '', mAs: '', thicknessMm: '', sidMm: '100', gridRatio: '0' };
const HITS = 4;

type Props = { roomId: string; draft: RoomDraft; unit: LengthUnit; mayChange: boolean };

export function ChartPanel({ roomId, draft, unit, mayChange }: Props) {
  const theme = useTheme();
  const chart = draft.generator.chart ?? [];
  const set = (rows: ChartRow[]) => draft.change({ chart: rows.length > 0 ? rows : null });
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Technique chart of this room
      </Words>
      <Words kind="small" tone="soft">
        A row comes before the shipped chart and before the measured beam. The row nearest in thickness is taken; every
        difference from it is a factor that is shown.
      </Words>
      {chart.length === 0 && (
        <Words kind="small">No row yet: the shipped charts with this room’s factor are used.</Words>
      )}
      <View role="table" aria-label="Technique chart" style={{ gap: 2 }}>
        {chart.map((row, i) => (
          <View
            key={`${row.projectionId} ${row.thicknessMm} ${row.gridRatio} ${i}`}
            role="row"
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              gap: 8,
              borderTopWidth: 1,
              borderTopColor: theme.line,
              minHeight: 48,
            }}
          >
            <Words role="cell" kind="small" style={{ flex: 1 }}>
              {`${projectionOf(row.projectionId).name}: ${row.kVp} kVp, ${row.mAs} mAs at ${formatLength(row.thicknessMm, unit)}, SID ${formatLength(row.sidMm, unit)}, ${row.gridRatio > 0 ? `grid ${row.gridRatio}:1` : 'no grid'}`}
            </Words>
            {mayChange && (
              <View role="cell">
                <Press
                  label={`Remove the row ${projectionOf(row.projectionId).name}, ${row.mAs} mAs`}
                  plain
                  onPress={() => set(chart.filter((_, k) => k !== i))}
                  style={{ paddingHorizontal: 10 }}
                >
                  <Words kind="small" tone="lamp">
                    Remove
                  </Words>
                </Press>
              </View>
            )}
          </View>
        ))}
      </View>
      {mayChange && <NewRow onAdd={(row) => set([...chart, row])} />}
      <ChartFiles roomId={roomId} mayChange={mayChange} />
    </View>
  );
}

function NewRow({ onAdd }: { onAdd: (row: ChartRow) => void }) {
  const [query, setQuery] = useState('');
  const [projectionId, setProjectionId] = useState<string>();
  const [typed, setTyped] = useState(NOTHING);
  const [wrong, setWrong] = useState<string[]>([]);
  const hits = query.trim() === '' ? [] : findProjections(query).slice(0, HITS);
  const add = () => {
    const numbers = FIELDS.map(([key, , per]) => [key, numberOf(typed[key]) * per]);
    const read = chartRowSchema.safeParse({ projectionId: projectionId ?? '', ...Object.fromEntries(numbers) });
    if (!read.success)
      return setWrong(
        projectionId === undefined ? ['Choose a projection'] : read.error.issues.map(({ message }) => message),
      );
    setWrong([]);
    onAdd(read.data);
    setTyped({ ...NOTHING, sidMm: typed.sidMm, gridRatio: typed.gridRatio });
  };
  return (
    <View style={{ gap: 8 }}>
      <LineInput label="Projection for a new row" value={query} onChange={setQuery} max={60} placeholder="chest pa" />
      {hits.length > 0 && (
        <Choice
          label="Which one"
          options={hits.map(({ projection }) => ({ value: projection.id, label: projection.name }))}
          value={projectionId}
          onChange={setProjectionId}
        />
      )}
      {projectionId !== undefined &&
        FIELDS.map(([key, label]) => (
          <LineInput
            key={key}
            label={label}
            value={typed[key]}
            onChange={(text) => setTyped({ ...typed, [key]: text })}
            max={8}
            numeric
          />
        ))}
      {wrong.map((text) => (
        <Words key={text} kind="small" tone="brick" role="alert">{`▲ ${text}. What you typed is kept.`}</Words>
      ))}
      {projectionId !== undefined && <Button title="Add the row" onPress={add} />}
    </View>
  );
}

function ChartFiles({ roomId, mayChange }: { roomId: string; mayChange: boolean }) {
  const [send, { isLoading }] = useImportChartMutation();
  const [says, setSays] = useState('');
  const [wrong, setWrong] = useState<string[]>([]);
  const take = async (table: string, name: string) => {
    const answer = await send({ id: roomId, table });
    setSays(answer.data ? `${answer.data.generator.chart?.length ?? 0} rows taken from ${name}` : '');
    setWrong(answer.data ? [] : reasonsOf(answer.error));
  };
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Press
          role="link"
          label="Technique chart as a table (CSV)"
          download={`${API_BASE}/rooms/${encodeURIComponent(roomId)}/chart`}
          style={{ paddingHorizontal: 14 }}
        >
          <Words>Chart as a table</Words>
        </Press>
        {mayChange && (
          <FilePick
            text="Take a table"
            label="Take a technique chart from a table (CSV), in place of this one"
            accept=".csv,text/csv"
            disabled={isLoading}
            onText={(text, name) => void take(text, name)}
          />
        )}
      </View>
      <ChartStatus says={says} wrong={wrong} />
    </View>
  );
}

/** What came of a file. */
export function ChartStatus({ says, wrong }: { says: string; wrong: readonly string[] }) {
  return (
    <>
      {says !== '' && (
        <Words kind="small" tone="sage" role="status">
          {`✓ ${says}`}
        </Words>
      )}
      {wrong.length > 0 && (
        <View role="alert" style={{ gap: 2 }}>
          {[...wrong, 'Nothing was changed.'].map((text) => (
            <Words key={text} kind="small" tone="brick">{`▲ ${text}`}</Words>
          ))}
        </View>
      )}
    </>
  );
}
