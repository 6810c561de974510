/** A fault seen on a picture and its size there: the cause, the correction with its amount, and the proof. */
import { NO_POSITIONING_ERROR, type Correction, type PositioningError, type SetupRequest } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Raster } from '../../ui/Raster';
import { Note, Skeleton } from '../../ui/States';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import { FaultSize, type SizedFault } from './FaultSize';
import { useAnswer } from './useAnswer';

const SMALL_PIXELS = 160;
const SMALL_SIZE = 150;

type Props = { request: SetupRequest; onShow: (positioningError: PositioningError) => void };

export function FaultPane({ request, onShow }: Props) {
  const choices = useAnswer(request, async (asked) => await compute().faultChoices(asked));
  const [fault, setFault] = useState<SizedFault | null>(null);
  const answer = useAnswer(
    fault && { request, ...fault },
    async (asked) => await compute().correction(asked.request, asked.id, asked.value),
  );
  if (!choices) return <Skeleton rows={3} height={60} />;
  if ('error' in choices) return <Note tone="brick" title="Nothing can be measured" text={choices.error} />;
  return (
    <View style={{ gap: 10 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        A fault seen on a picture
      </Words>
      <FaultSize choices={choices} onSized={setFault} />
      {answer && 'error' in answer && <Note tone="brick" title="Not by this alone" text={answer.error} />}
      {answer && !('error' in answer) && <Answer request={request} answer={answer} onShow={onShow} />}
    </View>
  );
}

function Answer({ request, answer, onShow }: { request: SetupRequest; answer: Correction; onShow: Props['onShow'] }) {
  const positioningError: PositioningError = { ...NO_POSITIONING_ERROR, [answer.about]: -answer.amount };
  const { before, after, passes } = answer.proof;
  const { unit } = answer.fault;
  return (
    <View style={{ gap: 8 }}>
      <Words kind="small" tone="soft">
        {answer.cause}
      </Words>
      <Words kind="bold">{answer.text}</Words>
      <Words kind="small">{answer.formula}</Words>
      <Words kind="small" tone={passes ? 'sage' : 'brick'} role="status">
        {`${passes ? '✓' : '▲'} By the same rays: ${before.toFixed(1)} ${unit} before, ${after.toFixed(1)} ${unit} after; it should be ${answer.fault.target.toFixed(1)} ± ${answer.fault.tolerance.toFixed(1)} ${unit}`}
      </Words>
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        <Small request={request} positioningError={positioningError} name="Before" />
        <Small request={request} positioningError={NO_POSITIONING_ERROR} name="After" />
      </View>
      <Press label="Lay the part so" onPress={() => onShow(positioningError)} style={{ paddingHorizontal: 12 }}>
        <Words tone="lamp">Show this fault large</Words>
      </Press>
    </View>
  );
}

function Small({
  request,
  positioningError,
  name,
}: {
  request: SetupRequest;
  positioningError: PositioningError;
  name: string;
}) {
  const asked = {
    request,
    positioningError,
    breath: null,
    motionMm: 0,
    pixels: SMALL_PIXELS,
    seed: null,
    exposure: 0,
  };
  const picture = useAnswer(asked, async (each) => await compute().smallPicture(each));
  if (picture && 'error' in picture) return <Words kind="small" tone="brick">{`▲ ${picture.error}`}</Words>;
  return (
    <View style={{ gap: 4 }}>
      <Words kind="small" tone="soft">
        {name}
      </Words>
      {picture ? (
        <Raster
          image={picture}
          label={`${name}: simulated picture, not a patient`}
          width={SMALL_SIZE}
          height={(SMALL_SIZE * picture.rows) / picture.columns}
        />
      ) : (
        <View style={{ width: SMALL_SIZE, height: SMALL_SIZE }}>
          <Skeleton rows={1} height={SMALL_SIZE} />
        </View>
      )}
    </View>
  );
}
