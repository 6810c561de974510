/** What the department decides besides its schools: prices of moves, causes, reasons, how long a session may be idle. */
import { Button } from '@rneui/themed';
import { PRICE_IDS, PRICES, withDepartmentDefaults, type Department } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { reasonsOf, useDepartmentQuery, usePutDepartmentMutation } from '../../state/api';
import { Choice } from '../../ui/Choice';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { LevelsPanel } from './LevelsPanel';
import { WayPricesPanel } from './WayPricesPanel';

const PRICE_RANGE = [0, 500] as const;
const IDLE_RANGE = [1, 480] as const;

export function DepartmentPanel() {
  const { data } = useDepartmentQuery();
  const [put, { error, isLoading }] = usePutDepartmentMutation();
  const department = withDepartmentDefaults(data);
  const change = (part: Partial<Department>) => void put({ ...department, ...part });
  return (
    <View style={{ gap: 14 }}>
      <Words kind="heading">Prices of moves</Words>
      <Words kind="small" tone="soft">
        Points of work (pt) by which orders of a series are compared. The shipped ones are typical, not measured.
      </Words>
      {error && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ Not stored. ${reasonsOf(error).join('. ')}`}
        </Words>
      )}
      {PRICE_IDS.map((id) => (
        <Stepper
          key={id}
          label={PRICES[id].title}
          unit="pt"
          value={department.prices[id]}
          step={1}
          range={PRICE_RANGE}
          onChange={(points) => change({ prices: { ...department.prices, [id]: points } })}
        />
      ))}
      <WayPricesPanel department={department} change={change} />
      <Stepper
        label="A session ends after"
        unit="min"
        value={department.idleMinutes}
        step={5}
        range={IDLE_RANGE}
        onChange={(idleMinutes) => change({ idleMinutes })}
      />
      <Choice
        label="An exam by a student"
        options={[
          { value: 'none', label: 'as the student begins it' },
          { value: 'named', label: 'with the name of who supervises' },
        ]}
        value={department.supervision}
        onChange={(supervision) => change({ supervision })}
      />
      <Lines
        title="Causes of a repeat"
        lines={department.repeatCauses}
        busy={isLoading}
        onChange={(repeatCauses) => change({ repeatCauses })}
      />
      <Lines
        title="Reasons to end early"
        lines={department.endReasons}
        busy={isLoading}
        onChange={(endReasons) => change({ endReasons })}
      />
      <LevelsPanel department={department} change={change} />
      {Object.keys(department.exams).length > 0 && (
        <Press
          label="Exams as shipped again"
          disabled={isLoading}
          onPress={() => change({ exams: {} })}
          style={{ paddingHorizontal: 12 }}
        >
          <Words>{`${Object.keys(department.exams).length} exams are this department’s own: take the shipped ones again`}</Words>
        </Press>
      )}
    </View>
  );
}

function Lines({
  title,
  lines,
  busy,
  onChange,
}: {
  title: string;
  lines: readonly string[];
  busy: boolean;
  onChange: (lines: string[]) => void;
}) {
  const [text, setText] = useState('');
  const add = () => {
    onChange([...lines, text.trim()]);
    setText('');
  };
  return (
    <View style={{ gap: 6 }}>
      <Words kind="heading">{title}</Words>
      {lines.map((line) => (
        <View key={line} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words style={{ flex: 1 }}>{line}</Words>
          <Press
            label={`Remove: ${line}`}
            plain
            disabled={busy || lines.length === 1}
            onPress={() => onChange(lines.filter((each) => each !== line))}
            style={{ paddingHorizontal: 12 }}
          >
            <Words kind="small" tone="lamp">
              Remove
            </Words>
          </Press>
        </View>
      ))}
      <LineInput label={`One more: ${title.toLowerCase()}`} value={text} onChange={setText} max={80} />
      <Button title="Add" disabled={busy || text.trim() === '' || lines.includes(text.trim())} onPress={add} />
    </View>
  );
}
