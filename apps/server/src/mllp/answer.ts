/** What an order message is answered: taken, or why not. Source: HL7 v2.5.1, chapter 2.9 and 4.4. */
import { hl7Header, hl7Line, type Hl7Segment } from '@taktik/core';
import type { FieldProblem } from '../services/refusal';

/** AA: taken; AE: not taken, and why; AR: it is no message for us. Source: HL7 table 0008. */
export type Outcome = { code: 'AA' | 'AE' | 'AR'; text: string; faults: readonly FieldProblem[] };

/** The answer that belongs to each message. Source: HL7 table 0354. */
const ANSWER_TO: Readonly<Record<string, readonly [string, string] | undefined>> = {
  'ORM^O01': ['ORR', 'O02'],
  'OMI^O23': ['ORI', 'O24'],
  'OMG^O19': ['ORG', 'O20'],
};
const CONTROL_ID = 10;
const LONGEST_TEXT = 250;
const MOST_ERRORS = 20;
/** Source: HL7 table 0357, application internal error and unsupported message type. */
const ERROR_CODE = { AE: ['207', 'Application error'], AR: ['200', 'Unsupported message type'] } as const;

const timeOf = (now: number): string => new Date(now).toISOString().replace(/[-:T]|\.\d+Z/g, '');

/** @param asked segments of the message; null where there were none to read */
export function answerTo(asked: readonly Hl7Segment[] | null, { code, text, faults }: Outcome, now: number): string {
  const header = asked?.[0];
  const at = (field: number, component?: number): string => header?.at(field, component) ?? '';
  const event = at(9, 2);
  const [type, answer] = (code !== 'AR' && ANSWER_TO[`${at(9, 1)}^${event}`]) || (['ACK', event] as const);
  const lines = [
    hl7Header([
      'TAKTIK',
      at(6) || 'IMAGING',
      at(3),
      at(4),
      timeOf(now),
      '',
      [type, answer, `${type}_${answer || 'ACK'}`],
      `T${timeOf(now)}${at(CONTROL_ID)}`.slice(0, 20),
      at(11) || 'P',
      at(12) || '2.5.1',
      ...['', '', '', '', '', 'UNICODE UTF-8'],
    ]),
    hl7Line('MSA', [code, at(CONTROL_ID), text.slice(0, LONGEST_TEXT)]),
  ];
  if (code !== 'AA') {
    const said = faults.length > 0 ? faults.slice(0, MOST_ERRORS) : [{ field: '', message: text }];
    for (const { field, message } of said)
      lines.push(hl7Line('ERR', ['', '', [...ERROR_CODE[code]], 'E', '', '', field, message.slice(0, LONGEST_TEXT)]));
  }
  // Taken whole or not at all: every order of it fares the same.
  if (type !== 'ACK')
    for (const order of asked?.filter(({ name }) => name === 'ORC') ?? [])
      lines.push(hl7Line('ORC', [code === 'AA' ? 'OK' : 'UA', [order.at(2, 1), order.at(2, 2)]]));
  return `${lines.join('\r')}\r`;
}
