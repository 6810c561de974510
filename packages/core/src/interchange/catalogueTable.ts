/** Every entry with its numbers for median adults, as text for reading by a radiographer. */
import { formatAngle } from '../quantity/angle';
import { formatCm, formatInches, lengthPair } from '../quantity/length';
import { capitalize } from '../quantity/text';
import { projections } from '../projections/catalogue';
import { exams } from '../projections/exams';
import type { Projection } from '../projections/schema';
import { REGIONS } from '../projections/vocabulary';
import { ROOM_TWO } from '../room/demoRooms';
import { RULES } from '../room/houseRules';
import { positionName } from '../room/position';
import type { Room } from '../room/room';
import { angledTo } from '../words/names';
import { breathFor, breathWords } from '../setup/placing/breath';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';

/** Plates of three sizes in every holder, and a tube that reaches what is asked: nothing of the numbers is the room's. */
export const REFERENCE_ROOM: Room = {
  ...ROOM_TWO,
  id: 'reference',
  name: 'Reference room',
  tube: { focusHeightMm: [450, 2600], wallSidMm: [800, 3000], maxAngleDeg: 60, maxFieldAtMetreMm: 430 },
};

const inches = (mm: number): string => formatInches(mm, 2);
const both = (mm: number): string => lengthPair(mm, 'in');

function row(entry: Projection, man: Setup, woman: Setup): string {
  const size = ({ receptor }: Setup) =>
    `${receptor.size.name} ${receptor.exposures > 1 ? `× ${receptor.exposures}` : receptor.outcome === 'diagonal' ? 'diagonal' : receptor.orientation}`;
  const field = ({ field: { atReceptorMm } }: Setup) =>
    `${inches(atReceptorMm.width)} × ${inches(atReceptorMm.height)} in`;
  const { tube, exposure, position } = man;
  const turns = entry.ray.swing.map(({ toward, degrees }) => `${formatAngle(degrees)} toward the ${toward}`);
  const lines = [
    `### ${entry.name}`,
    '',
    `\`${entry.id}\` - ${entry.shows}. ${entry.confidence === 'taught' ? '' : `**Confidence: ${entry.confidence}.** `}`.trim(),
    '',
    '| | |',
    '| --- | --- |',
    `| Position | ${entry.positions.map(({ body }) => positionName(body)).join('; ')}. ${position.say} |`,
    `| Ray | ${entry.ray.view}${turns.length > 0 ? `, part turned ${turns.join(', ')}` : ''}; CR ${tube.angleDeg > 0 ? `${formatAngle(tube.angleDeg)} ${angledTo(tube.angleSays)}` : 'perpendicular to the receptor'} (${entry.ray.rangeDeg.join(' to ')}°), ${tube.beam === 'horizontal' ? 'horizontal' : 'vertical'} beam |`,
    `| SID | ${both(entry.sid.wantedMm)}, acceptable ${entry.sid.rangeMm.map(inches).join(' to ')} in |`,
    `| Centre | ${man.centre.text}${entry.aim.taught ? `. Taught for an adult: ${entry.aim.taught}` : ''} |`,
    `| Receptor, median man / woman | ${size(man)} / ${size(woman)}; usual ${entry.receptor.usual} ${entry.receptor.orientation}${entry.receptor.note ? `, ${entry.receptor.note}` : ''} |`,
    `| Field at the receptor | ${field(man)} / ${field(woman)} |`,
    `| Must show | ${man.field.mustShow.join(', ')} |`,
    `| Technique | ${exposure.kVp} kVp, ${exposure.mAs} mAs at ${formatCm(exposure.thicknessMm)} cm; grid ${entry.grid}; ${entry.exposure.aecCells === 'none' ? 'manual' : `AEC ${entry.exposure.aecCells}`} |`,
    `| Breathing | ${breathWords(breathFor(entry, { holdsBreath: true, holdsStill: true }))} |`,
    `| Marker | ${man.marker.letters.join(' and ')}, ${[man.marker.place, ...man.marker.extra].join('; ')} |`,
    `| Criteria | ${entry.checks.join('; ')} |`,
  ];
  if (man.receptor.whyOther) lines.push(`| Another receptor than usual | ${man.receptor.whyOther} |`);
  if (entry.faults.length > 0)
    lines.push(
      `| Faults | ${entry.faults.map(({ sign, cause, correction }) => `${sign}: ${cause}. ${correction}`).join('; ')} |`,
    );
  for (const { rule, choice, reason } of entry.variants) {
    const { title, choices } = RULES[rule as keyof typeof RULES] as { title: string; choices: Record<string, string> };
    lines.push(`| School: ${title} | ${choices[choice]} - ${reason} |`);
  }
  if (entry.aim.taughtAt?.settled) lines.push(`| Taught and computed differ | ${entry.aim.taughtAt.settled} |`);
  if (entry.instead.length > 0)
    lines.push(
      `| Instead | ${entry.instead.map(({ projection, loses }) => `\`${projection}\`: ${loses}`).join('; ')} |`,
    );
  if (entry.note) lines.push(`| Note | ${entry.note} |`);
  return `${lines.join('\n')}\n`;
}

/** The whole catalogue as Markdown. */
export function catalogueTable(): string {
  const of = (entry: Projection, sex: 'male' | 'female') =>
    computeSetup({
      projectionId: entry.id,
      side: entry.sided === 'each' ? 'left' : undefined,
      patient: { ageYears: 40, sex },
      room: REFERENCE_ROOM,
    });
  const parts = REGIONS.map((region) => {
    const entries = projections.filter((entry) => entry.region === region);
    const rows = entries.map((entry) => row(entry, of(entry, 'male'), of(entry, 'female')));
    return `## ${capitalize(region)} (${entries.length})\n\n${rows.join('\n')}`;
  });
  const list = exams.map(({ name, projections: ids }) => `- **${name}**: ${ids.map((id) => `\`${id}\``).join(', ')}`);
  return [
    '# The catalogue',
    '',
    'Written by `npm run formats` from the entries and the computation; not edited by hand. Numbers are for a median',
    'man (and woman) of 40 years in a reference room with plates of 8×10, 10×12 and 14×17 in every holder. General',
    'teaching of the field: local codes, the department’s protocols and the physicist’s technique chart come first.',
    '',
    parts.join('\n'),
    '## Exams',
    '',
    list.join('\n'),
    '',
  ].join('\n');
}
