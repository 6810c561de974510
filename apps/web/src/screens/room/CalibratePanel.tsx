/** The output of a tube from a few measured points: the fit, what each point is off it, and how well it is known. */
import { Button } from '@rneui/themed';
import {
  centimetres,
  fitOutput,
  formatLength,
  outputPointSchema,
  type LengthUnit,
  type OutputPoint,
  significant,
} from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { LineInput, numberOf } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { RoomDraft } from './useRoomDraft';

type Typed = Record<keyof OutputPoint, string>;
const NOTHING: Typed = { kVp: '', mAs: '', distanceMm: '100', kermaUGy: '' };
/** What is typed, and what one of it is in a point. */
const FIELDS: readonly [keyof OutputPoint, string, number][] = [
  ['kVp', 'kVp', 1],
  ['mAs', 'mAs', 1],
  ['distanceMm', 'Distance from the focal spot, cm', centimetres(1)],
  ['kermaUGy', 'Kerma free in air, µGy', 1],
];
const percent = (share: number): string => `${share >= 0 ? '+' : '−'}${Math.abs(share * 100).toFixed(1)} %`;

export function CalibratePanel({ draft, unit, mayChange }: { draft: RoomDraft; unit: LengthUnit; mayChange: boolean }) {
  const theme = useTheme();
  const [typed, setTyped] = useState<Typed>(NOTHING);
  const [wrong, setWrong] = useState<string[]>([]);
  const points = draft.generator.points ?? [];
  const fit = points.length > 0 ? fitOutput(points) : null;
  /** The output follows the points at once, so that what is shown is what is kept. */
  const take = (next: OutputPoint[]) => {
    if (next.length === 0) return draft.change({ points: null, outputPower: null });
    const found = fitOutput(next);
    draft.change({
      points: next,
      outputUGyPerMas: Math.min(500, Math.max(5, Number(found.outputUGyPerMas.toPrecision(4)))),
      outputPower: Math.min(3, Math.max(1.5, Number(found.power.toFixed(3)))),
    });
  };
  const add = () => {
    const read = outputPointSchema.safeParse(
      Object.fromEntries(FIELDS.map(([key, , per]) => [key, numberOf(typed[key]) * per])),
    );
    if (!read.success) return setWrong(read.error.issues.map(({ message }) => message));
    setWrong([]);
    setTyped({ ...NOTHING, distanceMm: typed.distanceMm });
    take([...points, read.data].sort((a, b) => a.kVp - b.kVp));
  };
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Measured output
      </Words>
      {points.length === 0 && (
        <Words kind="small" tone="mauve">
          {`● Not measured: ${draft.generator.outputUGyPerMas} µGy per mAs at 1 m and 80 kVp is assumed.`}
        </Words>
      )}
      <View role="table" aria-label="Measured points" style={{ gap: 2 }}>
        {points.map((point, i) => (
          <View
            key={`${point.kVp} ${point.mAs} ${point.kermaUGy} ${i}`}
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
              {`${point.kVp} kVp, ${point.mAs} mAs, ${formatLength(point.distanceMm, unit)}: ${point.kermaUGy} µGy`}
            </Words>
            <Words role="cell" kind="small" tone={Math.abs(fit!.residuals[i]) > LARGE ? 'brick' : 'sage'}>
              {`${percent(fit!.residuals[i])} off`}
            </Words>
            {mayChange && (
              <View role="cell">
                <Press
                  label={`Remove the point at ${point.kVp} kVp`}
                  plain
                  onPress={() => take(points.filter((_, k) => k !== i))}
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
      {fit && (
        <Words role="status">
          {`${significant(fit.outputUGyPerMas, 3)} µGy per mAs at 1 m and 80 kVp, with kVp to the power ${fit.power.toFixed(2)}${fit.powerFitted ? '' : ' (usual, not fitted)'}; the points lie ${(fit.spread * 100).toFixed(1)} % off it on average.`}
        </Words>
      )}
      {fit?.warnings.map((text) => (
        <Words key={text} kind="small" tone="brick">{`▲ ${text}`}</Words>
      ))}
      {mayChange && (
        <View style={{ gap: 8 }}>
          {FIELDS.map(([key, label]) => (
            <LineInput
              key={key}
              label={label}
              value={typed[key]}
              onChange={(text) => setTyped({ ...typed, [key]: text })}
              max={10}
              numeric
            />
          ))}
          {wrong.map((text) => (
            <Words key={text} kind="small" tone="brick" role="alert">{`▲ ${text}. What you typed is kept.`}</Words>
          ))}
          <Button title="Add the point" onPress={add} />
        </View>
      )}
    </View>
  );
}

/** Off the fit by more than the model itself is. */
const LARGE = 0.15;
