/** A ring of the device: three short tones, and a shake where it has one. Silent where there is neither. */
const TONES = 3;
const TONE_S = 0.18;
const PAUSE_S = 0.12;
const PITCH_HZ = 880;
const LOUD = 0.25;

export function ring(): void {
  if (typeof window === 'undefined') return;
  if (typeof navigator.vibrate === 'function') navigator.vibrate([200, 120, 200, 120, 200]);
  if (typeof window.AudioContext !== 'function') return;
  const context = new window.AudioContext();
  const volume = context.createGain();
  volume.gain.value = LOUD;
  volume.connect(context.destination);
  for (let i = 0; i < TONES; i += 1) {
    const tone = context.createOscillator();
    tone.frequency.value = PITCH_HZ;
    tone.connect(volume);
    const from = context.currentTime + i * (TONE_S + PAUSE_S);
    tone.start(from);
    tone.stop(from + TONE_S);
    if (i === TONES - 1) tone.onended = () => void context.close();
  }
}
