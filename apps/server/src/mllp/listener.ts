/**
 * Takes orders from an order system that speaks HL7 v2 over MLLP. There is no sign-in in it: the port is off unless it
 * is asked for, and stands on the machine's own address unless it is opened.
 */
import { createServer, type AddressInfo, type Socket } from 'node:net';
import { hl7Segments, isMerge, mergesFromHl7, type Hl7Segment } from '@taktik/core';
import { loggable } from '../api/problem';
import type { Store } from '../db/database';
import { takeOrders, type Intake } from '../services/intake';
import { mergePatients } from '../services/merge';
import { Refusal } from '../services/refusal';
import { answerTo, type Outcome } from './answer';
import { decoded, framed, Frames } from './frames';

type Log = { error: (detail: object, text: string) => void };
export type MllpOptions = Intake & { port: number; host: string; clock?: () => number; log: Log };

const MOST_BYTES = 1_000_000;
const MOST_CONNECTIONS = 16;
/** A connection on which nothing comes is closed. */
const IDLE_MS = 10 * 60_000;
const BY = 'order system (HL7)';

const refusedAs = (code: 'AE' | 'AR', text: string): Outcome => ({ code, text, faults: [] });

/** Two numbers of one patient become one, in every order of theirs. */
async function merge(store: Store, segments: readonly Hl7Segment[], now: number): Promise<Outcome> {
  const { merges, faults } = mergesFromHl7(segments);
  if (faults.length > 0)
    return {
      code: 'AE',
      text: 'Nothing was merged',
      faults: faults.map(({ line, field, message }) => ({ field: `line ${line}, ${field}`, message })),
    };
  const changed = await mergePatients(store, merges, BY, now);
  return {
    code: 'AA',
    text: `${changed} ${changed === 1 ? 'order bears' : 'orders bear'} another number now`,
    faults: [],
  };
}

type Message = { text: string; segments: readonly Hl7Segment[] };
async function take(intake: Intake, { text: hl7, segments }: Message, now: number): Promise<Outcome> {
  if (isMerge(segments)) return merge(intake.store, segments, now);
  try {
    const { taken } = await takeOrders(intake, { kind: 'hl7', text: hl7 }, BY, now);
    const text = `${taken.taken} taken, ${taken.corrected} corrected, ${taken.cancelled} called off, ${taken.known} known before`;
    return { code: 'AA', text, faults: [] };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const foreign = error.fields.length === 1 && error.fields[0]!.field.endsWith('MSH-9');
    return { code: foreign ? 'AR' : 'AE', text: error.detail, faults: error.fields };
  }
}

/** The answer to one message. What goes wrong here is told as such, so that it is sent again. */
async function answerMessage(intake: Intake, bytes: Uint8Array, now: number, log: Log): Promise<string> {
  const text = decoded(bytes);
  if (text === null)
    return answerTo(null, refusedAs('AR', 'The characters of this message are not read here: send it in UTF-8'), now);
  const segments = hl7Segments(text);
  if (!segments) return answerTo(null, refusedAs('AR', 'The message does not begin with an MSH segment'), now);
  try {
    return answerTo(segments, await take(intake, { text, segments }, now), now);
  } catch (error) {
    log.error(loggable(error), 'a message of the order system was not taken');
    return answerTo(segments, refusedAs('AE', 'It could not be stored; send it again'), now);
  }
}

function serve(socket: Socket, { clock = Date.now, log, ...intake }: MllpOptions): void {
  const frames = new Frames(MOST_BYTES);
  // One after another, so that a correction never overtakes its order.
  let before: Promise<void> = Promise.resolve();
  socket.setTimeout(IDLE_MS, () => socket.destroy());
  socket.on('error', () => socket.destroy());
  socket.on('data', (chunk) => {
    let messages: Buffer[];
    try {
      messages = frames.add(Buffer.from(chunk));
    } catch {
      socket.destroy();
      return;
    }
    for (const message of messages)
      before = before.then(async () => {
        const answer = await answerMessage(intake, message, clock(), log);
        if (socket.writable) socket.write(framed(answer));
      });
  });
}

export type Listening = { port: number; close: () => Promise<void> };

/** @param options port 0 for any that is free. @returns once it listens. @throws where the port is taken */
export function listenForHl7(options: MllpOptions): Promise<Listening> {
  const open = new Set<Socket>();
  const server = createServer((socket) => {
    open.add(socket);
    socket.on('close', () => open.delete(socket));
    serve(socket, options);
  });
  server.maxConnections = MOST_CONNECTIONS;
  const close = () =>
    new Promise<void>((done) => {
      server.close(() => done());
      for (const socket of open) socket.destroy();
    });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(options.port, options.host, () => resolve({ port: (server.address() as AddressInfo).port, close }));
  });
}
