/** Asks a DICOM modality worklist what is to be done today. Source: DICOM PS3.4 annex K. */
import dimse from 'dcmjs-dimse';
import type { WorklistEntry } from '@taktik/core';
import { sendTo, type WorklistAddress } from './send';

const { constants, requests } = dimse;
const { Status } = constants;

export type { WorklistAddress };

/** What is wanted of every entry; empty asks for whatever it is. */
const ASKED_FOR = {
  AccessionNumber: '',
  RequestedProcedureID: '',
  PatientName: '',
  PatientID: '',
  IssuerOfPatientID: '',
  StudyInstanceUID: '',
  RequestingPhysician: '',
  PatientBirthDate: '',
  PatientSex: '',
  PatientSize: '',
  PatientWeight: '',
  PregnancyStatus: '',
  PatientState: '',
  SpecialNeeds: '',
  PatientTransportArrangements: '',
  CurrentPatientLocation: '',
  RequestedProcedureDescription: '',
  RequestedProcedureCodeSequence: [],
  RequestedProcedurePriority: '',
  ReasonForTheRequestedProcedure: '',
  RequestedProcedureComments: '',
};

/** It was asked, and did not answer, or said no. */
export class NoWorklist extends Error {}

/**
 * @param address `WORKLIST@host:port`, or `host:port`; null where it is none
 * @example worklistAddress('RIS@10.0.0.4:104')
 */
export function worklistAddress(address: string, callingAe: string): WorklistAddress | null {
  const [, calledAe = 'WORKLIST', host, port] = /^(?:([\w .-]{1,16})@)?([\w.-]+):(\d{1,5})$/.exec(address) ?? [];
  const number = Number(port);
  return host !== undefined && number > 0 && number < 65_536 ? { host, port: number, calledAe, callingAe } : null;
}

/**
 * @param day ISO date
 * @returns the entries of that day, of every modality
 * @throws NoWorklist where nobody answers, or the question is not taken
 */
export function askWorklist(address: WorklistAddress, day: string): Promise<WorklistEntry[]> {
  const where = `the worklist ${address.calledAe} at ${address.host}:${address.port}`;
  return new Promise((resolve, reject) => {
    const found: WorklistEntry[] = [];
    const fail = (why: string) => reject(new NoWorklist(`${where} ${why}`));
    const request = requests.CFindRequest.createWorklistFindRequest({
      ...ASKED_FOR,
      ScheduledProcedureStepSequence: [
        {
          Modality: '',
          ScheduledProcedureStepID: '',
          ScheduledStationAETitle: '',
          ScheduledProcedureStepStartDate: day.replaceAll('-', ''),
          ScheduledProcedureStepDescription: '',
          ScheduledProcedureStepLocation: '',
          ScheduledProtocolCodeSequence: [],
        },
      ],
    });
    request.on(
      'response',
      (response: { getStatus: () => number; getDataset: () => { getElements: () => object } | undefined }) => {
        const status = response.getStatus();
        const entry = response.getDataset()?.getElements();
        if ((status === Status.Pending || status === PENDING_WITH_WARNING) && entry) found.push(entry as WorklistEntry);
        else if (status === Status.Success) resolve(found);
        else fail(`does not take the question (status ${status.toString(16)})`);
      },
    );
    sendTo(address, request, fail);
  });
}
/** Source: DICOM PS3.4 table C.4-1: optional keys were not matched. */
const PENDING_WITH_WARNING = 0xff01;
