import { computeSetup } from './computeSetup';
import { protectionFor } from './protection';

test.each([
  ['local-code', 'apron over the pelvis if local code asks'],
  ['always', 'apron over the pelvis'],
  ['on-request', 'apron over the pelvis only when it is asked for'],
] as const)('shielding %s: %s', (rule, says) => {
  expect(protectionFor(['apron over the pelvis if local code asks'], rule)).toEqual([says]);
  expect(protectionFor(['light off the eyes'], rule)).toEqual(['light off the eyes']);
});

test('the rule of the house reaches the steps', () => {
  const setup = computeSetup({ projectionId: 'knee-ap', side: 'left', rules: { shielding: 'always' } });
  expect(setup.protection.join(' ')).not.toMatch(/local code/);
  expect(setup.steps.some(({ text }) => text === 'Apron over the pelvis')).toBe(true);
});
