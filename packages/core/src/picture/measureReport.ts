/**
 * Figures measured on pictures as a structured report of DICOM: each a length or an angle with what it is doubted by, and
 * how it was calibrated. Never a finding. Source: DICOM PS3.3 A.35.3 (comprehensive SR); names of PS3.16, CID 7470.
 */
import type { MeasuredRow } from '../measure/figures';
import { freshUid, IMPLEMENTATION } from './dicom';
import { dicomFile } from './dicomFile';
import { code, container, measured, worded, type Code } from './structured';

const COMPREHENSIVE = '1.2.840.10008.5.1.4.1.1.88.33';
const dcm = (value: string, meaning: string): Code => [value, 'DCM', meaning];
const LENGTH: Code = ['410668003', 'SCT', 'Length'];
const ANGLE: Code = ['1483009', 'SCT', 'Angle'];
const UNIT = { mm: ['mm', 'UCUM', 'mm'], '°': ['deg', 'UCUM', 'degrees'] } as const satisfies Record<string, Code>;

/**
 * @param rows one a measure; those without a figure are left out
 * @param made when it was made, and a source of random numbers for its names
 * @throws RangeError where nothing has a figure
 */
export function measureReport(rows: readonly MeasuredRow[], made: { at: Date; random: () => number }): Uint8Array {
  const groups = rows.flatMap(({ view, side, calibration, measure, figure }) =>
    figure
      ? [
          container(dcm('125007', 'Measurement Group'), [
            worded(dcm('112039', 'Tracking Identifier'), `${view}${side === '' ? '' : `, ${side}`}: ${measure.name}`),
            measured(figure.unit === 'mm' ? LENGTH : ANGLE, figure.value, UNIT[figure.unit]),
            worded(
              dcm('121106', 'Comment'),
              `Within ${figure.within.toFixed(1)} ${figure.unit === 'mm' ? 'mm' : 'degrees'}; ${calibration}`,
            ),
          ]),
        ]
      : [],
  );
  if (groups.length === 0) throw new RangeError('Nothing is measured yet: a report needs at least one figure');
  const [date, time] = made.at.toISOString().replace(/[-:]/g, '').replace('Z', '').split('T');
  return dicomFile(
    {
      SpecificCharacterSet: 'ISO_IR 192',
      TimezoneOffsetFromUTC: '+0000',
      SOPClassUID: COMPREHENSIVE,
      SOPInstanceUID: freshUid(made.random),
      StudyInstanceUID: freshUid(made.random),
      SeriesInstanceUID: freshUid(made.random),
      ...{ StudyDate: date, StudyTime: time, ContentDate: date, ContentTime: time },
      AccessionNumber: '',
      Modality: 'SR',
      Manufacturer: 'Taktik',
      ...{ ReferringPhysicianName: '', PatientName: '', PatientID: '', PatientBirthDate: '', PatientSex: '' },
      ...{ StudyID: '', SeriesNumber: '1', InstanceNumber: '1', SeriesDescription: 'Measurements' },
      ReferencedPerformedProcedureStepSequence: [],
      PerformedProcedureCodeSequence: [],
      CompletionFlag: 'COMPLETE',
      VerificationFlag: 'UNVERIFIED',
      ValueType: 'CONTAINER',
      ContinuityOfContent: 'SEPARATE',
      ConceptNameCodeSequence: [code(dcm('126000', 'Imaging Measurement Report'))],
      ContentSequence: [container(dcm('126010', 'Imaging Measurements'), groups)],
    },
    IMPLEMENTATION,
  );
}
