/** What is used of the library, which ships without types. */
declare module 'dcmjs' {
  type Element = { vr: string; Value?: unknown[] };
  type Elements = Record<string, Element>;
  export class DicomDict {
    constructor(meta: Elements);
    meta: Elements;
    dict: Elements;
    write(): ArrayBuffer;
  }
  const dcmjs: {
    data: {
      DicomDict: typeof DicomDict;
      DicomMessage: { readFile(buffer: ArrayBuffer): DicomDict };
      DicomMetaDictionary: {
        denaturalizeDataset(dataset: Record<string, unknown>): Elements;
        naturalizeDataset(elements: Elements): Record<string, unknown>;
      };
    };
    log: { setLevel(level: string): void; getLoggers(): Record<string, { setLevel(level: string): void }> };
  };
  export default dcmjs;
}
