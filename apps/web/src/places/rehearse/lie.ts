/** How the part lies, in the address: "roll:5,along:-20". */
import { MISHAP_KEYS, MISHAP_RANGES, NO_MISHAP, type Mishap } from '@taktik/core';

const NAMES: Readonly<Record<keyof Mishap, string>> = {
  rollDeg: 'roll',
  tiltDeg: 'tilt',
  turnDeg: 'turn',
  alongMm: 'along',
  acrossMm: 'across',
};
const MAX_TEXT = 120;

export function lieText(mishap: Mishap): string | undefined {
  const parts = MISHAP_KEYS.filter((key) => mishap[key] !== 0).map((key) => `${NAMES[key]}:${mishap[key]}`);
  return parts.length > 0 ? parts.join(',') : undefined;
}

/** What is not known or out of range is left as it should be. */
export function lieFrom(text: string | string[] | undefined): Mishap {
  const mishap = { ...NO_MISHAP };
  for (const part of String(text ?? '')
    .slice(0, MAX_TEXT)
    .split(',')) {
    const [name, value] = part.split(':');
    const key = MISHAP_KEYS.find((each) => NAMES[each] === name);
    const [low, high] = key ? MISHAP_RANGES[key] : [0, 0];
    if (key && value !== '' && Number(value) >= low && Number(value) <= high) mishap[key] = Number(value);
  }
  return mishap;
}
