/** Measure: points on a picture, another beside it, the difference with what it is doubted by; out as a table or a report. */
import { differenceOf, figureOf, figureText, measuredTable, USUAL_DOUBT, type MeasuredRow } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useExposureQuery, useOrderDetailQuery } from '../../state/api';
import { Choice } from '../../ui/Choice';
import { FilePick } from '../../ui/FilePick';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { saveFile } from '../../ui/saveFile';
import { Caution, Note } from '../../ui/States';
import { RAIL_FROM, WIDE_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { pictureCore } from '../../workers/onDemand';
import { calibrationText } from './CalibrationForm';
import { ExposurePane, measuredOf } from './ExposurePane';
import { FilePane, NOT_MEASURED, type OpenedFile } from './FilePane';
import { scaleFor, type Measured } from './MeasurePane';

/** A picture, with what it is called in a table. */
type Subject = { exam: string; view: string; side: string; pixelMm: number | null; measured: Measured };

const rowsOf = ({ exam, view, side, pixelMm, measured }: Subject): MeasuredRow[] =>
  measured.measures.map((measure) => ({
    ...{ exam, view, side, measure },
    calibration: calibrationText(measured.calibration),
    figure: figureOf(measure, scaleFor(measured.calibration, pixelMm)),
  }));

const LEAST_PICTURE = 200;
const MOST_PICTURE = 640;

export function MeasureScreen() {
  const { x, b } = useLocalSearchParams<{ x?: string; b?: string }>();
  const router = useRouter();
  const { width, height } = useWindowDimensions();
  const [changed, setChanged] = useState<Record<string, Measured>>({});
  const [file, setFile] = useState<OpenedFile | null>(null);
  const [problem, setProblem] = useState('');
  const first = useExposureQuery(x ?? '', { skip: !x }).data;
  const beside = useExposureQuery(b ?? '', { skip: !b }).data;
  // Pictures of two patients are never held against each other.
  const ofOther = first !== undefined && beside !== undefined && first.orderId !== beside.orderId;
  const second = ofOther ? undefined : beside;
  const others =
    useOrderDetailQuery(first?.orderId ?? '', { skip: !first }).data?.exposures.filter(({ id }) => id !== x) ?? [];
  const keep = (key: string) => (measured: Measured) => setChanged((now) => ({ ...now, [key]: measured }));
  const wide = width >= WIDE_FROM;
  const pane = wide && b ? (width - (width >= RAIL_FROM ? 84 : 0) - 56) / 2 : width - 32;
  const size = Math.max(LEAST_PICTURE, Math.min(pane, height * 0.7, MOST_PICTURE));
  const subjects: Subject[] = [first, second].flatMap((data) =>
    data
      ? [
          {
            ...{ exam: data.exam, view: data.name, side: data.side ?? '', pixelMm: 1 },
            measured: changed[data.id] ?? measuredOf(data),
          },
        ]
      : [],
  );
  const ofFile: Subject[] = file
    ? [
        {
          ...{ exam: '', view: file.name, side: '', pixelMm: file.read.pixelMm },
          measured: changed[file.name] ?? NOT_MEASURED,
        },
      ]
    : [];
  const rows = [...subjects, ...ofFile].flatMap(rowsOf);
  const attempt = (work: () => Promise<void>) =>
    void work().then(
      () => setProblem(''),
      (error: Error) => setProblem(error.message),
    );
  const open = (bytes: Uint8Array, name: string) =>
    attempt(async () => {
      const { fromDicom, fromPng } = await pictureCore();
      // Another file of the same name is another picture.
      setChanged(({ [name]: _, ...others }) => others);
      setFile({ name, read: /\.png$/i.test(name) ? fromPng(bytes) : fromDicom(bytes) });
    });
  const saveReport = () =>
    attempt(async () => {
      const { measureReport } = await pictureCore();
      saveFile(measureReport(rows, { at: new Date(), random: Math.random }), 'measures.dcm', 'application/dicom');
    });
  const key = (label: string, text: string, onPress: () => void) => (
    <Press label={label} onPress={onPress} style={{ paddingHorizontal: 14 }}>
      <Words kind="small">{text}</Words>
    </Press>
  );
  return (
    <Frame header={<PlaceHeader title="Measure" detail={first ? `${first.initials} · ${first.exam}` : undefined} />}>
      <ScrollView contentContainerStyle={{ padding: 16, gap: 16 }}>
        <Caution
          text={`Figures of a picture, not a finding: who reads it decides what they mean. Each is doubted by where its points were set, by its scale, and by ${USUAL_DOUBT.rotatedDeg}° of rotation.`}
        />
        {!x && !file && (
          <Note
            title="No picture chosen"
            text="Open a picture of this device, or choose one in the record. A file is measured here and kept nowhere."
            action="To the record"
            onAction={() => router.push('/record')}
          />
        )}
        {others.length > 0 && (
          <Choice
            label="Beside it"
            options={[
              { value: '', label: 'nothing' },
              ...others.map(({ id, name, side }) => ({ value: id, label: `${name}${side ? `, ${side}` : ''}` })),
            ]}
            value={b ?? ''}
            onChange={(to) => router.setParams({ b: to === '' ? undefined : to })}
          />
        )}
        <View style={{ flexDirection: wide ? 'row' : 'column', gap: 24 }}>
          {x && <ExposurePane exposureId={x} size={size} measured={changed[x]} onMeasured={keep(x)} />}
          {ofOther && (
            <Note
              tone="brick"
              title="Of another order"
              text="Only pictures of one order are held against each other: this one may be of another patient."
            />
          )}
          {b && second && <ExposurePane exposureId={b} size={size} measured={changed[b]} onMeasured={keep(b)} />}
          {file && <FilePane file={file} size={size} measured={changed[file.name]} onMeasured={keep(file.name)} />}
        </View>
        {subjects.length === 2 && <Differences one={subjects[0]!} other={subjects[1]!} />}
        <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
          <FilePick
            text="Open a file"
            label="Open a picture, PNG or DICOM, to measure it"
            accept=".png,.dcm,image/png,application/dicom"
            onBytes={open}
          />
          {rows.length > 0 && (
            <>
              {key('Save the figures as a table, CSV', 'Save as table', () =>
                saveFile(new TextEncoder().encode(measuredTable(rows)), 'measures.csv', 'text/csv'),
              )}
              {key('Save the figures as a structured report of DICOM', 'Save as report', saveReport)}
            </>
          )}
        </View>
        {problem !== '' && (
          <Words kind="small" tone="brick" role="alert">
            {`▲ ${problem}`}
          </Words>
        )}
      </ScrollView>
    </Frame>
  );
}

/** Of measures that are called the same on both pictures. */
function Differences({ one, other }: { one: Subject; other: Subject }) {
  const [left, right] = [rowsOf(one), rowsOf(other)];
  const pairs = left.flatMap((row) => {
    const beside = right.find(({ measure }) => measure.name.trim() === row.measure.name.trim());
    const off = beside && differenceOf(row.figure, beside.figure);
    return beside?.figure && row.figure && off
      ? [{ name: row.measure.name, a: row.figure, b: beside.figure, off }]
      : [];
  });
  return (
    <View role="group" aria-label="Differences" style={{ gap: 6 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Difference
      </Words>
      {pairs.length === 0 && (
        <Words tone="soft">Give a measure the same name on both pictures: their difference stands here.</Words>
      )}
      {pairs.map(({ name, a, b, off }) => (
        <Words
          key={name}
        >{`${name}: ${figureText(a)} and ${figureText(b)}, difference ${figureText(off)}${Math.abs(off.value) <= off.within ? ' - within its doubt' : ''}`}</Words>
      ))}
    </View>
  );
}
