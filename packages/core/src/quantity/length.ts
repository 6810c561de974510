/**
 * Lengths. Inside the core every length is in millimetres; inches and centimetres exist only here and at the edge.
 */

export const MM_PER_INCH = 25.4;
const MM_PER_CM = 10;

/** The unit that leads on the screen; the other one is always shown beside it. */
export type LengthUnit = 'in' | 'cm';

/** Centimetres to millimetres. */
export const centimetres = (value: number): number => value * MM_PER_CM;
/** Millimetres to centimetres, as a tape or caliper shows them. */
export const toCentimetres = (mm: number): number => mm / MM_PER_CM;

/** Inches to millimetres. */
export const inches = (value: number): number => value * MM_PER_INCH;
/** Millimetres to inches, as a number. */
export const toInches = (mm: number): number => mm / MM_PER_INCH;

const FRACTION_GLYPHS: Record<string, string> = {
  '1/4': '¼',
  '1/2': '½',
  '3/4': '¾',
  '1/8': '⅛',
  '3/8': '⅜',
  '5/8': '⅝',
  '7/8': '⅞',
};
const GLYPH_VALUES: Record<string, number> = {
  '¼': 0.25,
  '½': 0.5,
  '¾': 0.75,
  '⅛': 0.125,
  '⅜': 0.375,
  '⅝': 0.625,
  '⅞': 0.875,
};

/** Inches are told to a half from here on, to a quarter below. */
const HALVES_FROM_IN = 6;
const finest = (mm: number): 2 | 4 => (Math.abs(mm) >= inches(HALVES_FROM_IN) ? 2 : 4);

/**
 * Millimetres as inches on a tape: whole inches and the nearest fraction.
 * @param mm length in mm, finite, may be negative
 * @param denominator finest division shown: 1, 2, 4 or 8; a tape is read to ¼ in, to ½ in from 6 in up
 * @returns for example "3¼", "10", "½", "0"
 * @throws RangeError when the length is not finite
 */
export function formatInches(mm: number, denominator: 1 | 2 | 4 | 8 = finest(mm)): string {
  requireFinite(mm);
  const parts = Math.round((Math.abs(mm) / MM_PER_INCH) * denominator);
  const whole = Math.floor(parts / denominator);
  let top = parts - whole * denominator;
  let bottom: number = denominator;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const glyph = top === 0 ? '' : FRACTION_GLYPHS[`${top}/${bottom}`];
  const sign = mm < 0 && parts > 0 ? '−' : '';
  return sign + (whole === 0 && glyph ? glyph : `${whole}${glyph}`);
}

/**
 * Millimetres as centimetres, to the nearest half.
 * @returns for example "5", "13.5"
 * @throws RangeError when the length is not finite
 */
export function formatCm(mm: number): string {
  requireFinite(mm);
  const halves = Math.round(mm / 5);
  return (halves / 2).toString().replace('-', '−');
}

/**
 * A length with its pair, as a tape shows it: the second figure is that of the first, so that both are one place on the
 * tape. Inches to ¼ (to ½ from 6 in up) with their centimetres to 0.5 (under 1 in to 0.1); where centimetres lead, the
 * other way round from the exact value.
 * @example lengthPair(25, 'in') // "1 in (2.5 cm)"
 * @throws RangeError when the length is not finite
 */
export function lengthPair(mm: number, unit: LengthUnit): string {
  requireFinite(mm);
  if (unit === 'cm') return `${formatCm(mm)} cm (${formatInches(mm, finest(mm))} in)`;
  const parts = finest(mm);
  const shownMm = inches(Math.round(toInches(mm) * parts) / parts);
  const small = Math.abs(shownMm) < MM_PER_INCH;
  const cm = small ? (Math.round(shownMm) / MM_PER_CM).toString().replace('-', '−') : formatCm(shownMm);
  return `${formatInches(shownMm, parts)} in (${cm} cm)`;
}

/** A length in the leading unit with its unit name, for running text: "2 in" or "5 cm". */
export function formatLength(mm: number, unit: LengthUnit): string {
  return unit === 'in' ? `${formatInches(mm)} in` : `${formatCm(mm)} cm`;
}

/** A rectangle in the leading unit, width first: "8 × 10½ in". */
export function formatRectangle(widthMm: number, heightMm: number, unit: LengthUnit): string {
  return unit === 'in'
    ? `${formatInches(widthMm, 2)} × ${formatInches(heightMm, 2)} in`
    : `${formatCm(widthMm)} × ${formatCm(heightMm)} cm`;
}

/**
 * Reads a length as people type it: "2 1/2 in", "2½\"", "6.5cm", "65 mm", "5 ft 7 in", "2.5" (in the default unit).
 * @param text what was typed
 * @param defaultUnit unit of a bare number
 * @returns millimetres
 * @throws RangeError naming the text and the accepted forms
 */
export function parseLength(text: string, defaultUnit: LengthUnit | 'mm'): number {
  const clean = text.trim().toLowerCase().replace(/,/g, '.').replace(/[”″"]/g, ' in').replace(/[’′']/g, ' ft');
  const feet = /^(\d+)\s*(?:ft|feet)\s*(.*)$/.exec(clean);
  if (feet) {
    const rest = feet[2].trim();
    return inches(Number(feet[1]) * 12) + (rest === '' ? 0 : parseLength(rest, 'in'));
  }
  const match = /^([−-]?)(\d+(?:\.\d+)?)?\s*([¼½¾⅛⅜⅝⅞]|\d+\/\d+)?\s*(in|inch|inches|cm|mm|m)?$/.exec(clean);
  if (!match || (match[2] === undefined && match[3] === undefined)) throw unreadable(text);
  let [, sign, whole, fraction, unit] = match;
  // "1/2" alone is caught as a fraction; "21/2" would be read as 21 halves by eye and is refused as ambiguous.
  let value = whole === undefined ? 0 : Number(whole);
  if (fraction !== undefined) {
    const fractionValue = GLYPH_VALUES[fraction] ?? ratio(fraction);
    if (!Number.isFinite(fractionValue) || (whole !== undefined && fractionValue >= 1)) throw unreadable(text);
    value += fractionValue;
  }
  const scale = { in: MM_PER_INCH, inch: MM_PER_INCH, inches: MM_PER_INCH, cm: 10, mm: 1, m: 1000 }[
    unit ?? defaultUnit
  ];
  return (sign ? -1 : 1) * value * (scale as number);
}

function ratio(fraction: string): number {
  const [top, bottom] = fraction.split('/').map(Number);
  return top / bottom;
}

function unreadable(text: string): RangeError {
  return new RangeError(
    `"${text.slice(0, 40)}" is not a length; write for example 2 1/2 in, 6.5 cm, 65 mm or 5 ft 7 in`,
  );
}

function requireFinite(mm: number): void {
  if (!Number.isFinite(mm)) throw new RangeError(`length must be a finite number of mm, got ${mm}`);
}
