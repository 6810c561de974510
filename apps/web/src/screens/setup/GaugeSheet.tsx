/**
 * A level: this device laid flat on tube, receptor or trunk shows how far it lies out of the horizontal, beside the target
 * there. Where there is no sensor the reading of another level is typed.
 */
import { Button } from '@rneui/themed';
import {
  againstTarget,
  calibrated,
  gaugeTargets,
  inclination,
  touchPairs,
  type GaugeTarget,
  type Pull,
  type Setup,
} from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { LineInput, numberOf } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { Caution } from '../../ui/States';
import { useTilt } from '../../ui/useTilt';
import { Words } from '../../ui/Words';

type Props = {
  open: boolean;
  setup: Setup;
  unit: 'in' | 'cm';
  /** Takes the measured angle of the tube into the set-up; null where the tube leans across too. */
  onTube: ((deg: number) => void) | null;
  onClose: () => void;
};

const MOST_DEG = 90;
export function GaugeSheet({ open, onClose, ...rest }: Props) {
  return (
    <Sheet title="By touch and level" open={open} onClose={onClose}>
      {open && <Gauge {...rest} />}
    </Sheet>
  );
}

const NAMES: Record<GaugeTarget['of'], string> = { tube: 'Tube', receptor: 'Receptor', trunk: 'Trunk' };
function Gauge({ setup, unit, onTube }: Omit<Props, 'open' | 'onClose'>) {
  const targets = gaugeTargets(setup);
  const [of, setOf] = useState<GaugeTarget['of']>('tube');
  const [flat, setFlat] = useState<Pull | null>(null);
  const [typed, setTyped] = useState('');
  const tilt = useTilt(true);
  const target = targets.find((each) => each.of === of) ?? targets[0]!;
  const live = tilt.pull && inclination(calibrated(tilt.pull, flat));
  const hand = numberOf(typed);
  const byHand = Number.isFinite(hand);
  const inRange = !byHand || (hand >= 0 && hand <= MOST_DEG);
  const read = byHand ? (inRange ? hand : null) : live;
  const pairs = touchPairs(setup, unit);
  const beside = read === null ? null : againstTarget(read, target.deg);
  return (
    <View style={{ gap: 14 }}>
      {pairs.length > 0 && (
        <View role="list" aria-label="By touch" style={{ gap: 4 }}>
          <Words kind="small" tone="soft">
            By touch
          </Words>
          {pairs.map(({ text }) => (
            <View key={text} role="listitem">
              <Words>{text}</Words>
            </View>
          ))}
        </View>
      )}
      <Choice
        label="Level"
        options={targets.map((each) => ({ value: each.of, label: NAMES[each.of] }))}
        value={target.of}
        onChange={setOf}
      />
      <Words>{`Target. ${target.text}`}</Words>
      {tilt.state === 'asking' && <Button title="Use this device’s level" onPress={tilt.ask} />}
      {tilt.state === 'refused' && (
        <Caution text="This browser does not let the page read the level: allow motion in its settings, or type the angle." />
      )}
      {tilt.state === 'waiting' && <Words tone="soft">Waiting for the level of this device…</Words>}
      {tilt.state === 'none' && <Words tone="soft">This device has no level: type what another one shows.</Words>}
      {read !== null && beside && (
        <View role="status" style={{ gap: 2 }}>
          <Words kind="figure">{`${read.toFixed(1)}°`}</Words>
          <Words tone={beside.same ? 'sage' : 'mauve'}>{`${beside.same ? '✓' : '●'} ${beside.text}`}</Words>
          {!byHand && (
            <Words kind="small" tone="soft">
              {tilt.steady ? 'At rest' : 'Moving: lay it still'}
            </Words>
          )}
        </View>
      )}
      {tilt.state === 'live' && (
        <Press
          label={flat ? 'Calibrated on a flat surface; do it again' : 'It lies on a flat, level surface now: calibrate'}
          disabled={!tilt.steady}
          onPress={() => setFlat(tilt.pull)}
          style={{ paddingHorizontal: 12 }}
        >
          <Words kind="small" tone="lamp">
            {flat ? 'Calibrated; do it again' : 'Lies flat and level now: calibrate'}
          </Words>
        </Press>
      )}
      <LineInput label="Or typed, degrees" value={typed} onChange={setTyped} max={5} numeric />
      {!inRange && <Caution text={`An angle to the level is 0 to ${MOST_DEG}°.`} />}
      {target.of === 'tube' && onTube && read !== null && (
        <Button
          title={`Take ${Math.round(read)}° into the set-up`}
          disabled={!byHand && !tilt.steady}
          onPress={() => onTube(Math.round(read))}
        />
      )}
    </View>
  );
}
