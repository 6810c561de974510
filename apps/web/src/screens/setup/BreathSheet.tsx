/** The words for the breath in the patient's language, how to say them, and a timer that leads through them. */
import { Button } from '@rneui/themed';
import { breathSequence, breathWords, languageOf, PATIENT_LANGUAGES, type Setup } from '@taktik/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { preferred } from '../../state/preferences';
import { Choice } from '../../ui/Choice';
import { CornerTicks } from '../../ui/CornerTicks';
import { Sheet } from '../../ui/Sheet';
import { useTheme } from '../../ui/theme';
import { hush, say, useVoice } from '../../ui/useVoice';
import { Words } from '../../ui/Words';

const SECOND_MS = 1000;

export function BreathSheet({ open, setup, onClose }: { open: boolean; setup: Setup; onClose: () => void }) {
  return (
    <Sheet title="Breath" open={open} onClose={onClose}>
      {open && <Breath setup={setup} />}
    </Sheet>
  );
}

function Breath({ setup }: { setup: Setup }) {
  const theme = useTheme();
  const dispatch = useAppDispatch();
  const language = languageOf(useAppSelector((state) => state.preferences.language));
  const voice = useVoice(language.tag);
  const steps = breathSequence(setup);
  /** Which step is said, and how many seconds of it are left; null when it does not run. */
  const [running, setRunning] = useState<{ step: number; left: number } | null>(null);
  const begin = (step: number) => {
    const [words] = language.phrases[steps[step].phrase];
    if (voice) say(words, language.tag);
    setRunning({ step, left: steps[step].seconds });
  };
  useEffect(() => {
    if (!running || running.left <= 0) return undefined;
    const timer = setTimeout(() => {
      if (running.left > 1) setRunning({ ...running, left: running.left - 1 });
      else if (running.step + 1 < steps.length) begin(running.step + 1);
      else setRunning({ ...running, left: 0 });
    }, SECOND_MS);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [running]);
  useEffect(() => hush, []);
  const over = running !== null && running.left <= 0;
  return (
    <>
      <Words tone="soft">{breathWords(setup.breathing)}</Words>
      <View role="list" style={{ gap: 8 }}>
        {steps.map(({ phrase, expose, seconds }, i) => {
          const [words, pronounced] = language.phrases[phrase];
          const here = running?.step === i;
          return (
            <View
              key={phrase}
              role="listitem"
              style={{ backgroundColor: theme.surface, borderRadius: 4, padding: 14, gap: 2 }}
            >
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
                <Words
                  style={{
                    flex: 1,
                    fontSize: 26,
                    lineHeight: 34,
                    writingDirection: language.rightToLeft ? 'rtl' : 'ltr',
                  }}
                  {...({ lang: language.tag } as object)}
                >
                  {words}
                </Words>
                {here && running.left > 0 && (
                  <Words kind="title" tone="lamp" role="timer">
                    {`${running.left}`}
                  </Words>
                )}
              </View>
              {pronounced !== '' && <Words tone="soft">{pronounced}</Words>}
              <Words kind="small" tone={expose ? 'lamp' : 'soft'}>
                {expose ? `expose now · ${seconds} s` : seconds > 0 ? `${seconds} s` : 'the patient is free again'}
              </Words>
              {here && <CornerTicks />}
            </View>
          );
        })}
      </View>
      {steps.length > 0 && (
        <Button
          title={running && !over ? 'Stop the timer' : over ? 'Again' : 'Start the timer'}
          onPress={() => {
            if (running && !over) {
              hush();
              setRunning(null);
            } else begin(0);
          }}
        />
      )}
      {steps.length > 0 && (
        <>
          <Words kind="small" tone="soft">
            {voice
              ? 'The device says the words.'
              : 'This device has no voice for this language: say the words yourself.'}
            {language.note === '' ? '' : ` ${language.note}`}
            {language.checked ? '' : ' Not yet checked by a native speaker.'}
          </Words>
          <Choice
            label="Language of the patient"
            options={PATIENT_LANGUAGES.map(({ id, name, own }) => ({
              value: id,
              label: name === own ? name : `${name} · ${own}`,
            }))}
            value={language.id}
            onChange={(id) => {
              setRunning(null);
              dispatch(preferred({ language: id }));
            }}
          />
        </>
      )}
    </>
  );
}
