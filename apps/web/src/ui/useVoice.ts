/** Reads aloud with a voice of the device, where it has one for the language. Nothing leaves the device. */
import { useEffect, useState } from 'react';

const speech = (): SpeechSynthesis | undefined =>
  typeof window !== 'undefined' && 'speechSynthesis' in window ? window.speechSynthesis : undefined;

/** Says it, in place of what is being said. */
export function say(text: string, tag = 'en'): void {
  const voice = speech();
  if (!voice || text === '') return;
  voice.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = tag;
  voice.speak(words);
}

export const hush = (): void => speech()?.cancel();

/** Whether this device can say something in the language; voices come late on some. */
export function useVoice(tag: string): boolean {
  const [has, setHas] = useState(false);
  useEffect(() => {
    const voice = speech();
    if (!voice) return undefined;
    const look = () => setHas(voice.getVoices().some(({ lang, localService }) => localService && lang.startsWith(tag)));
    look();
    voice.addEventListener('voiceschanged', look);
    return () => {
      voice.removeEventListener('voiceschanged', look);
      voice.cancel();
    };
  }, [tag]);
  return has;
}
