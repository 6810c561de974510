/** Who is told of what: systems of the hospital that are named when the server starts. */
import { hl7Segments } from '@taktik/core';
import type { WorklistAddress } from '../dicom/worklist';
import type { OutgoingKind } from '../db/schema';
import { sendHl7 } from '../mllp/sender';
import { NotTaken, tellStep } from './mppsClient';
import type { Senders } from './outgoing';
import { stepEnded, stepStarted, stepUid } from './performedStep';
import { resultMessage } from './resultMessage';

export type Hl7Address = { host: string; port: number };
export type Peers = { steps: WorklistAddress | null; results: Hl7Address | null };

/** @param address `host:port`; null where it is none */
export function hl7Address(address: string): Hl7Address | null {
  const [, host, port] = /^([\w.-]+):(\d{1,5})$/.exec(address) ?? [];
  const number = Number(port);
  return host !== undefined && number > 0 && number < 65_536 ? { host, port: number } : null;
}

/** What is noted for the peers that are there. */
export const sendsFor = ({ steps, results }: Peers): ReadonlySet<OutgoingKind> =>
  new Set<OutgoingKind>([
    ...(steps ? (['step started', 'step ended'] as const) : []),
    ...(results ? (['result'] as const) : []),
  ]);

/** @throws NotTaken where the other side does not say that it has it */
async function tellResult({ host, port }: Hl7Address, message: string): Promise<void> {
  const answer = hl7Segments(await sendHl7(port, host, message));
  const said = answer?.find(({ name }) => name === 'MSA');
  // Accepted at once, or kept safe. Source: HL7 table 0008.
  if (said && /^[AC]A$/.test(said.at(1))) return;
  throw new NotTaken(`${host}:${port} does not take the result${said ? `: ${said.at(1)} ${said.at(3)}` : ''}`);
}

export function sendersFor({ steps, results }: Peers, clock: () => number = Date.now): Senders {
  return {
    ...(steps && {
      'step started': (done) => tellStep(steps, 'create', stepUid(done.examId), stepStarted(done)),
      'step ended': (done) => tellStep(steps, 'set', stepUid(done.examId), stepEnded(done)),
    }),
    ...(results && { result: (done) => tellResult(results, resultMessage(done, clock())) }),
  };
}
