/** Shielding as the department follows it: the entries say where local code decides. */
import type { Projection } from '../../projections/schema';
import type { HouseRules } from '../../room/houseRules';

export type Protection = {
  text: string;
  /** Lead or a shield on somebody, which is carried there and taken away again. */
  lead: boolean;
};

const ASKED: Readonly<Record<HouseRules['shielding'], string>> = {
  'local-code': ', if local code asks',
  always: '',
  'on-request': ', only when it is asked for',
};

/** Protection under the rule in force: by the code, always, or only when it was asked for. */
export const protectionFor = (all: Projection['protection'], shielding: HouseRules['shielding']): Protection[] =>
  all.map(({ text, lead, ifAsked }) => ({ text: `${text}${ifAsked ? ASKED[shielding] : ''}`, lead }));
