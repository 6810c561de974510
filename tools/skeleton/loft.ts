/** A body of changing closed sections along a line. */
import { within, type Field } from './field';

/**
 * A section at `s` along the line: its middle, half its breadth, its reach to the back and to the front, and how full
 * its corners are (2 an ellipse, more a rounded box). All mm.
 */
export type Section = { s: number; u?: number; v?: number; a: number; back: number; front: number; n?: number };

const KEYS = ['u', 'v', 'a', 'back', 'front', 'n'] as const;
const FILL = { u: 0, v: 0, n: 2.2 } as const;
type Row = readonly number[];
const rowOf = (section: Section): Row => KEYS.map((key) => section[key] ?? FILL[key as keyof typeof FILL]);

const STEPS = 160;

/** Values between the keyed sections: a cubic that does not swing beyond them. */
function tableOf(sections: readonly Section[]): Float64Array[] {
  const s = sections.map((section) => section.s);
  const rows = sections.map(rowOf);
  const last = s.length - 1;
  const steep = KEYS.map((_, k) =>
    rows.map((row, i) => {
      if (i === 0 || i === last) return 0;
      const before = (row[k] - rows[i - 1][k]) / (s[i] - s[i - 1]);
      const after = (rows[i + 1][k] - row[k]) / (s[i + 1] - s[i]);
      return before * after <= 0 ? 0 : (2 * before * after) / (before + after);
    }),
  );
  // The ends run on as straight as they come.
  KEYS.forEach((_, k) => {
    steep[k][0] = (rows[1][k] - rows[0][k]) / (s[1] - s[0]);
    steep[k][last] = (rows[last][k] - rows[last - 1][k]) / (s[last] - s[last - 1]);
  });
  return Array.from({ length: STEPS + 1 }, (_, step) => {
    const at = s[0] + ((s[last] - s[0]) * step) / STEPS;
    let i = 0;
    while (i < last - 1 && s[i + 1] < at) i += 1;
    const h = s[i + 1] - s[i];
    const t = (at - s[i]) / h;
    return Float64Array.from(KEYS, (_key, k) => {
      const [p0, p1] = [rows[i][k], rows[i + 1][k]];
      const [m0, m1] = [steep[k][i] * h, steep[k][i + 1] * h];
      return (
        (2 * t ** 3 - 3 * t ** 2 + 1) * p0 +
        (t ** 3 - 2 * t ** 2 + t) * m0 +
        (3 * t ** 2 - 2 * t ** 3) * p1 +
        (t ** 3 - t ** 2) * m1
      );
    });
  });
}

/** @param round mm over which the rims of the ends are rounded */
export function loft(sections: readonly Section[], round: number): Field {
  const table = tableOf(sections);
  const [first, last] = [sections[0].s, sections[sections.length - 1].s];
  const side: Field = ([x, y, z]) => {
    const at = Math.min(STEPS, Math.max(0, ((z - first) / (last - first)) * STEPS));
    const i = Math.min(STEPS - 1, Math.floor(at));
    const [from, to] = [table[i], table[i + 1]];
    const value = (k: number) => from[k] + (to[k] - from[k]) * (at - i);
    const [a, n] = [value(2), value(5)];
    const [du, dv] = [Math.abs(x - value(0)), y - value(1)];
    const b = dv > 0 ? value(3) : value(4);
    const norm = ((du / a) ** n + (Math.abs(dv) / b) ** n) ** (1 / n);
    if (norm < 1e-6) return -Math.min(a, b);
    const steep = Math.hypot((du / a) ** (n - 1) / a, (Math.abs(dv) / b) ** (n - 1) / b) / norm ** (n - 1);
    return (norm - 1) / steep;
  };
  return within(round, side, ([, , z]) => Math.max(first - z, z - last));
}
