/** Sends one message over MLLP, and reads what comes back. */
import { connect } from 'node:net';
import { framed, Frames } from './frames';

const MOST_BYTES = 100_000;
const PATIENCE_MS = 60_000;

/** @returns the text of the answer. @throws where nobody listens, or nothing comes back */
export function sendHl7(port: number, host: string, text: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const frames = new Frames(MOST_BYTES);
    const socket = connect(port, host, () => socket.write(framed(text)));
    const end = (finish: () => void) => {
      socket.destroy();
      finish();
    };
    socket.setTimeout(PATIENCE_MS, () => end(() => reject(new Error('no answer came'))));
    socket.on('error', (error) => end(() => reject(error)));
    socket.on('close', () => reject(new Error('the connection was closed without an answer')));
    socket.on('data', (chunk) => {
      const [answer] = frames.add(Buffer.from(chunk));
      if (answer) end(() => resolve(answer.toString('utf8')));
    });
  });
}
