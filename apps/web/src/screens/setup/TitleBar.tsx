/** Title line and patient line: where we are, for whom, in which room. */
import type { PatientInput, Setup } from '@taktik/core';
import { useWindowDimensions, View } from 'react-native';
import { RoomChip } from '../../ui/Frame';
import { PersonChip } from '../people/PersonChip';
import { Press } from '../../ui/Press';
import { RAIL_FROM } from '../../ui/tokens';
import { usePageTitle } from '../../ui/usePageTitle';
import { Words } from '../../ui/Words';
import type { Session } from '../../state/session';
import { patientText, situationText } from './words';

type Props = {
  setup: Setup;
  asked: PatientInput;
  session: Session | null;
  index: number;
  onShow: (index: number) => void;
  onPatient: () => void;
  onExam: () => void;
  roomId: string | undefined;
  assumed: boolean;
};

export function TitleBar({ setup, asked, session, index, onShow, onPatient, onExam, roomId, assumed }: Props) {
  const arrow = (to: number, sign: string, label: string) =>
    session && (
      <Press
        label={label}
        plain
        disabled={!session.plan[to]}
        onPress={() => onShow(to)}
        style={{ alignItems: 'center' }}
      >
        <Words kind="title">{sign}</Words>
      </Press>
    );
  usePageTitle(setup.name, 'Set up');
  const wide = useWindowDimensions().width >= RAIL_FROM;
  return (
    <View>
      <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 48 }}>
        {arrow(index - 1, '‹', 'Previous projection')}
        <Words kind="title" role="heading" aria-level={1} style={{ flex: 1 }}>
          {setup.name}
        </Words>
        {session && (
          <Press
            label={`Exam in hand: ${index + 1} of ${session.plan.length}`}
            plain
            onPress={onExam}
            style={{ alignItems: 'center', paddingHorizontal: 8 }}
          >
            <Words kind="small" tone="lamp">{`${index + 1} of ${session.plan.length}`}</Words>
          </Press>
        )}
        {arrow(index + 1, '›', 'Next projection')}
      </View>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Press
          label={`Patient: ${patientText(asked)}, ${situationText(setup.situation)}${assumed ? ', partly assumed' : ''}. Change`}
          plain
          onPress={onPatient}
          style={{ flex: 1 }}
        >
          <Words numberOfLines={2}>
            {patientText(asked)}
            {assumed ? <Words tone="mauve">{'  ●'}</Words> : '  ·'}
            <Words tone="soft">{`  ${situationText(setup.situation)}`}</Words>
          </Words>
        </Press>
        <RoomChip roomId={roomId} />
        {wide && <PersonChip />}
      </View>
    </View>
  );
}
