/** Bands of the deviation index and reference levels of dose: the department's own. */
import { Button } from '@rneui/themed';
import { doseLevelSchema, findProjections, projectionOf, type Department } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { LineInput, numberOf } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';

type Props = { department: Department; change: (part: Partial<Department>) => void };

const EDGES: readonly [keyof Department['bands'], string][] = [
  ['target', 'On target within'],
  ['acceptable', 'Acceptable within'],
  ['far', 'Far off from'],
];
const HITS = 4;

export function LevelsPanel({ department, change }: Props) {
  const { bands, doseLevels } = department;
  return (
    <>
      <Words kind="heading">Bands of the deviation index</Words>
      {EDGES.map(([key, label]) => (
        <Stepper
          key={key}
          label={label}
          unit="DI"
          value={bands[key]}
          step={0.1}
          digits={1}
          range={[0.1, 10]}
          onChange={(value) => change({ bands: { ...bands, [key]: value } })}
        />
      ))}
      <Words kind="heading">Dose levels</Words>
      <Words kind="small" tone="soft">
        What is usual here, or the national reference level, as dose-area product for an ordinary patient. A set-up or
        an exposure above it is flagged. None is shipped.
      </Words>
      {doseLevels.map((level, i) => (
        <View
          key={`${level.projectionId} ${level.fromYears}`}
          style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}
        >
          <Words
            kind="small"
            style={{ flex: 1 }}
          >{`${projectionOf(level.projectionId).name}, from ${level.fromYears} years: ${level.kapGyCm2} Gy·cm²`}</Words>
          <Press
            label={`Remove the level of ${projectionOf(level.projectionId).name} from ${level.fromYears} years`}
            plain
            onPress={() => change({ doseLevels: doseLevels.filter((_, k) => k !== i) })}
            style={{ paddingHorizontal: 10 }}
          >
            <Words kind="small" tone="lamp">
              Remove
            </Words>
          </Press>
        </View>
      ))}
      <NewLevel onAdd={(level) => change({ doseLevels: [...doseLevels, level] })} />
    </>
  );
}

function NewLevel({ onAdd }: { onAdd: (level: Department['doseLevels'][number]) => void }) {
  const [query, setQuery] = useState('');
  const [projectionId, setProjectionId] = useState<string>();
  const [age, setAge] = useState('16');
  const [kap, setKap] = useState('');
  const [wrong, setWrong] = useState<string[]>([]);
  const hits = query.trim() === '' ? [] : findProjections(query).slice(0, HITS);
  const add = () => {
    const read = doseLevelSchema.safeParse({ projectionId, fromYears: numberOf(age), kapGyCm2: numberOf(kap) });
    if (!read.success) return setWrong(read.error.issues.map(({ message }) => message));
    setWrong([]);
    setKap('');
    onAdd(read.data);
  };
  return (
    <View style={{ gap: 6 }}>
      <LineInput label="Projection for a new dose level" value={query} onChange={setQuery} max={60} />
      {hits.length > 0 && (
        <Choice
          label="Level for"
          options={hits.map(({ projection }) => ({ value: projection.id, label: projection.name }))}
          value={projectionId}
          onChange={setProjectionId}
        />
      )}
      {projectionId !== undefined && (
        <>
          <LineInput label="From this age, years" value={age} onChange={setAge} max={5} numeric />
          <LineInput label="Level, Gy·cm²" value={kap} onChange={setKap} max={8} numeric />
          <Button title="Add the level" onPress={add} />
        </>
      )}
      {wrong.map((text) => (
        <Words key={text} kind="small" tone="brick" role="alert">{`▲ ${text}. What you typed is kept.`}</Words>
      ))}
    </View>
  );
}
