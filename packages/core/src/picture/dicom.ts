/**
 * A simulated picture as a digital x-ray image of DICOM, with the geometry of its set-up in the attributes, and back.
 * Source: DICOM part 3, digital x-ray image; explicit little endian, not compressed.
 */
/// <reference path="./dcmjs.d.ts" />
import dcmjs from 'dcmjs';
import { burnCaption, CAPTION } from '../radiograph/caption';
import type { Radiograph } from '../radiograph/simulateRadiograph';
import type { Setup } from '../setup/setup';
import { dicomFile } from './dicomFile';
import { contentOf, spacingOf, windowOf } from './dicomContent';
import { lateralityOf, orientationOf, shownOf, viewPositionOf, viewTermOf } from './dicomTerms';
import { checkSize, type ReadPicture } from './readPicture';

const { DicomMessage, DicomMetaDictionary } = dcmjs.data;
// What is wrong with a file is said to who opened it, not to a console.
for (const logger of [dcmjs.log, ...Object.values(dcmjs.log.getLoggers())]) logger.setLevel('silent');

const DIGITAL_X_RAY = '1.2.840.10008.5.1.4.1.1.1.1';
const EXPLICIT_LITTLE = '1.2.840.10008.1.2.1';
const IMPLICIT_LITTLE = '1.2.840.10008.1.2';
/** Any implementation may name itself by a random number under this root. */
const ANYONE = '2.25.';
export const IMPLEMENTATION = `${ANYONE}329800735698586629295641978511506172918`;

/** 12 bits of a logarithm of the signal, bone bright. */
const BITS = 12;
const MOST = 2 ** BITS - 1;
const DECADES = 6;
const LEAST_SIGNAL = 0.1;

type Shown = Pick<
  Radiograph,
  'signal' | 'where' | 'columns' | 'rows' | 'pixelMm' | 'mirrored' | 'window' | 'index' | 'deviation'
>;

/** A unique name from 16 random bytes. @param random 0 to 1 */
export function freshUid(random: () => number): string {
  let number = 0n;
  for (let i = 0; i < 16; i += 1) number = number * 256n + BigInt(Math.floor(random() * 256));
  return ANYONE + number.toString();
}

/** Values of the pixels: the logarithm of the signal upside down, with the caption burnt in. */
function storedValues({ signal, where, columns, rows, mirrored }: Shown): Uint16Array {
  const values = new Uint16Array(columns * rows);
  const strip = new Uint8ClampedArray(columns * rows).fill(1);
  burnCaption(strip, columns, rows);
  for (let y = 0; y < rows; y += 1)
    for (let x = 0; x < columns; x += 1) {
      const to = y * columns + x;
      if (strip[to] !== 1) {
        values[to] = strip[to] === 255 ? MOST : 0;
        continue;
      }
      const from = y * columns + (mirrored ? columns - 1 - x : x);
      if (where[from] === 2) values[to] = storedOf(Math.log10(Math.max(signal[from] ?? 0, LEAST_SIGNAL)));
    }
  return values;
}

const HIGHEST = Math.log10(LEAST_SIGNAL) + DECADES;
const storedOf = (decades: number): number =>
  Math.round(Math.min(1, Math.max(0, (HIGHEST - decades) / DECADES)) * MOST);

/** Edges of the light in the stored picture, columns and rows from 1; all of it where no light is told apart. */
function edgesOf({ where, columns, rows, mirrored }: Shown) {
  let [left, right, upper, lower] = [columns, 1, rows, 1];
  for (let y = 0; y < rows; y += 1)
    for (let x = 0; x < columns; x += 1) {
      if (where[y * columns + (mirrored ? columns - 1 - x : x)] !== 2) continue;
      left = Math.min(left, x + 1);
      right = Math.max(right, x + 1);
      upper = Math.min(upper, y + 1);
      lower = Math.max(lower, y + 1);
    }
  const none = left > right;
  return {
    CollimatorLeftVerticalEdge: String(none ? 1 : left),
    CollimatorRightVerticalEdge: String(none ? columns : right),
    CollimatorUpperHorizontalEdge: String(none ? 1 : upper),
    CollimatorLowerHorizontalEdge: String(none ? rows : lower),
  };
}

/** Of a short text. Source: DICOM PS3.5 6.2, VR LO. */
const LONGEST_DESCRIPTION = 64;

const two = (value: number): string => value.toFixed(2);

/**
 * @param made when it was made, a source of random numbers for its names, and what the reader must know of it
 * @returns the file
 */
export function toDicom(
  shown: Shown,
  setup: Setup,
  made: { at: Date; random: () => number; note?: string },
): Uint8Array {
  const instance = freshUid(made.random);
  const [date, time] = made.at.toISOString().replace(/[-:]/g, '').replace('Z', '').split('T');
  const { window } = shown;
  const pixels = storedValues(shown);
  const source = setup.tube.sidMm;
  const [part, view] = [shownOf(setup), viewTermOf(setup)];
  const dataset: Record<string, unknown> = {
    SpecificCharacterSet: 'ISO_IR 192',
    ImageType: ['DERIVED', 'PRIMARY'],
    SOPClassUID: DIGITAL_X_RAY,
    SOPInstanceUID: instance,
    StudyInstanceUID: freshUid(made.random),
    SeriesInstanceUID: freshUid(made.random),
    StudyDate: date,
    ContentDate: date,
    StudyTime: time,
    ContentTime: time,
    AccessionNumber: '',
    Modality: 'DX',
    PresentationIntentType: 'FOR PRESENTATION',
    Manufacturer: 'Taktik (simulation)',
    ReferringPhysicianName: '',
    StudyID: '1',
    SeriesNumber: '1',
    InstanceNumber: '1',
    SeriesDescription: setup.name.slice(0, LONGEST_DESCRIPTION),
    PatientName: 'SIMULATED^NOT A PATIENT',
    PatientID: 'SIMULATED',
    PatientBirthDate: '',
    PatientSex: '',
    ImageComments: [CAPTION, setup.name, made.note ?? ''].filter(Boolean).join('. '),
    BurnedInAnnotation: 'YES',
    TimezoneOffsetFromUTC: '+0000',
    ...(part && { BodyPartExamined: part.bodyPart }),
    AnatomicRegionSequence: part ? [part.term] : [],
    ViewPosition: viewPositionOf(setup),
    ...(view && { ViewCodeSequence: [view] }),
    ImageLaterality: lateralityOf(setup),
    PatientOrientation: orientationOf(setup, shown.mirrored),
    PositionerType: 'NONE',
    DetectorType: '',
    AcquisitionContextSequence: [],
    KVP: two(setup.exposure.kVp),
    ExposureInuAs: String(Math.round(setup.exposure.mAs * 1000)),
    DistanceSourceToDetector: two(source),
    DistanceSourceToPatient: two(source / setup.image.magnification),
    EstimatedRadiographicMagnificationFactor: setup.image.magnification.toFixed(4),
    ImagerPixelSpacing: [two4(shown.pixelMm), two4(shown.pixelMm)],
    PositionerPrimaryAngle: two(setup.tube.acrossDeg),
    PositionerSecondaryAngle: two(setup.tube.angleDeg * (setup.tube.angleToward === 'feet' ? -1 : 1)),
    Grid: setup.receptor.grid ? 'FOCUSED' : 'NONE',
    CollimatorShape: 'RECTANGULAR',
    ...edgesOf(shown),
    FieldOfViewShape: 'RECTANGLE',
    FieldOfViewDimensions: [
      String(Math.round(setup.field.atReceptorMm.height)),
      String(Math.round(setup.field.atReceptorMm.width)),
    ],
    SamplesPerPixel: 1,
    PhotometricInterpretation: 'MONOCHROME2',
    PresentationLUTShape: 'IDENTITY',
    PixelIntensityRelationship: 'LOG',
    PixelIntensityRelationshipSign: -1,
    RescaleIntercept: '0',
    RescaleSlope: '1',
    RescaleType: 'US',
    LossyImageCompression: '00',
    Rows: shown.rows,
    Columns: shown.columns,
    BitsAllocated: 16,
    BitsStored: BITS,
    HighBit: BITS - 1,
    PixelRepresentation: 0,
    WindowCenter: two((storedOf(window.level - window.width / 2) + storedOf(window.level + window.width / 2)) / 2),
    WindowWidth: two(Math.max(1, (window.width / DECADES) * MOST)),
    PixelData: [pixels.buffer],
    _vrMap: { PixelData: 'OW' },
  };
  if (shown.index !== null) {
    dataset.ExposureIndex = two(shown.index);
    dataset.TargetExposureIndex = two(setup.exposure.targetIndex);
    dataset.DeviationIndex = two(shown.deviation ?? 0);
  }
  return dicomFile(dataset, IMPLEMENTATION);
}

const two4 = (value: number): string => value.toFixed(4);

const SHOWN_ATTRIBUTES: readonly (readonly [string, string])[] = [
  ['ImageComments', 'Comment'],
  ['SeriesDescription', 'Series'],
  ['ViewPosition', 'View'],
  ['ImageLaterality', 'Side'],
  ['KVP', 'kVp'],
  ['ExposureInuAs', 'Exposure, µAs'],
  ['DistanceSourceToDetector', 'SID, mm'],
  ['EstimatedRadiographicMagnificationFactor', 'Magnification'],
  ['PositionerSecondaryAngle', 'Tube angle, °'],
  ['ExposureIndex', 'Exposure index'],
  ['DeviationIndex', 'Deviation index'],
  ['BurnedInAnnotation', 'Burnt-in words'],
];

const first = (value: unknown): unknown => (Array.isArray(value) ? value[0] : value);

/**
 * Reads a grey picture that is not compressed.
 * @throws RangeError for what is no such file
 */
export function fromDicom(bytes: Uint8Array): ReadPicture {
  let read: ReturnType<typeof DicomMessage.readFile>;
  try {
    read = DicomMessage.readFile(bytes.slice().buffer);
  } catch (error) {
    throw new RangeError(`this is no DICOM file that can be read: ${(error as Error).message}`, { cause: error });
  }
  const syntax = String(first(read.meta['00020010']?.Value) ?? IMPLICIT_LITTLE);
  if (syntax !== EXPLICIT_LITTLE && syntax !== IMPLICIT_LITTLE)
    throw new RangeError(`only pictures that are not compressed can be read, this one is in ${syntax}`);
  const set = DicomMetaDictionary.naturalizeDataset(read.dict) as Record<string, unknown>;
  const [columns, rows] = [Number(first(set.Columns)), Number(first(set.Rows))];
  checkSize(columns, rows);
  const photometric = String(first(set.PhotometricInterpretation));
  if (!/^MONOCHROME[12]$/.test(photometric) || Number(first(set.NumberOfFrames) ?? 1) !== 1)
    throw new RangeError(`only single grey pictures can be read, this one is ${photometric}`);
  const pixels = first(set.PixelData);
  if (!(pixels instanceof ArrayBuffer)) throw new RangeError('the file holds no pixels');
  const values = contentOf(set, pixels, columns * rows);
  const shade = windowOf(set, values);
  const inverse = (photometric === 'MONOCHROME1') !== (String(first(set.PresentationLUTShape)) === 'INVERSE');
  const grey = new Uint8ClampedArray(values.length);
  for (let i = 0; i < values.length; i += 1) {
    const share = shade(values[i] ?? 0);
    grey[i] = (inverse ? 1 - share : share) * 255;
  }
  const spacing = spacingOf(set);
  return {
    columns,
    rows,
    grey,
    pixelMm: spacing,
    says: SHOWN_ATTRIBUTES.flatMap(([key, name]) => {
      const value = first(set[key]);
      return value === undefined || value === '' ? [] : [{ name, value: String(value) }];
    }),
  };
}
