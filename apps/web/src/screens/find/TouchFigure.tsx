/** The mannequin to touch: front, back, hand and foot. What is touched narrows the list. */
import { touchAt, TOUCH_VIEWS, type TouchMap, type TouchView } from '@taktik/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { Skeleton } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';

export type Touched = { view: TouchView; name: string; ids: string[]; at: readonly [number, number] };

const HEIGHT = 300;
const NAMES: Record<TouchView, string> = { front: 'Front', back: 'Back', hand: 'Hand', foot: 'Foot' };
/** Hand and foot share the place of one figure. */
const SHARE: Record<TouchView, number> = { front: 1, back: 1, hand: 0.62, foot: 0.62 };

/** Fingers and toes are told apart by their bones; the whole figure by its outline. */
const BONES_SHOW: Record<TouchView, number> = { front: 0.12, back: 0.12, hand: 0.28, foot: 0.34 };

const maps = new Map<TouchView, TouchMap>();

function useTouchMap(view: TouchView): TouchMap | null {
  const [map, setMap] = useState<TouchMap | null>(maps.get(view) ?? null);
  useEffect(() => {
    if (maps.has(view)) return;
    let here = true;
    compute()
      .touchMap(view)
      .then((made) => {
        maps.set(view, made);
        if (here) setMap(made);
      })
      // Words find everything that the figure does.
      .catch(() => undefined);
    return () => {
      here = false;
    };
  }, [view]);
  return map;
}

type Props = { touched: Touched | null; onTouch: (touched: Touched) => void };

/** A picture for the finger only: keyboard and screen reader have regions, parts and words for the same. */
export function TouchFigure({ touched, onTouch }: Props) {
  return (
    <View aria-hidden style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', height: HEIGHT }}>
        {TOUCH_VIEWS.map((view) => (
          <Figure key={view} view={view} touched={touched?.view === view ? touched : null} onTouch={onTouch} />
        ))}
      </View>
    </View>
  );
}

function Figure({ view, touched, onTouch }: Props & { view: TouchView }) {
  const theme = useTheme();
  const map = useTouchMap(view);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const box = map?.box;
  const scale = box && size.width > 0 ? Math.max(box.width / size.width, box.height / size.height) : 1;
  const press = (x: number, y: number) => {
    if (!map || !box) return;
    const at = [
      box.x + box.width / 2 + (x - size.width / 2) * scale,
      box.y + box.height / 2 + (y - size.height / 2) * scale,
    ] as const;
    onTouch({ view, at, ...touchAt(map, at) });
  };
  return (
    <View style={{ flex: SHARE[view], gap: 2 }}>
      <View
        testID={`touch-${view}`}
        onLayout={({ nativeEvent }) => setSize(nativeEvent.layout)}
        onStartShouldSetResponder={() => true}
        onResponderRelease={({ nativeEvent }) => press(nativeEvent.locationX, nativeEvent.locationY)}
        style={{ flex: 1, cursor: 'pointer' } as object}
      >
        {!map && <Skeleton rows={1} height={HEIGHT - 30} />}
        {map && box && size.width > 0 && (
          <Svg
            aria-hidden
            width={size.width}
            height={size.height}
            viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
            style={{ pointerEvents: 'none' } as object}
          >
            <Path
              d={map.figure.skin}
              fill={theme.skin}
              stroke={theme.skinEdge}
              strokeWidth={scale}
              strokeLinejoin="round"
            />
            <Path d={map.bones} fill={theme.skinEdge} opacity={BONES_SHOW[view]} />
            <Path d={map.figure.inner} fill="none" stroke={theme.skinEdge} strokeWidth={scale * 0.8} />
            <Path d={map.figure.features} fill="none" stroke={theme.skinEdge} strokeWidth={scale * 0.7} />
            {touched && (
              <Circle
                cx={touched.at[0]}
                cy={touched.at[1]}
                r={11 * scale}
                fill="none"
                stroke={theme.lamp}
                strokeWidth={3 * scale}
              />
            )}
          </Svg>
        )}
      </View>
      <Words kind="label" tone="soft" style={{ textAlign: 'center' }}>
        {NAMES[view]}
      </Words>
    </View>
  );
}
