/** The exam in hand: its series, its plan, who has it, and how it may end before it is complete. */
import { Button } from '@rneui/themed';
import { defaultDepartment } from '@taktik/core';
import { useRouter } from 'expo-router';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { View } from 'react-native';
import { useDepartmentQuery, usePeopleQuery } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { post } from '../../state/sender';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { SeriesList } from '../setup/SeriesList';
import { ended, type Session } from '../../state/session';

type Props = {
  open: boolean;
  session: Session;
  index: number;
  name: string;
  onShow: (index: number) => void;
  onClose: () => void;
};

export function ExamSheet({ open, session, index, name, onShow, onClose }: Props) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { data: people } = usePeopleQuery();
  const { data: department = defaultDepartment } = useDepartmentQuery();
  const me = useAppSelector((state) => state.who.person?.name ?? '');
  const [to, setTo] = useState<string | undefined>();
  const [reason, setReason] = useState<string | undefined>();
  const leave = (where: '/orders') => {
    dispatch(ended());
    onClose();
    router.replace(where);
  };
  const handOver = () => {
    post(dispatch, {
      id: nanoid(16),
      madeAt: Date.now(),
      path: `/exams/${session.examId}/hand-over`,
      body: { to },
      what: `${session.exam} handed to ${to}`,
    });
    leave('/orders');
  };
  const endEarly = () => {
    const now = Date.now();
    post(dispatch, {
      id: `${session.examId}-end`,
      madeAt: now,
      path: `/exams/${session.examId}/finish`,
      body: { finishedAt: now, reason },
      what: `end of ${session.exam}: ${reason}`,
    });
    leave('/orders');
  };
  const others = people?.filter((person) => person.name !== me) ?? [];
  const left = session.plan.filter((_, i) => session.exposed[i] === undefined).length;
  return (
    <Sheet title="Exam in hand" open={open} onClose={onClose}>
      <Words tone="soft">{`In your hands: ${me}`}</Words>
      <SeriesList
        session={session}
        index={index}
        name={name}
        onShow={(at) => {
          onClose();
          onShow(at);
        }}
      />
      <Press
        label="Order, plan and what to bring"
        role="link"
        onPress={() => {
          onClose();
          router.push({ pathname: '/order', params: { id: session.orderId } });
        }}
        style={{ paddingHorizontal: 12 }}
      >
        <Words tone="lamp">Order, plan and what to bring</Words>
      </Press>
      <View style={{ gap: 8 }}>
        <Words kind="heading">Hand to a colleague</Words>
        <Choice
          label="Who goes on with it"
          options={others.map(({ name: each }) => ({ value: each, label: each }))}
          value={to}
          onChange={setTo}
        />
        <Button title={to ? `Hand to ${to}` : 'Hand over'} disabled={!to} onPress={handOver} />
      </View>
      <View style={{ gap: 8 }}>
        <Words kind="heading">End before it is complete</Words>
        <Words
          kind="small"
          tone="soft"
        >{`${left} of ${session.plan.length} not exposed. What was exposed stays in the record.`}</Words>
        <Choice
          label="Why"
          options={department.endReasons.map((each) => ({ value: each, label: each }))}
          value={reason}
          onChange={setReason}
        />
        <Button title="End the exam" disabled={!reason} onPress={endEarly} />
      </View>
    </Sheet>
  );
}
