/** A stand-in for the system that follows procedure steps: keeps what it is told, by the names of the steps. */
import type { Server as NetServer } from 'node:net';
import dimse from 'dcmjs-dimse';

const { Scp, Server, constants, log, responses } = dimse;
log.setLevel('silent');
const { PresentationContextResult, SopClass, Status, TransferSyntax } = constants;

type Created = import('dcmjs-dimse').requests.NCreateRequest;
type Changed = import('dcmjs-dimse').requests.NSetRequest;
/** Source: DICOM PS3.7 C.5.7: no such instance, and one that is there already. */
const UNKNOWN = 0x0112;
const DUPLICATE = 0x0111;

export type Steps = Map<string, Record<string, unknown>>;

/** @returns what it was told, and how to stop it */
export function startStepServer(port: number): { steps: Steps; stop: () => void } {
  const steps: Steps = new Map();
  class Follower extends Scp {
    override associationRequested(association: import('dcmjs-dimse').association.Association): void {
      for (const { id } of association.getPresentationContexts()) {
        const context = association.getPresentationContext(id);
        if (context.getAbstractSyntaxUid() === SopClass.ModalityPerformedProcedureStep)
          context.setResult(PresentationContextResult.Accept, TransferSyntax.ImplicitVRLittleEndian);
        else context.setResult(PresentationContextResult.RejectAbstractSyntaxNotSupported);
      }
      this.sendAssociationAccept();
    }
    override nCreateRequest(
      request: Created,
      callback: (response: import('dcmjs-dimse').responses.NCreateResponse) => void,
    ): void {
      const uid = request.getAffectedSopInstanceUid();
      const response = responses.NCreateResponse.fromRequest(request);
      response.setStatus(steps.has(uid) ? DUPLICATE : Status.Success);
      if (!steps.has(uid)) steps.set(uid, { ...request.getDataset()?.getElements() });
      callback(response);
    }
    override nSetRequest(
      request: Changed,
      callback: (response: import('dcmjs-dimse').responses.NSetResponse) => void,
    ): void {
      const uid = request.getRequestedSopInstanceUid();
      const known = steps.get(uid);
      const response = responses.NSetResponse.fromRequest(request);
      response.setStatus(known ? Status.Success : UNKNOWN);
      if (known) steps.set(uid, { ...known, ...request.getDataset()?.getElements() });
      callback(response);
    }
    override associationReleaseRequested(): void {
      this.sendAssociationReleaseResponse();
    }
  }
  const server = new Server(Follower as never);
  server.listen(port);
  return { steps, stop: () => void (server as unknown as NetServer).close() };
}
