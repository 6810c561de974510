/// <reference path="./dcmjs.d.ts" />
import dcmjs from 'dcmjs';
import { seeded } from '../radiograph/noise';
import { figureOf, type Measure, type MeasuredRow } from '../measure/figures';
import { measureReport } from './measureReport';

const { DicomMessage, DicomMetaDictionary } = dcmjs.data;
const made = () => ({ at: new Date(Date.UTC(2026, 2, 4, 5, 6, 7)), random: seeded(7) });
const measure: Measure = {
  id: 'a',
  name: 'Opening, medial',
  kind: 'distance',
  points: [
    [0, 0],
    [3, 4],
  ],
};
const row = (figure: MeasuredRow['figure']): MeasuredRow => ({
  ...{ exam: 'Knee', view: 'Knee, AP', side: 'left', calibration: 'magnification 1.25' },
  ...{ measure, figure },
});
type Item = Record<string, any>;

test('each figure is a group of the report, with its unit, its doubt and its calibration', () => {
  const figure = figureOf(measure, { factor: 0.8, spread: 0.01 })!;
  const bytes = measureReport([row(figure), row(null)], made());
  const file = DicomMessage.readFile(bytes.slice().buffer);
  const set = DicomMetaDictionary.naturalizeDataset(file.dict) as Item;
  expect([set.Modality, set.ContentDate, set.SOPClassUID]).toEqual(['SR', '20260304', '1.2.840.10008.5.1.4.1.1.88.33']);
  const list = (value: unknown): Item[] => (Array.isArray(value) ? value : [value]) as Item[];
  const [measurements] = list(set.ContentSequence);
  const groups = list(measurements!.ContentSequence);
  expect(groups).toHaveLength(1);
  const [name, number, comment] = list(groups[0]!.ContentSequence);
  expect(name!.TextValue).toBe('Knee, AP, left: Opening, medial');
  const [value] = list(number!.MeasuredValueSequence);
  expect(Number(value!.NumericValue)).toBeCloseTo(4, 6);
  expect(list(value!.MeasurementUnitsCodeSequence)[0]!.CodeValue).toBe('mm');
  expect(comment!.TextValue).toBe(`Within ${figure.within.toFixed(1)} mm; magnification 1.25`);
});

test('nothing measured is no report', () =>
  expect(() => measureReport([row(null)], made())).toThrow(/Nothing is measured yet/));
