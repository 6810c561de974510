/** Charts come with their library only where one is shown; until then its place is kept. */
import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import type { LineOverProps } from './LineOver';
import type { NumberedBarsProps } from './NumberedBars';

const Line = lazy(() => import('./charts').then(({ LineOver: each }) => ({ default: each })));
const Bars = lazy(() => import('./charts').then(({ NumberedBars: each }) => ({ default: each })));

export const LineOver = (props: LineOverProps) => (
  <Suspense fallback={<View style={{ height: props.height + 34 }} />}>
    <Line {...props} />
  </Suspense>
);
export const NumberedBars = (props: NumberedBarsProps) => (
  <Suspense fallback={<View style={{ height: props.height + 28 }} />}>
    <Bars {...props} />
  </Suspense>
);
