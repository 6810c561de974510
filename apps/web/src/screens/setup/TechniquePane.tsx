/** The technique: every factor in order, what the receptor will read, what was pulled by hand and what that does. */
import {
  bandOf,
  formatLength,
  OVERRIDE_RANGES,
  signed,
  withDepartmentDefaults,
  type LengthUnit,
  type Overrides,
  type Room,
  type Setup,
  type SetupRequest,
  type WhatIfLine,
} from '@taktik/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useDepartmentQuery } from '../../state/api';
import { Stepper } from '../../ui/Stepper';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { TechniqueView } from '../../workers/service';
import { CurvePane } from './CurvePane';
import { DoseLines } from './DoseLines';
import { FactorTable } from './FactorTable';
import { KeepAsChart } from './KeepAsChart';
import { TubeControls } from './TubeControls';
import { indexText } from './words';

type Props = {
  setup: Setup;
  request: SetupRequest;
  room: Room | undefined;
  unit: LengthUnit;
  overrides: Overrides;
  pull: (change: Overrides) => void;
};

function useTechnique(request: SetupRequest): TechniqueView | null {
  const [found, setFound] = useState<{ key: string; view: TechniqueView } | null>(null);
  const key = JSON.stringify(request);
  useEffect(() => {
    let here = true;
    compute()
      .technique(JSON.parse(key) as SetupRequest)
      .then((view) => here && setFound({ key, view }))
      // What cannot be computed is said where the set-up stands.
      .catch(() => undefined);
    return () => {
      here = false;
    };
  }, [key]);
  // The last answer stands while the next is on its way.
  return found?.view ?? null;
}

export function TechniquePane({ setup, request, room, unit, overrides, pull }: Props) {
  const view = useTechnique(request);
  const { exposure } = setup;
  return (
    <>
      <Words>{`${formatLength(exposure.thicknessMm, unit)} of body along the CR; ${exposure.timeMs} ms at ${exposure.mA} mA, ${Math.round(exposure.loadShare * 100)} % of what the ${exposure.focalSpot} focal spot bears.`}</Words>
      <FactorTable
        exposure={exposure}
        unit={unit}
        factors={overrides.factors}
        onChange={(factors) => pull({ factors })}
      />
      <Stepper
        label="kVp"
        unit="kV"
        value={exposure.kVp}
        step={1}
        range={OVERRIDE_RANGES.kVp}
        onChange={(kVp) => pull({ kVp })}
      />
      <Stepper
        label="mAs"
        unit="mAs"
        value={exposure.mAs}
        step={1}
        stations={room?.generator.masStations}
        digits={2}
        range={OVERRIDE_RANGES.mAs}
        onChange={(mAs) => pull({ mAs })}
      />
      <Expected exposure={exposure} room={room} />
      <TubeControls setup={setup} room={room} overrides={overrides} pull={pull} />
      {[...exposure.advice, ...(view?.cover?.advice ?? [])].map((text) => (
        <Words key={text} kind="small">{`◆ ${text}`}</Words>
      ))}
      {view && view.lines.length > 0 && <WhatChanges lines={view.lines} />}
      {view?.ends && view.ends.advice.length > 1 && (
        <View style={{ gap: 2 }}>
          <Words kind="heading">Thick and thin ends</Words>
          {view.ends.advice.map((text) => (
            <Words key={text} kind="small">
              {text}
            </Words>
          ))}
        </View>
      )}
      {room && <KeepAsChart setup={setup} room={room} own={request.own !== undefined} />}
      {view?.curve && <CurvePane curve={view.curve} unit={unit} />}
      <DoseLines setup={setup} unit={unit} />
    </>
  );
}

/** What the receptor will read, in the room's own number, and which band that is. */
function Expected({ exposure, room }: { exposure: Setup['exposure']; room: Room | undefined }) {
  const { data } = useDepartmentQuery();
  const { bands } = withDepartmentDefaults(data);
  if (!exposure.expected)
    return <Words tone="brick">▲ Outside the model: no expected index. Use the room’s own chart.</Words>;
  const { index, deviation } = exposure.expected;
  const band = bandOf(deviation, bands);
  const fine = band.id === 'on target' || band.id === 'acceptable';
  return (
    <Words
      tone={fine ? 'sage' : 'brick'}
      role="status"
    >{`Expected ${indexText(index, room?.generator.scale)}, deviation ${signed(deviation)}: ${band.id}. Aimed at ${indexText(exposure.targetIndex, room?.generator.scale)}.`}</Words>
  );
}

function WhatChanges({ lines }: { lines: readonly WhatIfLine[] }) {
  const theme = useTheme();
  const share = (change: number | null) =>
    change !== null && Math.abs(change) >= 0.01
      ? ` (${change > 0 ? '+' : '−'}${Math.round(Math.abs(change) * 100)} %)`
      : '';
  return (
    <View role="table" aria-label="What your changes do" style={{ gap: 2 }}>
      <Words kind="heading">What your changes do</Words>
      {lines.map(({ name, before, after, change }) => (
        <View
          key={name}
          role="row"
          style={{ flexDirection: 'row', gap: 8, borderTopWidth: 1, borderTopColor: theme.line, paddingVertical: 4 }}
        >
          <Words role="rowheader" kind="small" tone="soft" style={{ flex: 1.2 }}>
            {name}
          </Words>
          <Words role="cell" kind="small" style={{ flex: 1 }}>
            {before}
          </Words>
          <Words role="cell" kind="small" tone={before === after ? 'soft' : 'lamp'} style={{ flex: 1.2 }}>
            {`${after}${share(change)}`}
          </Words>
        </View>
      ))}
    </View>
  );
}
