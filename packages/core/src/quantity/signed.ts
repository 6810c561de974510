/** A number with its sign to one digit: "+0.4", "−0.7"; what rounds to nothing has none. */
export function signed(value: number): string {
  const text = Math.abs(value).toFixed(1);
  return text === '0.0' ? text : `${value > 0 ? '+' : '−'}${text}`;
}
