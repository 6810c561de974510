/** Tells a department's system of a procedure step over the network. Source: DICOM PS3.4 annex F, PS3.7. */
import dimse from 'dcmjs-dimse';
import type { WorklistAddress } from '../dicom/worklist';

const { Client, Dataset, constants, log, requests } = dimse;
const { SopClass, Status } = constants;
// It tells every message of the wire, names of patients with it.
log.setLevel('silent');

const CONNECT_MS = 10_000;
const ANSWER_MS = 60_000;
/** It has it already: an earlier answer was lost. Source: DICOM PS3.7 C.5.6. */
const DUPLICATE = 0x0111;

/** It was told, and did not take it. */
export class NotTaken extends Error {}

/**
 * @param how create for a step that begins, set for one that ends
 * @throws NotTaken where nobody answers, or says no
 */
export function tellStep(
  { host, port, calledAe, callingAe }: WorklistAddress,
  how: 'create' | 'set',
  uid: string,
  step: Record<string, unknown>,
): Promise<void> {
  const where = `${calledAe} at ${host}:${port}`;
  return new Promise((resolve, reject) => {
    const fail = (why: string) => reject(new NotTaken(`${where} ${why}`));
    const request =
      how === 'create'
        ? new requests.NCreateRequest(SopClass.ModalityPerformedProcedureStep, uid)
        : new requests.NSetRequest(SopClass.ModalityPerformedProcedureStep, uid);
    request.setDataset(new Dataset(step));
    request.on('response', (response: { getStatus: () => number }) => {
      const status = response.getStatus();
      if (status === Status.Success || (how === 'create' && status === DUPLICATE)) resolve();
      else fail(`does not take the step (status ${status.toString(16)})`);
    });
    const client = new Client();
    client.addRequest(request);
    client.on('networkError', (error: Error) => fail(`cannot be reached: ${error.message}`));
    client.on('associationRejected', () => fail(`does not know this station as ${callingAe}`));
    client.on('closed', () => fail('ended without an answer'));
    client.send(host, port, callingAe, calledAe, {
      connectTimeout: CONNECT_MS,
      associationTimeout: CONNECT_MS,
      pduTimeout: ANSWER_MS,
    });
  });
}
