import type { HouseRules, PatientInput, RuleId, Situation } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { fromAddress, toAddress, type Asked } from './address';
import { patientChanged, placeOf, ruledOtherwise } from '../../state/session';

/** The address follows the hand after this pause: rewriting it at every touch would hold the numbers up. */
const ADDRESS_AFTER_MS = 250;

type Draft = {
  asked: Asked;
  /** The address that this was read from or last compared with. */
  key: string;
  /** Changed here, and not yet in the address. */
  ahead: boolean;
};

const read = (key: string): Asked => fromAddress(JSON.parse(key) as Record<string, string>);

/** What is asked, and how to change it. The address says it; while it is being changed it is held here, ahead of it. */
export function useAsked() {
  const router = useRouter();
  const params = useLocalSearchParams();
  const dispatch = useAppDispatch();
  const session = useAppSelector((state) => state.session.current);
  const key = JSON.stringify(params);
  const [draft, setDraft] = useState<Draft>(() => ({ asked: read(key), key, ahead: false }));
  let current = draft;
  if (draft.key !== key) {
    // Someone moved on: back, a link, the next projection - or our own change has arrived in the address.
    const arrived = read(key);
    const elsewhere =
      arrived.projectionId !== draft.asked.projectionId ||
      arrived.side !== draft.asked.side ||
      arrived.place !== draft.asked.place;
    current = draft.ahead && !elsewhere ? { ...draft, key } : { asked: arrived, key, ahead: false };
    setDraft(current);
  }
  const { asked } = current;

  const write = (from: Draft) => {
    // A parameter that is left out of setParams stays; undefined takes it away.
    const cleared = Object.fromEntries(Object.keys(JSON.parse(from.key) as object).map((name) => [name, undefined]));
    router.setParams({ ...cleared, ...toAddress(from.asked) });
    setDraft((now) => (now.asked === from.asked ? { ...now, ahead: false } : now));
  };
  const writeLatest = useRef(write);
  useEffect(() => {
    writeLatest.current = write;
  });
  useEffect(() => {
    if (!draft.ahead) return undefined;
    const timer = setTimeout(() => writeLatest.current(draft), ADDRESS_AFTER_MS);
    return () => clearTimeout(timer);
  }, [draft]);
  /** Before moving on: the address says what was asked last, so that back finds it. */
  const settle = async () => {
    if (!current.ahead) return;
    write(current);
    await new Promise((resolve) => setTimeout(resolve, 0));
  };

  const index = session ? placeOf(session.plan, asked) : -1;
  const go = (change: Partial<Asked>) =>
    setDraft((now) => ({ asked: { ...now.asked, ...change }, key: now.key, ahead: true }));
  const changePatient = (patient: PatientInput, situation: Partial<Situation>) => {
    if (index >= 0) dispatch(patientChanged({ patient, situation, roomId: asked.roomId ?? session!.roomId }));
    go({ patient, situation });
  };
  /** One rule of the house chosen otherwise here, in all views of the exam; undefined is the house's own again. */
  const choose = (rule: RuleId, choice: string | undefined) => {
    const others = Object.entries(asked.rules ?? {}).filter(([id]) => id !== rule);
    const rules: Partial<HouseRules> = Object.fromEntries(choice === undefined ? others : [...others, [rule, choice]]);
    if (index >= 0) dispatch(ruledOtherwise(rules));
    go({ rules });
  };
  return { choose, asked, session: index >= 0 ? session : null, index, go, changePatient, settle };
}
