/** A picture from a file, measured here and kept nowhere but in the table or the report that is saved of it. */
import type { ReadPicture } from '@taktik/core/picture';
import { MeasurePane, type Measured } from './MeasurePane';

export type OpenedFile = { name: string; read: ReadPicture };
type Props = {
  file: OpenedFile;
  size: number;
  measured: Measured | undefined;
  onMeasured: (measured: Measured) => void;
};

export const NOT_MEASURED: Measured = { calibration: { by: 'receptor' }, measures: [] };

export function FilePane({ file: { name, read }, size, measured = NOT_MEASURED, onMeasured }: Props) {
  return (
    <MeasurePane {...{ name, size, measured }} image={read} pixelMm={read.pixelMm} known={null} onChange={onMeasured} />
  );
}
