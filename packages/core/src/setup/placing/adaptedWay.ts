/**
 * A way of doing a projection other than the entry's own: how the patient is, where the ray comes from, what carries
 * the receptor. It is found by search, travels in a request, and has a short text for addresses and plans.
 */
import { z } from 'zod';
import { ASPECTS, BODY_POSITIONS, HOLDERS } from '../../projections/vocabulary';

/** Straight down; level; square to the back rest that the patient leans on. */
export const BEAMS = ['down', 'level', 'rest'] as const;
export type Beam = (typeof BEAMS)[number];
/** Of a joint that does not straighten: the part above it, below it, or both with the ray between them. */
export const HALVES = ['upper', 'lower', 'between'] as const;
export type Half = (typeof HALVES)[number];

const degrees = (name: string, most: number) => {
  const error = `${name} must be -${most} to ${most}°`;
  return z.number({ error }).int({ error }).min(-most, { error }).max(most, { error });
};

/** Furthest that a tube is tilted from straight, one way. */
export const MOST_TILT_DEG = 60;

export const adaptedWaySchema = z.strictObject({
  position: z.enum(BODY_POSITIONS),
  /** What of the patient lies beneath. */
  on: z.enum(ASPECTS).optional(),
  /** From flat, of a patient who is half sitting. */
  backRestDeg: degrees('Back rest', 90).min(0).optional(),
  beam: z.enum(BEAMS),
  holder: z.enum(HOLDERS),
  /** The ray runs through the part the other way. */
  reversed: z.boolean().default(false),
  /** Nothing is posed for the picture: the part stays as it lies. */
  asItLies: z.boolean().default(false),
  half: z.enum(HALVES).optional(),
  /** Of one who sits: the leg that is shown lies straight on a stool before the seat. */
  onStool: z.literal(true).optional(),
  /** Tilt of the tube up the receptor (below 0: down it), and across it. */
  alongDeg: degrees('Tilt along', MOST_TILT_DEG).default(0),
  acrossDeg: degrees('Tilt across', MOST_TILT_DEG).default(0),
});
export type AdaptedWay = z.output<typeof adaptedWaySchema>;

const BETWEEN = '~';

/** Short text of a way: "supine~level~stand~reversed~along-15". */
export function wayText(way: AdaptedWay): string {
  const { position, on, backRestDeg, beam, holder, reversed, asItLies, half, onStool, alongDeg, acrossDeg } = way;
  return [
    position,
    beam,
    holder,
    ...(on ? [`on-${on}`] : []),
    ...(backRestDeg === undefined ? [] : [`rest${backRestDeg}`]),
    ...(reversed ? ['reversed'] : []),
    ...(asItLies ? ['lies'] : []),
    ...(half ? [half] : []),
    ...(onStool ? ['stool'] : []),
    ...(alongDeg ? [`along${alongDeg}`] : []),
    ...(acrossDeg ? [`across${acrossDeg}`] : []),
  ].join(BETWEEN);
}

/** The way that a short text stands for; null when it stands for none. */
export function wayFromText(text: string): AdaptedWay | null {
  const [position, beam, holder, ...more] = text.split(BETWEEN);
  const found: Record<string, unknown> = { position, beam, holder };
  for (const word of more) {
    const figure = /^(rest|along|across)(-?\d+)$/.exec(word);
    if (figure) found[figure[1] === 'rest' ? 'backRestDeg' : `${figure[1]}Deg`] = Number(figure[2]);
    else if (word.startsWith('on-')) found.on = word.slice('on-'.length);
    else if (word === 'reversed') found.reversed = true;
    else if (word === 'lies') found.asItLies = true;
    else if (word === 'stool') found.onStool = true;
    else found.half = word;
  }
  const parsed = adaptedWaySchema.safeParse(found);
  return parsed.success ? parsed.data : null;
}

/** What a planned projection asks of its set-up: which digit, and a way, or one of the entry's own positions. */
export type AskedWay = {
  digit?: number;
  way?: AdaptedWay;
  overrides?: { position: AdaptedWay['position'] };
};
const FOR_DIGIT = new RegExp(`^digit([1-5])(?:${BETWEEN}(.+))?$`);

/**
 * The same as a short text; nothing where it is the usual way of the entry's own digit.
 * @example askedText({ digit: 4, overrides: { position: 'prone' } }) // "digit4~prone"
 */
export function askedText({ digit, way, overrides }: AskedWay): string | undefined {
  const done = way ? wayText(way) : overrides?.position;
  const words = [...(digit === undefined ? [] : [`digit${digit}`]), ...(done ? [done] : [])];
  return words.length > 0 ? words.join(BETWEEN) : undefined;
}

/** What a short text of a plan asks for: a digit, a way by its short text, a position by its name; nothing for none. */
export function askedWay(text: string | undefined): AskedWay {
  if (!text) return {};
  const [, digit, rest] = FOR_DIGIT.exec(text) ?? [];
  if (digit !== undefined) {
    const done = askedWay(rest);
    // What stands behind a digit must be a way.
    if (rest !== undefined && (done.digit !== undefined || Object.keys(done).length === 0)) return {};
    return { digit: Number(digit), ...done };
  }
  const position = BODY_POSITIONS.find((each) => each === text);
  if (position) return { overrides: { position } };
  const way = wayFromText(text);
  return way ? { way } : {};
}

/** Whether a short text stands for a digit, a way or a position. */
export const isWayText = (text: string): boolean => Object.keys(askedWay(text)).length > 0;
