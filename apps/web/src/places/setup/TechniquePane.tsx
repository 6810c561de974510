/** The technique: every factor in order, what the receptor will read, what was pulled by hand and what that does. */
import {
  bandOf,
  DOSE_SPREAD,
  entranceSurfaceMgy,
  formatLength,
  OVERRIDE_RANGES,
  LEAD_MM,
  scatterUGy,
  signed,
  type LengthUnit,
  type Overrides,
  type Setup,
  type SetupRequest,
} from '@taktik/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Stepper } from '../../ui/Stepper';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { TechniqueView } from '../../workers/service';

type Props = {
  setup: Setup;
  request: SetupRequest;
  unit: LengthUnit;
  pull: (change: Overrides) => void;
};

/** Where a holder would stand, if one must: an arm's length from the field. */
const HOLDER_MM = 500;

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

export function TechniquePane({ setup, request, unit, pull }: Props) {
  const theme = useTheme();
  const view = useTechnique(request);
  const { exposure, dose, field } = setup;
  const skin: [number, number] = [field.atSkinMm.width, field.atSkinMm.height];
  const surface = entranceSurfaceMgy(dose.entranceKermaMgy, exposure.kVp, skin);
  const spread = `±${Math.round(DOSE_SPREAD * 100)} %`;
  const band = exposure.expected && bandOf(exposure.expected.deviation);
  return (
    <>
      <Words>{`${formatLength(exposure.thicknessMm, unit)} of body along the ray; ${exposure.timeMs} ms at ${exposure.mA} mA, ${Math.round(exposure.loadShare * 100)} % of what the ${exposure.focalSpot} focal spot bears.`}</Words>
      <View role="table" aria-label="Factors" style={{ gap: 2 }}>
        <Words kind="small" tone="soft">
          From the room’s chart, factor by factor
        </Words>
        {exposure.factors.map(({ name, factor }) => (
          <View key={name} role="row" style={{ flexDirection: 'row', gap: 8 }}>
            <Words role="cell" kind="small" style={{ flex: 1 }}>
              {name}
            </Words>
            <Words role="cell" kind="small">{`× ${factor.toFixed(2)}`}</Words>
          </View>
        ))}
        <View role="row" style={{ flexDirection: 'row', gap: 8 }}>
          <Words role="cell" kind="small" style={{ flex: 1 }}>
            comes to, before the next station
          </Words>
          <Words role="cell" kind="small">{`${exposure.wantedMas.toPrecision(3)} mAs`}</Words>
        </View>
      </View>
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
        digits={2}
        range={OVERRIDE_RANGES.mAs}
        onChange={(mAs) => pull({ mAs })}
      />
      {exposure.expected && band ? (
        <Words
          tone={band.id === 'on target' || band.id === 'acceptable' ? 'sage' : 'brick'}
          role="status"
        >{`Expected index ${Math.round(exposure.expected.index)}, deviation ${signed(exposure.expected.deviation)}: ${band.id}`}</Words>
      ) : (
        <Words tone="brick">▲ Outside the model: no expected index. Use the room’s own chart.</Words>
      )}
      {exposure.aec !== 'none' && (
        <Words kind="small">{`AEC ${exposure.aec}; back-up at ${exposure.backupMas.toPrecision(3)} mAs. If it is reached, find out why before repeating.`}</Words>
      )}
      {exposure.advice.map((text) => (
        <Words key={text} kind="small">{`◆ ${text}`}</Words>
      ))}
      {view && view.lines.length > 0 && (
        <View role="table" aria-label="What your changes do" style={{ gap: 2 }}>
          <Words kind="heading">What your changes do</Words>
          {view.lines.map(({ name, before, after, change }) => (
            <View
              key={name}
              role="row"
              style={{
                flexDirection: 'row',
                gap: 8,
                borderTopWidth: 1,
                borderTopColor: theme.line,
                paddingVertical: 4,
              }}
            >
              <Words role="rowheader" kind="small" tone="soft" style={{ flex: 1.2 }}>
                {name}
              </Words>
              <Words role="cell" kind="small" style={{ flex: 1 }}>
                {before}
              </Words>
              <Words role="cell" kind="small" tone={before === after ? 'soft' : 'lamp'} style={{ flex: 1.2 }}>
                {`${after}${change !== null && Math.abs(change) >= 0.01 ? ` (${change > 0 ? '+' : '−'}${Math.round(Math.abs(change) * 100)} %)` : ''}`}
              </Words>
            </View>
          ))}
        </View>
      )}
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
      <Words kind="heading">Dose</Words>
      <Words kind="small">{`${dose.entranceKermaMgy.toPrecision(2)} mGy incident at the skin, ${surface.toPrecision(2)} mGy with back-scatter, ${dose.kapGyCm2.toPrecision(2)} Gy·cm² (${spread})`}</Words>
      <Words kind="small">{`Someone who must hold, ${formatLength(HOLDER_MM, unit)} from the field: about ${scatterUGy(dose.entranceKermaMgy, skin, HOLDER_MM, false).toPrecision(1)} µGy, ${scatterUGy(dose.entranceKermaMgy, skin, HOLDER_MM, true).toPrecision(1)} µGy behind ${LEAD_MM} mm lead. An order of magnitude.`}</Words>
      <Words kind="small" tone="mauve">
        {`● Estimate, ${spread}. The physicist’s technique chart comes first.`}
      </Words>
    </>
  );
}
