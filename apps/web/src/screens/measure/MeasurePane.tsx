/** One picture with what is measured on it: points by tap, figures with their doubt, and the scale. Never a diagnosis. */
import {
  figureOf,
  figureText,
  POINTS_OF,
  scaleOf,
  type Calibration,
  type Measure,
  type MeasureKind,
} from '@taktik/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Raster, type RasterImage } from '../../ui/Raster';
import { Words } from '../../ui/Words';
import { CalibrationForm } from './CalibrationForm';
import { PointLayer, type Point } from './PointLayer';

export type Measured = { calibration: Calibration; measures: Measure[] };
type Props = {
  name: string;
  image: RasterImage;
  /** Edge of a pixel on the receptor; null where the file does not say it. */
  pixelMm: number | null;
  known: { magnification: number; sidMm: number } | null;
  size: number;
  measured: Measured;
  /** @param done a hand has let go: it may be kept */
  onChange: (measured: Measured, done: boolean) => void;
};

const KINDS: Record<MeasureKind, string> = {
  distance: 'distance',
  angle: 'angle',
  lines: 'angle of two lines',
  opening: 'joint opening',
  length: 'length over a joint',
};
const ZOOMS = [1, 2, 3] as const;

/** The scale, or none where lengths cannot be known. */
export const scaleFor = (calibration: Calibration, pixelMm: number | null) =>
  pixelMm === null && calibration.by !== 'object' ? null : scaleOf(calibration);

export function MeasurePane({ name, image, pixelMm, known, size, measured, onChange }: Props) {
  const [kind, setKind] = useState<MeasureKind>('distance');
  const [draft, setDraft] = useState<Point[]>([]);
  const [chosen, setChosen] = useState<string | null>(null);
  const [zoom, setZoom] = useState<(typeof ZOOMS)[number]>(1);
  const { calibration, measures } = measured;
  const perPixel = pixelMm ?? 1;
  const extent = { widthMm: image.columns * perPixel, heightMm: image.rows * perPixel };
  const shown = (size * zoom) / Math.max(image.columns, image.rows);
  const [width, height] = [image.columns * shown, image.rows * shown];
  const scale = scaleFor(calibration, pixelMm);
  const wanted = POINTS_OF[kind];
  const put = (next: Measure[], done: boolean) => onChange({ calibration, measures: next }, done);
  const add = (point: Point) => {
    const points = [...draft, point];
    if (points.length < wanted.length) {
      setDraft(points);
      return;
    }
    const id = nanoid(8);
    const nth = measures.filter((each) => each.kind === kind).length + 1;
    setDraft([]);
    setChosen(id);
    put([...measures, { id, name: `${KINDS[kind]} ${nth}`, kind, points }], true);
  };
  const change = (id: string, part: Partial<Measure>, done: boolean) =>
    put(
      measures.map((each) => (each.id === id ? { ...each, ...part } : each)),
      done,
    );
  const move = (id: string, index: number, point: Point, done: boolean) => {
    const points = measures.find((each) => each.id === id)?.points.map((each, i) => (i === index ? point : each));
    if (points) change(id, { points }, done);
  };
  const lastReadMm =
    measures
      .flatMap((each) => (each.kind === 'distance' ? [figureOf(each, { factor: 1, spread: 0 })?.value ?? 0] : []))
      .at(-1) ?? null;
  return (
    <View role="region" aria-label={`Measures of ${name}`} style={{ gap: 10, flex: 1 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        {name}
      </Words>
      <Choice
        label="Measure"
        options={(Object.keys(KINDS) as MeasureKind[]).map((value) => ({ value, label: KINDS[value] }))}
        value={kind}
        onChange={(next) => {
          setKind(next);
          setDraft([]);
        }}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
        <Words kind="small" role="status" style={{ flex: 1 }}>
          {`Tap on the picture: ${wanted[draft.length] ?? ''}${wanted.length > 1 ? ` (${draft.length + 1} of ${wanted.length})` : ''}`}
        </Words>
        <Press
          label="Set this point in the middle of the picture: arrow keys move it then"
          onPress={() => add([extent.widthMm / 2, extent.heightMm * (0.4 + 0.06 * draft.length)])}
          style={{ paddingHorizontal: 12 }}
        >
          <Words kind="small">By key</Words>
        </Press>
        {draft.length > 0 && (
          <Press
            label="Take the last point back"
            onPress={() => setDraft(draft.slice(0, -1))}
            style={{ paddingHorizontal: 12 }}
          >
            <Words kind="small">Back</Words>
          </Press>
        )}
        <Press
          label={`Enlarge the picture: ${zoom} times now`}
          onPress={() => setZoom(ZOOMS[zoom % ZOOMS.length] ?? 1)}
          style={{ paddingHorizontal: 12 }}
        >
          <Words kind="small">{`${zoom} ×`}</Words>
        </Press>
      </View>
      <ScrollView style={{ maxHeight: size, backgroundColor: '#000' }}>
        <ScrollView horizontal>
          <View style={{ width, height }}>
            <Raster image={image} label={`Picture of ${name}`} width={width} height={height} />
            <PointLayer
              {...{ extent, width, height, measures, draft, chosen }}
              onPoint={add}
              onMove={move}
              onChoose={setChosen}
            />
          </View>
        </ScrollView>
      </ScrollView>
      <View role="list" aria-label={`Figures of ${name}`} style={{ gap: 8 }}>
        {measures.map((measure) => {
          const figure = figureOf(measure, scale);
          return (
            <View role="listitem" key={measure.id} style={{ flexDirection: 'row', gap: 8, alignItems: 'flex-end' }}>
              <View style={{ flex: 1 }}>
                <LineInput
                  label={`Name of ${measure.name}`}
                  value={measure.name}
                  max={60}
                  onChange={(to) => change(measure.id, { name: to }, to.trim() !== '')}
                />
              </View>
              <Words
                kind="bold"
                tone={measure.id === chosen ? 'lamp' : 'ink'}
                style={{ minWidth: 110, paddingBottom: 12 }}
              >
                {figure ? figureText(figure) : 'needs a scale'}
              </Words>
              <Press
                label={`Remove ${measure.name}`}
                onPress={() =>
                  put(
                    measures.filter(({ id }) => id !== measure.id),
                    true,
                  )
                }
                style={{ paddingHorizontal: 12 }}
              >
                <Words kind="small">Remove</Words>
              </Press>
            </View>
          );
        })}
      </View>
      <CalibrationForm
        calibration={calibration}
        lastReadMm={lastReadMm}
        unit={pixelMm === null ? 'px' : 'mm'}
        known={known}
        onChange={(next) => onChange({ calibration: next, measures }, true)}
      />
    </View>
  );
}
