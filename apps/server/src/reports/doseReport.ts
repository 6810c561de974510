/**
 * The dose of an exam as a structured report of DICOM. Source: DICOM PS3.3 A.35.8 (X-ray radiation dose report), PS3.16
 * TID 10001 to 10007. What is in it is computed from the exposure factors, and it says so.
 */
import {
  code,
  coded,
  container,
  dicomFile,
  measured,
  named,
  timed,
  worded,
  type Code,
  type Item,
} from '@taktik/core/picture';
import { doseOf, shotWords, type Performed, type Shot } from './performed';
import { MODALITY, plainText, stepUid, studyUid } from './performedStep';
import { dicomMoment, dicomTime, dicomZone, uidOf } from './uid';

const DOSE_REPORT = '1.2.840.10008.5.1.4.1.1.88.67';
const PERFORMED_STEP = '1.2.840.10008.3.1.2.3.3';
const IMPLEMENTATION = uidOf('implementation', 'server');

const dcm = (value: string, meaning: string): Code => [value, 'DCM', meaning];
const sct = (value: string, meaning: string): Code => [value, 'SCT', meaning];
const ucum = (value: string): Code => [value, 'UCUM', value];

const PLANE = coded('HAS CONCEPT MOD', dcm('113764', 'Acquisition Plane'), dcm('113622', 'Single Plane'));
/** From Gy·cm² to Gy·m², in which a dose report counts. */
const SQUARE_METRES = 1e-4;
const SIDE = { left: sct('7771000', 'Left'), right: sct('24028007', 'Right') } as const;

const event = (shot: Shot): Item =>
  container(dcm('113706', 'Irradiation Event X-Ray Data'), [
    PLANE,
    named('CONTAINS', dcm('113769', 'Irradiation Event UID'), uidOf('event', shot.id)),
    timed(dcm('111526', 'DateTime Started'), dicomMoment(shot.at)),
    coded('CONTAINS', dcm('113721', 'Irradiation Event Type'), dcm('113611', 'Stationary Acquisition')),
    worded(dcm('125203', 'Acquisition Protocol'), shot.name),
    ...(shot.side === null ? [] : [coded('CONTAINS', sct('272741003', 'Laterality'), SIDE[shot.side])]),
    measured(dcm('122130', 'Dose Area Product'), shot.kapGyCm2 * SQUARE_METRES, ucum('Gy.m2')),
    measured(dcm('113733', 'KVP'), shot.kVp, ucum('kV')),
    measured(dcm('113734', 'X-Ray Tube Current'), shot.mA, ucum('mA')),
    measured(dcm('113824', 'Exposure Time'), shot.timeMs, ucum('ms')),
    measured(dcm('113736', 'Exposure'), shot.mAs * 1000, ucum('uA.s')),
    measured(dcm('113845', 'Exposure Index'), shot.index, ucum('1')),
    worded(
      dcm('121106', 'Comment'),
      `${shotWords(shot)}; computed from the exposure factors, known within ${Math.round(shot.spread * 100)} %`,
    ),
  ]);

/** The report as values by keyword. @throws RangeError for an exam that has not ended */
function doseReport(done: Performed): Record<string, unknown> {
  if (done.endedAt === null) throw new RangeError(`exam ${done.examId} has not ended`);
  const { date, time } = dicomTime(done.endedAt);
  return {
    SpecificCharacterSet: 'ISO_IR 192',
    TimezoneOffsetFromUTC: dicomZone(done.endedAt),
    SOPClassUID: DOSE_REPORT,
    SOPInstanceUID: uidOf('dose report', done.examId),
    StudyInstanceUID: studyUid(done),
    SeriesInstanceUID: uidOf('dose series', done.examId),
    StudyDate: date,
    StudyTime: time,
    SeriesDate: date,
    SeriesTime: time,
    ContentDate: date,
    ContentTime: time,
    AccessionNumber: plainText(done.reference, 16),
    Modality: 'SR',
    Manufacturer: 'Taktik',
    ManufacturerModelName: 'Taktik',
    DeviceSerialNumber: '1',
    SoftwareVersions: '1',
    ReferringPhysicianName: '',
    PatientName: plainText(done.initials),
    PatientID: plainText(done.patientNumber),
    PatientBirthDate: '',
    PatientSex: done.sex === null ? '' : done.sex === 'female' ? 'F' : 'M',
    StudyID: '',
    SeriesNumber: '1',
    InstanceNumber: '1',
    SeriesDescription: 'Dose',
    ReferencedPerformedProcedureStepSequence: [
      { ReferencedSOPClassUID: PERFORMED_STEP, ReferencedSOPInstanceUID: stepUid(done.examId) },
    ],
    PerformedProcedureCodeSequence: [],
    CompletionFlag: 'COMPLETE',
    VerificationFlag: 'UNVERIFIED',
    ValueType: 'CONTAINER',
    ContinuityOfContent: 'SEPARATE',
    ConceptNameCodeSequence: [code(dcm('113701', 'X-Ray Radiation Dose Report'))],
    ContentTemplateSequence: [{ MappingResource: 'DCMR', TemplateIdentifier: '10001' }],
    ContentSequence: [
      coded('HAS CONCEPT MOD', dcm('121058', 'Procedure reported'), dcm('113704', 'Projection X-Ray'), [
        coded('HAS CONCEPT MOD', sct('363703001', 'Has Intent'), sct('261004008', 'Diagnostic Intent')),
      ]),
      coded('HAS OBS CONTEXT', dcm('121005', 'Observer Type'), dcm('121007', 'Device')),
      named('HAS OBS CONTEXT', dcm('121012', 'Device Observer UID'), IMPLEMENTATION),
      coded('HAS OBS CONTEXT', dcm('113705', 'Scope of Accumulation'), dcm('113016', 'Performed Procedure Step'), [
        named('HAS PROPERTIES', dcm('121126', 'Performed Procedure Step SOP Instance UID'), stepUid(done.examId)),
      ]),
      container(dcm('113702', 'Accumulated X-Ray Dose Data'), [
        PLANE,
        measured(dcm('113722', 'Dose Area Product Total'), doseOf(done) * SQUARE_METRES, ucum('Gy.m2')),
        measured(dcm('113731', 'Total Number of Radiographic Frames'), done.shots.length, ucum('1')),
      ]),
      ...done.shots.map(event),
      worded(
        dcm('121106', 'Comment'),
        `${MODALITY}: doses are computed from the exposure factors of each exposure, not measured`,
      ),
      coded('CONTAINS', dcm('113854', 'Source of Dose Information'), [
        'COMPUTED',
        '99TAKTIK',
        'Computed from exposure factors',
      ]),
    ],
  };
}

/** The report as a file. @throws RangeError for an exam that has not ended */
export function doseReportFile(done: Performed): Uint8Array {
  return dicomFile(doseReport(done), IMPLEMENTATION);
}
