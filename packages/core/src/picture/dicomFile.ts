/** Values by keyword as a file of DICOM: explicit little endian, not compressed. Source: DICOM PS3.10, 7.1. */
/// <reference path="./dcmjs.d.ts" />
import dcmjs from 'dcmjs';

const { DicomDict, DicomMetaDictionary } = dcmjs.data;
const EXPLICIT_LITTLE = '1.2.840.10008.1.2.1';

/**
 * @param dataset with its SOPClassUID and SOPInstanceUID
 * @param implementation name of what wrote it
 */
export function dicomFile(dataset: Record<string, unknown>, implementation: string): Uint8Array {
  const file = new DicomDict(
    DicomMetaDictionary.denaturalizeDataset({
      FileMetaInformationVersion: new Uint8Array([0, 1]).buffer,
      MediaStorageSOPClassUID: dataset.SOPClassUID,
      MediaStorageSOPInstanceUID: dataset.SOPInstanceUID,
      TransferSyntaxUID: EXPLICIT_LITTLE,
      ImplementationClassUID: implementation,
      ImplementationVersionName: 'TAKTIK',
      _vrMap: { FileMetaInformationVersion: 'OB' },
    }),
  );
  file.dict = DicomMetaDictionary.denaturalizeDataset(dataset);
  return new Uint8Array(file.write());
}
