/** Shielding as the department follows it: the entries say where local code decides. */
import type { HouseRules } from '../room/houseRules';

const CODE = /,? ?\b(?:if|as) local code asks/;

/** Lines of protection under the rule in force: by the code, always, or only when it was asked for. */
export const protectionFor = (lines: readonly string[], shielding: HouseRules['shielding']): string[] =>
  lines.map((line) => {
    if (shielding === 'local-code' || !CODE.test(line)) return line;
    return line.replace(CODE, shielding === 'always' ? '' : ' only when it is asked for');
  });
