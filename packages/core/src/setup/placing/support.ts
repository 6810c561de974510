/** What lifts or lowers the patient, where the tube does not reach: a block to stand on, or a stool. */
export type Support = { kind: 'block' | 'stool'; mm: number };
