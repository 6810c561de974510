/**
 * That an exam ended, as an HL7 v2 result: who and when, and the dose of every exposure and of all of them. Source: HL7
 * v2.5.1, chapter 7 (ORU^R01); codes of dose: DICOM PS3.16, table D-1.
 */
import { hl7Header, hl7Line } from '@taktik/core';
import { readerWords } from '@taktik/contracts';
import { doseOf, shotWords, type Performed } from './performed';

const time = (at: number): string => new Date(at).toISOString().replace(/[-:T]|\.\d+Z/g, '');
const none = (count: number): string[] => Array.from({ length: count }, () => '');
const SEX = { female: 'F', male: 'M' } as const;
const DOSE = ['122130', 'Dose Area Product', 'DCM'];
const DOSE_OF_ALL = ['113722', 'Dose Area Product Total', 'DCM'];
/** Six decimals of Gy·cm² are a thousandth of a picture of a finger. */
const DECIMALS = 6;

/** @param now when it is sent. @returns the message, its control id the exam's. @throws RangeError for an exam that has not ended */
export function resultMessage(done: Performed, now: number): string {
  if (done.endedAt === null) throw new RangeError(`exam ${done.examId} has not ended`);
  const exam = ['', done.exam];
  const dose = (place: number, code: readonly string[], gyCm2: number, at: number, words: string) => [
    hl7Line('OBX', [
      ...[
        String(place),
        'NM',
        [...code],
        String(place),
        gyCm2.toFixed(DECIMALS),
        ['Gy.cm2', '', 'UCUM'],
        ...none(4),
        'F',
      ],
      ...['', '', time(at)],
    ]),
    hl7Line('NTE', [String(place), 'L', words]),
  ];
  return [
    hl7Header([
      ...['TAKTIK', 'IMAGING', '', '', time(now), ''],
      ['ORU', 'R01', 'ORU_R01'],
      done.examId.slice(0, 20),
      ...['P', '2.5.1', ...none(5), 'UNICODE UTF-8'],
    ]),
    hl7Line('PID', [
      ...['1', '', [done.patientNumber, '', '', done.issuer], ''],
      [done.initials],
      ...['', '', done.sex === null ? '' : SEX[done.sex]],
    ]),
    hl7Line('ORC', ['RE', done.reference]),
    hl7Line('OBR', [
      ...['1', done.reference, '', exam, '', '', time(done.startedAt), time(done.endedAt), ...none(13)],
      time(done.endedAt),
      '',
      'RAD',
      // Final, or broken off. Source: HL7 table 0123.
      done.endReason === null ? 'F' : 'X',
    ]),
    ...(done.endReason === null ? [] : [hl7Line('NTE', ['1', 'L', `Ended early: ${done.endReason}`])]),
    ...done.shots.flatMap((shot, i) => [
      ...dose(i + 1, DOSE, shot.kapGyCm2, shot.at, shotWords(shot)),
      ...(readerWords(shot) === '' ? [] : [hl7Line('NTE', ['2', 'L', readerWords(shot)])]),
    ]),
    ...(done.shots.length > 0
      ? dose(done.shots.length + 1, DOSE_OF_ALL, doseOf(done), done.endedAt, 'Computed, repeats among them')
      : []),
    '',
  ].join('\r');
}
