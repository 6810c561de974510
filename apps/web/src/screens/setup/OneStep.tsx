/** One step at a time, as large as the screen: a tap anywhere ticks it and shows the next; read aloud if asked. */
import type { LengthUnit, Setup } from '@taktik/core';
import { useEffect, useState } from 'react';
import { Modal, Pressable, View } from 'react-native';
import { Toggle } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Caution } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { useEscape } from '../../ui/useEscape';
import { hush, say, useVoice } from '../../ui/useVoice';
import { Words } from '../../ui/Words';
import { FieldEdges } from './FieldEdges';
import { GROUP_NAMES, nextStep, opensField } from './StepList';

type Props = {
  open: boolean;
  setup: Setup;
  unit: LengthUnit;
  /** Landmarks that are not felt in this patient. */
  notFelt?: readonly string[];
  done: readonly string[];
  onTick: (id: string) => void;
  onClose: () => void;
};

export function OneStep({ open, setup, unit, notFelt, done, onTick, onClose }: Props) {
  const theme = useTheme();
  const voice = useVoice('en');
  const [aloud, setAloud] = useState(false);
  useEscape(open, onClose);
  const step = nextStep(setup, done);
  const place = setup.steps.filter(({ id }) => done.includes(id)).length;
  const last = [...setup.steps].reverse().find(({ id }) => done.includes(id));
  const text = step ? [...step.cautions, step.text].join('. ') : '';
  useEffect(() => {
    if (open && aloud) say(text);
    return hush;
  }, [open, aloud, text]);
  return (
    <Modal visible={open} animationType="none" onRequestClose={onClose} aria-label="One step at a time">
      <View style={{ flex: 1, backgroundColor: theme.ground, padding: 16, gap: 12 }}>
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words tone="soft" style={{ flex: 1 }} numberOfLines={1}>
            {`${setup.name} · ${Math.min(place + 1, setup.steps.length)} of ${setup.steps.length}`}
          </Words>
          <Press label="Back to the list" onPress={onClose} style={{ paddingHorizontal: 14 }}>
            <Words>List</Words>
          </Press>
        </View>
        <Pressable
          role="button"
          aria-label={step ? `Done: ${step.text}. Next` : 'Back to the list'}
          onPress={() => (step ? onTick(step.id) : onClose())}
          style={{ flex: 1, justifyContent: 'center', gap: 18, padding: 8 }}
        >
          {step?.cautions.map((each) => (
            <Caution key={each} text={each} />
          ))}
          <Words kind="heading" tone="soft">
            {step ? GROUP_NAMES[step.group] : 'Done'}
          </Words>
          <View role="status">
            <Words style={{ fontSize: 34, lineHeight: 44 }}>{step ? step.text : 'All steps are ticked.'}</Words>
          </View>
          {step && opensField(step) && <FieldEdges setup={setup} unit={unit} notFelt={notFelt} />}
          <Words tone="lamp">{step ? 'Tap anywhere when it is done' : 'Tap for the list'}</Words>
        </Pressable>
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Press
            label={last ? `Back to: ${last.text}` : 'Back'}
            disabled={!last}
            onPress={() => last && onTick(last.id)}
            style={{ paddingHorizontal: 18, alignItems: 'center' }}
          >
            <Words>Back</Words>
          </Press>
          <View style={{ flex: 1 }}>
            {voice ? (
              <Toggle label="Read aloud" on={aloud} onChange={setAloud} />
            ) : (
              <Words kind="small" tone="soft" style={{ padding: 12 }}>
                This device has no voice to read aloud.
              </Words>
            )}
          </View>
        </View>
      </View>
    </Modal>
  );
}
