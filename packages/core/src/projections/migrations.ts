/**
 * Entries of a department as earlier versions wrote them, brought to the form of today. Each step is named, looks at the
 * form and not at a number, and leaves what is of today alone; what it cannot place it keeps as a note.
 */
import { isRecord } from '../quantity/record';
import { projections } from './catalogue';
import type { Projection } from './schema';
import type { BreathPhase } from './vocabulary';

type Written = Record<string, unknown>;
type Migration = { name: string; applies: (entry: Written) => boolean; change: (entry: Written) => Written };

const strings = (value: unknown): string[] =>
  Array.isArray(value) ? value.filter((each): each is string => typeof each === 'string') : [];
const records = (value: unknown): Written[] => (Array.isArray(value) ? value.filter(isRecord) : []);
const text = (value: unknown): string => (typeof value === 'string' ? value : '');

/** What a copy has kept of its original, for as long as nobody has changed it. */
const TRACES = ['aim', 'cover', 'brightBones', 'shows', 'checks', 'receptor', 'sid'] as const;

/** The entry of the catalogue that it was copied from: of the same part, seen the same way, and alike in most. */
function kinOf(entry: Written): Projection | undefined {
  const { view } = isRecord(entry.ray) ? entry.ray : {};
  const bodies = (positions: unknown) =>
    records(positions)
      .map(({ body, beam }) => `${text(body)} ${text(beam)}`)
      .join();
  const faults = (all: unknown) =>
    records(all)
      .map(({ id }) => text(id))
      .join();
  const likeness = (each: Projection): number =>
    TRACES.filter((field) => JSON.stringify(each[field]) === JSON.stringify(entry[field])).length +
    Number(faults(each.faults) === faults(entry.faults)) +
    Number(bodies(each.positions) === bodies(entry.positions)) +
    Number(JSON.stringify(each.ray.swing) === JSON.stringify(isRecord(entry.ray) ? entry.ray.swing : undefined));
  const alike = projections
    .filter(({ region, part, ray }) => region === entry.region && part === entry.part && ray.view === view)
    .map((each) => ({ each, likeness: likeness(each) }))
    .sort((a, b) => b.likeness - a.likeness);
  return alike[0]?.each;
}

/** What the English words of the first version were taken for. */
export function phaseOfWords(words: string): BreathPhase {
  const said = words.toLowerCase();
  if (said.includes('gently')) return 'quiet';
  if (said.startsWith('drink')) return 'swallow';
  if (said.includes('slowly')) return 'slowly in';
  if (said.includes('in again')) return 'second in';
  if (/in, out, hold it out/.test(said)) return 'in and out';
  if (said.startsWith('breathe out')) return 'out';
  if (said.startsWith('breathe in')) return 'in';
  if (said.startsWith('stop breathing')) return 'suspended';
  return 'none';
}

const CODE = /,? ?\b(?:if|as) local code asks/;
const AID =
  /\b(pads?|sponge|wedge|sandbags?|cushion|weights?|straps?|pillow|blocks?|lead|gauge|supports?|tape|pointer|spacer|ruler|scale|sheet|step|frame|cover)\b/;
const NO_AID = /^(the light|head |bladder|allergies|long SID|groove|pelvis raised|no )/;
const isAid = (item: string): boolean => AID.test(item) && !NO_AID.test(item);

/** Words by which the first version told what an entry asks of the patient. */
const DEMAND_WORDS: readonly [NonNullable<Projection['demands']>[number], RegExp][] = [
  ['weights', /\bweights?\b(?!-)|\bweighted\b/i],
  ['stress', /\bstress\b/i],
  ['weight-bearing', /weight.bearing/i],
  ['bent-neck', /\b(neck|cervical)\b.*\b(flexion|extension|bent)\b/i],
  ['bent-trunk', /\b(lumbar|trunk|spine)\b.*\b(flexion|extension|bending|bent)\b/i],
];

/** Clauses that set the head for the picture: by chin, head, face or neck, or by a line that only a turn makes level. */
const SETS_HEAD =
  /\b(chin (a little )?(up|raised|tucked|down|over|drawn|stretched|forward|on)|(head|face) (is |then )?(a little )?(turned|tipped|tilted|bent|low|raised|straight)|neck (bent|out of|straight|stretched)|pupils level|plane of the head)\b/i;

/** The clauses of a position that set the head, apart from the rest. */
function headApart(positioning: Written): Written {
  const clauses = text(positioning.say).split(', ');
  const head = clauses.filter((clause) => SETS_HEAD.test(clause));
  if (head.length === 0) return positioning;
  return { ...positioning, say: clauses.filter((clause) => !head.includes(clause)).join(', '), head: head.join(', ') };
}

const OF_ENTRY: readonly Migration[] = [
  {
    name: 'what sets the head is told apart from the rest of a position',
    applies: ({ signs }) => signs === undefined,
    change: (entry) => ({
      ...entry,
      positions: records(entry.positions).map(headApart),
      steps: records(entry.steps).map((step) => ({ ...step, setsHead: SETS_HEAD.test(text(step.text)) })),
    }),
  },
  {
    name: 'what it asks of the patient stands in a field, not in its words',
    applies: ({ demands }) => demands === undefined,
    change: (entry) => {
      const marked = isRecord(entry.marker) ? strings(entry.marker.extra) : [];
      const words = [text(entry.name), ...strings(entry.alsoCalled), ...marked].join('; ');
      const demanded = DEMAND_WORDS.filter(([, by]) => by.test(words)).map(([demand]) => demand);
      return { ...entry, demands: [...new Set([...(kinOf(entry)?.demands ?? []), ...demanded])] };
    },
  },
  {
    name: 'signs, joints that open, study and order stand in fields, not in the id',
    applies: ({ signs }) => signs === undefined,
    change: (entry) => {
      const kin = kinOf(entry);
      const measured = new Map(kin?.faults.map(({ id, measuredBy }) => [id, measuredBy]));
      return {
        ...entry,
        ...(kin && {
          signs: kin.signs,
          showsLevels: kin.showsLevels,
          ...(kin.opens && { opens: kin.opens }),
          ...(kin.study && { study: kin.study }),
          ...(kin.settles && { settles: kin.settles }),
          ...(kin.waitsFor && { waitsFor: kin.waitsFor }),
        }),
        faults: records(entry.faults).map(({ measure: _, ...fault }) => {
          const measuredBy = measured.get(text(fault.id));
          return { ...fault, ...(measuredBy && { measuredBy }) };
        }),
      };
    },
  },
];

const OF_A_FIELD: readonly Migration[] = [
  {
    name: 'a part that rests on something is supported, no longer held',
    applies: ({ positions }) => records(positions).some((each) => 'held' in each),
    change: (entry) => ({
      ...entry,
      positions: records(entry.positions).map(({ held: supported, ...rest }) =>
        supported === undefined ? rest : { ...rest, supported },
      ),
    }),
  },
  {
    name: 'the breath is a phase, not a sentence',
    applies: ({ breathing }) => isRecord(breathing) && typeof breathing.words === 'string',
    change: (entry) => {
      const words = text((entry.breathing as Written).words);
      const phase = phaseOfWords(words);
      const kin = kinOf(entry);
      const same = kin?.breathing.phase === phase;
      // Words of the department's own are kept where they can be read.
      const note = [text(entry.note), ...(same ? [] : [`For the breath: “${words}”`])].filter((each) => each !== '');
      return {
        ...entry,
        breathing: same ? kin.breathing : { phase },
        ...(note.length > 0 && { note: note.join(' ') }),
      };
    },
  },
  {
    name: 'protection says whether it is lead, and whether the local code is asked',
    applies: ({ protection }) => strings(protection).length > 0,
    change: (entry) => ({
      ...entry,
      protection: strings(entry.protection)
        .flatMap((line) => line.split('; '))
        .map((line) => ({
          text: line.replace(CODE, ''),
          lead: /\b(aprons?|shields?|shielded|gonads)\b|\blead (?!on the table)/.test(line),
          ifAsked: CODE.test(line),
        })),
    }),
  },
  {
    name: 'what is brought and taken away again is told from what is seen to once',
    applies: ({ prepare, aids }) => aids === undefined && strings(prepare).some(isAid),
    change: (entry) => ({
      ...entry,
      prepare: strings(entry.prepare).filter((item) => !isAid(item)),
      aids: strings(entry.prepare).filter(isAid),
    }),
  },
];

const migrated = (written: Written, steps: readonly Migration[]): Written =>
  steps.reduce((entry, { applies, change }) => (applies(entry) ? change(entry) : entry), written);

/** A school sets single fields: they change their form as those of the entry do. */
const schoolOfToday = (school: unknown): unknown =>
  isRecord(school) && isRecord(school.set) ? { ...school, set: migrated(school.set, OF_A_FIELD) } : school;

/**
 * @param written an entry of any version, or anything else
 * @returns the same in the form of today, to be read by `projectionSchema`; what is no object is given back as it is
 * @example entryOfToday(fileOfLastYear.entries[0])
 */
export function entryOfToday(written: unknown): unknown {
  if (!isRecord(written)) return written;
  const entry = migrated(written, [...OF_ENTRY, ...OF_A_FIELD]);
  return Array.isArray(entry.variants)
    ? { ...entry, variants: entry.variants.map((school: unknown) => schoolOfToday(school)) }
    : entry;
}
