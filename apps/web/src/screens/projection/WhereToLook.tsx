/** The picture as it is lit, with a letter at each thing that must be seen in it. */
import type { LengthUnit, Setup } from '@taktik/core';
import { View } from 'react-native';
import Svg, { Circle, G, Text as SvgText } from 'react-native-svg';
import { Stage } from '../../ui/Stage';
import { useTheme } from '../../ui/theme';
import { fonts } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import type { StageView } from '../../workers/service';

const RADIUS_PX = 11;
const letter = (i: number): string => String.fromCharCode(97 + i);

type Props = { setup: Setup; view: StageView; unit: LengthUnit; width: number; height: number };

export function WhereToLook({ setup, view, unit, width, height }: Props) {
  const theme = useTheme();
  const { box, mustShow } = view.drawing;
  const px = box.width / width;
  return (
    <View style={{ gap: 6 }}>
      <View style={{ width, height }}>
        <Stage
          drawing={view.drawing}
          mannequin={view.mannequin}
          setup={setup}
          unit={unit}
          width={width}
          height={height}
          small
        />
        <Svg
          width={width}
          height={height}
          viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
          style={{ position: 'absolute', left: 0, top: 0 }}
          aria-hidden
        >
          {mustShow.map(({ name, at: [x, y] }, i) => (
            <G key={`${name}${i}`}>
              <Circle cx={x} cy={y} r={RADIUS_PX * px} fill={theme.ground} stroke={theme.lamp} strokeWidth={1.5 * px} />
              <SvgText
                x={x}
                y={y + 4.5 * px}
                fontSize={13 * px}
                fontFamily={fonts.figure}
                fill={theme.ink}
                textAnchor="middle"
              >
                {letter(i)}
              </SvgText>
            </G>
          ))}
        </Svg>
      </View>
      <Words kind="small">{`Look for: ${mustShow.map(({ name }, i) => `${letter(i)} ${name}`).join(' · ')}`}</Words>
    </View>
  );
}
