/**
 * What a modality tells of a procedure step: that it began, and how it ended, with its dose. Source: DICOM PS3.4 F.7 and
 * PS3.3 C.4.13 to C.4.16.
 */
import { doseOf, shotWords, type Performed, type Shot } from './performed';
import { dicomTime, uidOf } from './uid';

export const MODALITY = 'DX';
/** Discontinued, nobody says why by a code. Source: DICOM PS3.16 CID 9300. */
const DISCONTINUED = {
  CodeValue: '110513',
  CodingSchemeDesignator: 'DCM',
  CodeMeaning: 'Discontinued for unspecified reason',
};
/** From Gy·cm² to dGy·cm², in which DICOM counts here. */
const DECI = 10;
const LONGEST = 64;
const SHORT = 16;

export const stepUid = (examId: string): string => uidOf('step', examId);
export const studyUid = ({ scheduled, examId }: Performed): string => scheduled?.studyUid || uidOf('study', examId);

/** In the signs of DICOM a caret parts names, and a backslash values. */
export const plainText = (text: string, longest: number = LONGEST): string =>
  text.replace(/[\\^\r\n]/g, ' ').slice(0, longest);

/** The step as it begins, for N-CREATE. */
export function stepStarted(done: Performed): Record<string, unknown> {
  const { date, time } = dicomTime(done.startedAt);
  return {
    SpecificCharacterSet: 'ISO_IR 192',
    ScheduledStepAttributesSequence: [
      {
        StudyInstanceUID: studyUid(done),
        ReferencedStudySequence: [],
        AccessionNumber: plainText(done.reference, SHORT),
        RequestedProcedureID: done.scheduled?.procedureId ?? '',
        RequestedProcedureDescription: plainText(done.exam),
        ScheduledProcedureStepID: done.scheduled?.stepId ?? '',
        ScheduledProcedureStepDescription: plainText(done.exam),
        ScheduledProtocolCodeSequence: [],
      },
    ],
    PatientName: plainText(done.initials),
    PatientID: plainText(done.patientNumber),
    PatientBirthDate: '',
    PatientSex: done.sex === null ? '' : done.sex === 'female' ? 'F' : 'M',
    ReferencedPatientSequence: [],
    PerformedProcedureStepID: plainText(done.examId, SHORT),
    PerformedStationAETitle: 'TAKTIK',
    PerformedStationName: '',
    PerformedLocation: plainText(done.room, SHORT),
    PerformedProcedureStepStartDate: date,
    PerformedProcedureStepStartTime: time,
    PerformedProcedureStepStatus: 'IN PROGRESS',
    PerformedProcedureStepDescription: plainText(done.exam),
    PerformedProcedureTypeDescription: '',
    ProcedureCodeSequence: [],
    PerformedProcedureStepEndDate: '',
    PerformedProcedureStepEndTime: '',
    Modality: MODALITY,
    StudyID: '',
    PerformedProtocolCodeSequence: [],
    PerformedSeriesSequence: [],
  };
}

const series = (shot: Pick<Shot, 'id' | 'name' | 'by' | 'verdict' | 'cause'>) => ({
  PerformingPhysicianName: '',
  ProtocolName: plainText(shot.name),
  OperatorsName: plainText(shot.by),
  SeriesInstanceUID: uidOf('series', shot.id),
  SeriesDescription: plainText(shotWords(shot)),
  RetrieveAETitle: '',
  // Pictures are made by the detector: none is known here.
  ReferencedImageSequence: [],
  ReferencedNonImageCompositeSOPInstanceSequence: [],
});

/** How it ended, for N-SET. @throws RangeError for an exam that has not */
export function stepEnded(done: Performed): Record<string, unknown> {
  if (done.endedAt === null) throw new RangeError(`exam ${done.examId} has not ended`);
  const { date, time } = dicomTime(done.endedAt);
  return {
    SpecificCharacterSet: 'ISO_IR 192',
    PerformedProcedureStepStatus: done.endReason === null ? 'COMPLETED' : 'DISCONTINUED',
    ...(done.endReason === null ? {} : { PerformedProcedureStepDiscontinuationReasonCodeSequence: [DISCONTINUED] }),
    CommentsOnThePerformedProcedureStep: plainText(done.endReason ?? ''),
    PerformedProcedureStepEndDate: date,
    PerformedProcedureStepEndTime: time,
    TotalNumberOfExposures: String(done.shots.length),
    ImageAndFluoroscopyAreaDoseProduct: (doseOf(done) * DECI).toFixed(4),
    ExposureDoseSequence: done.shots.map((shot) => ({
      RadiationMode: 'CONTINUOUS',
      KVP: shot.kVp.toFixed(1),
      XRayTubeCurrentInuA: String(Math.round(shot.mA * 1000)),
      ExposureTime: String(Math.round(shot.timeMs)),
      CommentsOnRadiationDose: plainText(`${(shot.kapGyCm2 * DECI).toFixed(4)} dGy.cm2, computed`),
    })),
    CommentsOnRadiationDose: 'Dose-area products are computed from the exposure factors, not measured',
    // A step that ends tells at least one series, even one that holds nothing.
    PerformedSeriesSequence:
      done.shots.length > 0
        ? done.shots.map(series)
        : [series({ id: done.examId, name: done.exam, by: done.by, verdict: null, cause: null })],
  };
}
