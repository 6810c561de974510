/** Pictures as files: apart from the rest of the core, so that its libraries are loaded only where a file is. */
export { fromDicom, toDicom } from './dicom';
export { fromPng, toPng } from './png';
export type { ReadPicture } from './readPicture';
