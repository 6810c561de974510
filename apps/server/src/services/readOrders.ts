/** A message with orders, read and planned: all of intake that needs no database, so that a thread can do it. */
import {
  asTakenHere,
  hl7Segments,
  namedIds,
  needsSide,
  orderedExam,
  ordersFromFhir,
  ordersFromHl7,
  ordersFromTable,
  ordersFromWorklist,
  plannedFor,
  type Exam,
  type HouseRules,
  type Incoming,
  type IncomingFault,
  type IncomingOrder,
  type Planned,
  type SortedOrders,
  type WorklistEntry,
} from '@taktik/core';
import { orderRows, refusedTable } from './orderRows';

/** As it came: parsed FHIR JSON, HL7 v2 text, CSV text with a head line, or the entries of a worklist. */
export type OrderMessage =
  | { kind: 'fhir'; document: unknown }
  | { kind: 'hl7'; text: string }
  | { kind: 'table'; text: string }
  | { kind: 'worklist'; entries: readonly WorklistEntry[] };

/** @property today ISO date on which ages count; @property exams those of the department */
export type OrdersAsked = { message: OrderMessage; today: string; exams: readonly Exam[]; rules: HouseRules };

/** @property line of the table, segment of the message, or place in the bundle */
export type PlannedOrder = { line: number; order: IncomingOrder; projections: Planned[] };

/**
 * @property found how many orders could be read; above MAX_ORDERS none of them is planned
 * @property faults each with its line, in the order of the lines
 * @property refusedTable the rows of a table that were refused, as a table of their own; else ''
 */
export type OrdersRead = { found: number; orders: PlannedOrder[]; faults: IncomingFault[]; refusedTable: string };

export const MAX_ORDERS = 500;

const sorted = (incoming: Incoming): SortedOrders =>
  'faults' in incoming ? { orders: [], faults: incoming.faults } : { orders: incoming.orders, faults: [] };

const byLine = (faults: IncomingFault[]): IncomingFault[] => faults.sort((a, b) => a.line - b.line);

/** What is planned for one order, or what is wrong with it. */
function plannedOrder(
  { line, order }: SortedOrders['orders'][number],
  { exams, rules }: Pick<OrdersAsked, 'exams' | 'rules'>,
): PlannedOrder | IncomingFault {
  // What is called off or held back need not be understood.
  if (order.standing !== 'ordered') return { line, order, projections: [] };
  const meant = orderedExam(order.exam, exams, order.reason);
  const side = order.bothSides ? 'both' : order.side;
  const fault = (field: string, message: string) => ({ line, field, message: `Order ${order.reference}: ${message}` });
  if (!meant) return fault('exam', `no exam here is called “${order.exam}”`);
  if (side === null && needsSide(meant.projections)) return fault('side', `${meant.name} needs a side`);
  const { ids } = asTakenHere(
    meant.projections,
    { rules, ageYears: order.patient.ageYears ?? null },
    { named: namedIds(meant), sideOrdered: side === 'left' || side === 'right' },
  );
  return { line, order, projections: plannedFor(ids, side, meant) };
}

function planned({ orders, faults }: SortedOrders, asked: OrdersAsked): OrdersRead {
  const all = orders.length > MAX_ORDERS ? [] : orders.map((each) => plannedOrder(each, asked));
  return {
    found: orders.length,
    orders: all.flatMap((each) => ('order' in each ? [each] : [])),
    faults: byLine([...faults, ...all.flatMap((each) => ('order' in each ? [] : [each]))]),
    refusedTable: '',
  };
}

function plannedTable(text: string, asked: OrdersAsked): OrdersRead {
  const table = orderRows(text);
  const { orders, faults } =
    table.rows.length > 0
      ? ordersFromTable(table.columns, table.rows, table.headLine)
      : { orders: [], faults: [] as IncomingFault[] };
  const read = planned({ orders, faults: [...table.faults, ...faults] }, asked);
  return { ...read, refusedTable: refusedTable(table, read.faults) };
}

/**
 * @returns what can be taken in, and what is wrong with the rest; a bundle or an HL7 message with a fault has no orders
 * @example readOrders({ message: { kind: 'table', text }, today: '2026-03-02', exams, rules }).faults
 */
export function readOrders(asked: OrdersAsked): OrdersRead {
  const { message, today } = asked;
  switch (message.kind) {
    case 'fhir':
      return planned(sorted(ordersFromFhir(message.document, today)), asked);
    case 'hl7':
      return planned(sorted(ordersFromHl7(hl7Segments(message.text) ?? [], today)), asked);
    case 'worklist':
      return planned(ordersFromWorklist(message.entries, today), asked);
    case 'table':
      return plannedTable(message.text, asked);
  }
}
