/** A fact is a code and its values; which values belong to which code follows from the tables that say them. */
import type { LengthUnit } from '../quantity/length';

/** In which way something is said. */
export type Speech = { unit: LengthUnit };

/** What can stand in a fact: it is kept and sent as JSON. */
export type Value = string | number | boolean | null | readonly string[] | readonly number[];
export type Values = Readonly<Record<string, Value>>;

/** Sentences by code. */
export type Table = Readonly<Record<string, (values: never, speech: Speech) => string>>;

/** The values of a code of a table. */
export type ValuesOf<T extends Table, C extends keyof T> = T[C] extends (values: infer V, ...rest: never[]) => string
  ? V
  : never;

export type Fact = { code: string; values: Values };
