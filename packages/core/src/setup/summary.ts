/** A set-up in a dozen lines, each with its name: for comparing two, for the schools and for print. */
import { buildBody } from '../body/body';
import { isChild } from '../body/patient';
import { formatCm, formatRectangle, type LengthUnit } from '../quantity/length';
import { capitalize } from '../quantity/text';
import { RULES, withDefaults, type RuleId } from '../room/houseRules';
import { computeSetup } from './computeSetup';
import { entryOf, type SetupRequest } from './request';
import { breathWords } from './placing/breath';
import type { Setup } from './setup';
import { HOLDER_WORDS } from '../words/names';
import { bothUnits } from '../words/stepWords';
import { techniqueWords, tiltWords } from './readouts/words';

export type SummaryLine = { name: string; text: string };

export function summaryOf(setup: Setup, unit: LengthUnit): SummaryLine[] {
  const { receptor, tube, centre, field, exposure, position, breathing, marker } = setup;
  const laid = receptor.size.fixed ? '' : `, ${receptor.outcome === 'diagonal' ? 'diagonal' : receptor.orientation}`;
  return [
    { name: 'Position', text: position.say },
    {
      name: 'Receptor',
      text: `${receptor.size.name}${laid}${receptor.exposures > 1 ? `, ${receptor.exposures} exposures` : ''}, ${HOLDER_WORDS[receptor.holder]}`,
    },
    { name: 'Grid', text: receptor.grid ? `${receptor.grid.ratio}:1` : 'none' },
    { name: 'SID', text: bothUnits(tube.sidMm, unit) },
    {
      name: 'Tube',
      text: `CR ${tiltWords(tube) || 'perpendicular'}, ${setup.way?.beam === 'rest' ? 'perpendicular to the back rest' : `${tube.beam} beam`}`,
    },
    { name: 'Centre', text: centre.text },
    {
      name: 'By touch',
      text:
        centre.checkBy.length > 0
          ? capitalize(centre.checkBy.map(({ text }) => text).join('; '))
          : 'nothing else to palpate',
    },
    { name: 'Field', text: formatRectangle(field.atReceptorMm.width, field.atReceptorMm.height, unit) },
    { name: 'Must show', text: capitalize(field.mustShow.join(', ')) },
    {
      name: 'Technique',
      text: `${techniqueWords(exposure)} at ${formatCm(exposure.thicknessMm)} cm${exposure.aec === 'none' ? ', manual' : `, AEC ${exposure.aec}`}`,
    },
    { name: 'Breath', text: breathWords(breathing) },
    { name: 'Marker', text: [marker.letters.join(' and '), marker.place, ...marker.extra].join(', ') },
  ];
}

export type SchoolChoice = {
  choice: string;
  label: string;
  reason: string;
  inForce: boolean;
  /** What is other than with the school in force. */
  differs: SummaryLine[];
};
export type SchoolsOfRule = { rule: RuleId; title: string; choices: SchoolChoice[] };

/** Every school of a projection with its numbers and reasons, for this patient in this room. */
export function schoolsOf(request: SetupRequest): SchoolsOfRule[] {
  const projection = entryOf(request);
  const rules = withDefaults(request.rules);
  const now = summaryOf(computeSetup(request), rules.unit);
  const child = isChild(buildBody(request.patient ?? {}).patient);
  const variants = projection.variants.filter(({ when }) => when !== 'child' || child);
  return [...new Set(variants.map(({ rule }) => rule as RuleId))].map((rule) => {
    const {
      title,
      choices,
      reason: ownReason,
    } = RULES[rule] as { title: string; choices: Record<string, string>; reason: string };
    return {
      rule,
      title,
      choices: Object.entries(choices).map(([choice, label]): SchoolChoice => {
        const inForce = rules[rule] === choice;
        const lines = inForce
          ? now
          : summaryOf(computeSetup({ ...request, rules: { ...rules, [rule]: choice } }), rules.unit);
        return {
          choice,
          label,
          reason: variants.find((each) => each.rule === rule && each.choice === choice)?.reason ?? ownReason,
          inForce,
          differs: lines.filter((line, i) => line.text !== now[i].text),
        };
      }),
    };
  });
}
