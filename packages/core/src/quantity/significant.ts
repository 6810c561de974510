/** A number in so many figures that count, never with an exponent. @example significant(137.6, 2) // '140' */
export const significant = (value: number, figures: number): string => {
  const text = value.toPrecision(figures);
  return text.includes('e') ? String(Number(text)) : text;
};
