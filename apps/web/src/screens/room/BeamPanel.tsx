/** Tube, generator, grids and cells of a room as its data; and what a technique starts from. */
import { formatLength, type Generator, type LengthUnit } from '@taktik/core';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { HOLDER_NAMES } from './holderNames';
import { Stations } from './Stations';
import type { RoomDraft } from './useRoomDraft';

type NumberKey = {
  [K in keyof Generator]-?: Generator[K] extends number | undefined ? K : never;
}[keyof Generator];
const NUMBERS: readonly [NumberKey, string, string, number, number, readonly [number, number]][] = [
  ['maxKvp', 'Highest kVp', 'kV', 1, 0, [40, 150]],
  ['filtrationMmAl', 'Filtration', 'mm Al', 0.1, 1, [1.5, 10]],
  ['smallFocusMm', 'Small focal spot', 'mm', 0.1, 2, [0.05, 3]],
  ['smallFocusMa', 'Small focal spot, current', 'mA', 10, 0, [1, 1600]],
  ['smallFocusKw', 'Small focal spot, power', 'kW', 1, 0, [1, 200]],
  ['largeFocusMm', 'Large focal spot', 'mm', 0.1, 2, [0.05, 3]],
  ['largeFocusMa', 'Large focal spot, current', 'mA', 10, 0, [1, 1600]],
  ['largeFocusKw', 'Large focal spot, power', 'kW', 1, 0, [1, 200]],
];
const MOST = { mAs: 1000, mA: 1600, ms: 10_000 } as const;

export function BeamPanel({ draft, unit, mayChange }: { draft: RoomDraft; unit: LengthUnit; mayChange: boolean }) {
  const { generator, holders } = draft;
  if (!mayChange)
    return (
      <View style={{ gap: 4 }}>
        <Words kind="heading" role="heading" aria-level={2}>
          Tube and generator
        </Words>
        {NUMBERS.map(([key, label, unitOf]) => (
          <Words key={key} kind="small">{`${label}: ${generator[key] ?? 'not known'} ${unitOf}`}</Words>
        ))}
        <Grids draft={draft} unit={unit} mayChange={false} />
      </View>
    );
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Where a technique starts
      </Words>
      <Choice
        label="Without a row of its own chart"
        options={[
          { value: 'chart', label: 'shipped chart with a factor' },
          { value: 'model', label: 'this room’s measured beam' },
        ]}
        value={generator.basis ?? 'chart'}
        onChange={(basis) => draft.change({ basis })}
      />
      {(generator.basis ?? 'chart') === 'chart' ? (
        <Stepper
          label="Factor on the shipped chart"
          unit="×"
          value={generator.chartFactor}
          step={0.05}
          digits={2}
          range={[0.05, 10]}
          onChange={(chartFactor) => draft.change({ chartFactor })}
        />
      ) : (
        <Words kind="small" tone={generator.points ? 'soft' : 'mauve'}>
          {generator.points
            ? 'Output, target index and body make the mAs; the shipped chart gives kVp and conditions only.'
            : '● The output of this room is not measured: its techniques are estimates until it is.'}
        </Words>
      )}
      <Words kind="heading" role="heading" aria-level={2}>
        Tube and generator
      </Words>
      {NUMBERS.map(([key, label, unitOf, step, digits, range]) => (
        <Stepper
          key={key}
          label={label}
          unit={unitOf}
          value={generator[key]}
          step={step}
          digits={digits}
          range={range}
          onChange={(value) => draft.change({ [key]: value })}
        />
      ))}
      <Stations
        label="mAs stations"
        unit="mAs"
        values={generator.masStations}
        most={MOST.mAs}
        onChange={(masStations) => masStations && draft.change({ masStations })}
      />
      <Stations
        label="mA stations"
        unit="mA"
        values={generator.maStations}
        most={MOST.mA}
        without="the usual series"
        onChange={(maStations) => draft.change({ maStations })}
      />
      <Stations
        label="Time stations"
        unit="ms"
        values={generator.timeStationsMs}
        most={MOST.ms}
        without="none: the mAs is set"
        onChange={(timeStationsMs) => draft.change({ timeStationsMs })}
      />
      <Grids draft={draft} unit={unit} mayChange />
      {holders.some(({ aec }) => aec) && (
        <Words kind="small" tone="soft">
          {`Measuring cells: ${holders
            .filter(({ aec }) => aec)
            .map(({ kind, cells }) => `${HOLDER_NAMES[kind]} ${cells ? `${cells.length} as given` : 'the usual three'}`)
            .join('; ')}. Other places of the cells come in with the room’s file.`}
        </Words>
      )}
    </View>
  );
}

const RATIOS = ['5', '6', '8', '10', '12', '16'] as const;

function Grids({ draft, unit, mayChange }: { draft: RoomDraft; unit: LengthUnit; mayChange: boolean }) {
  const { holders, changeHolders } = draft;
  const withGrid = holders.flatMap((holder, i) => (holder.grid ? [{ i, kind: holder.kind, grid: holder.grid }] : []));
  const set = (at: number, change: object) =>
    changeHolders(
      holders.map((holder, i) =>
        i === at && holder.grid ? { ...holder, grid: { ...holder.grid, ...change } } : holder,
      ),
    );
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Grids
      </Words>
      {withGrid.map(({ i, kind, grid }) =>
        mayChange ? (
          <View key={i} style={{ gap: 6 }}>
            <Choice
              label={`${HOLDER_NAMES[kind]}: ratio`}
              options={RATIOS.map((value) => ({ value, label: `${value}:1` }))}
              value={RATIOS.find((value) => Number(value) === grid.ratio)}
              onChange={(value) => set(i, { ratio: Number(value) })}
            />
            <Stepper
              label={`${HOLDER_NAMES[kind]}: focal distance`}
              unit="mm"
              value={Math.round(grid.focusMm)}
              step={10}
              range={[400, 3000]}
              onChange={(focusMm) => set(i, { focusMm })}
            />
            <Stepper
              label={`${HOLDER_NAMES[kind]}: strips in a centimetre`}
              unit=""
              value={grid.linesPerCm}
              step={1}
              range={[20, 120]}
              placeholder="40"
              onChange={(linesPerCm) => set(i, { linesPerCm })}
            />
            <Choice
              label={`${HOLDER_NAMES[kind]}: strips run`}
              options={[
                { value: 'holder', label: 'along the table or stand' },
                { value: 'plate', label: 'along the receptor, with it' },
              ]}
              value={grid.strips ?? 'holder'}
              onChange={(strips) => set(i, { strips })}
            />
          </View>
        ) : (
          <Words key={i} kind="small">
            {`${HOLDER_NAMES[kind]}: ${grid.ratio}:1 for ${formatLength(grid.focusMm, unit)}`}
          </Words>
        ),
      )}
    </View>
  );
}
