/** Faults that every picture can have besides how the part lay: the sign, the cause, and what puts it right. */
import { formatLength, type LengthUnit } from '../quantity/length';
import { signed } from '../quantity/signed';
import { significant } from '../quantity/significant';
import { listWords } from '../quantity/text';

export type ExposureFaultWords = { sign: string; cause: string; correction: string };

const length = (mm: number, unit: LengthUnit): string => formatLength(mm, unit);

/** By the cells or by hand: what ends an exposure too early or too late. */
const CAUSE = {
  under: {
    aec: 'Cell outside the part or under a thin one, density turned down, or ended by the backup time',
    hand: 'mAs for a thinner part or a shorter SID',
  },
  over: {
    aec: 'Cell under metal, contrast or a thick part, density turned up, or the wrong holder’s cells',
    hand: 'mAs for a thicker part or a longer SID, or for a grid that was out',
  },
} as const;

type DoseFacts = { by: 'aec' | 'hand'; mAs: number; rightMas: number; deviation: number; action: string };
/** The rule, what it comes to here, and whether that is a reason to repeat. */
const doseSaid = ({ mAs, rightMas, deviation, action }: DoseFacts): string =>
  `mAs × 10^(−DI ÷ 10); at ${signed(deviation)}: ${significant(rightMas, 2)} instead of ${mAs} mAs. ${action}`;

/**
 * One line of words for each code.
 * @example exposureFaultWords.motion({ timeMs: 100 }).sign // 'Outlines blurred'
 */
export const exposureFaultWords = {
  under: (dose: DoseFacts) => ({
    sign: `Noise in the thickest part; deviation index ${signed(dose.deviation)} or less`,
    cause: CAUSE.under[dose.by],
    correction: doseSaid(dose),
  }),
  over: (dose: DoseFacts) => ({
    sign: `Deviation index ${signed(dose.deviation)} or more; thin parts black without detail`,
    cause: CAUSE.over[dose.by],
    correction: doseSaid(dose),
  }),
  clipped: (
    { shown, widthMm, heightMm }: { shown: readonly string[]; widthMm: number; heightMm: number },
    unit: LengthUnit,
  ) => ({
    sign: `Cut at an edge of the field: ${listWords([...shown])}`,
    cause: 'Centred beside it, or the field too small',
    correction: `Move the centring by what is missing; the field is ${length(widthMm, unit)} × ${length(heightMm, unit)} at the receptor`,
  }),
  grid: (
    {
      tiltDeg,
      offCentreMm,
      nearMm,
      farMm,
    }: { tiltDeg: number; offCentreMm: number; nearMm: number; farMm: number | null },
    unit: LengthUnit,
  ) => ({
    sign: 'Lighter all over, toward one edge or toward both, with noise there',
    cause:
      'Grid off level or off centre: the whole or one side; wrong distance: both edges; upside down: only the middle is left',
    correction: `Level within ${Math.floor(tiltDeg)}°, centred within ${length(offCentreMm, unit)}, focal spot ${
      farMm === null ? `${length(nearMm, unit)} away or more` : `${length(nearMm, unit)} to ${length(farMm, unit)} away`
    }`,
  }),
  motion: ({ timeMs }: { timeMs: number }) => ({
    sign: 'Outlines blurred',
    cause: `The part moved within the ${timeMs} ms, or the breath was not held`,
    correction: 'Rehearse the breath, immobilize; shorter time by the large focal spot, more mA or more kVp',
  }),
  artefact: ({ remove }: { remove: readonly string[] }) => ({
    sign: 'A sharp outline that belongs to no bone',
    cause: 'Something was left on the patient, in the bedding or on the receptor',
    correction:
      remove.length > 0
        ? `Off before the exposure: ${listWords([...remove])}`
        : 'Look over patient, bedding and receptor',
  }),
  double: () => ({
    sign: 'Two outlines of one part, deviation index far above',
    cause: 'A receptor that was exposed already was exposed again',
    correction: 'Exposed receptors lie apart from the others and are read at once',
  }),
} as const;
