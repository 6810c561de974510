/** A stand-in for the worklist of a department: answers every question with the entries that it was given. */
import type { Server as NetServer } from 'node:net';
import dimse from 'dcmjs-dimse';
import type { WorklistEntry } from '@taktik/core';

const { Dataset, Scp, Server, constants, log, responses } = dimse;
log.setLevel('silent');
const { PresentationContextResult, SopClass, Status, TransferSyntax } = constants;

type Question = import('dcmjs-dimse').requests.CFindRequest;
type Answer = import('dcmjs-dimse').responses.CFindResponse;

/** @param entries what it answers. @returns how to stop it */
export function startWorklist(port: number, entries: () => readonly WorklistEntry[], callingAe = 'TAKTIK'): () => void {
  class Worklist extends Scp {
    override associationRequested(association: import('dcmjs-dimse').association.Association): void {
      if (association.getCallingAeTitle() !== callingAe) {
        this.sendAssociationReject(
          constants.RejectResult.Permanent,
          constants.RejectSource.ServiceUser,
          constants.RejectReason.CallingAeNotRecognized,
        );
        return;
      }
      for (const { id } of association.getPresentationContexts()) {
        const context = association.getPresentationContext(id);
        if (context.getAbstractSyntaxUid() === SopClass.ModalityWorklistInformationModelFind)
          context.setResult(PresentationContextResult.Accept, TransferSyntax.ImplicitVRLittleEndian);
        else context.setResult(PresentationContextResult.RejectAbstractSyntaxNotSupported);
      }
      this.sendAssociationAccept();
    }
    override cFindRequest(request: Question, callback: (all: Answer[]) => void): void {
      const answer = (status: number, entry?: WorklistEntry) => {
        const response = responses.CFindResponse.fromRequest(request);
        response.setStatus(status);
        if (entry) response.setDataset(new Dataset({ ...entry }));
        return response;
      };
      callback([...entries().map((entry) => answer(Status.Pending, entry)), answer(Status.Success)]);
    }
    override associationReleaseRequested(): void {
      this.sendAssociationReleaseResponse();
    }
  }
  const server = new Server(Worklist as never);
  server.listen(port);
  return () => (server as unknown as NetServer).close();
}
