/** Pictures as files: apart from the rest of the core, so that its libraries are loaded only where a file is. */
export { fromDicom, toDicom } from './dicom';
export { dicomFile } from './dicomFile';
export { measureReport } from './measureReport';
export { fromPng, toPng } from './png';
export type { ReadPicture } from './readPicture';
export { code, coded, container, measured, named, timed, worded, type Code, type Item } from './structured';
