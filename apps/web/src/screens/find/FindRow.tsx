/** A projection in a list: name, thumb-size stage and the five readouts for the patient in hand. */
import { askedText, type Projection, type SetupRequest } from '@taktik/core';
import { useRouter } from 'expo-router';
import { memo, useEffect, useState } from 'react';
import { View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { pinToggled } from '../../state/preferences';
import { Press } from '../../ui/Press';
import { Stage } from '../../ui/Stage';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { FindRow as Row } from '../../workers/service';
import { toAddress } from '../setup/address';
import { centreText, fieldText, receptorText, sidText, tubeText } from '../setup/words';

const THUMB = { width: 84, height: 93 };
export const ROW_HEIGHT = 134;

export type Base = Omit<SetupRequest, 'projectionId'>;

/** Rows answered already, by what they depend on. */
const answered = new Map<string, Row>();
const MAX_ANSWERED = 300;

function useRow(projection: Projection, asked: Base, baseKey: string): { row: Row | null; failed: string } {
  const key = `${projection.id} ${asked.digit ?? ''} ${baseKey}`;
  const [state, setState] = useState<{ key: string; row: Row | null; failed: string }>({
    key: '',
    row: null,
    failed: '',
  });
  useEffect(() => {
    if (answered.has(key)) return;
    let here = true;
    compute()
      .row(projection.id, asked)
      .then((row) => {
        answered.set(key, row);
        if (answered.size > MAX_ANSWERED) answered.delete(answered.keys().next().value as string);
        if (here) setState({ key, row, failed: '' });
      })
      .catch((error: Error) => here && setState({ key, row: null, failed: error.message }));
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return {
    row: answered.get(key) ?? (state.key === key ? state.row : null),
    failed: state.key === key ? state.failed : '',
  };
}

type Props = {
  projection: Projection;
  base: Base;
  /** What the base says, for comparing. */
  baseKey: string;
  /** Another name through which it was found. */
  matched?: string;
  /** The finger or toe that it is set for, where one was typed. */
  digit?: number;
  comparing: boolean;
  onCompare: (id: string) => void;
};

export const FindRow = memo(function FindRow({
  projection,
  base,
  baseKey,
  matched,
  digit,
  comparing,
  onCompare,
}: Props) {
  const router = useRouter();
  const theme = useTheme();
  const dispatch = useAppDispatch();
  const unit = useAppSelector((state) => state.preferences.unit);
  const pinned = useAppSelector((state) => state.preferences.pinned.includes(projection.id));
  const { row, failed } = useRow(projection, digit === undefined ? base : { ...base, digit }, baseKey);
  const setup = row?.setup ?? null;
  const texts = setup
    ? [receptorText(setup), sidText(setup, unit), tubeText(setup), centreText(setup, unit), fieldText(setup, unit)]
    : [];
  const name = setup?.name ?? projection.name;
  const address = toAddress({
    projectionId: projection.id,
    side: projection.sided === 'each' ? base.side : undefined,
    patient: base.patient ?? {},
    situation: base.situation ?? {},
    roomId: base.room?.id,
    way: askedText({ digit }),
  });
  return (
    <View style={{ flex: 1, flexDirection: 'row', minHeight: ROW_HEIGHT - 10, backgroundColor: theme.surface }}>
      <Press
        label={`${name}. ${matched ? `Matches ${matched}. ` : ''}${projection.shows}`}
        role="link"
        onPress={() => router.push({ pathname: '/setup', params: address })}
        style={{
          flex: 1,
          flexDirection: 'row',
          gap: 12,
          padding: 10,
          alignItems: 'stretch',
          justifyContent: 'flex-start',
        }}
      >
        <View style={THUMB}>
          {row?.stage && setup && (
            <Stage
              small
              drawing={row.stage.drawing}
              mannequin={row.stage.mannequin}
              setup={setup}
              unit={unit}
              {...THUMB}
            />
          )}
        </View>
        <View style={{ flex: 1, gap: 3 }}>
          <Words kind="heading">{name}</Words>
          {matched && <Words kind="label" tone="lamp" numberOfLines={1}>{`matches “${matched}”`}</Words>}
          <Words kind="label" tone="soft" numberOfLines={1}>
            {projection.shows}
          </Words>
          {setup && (
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 10 }}>
              {texts.map((text, i) => (
                <Words key={i} kind="small" numberOfLines={2}>
                  {[
                    text.figure === 'on' ? '' : text.figure,
                    text.figure === 'on' ? '' : text.unit,
                    i === 2 || i === 3 ? text.line : '',
                    i < 4 ? ' ·' : '',
                  ]
                    .filter(Boolean)
                    .join(' ')}
                </Words>
              ))}
            </View>
          )}
          {setup && !setup.feasible && (
            <Words kind="label" tone="brick" numberOfLines={2}>{`▲ ${setup.problems[0]?.text}`}</Words>
          )}
          {(row?.error ?? failed) !== '' && <Words kind="label" tone="brick">{`▲ ${row?.error ?? failed}`}</Words>}
        </View>
      </Press>
      <View style={{ width: 64, borderLeftWidth: 1, borderLeftColor: theme.line }}>
        <Key
          label={`Read about ${name}`}
          text="Page"
          onPress={() => router.push({ pathname: '/projection', params: address })}
        />
        <Key
          label={`${pinned ? 'Unpin' : 'Pin'} ${projection.name}`}
          text={pinned ? '◆ Pin' : 'Pin'}
          on={pinned}
          onPress={() => dispatch(pinToggled(projection.id))}
        />
        <Key
          label={`${comparing ? 'Leave out of' : 'Take into'} the comparison: ${projection.name}`}
          text={comparing ? '✓ Pair' : 'Compare'}
          on={comparing}
          onPress={() => onCompare(projection.id)}
        />
      </View>
    </View>
  );
});

function Key({ label, text, on = false, onPress }: { label: string; text: string; on?: boolean; onPress: () => void }) {
  return (
    <Press label={label} onPress={onPress} plain style={{ flex: 1, alignItems: 'center' }}>
      <Words kind="label" tone={on ? 'lamp' : 'soft'}>
        {text}
      </Words>
    </Press>
  );
}
