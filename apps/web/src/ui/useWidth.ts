import { useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** Width of the place that something is drawn in, as it is laid out; `before` until that is known. */
export function useWidth(before: number): [number, (event: LayoutChangeEvent) => void] {
  const [width, setWidth] = useState(before);
  return [width, ({ nativeEvent }) => nativeEvent.layout.width > 0 && setWidth(Math.floor(nativeEvent.layout.width))];
}
