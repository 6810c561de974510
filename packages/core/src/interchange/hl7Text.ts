/** HL7 v2 text: segments read from a message, and written. Source: HL7 v2.5.1, chapter 2, sections 2.5 to 2.7. */

/** A segment: what stands in a field, 1 the first, and in a component of it, free of escapes; '' for nothing. */
export type Hl7Segment = { name: string; at: (field: number, component?: number) => string };

type Signs = { field: string; component: string; repetition: string; escape: string; subcomponent: string };
const USUAL: Signs = { field: '|', component: '^', repetition: '~', escape: '\\', subcomponent: '&' };

const HEADER = /^MSH(.)(.)(.)(.)(.)/s;

/** The signs that the header says; null where there is no header. */
function signsOf(text: string): Signs | null {
  const found = HEADER.exec(text);
  if (!found) return null;
  const [, field, component, repetition, escape, subcomponent] = found;
  const signs = { field, component, repetition, escape, subcomponent } as Signs;
  // One sign for two things parts nothing; letters and ends of lines are no signs.
  const all = Object.values(signs);
  return new Set(all).size === all.length && all.every((sign) => /[^\w\s]/.test(sign)) ? signs : null;
}

const escapeFor = (sign: string): string => sign.replace(/[\\^$.*+?()[\]{}|]/g, '\\$&');

/** Escapes of text: the signs themselves, ends of lines, highlighting (dropped) and characters by number. */
function unescaped(text: string, signs: Signs): string {
  if (!text.includes(signs.escape)) return text;
  const sign = escapeFor(signs.escape);
  return text.replace(new RegExp(`${sign}([^${sign}]*)${sign}`, 'g'), (_, code: string) => {
    switch (code) {
      case 'F':
        return signs.field;
      case 'S':
        return signs.component;
      case 'R':
        return signs.repetition;
      case 'E':
        return signs.escape;
      case 'T':
        return signs.subcomponent;
      default:
        if (/^X([\dA-F]{2})+$/i.test(code))
          return String.fromCharCode(...(code.slice(1).match(/../g) ?? []).map((pair) => parseInt(pair, 16)));
        return /^\.(br|sp|in|ti|ce|fi|nf)/.test(code) ? ' ' : '';
    }
  });
}

/** The first repetition counts: others are other names or numbers of the same. */
function segmentOf(line: string, signs: Signs): Hl7Segment {
  const fields = line.split(signs.field);
  const name = fields[0] ?? '';
  // The sign between fields is the first field of a header.
  const shift = name === 'MSH' ? 1 : 0;
  const at = (field: number, component = 1): string => {
    const whole = fields[field - shift] ?? '';
    if (shift === 1 && field <= 2) return field === 1 ? signs.field : whole;
    const [first = ''] = whole.split(signs.repetition);
    const [part = ''] = (first.split(signs.component)[component - 1] ?? '').split(signs.subcomponent);
    // "" in quotes says that there is nothing any more.
    return part === '""' ? '' : unescaped(part, signs).trim();
  };
  return { name, at };
}

/**
 * @param text of one message; segments end with CR, as the standard has it, or with LF
 * @returns its segments, MSH first; null for text that is no message
 * @example hl7Segments('MSH|^~\\&|ris\rPID|1||7')?.[1].at(3) // '7'
 */
export function hl7Segments(text: string): Hl7Segment[] | null {
  const signs = signsOf(text);
  if (!signs) return null;
  return text
    .split(/[\r\n]+/)
    .filter((line) => line.trim() !== '')
    .map((line) => segmentOf(line, signs));
}

/** Text that is safe in a field. */
export const hl7Escaped = (text: string): string =>
  text.replace(/[|^~\\&\r\n]/g, (sign) => {
    const code = { '|': 'F', '^': 'S', '~': 'R', '\\': 'E', '&': 'T' }[sign];
    return code ? `\\${code}\\` : '\\.br\\';
  });

/** A segment with the usual signs: each field a text, or its components. */
export const hl7Line = (name: string, fields: readonly (string | readonly string[])[]): string =>
  [
    name,
    ...fields.map((field) =>
      typeof field === 'string' ? hl7Escaped(field) : field.map(hl7Escaped).join(USUAL.component),
    ),
  ]
    .join(USUAL.field)
    .replace(/\|+$/, '');

/** The header of a message, whose second field are the signs. */
export const hl7Header = (fields: readonly (string | readonly string[])[]): string =>
  `MSH|^~\\&|${hl7Line('', fields).slice(1)}`;
