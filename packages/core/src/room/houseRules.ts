/**
 * House rules: where practice differs, the department picks. Each rule has its schools, a default and the reason
 * for the default in one line.
 */
import { z } from 'zod';

type RuleDefinition = { title: string; choices: Readonly<Record<string, string>>; default: string; reason: string };

const define = <const T extends Record<string, RuleDefinition>>(rules: T): T => rules;

export const RULES = define({
  unit: {
    title: 'Leading unit of length',
    choices: { in: 'inches', cm: 'centimetres' },
    default: 'in',
    reason: 'receptors and tapes of the demo rooms are in inches; the other unit is always shown beside it',
  },
  shielding: {
    title: 'Gonadal shielding',
    choices: {
      'local-code': 'as the local code says',
      always: 'always when outside the anatomy',
      'on-request': 'only when asked for',
    },
    default: 'local-code',
    reason: 'national guidance in many countries now advises against routine use: it can hide anatomy and upset AEC',
  },
  chestTechnique: {
    title: 'Chest kVp and grid',
    choices: { grid: '110 to 125 kVp with grid', 'no-grid': '80 to 95 kVp without grid' },
    default: 'grid',
    reason: 'even penetration of lung and mediastinum; the technique is recomputed either way',
  },
  lateralThoracicBreathing: {
    title: 'Lateral thoracic spine',
    choices: { quiet: 'quiet breathing with a long exposure', suspended: 'suspended expiration' },
    default: 'quiet',
    reason: 'ribs and lung markings blur, the spine stays sharp',
  },
  cervicothoracicAngle: {
    title: 'Cervicothoracic lateral',
    choices: { perpendicular: 'perpendicular', caudad: '4° to the feet when the far shoulder will not drop' },
    default: 'perpendicular',
    reason: 'one angle less to set and undo; the angle is offered when the shoulder stays high',
  },
  kneeApAngle: {
    title: 'AP knee angle',
    choices: { thickness: 'by the thickness of the pelvis', none: 'always 0°' },
    default: 'thickness',
    reason: 'the joint space opens when the ray follows the slope that the pelvis gives the leg',
  },
  kneeLateralAngle: {
    title: 'Lateral knee angle',
    choices: { '5': '5° to the head', '7': '7° to the head' },
    default: '5',
    reason: 'enough to lift the medial condyle, which lies further from the receptor',
  },
  sinusSid: {
    title: 'SID, sinuses',
    choices: { '40': '40 in', '72': '72 in' },
    default: '40',
    reason: 'the part touches the receptor, so magnification is small already',
  },
  marker: {
    title: 'Side marker',
    choices: {
      receptor: 'on the receptor inside the light',
      table: 'on the table or patient',
      software: 'in software only',
    },
    default: 'receptor',
    reason: 'a marker in the light cannot be set wrongly afterwards',
  },
});

export type RuleId = keyof typeof RULES;
export const RULE_IDS = Object.keys(RULES) as RuleId[];

/** One choice for every rule. */
export const houseRulesSchema = z
  .strictObject(
    Object.fromEntries(RULE_IDS.map((id) => [id, z.enum(Object.keys(RULES[id].choices) as [string, ...string[]])])) as {
      [K in RuleId]: z.ZodEnum;
    },
  )
  .partial();
export type HouseRules = { [K in RuleId]: keyof (typeof RULES)[K]['choices'] & string };

export const defaultRules: HouseRules = Object.fromEntries(RULE_IDS.map((id) => [id, RULES[id].default])) as HouseRules;

export const withDefaults = (rules?: Partial<Record<RuleId, string | number>>): HouseRules => ({
  ...defaultRules,
  ...(rules as Partial<HouseRules>),
});
