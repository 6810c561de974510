/** Find: any projection by words; every row already answers for the patient in hand. */
import { Input } from '@rneui/themed';
import { type SetupRequest } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { ScrollView, useWindowDimensions, View, type TextInput, type TextStyle } from 'react-native';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Stage } from '../../ui/Stage';
import { Note, Skeleton } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RADIUS, RAIL_FROM } from '../../ui/tokens';
import { useKeys } from '../../ui/useKeys';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { FindRow } from '../../workers/service';
import { useRoom } from '../room/useRoom';
import { toAddress } from '../setup/address';
import { centreText, fieldText, patientText, receptorText, sidText, tubeText } from '../setup/words';

const MAX_QUERY = 200;
/** No region picked. */
const ALL = '';
const THUMB = { width: 84, height: 93 };

export function FindPlace() {
  const theme = useTheme();
  const { width } = useWindowDimensions();
  const session = useAppSelector((state) => state.session.current);
  const { room, rooms, rules } = useRoom(session?.roomId);
  const [query, setQuery] = useState('');
  const [side, setSide] = useState<'left' | 'right'>('right');
  const [rows, setRows] = useState<FindRow[] | null>(null);
  const [failed, setFailed] = useState('');
  const [region, setRegion] = useState(ALL);
  const field = useRef<TextInput>(null);
  const asked = useDeferredValue(query);
  const base = useMemo(
    (): Omit<SetupRequest, 'projectionId'> => ({
      patient: session?.patient ?? {},
      situation: session?.situation,
      room,
      rules,
      side,
    }),
    [session, room, rules, side],
  );
  const key = JSON.stringify([asked, base.patient, base.situation, room?.id, rules, side, rooms.length]);
  useEffect(() => {
    let here = true;
    compute()
      .find(asked, base)
      .then((found) => here && setRows(found))
      .catch((error: Error) => here && setFailed(error.message));
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  useKeys({ f: () => field.current?.focus() });
  const regions = [...new Set(rows?.map((row) => row.region))];
  const shown = query === '' && region !== ALL ? rows?.filter((row) => row.region === region) : rows;
  const count = (name: string) => rows?.filter((row) => row.region === name).length ?? 0;
  return (
    <Frame
      header={
        <PlaceHeader
          title="Find"
          detail={session ? `for ${session.initials}: ${patientText(session.patient)}` : 'for a median adult'}
        />
      }
    >
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 0, gap: 10 }}>
        <View style={{ gap: 8 }}>
          <Input
            ref={field as never}
            label="Projection, method, part or order wording"
            aria-label="Find a projection"
            value={query}
            onChangeText={(text) => setQuery(text.slice(0, MAX_QUERY))}
            autoFocus
            autoCorrect={false}
            autoCapitalize="none"
            errorMessage={query.length >= MAX_QUERY ? `Only the first ${MAX_QUERY} characters are read` : undefined}
            renderErrorMessage={query.length >= MAX_QUERY}
            containerStyle={{ paddingHorizontal: 0 }}
            inputContainerStyle={{ borderBottomWidth: 0, marginTop: 4 }}
            inputStyle={
              {
                paddingHorizontal: 12,
                borderWidth: 1,
                borderColor: theme.inkSoft,
                borderRadius: RADIUS,
                outlineColor: theme.lamp,
              } as TextStyle
            }
          />
          <Choice
            label="Side for limbs"
            options={[
              { value: 'right', label: 'Right' },
              { value: 'left', label: 'Left' },
            ]}
            value={side}
            onChange={setSide}
          />
          {query === '' && rows && (
            <Choice
              label="Region"
              options={[
                { value: ALL, label: `all ${rows.length}` },
                ...regions.map((name) => ({ value: name, label: `${name} ${count(name)}` })),
              ]}
              value={region}
              onChange={setRegion}
            />
          )}
          <Words kind="small" tone="soft" role="status">
            {rows
              ? query === ''
                ? `${rows.length} projections in ${regions.length} regions`
                : `${rows.length} found`
              : 'Looking'}
          </Words>
        </View>
        {failed !== '' && <Note tone="brick" title="The search failed" text={failed} />}
        {!rows && failed === '' && <Skeleton rows={5} height={110} />}
        {rows?.length === 0 && (
          <Note
            title={`Nothing for “${query.slice(0, 60)}”`}
            text="Try the part of the body, the name of the method, or fewer words."
          />
        )}
        <View role="list" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
          {shown?.map((row) => (
            <View
              key={row.projectionId}
              role="listitem"
              style={{ width: width >= RAIL_FROM ? '49%' : '100%', flexGrow: 1 }}
            >
              <Row row={row} side={side} patient={base.patient} roomId={room?.id} situation={base.situation} />
            </View>
          ))}
        </View>
      </ScrollView>
    </Frame>
  );
}

function Row({
  row,
  side,
  patient,
  roomId,
  situation,
}: {
  row: FindRow;
  side: 'left' | 'right';
  patient: SetupRequest['patient'];
  roomId: string | undefined;
  situation: SetupRequest['situation'];
}) {
  const router = useRouter();
  const unit = useAppSelector((state) => state.preferences.unit);
  const { setup, stage } = row;
  const texts = setup
    ? [receptorText(setup), sidText(setup, unit), tubeText(setup), centreText(setup, unit), fieldText(setup, unit)]
    : [];
  const open = () =>
    router.push({
      pathname: '/setup',
      params: toAddress({
        projectionId: row.projectionId,
        side: setup?.side && / (left|right)$/.test(setup.name) ? side : undefined,
        patient: patient ?? {},
        situation: situation ?? {},
        roomId,
      }),
    });
  return (
    <Press
      label={`${setup?.name ?? row.name}. ${row.shows}`}
      role="link"
      onPress={open}
      style={{ flexDirection: 'row', gap: 12, padding: 10, alignItems: 'stretch', justifyContent: 'flex-start' }}
    >
      <View style={THUMB}>
        {stage && setup && (
          <Stage
            small
            drawing={stage.drawing}
            mannequin={stage.mannequin}
            setup={setup}
            unit={unit}
            width={THUMB.width}
            height={THUMB.height}
          />
        )}
      </View>
      <View style={{ flex: 1, gap: 3 }}>
        <Words kind="heading">{setup?.name ?? row.name}</Words>
        <Words kind="label" tone="soft" numberOfLines={1}>
          {row.shows}
        </Words>
        {setup && (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 10 }}>
            {texts.map((text, i) => (
              <Words key={i} kind="small">
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
        {setup && !setup.feasible && <Words kind="label" tone="brick">{`▲ ${setup.problems[0]?.text}`}</Words>}
        {row.error !== '' && <Words kind="label" tone="brick">{`▲ ${row.error}`}</Words>}
      </View>
    </Press>
  );
}
