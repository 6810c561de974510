/**
 * Figures from points on a picture, each with what calibration, reading and rotation leave of doubt. Never a diagnosis:
 * a length, an angle, a difference. Points are mm on the receptor, from the upper left corner of the picture as it hangs.
 */
import { z } from 'zod';
import { toDegrees, toRadians } from '../quantity/angle';
import type { Scale } from './calibration';

export const MEASURE_KINDS = ['distance', 'angle', 'lines', 'opening', 'length'] as const;
export type MeasureKind = (typeof MEASURE_KINDS)[number];

/** Points that each wants, and what each of them is. */
export const POINTS_OF: Readonly<Record<MeasureKind, readonly string[]>> = {
  distance: ['from', 'to'],
  angle: ['end of one limb', 'vertex', 'end of the other limb'],
  /** Of two lines, as between the end plates of a curve. */
  lines: ['first line, one end', 'first line, other end', 'second line, one end', 'second line, other end'],
  opening: ['one surface, one end', 'one surface, other end', 'other surface, one end', 'other surface, other end'],
  length: ['upper end', 'joint between', 'lower end'],
};

const coordinate = z.number().min(-2000).max(4000);
export const measureSchema = z
  .strictObject({
    id: z.string().min(1).max(40),
    name: z
      .string()
      .trim()
      .min(1, { error: 'A measure needs a name' })
      .max(60, { error: 'A name may have 60 characters' }),
    kind: z.enum(MEASURE_KINDS),
    points: z.array(z.tuple([coordinate, coordinate])).max(4),
  })
  .refine(({ kind, points }) => points.length === POINTS_OF[kind].length, { error: 'A measure needs all its points' });
export type Measure = z.infer<typeof measureSchema>;
type Point = readonly [number, number];

export type MeasuredFigure = { value: number; unit: 'mm' | '°'; within: number };

/** How well a point is set, mm on the receptor, and how far the part may have been rotated out of the plane, degrees. */
export type Doubt = { pointMm: number; rotatedDeg: number };
export const USUAL_DOUBT: Doubt = { pointMm: 0.7, rotatedDeg: 5 };

const gap = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay);
const heading = ([ax, ay]: Point, [bx, by]: Point): number => Math.atan2(by - ay, bx - ax);
/** Between two directions, 0 to 180. */
function between(a: number, b: number): number {
  const off = Math.abs(toDegrees(a - b)) % 360;
  return off > 180 ? 360 - off : off;
}
/** How far a point lies from a line. */
function offLine([px, py]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const length = Math.hypot(bx - ax, by - ay);
  return length === 0 ? Math.hypot(px - ax, py - ay) : Math.abs((bx - ax) * (ay - py) - (ax - px) * (by - ay)) / length;
}

/** A length in the part, doubted by its ends, by the scale, and by a part that was rotated and is shortened. */
const lengthOf = (
  shadowMm: number,
  ends: number,
  { factor, spread }: Scale,
  { pointMm, rotatedDeg }: Doubt,
): MeasuredFigure => {
  const value = shadowMm * factor;
  const read = pointMm * factor * Math.sqrt(ends);
  return {
    value,
    unit: 'mm',
    within: Math.hypot(read, value * spread, value * (1 - Math.cos(toRadians(rotatedDeg)))),
  };
};

/** An angle, doubted by where the ends of its limbs were set, and by rotation, which turns one limb into the plane. */
function angleOf(degrees: number, limbs: readonly number[], { pointMm, rotatedDeg }: Doubt): MeasuredFigure {
  const read = limbs.map((length) => toDegrees(Math.atan2(pointMm * Math.SQRT2, Math.max(length, pointMm))));
  const angle = toRadians(degrees);
  const seen = toDegrees(Math.atan2(Math.sin(angle) * Math.cos(toRadians(rotatedDeg)), Math.cos(angle)));
  return { value: degrees, unit: '°', within: Math.hypot(...read, degrees - seen) };
}

/**
 * @param scale of the part; null where the picture does not say how large a pixel is: then only angles have figures
 * @returns null for a length without a scale, or with points missing
 * @example figureOf({ id: 'a', name: 'Gap', kind: 'distance', points: [[0, 0], [3, 4]] }, { factor: 0.8, spread: 0 })!.value // 4
 */
export function figureOf(
  { kind, points }: Pick<Measure, 'kind' | 'points'>,
  scale: Scale | null,
  doubt: Doubt = USUAL_DOUBT,
): MeasuredFigure | null {
  const [a, b, c, d] = points;
  if (!a || !b) return null;
  if (kind === 'angle') return c ? angleOf(between(heading(b, a), heading(b, c)), [gap(b, a), gap(b, c)], doubt) : null;
  if (kind === 'lines') {
    if (!c || !d) return null;
    const apart = between(heading(a, b), heading(c, d));
    // Lines have no sense: 170 degrees apart are 10.
    return angleOf(Math.min(apart, 180 - apart), [gap(a, b), gap(c, d)], doubt);
  }
  if (!scale) return null;
  if (kind === 'distance') return lengthOf(gap(a, b), 2, scale, doubt);
  if (!c) return null;
  if (kind === 'length') return lengthOf(gap(a, b) + gap(b, c), 3, scale, doubt);
  // Of an opening the mean of how far both ends of one surface lie from the other.
  return d ? lengthOf((offLine(c, a, b) + offLine(d, a, b)) / 2, 2, scale, doubt) : null;
}

/** One side less the other. @returns null where the two are no figures of one kind */
export function differenceOf(one: MeasuredFigure | null, other: MeasuredFigure | null): MeasuredFigure | null {
  if (!one || !other || one.unit !== other.unit) return null;
  return { value: one.value - other.value, unit: one.unit, within: Math.hypot(one.within, other.within) };
}

/** @example figureText({ value: 12.34, unit: 'mm', within: 1.2 }) // '12.3 ± 1.2 mm' */
export const figureText = ({ value, unit, within }: MeasuredFigure): string =>
  `${value.toFixed(1)} ± ${within.toFixed(1)}${unit === '°' ? '°' : ` ${unit}`}`;

export type MeasuredRow = {
  exam: string;
  view: string;
  side: string;
  calibration: string;
  measure: Measure;
  figure: MeasuredFigure | null;
};

const field = (text: string): string => (/[",\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text);
/** What begins like a formula is text in any table program. */
const plain = (text: string): string => field(/^[=+\-@]/.test(text) ? `'${text}` : text);

/** A table of figures as comma-separated values, one row a measure. */
export function measuredTable(rows: readonly MeasuredRow[]): string {
  const head = 'exam,view,side,measure,kind,value,unit,within,calibration,points (mm on the receptor)';
  const lines = rows.map(({ exam, view, side, calibration, measure, figure }) =>
    [
      ...[exam, view, side, measure.name, measure.kind].map(plain),
      figure ? figure.value.toFixed(2) : '',
      figure?.unit ?? '',
      figure ? figure.within.toFixed(2) : '',
      plain(calibration),
      field(measure.points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('; ')),
    ].join(','),
  );
  return `${[head, ...lines].join('\r\n')}\r\n`;
}
