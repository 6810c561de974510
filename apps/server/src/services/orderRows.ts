/** A table of orders read into rows, each with the line of the file in which it begins. */
import Papa from 'papaparse';
import { WHY_COLUMN, type IncomingFault, type OrderRow } from '@taktik/core';

export type OrderRows = { columns: string[]; headLine: number; rows: OrderRow[]; faults: IncomingFault[] };

/** First line of some spreadsheets: which sign parts the cells. */
const SEPARATOR = /^sep=(.)\r?\n/i;
/** What a decoder leaves where bytes are none of its code page. */
const NOT_DECODED = /\uFFFD|\u0000/;

const whole = (message: string): OrderRows => ({
  columns: [],
  headLine: 1,
  rows: [],
  faults: [{ line: 1, field: 'row', message }],
});

/** @param text as it came, with or without byte order mark and separator line */
export function orderRows(text: string): OrderRows {
  if (NOT_DECODED.test(text))
    return whole('The table is in a code page that is not read here: save it as CSV in UTF-8 and send it again');
  const plain = text.replace(/^\uFEFF/, '');
  const separator = SEPARATOR.exec(plain);
  const read = Papa.parse<string[]>(separator ? plain.slice(separator[0].length) : plain, {
    skipEmptyLines: false,
    ...(separator ? { delimiter: separator[1] } : {}),
  });
  let line = separator ? 2 : 1;
  const lines: { line: number; cells: string[] }[] = [];
  for (const cells of read.data) {
    lines.push({ line, cells });
    // A cell in quotes may run over several lines.
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0);
  }
  // A quote that is not closed swallows the rows behind it: nothing of such a file can be trusted.
  const quotes = read.errors.filter(({ type }) => type === 'Quotes');
  if (quotes.length > 0) {
    const faults = quotes.map(({ row, message }) => ({ line: lines[row ?? 0]?.line ?? 1, field: 'row', message }));
    return { columns: [], headLine: 1, rows: [], faults };
  }
  const [head, ...filled] = lines.filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  if (!head || filled.length === 0) return whole('There is no order in the table');
  const columns = head.cells.map((cell) => cell.trim().toLowerCase());
  const faults: IncomingFault[] = [];
  const rows = filled.flatMap(({ line: at, cells }): OrderRow[] => {
    if (cells.length !== columns.length) {
      faults.push({
        line: at,
        field: 'row',
        message: `The row has ${cells.length} cells, the head ${columns.length}: is a quote or a separator missing?`,
      });
      return [];
    }
    return [{ line: at, cells: Object.fromEntries(columns.map((column, i) => [column, cells[i]!])) }];
  });
  return { columns, headLine: head.line, rows, faults };
}

/** The rows that were refused, with what is wrong in a column of its own. */
export function refusedTable({ columns, rows }: OrderRows, faults: readonly IncomingFault[]): string {
  const why = new Map<number, string[]>();
  for (const { line, message } of faults) why.set(line, [...(why.get(line) ?? []), message]);
  const refused = rows.filter(({ line }) => why.has(line));
  if (refused.length === 0) return '';
  const own = columns.filter((column) => column !== WHY_COLUMN);
  return Papa.unparse(
    {
      fields: [...own, WHY_COLUMN],
      data: refused.map(({ line, cells }) => [...own.map((column) => cells[column] ?? ''), why.get(line)!.join('; ')]),
    },
    // A cell that a spreadsheet would take for a formula is text.
    { escapeFormulae: true },
  );
}
