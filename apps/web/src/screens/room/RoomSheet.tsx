/** Room and rules: room, unit of length, theme, and the schools that this house follows with their reasons. */
import { RULE_IDS, RULES, type HouseRules, type RuleId } from '@taktik/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { reasonsOf, usePutRulesMutation } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { preferred } from '../../state/preferences';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { DepartmentPanel } from './DepartmentPanel';
import { useRoom } from './useRoom';

/** The unit is each person's own; the rest belongs to the house. */
const HOUSE_RULES = RULE_IDS.filter((id) => id !== 'unit');

export function RoomSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const { room, rooms, rules } = useRoom();
  const [putRules, { error }] = usePutRulesMutation();
  const role = useAppSelector((state) => state.who.person?.role);
  const { theme, unit } = useAppSelector((state) => state.preferences);
  const change = (id: RuleId, choice: string) => void putRules({ ...rules, [id]: choice } as HouseRules);
  return (
    <Sheet title="Room and rules" open={open} onClose={onClose}>
      <Choice
        label="Room for new set-ups"
        options={rooms.map(({ id, name }) => ({ value: id, label: name }))}
        value={room?.id}
        onChange={(roomId) => dispatch(preferred({ roomId }))}
      />
      <Press
        role="link"
        label="This room: beam, technique chart and console"
        onPress={() => {
          onClose();
          router.push({ pathname: '/room', params: room ? { id: room.id } : {} });
        }}
        style={{ paddingHorizontal: 14 }}
      >
        <Words tone="lamp">This room: beam, technique chart, console</Words>
      </Press>
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
      {role !== 'lead' && (
        <Words kind="small" tone="soft">
          A lead changes these; they hold for the whole department.
        </Words>
      )}
      {error && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ The rule was not stored. ${reasonsOf(error).join('. ')} The rules shown are those in force.`}
        </Words>
      )}
      {HOUSE_RULES.map((id) => (
        <View key={id} style={{ gap: 4 }}>
          <Choice
            label={RULES[id].title}
            options={Object.entries(RULES[id].choices).map(([value, label]) => ({ value, label }))}
            value={rules[id]}
            onChange={(choice) => change(id, choice)}
          />
          <Words kind="small" tone="soft">
            {`Default: ${(RULES[id].choices as Record<string, string>)[RULES[id].default]} - ${RULES[id].reason}`}
          </Words>
        </View>
      ))}
      {role === 'lead' && <DepartmentPanel />}
      <Words kind="small" tone="soft">
        Taktik is a planning and teaching aid for trained, licensed staff. Orders, local codes, the department’s
        protocols, the physicist’s technique chart and the maker’s manuals come first.
      </Words>
    </Sheet>
  );
}
