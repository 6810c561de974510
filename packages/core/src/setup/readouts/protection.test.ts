import { computeSetup } from '../computeSetup';
import { protectionFor } from './protection';

const APRON = { text: 'apron over the pelvis', lead: true, ifAsked: true };
const EYES = { text: 'light off the eyes', lead: false, ifAsked: false };
test.each([
  ['local-code', 'apron over the pelvis, if local code asks'],
  ['always', 'apron over the pelvis'],
  ['on-request', 'apron over the pelvis, only when it is asked for'],
] as const)('shielding %s: %s', (rule, text) => {
  expect(protectionFor([APRON, EYES], rule)).toEqual([
    { text, lead: true },
    { text: 'light off the eyes', lead: false },
  ]);
});

test('the rule of the house reaches the steps', () => {
  const setup = computeSetup({ projectionId: 'knee-ap', side: 'left', rules: { shielding: 'always' } });
  expect(setup.protection).toEqual([{ text: 'apron over the pelvis', lead: true }]);
  expect(setup.steps.some(({ text }) => text === 'Apron over the pelvis')).toBe(true);
});
