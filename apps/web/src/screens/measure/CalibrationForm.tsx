/** How long a millimetre of the part is on this picture: known magnification, an object beside it, or not known. */
import { heightOf, scaleOf, type Calibration } from '@taktik/core';
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';

type Props = {
  calibration: Calibration;
  /** Read on the picture last, mm on the receptor or pixels. */
  lastReadMm: number | null;
  unit: 'mm' | 'px';
  /** What the set-up says of it, where the picture has one. */
  known: { magnification: number; sidMm: number } | null;
  onChange: (calibration: Calibration) => void;
};
const USUAL_SID_MM = 1016;
const OBJECT_MM = 25;

export function CalibrationForm({ calibration, lastReadMm, unit, known, onChange }: Props) {
  const sidMm = known?.sidMm ?? USUAL_SID_MM;
  const pick = (by: Calibration['by']) => {
    if (by === 'receptor') onChange({ by });
    if (by === 'magnification') onChange({ by, magnification: known?.magnification ?? 1.1, sidMm });
    if (by === 'object')
      onChange({
        by,
        readMm: lastReadMm ?? OBJECT_MM,
        trueMm: OBJECT_MM,
        sidMm,
        objectHeightMm: 50,
        partHeightMm: known ? Math.round(heightOf(known.magnification, sidMm)) : 50,
      });
  };
  return (
    <>
      <Choice
        label="Scale of the part"
        options={[
          ...(unit === 'mm'
            ? [
                { value: 'magnification' as const, label: 'known magnification' },
                { value: 'receptor' as const, label: 'not known: as on the receptor' },
              ]
            : []),
          { value: 'object' as const, label: 'object of known size' },
        ]}
        value={calibration.by === 'receptor' && unit === 'px' ? undefined : calibration.by}
        onChange={pick}
      />
      {calibration.by === 'magnification' && (
        <Stepper
          label="Magnification of the part"
          unit=""
          value={calibration.magnification}
          step={0.01}
          digits={2}
          range={[1, 5]}
          onChange={(magnification) => onChange({ ...calibration, magnification })}
        />
      )}
      {calibration.by === 'object' && (
        <>
          <Words kind="small" tone="soft">
            Set a distance across the object first; its length on the picture is taken from there.
          </Words>
          <Stepper
            label="The object, in truth"
            unit="mm"
            value={calibration.trueMm}
            step={1}
            digits={1}
            range={[1, 500]}
            onChange={(trueMm) => onChange({ ...calibration, trueMm })}
          />
          <Stepper
            label="The object, on the picture"
            unit={unit}
            value={calibration.readMm}
            step={1}
            digits={1}
            range={[1, 1000]}
            onChange={(readMm) => onChange({ ...calibration, readMm })}
          />
          <Stepper
            label="Object over the receptor"
            unit="mm"
            value={calibration.objectHeightMm}
            step={10}
            range={[0, 600]}
            onChange={(objectHeightMm) => onChange({ ...calibration, objectHeightMm })}
          />
          <Stepper
            label="Part over the receptor"
            unit="mm"
            value={calibration.partHeightMm}
            step={10}
            range={[0, 600]}
            onChange={(partHeightMm) => onChange({ ...calibration, partHeightMm })}
          />
        </>
      )}
      <Words kind="small" tone={calibration.by === 'receptor' ? 'mauve' : 'soft'}>
        {calibrationText(calibration)}
      </Words>
    </>
  );
}

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;
/** In words, for the screen, the table and the report. */
export function calibrationText(calibration: Calibration): string {
  switch (calibration.by) {
    case 'receptor':
      return 'Not calibrated: lengths are those of the shadow, larger than the part';
    case 'magnification':
      return `Magnification ${calibration.magnification.toFixed(2)}, known within ${percent(scaleOf(calibration).spread)}`;
    case 'object':
      return `Object of ${calibration.trueMm} mm, ${calibration.objectHeightMm} mm over the receptor, the part ${calibration.partHeightMm} mm: known within ${percent(scaleOf(calibration).spread)}`;
  }
}
