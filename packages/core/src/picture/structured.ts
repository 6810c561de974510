/** Items of a structured report: each a kind, a name as a code, and a value. Source: DICOM PS3.3 C.17.3. */

export type Code = readonly [value: string, scheme: string, meaning: string];
export type Item = Record<string, unknown>;

type Relation = 'CONTAINS' | 'HAS CONCEPT MOD' | 'HAS OBS CONTEXT' | 'HAS PROPERTIES';

export const code = ([value, scheme, meaning]: Code) => ({
  CodeValue: value,
  CodingSchemeDesignator: scheme,
  CodeMeaning: meaning,
});

const item = (relation: Relation, type: string, name: Code, rest: Item): Item => ({
  RelationshipType: relation,
  ValueType: type,
  ConceptNameCodeSequence: [code(name)],
  ...rest,
});

export const coded = (relation: Relation, name: Code, is: Code, children: readonly Item[] = []): Item =>
  item(relation, 'CODE', name, {
    ConceptCodeSequence: [code(is)],
    ...(children.length > 0 ? { ContentSequence: children } : {}),
  });
export const named = (relation: Relation, name: Code, uid: string): Item =>
  item(relation, 'UIDREF', name, { UID: uid });
export const worded = (name: Code, text: string): Item => item('CONTAINS', 'TEXT', name, { TextValue: text });
export const timed = (name: Code, at: string): Item => item('CONTAINS', 'DATETIME', name, { DateTime: at });
/** A figure as DICOM writes them: at most 16 signs. */
const figure = (value: number): string => Number(value.toPrecision(7)).toString().slice(0, 16);
export const measured = (name: Code, value: number, unit: Code): Item =>
  item('CONTAINS', 'NUM', name, {
    MeasuredValueSequence: [{ MeasurementUnitsCodeSequence: [code(unit)], NumericValue: figure(value) }],
  });
export const container = (name: Code, children: readonly Item[]): Item =>
  item('CONTAINS', 'CONTAINER', name, { ContinuityOfContent: 'SEPARATE', ContentSequence: children });
