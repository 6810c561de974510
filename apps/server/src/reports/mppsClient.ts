/** Tells a department's system of a procedure step over the network. Source: DICOM PS3.4 annex F, PS3.7. */
import dimse from 'dcmjs-dimse';
import { sendTo } from '../dicom/send';
import type { WorklistAddress } from '../dicom/worklist';

const { Dataset, constants, requests } = dimse;
const { SopClass, Status } = constants;

/** It has it already: an earlier answer was lost. Source: DICOM PS3.7 C.5.6. */
const DUPLICATE = 0x0111;

/** It was told, and did not take it. */
export class NotTaken extends Error {}

/**
 * @param how create for a step that begins, set for one that ends
 * @throws NotTaken where nobody answers, or says no
 */
export function tellStep(
  address: WorklistAddress,
  how: 'create' | 'set',
  uid: string,
  step: Record<string, unknown>,
): Promise<void> {
  const where = `${address.calledAe} at ${address.host}:${address.port}`;
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
    sendTo(address, request, fail);
  });
}
