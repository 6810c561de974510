/** How the part lies, in the address: "roll:5,along:-20". */
import {
  POSITIONING_ERROR_KEYS,
  POSITIONING_ERROR_RANGES,
  NO_POSITIONING_ERROR,
  type PositioningError,
} from '@taktik/core';

const NAMES: Readonly<Record<keyof PositioningError, string>> = {
  rollDeg: 'roll',
  tiltDeg: 'tilt',
  turnDeg: 'turn',
  alongMm: 'along',
  acrossMm: 'across',
};
const MAX_TEXT = 120;

export function positioningErrorText(positioningError: PositioningError): string | undefined {
  const parts = POSITIONING_ERROR_KEYS.filter((key) => positioningError[key] !== 0).map(
    (key) => `${NAMES[key]}:${positioningError[key]}`,
  );
  return parts.length > 0 ? parts.join(',') : undefined;
}

/** What is not known or out of range is left as it should be. */
export function positioningErrorFrom(text: string | string[] | undefined): PositioningError {
  const positioningError = { ...NO_POSITIONING_ERROR };
  for (const part of String(text ?? '')
    .slice(0, MAX_TEXT)
    .split(',')) {
    const [name, value] = part.split(':');
    const key = POSITIONING_ERROR_KEYS.find((each) => NAMES[each] === name);
    const [low, high] = key ? POSITIONING_ERROR_RANGES[key] : [0, 0];
    if (key && value !== '' && Number(value) >= low && Number(value) <= high) positioningError[key] = Number(value);
  }
  return positioningError;
}
