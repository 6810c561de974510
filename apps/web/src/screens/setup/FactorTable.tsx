/** Where the technique starts, and each factor in order with its number; one that somebody knows better is set by hand. */
import {
  formatLength,
  OVERRIDE_RANGES,
  type FactorName,
  type LengthUnit,
  type Overrides,
  type Setup,
  significant,
} from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';

type Props = {
  exposure: Setup['exposure'];
  unit: LengthUnit;
  factors: Overrides['factors'];
  onChange: (factors: Overrides['factors']) => void;
};

const BASIS: Record<Setup['exposure']['start']['basis'], string> = {
  'shipped chart': 'the shipped chart',
  'room chart': 'this room’s chart',
  'measured beam': 'this room’s measured beam',
};
/** Set where it belongs: the density of the AEC has its own steps. */
const NOT_BY_HAND: readonly FactorName[] = ['density'];
const STEP = 0.05;

export function FactorTable({ exposure, unit, factors = {}, onChange }: Props) {
  const [open, setOpen] = useState<FactorName | null>(null);
  const { start } = exposure;
  const release = (name: FactorName) => {
    const { [name]: _, ...rest } = factors;
    onChange(Object.keys(rest).length > 0 ? rest : undefined);
  };
  return (
    <View style={{ gap: 2 }}>
      <Words kind="small" tone="soft">
        {`Starts with ${significant(start.mAs, 3)} mAs from ${BASIS[start.basis]}: ${start.kVp} kVp, ${formatLength(start.thicknessMm, unit)} of body, SID ${formatLength(start.sidMm, unit)}, ${start.gridRatio > 0 ? `grid ${start.gridRatio}:1` : 'no grid'}. Touch a factor to set it by hand.`}
      </Words>
      {exposure.factors.map(({ name, factor, computed }) => {
        const by = computed === undefined ? '' : ` by hand, computed × ${computed.toFixed(2)}`;
        return (
          <View key={name}>
            <Press
              label={`${name} × ${factor.toFixed(2)}${by}${NOT_BY_HAND.includes(name) ? '' : ', set by hand'}`}
              plain
              disabled={NOT_BY_HAND.includes(name)}
              onPress={() => setOpen(open === name ? null : name)}
              style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'flex-start', gap: 8 }}
            >
              <Words kind="small" style={{ flex: 1 }}>
                {name}
              </Words>
              <Words kind="small" tone={computed === undefined ? 'ink' : 'lamp'}>
                {`× ${factor.toFixed(2)}${by}`}
              </Words>
            </Press>
            {open === name && (
              <View style={{ gap: 4, paddingBottom: 8 }}>
                <Stepper
                  label={`Factor for ${name}`}
                  unit="×"
                  value={factor}
                  step={STEP}
                  digits={2}
                  range={OVERRIDE_RANGES.factor}
                  onChange={(value) => onChange({ ...factors, [name]: value })}
                />
                {computed !== undefined && (
                  <Press label={`${name} as computed`} onPress={() => release(name)} style={{ paddingHorizontal: 12 }}>
                    <Words kind="small" tone="lamp">
                      As computed
                    </Words>
                  </Press>
                )}
              </View>
            )}
          </View>
        );
      })}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Words kind="small" style={{ flex: 1 }}>
          comes to, before the next station
        </Words>
        <Words kind="small">{`${significant(exposure.wantedMas, 3)} mAs`}</Words>
      </View>
    </View>
  );
}
