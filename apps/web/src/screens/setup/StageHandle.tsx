/**
 * A handle on the stage: the tube head from the side, a corner of the light field along the ray. Drag it and the numbers
 * follow; the readouts do the same for those who do not drag.
 */
import { dragField, dragTube, type Overrides, type Setup, type StageDrawing } from '@taktik/core';
import { useRef } from 'react';
import { View, type ViewStyle } from 'react-native';
import { useTheme } from '../../ui/theme';

const SIZE = 64;

type Props = { setup: Setup; drawing: StageDrawing; width: number; onDrag: (change: Overrides) => void };
/** The drawing at the moment of the grip, so that the scale does not run away under the finger. */
type Grip = { drawing: StageDrawing; setup: Setup; x: number; y: number; fromX: number; fromY: number };
type Pointer = { clientX: number; clientY: number; pointerId: number; currentTarget: Element };

export function StageHandle({ setup, drawing, width, onDrag }: Props) {
  const theme = useTheme();
  const grip = useRef<Grip | null>(null);
  const side = drawing.look === 'side';
  const px = drawing.box.width / width;
  const [x, y] = side ? drawing.focal : drawing.lightField[0][1];
  const place = { left: (x - drawing.box.x) / px - SIZE / 2, top: (y - drawing.box.y) / px - SIZE / 2 };

  const onPointerDown = (event: Pointer) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    grip.current = { drawing, setup, x, y, fromX: event.clientX, fromY: event.clientY };
  };
  const onPointerMove = (event: Pointer) => {
    const gripped = grip.current;
    if (!gripped) return;
    const scale = gripped.drawing.box.width / width;
    const point = [
      gripped.x + (event.clientX - gripped.fromX) * scale,
      gripped.y + (event.clientY - gripped.fromY) * scale,
    ] as const;
    onDrag(side ? dragTube(gripped.setup, gripped.drawing, point) : dragField(gripped.setup, gripped.drawing, point));
  };
  const onPointerUp = () => {
    grip.current = null;
  };
  const style = {
    position: 'absolute',
    ...place,
    width: SIZE,
    height: SIZE,
    cursor: side ? 'move' : 'nwse-resize',
    touchAction: 'none',
  } as unknown as ViewStyle;
  const pointer = { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: onPointerUp } as unknown as object;
  return (
    <View aria-hidden testID={side ? 'tube-handle' : 'field-handle'} style={style} {...pointer}>
      {!side && (
        <View
          style={{
            position: 'absolute',
            right: SIZE / 2 - 5,
            top: SIZE / 2 - 5,
            width: 10,
            height: 10,
            borderRadius: 5,
            backgroundColor: theme.lamp,
          }}
        />
      )}
    </View>
  );
}
