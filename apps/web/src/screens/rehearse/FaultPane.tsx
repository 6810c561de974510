/** A fault seen on a picture and its size there: the cause, the correction with its amount, and the proof. */
import { NO_POSITIONING_ERROR, type Correction, type PositioningError, type SetupRequest } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Raster } from '../../ui/Raster';
import { Note, Skeleton } from '../../ui/States';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { FaultChoice } from '../../workers/rehearsal';
import { useAnswer } from './useAnswer';

const SMALL_PIXELS = 160;
const SMALL_SIZE = 150;

type Props = { request: SetupRequest; onShow: (positioningError: PositioningError) => void };

export function FaultPane({ request, onShow }: Props) {
  const choices = useAnswer(request, async (asked) => await compute().faultChoices(asked));
  const [id, setId] = useState<string | null>(null);
  const [direction, setDirection] = useState<'more' | 'less'>('more');
  const [off, setOff] = useState<number | undefined>(undefined);
  const chosen = choices && !('error' in choices) ? choices.find((each) => each.id === id) : undefined;
  const value = chosen && off !== undefined ? chosen.target + (direction === 'more' ? off : -off) : null;
  const answer = useAnswer(
    value === null ? null : { request, id: chosen!.id, value },
    async (asked) => await compute().correction(asked.request, asked.id, asked.value),
  );
  if (!choices) return <Skeleton rows={3} height={60} />;
  if ('error' in choices) return <Note tone="brick" title="Nothing can be measured" text={choices.error} />;
  return (
    <View style={{ gap: 10 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        A fault seen on a picture
      </Words>
      <Choice
        label="What is not as it should be"
        options={choices.map((each) => ({ value: each.id, label: each.name }))}
        value={id ?? undefined}
        onChange={(next) => {
          setId(next);
          setOff(undefined);
        }}
      />
      {chosen && (
        <>
          {chosen.signs.map((sign) => (
            <Words key={sign} kind="small" tone="soft">{`Also called: ${sign}`}</Words>
          ))}
          <Choice
            label="Which way"
            options={[
              { value: 'more', label: chosen.more },
              { value: 'less', label: chosen.less },
            ]}
            value={direction}
            onChange={setDirection}
          />
          <Stepper
            label="By how much, on the picture"
            unit={chosen.unit}
            value={off}
            placeholder="0"
            step={1}
            digits={1}
            range={[0, furthest(chosen, direction)]}
            onChange={setOff}
            onClear={() => setOff(undefined)}
          />
        </>
      )}
      {answer && 'error' in answer && <Note tone="brick" title="Not by this alone" text={answer.error} />}
      {answer && !('error' in answer) && <Answer request={request} answer={answer} onShow={onShow} />}
    </View>
  );
}

/** How far a measure may lie from where it should, one way; a whole number within the range. */
const furthest = ({ target: target, range }: FaultChoice, direction: 'more' | 'less'): number =>
  Math.max(0, Math.floor(direction === 'more' ? range[1] - target : target - range[0]));

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
