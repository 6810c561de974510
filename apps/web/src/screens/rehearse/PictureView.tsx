/** The simulated picture, with the routine one beside or over it. Drag it and the part moves under the light. */
import { orientForViewing, type Window } from '@taktik/core';
import { useMemo, useRef } from 'react';
import { View, type ViewStyle } from 'react-native';
import { Raster } from '../../ui/Raster';
import { Words } from '../../ui/Words';
import type { Developed } from '../../workers/rehearsal';

type Props = {
  picture: Developed;
  routine: Developed | null;
  over: 'this' | 'routine' | 'both';
  /** Null: by the content of the light. */
  window: Window | null;
  size: number;
  name: string;
  onDrag?: (alongMm: number, acrossMm: number, done: boolean) => void;
};
type Pointer = { clientX: number; clientY: number; pointerId: number; currentTarget: Element };
type Grip = { x: number; y: number; mmPerPx: number };

/** Width and height of a picture in a square frame. */
function fitted({ columns, rows }: Developed, size: number): { width: number; height: number } {
  const scale = size / Math.max(columns, rows);
  return { width: columns * scale, height: rows * scale };
}

export function PictureView({ picture, routine, over, window, size, name, onDrag }: Props) {
  const shown = useMemo(() => orientForViewing(picture, window ?? picture.window), [picture, window]);
  const textbook = useMemo(() => routine && orientForViewing(routine), [routine]);
  const grip = useRef<Grip | null>(null);
  const box = fitted(picture, size);
  const report = (event: Pointer, done: boolean) => {
    const gripped = grip.current;
    if (!gripped || !onDrag) return;
    const sense = picture.mirrored ? -1 : 1;
    onDrag(-(event.clientY - gripped.y) * gripped.mmPerPx, (event.clientX - gripped.x) * gripped.mmPerPx * sense, done);
  };
  const pointer = onDrag
    ? {
        onPointerDown: (event: Pointer) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          // At the part: its shadow stays under the finger.
          const mmPerPx = (picture.columns * picture.pixelMm) / box.width / picture.magnification;
          grip.current = { x: event.clientX, y: event.clientY, mmPerPx };
        },
        onPointerMove: (event: Pointer) => report(event, false),
        onPointerUp: (event: Pointer) => {
          report(event, true);
          grip.current = null;
        },
        onPointerCancel: () => {
          grip.current = null;
        },
      }
    : {};
  const label = `Simulated picture of ${name}, not a patient`;
  const style = { touchAction: 'none', cursor: onDrag ? 'grab' : undefined } as unknown as ViewStyle;
  const routineBox = routine && fitted(routine, size);
  return (
    <View
      style={[
        { width: size, height: size, alignItems: 'center', justifyContent: 'center', backgroundColor: '#000' },
        style,
      ]}
      {...(pointer as object)}
    >
      {over !== 'routine' && <Raster image={shown} label={label} width={box.width} height={box.height} />}
      {over !== 'this' && textbook && routineBox && (
        <View style={over === 'both' ? { position: 'absolute' } : undefined} pointerEvents="none">
          <Raster
            image={textbook}
            label={`Routine picture of ${name}, simulated`}
            width={routineBox.width}
            height={routineBox.height}
            opacity={over === 'both' ? 0.5 : 1}
          />
        </View>
      )}
      {over !== 'this' && !textbook && <Words tone="soft">The routine picture is being made</Words>}
    </View>
  );
}
