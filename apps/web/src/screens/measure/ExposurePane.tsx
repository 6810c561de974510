/** What is measured on the picture of an exposure: kept in the record as soon as a hand lets go. */
import { consolePositioningError, orientForViewing, seedOf } from '@taktik/core';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { useExposureQuery, type ExposureDetail } from '../../state/api';
import { useAppDispatch } from '../../state/hooks';
import { post } from '../../state/sender';
import type { AppDispatch } from '../../state/store';
import { Note, Skeleton } from '../../ui/States';
import { useRehearsal } from '../rehearse/useRehearsal';
import { MeasurePane, type Measured } from './MeasurePane';

type Props = {
  exposureId: string;
  size: number;
  measured: Measured | undefined;
  onMeasured: (measured: Measured) => void;
};

/** What an exposure was measured by, or is to be measured by at first. */
export function measuredOf({ measured, setup }: Pick<ExposureDetail, 'measured' | 'setup'>): Measured {
  if (measured) return { calibration: measured.calibration, measures: measured.measures };
  const { magnification } = setup.image;
  return { calibration: { by: 'magnification', magnification, sidMm: setup.tube.sidMm }, measures: [] };
}

export function ExposurePane({ exposureId, size, measured, onMeasured }: Props) {
  const { data, error } = useExposureQuery(exposureId);
  if (error)
    return (
      <Note tone="brick" title="This picture cannot be read" text="It does not exist, or the server does not answer." />
    );
  if (!data) return <Skeleton rows={4} />;
  return <Pane key={exposureId} {...{ data, size, onMeasured }} measured={measured ?? measuredOf(data)} />;
}

function Pane({
  data,
  size,
  measured,
  onMeasured,
}: Omit<Props, 'exposureId' | 'measured'> & { data: ExposureDetail; measured: Measured }) {
  const dispatch = useAppDispatch() as AppDispatch;
  const [seed] = useState(() => seedOf(data.id));
  const { picture, error } = useRehearsal({
    request: data.request,
    positioningError: consolePositioningError(data.id),
    breath: null,
    motionMm: 0,
    seed,
    exposure: 0,
  });
  const image = useMemo(() => picture && orientForViewing(picture), [picture]);
  if (!image || !picture)
    return error === '' ? <Skeleton rows={1} height={size} /> : <Note tone="brick" title="No picture" text={error} />;
  const name = `${data.name}${data.side ? `, ${data.side}` : ''}`;
  return (
    <MeasurePane
      {...{ name, image, size, measured }}
      pixelMm={image.pixelMm}
      known={{ magnification: data.setup.image.magnification, sidMm: data.setup.tube.sidMm }}
      onChange={(next, done) => {
        onMeasured(next);
        if (done)
          post(dispatch, {
            id: nanoid(16),
            madeAt: Date.now(),
            path: `/exposures/${data.id}/measures`,
            body: {
              calibration: next.calibration,
              // A name that is being typed is not lost for the figure.
              measures: next.measures.map((each) => ({ ...each, name: each.name.trim() || each.kind })),
              measuredAt: Date.now(),
            },
            what: `measures of ${data.name}`,
          });
      }}
    />
  );
}
