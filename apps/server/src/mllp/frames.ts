/** Messages in a stream of bytes: each between a start byte and two end bytes. Source: HL7 MLLP, release 1. */
const START = 0x0b;
const END = 0x1c;
const CARRIAGE_RETURN = 0x0d;

export class FrameTooLong extends Error {}

/** Characters by the name that a header gives them. Source: HL7 table 0211. */
const DECODER_OF: Readonly<Record<string, string | undefined>> = {
  '': 'utf-8',
  ASCII: 'utf-8',
  'UNICODE UTF-8': 'utf-8',
  '8859/1': 'latin1',
  '8859/15': 'iso-8859-15',
};

/**
 * The text of a message in the characters that its header names.
 * @returns null where they are others than are read here, or the bytes are none of them
 */
export function decoded(bytes: Uint8Array): string | null {
  const header =
    Buffer.from(bytes.subarray(0, 2000))
      .toString('latin1')
      .split(/[\r\n]/)[0] ?? '';
  const name = (header.split(header.charAt(3))[17] ?? '').split(header.charAt(5))[0]?.toUpperCase() ?? '';
  const decoder = DECODER_OF[name];
  if (decoder === undefined) return null;
  try {
    return new TextDecoder(decoder, { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/** Puts what arrives together, in whatever pieces it comes. */
export class Frames {
  private rest: Buffer = Buffer.alloc(0);
  constructor(private readonly mostBytes: number) {}

  /** @returns the messages that are whole now. @throws FrameTooLong for one that does not end */
  add(chunk: Buffer): Buffer[] {
    this.rest = Buffer.concat([this.rest, chunk]);
    const whole: Buffer[] = [];
    for (;;) {
      // What stands before a start belongs to no message.
      const start = this.rest.indexOf(START);
      if (start < 0) {
        this.rest = Buffer.alloc(0);
        return whole;
      }
      const end = this.rest.indexOf(Buffer.from([END, CARRIAGE_RETURN]), start);
      if (end < 0) {
        this.rest = this.rest.subarray(start);
        if (this.rest.length > this.mostBytes) throw new FrameTooLong(`a message of more than ${this.mostBytes} bytes`);
        return whole;
      }
      whole.push(this.rest.subarray(start + 1, end));
      this.rest = this.rest.subarray(end + 2);
    }
  }
}

export const framed = (text: string): Buffer =>
  Buffer.concat([Buffer.from([START]), Buffer.from(text, 'utf8'), Buffer.from([END, CARRIAGE_RETURN])]);
