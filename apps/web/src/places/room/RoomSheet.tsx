/** Room and rules: room, unit of length, theme, and the schools that this house follows with their reasons. */
import { RULE_IDS, RULES } from '@taktik/core';
import { View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { preferred } from '../../state/preferences';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { useRoom } from './useRoom';

export function RoomSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const { room, rooms, rules } = useRoom();
  const { theme, unit } = useAppSelector((state) => state.preferences);
  return (
    <Sheet title="Room and rules" open={open} onClose={onClose}>
      <Choice
        label="Room for new set-ups"
        options={rooms.map(({ id, name }) => ({ value: id, label: name }))}
        value={room?.id}
        onChange={(roomId) => dispatch(preferred({ roomId }))}
      />
      <Choice
        label="Leading unit"
        options={[
          { value: 'in', label: 'inches' },
          { value: 'cm', label: 'centimetres' },
        ]}
        value={unit}
        onChange={(value) => dispatch(preferred({ unit: value }))}
      />
      <Choice
        label="Theme"
        options={[
          { value: 'system', label: 'as the system' },
          { value: 'dim', label: 'dim' },
          { value: 'day', label: 'day' },
        ]}
        value={theme ?? 'system'}
        onChange={(value) => dispatch(preferred({ theme: value === 'system' ? null : value }))}
      />
      <Words kind="heading">House rules</Words>
      {RULE_IDS.filter((id) => id !== 'unit').map((id) => (
        <View key={id} style={{ gap: 2 }}>
          <Words kind="bold">{RULES[id].title}</Words>
          <Words>{(RULES[id].choices as Record<string, string>)[rules[id]]}</Words>
          <Words kind="small" tone="soft">
            {RULES[id].reason}
          </Words>
        </View>
      ))}
      <Words kind="small" tone="soft">
        Taktik is a planning and teaching aid for trained, licensed staff. Orders, local codes, the department’s
        protocols, the physicist’s technique chart and the maker’s manuals come first.
      </Words>
    </Sheet>
  );
}
