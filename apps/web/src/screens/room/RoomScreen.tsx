/** One room: its beam, its chart, its console. A lead changes it; everybody may read it. */
import { Button } from '@rneui/themed';
import type { Room } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { API_BASE, reasonsOf, useImportRoomMutation } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { FilePick } from '../../ui/FilePick';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { BeamPanel } from './BeamPanel';
import { CalibratePanel } from './CalibratePanel';
import { ChartPanel, ChartStatus } from './ChartPanel';
import { ConsolePanel } from './ConsolePanel';
import { useRoom } from './useRoom';
import { useRoomDraft } from './useRoomDraft';

export function RoomScreen() {
  const { id } = useLocalSearchParams();
  const router = useRouter();
  const { room: preferred, rooms, shipped } = useRoom();
  if (shipped)
    return (
      <Frame header={<PlaceHeader title="Room" />}>
        <View style={{ padding: 16 }}>
          <Note
            tone="brick"
            title="The rooms of the department cannot be read"
            text="The server does not answer. What is computed meanwhile is for a room as it is shipped, not for yours: check every number against the room."
          />
        </View>
      </Frame>
    );
  const asked = typeof id === 'string' ? rooms.find((room) => room.id === id) : preferred;
  if (!asked)
    return (
      <Frame header={<PlaceHeader title="Room" />}>
        <View style={{ padding: 16 }}>
          <Note
            tone="brick"
            title="There is no such room"
            text="The address may be wrong, or the room was taken away."
            action="The room in hand"
            onAction={() => router.replace('/room')}
          />
        </View>
      </Frame>
    );
  return <OneRoom key={asked.id} room={asked} rooms={rooms} />;
}

function OneRoom({ room, rooms }: { room: Room; rooms: readonly Room[] }) {
  const theme = useTheme();
  const router = useRouter();
  const { width } = useWindowDimensions();
  const unit = useAppSelector((state) => state.preferences.unit);
  const mayChange = useAppSelector((state) => state.who.person?.role === 'lead');
  const draft = useRoomDraft(room);
  const wide = width >= RAIL_FROM;
  const left = (
    <View style={{ gap: 20, flex: wide ? 1 : undefined }}>
      <CalibratePanel draft={draft} unit={unit} mayChange={mayChange} />
      <ConsolePanel draft={draft} mayChange={mayChange} />
      <ChartPanel roomId={room.id} draft={draft} unit={unit} mayChange={mayChange} />
    </View>
  );
  const right = (
    <View style={{ gap: 20, flex: wide ? 1 : undefined }}>
      <BeamPanel draft={draft} unit={unit} mayChange={mayChange} />
      <RoomFiles roomId={room.id} mayChange={mayChange} />
    </View>
  );
  const bar = draft.changes > 0 && (
    <View style={{ gap: 6, padding: 8, borderTopWidth: 1, borderTopColor: theme.line }}>
      {Boolean(draft.error) && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ Not stored; your changes are kept here. ${reasonsOf(draft.error).join('. ')}`}
        </Words>
      )}
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <Press label="Drop the changes" onPress={draft.drop} style={{ paddingHorizontal: 16, minHeight: 56 }}>
          <Words>Drop them</Words>
        </Press>
        <View style={{ flex: 1 }}>
          <Button
            title={draft.changes === 1 ? 'Keep the change' : `Keep ${draft.changes} changes`}
            disabled={draft.busy}
            onPress={() => void draft.keep()}
          />
        </View>
      </View>
    </View>
  );
  return (
    <Frame
      header={<PlaceHeader title={room.name} detail="Beam, chart and console" roomId={room.id} />}
      footer={bar || undefined}
    >
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 16 }}>
        <Choice
          label="Room"
          options={rooms.map(({ id, name }) => ({ value: id, label: name }))}
          value={room.id}
          onChange={(id) => router.setParams({ id })}
        />
        {!mayChange && (
          <Words kind="small" tone="soft">
            A lead changes these; they hold for the whole department.
          </Words>
        )}
        {wide ? (
          <View style={{ flexDirection: 'row', gap: 28 }}>
            {left}
            {right}
          </View>
        ) : (
          <>
            {left}
            {right}
          </>
        )}
        <Words kind="small" tone="soft">
          The physicist’s measurements and chart come first. After a repair of tube, generator or receptor: measure
          again.
        </Words>
      </ScrollView>
    </Frame>
  );
}

function RoomFiles({ roomId, mayChange }: { roomId: string; mayChange: boolean }) {
  const [send, { isLoading }] = useImportRoomMutation();
  const [says, setSays] = useState('');
  const [wrong, setWrong] = useState<string[]>([]);
  const take = async (text: string, name: string) => {
    setSays('');
    let document: unknown;
    try {
      document = JSON.parse(text);
    } catch {
      return setWrong([`${name} is not valid JSON`]);
    }
    const answer = await send(document);
    setSays(answer.data ? `${answer.data.name} taken from ${name}` : '');
    setWrong(answer.data ? [] : reasonsOf(answer.error));
  };
  return (
    <View style={{ gap: 6 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        The room as a file
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Press
          role="link"
          label="This room as an open file (JSON)"
          download={`${API_BASE}/rooms/${encodeURIComponent(roomId)}/export`}
          style={{ paddingHorizontal: 14 }}
        >
          <Words>Room as a file</Words>
        </Press>
        {mayChange && (
          <FilePick
            text="Take in a room"
            label="Take in a room from a file (JSON)"
            accept=".json,application/json"
            disabled={isLoading}
            onText={(text, name) => void take(text, name)}
          />
        )}
      </View>
      <ChartStatus says={says} wrong={wrong} />
    </View>
  );
}
