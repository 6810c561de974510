/** One request to a system that speaks DICOM, and what keeps it from being answered, in words. */
import dimse from 'dcmjs-dimse';

const { Client, log } = dimse;
// It tells every message of the wire, names of patients with it.
log.setLevel('silent');

export type WorklistAddress = { host: string; port: number; calledAe: string; callingAe: string };

const CONNECT_MS = 10_000;
const ANSWER_MS = 60_000;

type Request = Parameters<InstanceType<typeof Client>['addRequest']>[0];

/** @param fail is told why no answer comes; an answer itself is the request's to hear */
export function sendTo(
  { host, port, calledAe, callingAe }: WorklistAddress,
  request: Request,
  fail: (why: string) => void,
): void {
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
}
