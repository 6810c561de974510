/** The number that the console shows, typed: deviation, what follows, and the mAs that would have been right. */
import { Button } from '@rneui/themed';
import {
  bandOf,
  advisedBy,
  deviationIndex,
  fromScale,
  signed,
  techniqueForIndex,
  withDepartmentDefaults,
  type IndexScale,
  significant,
} from '@taktik/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useDepartmentQuery, type ExposureRow } from '../../state/api';
import { useAppDispatch } from '../../state/hooks';
import { post } from '../../state/sender';
import type { AppDispatch } from '../../state/store';
import { LineInput } from '../../ui/LineInput';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { indexText } from '../setup/words';

type Props = { open: boolean; exposure: ExposureRow; scale: IndexScale | undefined; onClose: () => void };

type Read = { index: number; error: '' } | { index: null; error: string };

function read(text: string, scale: IndexScale | undefined): Read {
  if (text.trim() === '') return { index: null, error: '' };
  try {
    const index = fromScale(Number(text.replace(',', '.')), scale);
    return index >= LEAST && index <= MOST
      ? { index, error: '' }
      : { index: null, error: `That is EI ${significant(index, 3)}; it must be ${LEAST} to ${MOST}` };
  } catch (error) {
    if (error instanceof RangeError) return { index: null, error: error.message };
    throw error;
  }
}
const LEAST = 1;
const MOST = 100_000;

function send(dispatch: AppDispatch, { id, name }: ExposureRow, exposureIndex: number): void {
  post(dispatch, {
    id: nanoid(16),
    madeAt: Date.now(),
    path: `/exposures/${id}/reading`,
    body: { exposureIndex },
    what: `reading of ${name}`,
  });
}

export function ReadingSheet({ open, exposure, scale, onClose }: Props) {
  const dispatch = useAppDispatch();
  const { data } = useDepartmentQuery();
  const { bands } = withDepartmentDefaults(data);
  const [text, setText] = useState('');
  const { index, error } = read(text, scale);
  const deviation = index === null ? null : deviationIndex(index, exposure.targetIndex);
  const band = deviation === null ? null : bandOf(deviation, bands);
  const take = () => {
    if (index === null) return;
    send(dispatch, exposure, index);
    setText('');
    onClose();
  };
  return (
    <Sheet title="Number of the console" open={open} onClose={onClose}>
      <Words tone="soft">{`Told: ${indexText(exposure.exposureIndex, scale)}. Aimed at ${indexText(exposure.targetIndex, scale)}.`}</Words>
      <LineInput
        label={
          scale && scale.kind !== 'standard'
            ? 'Number as the console shows it'
            : 'Exposure index as the console shows it'
        }
        value={text}
        onChange={setText}
        max={9}
        numeric
      />
      {error !== '' && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ ${error}. What you typed is kept; nothing was stored.`}
        </Words>
      )}
      {index !== null && deviation !== null && band && (
        <>
          <Words kind="heading" role="status">
            {`Deviation ${signed(deviation)}: ${band.id} - ${advisedBy(band)}`}
          </Words>
          <Words>{`${band.action}. On target would have been about ${significant(techniqueForIndex(exposure.mAs, index, exposure.targetIndex), 2)} mAs instead of ${exposure.mAs}, at ${exposure.kVp} kVp.`}</Words>
          <Words kind="small" tone="soft">
            Metal, shields or open beam inside the field move the number: look at the picture first.
          </Words>
        </>
      )}
      <Button title="Keep this number" disabled={index === null} onPress={take} />
    </Sheet>
  );
}
